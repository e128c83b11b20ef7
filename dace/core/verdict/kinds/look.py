"""Look first: the answers to a question would lead to different things."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.fed.records import Verdict
from dace.core.figures import judgement
from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.base import VerdictKind, kind_of, matters, slot_ahead

_AFTER_DAYS = 1


class Look(VerdictKind):
    """Something is seen or read before anything is poured."""

    key, mark, leads_to = "look", "look first", "look"
    urgency, waters, softest, waits = 3, True, True, True
    block, one, many = "look", "a look", "looks"
    says_all = True
    against = ("care", "Look before you feed")

    def when(self, case: Case) -> Decided | None:
        """Where a question matters, unless a feed waited for it too long already."""
        question = case.question
        if question is None or not matters(question):
            return None
        if kind_of(case.first.kind).feeds and _waited_long(case):
            return None
        wants, today = case.wants, case.facts.today
        return Decided(self.key, question.what, wants, today, "", question, case.owed)

    def marked(self, facts: Facts, found: Verdict) -> str:
        """The question, short."""
        return found.question.mark if found.question else self.mark

    def reason(self, facts: Facts, decided: Decided) -> str:
        """What each answer leads to."""
        if decided.question is None or not decided.question.after:
            return super().reason(facts, decided)
        said = [f"{one.answer}: {kind_of(one.kind).leads_to}." for one in decided.question.after]
        return " ".join(one[0].upper() + one[1:] for one in said)

    def button(self, facts: Facts, found: Verdict) -> str:
        """At the plants, or at the drain."""
        return "Look" if found.question and found.question.about == "stage" else "Read the run-off"

    def while_short(self, found: Verdict) -> str:
        """It is looked at for salt, or salt would come first."""
        return "little there; salt comes first"

    def next_feed(self, facts: Facts, found: Verdict) -> int:
        """The day after."""
        return max(slot_ahead(facts), _AFTER_DAYS)


def _waited_long(case: Case) -> bool:
    """Whether a feed has been due for so long that no question keeps it back."""
    return case.facts.slot_open_days >= judgement("question_waits").range.typ
