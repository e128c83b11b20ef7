"""A stop's slots as the solver wants them: what each can would bring, what is there without."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from dace.core.fed.facts import Facts
from dace.core.fed.options import Fed, Meal, Option
from dace.core.fed.owed import litres_to_drip
from dace.core.fed.recipe import best_water, litres_each
from dace.core.fed.records import Grows
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.plan.ahead import WEEK, Ahead
from dace.core.plan.choice import Choices
from dace.core.plan.middle import Middle
from dace.core.plan.problem import Problem, Slot
from dace.core.season.need import wish_now

Array = NDArray[np.float64]
_OVER_N, _OVER_N_FLOWER, _OVER_N_NONE = 1.0, 3.0, 8.0
_P_KEPT_FREE = 0.3
_FRUITING = ("bud", "flower", "fruit", "ripen", "harvest")


_Usual = dict[tuple[tuple[str, ...], frozenset[str]], tuple[Option, ...]]


def problems(aheads: Sequence[Ahead], choices: Choices) -> list[Problem | None]:
    """What each stop's weeks ask of the solver; None where nothing is ever mixed there."""
    unfed = _Unfed(aheads)
    return [_problem(at, ahead, choices, unfed) for at, ahead in enumerate(aheads)]


class _Unfed:
    """What is about the roots on each day if nothing is fed: one walk for all stops."""

    def __init__(self, aheads: Sequence[Ahead]) -> None:
        middle, count = Middle(aheads), aheads[0].count
        shape = (count + 1, len(aheads), len(NUTRIENTS))
        self.food, self.taken = np.zeros(shape), np.zeros(shape)
        self.lost = np.zeros((count + 1, len(aheads)))
        self.full = middle.full
        self.food[0], self.taken[0] = middle.food(), middle.taken()
        self.lost[0] = middle.bucket.water_out[:, 0]
        for day in range(1, count + 1):
            middle.morning(day)
            middle.evening()
            self.food[day], self.taken[day] = middle.food(), middle.taken()
            self.lost[day] = middle.bucket.water_out[:, 0]

    def gained(self, at: int, begin: int, end: int) -> Array:
        """What came within reach between two days, less what drained [mg]."""
        food = self.food[end, at] - self.food[begin, at]
        return np.asarray(food + self.taken[end, at] - self.taken[begin, at])

    def kept(self, at: int, begin: int, end: int) -> float:
        """The share of what is dissolved that does not drain meanwhile."""
        return float(np.exp(-(self.lost[end, at] - self.lost[begin, at]) / self.full[at]))


def _problem(at: int, ahead: Ahead, choices: Choices, unfed: _Unfed) -> Problem | None:
    if ahead.slow or ahead.first > ahead.count:
        return None
    found, day = [], ahead.first
    usual: _Usual = {}
    while day <= ahead.count:
        slot, days = _slot(at, day, ahead, choices, unfed, usual)
        if slot is not None:
            found.append(slot)
        day += days
    if not any(slot.keys for slot in found):
        return None
    return Problem(tuple(found), unfed.food[ahead.first, at], _top(at, ahead, unfed))


def _slot(
    at: int, day: int, ahead: Ahead, choices: Choices, unfed: _Unfed, usual: _Usual
) -> tuple[Slot | None, int]:
    """A slot, and the days that it carries; what suits is asked once for days that are alike."""
    awake = ahead.awake(ahead.on(day))
    if not awake:
        return None, WEEK
    facts = ahead.facts_on(day, ahead.rhythm(awake, choices.yard))
    counted = facts.rhythm.counted
    end = min(day + counted, ahead.count)
    gone = frozenset(key for key, last in choices.gone.items() if last <= day)
    alike = (tuple(one.clock.stage.key for one in awake), gone)
    if alike not in usual:
        usual[alike] = _usual(ahead, facts, awake, choices)
    several = usual[alike]
    litres = sum(one.litres_share for one in several[:1]) * litres_to_drip(facts)
    free = np.ones(len(NUTRIENTS))
    if facts.in_bed:
        free[NUTRIENTS.index("P")] = _P_KEPT_FREE
    brings = [[one.brought[n] for n in NUTRIENTS] for one in several]
    return Slot(
        ahead=day,
        keys=tuple(one.key for one in several),
        ranks=tuple(one.rank - several[0].rank for one in several),
        brings=np.array(brings).reshape(-1, len(NUTRIENTS)) * litres * free,
        kept=unfed.kept(at, day, end),
        gained=unfed.gained(at, day, end),
        need=ahead.fed_need[day:end].sum(axis=0) if end > day else np.zeros(len(NUTRIENTS)),
        over_n=_over_n(awake),
    ), counted


def _usual(ahead: Ahead, facts: Facts, awake: list[Grows], choices: Choices) -> tuple[Option, ...]:
    """What would feed it as it usually does at its rhythm: the need of a slot."""
    each = litres_each(facts, litres_to_drip(facts))
    fed = tuple(Fed(one, one.clock.stage, ahead.stop.strength, each) for one in awake)
    water, wish = best_water(facts, fed, choices.yard.waters), ahead.wish(awake)
    if water is None:
        return ()
    owed = judgement("need_margin").range.typ * facts.rhythm.counted * wish.need
    return choices.of(ahead, Meal(facts, fed, choices.yard, water, owed, wish.low))


def _over_n(awake: list[Grows]) -> float:
    """How much worse too much nitrogen is: once they flower, and where they want none."""
    stages = [one.clock.stage for one in awake]
    if any(stage.wish_of("N").typ <= 0 for stage in stages):
        return _OVER_N_NONE
    blooms = any(word in stage.key for stage in stages for word in _FRUITING)
    return _OVER_N_FLOWER if blooms else _OVER_N


def _top(at: int, ahead: Ahead, unfed: _Unfed) -> Array:
    """Enough: the medium's water at the top of the wish [mg]."""
    grows = ahead.stop.grows
    wish = [
        max(wish_now(one.crop, one.clock.stage, n, ahead.facts.in_bed).high for one in grows)
        for n in NUTRIENTS
    ]
    return np.asarray(np.maximum(np.array(wish) * unfed.full[at], 1.0))
