"""What the weather and the plants' own days shut: heat, cold roots, heavy rain, new roots."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np

from dace.core.advice.cautions import gates
from dace.core.fed.facts import Facts
from dace.core.fed.records import Grows
from dace.core.season.outlook import Outlook
from dace.core.season.shelter import air_under
from dace.core.words import shown
from dace.core.words.days import ago

_ROOT_DAYS, _AHEAD_DAYS = 7, 7


@dataclass(frozen=True)
class Shut:
    """Why no feed is poured today, and the first day on which it may be."""

    why: str
    opens_on: date


def shut_for(facts: Facts, grows: Grows, days: Outlook) -> Shut | None:
    """The gate that is shut for a planting today; None where none is."""
    for ahead in range(_AHEAD_DAYS + 1):
        on = facts.today + timedelta(days=ahead)
        why = why_shut(facts, grows, days, on)
        if ahead == 0:
            first = why
        if not first:
            return None
        if not why:
            return Shut(first, on)
    return Shut(first, facts.today + timedelta(days=_AHEAD_DAYS))


def why_shut(facts: Facts, grows: Grows, days: Outlook, on: date) -> str:
    """Why no feed is poured for a planting on a day from today on; empty where it may be."""
    transplant = gates()["skip_transplant"].range.typ
    planted = (on - grows.since).days
    if grows.since > grows.started_on and 0 <= planted < transplant:
        return f"planted {ago(planted)}: roots take hold first"
    at = min(days.index(facts.today) + (on - facts.today).days, days.days - 2)
    high = _air(facts, days, at)[1]
    heat = gates()["skip_heat"].range.typ
    if high > heat:
        return f"{shown.degrees(high)} is too hot for a feed: plain water and shade"
    root_c = _root_c(facts, days, at)
    coldest = gates()["drench_root_warm" if grows.crop.warm else "drench_root_cool"].range.typ
    if root_c < coldest:
        return f"roots are at about {shown.degrees(root_c)}, too cold to take it"
    rain = gates()["drench_rain24_bed" if facts.in_bed else "drench_rain24"].range.typ
    open_ = facts.stop.followed.root_zone.rain_m2 > 0
    known = at + 1 < days.known + _forecast_days(days)
    if open_ and known and days.rain_mm[at + 1] > rain:
        return f"{days.rain_mm[at + 1]:.0f} mm of rain would wash it out"
    return ""


def _forecast_days(days: Outlook) -> int:
    """Seven days are foreseen at most; beyond them rain is only usual."""
    return min(_AHEAD_DAYS, days.days - days.known)


def _air(facts: Facts, days: Outlook, at: int) -> tuple[float, float]:
    """Likely low and high of a day where the plants stand [C]."""
    low, high = (float(middle[at]) for middle in days.middle())
    return air_under(facts.stop.shelter, low, high)


def _root_c(facts: Facts, days: Outlook, at: int) -> float:
    """Warmth at the roots: the mean of a week's air [C]."""
    week = range(max(0, at - _ROOT_DAYS + 1), at + 1)
    return float(np.mean([np.mean(_air(facts, days, day)) for day in week]))
