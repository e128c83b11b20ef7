"""The tables of a package: a kind of row each, described as a Table Schema."""

from __future__ import annotations

import csv
from collections.abc import Iterable, Iterator
from dataclasses import dataclass
from functools import cache
from typing import IO, Any

from django.db import models

from dace.core.api import AS_NEEDED, FORMULA, DaceError, harmless
from dace.exchange.columns import CellError, Column, column_of
from dace.feeding.models import CalendarLink
from dace.garden.models import Garden
from dace.households.copying import Values, kinds, whole_of
from dace.households.models import Change, Kept

HARMLESS_SINCE = 2
"""The version of a package from which on no cell is a formula."""
AS_NEEDED_SINCE = 3
"""The version from which on a garden may be fed as often as its plants need it."""
_SECRETS: set[type[models.Model]] = {CalendarLink}
_CHANGE = ("id", "kind", "summary", "at", "undone", "undoes_id")


@dataclass(frozen=True)
class Table:
    """A kind of row with its columns; ``key`` are those that tell rows apart."""

    name: str
    model: type[models.Model]
    columns: tuple[Column, ...]

    @property
    def key(self) -> list[str]:
        """The columns that no two rows share; none where the rows are parts of another."""
        return ["id"] if any(column.name == "id" for column in self.columns) else []

    @property
    def path(self) -> str:
        """Where it stands in a package."""
        return f"tables/{self.name}.csv"


@cache
def tables() -> tuple[Table, ...]:
    """Every table: the history of changes, what is kept, and the parts of it."""
    found = [Table("change", Change, tuple(_columns(Change, _CHANGE)))]
    for model in kinds():
        if model not in _SECRETS:
            found.append(Table(str(model._meta.model_name), model, tuple(_columns(model))))
    return tuple(found)


def _columns(model: type[models.Model], only: Iterable[str] = ()) -> Iterator[Column]:
    part = whole_of(model) is not None
    for field in model._meta.fields:
        name = field.attname
        if name == "household_id" or (part and name == "id") or (only and name not in only):
            continue
        yield column_of(field)


def as_typed(text: str) -> str:
    """A text as it was before :func:`harmless`."""
    return text[1:] if text.startswith("'") and FORMULA.match(text) else text


def write_table(table: Table, rows: Iterable[Values], out: IO[str]) -> int:
    """Rows as lines below a head; how many there were."""
    writer = csv.writer(out, lineterminator="\r\n")
    writer.writerow([column.name for column in table.columns])
    count = 0
    for row in rows:
        writer.writerow([_written(column, row[column.name]) for column in table.columns])
        count += 1
    return count


def _written(column: Column, value: Any) -> str:
    text = column.write(value)
    return harmless(text) if column.cell.type == "string" else text


def read_table(
    table: Table, source: IO[str], version: int = HARMLESS_SINCE
) -> Iterator[tuple[int, Values]]:
    """The number of each line, and its row, of a package of some version.

    Raises
    ------
    DaceError
        On ``file``, with table, line and column, and what would do.
    """
    reader = csv.reader(source)
    try:
        heads = next(reader, [])
        columns = _by_head(table, heads)
        missing = {
            column.name: column.default for column in table.columns if column.name not in heads
        }
        for cells in reader:
            if len(cells) != len(heads):
                raise CellError(f"{len(heads)} cells")
            row = dict(missing)
            for column, text in zip(columns, cells, strict=True):
                wrapped = version >= HARMLESS_SINCE and column.cell.type == "string"
                try:
                    row[column.name] = column.read(as_typed(text) if wrapped else text)
                except CellError as error:
                    read = f"{table.path}, line {reader.line_num}, {column.name}: “{text[:60]}”"
                    raise DaceError("file", read, f"{error} would do") from None
            yield reader.line_num, _of_today(table, row, version)
    except CellError as error:
        read = f"{table.path}, line {reader.line_num}"
        raise DaceError("file", read, f"{error} would do") from None
    except (csv.Error, UnicodeDecodeError) as error:
        read = f"{table.path}, line {reader.line_num}: {error}"
        raise DaceError("file", read, "a table in UTF-8 would do") from None


def _of_today(table: Table, row: Values, version: int) -> Values:
    """A row as it is now: weekly was everybody's rhythm before there was one by need."""
    if version < AS_NEEDED_SINCE and table.model is Garden and row["rhythm"] == "weekly":
        return row | {"rhythm": AS_NEEDED, "rhythm_new": True}
    return row


def _by_head(table: Table, heads: list[str]) -> list[Column]:
    known = {column.name: column for column in table.columns}
    for head in heads:
        if head not in known or heads.count(head) > 1:
            read = f"a column “{head[:40]}” in {table.path}"
            raise DaceError("file", read, f"each once of {', '.join(known)}")
    return [known[head] for head in heads]


def schema_of(table: Table, names: dict[type[models.Model], str]) -> dict[str, Any]:
    """A table's description as a Table Schema; ``names`` of the tables by their kind of row."""
    return {
        "fields": [_described(column) for column in table.columns],
        "missingValues": [""],
        **({"primaryKey": table.key} if table.key else {}),
        "foreignKeys": [
            {
                "fields": [column.name],
                "reference": {
                    "resource": "" if kind is table.model else names[kind],
                    "fields": ["id"],
                },
            }
            for column in table.columns
            if (kind := column.points_at) in names
        ],
    }


def _described(column: Column) -> dict[str, Any]:
    field = column.field
    limits: dict[str, Any] = {}
    if column.needed or column.name == "id":
        limits["required"] = True
    if isinstance(field, models.PositiveIntegerField):
        limits["minimum"] = 0
    if field.choices:
        limits["enum"] = [key for key, _ in field.choices]
    elif isinstance(field, models.CharField) and field.max_length is not None:
        limits["maxLength"] = field.max_length + 1  # with what makes it harmless
    found: dict[str, Any] = {"name": column.name, "type": column.cell.type}
    if isinstance(field, models.UUIDField | models.ForeignKey):
        found["format"] = "uuid"
    elif column.cell.type == "datetime":
        found["format"] = "any"  # ISO 8601 with parts of a second where there are some
    if limits:
        found["constraints"] = limits
    return found


def is_kept(table: Table) -> bool:
    """Whether its rows have ids of their own, and a household."""
    return issubclass(table.model, Kept)
