"""What the Notebook, the reading sheet and the pen show."""

from __future__ import annotations

import uuid
from datetime import date, datetime
from typing import Literal

from dace.core import api as core
from dace.desks.shared.out import Out


class ReadingOut(Out):
    """A reading; ``ec`` is mS/cm at 25 C in words, ``verdict`` its place beside the expected."""

    practice: bool
    id: uuid.UUID
    at: datetime
    stop_id: uuid.UUID | None
    stop: str
    kind: str
    shown: str
    ec: str
    ec_ms_cm: float
    range_text: str
    method: str
    verdict: core.ReadVerdict | Literal[""]
    text: str
    change_id: int | None
    who: str


class DoseOut(Out):
    """A dose with its can and the readings of that can."""

    id: uuid.UUID
    at: datetime
    stop_id: uuid.UUID
    stop: str
    crop: str
    counted: str
    plants: int
    litres_each: str
    litres: str
    ratio: str
    vessel: str
    water: str
    sources: list[str]
    mg_l: dict[str, str]
    expected: str
    expected_range: str
    can_id: uuid.UUID
    can_subject_id: uuid.UUID
    left_l: float
    left: str
    readings: list[ReadingOut]
    change_id: int | None
    who: str


class OtherOut(Out):
    """Anything else that was done or seen, as a line; what is kept by the day stands at noon.

    ``air`` is the weather of its day beside a score, where somebody reported it.
    """

    id: uuid.UUID
    kind: Literal[
        "spray", "dressing", "watering", "test", "harvest", "look", "soil_test", "brew",
        "observation", "sign", "left_out", "photo", "trial", "spread", "green", "heap",
    ]  # fmt: skip
    at: datetime
    stop_id: uuid.UUID | None
    stop: str
    text: str
    air: str
    change_id: int | None
    who: str


class LaneOut(Out):
    """One scale's scores along the days: the mean of each point, its least and most."""

    key: str
    name: str
    on: list[date]
    mean: list[float]
    low: list[float]
    high: list[float]


class LanesOut(Out):
    """Scores by scale; a point is a day, or a week where the days are many."""

    lanes: list[LaneOut]
    weekly: bool


class NotebookOut(Out):
    """One list by time, newest first, each kind in its own field.

    ``next`` goes back as ``before`` for the page after this one.
    """

    doses: list[DoseOut]
    readings: list[ReadingOut]
    others: list[OtherOut]
    more: bool
    next: str | None


class ReadableOut(Out):
    """Something to read. ``advice`` says how to take the sample, or to thin what is too strong.

    ``method`` is the usual way of sampling it.
    """

    id: uuid.UUID
    name: str
    kind: str
    parts_water: int
    advice: str
    method: str = "pour_through"


class PenToReadOut(Out):
    """A pen, as far as a reading needs it; ``sends`` where it can say its number itself."""

    sends: bool
    id: uuid.UUID
    name: str
    scale: str
    compensates: bool
    trust: str


class MethodOut(Out):
    """A way to sample a medium."""

    key: str
    name: str


class ReadablesOut(Out):
    """Subjects, pens, the ways to sample, and how temperatures are written here."""

    subjects: list[ReadableOut]
    pens: list[PenToReadOut]
    methods: list[MethodOut]
    degrees: str


class ShownOut(Out):
    """What the pen shows; temperature in C. ``practice`` where a pretend pen made it up."""

    practice: bool
    value: float
    scale: str
    temperature_c: float | None
    compensates: bool
