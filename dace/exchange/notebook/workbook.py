"""A spreadsheet as text, read in a process of its own: one that takes too long is ended.

Run as a program this file reads the spreadsheet from its input and writes JSON: the sheets, or
``refused`` with what was read and what would do. It imports nothing else of Dace.
"""

from __future__ import annotations

import json
import resource
import subprocess
import sys
import zipfile
from collections.abc import Iterator
from dataclasses import dataclass
from datetime import date, datetime, time
from io import BytesIO
from itertools import islice
from typing import Any

MOST_ROWS, MOST_COLUMNS = 60_000, 60
_MOST_UNPACKED, _MOST_STRINGS, _MOST_MEMORY = 120_000_000, 500_000, 1_500_000_000
_MOST_S = 45.0
_BLANK_ROWS = 20_000
_AT_ONCE = 1 << 20
_WOULD_DO = "a table as CSV or XLSX would do"
_SMALLER = "fewer rows at once, or a table as CSV, would do"

Rows = list[tuple[int, list[str]]]


@dataclass(frozen=True)
class Workbook:
    """What was read: rows by the name of their sheet, or what was wrong and what would do."""

    sheets: tuple[tuple[str, Rows], ...] = ()
    refused: tuple[str, str] | None = None


def read_apart(data: bytes, most_s: float = _MOST_S) -> Workbook:
    """The sheets of a spreadsheet, as a process of its own reads them.

    Parameters
    ----------
    data : bytes
        The file.
    most_s : float
        When the process is ended [s].
    """
    command = [sys.executable, "-I", __file__]
    try:
        done = subprocess.run(  # noqa: S603 - this very file, and nothing that was sent
            command, input=data, capture_output=True, timeout=most_s, check=False
        )
        told = json.loads(done.stdout)
    except subprocess.TimeoutExpired:
        read = f"a spreadsheet that takes over {most_s:.0f} s to read"
        return Workbook(refused=(read, _SMALLER))
    except ValueError:  # ended by its bounds, in the middle
        return Workbook(refused=("a spreadsheet of far too much", _SMALLER))
    if told["refused"]:
        return Workbook(refused=tuple(told["refused"]))
    return Workbook(tuple((name, [(n, row) for n, row in rows]) for name, rows in told["sheets"]))


class _RefusedError(Exception):
    """What was read, and what would do."""


def _checked(data: bytes) -> None:
    """That it unpacks to no more than a notebook could be."""
    with zipfile.ZipFile(BytesIO(data)) as packed:
        members = packed.infolist()
        if sum(one.file_size for one in members) > _MOST_UNPACKED:
            raise _RefusedError("a spreadsheet of far too much", _SMALLER)
        for one in members:
            if one.filename.endswith("sharedStrings.xml") and _strings(packed, one) > _MOST_STRINGS:
                raise _RefusedError(f"a spreadsheet of over {_MOST_STRINGS:,} texts", _SMALLER)


def _strings(packed: zipfile.ZipFile, member: zipfile.ZipInfo) -> int:
    """How many texts a spreadsheet shares between its cells."""
    count, tail = 0, b""
    with packed.open(member) as source:
        while chunk := source.read(_AT_ONCE):
            text = tail + chunk
            count += text.count(b"<si>") + text.count(b"<si/") + text.count(b"<si ")
            tail = text[-3:]
    return count


def _sheets(data: bytes) -> Iterator[tuple[str, Rows]]:
    from openpyxl import load_workbook  # noqa: PLC0415 - once it is known to be no bomb

    book = load_workbook(BytesIO(data), read_only=True, data_only=True)
    for sheet in book.worksheets:
        yield str(sheet.title), list(_rows(sheet.iter_rows(values_only=True)))


def _rows(found: Iterator[tuple[Any, ...]]) -> Iterator[tuple[int, list[str]]]:
    """Rows that hold something, one more than may be at most; a long way without any is the end."""
    full = last = 0
    for number, row in enumerate(found, 1):
        cells = [_text(cell) for cell in islice(row, MOST_COLUMNS)]
        if any(cell.strip() for cell in cells):
            yield number, cells
            full, last = full + 1, number
        if full > MOST_ROWS + 1 or number > last + _BLANK_ROWS:
            return


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


def main() -> None:
    """Read the input, write what was found."""
    resource.setrlimit(resource.RLIMIT_AS, (_MOST_MEMORY, _MOST_MEMORY))
    data = sys.stdin.buffer.read()
    told: dict[str, Any] = {"sheets": [], "refused": None}
    try:
        _checked(data)
        told["sheets"] = list(_sheets(data))
    except _RefusedError as error:
        told["refused"] = error.args
    except MemoryError:
        told = {"sheets": [], "refused": ("a spreadsheet of far too much", _SMALLER)}
    except Exception as error:  # whatever the reader says of a broken file
        told["refused"] = (f"a broken spreadsheet ({error})"[:200], _WOULD_DO)
    sys.stdout.write(json.dumps(told))


if __name__ == "__main__":
    main()
