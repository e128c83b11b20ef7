"""Young plants that want a larger pot, hardening off, or planting out: today's, and those ahead."""

from __future__ import annotations

import uuid
from dataclasses import dataclass

from django.db import transaction

from dace.core import api as core
from dace.core.api import Moving, Portion, Raised
from dace.feeding.dressing import Dry, give_dressing
from dace.feeding.verdicts import Judged, StopVerdict
from dace.garden.models import Fill, Stand
from dace.garden.planting import Move, move
from dace.garden.raising import NOT_RAISED, raisings
from dace.garden.reads import StandRecord, garden_of
from dace.households.changes import change
from dace.households.scope import Scope, require_owner


@dataclass(frozen=True)
class Due:
    """A step of a stand; ``hole`` is what goes into the ground with each plant today."""

    stop: StopVerdict
    stand: StandRecord
    step: Moving
    hole: Portion | None


def steps_ahead(scope: Scope, found: Judged) -> tuple[Due, ...]:
    """What young plants want, today and later, by day; holes are worked out on their day."""
    yard = found.yard
    if yard is None:
        return ()
    done, due = raisings(scope), []
    stops = {one.key: one for one in yard.stops}
    for one in found.stops:
        stop = stops[str(one.fill_id)]
        root = stop.followed.root_zone
        plants = max(1, sum(grows.plants for grows in stop.grows))
        if root.is_bed:
            continue
        for grows, stand in zip(stop.grows, one.stands, strict=True):
            said = done.get(stand.planting_id, NOT_RAISED)
            if said.stays:
                continue
            raised = Raised(
                grows.crop,
                grows.clock,
                stop.shelter,
                root.litres / plants,
                core.setting(root.setting).seedlings,
                said.hardening_on,
                said.later_on,
            )
            for step in core.moving(raised, yard.days):
                now = step.kind == "plant_out" and step.on <= yard.days.today
                hole = core.in_the_hole(stop, grows, yard) if now else None
                due.append(Due(one, stand, step, hole))
    return tuple(sorted(due, key=lambda one: one.step.on))


@dataclass(frozen=True)
class PlantedOut:
    """So many plants of a stand to another fill; ``jar_id`` and ``said`` what each hole got."""

    id: uuid.UUID
    stand_id: uuid.UUID
    fill_id: uuid.UUID
    count: int
    jar_id: uuid.UUID | None = None
    said: str = ""


@transaction.atomic
def plant_out(scope: Scope, new: PlantedOut) -> Stand:
    """Plants go out, with what goes into their holes, in one change.

    Raises
    ------
    NotFoundError
        If stand, fill or jar are none of this household's.
    DaceError
        On ``count``, ``fill_id``, ``said`` or ``jar_id``. Nothing is written then.
    """
    require_owner(scope)
    repeat = Stand.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    fill = Fill.objects.select_related("place").fetch(scope, new.fill_id, "fill_id")
    with change(scope, "move", f"planted out at {fill}"):
        stand = move(scope, Move(new.id, new.stand_id, new.fill_id, new.count))
        if new.jar_id is not None and new.said.strip():
            asked = Dry(stand.pk, new.said, new.jar_id, whole=False)
            give_dressing(scope, uuid.uuid5(new.id, "holes"), asked, garden_of(scope).measures)
        return stand
