"""A logger's long table of readings, kept by the hour: least, most, sum and number."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass
from datetime import UTC, datetime, tzinfo

from dace.core.errors import DaceError

_WOULD_DO = "lines such as 2026-07-14 17:40, 1.85 (time, mS/cm) would do"
_TIME = re.compile(r"\d{4}-\d\d-\d\d[T ]\d\d(:[0-5]\d){1,2}(\.\d+)?(Z|[+-]\d\d:?\d\d)?")
_MOST_LINES, _MOST_EC = 2_000_000, 200.0
_HOUR_S = 3600


@dataclass(frozen=True)
class LoggedHour:
    """One hour since 1970 (UTC): least, most and sum [mS/cm at 25 C] of so many readings."""

    hour: int
    low: float
    high: float
    total: float
    count: int


def read_log(text: str, zone: tzinfo) -> tuple[LoggedHour, ...]:
    r"""A table of times and readings, folded into hours.

    Parameters
    ----------
    text : str
        Time and reading in each line, comma, semicolon or tab between; a head line may be.
    zone : tzinfo
        Of times that name none.

    Returns
    -------
    tuple of LoggedHour
        In order; an extreme of any minute is an extreme of its hour.

    Raises
    ------
    DaceError
        On field ``text``, with the number of the line.

    Examples
    --------
    >>> found = read_log("time,ec\n2026-07-14 17:40,1.5\n2026-07-14 17:50,9.0", UTC)
    >>> [(h.low, h.high, h.count) for h in found]
    [(1.5, 9.0, 2)]
    """
    lines = text.splitlines()
    if len(lines) > _MOST_LINES:
        raise DaceError("text", f"{len(lines)} lines", f"{_MOST_LINES} at most would do")
    first = next((line for line in lines if line.strip()), "")
    between = next((mark for mark in (";", "\t") if mark in first), ",")
    hours: dict[str, int] = {}
    found: dict[int, list[float]] = {}
    for number, line in enumerate(lines, start=1):
        if not line.strip() or (number == 1 and not line[:1].isdigit()):
            continue
        at, _, rest = line.partition(between)
        value = _value(number, line, rest.partition(between)[0])
        hour = _hour(number, line, at.strip(), hours, zone)
        kept = found.get(hour)
        if kept is None:
            found[hour] = [value, value, value, 1]
        else:
            kept[0] = min(kept[0], value)
            kept[1] = max(kept[1], value)
            kept[2] += value
            kept[3] += 1
    if not found:
        raise DaceError("text", "no readings", _WOULD_DO)
    return tuple(
        LoggedHour(hour, low, high, total, int(count))
        for hour, (low, high, total, count) in sorted(found.items())
    )


def _value(number: int, line: str, cell: str) -> float:
    try:
        value = float(cell.strip().replace(",", "."))
    except ValueError:
        raise DaceError("text", _where(number, line), _WOULD_DO) from None
    if not (math.isfinite(value) and 0 <= value < _MOST_EC):
        raise DaceError("text", _where(number, line), f"0 to {_MOST_EC:g} mS/cm would do")
    return value


def _hour(number: int, line: str, at: str, hours: dict[str, int], zone: tzinfo) -> int:
    """Hours since 1970; worked out once for each quarter of an hour and offset that is written.

    Zones stand whole quarters apart from UTC: an hour of the wall lies in two of ours there.
    """
    shape = _TIME.fullmatch(at)
    if shape is None:
        raise DaceError("text", _where(number, line), _WOULD_DO)
    key = f"{at[:13]} {int(at[14:16]) // 15} {shape[3] or ''}"
    if key not in hours:
        try:
            instant = datetime.fromisoformat(at)
        except ValueError:
            raise DaceError("text", _where(number, line), _WOULD_DO) from None
        aware = instant if instant.tzinfo else instant.replace(tzinfo=zone)
        if not 1970 <= aware.year <= 2200:
            raise DaceError("text", _where(number, line), "a year from 1970 on would do")
        hours[key] = int(aware.astimezone(UTC).timestamp()) // _HOUR_S
    return hours[key]


def _where(number: int, line: str) -> str:
    return f"line {number}: “{line.strip()[:50]}”"


def by_day(hours: tuple[LoggedHour, ...]) -> tuple[LoggedHour, ...]:
    """The same by days of 24 hours (UTC), each under its first hour."""
    found: dict[int, LoggedHour] = {}
    for one in hours:
        day = one.hour - one.hour % 24
        kept = found.get(day, LoggedHour(day, one.low, one.high, 0.0, 0))
        found[day] = LoggedHour(
            day,
            min(kept.low, one.low),
            max(kept.high, one.high),
            kept.total + one.total,
            kept.count + one.count,
        )
    return tuple(found.values())
