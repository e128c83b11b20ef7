"""How strong a feed is and how much of it: what is owed, between what suits at least and at most.

Notes
-----
Strength comes first, from the low end of the wish to 1.3 times its high end, never over what
roots bear nor the label's own rate; where even the weakest brings more than is owed, less of
it is poured.
"""

from __future__ import annotations

from collections.abc import Collection, Sequence
from dataclasses import dataclass, replace
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from dace.core.can.fitting import clearly_within, strongest_within
from dace.core.can.usual import For, never_there, usual_parts
from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.matter.settings import setting
from dace.core.matter.waters import WaterIons
from dace.core.season.crops import feed_cap
from dace.core.season.need import makes_its_own, wish_now

Array = NDArray[np.float64]
SIZED_BY = tuple(NUTRIENTS.index(nutrient) for nutrient in ("N", "P", "K"))
"""Nutrients by which a feed is sized; calcium and magnesium only rank the sources."""
_P = NUTRIENTS.index("P")
WEIGHTS = np.array([1.0, 0.6, 1.0, 0.6, 0.5])
_WEIGHTS: tuple[float, ...] = tuple(WEIGHTS.tolist())
_WHOLE = float(WEIGHTS.sum())
_ALL, _NOTHING = tuple(range(len(NUTRIENTS))), (0.0,) * len(NUTRIENTS)
_SHORT, _OVER = 3.0, 0.3
OVER_TO_SHORT = _OVER / _SHORT
"""What too much of a nutrient counts beside too little of it."""
_LEAST_LITRES = 0.25
_TRAY_LEAST, _TRAY_MOST = 0.25, 0.5  # of the label's rate
_AS_BASE = 2.0
_EATEN = ("leaf",)
_P_MORE = 1.5  # phosphorus over the wish harms little and stays
_FEW = 1e-9


@dataclass(frozen=True)
class Bounds:
    """A feed in a litre of can [mL or g]: the least and the most that suit, and why no more.

    ``whole`` where less than all that the fill takes would leave it dry.
    """

    least: float
    most: float
    why: str
    whole: bool = False


@dataclass(frozen=True)
class Weighing:
    """What some amounts of N, P, K, Ca, Mg [mg] make good of what is owed, and what is too much.

    Plain numbers: five of them are told quicker so than as an array.
    """

    owed: tuple[float, ...]
    weight: tuple[float, ...]

    @staticmethod
    def of(owed: Array, least: Array) -> Weighing:
        """``least`` are amounts under which nothing is worth much [mg]."""
        weight = WEIGHTS / np.maximum(np.maximum(owed, least), _FEW)
        return Weighing(tuple(owed.tolist()), tuple(weight.tolist()))

    def cost(self, brought: Sequence[float], among: Sequence[int] = SIZED_BY) -> float:
        """What is short and what is over, by what each counts."""
        found = 0.0
        for at in among:
            off = self.owed[at] - brought[at]
            found += self.weight[at] * (_SHORT * off if off > 0 else -_OVER * off)
        return found

    def shortest(self, brought: Sequence[float]) -> float:
        """The share that is wanting of what is met least of N, P, K; 0 to 1."""
        return max(
            max(0.0, self.owed[at] - brought[at]) * self.weight[at] / _WEIGHTS[at]
            for at in SIZED_BY
        )

    def miss(self, brought: Sequence[float]) -> float:
        """Of all five, 0 to about 3."""
        return self.cost(brought, _ALL) / _WHOLE

    def meets(self, brought: Sequence[float]) -> float:
        """The share of what is owed of N, P, K that is met."""
        unmet = self.cost(_NOTHING)
        return (unmet - self.cost(brought)) / max(unmet, _FEW)


@dataclass(frozen=True)
class Sized:
    """So much of a feed in a litre [mL or g], for a share of the litres that the fill takes.

    ``miss`` is what of the owed stays unmet or is brought too much, by what each nutrient
    counts: 0 to about 3; ``meets`` the share of what is owed that is met, 0 to 1.
    """

    per_l: float
    litres_share: float
    bound_by: str
    miss: float
    meets: float


def bounds(
    feed: Composition,
    tokens: Collection[str],
    whom: Sequence[For],
    water: WaterIons,
    base: bool = False,
) -> Bounds | None:
    """How weak and how strong a feed may be for all of some plants; None where it never suits.

    The ``base`` of a can may be as weak as one likes, and twice as strong as is usual where
    no young plants nor leaves that are eaten get of it.
    """
    found = [one for who in whom for one in _bounds(feed, tokens, who, water, base)]
    if not found or any(never_there(tokens, who) for who in whom):
        return None
    if any(who.stage.wish_of("N").typ <= 0 for who in whom):
        return None
    holds_n = feed.element("N") > 0
    if holds_n and any(makes_its_own(who.crop, who.stage, who.in_ground) for who in whom):
        return None
    most, why = min(found)
    if any(_in_tray(who) for who in whom):
        label = _label(feed)
        return Bounds(min(_TRAY_LEAST * label, most), most, why, whole=True) if holds_n else None
    lows = [least for who in whom if (least := _least(feed, who)) is not None]
    if most <= _FEW or not lows:
        return None
    if base:
        return Bounds(0.0, most, why)
    return Bounds(min(*lows, most), most, why)


def most_of(who: For, nutrient: str) -> float:
    """The most of a nutrient that a stage bears in a can [mg/L]; 0 where it wishes none."""
    more = judgement("over_high_wish").range.typ * (_P_MORE if nutrient == "P" else 1.0)
    return more * wish_now(who.crop, who.stage, nutrient, who.in_ground).high


def _named(nutrient: str) -> str:
    return NUTRIENT_NAMES[nutrient]


def _tender(who: For) -> bool:
    """Young plants, and leaves that are eaten."""
    return who.stage.is_seedling or who.crop.harvest_part in _EATEN


def _in_tray(who: For) -> bool:
    return setting(who.setting).seedlings and who.stage.is_seedling


def _label(feed: Composition) -> float:
    """The label's own rate [mL or g a litre], or what a usual label would say."""
    nitrogen = max(feed.element("N"), _FEW)
    return feed.label.rate_per_l or judgement("label_nitrogen").range.typ / nitrogen


def milder(within: Bounds, feed: Composition, whom: Sequence[For]) -> Bounds:
    """The same with the typical wish as the most."""
    each = [one for who in whom for one in _at(feed, who, "typ") if one > 0]
    most = min([within.most, *each])
    why = "what the stage wishes: salts went out lately"
    return replace(within, least=min(within.least, most), most=most, why=why)


def _least(feed: Composition, who: For) -> float | None:
    """The strength at which the first of N, P, K is at the low end of the wish."""
    return min((one for one in _at(feed, who, "low") if one > 0), default=None)


def _at(feed: Composition, who: For, end: Literal["low", "typ"]) -> list[float]:
    """The strengths [mL or g a litre] at which N, P, K are at an end of the wish."""
    return [
        float(getattr(wish_now(who.crop, who.stage, NUTRIENTS[at], who.in_ground), end)) / held
        for at in SIZED_BY
        if (held := feed.element(NUTRIENTS[at])) > 0
    ]


def _bounds(
    feed: Composition, tokens: Collection[str], who: For, water: WaterIons, base: bool
) -> list[tuple[float, str]]:
    found: list[tuple[float, str]] = [(1000.0, "neat")]
    if _in_tray(who):
        found.append((_TRAY_MOST * _label(feed), "half of the label's rate, for seedlings"))
    for at in SIZED_BY:
        nutrient = NUTRIENTS[at]
        held, most = feed.element(nutrient), most_of(who, nutrient)
        if held > 0 and most > 0 and not _in_tray(who):
            found.append((most / held, f"the most that the stage bears of {_named(nutrient)}"))
    if feed.label.rate_per_l is not None:
        found.append((feed.label.rate_per_l, "the label's own rate"))
    parts = usual_parts(tokens, who)
    if parts is not None:
        times = _AS_BASE if base and not _tender(who) else 1.0
        found.append((times * 1000 / (1 + parts), f"1 + {parts:g}, the strongest that is usual"))
    cap = feed_cap(who.crop, who.stage, water.ec_ms_cm).feed_ec_ms_cm
    if not clearly_within(min(found)[0], cap, feed):
        fits = strongest_within(cap, feed)
        if fits is not None:
            found.append((fits, "what the roots bear"))
    return found


def sized(
    feed: Composition, within: Bounds, owed: Array, litres: float, low: Array, water: Array
) -> Sized | None:
    """As strong as is owed, within bounds; None where it brings nothing of what is owed.

    Parameters
    ----------
    feed : Composition
        What is in the jar.
    within : Bounds
        The least and the most of it in a litre.
    owed : ndarray
        What is owed of N, P, K, Ca, Mg [mg].
    litres : float
        What the fill takes to its first drip [L].
    low : ndarray
        The low end of the wish [mg/L].
    water : ndarray
        What a litre of water brings itself [mg/L].
    """
    each = [feed.element(nutrient) for nutrient in NUTRIENTS]
    left = np.maximum(0.0, owed - water * litres)
    weigh = Weighing.of(left, low * litres)
    brings = [at for at in SIZED_BY if each[at] > 0 and weigh.owed[at] > _FEW]
    if not brings or litres <= 0:
        return None
    leads = [at for at in brings if at != _P] or brings  # no more nitrogen for phosphorus' sake
    full = ((weigh.owed[at] / (each[at] * litres), at) for at in leads)
    free = min((weigh.cost([one * mg * litres for mg in each]), one, at) for one, at in full)
    per_l = min(max(free[1], within.least), within.most)
    share = 1.0
    why = f"what is owed of {NUTRIENT_NAMES[NUTRIENTS[free[2]]]}"
    if free[1] > within.most:
        why = within.why
    elif free[1] < within.least:
        share = 1.0 if within.whole else max(_LEAST_LITRES, free[1] / within.least)
        why = "the least that the stage likes"
    brought = [mg * per_l * share * litres for mg in each]
    return Sized(per_l, share, why, weigh.miss(brought), weigh.meets(brought))
