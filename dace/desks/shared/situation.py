"""What bears on feeding a stand now: stage, weather, place and what it had of late."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta
from statistics import fmean

from dace.core import api as core
from dace.core.api import Advice, Days, Feeding
from dace.feeding.gifts import gifts
from dace.garden.models import Garden, SoilTest
from dace.garden.reads import StandRecord
from dace.garden.weather import Weather, weather
from dace.households.scope import Scope
from dace.measuring.models import Reading

_RECENT_DAYS = 60
_SOIL_DAYS = 7
_TRACE, _LEAST_MG_L = 0.1, 1.0


def situation(scope: Scope, garden: Garden, target: StandRecord) -> Feeding:
    """The facts that the rules ask for, with no feed yet; six queries."""
    known = weather(scope, garden)
    since = scope.now - timedelta(days=_RECENT_DAYS)
    recent = [g for g in gifts(scope, since, target.planting_id) if g.tokens]
    return replace(
        _foreseen(_of_place(scope, target), known.forecast),
        soil_c=soil_warmth(known),
        day_hours=core.day_hours(garden.latitude, known.today),
        harvest_in_days=target.clock.picked_in(known.today),
        days_planted=_planted_for(target, known),
        recent=tuple((g.tokens, (scope.now - g.at).total_seconds() / 86_400) for g in recent),
    )


def _foreseen(facts: Feeding, ahead: Days) -> Feeding:
    """Tomorrow as a service foresees it; nothing where none does."""
    if not ahead.t_min:
        return facts
    return replace(
        facts, warmest_c=ahead.t_max[0], coldest_c=ahead.t_min[0], rain_mm=ahead.rain_mm[0]
    )


def _of_place(scope: Scope, target: StandRecord) -> Feeding:
    last = (
        Reading.objects.weighing(scope)
        .filter(subject_id=target.subject_id, method="pour_through")
        .order_by("-taken_at")
        .first()
    )
    test = SoilTest.objects.of(scope).filter(fill_id=target.fill_id).order_by("-tested_on").first()
    high = frozenset[str]()
    if test is not None:
        high = core.read_soil_test(test.values, test.unit, target.medium).high
    return Feeding(
        tokens=frozenset(),
        crop=target.crop,
        stage=target.stage,
        setting=target.setting,
        ph=target.ph,
        clay=target.medium.key == "clay_soil",
        drain_ec=last.ec_likely if last else None,
        tested_high=high,
    )


def soil_warmth(known: Weather) -> float:
    """Warmth at the roots: the mean of the last week's air [C]."""
    lows, highs = known.past.t_min[-_SOIL_DAYS:], known.past.t_max[-_SOIL_DAYS:]
    return fmean(lows + highs)


def _planted_for(target: StandRecord, known: Weather) -> float | None:
    """Days since it was planted here; None where it was sown here."""
    if target.since <= target.started_on:
        return None
    return (known.today - target.since).days


def advise_pour(
    facts: Feeding, can: core.Mixture, tokens: frozenset[str], water: core.WaterIons
) -> list[Advice]:
    """What the rules say of pouring a can there; a trace of a nutrient counts for nothing."""
    plain = dict(can.from_water)
    brings = frozenset(
        n
        for n, r in can.nutrients
        if r.value - plain[n] > max(_LEAST_MG_L, _TRACE * facts.stage.wish_of(n).low)
    )
    return core.advise_feeding(
        replace(
            facts,
            tokens=tokens | {"route:drench"},
            brings=brings,
            total_ec=can.ec.value,
            hco3_mg_l=water.of("HCO3"),
            feed_p_mg_l=can.nutrient("P").value,
        )
    )
