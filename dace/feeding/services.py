"""Mixing a can and pouring it."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, shown
from dace.feeding.models import Can, CanPart, Dose
from dace.feeding.reads import jar_with_stock, litres_left
from dace.garden.models import Stand, Water
from dace.garden.reads import core_water
from dace.garden.reads import stand as stand_now
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope
from dace.measuring.models import Subject
from dace.measuring.services import past_instant, subject_of
from dace.shelf.reads import composition_now

_ROUNDING_L = 1e-6


@dataclass(frozen=True)
class NewCan:
    """A can as said: which jar, which water, how large, how strong."""

    id: uuid.UUID
    jar_id: uuid.UUID
    water_id: uuid.UUID
    vessel_l: float
    strength: str
    reading: int = 0
    measures: str = "metric"


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
        can = _mix(scope, new_can, mixed_at, new_dose.stand_id)
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


def _mix(scope: Scope, new: NewCan, mixed_at: datetime, stand_id: uuid.UUID) -> Can:
    if Can.objects.written_before(scope, new.id) is not None:
        raise ConflictError("id", "a can that was mixed already", "pour the rest of it instead")
    jar, stock = jar_with_stock(scope, new.jar_id)
    water = Water.objects.fetch(scope, new.water_id, "water_id")
    target = stand_now(scope, stand_id)
    if not jar.dissolves:
        raise DaceError(
            "jar_id", f"{jar.name}, which does not dissolve", "spread it dry, or choose another jar"
        )
    asked = core.CanAsked(
        strength=new.strength,
        feed=composition_now(jar),
        water=core_water(water),
        vessel_l=new.vessel_l,
        measures=new.measures,
        crop=target.crop,
        stage=target.stage,
        reading=new.reading,
    )
    mixed = core.answer(asked).can
    _check_stock(stock, mixed)
    subject = subject_of(scope, new.id, Subject.Kind.CAN)
    can = Can.objects.create(
        **new_row(scope, new.id),
        subject=subject,
        water=water,
        vessel_l=new.vessel_l,
        said=new.strength.strip(),
        ratio=core.strength_words(mixed),
        ec_low=mixed.ec.low,
        ec_likely=mixed.ec.value,
        ec_high=mixed.ec.high,
        mg_l={name: round(result.value, 3) for name, result in mixed.nutrients},
        mixed_at=mixed_at,
    )
    CanPart.objects.create(
        **new_row(scope, uuid.uuid5(new.id, "part 1")),
        can=can,
        jar=jar,
        amount=mixed.amount,
    )
    return can


def _check_stock(left: float, mixed: core.Mixture) -> None:
    if mixed.amount > left:
        fits = left / mixed.amount_per_l
        raise DaceError(
            "strength",
            f"{core.amount_words(mixed.amount, mixed.unit)} of a jar that holds "
            f"{core.amount_words(left, mixed.unit)}",
            f"a can of {shown.litres(fits, 2)} at this strength fits"
            if fits > 0
            else "choose another jar",
        )


def _pour(scope: Scope, can: Can, new: NewDose) -> Dose:
    stand = Stand.objects.select_related("fill__place").fetch(scope, new.stand_id, "stand_id")
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
