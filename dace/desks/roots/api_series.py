"""A logger's series: taken in as a file, drawn over any span."""

from __future__ import annotations

import uuid
from datetime import UTC, datetime, timedelta
from typing import Annotated, Any
from zoneinfo import ZoneInfo

from django.http import HttpResponse
from ninja import Query, Router, Schema
from pydantic import Field

from dace.core.api import Dated, Order, text_of, told_twice
from dace.desks.shared.out import Out
from dace.desks.shared.upload import file_body, sent_file
from dace.desks.shared.written import WrittenOut, written
from dace.garden.reads import garden_of
from dace.measuring.series import (
    call_off,
    drawn,
    how_far,
    import_series,
    instant_of,
    left_lines,
    series_of,
)

router = Router(tags=["series"])
_MOST_BYTES, _SHOWN = 60_000_000, 40


class SeriesIn(Schema):
    """Whose readings a file holds, and the order of its dates where they do not tell."""

    id: uuid.UUID
    subject_id: uuid.UUID
    dates: Order | None = None


class SpanIn(Schema):
    """So many days up to a day back from the last reading; all of it where ``days`` is 0."""

    days: Annotated[int, Field(ge=0, le=40_000)] = 0
    back: Annotated[int, Field(ge=0, le=40_000)] = 0


class LeftLineOut(Out):
    """A line of the file that is no reading: its number, and what it says."""

    number: int
    text: str


class SeriesOut(Out):
    """A series over a span: each point's instant, least, most and number of readings.

    ``left_out`` are the first lines that were left out; ``id`` leads to all that are kept.
    """

    id: uuid.UUID | None
    left_out: list[LeftLineOut]
    total: int
    first: datetime | None
    last: datetime | None
    told: str
    at: list[datetime]
    low: list[float]
    high: list[float]
    count: list[int]


@router.post(
    "/series",
    response={201: WrittenOut},
    operation_id="import_series",
    openapi_extra=file_body(["text/csv", "application/octet-stream"]),
)
def take_in(request: Any, given: Query[SeriesIn]) -> Any:
    """Take a logger's table in; the body is the file itself."""
    text = text_of(sent_file(request, _MOST_BYTES, "file", "up to 60 MB would do"))
    dates = Dated(ZoneInfo(garden_of(request.auth).zone), given.dates)
    row = import_series(request.auth, given.id, given.subject_id, text, dates)
    return 201, written(request.auth, row.pk)


class ProgressOut(Out):
    """How far an import is: hours written, of so many at most."""

    written: int
    most: int
    whole: bool


@router.get("/series/{series_id}", response=ProgressOut, operation_id="import_progress")
def progress(request: Any, series_id: uuid.UUID) -> ProgressOut:
    """How far an import is."""
    written_hours, most, whole = how_far(request.auth, series_id)
    return ProgressOut(written=written_hours, most=most, whole=whole)


@router.get(
    "/series/{series_id}/left-out.txt", operation_id="series_left_out", response={200: None}
)
def left_out(request: Any, series_id: uuid.UUID) -> HttpResponse:
    """The lines that were left out, as a file: number, tab, what it says."""
    lines = left_lines(request.auth, series_id)
    text = "".join(f"{number}\t{said}\n" for number, said in lines)
    found = HttpResponse(text, content_type="text/plain; charset=utf-8")
    found["Content-Disposition"] = 'attachment; filename="left-out.txt"'
    return found


@router.delete("/series/{series_id}", response={204: None}, operation_id="call_off_import")
def stop(request: Any, series_id: uuid.UUID) -> Any:
    """Stop an import; nothing of it stays."""
    call_off(request.auth, series_id)
    return 204, None


@router.get("/subjects/{subject_id}/series", response=SeriesOut, operation_id="series")
def one_series(request: Any, subject_id: uuid.UUID, span: Query[SpanIn]) -> SeriesOut:
    """A span of a subject's newest series; empty where it has none."""
    series = series_of(request.auth, subject_id)
    if series is None:
        return SeriesOut(
            id=None, left_out=[], total=0, first=None, last=None, told="", at=[], low=[], high=[],
            count=[],
        )  # fmt: skip
    first, last = instant_of(series.first_hour), instant_of(series.last_hour)
    end = last - timedelta(days=min(span.back, (last - first).days))
    begin = end - timedelta(days=span.days) if span.days else datetime(1970, 1, 1, tzinfo=UTC)
    found = drawn(series, max(begin, first), end)
    return SeriesOut(
        id=series.pk,
        left_out=[LeftLineOut(number=n, text=text) for n, text in series.left_lines[:_SHOWN]],
        total=series.count,
        first=first,
        last=last,
        told=told_twice(series.again, series.twice, series.left_out),
        at=[instant_of(hour) for hour in found.hours],
        low=list(found.low),
        high=list(found.high),
        count=list(found.count),
    )
