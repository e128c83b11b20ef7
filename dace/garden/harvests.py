"""What was picked."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date
from zoneinfo import ZoneInfo

from django.db import transaction

from dace.core.api import DaceError, on_day
from dace.garden.models import Harvest, Planting
from dace.households.changes import change
from dace.households.keeping import new_row, refuse_if_changed_meanwhile
from dace.households.scope import Scope, require_hand

_MOST_G, _MOST_PIECES = 1e6, 100_000


@dataclass(frozen=True)
class NewHarvest:
    """Grams or pieces of a planting, or both; today where no day is given."""

    id: uuid.UUID
    planting_id: uuid.UUID
    grams: float | None = None
    pieces: int | None = None
    picked_on: date | None = None


@transaction.atomic
def log_harvest(scope: Scope, new: NewHarvest) -> Harvest:
    """Write a harvest down.

    Raises
    ------
    NotFoundError
        If the planting is none of this household's.
    DaceError
        On ``grams``, ``pieces`` or ``picked_on``.
    """
    repeat = Harvest.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    planting = Planting.objects.select_related("garden").fetch(
        scope, new.planting_id, "planting_id"
    )
    row = harvest_row(scope, new, planting)
    with change(scope, "harvest", f"picked from {planting}"):
        row.save(force_insert=True)
    return row


@transaction.atomic
def mend_harvest(scope: Scope, new: NewHarvest) -> Harvest:
    """Put a harvest right under its id: its day, weight or number.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    DaceError
        As :func:`harvest_row`.
    """
    require_hand(scope)
    row = Harvest.objects.select_related("planting__garden").fetch(scope, new.id, "id")
    found = harvest_row(scope, new, row.planting)
    values = {name: getattr(found, name) for name in ("grams", "pieces", "picked_on")}
    changed = {name: value for name, value in values.items() if getattr(row, name) != value}
    if changed:
        refuse_if_changed_meanwhile(scope, row, changed)
        with change(scope, "harvest", f"harvest of {row.planting} put right"):
            for name, value in changed.items():
                setattr(row, name, value)
            row.save(update_fields=list(changed))
    return row


def harvest_row(scope: Scope, new: NewHarvest, planting: Planting) -> Harvest:
    """A harvest of a planting as it will be written.

    Raises
    ------
    DaceError
        On ``grams``, ``pieces`` or ``picked_on``.
    """
    if new.grams is None and new.pieces is None:
        raise DaceError("grams", "neither weight nor number", "one of them would do")
    if new.grams is not None and not 0 < new.grams <= _MOST_G:
        raise DaceError("grams", f"{new.grams:g} g", "above 0 and up to a tonne would do")
    if new.pieces is not None and not 0 < new.pieces <= _MOST_PIECES:
        raise DaceError("pieces", f"{new.pieces}", f"1 to {_MOST_PIECES} would do")
    today = scope.now.astimezone(ZoneInfo(planting.garden.zone)).date()
    on = new.picked_on or today
    if not planting.started_on <= on <= today:
        began = on_day(planting.started_on, year=True)
        raise DaceError("picked_on", on_day(on, year=True), f"from {began} to today would do")
    return Harvest(
        **new_row(scope, new.id),
        planting=planting,
        grams=new.grams,
        pieces=new.pieces,
        picked_on=on,
    )
