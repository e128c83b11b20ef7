"""The kinds of verdict, a module each; a new one is a module here and a row in ``KINDS``."""

from __future__ import annotations

from dace.core.fed.facts import Facts
from dace.core.season.outlook import Outlook
from dace.core.verdict.case import Case, Decided
from dace.core.verdict.kinds.base import VerdictKind, kind_of, matters
from dace.core.verdict.kinds.dress import Dress
from dace.core.verdict.kinds.enough import Enough
from dace.core.verdict.kinds.feed import Feed
from dace.core.verdict.kinds.flush import Flush
from dace.core.verdict.kinds.look import Look
from dace.core.verdict.kinds.rest import Rest
from dace.core.verdict.kinds.wait import Wait
from dace.core.verdict.kinds.water import Water

KINDS: tuple[VerdictKind, ...] = tuple(
    kind_of(kind.key) for kind in (Rest, Flush, Water, Look, Wait, Feed, Dress, Enough)
)
"""In order: the first that holds is the verdict."""
_ORDER = tuple(kind.key for kind in KINDS)


def decide(facts: Facts, days: Outlook, pen: bool) -> Decided:
    """The first kind that holds."""
    case = Case(facts, days, pen, _ORDER)
    return next(found for kind in KINDS if (found := kind.when(case)) is not None)


__all__ = ["KINDS", "VerdictKind", "decide", "kind_of", "matters"]
