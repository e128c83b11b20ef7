"""Dates and times as tables from elsewhere write them."""

from __future__ import annotations

import re
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import tzinfo
from typing import Literal

from dace.core.errors import DaceError

Order = Literal["ymd", "dmy", "mdy"]

ORDERS: dict[Order, str] = {
    "ymd": "year, month, day",
    "dmy": "day, month, year",
    "mdy": "month, day, year",
}


@dataclass(frozen=True)
class Dated:
    """How a table's dates are meant: the zone of its times, the order where it was said."""

    zone: tzinfo
    order: Order | None = None


_DATE = re.compile(
    r"(\d{1,4})([-/.])(\d{1,2})\2(\d{1,4})"
    r"(?:(?:T|,? )(\d{1,2})[:.](\d\d)(?:[:.](\d\d)(?:[.,]\d+)?)? ?([AaPp][Mm])?"
    r"(Z|[+-]\d\d:?\d\d)?)?"
)
_WOULD_DO = "dates such as 2026-07-14 or 14.7.2026 would do"


def order_of(cells: Iterable[str], field: str = "date") -> Order:
    """In which order a column of dates names its days: decided by all of it at once.

    Parameters
    ----------
    cells : iterable of str
        The column; cells that hold no date are passed over.
    field : str
        Named in the error.

    Raises
    ------
    DaceError
        If both a day first and a month first would do for every cell, or neither.

    Examples
    --------
    >>> order_of(["2026-07-14"]), order_of(["3/4/2026", "14/4/2026"]), order_of(["3.4.2026"])
    ('ymd', 'dmy', 'dmy')
    >>> order_of(["3/4/2026", "4/30/2026"])
    'mdy'
    """
    first = ""
    may: set[Order] = {"dmy", "mdy"}
    for cell in cells:
        found = _DATE.fullmatch(cell.strip())
        if found is None:
            continue
        if len(found[1]) > 2:
            return "ymd"
        first = first or cell.strip()
        if found[2] == "." or int(found[1]) > 12:
            may.discard("mdy")
        if int(found[3]) > 12:
            may.discard("dmy")
    if not first:
        return "ymd"
    if len(may) == 1:
        return may.pop()
    said = "both of its first numbers" if not may else "either of its first numbers"
    raise DaceError(
        field,
        f"“{first}”, where {said} may be the month",
        "say whether the day or the month comes first",
    )


def iso_of(cell: str, order: Order) -> str | None:
    """A date, or date and time, as ISO writes it; None where it is none.

    >>> iso_of("3/4/26 5:07 pm", "dmy"), iso_of("7.14.2026", "mdy"), iso_of("soon", "ymd")
    ('2026-04-03T17:07', '2026-07-14', None)
    """
    found = _DATE.fullmatch(cell.strip())
    if found is None:
        return None
    # by its place in the order; a year of four digits stands first whatever was said
    where = "ymd" if len(found[1]) > 2 else order
    parts = dict(zip(where, (found[1], found[3], found[4]), strict=True))
    year = int(parts["y"]) + (2000 if len(parts["y"]) <= 2 else 0)
    day = f"{year:04}-{int(parts['m']):02}-{int(parts['d']):02}"
    if found[5] is None:
        return day
    hour = int(found[5])
    if found[8]:
        hour = hour % 12 + (12 if found[8].lower() == "pm" else 0)
    seconds = f":{found[7]}" if found[7] else ""
    return f"{day}T{hour:02}:{found[6]}{seconds}{found[9] or ''}"
