"""Draws of all that is unknown of one thing, which readings re-weigh.

A draw is a row of standard normals; what they mean is the model's business. The
posterior is a pure function of the draws, the seed and the readings, in whatever
order these came: all are used at once, tempered in steps, each followed by
moves that leave the prior as it is.
"""

from __future__ import annotations

import math
from collections.abc import Callable
from functools import cache

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
DRAWS = 2000
FREEDOM = 4
_LEAST_SHARE = 0.5
_MOVE, _MOVES = 0.5, 2
_MOST_STEPS = 40
LogLike = Callable[[Array], Array]


def first_draws(seed: int, unknowns: int, draws: int = DRAWS) -> Array:
    """Standard normals, shape (draws, unknowns); the same seed gives the same."""
    return np.random.default_rng(seed).normal(size=(draws, unknowns))


def student_log_like(observed: float, expected: Array, scale: float) -> Array:
    """Log-likelihood of a reading whose logarithm is off by a Student-t of 4 degrees."""
    off = (math.log(observed) - np.log(np.maximum(expected, 1e-9))) / scale
    return np.asarray(-(FREEDOM + 1) / 2 * np.log1p(off**2 / FREEDOM))


def reweighed(draws: Array, log_like: LogLike, seed: int) -> Array:
    """Draws after readings.

    Parameters
    ----------
    draws : ndarray
        From the prior, shape (draws, unknowns).
    log_like : callable
        Of draws: the log-likelihood of all readings, shape (draws,).
    seed : int
        The same seed gives the same draws.

    Returns
    -------
    ndarray
        Equally weighted draws of the posterior, of the same shape.
    """
    rng = np.random.default_rng(seed + 1)
    now, done = draws, 0.0
    likes = log_like(now)
    for _ in range(_MOST_STEPS):
        step = _next_step(likes, done)
        weight = np.exp((step - done) * (likes - likes.max()))
        index = systematic(weight, rng)
        now, likes = now[index], likes[index]
        for _ in range(_MOVES):
            now, likes = _moved(now, likes, log_like, step, rng)
        done = step
        if done >= 1.0:
            break
    return now


def _next_step(likes: Array, done: float) -> float:
    """How far the likelihood may be turned up while half of the draws still count."""
    low, high = done, 1.0
    if _effective(likes, high - done) >= _LEAST_SHARE:
        return high
    for _ in range(30):
        middle = (low + high) / 2
        if _effective(likes, middle - done) >= _LEAST_SHARE:
            low = middle
        else:
            high = middle
    return max(low, done + 1e-6)


def _effective(likes: Array, power: float) -> float:
    weight = np.exp(power * (likes - likes.max()))
    return float(weight.sum() ** 2 / (weight**2).sum() / len(weight))


def systematic(weight: Array, rng: np.random.Generator) -> NDArray[np.int64]:
    """Which draws to keep, each in proportion to its weight; as many as there are weights."""
    summed = np.cumsum(weight)
    steps = (_counted(len(weight)) + rng.uniform()) * (summed[-1] / len(weight))
    return np.asarray(np.minimum(np.searchsorted(summed, steps), len(weight) - 1))


@cache
def _counted(count: int) -> Array:
    return np.arange(float(count))


def _moved(
    draws: Array, likes: Array, log_like: LogLike, power: float, rng: np.random.Generator
) -> tuple[Array, Array]:
    """One move that keeps standard normals standard, taken where the readings allow it."""
    fresh = rng.normal(size=draws.shape)
    tried = math.sqrt(1 - _MOVE**2) * draws + _MOVE * fresh
    new = log_like(tried)
    taken = np.log(rng.uniform(size=len(draws))) < power * (new - likes)
    return np.where(taken[:, None], tried, draws), np.where(taken, new, likes)
