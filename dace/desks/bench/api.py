"""What stands on the Bench, the preview of a can, and pouring it."""

from __future__ import annotations

import uuid
from typing import Any

from ninja import Router, Schema

from dace.desks.bench.page import can_preview, can_said, supplies_page
from dace.desks.bench.schemas import CanSaidIn, PreviewIn, PreviewOut, SuppliesOut
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.services import NewDose, mix_and_pour, pour_rest
from dace.garden.reads import garden_of
from dace.households.fields import Count, Instant, Number

router = Router(tags=["bench"])


class CanIn(CanSaidIn):
    """A can to mix."""

    id: uuid.UUID


class DoseIn(Schema):
    """What each plant gets."""

    id: uuid.UUID
    stand_id: uuid.UUID
    plants: Count
    litres_each: Number
    poured_at: Instant | None = None


class PourIn(Schema):
    """A can and the dose from it."""

    can: CanIn
    dose: DoseIn


@router.get("/bench", response=SuppliesOut, operation_id="supplies")
def supplies(request: Any) -> SuppliesOut:
    """Jars, waters and cans."""
    return supplies_page(request.auth)


@router.post("/bench/preview", response=PreviewOut, operation_id="preview")
def preview(request: Any, payload: PreviewIn) -> PreviewOut:
    """Work out a can; writes nothing."""
    return can_preview(request.auth, payload)


@router.post("/pours", response={201: WrittenOut}, operation_id="pour")
def pour(request: Any, payload: PourIn) -> Any:
    """Mix a can and pour from it."""
    can = can_said(garden_of(request.auth), payload.can, payload.can.id)
    dose = mix_and_pour(request.auth, can, NewDose(**payload.dose.dict()))
    return 201, written(request.auth, dose.id)


@router.post("/cans/{can_id}/doses", response={201: WrittenOut}, operation_id="pour_rest")
def pour_from(request: Any, can_id: uuid.UUID, payload: DoseIn) -> Any:
    """Pour what is left in a can."""
    dose = pour_rest(request.auth, can_id, NewDose(**payload.dict()))
    return 201, written(request.auth, dose.id)
