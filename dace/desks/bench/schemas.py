"""What the Bench shows, as it goes out."""

from __future__ import annotations

import uuid
from typing import Annotated

from ninja import Schema
from pydantic import Field

from dace.desks.shared.advice import AdviceOut
from dace.desks.shared.figures import Figure, RangeOut, StepOut
from dace.desks.shared.out import Out
from dace.desks.shared.recipe import RecipeLineOut
from dace.households.fields import Count, Typed


class JarOut(Out):
    """A jar that stands on the shelf; stock in its unit."""

    id: uuid.UUID
    name: str
    grade: str
    unit: str
    stock: float
    stock_text: str
    holds: float
    dissolves: bool


class WaterOut(Out):
    """A water; conductivity in mS/cm at 25 C."""

    id: uuid.UUID
    name: str
    ec: str


class VesselOut(Out):
    """A can, jug or sprayer that she owns."""

    id: uuid.UUID
    name: str
    volume_l: float
    kind: str


class SuppliesOut(Out):
    """Everything that can be poured together."""

    jars: list[JarOut]
    waters: list[WaterOut]
    vessels: list[VesselOut]
    measures: str
    weighs: bool


class ReadingOfStrength(Out):
    """One way to read the strength, with what it makes."""

    meaning: str
    amount_text: str
    ec_text: str


class NutrientOut(Out):
    """mg/L of one nutrient, the water's part of it, and the stage's wish."""

    name: str
    figure: Figure
    from_water: float
    wish: RangeOut | None


class CapOut(Out):
    """The can beside what the stage bears; see ``core.CapCheck``."""

    cap: float
    feed_ec: float
    over: bool
    over_percent: float
    total_at_cap: float | None
    amount_at_cap: float | None
    strongest: str
    working: list[StepOut]


class MeasureOut(Out):
    """The vessel to measure in, at its own scale."""

    kind: str
    holds: float


class PourOut(Out):
    """How much each plant gets and what stays in the can [L].

    ``cans`` says how the round splits where one can does not hold it.
    """

    each: Figure
    plants: int
    litres_each: float
    left_l: float
    cans: str


class WayOut(Out):
    """What a box shows, and the same in full: typed back either way, it changes nothing."""

    shown: str
    said: str


class WaysOut(Out):
    """The same can, said in each way that it can be said in."""

    parts: WayOut
    can: WayOut
    per_litre: WayOut
    nitrogen: WayOut | None
    ec: WayOut | None
    label: WayOut | None


class SourceOut(Out):
    """A further source in the can, as it is measured out; see ``PreviewOut`` for the first."""

    jar_id: uuid.UUID
    name: str
    readings: list[str]
    strength: str
    amount: float
    unit: str
    amount_text: str
    measure: MeasureOut
    spoons: str
    rounded: str
    spoken: str
    stock_after: float
    stock_after_text: str


class PreviewOut(Out):
    """One can, as drawn on the Bench; ``more`` are its further sources in order.

    ``keeps`` says how long what is left of it keeps; ``lines`` are what goes into each of
    ``fills`` as it is measured, what is made first.
    """

    readings: list[ReadingOfStrength]
    ways: WaysOut
    amount: float
    unit: str
    vessel_l: float
    concentrate: Figure
    nutrients: list[NutrientOut]
    ec: Figure
    water_ec: float
    cap: CapOut | None
    measure: MeasureOut
    spoons: str
    rounded: str
    spoken: str
    stock_after: float
    stock_after_text: str
    pour: PourOut | None
    advice: list[AdviceOut]
    more: list[SourceOut]
    keeps: str
    lines: list[RecipeLineOut]
    fills: int


WhichReading = Annotated[int, Field(ge=0, le=20)]
"""Which reading of an ambiguous strength, likeliest first."""


class SourceIn(Schema):
    """A further source: which jar, how strong, as typed."""

    jar_id: uuid.UUID
    strength: Typed
    reading: WhichReading = 0


Sources = Annotated[list[SourceIn], Field(max_length=5)]
"""What else is poured into the can, in order."""


class CanSaidIn(Schema):
    """A can as it is said: strengths and vessel as typed."""

    jar_id: uuid.UUID
    water_id: uuid.UUID
    vessel: Typed
    strength: Typed
    reading: WhichReading = 0
    more: Sources = []


class PreviewIn(CanSaidIn):
    """A can to work out, for a stand where one is chosen."""

    stand_id: uuid.UUID | None = None
    plants: Count | None = None
    litres: Typed = ""
