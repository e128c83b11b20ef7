"""All rows of a household as plain values, and writing such rows into another."""

from __future__ import annotations

import json
import re
import uuid
from collections.abc import Callable, Iterable, Iterator, Sequence, Set
from typing import Any

from django.apps import apps
from django.contrib.contenttypes.models import ContentType
from django.core import serializers
from django.db import models, transaction
from django.db.models.expressions import RawSQL
from reversion.models import Revision, Version

from dace.households.models import Change, Household, Kept
from dace.households.scope import Scope, require_hand

Values = dict[str, Any]
Rename = Callable[[uuid.UUID], uuid.UUID]
Table = tuple[type[models.Model], list[Values]]

_AT_ONCE = 500
_ID = re.compile(r"[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}")


def kinds() -> list[type[models.Model]]:
    """What a household keeps: kinds of rows by the name of their table, parts after wholes."""
    kept = [model for model in apps.get_models() if issubclass(model, Kept)]
    parts = [model for model in apps.get_models() if whole_of(model) is not None]
    return [*sorted(kept, key=_by_name), *sorted(parts, key=_by_name)]


def _by_name(model: type[models.Model]) -> str:
    return str(model._meta.model_name)


def whole_of(model: type[models.Model]) -> models.ForeignKey[Any, Any] | None:
    """Of a row that is part of a kept one and has no household of its own: what points there."""
    if issubclass(model, Kept) or model._meta.app_label == "households":
        return None
    for field in model._meta.fields:
        if isinstance(field, models.ForeignKey) and issubclass(field.related_model, Kept):
            return field
    return None


def rows_of(household_id: uuid.UUID) -> Iterator[Table]:
    """Every row of a household, a kind at a time, undone ones too; one query a kind."""
    for model in kinds():
        whole = whole_of(model)
        name = f"{whole.name}__household_id" if whole is not None else "household_id"
        # in the order of their writing, which what has no other order is read in
        found = model._base_manager.filter(**{name: household_id})
        rows = found.order_by(RawSQL(f"{model._meta.db_table}.rowid", ())).values()  # noqa: S611
        if whole is not None:  # numbered by each database for itself
            yield model, [{n: v for n, v in row.items() if n != "id"} for row in rows]
        else:
            yield model, [{n: v for n, v in row.items() if n != "household_id"} for row in rows]


def write_rows(tables: Iterable[Table], household_id: uuid.UUID) -> int:
    """Write rows as they are, into a household; how many there were. Part of a transaction."""
    count = 0
    for model, rows in tables:
        theirs = {"household_id": household_id} if issubclass(model, Kept) else {}
        model._base_manager.bulk_create(
            [model(**row, **theirs) for row in rows], batch_size=_AT_ONCE
        )
        count += len(rows)
    return count


def renamed(value: Any, rename: Rename, known: Set[uuid.UUID]) -> Any:
    """A value with every id that is known by another name, however deep it stands."""
    if isinstance(value, uuid.UUID):
        return rename(value) if value in known else value
    if isinstance(value, str):
        return _ID.sub(lambda found: _text(found[0], rename, known), value)
    if isinstance(value, dict):
        return {renamed(k, rename, known): renamed(v, rename, known) for k, v in value.items()}
    if isinstance(value, list):
        return [renamed(part, rename, known) for part in value]
    return value


def _text(said: str, rename: Rename, known: Set[uuid.UUID]) -> str:
    return str(renamed(uuid.UUID(said), rename, known))


def renumbered(model: type[models.Model], row: Values, numbers: dict[int, int]) -> Values:
    """A row that names changes by their numbers in another database."""
    if not issubclass(model, Kept):
        return row
    return row | {name: numbers.get(row[name], 0) for name in model.numbers if name in row}


def begin_change(scope: Scope, kind: str, summary: str) -> Change:
    """A change whose rows are written as they are; part of a transaction."""
    revision = Revision.objects.create(
        date_created=scope.now, comment=summary, user_id=scope.user_id
    )
    return Change.objects.create(
        revision=revision,
        household_id=scope.household_id,
        kind=kind,
        summary=summary[:200],
        at=scope.now,
    )


def remember(change: Change, rows: Iterable[models.Model]) -> None:
    """Versions of rows that were written as they are."""
    some = list(rows)
    if not some:
        return
    kind = ContentType.objects.get_for_model(type(some[0]))
    kept = json.loads(serializers.serialize("json", some))
    Version.objects.bulk_create(
        Version(
            revision_id=change.revision_id,
            object_id=str(row.pk),
            content_type=kind,
            db="default",
            format="json",
            serialized_data=json.dumps([one]),
            object_repr="",
        )
        for row, one in zip(some, kept, strict=True)
    )


def write_together(scope: Scope, kind: str, summary: str, rows: Sequence[Kept]) -> Change:
    """Many rows that were worked out beforehand, in one change that undo takes back whole.

    Raises
    ------
    NotAllowedError
        If the member only looks.
    """
    require_hand(scope)
    of: dict[type[Kept], list[Kept]] = {}
    for row in rows:
        of.setdefault(type(row), []).append(row)
    with transaction.atomic():
        made = begin_change(scope, kind, summary)
        for model, some in of.items():
            for row in some:
                for name in model.numbers:
                    setattr(row, name, made.pk)
            for first in range(0, len(some), _AT_ONCE):
                batch = some[first : first + _AT_ONCE]
                model._base_manager.bulk_create(batch)
                remember(made, batch)
    scope.memo.clear()
    return made


def copy_household(
    source: Household, to: Household, user_id: int, rename: Rename
) -> dict[int, int]:
    """Everything that a household keeps, its history too, under ids of the copy's own.

    Returns
    -------
    dict of int to int
        Numbers of changes, there to here.
    """
    with transaction.atomic():
        tables = list(rows_of(source.pk))
        known = {row["id"] for model, rows in tables if issubclass(model, Kept) for row in rows}
        numbers = _copy_changes(source, to, user_id, rename, known)
        write_rows(
            (
                (model, [renumbered(model, renamed(r, rename, known), numbers) for r in rows])
                for model, rows in tables
            ),
            to.pk,
        )
    return numbers


def _copy_changes(
    source: Household, to: Household, user_id: int, rename: Rename, known: Set[uuid.UUID]
) -> dict[int, int]:
    """Changes in their order, each with its revision and its versions."""
    numbers: dict[int, int] = {}
    revisions: dict[int, int] = {}
    for old in Change.objects.filter(household=source).select_related("revision").order_by("id"):
        revision = Revision.objects.create(
            date_created=old.revision.date_created, comment=old.revision.comment, user_id=user_id
        )
        made = Change.objects.create(
            revision=revision,
            household=to,
            kind=old.kind,
            summary=old.summary,
            at=old.at,
            undone=old.undone,
            undoes_id=numbers.get(old.undoes_id) if old.undoes_id else None,
        )
        numbers[old.pk], revisions[old.revision_id] = made.pk, revision.pk
    versions = Version.objects.filter(revision__change__household=source).order_by("pk")
    copies = []
    for version in versions:
        model = version._model
        (kept,) = json.loads(version.serialized_data)
        fields = renamed(kept["fields"], rename, known)
        if "household" in fields:
            fields["household"] = str(to.pk)
        kept["fields"] = renumbered(model, fields, numbers)
        kept["pk"] = renamed(kept["pk"], rename, known)
        copies.append(
            Version(
                revision_id=revisions[version.revision_id],
                object_id=renamed(version.object_id, rename, known),
                content_type_id=version.content_type_id,
                db=version.db,
                format=version.format,
                serialized_data=json.dumps([kept]),
                object_repr=version.object_repr,
            )
        )
    Version.objects.bulk_create(copies, batch_size=_AT_ONCE)
    return numbers
