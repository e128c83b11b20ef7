"""The days of a garden: those that were, those forecast, and many ways the rest may go."""

from __future__ import annotations

import hashlib
import math
from collections.abc import Callable, Hashable
from dataclasses import dataclass, field, replace
from datetime import date, timedelta
from functools import lru_cache
from typing import Any

import numpy as np
from numpy.typing import NDArray

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.season.climate import Climate, drawn_departures, normals
from dace.core.season.weather import day_hours, degree_days, light_above_air, reference_et

Array = NDArray[np.float64]
YEARS_DRAWN = 100
_Z = 1.2816  # of the 10 and 90 % ends
_AHEAD_DAYS = 400


@dataclass(frozen=True)
class Days:
    """Consecutive days: low and high [C], rain [mm]; equal lengths."""

    first: date
    t_min: tuple[float, ...]
    t_max: tuple[float, ...]
    rain_mm: tuple[float, ...]

    def __post_init__(self) -> None:
        if not len(self.t_min) == len(self.t_max) == len(self.rain_mm):
            raise DaceError("weather", "days of unequal length", "one low, high and rain a day")

    @property
    def last(self) -> date:
        """The last day."""
        return self.first + timedelta(days=len(self.t_min) - 1)


@dataclass(frozen=True)
class WeatherAsked:
    """Which garden, and what is known of its weather: the past and a forecast.

    ``among`` holds the climates it may have, with weights, where nobody said which.
    ``usual`` marks the days of the past that nobody reported: they are drawn like those ahead.
    """

    where: Climate
    latitude: float
    past: Days
    forecast: Days
    seed: int = 1
    among: tuple[tuple[Climate, float], ...] = ()
    usual: tuple[bool, ...] = ()


@dataclass(frozen=True, eq=False)
class Outlook:
    """Known days and drawn ones.

    ``t_min`` and ``t_max`` have shape (years drawn, days) from ``first`` on; the
    known days are the same in every row. ``rain_mm`` has one value a day: what
    fell, what is forecast, then what is usual.
    """

    first: date
    today: date
    latitude: float
    t_min: Array
    t_max: Array
    rain_mm: Array
    known: int
    where: Climate
    worked_out: dict[Hashable, Any] = field(default_factory=dict, repr=False)
    """What was worked out from these days, kept as long as they are."""

    @property
    def days(self) -> int:
        """How many days it spans."""
        return int(self.t_min.shape[1])

    def index(self, on: date) -> int:
        """Position of a day; days outside are an error of the caller."""
        found = (on - self.first).days
        if not 0 <= found < self.days:
            raise DaceError("day", f"{on}", f"a day from {self.first} to {self.last} would do")
        return found

    @property
    def last(self) -> date:
        """The last day that it spans."""
        return self.first + timedelta(days=self.days - 1)

    def warmth(self, base_c: float, shelter_c: float | None = None, milder_c: float = 0.0) -> Array:
        """Degree days summed up to the beginning of each day, shape (years, days + 1).

        ``shelter_c`` is what plants raised indoors have at least [C], None in the open;
        ``milder_c`` how much warmer a covered place is.
        """
        key = ("warmth", base_c, shelter_c, milder_c)
        if key not in self.worked_out:
            low, high = self.t_min + milder_c, self.t_max + milder_c
            if shelter_c is not None:
                low, high = np.maximum(low, shelter_c), np.maximum(high, shelter_c)
            daily = degree_days(low, high, base_c)
            summed = np.zeros((daily.shape[0], daily.shape[1] + 1))
            np.cumsum(daily, axis=1, out=summed[:, 1:])
            self.worked_out[key] = summed
        return np.asarray(self.worked_out[key])

    def mean_c(self) -> Array:
        """Likely mean of each day [C]."""
        return self._once("mean", lambda: np.median(self.t_min + self.t_max, axis=0) / 2)

    def light_h(self) -> Array:
        """Length of each day [h]."""

        def worked() -> Array:
            each = (self.first + timedelta(days=day) for day in range(self.days))
            return np.array([day_hours(self.latitude, on) for on in each])

        return self._once("light", worked)

    def middle(self) -> tuple[Array, Array]:
        """Likely low and high of each day [C]."""
        low = self._once("low", lambda: np.median(self.t_min, axis=0))
        return low, self._once("high", lambda: np.median(self.t_max, axis=0))

    @property
    def digest(self) -> str:
        """Stands for what is likely on all its days."""

        def worked() -> str:
            rows = (*self.middle(), self.rain_mm)
            held = b"".join(np.ascontiguousarray(row).tobytes() for row in rows)
            return hashlib.sha256(held + f"{self.first} {self.today}".encode()).hexdigest()

        return str(self._once("digest", worked))

    def likely_et(self) -> Array:
        """Likely reference evaporation of each day [mm]."""

        def worked() -> Array:
            light = light_above_air(self.latitude, self.first, self.days)
            return reference_et(*self.middle(), light)

        return self._once("evaporation", worked)

    def otherwise(self, warmer_c: float, rain_times: float) -> Outlook:
        """The same with all days after today so much warmer, and so many times as wet."""
        low, high, rain = self.t_min.copy(), self.t_max.copy(), self.rain_mm.copy()
        ahead = slice(self.index(self.today) + 1, None)
        low[:, ahead] += warmer_c
        high[:, ahead] += warmer_c
        rain[ahead] *= rain_times
        return replace(self, t_min=low, t_max=high, rain_mm=rain, worked_out={})

    def likely(self, days: int) -> Days:
        """The likely weather of so many days from the morrow on: medians of low and high."""
        ahead = slice(self.known, self.known + days)
        low, high = (np.median(t[:, ahead], axis=0).tolist() for t in (self.t_min, self.t_max))
        rain = self.rain_mm[ahead].tolist()
        return Days(self.today + timedelta(days=1), tuple(low), tuple(high), tuple(rain))

    def _once(self, key: str, work: Callable[[], Any]) -> Array:
        if key not in self.worked_out:
            self.worked_out[key] = np.asarray(work())
        return np.asarray(self.worked_out[key])


@lru_cache(maxsize=6)
def outlook(asked: WeatherAsked) -> Outlook:
    """Known days, then the forecast with its doubt, then years drawn from the normals.

    Parameters
    ----------
    asked : WeatherAsked
        Days up to today (the last of ``past``) and a forecast that follows on them.

    Returns
    -------
    Outlook
        Spanning the past and ``400`` days ahead; the same input gives the same draws.

    Raises
    ------
    DaceError
        If the forecast does not begin on the morrow.
    """
    past, forecast = asked.past, asked.forecast
    if forecast.t_min and forecast.first != past.last + timedelta(days=1):
        raise DaceError("forecast", f"a forecast from {forecast.first}", "it begins tomorrow")
    known, lead = len(past.t_min), len(forecast.t_min)
    rng = np.random.default_rng(asked.seed)
    ahead_low, ahead_high, rain = _ahead(asked, known, rng)
    if lead:
        doubt = _forecast_sd(lead) * rng.normal(size=(YEARS_DRAWN, lead))
        ahead_low[:, :lead] = np.array(forecast.t_min) + doubt
        ahead_high[:, :lead] = np.array(forecast.t_max) + doubt
    rain[:known] = past.rain_mm
    before_low, before_high = _before(asked, rng)
    rain[known : known + lead] = forecast.rain_mm
    return Outlook(
        first=past.first,
        today=past.last,
        latitude=asked.latitude,
        t_min=np.concatenate([before_low, ahead_low], axis=1),
        t_max=np.concatenate([before_high, ahead_high], axis=1),
        rain_mm=rain,
        known=known,
        where=asked.where,
    )


def _ahead(asked: WeatherAsked, known: int, rng: np.random.Generator) -> tuple[Array, Array, Array]:
    """Lows and highs ahead, shape (years, days), and the usual rain of every day."""
    low, high = np.empty((YEARS_DRAWN, _AHEAD_DAYS)), np.empty((YEARS_DRAWN, _AHEAD_DAYS))
    rain = np.zeros(known + _AHEAD_DAYS)
    for where, rows in _rows(asked):
        usual = normals(where, asked.latitude, asked.past.first, known + _AHEAD_DAYS)
        off = drawn_departures(where, rows.stop - rows.start, _AHEAD_DAYS, rng)
        middle = (usual.t_min[known:] + usual.t_max[known:]) / 2 + off
        half = (usual.t_max[known:] - usual.t_min[known:]) / 2 * skies(asked.seed, off.shape)
        low[rows], high[rows] = middle - half, middle + half
        rain += usual.wet_share * where.wet_mm * (rows.stop - rows.start) / YEARS_DRAWN
    return low, high, rain


def skies(seed: int, shape: tuple[int, ...]) -> Array:
    """By what factor days of clear and cloudy skies spread from night to noon."""
    clear = judgement("night_span").range
    spread = math.log(clear.high / clear.typ) / _Z
    return np.asarray(np.exp(np.random.default_rng((seed, 3)).normal(0, spread, shape)))


def _before(asked: WeatherAsked, rng: np.random.Generator) -> tuple[Array, Array]:
    """Lows and highs up to today: as reported in every row, drawn where nobody did."""
    shape = (YEARS_DRAWN, len(asked.past.t_min))
    low = np.broadcast_to(np.array(asked.past.t_min), shape)
    high = np.broadcast_to(np.array(asked.past.t_max), shape)
    if not any(asked.usual):
        return low, high
    low, high, unreported = low.copy(), high.copy(), np.array(asked.usual)
    for where, rows in _rows(asked):
        usual = normals(where, asked.latitude, asked.past.first, shape[1])
        off = drawn_departures(where, rows.stop - rows.start, shape[1], rng)
        low[rows] = np.where(unreported, usual.t_min + off, low[rows])
        high[rows] = np.where(unreported, usual.t_max + off, high[rows])
    return low, high


def _rows(asked: WeatherAsked) -> list[tuple[Climate, slice]]:
    """Which of the years drawn have which climate, by its weight."""
    among = asked.among or ((asked.where, 1.0),)
    ends = np.rint(np.cumsum([weight for _, weight in among]) * YEARS_DRAWN).astype(int)
    starts = [0, *ends[:-1].tolist()]
    rows = [(c, slice(a, int(b))) for (c, _), a, b in zip(among, starts, ends, strict=True)]
    return [(where, part) for where, part in rows if part.stop > part.start]


def _forecast_sd(lead: int) -> Array:
    """How far each day of a forecast may be off [C], growing with the days ahead."""
    first = judgement("forecast_sd_first").range.typ
    daily = judgement("forecast_sd_daily").range.typ
    return np.asarray(first + daily * np.arange(lead))


def usual_days(where: Climate, latitude: float, first: date, count: int) -> Days:
    """The climate's usual days, each with the rain of a usual day."""
    usual = normals(where, latitude, first, count)
    rain = tuple((usual.wet_share * where.wet_mm).tolist())
    return Days(first, tuple(usual.t_min.tolist()), tuple(usual.t_max.tolist()), rain)
