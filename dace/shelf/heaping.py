"""Heaps from the first layer to the last barrow: one change each."""

from __future__ import annotations

import uuid
from collections.abc import Mapping
from dataclasses import dataclass, replace
from datetime import date
from typing import Any, Literal

from django.db import transaction

from dace.core import api as core
from dace.core.api import BeanPot, DaceError, HomeTest, shown
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import change, newest_number
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope
from dace.shelf.bottles import contents_of
from dace.shelf.heaps import heap_now, inputs_of
from dace.shelf.models import Brew, BrewEvent, Heap, HeapEvent, Jar

_MOST_INPUTS = 200
_MOST_TAKEN = 1.6  # times what is expected of it
_LEAST_LEFT = 0.05  # of an element that a brew took nearly all of
_MG_PER_KG_PERCENT = 10_000.0
Step = Literal["turn", "wet", "cover", "uncover", "beans"]


@dataclass(frozen=True)
class Layer:
    """A material as said; ``known`` where nobody sprayed the ground that it is from."""

    material: str
    amount: str
    known: bool = False


@dataclass(frozen=True)
class NewHeap:
    """A heap as said."""

    name: str
    method: str
    layers: tuple[Layer, ...]
    covered: bool = False
    begun_on: date | None = None


def layer_row(layer: Layer, measures: str, on: date) -> dict[str, Any]:
    """What goes in, in kg, as a heap keeps it.

    Raises
    ------
    DaceError
        On ``material`` or ``amount``.
    """
    kind = core.material(layer.material)
    return {
        "material": kind.key,
        "kg": core.amount_kg(layer.amount, kind, measures),
        "said": layer.amount.strip(),
        "known": layer.known,
        "on": on.isoformat(),
    }


@transaction.atomic
def begin_heap(scope: Scope, row_id: uuid.UUID, new: NewHeap) -> Heap:
    """A heap begins.

    Raises
    ------
    DaceError
        On ``method``, ``inputs``, an ``amount``, or ``begun_on``.
    """
    repeat = Heap.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    garden = garden_of(scope)
    on = _past_day(scope, new.begun_on, "begun_on")
    rows = [layer_row(one, garden.measures, on) for one in new.layers]
    heap = Heap(
        **new_row(scope, row_id), name=new.name, method=new.method, inputs=rows,
        covered=new.covered, begun_on=on,
    )  # fmt: skip
    core.Heap(new.method, inputs_of(heap))  # refuses what cannot be
    with change(scope, "heap", f"{new.name} begun"):
        heap.save(force_insert=True)
    return heap


@transaction.atomic
def feed_heap(scope: Scope, row_id: uuid.UUID, heap_id: uuid.UUID, layer: Layer) -> HeapEvent:
    """Something more goes on; it runs a clock of its own from today.

    Raises
    ------
    NotFoundError
        If the heap is none of this household's.
    DaceError
        On ``material`` or ``amount``.
    ConflictError
        If it was emptied already.
    """
    repeat = HeapEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    heap, garden = standing(scope, heap_id), garden_of(scope)
    row = layer_row(layer, garden.measures, today(scope, garden))
    name = core.material(row["material"]).name.lower()
    return _put_on(scope, row_id, heap, [row], f"{row['said']} of {name} put on")


@transaction.atomic
def spent_solids(
    scope: Scope, row_id: uuid.UUID, heap_id: uuid.UUID, brew_id: uuid.UUID
) -> HeapEvent:
    """What is left of a brew's solids goes on: each element less what its bottles hold.

    Raises
    ------
    NotFoundError
        If heap or brew are none of this household's.
    ConflictError
        If the brew is still on its way, or its solids lie on a heap already.
    """
    repeat = HeapEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    heap = standing(scope, heap_id)
    brew = Brew.objects.fetch(scope, brew_id, "brew_id")
    if brew.ended_on is None:
        raise ConflictError("brew_id", f"{brew.name}, still on its way", "strain it first")
    laid = HeapEvent.objects.of(scope).filter(kind=HeapEvent.Kind.ADD, found__brew=str(brew.pk))
    if laid.exists():
        raise ConflictError("brew_id", f"{brew.name}, which lies on a heap", "choose another")
    left = _left_in(scope, brew)
    on = today(scope, garden_of(scope))
    rows = []
    for item in brew.ingredients:
        kind = core.material(item["material"])
        own = item.get("percent") or {}
        rows.append(
            {
                "material": kind.key,
                "kg": item["mass_g"] / 1000,
                "said": core.amount_words(item["mass_g"], "g"),
                "known": True,
                "on": on.isoformat(),
                "percent": {
                    name: own.get(name, kind.percent_of(name).typ) * left.get(name, 1.0)
                    for name in core.NUTRIENTS
                },
            }
        )
    summary = f"what {brew.name} left, put on"
    return _put_on(scope, row_id, heap, rows, summary, {"brew": str(brew.pk)})


def _left_in(scope: Scope, brew: Brew) -> dict[str, float]:
    """The share of each element that stayed in a brew's solids."""
    went_in = dict.fromkeys(core.NUTRIENTS, 0.0)
    for item in brew.ingredients:
        kind, own = core.material(item["material"]), item.get("percent") or {}
        for name in went_in:
            percent = own.get(name, kind.percent_of(name).typ)
            went_in[name] += item["mass_g"] / 1000 * percent * _MG_PER_KG_PERCENT
    out = dict.fromkeys(core.NUTRIENTS, 0.0)
    strained = BrewEvent.objects.of(scope).filter(brew=brew, kind=BrewEvent.Kind.STRAIN)
    for jar in Jar.objects.of(scope).filter(brew=brew, contents__isnull=False):
        assert jar.contents is not None
        held = dict(contents_of(jar.contents).mg)
        for name in out:
            out[name] += held.get(name, 0.0) * jar.holds
    if not strained.exists():
        out = dict.fromkeys(out, 0.0)  # thrown out, liquid and all
    return {
        name: max(_LEAST_LEFT, 1 - out[name] / mg) if mg > 0 else 1.0
        for name, mg in went_in.items()
    }


def _put_on(
    scope: Scope,
    row_id: uuid.UUID,
    heap: Heap,
    rows: list[dict[str, Any]],
    summary: str,
    found: dict[str, Any] | None = None,
) -> HeapEvent:
    if len(heap.inputs) + len(rows) > _MOST_INPUTS:
        raise DaceError("heap_id", f"{len(heap.inputs)} layers", "begin another heap")
    heap.inputs = [*heap.inputs, *rows]
    core.Heap(heap.method, inputs_of(heap))
    with change(scope, "heap", f"{heap.name}: {summary}"):
        heap.save(update_fields=["inputs"])
        return _event(scope, row_id, heap, HeapEvent.Kind.ADD, found or {"said": rows[0]["said"]})


@transaction.atomic
def do_heap_step(
    scope: Scope, row_id: uuid.UUID, heap_id: uuid.UUID, kind: str, litres: float | None = None
) -> HeapEvent:
    """Turned, watered, covered, uncovered, or a bean test sown of it.

    ``litres`` is the water; what it lacked where left out.

    Raises
    ------
    DaceError
        On ``kind`` or ``litres``.
    ConflictError
        If it was emptied, or is covered or open already.
    """
    repeat = HeapEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    if kind not in _STEPS:
        raise DaceError("kind", f"“{kind}”", f"one of {', '.join(_STEPS)} would do")
    heap = standing(scope, heap_id)
    found: dict[str, Any] = {}
    if kind == HeapEvent.Kind.WET:
        lacking = [one.amount for one in core.heap_lacks(heap_now(scope, heap_id).built)
                   if one.material is None]  # fmt: skip
        found["litres"] = _litres(litres, lacking[0] if lacking else 0.0)
    covers = kind in (HeapEvent.Kind.COVER, HeapEvent.Kind.UNCOVER)
    if covers and heap.covered == (kind == HeapEvent.Kind.COVER):
        said = "covered" if heap.covered else "open"
        raise ConflictError("kind", f"{heap.name}, which is {said}", "nothing is to be done")
    with change(scope, "heap", f"{heap.name}: {HeapEvent.Kind(kind).label}"):
        if covers:
            heap.covered = kind == HeapEvent.Kind.COVER
            heap.save(update_fields=["covered"])
        return _event(scope, row_id, heap, HeapEvent.Kind(kind), found)


_STEPS = ("turn", "wet", "cover", "uncover", "beans")


def _litres(told: float | None, lacking: float) -> float:
    litres = lacking if told is None else told
    if not 0 < litres <= 10_000:
        raise DaceError("litres", f"{litres:g} L", "how much water went on, such as 20 L")
    return litres


@transaction.atomic
def test_heap(
    scope: Scope, row_id: uuid.UUID, heap_id: uuid.UUID, found: Mapping[str, float]
) -> HeapEvent:
    """What was weighed, dried and read at home: it corrects what comes out.

    Raises
    ------
    DaceError
        On what cannot be, or where nothing was found.
    """
    repeat = HeapEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    heap = standing(scope, heap_id)
    if not found:
        raise DaceError("ec_1_5", "nothing found", "a reading, a weight or a dry weight would do")
    HomeTest(**found)  # refuses what cannot be
    with change(scope, "heap", f"{heap.name} tested"):
        return _event(scope, row_id, heap, HeapEvent.Kind.TEST, dict(found))


@transaction.atomic
def read_beans(
    scope: Scope,
    row_id: uuid.UUID,
    heap_id: uuid.UUID,
    test: list[BeanPot],
    plain: list[BeanPot],
) -> HeapEvent:
    """A bean test as it is read; what it says of the load is kept.

    Raises
    ------
    DaceError
        On ``test`` or ``plain``.
    """
    repeat = HeapEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    heap = standing(scope, heap_id)
    says = core.bean_test(test, plain)
    found = {
        "result": says.result,
        "why": says.why,
        "test": [[pot.curled, pot.up] for pot in test],
        "plain": [[pot.curled, pot.up] for pot in plain],
    }
    with change(scope, "heap", f"{heap.name}: bean test, {says.result}"):
        return _event(scope, row_id, heap, HeapEvent.Kind.READ_BEANS, found)


@transaction.atomic
def heat_written(scope: Scope, heap_id: uuid.UUID, hot: bool) -> Heap:
    """Whether its heat was written down for as long as kills germs."""
    heap = standing(scope, heap_id)
    if heap.heat_record != hot:
        said = "heat written down" if hot else "heat not written down"
        with change(scope, "heap", f"{heap.name}: {said}"):
            heap.heat_record = hot
            heap.save(update_fields=["heat_record"])
    return heap


@dataclass(frozen=True)
class TakenOut:
    """What an emptied heap gave, as said (empty: as expected), and what it is kept as.

    ``washed`` are volumes of water that were run through it.
    """

    jar_id: uuid.UUID
    name: str
    amount: str = ""
    washed: int = 0


@transaction.atomic
def empty_heap(scope: Scope, heap_id: uuid.UUID, new: TakenOut) -> Jar:
    """A heap is taken out: from now on it is a feed of its own that dresses and goes in mixes.

    Raises
    ------
    DaceError
        On ``kg``, ``washed``, or ``method`` of a trench.
    ConflictError
        If it was emptied already.
    """
    repeat = Jar.objects.written_before(scope, new.jar_id)
    if repeat is not None:
        return repeat
    heap = standing(scope, heap_id)
    record = heap_now(scope, heap_id)
    found = core.emptied(record.built, record.days, record.test, new.washed)
    lies = replace(found.like, density_g_per_ml=found.kg_per_l)
    told = core.amount_kg(new.amount, lies, garden_of(scope).measures) if new.amount else found.kg
    if not 0 < told <= _MOST_TAKEN * found.kg:
        most = shown.grams(1000 * _MOST_TAKEN * found.kg, 2)
        raise DaceError("amount", shown.grams(1000 * told, 2), f"up to {most} can be in it")
    kg = told
    percent = dict(found.percent)
    with change(scope, "heap", f"{heap.name} emptied: {shown.grams(1000 * kg, 2)}"):
        event_id = uuid.uuid5(new.jar_id, "emptied")
        _event(scope, event_id, heap, HeapEvent.Kind.EMPTY, {"kg": kg, "washed": new.washed})
        heap.ended_on = today(scope, garden_of(scope))
        heap.save(update_fields=["ended_on"])
        return Jar.objects.create(
            **new_row(scope, new.jar_id),
            name=new.name,
            n_percent=percent["N"],
            p_percent=percent["P"],
            k_percent=percent["K"],
            also={name: percent[name] for name in ("Ca", "Mg", "S", "Na", "Cl") if name in percent},
            basis="element",
            form="solid",
            dissolves=False,
            slow=True,
            material=found.like.key,
            spoon_g=found.kg_per_l * core.TEASPOON_ML,
            holds=1000 * kg,
            stock=1000 * kg,
            stock_at=scope.now,
            stock_seq=newest_number() + 1,
            heap=heap,
            season_n=found.season_n,
            tokens=sorted(found.tokens),
        )


@transaction.atomic
def drain_bin(scope: Scope, jar_id: uuid.UUID, heap_id: uuid.UUID, litres: float) -> Jar:
    """What ran out of a worm bin goes into a bottle of its own.

    Raises
    ------
    ConflictError
        If it is no worm bin, or was emptied.
    DaceError
        On ``litres``.
    """
    repeat = Jar.objects.written_before(scope, jar_id)
    if repeat is not None:
        return repeat
    heap = standing(scope, heap_id)
    if heap.method != "worm_bin":
        raise ConflictError("heap_id", f"{heap.name}, which has no tap", "a worm bin would do")
    if not 0 < litres <= 1000:
        raise DaceError("litres", f"{litres:g} L", "above 0 would do, such as 2 L")
    label = core.label_of_material(core.material(_LEACHATE))
    with change(scope, "heap", f"{heap.name}: {shown.litres(litres)} drained"):
        event_id = uuid.uuid5(jar_id, "drained")
        _event(scope, event_id, heap, HeapEvent.Kind.DRAIN, {"litres": litres})
        return Jar.objects.create(
            **new_row(scope, jar_id),
            name=f"{heap.name}, drained"[:80],
            n_percent=label.n,
            p_percent=label.p,
            k_percent=label.k,
            also=dict(label.also),
            nitrogen=None if label.nitrogen is None else dict(label.nitrogen),
            basis="element",
            form="liquid",
            density_g_per_ml=label.density_g_per_ml,
            material=_LEACHATE,
            holds=1000 * litres,
            stock=1000 * litres,
            stock_at=scope.now,
            stock_seq=newest_number() + 1,
            heap=heap,
        )


_LEACHATE = "worm_bin_leachate"


def standing(scope: Scope, heap_id: uuid.UUID) -> Heap:
    """A heap that was not emptied, or a ``ConflictError``."""
    heap = Heap.objects.fetch(scope, heap_id, "heap_id")
    if heap.ended_on is not None:
        raise ConflictError("heap_id", f"{heap.name}, which was emptied", "begin another")
    return heap


def _event(
    scope: Scope, row_id: uuid.UUID, heap: Heap, kind: str, found: dict[str, Any]
) -> HeapEvent:
    on = today(scope, garden_of(scope))
    return HeapEvent.objects.create(
        **new_row(scope, row_id), heap=heap, kind=kind, on=on, found=found
    )


def _past_day(scope: Scope, on: date | None, field: str) -> date:
    now = today(scope, garden_of(scope))
    if on is not None and not (now.year - 40 <= on.year and on <= now):
        raise DaceError(field, f"{on}", "a day that has been would do")
    return on or now
