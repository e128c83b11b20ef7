"""What the simulated pen reads: two layers in each pot, and waterings that nobody logged."""

from __future__ import annotations

import math
import random
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta

_SEED = 318
_START_EC, _START_SD = 1.6, 0.25
_OWN_WATER_L = 10.0
_TAP_EC = 0.65
_TAKEN_PER_DAY, _HALF_EC = 0.012, 1.0
_WANDERS = 0.2
_COMES = 0.9
_MOST_DAYS = 400
_LIME_PER_MG, _LIME_STAYS = 0.0015, 0.4
_PER_GRAM, _PER_ACID, _BUCKET_DAYS = 0.03, 4.2, 2.5


@dataclass(frozen=True)
class Pour:
    """Litres of a liquid [mS/cm at 25 C] poured at an instant, with its bicarbonate [mg/L]."""

    at: datetime
    litres: float
    ec_ms_cm: float
    hco3_mg_l: float = 0.0


@dataclass(frozen=True)
class Pot:
    """Which pot (the same seed behaves the same), the water it holds and uses a day [L].

    ``uses_l_day`` are days since it was filled and what its plants use from then on.
    ``since`` is when it was filled; ``tap_ec`` and ``tap_hco3_mg_l`` are of the water that it
    is watered with unseen.
    """

    seed: str
    since: datetime
    holds_l: float | None = None
    uses_l_day: tuple[tuple[int, float], ...] = ((0, 1.0),)
    tap_ec: float = _TAP_EC
    tap_hco3_mg_l: float = 0.0


class _Tank:
    """Litres, salt and the lime in it (mS/cm times litres) in an upper and a lower layer."""

    def __init__(self, pot: Pot) -> None:
        self._chance = random.Random(f"tank {_SEED} {pot.seed}")  # noqa: S311 - repeatable, not secret
        chance = self._chance
        holds = (pot.holds_l or _OWN_WATER_L) * math.exp(chance.gauss(0, 0.08))
        upper = chance.uniform(0.4, 0.6)
        self.caps = [holds * upper, holds * (1 - upper)]
        start = _START_EC * math.exp(chance.gauss(0, _START_SD))
        self.water = [0.9 * cap for cap in self.caps]
        self.salt = [start * litres for litres in self.water]
        self.lime = [0.0, 0.0]
        self.thirst = math.exp(chance.gauss(0, 0.2))
        self.through = chance.uniform(0.05, 0.35)
        self.dry_at = chance.uniform(0.45, 0.7)
        self.heavy_hand = chance.uniform(0.0, 0.2)
        self.tap_ec, self.tap_lime = pot.tap_ec, _LIME_PER_MG * pot.tap_hco3_mg_l

    def pour(self, litres: float, ec: float, lime: float) -> None:
        """From above: a part runs straight through, the rest mixes and pushes."""
        for layer, cap in enumerate(self.caps):
            straight = litres * self.through
            self.salt[layer] += (litres - straight) * ec
            self.lime[layer] += (litres - straight) * lime
            self.water[layer] += litres - straight
            spill = max(0.0, self.water[layer] - cap)
            share = spill / self.water[layer]
            lost, lost_lime = self.salt[layer] * share, self.lime[layer] * share
            self.water[layer] -= spill
            self.salt[layer] -= lost
            self.lime[layer] -= lost_lime
            leaves = straight + spill
            ec = (straight * ec + lost) / leaves if leaves > 0 else 0.0
            lime = (straight * lime + lost_lime) / leaves if leaves > 0 else 0.0
            litres = leaves

    def day(self, uses_l: float) -> None:
        """Plants drink, take a little salt, salts wander; somebody waters when it looks dry."""
        share = sum(self.water) / sum(self.caps)
        sun, comes = math.exp(self._chance.gauss(0, 0.25)), self._chance.random() < _COMES
        wants = uses_l * self.thirst * min(1.0, 2 * share) * sun
        for layer, part in enumerate((0.6, 0.4)):
            room = max(0.0, self.water[layer] - 0.1 * self.caps[layer])
            self.water[layer] -= min(part * wants, room)
        ecs = [self.salt[layer] / self.water[layer] for layer in (0, 1)]
        for layer, ec in enumerate(ecs):
            self.salt[layer] *= 1 - _TAKEN_PER_DAY * ec / (ec + _HALF_EC)
            scale = max(0.0, self.lime[layer] - _LIME_STAYS * self.water[layer])
            self.lime[layer] -= scale
            self.salt[layer] = max(0.0, self.salt[layer] - scale)
        moved = _WANDERS * (ecs[0] - ecs[1]) * min(self.water) / 2
        self.salt[0] -= moved
        self.salt[1] += moved
        lacks = sum(self.caps) - sum(self.water)
        if lacks > (1 - self.dry_at) * sum(self.caps) and comes:
            self.pour(lacks * (1 + self.heavy_hand), self.tap_ec, self.tap_lime)

    def drain(self) -> float:
        """What runs out once it is wet again, mostly from below."""
        lacks = sum(self.caps) - sum(self.water)
        whole = (sum(self.salt) + lacks * self.tap_ec) / sum(self.caps)
        lower = (self.salt[1] + 0.4 * lacks * self.tap_ec) / self.caps[1]
        return 0.4 * whole + 0.6 * lower


def _uses_on(pot: Pot, day: int) -> float:
    return next((litres for since, litres in reversed(pot.uses_l_day) if since <= day), 0.0)


def drain_ec(pot: Pot, pours: Sequence[Pour], now: datetime) -> float:
    """What drains from a pot now.

    Parameters
    ----------
    pot : Pot
        Which pot, since when.
    pours : sequence of Pour
        Everything poured on it, in any order.
    now : datetime
        When it drains.

    Returns
    -------
    float
        Conductivity [mS/cm at 25 C].
    """
    tank = _Tank(pot)
    due = sorted((p for p in pours if pot.since <= p.at <= now), key=lambda p: p.at)
    for day in range(min(_MOST_DAYS, max(0, (now - pot.since).days)) + 1):
        if day:
            tank.day(_uses_on(pot, day))
        while due and due[0].at < pot.since + timedelta(days=day + 1):
            pour = due.pop(0)
            tank.pour(pour.litres, pour.ec_ms_cm, _LIME_PER_MG * pour.hco3_mg_l)
    return tank.drain()


def bucket_ec(seed: str, grams_per_l: float, acid_percent: float, days: float) -> float:
    """What a brew reads: leaf gives up its salts over days, acid dissolves shell.

    Parameters
    ----------
    seed : str
        Which brew; the same one grows the same.
    grams_per_l : float
        Solids in a litre [g].
    acid_percent : float
        Of the liquid; 0 for water.
    days : float
        Since it began.

    Returns
    -------
    float
        Conductivity [mS/cm at 25 C].
    """
    chance = random.Random(f"bucket {seed}")  # noqa: S311 - repeatable, not secret
    most = _PER_GRAM * grams_per_l if not acid_percent else _PER_ACID * acid_percent
    pace = _BUCKET_DAYS * math.exp(chance.gauss(0, 0.3))
    strength = most * math.exp(chance.gauss(0, 0.2))
    return 0.05 + strength * (1 - math.exp(-max(0.0, days) / pace))


def off(seed: str, sd: float) -> float:
    """A factor that one thing is off by, always the same: a measure filled by hand, a guess."""
    return math.exp(random.Random(f"off {seed}").gauss(0, sd))  # noqa: S311
