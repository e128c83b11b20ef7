"""An entry of the Notebook as it can be put right: a feed, a harvest, a look."""

from __future__ import annotations

import uuid
from datetime import date, datetime
from typing import Any

from ninja import Router, Schema
from pydantic import Field

from dace.core import api as core
from dace.core.api import shown
from dace.desks.shared.out import Out
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.mending import MendedDose, mend_dose
from dace.feeding.models import Dose
from dace.garden.growing import Seen, mend_look
from dace.garden.harvests import NewHarvest, mend_harvest
from dace.garden.models import Harvest, StageSeen
from dace.garden.reads import garden_of, stops, waters
from dace.households.fields import Instant, Line, Typed
from dace.households.scope import Scope

router = Router(tags=["notebook"])


class ChoiceOut(Out):
    """Something that can be chosen instead."""

    key: str
    name: str


class DoseEntryOut(Out):
    """A feed as it stands: when, how much on each, where, and of which water."""

    poured_at: datetime
    each: str
    plants: int
    stand_id: uuid.UUID
    stands: list[ChoiceOut]
    water_id: uuid.UUID
    waters: list[ChoiceOut]


class DoseEntryIn(Schema):
    """What a feed really was; what is left out stays."""

    poured_at: Instant | None = None
    each: Typed = ""
    stand_id: uuid.UUID | None = None
    water_id: uuid.UUID | None = None


class HarvestEntryOut(Out):
    """A harvest as it stands."""

    picked_on: date
    weight: str
    pieces: int | None


class HarvestEntryIn(Schema):
    """What was really picked; its weight as typed."""

    picked_on: date
    weight: Typed = ""
    pieces: int | None = Field(default=None, ge=0, le=1_000_000)


class LookEntryOut(Out):
    """A look as it stands, and the stages that it may have been."""

    seen_on: date
    stage: str
    stages: list[ChoiceOut]


class LookEntryIn(Schema):
    """What was really seen; ``sure`` sets older looks aside that say otherwise."""

    seen_on: date
    stage: Line
    sure: bool = False


@router.get("/doses/{dose_id}", response=DoseEntryOut, operation_id="dose_entry")
def dose(request: Any, dose_id: uuid.UUID) -> DoseEntryOut:
    """A feed as it can be put right."""
    scope: Scope = request.auth
    row = Dose.objects.select_related("can", "stand__planting", "fill__place").fetch(
        scope, dose_id, "dose_id"
    )
    there = {
        str(one.id): f"{one.spot}: {one.crop.name.lower()}"
        for stop in stops(scope)
        for one in stop.stands
    }
    there.setdefault(str(row.stand_id), f"{row.fill}: {row.stand.planting.grown.name.lower()}")
    return DoseEntryOut(
        poured_at=row.poured_at,
        each=shown.litres(row.litres_each, 4),
        plants=row.plants,
        stand_id=row.stand_id,
        stands=[ChoiceOut(key=key, name=name) for key, name in there.items()],
        water_id=row.can.water_id,
        waters=[ChoiceOut(key=str(one.id), name=one.name) for one in waters(scope)],
    )


@router.put("/doses/{dose_id}", response=WrittenOut, operation_id="mend_dose")
def put_dose_right(request: Any, dose_id: uuid.UUID, payload: DoseEntryIn) -> WrittenOut:
    """Put a feed right."""
    scope, said = request.auth, payload.dict()
    each = said.pop("each")
    row = Dose.objects.fetch(scope, dose_id, "dose_id")
    litres = None
    if each and each != shown.litres(row.litres_each, 4):
        litres = core.read_litres_each(each, row.plants, None, garden_of(scope).measures)
    mended = mend_dose(scope, dose_id, MendedDose(litres_each=litres, **said))
    return written(scope, mended.pk)


@router.get("/harvests/{row_id}", response=HarvestEntryOut, operation_id="harvest_entry")
def harvest(request: Any, row_id: uuid.UUID) -> HarvestEntryOut:
    """A harvest as it can be put right."""
    row = Harvest.objects.fetch(request.auth, row_id, "row_id")
    weight = core.amount_words(row.grams, "g", 4) if row.grams else ""
    return HarvestEntryOut(picked_on=row.picked_on, weight=weight, pieces=row.pieces)


@router.put("/harvests/{row_id}", response=WrittenOut, operation_id="mend_harvest")
def put_harvest_right(request: Any, row_id: uuid.UUID, payload: HarvestEntryIn) -> WrittenOut:
    """Put a harvest right."""
    scope = request.auth
    row = Harvest.objects.fetch(scope, row_id, "row_id")
    grams = None
    if payload.weight:
        same = row.grams is not None and payload.weight == core.amount_words(row.grams, "g", 4)
        measures = garden_of(scope).measures
        grams = row.grams if same else core.read_pack(payload.weight, "g", measures, "weight")
    new = NewHarvest(row_id, row.planting_id, grams, payload.pieces or None, payload.picked_on)
    return written(scope, mend_harvest(scope, new).pk)


@router.get("/looks/{row_id}", response=LookEntryOut, operation_id="look_entry")
def look(request: Any, row_id: uuid.UUID) -> LookEntryOut:
    """A look as it can be put right."""
    row = StageSeen.objects.select_related("planting").fetch(request.auth, row_id, "row_id")
    stages = row.planting.grown.stages
    return LookEntryOut(
        seen_on=row.seen_on,
        stage=row.stage,
        stages=[ChoiceOut(key=s.key, name=f"{s.words}: {s.visual_cue}") for s in stages],
    )


@router.put("/looks/{row_id}", response=WrittenOut, operation_id="mend_look")
def put_look_right(request: Any, row_id: uuid.UUID, payload: LookEntryIn) -> WrittenOut:
    """Put a look right."""
    row = StageSeen.objects.fetch(request.auth, row_id, "row_id")
    new = Seen(row_id, row.planting_id, payload.stage, payload.seen_on, payload.sure)
    return written(request.auth, mend_look(request.auth, new).pk)
