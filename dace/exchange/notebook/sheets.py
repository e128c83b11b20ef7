"""A file as sheets of text: CSV in any writing, or a spreadsheet."""

from __future__ import annotations

import zipfile
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, datetime, time
from io import BytesIO
from itertools import islice
from typing import Any

from dace.core.api import DaceError, rows_of_text, text_of

MOST_ROWS, MOST_COLUMNS = 60_000, 60
_MOST_UNPACKED, _MOST_CELL = 300_000_000, 1000
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
    from openpyxl import load_workbook  # noqa: PLC0415 - only where a spreadsheet comes

    try:
        with zipfile.ZipFile(BytesIO(data)) as packed:
            if sum(one.file_size for one in packed.infolist()) > _MOST_UNPACKED:
                raise DaceError("file", "a spreadsheet of far too much", "a smaller one would do")
        book = load_workbook(BytesIO(data), read_only=True, data_only=True)
        for sheet in book.worksheets:
            rows = ([_text(cell) for cell in row] for row in sheet.iter_rows(values_only=True))
            yield _sheet(str(sheet.title), enumerate(rows, 1))
    except DaceError:
        raise
    except Exception as error:  # whatever the reader says of a broken file
        raise DaceError("file", f"a broken spreadsheet ({error})"[:200], _WOULD_DO) from None


def _text(cell: Any) -> str:
    """A cell as one would have typed it."""
    if cell is None:
        return ""
    if isinstance(cell, bool):
        return "yes" if cell else "no"
    if isinstance(cell, datetime):
        whole_day = cell.time() == time(0)
        return cell.date().isoformat() if whole_day else cell.isoformat(timespec="minutes")
    if isinstance(cell, date):
        return cell.isoformat()
    if isinstance(cell, float):
        return f"{cell:.12g}"
    return str(cell)


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
        rows.append((number, (*line, *[""] * (len(heads) - len(line)))[: len(heads)]))
    return Sheet(name, heads, tuple(rows)) if heads else None
