"""Plain water: logged where somebody logs it, assumed elsewhere."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core.api import DaceError, shown
from dace.feeding.models import Watering
from dace.garden.models import Fill, Water
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope, require_owner
from dace.measuring.services import past_instant

_MOST_L = 2000.0


@dataclass(frozen=True)
class NewWatering:
    """Litres of a water on a whole fill."""

    id: uuid.UUID
    fill_id: uuid.UUID
    water_id: uuid.UUID
    litres: float
    flush: bool = False
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
    water = Water.objects.fetch(scope, new.water_id, "water_id")
    what = "flushed with" if new.flush else "watered with"
    with change(scope, "watering", f"{fill} {what} {shown.litres(new.litres)} of {water}"):
        return Watering.objects.create(
            **new_row(scope, new.id),
            fill=fill,
            water=water,
            litres=new.litres,
            flush=new.flush,
            poured_at=past_instant(scope, new.poured_at, "poured_at"),
        )


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
