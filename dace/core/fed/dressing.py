"""A slow feed for a stop: so much of it that it carries what they take over some weeks."""

from __future__ import annotations

from collections.abc import Iterator
from dataclasses import dataclass, replace

import numpy as np

from dace.core.advice.cautions import gates
from dace.core.advice.judge import advise_feeding
from dace.core.can.ingredient import Source
from dace.core.can.measuring import measured
from dace.core.fed.facts import DRESSED_FOR_DAYS, Facts, facts_of
from dace.core.fed.options import Fed, brings_of, feeding_of
from dace.core.fed.owed import BED_DAYS, POT_DAYS, Owed, dressing_for
from dace.core.fed.records import RHYTHMS, Grows, Portion, Stop, Yard
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import Content, ageing, released
from dace.core.season.need import makes_its_own, taken_g
from dace.core.words import shown

_OFFERS = 3


@dataclass(frozen=True)
class Lack:
    """So much of a nutrient that is wanted over the weeks that a dressing feeds [mg]."""

    nutrient: str
    mg: float


def lack_over_weeks(owed: Owed) -> Lack:
    """What a stop is owed most of, over the weeks that a dressing feeds."""
    days = min(BED_DAYS if owed.facts.in_bed else POT_DAYS, owed.known_days - 1)
    found = owed.of(0, days)
    nutrient = dressing_for(owed.facts, owed.wish, found) or NUTRIENTS[0]
    return Lack(nutrient, float(found[NUTRIENTS.index(nutrient)]))


def dressings(
    facts: Facts, fed: tuple[Fed, ...], lack: Lack, yard: Yard, stock: dict[str, float]
) -> tuple[Portion, ...]:
    """Up to three slow feeds that bring what lacks over four weeks, the least of them first.

    Parameters
    ----------
    facts : Facts
        The stop's state.
    fed : tuple of Fed
        Who is fed.
    lack : Lack
        What would run short.
    yard : Yard
        What there is, and how warm it will be.
    stock : dict
        What each source still holds [g], by key.
    """
    if lack.mg <= 0:
        return ()
    if any(one.stage.is_seedling for one in fed):
        return ()
    found = []
    for source, content, each in _suited(facts, fed, yard, NUTRIENTS.index(lack.nutrient)):
        if _too_late(facts, content.half_life_days):
            continue
        grams = min(lack.mg / each, _most(facts, content.total[0]))
        if grams > stock.get(source.key, source.stock):
            continue
        found.append(_recipe(source, grams, facts, yard))
    return tuple(sorted(found, key=lambda one: (one.amount, one.name))[:_OFFERS])


def in_the_hole(stop: Stop, grows: Grows, yard: Yard) -> Portion | None:
    """What goes into the hole of each plant that is planted out: nitrogen of its first weeks there.

    Parameters
    ----------
    stop : Stop
        Where it stands until then.
    grows : Grows
        What is planted out, into the ground.
    yard : Yard
        What there is, and how warm it will be.

    Returns
    -------
    Portion or None
        The least of a slow feed for one plant, in no more than a square metre bears; None where
        it wants none, or nothing on the shelf suits.
    """
    facts = facts_of(stop, RHYTHMS["weekly"])
    stages = [one for one in grows.crop.stages if not one.is_seedling and one.order > 1]
    if not stages or makes_its_own(grows.crop, stages[0], in_ground=True):
        return None
    wanted_mg, left = 0.0, float(DRESSED_FOR_DAYS)
    for stage in stages:
        taken = min(left, stage.duration_days.typ) / stage.duration_days.typ
        g = taken_g(grows.crop, stage, "N", in_ground=True) * stage.share_of("N")
        wanted_mg += 1000 * taken * g
        left = max(0.0, left - stage.duration_days.typ)
    room = judgement("dressing_n_g_m2").range.typ * 1000 / grows.crop.plants_per_m2
    fed = (Fed(grows, stages[0], 1.0, 0.0),)
    found = []
    for source, content, each in _suited(facts, fed, yard, NUTRIENTS.index("N")):
        grams = min(wanted_mg / each, room / content.total[0])
        if grams * grows.plants <= source.stock:
            said = replace(measured(grams, "g", yard.owned, source.g_per_ml), weighed=yard.weighs)
            found.append(Portion(source.key, source.name, "g", grams, said))
    return min(found, key=lambda one: (one.amount, one.name), default=None)


def _suited(
    facts: Facts, fed: tuple[Fed, ...], yard: Yard, column: int
) -> Iterator[tuple[Source, Content, float]]:
    """Slow feeds that nothing bars, and what a gram brings in the weeks that it feeds [mg]."""
    start = yard.days.index(facts.today)
    aged = np.sum(ageing(yard.days.mean_c()[start : start + DRESSED_FOR_DAYS]))
    for source in yard.sources:
        content = source.content
        if source.dissolves or content is None or _barred(source, facts, fed):
            continue
        out = float(released(aged, content.half_life_days))
        each = content.at_once[column] + content.later[column] * out
        if each > 0:
            yield source, content, each


def _too_late(facts: Facts, half_life_days: float) -> bool:
    """Whether all of them are over before half of it is out."""
    ends = [one.clock.ends_on for one in facts.stop.grows]
    left = [(on - facts.today).days for on in ends if on is not None]
    return len(left) == len(ends) and max(left) < min(half_life_days, gates()["top_last"].range.typ)


def _most(facts: Facts, nitrogen: float) -> float:
    """The most that is spread at once [g]: so much nitrogen on a square metre, or in a litre."""
    if nitrogen <= 0:
        return float("inf")
    root = facts.stop.followed.root_zone
    if facts.stop.area_m2 is not None:
        mg = judgement("dressing_n_g_m2").range.typ * 1000 * facts.stop.area_m2
    else:
        mg = judgement("dressing_n_mg_l").range.typ * root.litres
    return mg / nitrogen


def _barred(source: Source, facts: Facts, fed: tuple[Fed, ...]) -> bool:
    if facts.stop.only and source.key not in facts.stop.only:
        return True
    if "heap:suspect" in source.tokens:
        return True
    if "N" in brings_of(source) and any(
        makes_its_own(f.grows.crop, f.stage, facts.in_bed) for f in fed
    ):
        return True
    for one in fed:
        asked = feeding_of(source, facts, one, "dressing")
        if any(
            said.severity in ("stop", "care") and said.key in _BARS
            for said in advise_feeding(asked)
        ):
            return True
    return False


_BARS = frozenset(
    {"raw_manure_harvest_interval", "hot_manure_wait", "late_nitrogen", "last_slow_feed",
     "legume_nitrogen", "bone_meal_alkaline", "cake_seed_gap", "urine_hygiene"}
)  # fmt: skip


def _recipe(source: Source, grams: float, facts: Facts, yard: Yard) -> Portion:
    area = facts.stop.area_m2
    told = shown.on_an_area(grams / area, 2) if area else f"{shown.grams(grams, 2)} in all"
    return Portion(
        source=source.key,
        name=source.name,
        unit="g",
        amount=grams,
        said=measured(grams, "g", yard.owned, source.g_per_ml),
        spread=told,
        bound_by="what they take over four weeks",
    )
