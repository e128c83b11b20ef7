"""What the kinds of verdict are asked with: one stop, its plantings' wants, its question."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cached_property

from dace.core.fed.facts import Facts
from dace.core.fed.owed import Owed, owed_to
from dace.core.fed.records import Grows, Question
from dace.core.season.outlook import Outlook
from dace.core.verdict.questions import drain_question, stage_question
from dace.core.verdict.wants import Want, rest_of, want_of


@dataclass(frozen=True)
class Decided:
    """The kind of a whole stop, its plantings' own, and a question that stands beside it."""

    kind: str
    why: str
    parts: tuple[Want, ...]
    next_on: date | None
    lacks: str
    question: Question | None
    owed: Owed


class Case:
    """One stop on a day; ``order`` are the keys of all kinds, the first that holds first."""

    def __init__(self, facts: Facts, days: Outlook, pen: bool, order: Sequence[str]) -> None:
        self.facts, self.days, self.pen, self.order = facts, days, pen, order
        grows = facts.stop.grows
        self.rests = {one.key: want for one in grows if (want := rest_of(facts, one, days))}
        self.awake: list[Grows] = [one for one in grows if one.key not in self.rests]
        self.owed = owed_to(facts, [one.key for one in self.awake])

    @cached_property
    def wants(self) -> tuple[Want, ...]:
        """What each planting wants, salts aside."""
        return tuple(
            self.rests.get(one.key)
            or want_of(self.facts, one, one.clock.stage, self.owed, self.days)
            for one in self.facts.stop.grows
        )

    @cached_property
    def first(self) -> Want:
        """The want that decides: the first kind that any of them has that is awake."""
        awake = (want for want in self.wants if want.kind != "rest")
        return min(awake, key=lambda want: self.order.index(want.kind))

    @cached_property
    def question(self) -> Question | None:
        """What might be looked at first."""
        return drain_question(self.facts, self.first.kind, self.pen) or stage_question(
            self.facts, self.awake, self.wants, self.days
        )

    @property
    def tomorrow(self) -> date:
        """When it is asked again where salt is the matter."""
        return self.facts.today + timedelta(days=1)

    def as_wanted(self, kind: str) -> Decided | None:
        """The verdict that the plantings' own wants come to, where that is of a kind."""
        first = self.first
        if first.kind != kind:
            return None
        lacks = next((w.lacks for w in self.wants if w.kind == kind and w.lacks), "")
        nexts = [w.next_on for w in self.wants if w.next_on is not None and w.kind != "rest"]
        on = min(nexts, default=None)
        return Decided(kind, first.why, self.wants, on, lacks, self.question, self.owed)
