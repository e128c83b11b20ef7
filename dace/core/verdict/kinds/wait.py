"""Wait: a feed is owed, and a gate or the last feed keeps it for another day."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.fed.records import Verdict
from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.base import VerdictKind, slot_ahead
from dace.core.verdict.words import till_words
from dace.core.words.days import day_words


class Wait(VerdictKind):
    """Not today."""

    key, mark, leads_to = "wait", "waits", "wait"
    urgency, acts, waits, held = 6, False, True, True
    block = ""
    against = ("care", "Not yet")

    def when(self, case: Case) -> Decided | None:
        """Where the first that is wanted there waits."""
        return case.as_wanted(self.key)

    def marked(self, facts: Facts, found: Verdict) -> str:
        """With its day."""
        return till_words(self.mark, facts, found)

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """Till when."""
        on = f" till {day_words(found.next_on, facts.today)}" if found.next_on else ""
        return f"Waits{on}; water if dry."

    def while_short(self, found: Verdict) -> str:
        """It runs low before it is fed."""
        return "little left between two feeds"

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """On the day that it waits for."""
        named = (found.next_on - facts.today).days if found.next_on else 1
        return max(1, slot_ahead(facts), named or 1)
