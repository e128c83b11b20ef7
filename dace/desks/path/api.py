"""The path and the stages along it."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Any

from django.http import HttpRequest
from ninja import Router, Schema

from dace.core import api as core
from dace.core.api import Crop, crop
from dace.desks.path.page import path_page
from dace.desks.path.schemas import PathOut
from dace.desks.shared.out import Out
from dace.desks.shared.stops import GrownOut, grown_out
from dace.desks.shared.written import WrittenOut, written
from dace.garden.growing import Seen, see_stage
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.fields import Name
from dace.households.version import newest_change

router = Router(tags=["path"])


class StageOut(Out):
    """A stage of a crop and what to look for."""

    key: str
    words: str
    cue: str


class CropOut(Out):
    """A crop with its stages in order, and what it is called elsewhere."""

    key: str
    name: str
    also: list[str]
    stages: list[StageOut]
    grown: GrownOut


class PulseOut(Out):
    """How far the garden's rows have got, and its day: another one, and a page reads again."""

    edition: int
    today: date


class StageIn(Schema):
    """A stage as seen, today where no day is said; ``sure`` sets older looks aside."""

    id: uuid.UUID
    stage: Name
    on: date | None = None
    sure: bool = False


@router.get("/path", response=PathOut, operation_id="path")
def path(request: Any) -> PathOut:
    """Every stop in walking order."""
    return path_page(request.auth)


@router.get("/pulse", response=PulseOut, operation_id="pulse")
def pulse(request: Any) -> PulseOut:
    """Whether anything was written since a page was read; two queries."""
    scope = request.auth
    return PulseOut(edition=newest_change(scope), today=today(scope, garden_of(scope)))


@router.get("/crops/{key}", response=CropOut, operation_id="crop")
def one_crop(request: HttpRequest, key: str) -> CropOut:
    """A crop and its stages."""
    return crop_out(crop(key))


def crop_out(found: Crop) -> CropOut:
    """A crop with its stages, to choose from."""
    stages = [StageOut(key=s.key, words=s.words, cue=s.visual_cue) for s in found.stages]
    also = list(core.other_names().get(found.key, ()))
    return CropOut(key=found.key, name=found.name, also=also, stages=stages, grown=grown_out(found))


@router.post("/plantings/{planting_id}/stage", response={201: WrittenOut}, operation_id="see_stage")
def stage_seen(request: Any, planting_id: uuid.UUID, payload: StageIn) -> Any:
    """Say which stage a planting is at."""
    seen = see_stage(request.auth, Seen(planting_id=planting_id, **payload.dict()))
    return 201, written(request.auth, seen.id)
