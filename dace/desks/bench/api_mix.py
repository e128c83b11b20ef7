"""Finding a mix, stock solutions, and making a can right that was read."""

from __future__ import annotations

import uuid
from typing import Any

from ninja import Router, Schema

from dace.desks.bench.correction import correct_preview, correction_page
from dace.desks.bench.mix import mix_page
from dace.desks.bench.schemas_more import (
    CanReadOut,
    CorrectionOut,
    MixIn,
    MixOut,
    ReadCanIn,
    StirIn,
)
from dace.desks.shared.typed import read_amount_of, read_litres
from dace.desks.shared.written import WrittenOut, written
from dace.feeding.correcting import Thinned, thin_can
from dace.feeding.reads import jar_with_stock
from dace.feeding.stocks import NewStock, make_stock
from dace.garden.reads import garden_of
from dace.households.fields import Typed

router = Router(tags=["bench"])


class SolutionIn(Schema):
    """So much of a jar in so much water, as typed."""

    id: uuid.UUID
    amount: Typed
    litres: Typed


@router.post("/bench/mix", response=MixOut, operation_id="find_mix")
def mix(request: Any, payload: MixIn) -> MixOut:
    """The nearest can from what stands on the shelf; writes nothing."""
    return mix_page(request.auth, payload)


@router.post("/bench/correct", response=CorrectionOut, operation_id="correct_can")
def correct(request: Any, payload: ReadCanIn) -> CorrectionOut:
    """What makes a can right before it is poured; writes nothing."""
    return correct_preview(request.auth, payload)


@router.get("/cans/{can_id}/correction", response=CanReadOut, operation_id="correction")
def correction(request: Any, can_id: uuid.UUID) -> CanReadOut:
    """What makes a can right, by its newest reading."""
    return CanReadOut(correction=correction_page(request.auth, can_id))


@router.post("/cans/{can_id}/water", response={201: WrittenOut}, operation_id="thin_can")
def thin(request: Any, can_id: uuid.UUID, payload: StirIn) -> Any:
    """Stir water into a can."""
    row = thin_can(request.auth, can_id, Thinned(**payload.dict()))
    return 201, written(request.auth, row.id)


@router.post("/jars/{jar_id}/solution", response={201: WrittenOut}, operation_id="make_stock")
def stock(request: Any, jar_id: uuid.UUID, payload: SolutionIn) -> Any:
    """Dissolve some of a jar into a bottle of its own."""
    garden = garden_of(request.auth)
    jar, _ = jar_with_stock(request.auth, jar_id)
    amount = read_amount_of(garden, payload.amount, jar.form == "liquid", "amount")
    litres = read_litres(garden, payload.litres, "litres")
    made = make_stock(request.auth, NewStock(payload.id, jar_id, amount, litres))
    return 201, written(request.auth, made.id)
