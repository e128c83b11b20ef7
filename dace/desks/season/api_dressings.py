"""Dry feeds: what there is, how much, and logging them."""

from __future__ import annotations

import uuid
from typing import Any

from ninja import Router, Schema

from dace.desks.season.dressing import all_dry_feeds, dressing_preview
from dace.desks.season.schemas import DressingOut, DryFeedOut
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.dressing import Dry, give_dressing
from dace.garden.reads import garden_of
from dace.households.fields import Instant, Line, Typed

router = Router(tags=["dressings"])


class DryIn(Schema):
    """A dry feed on a stand, as typed; ``also_said`` is a second telling of the same dose.

    ``whole`` says whether it is for all that shares the ground, where that is not clear.
    """

    stand_id: uuid.UUID
    said: Typed
    jar_id: uuid.UUID | None = None
    material: Line = ""
    also_said: Typed = ""
    whole: bool | None = None


class GiveIn(DryIn):
    """A dry feed to log."""

    id: uuid.UUID
    given_at: Instant | None = None


@router.get("/dry-feeds", response=list[DryFeedOut], operation_id="dry_feeds")
def dry_feeds(request: Any) -> list[DryFeedOut]:
    """What there is to spread."""
    return all_dry_feeds(request.auth)


@router.post("/dressings/preview", response=DressingOut, operation_id="preview_dressing")
def preview(request: Any, payload: DryIn) -> DressingOut:
    """Work a dry feed out; writes nothing."""
    return dressing_preview(request.auth, Dry(**payload.dict()))


@router.post("/dressings", response={201: WrittenOut}, operation_id="give_dressing")
def give(request: Any, payload: GiveIn) -> Any:
    """Log a dry feed."""
    asked = payload.dict()
    row_id, at = asked.pop("id"), asked.pop("given_at")
    garden = garden_of(request.auth)
    row = give_dressing(request.auth, row_id, Dry(**asked), garden.measures, at)
    return 201, written(request.auth, row.pk)
