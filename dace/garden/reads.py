"""What stands where: frozen records, with the number of queries promised."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date
from functools import cached_property

from django.db.models import Prefetch

from dace.core import api as core
from dace.garden.models import Fill, Garden, Measure, Place, StageSeen, Stand, Vessel, Water
from dace.households.scope import NotFoundError, Scope


@dataclass(frozen=True)
class StandRecord:
    """So many plants of one crop in one fill, and the stage they are at."""

    id: uuid.UUID
    planting_id: uuid.UUID
    fill_id: uuid.UUID
    subject_id: uuid.UUID
    place_id: uuid.UUID
    place: str
    spot: str
    crop_key: str
    started_on: date
    stage_key: str
    stage_since: date
    count: int
    fed: bool
    holding_l: float | None
    area_m2: float | None

    @cached_property
    def crop(self) -> core.Crop:
        """The core's figures of the crop."""
        return core.crop(self.crop_key)

    @cached_property
    def stage(self) -> core.Stage:
        """The core's figures of the stage."""
        return self.crop.stage(self.stage_key)


@dataclass(frozen=True)
class StopRecord:
    """One place along the path, with what grows there."""

    id: uuid.UUID
    name: str
    kind: str
    covered: bool
    stands: tuple[StandRecord, ...]
    fills: tuple[tuple[uuid.UUID, str], ...]


def garden_of(scope: Scope) -> Garden:
    """The household's garden; one query."""
    found = Garden.objects.of(scope).order_by("created_at").first()
    if found is None:
        raise NotFoundError("garden", "no garden", "set one up first")
    return found


def stops(scope: Scope) -> tuple[StopRecord, ...]:
    """Every place in walking order with its present stands; four queries."""
    current = (
        Stand.objects.of(scope)
        .filter(
            to_on__isnull=True, planting__ended_on__isnull=True, planting__undone_at__isnull=True
        )
        .select_related("planting")
        .order_by("created_at", "id")
    )
    present = Fill.objects.of(scope).filter(renewed_on__isnull=True).order_by("created_at", "name")
    fills = present.prefetch_related(Prefetch("stands", current, to_attr="standing"))
    places = Place.objects.in_use(scope).prefetch_related(
        Prefetch("fills", fills, to_attr="present")
    )
    seen = _latest_stages(scope)
    return tuple(_stop(place, seen) for place in places)


def stand(scope: Scope, stand_id: uuid.UUID) -> StandRecord:
    """One present stand, by way of the path; four queries."""
    for stop in stops(scope):
        for found in stop.stands:
            if found.id == stand_id:
                return found
    raise NotFoundError(
        "stand_id", "an id of nothing that grows here", "choose a stop along the path"
    )


def _latest_stages(scope: Scope) -> dict[uuid.UUID, StageSeen]:
    rows = StageSeen.objects.of(scope).order_by("seen_on", "created_at")
    return {row.planting_id: row for row in rows}


def _stop(place: Place, seen: dict[uuid.UUID, StageSeen]) -> StopRecord:
    present: list[Fill] = place.present  # type: ignore[attr-defined]
    stands = tuple(
        _stand(row, fill, place, seen[row.planting_id])
        for fill in present
        for row in fill.standing  # type: ignore[attr-defined]
        if row.planting_id in seen
    )
    fills = tuple((fill.subject_id, fill.name or place.name) for fill in present)
    return StopRecord(place.id, place.name, place.kind, place.covered, stands, fills)


def _stand(row: Stand, fill: Fill, place: Place, stage: StageSeen) -> StandRecord:
    holding = None
    if fill.volume_l is not None:
        holding = fill.volume_l * fill.alike * core.medium(fill.medium).holding.typ
    return StandRecord(
        id=row.id,
        planting_id=row.planting_id,
        fill_id=fill.id,
        subject_id=fill.subject_id,
        place_id=place.id,
        place=place.name,
        spot=fill.name or place.name,
        crop_key=row.planting.crop,
        started_on=row.planting.started_on,
        stage_key=stage.stage,
        stage_since=stage.seen_on,
        count=row.count,
        fed=row.fed,
        holding_l=holding,
        area_m2=fill.area_m2,
    )


def waters(scope: Scope) -> tuple[Water, ...]:
    """Every water in use, the usual one first; one query."""
    return tuple(Water.objects.in_use(scope).order_by("-usual", "created_at", "name"))


def vessels(scope: Scope) -> tuple[Vessel, ...]:
    """Every vessel in use, the usual one first; one query."""
    return tuple(Vessel.objects.in_use(scope).order_by("-usual", "volume_l"))


def owned(scope: Scope) -> tuple[core.Owned, ...]:
    """The measures that she owns, as the core knows them; one query."""
    rows = Measure.objects.in_use(scope).order_by("holds_ml", "name")
    return tuple(core.Owned(m.kind, m.name, m.holds_ml, m.step_ml) for m in rows)


def core_water(row: Water) -> core.Water:
    """A stored water as the core knows it; a blend asks for its parts, one query."""
    if row.kind == "report" and row.report:
        return core.water_from_report(tuple(sorted(row.report.items())))
    if row.kind == "blend" and row.parts:
        parts = {
            str(w.pk): w
            for w in Water.objects.filter(pk__in=row.parts, household_id=row.household_id)
        }
        return core.blend(
            tuple((core_water(parts[key]), share) for key, share in row.parts.items())
        )
    if row.kind in core.WATER_KINDS:
        return core.water_of_kind(row.kind)
    return core.water_from_ec(row.ec_ms_cm)


def by_subject(found: tuple[StopRecord, ...]) -> dict[uuid.UUID, StopRecord]:
    """Stops by the subjects of their fills."""
    return {subject_id: stop for stop in found for subject_id, _ in stop.fills}
