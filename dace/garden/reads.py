"""What stands where: frozen records, with the number of queries promised."""

from __future__ import annotations

import uuid
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date
from functools import cached_property
from zoneinfo import ZoneInfo

from django.db.models import Prefetch, Q, QuerySet, Subquery

from dace.core import api as core
from dace.garden.clocks import Clocks, clocks
from dace.garden.models import (
    Fill,
    Garden,
    Harvest,
    Measure,
    OwnWeather,
    Place,
    Planting,
    SoilMix,
    StageSeen,
    Stand,
    Vessel,
    Water,
)
from dace.households.scope import NotFoundError, Scope
from dace.households.version import remembered
from dace.measuring.models import Pen


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
    called: str
    started_on: date
    clock: core.StageReading
    begun: core.Begun
    looked_on: date | None
    count: int
    fed: bool
    approach: str
    rhythm: str
    sources: tuple[str, ...]
    strength: float
    aim: float
    holding_l: float | None
    area_m2: float | None
    setting: str
    medium: core.Medium
    ph: float | None
    since: date

    @cached_property
    def crop(self) -> core.Crop:
        """The core's figures of the crop."""
        return core.alike(self.crop_key, self.called)

    @property
    def stage(self) -> core.Stage:
        """The stage that the clock has it at."""
        return self.clock.stage

    @property
    def stage_since(self) -> date:
        """When that stage likely began."""
        begun = [s.likely for s in self.clock.starts if s.stage == self.stage]
        return begun[0] or self.started_on


@dataclass(frozen=True)
class StopRecord:
    """One place along the path, with what grows there.

    ``subjects`` are what is read of each of its fills, with the fill's name; ``fill_ids`` the
    fills themselves, in the same order.
    """

    id: uuid.UUID
    name: str
    kind: str
    covered: bool
    area: str
    stands: tuple[StandRecord, ...]
    subjects: tuple[tuple[uuid.UUID, str], ...]
    fill_ids: tuple[uuid.UUID, ...]


def garden_of(scope: Scope) -> Garden:
    """The household's garden, with the scale of its oldest pen; one query for an asking."""
    found = scope.once("garden", lambda: _garden(scope))
    if found is None:
        raise NotFoundError("garden", "no garden", "set one up first")
    return found


def _garden(scope: Scope) -> Garden | None:
    pens = Pen.objects.in_use(scope).order_by("created_at").values("scale")[:1]
    gardens = Garden.objects.of(scope).order_by("created_at").annotate(pen_scale=Subquery(pens))
    return gardens.first()


def stops(scope: Scope) -> tuple[StopRecord, ...]:
    """Every place in walking order with its present stands; seven queries where one changed."""
    return scope.once("stops", lambda: _stops(scope))


def standing_fills(scope: Scope) -> QuerySet[Fill]:
    """Fills that are not renewed or emptied yet."""
    return Fill.objects.of(scope).filter(_not_over("renewed_on", _today(scope)))


def _today(scope: Scope) -> date:
    return scope.now.astimezone(ZoneInfo(garden_of(scope).zone)).date()


def _not_over(field: str, today: date) -> Q:
    """Open, or closed only after a day: what is dated ahead has not happened."""
    return Q(**{f"{field}__isnull": True}) | Q(**{f"{field}__gt": today})


@remembered(Place, Fill, SoilMix, Stand, Planting, StageSeen, Garden, OwnWeather, Pen)
def _stops(scope: Scope) -> tuple[StopRecord, ...]:
    current = _present(scope).select_related("planting__garden").order_by("created_at", "id")
    present = standing_fills(scope).select_related("mix").order_by("created_at", "name")
    fills = present.prefetch_related(Prefetch("stands", current, to_attr="standing"))
    places = Place.objects.in_use(scope).prefetch_related(
        Prefetch("fills", fills, to_attr="present")
    )
    found = list(places)
    here = {row.planting_id for place in found for row in _standing(place)}
    time = clocks(scope, garden_of(scope), here)
    return tuple(_stop(place, time) for place in found)


def mixes(scope: Scope) -> tuple[SoilMix, ...]:
    """Soil mixes of one's own, oldest first; one query."""
    return tuple(SoilMix.objects.in_use(scope).order_by("created_at"))


def stand(scope: Scope, stand_id: uuid.UUID) -> StandRecord:
    """One present stand; four queries."""
    row = (
        _present(scope)
        .filter(
            _not_over("fill__renewed_on", _today(scope)),
            pk=stand_id,
            fill__undone_at__isnull=True,
            fill__place__ended_on__isnull=True,
        )
        .select_related("planting__garden", "fill__place", "fill__mix")
        .first()
    )
    if row is None:
        raise NotFoundError(
            "stand_id", "an id of nothing that grows here", "choose a stop along the path"
        )
    time = clocks(scope, row.planting.garden, [row.planting_id])
    return _stand(row, row.fill, row.fill.place, time)


def _standing(place: Place) -> list[Stand]:
    present: list[Fill] = place.present  # type: ignore[attr-defined]
    return [row for fill in present for row in fill.standing]  # type: ignore[attr-defined]


def _present(scope: Scope) -> QuerySet[Stand]:
    """Stands whose plants still grow there."""
    today = _today(scope)
    return Stand.objects.of(scope).filter(
        _not_over("to_on", today),
        _not_over("planting__ended_on", today),
        from_on__lte=today,
        planting__undone_at__isnull=True,
    )


def _stop(place: Place, time: Clocks) -> StopRecord:
    present: list[Fill] = place.present  # type: ignore[attr-defined]
    stands = tuple(
        _stand(row, fill, place, time)
        for fill in present
        for row in fill.standing  # type: ignore[attr-defined]
    )
    subjects = tuple((fill.subject_id, fill.name or place.name) for fill in present)
    ids = tuple(fill.pk for fill in present)
    told = (place.id, place.name, place.kind, place.covered, place.area)
    return StopRecord(*told, stands, subjects, ids)


def _stand(row: Stand, fill: Fill, place: Place, time: Clocks) -> StandRecord:
    holding = None
    if fill.volume_l is not None:
        holding = fill.soil.held_l(fill.volume_l * fill.alike)
    return StandRecord(
        id=row.id,
        planting_id=row.planting_id,
        fill_id=fill.id,
        subject_id=fill.subject_id,
        place_id=place.id,
        place=place.name,
        spot=fill.name or place.name,
        crop_key=row.planting.crop,
        called=row.planting.called,
        started_on=row.planting.started_on,
        clock=time.read(row.planting),
        begun=time.begun(row.planting),
        looked_on=time.last_look(row.planting_id),
        count=row.count,
        fed=row.fed,
        approach=row.planting.approach or row.planting.garden.approach,
        rhythm=row.planting.rhythm or row.planting.garden.rhythm,
        sources=tuple(row.sources or row.planting.sources),
        strength=row.planting.strength,
        aim=row.planting.aim,
        holding_l=holding,
        area_m2=fill.area_m2,
        setting=setting_of(place),
        medium=fill.soil,
        ph=fill.ph,
        since=row.from_on,
    )


def setting_of(place: Place) -> str:
    """How a place keeps what is poured on it, as the core's ledger calls it."""
    return core.place_kind(place.kind).setting(place.covered).key


def waters(scope: Scope) -> tuple[Water, ...]:
    """Every water in use, the usual one first; one query for an asking."""
    rows = Water.objects.in_use(scope).order_by("-usual", "created_at", "name")
    return scope.once("waters", lambda: tuple(rows))


SPRAYER = "sprayer"
"""The kind of vessel that is no can: only leaves are fed from it."""


def vessels(scope: Scope) -> tuple[Vessel, ...]:
    """Every vessel in use, the usual one first; one query."""
    return tuple(Vessel.objects.in_use(scope).order_by("-usual", "volume_l"))


def owned(scope: Scope) -> tuple[core.Owned, ...]:
    """The measures that she owns, as the core knows them; one query."""
    rows = Measure.objects.in_use(scope).order_by("holds_ml", "name")
    return tuple(core.Owned(m.kind, m.name, m.holds_ml, m.step_ml) for m in rows)


def core_water(row: Water) -> core.WaterIons:
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


def medium_litres(fill: Fill) -> float:
    """All the medium of a fill [L], of every pot alike."""
    return core.litres_of_medium(fill.volume_l, fill.area_m2) * fill.alike


def by_subject(found: tuple[StopRecord, ...]) -> dict[uuid.UUID, StopRecord]:
    """Stops by the subjects of their fills."""
    return {subject_id: stop for stop in found for subject_id, _ in stop.subjects}


def harvests(scope: Scope, plantings: Iterable[uuid.UUID], most: int) -> tuple[Harvest, ...]:
    """The newest harvests of some plantings; one query."""
    rows = Harvest.objects.of(scope).filter(planting__in=list(plantings))
    ordered = rows.select_related("planting").order_by("-picked_on", "-created_at")
    return tuple(ordered[:most])


def sown_again(scope: Scope) -> tuple[Planting, ...]:
    """Plantings that are sown again every so many days, the oldest first; one query."""
    rows = Planting.objects.of(scope).filter(repeat_days__isnull=False, ended_on__isnull=True)
    return tuple(rows.order_by("started_on", "id"))
