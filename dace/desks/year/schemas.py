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
