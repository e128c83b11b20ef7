"""A field of pots through a season, whatever feeds them."""

from __future__ import annotations

from dataclasses import dataclass, field
from typing import Any, ClassVar

import numpy as np
from numpy.typing import NDArray

from tools.seasons.plants import CROPS, Plants, Season, season
from tools.seasons.pots import Array, N, Pots, liquid
from tools.seasons.weather import START, evaporates, summer

DAYS = 105
STARTED = "2026-04-01"
_SPILT, _LEAST = 1.03, 0.04
TAP = liquid(2.0, 0.0, 3.0, 0.6)
_SIZES_L = (8.0, 12.0, 20.0, 40.0)
_POT_M2 = 0.011  # of a pot of one litre; area goes with the volume's two thirds


@dataclass
class Field:
    """So many pots of one seed: what grows in each, its room, weather, and how they stand."""

    count: int
    seed: int
    length: ClassVar[int] = DAYS
    kind: ClassVar[str] = "pot"
    water: ClassVar[Array] = TAP
    days: list[tuple[str, float, float, float]] = field(init=False)
    crops: list[Season] = field(init=False)
    pots: Any = field(init=False)
    plants: Plants = field(init=False)
    open: NDArray[np.bool_] = field(init=False)

    def __post_init__(self) -> None:
        self.rng = np.random.default_rng(self.seed)
        self._laid_out(self.rng)
        self.salt = np.array([one.salt for one in self.crops])
        self.ends = np.array([one.ends for one in self.crops])
        self.poured = np.zeros(self.count)
        self.feeds = np.zeros(self.count)
        self.day = 0

    def _laid_out(self, rng: np.random.Generator) -> None:
        self.days = summer(rng, DAYS)
        litres = rng.choice(_SIZES_L, self.count)
        pace = np.exp(rng.normal(0, 0.12, self.count))
        names = [CROPS[at % len(CROPS)] for at in range(self.count)]
        self.crops = [
            season(name, DAYS, float(one), float(room))
            for name, one, room in zip(names, pace, litres, strict=True)
        ]
        self.pots = Pots(rng, litres)
        self.plants = Plants(self.count, np.exp(rng.normal(0, 0.3, self.count)))
        self.open = rng.random(self.count) < 0.6

    def told(self, at: int) -> dict[str, Any]:
        """What a gardener knows of one, as the calculator is told it."""
        grown, now = self.crops[at], self.day
        stage, first = grown.stages[now], now
        while first > 0 and grown.stages[first - 1] == stage:
            first -= 1
        planting = {"id": "p", "crop": grown.crop, "plants": 1, "started_on": STARTED}
        return {
            "id": f"{self.kind} {at}",
            "medium": "peat_free_mix",
            "litres": float(self.pots.litres[at]),
            "filled_on": str(START),
            "shelter": "open" if self.open[at] else "cover",
            "plantings": [planting | {"stage": stage, "seen_on": self.days[first][0]}],
        }

    def need(self, days: int = 1) -> Array:
        """What the tables say that they want from today on [mg, pots x 3]."""
        until = min(self.length, self.day + days)
        return np.array([one.need[self.day : until].sum(axis=0) for one in self.crops])

    def to_first_drip(self) -> Array:
        """What each takes of an evening until it drips, and a little over [L]."""
        return np.asarray(np.maximum(self.pots.lack() * _SPILT, _LEAST * self.pots.full))

    def feed(self, litres: Array, mg_l: Array) -> None:
        """Pour a feed of an evening [litres on each pot; 0 where none]."""
        self.pots.pour(litres, mg_l)
        self.poured += litres
        self.feeds += litres > 0

    def live(self) -> None:
        """A day up to its evening: heat, roots, rain."""
        day, pots, plants = self.days[self.day], self.pots, self.plants
        mean_c = (day[1] + day[2]) / 2
        pots.give(mean_c)
        thirst = np.array([one.water[self.day] for one in self.crops])
        thirst = thirst * plants.hunger * (0.25 + 0.75 * plants.size) * evaporates(day) / 3
        wet = np.clip(2 * pots.water.sum(axis=1) / pots.full, 0.1, 1.0)
        pots.drink(thirst * wet)
        there, strong = pots.reach()
        pots.take(plants.eat(self.need(), there, strong))
        plants.burn(pots.pore_ec(), self.salt[:, 0], self.salt[:, 1], self.day < self.ends)
        if day[3] > 0:
            pots.pour(self.rains(day[3]) * self.open, np.zeros(4))

    def rains(self, mm: float) -> Array:
        """Litres that reach each that stands open."""
        return np.asarray(0.7 * mm * _POT_M2 * self.pots.litres ** (2 / 3))

    def dry(self) -> NDArray[np.bool_]:
        """Which are watered this evening."""
        pots = self.pots
        return np.asarray(pots.water.sum(axis=1) < pots.waits_for * pots.full)

    def end(self, water: Array) -> None:
        """Whatever is dry of an evening is given ``water``; then the next day."""
        pots = self.pots
        litres = np.where(self.dry(), pots.lack() * (1 + pots.over), 0.0)
        pots.pour(litres, water)
        self.poured += litres
        self.day += 1

    def outcome(self) -> dict[str, float]:
        """What came of it, medians and means over the pots."""
        loss = self.plants.loss()
        return {
            "loss": float(loss.mean()),
            "worst tenth": float(np.quantile(loss, 0.9)),
            "salt": float(100 * self.plants.harmed().mean()),
            "N drained": float(self.pots.drained[:, N].mean()),
            "N left": float(self.pots.reach()[0][:, N].mean()),
            "litres": float(self.poured.mean()),
            "feeds": float(np.median(self.feeds)),
        }
