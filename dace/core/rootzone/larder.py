"""What food a fill holds and gives, day by day: a few quantiles of its draws."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.rootzone.bucket import Bucket
from dace.core.rootzone.records import CHARGED

Array = NDArray[np.float64]
_WIDE = len(NUTRIENTS)
_NITROGEN = [CHARGED.index("NO3_N"), CHARGED.index("NH4_N")]
_FOODS = [CHARGED.index(nutrient) for nutrient in NUTRIENTS[1:]]
_ENDS = (0.1, 0.5, 0.9)
EVERY = 2
"""Of the draws: as good for a quantile, and half the work."""
ROWS = 6 * _WIDE
"""Rows of a day: held and kept [mg], strength [mg/L], reached [mg] at 50, 10 and 90 %."""


@dataclass(frozen=True, eq=False)
class Larder:
    """Food about the roots of a fill, a column a day; nutrients in the order of ``NUTRIENTS``.

    ``held`` is what is dissolved there of an evening [mg], ``kept`` what the medium keeps and
    lets go as that falls [mg], ``strength`` what is dissolved in a litre [mg/L]; ``reached``
    what roots took since the beginning and what they still could [mg], shape (3, 5, days) at
    10, 50 and 90 %.
    """

    held: Array
    kept: Array
    strength: Array
    reached: Array

    @staticmethod
    def of(rows: Array) -> Larder:
        """From rows as :func:`rows_of` gives them, shape (ROWS, days)."""
        days = rows.shape[1]
        return Larder(
            rows[:_WIDE],
            rows[_WIDE : 2 * _WIDE],
            rows[2 * _WIDE : 3 * _WIDE],
            rows[3 * _WIDE :].reshape(3, _WIDE, days)[[1, 0, 2]],
        )

    def within_reach(self, day: int, days: int, in_ground: bool = False) -> Array:
        """What roots take in so many days from one on, and what is left then [mg].

        Soil lets go of what it keeps as fast as roots draw on it.
        """
        last = min(day + days, self.held.shape[1] - 1)
        middle = self.reached[1]
        gained = np.maximum(0.0, middle[:, last] - middle[:, day])
        if in_ground:
            half_life = judgement("held_half_life").range.typ
            gained = np.maximum(gained, self.kept[:, day] * (1 - 0.5 ** (days / half_life)))
        return np.asarray(self.held[:, day] + gained)


SEEN = 3 * _WIDE + 1
"""Rows that are kept of each draw of an evening: held, kept, reached [mg], and water [L]."""


def evening(bucket: Bucket) -> Array:
    """What is kept of an evening, shape (SEEN, fills, draws seen)."""
    held = bucket.food()
    kept = np.concatenate([bucket.held[_NITROGEN].sum(axis=0)[None], bucket.held[_FOODS]])
    taken = bucket.books["taken"]
    reached = held.copy()
    reached[0] += taken[_NITROGEN].sum(axis=0)
    reached[1:] += taken[_FOODS]
    return np.concatenate([held, kept, reached, bucket.water[None]])[:, :, ::EVERY]


def rows_of(seen: Array, weight: Array) -> Array:
    """Rows of several evenings of one fill, shape (ROWS, days).

    Parameters
    ----------
    seen : ndarray
        As :func:`evening` keeps it, shape (days, SEEN, draws).
    weight : ndarray
        How far each of those draws counts, shape (days, draws).

    Returns
    -------
    ndarray
        Medians, and the ends of what was reached.
    """
    held, kept, reached = (seen[:, at : at + _WIDE] for at in (0, _WIDE, 2 * _WIDE))
    strength = held / np.maximum(seen[:, -1:], 1e-9)
    every = np.concatenate([held, kept, strength, reached], axis=1)
    counts = weight / weight.sum(axis=1, keepdims=True)
    low, middle, high = _quantiles(every, counts[:, None])
    last = slice(3 * _WIDE, None)
    return np.asarray(np.concatenate([middle, low[:, last], high[:, last]], axis=1).T)


def _quantiles(values: Array, weight: Array) -> Array:
    """10, 50 and 90 % along the last axis by weights that add to 1, shape (3, ...)."""
    order = np.argsort(values, axis=-1)
    ordered = np.take_along_axis(values, order, axis=-1)
    counted = np.take_along_axis(np.broadcast_to(weight, values.shape), order, axis=-1)
    upto = np.cumsum(counted, axis=-1)
    most = values.shape[-1] - 1
    found = [(upto < share).sum(axis=-1, keepdims=True) for share in _ENDS]
    rows = [np.take_along_axis(ordered, np.minimum(at, most), axis=-1)[..., 0] for at in found]
    return np.stack(rows)
