"""A pot that shares no code with the core: two layers, a forgetful gardener, a drifting pen.

Everything is one salt, counted in milliequivalents; the upper layer feeds the lower, the
drain is what the lower lets go, and the gardener waters when she thinks of it.
"""

import math
import random
from dataclasses import dataclass, field
from datetime import date, timedelta

FIRST = date(2026, 4, 15)


@dataclass
class Pot:
    """A pot of so many litres with one plant; meq and litres in two layers."""

    rng: random.Random
    litres: float = 40.0
    holding: float = 0.5
    water_meq_l: float = 5.0
    use_l_day: float = 0.9
    take_meq_day: float = 5.5
    food_meq_l: float = 26.0
    water: list = field(default_factory=list)
    salt: list = field(default_factory=list)

    def __post_init__(self):
        rng = self.rng
        self.full = self.litres * self.holding * math.exp(rng.gauss(0, 0.1))
        self.upper = rng.uniform(0.4, 0.6)
        self.use = self.use_l_day * math.exp(rng.gauss(0, 0.35))
        self.take = self.take_meq_day * math.exp(rng.gauss(0, 0.3))
        self.through = rng.uniform(0.05, 0.4)
        self.dry_at = rng.uniform(0.42, 0.72)
        self.heavy_hand = rng.uniform(0.03, 0.25)
        self.kappa = 0.1 * math.exp(rng.gauss(0, 0.08))
        self.pen = math.exp(rng.gauss(0, 0.03))
        self.place = math.exp(rng.gauss(0, 0.12))
        start = math.exp(math.log(1.8) + rng.gauss(0, 0.35))
        caps = self.caps()
        self.water = [0.9 * cap for cap in caps]
        self.salt = [start / self.kappa * cap for cap in caps]
        # food that is held at first and lets go over some weeks
        food = self.food_meq_l * self.litres * math.exp(rng.gauss(0, 0.3))
        self.held = max(0.0, food - sum(self.salt))
        self.began = start / self.kappa

    def caps(self):
        return [self.full * self.upper, self.full * (1 - self.upper)]

    def pour(self, litres, meq_l):
        """From above: some runs straight through the first layer, the rest pushes."""
        coming, strength = litres, meq_l
        for layer, cap in enumerate(self.caps()):
            direct = coming * self.through * (1 if self.water[layer] > 0.8 * cap else 0.5)
            mixed = coming - direct
            self.salt[layer] += mixed * strength
            self.water[layer] += mixed
            spill = max(0.0, self.water[layer] - cap)
            out = spill * self.salt[layer] / max(self.water[layer], 1e-9)
            self.water[layer] -= spill
            self.salt[layer] -= out
            leaving = direct + spill
            strength = (direct * strength + out) / leaving if leaving > 0 else 0.0
            coming = leaving

    def day(self, warmth, grown):
        """A day of sun: ``warmth`` beside a usual one, ``grown`` the size of the plant."""
        full = sum(self.caps())
        want = self.use * warmth * grown * min(1.0, 1.8 * sum(self.water) / full)
        for layer, share in enumerate((0.6, 0.4)):
            cap = self.caps()[layer]
            self.water[layer] -= min(want * share, max(0.0, self.water[layer] - 0.06 * cap))
        at = sum(self.salt) / max(sum(self.water), 1e-6)
        freed = self.held * 0.06 * max(0.0, 1 - at / self.began)
        self.held -= freed
        for layer in (0, 1):
            self.salt[layer] += freed / 2
            there = self.salt[layer]
            conc = there / max(self.water[layer], 1e-6)
            self.salt[layer] -= min(0.5 * there, self.take * grown / 2 * conc / (conc + 2))
            self.salt[layer] *= math.exp(self.rng.gauss(0, 0.015))
        # salts wander between the layers, towards the same strength
        strengths = [self.salt[i] / max(self.water[i], 1e-6) for i in (0, 1)]
        moved = 0.25 * (strengths[0] - strengths[1]) * min(self.water) / 2
        self.salt[0] -= moved
        self.salt[1] += moved
        if sum(self.water) < self.dry_at * full and self.rng.random() < 0.9:
            self.pour((full - sum(self.water)) * (1 + self.heavy_hand), self.water_meq_l)

    def drain(self):
        """True conductivity of what a pour-through gives [mS/cm]."""
        full = sum(self.caps())
        lacking = full - sum(self.water)
        lower = (self.salt[1] + 0.4 * lacking * self.water_meq_l) / self.caps()[1]
        whole = (sum(self.salt) + lacking * self.water_meq_l) / full
        return 1.09 * self.kappa * (0.7 * lower + 0.3 * whole)

    def read(self, since_feed, strength):
        """What the pen shows of it: a feed of late is in the sample, and some samples go wrong."""
        part = self.rng.uniform(0, 0.5) * 0.6**since_feed
        true = (1 - part) * self.drain() + part * strength
        off = self.rng.gauss(0, 0.3 if self.rng.random() < 0.08 else 0.12)
        self.pen *= math.exp(self.rng.gauss(0, 0.006))
        return true * self.place * self.pen * math.exp(off)


@dataclass
class Told:
    """What the gardener wrote down: feeds [day, litres, mS/cm] and readings [day, mS/cm]."""

    feeds: list
    readings: list
    truths: list


def season(seed, reads, days=90, litres=40.0):
    """A pot fed weekly for a season and read on so many days; (pot, told)."""
    rng = random.Random(seed)
    pot = Pot(rng, litres=litres)
    told = Told([], [], [])
    on = sorted(rng.sample(range(8, days), reads))
    strength, phase = rng.uniform(1.0, 2.2), rng.randrange(7)
    for day in range(days):
        grown = 0.45 + 0.55 * min(1.0, day / 60)
        warmth = max(0.2, rng.gauss(1.0, 0.3))
        pot.day(warmth, grown)
        if day % 7 == phase:
            litres_fed = rng.uniform(0.08, 0.16) * litres / 2
            pot.pour(litres_fed, 10 * strength)
            told.feeds.append((FIRST + timedelta(days=day), litres_fed, strength))
        if day in on:
            told.truths.append(pot.drain())
            since = (day - phase) % 7 if day >= phase else 7
            told.readings.append((FIRST + timedelta(days=day), pot.read(since, strength)))
    return pot, told
