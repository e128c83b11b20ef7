"""Trials: set up, measured, ended."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated, Any

from ninja import Query, Router, Schema
from pydantic import Field

from dace.desks.shared.written import RowIn, WrittenOut, written
from dace.desks.trials.page import before_page, trial_page, trials_page
from dace.desks.trials.schemas import BeforeOut, TrialOut, TrialsOut
from dace.households.fields import Line, Name, Number
from dace.notebook.trials import (
    NewMeasured,
    NewTrial,
    end_trial,
    leave_out,
    start_trial,
    write_measured,
)

router = Router(tags=["trials"])
Said = Annotated[str, Field(max_length=200)]


class NewTrialIn(Schema):
    """What is tried on which pots, what is measured, and what would be worth it."""

    id: uuid.UUID
    fed_stand_id: uuid.UUID
    unfed_stand_id: uuid.UUID
    measure: Name
    worthwhile_percent: Number
    feed: Line = ""
    jar_id: uuid.UUID | None = None
    waits: Name = "drench"
    paired: bool = True
    toss: bool = True
    exclusions: Said = ""
    judge_on: date | None = None


class BeforeIn(Schema):
    """A trial that is thought of: so many on either side."""

    units: Annotated[int, Field(ge=1, le=200)]
    worthwhile_percent: Annotated[float, Field(gt=0, le=1000, allow_inf_nan=False)]
    measure: Name
    waits: Name = "drench"
    paired: bool = True


class MeasuredIn(RowIn):
    """Figures of pots by their number, of one day."""

    values: Annotated[dict[int, Number], Field(max_length=400)]
    measure: Line = ""
    on: date | None = None
    blind: bool = False


class LeftOutIn(Schema):
    """A pot that does not count any more, and why."""

    number: int
    why: Said


class EndIn(Schema):
    """Whether the unfed are fed like the others from now on."""

    feed_again: bool = False


@router.get("/trials", response=TrialsOut, operation_id="trials")
def all_trials(request: Any) -> TrialsOut:
    """Every trial, and what another could be made of."""
    return trials_page(request.auth)


@router.get("/trials/before", response=BeforeOut, operation_id="before_trial")
def before(request: Any, asked: Query[BeforeIn]) -> BeforeOut:
    """What a trial of that size can tell, said before it starts; writes nothing."""
    share = asked.worthwhile_percent / 100
    return before_page(request.auth, asked.units, asked.paired, share, (asked.measure, asked.waits))


@router.post("/trials", response={201: WrittenOut}, operation_id="start_trial")
def start(request: Any, payload: NewTrialIn) -> Any:
    """Name what counts and toss the coins."""
    said = payload.dict()
    share = said.pop("worthwhile_percent") / 100
    row = start_trial(request.auth, NewTrial(**said, worthwhile=share))
    return 201, written(request.auth, row.pk)


@router.get("/trials/{trial_id}", response=TrialOut, operation_id="trial")
def one_trial(request: Any, trial_id: uuid.UUID) -> TrialOut:
    """A trial as it stands."""
    return trial_page(request.auth, trial_id)


@router.post("/trials/{trial_id}/measured", response={201: WrittenOut}, operation_id="measure_pots")
def measured(request: Any, trial_id: uuid.UUID, payload: MeasuredIn) -> Any:
    """Write figures of pots down."""
    said = payload.dict()
    row = write_measured(request.auth, NewMeasured(trial_id=trial_id, **said))
    return 201, written(request.auth, row.pk)


@router.post("/trials/{trial_id}/left-out", response=WrittenOut, operation_id="leave_pot_out")
def left_out(request: Any, trial_id: uuid.UUID, payload: LeftOutIn) -> WrittenOut:
    """A pot, and its pair with it, does not count."""
    row = leave_out(request.auth, trial_id, payload.number, payload.why)
    return written(request.auth, row.pk)


@router.post("/trials/{trial_id}/end", response=WrittenOut, operation_id="end_trial")
def end(request: Any, trial_id: uuid.UUID, payload: EndIn) -> WrittenOut:
    """It is over."""
    return written(request.auth, end_trial(request.auth, trial_id, payload.feed_again).pk)
