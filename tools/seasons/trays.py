"""Trays of modules from emergence until they are potted on."""

from __future__ import annotations

from dataclasses import replace
from typing import Any

import numpy as np

from tools.seasons.field import Field
from tools.seasons.plants import Plants, Season, stages
from tools.seasons.pots import Array, Pots, liquid
from tools.seasons.weather import summer

DAYS = 42
_SOWN = "2026-05-10"
CROPS = (
    *("lettuce", "tomato_cordon", "chilli", "kale", "chard"),
    *("basil", "celery", "leek", "cabbage"),
)
_CELLS_L, _COUNT = (0.05, 0.08, 0.12, 0.2), (12, 24, 40)
_PACE = 0.22  # a day: a seedling's leaves, and so its need, by its own growth
_FIRST_MG, _MOST_MG_L_DAY = 0.04, 11.0
_OF_N = np.array([1.0, 0.16, 1.2])  # N, P, K in a leafy seedling
_L_PER_MG = 0.006  # water that a day's growth on a mg of nitrogen goes with
_SOIL_DRIES_L = 0.008  # of a litre of mix in a day of 3 mm
_BEARS, _SLOPE = 3.6, 0.14  # mS/cm of the pore, and what a mS more costs


class Trays(Field):
    """So many trays under cover, each of one crop in modules of one size."""

    length, kind, water = DAYS, "tray", liquid(1.0, 0.0, 1.5, 0.3)

    def _laid_out(self, rng: np.random.Generator) -> None:
        self.days = summer(rng, DAYS)
        cells, self.many = rng.choice(_CELLS_L, self.count), rng.choice(_COUNT, self.count)
        litres = cells * self.many
        pace = np.exp(rng.normal(0, 0.1, self.count))
        self.crops = [
            _season(CROPS[at % len(CROPS)], float(cells[at]), int(self.many[at]), float(pace[at]))
            for at in range(self.count)
        ]
        self.pots = Pots(rng, litres, start=liquid(40, 14, 50, 0.9), gives=(4.0, 12.0))
        self.pots.over = rng.uniform(0.1, 0.4, self.count)  # a rose over a tray runs through
        self.plants = Plants(self.count, np.exp(rng.normal(0, 0.25, self.count)))
        self.open = np.zeros(self.count, dtype=bool)

    def told(self, at: int) -> dict[str, Any]:
        """What a gardener knows of a tray, as the calculator is told it."""
        found = super().told(at)
        more = {"setting": "tray", "medium": "seed_mix", "shelter": "cover"}
        planting = found["plantings"][0] | {"plants": int(self.many[at]), "started_on": _SOWN}
        return found | more | {"plantings": [planting]}

    def to_first_drip(self) -> Array:
        """What those that are dry take of an evening; trays are fed as they are watered."""
        return np.where(self.dry(), self.pots.lack() * (1 + self.pots.over), 0.0)


def _season(crop: str, cell_l: float, many: int, pace: float) -> Season:
    """Growth that slows as the module fills with roots; over where its stage is."""
    row = stages(crop)["seedling"]
    days = min(DAYS, round(float(row["duration_days_typ"]) * pace))
    most = cell_l * _MOST_MG_L_DAY
    need = np.zeros(DAYS)
    grown = _FIRST_MG
    for day in range(days):
        need[day] = grown
        grown += _PACE * grown * (1 - grown / most)
    water = many * _L_PER_MG * need + many * cell_l * _SOIL_DRIES_L
    told = Season(crop, many * need[:, None] * _OF_N, water, ("seedling",) * DAYS, (_BEARS, _SLOPE))
    return replace(told, ends=days)
