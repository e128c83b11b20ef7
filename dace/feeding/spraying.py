"""Spraying leaves: what goes in is what the plants were fed."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, Ingredient, Source, SprayAsked, shown
from dace.feeding.meanwhile import refuse_if_fed_meanwhile
from dace.feeding.mixing import (
    Mixed,
    NewCan,
    can_asked,
    sources_of,
    whom_now,
    write_can,
)
from dace.feeding.models import Can, Spray
from dace.garden.hours import hours_now
from dace.garden.models import Garden, Stand, Water
from dace.garden.reads import StandRecord, core_water, garden_of
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope
from dace.measuring.services import past_instant


@dataclass(frozen=True)
class NewSpray:
    """On how many plants of a stand, and when."""

    id: uuid.UUID
    stand_id: uuid.UUID
    plants: int
    sprayed_at: datetime | None = None


@dataclass(frozen=True)
class Sprayed:
    """A spray worked out for a stand: its jars, water, strengths and figures."""

    new: NewCan
    sources: tuple[Source, ...]
    water: Water
    target: StandRecord
    answer: core.Answer
    found: core.Spray
    tokens: frozenset[str]

    @property
    def mixed(self) -> Mixed:
        """The can of as much as is mixed for it."""
        return Mixed(self.new, self.sources, self.water, self.found.can)


def work_out(
    scope: Scope, garden: Garden, new: NewCan, stand_id: uuid.UUID, plants: int
) -> Sprayed:
    """A spray by its strength, for the leaf of a stand in the air of this hour.

    Raises
    ------
    NotFoundError
        If jar, water or stand are none of this household's.
    DaceError
        If a strength cannot be read, or there are not so many plants.
    """
    sources = sources_of(scope, new.jar_ids)
    water = Water.objects.fetch(scope, new.water_id, "water_id")
    whom = whom_now(scope, stand_id)
    target = whom.target
    assert target is not None
    if not 1 <= plants <= target.count:
        raise DaceError("plants", f"{plants} plants", f"1 to {target.count} stand there")
    asked = can_asked(new, sources, core_water(water), whom)
    answer = core.answer(asked)
    tokens = frozenset[str]().union(*(one.tokens for one in sources))
    parts = tuple(
        Ingredient(one.feed, poured.per_l, one.name)
        for one, poured in zip(sources, answer.can.parts, strict=True)
    )
    found = core.spray(
        SprayAsked(
            parts=parts,
            water=asked.water,
            vessel_l=new.vessel_l,
            crop=target.crop,
            stage=target.stage,
            plants=plants,
            air_c=hours_now(scope, garden).air_c,
            sour=core.is_sour(tokens),
            stage_days=core.stage_days(target.clock),
            in_ground=core.setting(target.setting).in_ground,
        )
    )
    return Sprayed(new, sources, water, target, answer, found, tokens)


@transaction.atomic
def spray_leaves(scope: Scope, new_can: NewCan, new: NewSpray) -> Spray:
    """Mix what the leaves hold and spray it, in one change.

    Raises
    ------
    NotFoundError
        If jar, water or stand are none of this household's.
    DaceError
        As :func:`work_out`, or if a jar holds too little. Nothing is written then.
    """
    repeat = Spray.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    if Can.objects.written_before(scope, new_can.id) is not None:
        raise ConflictError("id", "a can that was mixed already", "mix another")
    with change(scope, "spray") as draft:
        at = past_instant(scope, new.sprayed_at, "sprayed_at")
        out = work_out(scope, garden_of(scope), new_can, new.stand_id, new.plants)
        can = write_can(scope, out.mixed, at)
        stand = Stand.objects.select_related("fill__place").fetch(scope, new.stand_id, "stand_id")
        refuse_if_fed_meanwhile(scope, stand.fill)
        draft.summary = f"{shown.litres(can.vessel_l, 2)} sprayed on {stand.fill}"
        return Spray.objects.create(
            **new_row(scope, new.id),
            can=can,
            stand=stand,
            fill=stand.fill,
            plants=new.plants,
            landed_l=out.found.litres.value,
            entered=entered_of(out.found),
            sprayed_at=at,
        )


def entered_of(found: core.Spray) -> dict[str, list[float]]:
    """What goes into each plant [mg], as it is kept."""
    return {
        one.nutrient: [round(v, 4) for v in (one.enters.low, one.enters.value, one.enters.high)]
        for one in found.on_leaf
    }
