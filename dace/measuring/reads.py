"""Readings as the core knows them."""

from __future__ import annotations

import uuid
from datetime import timedelta

from django.db.models import OuterRef, Subquery

from dace.core.api import PenReading, as_pour_through
from dace.households.scope import Scope
from dace.households.version import remembered
from dace.measuring.models import FieldTest, Reading, Subject


def pen_reading(row: Reading) -> PenReading:
    """A stored reading as the pen showed it."""
    return PenReading(
        value=row.value,
        scale=row.scale,
        temperature_c=row.temperature_c,
        compensates=row.compensates,
        method=row.method,
        parts_water=row.parts_water,
    )


def as_drain(row: Reading) -> float:
    """A reading of a fill as the pour-through that it stands for [mS/cm at 25 C]."""
    found = as_pour_through(pen_reading(row))
    return found.value if found else row.ec_likely


def last_drains(scope: Scope) -> dict[uuid.UUID, Reading]:
    """The newest reading of every fill, by its subject; one query where one was read."""
    return _last_drains(scope)


@remembered(Reading, Subject)
def _last_drains(scope: Scope) -> dict[uuid.UUID, Reading]:
    of_one = Reading.objects.weighing(scope).filter(subject=OuterRef("pk"))
    newest = of_one.order_by("-taken_at", "-created_at").values("pk")[:1]
    fills = Subject.objects.of(scope).filter(kind=Subject.Kind.FILL)
    rows = Reading.objects.weighing(scope).filter(pk__in=fills.values_list(Subquery(newest)))
    return {row.subject_id: row for row in rows}


def felt_dry_days(scope: Scope, subject_id: uuid.UUID, days: int) -> int | None:
    """On how many of the last days something felt dry; None where nobody felt it; one query."""
    tests = FieldTest.objects.of(scope).filter(
        subject_id=subject_id,
        kind=FieldTest.Kind.MOISTURE,
        taken_at__gte=scope.now - timedelta(days=days),
    )
    felt = list(tests.values_list("taken_at", "word"))
    return len({at.date() for at, word in felt if word == "dry"}) if felt else None


def last_ph(scope: Scope, subject_id: uuid.UUID) -> float | None:
    """The newest pH that was tested of something; one query."""
    tests = FieldTest.objects.of(scope).filter(subject_id=subject_id, kind=FieldTest.Kind.PH)
    return tests.order_by("-taken_at").values_list("value", flat=True).first()
