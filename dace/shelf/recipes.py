"""Recipes: those that Dace ships, and the household's own."""

from __future__ import annotations

import tomllib
import uuid
from dataclasses import dataclass
from functools import cache
from importlib import resources
from typing import Any

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, RecipeItem
from dace.households.keeping import Written, keep
from dace.households.scope import Scope
from dace.shelf.models import OwnMaterial, OwnRecipe


@dataclass(frozen=True)
class RecipeRecord:
    """A recipe to begin a brew from; ``ingredients`` as a brew keeps them."""

    key: str
    name: str
    method: str
    volume_l: float
    acid_percent: float
    ingredients: tuple[dict[str, Any], ...]
    handling: tuple[str, ...]
    note: str
    own: bool


@cache
def shipped() -> tuple[RecipeRecord, ...]:
    """The recipes that Dace ships, in the order of their file."""
    text = (resources.files("dace.shelf") / "recipes.toml").read_text(encoding="utf-8")
    return tuple(
        RecipeRecord(
            key=row["key"],
            name=row["name"],
            method=row["method"],
            volume_l=row["volume_l"],
            acid_percent=row.get("acid_percent", 0.0),
            ingredients=tuple({"weighed": True, **item} for item in row["ingredients"]),
            handling=tuple(row.get("handling", ())),
            note=row["note"],
            own=False,
        )
        for row in tomllib.loads(text)["recipes"]
    )


def recipes(scope: Scope) -> tuple[RecipeRecord, ...]:
    """Her own first, then those that Dace ships; one query."""
    own = tuple(
        RecipeRecord(
            key=str(row.pk),
            name=row.name,
            method=row.method,
            volume_l=row.volume_l,
            acid_percent=row.acid_percent,
            ingredients=tuple(row.ingredients),
            handling=tuple(row.handling),
            note=row.note,
            own=True,
        )
        for row in OwnRecipe.objects.in_use(scope).order_by("name")
    )
    return own + shipped()


def own_materials(scope: Scope) -> tuple[OwnMaterial, ...]:
    """Materials that the household knows better; one query."""
    return tuple(OwnMaterial.objects.in_use(scope).order_by("name"))


@transaction.atomic
def save_material(
    scope: Scope, row_id: uuid.UUID, name: str, like: str, percent: dict[str, float]
) -> OwnMaterial:
    """A material like one of the table, with its own % by element.

    Raises
    ------
    DaceError
        On ``like`` or ``percent``.
    """
    core.material(like)
    for element, value in percent.items():
        if element not in core.NUTRIENTS:
            raise DaceError("percent", f"“{element}”", f"use {', '.join(core.NUTRIENTS)}")
        if not 0 <= value <= 100:
            raise DaceError("percent", f"{value:g} % of {element}", "0 to 100 would do")
    if sum(percent.values()) > 100:
        raise DaceError("percent", f"{sum(percent.values()):g} % in all", "at most 100 would do")
    values = {"name": name, "like": like, "percent": dict(percent)}
    return keep(scope, OwnMaterial, Written(row_id, "material"), values)


@transaction.atomic
def save_recipe(scope: Scope, row_id: uuid.UUID, new: RecipeRecord) -> OwnRecipe:
    """A recipe of her own.

    Raises
    ------
    DaceError
        Naming what in it cannot be.
    """
    ingredients_of(new.ingredients)
    core.method(new.method)
    for handling in new.handling:
        core.modifier(handling)
    values = {
        "name": new.name,
        "method": new.method,
        "ingredients": list(new.ingredients),
        "volume_l": new.volume_l,
        "acid_percent": new.acid_percent,
        "handling": list(new.handling),
        "note": new.note,
    }
    return keep(scope, OwnRecipe, Written(row_id, "recipe"), values)


def ingredients_of(kept: tuple[dict[str, Any], ...]) -> tuple[RecipeItem, ...]:
    """Ingredients as the core knows them."""
    return tuple(
        RecipeItem(
            material=item["material"],
            mass_g=item["mass_g"],
            weighed=item.get("weighed", True),
            particle=item.get("particle", "chopped_coarse"),
            percent=tuple(sorted(item.get("percent", {}).items())),
            since_day=item.get("since_day", 0.0),
        )
        for item in kept
    )
