"""Writing the garden down: one change each."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date
from zoneinfo import ZoneInfo

from dace.core.api import FAMILIES, DaceError, crop, medium, water_from_ec, water_from_report
from dace.garden.models import Fill, Garden, Place, Planting, StageSeen, Stand, Vessel, Water
from dace.households.changes import change
from dace.households.scope import Scope
from dace.measuring.models import Subject


@dataclass(frozen=True)
class NewGarden:
    """Where a garden is and how it measures."""

    id: uuid.UUID
    name: str
    zone: str = "Europe/London"
    latitude: float = 51.0
    measures: str = "metric"


@dataclass(frozen=True)
class NewWater:
    """A water, by a pen or by a report [mg/L]."""

    id: uuid.UUID
    garden: Garden
    name: str
    ec_ms_cm: float | None = None
    report: dict[str, float] | None = None
    usual: bool = False


@dataclass(frozen=True)
class NewFill:
    """What a place is filled with; ``alike`` pots count as one."""

    id: uuid.UUID
    medium: str
    filled_on: date
    volume_l: float | None = None
    area_m2: float | None = None
    alike: int = 1
    ph: float | None = None
    name: str = ""


@dataclass(frozen=True)
class NewPlace:
    """A stop along the path."""

    id: uuid.UUID
    garden: Garden
    name: str
    kind: str
    covered: bool = False


@dataclass(frozen=True)
class NewPlanting:
    """What grows: the crop, and how many stand in which fill."""

    id: uuid.UUID
    garden: Garden
    crop: str
    started_on: date
    stage: str
    seen_on: date
    stands: tuple[tuple[uuid.UUID, Fill, int], ...]
    unfed: tuple[uuid.UUID, ...] = ()


def _kept(scope: Scope, row_id: uuid.UUID) -> dict[str, object]:
    return {"id": row_id, "household_id": scope.household_id, "created_at": scope.now}


def today(scope: Scope, garden: Garden) -> date:
    """The agronomic day: the date in the garden's zone."""
    return scope.now.astimezone(ZoneInfo(garden.zone)).date()


def add_garden(scope: Scope, new: NewGarden) -> Garden:
    """A garden for the household."""
    if new.measures not in FAMILIES:
        raise DaceError("measures", f"“{new.measures}”", f"use {', '.join(FAMILIES)}")
    with change(scope, "garden", f"{new.name} begun"):
        return Garden.objects.create(
            **_kept(scope, new.id),
            name=new.name,
            zone=new.zone,
            latitude=new.latitude,
            measures=new.measures,
        )


def add_water(scope: Scope, new: NewWater) -> Water:
    """A water to fill cans with."""
    if new.report is not None:
        known = water_from_report(tuple(new.report.items()))
    elif new.ec_ms_cm is not None:
        known = water_from_ec(new.ec_ms_cm)
    else:
        raise DaceError("water", "no reading and no report", "one of the two would do")
    with change(scope, "water", f"{new.name} added"):
        return Water.objects.create(
            **_kept(scope, new.id),
            garden=new.garden,
            name=new.name,
            ec_ms_cm=known.ec_ms_cm,
            report=new.report,
            usual=new.usual,
        )


def add_vessel(
    scope: Scope,
    row_id: uuid.UUID,
    garden: Garden,
    name: str,
    volume_l: float,
    *,
    usual: bool = False,
) -> Vessel:
    """A can that she owns."""
    with change(scope, "vessel", f"{name} added"):
        return Vessel.objects.create(
            **_kept(scope, row_id), garden=garden, name=name, volume_l=volume_l, usual=usual
        )


def add_place(scope: Scope, new: NewPlace, fills: tuple[NewFill, ...]) -> Place:
    """A place at the end of the path, with what it is filled with."""
    for fill in fills:
        medium(fill.medium)
    with change(scope, "place", f"{new.name} added"):
        place = Place.objects.create(
            **_kept(scope, new.id),
            garden=new.garden,
            name=new.name,
            kind=new.kind,
            covered=new.covered,
            walking_order=Place.objects.of(scope).filter(garden=new.garden).count(),
        )
        for fill in fills:
            _add_fill(scope, place, fill)
    return place


def _add_fill(scope: Scope, place: Place, new: NewFill) -> Fill:
    subject = Subject.objects.create(**_kept(scope, uuid.uuid4()), kind=Subject.Kind.FILL)
    return Fill.objects.create(
        **_kept(scope, new.id),
        place=place,
        subject=subject,
        name=new.name,
        medium=new.medium,
        volume_l=new.volume_l,
        area_m2=new.area_m2,
        alike=new.alike,
        ph=new.ph,
        filled_on=new.filled_on,
    )


def plant(scope: Scope, new: NewPlanting) -> Planting:
    """A planting with its stands and the stage it is at."""
    grown = crop(new.crop)
    stage = grown.stage(new.stage)
    with change(scope, "planting", f"{grown.name} planted"):
        planting = Planting.objects.create(
            **_kept(scope, new.id),
            garden=new.garden,
            crop=grown.key,
            count=sum(count for _, _, count in new.stands),
            started_on=new.started_on,
        )
        for stand_id, fill, count in new.stands:
            Stand.objects.create(
                **_kept(scope, stand_id),
                planting=planting,
                fill=fill,
                count=count,
                from_on=new.started_on,
                fed=stand_id not in new.unfed,
            )
        StageSeen.objects.create(
            **_kept(scope, uuid.uuid4()), planting=planting, stage=stage.key, seen_on=new.seen_on
        )
    return planting


def see_stage(scope: Scope, row_id: uuid.UUID, planting_id: uuid.UUID, stage: str) -> StageSeen:
    """A stage seen today: from now on the planting stands there.

    Raises
    ------
    NotFoundError
        If the planting is none of this household's.
    DaceError
        If its crop has no such stage.
    """
    repeat = StageSeen.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    planting = Planting.objects.fetch(scope, planting_id, "planting_id")
    grown = crop(planting.crop)
    seen = grown.stage(stage)
    with change(scope, "stage", f"{grown.name} {seen.words}"):
        return StageSeen.objects.create(
            **_kept(scope, row_id),
            planting=planting,
            stage=seen.key,
            seen_on=today(scope, planting.garden),
        )
