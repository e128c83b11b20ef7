"""What set-up shows."""

from __future__ import annotations

import uuid
from datetime import date, datetime

from dace.desks.shared.out import Out


class GardenOut(Out):
    """The garden and its habits."""

    id: uuid.UUID
    name: str
    zone: str
    latitude: float
    measures: str
    degrees: str
    climate: str
    approach: str


class FillOut(Out):
    """What a place holds."""

    id: uuid.UUID
    name: str
    medium: str
    size: str
    alike: int
    ph: float | None
    filled_on: date


class OwnStandOut(Out):
    """So many plants of a planting in a fill."""

    id: uuid.UUID
    planting_id: uuid.UUID
    fill_id: uuid.UUID
    counted: str
    crop: str
    crop_key: str
    called: str
    started_on: date
    count: int
    stage: str
    since: date


class PlaceOut(Out):
    """A stop with its fills and what stands in them."""

    id: uuid.UUID
    name: str
    kind: str
    covered: bool
    area: str
    fills: list[FillOut]
    stands: list[OwnStandOut]


class OwnWaterOut(Out):
    """A water and how it is known."""

    id: uuid.UUID
    subject_id: uuid.UUID | None
    name: str
    kind: str
    ec_ms_cm: float
    report: dict[str, float] | None
    parts: dict[str, float] | None
    known_by: str
    usual: bool


class OwnVesselOut(Out):
    """A can, jug or sprayer [L]."""

    id: uuid.UUID
    name: str
    kind: str
    volume_l: float
    volume_text: str
    usual: bool


class OwnMeasureOut(Out):
    """A spoon, syringe, beaker, scoop or cap [mL]."""

    id: uuid.UUID
    name: str
    kind: str
    holds_ml: float
    holds_text: str
    step_ml: float
    mark_text: str


class OwnJarOut(Out):
    """A jar with its label as printed."""

    id: uuid.UUID
    name: str
    grade: str
    basis: str
    percent: str
    form: str
    density_g_per_ml: float | None
    nitrogen: dict[str, float] | None
    also: dict[str, float]
    rate_per_l: float | None
    rate_text: str
    dissolves: bool
    slow: bool
    material: str
    spoon_g: float | None
    price: float | None
    use_by: date | None
    holds: float
    pack_text: str
    stock: float
    stock_text: str
    unit: str
    elements: str


class OwnMaterialOut(Out):
    """A material like one of the table, with % by element of her own."""

    id: uuid.UUID
    name: str
    like: str
    like_name: str
    percent: dict[str, float]


class OwnMixOut(Out):
    """A soil mix of one's own; ``medium`` is how a fill is told to be of it."""

    id: uuid.UUID
    medium: str
    name: str
    use: str
    parts: dict[str, float]
    dry: dict[str, float]


class PenOut(Out):
    """A pen and when it was last calibrated."""

    id: uuid.UUID
    name: str
    scale: str
    most_ms_cm: float
    step_ms_cm: float
    compensates: bool
    calibrated_at: datetime | None
    trust: str


class MemberOut(Out):
    """Somebody in the household."""

    name: str
    role: str


class SetupOut(Out):
    """All of it; ``edition`` is the newest change that it shows, to send back as ``If-Match``."""

    edition: int
    garden: GardenOut
    places: list[PlaceOut]
    waters: list[OwnWaterOut]
    vessels: list[OwnVesselOut]
    measures: list[OwnMeasureOut]
    jars: list[OwnJarOut]
    pens: list[PenOut]
    materials: list[OwnMaterialOut]
    mixes: list[OwnMixOut]
    people: list[MemberOut]
