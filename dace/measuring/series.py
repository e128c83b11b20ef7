"""Long series of a logger, kept by the hour and by the day so that any span draws soon."""

from __future__ import annotations

import time
import uuid
from dataclasses import dataclass
from datetime import UTC, datetime, timedelta
from itertools import chain, repeat

from django.db import connection, transaction
from django.db.models import Q, QuerySet

from dace.core import api as core
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, NotFoundError, Scope
from dace.measuring.models import Series, SeriesSpan, Subject

_HOUR_S = 3600
_A_STATEMENT = 100  # rows
_BATCH, _LETS_IN_S = 32_000, 0.02  # others look every tenth of a second at most
_STALE = timedelta(hours=1)
_MOST_HOURS = 1500  # a span up to this many is drawn by the hour, a longer one by the day
MOST_POINTS = 600
_MOST_KEPT = 2000  # of the lines that are left out


@dataclass(frozen=True)
class Drawn:
    """Points of a span: the first hour since 1970 of each, least and most [mS/cm], number."""

    hours: tuple[int, ...]
    low: tuple[float, ...]
    high: tuple[float, ...]
    count: tuple[int, ...]


def import_series(
    scope: Scope, row_id: uuid.UUID, subject_id: uuid.UUID, text: str, dates: core.Dated
) -> Series:
    """Keep a logger's table; all of it or nothing, however others write meanwhile.

    It is written in short transactions and shown once it is whole. Asked for again meanwhile it
    begins anew, and the first asking ends. What a stopped process left is cleared away here.

    Raises
    ------
    NotFoundError
        If the subject is none of this household's.
    DaceError
        On ``text``, with the line that cannot be read. Nothing is written then.
    ConflictError
        If it was called off, or asked for again, meanwhile.
    """
    # a long table is read before the write lock is taken
    hours = core.read_log(text, dates.zone, dates.order)
    unfinished = Series.objects.of(scope).filter(whole=False)
    stale = Q(created_at__lt=scope.now - _STALE)
    _clear(scope, unfinished.filter(stale | Q(pk=row_id)))
    begun = _begin(scope, row_id, subject_id, hours)
    if begun.whole:
        return begun
    try:
        days = core.by_day(hours)
        for level, rows in (("hour", hours), ("day", days)):
            for first in range(0, len(rows), _BATCH):
                _write(begun, level, rows, first)
                time.sleep(_LETS_IN_S)
        return _finish(scope, begun)
    except ConflictError:
        raise  # another hand has it, and clears it away
    except BaseException:
        _clear(scope, _same(begun))
        raise


@transaction.atomic
def _begin(
    scope: Scope, row_id: uuid.UUID, subject_id: uuid.UUID, hours: core.LoggedHours
) -> Series:
    """The row, not shown yet; the one that stands, where this repeats an import."""
    repeat = Series.objects.written_before(scope, row_id)
    if repeat is not None:
        if not repeat.whole:
            raise ConflictError("id", "an import that was asked for twice at once", "ask again")
        return repeat
    subject = Subject.objects.fetch(scope, subject_id, "subject_id")
    return Series.objects.create(
        **new_row(scope, row_id),
        subject=subject,
        count=int(hours.count.sum()),
        first_hour=hours[0].hour,
        last_hour=hours[len(hours) - 1].hour,
        whole=False,
        again=hours.again,
        twice=hours.twice,
        left_out=len(hours.left_out),
        left_lines=[[one.number, one.text] for one in hours.left_out[:_MOST_KEPT]],
    )


def _same(series: Series) -> QuerySet[Series]:
    """The row that was begun, as long as no other hand has taken it over."""
    return Series.objects.filter(pk=series.pk, created_at=series.created_at, whole=False)


def _write(series: Series, level: str, rows: core.LoggedHours, first: int) -> None:
    """Some rows, and how far it is; others write between two of these."""
    with transaction.atomic():
        far = {"written": min(first + _BATCH, len(rows))} if level == "hour" else {}
        if not _same(series).update(whole=False, **far):
            raise ConflictError("id", "an import that was called off", "take the file in again")
        _insert(series.pk.hex, level, rows, first, min(first + _BATCH, len(rows)))


def _insert(key: str, level: str, rows: core.LoggedHours, first: int, last: int) -> None:
    """Half a million models would take longer than all the rest; so would a statement a row."""
    head = (
        f"INSERT INTO {SeriesSpan._meta.db_table} "  # noqa: S608
        "(series_id, level, hour, low, high, total, count) VALUES "
    )
    for begin in range(first, last, _A_STATEMENT):
        end = min(begin + _A_STATEMENT, last)
        values = zip(repeat(key), repeat(level), *rows.columns(begin, end), strict=False)
        marks = ",".join(["(?,?,?,?,?,?,?)"] * (end - begin))
        # the driver's own connection: its marks need no rewriting
        connection.connection.execute(head + marks, list(chain.from_iterable(values)))


@transaction.atomic
def _finish(scope: Scope, series: Series) -> Series:
    row = _same(series).first()
    if row is None:
        raise ConflictError("id", "an import that was called off", "take the file in again")
    with change(scope, "series", f"{row.count:,} readings of a logger"):
        row.whole = True
        row.save(update_fields=["whole"])
    return row


def _clear(scope: Scope, unfinished: QuerySet[Series]) -> None:
    """What is not whole goes, a short transaction at a time."""
    for key in list(unfinished.values_list("pk", flat=True)):
        ours = Series.objects.filter(pk=key, whole=False)
        if not ours.update(created_at=scope.now):  # from now on whoever writes it stops
            continue
        spans = SeriesSpan.objects.filter(series_id=key)
        while some := list(spans.values_list("pk", flat=True)[:_BATCH]):
            spans.filter(pk__gte=min(some), pk__lte=max(some)).delete()
        ours.delete()


def call_off(scope: Scope, row_id: uuid.UUID) -> None:
    """Stop an import that is under way; nothing of it stays.

    Raises
    ------
    NotFoundError
        If none of that id is under way here.
    """
    if Series.objects.fetch(scope, row_id, "id").whole:
        raise NotFoundError("id", "an import that is done", "undo it")
    _clear(scope, Series.objects.of(scope).filter(pk=row_id))


def how_far(scope: Scope, row_id: uuid.UUID) -> tuple[int, int, bool]:
    """Hours written of an import, hours there are at most, and whether it is whole.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    row = Series.objects.fetch(scope, row_id, "id")
    return row.written, row.last_hour - row.first_hour + 1, row.whole


def left_lines(scope: Scope, row_id: uuid.UUID) -> list[tuple[int, str]]:
    """The lines of an import that were left out: number and text; one query.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    row = Series.objects.fetch(scope, row_id, "id")
    return [(int(number), str(text)) for number, text in row.left_lines]


def series_of(scope: Scope, subject_id: uuid.UUID) -> Series | None:
    """The newest series of a subject; two queries.

    Raises
    ------
    NotFoundError
        If the subject is none of this household's.
    """
    Subject.objects.fetch(scope, subject_id, "subject_id")
    return (
        Series.objects.of(scope)
        .filter(subject_id=subject_id, whole=True)
        .order_by("-created_at")
        .first()
    )


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
