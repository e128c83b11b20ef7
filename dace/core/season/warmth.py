"""Warmth summed over days: how much by a moment, and the moment by which there is so much."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]


def summed_at(sums: Array, row: NDArray[np.int64], day: Array) -> Array:
    """Warmth summed up to a moment [days], by straight line within the day."""
    whole = np.minimum(day.astype(np.int64), sums.shape[1] - 2)
    return np.asarray(sums[row, whole] + (day - whole) * (sums[row, whole + 1] - sums[row, whole]))


def day_reached(sums: Array, row: NDArray[np.int64], wanted: Array) -> Array:
    """The moment [days] at which a sum is reached; the end of the outlook where it is not."""
    apart = float(sums[:, -1].max()) + 1.0
    lifted = (sums + apart * np.arange(sums.shape[0])[:, None]).ravel()
    capped = np.minimum(wanted, sums[row, -1])
    at = np.searchsorted(lifted, capped + apart * row, side="left") - row * sums.shape[1]
    after = np.clip(at, 1, sums.shape[1] - 1)
    low, high = sums[row, after - 1], sums[row, after]
    part = (capped - low) / np.maximum(high - low, 1e-9)
    found = after - 1 + np.clip(part, 0, 1)
    return np.where(wanted > sums[row, -1], float(sums.shape[1] - 1), found)
