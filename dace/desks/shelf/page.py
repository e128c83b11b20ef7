"""The Shelf's read model: jars and bottles with their level, brews and what is next."""

from __future__ import annotations

from collections.abc import Iterable
from datetime import datetime
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import say, shown
from dace.desks.shelf.schemas import (
    BrewChoicesOut,
    BrewMethodOut,
    DueOut,
    IngredientOut,
    NamedOut,
    PastBrewOut,
    RecipeOut,
    ShelfBrewOut,
    ShelfJarOut,
    ShelfOut,
)
from dace.desks.solids.kept import shelf_heap
from dace.feeding.reads import jars_with_stock
from dace.garden.reads import garden_of, waters
from dace.households.scope import Scope
from dace.shelf.brews import BrewRecord, StepRecord, brews, past_brews
from dace.shelf.heaps import heaps
from dace.shelf.models import Jar
from dace.shelf.reads import solids_of, whole_of
from dace.shelf.recipes import RecipeRecord, own_materials, recipes

_BREWABLE = (
    "fresh_plant",
    "kitchen_scrap",
    "manure",
    "compost",
    "plant_meal",
    "animal_meal",
    "seaweed",
    "liquid_waste",
    "sugar_or_ferment_aid",
    "rock_mineral",
    "inoculant",
    "fish",
)
_PAST = 20


def shelf(scope: Scope) -> ShelfOut:
    """Everything on the shelf; eight queries, and one for each blended water."""
    zone = ZoneInfo(garden_of(scope).zone)
    return ShelfOut(
        jars=[shelf_jar(jar, stock, scope.now, zone) for jar, stock in jars_with_stock(scope)],
        brews=[_brew(record) for record in brews(scope)],
        heaps=[shelf_heap(record) for record in heaps(scope)],
        past=[
            PastBrewOut(
                id=one.id,
                name=one.name,
                method=core.method(one.method).name,
                state=one.state,
                ended_on=one.ended_on,
            )
            for one in past_brews(scope, _PAST)
        ],
    )


def shelf_jar(jar: Jar, stock: float, now: datetime, zone: ZoneInfo) -> ShelfJarOut:
    """A jar as it stands on the shelf."""
    unit = "mL" if jar.form == "liquid" else "g"
    today, feed = now.astimezone(zone).date(), whole_of(jar)
    return ShelfJarOut(
        id=jar.pk,
        name=jar.name,
        grade=feed.label.grade,
        form=jar.form,
        dissolves=jar.dissolves,
        bottle=jar.contents is not None,
        share=min(1.0, stock / jar.holds),
        stock_text=core.amount_words(stock, unit),
        use_by=jar.use_by,
        stale=jar.use_by is not None and jar.use_by < today,
        suits=core.suits(feed, solids_of(jar)),
    )


def _brew(record: BrewRecord) -> ShelfBrewOut:
    found = record.estimate
    at = min(len(found.days) - 1, round(record.day))
    low, likely, high = found.ec.at(at)
    return ShelfBrewOut(
        id=record.brew.pk,
        name=record.brew.name,
        method=core.method(record.brew.method).name,
        state=record.state,
        day=int(record.day),
        ec_text=f"{shown.ec(likely, 1)} ({shown.ec_span(low, high)})",
        leafy=record.leafy,
        ripe=round(record.ripe, 3),
        ready_text=ready_text(found.ready_day),
        next=due_out(record.steps),
    )


def ready_text(ready: tuple[float, float, float]) -> str:
    """When it is ready, in words."""
    if ready[2] < 1:
        return f"ready in {say(24 * ready[1], 2)} hours"
    return f"ready about day {ready[1]:.0f} ({ready[0]:.0f} to {ready[2]:.0f})"


def due_out(steps: Iterable[StepRecord]) -> list[DueOut]:
    """Steps as they are shown."""
    return [DueOut(kind=s.kind, words=s.words, due_at=s.due_at, due=s.due) for s in steps]


def brew_choices(scope: Scope) -> BrewChoicesOut:
    """What there is to choose from; four queries."""
    own = own_materials(scope)
    return BrewChoicesOut(
        methods=[
            BrewMethodOut(key=m.key, name=m.name, text=m.note, liquid=m.nature.liquid)
            for m in core.methods().values()
        ],
        materials=[
            NamedOut(key=m.key, name=m.name, text=m.note)
            for m in core.materials().values()
            if m.family in _BREWABLE and m.key not in core.SPREAD_ONLY
        ],
        own_materials=[
            NamedOut(key=str(row.pk), name=row.name, text=f"like {core.material(row.like).name}")
            for row in own
        ],
        particles=[
            NamedOut(key=m.key, name=m.name, text=m.note) for m in core.modifiers().values()
        ],
        recipes=[_recipe(found) for found in recipes(scope)],
        waters=[
            NamedOut(key=str(w.pk), name=w.name, text=shown.ec(w.ec_ms_cm)) for w in waters(scope)
        ],
        spread_only=[core.material(key).name for key in core.SPREAD_ONLY],
    )


def _recipe(found: RecipeRecord) -> RecipeOut:
    return RecipeOut(
        key=found.key,
        name=found.name,
        method=core.method(found.method).name,
        method_key=found.method,
        volume_l=found.volume_l,
        acid_percent=found.acid_percent,
        handling=list(found.handling),
        ingredients=[
            IngredientOut(
                material=item["material"],
                own_id=item.get("own_id"),
                name=core.material(item["material"]).name,
                amount=core.amount_words(item["mass_g"], "g"),
                particle=item["particle"],
            )
            for item in found.ingredients
        ],
        note=found.note,
        own=found.own,
    )
