"""What a household's own batches taught of each recipe: a pure function of what was read."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Iterable
from dataclasses import dataclass, replace
from datetime import datetime
from typing import Any

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, Recipe, Told
from dace.garden.models import Water
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope, require_owner
from dace.households.version import remembered
from dace.measuring.models import Reading, Subject
from dace.shelf.as_core import core_recipe, reading_of
from dace.shelf.models import Brew, BrewEvent, Forgotten


def recipe_key(method: str, ingredients: Iterable[dict[str, Any]]) -> str:
    """What batches have in common: the method, and what goes in.

    >>> recipe_key("cold_steep", [{"material": "nettle_fresh"}])
    'cold_steep nettle_fresh'
    """
    return f"{method} {'+'.join(sorted({item['material'] for item in ingredients}))}"


@dataclass(frozen=True)
class Batch:
    """A batch that was read: when it was begun, and what it says."""

    brew: Brew
    told: Told


@remembered(Brew, Reading, BrewEvent, Forgotten, Subject, Water)
def batches(scope: Scope) -> dict[str, tuple[Batch, ...]]:
    """Every batch that a sound reading speaks of, by recipe, oldest first.

    A second run is weaker for its own reasons, and teaches nothing.
    """
    forgotten: dict[str, datetime] = {}
    for row in Forgotten.objects.of(scope).order_by("at"):
        forgotten[row.what] = row.at
    rows = Brew.objects.of(scope).filter(after__isnull=True).select_related("water", "subject")
    brews = {brew.subject_id: brew for brew in rows.order_by("started_at", "id")}
    read: dict[uuid.UUID, list[Reading]] = defaultdict(list)
    for reading in Reading.objects.weighing(scope).filter(subject_id__in=brews):
        read[reading.subject_id].append(reading)
    found: dict[str, list[Batch]] = defaultdict(list)
    for subject, brew in brews.items():
        key = recipe_key(brew.method, brew.ingredients)
        sound = [one for one in read[subject] if key not in forgotten
                 or one.taken_at > forgotten[key]]  # fmt: skip
        if not sound:
            continue
        told = core.batch_told(core_recipe(brew), tuple(reading_of(brew, one) for one in sound))
        if told is not None:
            found[key].append(Batch(brew, told))
    return {key: tuple(several) for key, several in found.items()}


def past_of(
    scope: Scope,
    method: str,
    ingredients: Iterable[dict[str, Any]],
    but: uuid.UUID | None = None,
    before: datetime | None = None,
) -> tuple[Told, ...]:
    """What earlier batches of a recipe said, but for one of them."""
    if scope.demo:
        return ()  # what is simulated teaches nothing
    several = batches(scope).get(recipe_key(method, ingredients), ())
    return tuple(
        one.told
        for one in several
        if one.brew.pk != but and (before is None or one.brew.started_at < before)
    )


def taught(scope: Scope, brew: Brew) -> Recipe:
    """A brew as the core knows it, with what this household's earlier batches taught of it."""
    told = past_of(scope, brew.method, brew.ingredients, brew.pk, brew.started_at)
    return replace(core_recipe(brew), past=told)


@transaction.atomic
def forget_recipe(scope: Scope, row_id: uuid.UUID, what: str) -> Forgotten:
    """A recipe starts from the table again.

    Raises
    ------
    DaceError
        On ``what`` of which nothing was learned.
    """
    require_owner(scope)
    repeat = Forgotten.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    if what not in batches(scope):
        raise DaceError("what", f"“{what[:60]}”", "something that was learned here")
    with change(scope, "forgotten", "what its batches taught is forgotten"):
        return Forgotten.objects.create(**new_row(scope, row_id), what=what, at=scope.now)
