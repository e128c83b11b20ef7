"""The core's estimates with seeded draws, beside as many plain steps of numpy."""

from __future__ import annotations

from dataclasses import replace
from datetime import date, timedelta

import numpy as np

from dace.core.brew.estimate import estimate
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.draws.ensemble import DRAWS
from dace.core.matter.media import medium
from dace.core.matter.waters import water_from_ec
from dace.core.rootzone.bucket import WIDE
from dace.core.rootzone.course import MOST_DAYS
from dace.core.rootzone.follow import follow_all
from dace.core.rootzone.records import Growing, Poured, RootZone, Sampled, charged_water
from dace.core.rootzone.unknowns import DRAWS as DRAWS_FOLLOWED
from dace.core.season.climate import climate
from dace.core.season.clock import stage_clock
from dace.core.season.crops import crop
from dace.core.season.looks import Begun
from dace.core.season.need import spans
from dace.core.season.outlook import Days, WeatherAsked, outlook, usual_days
from tools.bench.table import Row, median_of

_DAYS, _POOLS = 30, 12


def rows() -> list[Row]:
    """A brew, then root zones: one, many, and many with one reading more."""
    items = (RecipeItem("comfrey_fresh", 2000.0), RecipeItem("nettle_fresh", 500.0))
    recipe = Recipe("anaerobic_ferment", items, 20.0, water_from_ec(0.0), 16.0)
    seeds = iter(range(1000))
    fresh = median_of(lambda: estimate(recipe, _DAYS, seed=next(seeds)))
    rate = np.random.default_rng(1).random(DRAWS)
    days = np.arange(_DAYS + 1.0)
    plain = median_of(lambda: [1 - np.exp(-np.outer(days, rate)) for _ in range(_POOLS)])
    what = f"a brew of two leaves over {_DAYS} days"
    return [Row(what, fresh, "an exponential for each of its pools", plain), *_root_zones()]


def _root_zones() -> list[Row]:
    """A tub over a season with sixty readings, and fourteen and forty of such."""
    where, today = climate("cool_temperate"), date(2026, 7, 14)
    past = usual_days(where, 51.0, today - timedelta(days=400), 401)
    days = outlook(WeatherAsked(where, 51.0, past, Days(today + timedelta(days=1), (), (), ())))
    began = today - timedelta(days=MOST_DAYS)
    stages = spans(stage_clock(crop("aubergine"), Begun(began), days))
    grown = Growing(crop("aubergine"), stages, 4, began)
    water = charged_water(water_from_ec(0.65))
    zone = RootZone(
        medium=medium("peat_free_mix"),
        litres=40.0,
        setting="pot",
        rain_m2=0.14,
        filled_on=began,
        growing=(grown,),
        poured=tuple(Poured(began + timedelta(days=7 * n), 6.0, water) for n in range(12)),
        slow=(),
        samples=tuple(Sampled(began + timedelta(days=3 * n // 2), 2.0) for n in range(1, 61)),
        water_mg_l=water,
    )
    seeds = iter(range(2, 100_000))

    def fresh(count: int) -> list[RootZone]:
        samples = zone.samples if count == 1 else zone.samples[::10]
        return [replace(zone, samples=samples, seed=next(seeds)) for _ in range(count)]

    def once_more() -> None:
        read = replace(
            known[0], samples=(*known[0].samples, Sampled(today, 1.5 + next(seeds) / 1e6))
        )
        follow_all([read, *known[1:]], days)

    plain_step = np.zeros((WIDE, DRAWS_FOLLOWED))
    found = []
    for count, runs in ((1, 15), (14, 7), (40, 5)):
        many = np.repeat(plain_step[:, None], count, axis=1)
        took = median_of(lambda count=count: follow_all(fresh(count), days), runs)
        plain = median_of(
            lambda many=many: [np.minimum(many + 1, 2 * many) for _ in range(MOST_DAYS)]
        )
        named = f"{count} root zones, 6 readings each" if count > 1 else "a root zone, 60 readings"
        what = f"{named}, {MOST_DAYS} days from nothing"
        found.append(Row(what, took, "one plain step a day of as many draws", plain))
    known = fresh(14)
    follow_all(known, days)
    plain = found[1].plain_median
    what = "one reading more in a garden of 14"
    found.append(Row(what, median_of(once_more, 9), found[1].plain, plain))
    return found
