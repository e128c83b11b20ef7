"""Exact tests of a few plants against luck, and the intervals that follow from them.

Notes
-----
Every way in which the coins could have fallen is counted: signs of pairs flipped, or labels of
plants changed round. An interval holds each shift that the same test would not refuse at one in
ten; where the fewest plants cannot refuse any, it has no ends. Beyond ``MOST`` ways a seeded
draw of them stands for all.
"""

from __future__ import annotations

from collections.abc import Callable
from functools import lru_cache
from itertools import combinations
from math import comb

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
Chance = Callable[[float], float]
Ends = tuple[float | None, float | None]
ALPHA = 0.10
MOST = 1 << 16
_DRAWN, _SEED = 20_000, 1
_TIE = 1e-9


def smallest_p(pairs: int) -> float:
    """The least chance that so many pairs can show.

    >>> smallest_p(4), smallest_p(6)
    (0.125, 0.03125)
    """
    return min(1.0, 2 * 0.5**pairs)


def smallest_p_of_groups(fed: int, unfed: int) -> float:
    """The least chance that two groups can show.

    >>> round(smallest_p_of_groups(4, 4), 3), smallest_p_of_groups(3, 3)
    (0.029, 0.1)
    """
    # changed round as a whole, groups of one size differ by as much
    return min(1.0, (2 if fed == unfed else 1) / comb(fed + unfed, fed))


@lru_cache(maxsize=32)
def signs(pairs: int) -> Array:
    """Every way to flip the signs of so many pairs, or a seeded draw of them; rows of 1 and -1."""
    if 1 << pairs > MOST:
        drawn = np.random.default_rng(_SEED).integers(0, 2, (_DRAWN, pairs))
        return np.vstack([np.ones(pairs), 2.0 * drawn - 1])
    ways = np.arange(1 << pairs)[:, None] >> np.arange(pairs) & 1
    return np.asarray(1.0 - 2.0 * ways)


@lru_cache(maxsize=32)
def labels(fed: int, unfed: int) -> Array:
    """Every way to label so many plants as fed, rows of 1 (fed) and 0; the first as it was."""
    total = fed + unfed
    if comb(total, fed) > MOST:
        rng = np.random.default_rng(_SEED)
        first = np.concatenate([np.ones(fed), np.zeros(unfed)])
        return np.vstack([first, *(rng.permutation(first) for _ in range(_DRAWN))])
    found = np.zeros((comb(total, fed), total))
    for row, chosen in enumerate(combinations(range(total), fed)):
        found[row, list(chosen)] = 1.0
    return found


def p_of_pairs(differences: Array, shift: float = 0.0) -> float:
    """How often luck alone makes a mean difference as far from a shift, either way."""
    moved = differences - shift
    sums = np.abs(signs(len(moved)) @ moved)
    return _at_least(sums, abs(float(moved.sum())))


def p_of_groups(fed: Array, unfed: Array, shift: float = 0.0) -> float:
    """The same of two groups, whose labels are changed round."""
    values = np.concatenate([fed - shift, unfed])
    chosen = labels(len(fed), len(unfed))
    means = chosen @ values / len(fed) - (1 - chosen) @ values / len(unfed)
    seen = float(fed.mean() - shift - unfed.mean())
    return _at_least(np.abs(means), abs(seen))


def _at_least(found: Array, seen: float) -> float:
    tolerance = _TIE * max(1.0, seen, float(found.max(initial=0.0)))
    return float(np.mean(found >= seen - tolerance))


def ends_of_pairs(differences: Array) -> Ends:
    """The shifts that the sign-flip test would not refuse: inverted exactly.

    The chance changes only where the mean of some of the differences is the shift.
    """
    flips = signs(len(differences))
    whole, flipped, count = differences.sum(), flips @ differences, flips.sum(axis=1)
    with np.errstate(divide="ignore", invalid="ignore"):
        breaks = np.concatenate(
            [
                (whole - flipped) / (len(differences) - count),
                (whole + flipped) / (len(differences) + count),
            ]
        )
    found = np.unique(breaks[np.isfinite(breaks)])
    return _hull(found, lambda shift: p_of_pairs(differences, shift))


def ends_of_groups(fed: Array, unfed: Array) -> Ends:
    """The same of two groups."""
    values = np.concatenate([fed, unfed])
    chosen = labels(len(fed), len(unfed))
    moved = np.concatenate([np.ones(len(fed)), np.zeros(len(unfed))])
    off = chosen @ values / len(fed) - (1 - chosen) @ values / len(unfed)
    slope = chosen @ moved / len(fed) - (1 - chosen) @ moved / len(unfed)
    seen = float(fed.mean() - unfed.mean())
    less, more = 1 - slope, 1 + slope
    with np.errstate(divide="ignore", invalid="ignore"):
        breaks = np.concatenate([(seen - off) / less, (seen + off) / more])
    found = np.unique(breaks[np.isfinite(breaks)])
    return _hull(found, lambda shift: p_of_groups(fed, unfed, shift))


def _hull(breaks: Array, chance: Chance) -> Ends:
    """The outermost shifts that are not refused; None where even the furthest is not.

    Between two breaks the chance stays, so their middles and they themselves tell all. It
    falls from the middle outwards, so the ends are found by halving.
    """
    far = float(np.ptp(breaks)) + 1.0
    low_open = chance(float(breaks[0]) - far) > ALPHA
    high_open = chance(float(breaks[-1]) + far) > ALPHA
    low = None if low_open else _outermost(breaks, chance)
    high = None if high_open else _outermost(breaks[::-1], chance)
    return low, high


def _outermost(breaks: Array, chance: Chance) -> float:
    """The first break from outside at which, or just beyond which, a shift is not refused."""
    below, above = -1, len(breaks) - 1
    while above - below > 1:
        middle = (below + above) // 2
        if _kept(breaks, middle, chance):
            above = middle
        else:
            below = middle
    return float(breaks[above])


def _kept(breaks: Array, at: int, chance: Chance) -> bool:
    if chance(float(breaks[at])) > ALPHA:
        return True
    if at + 1 < len(breaks):
        return bool(chance(float(breaks[at] + breaks[at + 1]) / 2) > ALPHA)
    return False
