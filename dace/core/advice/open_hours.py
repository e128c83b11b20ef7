"""Which hours are open for a spray, a drench or a dressing, and what shuts the others."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace
from datetime import timedelta
from typing import Literal

from dace.core.advice.cautions import Gate, gates
from dace.core.figures import judgement
from dace.core.matter.settings import Shelter
from dace.core.season.hours import DAY_H, Hours, sun_hours, wet_bulb_depression
from dace.core.season.shelter import air_under
from dace.core.words import shown

Route = Literal["leaves", "roots", "dry"]
_DARK, _DEW_RH = 5.0, 96.0
_RAIN_MM, _WET_AFTER_RAIN_H = 0.2, 2
_SLOW_IN = ("Ca", "P")
_INDOORS = 0.3


@dataclass(frozen=True)
class Asked:
    """Whom hours are asked for.

    ``noon`` is when the sun stands highest [h]; ``shut_today`` what shuts the whole of today
    for roots, from the verdict; ``brings`` what a spray carries; ``under`` ``open``, ``cover``
    or ``indoors``; ``in_bed`` whether they stand in the ground; ``coldest_c`` the lowest of the
    next two nights.
    """

    route: Route
    hours: Hours
    latitude: float
    noon: float = 13.0
    warm_crop: bool = True
    under: Shelter = "open"
    in_bed: bool = False
    brings: frozenset[str] = frozenset()
    soil_c: float | None = None
    coldest_c: float | None = None
    organic: bool = False
    shut_today: str = ""


@dataclass(frozen=True)
class Hour:
    """One hour: how many after midnight of the first day, and what shuts it, gravest first."""

    at: int
    shut: tuple[str, ...]

    @property
    def open(self) -> bool:
        """Whether nothing shuts it."""
        return not self.shut


def open_hours(asked: Asked) -> tuple[Hour, ...]:
    """Every hour with what shuts it.

    Parameters
    ----------
    asked : Asked
        Which way it is given, the weather, and where they stand.

    Returns
    -------
    tuple of Hour
        One for each of the hours given.
    """
    reasons = {"leaves": _leaves, "roots": _roots, "dry": _dry}[asked.route]
    if asked.under != "open":
        asked = _sheltered(asked)
    return tuple(Hour(at, tuple(reasons(asked, at))) for at in range(len(asked.hours)))


def _sheltered(asked: Asked) -> Asked:
    """Where they stand: no rain and no wind, milder air and roots, less sun in a room."""
    hours, none = asked.hours, (0.0,) * len(asked.hours)
    lit = (strong >= _DARK for strong in hours.sun_w_m2)
    air = tuple(air_under(asked.under, t, t)[day] for t, day in zip(hours.temp_c, lit, strict=True))
    if asked.under == "indoors":
        sun = tuple(_INDOORS * strong for strong in hours.sun_w_m2)
        soil_c: float | None = judgement("indoor_c").range.typ
    else:
        sun = hours.sun_w_m2
        soil_c = asked.soil_c
        if soil_c is not None:
            soil_c, _ = air_under(asked.under, soil_c, soil_c)
    kept = replace(hours, temp_c=air, rain_mm=none, wind_m_s=none, sun_w_m2=sun)
    return replace(asked, hours=kept, soil_c=soil_c)


def runs(found: tuple[Hour, ...], since: int = 0) -> tuple[tuple[int, int], ...]:
    """Spans of open hours from an hour on: first, and the hour at which it shuts.

    >>> runs((Hour(0, ("dark",)), Hour(1, ()), Hour(2, ()), Hour(3, ("hot",))))
    ((1, 3),)
    """
    spans: list[tuple[int, int]] = []
    for hour in found:
        if not hour.open or hour.at < since:
            continue
        if spans and spans[-1][1] == hour.at:
            spans[-1] = (spans[-1][0], hour.at + 1)
        else:
            spans.append((hour.at, hour.at + 1))
    return tuple(spans)


def said_now(found: tuple[Hour, ...], now: int, what: str) -> str:
    """The state of it in one sentence: open until when, or shut by what until when.

    Parameters
    ----------
    found : tuple of Hour
        From :func:`open_hours`.
    now : int
        The hour it is.
    what : str
        Such as ``leaves``.

    Examples
    --------
    >>> hours = (Hour(0, ("too dark",)), Hour(1, ()), Hour(2, ("too hot",)))
    >>> said_now(hours, 0, "leaves"), said_now(hours, 1, "leaves")
    ('Leaves: too dark until 01:00.', 'Leaves: open until 02:00.')
    """
    ahead = runs(found, now)
    name = what.capitalize()
    if not ahead:
        why = next((h.shut[0] for h in found[now:] if h.shut), "")
        return f"{name}: no open hour today or tomorrow, {why}." if why else f"{name}: not known."
    first, shuts = ahead[0]
    if first == now:
        until = "" if shuts == found[-1].at + 1 else f" until {clock_words(shuts)}"
        return f"{name}: open{until}."
    lasting = [why for why in found[now].shut if all(why in h.shut for h in found[now:first])]
    if lasting:
        return f"{name}: {lasting[0]} until {clock_words(first)}."
    return f"{name}: {found[now].shut[0]} now; open from {clock_words(first)}."


def clock_words(at: int) -> str:
    """An hour as a clock has it; from the second day on said so.

    >>> clock_words(9), clock_words(31)
    ('09:00', '07:00 tomorrow')
    """
    day, hour = divmod(at, DAY_H)
    return f"{hour:02d}:00{' tomorrow' if day else ''}"


def _gate(key: str) -> Gate:
    return gates()[key]


def _leaves(asked: Asked, at: int) -> Iterator[str]:
    hours, h = asked.hours, at % DAY_H
    on = hours.first + timedelta(days=at // DAY_H)
    _, falls = sun_hours(asked.latitude, on, asked.noon)
    air, humid = hours.temp_c[at], hours.humidity[at]
    if asked.coldest_c is not None and _gate("fol_frost").shut(asked.coldest_c):
        yield f"{shown.degrees(asked.coldest_c)} is coming"
    if hours.rain_mm[at] >= _RAIN_MM:
        yield "rain"
    wash = _washed_at(asked, at)
    if wash is not None:
        yield f"rain at {clock_words(wash)} would wash half of it off"
    if _leaf_wet(hours, at):
        yield "leaves are wet"
    yield from _light_and_air(hours, at)
    coldest = _gate("fol_tmin").range
    if air < (coldest.high if asked.warm_crop else coldest.typ):
        yield "too cool for leaves"
    dries = _gate("fol_dusk").range.typ
    if hours.sun_w_m2[at] < _DARK:
        yield "dark: leaves would stay wet all night"
    elif h + 1 + dries > falls:
        yield "too late to dry before dark"
    if _gate("fol_rh").shut(humid):
        yield f"air too dry ({humid:.0f} %)"
    elif _gate("fol_deltat").shut(wet_bulb_depression(air, humid)):
        yield "drops dry too fast"


def _light_and_air(hours: Hours, at: int) -> Iterator[str]:
    if _gate("fol_tmax").shut(hours.temp_c[at]):
        yield "too hot for leaves"
    if _gate("fol_sun").shut(hours.sun_w_m2[at]):
        yield "sun too strong"
    if _gate("fol_wind").shut(hours.wind_m_s[at]):
        yield "too windy"


def _washed_at(asked: Asked, at: int) -> int | None:
    """The first hour of rain that counts within the hours that a spray wants."""
    slow = any(nutrient in asked.brings for nutrient in _SLOW_IN)
    free = _gate("fol_rainfree_micro" if slow else "fol_rainfree_urea").range.typ
    counts, fallen = _gate("fol_rain_mm").range.typ, 0.0
    for later in range(at + 1, min(len(asked.hours), at + 1 + int(free))):
        fallen += asked.hours.rain_mm[later]
        if fallen >= counts:
            return later
    return None


def _leaf_wet(hours: Hours, at: int) -> bool:
    """Whether leaves are wet of dew, or of rain a while ago."""
    before = range(max(0, at - _WET_AFTER_RAIN_H), at)
    return hours.humidity[at] >= _DEW_RH or any(hours.rain_mm[b] >= _RAIN_MM for b in before)


def _roots(asked: Asked, at: int) -> Iterator[str]:
    if asked.shut_today and at < DAY_H:
        yield asked.shut_today
    if _gate("drench_air_max").shut(asked.hours.temp_c[at]):
        yield "too hot to feed"
    if asked.soil_c is not None:
        limit = _gate("drench_root_warm" if asked.warm_crop else "drench_root_cool")
        if limit.shut(asked.soil_c):
            yield f"roots are at about {shown.degrees(asked.soil_c)}, too cold to take it"
    gate = _gate("drench_rain24_bed" if asked.in_bed else "drench_rain24")
    if gate.shut(_rain_after(asked.hours, at)):
        yield "rain would wash it out"


def _rain_after(hours: Hours, at: int) -> float:
    return sum(hours.rain_mm[at : at + DAY_H])


def _dry(asked: Asked, at: int) -> Iterator[str]:
    if asked.soil_c is not None and _gate("top_frozen").shut(asked.soil_c):
        yield "the ground is frozen"
    if asked.organic and asked.soil_c is not None and _gate("top_soil").shut(asked.soil_c):
        yield "soil too cold to release it"
    if _gate("top_rain").shut(_rain_after(asked.hours, at)):
        yield "rain would wash it off"
    if _leaf_wet(asked.hours, at) or asked.hours.rain_mm[at] >= _RAIN_MM:
        yield "leaves are wet: granules stick and burn"
