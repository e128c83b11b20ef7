"""Writing readings down."""

from __future__ import annotations

import uuid
from dataclasses import asdict, dataclass
from datetime import datetime, timedelta

from django.db import transaction

from dace.core.api import (
    FEELS,
    NEVER_CALIBRATED_DAYS,
    SALT_WORDS,
    DaceError,
    PenReading,
    at_clock,
    on_day,
    pen_scale,
    reading_at_25,
    shown,
)
from dace.households.changes import change
from dace.households.keeping import Written, keep, new_row
from dace.households.scope import Scope, require_hand
from dace.measuring.models import FieldTest, Pen, Reading, Subject

_AHEAD = timedelta(minutes=5)
_MOST_POTS = 50
_WORDS = {FieldTest.Kind.MOISTURE.value: tuple(FEELS), FieldTest.Kind.SALT.value: tuple(SALT_WORDS)}
_SPANS = {FieldTest.Kind.PH: (2.0, 11.0), FieldTest.Kind.NITRATE: (0.0, 2000.0)}


@dataclass(frozen=True)
class NewReading:
    """What was read, of what, when."""

    id: uuid.UUID
    subject_id: uuid.UUID
    pen: PenReading
    taken_at: datetime | None = None
    pots: int = 1
    pen_id: uuid.UUID | None = None
    practice: bool = False


@transaction.atomic
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
    row = reading_row(scope, new)
    what = "practice reading" if new.practice else "reading"
    with change(scope, "reading", f"{what} of {shown.ec(row.ec_likely)}"):
        row.subject = Subject.objects.fetch(scope, new.subject_id, "subject_id")
        row.pen_days = _pen_days(scope, new.pen_id, row.taken_at)
        row.save(force_insert=True)
    return row


def reading_row(scope: Scope, new: NewReading) -> Reading:
    """A reading as it will be written; its subject is looked up by who writes it.

    Raises
    ------
    DaceError
        If the reading cannot be one, or lies in the future.
    """
    at_25 = reading_at_25(new.pen)
    if not 1 <= new.pots <= _MOST_POTS:
        raise DaceError("pots", f"{new.pots} pots", f"1 to {_MOST_POTS} would do")
    return Reading(
        **new_row(scope, new.id),
        subject_id=new.subject_id,
        value=new.pen.value,
        scale=new.pen.scale,
        temperature_c=new.pen.temperature_c,
        compensates=new.pen.compensates,
        parts_water=new.pen.parts_water,
        method=new.pen.method,
        ec_low=at_25.low,
        ec_likely=at_25.value,
        ec_high=at_25.high,
        pots=new.pots,
        practice=new.practice,
        taken_at=past_instant(scope, new.taken_at, "taken_at"),
    )


def _pen_days(scope: Scope, pen_id: uuid.UUID | None, taken_at: datetime) -> float | None:
    """Days since the pen was set right; None where no pen was named."""
    if pen_id is None:
        return None
    pen = Pen.objects.fetch(scope, pen_id, "pen_id")
    return pen_days(pen, taken_at)


def pen_days(pen: Pen, now: datetime) -> float:
    """Days since a pen was set right; more than any pen lasts where nobody ever did."""
    if pen.calibrated_at is None:
        return NEVER_CALIBRATED_DAYS
    return max(0.0, (now - pen.calibrated_at).total_seconds() / 86_400)


@dataclass(frozen=True)
class NewFieldTest:
    """A pH, a nitrate strip [mg/L]; or a word of how moist it feels or what is seen of salt."""

    id: uuid.UUID
    subject_id: uuid.UUID
    kind: str
    value: float | None = None
    word: str = ""
    taken_at: datetime | None = None


@transaction.atomic
def log_test(scope: Scope, new: NewFieldTest) -> FieldTest:
    """Keep a test of what drains, or of the medium.

    Raises
    ------
    NotFoundError
        If the subject is none of this household's.
    DaceError
        On ``kind``, ``value`` or ``word``.
    """
    repeat = FieldTest.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    if new.kind not in FieldTest.Kind.values:
        raise DaceError("kind", f"“{new.kind}”", f"one of {', '.join(FieldTest.Kind.values)}")
    words = _WORDS.get(new.kind)
    if words is not None:
        if new.word not in words:
            raise DaceError("word", f"“{new.word}”", f"one of {', '.join(words)} would do")
    else:
        low, high = _SPANS[FieldTest.Kind(new.kind)]
        if new.value is None or not low < new.value <= high:
            read = "nothing" if new.value is None else f"{new.value:g}"
            raise DaceError("value", read, f"above {low:g} and up to {high:g} would do")
    with change(scope, "test") as draft:
        row = FieldTest.objects.create(
            **new_row(scope, new.id),
            subject=Subject.objects.fetch(scope, new.subject_id, "subject_id"),
            kind=new.kind,
            value=None if words else new.value,
            word=new.word if words else "",
            taken_at=past_instant(scope, new.taken_at, "taken_at"),
        )
        draft.summary = str(row)
    return row


def subject_of(scope: Scope, owner_id: uuid.UUID, kind: Subject.Kind) -> Subject:
    """The subject by which something is read, under an id that follows from its own."""
    subject_id = uuid.uuid5(owner_id, "subject")
    found = Subject.objects.filter(pk=subject_id, household_id=scope.household_id).first()
    return found or Subject.objects.create(**new_row(scope, subject_id), kind=kind)


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
        raise DaceError(
            field,
            f"{on_day(instant, year=True)}, {at_clock(instant)}",
            "a time that has been would do",
        )
    return instant


@dataclass(frozen=True)
class NewPen:
    """A pen: its scale, the most it shows and its finest step [mS/cm]."""

    name: str
    scale: str = "mS/cm"
    most_ms_cm: float = 10.0
    step_ms_cm: float = 0.01
    compensates: bool = True


@transaction.atomic
def save_pen(scope: Scope, pen_id: uuid.UUID, new: NewPen) -> Pen:
    """A pen that she owns; it counts as never calibrated until somebody says that it was.

    Raises
    ------
    DaceError
        On ``scale``, ``most_ms_cm`` or ``step_ms_cm``.
    """
    pen_scale(new.scale)
    if not (0 < new.step_ms_cm < new.most_ms_cm <= 200):
        raise DaceError(
            "most_ms_cm",
            f"up to {new.most_ms_cm:g} mS/cm in steps of {new.step_ms_cm:g}",
            "a step above 0 and below the most, and a most of 200 at the outside, would do",
        )
    return keep(scope, Pen, Written(pen_id, "pen"), asdict(new))


@transaction.atomic
def pen_showed(scope: Scope, pen_id: uuid.UUID, value: float, temperature_c: float | None) -> Pen:
    """A pen sent its number: kept until the next one, no reading yet and no step to undo.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    DaceError
        If the number cannot be one.
    """
    require_hand(scope)
    pen = Pen.objects.fetch(scope, pen_id, "pen_id")
    reading_at_25(PenReading(value, pen.scale, temperature_c, pen.compensates))
    Pen.objects.of(scope).filter(pk=pen.pk).update(
        shown=value, shown_c=temperature_c, shown_at=scope.now
    )
    return pen


@transaction.atomic
def calibrate(scope: Scope, pen_id: uuid.UUID) -> Pen:
    """The pen was set right in its standard: from now on its drift begins anew.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    pen = Pen.objects.fetch(scope, pen_id, "pen_id")
    with change(scope, "calibration", f"{pen.name} calibrated"):
        pen.calibrated_at = scope.now
        pen.save(update_fields=["calibrated_at"])
    return pen
