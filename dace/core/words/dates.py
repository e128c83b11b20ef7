"""Dates and times as tables from elsewhere write them."""

from __future__ import annotations

import re
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from datetime import date, timedelta, tzinfo
from functools import lru_cache
from itertools import pairwise
from typing import Literal

from dace.core.errors import DaceError
from dace.core.words.days import on_day

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
_MONTHS = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"]
_MONTH = rf"({'|'.join(_MONTHS)})[a-z]*\.?"
_DAY_FIRST = re.compile(
    rf"(\d{{1,2}})(?:st|nd|rd|th)?[ .-]+{_MONTH},?[ -]+(\d{{2,4}})", re.IGNORECASE
)
_MONTH_FIRST = re.compile(rf"{_MONTH} (\d{{1,2}})(?:st|nd|rd|th)?,? (\d{{2,4}})", re.IGNORECASE)
_WOULD_DO = "dates such as 2026-07-14 or 14.7.2026 would do"
_TWO_FIGURES: dict[str, tuple[Order, ...]] = {
    ".": ("dmy",),
    "/": ("dmy", "mdy"),
    "-": ("dmy", "mdy", "ymd"),  # a year of two figures stands first between dashes at most
}
_LONG_AGO = timedelta(days=3 * 365)
_SHOWN = 3


def order_of(cells: Iterable[str], field: str = "date", today: date | None = None) -> Order:
    """In which order a column names days where a cell itself leaves it open.

    Cells that begin with a year of four digits, or name the month, say it themselves and decide
    nothing for others.

    Parameters
    ----------
    cells : iterable of str
        The column; cells that hold no date are passed over.
    field : str
        Named in the error.
    today : date, optional
        What an order puts after it, or three years before it, another is likelier to mean.

    Raises
    ------
    DaceError
        If several orders would do, with a few cells in each of them.

    Examples
    --------
    >>> order_of(["2026-07-14"]), order_of(["3/4/2026", "14/4/2026"]), order_of(["3.4.2026"])
    ('ymd', 'dmy', 'dmy')
    >>> order_of(["3/4/2026", "4/30/2026"]), order_of(["20.11.25", "2025-11-26", "14.1.26"])
    ('mdy', 'dmy')
    """
    open_cells = [cell for cell in cells if len(ways_of(cell)) > 1 or _leaves_open(cell)]
    if not open_cells:
        return "ymd"
    may = _orders(open_cells, today)
    if len(may) == 1:
        return may[0]
    doubts = doubts_of(open_cells, may or tuple(ORDERS))
    shown = "; ".join(
        f"{one.cell}: {' or '.join(on_day(day, year=True) for _, day in one.ways)}"
        for one in doubts
    )
    raise DaceError(field, shown, "say whether the day or the month comes first")


def _leaves_open(cell: str) -> bool:
    """Whether it is a date in figures whose year does not stand first in full."""
    found = _DATE.fullmatch(cell.strip())
    return found is not None and len(found[1]) <= 2 and bool(ways_of(cell))


def _orders(cells: Sequence[str], today: date | None) -> tuple[Order, ...]:
    """Orders by which each cell is a day, the least likely ones left out."""
    read = [ways_of(cell) for cell in cells]
    may: tuple[Order, ...] = tuple(o for o in ORDERS if all(o in ways for ways in read))
    if today is not None and len(may) > 1:
        ahead, back = today + timedelta(days=1), today - _LONG_AGO
        may = tuple(o for o in may if all(ways[o] <= ahead for ways in read)) or may
        may = tuple(o for o in may if all(ways[o] >= back for ways in read)) or may
    if len(may) > 1 and all(len({ways[o] for o in may}) == 1 for ways in read):
        return may[:1]  # whichever is meant, it is the same day
    return may


@dataclass(frozen=True)
class Doubt:
    """A cell that may be several days, each with the order that makes it so."""

    cell: str
    ways: tuple[tuple[Order, date], ...]


def doubts_of(cells: Iterable[str], orders: Sequence[Order] = tuple(ORDERS)) -> tuple[Doubt, ...]:
    """The first few cells that each of several orders makes another day.

    >>> [(o, str(day)) for o, day in doubts_of(["3/4/2026"])[0].ways]
    [('dmy', '2026-04-03'), ('mdy', '2026-03-04')]
    """
    found: list[Doubt] = []
    for cell in cells:
        ways = tuple((o, day) for o, day in ways_of(cell).items() if o in orders)
        if len({day for _, day in ways}) > 1 and cell not in {one.cell for one in found}:
            found.append(Doubt(cell.strip(), ways))
        if len(found) == _SHOWN:
            break
    return tuple(found)


def ways_of(cell: str) -> dict[Order, date]:
    """Every day that a cell may mean, by the order of its figures; by its own form alone.

    Days and months that there are not, and a month before the day where dots part them, are no
    way to read it.

    >>> ways = ways_of("20.11.25")
    >>> {order: str(day) for order, day in ways.items()}
    {'dmy': '2025-11-20'}
    >>> sorted(ways_of("3/4/26")), sorted(ways_of("2026-07-14")), ways_of("31.2.2026")
    (['dmy', 'mdy'], ['ymd'], {})
    """
    return dict(_ways(cell))


@lru_cache(maxsize=65_536)
def _ways(cell: str) -> tuple[tuple[Order, date], ...]:
    text = _numbered(cell.strip())
    found = _DATE.fullmatch(text)
    if found is None:
        return ()
    parts, dotted = (found[1], found[3], found[4]), found[2] == "."
    if len(parts[0]) > 2:
        orders: tuple[Order, ...] = ("ymd",)
    elif len(parts[2]) > 2:
        orders = ("dmy",) if dotted else ("dmy", "mdy")
    else:
        orders = _TWO_FIGURES[found[2]]
    days = []
    for order in orders:
        named = dict(zip(order, (int(part) for part in parts), strict=True))
        year = named["y"] + (2000 if named["y"] < 100 else 0)
        try:
            days.append((order, date(year, named["m"], named["d"])))
        except ValueError:
            continue
    return tuple(days)


def _numbered(text: str) -> str:
    """A date that names its month, in figures with the year first; others as they are."""
    for pattern, at in ((_DAY_FIRST, (3, 2, 1)), (_MONTH_FIRST, (3, 1, 2))):
        found = pattern.match(text)
        if found:
            year, month, day = (found[n] for n in at)
            number = _MONTHS.index(month[:3].lower()) + 1
            full = int(year) + (2000 if len(year) == 2 else 0)
            return f"{full:04}-{number:02}-{int(day):02}{text[found.end() :]}"
    return text


def iso_of(cell: str, order: Order) -> str | None:
    """A date, or date and time, as ISO writes it; None where it is none.

    A cell that can be read in one way alone is read so, whatever the order of its column.

    >>> iso_of("3/4/26 5:07 pm", "dmy"), iso_of("7/14/2026", "dmy"), iso_of("soon", "ymd")
    ('2026-04-03T17:07', '2026-07-14', None)
    >>> iso_of("20.11.25", "ymd"), iso_of("3 Dec 2025", "mdy"), iso_of("25 Sep 25", "dmy")
    ('2025-11-20', '2025-12-03', '2025-09-25')
    """
    ways = dict(_ways(cell))
    day = ways.get(order) or (next(iter(ways.values())) if len(ways) == 1 else None)
    found = _DATE.fullmatch(_numbered(cell.strip()))
    if day is None or found is None:
        return None
    if found[5] is None:
        return day.isoformat()
    hour = int(found[5])
    if found[8]:
        hour = hour % 12 + (12 if found[8].lower() == "pm" else 0)
    seconds = f":{found[7]}" if found[7] else ""
    return f"{day.isoformat()}T{hour:02}:{found[6]}{seconds}{found[9] or ''}"


def pointed_at(days: Sequence[tuple[int, date]], today: date) -> tuple[tuple[int, str], ...]:
    """Rows whose day is worth a second look: long ago, not yet, or out of the table's order.

    Parameters
    ----------
    days : sequence of (int, date)
        The number of each row and the day that it was read as, in the order of the table.
    today : date
        The garden's.

    Returns
    -------
    tuple of (int, str)
        The row, and what is odd of it.

    Examples
    --------
    >>> rows = [(n, date(2025, 11, n)) for n in range(1, 9)] + [(9, date(2014, 1, 26))]
    >>> pointed_at(rows, date(2026, 1, 30))
    ((9, '26 January 2014, more than three years back'),)
    """
    steps = [b >= a for (_, a), (_, b) in pairwise(days)]
    rises = not steps or sum(steps) >= len(steps) / 2
    found, alone = [], [day for _, day in days]
    for at, (number, day) in enumerate(days):
        if day > today + timedelta(days=1):
            found.append((number, f"{on_day(day, year=True)}, which has not been yet"))
        elif today - day > _LONG_AGO:
            found.append((number, f"{on_day(day, year=True)}, more than three years back"))
        elif _out_of_order(alone, at, rises):
            found.append((number, f"{on_day(day, year=True)}, out of order"))
    return tuple(found)


def _out_of_order(days: Sequence[date], at: int, rises: bool) -> bool:
    """Whether a day lies far outside of those before and after it in a table that is in order."""
    before, after = days[max(0, at - 1)], days[min(len(days) - 1, at + 1)]
    if not rises:
        before, after = after, before
    near = timedelta(days=31)
    return before <= after and (days[at] < before - near or days[at] > after + near)
