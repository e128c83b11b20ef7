"""The Notebook and the readings written in it."""

from __future__ import annotations

import uuid
from dataclasses import fields
from datetime import date
from typing import Annotated, Any

from ninja import Query, Router, Schema
from pydantic import Field

from dace.core.api import PenReading
from dace.desks.notebook.entries import read_cursor
from dace.desks.notebook.lanes import lanes_page
from dace.desks.notebook.page import notebook_page
from dace.desks.notebook.readables import readables_page
from dace.desks.notebook.schemas import LanesOut, NotebookOut, ReadablesOut
from dace.desks.shared.written import WrittenOut, written
from dace.households.fields import Instant, Line, Number
from dace.measuring.services import NewReading, log_reading

router = Router(tags=["notebook"])


class ReadingIn(Schema):
    """A reading as the pen showed it."""

    id: uuid.UUID
    subject_id: uuid.UUID
    value: Number
    scale: Line = "mS/cm"
    temperature_c: Number | None = None
    compensates: bool = True
    parts_water: Number = 0.0
    method: Line = "feed_solution"
    taken_at: Instant | None = None
    pots: Annotated[int, Field(ge=1, le=50)] = 1
    pen_id: uuid.UUID | None = None
    practice: bool = False


class Which(Schema):
    """Which part of the Notebook."""

    stop: uuid.UUID | None = None
    before: Line = ""
    limit: Annotated[int, Field(ge=1, le=500)] = 60


@router.get("/notebook", response=NotebookOut, operation_id="notebook")
def notebook(request: Any, which: Query[Which]) -> NotebookOut:
    """All that was done, read and seen, newest first."""
    return notebook_page(
        request.auth,
        which.stop,
        read_cursor(which.before) if which.before else None,
        which.limit,
    )


class LanesIn(Schema):
    """A span of days, of one stop or of the whole garden."""

    stop: uuid.UUID | None = None
    since: date
    until: date


@router.get("/score-lanes", response=LanesOut, operation_id="score_lanes")
def lanes(request: Any, asked: Query[LanesIn]) -> LanesOut:
    """How plants were scored, by scale, for the chart."""
    return lanes_page(request.auth, asked.stop, asked.since, asked.until)


class Where(Schema):
    """The chosen stop, if any."""

    stop: uuid.UUID | None = None


@router.get("/readables", response=ReadablesOut, operation_id="readables")
def readables(request: Any, where: Query[Where]) -> ReadablesOut:
    """What a pen can be dipped in from here."""
    return readables_page(request.auth, where.stop)


@router.post(
    "/readings", response={201: WrittenOut}, operation_id="log_reading", summary="Log Reading"
)
def reading(request: Any, payload: ReadingIn) -> Any:
    """Write a reading down."""
    given = payload.dict()
    pen = PenReading(**{field.name: given[field.name] for field in fields(PenReading)})
    names = ("id", "subject_id", "taken_at", "pots", "pen_id", "practice")
    new = NewReading(pen=pen, **{name: given[name] for name in names})
    return 201, written(request.auth, log_reading(request.auth, new).id)
