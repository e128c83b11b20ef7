"""Enough: what the medium holds carries it for now."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.fed.owed import to_move_on
from dace.core.fed.records import Verdict
from dace.core.season.need import makes_its_own
from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.base import VerdictKind, slot_ahead
from dace.core.verdict.words import till_words
from dace.core.words.days import day_words

_CARRIES_DAYS = 42


class Enough(VerdictKind):
    """Nothing is owed yet."""

    key, mark, leads_to = "enough", "enough", "nothing today"
    urgency, acts, waits = 7, False, True
    block = ""
    against = ("care", "Nothing is wanted yet")

    def when(self, case: Case) -> Decided | None:
        """Where nothing of it wants anything."""
        return case.as_wanted(self.key)

    def marked(self, facts: Facts, found: Verdict) -> str:
        """With its day; legumes make their own."""
        if all(makes_its_own(g.crop, g.clock.stage, facts.in_bed) for g in facts.stop.grows):
            return "makes its own"
        if all(to_move_on(facts, g) for g in facts.stop.grows):
            return "pot on"
        return till_words(self.mark, facts, found)

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """Of several plantings, till when together."""
        if len(found.each) == 1:
            return super().headline(facts, found, why)
        if found.next_on is None:
            return "Enough of everything for weeks."
        return f"Enough till about {day_words(found.next_on, facts.today)}."

    def reason(self, facts: Facts, decided: Decided) -> str:
        """What carries it till then."""
        wants = decided.parts
        if all(makes_its_own(w.grows.crop, w.grows.clock.stage, facts.in_bed) for w in wants):
            return "The nodules on its roots feed it."
        if all(want.pot_on for want in wants):
            return "The cell holds too little for more."
        if any(want.on_paper for want in wants):
            return "The leaves count for more than the sums."
        return f"The {'soil' if facts.in_bed else 'pot'} has enough."

    def while_short(self, found: Verdict) -> str:
        """It lasts for now."""
        return "little there, and it lasts for now"

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """On the day on which it runs low."""
        named = _CARRIES_DAYS - facts.rhythm.apart
        if found.next_on is not None:
            named = (found.next_on - facts.today).days
        return max(1, slot_ahead(facts), named)
