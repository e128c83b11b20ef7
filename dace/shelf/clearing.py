"""A crop is cleared: ended, its last picking told, its stalks on the heap, in one change."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError
from dace.garden.harvests import NewHarvest, log_harvest
from dace.garden.models import Planting
from dace.garden.planting import end_planting
from dace.households.changes import change
from dace.households.scope import Scope, require_owner
from dace.shelf.heaping import Layer, feed_heap

OUTLASTS = {"cabbage": "clubroot", "onion": "white rot"}
"""Troubles that no heap and no rotation ends, by the family that brings them."""
_STALKY = ("fruit", "seed")


@dataclass(frozen=True)
class Cleared:
    """How a crop was cleared; ``sick`` is whether it had what outlasts a heap."""

    id: uuid.UUID
    on: date | None = None
    grams: float | None = None
    pieces: int | None = None
    heap_id: uuid.UUID | None = None
    amount: str = ""
    sick: bool = False


def stalks_of(grown: core.Crop) -> str:
    """The material that its stalks are: dry ones of what fruits, soft scraps of the rest.

    >>> [stalks_of(core.crop(key)) for key in ("sweetcorn", "lettuce")]
    ['dry_stalks', 'vegetable_scraps_mixed']
    """
    return "dry_stalks" if grown.harvest_part in _STALKY else "vegetable_scraps_mixed"


@transaction.atomic
def clear(scope: Scope, planting_id: uuid.UUID, new: Cleared) -> Planting:
    """End it, with all that was said of its clearing.

    Raises
    ------
    NotFoundError
        If planting or heap are none of this household's.
    DaceError
        On ``on``, ``grams``, ``pieces``, ``amount``; on ``heap_id`` where sick stalks would go on.
    """
    require_owner(scope)
    planting = Planting.objects.fetch(scope, planting_id, "planting_id")
    if planting.ended_on is not None:
        return planting
    grown = planting.grown
    if new.heap_id is not None and new.sick:
        what = OUTLASTS.get(grown.family, "what it had")
        raise DaceError("heap_id", f"stalks with {what}", "burn them: no heap ends it")
    with change(scope, "end", f"{grown.name} cleared"):
        if new.grams or new.pieces:
            picked = NewHarvest(
                uuid.uuid5(new.id, "picked"), planting_id, new.grams, new.pieces, new.on
            )
            log_harvest(scope, picked)
        if new.heap_id is not None:
            layer = Layer(stalks_of(grown), new.amount or "1 barrow", known=True)
            feed_heap(scope, uuid.uuid5(new.id, "stalks"), new.heap_id, layer)
        return end_planting(scope, planting_id, new.on)
