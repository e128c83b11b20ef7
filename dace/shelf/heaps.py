"""Heaps as they stand: what went in, what was done, found and is due."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta
from typing import Any

from django.db.models import Prefetch, QuerySet

from dace.core import api as core
from dace.core.api import HeapInput, HeapStep, HomeTest, Outlook, Range
from dace.garden.reads import garden_of
from dace.garden.weather import outlook
from dace.households.scope import NotFoundError, Scope
from dace.households.version import remembered
from dace.shelf.models import Heap, HeapEvent

_AHEAD = timedelta(days=30)
_TESTED = ("ec_1_5", "kg_per_l", "dry_percent")


@dataclass(frozen=True)
class HeapRecord:
    """A heap with all that bears on it; ``beans`` is what its newest bean test says, if any."""

    row: Heap
    built: core.Heap
    today: date
    events: tuple[HeapEvent, ...]
    test: HomeTest
    beans: str
    steps: tuple[HeapStep, ...]

    @property
    def days(self) -> float:
        """How long it has stood, or stood."""
        return max(0.0, (self.today - self.row.begun_on).days)

    @property
    def due(self) -> tuple[HeapStep, ...]:
        """What is due today."""
        return tuple(step for step in self.steps if step.on <= self.today)


def inputs_of(heap: Heap, cleared_on: date | None = None) -> tuple[HeapInput, ...]:
    """What went in, as the core knows it; a bean test that was clean clears what lay there."""
    found = []
    for row in heap.inputs:
        on = date.fromisoformat(row["on"])
        kind = core.material(row["material"])
        if row.get("percent"):
            own = {name: Range(one, one, one) for name, one in row["percent"].items()}
            kind = replace(kind, percent=tuple((n, own.get(n, r)) for n, r in kind.percent))
        clear = cleared_on is not None and on <= cleared_on
        days = max(0, (on - heap.begun_on).days)
        found.append(HeapInput(kind, row["kg"], on=days, known=row["known"] or clear))
    return tuple(found)


def heaps(scope: Scope) -> tuple[HeapRecord, ...]:
    """Every heap that stands, oldest first; two queries where one of them changed."""
    rows = _standing(scope)
    return tuple(_record(scope, heap) for heap in rows)


@remembered(Heap, HeapEvent)
def _standing(scope: Scope) -> list[Heap]:
    return _with_events(scope, Heap.objects.in_use(scope))


def heap_now(scope: Scope, heap_id: uuid.UUID) -> HeapRecord:
    """One heap as it stands, or as it ended; two queries.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    for heap in _with_events(scope, Heap.objects.of(scope).filter(pk=heap_id)):
        return _record(scope, heap)
    raise NotFoundError("heap_id", "an id of no heap here", "choose one from the shelf")


def _with_events(scope: Scope, rows: QuerySet[Heap]) -> list[Heap]:
    events = HeapEvent.objects.of(scope).order_by("on", "created_at")
    return list(rows.prefetch_related(Prefetch("events", events, to_attr="done")))


def _record(scope: Scope, heap: Heap) -> HeapRecord:
    events: tuple[HeapEvent, ...] = tuple(heap.done)  # type: ignore[attr-defined]
    known = outlook(scope, garden_of(scope))
    today = min(known.today, heap.ended_on) if heap.ended_on else known.today
    read = next((e for e in reversed(events) if e.kind == HeapEvent.Kind.READ_BEANS), None)
    beans = read.found.get("result", "") if read else ""
    built = _built(heap, events, known, today, read.on if read and beans == "clean" else None)
    done = [core.Done(e.kind, e.on) for e in events if counts(e)]
    steps = core.heap_steps(built, heap.begun_on, today, done) if not heap.ended_on else ()
    return HeapRecord(heap, built, today, events, _found_at_home(events), beans, steps)


def counts(event: HeapEvent) -> bool:
    """A bean test that is void or to be repeated has told nothing yet."""
    again = event.found.get("result") in ("void", "repeat")
    return not (event.kind == HeapEvent.Kind.READ_BEANS and again)


def _built(
    heap: Heap,
    events: Sequence[HeapEvent],
    known: Outlook,
    today: date,
    cleared_on: date | None,
) -> core.Heap:
    inputs = inputs_of(heap, cleared_on)
    opened = _open_days(heap, events, today)
    return core.Heap(
        method=heap.method,
        inputs=inputs,
        cover="open" if opened or not heap.covered else "covered",
        rain_mm=_rain(opened, known),
        temperature_c=_warmth(known, heap.begun_on, today),
        water_l=sum(e.found.get("litres", 0.0) for e in events if e.kind == HeapEvent.Kind.WET),
        heat_record=heap.heat_record,
    )


def _open_days(heap: Heap, events: Sequence[HeapEvent], today: date) -> list[tuple[date, date]]:
    """Spans in which rain fell in, each up to a day that is no part of it."""
    turns = [e for e in events if e.kind in (HeapEvent.Kind.COVER, HeapEvent.Kind.UNCOVER)]
    is_open = turns[0].kind == HeapEvent.Kind.COVER if turns else not heap.covered
    spans, since = [], heap.begun_on
    for turn in turns:
        if is_open and turn.on > since:
            spans.append((since, turn.on))
        is_open, since = turn.kind == HeapEvent.Kind.UNCOVER, turn.on
    if is_open:
        spans.append((since, max(today, since + timedelta(days=1))))
    return spans


def _rain(spans: Sequence[tuple[date, date]], known: Outlook) -> float:
    """What fell in, and where the weather goes no further back, what is usual in its days."""
    fell = 0.0
    for since, until in spans:
        begin = max(0, (since - known.first).days)
        end = max(begin, min(known.days, (until - known.first).days))
        fell += float(known.rain_mm[begin:end].sum())
    return fell


def _warmth(known: Outlook, begun: date, today: date) -> float:
    """The air's mean warmth since it was begun [C]; of the month ahead on its first day."""
    mean = known.mean_c()
    begin = max(0, (begun - known.first).days)
    end = (max(today, begun + _AHEAD if today <= begun else today) - known.first).days + 1
    return float(mean[min(begin, known.days - 1) : max(end, begin + 1)].mean())


def _found_at_home(events: Sequence[HeapEvent]) -> HomeTest:
    """The newest of each measure."""
    found: dict[str, Any] = {}
    for event in events:
        if event.kind == HeapEvent.Kind.TEST:
            found |= {name: event.found[name] for name in _TESTED if event.found.get(name)}
    return HomeTest(**found)
