"""A heap that stands in the garden: what it lacks, what is due, and what it is once emptied."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np

from dace.core.errors import DaceError
from dace.core.matter.materials import ELEMENTS, Material, material
from dace.core.result import say
from dace.core.solids.heap import (
    Heap,
    HeapInput,
    dry_to,
    finished,
    pace,
    progress,
    to_reach,
    water_to,
)
from dace.core.solids.heap_amounts import BALE_KG
from dace.core.solids.heap_figures import HEATED, Array, Drawing, heap_figure
from dace.core.solids.home_test import HomeTest, corrected, like_of
from dace.core.solids.manure import ANIMALS, not_hot_weeks, salt_left
from dace.core.words import shown

CARRIER, GREEN = "wheat_straw", "grass_clippings"
_NO_RATIO = ("trench", "leaf_heap")
_LIVELY_WEEK, _MOST_WEEKS = 0.02, 150.0
_TURNED, _RESTS_FROM = ("hot_turned", "tumbler", "manure_stack"), 0.67
_SALTS = ("K", "Na", "Cl")
_BEANS_D = (21, 35)
StepKind = Literal["turn", "wet", "cover", "beans", "read_beans", "empty"]


@dataclass(frozen=True)
class Lack:
    """What would bring a heap right: a material [kg], or water [L] where ``material`` is None."""

    material: Material | None
    amount: float

    @property
    def said(self) -> str:
        """In words: straw in bales too."""
        if self.material is None:
            return f"{shown.litres(self.amount, 2)} of water"
        name = self.material.name.split(",")[0].lower()
        bales = ""
        if self.material.key == CARRIER and self.amount >= BALE_KG / 2:
            bales = f", {say(self.amount / BALE_KG, 2)} bales"
        return f"{shown.grams(1000 * self.amount, 2)} of {name}{bales}"


def heap_lacks(heap: Heap) -> tuple[Lack, ...]:
    """What would bring a heap right: its C:N first, then its water.

    Examples
    --------
    >>> grass = HeapInput(material("grass_clippings"), 200)
    >>> straw = HeapInput(material("wheat_straw"), 60)
    >>> scraps = HeapInput(material("vegetable_scraps_mixed"), 50)
    >>> [one.said for one in heap_lacks(Heap("hot_turned", (grass, straw, scraps)))]
    ['36 kg of wheat straw, 2.4 bales']
    """
    found, inputs, sums = [], heap.inputs, heap.sums
    if heap.method not in _NO_RATIO:
        wanted = heap_figure("start_c_to_n", heap.method)
        ratio = sums.c_to_n
        if ratio is not None and not wanted.low <= ratio <= wanted.high:
            brought = material(CARRIER if ratio < wanted.low else GREEN)
            kg = to_reach(sums, wanted.typ, brought)
            inputs = (*inputs, HeapInput(brought, kg))
            found.append(Lack(brought, kg))
    sums = Heap(heap.method, inputs, water_l=heap.water_l).sums
    moist = heap_figure("start_moisture", heap.method)
    if sums.moisture < moist.low:
        found.append(Lack(None, water_to(sums, moist.typ)))
    elif sums.moisture > moist.high:
        found.append(Lack(material(CARRIER), dry_to(sums, moist.high, material(CARRIER)) or 0.0))
    return tuple(found)


def heap_warmth(heap: Heap) -> float:
    """How warm its middle gets: 0 at the air's warmth, 1 at what the hottest reaches."""
    if heap.method == "trench":
        return 0.0
    hottest = heap_figure("peak_c", "hot_turned").high
    peak = heap_figure("peak_c", heap.runs_as).typ
    lively = 7 * float(pace(heap, Drawing(None))[0])
    return max(0.0, min(1.0, (peak - 10) / (hottest - 10))) if lively > _LIVELY_WEEK else 0.1


def ready_words(heap: Heap, days: float, seed: int | None = 1) -> str:
    """When it is ready from now on, in words.

    >>> wood = Heap("cold_unturned", (HeapInput(material("sawdust"), 100),))
    >>> ready_words(wood, 0)
    'Not for years as it is'
    """
    figures = Drawing(seed)
    if float(np.median(progress(heap, figures, days))) >= 1:
        return "Ready, by its weeks: see how it looks"
    a_day = pace(heap, figures)
    if float(np.median(a_day)) <= 0:
        return "It stands still at this warmth"
    weeks = _weeks_to_go(heap, a_day, days)
    low, likely, high = (max(0.0, float(np.quantile(weeks, q))) for q in (0.1, 0.5, 0.9))
    if likely > _MOST_WEEKS:
        return "Not for years as it is"
    return f"Ready in about {likely:.0f} weeks ({low:.0f} to {high:.0f})"


def _weeks_to_go(heap: Heap, a_day: Array, days: float) -> Array:
    """Counted from the day that nine tenths of what is in were in."""
    began = float(np.median(progress(heap, Drawing(None), days)))
    own = float(np.median(pace(heap, Drawing(None))))
    gone = began / own if own > 0 else 0.0
    return np.asarray((1 / np.maximum(a_day, 1e-6) - gone) / 7)


@dataclass(frozen=True)
class Done:
    """What was done with a heap, and when."""

    kind: str
    on: date


@dataclass(frozen=True)
class HeapStep:
    """Something to do with a heap: what, in words, and from when on."""

    kind: StepKind
    words: str
    on: date


def heap_steps(heap: Heap, begun: date, today: date, done: Sequence[Done]) -> tuple[HeapStep, ...]:
    """What a heap wants, the most pressing first; what is due lies on or before ``today``.

    Parameters
    ----------
    heap : Heap
        As it stands, with the air's mean warmth since it was begun.
    begun, today : date
        When it was begun, and today.
    done : sequence of Done
        Kinds ``turn``, ``wet``, ``cover``, ``beans`` (sown) and ``read_beans``.
    """
    last = {one.kind: one.on for one in sorted(done, key=lambda one: one.on)}
    far = float(progress(heap, Drawing(None), (today - begun).days)[0])
    found = _beans(heap, begun, today, last)
    if far >= 1 and heap.method != "trench":
        found.append(HeapStep("empty", "ready: look, then empty it", today))
    wet = next((one for one in heap_lacks(heap) if one.material is None), None)
    if wet is not None and far < 1:
        found.append(HeapStep("wet", f"water it: {shown.litres(wet.amount, 2)}", today))
    if heap.runs_as in _TURNED and far < _RESTS_FROM and not _stands_still(heap):
        every = timedelta(days=round(heap_figure("turn_days", heap.runs_as).typ))
        on = max(last.get("turn", begun), begun) + every
        found.append(HeapStep("turn", "turn it", on))
    return tuple(found)


def _beans(heap: Heap, begun: date, today: date, last: dict[str, date]) -> list[HeapStep]:
    """A bean test of what is suspect: sown once, read after three weeks."""
    if not heap.suspect or "read_beans" in last:
        return []
    if "beans" not in last:
        return [HeapStep("beans", "may hold weedkiller: sow a bean test", max(begun, today))]
    on = last["beans"] + timedelta(days=_BEANS_D[0])
    return [HeapStep("read_beans", "read the bean test", on)]


def _stands_still(heap: Heap) -> bool:
    return heap.runs_as not in HEATED and heap.temperature_c < heap_figure("stops_c").typ


@dataclass(frozen=True)
class Emptied:
    """A heap as a feed of its own: kg, kg a litre, percent of the fresh mass by element.

    ``season_n`` is the percent of its nitrogen that a crop gets in the first season;
    ``tokens`` are what rules name it by: the worst of what went in.
    """

    like: Material
    kg: float
    kg_per_l: float
    percent: tuple[tuple[str, float], ...]
    season_n: float
    tokens: frozenset[str]


def emptied(
    heap: Heap, days: float, test: HomeTest, washed: int = 0, seed: int | None = 1
) -> Emptied:
    """What a heap is once it is taken out, emptied early or not.

    Parameters
    ----------
    heap : Heap
        With all that went in.
    days : float
        Since it was begun: before it is ready, losses scale with how far it is.
    test : HomeTest
        What was weighed, dried and read.
    washed : int
        Volumes of water that were run through it: salts go, potassium too.
    seed : int or None
        None for typical figures without draws.

    Raises
    ------
    DaceError
        On ``method`` of a trench; on ``washed``.
    """
    if not 0 <= washed <= 2:
        raise DaceError("washed", f"{washed} volumes", "0, 1 or 2 would do")
    figures = Drawing(seed)
    far = min(1.0, float(np.median(progress(heap, figures, days))))
    found = finished(heap, figures, far)
    percent = {name: float(np.median(one)) for name, one in corrected(heap, found, test).items()}
    for name in _SALTS:
        if name in percent:
            percent[name] *= salt_left(washed)
    like = like_of(heap)
    density = float(np.median(found.kg / found.litres))
    return Emptied(
        like=like,
        kg=float(np.median(found.kg)),
        kg_per_l=test.kg_per_l or density,
        percent=tuple((name, percent[name]) for name in ELEMENTS if name in percent),
        season_n=float(np.median(found.first_season_percent)),
        tokens=heap_tokens(heap, days),
    )


def heap_tokens(heap: Heap, days: float) -> frozenset[str]:
    """What rules name a heap's own compost by: the worst of what went in, till it is disproved.

    >>> dung = HeapInput(material("horse_fresh"), 100, known=True)
    >>> stack = Heap("manure_stack", (dung,), temperature_c=10)
    >>> sorted(heap_tokens(stack, 7 * 23)), sorted(heap_tokens(stack, 7 * 25))
    (['family:manure', 'heap:hot', 'heap:raw'], ['family:manure', 'heap:raw'])
    """
    found = {f"family:{like_of(heap).family}"}
    if heap.raw_manure:
        found.add("heap:raw")
    if heap.suspect:
        found.add("heap:suspect")
    if any(days < 7 * weeks for weeks in hot_weeks(heap)):
        found.add("heap:hot")
    return frozenset(found)


def hot_weeks(heap: Heap) -> tuple[float, ...]:
    """Weeks until the dung in a heap no longer burns roots, by its animals."""
    animals = {one.material.key.rsplit("_", 1)[0].removesuffix("_layer") for one in heap.inputs}
    return tuple(
        not_hot_weeks(animal, heap.temperature_c, None).value
        for animal in sorted(animals & set(ANIMALS))
    )
