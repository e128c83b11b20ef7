"""What plants take in a season, by the project's tables, and how a starved one falls behind."""

from __future__ import annotations

import csv
from dataclasses import dataclass
from functools import cache
from pathlib import Path

import numpy as np
from numpy.typing import NDArray

from dace.core import figures
from tools.seasons.pots import Array

FED = ("N", "P", "K")
CROPS = (
    *("tomato_cordon", "sweet_pepper", "chilli", "aubergine", "cucumber", "courgette"),
    *("melon", "strawberry", "chard", "kale", "basil", "celery"),
)
_POT_POWER = 0.7
_HALF_MG_L = np.array([8.0, 1.5, 8.0])
_STORE_DAYS, _FALLS_BEHIND, _CATCHES_UP = 6.0, 0.035, 0.012
_LEAST_SIZE = 0.15


@dataclass(frozen=True)
class Season:
    """A crop's season in a pot from planting out, day by day.

    ``need`` [mg a plant and day] of N, P, K, ``water`` [L a plant and day at 3 mm], ``stages``
    the key of each day's stage; ``salt`` threshold [mS/cm of the pore] and slope [1/(mS/cm)];
    ``ends`` the day from which it is no longer there.
    """

    crop: str
    need: Array
    water: Array
    stages: tuple[str, ...]
    salt: tuple[float, float]
    ends: int = 10_000


def crop_row(crop: str) -> dict[str, str]:
    """A crop's own row."""
    return {one["key"]: one for one in _rows("crops.csv")}[crop]


@cache
def stages(crop: str) -> dict[str, dict[str, str]]:
    """A crop's stages by key, in their order."""
    found = [one for one in _rows("stages.csv") if one["crop"] == crop]
    return {one["stage"]: one for one in sorted(found, key=lambda one: int(one["order"]))}


@cache
def _rows(name: str) -> tuple[dict[str, str], ...]:
    path = Path(figures.__file__).parent / name
    with path.open(encoding="utf-8") as file:
        return tuple(csv.DictReader(file))


def season(crop: str, days: int, pace: float, pot_l: float, many: int = 1) -> Season:
    """So many planted out at the start, stages at a pace of their own, each in so many litres."""
    row = crop_row(crop)
    young = ("germination", "seedling")
    grown = [one for key, one in stages(crop).items() if key not in young]
    lengths = [max(2, round(float(one["duration_days_typ"]) * pace)) for one in grown]
    whole = [float(row[f"{n.lower()}_g_typ"]) * 1000 for n in FED]
    # the room that a pot has, as gardeners' pots go; never more than the field's own
    room = min(1.0, (pot_l / float(row["typical_pot_litres"])) ** _POT_POWER)
    need, water, keys = [], [], []
    for one, length in zip(grown, lengths, strict=True):
        share = [float(one[f"share_{n.lower()}"] or 0) for n in FED]
        daily = [many * room * mg * part / length for mg, part in zip(whole, share, strict=True)]
        need += [daily] * length
        water += [many * room * float(one["water_l_day_typ"])] * length
        keys += [one["stage"]] * length
    last = len(keys)
    while len(keys) < days:  # over: it stands there and takes nothing more
        need.append([0.0] * len(FED))
        water.append(0.3 * water[last - 1])
        keys.append(keys[last - 1])
    smooth = _smooth(np.array(need[:days]))
    threshold = float(row["salt_threshold_ds_m"] or 2.0) * 2  # a pore holds twice its paste
    slope = float(row["salt_slope_pct"] or 10.0) / 100 / 2
    return Season(
        crop, smooth, _smooth(np.array(water[:days])[:, None])[:, 0], tuple(keys[:days]),
        (threshold, slope),
    )  # fmt: skip


def _smooth(days: Array) -> Array:
    """Stages run into one another: a mean over nine days that keeps the sum."""
    weights = np.ones(9) / 9
    padded = np.pad(days, ((4, 4), (0, 0)), mode="edge")
    return np.stack(
        [np.convolve(padded[:, at], weights, "valid") for at in range(days.shape[1])], 1
    )


class Plants:
    """All plants of all pots: size beside a fed one, store, what they took and wanted."""

    def __init__(self, count: int, hunger: Array) -> None:
        self.hunger = hunger  # each pot's own factor on need and water alike
        self.size = np.ones(count)
        self.store = np.zeros((count, 3))
        self.taken = np.zeros((count, 3))
        self.wanted = np.zeros((count, 3))
        self.harm = np.zeros(count)
        self.days = np.zeros(count)

    def eat(self, need: Array, there_mg: Array, mg_l: Array) -> Array:
        """What is taken up of what is there in a day [mg, pots x 3]."""
        full = need * self.hunger[:, None]
        want = full * self.size[:, None]
        room = np.maximum(0.0, want * _STORE_DAYS - self.store)
        asked = want + room / 3
        taken = np.minimum(0.9 * there_mg, asked * mg_l / (mg_l + _HALF_MG_L))
        had = self.store + taken
        used = np.minimum(want, had)
        self.store = had - used
        enough = np.where(want > 0, used / np.maximum(want, 1e-9), 1.0).min(axis=1)
        change = _CATCHES_UP * (1 - self.size) - _FALLS_BEHIND * (1 - enough) * self.size
        self.size = np.clip(self.size + change, _LEAST_SIZE, 1.0)
        self.taken += used
        self.wanted += full
        return np.asarray(taken)

    def burn(self, ec: Array, threshold: Array, slope: Array, there: NDArray[np.bool_]) -> None:
        """Salt about the roots on a day: a share of its growth is lost, while it is there."""
        lost = there * np.clip(slope * (ec - threshold), 0.0, 1.0)
        self.harm += lost
        self.days += there
        self.size = np.clip(self.size * (1 - 0.01 * lost), _LEAST_SIZE, 1.0)

    def loss(self) -> Array:
        """Points: the worst of what they went without over N, P, K, salt's harm added."""
        short = 1 - self.taken / np.maximum(self.wanted, 1e-9)
        return np.asarray(100 * np.clip(short.max(axis=1) + self.harmed(), 0, 1))

    def harmed(self) -> Array:
        """The share of growth that salt cost, while they were there."""
        return np.asarray(self.harm / np.maximum(1, self.days))
