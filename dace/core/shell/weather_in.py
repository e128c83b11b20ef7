"""Weather as calculators are given it: days as rows, or what is usual at a place."""

from __future__ import annotations

from datetime import date, timedelta
from typing import Any

from dace.core.api import (
    DaceError,
    Days,
    Outlook,
    WeatherAsked,
    climate,
    climate_near,
    climates_near,
    outlook,
    usual_days,
)
from dace.core.shell.json_in import Json, number

_BACK_DAYS, _MOST_ROWS, _BEFORE_DAYS = 400, 1500, 30


def outlook_of(given: Json, today: date) -> Outlook:
    """Days up to today as given, or as usual there; days after today are a forecast.

    Raises
    ------
    DaceError
        On ``latitude``, ``climate`` or ``days``.
    """
    latitude = number(given.get("latitude", 51.0), "latitude")
    if not -66 <= latitude <= 66:
        raise DaceError("latitude", f"{latitude:g}", "-66 to 66 would do")
    key = given.get("climate") or ""
    where = climate(str(key)) if key else climate_near(latitude)
    among = () if key else climates_near(latitude)
    rows = given.get("days")
    if not rows:
        first = today - timedelta(days=_BACK_DAYS)
        past = usual_days(where, latitude, first, _BACK_DAYS + 1)
        none = Days(today + timedelta(days=1), (), (), ())
        usual = (True,) * (_BACK_DAYS + 1)
        return outlook(WeatherAsked(where, latitude, past, none, among=among, usual=usual))
    past, ahead, usual = _split(_read(rows), today, where, latitude)
    return outlook(WeatherAsked(where, latitude, past, ahead, among=among, usual=usual))


def day_of(value: Any, field: str) -> date:
    """A day as ``2026-07-14``."""
    try:
        return date.fromisoformat(str(value))
    except ValueError:
        raise DaceError(field, f"“{value}”"[:80], "a day such as 2026-07-14 would do") from None


def _read(rows: Any) -> dict[date, tuple[float, float, float]]:
    if not isinstance(rows, list) or len(rows) > _MOST_ROWS:
        raise DaceError("days", "no rows of days", f"up to {_MOST_ROWS} rows would do")
    found = {}
    for row in rows:
        if not isinstance(row, list) or not 3 <= len(row) <= 4:
            raise DaceError("days", repr(row)[:60], "a row such as 2026-05-01, 8, 17, 0 would do")
        low, high, rain = (number(v, "days") for v in [*row[1:], 0.0][:3])
        if not -60 <= low <= high <= 60 or rain < 0:
            raise DaceError("days", repr(row)[:60], "a low below the high, and no rain below 0")
        found[day_of(row[0], "days")] = (low, high, rain)
    return found


def _split(
    known: dict[date, tuple[float, float, float]], today: date, where: Any, latitude: float
) -> tuple[Days, Days, tuple[bool, ...]]:
    """The past without a gap, what nobody told as usual; and the forecast up to its first gap."""
    first = min(*known, today) - timedelta(days=_BEFORE_DAYS)
    count = (today - first).days + 1
    usual = usual_days(where, latitude, first, count)
    rows, told = [], []
    for n in range(count):
        on = first + timedelta(days=n)
        told.append(on in known)
        rows.append(known.get(on, (usual.t_min[n], usual.t_max[n], usual.rain_mm[n])))
    ahead, on = [], today + timedelta(days=1)
    while on in known:
        ahead.append(known[on])
        on += timedelta(days=1)
    past = Days(first, *_columns(rows))
    return past, Days(today + timedelta(days=1), *_columns(ahead)), tuple(not t for t in told)


def _columns(
    rows: list[tuple[float, float, float]],
) -> tuple[tuple[float, ...], tuple[float, ...], tuple[float, ...]]:
    low, high, rain = zip(*rows, strict=True) if rows else ((), (), ())
    return tuple(low), tuple(high), tuple(rain)
