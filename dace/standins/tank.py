"""What the simulated pen reads: a mixing tank for each pot, moved by pours and days."""

from __future__ import annotations

import math
import random
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import datetime

_START_EC, _START_SD = 1.4, 0.25
_DRYING_PER_DAY = 0.02
_MOST_DRYING_DAYS = 12
_MIXED = 0.75
_OWN_WATER_L = 10.0


@dataclass(frozen=True)
class Pour:
    """Litres of a liquid [mS/cm at 25 C] poured at an instant."""

    at: datetime
    litres: float
    ec_ms_cm: float


def drain_ec(seed: str, holds_l: float | None, pours: Sequence[Pour], now: datetime) -> float:
    """What drains from a pot now.

    Parameters
    ----------
    seed : str
        Which pot; the same pot begins the same.
    holds_l : float or None
        Water that it holds [L].
    pours : sequence of Pour
        Everything poured on it, in any order.
    now : datetime
        When it drains.

    Returns
    -------
    float
        Conductivity [mS/cm at 25 C].
    """
    water = holds_l or _OWN_WATER_L
    ec = _START_EC * math.exp(random.Random(seed).gauss(0, _START_SD))  # noqa: S311
    last: datetime | None = None
    for pour in sorted((p for p in pours if p.at <= now), key=lambda p: p.at):
        ec = _dried(ec, last, pour.at)
        exchanged = min(1.0, _MIXED * pour.litres / water)
        ec = ec * (1 - exchanged) + pour.ec_ms_cm * exchanged
        last = pour.at
    return _dried(ec, last, now)


def _dried(ec: float, since: datetime | None, now: datetime) -> float:
    """Water goes up through the leaves and the salts stay, until somebody waters."""
    if since is None:
        return ec
    days = min(_MOST_DRYING_DAYS, (now - since).total_seconds() / 86_400)
    return ec * (1 + _DRYING_PER_DAY * days)


def off(seed: str, sd: float) -> float:
    """A factor that one thing is off by, always the same: a measure filled by hand, a guess."""
    return math.exp(random.Random(f"off {seed}").gauss(0, sd))  # noqa: S311
