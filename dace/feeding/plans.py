"""The plan of a household's garden: worked out once for a state of things."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import timedelta

from dace.core import api as core
from dace.core.api import CanToMix, Event, Plan
from dace.feeding.models import Can
from dace.feeding.verdicts import Judged, StopVerdict, judged
from dace.households.scope import Scope
from dace.households.version import Newest, Version, version_of

WEEKS = 20


@dataclass(frozen=True)
class Planned:
    """A garden, its verdicts and its plan; no plan where nothing grows."""

    judged: Judged
    plan: Plan | None

    @property
    def stops(self) -> dict[str, StopVerdict]:
        """Its stops by the keys that the plan knows them by."""
        return self.judged.by_key

    def today(self) -> tuple[Event, ...]:
        """What is to be done today."""
        plan = self.plan
        return tuple(e for e in plan.events if e.on == plan.today) if plan else ()

    def ahead(self) -> tuple[Event, ...]:
        """What is to be done after today."""
        plan = self.plan
        return tuple(e for e in plan.events if e.on > plan.today) if plan else ()


def planned(scope: Scope) -> Planned:
    """The plan as it stands now; worked out once for a state of things."""
    return _worked_out(version_of(scope))


@Newest
def _worked_out(version: Version) -> Planned:
    found = judged(version.scope)
    if found.yard is None:
        return Planned(found, None)
    return Planned(found, core.make_plan(found.yard, WEEKS, [one.verdict for one in found.stops]))


def event_id(household: uuid.UUID, event: Event) -> uuid.UUID:
    """One id for an event, whatever day it is moved to."""
    return uuid.uuid5(household, f"{event.stop} {event.kind} {event.slot}")


def cans_to_mix(scope: Scope, found: Judged) -> dict[uuid.UUID, CanToMix]:
    """Today's cans by their ids: one for what goes in and whom it is for; one query.

    A can that was taken back keeps its id; what is mixed in its place gets another.
    """
    since = scope.now - timedelta(days=1)
    gone = Can.objects.filter(household_id=scope.household_id, undone_at__isnull=False)
    taken_back = set(gone.filter(mixed_at__gte=since).values_list("pk", flat=True))
    cans = {}
    for can in found.cans:
        portion, stops = can.portion, " ".join(one.stop for one in can.served)
        first = f"{portion.base.source} {portion.base.strength} " if portion.base else ""
        goes_in = f"{first}{portion.source} {portion.water} {portion.strength}"
        said = f"{found.today} {goes_in} {stops}"
        can_id = uuid.uuid5(scope.household_id, said)
        while can_id in taken_back:
            can_id = uuid.uuid5(can_id, "again")
        cans[can_id] = can
    return cans
