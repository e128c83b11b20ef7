"""A logger's table as it comes: where it keeps what, and each line's instant and reading."""

from __future__ import annotations

import re
from dataclasses import dataclass, replace
from datetime import UTC, datetime, timedelta, tzinfo
from itertools import islice

import numpy as np
from numpy.typing import NDArray

from dace.core.errors import DaceError
from dace.core.words.dates import Order, iso_of, order_of, ways_of
from dace.core.words.tables import rows_of_text

_WOULD_DO = "lines such as 2026-07-14 17:40, 1.85 (time, mS/cm) would do"
_MOST_LINES, _MOST_EC = 2_000_000, 200.0
_AT_ONCE, _BEFORE_ROWS = 20_000, 30
_DAY_S, _SHOWN = 86_400, 120
_PLAIN = {len("2026-07-14T17:40"), len("2026-07-14T17:40:00")}
_SIZE = re.compile(r"\d{4}-\d\d-\d\d[T ]\d\d:[0-5]\d(:[0-5]\d(\.\d+)?)?(Z|[+-]\d\d:?\d\d)?")


@dataclass(frozen=True)
class _Layout:
    """Where a table keeps what: its first row of readings, columns, order of dates, unit."""

    first: int
    when: tuple[int, ...]
    value: int
    order: Order
    per_ms: float

    def cells(self, row: list[str]) -> tuple[str, str]:
        """Time and reading of a row, as written."""
        at = " ".join(row[n].strip() for n in self.when if n < len(row))
        return at, row[self.value].strip() if self.value < len(row) else ""


@dataclass(frozen=True)
class LeftOut:
    """A line that is no reading: its number, and what it says."""

    number: int
    text: str


@dataclass(frozen=True, eq=False)
class Read:
    """Instants [s since 1970, UTC] and readings [mS/cm at 25 C] as they come; what is none."""

    at: NDArray[np.int64]
    value: NDArray[np.float64]
    left_out: tuple[LeftOut, ...]


@dataclass(frozen=True, eq=False)
class _Lines:
    """Some lines: times as a wall shows them [s], or of UTC; readings; those that are none."""

    wall: NDArray[np.int64]
    utc: NDArray[np.bool_]
    value: NDArray[np.float64]
    left_out: tuple[LeftOut, ...] = ()


def readings_of(text: str, zone: tzinfo, order: Order | None) -> Read:
    """What a table holds; a line that is no reading is left out and told.

    Raises
    ------
    DaceError
        On field ``text``, with the number of the line: where half of the lines are no readings.
    """
    layout = _layout(list(islice(rows_of_text(text), _BEFORE_ROWS)), order, text)
    rows = rows_of_text(text)
    number, found = layout.first, []
    for _ in range(layout.first):
        next(rows)
    while chunk := list(islice(rows, _AT_ONCE)):
        if number + len(chunk) > _MOST_LINES:
            raise DaceError("text", f"over {_MOST_LINES} lines", "fewer at once would do")
        lines, layout = _chunk(chunk, number, layout)
        found.append(lines)
        number += len(chunk)
    left_out = tuple(one for lines in found for one in lines.left_out)
    count = sum(len(lines.wall) for lines in found)
    if left_out and len(left_out) >= count:
        first = left_out[0]
        raise DaceError("text", f"line {first.number}: “{first.text[:50]}”", _WOULD_DO)
    if not count:
        raise DaceError("text", "no readings", _WOULD_DO)
    wall = np.concatenate([lines.wall for lines in found])
    utc = np.concatenate([lines.utc for lines in found])
    at = wall.copy()
    at[~utc] -= _offsets(wall[~utc], zone)
    return Read(at, np.concatenate([lines.value for lines in found]), left_out)


def _layout(rows: list[list[str]], order: Order | None, text: str) -> _Layout:
    first = next((n for n, row in enumerate(rows) if _dated(row)), None)
    if first is None:
        raise DaceError("text", _nothing(rows), _WOULD_DO)
    heads = [cell.strip().lower() for cell in rows[first - 1]] if first else []
    when = tuple(n for n, cell in enumerate(rows[first]) if ways_of(cell))[:1]
    beside = when[0] + 1
    if beside < len(rows[first]) and _TIME_ALONE.fullmatch(rows[first][beside]):
        when = (*when, beside)
    value = next(
        (n for n, head in enumerate(heads) if n not in when and re.search(_EC_HEAD, head)),
        when[-1] + 1,
    )
    unit = re.search(r"[µμu]s", heads[value]) if value < len(heads) else None
    found = _Layout(first, when, value, order or "ymd", 1000.0 if unit else 1.0)
    _refuse_split_decimals(rows[first:], heads, found)
    if order is None and len(rows[first][when[0]].strip().split("-")[0]) != 4:
        dates = (found.cells(row)[0] for row in islice(rows_of_text(text), first, None))
        found = replace(found, order=order_of(dates, "text"))
    return found


_TIME_ALONE = re.compile(r"\s*\d{1,2}:\d\d(:\d\d)?\s*")
_EC_HEAD = r"\bec\b|[mµμu]s(/| ?)cm|conduct"


def _dated(row: list[str]) -> bool:
    """Whether a row holds readings: a date, after a running number at most."""
    return len(row) > 1 and any(ways_of(cell) for cell in row[:2])


def _nothing(rows: list[list[str]]) -> str:
    said = [(number, row) for number, row in enumerate(rows, 1) if any(row)]
    later = said[1:] if len(said) > 1 else said
    return f"line {later[0][0]}: “{', '.join(later[0][1])[:50]}”" if later else "no readings"


def _refuse_split_decimals(rows: list[list[str]], heads: list[str], found: _Layout) -> None:
    """``2026-07-14,1,85``: a decimal comma where commas part the cells is two cells."""
    after = found.value + 1
    if after != 2 or any(len(row) != 3 for row in rows if row) or len(heads) > 2:
        return
    if all(row[1].strip().isdigit() and row[2].strip().isdigit() for row in rows if row):
        read = f"“{', '.join(rows[0])}”, where a comma may part cells or be a decimal point"
        raise DaceError("text", read, "semicolons between the cells, or points, would do")


def _chunk(rows: list[list[str]], number: int, layout: _Layout) -> tuple[_Lines, _Layout]:
    """Some rows, and where the columns stand after them: heads may come anew."""
    try:
        return _all_alike(rows, layout), layout
    except (ValueError, IndexError):
        pass
    wall, utc, value, left_out = [], [], [], []
    for line, row in enumerate(rows, number + 1):
        if not any(row):
            continue
        moved = _moved(row, layout)
        if moved is not None:
            layout = moved
            continue
        try:
            at, reading = _one(row, layout)
        except ValueError:
            left_out.append(LeftOut(line, ", ".join(row).strip()[:_SHOWN]))
            continue
        utc.append(at.tzinfo is not None)
        wall.append(int((at if at.tzinfo else at.replace(tzinfo=UTC)).timestamp()))
        value.append(reading)
    lines = _Lines(
        np.array(wall, np.int64),
        np.array(utc, np.bool_),
        np.array(value, np.float64),
        tuple(left_out),
    )
    return lines, layout


def _moved(row: list[str], layout: _Layout) -> _Layout | None:
    """Where heads come anew in the middle of a table: the columns and the unit that they name."""
    heads = [cell.strip().lower() for cell in row]
    value = next((n for n, head in enumerate(heads) if re.search(_EC_HEAD, head)), None)
    if value is None or any(ways_of(cell) for cell in row):
        return None
    when = tuple(n for n, head in enumerate(heads) if re.search(_TIME_HEAD, head) and n != value)
    if not when:  # a line that only speaks of the pen
        return None
    unit = re.search(r"[µμu]s", heads[value])
    return replace(layout, when=when[:2], value=value, per_ms=1000.0 if unit else 1.0)


_TIME_HEAD = r"date|time|datum|zeit|hora|heure|when"


def _all_alike(rows: list[list[str]], layout: _Layout) -> _Lines:
    """The quick way for plain rows; ``ValueError`` where one is not."""
    (when,) = layout.when
    times = [row[when] for row in rows]
    utc = all(at.endswith("Z") for at in times)
    if utc:
        times = [at[:-1] for at in times]
    if not {len(at) for at in times} <= _PLAIN or any(at[10] not in "T " for at in times):
        raise ValueError
    value = np.array([row[layout.value].replace(",", ".") for row in rows]).astype(np.float64)
    if not ((value >= 0) & (value < _MOST_EC * layout.per_ms)).all():
        raise ValueError
    wall = np.array(times, dtype="datetime64[s]").astype(np.int64)
    if not ((wall >= 0) & (wall < _YEAR_2200)).all():
        raise ValueError
    return _Lines(wall, np.full(len(wall), utc), value / layout.per_ms)


_YEAR_2200 = int(datetime(2200, 1, 1, tzinfo=UTC).timestamp())


def _offsets(wall: NDArray[np.int64], zone: tzinfo) -> NDArray[np.int64]:
    """Seconds that the wall is ahead of UTC, by the day where it stays the same all day.

    An hour that comes twice when clocks go back is told apart by the order of the lines.
    """
    quarter = wall // 900
    day = wall // _DAY_S
    days, back = np.unique(day, return_inverse=True)
    at_begin = np.array([_offset(int(one) * _DAY_S, zone) for one in days])
    at_end = np.array([_offset((int(one) + 1) * _DAY_S - 900, zone) for one in days])
    offsets = at_begin[back]
    changing = np.flatnonzero((at_begin != at_end)[back])
    steps = np.diff(wall)
    turned = -1 if (steps < 0).sum() > (steps > 0).sum() else 1  # newest first, or oldest
    fold, last = 0, None
    for one in changing[::turned]:
        first, second = (_offset(int(quarter[one]) * 900, zone, turn) for turn in (0, 1))
        if first <= second:  # no hour that comes twice
            fold = 0
        elif last is not None and day[one] == last // _DAY_S and wall[one] < last:
            fold = 1
        elif last is None or day[one] != last // _DAY_S:
            fold = 0
        offsets[one] = second if fold else first
        last = wall[one]
    return np.asarray(offsets, np.int64)


def _offset(wall: int, zone: tzinfo, fold: int = 0) -> int:
    at = datetime(1970, 1, 1, tzinfo=zone) + timedelta(seconds=wall)
    ahead = at.replace(fold=fold).utcoffset()
    return int(ahead.total_seconds()) if ahead is not None else 0


def _one(row: list[str], layout: _Layout) -> tuple[datetime, float]:
    """One row that is not as the others; ``ValueError`` where it is no reading."""
    said, cell = layout.cells(row)
    iso = said if _SIZE.fullmatch(said) else iso_of(said, layout.order)
    at = datetime.fromisoformat(iso or "")
    value = float(cell.replace(",", "."))
    if not 0 <= value < _MOST_EC * layout.per_ms or not 1970 < at.year < 2200:
        raise ValueError
    return at, value / layout.per_ms
