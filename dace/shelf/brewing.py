"""Brews from the first day to the bottle: one change each."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, field
from datetime import datetime, timedelta
from typing import Any

from dace.core import api as core
from dace.core.api import BottleContents, DaceError, Recipe
from dace.garden.models import Water
from dace.garden.reads import core_water
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope
from dace.measuring.models import Subject
from dace.measuring.services import past_instant, subject_of
from dace.shelf.brews import core_readings, core_recipe, day_of
from dace.shelf.models import Brew, BrewEvent, Jar, OwnMaterial
from dace.shelf.recipes import ingredients_of
from dace.shelf.seen import checked, remember

_MOST_BOTTLED = 1.6  # times what is expected through the strainer


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
        amount = core.read_amounts(item.amount, measures, "amount")[0]
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
    if kind not in (BrewEvent.Kind.STIR, BrewEvent.Kind.VENT):
        raise DaceError("kind", f"“{kind}”", "stir or vent would do")
    brew = _on_its_way(scope, brew_id)
    with change(scope, "brew", f"{brew.name}: {BrewEvent.Kind(kind).label}"):
        return BrewEvent.objects.create(
            **new_row(scope, row_id), brew=brew, kind=kind, at=scope.now
        )


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
    brew = _on_its_way(scope, brew_id)
    row = read_ingredients(scope, (said,), measures)[0]
    brew.ingredients = [*brew.ingredients, row | {"since_day": round(day_of(brew, scope.now), 2)}]
    core_recipe(brew)  # refuses what cannot be
    name = core.material(row["material"]).name.lower()
    with change(scope, "brew", f"{brew.name}: {row['said']} of {name} added"):
        brew.save()
        return BrewEvent.objects.create(
            **new_row(scope, row_id), brew=brew, kind=BrewEvent.Kind.ADD, at=scope.now
        )


@dataclass(frozen=True)
class Strained:
    """What straining gave, and the bottle that it went into."""

    bottle_id: uuid.UUID
    litres: float
    name: str


def strain(scope: Scope, brew_id: uuid.UUID, new: Strained) -> Jar:
    """Strain a brew into a bottle: from now on it pours like a jar.

    Raises
    ------
    NotFoundError
        If the brew is none of this household's.
    ConflictError
        If it was strained or thrown out already.
    DaceError
        On ``litres``: more than can be in it.
    """
    repeat = Jar.objects.written_before(scope, new.bottle_id)
    if repeat is not None:
        return repeat
    brew = _on_its_way(scope, brew_id)
    recipe, day = core_recipe(brew), day_of(brew, scope.now)
    found = core.estimate(recipe, 1)
    most = _MOST_BOTTLED * found.volume_l
    if not 0 < new.litres <= most:
        raise DaceError("litres", f"{new.litres:g} L", f"up to {most:.3g} L can be in it")
    weighed = core.weigh(recipe, core_readings(scope, brew))
    contents = core.bottle_contents(weighed, day)
    keeps = found.keeps_days[1]
    with change(scope, "brew", f"{new.name}: {new.litres:g} L bottled"):
        BrewEvent.objects.create(
            **new_row(scope, uuid.uuid5(new.bottle_id, "strained")),
            brew=brew,
            kind=BrewEvent.Kind.STRAIN,
            at=scope.now,
            litres=new.litres,
        )
        _end(scope, brew)
        feed = core.composition_of_bottle(contents, brew.name)
        return Jar.objects.create(
            **new_row(scope, new.bottle_id),
            name=new.name,
            n_percent=feed.label.n,
            p_percent=feed.label.p,
            k_percent=feed.label.k,
            basis="element",
            percent="volume",
            form="liquid",
            holds=1000 * new.litres,
            stock=1000 * new.litres,
            stock_at=scope.now,
            use_by=(scope.now + timedelta(days=keeps)).date(),
            brew=brew,
            contents=contents_as_kept(contents),
        )


def contents_as_kept(found: BottleContents) -> dict[str, Any]:
    """A bottle's figures as they are stored."""
    return {
        "mg": dict(found.mg),
        "acetate_mg": found.acetate_mg,
        "spreads": {n: [r.low, r.high] for n, r in found.spreads},
        "ec_spread": [found.ec_spread.low, found.ec_spread.high],
        "ec_ms_cm": list(found.ec_ms_cm),
    }


def second_run(scope: Scope, row_id: uuid.UUID, brew_id: uuid.UUID, volume_l: float) -> Brew:
    """Fresh water on the same solids.

    Raises
    ------
    NotFoundError
        If the brew is none of this household's.
    ConflictError
        If it was not strained yet.
    """
    repeat = Brew.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    first = Brew.objects.select_related("water").fetch(scope, brew_id, "brew_id")
    strained = first.events.filter(kind=BrewEvent.Kind.STRAIN, undone_at__isnull=True).first()
    if strained is None:
        raise ConflictError("brew_id", f"{first.name}, which is not strained", "strain it first")
    if not 0 < volume_l <= 2000:
        raise DaceError("volume_l", f"{volume_l:g} L", "above 0 and up to 2000 L would do")
    with change(scope, "brew", f"{first.name}, second run, begun"):
        return Brew.objects.create(
            **new_row(scope, row_id),
            subject=subject_of(scope, row_id, Subject.Kind.BREW),
            name=f"{first.name}, second run"[:60],
            method=first.method,
            ingredients=first.ingredients,
            volume_l=volume_l,
            water=first.water,
            acid_percent=first.acid_percent,
            temperature_c=first.temperature_c,
            handling=first.handling,
            started_at=scope.now,
            after=first,
            after_days=max(0.1, day_of(first, strained.at)),
        )


def throw_out(scope: Scope, row_id: uuid.UUID, brew_id: uuid.UUID) -> BrewEvent:
    """A brew goes on the heap.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    ConflictError
        If it was strained or thrown out already.
    """
    repeat = BrewEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    brew = _on_its_way(scope, brew_id)
    with change(scope, "brew", f"{brew.name} thrown out"):
        _end(scope, brew)
        return BrewEvent.objects.create(
            **new_row(scope, row_id), brew=brew, kind=BrewEvent.Kind.THROW, at=scope.now
        )


def _end(scope: Scope, brew: Brew) -> None:
    """It is on its way no more; its page and its bottles stay."""
    brew.ended_on = scope.now.date()
    brew.save()


def _on_its_way(scope: Scope, brew_id: uuid.UUID) -> Brew:
    brew = Brew.objects.select_related("water", "subject").fetch(scope, brew_id, "brew_id")
    ended = brew.events.filter(
        kind__in=(BrewEvent.Kind.STRAIN, BrewEvent.Kind.THROW), undone_at__isnull=True
    ).first()
    if ended is not None:
        raise ConflictError(
            "brew_id", f"{brew.name}, {ended.get_kind_display()} already", "begin another"
        )
    return brew
