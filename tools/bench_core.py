"""The core's part of ``make bench``: estimates with seeded draws, beside a plain exponential."""

from __future__ import annotations

import statistics
import time
from collections.abc import Callable
from dataclasses import replace
from datetime import date, timedelta

import numpy as np

from dace.core.brew.estimate import estimate
from dace.core.brew.recipe import Ingredient, Recipe
from dace.core.draws.ensemble import DRAWS
from dace.core.matter.media import medium
from dace.core.matter.waters import water_from_ec
from dace.core.rootzone.course import MOST_DAYS
from dace.core.rootzone.follow import follow
from dace.core.rootzone.records import CHARGED, Growing, Poured, RootZone, Sampled, charged_water
from dace.core.rootzone.unknowns import DRAWS as DRAWS_FOLLOWED
from dace.core.season.climate import climate
from dace.core.season.clock import stage_clock
from dace.core.season.crops import crop
from dace.core.season.looks import Begun
from dace.core.season.need import spans
from dace.core.season.outlook import Days, WeatherAsked, outlook, usual_days

RUNS = 15
_DAYS, _POOLS = 30, 12


def main() -> None:
    """Print medians and ratios; nothing here passes or fails."""
    items = (Ingredient("comfrey_fresh", 2000.0), Ingredient("nettle_fresh", 500.0))
    recipe = Recipe("anaerobic_ferment", items, 20.0, water_from_ec(0.0), 16.0)
    seeds = iter(range(1000))
    fresh = _median(lambda: estimate(recipe, _DAYS, seed=next(seeds)))
    rate = np.random.default_rng(1).random(DRAWS)
    days = np.arange(_DAYS + 1.0)
    plain = _median(lambda: [1 - np.exp(-np.outer(days, rate)) for _ in range(_POOLS)])
    print(f"a brew of two leaves over {_DAYS} days, {DRAWS} draws: median {fresh:.0f} ms of {RUNS}")
    print(f"as many plain exponentials as it has pools: median {plain:.1f} ms")
    print(f"ratio: {fresh / plain:.0f}")
    _root_zones()


def _root_zones() -> None:
    """A fill over a season with sixty readings, and thirty of them."""
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
    seeds = iter(range(2, 1000))
    one = _median(lambda: follow(replace(zone, seed=next(seeds)), days))
    fields = np.zeros((DRAWS_FOLLOWED, len(CHARGED)))
    plain = _median(lambda: [np.minimum(fields + 1, 2 * fields) for _ in range(MOST_DAYS)])
    print(f"a root zone over {MOST_DAYS} days with 60 readings: median {one:.0f} ms of {RUNS}")
    print(f"thirty such: about {30 * one / 1000:.1f} s")
    print(f"one plain step a day of as many draws: median {plain:.1f} ms")
    print(f"ratio: {one / plain:.0f}")


def _median(work: Callable[[], object]) -> float:
    """Median time [ms]; the first run, which reads the tables, does not count."""
    work()
    times = []
    for _ in range(RUNS):
        began = time.perf_counter()
        work()
        times.append(1000 * (time.perf_counter() - began))
    return statistics.median(times)


if __name__ == "__main__":
    main()
