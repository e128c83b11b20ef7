"""Heaps, mixes, green manure and mulch: worked out as they are thought of, and kept."""

from __future__ import annotations

import uuid
from typing import Any

from ninja import Router

from dace.core import api as core
from dace.desks.shared.typed import read_litres
from dace.desks.shared.written import WrittenOut, written
from dace.desks.solids.ground import depth_mm, gives, mulch_of
from dace.desks.solids.heaps import heap_of
from dace.desks.solids.kept import heap_page
from dace.desks.solids.mixes import mix_of
from dace.desks.solids.offered import offered
from dace.desks.solids.schemas import (
    BeanTestIn,
    BeanTestOut,
    CutIn,
    DrainIn,
    EmptyIn,
    GivesOut,
    GreenManureIn,
    HeapBeansIn,
    HeapIn,
    HeapInputIn,
    HeapOut,
    HeapStepIn,
    HeapTestIn,
    HeatIn,
    KeptHeapIn,
    KeptHeapOut,
    LayerIn,
    LayMulchIn,
    MulchIn,
    MulchOut,
    SoilMixIn,
    SoilMixOut,
    SolidsOut,
    SowIn,
    SpentIn,
    SpreadIn,
    SpreadOut,
)
from dace.desks.solids.spreading import spread_preview
from dace.feeding.spreading import lay_mulch, spread_jar
from dace.garden.greening import cut_green, sow_green
from dace.garden.reads import garden_of
from dace.shelf.heaping import (
    Layer,
    NewHeap,
    TakenOut,
    begin_heap,
    do_heap_step,
    drain_bin,
    empty_heap,
    feed_heap,
    heat_written,
    read_beans,
    spent_solids,
    test_heap,
)

router = Router(tags=["solids"])


@router.get("/solids", response=SolidsOut, operation_id="solids")
def read(request: Any) -> SolidsOut:
    """Materials, methods, ingredients, recipes, green manures and mulches."""
    return offered(request.auth)


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
    found = core.bean_test(*_pots(payload))
    return BeanTestOut(result=found.result, why=found.why)


@router.post("/heaps", response={201: WrittenOut}, operation_id="begin_heap")
def begin(request: Any, payload: KeptHeapIn) -> Any:
    """Begin a heap, a bin or a stack."""
    layers = tuple(_layer(one) for one in payload.inputs)
    new = NewHeap(payload.name, payload.method, layers, payload.covered, payload.begun_on)
    return 201, written(request.auth, begin_heap(request.auth, payload.id, new).pk)


@router.get("/heaps/{heap_id}", response=KeptHeapOut, operation_id="kept_heap")
def one_heap(request: Any, heap_id: uuid.UUID) -> KeptHeapOut:
    """One heap's page."""
    return heap_page(request.auth, heap_id)


@router.post("/heaps/{heap_id}/add", response={201: WrittenOut}, operation_id="add_to_heap")
def add(request: Any, heap_id: uuid.UUID, payload: LayerIn) -> Any:
    """Something more goes on."""
    row = feed_heap(request.auth, payload.id, heap_id, _layer(payload))
    return 201, written(request.auth, row.pk)


@router.post("/heaps/{heap_id}/spent", response={201: WrittenOut}, operation_id="spent_on_heap")
def spent(request: Any, heap_id: uuid.UUID, payload: SpentIn) -> Any:
    """The solids of a brew that is over go on."""
    row = spent_solids(request.auth, payload.id, heap_id, payload.brew_id)
    return 201, written(request.auth, row.pk)


@router.post("/heaps/{heap_id}/steps", response={201: WrittenOut}, operation_id="heap_step")
def step(request: Any, heap_id: uuid.UUID, payload: HeapStepIn) -> Any:
    """Turned, watered, covered, uncovered, or its beans sown."""
    garden = garden_of(request.auth)
    litres = read_litres(garden, payload.litres, "litres") if payload.litres else None
    row = do_heap_step(request.auth, payload.id, heap_id, payload.kind, litres)
    return 201, written(request.auth, row.pk)


@router.post("/heaps/{heap_id}/test", response={201: WrittenOut}, operation_id="test_heap")
def tested(request: Any, heap_id: uuid.UUID, payload: HeapTestIn) -> Any:
    """What was read, weighed and dried at home."""
    found = payload.dict(exclude={"id"}, exclude_none=True)
    return 201, written(request.auth, test_heap(request.auth, payload.id, heap_id, found).pk)


@router.post("/heaps/{heap_id}/beans", response={201: WrittenOut}, operation_id="beans_of_heap")
def heap_beans(request: Any, heap_id: uuid.UUID, payload: HeapBeansIn) -> Any:
    """A bean test of it, read."""
    test, plain = _pots(payload)
    return 201, written(request.auth, read_beans(request.auth, payload.id, heap_id, test, plain).pk)


@router.put("/heaps/{heap_id}/heat", response=WrittenOut, operation_id="heat_of_heap")
def heat(request: Any, heap_id: uuid.UUID, payload: HeatIn) -> WrittenOut:
    """Whether its heat was written down."""
    return written(request.auth, heat_written(request.auth, heap_id, payload.hot).pk)


@router.post("/heaps/{heap_id}/empty", response={201: WrittenOut}, operation_id="empty_heap")
def empty(request: Any, heap_id: uuid.UUID, payload: EmptyIn) -> Any:
    """Take it out: it becomes a feed of its own."""
    new = TakenOut(payload.id, payload.name, payload.amount, payload.washed)
    return 201, written(request.auth, empty_heap(request.auth, heap_id, new).pk)


@router.post("/heaps/{heap_id}/drain", response={201: WrittenOut}, operation_id="drain_heap")
def drain(request: Any, heap_id: uuid.UUID, payload: DrainIn) -> Any:
    """What ran out of a worm bin goes into a bottle."""
    litres = read_litres(garden_of(request.auth), payload.litres, "litres")
    return 201, written(request.auth, drain_bin(request.auth, payload.id, heap_id, litres).pk)


@router.post("/green", response={201: WrittenOut}, operation_id="sow_green_manure")
def sow(request: Any, payload: SowIn) -> Any:
    """Sow a green manure on a bed."""
    row = sow_green(request.auth, payload.id, payload.fill_id, payload.key, payload.sown_on)
    return 201, written(request.auth, row.pk)


@router.post("/green/{green_id}/cut", response=WrittenOut, operation_id="cut_green_manure")
def cut(request: Any, green_id: uuid.UUID, payload: CutIn) -> WrittenOut:
    """Cut it: dug in, or left on top."""
    row = cut_green(request.auth, green_id, payload.stand, payload.dug_in, payload.cut_on)
    return written(request.auth, row.pk)


@router.post("/mulched", response={201: WrittenOut}, operation_id="lay_mulch")
def lay(request: Any, payload: LayMulchIn) -> Any:
    """Lay a mulch on a bed."""
    depth = depth_mm(payload.depth) if payload.depth else None
    row = lay_mulch(
        request.auth, payload.id, payload.fill_id, payload.material, depth, payload.depth
    )
    return 201, written(request.auth, row.pk)


@router.post("/spreads/preview", response=SpreadOut, operation_id="preview_spread")
def preview(request: Any, payload: SpreadIn) -> SpreadOut:
    """What it would bring; writes nothing."""
    return spread_preview(request.auth, payload.fill_id, payload.jar_id, payload.amount)


@router.post("/spreads", response={201: WrittenOut}, operation_id="spread_jar")
def spread(request: Any, payload: SpreadIn) -> Any:
    """Spread a dry jar on a whole bed or pot, grown or bare."""
    row = spread_jar(request.auth, payload.id, payload.fill_id, payload.jar_id, payload.amount)
    return 201, written(request.auth, row.pk)


def _layer(told: HeapInputIn) -> Layer:
    return Layer(told.material, told.amount, told.known)


def _pots(told: BeanTestIn) -> tuple[list[core.BeanPot], list[core.BeanPot]]:
    test, plain = (
        [core.BeanPot(pot.curled, pot.up) for pot in pots] for pots in (told.test, told.plain)
    )
    return test, plain
