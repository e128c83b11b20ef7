"""The draws of a brew, re-weighed by its readings."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dace.core.brew.days import ready_days
from dace.core.brew.ec import brew_ec, diluted_ec
from dace.core.brew.liquid import liquid
from dace.core.brew.model import Model
from dace.core.brew.recipe import Recipe
from dace.core.draws.ensemble import DRAWS, LogLike, first_draws, reweighed, student_log_like
from dace.core.draws.learned import Told, learned, scatter
from dace.core.draws.spreads import Z
from dace.core.errors import DaceError
from dace.core.figures import Range, judgement

Array = NDArray[np.float64]
MOST_DAYS = 120
_CONFLICT = 0.005
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
        if not 0 <= self.day <= MOST_DAYS:
            raise DaceError("day", f"day {self.day:g}", f"0 to {MOST_DAYS} would do")
        if not 0 < self.ec_ms_cm < 200:
            raise DaceError("ec_ms_cm", f"{self.ec_ms_cm:g} mS/cm", "above 0 and below 200")
        if not 0 <= self.parts_water <= 200:
            raise DaceError("parts_water", f"1 + {self.parts_water:g}", "up to 1 + 200 would do")


@dataclass(frozen=True)
class Conflict:
    """A reading that does not fit what went in, and why that may be."""

    reading: BrewReading
    expected_low: float
    expected_high: float
    reasons: str


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
    if recipe.past:
        prior = reweighed(prior, _taught(model, prior, recipe.past), seed + 7)
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


def _taught(model: Model, prior: Array, past: tuple[Told, ...]) -> LogLike:
    """The table's draws, drawn to where this household's own batches lay.

    What is taught is the strength as a pen tells it on the day that it is ready: all nutrients
    go with it as their draws do.
    """
    day, table, now = _starts(model, prior, past)
    old, new = (math.log(one.high / one.low) / (2 * Z) for one in (table, now))

    def log_like(z: Array) -> Array:
        x = np.log(_strength(model, z, day))
        drawn = ((x - math.log(now.typ)) / new) ** 2 - ((x - math.log(table.typ)) / old) ** 2
        return np.asarray(-drawn / 2)

    return log_like


def _starts(model: Model, prior: Array, past: tuple[Told, ...]) -> tuple[Array, Range, Range]:
    """The day that it is ready, and its strength then: by the table, and by what was taught."""
    day = np.array([float(round(ready_days(model.recipe)[1]))])
    table = Range(*(float(q) for q in np.quantile(_strength(model, prior, day), [0.1, 0.5, 0.9])))
    return day, table, learned("recipe", table, past, scatter("recipe", past))


@lru_cache(maxsize=64)
def taught_factor(recipe: Recipe, seed: int = 1) -> float:
    """How many times the table's strength a recipe starts at by its ``past``; 1 without one."""
    if not recipe.past:
        return 1.0
    model = Model(recipe)
    _, table, now = _starts(model, first_draws(seed, model.unknowns, DRAWS), recipe.past)
    return now.typ / table.typ


def _strength(model: Model, z: Array, day: Array) -> Array:
    """Conductivity as it stands on a day, shape (draws,)."""
    found = brew_ec(model, z, liquid(model, z, day), exact=True)[-1]
    return np.asarray(np.maximum(found, 1e-6))


@lru_cache(maxsize=512)
def batch_told(recipe: Recipe, readings: tuple[BrewReading, ...], seed: int = 1) -> Told | None:
    """What one batch says of where the next one starts, from its sound readings alone.

    Parameters
    ----------
    recipe : Recipe
        As it was begun; what was learned before plays no part.
    readings : tuple of BrewReading
        Of this batch.
    seed : int
        The same seed gives the same answer.

    Returns
    -------
    Told or None
        ``ln(read / expected)`` of a stranger's estimate and how far a reading may be off; None
        where no reading is sound.
    """
    alone = replace(recipe, past=())
    model = Model(alone)
    prior = first_draws(seed, model.unknowns, DRAWS)
    found = []
    for reading in readings:
        (draws,) = _expected(model, prior, (reading,))
        if _conflict(reading, draws, seed) is None:
            found.append((math.log(reading.ec_ms_cm / float(np.median(draws))), _scale(reading)))
    if not found:
        return None
    logs = [log for log, _ in found]
    return Told(sum(logs) / len(logs), min(sd for _, sd in found))


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
