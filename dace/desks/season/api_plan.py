"""The plan on the Season: what is to come, habits, trying things out, the calendar."""

from __future__ import annotations

import uuid
from typing import Annotated, Any, Literal

from django.http import HttpRequest, HttpResponse
from ninja import Router, Schema
from pydantic import Field

from dace.core.api import Trial, shown
from dace.desks.season.calendar import CONTENT_TYPE, calendar_of
from dace.desks.season.plan import plan_page
from dace.desks.season.rehearsal import rehearsal
from dace.desks.season.schemas_plan import CalendarOut, PlanOut, RehearsalOut
from dace.desks.shared.at_home import measures_of
from dace.desks.shared.confirmed import ConfirmedIn
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.calendars import has_link, new_link, revoke_links, whose
from dace.feeding.reads import jars_with_stock
from dace.garden.planning import Feeding, GardenFeeding, feed_all_so, feed_garden_so, feed_so
from dace.households.asking_again import confirm
from dace.households.fields import Line, Number
from dace.households.scope import NotFoundError, Scope, require_owner

router = Router(tags=["plan"])
Evening = Literal["mon", "tue", "wed", "thu", "fri", "sat", "sun"]
Rhythm = Literal["", "as_needed", "fortnightly", "weekly", "twice_weekly", "every_watering"]
_CALENDAR = "/api/calendar/{}.ics"


class FeedingIn(Schema):
    """How a planting is fed; what is left out stays, an empty word is as the garden."""

    approach: Line | None = None
    rhythm: Rhythm | None = None
    sources: Annotated[list[uuid.UUID], Field(max_length=60)] | None = None
    strength: Number | None = None
    aim: Number | None = None


class KeepIn(FeedingIn):
    """What of a trial is kept, for which plantings."""

    plantings: Annotated[list[uuid.UUID], Field(min_length=1, max_length=500)]


class GardenFeedingIn(Schema):
    """How the garden is fed; ``slider`` from -1 (spare money) to 1 (spare effort).

    ``evenings`` are the days on which it is fed; an empty list for any. ``weighs`` is whether
    grams come before spoons.
    """

    approach: Line | None = None
    rhythm: Rhythm | None = None
    slider: Number | None = None
    evenings: Annotated[list[Evening], Field(max_length=7)] | None = None
    weighs: bool | None = None


class TrialIn(Schema):
    """What is tried out: habits, shelf, weather; of some fills or, with none named, of all."""

    fills: Annotated[list[uuid.UUID], Field(max_length=200)] = []
    approach: Line = ""
    rhythm: Rhythm = ""
    strength: Number | None = None
    slider: Number | None = None
    home_made: bool = False
    warmer_c: Number = 0.0
    rain_times: Number = 1.0


@router.get("/plan", response=PlanOut, operation_id="plan_ahead", summary="The plan")
def plan_ahead(request: Any) -> PlanOut:
    """Every feed to come with its reasons, what runs short, what to buy."""
    return plan_page(request.auth)


@router.post("/plantings/{planting_id}/feeding", response=WrittenOut, operation_id="feed_so")
def feeding(request: Any, planting_id: uuid.UUID, payload: FeedingIn) -> WrittenOut:
    """Choose how a planting is fed from now on."""
    return written(
        request.auth, feed_so(request.auth, planting_id, _feeding(request.auth, payload)).pk
    )


def _feeding(scope: Scope, said: FeedingIn) -> Feeding:
    sources = None if said.sources is None else tuple(said.sources)
    if sources and not {jar.pk for jar, _ in jars_with_stock(scope)}.issuperset(sources):
        raise NotFoundError("sources", "an id of no jar here", "choose jars from the shelf")
    return Feeding(said.approach, said.rhythm, sources, said.strength, said.aim)


@router.post("/plan/keep", response=WrittenOut, operation_id="keep_trial")
def keep_trial(request: Any, payload: KeepIn) -> WrittenOut:
    """Keep the habits that were tried out, for every planting that they were tried on."""
    rows = feed_all_so(request.auth, payload.plantings, _feeding(request.auth, payload))
    return written(request.auth, rows[0].pk)


@router.post("/garden/feeding", response=WrittenOut, operation_id="feed_garden_so")
def garden_feeding(request: Any, payload: GardenFeedingIn) -> WrittenOut:
    """Choose how the garden is fed where a planting says nothing else."""
    return written(request.auth, feed_garden_so(request.auth, _garden_feeding(payload)).pk)


def _garden_feeding(said: GardenFeedingIn) -> GardenFeeding:
    evenings = None if said.evenings is None else tuple(said.evenings)
    return GardenFeeding(said.approach, said.rhythm, said.slider, evenings, said.weighs)


@router.post("/plan/rehearse", response=RehearsalOut, operation_id="rehearse")
def try_out(request: Any, payload: TrialIn) -> RehearsalOut:
    """Two futures side by side; writes nothing."""
    trial = Trial(
        stops=frozenset(str(fill_id) for fill_id in payload.fills),
        approach=payload.approach or None,
        rhythm=payload.rhythm or None,
        strength=payload.strength,
        slider=payload.slider,
        home_made=payload.home_made,
        warmer_c=payload.warmer_c,
        rain_times=payload.rain_times,
    )
    return rehearsal(request.auth, trial)


@router.get("/plan.ics", operation_id="calendar_file", summary="The calendar")
def calendar_file(request: Any) -> HttpResponse:
    """The plan as a calendar file."""
    answer = HttpResponse(calendar_of(request.auth), content_type=CONTENT_TYPE)
    answer["Content-Disposition"] = 'attachment; filename="dace.ics"'
    return answer


@router.get("/calendar", response=CalendarOut, operation_id="calendar_link")
def calendar_link(request: Any) -> CalendarOut:
    """Whether an address leads to the calendar."""
    return CalendarOut(there=has_link(request.auth), address="")


@router.post("/calendar", response={201: CalendarOut}, operation_id="new_calendar_link")
def new_calendar_link(request: Any, payload: ConfirmedIn | None = None) -> Any:
    """A new private address; it is told this once, and any older one leads nowhere."""
    require_owner(request.auth)
    confirm(request, payload.password if payload else "")
    path = _CALENDAR.format(new_link(request.auth))
    return 201, CalendarOut(there=True, address=request.build_absolute_uri(path))


@router.delete("/calendar", response=CalendarOut, operation_id="revoke_calendar_link")
def revoke_calendar_link(request: Any) -> CalendarOut:
    """No address leads to the calendar any more."""
    revoke_links(request.auth)
    return CalendarOut(there=False, address="")


@router.get("/calendar/{token}.ics", auth=None, operation_id="calendar", summary="By its address")
def calendar(request: HttpRequest, token: str) -> HttpResponse:
    """The calendar by its private address."""
    scope = whose(token)
    if scope is None:
        raise NotFoundError(
            "token", "an address that leads nowhere", "make a new one on the Season"
        )
    shown.show_in(measures_of(scope))
    return HttpResponse(calendar_of(scope), content_type=CONTENT_TYPE)
