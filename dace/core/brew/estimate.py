"""What a brew is likely to hold, day by day, and what a reading settles.

Notes
-----
The band is that of seeded draws pushed through the same arithmetic. Readings re-weigh
the draws, all at once, so that their order never matters. One that lies outside the
central 99 % of what was expected is kept and doubted, and does not narrow the band.
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dace.core.brew.acid import Limits, acid_limits
from dace.core.brew.days import keeps_days, ready_day, recovered, slower
from dace.core.brew.ec import brew_ec, diluted_ec
from dace.core.brew.model import BrewLiquid, Model, liquid
from dace.core.brew.recipe import Recipe
from dace.core.draws.ensemble import DRAWS, first_draws, reweighed, student_log_like
from dace.core.draws.spreads import row_ends
from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Step, Working, say

Array = NDArray[np.float64]
_CONFLICT = 0.005
_MOST_DAYS = 120
_LOW_REASONS = (
    "lower than it can well be: not stirred, a dirty pen, or the wrong scale; urea and organic "
    "nitrogen carry no charge and do not show"
)
_HIGH_REASONS = (
    "higher than it can well be: salt in what went in or in the water, less diluted than said, "
    "the wrong scale, or a pen long not calibrated"
)


@dataclass(frozen=True)
class BrewReading:
    """A reading [mS/cm at 25 C] on a day, of one part and so many parts of water."""

    day: float
    ec_ms_cm: float
    parts_water: float = 0.0

    def __post_init__(self) -> None:
        if not 0 <= self.day <= _MOST_DAYS:
            raise DaceError("day", f"day {self.day:g}", f"0 to {_MOST_DAYS} would do")
        if not 0 < self.ec_ms_cm < 200:
            raise DaceError("ec_ms_cm", f"{self.ec_ms_cm:g} mS/cm", "above 0 and below 200")
        if not 0 <= self.parts_water <= 200:
            raise DaceError("parts_water", f"1 + {self.parts_water:g}", "up to 1 + 200 would do")


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
class Conflict:
    """A reading that does not fit what went in, and why that may be."""

    reading: BrewReading
    expected_low: float
    expected_high: float
    reasons: str


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


@dataclass(frozen=True)
class Weighed:
    """A recipe's draws after its readings."""

    model: Model
    draws: Array
    conflicts: tuple[Conflict, ...]


def weigh(
    recipe: Recipe, readings: tuple[BrewReading, ...], seed: int = 1, draws: int = DRAWS
) -> Weighed:
    """Draws of a brew, re-weighed by readings in whatever order they came."""
    ordered = tuple(sorted(readings, key=lambda r: (r.day, r.ec_ms_cm, r.parts_water)))
    return _weighed(recipe, ordered, seed, draws)


@lru_cache(maxsize=64)
def _weighed(recipe: Recipe, readings: tuple[BrewReading, ...], seed: int, draws: int) -> Weighed:
    model = Model(recipe)
    prior = first_draws(seed, model.unknowns, draws)
    if not readings:
        return Weighed(model, prior, ())
    expected = _expected(model, prior, readings)
    conflicts = tuple(
        found
        for reading, draws in zip(readings, expected, strict=True)
        if (found := _conflict(reading, draws, seed)) is not None
    )
    doubted = {id(conflict.reading) for conflict in conflicts}
    used = tuple(reading for reading in readings if id(reading) not in doubted)
    if not used:
        return Weighed(model, prior, conflicts)

    def log_like(z: Array) -> Array:
        found = _expected(model, z, used)
        parts = [
            student_log_like(reading.ec_ms_cm, draws, _scale(reading))
            for reading, draws in zip(used, found, strict=True)
        ]
        return np.asarray(np.sum(parts, axis=0))

    return Weighed(model, reweighed(prior, log_like, seed), conflicts)


def _expected(model: Model, z: Array, readings: tuple[BrewReading, ...]) -> Array:
    """What the pen should show at each reading, shape (reading, draw)."""
    days = np.array(sorted({r.day for r in readings}))
    found = liquid(model, z, days)
    parts = np.array([r.parts_water for r in readings])
    at = np.array([int(np.searchsorted(days, r.day)) for r in readings])
    return diluted_ec(model, z, found, at, parts)


def _scale(reading: BrewReading) -> float:
    """How far a reading may be off: pen, and measuring the parts."""
    pen = math.log(judgement("pen_scale").range.high)
    way = judgement("diluted_method" if reading.parts_water else "can_method").range.high
    return math.hypot(pen, math.log(way))


def _conflict(reading: BrewReading, expected: Array, seed: int) -> Conflict | None:
    rng = np.random.default_rng(seed + 2)
    off = rng.standard_t(4, size=len(expected)) * _scale(reading)
    shown = expected * np.exp(np.clip(off, -5, 5))
    low, high = np.quantile(shown, [_CONFLICT, 1 - _CONFLICT])
    if low <= reading.ec_ms_cm <= high:
        return None
    reasons = _LOW_REASONS if reading.ec_ms_cm < low else _HIGH_REASONS
    return Conflict(reading, float(low), float(high), reasons)


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
    if not 1 <= days <= _MOST_DAYS:
        raise DaceError("days", f"{days} days", f"1 to {_MOST_DAYS} would do")
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
    if recipe.method != "acid_extract" or model.acid_minerals().acid_wanted <= 0:
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
    if not model.method.hot and not 5 <= t <= 35:
        notes.append(f"{t:g} °C lies outside the table: the estimate is less sure than it looks.")
    if any(r.day > model.method.ready_days.high * slower(model) for r in readings):
        notes.append("A reading lies beyond this method's usual days.")
    if model.recipe.first_run_days is not None:
        notes.append("A second run: what the first left, and what clung to the solids.")
    return tuple(notes)


def brew_working(model: Model, nutrient: str = "K") -> Working:
    """How one nutrient follows from what went in, at typical figures.

    Parameters
    ----------
    model : Model
        Of the recipe.
    nutrient : str
        One of ``NUTRIENTS``.

    Returns
    -------
    Working
        What went in, what is out when it is ready, and in how much liquid.
    """
    day = ready_day(model)[1]
    z = np.zeros((1, model.unknowns))
    out = model.came_out(z, np.array([day]))[:, NUTRIENTS.index(nutrient), 0, 0]
    steps, parts = [], []
    for kind, item, share in zip(model.materials, model.recipe.ingredients, out, strict=True):
        percent = item.percent_of(nutrient).typ
        held = 10 * item.mass_g * percent
        name = kind.name.lower()
        steps += [
            Step(
                f"{nutrient} in {say(item.mass_g)} g of {name}",
                f"10 × {say(item.mass_g, 6)} g × {say(percent, 6)}",
                held,
                "mg",
                f"{say(percent, 3)} %: {kind.source}",
                kind.confidence,
            ),
            Step(
                f"out of it by day {day:.0f}",
                f"{say(held, 7)} mg × {say(float(share), 5)}",
                held * float(share),
                "mg",
                f"{model.method.name.lower()}: {model.method.source}",
                model.method.confidence,
            ),
        ]
        parts.append(held * float(share))
    total = " + ".join(say(part, 7) for part in parts)
    steps.append(
        Step(
            f"{nutrient} from the solids in {say(model.volume_l, 4)} L",
            f"({total}) ÷ {say(model.volume_l, 7)} L",
            sum(parts) / model.volume_l,
            "mg/L",
            "before nitrogen that goes off as gas" if nutrient == "N" else "",
        )
    )
    return tuple(steps)


def liquid_on(weighed: Weighed, day: float) -> tuple[BrewLiquid, Array]:
    """What each draw holds on a day, and its conductivity; shapes (1, draw)."""
    found = liquid(weighed.model, weighed.draws, np.array([day]))
    return found, brew_ec(weighed.model, weighed.draws, found, exact=True)
