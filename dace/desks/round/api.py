"""The Round: reading it, mixing its cans, ticking its stops."""

from __future__ import annotations

import uuid
from typing import Annotated, Any, Literal

from ninja import Router, Schema
from pydantic import Field

from dace.core import api as core
from dace.core.api import Tonight, shown
from dace.desks.round.ahead import days_ahead
from dace.desks.round.page import round_page
from dace.desks.round.schemas import AmountOut, RoundComingOut, RoundOut
from dace.desks.shared.written import ChangeOut, WrittenOut, written
from dace.feeding.raising import PlantedOut, plant_out
from dace.feeding.rounds import NewTick, mix_for_round, take_back_can, tick
from dace.garden.raising import PottedOn, pot_on, raise_on, say_night
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


class NightIn(Schema):
    """What is known of tonight: its low as typed, whether it is clear and still, all covered."""

    id: uuid.UUID
    low: Typed = ""
    clear: bool | None = None
    covered: bool = False


class RaiseIn(Schema):
    """Hardening off begun, not yet, or they stay where they are."""

    id: uuid.UUID
    planting_ids: Annotated[list[uuid.UUID], Field(min_length=1, max_length=100)]
    step: Literal["harden", "later", "stays"]


class PotOnIn(Schema):
    """So many plants into pots of so much each, as typed, of a medium or a mix of one's own."""

    id: uuid.UUID
    count: Count
    litres: Typed
    medium: Typed


class PlantOutIn(Schema):
    """So many plants to a fill; ``jar_id`` and ``said`` are what each hole got."""

    id: uuid.UUID
    fill_id: uuid.UUID
    count: Count
    jar_id: uuid.UUID | None = None
    said: Typed = ""


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


@router.post("/night", response={201: WrittenOut}, operation_id="say_night")
def say_the_night(request: Any, payload: NightIn) -> Any:
    """Say what is known of tonight, or that what stands out is covered."""
    scope = request.auth
    unit = garden_of(scope).degrees.lower()
    low = core.read_measure(payload.low, "temperature", "low", unit) if payload.low else None
    said = Tonight(low, payload.clear, payload.covered)
    return 201, written(scope, say_night(scope, payload.id, said).pk)


@router.post("/raising", response={201: WrittenOut}, operation_id="raise_on")
def raise_plantings(request: Any, payload: RaiseIn) -> Any:
    """Begin hardening off, or put a step off."""
    row = raise_on(request.auth, payload.id, payload.planting_ids, payload.step)
    return 201, written(request.auth, row.pk)


@router.post("/stands/{stand_id}/pots", response={201: WrittenOut}, operation_id="pot_on")
def pot_them_on(request: Any, stand_id: uuid.UUID, payload: PotOnIn) -> Any:
    """Pot on where they stand."""
    scope = request.auth
    litres = core.read_litres_each(payload.litres, 1, None, garden_of(scope).measures)
    new = PottedOn(payload.id, stand_id, payload.count, litres, payload.medium)
    return 201, written(scope, pot_on(scope, new).pk)


@router.post("/stands/{stand_id}/out", response={201: WrittenOut}, operation_id="plant_out")
def plant_them_out(request: Any, stand_id: uuid.UUID, payload: PlantOutIn) -> Any:
    """Plant out, with what goes into the holes."""
    row = plant_out(request.auth, PlantedOut(stand_id=stand_id, **payload.dict()))
    return 201, written(request.auth, row.pk)
