"""A place's page, waterings, field tests, harvests, and what a reading means."""

from __future__ import annotations

import uuid
from dataclasses import fields
from datetime import date
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.core import api as core
from dace.core.api import PenReading
from dace.desks.notebook.api import ReadingIn
from dace.desks.roots.page import ShownReading, all_roots, meaning, place_page
from dace.desks.roots.schemas import AllRootsOut, MeaningOut, PlaceRootsOut
from dace.desks.shared.typed import read_litres
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.watering import NewWatering, log_every_watering, log_watering
from dace.garden.harvests import NewHarvest, log_harvest
from dace.garden.reads import garden_of
from dace.households.fields import Instant, Line, Name, Number, Typed
from dace.measuring.services import NewFieldTest, log_test

router = Router(tags=["roots"])


class WateringIn(Schema):
    """Plain water on a fill, as typed: ``17 L``."""

    id: uuid.UUID
    fill_id: uuid.UUID
    water_id: uuid.UUID | None = None
    water_kind: Line = ""
    litres: Typed
    flush: bool = False
    poured_at: Instant | None = None


class LogsIn(Schema):
    """Whether every watering is written down."""

    logs: bool


class FieldTestIn(Schema):
    """A pH, a nitrate strip [mg/L], moisture by feel, or what is seen of salt."""

    id: uuid.UUID
    subject_id: uuid.UUID
    kind: Name
    value: Number | None = None
    word: Line = ""
    taken_at: Instant | None = None


class HarvestIn(Schema):
    """What was picked; its weight as typed, such as ``1 lb 2 oz``, or in grams."""

    id: uuid.UUID
    planting_id: uuid.UUID
    weight: Typed = ""
    grams: Number | None = None
    pieces: Annotated[int, Field(ge=0, le=1_000_000)] | None = None
    picked_on: date | None = None


@router.get("/roots", response=AllRootsOut, operation_id="all_roots")
def every_root(request: Any) -> AllRootsOut:
    """What the drain of every place says."""
    return all_roots(request.auth)


@router.get("/places/{place_id}/roots", response=PlaceRootsOut, operation_id="place_roots")
def roots(request: Any, place_id: uuid.UUID) -> PlaceRootsOut:
    """What the drain of a place says."""
    return place_page(request.auth, place_id)


@router.post("/readings/meaning", response=MeaningOut, operation_id="reading_meaning")
def what_it_means(request: Any, payload: ReadingIn) -> MeaningOut:
    """What a reading means; writes nothing."""
    given = payload.dict()
    pen = PenReading(**{field.name: given[field.name] for field in fields(PenReading)})
    return meaning(request.auth, ShownReading(payload.subject_id, pen))


@router.post("/waterings", response={201: WrittenOut}, operation_id="log_watering")
def watering(request: Any, payload: WateringIn) -> Any:
    """Write plain water down."""
    litres = read_litres(garden_of(request.auth), payload.litres, "litres")
    new = NewWatering(**{**payload.dict(), "litres": litres})
    return 201, written(request.auth, log_watering(request.auth, new).pk)


@router.put("/fills/{fill_id}/waterings", response=WrittenOut, operation_id="log_every_watering")
def every_watering(request: Any, fill_id: uuid.UUID, payload: LogsIn) -> WrittenOut:
    """Whether every watering of a fill is written down."""
    return written(request.auth, log_every_watering(request.auth, fill_id, payload.logs).pk)


@router.post("/field-tests", response={201: WrittenOut}, operation_id="log_field_test")
def field_test(request: Any, payload: FieldTestIn) -> Any:
    """Write a pH, a nitrate strip, the feel of it or what is seen of salt down."""
    return 201, written(request.auth, log_test(request.auth, NewFieldTest(**payload.dict())).pk)


@router.post("/harvests", response={201: WrittenOut}, operation_id="log_harvest")
def harvest(request: Any, payload: HarvestIn) -> Any:
    """Write down what was picked."""
    given = payload.dict()
    weight = given.pop("weight")
    if weight:
        measures = garden_of(request.auth).measures
        given["grams"] = core.read_pack(weight, "g", measures, "weight")
    return 201, written(request.auth, log_harvest(request.auth, NewHarvest(**given)).pk)
