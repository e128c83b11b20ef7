"""How a field of a row stands in a cell: written and read by the same table."""

from __future__ import annotations

import json
import math
import uuid
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, date, datetime
from typing import Any

from django.db import models

_LISTS = {"ingredients", "days", "handling", "sources", "causes", "inputs", "tokens", "left_lines"}


class CellError(ValueError):
    """A cell that cannot be read; its text says what would do."""


@dataclass(frozen=True)
class Cell:
    """A kind of cell: its name in a Table Schema, how it is written, and how it is read."""

    type: str
    write: Callable[[Any], str]
    read: Callable[[str], Any]
    would_do: str


@dataclass(frozen=True)
class Column:
    """A column of a table: the field behind it, and its cells."""

    name: str
    field: models.Field[Any, Any]
    cell: Cell

    @property
    def points_at(self) -> type[models.Model] | None:
        """The kind of row that its ids are of."""
        field = self.field
        return field.related_model if isinstance(field, models.ForeignKey) else None

    @property
    def needed(self) -> bool:
        """Whether a cell may not be empty."""
        return not self.field.null and self.cell.type != "string"

    @property
    def default(self) -> Any:
        """What stands where a package has no such column."""
        if self.field.has_default():
            return self.field.get_default()
        if self.field.null:
            return None
        raise CellError(f"a column “{self.name}”")

    def write(self, value: Any) -> str:
        """The cell; empty for nothing."""
        return "" if value is None else self.cell.write(value)

    def read(self, text: str) -> Any:
        """What a cell holds.

        Raises
        ------
        CellError
            With what would do.
        """
        if text == "" and self.cell.type != "string":
            if self.needed:
                raise CellError(self.cell.would_do)
            return None
        if text == "" and self.field.null:
            return None
        try:
            value = self.cell.read(text)
        except (ValueError, OverflowError, RecursionError):
            raise CellError(self.cell.would_do) from None
        most = getattr(self.field, "max_length", None)
        if isinstance(value, str) and most is not None and len(value) > most:
            raise CellError(f"up to {most} letters")
        if self.field.choices and value not in {key for key, _ in self.field.choices}:
            raise CellError(f"one of {', '.join(str(key) for key, _ in self.field.choices)}")
        if isinstance(self.field, models.PositiveIntegerField) and value < 0:
            raise CellError("0 or more")
        return value


def _instant(text: str) -> datetime:
    at = datetime.fromisoformat(text)
    if at.tzinfo is None:
        raise ValueError
    return at.astimezone(UTC)


def _number(text: str) -> float:
    value = float(text)
    if not math.isfinite(value):
        raise ValueError
    return value


def _whole(text: str) -> int:
    value = int(text)
    if not abs(value) < 2**63:
        raise ValueError
    return value


def _flag(text: str) -> bool:
    return {"true": True, "false": False}[text.lower()] if text.lower() in _FLAGS else _no()


_FLAGS = ("true", "false")


def _no() -> bool:
    raise ValueError


def _plain(text: str) -> str:
    if "\x00" in text:
        raise ValueError
    return text


def _json(kind: type) -> Callable[[str], Any]:
    def read(text: str) -> Any:
        value = json.loads(text, parse_constant=lambda _: _no())
        if not isinstance(value, kind):
            raise ValueError
        return value

    return read


def _dumped(value: Any) -> str:
    return json.dumps(value, ensure_ascii=False, allow_nan=False)


_ID = Cell("string", str, uuid.UUID, "an id such as 8f0f3c1e-6d0c-4f0e-9a53-2a5f3f1d7c11")
_OBJECT = Cell("object", _dumped, _json(dict), 'JSON such as {"N": 1.5}')
_ARRAY = Cell("array", _dumped, _json(list), "JSON such as [1, 2]")
_CELLS: tuple[tuple[type[models.Field[Any, Any]], Cell], ...] = (
    (models.UUIDField, _ID),
    (
        models.DateTimeField,
        Cell(
            "datetime",
            lambda at: at.astimezone(UTC).isoformat().replace("+00:00", "Z"),
            _instant,
            "an instant such as 2026-07-14T16:40:00Z",
        ),
    ),
    (models.DateField, Cell("date", date.isoformat, date.fromisoformat, "a day: 2026-07-14")),
    (models.BooleanField, Cell("boolean", lambda flag: str(flag).lower(), _flag, "true or false")),
    (models.IntegerField, Cell("integer", str, _whole, "a whole number")),
    (models.FloatField, Cell("number", repr, _number, "a number such as 2.5")),
    (models.CharField, Cell("string", str, _plain, "text")),
)


def column_of(field: models.Field[Any, Any]) -> Column:
    """The column of a model's field."""
    name = field.attname
    if isinstance(field, models.ForeignKey) and isinstance(field.target_field, models.UUIDField):
        return Column(name, field, _ID)
    if isinstance(field, models.JSONField):
        return Column(name, field, _ARRAY if name in _LISTS else _OBJECT)
    kept = field.target_field if isinstance(field, models.ForeignKey) else field
    return Column(name, field, next(cell for kind, cell in _CELLS if isinstance(kept, kind)))
