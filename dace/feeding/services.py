"""Pouring a can on roots."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core.api import DaceError, shown
from dace.feeding.meanwhile import refuse_if_fed_meanwhile
from dace.feeding.mixing import NewCan, mix
from dace.feeding.models import Can, Dose
from dace.feeding.reads import litres_left
from dace.garden.models import Stand
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope
from dace.measuring.services import past_instant

_ROUNDING_L = 1e-6


@dataclass(frozen=True)
class NewDose:
    """So many litres on each of so many plants."""

    id: uuid.UUID
    stand_id: uuid.UUID
    plants: int
    litres_each: float
    poured_at: datetime | None = None


@transaction.atomic
def mix_and_pour(scope: Scope, new_can: NewCan, new_dose: NewDose) -> Dose:
    """Fill a can and pour from it, in one change.

    Raises
    ------
    NotFoundError
        If jar, water or stand are none of this household's.
    DaceError
        If the strength cannot be read, the jar holds too little, or more is
        poured than the can holds. Nothing is written then.
    """
    repeat = Dose.objects.written_before(scope, new_dose.id)
    if repeat is not None:
        return repeat
    with change(scope, "pour") as draft:
        mixed_at = past_instant(scope, new_dose.poured_at, "poured_at")
        can = mix(scope, new_can, mixed_at, new_dose.stand_id)
        dose = _pour(scope, can, new_dose)
        poured = f"{shown.litres(dose.litres)} on {dose.fill}"
        draft.summary = f"{shown.litres(can.vessel_l)} at {can.ratio}, {poured}"
    return dose


@transaction.atomic
def pour_rest(scope: Scope, can_id: uuid.UUID, new_dose: NewDose) -> Dose:
    """Pour from a can that was mixed before.

    Raises
    ------
    NotFoundError
        If can or stand are none of this household's.
    DaceError
        If more is poured than is left.
    """
    repeat = Dose.objects.written_before(scope, new_dose.id)
    if repeat is not None:
        return repeat
    with change(scope, "pour") as draft:
        can = Can.objects.fetch(scope, can_id, "can_id")
        dose = _pour(scope, can, new_dose)
        draft.summary = f"{shown.litres(dose.litres)} more of the can on {dose.fill}"
    return dose


def _pour(scope: Scope, can: Can, new: NewDose) -> Dose:
    stand = Stand.objects.select_related("fill__place").fetch(scope, new.stand_id, "stand_id")
    refuse_if_fed_meanwhile(scope, stand.fill)
    if not 1 <= new.plants <= stand.count:
        raise DaceError("plants", f"{new.plants} plants", f"1 to {stand.count} stand there")
    litres, left = new.plants * new.litres_each, litres_left(scope, can)
    if not 0 < litres <= left + _ROUNDING_L:
        raise DaceError(
            "litres_each",
            f"{shown.litres(litres)} asked of a can that holds {shown.litres(left)}",
            f"up to {shown.litres(left / new.plants)} for each of {new.plants} would do",
        )
    return Dose.objects.create(
        **new_row(scope, new.id),
        can=can,
        stand=stand,
        fill=stand.fill,
        plants=new.plants,
        litres_each=new.litres_each,
        poured_at=past_instant(scope, new.poured_at, "poured_at"),
    )
