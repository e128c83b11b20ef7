"""Setting up places and what grows there."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.core import api as core
from dace.desks.path.api import CropOut, crop_out
from dace.desks.shared.out import Out
from dace.desks.shared.typed import size_words
from dace.desks.shared.written import RowIn, WrittenOut, written
from dace.garden.models import Fill, Garden, Place
from dace.garden.placing import (
    NewFill,
    NewMix,
    NewPlace,
    end_place,
    order_places,
    refill,
    save_fill,
    save_mix,
    save_place,
)
from dace.garden.planting import (
    Move,
    NewPlanting,
    end_planting,
    mend,
    move,
    plant,
    recount,
    thin,
)
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.fields import Count, Line, Name, Number, Typed

router = Router(tags=["setup"])


class FillIn(Schema):
    """What a place holds; its size as typed."""

    id: uuid.UUID
    size: Typed
    medium: Name
    alike: Count = 1
    ph: Number | None = None
    name: Line = ""
    filled_on: date | None = None


class RefillIn(RowIn):
    """What a pot is filled with now: as before where ``medium`` is empty; the share that is new."""

    medium: Name | None = None
    fresh: Number = 1.0


class KeptMixIn(Schema):
    """A soil mix: parts by volume, dry feeds [g/L], what it is for."""

    name: Name
    use: Name
    parts: Annotated[dict[Name, Number], Field(max_length=17)]
    dry: Annotated[dict[Name, Number], Field(max_length=8)] = {}


class PlaceIn(Schema):
    """A stop and, when it is new, what it is filled with."""

    name: Name
    kind: Name
    covered: bool = False
    area: Line = ""
    fill: FillIn | None = None


class OrderIn(Schema):
    """Every place, in walking order."""

    places: Annotated[list[uuid.UUID], Field(max_length=500)]


class PlantingIn(Schema):
    """What grows: crop, count, since when, where, and the stage as she sees it."""

    id: uuid.UUID
    stand_id: uuid.UUID
    fill_id: uuid.UUID
    crop: Name
    count: Count
    started_on: date
    stage: Name
    called: Line = ""


class MendIn(Schema):
    """What a planting really is."""

    crop: Name
    started_on: date
    called: Line = ""


class RecountIn(Schema):
    """How many really stand there."""

    count: Count


class MoveIn(Schema):
    """So many plants to another fill."""

    id: uuid.UUID
    fill_id: uuid.UUID
    count: Count
    on: date | None = None


class ThinIn(Schema):
    """How many stay."""

    id: uuid.UUID
    count: Count


class MediumOut(Out):
    """Something to choose: a medium, a material or a climate, and its kind."""

    key: str
    name: str
    kind: str


class ClimateOut(Out):
    """A climate, and places that have it."""

    key: str
    name: str
    like: str
    latitude: float


class CountryOut(Out):
    """What follows from a country: see ``core.Country``; climates by their keys."""

    name: str
    latitude: float
    zone: str
    measures: str
    degrees: str
    climates: list[str]


class PlaceKindOut(Out):
    """A kind of place, with what is usual of one; its size metric and in US measures."""

    key: str
    name: str
    medium: str
    size: str
    size_us: str
    covered: bool
    alike: bool


class StandInOut(Out):
    """A crop that plants of no row feed like, and which plants those are."""

    key: str
    name: str


class ChoicesOut(Out):
    """What there is to choose from when setting up."""

    places: list[PlaceKindOut]
    crops: list[CropOut]
    stand_ins: list[StandInOut]
    media: list[MediumOut]
    materials: list[MediumOut]
    climates: list[ClimateOut]
    countries: list[CountryOut]
    approaches: dict[str, str]


@router.get("/choices", response=ChoicesOut, operation_id="choices")
def choices(request: Any) -> ChoicesOut:
    """Crops, media, materials, climates and approaches."""
    return ChoicesOut(
        places=[_place_kind(kind) for kind in core.place_kinds().values()],
        crops=[crop_out(c) for c in core.crops().values()],
        stand_ins=[StandInOut(key=key, name=name) for key, name in core.stand_ins()],
        media=[MediumOut(key=m.key, name=m.name, kind=m.kind) for m in core.media().values()],
        materials=[
            MediumOut(key=m.key, name=m.name, kind=m.family) for m in core.materials().values()
        ],
        climates=[
            ClimateOut(key=c.key, name=c.name, like=c.like, latitude=c.latitude)
            for c in core.climates().values()
        ],
        countries=[
            CountryOut(**{**vars(c), "climates": [one.key for one in c.climates]})
            for c in core.countries()
        ],
        approaches=core.APPROACHES,
    )


def _place_kind(kind: core.PlaceKind) -> PlaceKindOut:
    size, size_us = kind.usual_size
    return PlaceKindOut(
        key=kind.key,
        name=kind.label,
        medium=kind.usual_medium,
        size=size,
        size_us=size_us,
        covered=kind.usually_covered,
        alike=kind.alike,
    )


@router.put("/places/{place_id}", response=WrittenOut, operation_id="save_place")
def place(request: Any, place_id: uuid.UUID, payload: PlaceIn) -> WrittenOut:
    """Add a place with its fill, or edit either."""
    scope, garden = request.auth, garden_of(request.auth)
    new = NewPlace(payload.name, payload.kind, payload.covered, payload.area.strip())
    fill = payload.fill
    filled = (fill.id, _new_fill(scope, garden, fill)) if fill else None
    return written(scope, save_place(scope, garden, place_id, new, filled).pk)


@router.put("/places/{place_id}/fills", response=WrittenOut, operation_id="save_fill")
def fill(request: Any, place_id: uuid.UUID, payload: FillIn) -> WrittenOut:
    """Add another pot or tray to a place, or edit one."""
    scope, garden = request.auth, garden_of(request.auth)
    row = Place.objects.fetch(scope, place_id, "place_id")
    return written(scope, save_fill(scope, row, payload.id, _new_fill(scope, garden, payload)).pk)


@router.post("/fills/{fill_id}/refill", response={201: WrittenOut}, operation_id="refill")
def fresh_medium(request: Any, fill_id: uuid.UUID, payload: RefillIn) -> Any:
    """Fresh medium where nothing grows, or topped up with some."""
    row = refill(request.auth, payload.id, fill_id, payload.medium or "", payload.fresh)
    return 201, written(request.auth, row.pk)


@router.put("/mixes/{mix_id}", response=WrittenOut, operation_id="save_mix")
def mix(request: Any, mix_id: uuid.UUID, payload: KeptMixIn) -> WrittenOut:
    """A soil mix of one's own, to fill pots with."""
    new = NewMix(payload.name, payload.use, payload.parts, payload.dry)
    return written(request.auth, save_mix(request.auth, garden_of(request.auth), mix_id, new).pk)


def _new_fill(scope: Any, garden: Garden, given: FillIn) -> NewFill:
    kept = Fill.objects.of(scope).filter(pk=given.id).first()
    if kept is not None and given.size == size_words(kept.volume_l, kept.area_m2):
        size = core.Size(kept.volume_l, kept.area_m2)
    else:
        size = core.read_size(given.size, garden.measures)
    return NewFill(
        medium=given.medium,
        filled_on=given.filled_on or (kept.filled_on if kept else today(scope, garden)),
        volume_l=size.volume_l,
        area_m2=size.area_m2,
        alike=given.alike,
        ph=given.ph,
        name=given.name,
    )


@router.post("/path/order", response=WrittenOut, operation_id="order_places")
def order(request: Any, payload: OrderIn) -> WrittenOut:
    """Walk the path in another order."""
    garden = garden_of(request.auth)
    order_places(request.auth, garden, payload.places)
    return written(request.auth, garden.pk)


@router.post("/places/{place_id}/end", response=WrittenOut, operation_id="end_place")
def end_this_place(request: Any, place_id: uuid.UUID) -> WrittenOut:
    """Walk past a place from now on."""
    day = today(request.auth, garden_of(request.auth))
    return written(request.auth, end_place(request.auth, place_id, day).pk)


@router.post("/plantings", response={201: WrittenOut}, operation_id="plant")
def planting(request: Any, payload: PlantingIn) -> Any:
    """Say what grows where."""
    scope, garden = request.auth, garden_of(request.auth)
    row = Fill.objects.fetch(scope, payload.fill_id, "fill_id")
    new = NewPlanting(
        id=payload.id,
        garden=garden,
        crop=payload.crop,
        started_on=payload.started_on,
        stage=payload.stage,
        called=payload.called.strip(),
        seen_on=today(scope, garden),
        stands=((payload.stand_id, row, payload.count),),
    )
    return 201, written(scope, plant(scope, new).pk)


@router.put("/plantings/{planting_id}", response=WrittenOut, operation_id="mend_planting")
def mend_planting(request: Any, planting_id: uuid.UUID, payload: MendIn) -> WrittenOut:
    """Put a slip in a planting right."""
    given = payload.dict()
    row = mend(request.auth, planting_id, given.pop("crop"), **given)
    return written(request.auth, row.pk)


@router.put("/stands/{stand_id}", response=WrittenOut, operation_id="recount_stand")
def recount_stand(request: Any, stand_id: uuid.UUID, payload: RecountIn) -> WrittenOut:
    """Put a slip in the count right."""
    return written(request.auth, recount(request.auth, stand_id, payload.count).pk)


@router.post("/plantings/{planting_id}/end", response=WrittenOut, operation_id="end_planting")
def end_this_planting(request: Any, planting_id: uuid.UUID) -> WrittenOut:
    """The crop is over."""
    return written(request.auth, end_planting(request.auth, planting_id).pk)


@router.post("/stands/{stand_id}/move", response={201: WrittenOut}, operation_id="move_stand")
def move_stand(request: Any, stand_id: uuid.UUID, payload: MoveIn) -> Any:
    """Pot on, plant out, move or split."""
    new = Move(payload.id, stand_id, payload.fill_id, payload.count, payload.on)
    return 201, written(request.auth, move(request.auth, new).pk)


@router.post("/stands/{stand_id}/thin", response={201: WrittenOut}, operation_id="thin_stand")
def thin_stand(request: Any, stand_id: uuid.UUID, payload: ThinIn) -> Any:
    """Keep fewer."""
    return 201, written(request.auth, thin(request.auth, payload.id, stand_id, payload.count).pk)
