"""The Round: reading it, mixing its cans, ticking its stops."""

from __future__ import annotations

import uuid
from typing import Any, Literal

from ninja import Router, Schema

from dace.desks.round.ahead import days_ahead
from dace.desks.round.page import round_page
from dace.desks.round.schemas import RoundComingOut, RoundOut
from dace.desks.shared.written import ChangeOut, WrittenOut, written
from dace.feeding.rounds import NewTick, mix_for_round, take_back_can, tick
from dace.households.fields import Number

router = Router(tags=["round"])
How = Literal["planned", "half", "none", "own", "extra"]


class TickIn(Schema):
    """What was done of a stop's feed; ``litres_each`` of her own amount, or of more."""

    id: uuid.UUID
    fill_id: uuid.UUID
    slot: int
    how: How = "planned"
    can_id: uuid.UUID | None = None
    litres_each: Number | None = None


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


@router.post("/round/ticks", response={201: WrittenOut}, operation_id="tick")
def tick_off(request: Any, payload: TickIn) -> Any:
    """Tick a stop off: its doses, and with the first of a can the can itself."""
    row = tick(request.auth, NewTick(**payload.dict()))
    return 201, written(request.auth, row.pk)
