"""Which sources may feed a stop on a day, how strongly, and in which order."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from dace.core.advice.feeding import Feeding
from dace.core.advice.judge import barred
from dace.core.can.fitting import conducts_about
from dace.core.can.ingredient import Ingredient, Source, water_share
from dace.core.can.mixing import Mixture, fill_several
from dace.core.can.usual import For, rounded_strength
from dace.core.fed.facts import Facts
from dace.core.fed.levers import Bounds, bounds, milder, sized
from dace.core.fed.records import Grows, NamedWater, Yard
from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons
from dace.core.season.crops import Stage, feed_cap

SALT = "the salt that was read there"
"""What bound a can that salt about the roots makes weaker."""
_LEAST_PER_L = 5e-4
_AGAINST_SCHOOL = 0.6
_TRACE = 0.02
Array = NDArray[np.float64]


@dataclass(frozen=True)
class Fed:
    """A planting that is fed: at which stage, how much each [L].

    ``share`` is how strong beside what is owed: under 1 for salt, another where somebody wants it.
    """

    grows: Grows
    stage: Stage
    share: float
    litres_each: float

    @property
    def litres(self) -> float:
        """All its plants together [L]."""
        return self.litres_each * self.grows.plants


@dataclass(frozen=True)
class Base:
    """A brew at the bottom of a can: so many mL of it in each litre."""

    source: Source
    per_l: float


@dataclass(frozen=True)
class Option:
    """A source for a stop at the strength that one would say: ``per_l`` mL or g a litre.

    ``litres_share`` is how much is poured of what the fill takes to its first drip. ``held``
    [mg/L] is what the can holds then, ``brought`` what of it the source brings; ``miss`` is what
    of the owed it leaves unmet or brings too much, ``meets`` the share of what is owed that it
    makes good; ``rank`` is how little it suits: the miss, and what else speaks against
    it. ``cap`` [mS/cm] is what the feed part may add, ``most`` the most of the source in a
    litre where nothing makes it weaker. ``base`` is a brew that goes in first.
    """

    source: Source
    per_l: float
    litres_share: float
    bound_by: str
    water: WaterIons
    held: Mapping[str, float]
    brought: Mapping[str, float]
    miss: float
    meets: float
    rank: float
    cap: float
    most: float = 0.0
    base: Base | None = None

    @property
    def key(self) -> str:
        """What goes in, by the keys of its sources."""
        return "+".join(source.key for source, _ in self.parts)

    @property
    def parts(self) -> tuple[tuple[Source, float], ...]:
        """What goes in, in the order in which it is poured, with how much a litre takes."""
        first = ((self.base.source, self.base.per_l),) if self.base else ()
        return (*first, (self.source, self.per_l))

    @property
    def mixed(self) -> Parts:
        """The same as what is mixed."""
        return tuple((one.feed, one.name, per_l) for one, per_l in self.parts)

    @property
    def can(self) -> Mixture:
        """A litre of the can."""
        return litre_of(self.mixed, self.water)

    @property
    def feed_ec(self) -> float:
        """About what the feed part adds [mS/cm]; told quickly."""
        return sum(conducts_about(per_l, one.feed) for one, per_l in self.parts)


@dataclass(frozen=True, eq=False)
class Meal:
    """What a source is chosen for: who is fed at a stop on a day, with which water.

    ``owed`` [mg] is of N, P, K, Ca, Mg, for the whole fill; ``low`` [mg/L] the low end of its
    wish; ``mild`` whether it gets the typical wish at most, as the first time after a flush.
    """

    facts: Facts
    fed: tuple[Fed, ...]
    yard: Yard
    water: NamedWater
    owed: Array
    low: Array
    mild: bool = False

    @property
    def litres(self) -> float:
        """What is poured where nothing makes it less [L]."""
        return sum(one.litres for one in self.fed)

    @property
    def whom(self) -> tuple[For, ...]:
        """For whom it is."""
        setting = self.facts.stop.followed.root_zone.setting
        return tuple(For(one.grows.crop, one.stage, setting) for one in self.fed)


def allowed(meal: Meal, sources: Sequence[Source]) -> list[Source]:
    """Sources that may be poured on all that is fed there that day."""
    return [one for one in sources if one.dissolves and not is_barred(one, meal.facts, meal.fed)]


def options(meal: Meal, sources: Sequence[Source]) -> tuple[Option, ...]:
    """Every allowed source that suits, the best first; stock is not looked at."""
    return in_rank([one for source in sources if (one := option_of(source, meal)) is not None])


def in_rank(found: Sequence[Option]) -> tuple[Option, ...]:
    """The best first; of equals what it is made of decides, never its name."""
    return tuple(
        sorted(
            found,
            key=lambda one: (round(one.rank, 9), [source.feed.mg for source, _ in one.parts]),
        )
    )


def option_of(
    source: Source, meal: Meal, at_most: float = float("inf"), least: float | None = None
) -> Option | None:
    """One source there, ``at_most`` so many mL or g a litre; None where nothing of it suits.

    ``least`` is the weakest that it may be, where not what the stage likes.
    """
    water = meal.water.ions
    within = _bounded(source.feed, source.tokens, meal.whom, water)
    if within is None:
        return None
    if least is not None:
        within = replace(within, least=least)
    if meal.mild:
        within = milder(within, source.feed, meal.whom)
    if at_most < within.most:
        within = Bounds(min(within.least, at_most), at_most, "what is left of it")
    found = sized(source.feed, within, meal.owed, meal.litres, meal.low, in_water(water))
    if found is None or found.meets < _TRACE:
        return None
    times = min(one.share for one in meal.fed)
    per_l = min(found.per_l * times, within.most)
    if per_l < _LEAST_PER_L:
        return None
    per_l = rounded_strength(per_l, source.feed.unit)
    plain = _plain(per_l, source.feed, water)
    brought = {n: per_l * source.feed.element(n) for n in NUTRIENTS}
    held = {n: brought[n] + plain[n] for n in NUTRIENTS}
    cap = min(cap_of(one, water) for one in meal.fed)
    against = _against(source, meal.facts.stop.approach) + spared(source, per_l, meal.yard)
    why = found.bound_by if times >= 1 else SALT
    return Option(
        source, per_l, found.litres_share, why, water, held, brought, found.miss, found.meets,
        found.miss + against, cap, within.most if times >= 1 else per_l,
    )  # fmt: skip


def is_barred(source: Source, facts: Facts, fed: Sequence[Fed]) -> bool:
    """Whether it may not be used there, is past its use, or a caution keeps it away."""
    if facts.stop.only and source.key not in facts.stop.only:
        return True
    if not source.there_on(facts.today):
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


def spared(source: Source, per_l: float, yard: Yard) -> float:
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


Parts = tuple[tuple[Composition, str, float], ...]
"""What a litre of can takes of feeds, by their names [mL or g], in the order of pouring."""
_MOST_KNOWN = 8192
_LITRES: dict[tuple[Parts, WaterIons], Mixture] = {}


def litre_of(parts: Parts, water: WaterIons) -> Mixture:
    """A litre of a can: so much of each feed, in the order in which it is poured."""
    return litres_of([(parts, water)])[0]


def litres_of(cans: Sequence[tuple[Parts, WaterIons]]) -> list[Mixture]:
    """A litre of each of several cans: quicker than one by one; the same are only looked up."""
    new = [one for one in dict.fromkeys(cans) if one not in _LITRES]
    if len(_LITRES) + len(new) > _MOST_KNOWN:
        _LITRES.clear()
        new = list(dict.fromkeys(cans))
    filled = fill_several([(_ingredients(parts), 1.0, water) for parts, water in new])
    _LITRES.update(zip(new, filled, strict=True))
    return [_LITRES[one] for one in cans]


def _ingredients(parts: Parts) -> list[Ingredient]:
    several = len(parts) > 1
    return [Ingredient(feed, per_l, name if several else "") for feed, name, per_l in parts]


@lru_cache(maxsize=4096)
def _bounded(
    feed: Composition, tokens: frozenset[str], whom: tuple[For, ...], water: WaterIons
) -> Bounds | None:
    return bounds(feed, tokens, whom, water)


@lru_cache(maxsize=64)
def in_water(water: WaterIons) -> Array:
    """What a litre of water brings of each nutrient [mg/L]."""
    return np.array([water.of("NO3_N" if n == "N" else n) for n in NUTRIENTS])


def cap_of(one: Fed, water: WaterIons) -> float:
    """What the feed part of a can may add for a planting [mS/cm]."""
    return feed_cap(one.grows.crop, one.stage, water.ec_ms_cm).feed_ec_ms_cm
