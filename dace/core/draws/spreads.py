"""Seeded draws of what is not known, from ranges whose ends are 10 and 90 %."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import Range

Array = NDArray[np.float64]
Z = 1.2816
"""Standard deviations from the middle to a 10 or 90 % end."""
_TOGETHER = 0.6


def split_log_normal(found: Range, z: Array) -> Array:
    """Draws of an amount or a rate: log-normal below and above its typical value.

    Parameters
    ----------
    found : Range
        A low of 0 is taken for a tenth of the typical; typical and high of 0 give zeros.
    z : array
        Standard normal draws.

    Returns
    -------
    ndarray
        Of the shape of ``z``, never below 0.

    Examples
    --------
    >>> split_log_normal(Range(5.0, 10.0, 30.0), np.array([-1.2816, 0.0, 1.2816])).round(6).tolist()
    [5.0, 10.0, 30.0]
    """
    if found.high <= 0:
        return np.zeros_like(z)
    typ = found.typ if found.typ > 0 else found.high / 3
    low = found.low if found.low > 0 else min(typ, found.high) / 10
    below, above = math.log(typ / low) / Z, math.log(max(found.high, typ) / typ) / Z
    return np.asarray(typ * np.exp(np.where(z < 0, below, above) * z))


def split_logit(found: Range, z: Array) -> Array:
    """Draws of a share, which stay within 0 and 1.

    >>> split_logit(Range(0.2, 0.5, 0.9), np.array([-1.2816, 0.0, 1.2816])).round(6).tolist()
    [0.2, 0.5, 0.9]
    """
    if found.high <= 0:
        return np.zeros_like(z)

    def logit(share: float) -> float:
        kept = min(max(share, 1e-3), 1 - 1e-3)
        return math.log(kept / (1 - kept))

    typ = found.typ if found.typ > 0 else found.high / 3
    low = found.low if found.low > 0 else min(typ, found.high) / 10
    below, above = (logit(typ) - logit(low)) / Z, (logit(found.high) - logit(typ)) / Z
    return np.asarray(1 / (1 + np.exp(-(logit(typ) + np.where(z < 0, below, above) * z))))


def partly_together(rng: np.random.Generator, draws: int, kinds: int) -> Array:
    """Standard normal draws of several things that lean the same way, shape (kinds, draws)."""
    shared = rng.normal(size=draws)
    return np.asarray(
        math.sqrt(_TOGETHER) * shared + math.sqrt(1 - _TOGETHER) * rng.normal(size=(kinds, draws))
    )


def ends(draws: Array, shares: tuple[float, ...]) -> tuple[float, ...]:
    """Quantiles of one thing's draws, as ``numpy.quantile`` has them, sooner.

    >>> ends(np.array([3.0, 1.0, 2.0]), (0.0, 0.5, 0.75))
    (1.0, 2.0, 2.5)
    """
    ordered = np.sort(draws)
    at = np.array(shares) * (len(draws) - 1)
    return tuple(np.interp(at, np.arange(len(draws)), ordered).tolist())


def row_ends(draws: Array, shares: tuple[float, ...]) -> Array:
    """Quantiles along the last axis as ``numpy.quantile`` has them, sooner; shares come first.

    >>> row_ends(np.array([[3.0, 1.0, 2.0], [5.0, 4.0, 6.0]]), (0.5,)).tolist()
    [[2.0, 5.0]]
    """
    ordered = np.sort(draws, axis=-1)
    at = np.array(shares) * (draws.shape[-1] - 1)
    below = np.floor(at).astype(np.int64)
    above = np.minimum(below + 1, draws.shape[-1] - 1)
    low, high = ordered[..., below], ordered[..., above]
    return np.asarray(np.moveaxis(low + (at - below) * (high - low), -1, 0))


def weighted_ends(draws: Array, weight: Array, shares: tuple[float, ...]) -> tuple[float, ...]:
    """Quantiles of draws that count for so much each; the weights add to 1.

    >>> weighted_ends(np.array([1.0, 2.0, 3.0]), np.array([0.25, 0.5, 0.25]), (0.125, 0.5, 0.875))
    (1.0, 2.0, 3.0)
    """
    order = np.argsort(draws)
    weight = weight[order]
    return tuple(np.interp(shares, np.cumsum(weight) - weight / 2, draws[order]).tolist())


def middle(draws: Array) -> float:
    """About the median of one thing's draws, sooner than :func:`ends`: the upper of two.

    >>> middle(np.array([3.0, 1.0, 2.0, 5.0]))
    3.0
    """
    at = len(draws) // 2
    return float(np.partition(draws, at)[at])
