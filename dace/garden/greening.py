"""Green manure on beds: sown and cut."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date, timedelta

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, Given
from dace.garden.models import Fill, GreenStand, Place
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope
from dace.households.version import remembered

_BEFORE = timedelta(days=400)
"""How long before a bed was told of a stand on it may have been sown."""


@dataclass(frozen=True)
class GreenRecord:
    """A green manure on its bed: what it comes to, when it is cut, and from when one may plant.

    ``plant_on`` is None while it grows.
    """

    row: GreenStand
    given: Given
    cut_from: date
    plant_on: date | None


def area_of(fill: Fill) -> float:
    """The ground of a fill [m2]: a bed's own, or the tops of its pots."""
    return core.rain_m2(fill.volume_l, fill.area_m2, fill.alike)


def green_record(row: GreenStand) -> GreenRecord:
    """One as the core works it out."""
    given = core.given_by(row.kind, area_of(row.fill), row.stand, row.dug_in)
    plant_on = None
    if row.cut_on is not None:
        plant_on = row.cut_on + timedelta(weeks=given.kind.wait_weeks(row.stand, row.dug_in))
    return GreenRecord(row, given, row.sown_on + core.days_to_cut(given), plant_on)


@remembered(GreenStand, Fill, Place)
def _green(scope: Scope) -> tuple[GreenRecord, ...]:
    rows = GreenStand.objects.of(scope).filter(fill__renewed_on__isnull=True)
    found = rows.select_related("fill__place").order_by("sown_on", "created_at")
    return tuple(green_record(row) for row in found)


def green_stands(scope: Scope, on: date) -> tuple[GreenRecord, ...]:
    """Those that grow, and those cut whose bed still waits; one query where one changed."""
    return tuple(one for one in _green(scope) if one.plant_on is None or one.plant_on >= on)


@transaction.atomic
def sow_green(
    scope: Scope, row_id: uuid.UUID, fill_id: uuid.UUID, kind: str, on: date | None = None
) -> GreenStand:
    """A green manure is sown on a bed.

    Raises
    ------
    DaceError
        On ``kind`` or ``sown_on``.
    ConflictError
        If one grows there already.
    """
    repeat = GreenStand.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    fill = _fill(scope, fill_id)
    given = core.given_by(kind, area_of(fill))
    growing = GreenStand.objects.of(scope).filter(fill=fill, cut_on__isnull=True).first()
    if growing is not None:
        raise ConflictError("fill_id", f"{growing}, which still grows", "cut it first")
    with change(scope, "green", f"{given.kind.name} sown on {fill}"):
        return GreenStand.objects.create(
            **new_row(scope, row_id),
            fill=fill,
            kind=given.kind.key,
            sown_on=_past(scope, on, "sown_on", fill.filled_on - _BEFORE),
        )


@transaction.atomic
def cut_green(
    scope: Scope, green_id: uuid.UUID, stand: str, dug_in: bool, on: date | None = None
) -> GreenStand:
    """It is cut, young or at its buds, and dug in or left on top; the bed waits from then on.

    Raises
    ------
    DaceError
        On ``stand`` or ``cut_on``.
    ConflictError
        If it was cut already.
    """
    row = GreenStand.objects.select_related("fill__place__garden").fetch(
        scope, green_id, "green_id"
    )
    if row.cut_on is not None:
        if (row.stand, row.dug_in) == (stand, dug_in):
            return row
        raise ConflictError("green_id", f"{row}, cut already", "take the cut back first")
    core.given_by(row.kind, area_of(row.fill), stand, dug_in)
    with change(scope, "green", f"{row} cut"):
        row.cut_on = _past(scope, on, "cut_on", row.sown_on)
        row.stand, row.dug_in = stand, dug_in
        row.save(update_fields=["cut_on", "stand", "dug_in"])
    return row


def _fill(scope: Scope, fill_id: uuid.UUID) -> Fill:
    rows = Fill.objects.select_related("place__garden").filter(renewed_on__isnull=True)
    return rows.fetch(scope, fill_id, "fill_id")


def _past(scope: Scope, on: date | None, field: str, since: date) -> date:
    now = today(scope, garden_of(scope))
    if on is not None and not min(since, now) <= on <= now:
        raise DaceError(field, f"{on}", f"a day from {since} to {now} would do")
    return on or now
