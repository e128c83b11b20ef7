"""A green manure on its bed, as Season and Round show it."""

from __future__ import annotations

import uuid
from datetime import date

from dace.core.api import on_day, shown
from dace.desks.shared.out import Out
from dace.garden.greening import GreenRecord


class GreenStandOut(Out):
    """A green manure on a bed: ``line`` says what is next, ``gives`` what the next crop gets."""

    id: uuid.UUID
    fill_id: uuid.UUID
    place_id: uuid.UUID
    name: str
    place: str
    sown_on: date
    cut_on: date | None
    line: str
    gives: str
    due: bool
    caution: str


def green_out(record: GreenRecord, today: date) -> GreenStandOut:
    """A green manure on its bed."""
    row, given = record.row, record.given
    if record.plant_on is None:
        due = record.cut_from <= today
        line = "at its buds: cut it" if due else f"cut about {on_day(record.cut_from)}"
    else:
        due, line = False, f"cut; plant from {on_day(record.plant_on)}"
    return GreenStandOut(
        id=row.pk,
        fill_id=row.fill_id,
        place_id=row.fill.place_id,
        name=given.kind.name,
        place=str(row.fill),
        sown_on=row.sown_on,
        cut_on=row.cut_on,
        line=line,
        gives=f"{shown.grams(given.next_crop, 2)} of nitrogen for the next crop",
        due=due,
        caution=given.kind.row.text("caution"),
    )
