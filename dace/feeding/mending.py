"""Putting a poured feed right: when it was, how much, where, and of which water."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, Ingredient, shown
from dace.feeding.models import Can, Dose, Tick
from dace.feeding.reads import litres_left
from dace.garden.models import Stand, Water
from dace.garden.reads import core_water
from dace.households.changes import change
from dace.households.keeping import refuse_if_changed_meanwhile
from dace.households.scope import Scope, require_hand
from dace.measuring.services import past_instant
from dace.shelf.reads import compositions_now

_ROUNDING_L = 1e-6


@dataclass(frozen=True)
class MendedDose:
    """What a feed really was; what is None stays, at another stand the litres in all."""

    poured_at: datetime | None = None
    litres_each: float | None = None
    stand_id: uuid.UUID | None = None
    water_id: uuid.UUID | None = None


@transaction.atomic
def mend_dose(scope: Scope, dose_id: uuid.UUID, new: MendedDose) -> Dose:
    """Put a feed right, its can and its tick along with it, in one change.

    Raises
    ------
    NotFoundError
        If dose, stand or water are none of this household's.
    DaceError
        On ``litres_each`` where the can holds less, on ``poured_at`` for a time to come.
    ConflictError
        If it was changed meanwhile.
    """
    require_hand(scope)
    rows = Dose.objects.select_related("can__water", "stand", "fill__place")
    dose = rows.fetch(scope, dose_id, "dose_id")
    values = _values(scope, dose, new)
    changed = [name for name, value in values.items() if getattr(dose, name) != value]
    other_water = new.water_id is not None and new.water_id != dose.can.water_id
    if not changed and not other_water:
        return dose
    refuse_if_changed_meanwhile(scope, dose, {name: values[name] for name in changed})
    with change(scope, "pour", f"Feed of {dose.fill} put right"):
        before, at_stand = dose.litres, dose.stand_id
        for name in changed:
            setattr(dose, name, values[name])
        if changed:
            dose.save(update_fields=changed)
        _mend_can(scope, dose, new.water_id if other_water else None)
        _mend_tick(scope, dose, at_stand, dose.litres - before)
    return dose


def _values(scope: Scope, dose: Dose, new: MendedDose) -> dict[str, object]:
    stand = dose.stand
    if new.stand_id is not None:
        stand = Stand.objects.select_related("fill__place").fetch(scope, new.stand_id, "stand_id")
    plants = dose.plants if stand.pk == dose.stand_id else stand.count
    each = dose.litres / plants if new.litres_each is None else new.litres_each
    left = litres_left(scope, dose.can) + dose.litres
    if not 0 < plants * each <= left + _ROUNDING_L:
        raise DaceError(
            "litres_each",
            f"{shown.litres(plants * each)} of a can that held {shown.litres(left)}",
            f"up to {shown.litres(left / plants)} on each of {plants} would do",
        )
    at = dose.poured_at
    if new.poured_at is not None:
        at = past_instant(scope, new.poured_at, "poured_at")
    return {
        "stand": stand,
        "fill": stand.fill,
        "plants": plants,
        "litres_each": each,
        "poured_at": at,
    }


def _mend_can(scope: Scope, dose: Dose, water_id: uuid.UUID | None) -> None:
    """A can is mixed before it is poured, and holds what its water brings."""
    can: Can = dose.can
    changed = []
    if can.mixed_at > dose.poured_at:
        can.mixed_at = dose.poured_at
        changed.append("mixed_at")
    if water_id is not None:
        water = Water.objects.fetch(scope, water_id, "water_id")
        parts = list(can.parts.select_related("jar__brew").order_by("created_at", "id"))
        feeds = compositions_now([part.jar for part in parts])
        mixed = core.fill_with(
            [Ingredient(feeds[p.jar_id], p.amount / can.vessel_l, p.jar.name) for p in parts],
            can.vessel_l,
            core_water(water),
        )
        can.water = water
        can.ec_low, can.ec_likely, can.ec_high = mixed.ec.low, mixed.ec.value, mixed.ec.high
        can.mg_l = {name: round(result.value, 3) for name, result in mixed.nutrients}
        changed += ["water", "ec_low", "ec_likely", "ec_high", "mg_l"]
    if changed:
        can.save(update_fields=changed)


def _mend_tick(scope: Scope, dose: Dose, stand_id: uuid.UUID, more_l: float) -> None:
    """The tick that wrote it says as many litres as there are now."""
    if not more_l:
        return
    for tick in Tick.objects.of(scope).filter(serving__can_id=dose.can_id):
        if uuid.uuid5(tick.pk, str(stand_id)) == dose.pk:
            tick.litres += more_l
            tick.save(update_fields=["litres"])
