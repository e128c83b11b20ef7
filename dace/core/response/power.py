"""How often a trial of a size would show a gain: simulated, and said in words."""

from __future__ import annotations

import math
from functools import lru_cache

import numpy as np

from dace.core.response.exact import ALPHA, signs
from dace.core.words.shares import percent_words

USUAL_CV = 0.30
_CORRELATION = 0.5
_RUNS, _SEED = 4000, 11
_FEWEST, _MOST_PAIRS, _MOST_SIMULATED = 5, 30, 12
_Z = 2.487  # 1.645 for one in ten either way, .842 for four times in five
_NUMBERS = ("no", "one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten")


@lru_cache(maxsize=256)
def power(pairs: int, cv: float, gain: float) -> float:
    """How often a two-sided sign-flip test at one in ten shows a true gain.

    Parameters
    ----------
    pairs : int
        Pairs of plants, 1 to 14.
    cv : float
        How much plants that are treated alike differ, as a share of their mean.
    gain : float
        The true gain, as a share of the unfed.

    Returns
    -------
    float
        Share of seeded trials; pairs are alike at a correlation of a half, and what is fed
        differs in step with its mean.

    Examples
    --------
    >>> power(4, 0.2, 0.5)
    0.0
    """
    rng = np.random.default_rng(_SEED)
    shared, own = rng.standard_normal((2, _RUNS, pairs)), rng.standard_normal((2, _RUNS, pairs))
    alike, apart = np.sqrt(_CORRELATION), np.sqrt(1 - _CORRELATION)
    unfed = 1 + cv * (alike * shared[0] + apart * own[0])
    fed = (1 + gain) * (1 + cv * (alike * shared[0] + apart * own[1]))
    differences = fed - unfed
    flipped = np.abs(differences @ signs(pairs).T)
    seen = np.abs(differences.sum(axis=1))[:, None]
    p = (flipped >= seen - 1e-9).mean(axis=1)
    return float(np.mean(p <= ALPHA + 1e-12))


def power_words(units: int, paired: bool, worthwhile: float) -> str:
    """What so many pairs, or so many a side, can tell: a sentence or two for the start.

    >>> power_words(3, False, 0.3)[:54]
    'With three a side not even a large difference can be t'
    """
    name = _NUMBERS[units] if units < len(_NUMBERS) else str(units)
    if units < _FEWEST:
        units_said = ("pair" if units == 1 else "pairs") if paired else "a side"
        said = f"With {name} {units_said} not even a large difference can be "
        six = power(6, USUAL_CV, worthwhile)
        return (
            f"{said}told from luck; six pairs of plants that differ by 30 % would show a gain of "
            f"{percent_words(worthwhile)} {how_often(six)}."
        )
    # apart, without pairing, plants differ more: as many a side tell about what half tell paired
    counted = units if paired else max(_FEWEST, round(units * 0.6))
    shown = power(min(counted, _MOST_SIMULATED), USUAL_CV, worthwhile)
    what = f"{name} pairs" if paired else f"{name} a side"
    return (
        f"{what.capitalize()} of plants that differ by 30 % would show a gain of "
        f"{percent_words(worthwhile)} {how_often(shown)}."
    )


def how_often(share: float) -> str:
    """A chance as one says it.

    >>> how_often(0.54), how_often(0.08), how_often(0.97)
    ('about half the time', 'hardly ever', 'nearly always')
    """
    named = ((0.1, "hardly ever"), (0.3, "one time in four"), (0.42, "one time in three"),
             (0.6, "about half the time"), (0.72, "two times in three"),
             (0.9, "four times in five"))  # fmt: skip
    return next((words for top, words in named if share < top), "nearly always")


def enough_pairs(had: int, worthwhile: float, cv: float) -> str:
    """About how many pairs would show a worthwhile gain four times in five.

    By the normal approximation: simulating ever more pairs would take longer than it tells.
    """
    apart = cv * math.sqrt(1 + (1 + worthwhile) ** 2 - (1 + worthwhile))
    worth, differ = percent_words(worthwhile), percent_words(cv)
    pairs = max(_FEWEST + 1, had + 1, math.ceil((_Z * apart / worthwhile) ** 2) + 1)
    if pairs <= _MOST_PAIRS:
        return (
            f"About {pairs} pairs would show a gain of {worth} four times in five, with plants "
            f"that differ by {differ}."
        )
    return (
        f"Plants that differ by {differ} hide a gain of {worth} even in {_MOST_PAIRS} pairs: "
        "measure what differs less, or look for a larger gain."
    )
