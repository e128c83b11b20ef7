"""How far a household's rows have got: what was read at one version need not be read again."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, field

from dace.households.models import Change
from dace.households.scope import Scope

_MINUTES = 15


@dataclass(frozen=True)
class Version:
    """A household's newest change, and the quarter of an hour; the rest follows from those.

    Every write is a change and so is an undo, so that equal versions read equal rows. The
    scope goes along for reading; it is no part of what is compared.
    """

    household_id: uuid.UUID
    change_id: int
    quarter: int
    scope: Scope = field(compare=False)


def version_of(scope: Scope) -> Version:
    """The version that stands now; one query."""
    newest = Change.objects.filter(household_id=scope.household_id).order_by("-id")
    found = newest.values_list("id", flat=True).first()
    quarter = int(scope.now.timestamp()) // (60 * _MINUTES)
    return Version(scope.household_id, found or 0, quarter, scope)
