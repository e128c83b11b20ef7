"""Adding, editing and putting away what a household keeps: one change each."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date
from typing import Any, TypeVar, cast

from dace.households.changes import change
from dace.households.models import Kept, Usable
from dace.households.scope import ConflictError, Scope, require_owner

K = TypeVar("K", bound=Kept)
U = TypeVar("U", bound=Usable)


@dataclass(frozen=True)
class Written:
    """A row written by a form of set-up, with the word for its kind."""

    id: uuid.UUID
    kind: str


def keep(scope: Scope, model: type[K], written: Written, values: dict[str, Any]) -> K:
    """Add a row under an id made by the client, or edit the one that has it.

    Parameters
    ----------
    scope : Scope
        An owner's.
    model : type
        Of what is kept.
    written : Written
        Its id and its kind, for the history.
    values : dict
        Fields as they shall be.

    Returns
    -------
    Kept
        The row as it stands; a repeat with the same values writes nothing.

    Raises
    ------
    NotAllowedError
        If the member is no owner.
    ConflictError
        If the row was undone.
    """
    require_owner(scope)
    row = cast(K | None, model.objects.written_before(scope, written.id))
    if row is None:
        with change(scope, written.kind) as draft:
            row = cast(K, model.objects.create(**new_row(scope, written.id), **values))
            draft.summary = f"{row} added"
        return row
    if row.undone_at is not None:
        raise ConflictError("id", "something that was undone", "put it back first")
    if any(getattr(row, name) != value for name, value in values.items()):
        with change(scope, written.kind) as draft:
            for name, value in values.items():
                setattr(row, name, value)
            row.save()
            draft.summary = f"{row} changed"
    return row


def new_row(scope: Scope, row_id: uuid.UUID) -> dict[str, Any]:
    """The fields that every new row has."""
    return {"id": row_id, "household_id": scope.household_id, "created_at": scope.now}


def put_away(scope: Scope, model: type[U], row_id: uuid.UUID, day: date) -> U:
    """Stop using something from a day on; what was done with it stays.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    NotAllowedError
        If the member is no owner.
    """
    require_owner(scope)
    row = cast(U, model.objects.fetch(scope, row_id, "id"))
    if row.ended_on is None:
        with change(scope, "end", f"{row} put away"):
            row.ended_on = day
            row.save()
    return row
