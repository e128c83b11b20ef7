"""Through the days ahead, all stops side by side: where a feed is due, with what, how much.

Notes
-----
The rules are the verdict's own: a slot of the rhythm is due, no gate is shut, and without a
feed nitrogen or potassium within reach would fall under the need of the days to the next
slot; as strong as the stage wishes, half near the top of comfort, none beyond it.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.plan.ahead import DRESSED_EVERY, Ahead
from dace.core.plan.choice import Choices, charged_of
from dace.core.plan.middle import Middle
from dace.core.plan.records import Course
from dace.core.rootzone.meaning import near_top
from dace.core.rootzone.records import charged_dry, charged_water
from dace.core.verdict.dressing import Lack, dressings
from dace.core.verdict.facts import DRESSED_FOR_DAYS, Facts
from dace.core.verdict.options import HALF, Fed, Option
from dace.core.verdict.reach import DECIDES
from dace.core.verdict.recipe import LEAST_ROOM, room_of
from dace.core.verdict.records import NamedWater, Portion

Array = NDArray[np.float64]
_DECIDES = [NUTRIENTS.index(nutrient) for nutrient in DECIDES]
_FEW_MG = 1e-3
_WATERED_EVERY = 2
_LATER = 3

Shares = Mapping[tuple[str, int], Mapping[str, float]]
"""How far each source is to be used at a stop in a week, by stop and days ahead of its slot."""


@dataclass(frozen=True)
class Given:
    """What is given at a stop on a day ahead: a can of ``option``, or a ``dressing``."""

    ahead: int
    facts: Facts
    fed: tuple[Fed, ...]
    lacks: str
    option: Option | None = None
    water: NamedWater | None = None
    dressing: Portion | None = None
    waterings: int = 1
    halved: str = ""
    moved: str = ""
    others: tuple[Option, ...] = ()

    @property
    def litres(self) -> float:
        """All that is poured [L]."""
        return sum(one.litres for one in self.fed) * self.waterings

    @property
    def source(self) -> str:
        """The key of what it takes from the shelf."""
        if self.option is not None:
            return self.option.source.key
        return self.dressing.source if self.dressing else ""

    @property
    def amount(self) -> float:
        """How much of it [mL or g]."""
        if self.option is not None:
            return self.option.per_l * self.litres
        return self.dressing.amount if self.dressing else 0.0


@dataclass
class Walked:
    """What came of a stop: its events, and how it fared."""

    given: list[Given]
    course: Course
    empty: list[int]
    """Days ahead, 0 for today, on which a feed was due and nothing on the shelf suited."""


@dataclass
class _State:
    next_on: int
    halved: bool
    moved: str = ""
    owed: dict[str, float] = field(default_factory=dict)
    given: list[Given] = field(default_factory=list)
    empty: list[int] = field(default_factory=list)


class Walk:
    """One walk; ``shares`` say which source is preferred where several suit."""

    def __init__(self, aheads: Sequence[Ahead], choices: Choices, shares: Shares) -> None:
        self.aheads, self.choices, self.shares = aheads, choices, shares
        self.middle = Middle(aheads)
        self.states = [_State(one.first, one.halved) for one in aheads]
        self.pours: dict[int, list[tuple[int, float, tuple[float, ...]]]] = {}
        self.every = np.array([one.every for one in aheads])
        need = np.stack([one.fed_need for one in aheads])
        zero = np.zeros((len(aheads), 1, need.shape[2]))
        self.summed = np.concatenate([zero, np.cumsum(need, axis=1)], axis=1)
        ignored = [[n in one.stop.tested_high for n in DECIDES] for one in aheads]
        self.decides = ~np.array(ignored, dtype=bool)

    def run(self) -> list[Walked]:
        """To the last day of the plan."""
        count = self.aheads[0].count
        self._today()
        taken = np.zeros((count + 1, len(self.aheads), len(NUTRIENTS)))
        taken[0] = self.middle.taken()
        within, strong = np.zeros_like(taken[1:]), np.zeros_like(taken[1:])
        drain = np.zeros(taken[1:].shape[:2])
        for day in range(1, count + 1):
            self.middle.morning(day)
            self._feed(day)
            for stop, litres, mg_l in self.pours.pop(day, ()):
                self.middle.pour(stop, litres, mg_l)
            self.middle.evening()
            taken[day] = self.middle.taken()
            within[day - 1], drain[day - 1] = self.middle.food(), self.middle.drains()
            strong[day - 1] = within[day - 1] / self.middle.bucket.water
        pace = judgement("uptake_pace").range
        spread = (pace.low / pace.typ, pace.high / pace.typ)
        took, still = np.diff(taken, axis=0), self.middle.still()
        return [
            Walked(
                state.given,
                Course(
                    ahead.on(1), ahead.fed_need[:count], took[:, at], within[:, at],
                    strong[:, at], drain[:, at], still[at], spread,
                ),
                state.empty,
            )
            for at, (ahead, state) in enumerate(zip(self.aheads, self.states, strict=True))
        ]  # fmt: skip

    def _today(self) -> None:
        """What the verdict of today does to each stop."""
        for at, ahead in enumerate(self.aheads):
            found = ahead.verdict
            water = next((w for w in self.choices.yard.waters if w.key == found.water), None)
            if found.kind == "flush" and found.flush is not None and water is not None:
                litres = found.flush.each_l * found.flush.goes
                self.middle.pour(at, litres, charged_water(water.ions), flush=True)
            elif found.recipe is not None and found.recipe.can is not None and water is not None:
                self._pour_portion(at, found.recipe, water)
            elif found.recipe is not None:
                self._spread(at, found.recipe)
            elif found.kind == "feed":
                self.states[at].empty.append(0)

    def _pour_portion(self, at: int, portion: Portion, water: NamedWater) -> None:
        source = next(s for s in self.choices.yard.sources if s.key == portion.source)
        assert portion.can is not None
        mg_l = charged_of(portion.can, source.feed, water)
        self.middle.pour(at, portion.litres, mg_l)

    def _spread(self, at: int, portion: Portion) -> None:
        source = next(s for s in self.choices.yard.sources if s.key == portion.source)
        if source.content is not None:
            content, grams = source.content, portion.amount
            at_once, later = charged_dry(content.at_once, grams), charged_dry(content.later, grams)
            self.middle.spread(at, at_once, later, content.half_life_days)

    def _lacking(self, day: int) -> Array:
        """By how much each stop would fall short of N and K until its next slot [mg]."""
        until = np.minimum(day + self.every, self.summed.shape[1] - 1)
        each = np.arange(len(self.aheads))
        need = (self.summed[each, until] - self.summed[:, day])[:, _DECIDES]
        there = (self.middle.food() + self.middle.coming(day, self.every))[:, _DECIDES]
        lack = np.where((need > _FEW_MG) & self.decides, need - there, 0.0)
        return np.asarray(np.maximum(lack, 0.0))

    def _feed(self, day: int) -> None:
        asked = [at for at, state in enumerate(self.states) if state.next_on <= day]
        if not asked:
            return
        lack, drains = self._lacking(day), self.middle.drains()
        for at in asked:
            if lack[at].any():
                lacks = DECIDES[int(np.argmax(lack[at] > 0))]
                self._due(at, day, lacks, float(drains[at]))

    def _due(self, at: int, day: int, lacks: str, drain: float) -> None:
        ahead, state = self.aheads[at], self.states[at]
        facts = ahead.facts_on(day)
        band, bed = facts.band, facts.in_bed
        half = ""
        if state.halved:
            half = "half strength after the flush"
        elif band is not None and drain > near_top(band):
            half = "half strength: salts are near the top of what suits"
        fed, shut = ahead.fed(facts, HALF if half else ahead.stop.strength)
        if not fed:
            state.moved = state.moved or shut
            return
        per_drain = judgement("pore_to_pour_through").range.typ
        room = float("inf")
        if band is not None and drain > band.high:
            room = 0.0
        elif band is not None and not bed:
            litres = float(self.middle.full[at])
            room = room_of(drain / per_drain, band.high / per_drain, litres, fed) / ahead.waterings
        if room < LEAST_ROOM:
            state.moved = "the medium could take no more salts before"
            return
        given = self._dressed(at, day, facts, fed, lacks) if ahead.slow else None
        given = given or self._canned(at, day, facts, fed, lacks, room)
        if given is None:
            state.empty.append(day)
            state.next_on = day + _LATER
            return
        moved = state.moved
        state.given.append(replace(given, halved=half, moved=moved))
        state.moved, state.halved = "", False
        state.next_on = day + (ahead.every if given.option else DRESSED_EVERY)

    def _dressed(
        self, at: int, day: int, facts: Facts, fed: tuple[Fed, ...], lacks: str
    ) -> Given | None:
        column = NUTRIENTS.index(lacks)
        until = min(day + DRESSED_FOR_DAYS, self.summed.shape[1] - 1)
        need = self.summed[at, until, column] - self.summed[at, day, column]
        days = np.full(len(self.aheads), DRESSED_FOR_DAYS)
        there = self.middle.food()[at, column] + self.middle.coming(day, days)[at, column]
        yard = self.choices.yard
        stock = {key: 0.0 for key, gone in self.choices.gone.items() if gone <= day}
        offers = dressings(facts, fed, Lack(lacks, float(max(0.0, need - there))), yard, stock)
        if not offers:
            return None
        self._spread(at, offers[0])
        return Given(day, facts, fed, lacks, dressing=offers[0])

    def _canned(
        self, at: int, day: int, facts: Facts, fed: tuple[Fed, ...], lacks: str, room: float
    ) -> Given | None:
        ahead = self.aheads[at]
        found = self.choices.fitting(ahead, facts, fed, lacks, room)
        if found is None:
            return None
        water, several = found
        chosen = self._picked(at, day, several)
        mg_l = self.choices.charged(chosen, water)
        litres = sum(one.litres for one in fed)
        for turn in range(ahead.waterings):
            self.pours.setdefault(day + _WATERED_EVERY * turn, []).append((at, litres, mg_l))
        return Given(
            day, facts, fed, lacks, chosen, water, waterings=ahead.waterings, others=several
        )

    def _picked(self, at: int, day: int, several: tuple[Option, ...]) -> Option:
        """By the shares of its week; what they were wanted and did not get is owed to sources."""
        ahead, state = self.aheads[at], self.states[at]
        slot = ahead.first + (day - ahead.first) // ahead.every * ahead.every
        shares = self.shares.get((ahead.stop.key, slot), {})
        known = {one.source.key: one for one in several}
        wanted = {key: share for key, share in shares.items() if key in known}
        total = sum(wanted.values())
        if total <= 0:
            return several[0]
        for key, share in wanted.items():
            state.owed[key] = state.owed.get(key, 0.0) + share / total
        picked = max(wanted, key=lambda key: (round(state.owed[key], 9), -known[key].rank, key))
        state.owed[picked] -= 1.0
        return known[picked]
