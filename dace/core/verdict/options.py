"""Which sources may feed a stop on a day, how strongly, and in which order."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from functools import lru_cache
from typing import Literal

from dace.core.advice.feeding import Feeding
from dace.core.advice.judge import barred
from dace.core.can.fitting import conducts_about
from dace.core.can.ingredient import Ingredient, Source, water_share
from dace.core.can.miss import miss
from dace.core.can.mixing import Mixture, fill_can
from dace.core.can.usual import Default, For, default_amount, rounded_strength
from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons
from dace.core.season.crops import Stage, feed_cap
from dace.core.season.need import makes_its_own, wish_now
from dace.core.verdict.facts import Facts
from dace.core.verdict.records import Grows, NamedWater, Yard

HALF = 0.5
"""The share of its wish that a stop gets after a flush, or near the top of its comfort."""
_LEAST_SHARE = 0.05
_AGAINST_SCHOOL = 0.6
_TRACE, _LEAST_EC = 0.02, 1e-9


@dataclass(frozen=True)
class Fed:
    """A planting that is fed: at which stage, at what share of its wish, how much each."""

    grows: Grows
    stage: Stage
    share: float
    litres_each: float

    @property
    def litres(self) -> float:
        """All its plants together [L]."""
        return self.litres_each * self.grows.plants


@dataclass(frozen=True)
class Option:
    """A source for a stop at the strength that one would say: ``per_l`` mL or g a litre.

    ``held`` [mg/L] is what the can holds then, ``brought`` what of it the source brings;
    ``rank`` is how little it suits: how far it misses the wish, and what else speaks against
    it. ``cap`` [mS/cm] is what the feed part may add.
    """

    source: Source
    chosen: Default
    per_l: float
    water: WaterIons
    held: Mapping[str, float]
    brought: Mapping[str, float]
    miss: float
    rank: float
    cap: float

    @property
    def can(self) -> Mixture:
        """A litre of the can."""
        return litre_of(self.per_l, self.source.feed, self.water)

    @property
    def feed_ec(self) -> float:
        """About what the feed part adds [mS/cm]; told quickly."""
        return conducts_about(self.per_l, self.source.feed)


@dataclass(frozen=True)
class Meal:
    """What a source is chosen for: who is fed at a stop on a day, and with which water.

    ``room`` is what the feed part may add [mS/cm] before the medium is too salty.
    """

    facts: Facts
    fed: tuple[Fed, ...]
    yard: Yard
    water: NamedWater
    room: float


def options(meal: Meal) -> tuple[Option, ...]:
    """Every source that suits all that is fed there, the best first; stock is not looked at."""
    found = []
    for source in meal.yard.sources:
        if source.dissolves and not is_barred(source, meal.facts, meal.fed):
            one = option_of(source, meal)
            if one is not None:
                found.append(one)
    return tuple(sorted(found, key=lambda one: (one.rank, one.source.name, one.source.key)))


def option_of(source: Source, meal: Meal, at_most: float = float("inf")) -> Option | None:
    """One source there, ``at_most`` so many mL or g a litre; None where nothing of it suits."""
    facts, fed, water = meal.facts, meal.fed, meal.water
    amounts = [_default(source, facts, one, water.ions) for one in fed]
    if any(amount is None for amount in amounts):
        return None
    chosen = min((a for a in amounts if a is not None), key=lambda a: a.per_l)
    if meal.room < conducts_about(chosen.per_l, source.feed):
        per_unit = litre_of(1.0, source.feed, water.ions).feed_ec
        most = meal.room / max(per_unit, _LEAST_EC)
        if most < chosen.per_l:
            chosen = Default(most, "what the medium can take before it is too salty")
    if chosen.per_l > at_most:
        chosen = Default(at_most, "what is left of it")
    if chosen.per_l < _LEAST_SHARE * 1e-2:
        return None
    per_l = rounded_strength(chosen.per_l, source.feed.unit)
    plain = _plain(per_l, source.feed, water.ions)
    brought = {n: per_l * source.feed.element(n) for n in NUTRIENTS}
    held = {n: brought[n] + plain[n] for n in NUTRIENTS}
    off = _miss_of(held, plain, facts, fed)
    if off is None:
        return None
    cap = min(cap_of(one, water.ions) for one in fed)
    rank = off + _against(source, facts.stop.approach) + _spared(source, chosen.per_l, meal.yard)
    return Option(source, chosen, per_l, water.ions, held, brought, off, rank, cap)


def is_barred(source: Source, facts: Facts, fed: Sequence[Fed]) -> bool:
    """Whether it may not be used there, is past its use, or a caution keeps it away."""
    if facts.stop.only and source.key not in facts.stop.only:
        return True
    if source.keeps_until is not None and source.keeps_until < facts.today:
        return True
    return any(_barred_once(feeding_of(source, facts, one, "drench")) for one in fed)


def brings_of(source: Source) -> frozenset[str]:
    """The nutrients that a source holds any of."""
    return frozenset(n for n in NUTRIENTS if source.feed.element(n) > 0)


def feeding_of(
    source: Source, facts: Facts, one: Fed, route: Literal["drench", "dressing"]
) -> Feeding:
    """What the rules are asked about feeding a planting from a source."""
    return Feeding(
        tokens=source.tokens | {f"route:{route}"},
        crop=one.grows.crop,
        stage=one.stage,
        route=route,
        brings=brings_of(source),
        setting=facts.stop.followed.root_zone.setting,
        ph=facts.stop.ph,
        harvest_in_days=one.grows.clock.picked_in(facts.today),
        tested_high=facts.stop.tested_high,
    )


_barred_once = lru_cache(maxsize=4096)(barred)


def _against(source: Source, school: str) -> float:
    if school == "soil_first":
        return 0.0 if source.home_made else _AGAINST_SCHOOL
    return _AGAINST_SCHOOL if school == "soluble" and source.home_made else 0.0


def _spared(source: Source, per_l: float, yard: Yard) -> float:
    """What the money, or the minutes, that a litre of it costs weigh beside a miss."""
    if yard.slider == 0:
        return 0.0
    if yard.slider > 0:
        return yard.slider * minutes_of(source) / judgement("minutes_home_made").range.typ
    dear = judgement("dear_litre").range.typ
    return -yard.slider * min(1.0, (source.price or 0.0) * per_l / dear)


def minutes_of(source: Source) -> float:
    """What making and measuring it for a can takes [min]."""
    kind = "home_made" if source.home_made else "dry" if source.feed.unit == "g" else "liquid"
    return judgement(f"minutes_{kind}").range.typ


def _plain(per_l: float, feed: Composition, water: WaterIons) -> dict[str, float]:
    """What the water of a can holds [mg/L]."""
    share = water_share((Ingredient(feed, per_l),))
    return {n: water.of("NO3_N" if n == "N" else n) * share for n in NUTRIENTS}


@lru_cache(maxsize=4096)
def litre_of(per_l: float, feed: Composition, water: WaterIons) -> Mixture:
    """A litre of a can."""
    return fill_can(per_l, 1.0, feed, water)


@lru_cache(maxsize=4096)
def _bounded(
    feed: Composition, tokens: frozenset[str], who: For, water: WaterIons
) -> Default | None:
    return default_amount(feed, tokens, who, water)


def _default(source: Source, facts: Facts, one: Fed, water: WaterIons) -> Default | None:
    setting = facts.stop.followed.root_zone.setting
    who = For(one.grows.crop, one.stage, setting, one.share)
    found = _bounded(source.feed, source.tokens, who, water)
    if found is None:
        return None
    own = makes_its_own(one.grows.crop, one.stage, who.in_ground)
    return None if own and source.feed.element("N") > 0 else found


def cap_of(one: Fed, water: WaterIons) -> float:
    """What the feed part of a can may add for a planting [mS/cm]."""
    return feed_cap(one.grows.crop, one.stage, water.ec_ms_cm).feed_ec_ms_cm


def _miss_of(
    held: Mapping[str, float], plain: Mapping[str, float], facts: Facts, fed: Sequence[Fed]
) -> float | None:
    """How far it lies from what is wished; None where it hardly brings what is wanted."""
    worst = 0.0
    for one in fed:
        wish = {
            n: wish_now(one.grows.crop, one.stage, n, facts.in_bed).scaled(one.share)
            for n in NUTRIENTS
        }
        off = miss(held, wish)
        if off >= miss(plain, wish) - _TRACE:
            return None
        worst = max(worst, off)
    return worst
