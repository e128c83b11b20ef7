"""Tables of text as programs and loggers write them: encodings, separators, quotes."""

from __future__ import annotations

import codecs
import csv
import sys
from collections.abc import Iterator
from io import BytesIO, TextIOWrapper
from itertools import islice

from dace.core.errors import DaceError

_BOMS = (
    (codecs.BOM_UTF8, "utf-8-sig"),
    (codecs.BOM_UTF16_LE, "utf-16"),
    (codecs.BOM_UTF16_BE, "utf-16"),
)
_LOOKED_AT = 40
csv.field_size_limit(min(sys.maxsize, 1_000_000))


def text_of(data: bytes, field: str = "file") -> str:
    r"""The text of a file, whatever it is written in.

    Parameters
    ----------
    data : bytes
        As it came: UTF-8, UTF-16 with or without its mark, or Latin-1 as Windows has it.
    field : str
        Named in the error.

    Raises
    ------
    DaceError
        If it is no text.

    Examples
    --------
    >>> text_of("µS".encode("utf-16")), text_of("µS".encode("utf-16-le")), text_of(b"\xb5S")
    ('µS', 'µS', 'µS')
    """
    told = next((name for mark, name in _BOMS if data.startswith(mark)), None)
    if told is None and b"\x00" in data[:200]:
        # half of the bytes of plain letters are nought: which half tells the order
        told = "utf-16-le" if data[1:200:2].count(0) > data[:200:2].count(0) else "utf-16-be"
    for name in (told,) if told else ("utf-8", "cp1252", "latin-1"):
        try:
            text = data.decode(name)
        except UnicodeDecodeError:
            continue
        if "\x00" not in text:
            return text
    raise DaceError(field, "no plain text", "a table as text (CSV) would do")


def _lines(text: str) -> Iterator[str]:
    """Line by line; a StringIO takes four bytes a letter, which counts in a long table."""
    data = BytesIO(text.encode("utf-8", "surrogatepass"))
    return TextIOWrapper(data, encoding="utf-8", errors="surrogatepass", newline="")


def separator_of(text: str) -> str:
    r"""What parts the cells, by a line well below what stands before a table.

    >>> separator_of("a;b"), separator_of("when\tec"), separator_of("Made 2026, by me\na;1,5")
    (';', '\t', ';')
    """
    lines = [line for line in islice(_lines(text), _LOOKED_AT) if line.strip()]
    return next((mark for mark in ";\t" if lines and mark in lines[-1]), ",")


def rows_of_text(text: str, separator: str | None = None) -> Iterator[list[str]]:
    r"""The cells of each line, quotes undone; an empty line is an empty list.

    >>> list(rows_of_text('when;"ec, now"\n\n1;"2,5"'))
    [['when', 'ec, now'], [], ['1', '2,5']]
    """
    reader = csv.reader(_lines(text), delimiter=separator or separator_of(text))
    try:
        yield from reader
    except csv.Error as error:
        raise DaceError("file", f"line {reader.line_num}: {error}", "a table (CSV)") from None
