"""What a brew is likely to hold, day by day, and what a reading settles.

Notes
-----
The band is that of seeded draws pushed through the same arithmetic. Readings re-weigh
the draws, all at once, so that their order never matters. One that lies outside the
central 99 % of what was expected is kept and doubted, and does not narrow the band.
"""

from __future__ import annotations

from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dace.core.brew.acid import Limits, acid_limits
from dace.core.brew.days import keeps_days, ready_day, recovered, slower
from dace.core.brew.ec import brew_ec
from dace.core.brew.liquid import BrewLiquid, liquid
from dace.core.brew.model import Model
from dace.core.brew.recipe import Recipe
from dace.core.brew.told import brew_working
from dace.core.brew.weighed import MOST_DAYS, BrewReading, Conflict, Weighed, weigh
from dace.core.draws.spreads import row_ends
from dace.core.errors import DaceError
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Working

Array = NDArray[np.float64]


@dataclass(frozen=True)
class Band:
    """10, 50 and 90 % on each day."""

    low: tuple[float, ...]
    likely: tuple[float, ...]
    high: tuple[float, ...]

    def at(self, index: int) -> tuple[float, float, float]:
        """Of one day."""
        return self.low[index], self.likely[index], self.high[index]


@dataclass(frozen=True)
class BrewEstimate:
    """A brew, day by day.

    ``nutrients`` are mg/L with the water's own part, ``forms`` nitrogen as nitrate,
    ammonium and organic; ``ec`` is of the liquid as it stands. ``ready_day`` and
    ``keeps_days`` are low, likely and high; ``recovered_l`` what straining gives.
    """

    days: tuple[float, ...]
    nutrients: tuple[tuple[str, Band], ...]
    forms: tuple[tuple[str, Band], ...]
    ec: Band
    ready_day: tuple[float, float, float]
    keeps_days: tuple[float, float, float]
    recovered_l: tuple[float, float, float]
    volume_l: float
    limits: Limits | None
    conflicts: tuple[Conflict, ...]
    notes: tuple[str, ...]
    working: Working

    def of(self, nutrient: str) -> Band:
        """One nutrient's band."""
        return dict(self.nutrients)[nutrient]


@lru_cache(maxsize=128)
def estimate(
    recipe: Recipe,
    days: int = 30,
    readings: tuple[BrewReading, ...] = (),
    seed: int = 1,
    exact: bool = False,
) -> BrewEstimate:
    """A brew, day by day, with what readings make of it.

    Parameters
    ----------
    recipe : Recipe
        What went in.
    days : int
        Days to work out, from day 0 on, 1 to 120.
    readings : tuple of BrewReading
        In any order.
    seed : int
        The same seed gives the same bands.
    exact : bool
        Work the conductivity of every day out, rather than carry it between a few.

    Returns
    -------
    BrewEstimate
        Bands of 10, 50 and 90 %.

    Raises
    ------
    DaceError
        On ``days``, or naming what in the recipe or a reading cannot be.
    """
    if not 1 <= days <= MOST_DAYS:
        raise DaceError("days", f"{days} days", f"1 to {MOST_DAYS} would do")
    weighed = weigh(recipe, readings, seed)
    model, z = weighed.model, weighed.draws
    grid = np.arange(days + 1.0)
    found = liquid(model, z, grid)
    return BrewEstimate(
        days=tuple(grid.tolist()),
        nutrients=tuple((n, _band(found.of(n))) for n in NUTRIENTS),
        forms=(
            ("nitrate", _band(found.nitrate)),
            ("ammonium", _band(found.ammonium)),
            ("organic", _band(found.organic)),
        ),
        ec=_band(brew_ec(model, z, found, exact)),
        ready_day=ready_day(model),
        keeps_days=keeps_days(model, recipe.temperature_c),
        recovered_l=recovered(model),
        volume_l=model.volume_l,
        limits=_limits(model),
        conflicts=weighed.conflicts,
        notes=_notes(model, readings),
        working=brew_working(model),
    )


def _band(draws: Array) -> Band:
    low, likely, high = row_ends(draws, (0.1, 0.5, 0.9))
    return Band(tuple(low.tolist()), tuple(likely.tolist()), tuple(high.tolist()))


def _limits(model: Model) -> Limits | None:
    recipe = model.recipe
    if model.method.nature.liquid != "vinegar" or model.acid_minerals().acid_wanted <= 0:
        return None
    solids = tuple(
        (kind, item.mass_g) for kind, item in zip(model.materials, recipe.ingredients, strict=True)
    )
    return acid_limits(solids, recipe.acid_percent, recipe.volume_l, recipe.temperature_c)


def _notes(model: Model, readings: tuple[BrewReading, ...]) -> tuple[str, ...]:
    """What the band does not say by itself."""
    notes = []
    if readings:
        notes.append(
            "Conductivity speaks of all ions together: it settles potassium best; nitrogen, "
            "phosphorus and calcium narrow only as far as they go with it. Organic nitrogen does "
            "not show."
        )
    t = model.recipe.temperature_c
    if not model.method.nature.hot and not 5 <= t <= 35:
        notes.append(f"{t:g} °C lies outside the table: the estimate is less sure than it looks.")
    if any(r.day > model.method.ready_days.high * slower(model) for r in readings):
        notes.append("A reading lies beyond this method's usual days.")
    if model.recipe.first_run_days is not None:
        notes.append("A second run: what the first left, and what clung to the solids.")
    return tuple(notes)


def liquid_on(weighed: Weighed, day: float) -> tuple[BrewLiquid, Array]:
    """What each draw holds on a day, and its conductivity; shapes (1, draw)."""
    found = liquid(weighed.model, weighed.draws, np.array([day]))
    return found, brew_ec(weighed.model, weighed.draws, found, exact=True)
