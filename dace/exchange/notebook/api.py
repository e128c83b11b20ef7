"""A notebook from elsewhere: looked over, then taken in."""

from __future__ import annotations

import json
import uuid
from collections.abc import Sequence
from datetime import date
from typing import Annotated, Any

from ninja import Query, Router, Schema
from pydantic import Field, ValidationError

from dace.core.api import DaceError, Order, listed
from dace.desks.shared.out import Out
from dace.desks.shared.upload import file_body, sent_file
from dace.exchange.notebook import progress
from dace.exchange.notebook.how import How, Ratio, Said
from dace.exchange.notebook.kinds import KINDS, KindName
from dace.exchange.notebook.taking import Looked, Unknown, look_over, take

router = Router(tags=["exchange"])
_MOST_BYTES, _SHOWN, _SAMPLES = 20_000_000, 50, 3
_MEDIA = [
    "text/csv",
    "application/vnd.openxmlformats-officedocument.spreadsheetml.sheet",
    "application/octet-stream",
]


_Index = Annotated[int, Field(ge=0, lt=60)]
_Unit = Annotated[str, Field(max_length=20)]


class ColumnSaidIn(Schema):
    """What she says of the table; what is left out is found in it."""

    kind: Annotated[str, Field(max_length=20)] = ""
    sheet: Annotated[str, Field(max_length=100)] = ""
    columns: Annotated[dict[str, _Index], Field(max_length=20)] | None = None
    units: Annotated[dict[str, _Unit], Field(max_length=20)] = {}
    dates: Order | None = None
    places: Annotated[dict[str, uuid.UUID], Field(max_length=500)] = {}
    feeds: Annotated[dict[str, uuid.UUID], Field(max_length=500)] = {}
    ratio: Ratio | None = None
    past: bool = False


class LookIn(Schema):
    """``how`` is JSON: kind, sheet, columns, units, dates, places, feeds, ratio, past."""

    how: Annotated[str, Field(max_length=60_000)] = "{}"


class TakeIn(LookIn):
    """An id of the asking; ``rest`` takes what can be read where some rows cannot."""

    id: uuid.UUID
    rest: bool = False


class ColumnOut(Out):
    """A column of the table, with what it is read as."""

    index: int
    head: str
    samples: list[str]
    key: str
    unit: str


class WantedOut(Out):
    """A column that a kind is made of."""

    key: str
    name: str
    needed: bool
    units: list[str]


class NotebookKindOut(Out):
    """A kind of entry."""

    key: KindName
    name: str


class BrokenOut(Out):
    """A row that cannot be read."""

    row: int
    text: str


class WayOfDateOut(Out):
    """One day that a date may mean, and the order that makes it so."""

    order: Order
    day: date


class DoubtOut(Out):
    """A date as it stands in the table, and the days that it may mean."""

    cell: str
    ways: list[WayOfDateOut]


class PlaceNameOut(Out):
    """A name that leads nowhere here, how many rows have it, and what it likely means."""

    name: str
    rows: int
    guess: uuid.UUID | None
    guessed: str


class PlaceChoiceOut(Out):
    """A place or pot that a name may mean."""

    id: uuid.UUID
    name: str


class LookedOut(Out):
    """How a table is read, and what it would bring.

    ``ratio`` is a strength such as 1:20 of which nobody said what it means; ``skipped`` are rows
    that are no entries, ``past`` crops that were over before they came here.
    """

    kinds: list[NotebookKindOut]
    kind: KindName
    sheets: list[str]
    sheet: str
    columns: list[ColumnOut]
    wanted: list[WantedOut]
    missing: str
    dates: Order
    doubtful: str
    doubts: list[DoubtOut]
    odd: list[BrokenOut]
    total: int
    good: int
    here: int
    broken: int
    shown: list[str]
    why: list[BrokenOut]
    unknown: list[PlaceNameOut]
    places: list[PlaceChoiceOut]
    feeds: list[PlaceNameOut]
    jars: list[PlaceChoiceOut]
    ratio: str
    skipped: list[BrokenOut]
    past: list[str]


class TakenOut(Out):
    """What came in, and the change that takes it back."""

    count: int
    here: int
    left_out: int
    change_id: int | None
    summary: str


class FarOut(Out):
    """How far a taking-in is: rows read, of so many."""

    done: int
    most: int


@router.post(
    "/notebook-file/look",
    response=LookedOut,
    operation_id="look_over_notebook",
    openapi_extra=file_body(_MEDIA),
)
def look(request: Any, given: Query[LookIn]) -> LookedOut:
    """Look a table over; the body is the file itself. Nothing is written."""
    return _told(look_over(request.auth, _sent(request), _said(given.how)))


@router.post(
    "/notebook-file",
    response={201: TakenOut},
    operation_id="take_notebook_in",
    openapi_extra=file_body(_MEDIA),
)
def take_in(request: Any, given: Query[TakeIn]) -> Any:
    """Take a table in, in one change; the body is the file itself."""
    taken = take(request.auth, _sent(request), _said(given.how), given.rest, given.id)
    return 201, TakenOut(
        count=taken.count,
        here=taken.here,
        left_out=taken.left_out,
        change_id=taken.change.pk if taken.change else None,
        summary=taken.change.summary if taken.change else "",
    )


@router.get("/notebook-file/{taking_id}", response=FarOut, operation_id="notebook_progress")
def far(request: Any, taking_id: uuid.UUID) -> FarOut:
    """How far it is."""
    done, most = progress.how_far(request.auth, taking_id)
    return FarOut(done=done, most=most)


def _sent(request: Any) -> bytes:
    return sent_file(request, _MOST_BYTES, "file", "up to 20 MB would do")


def _said(text: str) -> Said:
    try:
        given = ColumnSaidIn(**json.loads(text))
    except (ValueError, TypeError, RecursionError, ValidationError):
        do = "JSON of kind, sheet, columns, units, dates, places, feeds, ratio, past"
        raise DaceError("how", f"“{text[:60]}”", do) from None
    return Said(**given.dict())


def _told(found: Looked) -> LookedOut:
    how = found.how
    missing = how.missing()
    return LookedOut(
        kinds=[NotebookKindOut(key=kind.key, name=kind.name) for kind in KINDS.values()],
        kind=how.kind.key,
        sheets=list(found.sheets),
        sheet=how.sheet.name,
        columns=_columns(how),
        wanted=[
            WantedOut(key=one.key, name=one.name, needed=one.needed, units=list(one.units))
            for one in how.kind.columns
        ],
        missing=f"No column yet for {listed(missing)}." if missing else "",
        dates=how.order,
        doubtful=how.doubtful,
        doubts=[
            DoubtOut(cell=one.cell, ways=[WayOfDateOut(order=o, day=day) for o, day in one.ways])
            for one in how.doubts
        ],
        odd=[BrokenOut(row=row, text=f"{text}.") for row, text in found.odd[:_SHOWN]],
        total=len(how.sheet.rows),
        good=len(found.good),
        here=found.here,
        broken=len(found.broken),
        shown=[line.words for line in found.good[:_SAMPLES]],
        why=[
            BrokenOut(row=one.number, text=f"Read {one.read}; {one.would_do.rstrip('.')}.")
            for one in found.broken[:_SHOWN]
        ],
        unknown=_names(found.unknown, found.options),
        places=[PlaceChoiceOut(id=key, name=name) for key, name in found.options],
        feeds=_names(found.feeds, found.jars),
        jars=[PlaceChoiceOut(id=key, name=name) for key, name in found.jars],
        ratio=how.open_ratio,
        skipped=[BrokenOut(row=row, text=text) for row, text in found.skipped[:_SHOWN]],
        past=[one.words for one in found.past],
    )


def _names(
    found: Sequence[Unknown], options: Sequence[tuple[uuid.UUID, str]]
) -> list[PlaceNameOut]:
    called = dict(options)
    return [
        PlaceNameOut(
            name=one.name,
            rows=one.rows,
            guess=one.guess,
            guessed=called.get(one.guess, "") if one.guess else "",
        )
        for one in found[:_SHOWN]
    ]


def _columns(how: How) -> list[ColumnOut]:
    of = {index: key for key, index in how.columns.items()}
    some = how.sheet.rows[:_SAMPLES]
    return [
        ColumnOut(
            index=index,
            head=head,
            samples=[cells[index] for _, cells in some],
            key=of.get(index, ""),
            unit=how.units.get(of.get(index, ""), ""),
        )
        for index, head in enumerate(how.sheet.heads)
    ]
