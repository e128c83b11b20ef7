"""A pot of another make than `simulated`: five layers, hourly steps, paths that bypass them.

Salts are grams of one salt in litres of water; roots thin out downwards; a part of every pour
runs through cracks, the more the drier it is; the gardener waters by the weight of the pot.
"""

from __future__ import annotations

import math
import random
from datetime import timedelta

from tests.core.rootzone.simulated import FIRST, Told

LAYERS = 5
_HOURS = range(24)


class Layered:
    """Mixed lightly within each layer, pushed from one to the next."""

    def __init__(self, rng: random.Random, litres: float = 40.0):
        self.rng = rng
        self.full = litres * 0.5 * math.exp(rng.gauss(0, 0.12))
        self.cap = self.full / LAYERS
        self.water = [self.cap * rng.uniform(0.75, 1.0) for _ in range(LAYERS)]
        start = math.exp(math.log(1.8) + rng.gauss(0, 0.3))
        self.salt = [start * self.cap for _ in range(LAYERS)]  # in mS/cm times litres
        self.cracks = rng.uniform(0.1, 0.35)
        self.thirst = 0.9 * math.exp(rng.gauss(0, 0.35))
        self.hunger = 0.35 * math.exp(rng.gauss(0, 0.4))
        self.roots = [0.34, 0.26, 0.18, 0.13, 0.09]
        self.waits_for = rng.uniform(0.45, 0.7)
        self.generous = rng.uniform(0.02, 0.3)
        self.tap = 0.5
        self.place = math.exp(rng.gauss(0, 0.13))

    def pour(self, litres: float, ec: float) -> float:
        """Half a litre at a time from above; gives the conductivity of all that drained."""
        drained = [0.0, 0.0]
        parts = max(1, math.ceil(litres / 0.5))
        for _ in range(parts):
            coming = litres / parts
            dry = 1 - sum(self.water) / self.full
            bypass = coming * min(0.8, self.cracks * (1 + 2 * dry))
            drained[0] += bypass
            drained[1] += bypass * ec
            moving, strength = coming - bypass, ec
            for layer in range(LAYERS):
                self.water[layer] += moving
                self.salt[layer] += moving * strength
                out = max(0.0, self.water[layer] - self.cap)
                strength = self.salt[layer] / self.water[layer]
                self.water[layer] -= out
                self.salt[layer] -= out * strength
                moving = out
            drained[0] += moving
            drained[1] += moving * strength
        return drained[1] / drained[0] if drained[0] else 0.0

    def day(self, warmth: float, grown: float) -> None:
        """A day by the hour: drinking in the light, feeding by strength, creeping of salts."""
        for hour in _HOURS:
            light = max(0.0, math.sin(math.pi * (hour - 5) / 15)) / 9.5 if 5 < hour < 20 else 0.0
            for layer, share in enumerate(self.roots):
                wet = self.water[layer] / self.cap
                drunk = self.thirst * warmth * grown * light * share * min(1.0, 2 * wet)
                self.water[layer] -= min(drunk, max(0.0, self.water[layer] - 0.08 * self.cap))
                strength = self.salt[layer] / self.water[layer]
                eaten = self.hunger * grown / 24 * share * strength / (strength + 0.4)
                self.salt[layer] -= min(eaten, 0.02 * self.salt[layer])
            for layer in range(LAYERS - 1):
                upper = self.salt[layer] / self.water[layer]
                lower = self.salt[layer + 1] / self.water[layer + 1]
                moved = 0.01 * (upper - lower) * min(self.water[layer], self.water[layer + 1])
                self.salt[layer] -= moved
                self.salt[layer + 1] += moved
        if sum(self.water) < self.waits_for * self.full:
            self.pour((self.full - sum(self.water)) * (1 + self.generous), self.tap)

    def drain(self) -> float:
        """What a small pour-through gives once it is wetted, an hour after; it changes nothing."""
        kept = (list(self.water), list(self.salt))
        self.pour(max(0.0, self.full - sum(self.water)) * 1.05, self.tap)
        bottom = [self.salt[layer] / self.water[layer] for layer in range(LAYERS)]
        self.water, self.salt = kept
        weights = [0.08, 0.12, 0.18, 0.26, 0.36]
        return 1.09 * sum(w * ec for w, ec in zip(weights, bottom, strict=True))

    def read(self) -> float:
        """What the pen shows of it."""
        off = self.rng.gauss(0, 0.3 if self.rng.random() < 0.06 else 0.12)
        return self.drain() * self.place * math.exp(off)


def layered_season(seed: int, reads: int, days: int = 90) -> tuple[Layered, Told]:
    """A pot fed about weekly and read on so many days; (pot, told)."""
    rng = random.Random(seed)
    pot, told = Layered(rng), Told([], [], [])
    on = set(rng.sample(range(8, days), reads))
    strength = rng.uniform(1.0, 2.2)
    for day in range(days):
        pot.day(max(0.2, rng.gauss(1.0, 0.3)), 0.45 + 0.55 * min(1.0, day / 60))
        if day % 7 == 3:
            litres = rng.uniform(1.5, 3.0)
            pot.pour(litres, strength)
            told.feeds.append((FIRST + timedelta(days=day), litres, strength))
        if day in on:
            told.truths.append(pot.drain())
            told.readings.append((FIRST + timedelta(days=day), pot.read()))
    return pot, told
