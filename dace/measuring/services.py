"""Writing readings down."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta

from dace.core.api import DaceError, PenReading, reading_at_25
from dace.households.changes import change
from dace.households.scope import Scope
from dace.measuring.models import Reading, Subject

_AHEAD = timedelta(minutes=5)


@dataclass(frozen=True)
class NewReading:
    """What was read, of what, when."""

    id: uuid.UUID
    subject_id: uuid.UUID
    pen: PenReading
    taken_at: datetime | None = None


def log_reading(scope: Scope, new: NewReading) -> Reading:
    """Keep a reading beside what was read.

    Raises
    ------
    NotFoundError
        If the subject is none of this household's.
    DaceError
        If the reading cannot be one, or lies in the future.
    """
    repeat = Reading.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    taken_at = past_instant(scope, new.taken_at, "taken_at")
    at_25 = reading_at_25(new.pen)
    with change(scope, "reading", f"reading of {at_25.value:.2f} mS/cm"):
        return Reading.objects.create(
            id=new.id,
            household_id=scope.household_id,
            created_at=scope.now,
            subject=Subject.objects.fetch(scope, new.subject_id, "subject_id"),
            value=new.pen.value,
            scale=new.pen.scale,
            temperature_c=new.pen.temperature_c,
            compensates=new.pen.compensates,
            method=new.pen.method,
            ec_low=at_25.low,
            ec_likely=at_25.value,
            ec_high=at_25.high,
            taken_at=taken_at,
        )


def past_instant(scope: Scope, instant: datetime | None, field: str) -> datetime:
    """An instant that has happened: now where none is given.

    Raises
    ------
    DaceError
        If it lies ahead, or before anybody kept a garden book here.
    """
    if instant is None:
        return scope.now
    if instant.tzinfo is None:
        raise DaceError(
            field, instant.isoformat(), "a time with its zone, such as 2026-07-14T17:40Z"
        )
    if instant > scope.now + _AHEAD or instant.year < 1970:
        raise DaceError(field, instant.isoformat(), "a time that has been would do")
    return instant
