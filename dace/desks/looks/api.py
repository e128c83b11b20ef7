"""Scores, notes, and what is wrong."""

from __future__ import annotations

import uuid
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.desks.looks.page import read_sign_at, scoring_page, signs_page
from dace.desks.looks.schemas import ScoringOut, SignReadOut, SignsOut
from dace.desks.shared.written import WrittenOut, written
from dace.garden.observing import (
    NewObservation,
    NewSignCheck,
    keep_sign_check,
    observe,
    say_outcome,
)
from dace.households.fields import Instant, Name, Number

router = Router(tags=["looks"])
Told = Annotated[dict[Name, Number], Field(max_length=20)]
Note = Annotated[str, Field(max_length=600)]


class ObservationIn(Schema):
    """Scores by scale, 0 to 5, and a note."""

    id: uuid.UUID
    stand_id: uuid.UUID
    scores: Annotated[dict[Name, Number], Field(max_length=10)] = {}
    note: Note = ""
    seen_at: Instant | None = None


class SignAskedIn(Schema):
    """A sign at a stand, and what she knows besides what is written down."""

    stand_id: uuid.UUID
    sign: Name
    facts: Told = {}


class SignCheckIn(SignAskedIn):
    """A sign to keep, to ask later what it was."""

    id: uuid.UUID


class OutcomeIn(Schema):
    """What it turned out to be."""

    outcome: Note


@router.get("/scoring", response=ScoringOut, operation_id="scoring")
def scoring(request: Any) -> ScoringOut:
    """Scales with words, and every stand in walking order."""
    return scoring_page(request.auth)


@router.post("/observations", response={201: WrittenOut}, operation_id="observe")
def observation(request: Any, payload: ObservationIn) -> Any:
    """Write down how plants look."""
    return 201, written(request.auth, observe(request.auth, NewObservation(**payload.dict())).pk)


@router.get("/signs", response=SignsOut, operation_id="signs")
def all_signs(request: Any) -> SignsOut:
    """Every sign that can be seen."""
    return signs_page(request.auth)


@router.post("/signs/read", response=SignReadOut, operation_id="read_sign")
def read(request: Any, payload: SignAskedIn) -> SignReadOut:
    """What a sign likely means there; writes nothing."""
    return read_sign_at(request.auth, payload.stand_id, payload.sign, payload.facts)[0]


@router.post("/signs", response={201: WrittenOut}, operation_id="keep_sign")
def keep(request: Any, payload: SignCheckIn) -> Any:
    """Keep a sign that was looked up."""
    _, found = read_sign_at(request.auth, payload.stand_id, payload.sign, payload.facts)
    new = NewSignCheck(payload.id, payload.stand_id, payload.sign, payload.facts)
    return 201, written(request.auth, keep_sign_check(request.auth, new, found).pk)


@router.post("/signs/{check_id}/outcome", response=WrittenOut, operation_id="say_outcome")
def outcome(request: Any, check_id: uuid.UUID, payload: OutcomeIn) -> WrittenOut:
    """Say what it was."""
    return written(request.auth, say_outcome(request.auth, check_id, payload.outcome).pk)
