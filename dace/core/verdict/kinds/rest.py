"""Rest: nothing that grows there wants a feed, or it goes unfed on purpose."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.fed.records import Verdict
from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.base import VerdictKind

_UNFED = "same water, no feed"


class Rest(VerdictKind):
    """Unfed on purpose, over, asleep, germinating, or at a stage that wishes nothing."""

    key, mark, leads_to = "rest", "no feed", "nothing today"
    urgency, acts, waters, waits = 8, False, True, True
    says_all = True
    block = ""
    against = ("care", "No feed wanted")

    def when(self, case: Case) -> Decided | None:
        """Where all of it rests."""
        if case.awake:
            return None
        parts = tuple(case.rests[one.key] for one in case.facts.stop.grows)
        nexts = [part.next_on for part in parts if part.next_on]
        on = min(nexts, default=None)
        return Decided(self.key, parts[0].why, parts, on, "", None, case.owed)

    def marked(self, facts: Facts, found: Verdict) -> str:
        """A control is told apart."""
        return _UNFED if all(grows.control for grows in facts.stop.grows) else self.mark

    def reason(self, facts: Facts, decided: Decided) -> str:
        """Of a control what it is for."""
        if all(part.grows.control for part in decided.parts):
            return "The comparison stays fair so."
        return super().reason(facts, decided)

    def while_short(self, found: Verdict) -> str:
        """On purpose, or for good."""
        return "unfed on purpose" if found.mark == _UNFED else "takes no more"
