"""Every write is one change: one transaction, one revision, one line that can be undone."""

from __future__ import annotations

import json
import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from typing import TypeVar

import reversion
from django.contrib.auth import get_user_model
from django.core import serializers
from django.db import models
from reversion.models import Version

from dace.households.models import Change, Kept
from dace.households.scope import ConflictError, NotAllowedError, NotFoundError, Scope

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
    draft = Draft(kind, summary)
    with reversion.create_revision(atomic=True):
        yield draft
        _sign(scope, draft, undoes=None)
    scope.memo.clear()


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
    rows = _own(scope).filter(undone=False, undoes__isnull=True)
    if not scope.owner:
        rows = rows.filter(revision__user_id=scope.user_id)
    found = rows.order_by("-id").first()
    return _record(found) if found else None


def change_of(scope: Scope, row_id: uuid.UUID) -> ChangeRecord | None:
    """The newest standing change that wrote a row; the newest of all where none names it."""
    rows = _own(scope).filter(undone=False, undoes__isnull=True)
    rows = rows.filter(revision__version__object_id=str(row_id))
    found = rows.order_by("-id").first()
    return _record(found) if found else last_change(scope)


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
    with reversion.create_revision(atomic=True):
        target = _target(scope, change_id)
        for version in Version.objects.filter(revision=target.revision).order_by("-pk"):
            _take_back(scope, version)
        _sign(scope, Draft("undo", f"Undone: {target.summary}"), undoes=target)
        target.undone = True
        target.save(update_fields=["undone"])
        if target.undoes is not None:
            Change.objects.filter(pk=target.undoes_id).update(undone=False)
    scope.memo.clear()
    return _record(_own(scope).order_by("-id")[0])


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
    if target.undone:
        raise ConflictError("change", f"“{target.summary}”", "it is undone already")
    return target


def _take_back(scope: Scope, version: Version) -> None:
    model = version._model
    row = model._base_manager.filter(pk=version.object_id).first()
    if row is None or not _stands_as(row, version):
        raise ConflictError("change", "something changed since", "undo the later change first")
    before = (
        Version.objects.get_for_object_reference(model, version.object_id)
        .filter(pk__lt=version.pk)
        .first()
    )
    if before is None:
        assert isinstance(row, Kept)
        if row.beginning_stays:
            raise ConflictError("change", "the beginning of the garden", "nothing lies before it")
        row.undone_at = scope.now
    else:
        for name, value in before.field_dict.items():
            setattr(row, name, value)
    row.save()


def _stands_as(row: models.Model, version: Version) -> bool:
    """Whether a row is still as a version keeps it, to the millisecond that versions keep."""
    (now,) = json.loads(serializers.serialize(version.format, [row]))
    (then,) = json.loads(version.serialized_data)
    # a version kept before a field was added says nothing of it
    return all(now["fields"].get(name) == value for name, value in then["fields"].items())


def _record(found: Change) -> ChangeRecord:
    return ChangeRecord(found.pk, found.kind, found.summary, found.at, found.undone)
