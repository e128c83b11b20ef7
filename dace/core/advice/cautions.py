"""The table of cautions: what can hurt a plant, a person, an animal or water."""

from __future__ import annotations

import re
from collections.abc import Collection
from dataclasses import dataclass
from functools import cache
from typing import cast

from dace.core.advice import Advice, Severity
from dace.core.figures import Range, load_table, source_words
from dace.core.matter.tokens import matches, resolved

_TITLE_LONG = 56


@dataclass(frozen=True)
class Caution:
    """A row: whom it speaks of, its words, and its limits where it has any."""

    key: str
    applies_to: str
    pairs_with: str
    trigger: str
    severity: Severity
    advice: str
    why: str
    plan_effect: str
    limit: float | None
    other_limit: float | None
    source: str

    def named(self, tokens: Collection[str]) -> bool:
        """Whether it speaks of something with these tokens."""
        return matches(self.applies_to, tokens)

    def paired(self, tokens: Collection[str]) -> bool:
        """Whether something with these tokens is the other half of it."""
        return bool(self.pairs_with) and matches(self.pairs_with, tokens)

    @property
    def title(self) -> str:
        """What to do, in a few words: how its advice begins."""
        first = re.split(r"(?<=[^ ]{2})[.;]", self.advice, maxsplit=1)[0]
        return first if len(first) <= _TITLE_LONG else first.split(",")[0]

    def plainly(self) -> Advice:
        """It speaks of itself: what sets it off, what else to do, and why."""
        rest = self.advice[len(self.title) :].lstrip(".,; ")
        rest = f"{rest[0].upper()}{rest[1:]}" if rest else ""
        text = " ".join(part for part in (f"{self.trigger}.", rest, self.why) if part)
        return Advice(self.key, self.severity, self.title, text, self.source, self.plan_effect)

    def said(self, title: str, facts: str = "") -> Advice:
        """It speaks: facts first, then what to do and why."""
        parts = [part for part in (facts, self.advice, self.why) if part]
        text = " ".join(parts)
        return Advice(self.key, self.severity, title, text, self.source, self.plan_effect)


@cache
def cautions() -> dict[str, Caution]:
    """All cautions by key, in the order of the table."""
    return {
        row.text("key"): Caution(
            key=row.text("key"),
            applies_to=resolved(row.text("applies_to"), row.text("key")),
            pairs_with=resolved(row.text("pairs_with"), row.text("key")),
            trigger=row.text("trigger"),
            severity=cast(Severity, row.text("severity")),
            advice=row.text("advice"),
            why=row.text("why"),
            plan_effect=row.text("plan_effect"),
            limit=row.maybe("limit"),
            other_limit=row.maybe("limit_2"),
            source=source_words(row.text("source_family")),
        )
        for row in load_table("cautions")
    }


@dataclass(frozen=True)
class Gate:
    """A limit of weather or timing, and what to do outside it."""

    key: str
    factor: str
    unit: str
    direction: str
    range: Range
    outside: str
    source: str

    def shut(self, value: float) -> bool:
        """Whether a value lies outside its typical limit."""
        if self.direction == "max":
            return value > self.range.typ
        return value < self.range.typ


@cache
def gates() -> dict[str, Gate]:
    """All limits of weather by key."""
    return {
        row.text("key"): Gate(
            row.text("key"),
            row.text("factor"),
            row.text("unit"),
            row.text("direction"),
            row.triple(),
            row.text("outside_action"),
            source_words(row.text("source_family")),
        )
        for row in load_table("weather_limits")
    }
