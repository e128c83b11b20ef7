"""What a place's page shows of its roots."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Literal

from dace.core import api as core
from dace.desks.shared.figures import StepOut
from dace.desks.shared.out import Out
from dace.desks.shared.verdicts import VerdictOut


class DotOut(Out):
    """A reading on the chart: ``day`` counts from the first, ``hollow`` where it is doubted."""

    id: uuid.UUID
    day: float
    ec: float
    hollow: bool
    title: str


class PouredOut(Out):
    """A feed, a watering, a flush or something dry on the chart, sized by ``amount``."""

    day: float
    kind: Literal["feed", "flush", "water", "dry"]
    amount: float
    title: str


class RootChartOut(Out):
    """Day by day from ``first``: the band, what is comfortable, rain; ``today`` is an index."""

    first: date
    today: int
    low: list[float]
    likely: list[float]
    high: list[float]
    comfort_low: list[float | None]
    comfort_high: list[float | None]
    rain_mm: list[float]
    dots: list[DotOut]
    poured: list[PouredOut]
    axis: str


class FlushOut(Out):
    """A flush to pour: ``done`` goes lie behind, ``goes`` ahead, of ``each`` litres.

    ``reads`` is whether the drain is read after each.
    """

    water_id: uuid.UUID
    water: str
    litres: float
    text: str
    range_text: str
    done: int
    goes: int
    reads: bool
    each_l: float
    each_text: str
    read_next: bool
    after_text: str
    working: list[StepOut]


class NoteOut(Out):
    """A line of the place's own records."""

    id: uuid.UUID
    at: str
    text: str


class RootsOut(Out):
    """One fill: what its drain (or soil) is likely to read, what that means, and what to do."""

    fill_id: uuid.UUID
    subject_id: uuid.UUID
    name: str
    is_bed: bool
    logs_waterings: bool
    word: core.RootWord | Literal[""]
    headline: str
    lines: list[str]
    verdict: VerdictOut | None
    flush: FlushOut | None
    chart: RootChartOut
    doubts: list[str]
    records: list[NoteOut]
    working: list[StepOut]


class RootLineOut(Out):
    """One fill in the row of all [mS/cm at 25 C], and what its verdict says."""

    place_id: uuid.UUID
    fill_id: uuid.UUID
    name: str
    plants: str
    word: core.RootWord | Literal[""]
    headline: str
    low: float
    likely: float
    high: float
    comfort_low: float | None
    comfort_high: float | None
    read: bool
    kind: str | None
    says: str
    flush_l: float
    flush_water: str


class AllRootsOut(Out):
    """Every fill along the path."""

    fills: list[RootLineOut]


class PlaceRootsOut(Out):
    """A place with every fill that it holds, and what was picked there."""

    id: uuid.UUID
    name: str
    plants: list[str]
    plantings: list[PickableOut]
    fills: list[RootsOut]
    harvests: list[NoteOut]


class PickableOut(Out):
    """Something that can be picked there."""

    planting_id: uuid.UUID
    name: str


class MeaningOut(Out):
    """What a reading means before it is written down."""

    word: core.RootWord | Literal[""]
    text: str


PlaceRootsOut.model_rebuild()
