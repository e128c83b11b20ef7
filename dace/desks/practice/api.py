"""A sum is asked, and an answer is looked at; nothing is written."""

from __future__ import annotations

from typing import Annotated, Any

from ninja import Query, Router, Schema
from pydantic import Field

from dace.core.api import check, exercise
from dace.desks.shared.out import Out
from dace.garden.reads import garden_of
from dace.households.fields import Number

router = Router(tags=["practice"])


class TurnIn(Schema):
    """Which sum: the same turn and seed ask the same."""

    turn: Annotated[int, Field(ge=0, lt=300)] = 0
    seed: Annotated[int, Field(ge=0, lt=2**31)] = 0


class AnswerIn(TurnIn):
    """An answer to it."""

    answer: Number


class ExerciseOut(Out):
    """A sum, without what is right."""

    kind: str
    question: str
    unit: str


class CheckedOut(Out):
    """Whether it is right, what went wrong, and how it goes."""

    right: bool
    said: str
    working: list[str]


@router.get("/practice", response=ExerciseOut, operation_id="exercise")
def ask(request: Any, given: Query[TurnIn]) -> ExerciseOut:
    """The sum of a turn, in the garden's measures."""
    found = exercise(given.turn, given.seed, garden_of(request.auth).measures)
    return ExerciseOut(kind=found.kind, question=found.question, unit=found.unit)


@router.post("/practice", response=CheckedOut, operation_id="check_answer")
def answer(request: Any, payload: AnswerIn) -> CheckedOut:
    """Look at an answer."""
    asked = exercise(payload.turn, payload.seed, garden_of(request.auth).measures)
    found = check(asked, payload.answer)
    return CheckedOut(right=found.right, said=found.said, working=list(found.working))
