"""Dress: a slow feed is spread dry."""

from __future__ import annotations

from dace.core.fed.facts import DRESSED_FOR_DAYS, Facts
from dace.core.fed.records import Verdict
from dace.core.verdict.kinds.given import Given
from dace.core.words import shown


class Dress(Given):
    """Spread today, and worked on for weeks."""

    key, mark, leads_to = "dress", "dress today", "a slow feed"
    urgency, block, one, many = 5, "dress", "a dressing", "dressings"
    event, does = "dress", "Dress"
    against = ("info", "A slow feed suits better here")

    def headline(self, facts: Facts, found: Verdict, why: str) -> str:
        """How much of what."""
        portion = found.recipe
        assert portion is not None  # what nothing suits waits; see ``to_get``
        return f"Dress with {portion.words} of {portion.name}."

    def button(self, facts: Facts, found: Verdict) -> str:
        """How much."""
        return f"Spread {shown.grams(found.recipe.amount, 2)}" if found.recipe else ""

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """When it is used up."""
        return DRESSED_FOR_DAYS
