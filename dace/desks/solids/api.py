"""Heaps, mixes, green manure and mulch, worked out as they are thought of; nothing is written."""

from __future__ import annotations

from typing import Any

from ninja import Router

from dace.core import api as core
from dace.desks.solids.ground import gives, mulch_of
from dace.desks.solids.heaps import heap_of
from dace.desks.solids.mixes import mix_of
from dace.desks.solids.offered import offered
from dace.desks.solids.schemas import (
    BeanTestIn,
    BeanTestOut,
    GivesOut,
    GreenManureIn,
    HeapIn,
    HeapOut,
    MulchIn,
    MulchOut,
    SoilMixIn,
    SoilMixOut,
    SolidsOut,
)
from dace.garden.reads import garden_of

router = Router(tags=["solids"])


@router.get("/solids", response=SolidsOut, operation_id="solids")
def read(request: Any) -> SolidsOut:
    """Materials, methods, ingredients, recipes, green manures and mulches."""
    return offered()


@router.post("/solids/heap", response=HeapOut, operation_id="work_out_heap")
def heap(request: Any, payload: HeapIn) -> HeapOut:
    """What a heap lacks, when it is ready, and what comes out."""
    return heap_of(payload, garden_of(request.auth).measures)


@router.post("/solids/mix", response=SoilMixOut, operation_id="work_out_mix")
def mix(request: Any, payload: SoilMixIn) -> SoilMixOut:
    """What a soil mix comes to, and what stands against it."""
    return mix_of(payload, garden_of(request.auth).measures)


@router.post("/solids/green-manure", response=GivesOut, operation_id="work_out_green_manure")
def green_manure(request: Any, payload: GreenManureIn) -> GivesOut:
    """What a green manure gives the crop after it."""
    return gives(payload, garden_of(request.auth).measures)


@router.post("/solids/mulch", response=MulchOut, operation_id="work_out_mulch")
def mulch(request: Any, payload: MulchIn) -> MulchOut:
    """How much of a mulch a bed wants."""
    return mulch_of(payload, garden_of(request.auth).measures)


@router.post("/solids/bean-test", response=BeanTestOut, operation_id="read_bean_test")
def beans(request: Any, payload: BeanTestIn) -> BeanTestOut:
    """What a bean test says of a load of manure."""
    test, plain = (
        [core.BeanPot(pot.curled, pot.up) for pot in pots] for pots in (payload.test, payload.plain)
    )
    found = core.bean_test(test, plain)
    return BeanTestOut(result=found.result, why=found.why)
