"""The garden's habits, waters, cans and measures: one change each."""

from __future__ import annotations

import math
import uuid
import zoneinfo
from dataclasses import asdict, dataclass, field
from datetime import date

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, shown
from dace.garden.models import Garden, Measure, Vessel, Water
from dace.garden.reads import core_water
from dace.households.keeping import Written, keep
from dace.households.scope import Scope
from dace.measuring.models import Subject
from dace.measuring.services import subject_of

VESSEL_KINDS = ("can", "sprayer", "jug")


@dataclass(frozen=True)
class NewGarden:
    """Where a garden is and how it measures."""

    name: str
    zone: str = "Europe/London"
    latitude: float = 51.0
    measures: str = "metric"
    degrees: str = "C"
    climate: str = ""
    approach: str = "mixed"


@dataclass(frozen=True)
class NewWater:
    """A water: by a pen, a report [mg/L], a blend of others by share, or its kind alone."""

    name: str
    kind: str = "read"
    ec_ms_cm: float | None = None
    report: dict[str, float] | None = None
    parts: dict[str, float] | None = field(default=None)
    usual: bool = False


@dataclass(frozen=True)
class NewVessel:
    """A can, jug or sprayer, and what it holds [L]."""

    name: str
    volume_l: float
    kind: str = "can"
    usual: bool = False


def today(scope: Scope, garden: Garden) -> date:
    """The agronomic day: the date in the garden's zone."""
    return scope.now.astimezone(zoneinfo.ZoneInfo(garden.zone)).date()


@transaction.atomic
def save_garden(scope: Scope, garden_id: uuid.UUID, new: NewGarden) -> Garden:
    """A garden for the household, or other habits for it.

    Raises
    ------
    DaceError
        On ``measures``, ``degrees``, ``zone`` or ``latitude``.
    """
    if new.measures not in core.FAMILIES:
        raise DaceError("measures", f"“{new.measures}”", f"use {', '.join(core.FAMILIES)}")
    if new.degrees not in ("C", "F"):
        raise DaceError("degrees", f"“{new.degrees}”", "C or F would do")
    if new.zone not in zoneinfo.available_timezones():
        raise DaceError("zone", f"“{new.zone}”", "a time zone such as Europe/London would do")
    if new.climate:
        core.climate(new.climate)
    if new.approach not in core.APPROACHES:
        would_do = f"one of {', '.join(core.APPROACHES)} would do"
        raise DaceError("approach", f"“{new.approach}”", would_do)
    if not -90 <= new.latitude <= 90:
        raise DaceError("latitude", f"{new.latitude:g}°", "-90 to 90 would do")
    return keep(scope, Garden, Written(garden_id, "garden"), asdict(new))


@transaction.atomic
def save_water(scope: Scope, garden: Garden, water_id: uuid.UUID, new: NewWater) -> Water:
    """A water to fill cans with, or what is newly known of it.

    Raises
    ------
    DaceError
        On what is missing or cannot be, by name.
    """
    known = _known(scope, new)
    with transaction.atomic():
        subject = subject_of(scope, water_id, Subject.Kind.WATER)
        values = asdict(new) | {"ec_ms_cm": known.ec_ms_cm, "garden": garden, "subject": subject}
        return keep(scope, Water, Written(water_id, "water"), values)


def _known(scope: Scope, new: NewWater) -> core.WaterIons:
    if new.kind == "read":
        if new.ec_ms_cm is None:
            raise DaceError("ec_ms_cm", "no reading", "the pen's number for this water would do")
        return core.water_from_ec(new.ec_ms_cm)
    if new.kind == "report":
        if not new.report:
            raise DaceError("report", "an empty report", "calcium and alkalinity at least would do")
        return core.water_from_report(tuple(sorted(new.report.items())))
    if new.kind == "blend":
        return _blended(scope, new.parts or {})
    return core.water_of_kind(new.kind)


def _blended(scope: Scope, parts: dict[str, float]) -> core.WaterIons:
    found = []
    for water_id, share in parts.items():
        try:
            row = Water.objects.fetch(scope, uuid.UUID(water_id), "parts")
        except ValueError as error:
            if isinstance(error, DaceError):
                raise
            raise DaceError("parts", f"“{water_id}”", "the id of one of your waters") from None
        if row.kind == "blend":
            raise DaceError("parts", f"{row.name}, itself a blend", "waters that are no blend")
        found.append((core_water(row), share))
    return core.blend(tuple(found))


@transaction.atomic
def save_vessel(scope: Scope, garden: Garden, vessel_id: uuid.UUID, new: NewVessel) -> Vessel:
    """A can that she owns."""
    if new.kind not in VESSEL_KINDS:
        raise DaceError("kind", f"“{new.kind}”", f"use {', '.join(VESSEL_KINDS)}")
    if not (math.isfinite(new.volume_l) and 0 < new.volume_l <= core.MOST_VESSEL_L):
        raise DaceError("volume", shown.litres(new.volume_l), "a volume such as 9 L would do")
    return keep(scope, Vessel, Written(vessel_id, "vessel"), asdict(new) | {"garden": garden})


@transaction.atomic
def save_measure(scope: Scope, garden: Garden, measure_id: uuid.UUID, new: core.Owned) -> Measure:
    """A spoon, syringe, beaker, scoop or cap that she owns."""
    return keep(scope, Measure, Written(measure_id, "measure"), asdict(new) | {"garden": garden})
