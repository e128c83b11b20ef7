"""The year round over HTTP: clearing, what follows, away, the year's page and the next."""

from __future__ import annotations

import uuid
from typing import Annotated, Any

from django.http import HttpResponse
from ninja import Path, Router

from dace.desks.shared.written import WrittenOut, written
from dace.desks.year.follows import follows_page
from dace.desks.year.learned import learned_page
from dace.desks.year.page import next_year, year_csv, year_page
from dace.desks.year.schemas import (
    AwayIn,
    ClearedIn,
    FollowsOut,
    ForgetIn,
    IntendIn,
    LearnedPageOut,
    NextYearOut,
    SownIn,
    YearOut,
)
from dace.garden.going import come_back, go_away
from dace.garden.intending import NewIntended, drop_intended, intend, sow_intended
from dace.shelf.clearing import Cleared, clear
from dace.shelf.taught import forget_recipe

router = Router(tags=["year"])
Year = Annotated[int, Path(ge=1900, le=2200)]


@router.post("/plantings/{planting_id}/cleared", response=WrittenOut, operation_id="clear_planting")
def cleared(request: Any, planting_id: uuid.UUID, payload: ClearedIn) -> WrittenOut:
    """A crop is over and cleared."""
    row = clear(request.auth, planting_id, Cleared(**payload.dict()))
    return written(request.auth, row.pk)


@router.get("/fills/{fill_id}/follows", response=FollowsOut, operation_id="what_follows")
def follows(request: Any, fill_id: uuid.UUID) -> FollowsOut:
    """What may follow there, from today on."""
    return follows_page(request.auth, fill_id)


@router.post("/away", response={201: WrittenOut}, operation_id="go_away")
def away(request: Any, payload: AwayIn) -> Any:
    """Nobody is there for some days."""
    row = go_away(request.auth, payload.id, payload.from_on, payload.to_on, payload.waters)
    return 201, written(request.auth, row.pk)


@router.post("/away/{away_id}/back", response=WrittenOut, operation_id="come_back")
def back(request: Any, away_id: uuid.UUID) -> WrittenOut:
    """Back early, or never gone."""
    return written(request.auth, come_back(request.auth, away_id).pk)


@router.get("/year/next", response=NextYearOut, operation_id="next_year")
def coming(request: Any) -> NextYearOut:
    """Next year proposed from this one."""
    return next_year(request.auth)


@router.get("/year-table/{year}.csv", operation_id="year_csv", summary="The year as a table")
def one_year_csv(request: Any, year: Year) -> HttpResponse:
    """A year's plantings as a table."""
    reply = HttpResponse(year_csv(request.auth, year), content_type="text/csv; charset=utf-8")
    reply["Content-Disposition"] = f'attachment; filename="year-{year}.csv"'
    return reply


@router.get("/year/{year}", response=YearOut, operation_id="year")
def one_year(request: Any, year: Year) -> YearOut:
    """A year looked back at."""
    return year_page(request.auth, year)


@router.post("/intended", response={201: WrittenOut}, operation_id="intend_sowing")
def mean(request: Any, payload: IntendIn) -> Any:
    """Mean to sow something."""
    return 201, written(request.auth, intend(request.auth, NewIntended(**payload.dict())).pk)


@router.post("/intended/{row_id}/sown", response={201: WrittenOut}, operation_id="sow_intended")
def sown(request: Any, row_id: uuid.UUID, payload: SownIn) -> Any:
    """It is sown today."""
    row = sow_intended(request.auth, row_id, payload.id, payload.stand_id)
    return 201, written(request.auth, row.pk)


@router.post("/intended/{row_id}/drop", response=WrittenOut, operation_id="drop_intended")
def dropped(request: Any, row_id: uuid.UUID) -> WrittenOut:
    """It is not meant any more."""
    return written(request.auth, drop_intended(request.auth, row_id).pk)


@router.get("/learned", response=LearnedPageOut, operation_id="learned")
def learned(request: Any) -> LearnedPageOut:
    """What Dace has learned here."""
    return learned_page(request.auth)


@router.post("/learned/forget", response={201: WrittenOut}, operation_id="forget_learned")
def forget(request: Any, payload: ForgetIn) -> Any:
    """A recipe starts from the table again."""
    return 201, written(request.auth, forget_recipe(request.auth, payload.id, payload.what).pk)
