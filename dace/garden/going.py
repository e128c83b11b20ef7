"""Away: from when to when, and who waters meanwhile."""

from __future__ import annotations

import uuid
from datetime import date, timedelta

from django.db import transaction

from dace.core.api import DaceError, on_day
from dace.garden.models import Away
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope, require_owner
from dace.households.version import remembered

_MOST = timedelta(days=366)
_KNOWN = timedelta(days=120)


@transaction.atomic
def go_away(scope: Scope, row_id: uuid.UUID, since: date, until: date, waters: str) -> Away:
    """Nothing is planned in these days, and no feed falls in the three before.

    Raises
    ------
    DaceError
        On ``from_on``, ``to_on`` or ``waters``.
    ConflictError
        If it runs into another absence.
    """
    require_owner(scope)
    repeat = Away.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    garden = garden_of(scope)
    if waters not in Away.Waters.values:
        would_do = f"one of {', '.join(Away.Waters.values)} would do"
        raise DaceError("waters", f"“{waters}”", would_do)
    if until < since:
        read = f"back on {on_day(until, year=True)}, away from {on_day(since, year=True)}"
        raise DaceError("to_on", read, "a day that is no earlier would do")
    if until < today(scope, garden):
        raise DaceError("to_on", on_day(until, year=True), "today or a day to come would do")
    if until - since > _MOST:
        raise DaceError("to_on", f"{(until - since).days} days", "up to a year would do")
    other = Away.objects.of(scope).filter(from_on__lte=until, to_on__gte=since).first()
    if other is not None:
        raise ConflictError("from_on", f"{other}, which is planned", "take that back first")
    with change(scope, "away", f"away {on_day(since, year=True)} to {on_day(until, year=True)}"):
        return Away.objects.create(
            **new_row(scope, row_id), garden=garden, from_on=since, to_on=until, waters=waters
        )


@transaction.atomic
def come_back(scope: Scope, away_id: uuid.UUID) -> Away:
    """Back early, or never gone: the rest of it is taken back.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    require_owner(scope)
    row = Away.objects.fetch(scope, away_id, "away_id")
    on = today(scope, garden_of(scope))
    if row.to_on < on:
        return row
    with change(scope, "away", "back again"):
        if row.from_on >= on:
            row.undone_at = scope.now
            row.save(update_fields=["undone_at"])
        else:
            row.to_on = on - timedelta(days=1)
            row.save(update_fields=["to_on"])
    return row


@remembered(Away)
def _aways(scope: Scope) -> tuple[Away, ...]:
    return tuple(Away.objects.of(scope).order_by("from_on"))


def aways(scope: Scope, on: date) -> tuple[Away, ...]:
    """Absences that bear on a day: those to come, and those of the last months; one query."""
    return tuple(one for one in _aways(scope) if one.to_on >= on - _KNOWN)
