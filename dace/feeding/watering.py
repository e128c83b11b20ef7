"""Plain water: logged where somebody logs it, assumed elsewhere."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core.api import WATER_KINDS, DaceError, shown
from dace.feeding.models import Watering
from dace.garden.models import Fill, Water
from dace.garden.reads import garden_of
from dace.garden.services import NewWater, save_water
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope, require_owner
from dace.measuring.services import past_instant

_MOST_L = 2000.0


@dataclass(frozen=True)
class NewWatering:
    """Litres of a water on a whole fill; of a kind of water where none was set up yet."""

    id: uuid.UUID
    fill_id: uuid.UUID
    water_id: uuid.UUID | None
    litres: float
    flush: bool = False
    water_kind: str = ""
    poured_at: datetime | None = None


@transaction.atomic
def log_watering(scope: Scope, new: NewWatering) -> Watering:
    """Write a watering down.

    Raises
    ------
    NotFoundError
        If fill or water are none of this household's.
    DaceError
        On ``litres``.
    """
    repeat = Watering.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    if not 0 < new.litres <= _MOST_L:
        raise DaceError("litres", f"{new.litres:g} L", f"above 0 and up to {_MOST_L:g} L would do")
    fill = Fill.objects.select_related("place").fetch(scope, new.fill_id, "fill_id")
    what = "flushed with" if new.flush else "watered with"
    with change(scope, "watering") as draft:
        water = _water(scope, new)
        draft.summary = f"{fill} {what} {shown.litres(new.litres)} of {water}"
        return Watering.objects.create(
            **new_row(scope, new.id),
            fill=fill,
            water=water,
            litres=new.litres,
            flush=new.flush,
            poured_at=past_instant(scope, new.poured_at, "poured_at"),
        )


def _water(scope: Scope, new: NewWatering) -> Water:
    """The water that was chosen, or one of its kind set up by the way."""
    if new.water_id is not None:
        return Water.objects.fetch(scope, new.water_id, "water_id")
    if new.water_kind not in WATER_KINDS:
        raise DaceError("water_id", "no water", "choose one, or set one up first: rain or tap")
    named = NewWater(f"{new.water_kind.replace('_', ' ')} water", new.water_kind)
    return save_water(scope, garden_of(scope), uuid.uuid5(new.id, "water"), named)


@transaction.atomic
def log_every_watering(scope: Scope, fill_id: uuid.UUID, logs: bool) -> Fill:
    """Whether every watering of a fill is written down; otherwise Dace assumes them.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    require_owner(scope)
    fill = Fill.objects.select_related("place").fetch(scope, fill_id, "fill_id")
    if fill.logs_waterings != logs:
        words = "every watering is logged" if logs else "waterings are assumed"
        with change(scope, "watering", f"{fill}: {words}"):
            fill.logs_waterings = logs
            fill.save(update_fields=["logs_waterings"])
    return fill
