"""A brew at the bottom of the can, and a pinch of something bought for what is still owed.

Notes
-----
What is made goes in first, soonest to spoil first, as far as something is owed; it may be twice
as strong as is usual alone where no young plants nor leaves that are eaten get of it. What is
bought fills up, under what the stage bears of each nutrient and under the cap of both together.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace

import numpy as np
from numpy.typing import NDArray

from dace.core.can.fitting import amount_about, conducts_about
from dace.core.can.ingredient import Source
from dace.core.can.usual import rounded_strength
from dace.core.fed.levers import SIZED_BY, Weighing, bounds, most_of, sized
from dace.core.fed.options import (
    Base,
    Meal,
    Option,
    in_rank,
    in_water,
    option_of,
    spared,
)
from dace.core.matter.nutrients import NUTRIENTS

_MADE_FIRST = 0.5
"""How much better a can with a brew in it is ranked where made things go first."""
_LEAST_ML = 50.0
_WORTH, _AS_GOOD = 0.02, 0.02
_TOPS = 3  # bought sources that a brew is tried with, the best first
_SHARES = (1.0, 0.7, 0.45, 0.25, 0.12)
_FEW = 1e-9


def bases(sources: Sequence[Source], meal: Meal) -> list[Source]:
    """Those of some allowed sources that go into a can first, the soonest to spoil before."""
    if meal.facts.in_tray or meal.facts.stop.approach == "soluble":
        return []
    made = [one for one in sources if one.home_made]
    late = max((one.keeps_until for one in made if one.keeps_until), default=meal.facts.today)
    return sorted(made, key=lambda one: (one.keeps_until or late, -one.stock, one.feed.mg))


@dataclass(frozen=True, eq=False)
class _Bottom:
    base: Base
    brings: NDArray[np.float64]
    """Of a litre [mg]."""

    def times(self, share: float) -> _Bottom:
        """So much of it."""
        if share == 1:
            return self
        per_l = rounded_strength(share * self.base.per_l, "mL")
        times = per_l / self.base.per_l
        return _Bottom(Base(self.base.source, per_l), times * self.brings)


def with_base(
    meal: Meal,
    made: Sequence[Source],
    bought: Sequence[Option],
    stock: Mapping[str, float],
) -> tuple[Option, ...]:
    """Cans of the first brew that makes good some of what is owed, each with one bought source.

    Parameters
    ----------
    meal : Meal
        Who is fed, and what is owed.
    made : sequence of Source
        Brews that may be used there, in the order in which they are to go.
    bought : sequence of Option
        What would be poured alone.
    stock : dict
        What is left of each source, by key.
    """
    for source in made:
        bottom = _bottom(source, meal, stock.get(source.key, source.stock))
        if bottom is None:
            continue
        tops = [one for one in in_rank(bought) if not one.source.home_made][:_TOPS]
        cans = [can for one in tops if (can := _as_full(bottom, one, meal)) is not None]
        if cans:
            return tuple(cans)
    return ()


def _as_full(bottom: _Bottom, alone: Option, meal: Meal) -> Option | None:
    """With as much of the brew as leaves room for what is owed: no hungrier than without it."""
    without = _shortest(alone, meal)
    for share in _SHARES:
        can = _topped(bottom.times(share), alone.source, meal)
        if can is not None and _shortest(can, meal) <= without + _AS_GOOD:
            return can
    return None


def _shortest(one: Option, meal: Meal) -> float:
    """What is still wanting of what a can meets least."""
    litres = meal.litres * one.litres_share
    return _weighing(meal).shortest([one.brought[n] * litres for n in NUTRIENTS])


def _weighing(meal: Meal) -> Weighing:
    left = np.maximum(0.0, meal.owed - in_water(meal.water.ions) * meal.litres)
    return Weighing.of(left, meal.low * meal.litres)


def _bottom(source: Source, meal: Meal, left_ml: float) -> _Bottom | None:
    within = bounds(source.feed, source.tokens, meal.whom, meal.water.ions, base=True)
    if within is None or left_ml < _LEAST_ML:
        return None
    water = in_water(meal.water.ions)
    found = sized(source.feed, within, meal.owed, meal.litres, meal.low, water)
    if found is None or found.meets < _WORTH:
        return None
    share = min(1.0, *(one.share for one in meal.fed))
    per_l = min(found.per_l * found.litres_share * share, left_ml / meal.litres)
    if per_l * meal.litres < _LEAST_ML:
        return None
    per_l = rounded_strength(per_l, "mL")
    brings = np.array([per_l * source.feed.element(n) for n in NUTRIENTS])
    return _Bottom(Base(source, per_l), brings)


def _topped(bottom: _Bottom, source: Source, meal: Meal) -> Option | None:
    """The same with a bought source on top; None where nothing of that is owed any more."""
    poured = bottom.brings * meal.litres
    rest = replace(meal, owed=np.maximum(0.0, meal.owed - poured))
    one = option_of(source, rest, least=0.0)
    if one is None:
        return None
    room = _room(bottom, one, meal)
    per_l = min(one.per_l * one.litres_share, room)
    if per_l <= _FEW:
        return None
    adds = {n: per_l * source.feed.element(n) for n in NUTRIENTS}
    brought = {n: float(bottom.brings[at]) + adds[n] for at, n in enumerate(NUTRIENTS)}
    plain = {n: one.held[n] - one.brought[n] for n in NUTRIENTS}
    whole = [brought[n] * meal.litres for n in NUTRIENTS]
    weigh = _weighing(meal)
    miss = weigh.miss(whole)
    first = _MADE_FIRST * (1 - max(0.0, meal.yard.slider))  # who spares effort brews less
    first -= spared(bottom.base.source, bottom.base.per_l, meal.yard)
    return replace(
        one,
        per_l=per_l,
        litres_share=1.0,
        held={n: brought[n] + plain[n] for n in NUTRIENTS},
        brought=brought,
        miss=miss,
        meets=weigh.meets(whole),
        rank=miss + one.rank - one.miss - first,
        most=max(per_l, min(one.most, room)),
        base=bottom.base,
    )


def _room(bottom: _Bottom, one: Option, meal: Meal) -> float:
    """The most of what is bought that a litre takes beside the brew [mL or g]."""
    base = bottom.base
    left = one.cap - conducts_about(base.per_l, base.source.feed)
    found = [amount_about(left, one.source.feed)]
    for at in SIZED_BY:
        nutrient, each = NUTRIENTS[at], one.source.feed.element(NUTRIENTS[at])
        most = min((most_of(who, nutrient) for who in meal.whom), default=0.0)
        if each > 0 and most > 0:
            found.append(max(0.0, most - float(bottom.brings[at])) / each)
    return min(found, default=float("inf"))
