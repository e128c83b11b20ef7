"""Beds in the open: two layers of soil that frees nitrogen, which rain takes down."""

from __future__ import annotations

from typing import Any

import numpy as np

from tools.seasons.field import DAYS, Field
from tools.seasons.plants import Plants, crop_row, season
from tools.seasons.pots import Array, N
from tools.seasons.weather import summer

CROPS = ("chard", "kale", "courgette", "cabbage", "leek", "tomato_bush", "celery", "sweetcorn")
SOILS = {"sandy_soil": 0.20, "loam_soil": 0.31, "clay_soil": 0.36}
"""What each holds of water, as a share of its room."""
_DEEP_L, _AREAS = 300.0, (1.0, 2.0, 4.0, 6.0)  # litres of soil under a square metre
_START_G, _ORGANIC_G = (1.0, 4.0), (40.0, 130.0)  # nitrogen of a square metre: free, and bound
_FREES, _PELLETS = 0.0009, 0.022  # a day at 20 C
_ROOTS = np.array([0.8, 0.2])
_PLENTY_MG, _PLENTY_MG_L = 1e7, 400.0  # of P and K, which never run short here


class Beds(Field):
    """So many beds of one crop each; amounts are of the whole bed."""

    kind = "bed"

    def _laid_out(self, rng: np.random.Generator) -> None:
        self.days = summer(rng, DAYS)
        self.area = rng.choice(_AREAS, self.count)
        self.soils = [str(one) for one in rng.choice(list(SOILS), self.count)]
        pace = np.exp(rng.normal(0, 0.12, self.count))
        self.crops = []
        for at in range(self.count):
            crop = CROPS[at % len(CROPS)]
            self.crops.append(season(crop, DAYS, float(pace[at]), 1e6, self._planted(crop, at)))
        self.pots = Soil(rng, self.area, np.array([SOILS[one] for one in self.soils]))
        self.plants = Plants(self.count, np.exp(rng.normal(0, 0.25, self.count)))
        self.open = np.ones(self.count, dtype=bool)

    def _planted(self, crop: str, at: int) -> int:
        return max(1, round(float(crop_row(crop)["plants_per_m2"]) * float(self.area[at])))

    def told(self, at: int) -> dict[str, Any]:
        """What a gardener knows of a bed, as the calculator is told it."""
        found = super().told(at)
        del found["litres"]
        planting = found["plantings"][0]
        many = self._planted(self.crops[at].crop, at)
        more = {"setting": "bed", "medium": self.soils[at], "area_m2": float(self.area[at])}
        return found | more | {"plantings": [planting | {"plants": many}]}

    def to_first_drip(self) -> Array:
        """A drench of five litres on a square metre."""
        return 5.0 * self.area

    def rains(self, mm: float) -> Array:
        """Litres that fall on each."""
        return mm * self.area


class Soil:
    """Nitrogen in two layers [mg] and water [L]; ``pots.Pots`` has the same doors."""

    def __init__(self, rng: np.random.Generator, area: Array, holds: Array) -> None:
        count = len(area)
        self.litres = _DEEP_L * area
        self.cap = (self.litres * holds * np.exp(rng.normal(0, 0.08, count)) / 2)[:, None]
        self.cap = self.cap * np.ones(2)
        self.full = self.cap.sum(axis=1)
        self.water = self.cap * rng.uniform(0.75, 1.0, (count, 1))
        self.free = rng.uniform(*_START_G, count)[:, None] * 500 * area[:, None] * np.ones(2)
        self.bound = rng.uniform(*_ORGANIC_G, count) * 1000 * area
        self.strewn = np.zeros(count)
        self.mixes = rng.uniform(0.5, 0.9, count)
        self.waits_for = rng.uniform(0.35, 0.55, count)
        self.over = np.zeros(count)
        self.drained = np.zeros((count, 4))
        self.drain_ec = np.full(count, np.nan)

    def lack(self) -> Array:
        """What each takes [L]."""
        return np.asarray(np.maximum(0.0, self.full - self.water.sum(axis=1)))

    def pour(self, litres: Array, mg_l: Array) -> None:
        """Water from above carries nitrogen down, and below the roots."""
        coming = np.broadcast_to(mg_l, (len(litres), 4))[:, N]
        moving, carried = litres.copy(), litres * coming
        for at in range(2):
            self.water[:, at] += moving
            self.free[:, at] += carried
            out = np.maximum(0.0, self.water[:, at] - self.cap[:, at])
            carried = self.mixes * out * self.free[:, at] / self.water[:, at]
            self.water[:, at] -= out
            self.free[:, at] -= carried
            moving = out
        self.drained[:, N] += carried

    def drink(self, litres: Array) -> None:
        """Roots and air take water."""
        wet = np.maximum(0.0, self.water - 0.2 * self.cap)
        share = _ROOTS * wet
        taken = litres[:, None] * share / np.maximum(share.sum(axis=1, keepdims=True), 1e-9)
        self.water -= np.minimum(taken, wet)

    def give(self, mean_c: float) -> None:
        """What humus and pellets set free in a day."""
        pace = 2 ** ((mean_c - 20) / 10)
        for name, share in (("bound", _FREES), ("strewn", _PELLETS)):
            freed = getattr(self, name) * share * pace
            setattr(self, name, getattr(self, name) - freed)
            self.free += freed[:, None] * np.array([0.8, 0.2])

    def strew(self, mg: Array) -> None:
        """Pellets: a tenth at once, a third never in a season."""
        self.free[:, 0] += 0.1 * mg
        self.strewn += 0.55 * mg

    def reach(self) -> tuple[Array, Array]:
        """What the roots find: amounts [mg] of N, P, K, and how strong [mg/L]."""
        plenty = np.ones((len(self.litres), 3))
        amount, strong = _PLENTY_MG * plenty, _PLENTY_MG_L * plenty
        amount[:, N] = self.free.sum(axis=1)
        strong[:, N] = (self.free / self.water * _ROOTS).sum(axis=1)
        return amount, strong

    def take(self, mg: Array) -> None:
        """Roots take nitrogen."""
        held = self.free * _ROOTS
        share = held / np.maximum(held.sum(axis=1, keepdims=True), 1e-9)
        self.free = np.maximum(0.0, self.free - share * mg[:, [N]])

    def pore_ec(self) -> Array:
        """Soil of this kind is never salty."""
        return np.zeros(len(self.litres))
