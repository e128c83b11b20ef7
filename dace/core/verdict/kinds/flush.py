"""Flush: salt is washed out of a pot, tub or tray with plain water, in goes."""

from __future__ import annotations

from dace.core.verdict.facts import Facts
from dace.core.verdict.kinds.base import poured, slot_ahead
from dace.core.verdict.kinds.salt import AgainstSalt
from dace.core.verdict.records import Verdict
from dace.core.verdict.words import number_word
from dace.core.words import shown

_WEEK = 7


class Flush(AgainstSalt):
    """More salt than the most tender there likes, in what can be flushed."""

    key, mark, leads_to = "flush", "flush first", "flush"
    title = "flush, no feed"
    urgency, event, does = 1, "flush", "Flush"
    against = ("stop", "No feed today: flush first")

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """With which water, in how many pours of how much."""
        plan = found.flush
        if plan is None:
            return "Flush first, with softer water than is here. No feed today."
        goes = "one pour" if plan.goes == 1 else f"{number_word(plan.goes)} pours"
        each = shown.litres(plan.each_l, 2)
        return f"Flush first: {found.water_name}, {goes} of {each}. No feed today."

    def button(self, facts: Facts, found: Verdict) -> str:
        """The next pour of it."""
        done = facts.goes_done if found.flush else 0
        return poured(found, done + (found.flush.goes if found.flush else 1), done)

    def next_feed(self, facts: Facts, found: Verdict) -> tuple[int, bool]:
        """A week later, at half strength."""
        return max(slot_ahead(facts), _WEEK), True
