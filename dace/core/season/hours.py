"""The weather hour by hour: as a service tells it, or as such a day usually goes."""

from __future__ import annotations

import math
from dataclasses import dataclass
from datetime import date

from dace.core.errors import DaceError
from dace.core.season.climate import Climate
from dace.core.season.weather import day_hours, light_above_air

DAY_H = 24
_WARMEST_AFTER_NOON_H = 2.5
_WIND_SWING = 0.4
AT_TWO_METRES = 0.75
"""Wind at 2 m beside that at 10 m, where stations read it."""
_CLEAR, _SPAN_SHARE, _PER_MJ_MM = 0.75, 0.17, 2.45
_MJ_TO_W_H = 1e6 / 3600


@dataclass(frozen=True)
class Hours:
    """Hours from midnight of ``first`` on, in the garden's own time; equal lengths.

    ``temp_c`` air [C], ``humidity`` relative [%], ``wind_m_s`` at 2 m, ``sun_w_m2`` on level
    ground, ``rain_mm`` in the hour.
    """

    first: date
    temp_c: tuple[float, ...]
    humidity: tuple[float, ...]
    wind_m_s: tuple[float, ...]
    sun_w_m2: tuple[float, ...]
    rain_mm: tuple[float, ...]

    def __post_init__(self) -> None:
        rows = (self.temp_c, self.humidity, self.wind_m_s, self.sun_w_m2, self.rain_mm)
        if len({len(row) for row in rows}) != 1:
            raise DaceError("hours", "rows of unequal length", "one value of each an hour")

    def __len__(self) -> int:
        return len(self.temp_c)


@dataclass(frozen=True)
class DayTold:
    """A day known by its low, high [C] and rain [mm] alone."""

    on: date
    t_min: float
    t_max: float
    rain_mm: float


def vapour_kpa(temp_c: float) -> float:
    """What air holds of water vapour when it is full [kPa] (Tetens).

    >>> round(vapour_kpa(20.0), 2)
    2.34
    """
    return 0.6108 * math.exp(17.27 * temp_c / (temp_c + 237.3))


def wet_bulb_depression(temp_c: float, humidity: float) -> float:
    """How much cooler a wet bulb is [C], by Stull's formula.

    >>> round(20.0 - wet_bulb_depression(20.0, 50.0), 1)
    13.7
    """
    wet = (
        temp_c * math.atan(0.151977 * math.sqrt(humidity + 8.313659))
        + math.atan(temp_c + humidity)
        - math.atan(humidity - 1.676331)
        + 0.00391838 * humidity**1.5 * math.atan(0.023101 * humidity)
        - 4.686035
    )
    return float(temp_c - wet)


def sun_hours(latitude: float, on: date, noon: float) -> tuple[float, float]:
    """When the sun rises and sets [h after midnight], by the clock on which it is noon at ``noon``.

    >>> rise, falls = sun_hours(0.0, date(2026, 3, 21), 12.0)
    >>> round(rise), round(falls)
    (6, 18)
    """
    half = day_hours(latitude, on) / 2
    return noon - half, noon + half


def usual_hours(where: Climate, latitude: float, days: tuple[DayTold, ...], noon: float) -> Hours:
    """How days of such a low, high and rain usually go where the garden lies.

    Parameters
    ----------
    where : Climate
        Its usual wind and noon humidity.
    latitude : float
        Degrees, south negative.
    days : tuple of DayTold
        One after another, at least one.
    noon : float
        When the sun stands highest [h after midnight].

    Returns
    -------
    Hours
        Warmth as a wave from dawn to afternoon; moisture of the air as at noon; wind that
        rises by day; the sun by its height and the span of the day; rain spread evenly.
    """
    temp, humid, wind, sun, rain = [], [], [], [], []
    for day in days:
        rise, falls = sun_hours(latitude, day.on, noon)
        vapour = vapour_kpa(day.t_max) * where.rh_noon_pct / 100
        whole = _sun_whole(latitude, day)
        heights = [max(0.0, math.sin(math.pi * _through(h + 0.5, rise, falls))) for h in _HOURS]
        total = sum(heights)
        for hour in _HOURS:
            air = _warmth(hour + 0.5, day, noon)
            temp.append(round(air, 1))
            humid.append(round(min(100.0, 100 * vapour / vapour_kpa(air)), 0))
            wave = math.cos(2 * math.pi * (hour + 0.5 - noon - _WARMEST_AFTER_NOON_H) / DAY_H)
            wind.append(
                round(max(0.0, AT_TWO_METRES * where.wind_m_s * (1 + _WIND_SWING * wave)), 1)
            )
            sun.append(round(whole * heights[hour] / total, 0) if total > 0 else 0.0)
            rain.append(round(day.rain_mm / DAY_H, 2))
    return Hours(days[0].on, tuple(temp), tuple(humid), tuple(wind), tuple(sun), tuple(rain))


_HOURS = range(DAY_H)


def _through(hour: float, rise: float, falls: float) -> float:
    """How far the sun is on its way, 0 at its rise and 1 when it sets; both outside it."""
    if falls <= rise:
        return 0.0
    return min(1.0, max(0.0, (hour - rise) / (falls - rise)))


def _warmth(hour: float, day: DayTold, noon: float) -> float:
    middle, half = (day.t_min + day.t_max) / 2, (day.t_max - day.t_min) / 2
    wave = math.cos(2 * math.pi * (hour - noon - _WARMEST_AFTER_NOON_H) / DAY_H)
    return middle + half * wave


def _sun_whole(latitude: float, day: DayTold) -> float:
    """All sun of a day [W h/m2]: more where the day's span is wide (Hargreaves)."""
    above = float(light_above_air(latitude, day.on, 1)[0]) * _PER_MJ_MM
    share = min(_CLEAR, _SPAN_SHARE * math.sqrt(max(0.0, day.t_max - day.t_min)))
    return above * share * _MJ_TO_W_H
