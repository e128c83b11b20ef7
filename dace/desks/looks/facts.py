"""What the garden knows of a stand that bears on a sign, each fact in words."""

from __future__ import annotations

import uuid
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import shown
from dace.desks.looks.schemas import FactOut
from dace.feeding.reads import last_dose, last_manure, last_sprayed
from dace.feeding.verdicts import StopVerdict, stop_verdicts
from dace.garden.clocks import shelter_of
from dace.garden.models import Garden
from dace.garden.observing import leaf_scores
from dace.garden.reads import StandRecord, core_water, garden_of
from dace.garden.weather import weather
from dace.households.scope import NotFoundError, Scope
from dace.measuring.reads import felt_dry_days, last_ph

_FORTNIGHT, _WEEK, _MONTH_DAYS = 14, 7, 30.4


def stop_of(scope: Scope, stand_id: uuid.UUID) -> tuple[StopVerdict, StandRecord]:
    """The stop and stand of an id.

    Raises
    ------
    NotFoundError
        If nothing of that id grows here.
    """
    for stop in stop_verdicts(scope):
        for stand in stop.stands:
            if stand.id == stand_id:
                return stop, stand
    raise NotFoundError("stand_id", "an id of nothing that grows here", "choose a stop")


def facts_of(scope: Scope, stop: StopVerdict, stand: StandRecord) -> list[FactOut]:
    """Everything that is known, in the order in which it is asked; some eight queries."""
    garden = garden_of(scope)
    found = _roots(scope, stop, stand) | _air(scope, garden, stop) | _done(scope, garden, stand)
    read = any(one.sample.method == "pour_through" for one in stop.root.followed.looked)
    return [
        FactOut(name=name, value=round(_within(name, value), 3), text=_words(name, value, read))
        for name, value in found.items()
    ]


def _roots(scope: Scope, stop: StopVerdict, stand: StandRecord) -> dict[str, float]:
    found = core.root_facts(stop.root.followed, stand.clock.stage)
    ph = last_ph(scope, stop.root.fill.subject_id)
    ph = stand.ph if ph is None else ph
    if ph is not None:
        found = {**found, "ph": ph}
    dry = felt_dry_days(scope, stop.root.fill.subject_id, _FORTNIGHT)
    return found if dry is None else {**found, "dry_spells_14d": dry}


def _air(scope: Scope, garden: Garden, stop: StopVerdict) -> dict[str, float]:
    """What the air was like, by days that somebody reported; usual days happened nowhere."""
    found, place = weather(scope, garden), stop.place
    past, known = found.past, found.reported[-_FORTNIGHT:]
    facts = core.air_facts(
        shelter_of(place.kind, place.covered), past.t_min, past.t_max, past.rain_mm
    )
    unknown = set() if all(known) else {"wet_days_14d"}
    if not all(known[-_WEEK:]):
        unknown |= {"rain_mm_week", "night_min_c", "day_max_c", "medium_c"}
    return {name: value for name, value in facts.items() if name not in unknown}


def _done(scope: Scope, garden: Garden, stand: StandRecord) -> dict[str, float]:
    """What was done there, in days since, and how the leaves were scored."""
    zone = ZoneInfo(garden.zone)
    found: dict[str, float] = {}
    today = scope.now.astimezone(zone).date()
    dose, sprayed = last_dose(scope, stand.id), last_sprayed(scope, stand.id)
    if dose is not None:
        found["days_since_feed"] = (today - dose.poured_at.astimezone(zone).date()).days
        water = core_water(dose.can.water)
        found["water_alkalinity_mg_l"] = core.alkalinity_from_bicarbonate(water.of("HCO3"))
        share = core.share_of_cap(dose.can.ec_likely, water.ec_ms_cm, stand.crop, stand.clock.stage)
        if share is not None:
            found["feed_share_of_cap"] = share
    manure = last_manure(scope, stand.fill_id)
    if manure is not None:
        found["manure_months_ago"] = (scope.now - manure).days / _MONTH_DAYS
    if sprayed is not None:
        found["spray_days_ago"] = (today - sprayed.astimezone(zone).date()).days
    if stand.since > stand.started_on:
        found["moved_out_days_ago"] = (today - stand.since).days
    score = leaf_scores(scope, [stand.id]).get(stand.id)
    if score is not None:
        found["leaf_score"] = score
    return found


def _within(name: str, value: float) -> float:
    low, high = core.TOLD[name]
    return min(high, max(low, value))


def _words(name: str, value: float, read: bool) -> str:
    """A fact as one says it; ``read`` whether somebody read the drain there."""
    if name in _TEXTS:
        return _TEXTS[name].format(value)
    if name == "drain_ec_ms_cm":
        return f"the drain, {'read' if read else 'worked out'}: {shown.ec(value, 1)}"
    if name == "pot_l":
        return f"{shown.litres(value, 2)} of medium a plant"
    if name == "rain_mm_week":
        return f"{shown.depth(value)} of rain in a week"
    if name in _WARMTHS:
        return _WARMTHS[name].format(shown.degrees(value))
    return f"{_DAYS[name]} {core.ago(int(value))}"


_TEXTS = {
    "ph": "pH {:.1f}",
    "water_alkalinity_mg_l": "the last can's water has an alkalinity of {:.0f} mg/L",
    "dry_spells_14d": "it felt dry on {:.0f} days of a fortnight",
    "manure_months_ago": "manure came {:.0f} months ago",
    "nitrogen_share_of_need": "nitrogen: {:.0%} of what it takes was within reach",
    "potassium_share_of_need": "potassium: {:.0%} of what it takes was within reach",
    "potassium_to_magnesium": "{:.1f} parts of potassium to one of magnesium",
    "wet_days_14d": "{:.0f} wet days in a fortnight",
    "feed_share_of_cap": "the last feed was {:.0%} of what it bears",
    "leaf_score": "leaves scored {:g} of 5",
}
_WARMTHS = {
    "medium_c": "roots about {}, as the air there of a week",
    "night_min_c": "coldest night of the week {}",
    "day_max_c": "warmest day of the week {}",
}
_DAYS = {
    "days_since_feed": "fed",
    "spray_days_ago": "sprayed",
    "moved_out_days_ago": "moved here",
}
