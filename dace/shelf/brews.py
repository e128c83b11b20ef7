"""Brews as they stand: what went in, what was done, read and is due."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from functools import cached_property
from typing import Literal

from django.db.models import Prefetch, QuerySet

from dace.core import api as core
from dace.core.api import BrewEstimate, BrewReading, Recipe
from dace.garden.models import Water
from dace.households.scope import NotFoundError, Scope
from dace.households.version import remembered
from dace.measuring.models import Reading, Subject
from dace.shelf.as_core import day_of, reading_of
from dace.shelf.models import Brew, BrewEvent
from dace.shelf.taught import taught

_LEAST_DAYS, _MOST_DAYS = 14, 90


ONE_PRESS = (BrewEvent.Kind.STIR, BrewEvent.Kind.VENT)
"""Steps of a brew that ask for nothing more than to be done."""
BrewState = Literal["brewing", "strained", "thrown"]
_STATES: dict[str, BrewState] = {"": "brewing", "strain": "strained", "throw": "thrown"}


@dataclass(frozen=True)
class StepRecord:
    """Something to do with a brew: its kind, what to do, and when it is due."""

    kind: str
    words: str
    due_at: datetime
    due: bool


@dataclass(frozen=True)
class BrewRecord:
    """A brew with all that bears on it; ``state`` is brewing, strained or thrown."""

    brew: Brew
    recipe: Recipe
    state: BrewState
    day: float
    events: tuple[BrewEvent, ...]
    readings: tuple[Reading, ...]
    steps: tuple[StepRecord, ...]

    @cached_property
    def estimate(self) -> BrewEstimate:
        """Day by day, until some time after it is ready."""
        ready = core.ready_days(self.recipe)
        days = int(min(_MOST_DAYS, max(_LEAST_DAYS, 1.5 * ready[1], self.day + 7)))
        return core.estimate(self.recipe, days, tuple(self.as_read(row) for row in self.readings))

    def as_read(self, row: Reading) -> BrewReading:
        """A reading on its day; one of the bottle speaks of the day it was strained."""
        return reading_of(self.brew, row, self.day if self.state == "strained" else None)

    @property
    def ripe(self) -> float:
        """How far it is on its way to ready: 0 as it begins, 1 and more once it likely is."""
        return self.day / self.estimate.ready_day[1]

    @property
    def leafy(self) -> bool:
        """Whether leaves are in it."""
        known = (core.materials().get(one.material) for one in self.recipe.ingredients)
        return any(one is not None and one.leafy for one in known)

    @property
    def due(self) -> tuple[StepRecord, ...]:
        """What is due today."""
        return tuple(step for step in self.steps if step.due)


def brews(scope: Scope) -> tuple[BrewRecord, ...]:
    """Every brew on its way, oldest first; four queries, and one for each blended water."""
    rows, read = _on_their_way(scope), _read(scope)
    return tuple(_record(scope, brew, tuple(read.get(brew.subject_id, ()))) for brew in rows)


@remembered(Brew, BrewEvent, Water, Subject)
def _on_their_way(scope: Scope) -> list[Brew]:
    return _with_events(scope, Brew.objects.in_use(scope))


@remembered(Brew, Reading)
def _read(scope: Scope) -> dict[uuid.UUID, list[Reading]]:
    subjects = Brew.objects.in_use(scope).values("subject_id")
    read: dict[uuid.UUID, list[Reading]] = {}
    rows = Reading.objects.weighing(scope).filter(subject_id__in=subjects)
    for row in rows.order_by("taken_at"):
        read.setdefault(row.subject_id, []).append(row)
    return read


@dataclass(frozen=True)
class PastBrew:
    """A brew that was strained or thrown out, and when."""

    id: uuid.UUID
    name: str
    method: str
    state: BrewState
    ended_on: date


def past_brews(scope: Scope, most: int) -> tuple[PastBrew, ...]:
    """The newest that are over, strained ones and thrown ones; two queries."""
    rows = Brew.objects.of(scope).filter(ended_on__isnull=False).order_by("-ended_on", "-pk")
    found = []
    for brew in _with_events(scope, rows[:most]):
        ended = _ended(tuple(brew.done))  # type: ignore[attr-defined]
        state = _STATES[ended.kind if ended else ""]
        on = brew.ended_on or brew.started_at.date()
        found.append(PastBrew(brew.pk, brew.name, brew.method, state, on))
    return tuple(found)


def brew_now(scope: Scope, brew_id: uuid.UUID) -> BrewRecord:
    """One brew as it stands, or as it ended; three queries.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    for brew in _with_events(scope, Brew.objects.of(scope).filter(pk=brew_id)):
        rows = (
            Reading.objects.weighing(scope).filter(subject_id=brew.subject_id).order_by("taken_at")
        )
        return _record(scope, brew, tuple(rows))
    raise NotFoundError("brew_id", "an id of no brew here", "choose one from the shelf")


def _with_events(scope: Scope, rows: QuerySet[Brew]) -> list[Brew]:
    events = BrewEvent.objects.of(scope).order_by("at", "created_at")
    with_them = rows.select_related("water", "subject")
    return list(with_them.prefetch_related(Prefetch("events", events, to_attr="done")))


def _ended(events: tuple[BrewEvent, ...]) -> BrewEvent | None:
    return next((e for e in events if e.kind in ("strain", "throw")), None)


def _record(scope: Scope, brew: Brew, read: tuple[Reading, ...]) -> BrewRecord:
    events: tuple[BrewEvent, ...] = tuple(brew.done)  # type: ignore[attr-defined]
    recipe = taught(scope, brew)
    ended = _ended(events)
    state = _STATES[ended.kind if ended else ""]
    day = day_of(brew, ended.at if ended else scope.now)
    steps = _steps(scope, brew, events, recipe) if state == "brewing" else ()
    return BrewRecord(brew, recipe, state, day, events, read, steps)


def _steps(
    scope: Scope, brew: Brew, events: tuple[BrewEvent, ...], recipe: Recipe
) -> tuple[StepRecord, ...]:
    """What the method wants, each with the next time for it; of a spoilt one the heap."""
    if core.past_use(recipe, day_of(brew, scope.now)):
        words = "spoilt: pour it on the heap"
        return (StepRecord("throw", words, scope.now, True),)
    steps = []
    for kind, words, every in core.method(brew.method).nature.steps:
        if every == 0:
            due_at = brew.started_at + timedelta(days=core.ready_days(recipe)[1])
        else:
            last = max((e.at for e in events if e.kind == kind), default=brew.started_at)
            due_at = last + timedelta(days=every)
        # by the evening of its day
        due = due_at <= scope.now + timedelta(hours=6)
        steps.append(StepRecord(kind, words, due_at, due))
    return tuple(sorted(steps, key=lambda step: step.due_at))
