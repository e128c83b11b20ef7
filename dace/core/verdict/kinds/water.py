"""Plain water only: a bed that is too salty, a flush not read yet, feeds that nobody checked."""

from __future__ import annotations

from dace.core.verdict.facts import Facts
from dace.core.verdict.kinds.base import poured, slot_ahead
from dace.core.verdict.kinds.salt import AgainstSalt
from dace.core.verdict.records import Verdict

_AFTER_DAYS = 2


class Water(AgainstSalt):
    """Plain water instead of a feed."""

    key, mark, leads_to = "water", "plain water", "plain water"
    title = "plain water, no feed"
    urgency, waters = 2, True
    against = ("stop", "No feed today: plain water")

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """Which water."""
        return f"Plain water only{', ' if found.water else ''}{found.water_name}. No feed today."

    def button(self, facts: Facts, found: Verdict) -> str:
        """One pour of it."""
        return poured(found, 1, 0)

    def next_feed(self, facts: Facts, found: Verdict) -> tuple[int, bool]:
        """Two days later."""
        return max(slot_ahead(facts), _AFTER_DAYS), facts.after_flush
