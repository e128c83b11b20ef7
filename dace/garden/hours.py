"""The hours of today and tomorrow where the garden lies."""

from __future__ import annotations

import zoneinfo
from dataclasses import dataclass
from datetime import datetime, timedelta

from dace.core import api as core
from dace.core.api import DayTold, Hours
from dace.garden.models import Garden
from dace.garden.weather import Source, weather, where_of
from dace.households.scope import Scope

_DAYS = 2
_NOON = 12.0


@dataclass(frozen=True)
class HoursNow:
    """Today and tomorrow hour by hour, which hour it is, and who says so."""

    source: Source
    hours: Hours
    now: int
    noon: float

    @property
    def air_c(self) -> float:
        """Warmth of the air in this hour [C]."""
        return self.hours.temp_c[self.now]


def hours_now(scope: Scope, garden: Garden) -> HoursNow:
    """The hours as the service tells them, or as such days usually go; one query."""
    known = weather(scope, garden)
    local = scope.now.astimezone(zoneinfo.ZoneInfo(garden.zone))
    noon, (source, service) = _noon(local), where_of(scope, garden).service()
    if service is not None:
        hours = service.hours(known.today, _DAYS, noon)
    else:
        today = DayTold(
            known.today, known.past.t_min[-1], known.past.t_max[-1], known.past.rain_mm[-1]
        )
        ahead = known.outlook.likely(1)
        tomorrow = DayTold(
            known.today + timedelta(days=1), ahead.t_min[0], ahead.t_max[0], ahead.rain_mm[0]
        )
        where = where_of(scope, garden).likeliest
        hours = core.usual_hours(where, garden.latitude, (today, tomorrow), noon)
    return HoursNow(source, hours, local.hour, noon)


def _noon(local: datetime) -> float:
    """When the sun stands highest by the clock: an hour later in summer time."""
    saved = local.dst()
    return _NOON + (saved.total_seconds() / 3600 if saved else 0.0)
