"""How far a household's rows have got: what was read at one version need not be read again."""

from __future__ import annotations

import uuid
from collections import OrderedDict
from collections.abc import Callable
from dataclasses import dataclass, field
from typing import Generic, TypeVar

from dace.households.models import Change
from dace.households.scope import Scope

_MINUTES = 15
_HOUSEHOLDS, _EACH = 32, 2
_SILENT = ("note", "photo")  # to be looked at: no number and no verdict follows from them

T = TypeVar("T")


@dataclass(frozen=True)
class Version:
    """A household's newest change that tells, and the quarter of an hour; the rest follows.

    Every write is a change and so is an undo, so that equal versions read equal rows, but for
    notes and photos, of which nothing is worked out. The
    scope goes along for reading; it is no part of what is compared.
    """

    household_id: uuid.UUID
    change_id: int
    quarter: int
    scope: Scope = field(compare=False)


class Newest(Generic[T]):
    """What was worked out of the newest versions of a household; older ones go at once.

    Two of each, since somebody may still be reading the last one; of so many households, those
    that were asked for last.
    """

    def __init__(self, work_out: Callable[[Version], T]) -> None:
        self._work_out = work_out
        self._kept: OrderedDict[uuid.UUID, list[tuple[Version, T]]] = OrderedDict()

    def __call__(self, version: Version) -> T:
        """As it was worked out before, or worked out now; one asking at a time."""
        held = self._kept.setdefault(version.household_id, [])
        self._kept.move_to_end(version.household_id)
        for known, value in held:
            if known == version:
                return value
        value = self._work_out(version)
        held.append((version, value))
        del held[:-_EACH]
        while len(self._kept) > _HOUSEHOLDS:
            self._kept.popitem(last=False)
        return value

    def cache_clear(self) -> None:
        """Forget it all."""
        self._kept.clear()


def version_of(scope: Scope) -> Version:
    """The version that stands now; one query."""
    newest = Change.objects.filter(household_id=scope.household_id).order_by("-id")
    telling = newest.exclude(kind__in=_SILENT).exclude(undoes__kind__in=_SILENT)
    found = telling.values_list("id", flat=True).first()
    quarter = int(scope.now.timestamp()) // (60 * _MINUTES)
    return Version(scope.household_id, found or 0, quarter, scope)
