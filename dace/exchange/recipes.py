"""Recipes and own materials as a small file to hand to somebody else."""

from __future__ import annotations

import json
import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from typing import Annotated, Any

from django.db import transaction
from ninja import Schema
from pydantic import Field, ValidationError

from dace.core.api import DaceError
from dace.households.fields import Line, Name, Number
from dace.households.scope import Scope
from dace.shelf.models import OwnMaterial, OwnRecipe
from dace.shelf.recipes import RecipeRecord, own_materials, recipes, save_material, save_recipe

FORMAT, VERSION = "dace-recipes", 1
_WOULD_DO = "a file of recipes from Dace would do"
_Percent = Annotated[dict[Name, Number], Field(max_length=20)]


class _Ingredient(Schema):
    material: Name
    mass_g: Annotated[float, Field(gt=0, le=1e6, allow_inf_nan=False)]
    weighed: bool = True
    particle: Name = "chopped_coarse"
    said: Line = ""
    percent: _Percent = {}
    since_day: Annotated[float, Field(ge=0, le=400, allow_inf_nan=False)] = 0.0


class _Recipe(Schema):
    name: Name
    method: Name
    volume_l: Annotated[float, Field(ge=0, le=10_000, allow_inf_nan=False)]
    acid_percent: Annotated[float, Field(ge=0, le=100, allow_inf_nan=False)] = 0.0
    ingredients: Annotated[list[_Ingredient], Field(min_length=1, max_length=30)]
    handling: Annotated[list[Name], Field(max_length=20)] = []
    note: Annotated[str, Field(max_length=300)] = ""


class _Material(Schema):
    name: Name
    like: Name
    percent: _Percent = {}


class _File(Schema):
    format: str
    version: int
    recipes: Annotated[list[_Recipe], Field(max_length=500)] = []
    materials: Annotated[list[_Material], Field(max_length=500)] = []


@dataclass(frozen=True)
class Shared:
    """How many came in, and how many were here already."""

    recipes: int
    materials: int
    here: int


def recipes_file(scope: Scope) -> str:
    """The household's own recipes and materials; two queries."""
    own = [one for one in recipes(scope) if one.own]
    found = {
        "format": FORMAT,
        "version": VERSION,
        "recipes": [
            {
                "name": one.name,
                "method": one.method,
                "volume_l": one.volume_l,
                "acid_percent": one.acid_percent,
                "ingredients": list(one.ingredients),
                "handling": list(one.handling),
                "note": one.note,
            }
            for one in own
        ],
        "materials": [
            {"name": one.name, "like": one.like, "percent": one.percent}
            for one in own_materials(scope)
        ],
    }
    return json.dumps(found, ensure_ascii=False, indent=1)


@transaction.atomic
def take_recipes(scope: Scope, text: str) -> Shared:
    """Take recipes and materials in, all or none; what is here already stays as it is.

    Raises
    ------
    DaceError
        On ``file``, naming what in it cannot be.
    """
    given = _read(text)
    materials = sum(_take_material(scope, one) for one in given.materials)
    brewed = sum(_take_recipe(scope, one) for one in given.recipes)
    here = len(given.materials) + len(given.recipes) - materials - brewed
    return Shared(brewed, materials, here)


def _take_material(scope: Scope, one: _Material) -> bool:
    key = _id(scope, "material", one)
    if OwnMaterial.objects.written_before(scope, key) is not None:
        return False
    with _named(one.name):
        save_material(scope, key, one.name, one.like, dict(one.percent))
    return True


def _take_recipe(scope: Scope, one: _Recipe) -> bool:
    key = _id(scope, "recipe", one)
    if OwnRecipe.objects.written_before(scope, key) is not None:
        return False
    with _named(one.name):
        save_recipe(scope, key, _record(key, one.dict()))
    return True


def _id(scope: Scope, kind: str, one: Schema) -> uuid.UUID:
    """One id for what says the same."""
    said = json.dumps(one.dict(), sort_keys=True)
    return uuid.uuid5(scope.household_id, f"{FORMAT} {kind} {said}")


@contextmanager
def _named(name: str) -> Iterator[None]:
    try:
        yield
    except DaceError as error:
        raise DaceError("file", f"{name}: {error.read}", error.would_do) from None


def _read(text: str) -> _File:
    try:
        found = _File(**json.loads(text))
    except ValidationError as error:
        first = error.errors()[0]
        where = " ".join(str(part) for part in first["loc"])
        raise DaceError("file", f"{where}: {str(first.get('input'))[:60]}", _WOULD_DO) from None
    except (ValueError, TypeError, RecursionError):
        raise DaceError("file", "no file of recipes", _WOULD_DO) from None
    if found.format != FORMAT or found.version != VERSION:
        read = f"{found.format[:40]} {found.version}"
        raise DaceError("file", read, f"{FORMAT} {VERSION}, or a newer Dace")
    return found


def _record(key: uuid.UUID, values: dict[str, Any]) -> RecipeRecord:
    return RecipeRecord(
        key=str(key),
        name=values["name"],
        method=values["method"],
        volume_l=values["volume_l"],
        acid_percent=values["acid_percent"],
        ingredients=tuple(values["ingredients"]),
        handling=tuple(values["handling"]),
        note=values["note"],
        own=True,
    )
