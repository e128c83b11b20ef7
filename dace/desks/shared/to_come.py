"""What comes besides feeding: sowings that are meant or due again, and young plants moving on."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from dace.core import api as core
from dace.feeding.raising import Due, steps_ahead
from dace.feeding.verdicts import Judged
from dace.garden.intending import intended
from dace.garden.reads import sown_again
from dace.households.scope import Scope


@dataclass(frozen=True)
class Coming:
    """Something that is due from a day on; its id stays as long as the same thing is meant."""

    id: uuid.UUID
    on: date
    planting_id: uuid.UUID | None
    place_id: uuid.UUID | None
    name: str
    text: str


def to_come(scope: Scope, found: Judged, today: date) -> list[Coming]:
    """All of it by day; what was due before stands today."""
    rows = [*_again(scope, today), *_meant(scope, today)]
    rows += _moving(scope, steps_ahead(scope, found))
    return sorted(rows, key=lambda one: (one.on, one.name))


def _again(scope: Scope, today: date) -> list[Coming]:
    rows = []
    for planting in sown_again(scope):
        on = planting.next_sowing
        assert on is not None
        due = "due now" if on <= today else f"about {core.day_words(on, today)}"
        text = f"Sow the next {planting.count}: {due}"
        key = uuid.uuid5(planting.pk, "again")
        name = planting.grown.name
        rows.append(Coming(key, max(on, today), planting.pk, None, name, text))
    return rows


def _meant(scope: Scope, today: date) -> list[Coming]:
    return [
        Coming(
            row.pk,
            max(row.sow_on, today),
            None,
            row.fill.place_id,
            str(row.fill),
            f"Sow {row.grown.counted(row.count)}, as meant for this year",
        )
        for row in intended(scope)
    ]


def _moving(scope: Scope, dues: Sequence[Due]) -> list[Coming]:
    """One for a step of a planting, however many places it stands in."""
    groups: dict[tuple[uuid.UUID, str], list[Due]] = {}
    for due in dues:
        groups.setdefault((due.stand.planting_id, due.step.kind), []).append(due)
    rows = []
    for (planting_id, kind), several in groups.items():
        step, stand = several[0].step, several[0].stand  # the first of them by day
        counted = stand.crop.counted(sum(one.stand.count for one in several))
        line = f": {step.line}" if step.line else ""
        key = uuid.uuid5(scope.household_id, f"{planting_id} {kind}")
        place = several[0].stop.place
        name = f"{counted}, {place.name}"
        text = f"{step.title}{line}".rstrip(".")
        rows.append(Coming(key, step.on, planting_id, place.id, name, text))
    return rows
