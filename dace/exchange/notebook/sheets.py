"""A file as sheets of text: CSV in any writing, or a spreadsheet."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass
from itertools import islice

from dace.core.api import DaceError, rows_of_text, text_of
from dace.exchange.notebook.workbook import MOST_COLUMNS, MOST_ROWS, read_apart

_MOST_CELL = 1000
_ZIP = b"PK\x03\x04"
_WOULD_DO = "a table as CSV or XLSX would do"


@dataclass(frozen=True)
class Sheet:
    """A table: its heads and its rows, each with the number of its line."""

    name: str
    heads: tuple[str, ...]
    rows: tuple[tuple[int, tuple[str, ...]], ...]


def sheets_of(data: bytes) -> list[Sheet]:
    """Every sheet that holds anything.

    Raises
    ------
    DaceError
        On ``file``.
    """
    found = list(_workbook(data)) if data.startswith(_ZIP) else [_table(text_of(data))]
    full = [sheet for sheet in found if sheet is not None]
    if not full:
        raise DaceError("file", "nothing", _WOULD_DO)
    return full


def _table(text: str) -> Sheet | None:
    return _sheet("", ((number, row) for number, row in enumerate(rows_of_text(text), 1)))


def _workbook(data: bytes) -> Iterator[Sheet | None]:
    found = read_apart(data)
    if found.refused:
        raise DaceError("file", *found.refused)
    for name, rows in found.sheets:
        yield _sheet(name, iter(rows))


def _sheet(name: str, lines: Iterator[tuple[int, list[str]]]) -> Sheet | None:
    """Heads are the first row with more than one cell filled; what stands before is passed over."""
    heads: tuple[str, ...] = ()
    rows: list[tuple[int, tuple[str, ...]]] = []
    for number, cells in lines:
        line = tuple(cell.strip() for cell in islice(cells, MOST_COLUMNS))
        if not any(line):
            continue
        if any(len(cell) > _MOST_CELL or "\x00" in cell for cell in line):
            raise DaceError("file", f"line {number}, with a cell too long", _WOULD_DO)
        if not heads:
            if sum(map(bool, line)) > 1:
                heads = line
            continue
        if len(rows) >= MOST_ROWS:
            raise DaceError("file", f"over {MOST_ROWS:,} rows", "fewer at once would do")
        row = (*line, *[""] * (len(heads) - len(line)))[: len(heads)]
        if any(row):  # what stands beside the heads alone is no row
            rows.append((number, row))
    return Sheet(name, heads, tuple(rows)) if heads else None
