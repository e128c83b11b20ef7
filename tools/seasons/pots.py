"""Pots of five layers: cracks that water runs through, salts that creep."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]

LAYERS = 5
N, P, K, REST = range(4)
"""Nitrogen, phosphorus and potassium [mg]; all other ions together [meq of both signs]."""
_WEIGHT = np.array([14.0, 31.0, 39.1, 1.0])
_MS_PER_MEQ = 0.05
_ROOTS = np.array([0.3, 0.26, 0.2, 0.14, 0.1])
_CREEP = 0.04


def ec_of(mg_l: Array) -> Array:
    """Conductivity [mS/cm] of a liquid [mg/L of N, P, K; meq/L of the rest]."""
    return np.asarray(_MS_PER_MEQ * (np.maximum(mg_l, 0) / _WEIGHT).sum(axis=-1))


def liquid(n: float, p: float, k: float, ec: float) -> Array:
    """A liquid of so much N, P and K [mg/L] that reads ``ec`` [mS/cm]."""
    rest = max(0.0, ec / _MS_PER_MEQ - n / 14.0 - p / 31.0 - k / 39.1)
    return np.array([n, p, k, rest])


START = liquid(90, 20, 120, 1.7)
"""What stands in a fresh mix."""


class Pots:
    """Every pot at once; arrays are pots x layers, with salts pots x layers x 4."""

    def __init__(
        self,
        rng: np.random.Generator,
        litres: Array,
        start: Array = START,
        gives: tuple[float, float] = (15.0, 45.0),
    ) -> None:
        count = len(litres)
        self.litres = litres
        self.full = litres * 0.5 * np.exp(rng.normal(0, 0.1, count))
        self.cap = (self.full / LAYERS)[:, None] * np.ones(LAYERS)
        self.water = self.cap * rng.uniform(0.8, 1.0, (count, 1))
        differ = np.exp(rng.normal(0, 0.2, count))[:, None, None]
        self.salt = self.water[:, :, None] * start * differ
        self.slow = litres * rng.uniform(*gives, count)  # mg of N that the mix gives later
        self.cracks = rng.uniform(0.05, 0.3, count)
        self.mixes = rng.uniform(0.55, 0.95, count)
        self.waits_for = rng.uniform(0.4, 0.6, count)
        self.over = rng.uniform(0.02, 0.2, count)
        self.drained = np.zeros((count, 4))
        self.drain_ec = np.full(count, np.nan)

    def lack(self) -> Array:
        """What each takes to its first drip [L]."""
        return np.asarray(np.maximum(0.0, self.full - self.water.sum(axis=1)))

    def pour(self, litres: Array, mg_l: Array) -> None:
        """Litres on each pot of a liquid [pots x 4 or 4]."""
        coming = np.broadcast_to(mg_l, (len(litres), 4)).astype(float)
        for _ in range(3):
            self._pour(litres / 3, coming)

    def _pour(self, litres: Array, mg_l: Array) -> None:
        dry = 1 - self.water.sum(axis=1) / self.full
        past = litres * np.minimum(0.7, self.cracks * (0.4 + 1.6 * dry))
        moving, strength = litres - past, mg_l
        for at in range(LAYERS):
            carried = moving[:, None] * strength
            self.water[:, at] += moving
            self.salt[:, at] += carried
            out = np.maximum(0.0, self.water[:, at] - self.cap[:, at])
            mixed = self.salt[:, at] / self.water[:, at][:, None]
            strength = self.mixes[:, None] * mixed + (1 - self.mixes[:, None]) * strength
            gone = np.minimum(out[:, None] * strength, 0.95 * self.salt[:, at])
            self.water[:, at] -= out
            self.salt[:, at] -= gone
            strength = np.where(out[:, None] > 1e-9, gone / np.maximum(out, 1e-9)[:, None], mixed)
            moving = out
        # what ran by wets the lowest layer first, and drains where that is full
        self.water[:, -1] += past
        self.salt[:, -1] += past[:, None] * mg_l
        out = np.maximum(0.0, self.water[:, -1] - self.cap[:, -1])
        gone = out[:, None] * self.salt[:, -1] / self.water[:, -1][:, None]
        self.water[:, -1] -= out
        self.salt[:, -1] -= gone
        total = moving + out
        left = moving[:, None] * strength + gone
        self.drained += left
        reads = ec_of(left / np.maximum(total, 1e-9)[:, None])
        self.drain_ec = np.where(total > 0.01, reads, self.drain_ec)

    def drink(self, litres: Array) -> None:
        """Roots and air take water, from above first, never the last of it; salts stay."""
        wet = np.maximum(0.0, self.water - 0.1 * self.cap)
        share = _ROOTS * wet
        taken = litres[:, None] * share / np.maximum(share.sum(axis=1, keepdims=True), 1e-9)
        self.water -= np.minimum(taken, wet)
        whole = self.salt / self.water[:, :, None]
        for at in range(LAYERS - 1):
            moved = (whole[:, at] - whole[:, at + 1]) * _CREEP
            moved *= np.minimum(self.water[:, at], self.water[:, at + 1])[:, None]
            self.salt[:, at] -= moved
            self.salt[:, at + 1] += moved

    def give(self, mean_c: float) -> None:
        """What the mix itself sets free in a day."""
        freed = self.slow * 0.01 * 2 ** ((mean_c - 18) / 10)
        self.slow -= freed
        self.salt[:, :, N] += freed[:, None] / LAYERS

    def reach(self) -> tuple[Array, Array]:
        """What the roots find: amounts [mg] of N, P, K, and how strong [mg/L] by their depth."""
        strong = self.salt[:, :, :3] / self.water[:, :, None]
        return self.salt[:, :, :3].sum(axis=1), (strong * _ROOTS[None, :, None]).sum(axis=1)

    def take(self, mg: Array) -> None:
        """Roots take N, P and K, by what each layer holds and how many roots are there."""
        held = self.salt[:, :, :3] * _ROOTS[None, :, None]
        share = held / np.maximum(held.sum(axis=1, keepdims=True), 1e-9)
        self.salt[:, :, :3] = np.maximum(0.0, self.salt[:, :, :3] - share * mg[:, None, :])

    def pore_ec(self) -> Array:
        """What stands about the roots [mS/cm], by their depth."""
        return np.asarray((ec_of(self.salt / self.water[:, :, None]) * _ROOTS).sum(axis=1))
