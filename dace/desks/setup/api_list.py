"""Setting up by many: a list typed or pasted, and more like one that stands."""

from __future__ import annotations

import uuid
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.core import api as core
from dace.core.api import Line, on_day
from dace.desks.shared.out import Out
from dace.desks.shared.written import WrittenOut, written
from dace.garden.listing import keep_list, kept_before, more_like
from dace.garden.models import Place
from dace.garden.reads import garden_of
from dace.garden.services import today

router = Router(tags=["setup"])
Text = Annotated[str, Field(max_length=40_000)]


class ListIn(Schema):
    """A list of places and plantings, one a line."""

    text: Text


class KeepListIn(ListIn):
    """The same, to be kept under an id."""

    id: uuid.UUID


class ListLineOut(Out):
    """A line as it was read: what was understood, or what is wrong with it."""

    number: int
    text: str
    said: str
    trouble: str


class ListOut(Out):
    """A list as it was read: how many places and plantings it comes to."""

    lines: list[ListLineOut]
    places: int
    plantings: int


class MoreIn(Schema):
    """How many more like a place."""

    id: uuid.UUID
    count: Annotated[int, Field(ge=1, le=100)]


def _lines(scope: Any, text: str) -> tuple[Line, ...]:
    garden = garden_of(scope)
    names = list(Place.objects.in_use(scope).values_list("name", flat=True))
    return core.read_list(text, garden.measures, today(scope, garden), names)


@router.post("/setup/list/read", response=ListOut, operation_id="read_list")
def read(request: Any, payload: ListIn) -> ListOut:
    """What is understood of a list; writes nothing."""
    lines = _lines(request.auth, payload.text)
    return ListOut(
        lines=[
            ListLineOut(number=one.number, text=one.text, said=_said(one), trouble=one.trouble)
            for one in lines
        ],
        places=sum(len(one.place.names) for one in lines if one.place),
        plantings=sum(one.planting is not None for one in lines),
    )


@router.post("/setup/list", response={201: WrittenOut}, operation_id="keep_list")
def keep(request: Any, payload: KeepListIn) -> Any:
    """Keep a list: all of it or nothing."""
    scope = request.auth
    lines = () if kept_before(scope, payload.id) else _lines(scope, payload.text)
    keep_list(scope, garden_of(scope), payload.id, lines)
    return 201, written(scope, _first(payload.id, lines))


def _first(list_id: uuid.UUID, lines: tuple[Line, ...]) -> uuid.UUID:
    """The row by which the change is found."""
    at = next((n for n, one in enumerate(lines) if one.place or one.planting), 0)
    is_place = not lines or lines[at].place is not None
    return uuid.uuid5(list_id, f"{at} 0") if is_place else uuid.uuid5(list_id, str(at))


@router.post("/places/{place_id}/more", response={201: WrittenOut}, operation_id="more_like")
def more(request: Any, place_id: uuid.UUID, payload: MoreIn) -> Any:
    """So many more like a place."""
    scope = request.auth
    more_like(scope, garden_of(scope), payload.id, place_id, payload.count)
    return 201, written(scope, uuid.uuid5(payload.id, "1"))


def _said(line: Line) -> str:
    if line.place is not None:
        one = line.place
        what = core.place_kinds()[one.kind].label.lower()
        first, last = one.names[0], one.names[-1]
        names = first if len(one.names) == 1 else f"{first} to {last}"
        each = f"{one.alike} alike, " if one.alike > 1 else ""
        cover = ", covered" if one.covered else ""
        area = f", in {one.area}" if one.area else ""
        medium = core.medium(one.medium).name.lower()
        return f"{names}: {what}, {each}{one.said_size}, {medium}{cover}{area}"
    if line.planting is not None:
        two = line.planting
        counted = core.crop(two.crop).counted(two.count)
        return f"{counted} in {two.place}, since {on_day(two.started_on, year=True)}"
    return ""
