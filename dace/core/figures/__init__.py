"""The figure tables and their one loader.

Every table is a CSV file beside this module. A row that carries figures names
its ``source_family`` (explained in ``sources.toml``) and its ``confidence``.
"""

from __future__ import annotations

import csv
import math
import tomllib
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cache
from importlib import resources

from dace.core.errors import FigureError

CONFIDENCES = ("low", "medium", "high")


@dataclass(frozen=True)
class Range:
    """A figure with its 10 %, 50 % and 90 % values."""

    low: float
    typ: float
    high: float

    def scaled(self, factor: float) -> Range:
        """The same range in another unit."""
        return Range(self.low * factor, self.typ * factor, self.high * factor)


@dataclass(frozen=True)
class Row:
    """One row of a table, read with the checks that figures deserve."""

    table: str
    number_in_table: int
    cells: dict[str, str]

    def text(self, column: str) -> str:
        """The cell as it stands; an unknown column is an error of ours."""
        return self.cells[column]

    def number(self, column: str) -> float:
        """A number that must be there."""
        value = self.maybe(column)
        if value is None:
            raise self._error(column, "a blank cell")
        return value

    def maybe(self, column: str) -> float | None:
        """A number, or None where the cell is blank: not known, never zero."""
        cell = self.cells[column]
        if cell == "":
            return None
        try:
            value = float(cell)
        except ValueError:
            raise self._error(column, f"“{cell}”") from None
        if not math.isfinite(value):
            raise self._error(column, f"“{cell}”")
        return value

    def range(self, stem: str) -> Range:
        """``stem_low``, ``stem_typ`` and ``stem_high``, in order."""
        return self._ordered([f"{stem}_low", f"{stem}_typ", f"{stem}_high"])

    def triple(self) -> Range:
        """Columns ``low``, ``typ`` and ``high``, in order."""
        return self._ordered(["low", "typ", "high"])

    def _ordered(self, columns: list[str]) -> Range:
        low, typ, high = (self.number(column) for column in columns)
        if not low <= typ <= high:
            raise self._error(columns[1], f"{low:g}, {typ:g}, {high:g}")
        return Range(low, typ, high)

    def _error(self, column: str, read: str) -> FigureError:
        where = f"{self.table}.csv row {self.number_in_table}, column {column}"
        return FigureError(where, read, "a number in order would do")


@cache
def load_table(name: str) -> tuple[Row, ...]:
    """All rows of ``figures/<name>.csv``.

    Parameters
    ----------
    name : str
        File name without its ending.

    Returns
    -------
    tuple of Row
        In file order.

    Raises
    ------
    FigureError
        If a row names no known source family or confidence.
    """
    rows = tuple(_read(name))
    for row in rows:
        families = row.text("source_family").split(";")
        if not all(family in sources() for family in families):
            raise FigureError(name, f"source “{row.text('source_family')}”", "see sources.toml")
        if row.text("confidence") not in CONFIDENCES:
            raise FigureError(name, f"confidence “{row.text('confidence')}”", "low, medium or high")
    return rows


def _read(name: str) -> Iterator[Row]:
    text = (resources.files(__package__) / f"{name}.csv").read_text(encoding="utf-8")
    for number, cells in enumerate(csv.DictReader(text.splitlines()), start=2):
        yield Row(name, number, cells)


@cache
def sources() -> dict[str, str]:
    """Source families and what each is, in words."""
    text = (resources.files(__package__) / "sources.toml").read_text(encoding="utf-8")
    return dict(tomllib.loads(text))


@dataclass(frozen=True)
class Judgement:
    """A figure that is a judgement to start from, with where it comes from."""

    key: str
    range: Range
    unit: str
    text: str
    confidence: str
    source: str


@cache
def judgement(key: str) -> Judgement:
    """A row of ``judgements.csv`` by its key."""
    row = next(row for row in load_table("judgements") if row.text("key") == key)
    return Judgement(
        key,
        row.triple(),
        row.text("unit"),
        row.text("text"),
        row.text("confidence"),
        source_words(row.text("source_family")),
    )


def source_words(families: str) -> str:
    """``"salt_tables;extension"`` as a phrase for the Working."""
    return ", ".join(sources()[family] for family in families.split(";"))
