"""A heap: what goes in, how fast it rots, and what comes out.

Notes
-----
In every draw, for each element: in = out + gas + rain + juice. Each term has a formula of its
own. Gas goes first, then what rain or juice washes out of what is left.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np

from dace.core.advice.cautions import cautions
from dace.core.draws.spreads import ends
from dace.core.errors import DaceError
from dace.core.matter.materials import ELEMENTS, Material
from dace.core.result import Result, Step, Working, say
from dace.core.solids.heap_figures import (
    BOXED,
    COVERS,
    HEATED,
    Array,
    Drawing,
    decay_class,
    decay_factor,
    heap_figure,
    method_named,
)

WOOD = ("wood_chips_arborist", "bark_fines", "sawdust", "hardwood_mulch_shredded")
_ASH = ("wood_ash_hardwood", "ground_limestone", "dolomite_lime", "eggshell_dry")
_ASH_SHARE, _ASH_RATIO = 0.01, 30.0
_JUICE_MOISTURE = 0.65
_LEAST_CARBON = 0.05
_RAIN_STEP_MM = 300.0
_READY_SHARE = 0.9
_WARM_C = 20.0
_MOST_KG = 100_000.0


@dataclass(frozen=True)
class HeapInput:
    """So much of a material, put on the heap on a day counted from its first.

    ``known`` is of ground whose weedkillers are known.
    """

    material: Material
    kg: float
    on: float = 0.0
    known: bool = False

    def __post_init__(self) -> None:
        if not 0 < self.kg <= _MOST_KG:
            raise DaceError("kg", f"{self.kg:g} kg", "a weight above 0 and under 100 t would do")

    @property
    def dry_kg(self) -> float:
        """Its dry matter [kg]."""
        return self.kg * self.material.dry_matter

    @property
    def carbon_kg(self) -> float:
        """Its organic carbon [kg], by the C:N of its kind; none where nobody gives one."""
        nitrogen = self.kg * self.material.percent_of("N").typ / 100
        return nitrogen * (self.material.c_to_n or 0.0)

    @property
    def inert(self) -> bool:
        """Whether a heap leaves it as it is: it stays out of the C:N."""
        return decay_class(self.material) == "inert"


@dataclass(frozen=True)
class Heap:
    """How a heap is kept, and all that went in.

    ``heat_record`` is written proof that every part was hot for long enough.
    """

    method: str
    inputs: tuple[HeapInput, ...]
    cover: str = "open"
    rain_mm: float = 0.0
    temperature_c: float = 20.0
    water_l: float = 0.0
    heat_record: bool = False

    def __post_init__(self) -> None:
        method_named(self.method)
        if self.cover not in COVERS:
            raise DaceError("cover", f"“{self.cover}”", f"{' or '.join(COVERS)} would do")
        if not self.inputs:
            raise DaceError("inputs", "an empty heap", "say what goes in and how much")
        if not 0 <= self.rain_mm <= 20_000:
            raise DaceError("rain_mm", f"{self.rain_mm:g} mm", "0 to 20000 mm would do")
        if not -40 <= self.temperature_c <= 60:
            raise DaceError("temperature_c", f"{self.temperature_c:g} C", "-40 to 60 would do")
        if not 0 <= self.water_l <= _MOST_KG:
            raise DaceError("water_l", f"{self.water_l:g} L", "0 L or more would do")

    @property
    def sums(self) -> Sums:
        """What it adds up to."""
        return sums_of(self.inputs, self.water_l)

    @property
    def runs_as(self) -> str:
        """The method that its figures are of: too small to heat, it is a cold heap."""
        if self.method != "hot_turned":
            return self.method
        litres = self.sums.kg / heap_figure("built_density", "hot_turned").typ
        return self.method if litres >= heap_figure("heat_volume").typ else "cold_unturned"

    @property
    def raw_manure(self) -> bool:
        """Whether it counts as raw manure: some went in, and no heat is proven."""
        rule = cautions()["raw_manure_harvest_interval"]
        went_in = any(rule.named(one.material.tokens) for one in self.inputs)
        return went_in and not (self.heat_record and self.runs_as == "hot_turned")

    @property
    def suspect(self) -> bool:
        """Whether a weedkiller may have come in with hay, lawn or dung that nobody knows."""
        rule = cautions()["persistent_herbicide_bioassay"]
        return any(rule.named(one.material.tokens) and not one.known for one in self.inputs)


@dataclass(frozen=True)
class Sums:
    """What went in [kg]: as it is, dry, water, carbon, and the nitrogen that the C:N counts.

    ``reachable`` is the carbon less half of the wood's, which a heap cannot reach in its time.
    """

    kg: float
    dry: float
    water: float
    carbon: float
    nitrogen: float
    reachable: float

    @property
    def c_to_n(self) -> float | None:
        """Carbon to nitrogen; None without nitrogen."""
        return self.carbon / self.nitrogen if self.nitrogen > 0 else None

    @property
    def moisture(self) -> float:
        """Share of the fresh mass that is water."""
        return self.water / (self.dry + self.water)


def sums_of(inputs: Sequence[HeapInput], water_l: float = 0.0) -> Sums:
    """What some inputs and water add up to.

    Examples
    --------
    >>> from dace.core.matter.materials import material
    >>> grass = HeapInput(material("grass_clippings"), 200)
    >>> straw = HeapInput(material("wheat_straw"), 60)
    >>> scraps = HeapInput(material("vegetable_scraps_mixed"), 50)
    >>> found = sums_of((grass, straw, scraps))
    >>> round(found.dry, 1), round(found.c_to_n, 1), round(100 * found.moisture, 1)
    (100.8, 23.0, 67.5)
    """
    rotting = [one for one in inputs if not one.inert]
    wood = heap_figure("wood_not_counted").typ
    carbon = sum(one.carbon_kg for one in rotting)
    return Sums(
        kg=sum(one.kg for one in inputs) + water_l,
        dry=sum(one.dry_kg for one in inputs),
        water=sum(one.kg - one.dry_kg for one in inputs) + water_l,
        carbon=carbon,
        nitrogen=sum(one.kg * one.material.percent_of("N").typ / 100 for one in rotting),
        reachable=carbon - wood * sum(o.carbon_kg for o in rotting if o.material.key in WOOD),
    )


def to_reach(found: Sums, c_to_n: float, material: Material) -> float:
    """How much of a material brings a heap to a C:N [kg].

    Raises
    ------
    DaceError
        On ``reach`` where it cannot: its own ratio lies on the wrong side.
    """
    if not 5 <= c_to_n <= 200:
        raise DaceError("reach", f"a C:N of {c_to_n:g}", "5 to 200 would do, such as 28")
    n = material.percent_of("N").typ / 100
    c = n * (material.c_to_n or 0.0)
    short, brought = found.carbon - c_to_n * found.nitrogen, c_to_n * n - c
    kg = short / brought if brought else -1.0
    if abs(short) < 1e-9:
        return 0.0
    if kg < 0:
        side = "more carbon, such as straw" if short < 0 else "more nitrogen, such as grass"
        said = f"a C:N of {c_to_n:g} with {material.name.lower()}"
        raise DaceError("reach", said, f"take something with {side}")
    return kg


def water_to(found: Sums, moisture: float) -> float:
    """Water that brings a heap to a moisture [L]; below 0 where it is too wet already."""
    return moisture / (1 - moisture) * found.dry - found.water


def dry_to(found: Sums, moisture: float, material: Material) -> float | None:
    """How much of a dry material brings a wet heap to a moisture [kg]; None where it is too wet."""
    dries = moisture + material.dry_matter - 1
    if dries <= 0:
        return None
    return max(0.0, ((1 - moisture) * found.water - moisture * found.dry) / dries)


def pace(heap: Heap, figures: Drawing) -> Array:
    """How much of a heap's way a day goes, shape (draws,): 1 is ready."""
    method, sums = heap.runs_as, heap.sums
    stops = figures.factor("stops_c", heap_figure("stops_c"))
    q10 = figures.factor("ready_q10", heap_figure("ready_q10", method))
    weeks = figures.factor("ready_weeks", heap_figure("ready_weeks", method))
    warm = q10 ** ((heap.temperature_c - _WARM_C) / 10)
    if method not in HEATED:
        warm = np.where(heap.temperature_c < stops, 0.0, warm)
    moist = figures.along("moisture_pace", np.array([100 * sums.moisture]))
    carbon = figures.along("carbon_pace", np.array([sums.c_to_n or 0.0]))
    return np.asarray(warm * moist * carbon / (7 * weeks))


def progress(heap: Heap, figures: Drawing, days: float) -> Array:
    """How far a heap is after so many days, shape (draws,): that of nine tenths of its dry matter.

    Each input runs a clock of its own, from the day on which it was put on.
    """
    order = sorted(heap.inputs, key=lambda one: one.on)
    upto = np.cumsum([one.dry_kg for one in order])
    last = order[int(np.searchsorted(upto, _READY_SHARE * upto[-1] - 1e-9))]
    return np.minimum(1.0, pace(heap, figures) * max(0.0, days - last.on))


@dataclass(frozen=True)
class Balance:
    """Where each element went [kg], shape (draws,): ``put`` = out + gas + rain + juice."""

    put: Mapping[str, Array]
    out: Mapping[str, Array]
    gas: Mapping[str, Array]
    rain: Mapping[str, Array]
    juice: Mapping[str, Array]


@dataclass(frozen=True)
class Finished:
    """What a heap comes to, shape (draws,) each: masses [kg], litres, ratio and percentages."""

    dry_lost: Array
    dry: Array
    kg: Array
    litres: Array
    c_to_n: Array
    percent: Mapping[str, Array]
    first_season_percent: Array
    balance: Balance


def finished(heap: Heap, figures: Drawing, far: float = 1.0) -> Finished:
    """What comes out of a heap once it is ready, whatever the week.

    Parameters
    ----------
    heap : Heap
        With all that went in.
    figures : Drawing
        Typical figures, or draws of them.
    far : float
        How far it is when it is emptied early: losses scale with it.

    Raises
    ------
    DaceError
        On ``method`` of a trench, which is never taken out.
    """
    method = heap.runs_as
    if method == "trench":
        raise DaceError("method", "a trench", "it is never taken out: what stays is soil")
    sums = heap.sums
    lost = far * _dry_lost(heap, method, figures)
    dry = sums.dry - lost
    carbon_lost = figures.share("carbon_of_dry_lost", heap_figure("carbon_of_dry_lost")) * lost
    carbon = np.maximum(sums.carbon - carbon_lost, _LEAST_CARBON * sums.carbon)
    balance = _balance(heap, method, figures, far)
    nitrogen = balance.out["N"]
    ratio = carbon / np.maximum(nitrogen, 1e-12)
    if method not in BOXED:
        dry = dry / (1 - figures.share("soil_carried_in", heap_figure("soil_carried_in")))
    kg = dry / (1 - figures.share("end_moisture", heap_figure("end_moisture", method)))
    mineral = 100 * figures.share("mineral_end", heap_figure("n_mineral_share_end", method))
    floor = np.where(ratio > _STARVED_RATIO, _STARVED_PART, 1.0) * mineral
    return Finished(
        dry_lost=lost,
        dry=dry,
        kg=kg,
        litres=kg / figures.factor("end_density", heap_figure("end_density", method)),
        c_to_n=ratio,
        percent={name: 100 * left / kg for name, left in balance.out.items()},
        first_season_percent=np.maximum(figures.along("first_season_n_pct", ratio), floor),
        balance=balance,
    )


_STARVED_RATIO, _STARVED_PART = 20.0, 0.4


def _dry_lost(heap: Heap, method: str, figures: Drawing) -> Array:
    """Dry matter that is gone [kg]."""
    most = figures.share("dry_lost_ceiling", heap_figure("dry_lost_ceiling"))
    whole = figures.share("dry_lost", heap_figure("dry_lost", method))
    lost = np.zeros(figures.count)
    for one in heap.inputs:
        rate = decay_class(one.material)
        factor = figures.factor(f"decay_factor.{rate}", decay_factor(method, rate))
        lost += one.dry_kg * np.minimum(most, whole * factor)
    return lost


def gas_share(heap: Heap, method: str, figures: Drawing) -> Array:
    """Share of the nitrogen that goes as gas, by the C:N of all that is in."""
    sums = heap.sums
    ratio = np.array([sums.c_to_n or 0.0])
    factor = figures.factor("n_lost_factor", heap_figure("n_lost_factor", method))
    share = figures.along("n_lost", ratio) * factor
    ash = sum(one.kg for one in heap.inputs if one.material.key in _ASH)
    if ash > _ASH_SHARE * sums.kg and ratio[0] < _ASH_RATIO:
        share = share * figures.factor("n_lost_ash", heap_figure("n_lost_ash"))
    most = figures.share("n_lost_ceiling", heap_figure("n_lost_ceiling"))
    return np.asarray(np.minimum(share, most))


def _balance(heap: Heap, method: str, figures: Drawing, far: float) -> Balance:
    gas_of_n = far * gas_share(heap, method, figures)
    put, out, gas, rain, juice = ({}, {}, {}, {}, {})
    for name in ELEMENTS:
        whole = np.zeros(figures.count)
        for one in heap.inputs:
            found = one.material.percent_of(name)
            whole = whole + one.kg / 100 * figures.factor(f"{one.material.key}.{name}", found)
        flies = gas_of_n if name == "N" else np.zeros(figures.count)
        by_rain, by_juice = _washed(name, heap, method, figures)
        stays = whole * (1 - flies)
        put[name] = whole
        gas[name] = whole * flies
        rain[name] = stays * by_rain
        juice[name] = stays * by_juice
        out[name] = stays * (1 - by_rain) * (1 - by_juice)
    return Balance(put, out, gas, rain, juice)


def _washed(name: str, heap: Heap, method: str, figures: Drawing) -> tuple[Array, Array]:
    """Shares that rain washes out and that run off as juice: the one in the open, or the other."""
    none = np.zeros(figures.count)
    if heap.cover == "open" and method not in BOXED:
        each = figures.share(f"rain_lost.{name}", heap_figure("rain_lost", "open", name))
        return np.asarray(1 - (1 - each) ** (heap.rain_mm / _RAIN_STEP_MM)), none
    if method == "worm_bin" and name == "K":
        return none, figures.share("worm_juice", heap_figure("worm_juice_lost", "worm_bin", "K"))
    if heap.sums.moisture <= _JUICE_MOISTURE:
        return none, none
    return none, figures.share(f"seep_lost.{name}", heap_figure("seep_lost", "covered", name))


def result_of(values: Array, unit: str, working: Working = ()) -> Result:
    """Draws as a middle with its 10 and 90 % ends."""
    low, likely, high = ends(values, (0.1, 0.5, 0.9))
    return Result(likely, low, high, unit, working)


def heap_working(heap: Heap) -> Working:
    """How the typical heap comes out, step by step in the gardener's own figures."""
    sums, figures = heap.sums, Drawing(seed=None)
    found, method = finished(heap, figures), heap.runs_as
    soil = 0.0 if method in BOXED else heap_figure("soil_carried_in").typ
    end = heap_figure("end_moisture", method).typ
    dry_in = " + ".join(f"{say(one.kg)} × {say(one.material.dry_matter)}" for one in heap.inputs)
    nitrogen = float(found.balance.put["N"][0])
    gas = float(found.balance.gas["N"][0])
    washed = float(found.balance.rain["N"][0] + found.balance.juice["N"][0])
    said = "composting handbook"
    return (
        Step("dry matter that went in", dry_in, sums.dry, "kg", said, "medium"),
        Step("carbon to nitrogen", f"{say(sums.carbon)} ÷ {say(sums.nitrogen)}",
             sums.c_to_n or 0.0, "", said, "medium"),
        Step("dry matter that rots away", "", float(found.dry_lost[0]), "kg", said, "low"),
        Step("nitrogen that goes as gas", "", gas, "kg", said, "low"),
        Step("nitrogen that water takes", "", washed, "kg", said, "low"),
        Step("nitrogen that is left", f"{say(nitrogen)} − {say(gas)} − {say(washed)}",
             float(found.balance.out["N"][0]), "kg"),
        Step("what comes out",
             f"({say(sums.dry)} − {say(float(found.dry_lost[0]))}) ÷ (1 − {say(soil)})"
             f" ÷ (1 − {say(end)})", float(found.kg[0]), "kg", "with earth and water", "low"),
    )  # fmt: skip
