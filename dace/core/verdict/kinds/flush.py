"""Flush: salt is washed out of a pot, tub or tray with plain water, in goes."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.fed.records import Verdict
from dace.core.verdict.kinds.base import poured, slot_ahead
from dace.core.verdict.kinds.salt import AgainstSalt
from dace.core.verdict.words import number_word
from dace.core.words import shown

_AFTER_DAYS = 3


class Flush(AgainstSalt):
    """More salt than the most tender there likes, in what can be flushed."""

    key, mark, leads_to = "flush", "flush first", "flush"
    title = "flush"
    urgency, event, does = 1, "flush", "Flush"
    against = ("stop", "No feed today: flush first")

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """With which water, one go of how much, and how many more are likely."""
        plan = found.flush
        if plan is None:
            return "Flush first, with softer water than is here. No feed today."
        each = shown.litres(plan.each_l, 2)
        if not plan.read_after:
            goes = f"{number_word(plan.goes)} goes of {each}" if plan.goes > 1 else each
            return f"Flush: {found.water_name}, {goes}. No feed today."
        more = plan.goes - 1
        likely = f"; most likely {number_word(more)} more" if more else ""
        return f"Flush: {found.water_name}, one go of {each}, then read{likely}. No feed today."

    def button(self, facts: Facts, found: Verdict) -> str:
        """One go of it."""
        return poured(found)

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """When it has been read and has drained."""
        return max(slot_ahead(facts), _AFTER_DAYS)
