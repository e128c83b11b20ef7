"""What the plan, trying things out and the calendar show."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Literal

from dace.desks.season.schemas import LineOut
from dace.desks.shared.figures import StepOut
from dace.desks.shared.out import Out


class PlanEventOut(Out):
    """Something to come at a stop: nitrogen for each plant [mg], what, and why then.

    ``plantings`` are those that get of it.
    """

    id: uuid.UUID
    on: date
    kind: str
    fill_id: uuid.UUID
    plantings: list[uuid.UUID]
    name: str
    stage: str
    text: str
    nitrogen_mg: float
    nitrogen_text: str
    why: list[str]
    working: list[StepOut]


class RemedyOut(Out):
    """What would mend what runs short at some stops: the plantings there, words, its button."""

    kind: Literal["rhythm", "get", "slow", "room", "tray"]
    plantings: list[uuid.UUID]
    place_id: uuid.UUID
    text: str
    button: str


class ToBuyOut(Out):
    """What would fill what the shelf lacks."""

    text: str
    amount: str
    cost: str
    where: str


class ToComeOut(Out):
    """Sowing again, potting on, planting out, and what slow feeds still give next year."""

    planting_id: uuid.UUID | None
    on: date | None
    name: str
    text: str


class LinesOut(Out):
    """Of a stop ahead, week by week: need and what roots take [mg, summed], by nutrient."""

    fill_id: uuid.UUID
    days: list[date]
    lines: list[LineOut]


class HabitsOut(Out):
    """How the garden is fed where a planting says nothing."""

    approach: str
    rhythm: str
    slider: float
    evenings: list[str]
    weighs: bool
    approaches: dict[str, str]
    rhythms: dict[str, str]


class PlanOut(Out):
    """What is to come, and how the garden is fed."""

    today: date
    weeks: int
    habits: HabitsOut
    events: list[PlanEventOut]
    remedies: list[RemedyOut]
    to_buy: list[ToBuyOut]
    to_come: list[ToComeOut]
    lines: list[LinesOut]
    digest: str


class FutureOut(Out):
    """A future: what it takes and what it brings; ``events`` of the stops that are meant.

    ``short`` are nutrients that the shelf leaves short, by stop.
    """

    feeds: int
    money: str
    minutes: int
    carried: str
    picked: str
    short: dict[str, list[str]]
    first_feed: str
    strongest: str
    events: list[PlanEventOut]
    lines: list[LinesOut]


class RehearsalOut(Out):
    """What stands and what would be, side by side, and the difference in a sentence or two.

    ``home_made`` are the jars of one's own, to be kept to where that was tried out.
    """

    before: FutureOut
    after: FutureOut
    said: list[str]
    home_made: list[uuid.UUID]


class CalendarOut(Out):
    """Whether an address leads to the calendar; ``address`` only where it was just made."""

    there: bool
    address: str
