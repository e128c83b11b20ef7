"""Through the days ahead, all stops side by side: where a feed is due, with what, how much.

Notes
-----
The rules are the verdict's own, from the same functions: a slot of the stage's rhythm is open,
no gate is shut, and enough is owed to be worth a feed; as strong as is owed, weaker only by
salt that was read.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from dace.core.fed.dressing import Lack, dressings
from dace.core.fed.evenings import EARLIEST, barred, is_due
from dace.core.fed.facts import DRESSED_FOR_DAYS, Facts
from dace.core.fed.meals import RECKONED, salt_share_at
from dace.core.fed.options import Fed, Meal, Option
from dace.core.fed.owed import (
    BED_DAYS,
    POT_DAYS,
    dressing_for,
    feed_for,
    litres_to_drip,
    owed_of,
    sprouted,
    urgent,
)
from dace.core.fed.recipe import best_water, litres_each
from dace.core.fed.records import Grows, NamedWater, Portion
from dace.core.fed.wish import FillWish
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.plan.ahead import Ahead
from dace.core.plan.choice import Choices, charged_of
from dace.core.plan.middle import Middle
from dace.core.plan.records import Course
from dace.core.rootzone.records import charged_dry, charged_water

Array = NDArray[np.float64]
_LATER = 3
_NEVER = 10_000

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
    moved: str = ""
    others: tuple[Option, ...] = ()
    urgent: float = 0.0
    """What is owed beside the weak end of the wish: who is served first where a jar runs out."""

    @property
    def litres(self) -> float:
        """All that is poured [L]."""
        return sum(one.litres for one in self.fed)

    @property
    def used(self) -> dict[str, float]:
        """What it takes of the shelf [mL or g], by source."""
        if self.option is not None:
            return {source.key: per_l * self.litres for source, per_l in self.option.parts}
        return self.dressing.used if self.dressing else {}


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
    dress_on: int
    mild: bool
    moved: str = ""
    owed: dict[str, float] = field(default_factory=dict)
    given: list[Given] = field(default_factory=list)
    empty: list[int] = field(default_factory=list)


class Walk:
    """One walk; ``shares`` say which source is preferred where several suit."""

    def __init__(self, aheads: Sequence[Ahead], choices: Choices, shares: Shares) -> None:
        self.aheads, self.choices, self.shares = aheads, choices, shares
        self.middle = Middle(aheads)
        self.states = [
            _State(
                one.first,
                max(1, (one.facts.dress_on - one.facts.today).days) if one.slow else _NEVER,
                one.facts.after_flush or one.verdict.kind == "flush",
            )
            for one in aheads
        ]
        need = np.stack([one.fed_need for one in aheads])
        zero = np.zeros((len(aheads), 1, need.shape[2]))
        self.summed = np.concatenate([zero, np.cumsum(need, axis=1)], axis=1)
        self._there: dict[int, Array] = {}

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
            self._there.clear()
            for at, (ahead, state) in enumerate(zip(self.aheads, self.states, strict=True)):
                early = EARLIEST if ahead.stop.evenings else 0
                if min(state.next_on - early, state.dress_on) <= day:
                    self._due(at, day)
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
            if found.kind == "dress":
                self.states[at].dress_on = DRESSED_FOR_DAYS
            if found.kind == "flush" and found.flush is not None and water is not None:
                litres = found.flush.each_l * found.flush.goes
                self.middle.pour(at, litres, charged_water(water.ions), flush=True)
            elif found.recipe is not None and found.recipe.can is not None and water is not None:
                self._pour_portion(at, found.recipe, found.litres, water)
            elif found.recipe is not None:
                self._spread(at, found.recipe)
            elif found.kind == "feed":
                self.states[at].empty.append(0)

    def _pour_portion(self, at: int, portion: Portion, litres: float, water: NamedWater) -> None:
        feeds = {one.key: one.feed for one in self.choices.yard.sources}
        assert portion.can is not None
        mg_l = charged_of(portion.can, [feeds[key] for key in portion.used], water)
        self.middle.pour(at, litres, mg_l)

    def _spread(self, at: int, portion: Portion) -> None:
        source = next(s for s in self.choices.yard.sources if s.key == portion.source)
        if source.content is not None:
            content, grams = source.content, portion.amount
            at_once, later = charged_dry(content.at_once, grams), charged_dry(content.later, grams)
            self.middle.spread(at, at_once, later, content.half_life_days)

    def _due(self, at: int, day: int) -> None:
        ahead, state = self.aheads[at], self.states[at]
        awake = ahead.awake(ahead.on(day))
        if not awake:
            return
        facts = ahead.facts_on(day, ahead.rhythm(awake, self.choices.yard))
        wish = ahead.wish(awake)
        grown = any(not one.clock.stage.is_seedling for one in awake)
        if (
            facts.dressed
            and grown
            and state.dress_on <= day
            and self._dressed(at, day, facts, wish)
        ):
            return
        if not self._open(at, day, facts):
            return
        owed = self._owed(at, day, facts, wish, facts.rhythm.counted, not facts.in_bed)
        lacks = feed_for(facts, wish, owed)
        if lacks and all(sprouted(one, facts.today) for one in awake):
            self._canned(at, day, facts, awake, (lacks, owed))

    def _open(self, at: int, day: int, facts: Facts) -> bool:
        """Whether its slot is used that day: on an evening, or as it is watered."""
        if barred(facts.today, facts.stop.away):
            return False
        if facts.rhythm.with_water:
            return self.states[at].next_on <= day and self.middle.dry(at)
        opens = self.aheads[at].on(self.states[at].next_on)
        return is_due(facts.today, opens, facts.stop.evenings)

    def _owed(
        self, at: int, day: int, facts: Facts, wish: FillWish, days: int, kept: bool
    ) -> Array:
        until = min(day + days, self.summed.shape[1] - 1)
        need = self.summed[at, until] - self.summed[at, day]
        return owed_of(facts, wish, need, self._within(day, days)[at], facts.stop.tested_high, kept)

    def _within(self, day: int, days: int) -> Array:
        """What is within reach of each over some days [mg]; as the day began, once for all."""
        if days not in self._there:
            each = np.full(len(self.aheads), days)
            self._there[days] = self.middle.food() + self.middle.coming(day, each)
        return self._there[days]

    def _dressed(self, at: int, day: int, facts: Facts, wish: FillWish) -> bool:
        """Whether it is dressed on a day on which it is looked at for that."""
        ahead, state = self.aheads[at], self.states[at]
        days = BED_DAYS if facts.in_bed else POT_DAYS
        owed = self._owed(at, day, facts, wish, days, True)
        lacks = dressing_for(facts, wish, owed)
        if not lacks:
            return False
        awake, shut = ahead.open_to(ahead.awake(facts.today), facts.today)
        if not awake:
            state.moved = state.moved or shut
            return True
        fed = tuple(Fed(one, one.clock.stage, 1.0, 0.0) for one in awake)
        stock = {key: 0.0 for key, gone in self.choices.gone.items() if gone <= day}
        lack = Lack(lacks, float(owed[NUTRIENTS.index(lacks)]))
        offers = dressings(facts, fed, lack, self.choices.yard, stock)
        if not offers:
            return False
        self._spread(at, offers[0])
        moved, state.moved = state.moved, ""
        each = urgent(owed, wish, litres_to_drip(facts))
        state.given.append(
            Given(day, facts, fed, lacks, dressing=offers[0], moved=moved, urgent=each)
        )
        state.dress_on = day + DRESSED_FOR_DAYS
        if not facts.in_bed:
            state.next_on = day + DRESSED_FOR_DAYS
        return True

    def _canned(
        self, at: int, day: int, facts: Facts, awake: list[Grows], asked: tuple[str, Array]
    ) -> None:
        ahead, state = self.aheads[at], self.states[at]
        lacks, owed = asked
        opened, shut = ahead.open_to(awake, facts.today)
        if not opened:
            state.moved = state.moved or shut
            return
        share = self._salt(at, facts)
        if share is None:
            state.moved = state.moved or "salts have to go down first"
            return
        each = litres_each(facts, litres_to_drip(facts))
        fed = tuple(Fed(one, one.clock.stage, share * ahead.stop.strength, each) for one in opened)
        water = best_water(facts, fed, self.choices.yard.waters)
        if water is None:
            return
        meal = Meal(
            facts, fed, self.choices.yard, water, owed, ahead.wish(awake).low, mild=state.mild
        )
        several = self.choices.of(ahead, meal)
        if not several:
            state.empty.append(day)
            state.next_on = day + _LATER
            return
        chosen = self._picked(at, day, several)
        fed = tuple(replace(one, litres_each=one.litres_each * chosen.litres_share) for one in fed)
        given = Given(
            day, facts, fed, lacks, chosen, water, moved=state.moved, others=several,
            urgent=urgent(owed, ahead.wish(awake), litres_to_drip(facts)),
        )  # fmt: skip
        self.middle.pour(at, given.litres, self.choices.charged(chosen, water))
        state.given.append(given)
        state.moved, state.mild = "", False
        state.next_on = day + facts.rhythm.apart

    def _salt(self, at: int, facts: Facts) -> float | None:
        """What salt leaves of a feed's strength; None where it gets plain water instead."""
        if facts.band is None or facts.in_bed:
            return 1.0
        drain = float(self.middle.drains()[at])
        if facts.lately_read:
            return salt_share_at(drain, facts.band.high)
        return None if drain > RECKONED * facts.band.high else 1.0

    def _picked(self, at: int, day: int, several: tuple[Option, ...]) -> Option:
        """By the shares of its week; what they were wanted and did not get is owed to sources."""
        ahead, state = self.aheads[at], self.states[at]
        slots = [slot for stop, slot in self.shares if stop == ahead.stop.key and slot <= day]
        shares = self.shares.get((ahead.stop.key, max(slots, default=-1)), {})
        known = {one.key: one for one in several}
        wanted = {key: share for key, share in shares.items() if key in known}
        total = sum(wanted.values())
        if total <= 0:
            return several[0]
        for key, share in wanted.items():
            state.owed[key] = state.owed.get(key, 0.0) + share / total
        picked = max(wanted, key=lambda key: (round(state.owed[key], 9), -known[key].rank, key))
        state.owed[picked] -= 1.0
        return known[picked]
