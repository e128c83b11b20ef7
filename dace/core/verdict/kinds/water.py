"""Plain water only: a bed that is too salty, a flush not read yet, feeds that nobody checked."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.fed.records import Verdict
from dace.core.verdict.kinds.base import poured, slot_ahead
from dace.core.verdict.kinds.salt import AgainstSalt

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
        """One pour of it; where it was flushed, it is read before anything is poured."""
        return "" if facts.waits_to_be_read else poured(found)

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """Two days later."""
        return max(slot_ahead(facts), _AFTER_DAYS)
