"""What stands on the Bench, the preview of a can, and pouring it."""

from __future__ import annotations

import uuid
from typing import Annotated, Any

from ninja import Router, Schema
from pydantic import Field

from dace.desks.api.path import WrittenOut, written
from dace.desks.bench import Wanted, vessel_litres
from dace.desks.bench import preview as read_preview
from dace.desks.bench import supplies as read_supplies
from dace.desks.bench_schemas import PreviewOut, SuppliesOut
from dace.feeding.services import NewCan, NewDose, mix_and_pour, pour_rest
from dace.garden.reads import garden_of
from dace.households.fields import Count, Instant, Line, Number

router = Router(tags=["bench"])
Reading = Annotated[int, Field(ge=0, le=20)]


class PreviewIn(Schema):
    """A can to work out: strength and vessel as typed."""

    jar_id: uuid.UUID
    water_id: uuid.UUID
    vessel: Line
    strength: Line
    reading: Reading = 0
    stand_id: uuid.UUID | None = None
    plants: Count | None = None
    litres: Line = ""


class CanIn(Schema):
    """A can to mix."""

    id: uuid.UUID
    jar_id: uuid.UUID
    water_id: uuid.UUID
    vessel: Line
    strength: Line
    reading: Reading = 0


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
    return read_supplies(request.auth)


@router.post("/bench/preview", response=PreviewOut, operation_id="preview")
def preview(request: Any, payload: PreviewIn) -> PreviewOut:
    """Work out a can; writes nothing."""
    return read_preview(request.auth, Wanted(**payload.dict()))


@router.post("/pours", response={201: WrittenOut}, operation_id="pour")
def pour(request: Any, payload: PourIn) -> Any:
    """Mix a can and pour from it."""
    garden = garden_of(request.auth)
    asked = payload.can.dict()
    litres = vessel_litres(garden, asked.pop("vessel"))
    can = NewCan(**asked, vessel_l=litres, measures=garden.measures)
    dose = mix_and_pour(request.auth, can, NewDose(**payload.dose.dict()))
    return 201, written(request.auth, dose.id)


@router.post("/cans/{can_id}/doses", response={201: WrittenOut}, operation_id="pour_rest")
def pour_from(request: Any, can_id: uuid.UUID, payload: DoseIn) -> Any:
    """Pour what is left in a can."""
    dose = pour_rest(request.auth, can_id, NewDose(**payload.dict()))
    return 201, written(request.auth, dose.id)
