"""A mixed can that was read: what makes it right, and stirring that in."""

from __future__ import annotations

import math
import uuid
from dataclasses import dataclass

from django.db import transaction

from dace.core import api as core
from dace.core.api import Correction, DaceError, Ingredient, Misread, Result, shown
from dace.feeding.models import Can, Thinning
from dace.feeding.reads import litres_left
from dace.garden.reads import SPRAYER, core_water, vessels
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope
from dace.measuring.models import Reading
from dace.shelf.reads import compositions_now

_LEAST_L = 1e-3


@dataclass(frozen=True)
class ReadCan:
    """A can that was read, and what makes it right."""

    reading: Reading
    expected: Result
    holds_l: float
    found: Correction


def correction_of(scope: Scope, can_id: uuid.UUID) -> ReadCan | None:
    """What makes a can right by its newest reading; None where there is none.

    It was never read, is empty, or had water stirred in since. Ten queries.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    can = Can.objects.select_related("water").fetch(scope, can_id, "can_id")
    rows = Reading.objects.weighing(scope).filter(subject_id=can.subject_id)
    reading = rows.order_by("-taken_at", "-created_at").first()
    left = litres_left(scope, can)
    if reading is None or left < _LEAST_L:
        return None
    stirred = Thinning.objects.of(scope).filter(can=can, stirred_at__gte=reading.taken_at)
    if stirred.exists():
        return None  # what it reads now is for the next reading to say
    expected = Result(can.ec_likely, can.ec_low, can.ec_high, "mS/cm", ())
    holds = _holds(scope, can)
    fills = math.ceil(can.vessel_l / holds - _LEAST_L)
    left = min(left, can.vessel_l / max(1, fills))  # put right fill by fill
    parts = list(can.parts.select_related("jar__brew").order_by("created_at", "id"))
    feeds = compositions_now([part.jar for part in parts])
    found = core.correct_can(
        Misread(
            parts=tuple(
                Ingredient(feeds[part.jar_id], part.amount / can.vessel_l, part.jar.name)
                for part in parts
            ),
            water=core_water(can.water),
            filled_l=left,
            holds_l=max(holds, left),
            read=reading.ec_likely,
            expected=expected,
        )
    )
    return ReadCan(reading, expected, holds, found)


def _holds(scope: Scope, can: Can) -> float:
    """What the can could hold: the smallest of her own that it fits in, else the largest."""
    cans = [v.volume_l for v in vessels(scope) if v.kind != SPRAYER]
    fitting = [volume_l for volume_l in cans if volume_l >= can.vessel_l - _LEAST_L]
    return min(fitting, default=max(cans, default=can.vessel_l))


@dataclass(frozen=True)
class Thinned:
    """Water stirred in after some was poured off [L]."""

    id: uuid.UUID
    water_l: float
    pour_off_l: float = 0.0


@transaction.atomic
def thin_can(scope: Scope, can_id: uuid.UUID, new: Thinned) -> Thinning:
    """Stir water into a can: there is more in it, as strong as it was meant to be.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    DaceError
        If more is poured off than is in it, or nothing is added.
    """
    repeat = Thinning.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    can = Can.objects.fetch(scope, can_id, "can_id")
    left = litres_left(scope, can)
    if not 0 < new.water_l <= core.MOST_VESSEL_L:
        raise DaceError("water_l", f"{new.water_l:g} L", "more than 0 would do")
    if not 0 <= new.pour_off_l < left:
        raise DaceError(
            "pour_off_l",
            f"{shown.litres(new.pour_off_l)} of a can that holds {shown.litres(left)}",
            "less than is in it would do",
        )
    said = f"{shown.litres(new.water_l, 2)} of water stirred into the can of {can.ratio}"
    with change(scope, "thin", said):
        return Thinning.objects.create(
            **new_row(scope, new.id),
            can=can,
            water_l=new.water_l,
            pour_off_l=new.pour_off_l,
            stirred_at=scope.now,
        )
