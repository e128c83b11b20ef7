"""A logger's long table of readings, kept by the hour: least, most, sum and number."""

from __future__ import annotations

import math
import re
from array import array
from dataclasses import dataclass
from datetime import datetime, tzinfo
from io import StringIO

import numpy as np
from numpy.typing import NDArray

from dace.core.errors import DaceError

_WOULD_DO = "lines such as 2026-07-14 17:40, 1.85 (time, mS/cm) would do"
_TIME = re.compile(r"\d{4}-\d\d-\d\d[T ]\d\d(:[0-5]\d){1,2}(\.\d+)?(Z|[+-]\d\d:?\d\d)?")
_MOST_LINES, _MOST_EC = 2_000_000, 200.0
_HOUR_S = 3600


Numbers = NDArray[np.float64] | NDArray[np.int64]


@dataclass(frozen=True, slots=True)
class LoggedHour:
    """One hour since 1970 (UTC): least, most and sum [mS/cm at 25 C] of so many readings."""

    hour: int
    low: float
    high: float
    total: float
    count: int


@dataclass(frozen=True, eq=False)
class LoggedHours:
    """Many hours as columns, in order: half a million take some tens of MB."""

    hour: NDArray[np.int64]
    low: NDArray[np.float64]
    high: NDArray[np.float64]
    total: NDArray[np.float64]
    count: NDArray[np.int64]

    def __len__(self) -> int:
        return len(self.hour)

    def __getitem__(self, at: int) -> LoggedHour:
        return LoggedHour(*(column[at].item() for column in self._columns()))

    def rows(self, begin: int, end: int) -> list[tuple[int, float, float, float, int]]:
        """Hour, least, most, sum and number of some of them, as Python's own numbers."""
        return list(zip(*(column[begin:end].tolist() for column in self._columns()), strict=True))

    def _columns(self) -> tuple[Numbers, ...]:
        return self.hour, self.low, self.high, self.total, self.count


def read_log(text: str, zone: tzinfo) -> LoggedHours:
    r"""A table of times and readings, folded into hours.

    Parameters
    ----------
    text : str
        Time and reading in each line, comma, semicolon or tab between; a head line may be.
    zone : tzinfo
        Of times that name none.

    Returns
    -------
    LoggedHours
        In order; an extreme of any minute is an extreme of its hour.

    Raises
    ------
    DaceError
        On field ``text``, with the number of the line.

    Examples
    --------
    >>> from datetime import UTC
    >>> found = read_log("time,ec\n2026-07-14 17:40,1.5\n2026-07-14 17:50,9.0", UTC)
    >>> found.rows(0, 1)
    [(495569, 1.5, 9.0, 10.5, 2)]
    """
    first = next((line for line in StringIO(text) if line.strip()), "")
    between = next((mark for mark in (";", "\t") if mark in first), ",")
    times = _Times(zone)
    hour, count = array("q"), array("q")
    low, high, total = array("d"), array("d"), array("d")
    for number, line in enumerate(StringIO(text), start=1):
        if not line.strip() or (number == 1 and not line[:1].isdigit()):
            continue
        if number > _MOST_LINES:
            raise DaceError("text", f"over {_MOST_LINES} lines", "fewer at once would do")
        at, _, rest = line.partition(between)
        value = _value(number, line, rest.partition(between)[0])
        here = times.hour(number, line, at.strip())
        if hour and hour[-1] == here:  # as loggers write: one after the other
            low[-1], high[-1] = min(low[-1], value), max(high[-1], value)
            total[-1] += value
            count[-1] += 1
            continue
        hour.append(here)
        count.append(1)
        for column in (low, high, total):
            column.append(value)
    if not hour:
        raise DaceError("text", "no readings", _WOULD_DO)
    return _folded(LoggedHours(*(np.array(column) for column in (hour, low, high, total, count))))


def _folded(found: LoggedHours, hours: int = 1) -> LoggedHours:
    """Spans of so many hours, each once and in order, under the first hour of each."""
    begin = found.hour - found.hour % hours
    order = np.argsort(begin, kind="stable")
    span, first = np.unique(begin[order], return_index=True)
    return LoggedHours(
        span,
        np.minimum.reduceat(found.low[order], first),
        np.maximum.reduceat(found.high[order], first),
        np.add.reduceat(found.total[order], first),
        np.add.reduceat(found.count[order], first),
    )


def _value(number: int, line: str, cell: str) -> float:
    try:
        value = float(cell.strip().replace(",", "."))
    except ValueError:
        raise DaceError("text", _where(number, line), _WOULD_DO) from None
    if not (math.isfinite(value) and 0 <= value < _MOST_EC):
        raise DaceError("text", _where(number, line), f"0 to {_MOST_EC:g} mS/cm would do")
    return value


class _Times:
    """Reads times; each quarter of an hour and offset in a row is worked out once.

    Zones stand whole quarters apart from UTC: an hour of the wall lies in two of ours there.
    """

    def __init__(self, zone: tzinfo) -> None:
        self._zone, self._last, self._hour = zone, "", 0

    def hour(self, number: int, line: str, at: str) -> int:
        """Hours since 1970."""
        shape = _TIME.fullmatch(at)
        if shape is None:
            raise DaceError("text", _where(number, line), _WOULD_DO)
        key = f"{at[:13]} {int(at[14:16]) // 15} {shape[3] or ''}"
        if key == self._last:
            return self._hour
        try:
            instant = datetime.fromisoformat(at)
        except ValueError:
            raise DaceError("text", _where(number, line), _WOULD_DO) from None
        aware = instant if instant.tzinfo else instant.replace(tzinfo=self._zone)
        if not 1970 <= aware.year <= 2200:
            raise DaceError("text", _where(number, line), "a year from 1970 on would do")
        self._last, self._hour = key, int(aware.timestamp()) // _HOUR_S
        return self._hour


def _where(number: int, line: str) -> str:
    return f"line {number}: “{line.strip()[:50]}”"


def by_day(hours: LoggedHours) -> LoggedHours:
    """The same by days of 24 hours (UTC), each under its first hour."""
    return _folded(hours, 24)
