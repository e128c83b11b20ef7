"""The Round: reading it, mixing its cans, ticking its stops."""

from __future__ import annotations

import uuid
from typing import Any, Literal

from ninja import Router, Schema

from dace.core import api as core
from dace.core.api import shown
from dace.desks.round.ahead import days_ahead
from dace.desks.round.page import round_page
from dace.desks.round.schemas import AmountOut, RoundComingOut, RoundOut
from dace.desks.shared.written import ChangeOut, WrittenOut, written
from dace.feeding.rounds import NewTick, mix_for_round, take_back_can, tick
from dace.garden.reads import garden_of
from dace.households.fields import Count, Number, Typed

router = Router(tags=["round"])
How = Literal["planned", "half", "none", "own", "extra"]


class TickIn(Schema):
    """What was done of a stop's feed; of her own amount, or of more, ``litres`` as typed.

    A script may say ``litres_each`` [L] instead.
    """

    id: uuid.UUID
    fill_id: uuid.UUID
    slot: int
    how: How = "planned"
    can_id: uuid.UUID | None = None
    litres_each: Number | None = None
    litres: Typed = ""


class AmountIn(Schema):
    """An amount for each of so many plants, as typed."""

    litres: Typed
    plants: Count


@router.get("/round", response=RoundOut, operation_id="round")
def the_round(request: Any) -> RoundOut:
    """What to do today."""
    return round_page(request.auth)


@router.get("/round/ahead", response=RoundComingOut, operation_id="round_ahead")
def ahead(request: Any) -> RoundComingOut:
    """What comes in the week after; the plan takes longer to work out than today's round."""
    return RoundComingOut(days=days_ahead(request.auth))


@router.post("/round/cans/{can_id}", response={201: WrittenOut}, operation_id="mix_for_round")
def mix(request: Any, can_id: uuid.UUID) -> Any:
    """Mix one of today's cans, to read it before it is poured."""
    return 201, written(request.auth, mix_for_round(request.auth, can_id).pk)


@router.delete("/round/cans/{can_id}", response=ChangeOut, operation_id="take_back_can")
def take_back(request: Any, can_id: uuid.UUID) -> ChangeOut:
    """Take back a can with all that was poured of it."""
    return ChangeOut(**vars(take_back_can(request.auth, can_id)))


@router.post("/round/amount", response=AmountOut, operation_id="read_amount")
def amount(request: Any, payload: AmountIn) -> AmountOut:
    """What an amount means as it is typed; writes nothing."""
    measures = garden_of(request.auth).measures
    each = core.read_litres_each(payload.litres, payload.plants, None, measures)
    words = f"{shown.litres(each * payload.plants)} in all"
    return AmountOut(litres_each=each, words=words)


@router.post("/round/ticks", response={201: WrittenOut}, operation_id="tick")
def tick_off(request: Any, payload: TickIn) -> Any:
    """Tick a stop off: its doses, and with the first of a can the can itself."""
    row = tick(request.auth, NewTick(**payload.dict()))
    return 201, written(request.auth, row.pk)
