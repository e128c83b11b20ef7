"""A brew and its readings as the core knows them."""

from __future__ import annotations

from datetime import datetime

from dace.core import api as core
from dace.core.api import BrewReading, PenReading, Recipe
from dace.garden.reads import core_water
from dace.households.scope import Scope
from dace.measuring.models import Reading
from dace.shelf.models import Brew
from dace.shelf.recipes import ingredients_of

_LAST_DAY = 119.0


def core_recipe(brew: Brew) -> Recipe:
    """What went in, as the core knows it."""
    return Recipe(
        method=brew.method,
        ingredients=ingredients_of(tuple(brew.ingredients)),
        volume_l=brew.volume_l,
        water=core_water(brew.water),
        temperature_c=brew.temperature_c,
        acid_percent=brew.acid_percent,
        handling=tuple(brew.handling),
        first_run_days=brew.after_days,
    )


def day_of(brew: Brew, at: datetime) -> float:
    """Days since it began."""
    return max(0.0, (at - brew.started_at).total_seconds() / 86_400)


def core_readings(scope: Scope, brew: Brew) -> tuple[BrewReading, ...]:
    """Its readings as the core knows them; one query."""
    rows = Reading.objects.weighing(scope).filter(subject_id=brew.subject_id)
    return tuple(reading_of(brew, row) for row in rows)


def reading_of(brew: Brew, row: Reading, strained_day: float | None = None) -> BrewReading:
    """One reading: what the pen saw at 25 C, of how thin a mixture, on which day at most."""
    pen = PenReading(row.value, row.scale, row.temperature_c, row.compensates)
    day = min(day_of(brew, row.taken_at), _LAST_DAY if strained_day is None else strained_day)
    return BrewReading(round(day, 2), core.reading_at_25(pen).value, row.parts_water)
