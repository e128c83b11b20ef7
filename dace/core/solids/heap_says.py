"""What a heap is told: what holds it back, and what it may not be used for."""

from __future__ import annotations

from dace.core.advice import Advice, Severity
from dace.core.advice.cautions import cautions
from dace.core.solids.heap import WOOD, Heap
from dace.core.solids.heap_figures import HEATED, heap_figure

_WET, _DRY = 0.65, 0.45
_MUCH_RAIN_MM = 200.0
_SOURCE = "composting handbook"


def heap_says(heap: Heap) -> tuple[Advice, ...]:
    """All that is to be said of a heap as it stands, what hurts people first."""
    said = []
    if heap.raw_manure:
        said.append(
            cautions()["raw_manure_harvest_interval"].said("Raw manure: 120 days to picking")
        )
    if heap.suspect:
        said.append(
            cautions()["persistent_herbicide_bioassay"].said("It may hold weedkiller: bean test")
        )
    return (*said, *_moisture(heap), *_ratio(heap), *_warmth(heap), *_rain(heap))


def _care(key: str, title: str, text: str, severity: Severity = "care") -> Advice:
    return Advice(key, severity, title, text, _SOURCE, "")


def _moisture(heap: Heap) -> list[Advice]:
    percent = round(100 * heap.sums.moisture)
    if heap.sums.moisture > _WET:
        text = f"It is {percent} % water: mix in straw or cardboard."
        return [_care("heap_too_wet", "Too wet", text)]
    if heap.sums.moisture < _DRY:
        text = f"It is {percent} % water and hardly rots: water it."
        return [_care("heap_too_dry", "Too dry", text)]
    return []


def _ratio(heap: Heap) -> list[Advice]:
    ratio = heap.sums.c_to_n
    if all(one.material.key in WOOD for one in heap.inputs):
        text = "Wood alone stands for years: mix in grass, dung or kitchen scraps."
        return [_care("heap_wood_alone", "Wood alone", text)]
    if heap.method in ("trench", "leaf_heap") or ratio is None:
        return []
    band = heap_figure("start_c_to_n", heap.method)
    if ratio < band.low:
        text = f"C:N {ratio:.0f}: nitrogen goes off as ammonia. Mix in straw."
        return [_care("heap_too_rich", "Too rich", text)]
    if ratio > band.high:
        text = f"C:N {ratio:.0f}: it rots slowly. Mix in grass or dung."
        return [_care("heap_too_woody", "Too much straw", text)]
    return []


def _warmth(heap: Heap) -> list[Advice]:
    said = []
    if heap.runs_as != heap.method:
        litres = heap_figure("heat_volume").typ
        text = f"Under {litres:.0f} L it will not heat: it counts as a cold heap."
        said.append(_care("heap_too_small", "Too small to heat", text))
    if heap.runs_as not in HEATED and heap.temperature_c < heap_figure("stops_c").typ:
        text = f"At {heap.temperature_c:.0f} °C it stands still until spring."
        said.append(_care("heap_too_cold", "Too cold to rot", text, "info"))
    return said


def _rain(heap: Heap) -> list[Advice]:
    if heap.cover != "open" or heap.rain_mm < _MUCH_RAIN_MM or heap.method == "trench":
        return []
    each = heap_figure("rain_lost", "open", "K").typ
    percent = round(100 * (1 - (1 - each) ** (heap.rain_mm / 300)))
    text = f"{heap.rain_mm:.0f} mm of rain takes {percent} % of the potassium: cover it."
    return [_care("heap_open_in_rain", "Open in the rain", text)]
