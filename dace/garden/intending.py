"""Sowings that are meant: proposed, accepted, sown or dropped."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date, timedelta

from django.db import transaction

from dace.core.api import DaceError, alike, on_day
from dace.garden.models import Fill, Intended, Planting
from dace.garden.planting import NewPlanting, plant_rows
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope, require_owner

_AHEAD = timedelta(days=800)


@dataclass(frozen=True)
class NewIntended:
    """What is meant to be sown, how many, where and when."""

    id: uuid.UUID
    fill_id: uuid.UUID
    crop: str
    count: int
    sow_on: date
    called: str = ""


@transaction.atomic
def intend(scope: Scope, new: NewIntended) -> Intended:
    """A sowing is meant; on its day the Round asks for it.

    Raises
    ------
    DaceError
        On ``crop``, ``count`` or ``sow_on``.
    """
    require_owner(scope)
    repeat = Intended.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    garden = garden_of(scope)
    fill = Fill.objects.select_related("place").fetch(scope, new.fill_id, "fill_id")
    grown, on = alike(new.crop, new.called), today(scope, garden)
    if not 1 <= new.count <= 100_000:
        raise DaceError("count", f"{new.count} plants", "1 or more would do")
    if not on <= new.sow_on <= on + _AHEAD:
        raise DaceError("sow_on", on_day(new.sow_on, year=True), "a day to come would do")
    with change(scope, "intended", f"{grown.counted(new.count)} meant for {fill}"):
        return Intended.objects.create(
            **new_row(scope, new.id),
            garden=garden,
            fill=fill,
            crop=grown.key,
            called=new.called,
            count=new.count,
            sow_on=new.sow_on,
        )


@transaction.atomic
def sow_intended(
    scope: Scope, row_id: uuid.UUID, planting_id: uuid.UUID, stand_id: uuid.UUID
) -> Planting:
    """It is sown today.

    Raises
    ------
    ConflictError
        If it was sown already, or its pot was emptied since.
    """
    require_owner(scope)
    row = Intended.objects.select_related("fill__place", "garden", "planting").fetch(
        scope, row_id, "intended_id"
    )
    if row.planting is not None:
        if row.planting.pk == planting_id:
            return row.planting
        raise ConflictError("intended_id", f"{row}, sown already", "nothing is to be done")
    if row.fill.renewed_on is not None:
        raise ConflictError("intended_id", f"{row.fill}, emptied since", "plant it in Set-up")
    on = today(scope, row.garden)
    with change(scope, "planting", f"{row.grown.name} sown"):
        new = NewPlanting(
            id=planting_id,
            garden=row.garden,
            crop=row.crop,
            called=row.called,
            started_on=on,
            stage=row.grown.stages[0].key,
            seen_on=on,
            stands=((stand_id, row.fill, row.count),),
        )
        row.planting = plant_rows(scope, new)
        row.save(update_fields=["planting"])
    return row.planting


@transaction.atomic
def drop_intended(scope: Scope, row_id: uuid.UUID) -> Intended:
    """It is not meant any more."""
    require_owner(scope)
    row = Intended.objects.select_related("fill__place").fetch(scope, row_id, "intended_id")
    with change(scope, "intended", f"{row}: not meant any more"):
        row.undone_at = scope.now
        row.save(update_fields=["undone_at"])
    return row


def intended(scope: Scope) -> tuple[Intended, ...]:
    """All that is meant and not sown yet, the soonest first; one query."""
    rows = Intended.objects.of(scope).filter(planting__isnull=True, fill__renewed_on__isnull=True)
    return tuple(rows.select_related("fill__place").order_by("sow_on", "created_at"))
