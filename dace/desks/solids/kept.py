"""Heaps that are kept, and green manure on its bed, as their pages show them."""

from __future__ import annotations

import uuid
from datetime import date

from dace.core import api as core
from dace.core.api import say
from dace.desks.shared.said import heap_step_words
from dace.desks.solids.heaps import heap_out
from dace.desks.solids.offered import METHODS
from dace.desks.solids.schemas import (
    HeapEventOut,
    HeapStepOut,
    KeptHeapOut,
    LaidOut,
    ShelfHeapOut,
    SolidOut,
)
from dace.feeding.reads import jars_with_stock
from dace.households.scope import Scope
from dace.shelf.heaps import HeapRecord, heap_now
from dace.shelf.models import Brew, HeapEvent

_FEW_BREWS = 6
_BEANS = {
    "suspect": "Bean test: suspect. Keep it off beds, give none away.",
    "clean": "Bean test: clean. It never proves.",
    "repeat": "Bean test: repeat it.",
    "void": "Bean test: void, sow it again.",
}


def heap_page(scope: Scope, heap_id: uuid.UUID) -> KeptHeapOut:
    """One heap in full."""
    record = heap_now(scope, heap_id)
    row = record.row
    made = (j for j, _ in jars_with_stock(scope) if j.heap_id == row.pk and j.form == "solid")
    jar = next(made, None)
    return KeptHeapOut(
        id=row.pk,
        name=row.name,
        method=METHODS[row.method],
        begun_on=row.begun_on,
        days=int(record.days),
        drains=row.method == "worm_bin",
        covered=row.covered,
        heat_record=row.heat_record,
        raw=record.built.raw_manure,
        hot=_hot(record),
        beans=_BEANS.get(record.beans, ""),
        emptied_on=row.ended_on,
        jar_id=jar.pk if jar else None,
        out_kg=_out_kg(record),
        heap=heap_out(record.built, record.days, record.test),
        steps=heap_steps_out(record),
        laid=_laid(record),
        events=_events(record),
        brews=_brews(scope, record),
    )


def shelf_heap(record: HeapRecord) -> ShelfHeapOut:
    """A heap as it stands on the shelf."""
    out = heap_out(record.built, record.days, record.test)
    return ShelfHeapOut(
        id=record.row.pk,
        name=record.row.name,
        method=METHODS[record.row.method],
        days=int(record.days),
        ready=out.ready,
        progress=out.progress,
        layers=out.layers,
        warmth=out.warmth,
        due=[step.words for step in record.due],
    )


def heap_steps_out(record: HeapRecord) -> list[HeapStepOut]:
    """What it wants, due or to come."""
    return [
        HeapStepOut(kind=step.kind, words=step.words, on=step.on, due=step.on <= record.today)
        for step in record.steps
    ]


def _hot(record: HeapRecord) -> str:
    """Until when its dung burns roots; empty where it does not."""
    weeks = max(core.hot_weeks(record.built), default=0.0)
    left = weeks - record.days / 7
    return f"Too hot for roots for {say(left, 2)} weeks more" if left > 0 else ""


def _out_kg(record: HeapRecord) -> float:
    """What it would give if it were emptied today [kg]; nothing of a trench."""
    if record.built.method == "trench":
        return 0.0
    return round(core.emptied(record.built, record.days, record.test).kg, 1)


def _laid(record: HeapRecord) -> list[LaidOut]:
    return [
        LaidOut(
            on=date.fromisoformat(row["on"]),
            text=f"{row['said']} of {core.material(row['material']).name.lower()}",
        )
        for row in reversed(record.row.inputs)
    ]


def _events(record: HeapRecord) -> list[HeapEventOut]:
    """What was done, newest first; what was put on stands among the layers."""
    done = [e for e in record.events if e.kind != HeapEvent.Kind.ADD]
    return [HeapEventOut(on=e.on, text=heap_step_words(e)) for e in reversed(done)]


def _brews(scope: Scope, record: HeapRecord) -> list[SolidOut]:
    """Brews that are over and whose solids lie on no heap yet, the newest few."""
    if record.row.ended_on is not None:
        return []
    laid = HeapEvent.objects.of(scope).filter(kind=HeapEvent.Kind.ADD, found__brew__isnull=False)
    taken = {one.found["brew"] for one in laid}
    rows = Brew.objects.of(scope).filter(ended_on__isnull=False).order_by("-ended_on", "-pk")
    found = [row for row in rows[: _FEW_BREWS + len(taken)] if str(row.pk) not in taken]
    return [SolidOut(key=str(row.pk), name=row.name) for row in found[:_FEW_BREWS]]
