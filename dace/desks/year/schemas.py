"""What is asked and shown of the year round."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from dace.desks.shared.out import Out
from dace.households.fields import Number, Typed


class FollowerOut(Out):
    """Something that may follow, why, and what rotation says against it."""

    key: str
    name: str
    why: str
    against: str
    green: bool
    stage: str


class FollowsOut(Out):
    """What may follow on a fill: crops, green manures, or rest."""

    fill_id: uuid.UUID
    place: str
    crops: list[FollowerOut]
    green: list[FollowerOut]
    rest: str


class ClearedIn(Schema):
    """How a crop was cleared: when, what was picked, where its stalks go."""

    id: uuid.UUID
    on: date | None = None
    grams: Number | None = None
    pieces: Annotated[int, Field(ge=1, le=100_000)] | None = None
    heap_id: uuid.UUID | None = None
    amount: Typed = ""
    sick: bool = False


class AwayIn(Schema):
    """From when to when nobody is there, the last day with it, and who waters."""

    id: uuid.UUID
    from_on: date
    to_on: date
    waters: Literal["helper", "drip", "nobody"]


class AwayOut(Out):
    """An absence: in words, and whether it has begun."""

    id: uuid.UUID
    from_on: date
    to_on: date
    waters: str
    line: str
    begun: bool


class GotOut(Out):
    """A nutrient: what was given, and what they wanted; empty where that is not known."""

    name: str
    given: str
    wanted: str


class GrewOut(Out):
    """A planting's year: where, when, what it got beside what it wanted, what was picked."""

    planting_id: uuid.UUID
    name: str
    place: str
    span: str
    shares: list[GotOut]
    litres: float
    picked: str


class BrewedOut(Out):
    """A brew that ended that year."""

    name: str
    text: str
    thrown: bool


class TriedOut(Out):
    """A trial of that year."""

    trial_id: uuid.UUID
    title: str


class YearOut(Out):
    """A year looked back at; ``lines`` are for the next, ``years`` those that can be seen."""

    year: int
    years: list[int]
    grew: list[GrewOut]
    brewed: list[BrewedOut]
    tried: list[TriedOut]
    cans: int
    litres: str
    hours: str
    lines: list[str]


class ProposedOut(Out):
    """A crop of this year once more: where, when, and what rotation says against it."""

    planting_id: uuid.UUID
    crop: str
    called: str
    count: int
    fill_id: uuid.UUID
    name: str
    place: str
    why: str
    against: str
    sow_on: date


class MeantOut(Out):
    """A sowing that was accepted."""

    id: uuid.UUID
    name: str
    place: str
    place_id: uuid.UUID
    sow_on: date
    due: bool


class NextYearOut(Out):
    """Next year proposed, and what was accepted of it."""

    year: int
    proposed: list[ProposedOut]
    meant: list[MeantOut]


class LearnedOut(Out):
    """What own batches of a recipe taught: the evidence, and where the next one starts."""

    what: str
    name: str
    evidence: str
    starts: str


class LearnedPageOut(Out):
    """All that was learned here; ``simulated`` where nothing may be."""

    learned: list[LearnedOut]
    simulated: bool


class ForgetIn(Schema):
    """What is to be forgotten."""

    id: uuid.UUID
    what: Annotated[str, Field(max_length=300)]


class IntendIn(Schema):
    """A sowing to mean."""

    id: uuid.UUID
    fill_id: uuid.UUID
    crop: Annotated[str, Field(max_length=60)]
    called: Annotated[str, Field(max_length=60)] = ""
    count: Annotated[int, Field(ge=1, le=100_000)]
    sow_on: date


class SownIn(Schema):
    """Ids of the planting and stand that a meant sowing becomes."""

    id: uuid.UUID
    stand_id: uuid.UUID
