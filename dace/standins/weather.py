"""A simulated weather service: days as a station would report them, and a forecast.

The days of a place are always the same for the same seed. They are made by code of
this module alone: a chain of departures from the climate's usual day, and wet and dry
spells. A forecast is the days to come, less sure the further out.
"""

from __future__ import annotations

import math
import random
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

from dace.core.api import Climate, Days, climate

_LEAD_DAYS = 7
_OFF_FIRST_C, _OFF_DAILY_C = 1.2, 0.35
_WET_STAYS = 0.25
_DULLER_C = 1.2


@dataclass(frozen=True)
class SimulatedWeather:
    """Weather of one place: its climate, which half of the earth, and its seed."""

    climate_key: str
    latitude: float
    seed: str

    def days(self, first: date, last: date) -> Days:
        """What was reported, both days counted."""
        found = [self._day(first + timedelta(days=n)) for n in range((last - first).days + 1)]
        return _days(first, found)

    def forecast(self, today: date) -> Days:
        """The next seven days as foreseen today; each further day is off by more."""
        chance = random.Random(f"{self.seed} forecast {today}")  # noqa: S311 - repeatable
        first = today + timedelta(days=1)
        found = []
        for lead in range(_LEAD_DAYS):
            low, high, rain = self._day(first + timedelta(days=lead))
            off = chance.gauss(0, _OFF_FIRST_C + _OFF_DAILY_C * lead)
            share = max(0.0, 1 + chance.gauss(0, 0.2 + 0.1 * lead))
            found.append((low + off, high + off, round(rain * share, 1)))
        return _days(first, found)

    def _day(self, on: date) -> tuple[float, float, float]:
        year = _year(self.climate_key, self.latitude < 0, self.seed, on.year)
        return year[on.timetuple().tm_yday - 1]


def _days(first: date, found: list[tuple[float, float, float]]) -> Days:
    lows, highs, rain = zip(*found, strict=True) if found else ((), (), ())
    return Days(first, tuple(lows), tuple(highs), tuple(rain))


@lru_cache(maxsize=32)
def _year(key: str, south: bool, seed: str, year: int) -> tuple[tuple[float, float, float], ...]:
    """Every day of a year: low, high [C] and rain [mm]."""
    where = climate(key)
    chance = random.Random(f"{seed} {key} {year}")  # noqa: S311 - repeatable, not secret
    off, wet = chance.gauss(0, where.day_sd_c), False
    of_year = chance.gauss(0, where.year_sd_c)
    found = []
    for number in range(366):
        bright = math.cos(2 * math.pi * (number - 171) / 365.25 + (math.pi if south else 0))
        wet = _rains(where, bright, wet, chance)
        rain = chance.expovariate(1 / where.wet_mm) if wet else 0.0
        mean = _mean(where, number, south) + of_year + off - (_DULLER_C if wet else 0.0)
        half = (where.span_dim_c + where.span_bright_c) / 4
        half += (where.span_bright_c - where.span_dim_c) / 4 * bright
        half *= 0.7 if wet else 1.1
        found.append((round(mean - half, 1), round(mean + half, 1), round(rain, 1)))
        fresh = chance.gauss(0, where.day_sd_c)
        off = where.persistence * off + math.sqrt(1 - where.persistence**2) * fresh
    return tuple(found)


def _mean(where: Climate, number: int, south: bool) -> float:
    turn = 2 * math.pi * (number - 171 - where.lag_days) / 365.25 + (math.pi if south else 0)
    return where.mean_c + where.swing_c * math.cos(turn) + _DULLER_C * where.wet_share


def _rains(where: Climate, bright: float, wet: bool, chance: random.Random) -> bool:
    share = where.wet_share + where.wet_swing * bright
    share += _WET_STAYS * ((1 - where.wet_share) if wet else -where.wet_share)
    return chance.random() < min(0.95, max(0.02, share))
