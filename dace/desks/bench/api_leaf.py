"""Sprays and the hours that are open for them."""

from __future__ import annotations

import uuid
from typing import Any

from ninja import Query, Router, Schema

from dace.desks.bench.api import CanIn
from dace.desks.bench.page import can_said
from dace.desks.bench.schemas_more import HoursOut, SprayIn, SprayOut, SprayPreviewIn
from dace.desks.bench.spray import hours_page, spray_preview
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.spraying import NewSpray, spray_leaves
from dace.garden.reads import garden_of

router = Router(tags=["bench"])


class SprayedIn(Schema):
    """A can and whom it is sprayed on; its ``vessel`` is the sprayer."""

    can: CanIn
    spray: SprayIn


class Whom(Schema):
    """Whom hours are asked for."""

    stand_id: uuid.UUID


@router.post("/bench/spray", response=SprayOut, operation_id="preview_spray")
def preview(request: Any, payload: SprayPreviewIn) -> SprayOut:
    """Work out a leaf spray; writes nothing."""
    return spray_preview(request.auth, payload)


@router.get("/bench/hours", response=HoursOut, operation_id="open_hours")
def hours(request: Any, whom: Query[Whom]) -> HoursOut:
    """The hours of today and tomorrow that are open for leaves, roots and dry feeds."""
    return hours_page(request.auth, whom.stand_id)


@router.post("/sprays", response={201: WrittenOut}, operation_id="spray")
def spray(request: Any, payload: SprayedIn) -> Any:
    """Mix what leaves hold and spray it."""
    can = can_said(garden_of(request.auth), payload.can, payload.can.id)
    row = spray_leaves(request.auth, can, NewSpray(**payload.spray.dict()))
    return 201, written(request.auth, row.id)
