"""Long series of a logger, kept by the hour and by the day so that any span draws soon."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import UTC, datetime, tzinfo

from django.db import transaction

from dace.core import api as core
from dace.core.api import LoggedHour
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope
from dace.measuring.models import Series, SeriesSpan, Subject

_HOUR_S = 3600
_BATCH = 5000
_MOST_HOURS = 1500  # a span up to this many is drawn by the hour, a longer one by the day
MOST_POINTS = 600


@dataclass(frozen=True)
class Drawn:
    """Points of a span: the first hour since 1970 of each, least and most [mS/cm], number."""

    hours: tuple[int, ...]
    low: tuple[float, ...]
    high: tuple[float, ...]
    count: tuple[int, ...]


def import_series(
    scope: Scope, row_id: uuid.UUID, subject_id: uuid.UUID, text: str, zone: tzinfo
) -> Series:
    """Keep a logger's table.

    Raises
    ------
    NotFoundError
        If the subject is none of this household's.
    DaceError
        On ``text``, with the line that cannot be read. Nothing is written then.
    """
    # a long table is read before the write lock is taken
    return _keep(scope, row_id, subject_id, core.read_log(text, zone))


@transaction.atomic
def _keep(
    scope: Scope, row_id: uuid.UUID, subject_id: uuid.UUID, hours: tuple[LoggedHour, ...]
) -> Series:
    repeat = Series.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    subject = Subject.objects.fetch(scope, subject_id, "subject_id")
    count = sum(one.count for one in hours)
    with change(scope, "series", f"{count:,} readings of a logger"):
        series = Series.objects.create(
            **new_row(scope, row_id),
            subject=subject,
            count=count,
            first_hour=hours[0].hour,
            last_hour=hours[-1].hour,
        )
        for level, rows in (("hour", hours), ("day", core.by_day(hours))):
            spans = (_span(series, level, one) for one in rows)
            SeriesSpan.objects.bulk_create(spans, batch_size=_BATCH)
    return series


def _span(series: Series, level: str, one: LoggedHour) -> SeriesSpan:
    return SeriesSpan(
        series=series,
        level=level,
        hour=one.hour,
        low=one.low,
        high=one.high,
        total=one.total,
        count=one.count,
    )


def series_of(scope: Scope, subject_id: uuid.UUID) -> Series | None:
    """The newest series of a subject; two queries.

    Raises
    ------
    NotFoundError
        If the subject is none of this household's.
    """
    Subject.objects.fetch(scope, subject_id, "subject_id")
    return Series.objects.of(scope).filter(subject_id=subject_id).order_by("-created_at").first()


def drawn(series: Series, first: datetime, last: datetime) -> Drawn:
    """At most ``MOST_POINTS`` points between two instants; every extreme is kept; one query."""
    begin, end = (int(at.astimezone(UTC).timestamp()) // _HOUR_S for at in (first, last))
    level = "hour" if end - begin <= _MOST_HOURS else "day"
    rows = list(
        SeriesSpan.objects.filter(series=series, level=level, hour__gte=begin - 23, hour__lte=end)
        .order_by("hour")
        .values_list("hour", "low", "high", "count")
    )
    if level == "hour":
        rows = [row for row in rows if row[0] >= begin]
    step = max(1, -(-len(rows) // MOST_POINTS))
    groups = [rows[at : at + step] for at in range(0, len(rows), step)]
    return Drawn(
        hours=tuple(group[0][0] for group in groups),
        low=tuple(min(row[1] for row in group) for group in groups),
        high=tuple(max(row[2] for row in group) for group in groups),
        count=tuple(sum(row[3] for row in group) for group in groups),
    )


def instant_of(hour: int) -> datetime:
    """The instant at which an hour since 1970 begins."""
    return datetime.fromtimestamp(hour * _HOUR_S, tz=UTC)
