"""The days ahead of one stop: what its plants need, at which stage, and who may be fed when."""

from __future__ import annotations

import hashlib
from collections.abc import Sequence
from dataclasses import dataclass, field, replace
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.fed.evenings import fitted
from dace.core.fed.facts import Facts, facts_of
from dace.core.fed.gates import why_shut
from dace.core.fed.records import Grows, Rhythm, Stop, Verdict, Yard
from dace.core.fed.rhythm import rhythm_now, rhythm_of
from dace.core.fed.wish import FillWish
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.rootzone.course import course_of, needs, somebody_there
from dace.core.rootzone.meaning import Comfort, comfort
from dace.core.rootzone.mondays import Newest
from dace.core.season.need import Span, spans
from dace.core.season.outlook import Outlook
from dace.core.verdict.kinds import kind_of
from dace.core.verdict.wants import rest_of

Array = NDArray[np.float64]
WEEK = 7
MARGIN = 30
"""Days beyond the plan, so that a feed on its last day knows what it has to carry."""
_ASKED_EVERY = 7


Stages = tuple[tuple[str, str], ...]


def _stages(awake: Sequence[Grows]) -> Stages:
    return tuple((one.key, one.clock.stage.key) for one in awake)


@dataclass(eq=False)
class Ahead:
    """One stop from tomorrow on: arrays have one row for each day ahead, the margin with it.

    ``fed_need`` [mg, (days, 5)] is of the plantings that are fed on that day. ``first`` is the
    first day ahead on which an event may be. ``mark`` stands for all that its weeks follow
    from but the shelf.
    """

    stop: Stop
    verdict: Verdict
    facts: Facts
    days: Outlook
    count: int
    use: Array
    need: Array
    age: Array
    rain: Array
    watered: NDArray[np.bool_]
    fed_need: Array
    first: int
    spans: dict[str, tuple[Span, ...]]
    mark: bytes = b""
    _wishes: dict[Stages, FillWish] = field(default_factory=dict)
    _rhythms: dict[Stages, Rhythm] = field(default_factory=dict)

    @property
    def slow(self) -> bool:
        """Whether what it lacks is given dry."""
        return self.facts.dressed

    def on(self, ahead: int) -> date:
        """The day so many days ahead."""
        return self.facts.today + timedelta(days=ahead)

    def band(self, ahead: int) -> Comfort | None:
        """What its drain may read then."""
        return comfort(self.stop.followed.root_zone, self.on(ahead))

    def facts_on(self, ahead: int, rhythm: Rhythm) -> Facts:
        """The stop's state as far as a day ahead decides it; its salts are the walk's."""
        age = self.facts.read_age
        return replace(
            self.facts,
            today=self.on(ahead),
            band=self.band(ahead),
            rhythm=fitted(rhythm, self.on(ahead), self.stop.evenings),
            read=None,
            read_age=None if age is None else age + ahead,
        )

    def awake(self, on: date) -> list[Grows]:
        """What is fed on a day, at the stage that it is likely to have then."""
        found, facts = [], replace(self.facts, today=on)
        for one in self.stop.grows:
            there = self._at(one, on)
            if there is not None and rest_of(facts, there, self.days) is None:
                found.append(there)
        return found

    def _at(self, one: Grows, on: date) -> Grows | None:
        span = _span_on(self.spans[one.key], on)
        if span is None:
            return None
        return replace(one, clock=replace(one.clock, stage=span.stage, other=None, question=""))

    def wish(self, awake: Sequence[Grows]) -> FillWish:
        """What those that are fed wish together."""
        key = _stages(awake)
        if key not in self._wishes:
            root = self.stop.followed.root_zone
            grown = [(one, one.clock.stage) for one in awake]
            self._wishes[key] = FillWish.of(grown, root.litres, root.is_bed)
        return self._wishes[key]

    def rhythm(self, awake: Sequence[Grows], yard: Yard) -> Rhythm:
        """How often they are fed at their stages; what is on the shelf is of the mark, as it is."""
        key = _stages(awake)
        if key not in self._rhythms:
            grown = [(one, one.clock.stage) for one in awake]
            self._rhythms[key] = rhythm_of(self.stop, grown, yard.sources, yard.waters)
        return self._rhythms[key]

    def open_to(self, awake: Sequence[Grows], on: date) -> tuple[list[Grows], str]:
        """Who of them is fed on a day, and why not where a gate keeps all away."""
        shut = [why_shut(self.facts, one, self.days, on) for one in awake]
        found = [one for one, why in zip(awake, shut, strict=True) if not why]
        return found, "" if found else next((why for why in shut if why), "")


_KNOWN: Newest[Ahead] = Newest(128)


def ahead_of(stop: Stop, verdict: Verdict, yard: Yard, count: int) -> Ahead:
    """Lay out so many days of a stop from tomorrow on; the same is only looked up."""
    grown = {one.key: spans(one.clock) for one in stop.grows}
    facts = facts_of(stop, rhythm_now(stop, yard.sources, yard.waters))
    shelf = repr([(one.feed, one.tokens, one.dissolves) for one in yard.sources])
    mark = _mark(stop, verdict, grown, f"{yard.days.digest} {count} {shelf} {yard.waters}")
    known = _KNOWN.newest([mark])
    if known is None:
        known = _laid_out(facts, verdict, yard.days, count, grown)
        known.mark = mark
        _KNOWN.keep(mark, lambda: known)
    return known


def _laid_out(
    facts: Facts, verdict: Verdict, days: Outlook, count: int, grown: dict[str, tuple[Span, ...]]
) -> Ahead:
    stop = facts.stop
    root = stop.followed.root_zone
    course = course_of(root, days, count + MARGIN)
    after = slice(course.today + 1, None)
    found = Ahead(
        stop=stop,
        verdict=verdict,
        facts=facts,
        days=days,
        count=count,
        use=course.use[after],
        need=course.need[after],
        age=course.age[after],
        rain=course.rain[after],
        watered=somebody_there(root.unwatered, course.first, course.count)[after],
        fed_need=np.zeros((count + MARGIN, len(NUTRIENTS))),
        first=kind_of(verdict.kind).next_feed(facts, verdict),
        spans=grown,
    )
    rows = needs(root, course.first, course.count)[:, after]
    for row, growing in zip(rows, root.growing, strict=False):
        one = next((g for g in stop.grows if g.key == growing.key), None)
        if one is not None:
            found.fed_need += row * _awake_days(found, one)[:, None]
    return found


def _mark(stop: Stop, verdict: Verdict, grown: dict[str, tuple[Span, ...]], days: str) -> bytes:
    said = [
        (g.key, g.crop.key, g.crop.name, g.plants, g.since, g.started_on, g.control, g.looked_on,
         g.clock.ends_on, [(span.stage.key, span.first, span.after) for span in grown[g.key]])
        for g in stop.grows
    ]  # fmt: skip
    recipe = verdict.recipe
    act = (verdict.kind, verdict.next_on, verdict.litres, verdict.flush and verdict.flush.each_l,
           recipe and (recipe.used, recipe.water))  # fmt: skip
    about = replace(stop, followed=None, grows=(), mixed=None)  # type: ignore[arg-type]
    return hashlib.sha256(stop.followed.whole + repr((said, act, about, days)).encode()).digest()


def _awake_days(ahead: Ahead, one: Grows) -> Array:
    """1 on days on which a planting is fed: asked once a week and wherever its stage changes."""
    total = len(ahead.fed_need)
    edges = {*range(1, total + 1, _ASKED_EVERY)}
    for span in ahead.spans[one.key]:
        edges |= {(span.first - ahead.facts.today).days, (span.after - ahead.facts.today).days}
    asked = sorted(edge for edge in edges if 1 <= edge <= total)
    found = np.zeros(total)
    for begin, end in zip(asked, [*asked[1:], total + 1], strict=True):
        facts = replace(ahead.facts, today=ahead.on(begin))
        there = ahead._at(one, facts.today)
        last = ahead.days.last
        if there is not None and facts.today < last:
            found[begin - 1 : end - 1] = rest_of(facts, there, ahead.days) is None
    return found


def _span_on(found: tuple[Span, ...], on: date) -> Span | None:
    """The stage of a day; None before the first and after the last."""
    return next((span for span in found if span.first <= on < span.after), None)
