"""A logger's long table of readings, kept by the hour: least, most, sum and number."""

from __future__ import annotations

from dataclasses import dataclass, replace
from datetime import tzinfo
from typing import Any

import numpy as np
from numpy.typing import NDArray

from dace.core.pen.log_lines import LeftOut, readings_of
from dace.core.words.dates import Order

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
    """Many hours as columns, in order: half a million take some tens of MB.

    ``again`` counts lines that said what another had said for the same instant: left out.
    ``twice`` counts those that said something else for it: taken in beside it. ``left_out`` are
    lines that are no readings.
    """

    hour: NDArray[np.int64]
    low: NDArray[np.float64]
    high: NDArray[np.float64]
    total: NDArray[np.float64]
    count: NDArray[np.int64]
    again: int = 0
    twice: int = 0
    left_out: tuple[LeftOut, ...] = ()

    def __len__(self) -> int:
        return len(self.hour)

    def __getitem__(self, at: int) -> LoggedHour:
        return LoggedHour(*(column[at].item() for column in self._columns()))

    def rows(self, begin: int, end: int) -> list[tuple[int, float, float, float, int]]:
        """Hour, least, most, sum and number of some of them, as Python's own numbers."""
        return list(zip(*self.columns(begin, end), strict=True))

    def columns(self, begin: int, end: int) -> tuple[list[Any], ...]:
        """The same as columns."""
        return tuple(column[begin:end].tolist() for column in self._columns())

    def _columns(self) -> tuple[Numbers, ...]:
        return self.hour, self.low, self.high, self.total, self.count


def read_log(text: str, zone: tzinfo, order: Order | None = None) -> LoggedHours:
    r"""A table of times and readings, folded into hours.

    Parameters
    ----------
    text : str
        Time and reading in each line, comma, semicolon or tab between, quoted or not; what
        stands before them is passed over, but that its heads name the columns and the unit.
    zone : tzinfo
        Of times that name none.
    order : "ymd", "dmy" or "mdy", optional
        Of dates; by the dates themselves where it is None.

    Returns
    -------
    LoggedHours
        In order; an extreme of any minute is an extreme of its hour.

    Raises
    ------
    DaceError
        On field ``text``, with the number of the line: where half of them are no readings.

    Examples
    --------
    >>> from datetime import UTC
    >>> found = read_log("time,ec\n2026-07-14 17:40,1.5\n2026-07-14 17:50,9.0", UTC)
    >>> found.rows(0, 1)
    [(495569, 1.5, 9.0, 10.5, 2)]
    >>> read_log('Made 1.2.2026\nDate;EC (µS/cm)\n14.7.2026 17:40;"1500"', UTC).rows(0, 1)
    [(495569, 1.5, 1.5, 1.5, 1)]
    """
    found = readings_of(text, zone, order)
    return replace(_by_hour(found.at, found.value), left_out=found.left_out)


def _by_hour(at: NDArray[np.int64], value: NDArray[np.float64]) -> LoggedHours:
    """Readings in order of time, each instant's own once, folded into hours."""
    order = np.lexsort((value, at))
    at, value = at[order], value[order]
    same_time = np.r_[False, at[1:] == at[:-1]]
    again = same_time & np.r_[False, value[1:] == value[:-1]]
    twice = int(same_time.sum() - again.sum())
    at, value = at[~again], value[~again]
    hour = at // _HOUR_S
    found = _folded(LoggedHours(hour, value, value, value, np.ones(len(hour), np.int64)))
    return replace(found, again=int(again.sum()), twice=twice)


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


def told_twice(again: int, twice: int, left_out: int = 0) -> str:
    """What came for one instant more than once, and what was left out; nothing where nothing was.

    >>> told_twice(1, 3)
    '1 line said again what another had said: left out. 3 times have another reading: both count.'
    """
    said = []
    if again:
        said.append(
            f"{again:,} line{'s' * (again > 1)} said again what another had said: left out."
        )
    if twice:
        have = "times have" if twice > 1 else "time has"
        said.append(f"{twice:,} {have} another reading: both count.")
    if left_out:
        hold = "lines hold" if left_out > 1 else "line holds"
        said.append(f"{left_out:,} {hold} no reading: left out.")
    return " ".join(said)


def by_day(hours: LoggedHours) -> LoggedHours:
    """The same by days of 24 hours (UTC), each under its first hour."""
    return _folded(hours, 24)
