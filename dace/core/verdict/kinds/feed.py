"""Feed: a can is mixed and poured."""

from __future__ import annotations

from dataclasses import replace

from dace.core.can.measures import fill_words
from dace.core.fed.facts import Facts
from dace.core.fed.records import Verdict
from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.given import Given
from dace.core.verdict.questions import salt_question, unread
from dace.core.verdict.words import number_word
from dace.core.words import shown


class Feed(Given):
    """From a can, today."""

    key, mark, leads_to = "feed", "feed today", "feed"
    urgency, block, one, many = 4, "can", "one can", "cans"
    event, does = "feed", "Feed"

    def when(self, case: Case) -> Decided | None:
        """As wanted; beside it, reading the drain or a look for salt is asked."""
        found, facts = super().when(case), case.facts
        if found is None or found.question is not None or facts.in_bed or facts.in_tray:
            return found
        if case.pen and facts.read is None:
            return replace(found, question=unread())
        return replace(found, question=salt_question(facts, case.pen))

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """Which can."""
        portion = found.recipe
        assert portion is not None  # what nothing suits waits; see ``to_get``
        times = "" if portion.cans == 1 else f", {number_word(portion.cans)} times"
        fills = f"{fill_words(portion.fill_l)} of {portion.water_name}{times}"
        if portion.base is not None:
            base = portion.base
            first = f"{base.said.words} of {base.name}"
            return f"Feed {first}, then {portion.words} of {portion.name}, to {fills}."
        return f"Feed {portion.words} of {portion.name} in {fills}."

    def button(self, facts: Facts, found: Verdict) -> str:
        """How much of it goes on each."""
        if found.recipe is None:
            return ""
        litres = {one.litres for one in found.each if one.litres > 0}
        plants = sum(g.plants for g in facts.stop.grows if _gets(found, g.key))
        if len(litres) != 1 or plants == 1:
            return f"Pour {shown.litres(found.litres, 2)}"
        return f"Pour {shown.litres(litres.pop(), 2)} on each of {plants}"

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """A slot later."""
        return facts.rhythm.apart


def _gets(found: Verdict, planting: str) -> bool:
    return any(one.planting == planting and one.litres > 0 for one in found.each)
