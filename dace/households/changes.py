"""Every write is one change: one transaction, one revision, one line that can be undone."""

from __future__ import annotations

import json
import uuid
from collections.abc import Callable, Iterable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from typing import Any, TypeVar

import reversion
from django.contrib.auth import get_user_model
from django.db import models, transaction
from django.db.models import Max
from reversion.models import Version

from dace.households.models import Change, Kept, writing
from dace.households.scope import (
    ConflictError,
    NotAllowedError,
    NotFoundError,
    Scope,
    require_hand,
)

M = TypeVar("M", bound=type[models.Model])


@dataclass
class Draft:
    """The change being written; its summary may still be settled."""

    kind: str
    summary: str


@dataclass(frozen=True)
class ChangeRecord:
    """A change as others see it."""

    id: int
    kind: str
    summary: str
    at: datetime
    undone: bool


def tracked(model: M) -> M:
    """Class decorator: keep every version of this model's rows."""
    register: Callable[[M], M] = reversion.register
    return register(model)


@contextmanager
def change(scope: Scope, kind: str, summary: str = "") -> Iterator[Draft]:
    """One transaction whose rows are remembered together.

    A change inside another is part of it. A service reads what it changes inside the same
    transaction: that begins with the write lock, so that two hands never work from the same
    old rows.

    Parameters
    ----------
    scope : Scope
        Who writes, and when.
    kind : str
        Such as ``"pour"``.
    summary : str
        One line for the undo bar; may be set on the draft before the end.

    Yields
    ------
    Draft
        Of the change.
    """
    require_hand(scope)
    draft = Draft(kind, summary)
    if reversion.is_active():  # part of a larger change, which has its own line
        yield draft
        return
    number = newest_number() + 1
    with reversion.create_revision(atomic=True), writing(number):
        yield draft
        _sign(scope, draft, undoes=None)
    scope.memo.clear()
    made = _own(scope).filter(pk__gte=number).order_by("id").first()
    if made is not None:
        scope.memo["written"] = _record(made)


def newest_number() -> int:
    """The number of the newest change; they are numbered as they are written."""
    newest: int | None = Change.objects.aggregate(newest=Max("id"))["newest"]
    return newest or 0


def _sign(scope: Scope, draft: Draft, undoes: Change | None) -> None:
    reversion.set_user(get_user_model().objects.get(pk=scope.user_id))
    reversion.set_comment(draft.summary)
    reversion.set_date_created(scope.now)
    reversion.add_meta(
        Change,
        household_id=scope.household_id,
        kind=draft.kind,
        summary=draft.summary[:200],
        at=scope.now,
        undoes=undoes,
    )


def last_change(scope: Scope) -> ChangeRecord | None:
    """The newest change that this member can undo."""
    rows = _own(scope).filter(undone=False, undoes__isnull=True, closed=False)
    if not scope.owner:
        rows = rows.filter(revision__user_id=scope.user_id)
    found = rows.order_by("-id").first()
    return _record(found) if found else None


def changed_since(row: Kept, seen: int, names: Iterable[str]) -> list[str]:
    """Which of these fields are other than at the change of that number."""
    older = Version.objects.get_for_object_reference(type(row), row.pk)
    version = older.filter(revision__change__pk__lte=seen).first()
    if version is None:
        return list(names)
    then = _fields(version)
    attributes = {name: row._meta.get_field(name).attname for name in names}  # type: ignore[union-attr]
    return [name for name, at in attributes.items() if then.get(at) != _as_kept(getattr(row, at))]


def change_written(scope: Scope, row_id: uuid.UUID) -> ChangeRecord | None:
    """What this asking wrote; where it repeats an older one, what stands of the row."""
    written: ChangeRecord | None = scope.memo.get("written")
    if written is not None:
        return written
    rows = _own(scope).filter(undone=False, undoes__isnull=True)
    rows = rows.filter(revision__version__object_id=str(row_id))
    found = rows.order_by("-id").first()
    return _record(found) if found else None


def undo(scope: Scope, change_id: int | None = None) -> ChangeRecord:
    """Take back a change; taking back an undo puts the change in place again.

    Parameters
    ----------
    scope : Scope
        Who undoes.
    change_id : int or None
        Which; None takes the newest one that stands.

    Returns
    -------
    ChangeRecord
        The undo itself, which can be undone.

    Raises
    ------
    NotFoundError
        If there is nothing to undo.
    ConflictError
        If what it wrote was changed since, or it is undone already.
    """
    with transaction.atomic():
        number = newest_number() + 1  # behind the write lock: nobody else takes it
        _undo(scope, change_id, number)
        scope.memo.clear()
        return _record(_own(scope).filter(pk__gte=number).order_by("id")[0])


def _undo(scope: Scope, change_id: int | None, number: int) -> None:
    with reversion.create_revision(atomic=True), writing(number):
        target = _target(scope, change_id)
        for version in Version.objects.filter(revision=target.revision).order_by("-pk"):
            _take_back(scope, version)
        _sign(scope, Draft("undo", f"Undone: {target.summary}"), undoes=target)
        target.undone = True
        target.save(update_fields=["undone"])
        if target.undoes is not None:
            Change.objects.filter(pk=target.undoes_id).update(undone=False)


def _own(scope: Scope) -> models.QuerySet[Change]:
    return Change.objects.filter(household_id=scope.household_id)


def _target(scope: Scope, change_id: int | None) -> Change:
    if change_id is None:
        newest = last_change(scope)
        if newest is None:
            raise NotFoundError("change", "nothing to undo", "there is no step to take back yet")
        change_id = newest.id
    target = _own(scope).filter(pk=change_id).select_related("undoes", "revision").first()
    if target is not None and not scope.owner and target.revision.user_id != scope.user_id:
        raise NotAllowedError("change", "somebody else's step", "ask the owner to take it back")
    if target is None:
        raise NotFoundError("change", "a step that is not here", "undo one from the Notebook")
    if target.closed:
        raise ConflictError("change", "a step from another Dace", "undo it by hand")
    if target.undone:
        raise ConflictError("change", f"“{target.summary}”", "it is undone already")
    return target


def _take_back(scope: Scope, version: Version) -> None:
    """Put back what this version changed of its row, and nothing else of it."""
    model = version._model
    row = model._base_manager.filter(pk=version.object_id).first()
    older = Version.objects.get_for_object_reference(model, version.object_id)
    before = older.filter(pk__lt=version.pk).first()
    then, was = _fields(version), _fields(before) if before else {}
    changed = {name for name in then if before is None or was.get(name) != then[name]}
    if row is None or any(_as_kept(getattr(row, name)) != then[name] for name in changed):
        raise ConflictError("change", "something changed since", "undo the later change first")
    if before is None:
        assert isinstance(row, Kept)
        if row.beginning_stays:
            raise ConflictError("change", "the beginning of the garden", "nothing lies before it")
        row.undone_at = scope.now
        changed = {"undone_at"}
    else:
        for name in changed & was.keys():
            setattr(row, name, was[name])
    row.save(update_fields=sorted(changed))


_BOOKKEEPING = {"seq", "edition"}


def _fields(version: Version) -> dict[str, Any]:
    """What a version says of its row; of a field that was added later it says nothing."""
    (kept,) = json.loads(version.serialized_data)
    names = {version._model._meta.get_field(name).attname for name in kept["fields"]}
    values: dict[str, Any] = version.field_dict
    return {
        name: _as_kept(value)
        for name, value in values.items()
        if name in names and name not in _BOOKKEEPING
    }


def _as_kept(value: Any) -> Any:
    """A value as versions keep it: instants to the millisecond."""
    if isinstance(value, datetime):
        return value.replace(microsecond=value.microsecond // 1000 * 1000)
    return value


def _record(found: Change) -> ChangeRecord:
    return ChangeRecord(found.pk, found.kind, found.summary, found.at, found.undone)


def changes_of(scope: Scope, rows: Iterable[uuid.UUID]) -> dict[uuid.UUID, int]:
    """The number of the change that wrote each of some rows and still stands; one query."""
    wanted = [str(row_id) for row_id in rows]
    if not wanted:
        return {}
    found = _own(scope).filter(undone=False, undoes__isnull=True)
    found = found.filter(revision__version__object_id__in=wanted).order_by("id")
    pairs = found.values_list("revision__version__object_id", "id")
    return {uuid.UUID(row_id): number for row_id, number in pairs if row_id in wanted}
