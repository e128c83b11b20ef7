"""Adding, editing and putting away what a household keeps: one change each."""

from __future__ import annotations

import re
import uuid
from dataclasses import dataclass
from datetime import date
from typing import Any, TypeVar, cast

from django.db import transaction

from dace.households.changes import change, changed_since
from dace.households.models import Kept, Usable
from dace.households.scope import ConflictError, Scope, require_owner

K = TypeVar("K", bound=Kept)
U = TypeVar("U", bound=Usable)


@dataclass(frozen=True)
class Written:
    """A row written by a form of set-up, with the word for its kind."""

    id: uuid.UUID
    kind: str


@transaction.atomic
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
    changed = [name for name, value in values.items() if getattr(row, name) != value]
    if not changed:
        return row
    refuse_if_changed_meanwhile(scope, row, {name: values[name] for name in changed})
    with change(scope, written.kind) as draft:
        for name in changed:
            setattr(row, name, values[name])
        row.save(update_fields=changed)
        draft.summary = f"{row} changed"
    return row


def refuse_if_changed_meanwhile(scope: Scope, row: Kept, wanted: dict[str, Any]) -> None:
    """Two hands on one row: the second is told both, and nothing is written.

    Raises
    ------
    ConflictError
        On ``edition``, if one of these fields is another than on her screen.
    """
    if scope.seen is None or row.edition <= scope.seen:
        return
    others = changed_since(row, scope.seen, wanted)
    if not others:
        return
    told = [
        f"{_named(name)} {_word(getattr(row, name))} where you say {_word(wanted[name])}"
        for name in others
    ]
    raise ConflictError(
        "edition",
        f"{row}, which was changed meanwhile: {', '.join(told)}",
        "take what stands, or write yours all the same",
    )


_MEASURED = re.compile(r"_(percent|ms_cm|m2|per_ml|per_l|ml|g|l|c)$")


def _named(field: str) -> str:
    """A field as one says it: without the unit that its name carries."""
    bare = re.sub(_MEASURED, "", field.removesuffix("_g_per_ml"))
    return _LETTERS.get(bare, bare.replace("_", " "))


_LETTERS = {"n": "nitrogen", "p": "phosphorus", "k": "potassium", "ec": "conductivity"}


def _word(value: Any) -> str:
    if value is None or value in ("", {}, []):
        return "nothing"
    if isinstance(value, bool):
        return "yes" if value else "no"
    if isinstance(value, dict):
        return ", ".join(f"{key} {_word(part)}" for key, part in value.items())
    if isinstance(value, list):
        return f"{len(value)} of them"
    return f"{value:g}" if isinstance(value, float) else f"“{value}”"


def new_row(scope: Scope, row_id: uuid.UUID) -> dict[str, Any]:
    """The fields that every new row has."""
    return {"id": row_id, "household_id": scope.household_id, "created_at": scope.now}


@transaction.atomic
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
            row.save(update_fields=["ended_on"])
    return row
