"""A simulated weather service: days as a station would report them, and a forecast.

The days of a place are always the same for the same seed. They are made by code of
this module alone: a chain of departures from the climate's usual day, and wet and dry
spells; an hour by the day that it is of. A forecast is the days to come, less sure the further out.
"""

from __future__ import annotations

import math
import random
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache

from dace.core.api import Climate, Days, Hours, climate

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

    def hours(self, first: date, days: int, noon: float) -> Hours:
        """Hour by hour: warmth, moisture of the air, wind, sun and where in the day it rains."""
        rows = [self._hour(first + timedelta(days=n), h, noon) for n in range(days) for h in _DAY]
        return Hours(first, *(tuple(column) for column in zip(*rows, strict=True)))

    def _hour(self, on: date, hour: int, noon: float) -> tuple[float, float, float, float, float]:
        low, high, rain = self._day(on)
        chance = random.Random(f"{self.seed} hours {on}")  # noqa: S311 - repeatable
        where = climate(self.climate_key)
        falls = _rain_by_hour(rain, chance)
        breeze = _LOW_DOWN * where.wind_m_s * math.exp(chance.gauss(0, _WIND_SD))
        cloud = 0.35 if rain > _WET_DAY_MM else math.exp(-abs(chance.gauss(0, 0.2)))
        # coldest at dawn, warmest three hours after noon
        share = _warm_share(hour + 0.5, noon)
        air = low + (high - low) * share
        held = math.exp(-0.0622 * (air - low)) * (0.97 if not falls[hour] else 0.99)
        length = self._light_h(on)
        way = (hour + 0.5 - noon + length / 2) / length
        sun = _NOON_SUN * math.sin(math.pi * way) ** 1.15 * cloud if 0 < way < 1 else 0.0
        sun *= length / 16.0
        gust = 0.55 + 0.75 * share
        wind = breeze * gust * math.exp(chance.gauss(0, 0.05))
        return (
            round(air, 1),
            round(100 * max(0.25, held), 0),
            round(wind, 1),
            round(sun, 0),
            round(falls[hour], 1),
        )

    def _light_h(self, on: date) -> float:
        """Length of the day [h], by a plain wave."""
        swing: float = 0.075 * abs(self.latitude) ** 1.05
        turn = 2 * math.pi * (on.timetuple().tm_yday - 172) / 365.25
        return max(4.0, 12.1 + swing * math.cos(turn) * (1 if self.latitude >= 0 else -1))

    def _day(self, on: date) -> tuple[float, float, float]:
        year = _year(self.climate_key, self.latitude < 0, self.seed, on.year)
        return year[on.timetuple().tm_yday - 1]


_DAY = range(24)
_WET_DAY_MM, _NOON_SUN, _WIND_SD, _LOW_DOWN = 0.5, 820.0, 0.3, 0.75


def _warm_share(hour: float, noon: float) -> float:
    """How far the air is from the night's low to the day's high."""
    rise, top = noon - 8.0, noon + 3.0
    if rise <= hour <= top:
        return 0.5 - 0.5 * math.cos(math.pi * (hour - rise) / (top - rise))
    since = (hour - top) % 24
    return 0.5 + 0.5 * math.cos(math.pi * since / (24 - (top - rise)))


def _rain_by_hour(rain: float, chance: random.Random) -> list[float]:
    """A day's rain in one or two showers."""
    falls = [0.0] * 24
    if rain <= 0:
        return falls
    for _ in range(chance.choice((1, 1, 2))):
        begins, lasts = chance.randrange(24), chance.randint(1, 4)
        for hour in range(begins, min(24, begins + lasts)):
            falls[hour] += 1.0
    return [rain * part / sum(falls) for part in falls]


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
