"""The Shelf: jars, brews, recipes, materials and claims."""

from __future__ import annotations

import re
import uuid
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.core import api as core
from dace.desks.shared.figures import steps_out
from dace.desks.shared.typed import read_litres
from dace.desks.shared.written import RowIn, WrittenOut, written
from dace.desks.shelf.brew import brew_page, preview_brew
from dace.desks.shelf.goes import goes
from dace.desks.shelf.jar import jar_page
from dace.desks.shelf.page import brew_choices, shelf
from dace.desks.shelf.schemas import (
    BrewChoicesOut,
    BrewFiguresOut,
    BrewOut,
    ClaimOut,
    GoesOut,
    JarPageOut,
    ShelfOut,
)
from dace.garden.reads import garden_of
from dace.households.fields import Instant, Line, Name, Number, Typed
from dace.shelf.brewing import NewBrew, Said, add_to_brew, do_step, read_ingredients, start_brew
from dace.shelf.brews import brew_now
from dace.shelf.recipes import RecipeRecord, save_material, save_recipe
from dace.shelf.seen import see_to
from dace.shelf.straining import Strained, second_run, strain, throw_out

router = Router(tags=["shelf"])
# A sugar ferment, or what is spread as it is, takes no liquid.
_NO_LIQUID = re.compile(r"\s*(?:0+(?:[.,]0*)?\s*l?)?\s*", re.IGNORECASE)


class SaidIn(Schema):
    """An ingredient as typed: a material, or one of her own, and how much."""

    material: Name
    amount: Typed
    particle: Name = "chopped_coarse"
    own_id: uuid.UUID | None = None


Ingredients = Annotated[list[SaidIn], Field(min_length=1, max_length=12)]


class BrewIn(Schema):
    """A brew as typed; ``liquid`` is a volume such as ``18 L``."""

    name: Name
    method: Name
    ingredients: Ingredients
    liquid: Typed
    water_id: uuid.UUID
    temperature_c: Number = 16.0
    acid_percent: Number = 0.0
    handling: Annotated[list[Name], Field(max_length=6)] = []
    started_at: Instant | None = None


class StartIn(BrewIn):
    """A brew to begin; ``seen_to`` are keys of cautions that were settled before."""

    id: uuid.UUID
    seen_to: Annotated[list[Name], Field(max_length=40)] = []


class BrewStepIn(Schema):
    """Stirred, or let the gas out."""

    id: uuid.UUID
    kind: Name


class AddIn(SaidIn):
    """Something more that goes into a brew."""

    id: uuid.UUID


class StrainIn(Schema):
    """What straining gave, as typed, and the bottle's name."""

    bottle_id: uuid.UUID
    litres: Typed
    name: Name


class SecondIn(Schema):
    """Fresh liquid on the same solids."""

    id: uuid.UUID
    liquid: Typed


class SeenIn(Schema):
    """A caution that was seen to, for a jar or brew."""

    id: uuid.UUID
    caution: Name
    about: uuid.UUID


class MaterialIn(Schema):
    """A material that she knows better than the table."""

    name: Name
    like: Name
    percent: Annotated[dict[str, Number], Field(max_length=5)] = {}


class OwnRecipeIn(Schema):
    """A recipe of her own."""

    name: Name
    method: Name
    ingredients: Ingredients
    liquid: Typed
    acid_percent: Number = 0.0
    handling: Annotated[list[Name], Field(max_length=6)] = []
    note: Line = ""


class ClaimIn(Schema):
    """Something heard over the fence; held against a brew where one is named."""

    claim: Line
    brew_id: uuid.UUID | None = None
    vessel: Typed = "9 L"


def _new(scope: Any, payload: BrewIn) -> tuple[NewBrew, str]:
    garden = garden_of(scope)
    said = payload.dict(exclude={"liquid", "ingredients", "id"})
    none = _NO_LIQUID.fullmatch(payload.liquid)
    litres = 0.0 if none else read_litres(garden, payload.liquid, "liquid")
    parts = tuple(Said(**item.dict()) for item in payload.ingredients)
    for several in ("handling", "seen_to"):
        said[several] = tuple(said.get(several, ()))
    return NewBrew(ingredients=parts, volume_l=litres, **said), garden.measures


@router.get("/shelf", response=ShelfOut, operation_id="shelf")
def whole_shelf(request: Any) -> ShelfOut:
    """Jars, bottles and brews."""
    return shelf(request.auth)


@router.get("/shelf/goes", response=list[GoesOut], operation_id="goes", summary="Where it goes")
def where_it_goes(request: Any) -> list[GoesOut]:
    """Where each bottle and each brew goes next."""
    return goes(request.auth)


@router.get("/brew-choices", response=BrewChoicesOut, operation_id="brew_choices")
def choices(request: Any) -> BrewChoicesOut:
    """Methods, materials and recipes."""
    return brew_choices(request.auth)


@router.post("/brews/preview", response=BrewFiguresOut, operation_id="preview_brew")
def preview(request: Any, payload: BrewIn) -> BrewFiguresOut:
    """Work a brew out; writes nothing."""
    return preview_brew(request.auth, _new(request.auth, payload)[0])


@router.post("/brews", response={201: WrittenOut}, operation_id="start_brew")
def start(request: Any, payload: StartIn) -> Any:
    """Begin a brew."""
    new, measures = _new(request.auth, payload)
    return 201, written(request.auth, start_brew(request.auth, payload.id, new, measures).pk)


@router.get("/brews/{brew_id}", response=BrewOut, operation_id="brew")
def one_brew(request: Any, brew_id: uuid.UUID) -> BrewOut:
    """One brew's page."""
    return brew_page(request.auth, brew_id)


@router.post("/brews/{brew_id}/steps", response={201: WrittenOut}, operation_id="brew_step")
def step(request: Any, brew_id: uuid.UUID, payload: BrewStepIn) -> Any:
    """Stirred, or let the gas out."""
    return 201, written(request.auth, do_step(request.auth, payload.id, brew_id, payload.kind).pk)


@router.post("/brews/{brew_id}/add", response={201: WrittenOut}, operation_id="add_to_brew")
def add(request: Any, brew_id: uuid.UUID, payload: AddIn) -> Any:
    """Something more goes in."""
    measures = garden_of(request.auth).measures
    said = Said(**payload.dict(exclude={"id"}))
    row = add_to_brew(request.auth, payload.id, brew_id, said, measures)
    return 201, written(request.auth, row.pk)


@router.post("/brews/{brew_id}/strain", response={201: WrittenOut}, operation_id="strain_brew")
def strained(request: Any, brew_id: uuid.UUID, payload: StrainIn) -> Any:
    """Strain a brew into a bottle."""
    litres = read_litres(garden_of(request.auth), payload.litres, "litres")
    new = Strained(payload.bottle_id, litres, payload.name)
    return 201, written(request.auth, strain(request.auth, brew_id, new).pk)


@router.post("/brews/{brew_id}/second", response={201: WrittenOut}, operation_id="second_run")
def second(request: Any, brew_id: uuid.UUID, payload: SecondIn) -> Any:
    """Fresh liquid on the same solids."""
    litres = read_litres(garden_of(request.auth), payload.liquid, "liquid")
    return 201, written(request.auth, second_run(request.auth, payload.id, brew_id, litres).pk)


@router.post("/brews/{brew_id}/throw", response={201: WrittenOut}, operation_id="throw_out_brew")
def throw(request: Any, brew_id: uuid.UUID, payload: RowIn) -> Any:
    """A brew goes on the heap."""
    return 201, written(request.auth, throw_out(request.auth, payload.id, brew_id).pk)


@router.get("/jars/{jar_id}/page", response=JarPageOut, operation_id="jar_page")
def jar(request: Any, jar_id: uuid.UUID) -> JarPageOut:
    """A jar or bottle in full."""
    return jar_page(request.auth, jar_id)


@router.post("/cautions/seen", response={201: WrittenOut}, operation_id="see_to_caution")
def seen(request: Any, payload: SeenIn) -> Any:
    """A caution was seen to."""
    row = see_to(request.auth, payload.id, payload.caution, payload.about)
    return 201, written(request.auth, row.pk)


@router.put("/materials/{row_id}", response=WrittenOut, operation_id="save_material")
def material(request: Any, row_id: uuid.UUID, payload: MaterialIn) -> WrittenOut:
    """A material of her own."""
    row = save_material(request.auth, row_id, payload.name, payload.like, payload.percent)
    return written(request.auth, row.pk)


@router.put("/recipes/{row_id}", response=WrittenOut, operation_id="save_recipe")
def recipe(request: Any, row_id: uuid.UUID, payload: OwnRecipeIn) -> WrittenOut:
    """A recipe of her own."""
    garden = garden_of(request.auth)
    said = tuple(Said(**item.dict()) for item in payload.ingredients)
    new = RecipeRecord(
        key=str(row_id),
        name=payload.name,
        method=payload.method,
        volume_l=read_litres(garden, payload.liquid, "liquid"),
        acid_percent=payload.acid_percent,
        ingredients=tuple(read_ingredients(request.auth, said, garden.measures)),
        handling=tuple(payload.handling),
        note=payload.note,
        own=True,
    )
    return written(request.auth, save_recipe(request.auth, row_id, new).pk)


@router.post("/claims", response=ClaimOut, operation_id="check_claim")
def claim(request: Any, payload: ClaimIn) -> ClaimOut:
    """Hold a claim against mass balance, or against itself."""
    garden = garden_of(request.auth)
    most: tuple[tuple[str, float], ...] = ()
    if payload.brew_id is not None:
        most = brew_now(request.auth, payload.brew_id).recipe.most_mg_l()
    litres = read_litres(garden, payload.vessel)
    found = core.check_claim(payload.claim, core.Against(litres, garden.measures, most))
    return ClaimOut(verdict=found.verdict, text=found.text, working=steps_out(found.working))
