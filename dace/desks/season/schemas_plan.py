"""What the plan, trying things out and the calendar show."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Literal

from dace.desks.shared.out import Out


class PlanEventOut(Out):
    """Something to come at a stop: nitrogen for each plant [mg], what, and why then.

    ``plantings`` are those that get of it.
    """

    id: uuid.UUID
    on: date
    kind: Literal["feed", "dress", "flush"]
    fill_id: uuid.UUID
    plantings: list[uuid.UUID]
    name: str
    stage: str
    text: str
    nitrogen_mg: float
    nitrogen_text: str
    why: list[str]


class ShortOut(Out):
    """A nutrient that a stop will be short of."""

    fill_id: uuid.UUID
    plantings: list[uuid.UUID]
    name: str
    nutrient: str
    text: str
    since: date


class CarriedOut(Out):
    """What share of the nitrogen the feeds to come bring to a stop."""

    fill_id: uuid.UUID
    plantings: list[uuid.UUID]
    name: str
    text: str


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
    """Of a stop ahead, week by week: need and what roots take [mg, summed], by nutrient.

    ``low`` and ``high`` bound what is taken.
    """

    fill_id: uuid.UUID
    days: list[date]
    nutrients: list[str]
    need: list[list[float]]
    taken: list[list[float]]


class HabitsOut(Out):
    """How the garden is fed where a planting says nothing."""

    approach: str
    rhythm: str
    slider: float
    approaches: dict[str, str]
    rhythms: dict[str, str]


class PlanOut(Out):
    """What is to come, and how the garden is fed."""

    today: date
    weeks: int
    habits: HabitsOut
    events: list[PlanEventOut]
    short: list[ShortOut]
    carried: list[CarriedOut]
    to_buy: list[ToBuyOut]
    to_come: list[ToComeOut]
    lines: list[LinesOut]
    digest: str


class FutureOut(Out):
    """A future: what it takes and what it brings; ``events`` of the stops that are meant."""

    feeds: int
    money: str
    minutes: int
    carried: str
    picked: str
    short: list[str]
    first_feed: str
    strongest: str
    events: list[PlanEventOut]
    lines: list[LinesOut]


class RehearsalOut(Out):
    """What stands and what would be, side by side, and the difference in a sentence or two."""

    before: FutureOut
    after: FutureOut
    said: list[str]


class CalendarOut(Out):
    """Whether an address leads to the calendar; ``address`` only where it was just made."""

    there: bool
    address: str
