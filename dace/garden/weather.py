"""The garden's weather: the service's days, her own where she wrote them down, and a forecast."""

from __future__ import annotations

import uuid
import zoneinfo
from dataclasses import dataclass
from datetime import date, timedelta
from functools import lru_cache
from typing import Literal

from django.conf import settings
from django.db import transaction
from django.utils.module_loading import import_string

from dace.core import api as core
from dace.core.api import DaceError, Days, Outlook, WeatherAsked
from dace.garden.models import Garden, OwnWeather
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope, require_owner
from dace.standins.ports import WeatherService
from dace.standins.weather import SimulatedWeather

_BACK_DAYS = 750
Source = Literal["simulated", "service", "usual"]
OwnDays = tuple[tuple[date, float, float, float | None], ...]


@dataclass(frozen=True)
class Weather:
    """What is known of the weather today, and who says so.

    ``source`` is ``simulated`` (the demo garden), ``service`` (one that a setting names) or
    ``usual`` (nobody: the climate's usual days, and no forecast). ``reported`` marks the days of
    the past that somebody reported.
    """

    source: Source
    today: date
    past: Days
    reported: tuple[bool, ...]
    forecast: Days
    outlook: Outlook
    own_days: int


def climate_of(garden: Garden) -> core.Climate:
    """The garden's climate: the one she chose, or the likeliest at its latitude."""
    return core.climate(garden.climate) if garden.climate else core.climate_near(garden.latitude)


def weather(scope: Scope, garden: Garden) -> Weather:
    """The days up to today and those ahead; one query for an asking.

    Her own days stand where she has them, the service's elsewhere.
    """
    return scope.once("weather", lambda: _read(scope, garden))


def _read(scope: Scope, garden: Garden) -> Weather:
    today = scope.now.astimezone(zoneinfo.ZoneInfo(garden.zone)).date()
    return _weather(where_of(scope, garden), today, _own_days(scope, garden))


def where_of(scope: Scope, garden: Garden) -> Where:
    """The garden as its weather knows it."""
    return Where(garden.climate, garden.latitude, scope.luck(garden.pk), scope.demo)


def outlook(scope: Scope, garden: Garden) -> Outlook:
    """The same, as the core's clocks want it; one query."""
    return weather(scope, garden).outlook


def _own_days(scope: Scope, garden: Garden) -> OwnDays:
    found: dict[str, tuple[float, float, float | None]] = {}
    for table in OwnWeather.objects.of(scope).filter(garden=garden).order_by("created_at"):
        found |= {on: (low, high, rain) for on, low, high, rain in table.days}
    return tuple((date.fromisoformat(on), *found[on]) for on in sorted(found))


@dataclass(frozen=True)
class Where:
    """A garden as its weather knows it."""

    climate: str
    latitude: float
    seed: str
    demo: bool

    @property
    def likeliest(self) -> core.Climate:
        """The climate it has most likely."""
        return core.climate(self.climate) if self.climate else core.climate_near(self.latitude)

    @property
    def among(self) -> tuple[tuple[core.Climate, float], ...]:
        """The climates it may have, with weights; none where it was said."""
        return () if self.climate or self.demo else core.climates_near(self.latitude)

    def service(self) -> tuple[Source, WeatherService | None]:
        """The simulated one belongs to the demo garden; elsewhere the one that a setting names."""
        if self.demo:
            return "simulated", SimulatedWeather(self.likeliest.key, self.latitude, self.seed)
        if settings.DACE_WEATHER:
            make = import_string(settings.DACE_WEATHER)
            return "service", make(self.likeliest.key, self.latitude, self.seed)
        return "usual", None


@lru_cache(maxsize=16)
def _weather(where: Where, today: date, own: OwnDays) -> Weather:
    source, service = where.service()
    first = today - timedelta(days=_BACK_DAYS)
    if service is None:
        reported = core.usual_days(where.likeliest, where.latitude, first, _BACK_DAYS + 1)
        forecast = Days(today + timedelta(days=1), (), (), ())
    else:
        reported, forecast = service.days(first, today), service.forecast(today)
    written = {on for on, *_ in own}
    nobody = service is None
    usual = tuple(
        nobody and first + timedelta(days=n) not in written for n in range(_BACK_DAYS + 1)
    )
    past = _with_own(reported, own)
    asked = WeatherAsked(
        where.likeliest, where.latitude, past, forecast, among=where.among, usual=usual
    )
    used = sum(first <= on <= today for on in written)
    said = tuple(not one for one in usual)
    return Weather(source, today, past, said, forecast, core.outlook(asked), used)


def _with_own(service: Days, own: OwnDays) -> Days:
    if not own:
        return service
    low, high, rain = list(service.t_min), list(service.t_max), list(service.rain_mm)
    for on, t_min, t_max, rain_mm in own:
        at = (on - service.first).days
        if 0 <= at < len(low):
            low[at], high[at] = t_min, t_max
            rain[at] = rain[at] if rain_mm is None else rain_mm
    return Days(service.first, tuple(low), tuple(high), tuple(rain))


@dataclass(frozen=True)
class DayWeather:
    """One day that somebody reported: low and high [C], rain [mm]."""

    t_min: float
    t_max: float
    rain_mm: float


def day_of(found: Weather, on: date) -> DayWeather | None:
    """A day as it was reported; None where nobody did, however usual days are there."""
    at = (on - found.past.first).days
    if not 0 <= at < len(found.reported) or not found.reported[at]:
        return None
    past = found.past
    return DayWeather(past.t_min[at], past.t_max[at], past.rain_mm[at])


@transaction.atomic
def keep_own_weather(scope: Scope, garden: Garden, row_id: uuid.UUID, text: str) -> OwnWeather:
    """Her own days from a table as text; they count before the service's.

    Raises
    ------
    DaceError
        On ``text``, with the line that cannot be read; or if a day has not been yet.
    """
    require_owner(scope)
    repeat = OwnWeather.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    days = core.read_own_weather(text)
    today = scope.now.astimezone(zoneinfo.ZoneInfo(garden.zone)).date()
    if days[-1].on > today:
        raise DaceError("text", f"{days[-1].on}", "days that have been would do")
    rows = [[d.on.isoformat(), d.t_min, d.t_max, d.rain_mm] for d in days]
    with change(scope, "weather", f"{len(rows)} days of your own weather"):
        return OwnWeather.objects.create(**new_row(scope, row_id), garden=garden, days=rows)
