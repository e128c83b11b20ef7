"""What feed and dress share: a portion of something on the shelf goes to the plants."""

from __future__ import annotations

from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.base import VerdictKind


class Given(VerdictKind):
    """A kind that gives from the shelf."""

    feeds = True

    def when(self, case: Case) -> Decided | None:
        """Where the first that is wanted there is this."""
        return case.as_wanted(self.key)
