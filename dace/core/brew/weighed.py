"""The draws of a brew, re-weighed by its readings."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dace.core.brew.ec import diluted_ec
from dace.core.brew.liquid import liquid
from dace.core.brew.model import Model
from dace.core.brew.recipe import Recipe
from dace.core.draws.ensemble import DRAWS, first_draws, reweighed, student_log_like
from dace.core.errors import DaceError
from dace.core.figures import judgement

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
