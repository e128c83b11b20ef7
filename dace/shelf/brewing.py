"""Brews from the first day to the bottle: one change each."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, field
from datetime import datetime
from typing import Any

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, Recipe
from dace.garden.models import Water
from dace.garden.reads import core_water
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope
from dace.measuring.models import Subject
from dace.measuring.services import past_instant, subject_of
from dace.shelf.as_core import core_recipe, day_of
from dace.shelf.brews import ONE_PRESS
from dace.shelf.models import Brew, BrewEvent, OwnMaterial
from dace.shelf.recipes import ingredients_of
from dace.shelf.seen import checked, remember

MOST_BOTTLED = 1.6  # times what is expected through the strainer


@dataclass(frozen=True)
class Said:
    """An ingredient as said: a material of the table or her own, and how much."""

    material: str
    amount: str
    particle: str = "chopped_coarse"
    own_id: uuid.UUID | None = None


@dataclass(frozen=True)
class NewBrew:
    """A brew as said; ``seen_to`` are keys of cautions that were settled before it began."""

    name: str
    method: str
    ingredients: tuple[Said, ...]
    volume_l: float
    water_id: uuid.UUID
    temperature_c: float = 16.0
    acid_percent: float = 0.0
    handling: tuple[str, ...] = field(default=())
    started_at: datetime | None = None
    seen_to: tuple[str, ...] = ()


def read_ingredients(scope: Scope, said: tuple[Said, ...], measures: str) -> list[dict[str, Any]]:
    """What goes in, in grams: weighed, or from a volume by how it lies.

    Raises
    ------
    DaceError
        On ``material`` or ``amount``.
    NotFoundError
        If a material of her own is none of this household's.
    """
    found = []
    for item in said:
        key, percent = item.material, {}
        if item.own_id is not None:
            own = OwnMaterial.objects.fetch(scope, item.own_id, "own_id")
            key, percent = own.like, own.percent
        kind = core.material(key)
        amount = core.read_amount(item.amount, measures, "amount")
        weighed = amount.unit == "g"
        mass = amount.value if weighed else amount.value * kind.density_g_per_ml
        row = {
            "material": key,
            "mass_g": mass,
            "weighed": weighed or kind.form == "liquid",
            "particle": item.particle,
            "said": item.amount.strip(),
        }
        if item.own_id is not None:
            row |= {"own_id": str(item.own_id)}
        found.append(row | ({"percent": percent} if percent else {}))
    return found


def recipe_as_said(scope: Scope, new: NewBrew, measures: str) -> tuple[Recipe, Water, list[Any]]:
    """A brew as the core knows it, before anything is written."""
    water = Water.objects.fetch(scope, new.water_id, "water_id")
    items = read_ingredients(scope, new.ingredients, measures)
    recipe = Recipe(
        method=new.method,
        ingredients=ingredients_of(tuple(items)),
        volume_l=new.volume_l,
        water=core_water(water),
        temperature_c=new.temperature_c,
        acid_percent=new.acid_percent,
        handling=new.handling,
    )
    return recipe, water, items


@transaction.atomic
def start_brew(scope: Scope, row_id: uuid.UUID, new: NewBrew, measures: str) -> Brew:
    """A brew begins.

    Raises
    ------
    DaceError
        Naming what in it cannot be.
    NotFoundError
        If water or material are none of this household's.
    """
    repeat = Brew.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    _, water, items = recipe_as_said(scope, new, measures)
    settled = checked(new.seen_to)
    with change(scope, "brew", f"{new.name} begun"):
        for caution in settled:
            remember(scope, uuid.uuid4(), caution, row_id)
        return Brew.objects.create(
            **new_row(scope, row_id),
            subject=subject_of(scope, row_id, Subject.Kind.BREW),
            name=new.name,
            method=new.method,
            ingredients=items,
            volume_l=new.volume_l,
            water=water,
            acid_percent=new.acid_percent,
            temperature_c=new.temperature_c,
            handling=list(new.handling),
            started_at=past_instant(scope, new.started_at, "started_at"),
        )


@transaction.atomic
def do_step(scope: Scope, row_id: uuid.UUID, brew_id: uuid.UUID, kind: str) -> BrewEvent:
    """Stirred, or its gas let out.

    Raises
    ------
    NotFoundError
        If the brew is none of this household's.
    DaceError
        On ``kind``.
    ConflictError
        If it was strained or thrown out already.
    """
    repeat = BrewEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    if kind not in ONE_PRESS:
        raise DaceError("kind", f"“{kind}”", "stir or vent would do")
    brew = on_its_way(scope, brew_id)
    with change(scope, "brew", f"{brew.name}: {BrewEvent.Kind(kind).label}"):
        return BrewEvent.objects.create(
            **new_row(scope, row_id), brew=brew, kind=kind, at=scope.now
        )


@transaction.atomic
def add_to_brew(
    scope: Scope, row_id: uuid.UUID, brew_id: uuid.UUID, said: Said, measures: str
) -> BrewEvent:
    """Something more goes in; it soaks from now on.

    Raises
    ------
    NotFoundError
        If the brew is none of this household's.
    DaceError
        On ``material``, ``amount`` or ``ingredients``.
    ConflictError
        If it was strained or thrown out already.
    """
    repeat = BrewEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    brew = on_its_way(scope, brew_id)
    row = read_ingredients(scope, (said,), measures)[0]
    brew.ingredients = [*brew.ingredients, row | {"since_day": round(day_of(brew, scope.now), 2)}]
    core_recipe(brew)  # refuses what cannot be
    name = core.material(row["material"]).name.lower()
    with change(scope, "brew", f"{brew.name}: {row['said']} of {name} added"):
        brew.save(update_fields=["ingredients"])
        return BrewEvent.objects.create(
            **new_row(scope, row_id), brew=brew, kind=BrewEvent.Kind.ADD, at=scope.now
        )


def on_its_way(scope: Scope, brew_id: uuid.UUID) -> Brew:
    """A brew that is neither strained nor thrown out, or a ``ConflictError``."""
    brew = Brew.objects.select_related("water", "subject").fetch(scope, brew_id, "brew_id")
    ended = brew.events.filter(
        kind__in=(BrewEvent.Kind.STRAIN, BrewEvent.Kind.THROW), undone_at__isnull=True
    ).first()
    if ended is not None:
        raise ConflictError(
            "brew_id", f"{brew.name}, {ended.get_kind_display()} already", "begin another"
        )
    return brew
