"""Where each planting stands: the core's stage clock, fed with looks and weather."""

from __future__ import annotations

import uuid
from collections.abc import Collection, Iterable
from dataclasses import dataclass
from datetime import date

from dace.core import api as core
from dace.core.api import Begun, Look, Outlook, StageReading
from dace.garden.models import Garden, Place, Planting, StageSeen, Stand
from dace.garden.weather import outlook
from dace.households.scope import Scope


@dataclass(frozen=True)
class Clocks:
    """Every planting's looks, the kinds of place it began and stands in, and the weather."""

    days: Outlook
    looks: dict[uuid.UUID, tuple[Look, ...]]
    kinds: dict[uuid.UUID, tuple[str, str]]

    def read(self, planting: Planting) -> StageReading:
        """Where a planting stands."""
        return core.stage_clock(planting.grown, self.begun(planting), self.days)

    def begun(self, planting: Planting) -> Begun:
        """How it began, and what was seen of it."""
        first, now = self.kinds.get(planting.pk, ("", ""))
        return Begun(
            started_on=planting.started_on,
            looks=self.looks.get(planting.pk, ()),
            indoors=planting.grown.warm or core.raises(first) != "",
            in_tray=core.raises(now) == "seedlings",
            shelter=shelter_of(now),
        )

    def last_look(self, planting_id: uuid.UUID) -> date | None:
        """When she last looked at it."""
        looks = self.looks.get(planting_id, ())
        return looks[-1].on if looks else None


def shelter_of(kind: str, covered: bool = False) -> core.Shelter:
    """How a kind of place is kept from the weather; nothing stands nowhere in the open."""
    return core.place_kind(kind).sheltered(covered) if kind else "open"


def shelter_at(scope: Scope, place_id: uuid.UUID) -> core.Shelter:
    """How a place is kept from the weather; one query."""
    place = Place.objects.fetch(scope, place_id, "place_id")
    return shelter_of(place.kind, place.covered)


def clocks(scope: Scope, garden: Garden, plantings: Collection[uuid.UUID]) -> Clocks:
    """Of some plantings; two queries, and one for the weather of an asking."""
    these = set(plantings)
    rows = StageSeen.objects.of(scope).filter(planting_id__in=these)
    rows = rows.order_by("seen_on", "created_at")
    stands = Stand.objects.of(scope).filter(planting_id__in=these)
    stands = stands.order_by("from_on", "created_at")
    kinds: dict[uuid.UUID, tuple[str, str]] = {}
    for planting, kind in stands.values_list("planting_id", "fill__place__kind"):
        kinds[planting] = (kinds.get(planting, (kind, ""))[0], kind)
    return Clocks(outlook(scope, garden), looks_by_planting(rows), kinds)


def looks_by_planting(rows: Iterable[StageSeen]) -> dict[uuid.UUID, tuple[Look, ...]]:
    """Looks in order of days, by planting; the later of two on one day counts."""
    found: dict[uuid.UUID, dict[date, Look]] = {}
    for row in rows:
        found.setdefault(row.planting_id, {})[row.seen_on] = Look(row.stage, row.seen_on)
    return {key: tuple(looks.values()) for key, looks in found.items()}
