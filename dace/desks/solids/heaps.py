"""A heap as the page draws it."""

from __future__ import annotations

from typing import cast

import numpy as np
from numpy.typing import NDArray

from dace.core import api as core
from dace.core.api import NUTRIENTS, DaceError, Drawing, Heap, HeapInput, Result, say, shown
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import steps_out
from dace.desks.solids.schemas import Colour, HeapIn, HeapLayerOut, HeapOut, ShareOut

_COLOURS = {"carbon_rich": "brown", "manure": "dung", "compost": "dung", "rock_mineral": "mineral",
            "mineral_salt": "mineral", "growing_medium": "dung"}  # fmt: skip
_CARRIER = "wheat_straw"
_GREEN = "grass_clippings"
_LIVELY = 0.02


def heap_of(asked: HeapIn, measures: str) -> HeapOut:
    """Work out a heap; nothing is read but the garden's measures."""
    built, figures = _heap(asked, measures), Drawing(1)
    sums = built.sums
    progress = float(np.median(core.progress(built, figures, 7 * asked.weeks)))
    a_day = core.pace(built, figures)
    told = HeapOut(
        layers=_layers(built),
        ratio="" if sums.c_to_n is None else f"{sums.c_to_n:.0f}",
        moisture=f"{100 * sums.moisture:.0f} %",
        add=_lacks(built),
        said=advice_out(list(core.heap_says(built))),
        warmth=_warmth(built),
        progress=progress,
        ready=_ready(a_day, progress, asked.weeks),
        ready_test=core.heap_words("ready_test", built.runs_as),
        out="It is never taken out: what stays is soil.",
        shares=[],
        first_season="",
        reads="",
        working=[],
    )
    return told if built.method == "trench" else _with_what_comes_out(told, built, asked)


def _with_what_comes_out(told: HeapOut, built: Heap, asked: HeapIn) -> HeapOut:
    out = core.finished(built, Drawing(1))
    percent = core.corrected(built, out, core.HomeTest(asked.reading))
    kg, litres = core.result_of(out.kg, "kg"), core.result_of(out.litres, "L")
    season = core.result_of(out.first_season_percent, "%")
    reads = core.result_of(core.expected_ec(built, out), "mS/cm")
    return told.model_copy(
        update={
            "out": f"About {shown.grams(1000 * kg.value, 2)}, {shown.litres(litres.value, 2)}",
            "shares": [_share(name, core.result_of(percent[name], "%")) for name in NUTRIENTS],
            "first_season": f"A crop gets {say(season.value, 2)} % of its nitrogen in a season.",
            "reads": f"One part in five of water reads {shown.ec_span(reads.low, reads.high)}.",
            "working": steps_out(core.heap_working(built)),
        }
    )


def _share(name: str, found: Result) -> ShareOut:
    low, high = say(found.low, 2), say(found.high, 2)
    return ShareOut(name=name, text=f"{say(found.value, 2)} %", range_text=f"{low} to {high} %")


def _heap(asked: HeapIn, measures: str) -> Heap:
    inputs = []
    for at, row in enumerate(asked.inputs):
        found = core.material(row.material)
        try:
            kg = core.amount_kg(row.amount, found, measures)
            inputs.append(HeapInput(found, kg, known=row.known))
        except DaceError as error:
            raise DaceError(f"inputs.{at}.amount", error.read, error.would_do) from None
    return Heap(
        method=asked.method,
        inputs=tuple(inputs),
        cover="covered" if asked.covered else "open",
        rain_mm=asked.rain_mm,
        temperature_c=asked.temperature_c,
    )


def _layers(built: Heap) -> list[HeapLayerOut]:
    """As they were put on, the first lowest; as high as they lie loose."""
    litres = [one.kg / one.material.density_g_per_ml for one in built.inputs]
    return [
        HeapLayerOut(
            material=one.material.key,
            name=one.material.name,
            amount=shown.grams(1000 * one.kg, 2),
            share=high / sum(litres),
            colour=cast(Colour, _COLOURS.get(one.material.family, "green")),
        )
        for one, high in zip(built.inputs, litres, strict=True)
    ]


def _lacks(built: Heap) -> list[str]:
    """What would bring it right: its C:N first, then its water."""
    said, inputs, sums = [], built.inputs, built.sums
    if built.method not in ("trench", "leaf_heap"):
        wanted = core.heap_figure("start_c_to_n", built.method)
        ratio = sums.c_to_n
        if ratio is not None and not wanted.low <= ratio <= wanted.high:
            key = _CARRIER if ratio < wanted.low else _GREEN
            found = core.material(key)
            kg = core.to_reach(sums, wanted.typ, found)
            inputs = (*inputs, HeapInput(found, kg))
            name = found.name.split(",")[0].lower()
            bales = f", {say(kg / core.BALE_KG, 2)} bales" if key == _CARRIER else ""
            said.append(f"{shown.grams(1000 * kg, 2)} of {name}{bales}")
    sums = Heap(built.method, inputs).sums
    moist = core.heap_figure("start_moisture", built.method)
    if sums.moisture < moist.low:
        said.append(f"{shown.litres(core.water_to(sums, moist.typ), 2)} of water")
    elif sums.moisture > moist.high:
        kg = core.dry_to(sums, moist.high, core.material(_CARRIER)) or 0.0
        said.append(f"{shown.grams(1000 * kg, 2)} of straw more, to dry it")
    return said


def _warmth(built: Heap) -> float:
    """How warm its middle gets, 0 at the air's warmth and 1 at what the hottest reaches."""
    if built.method == "trench":
        return 0.0
    hottest = core.heap_figure("peak_c", "hot_turned").high
    peak = core.heap_figure("peak_c", built.runs_as).typ
    lively = float(core.pace(built, Drawing(None))[0]) * 7
    return max(0.0, min(1.0, (peak - 10) / (hottest - 10))) if lively > _LIVELY else 0.1


def _ready(a_day: NDArray[np.float64], progress: float, weeks: float) -> str:
    if progress >= 1:
        return "Ready, by its weeks: see how it looks"
    if float(np.median(a_day)) <= 0:
        return "It stands still at this warmth"
    found = core.result_of(1 / (7 * np.maximum(a_day, 1e-6)), "weeks")
    low, likely, high = (max(0.0, one - weeks) for one in (found.low, found.value, found.high))
    if likely > _MOST_WEEKS:
        return "Not for years as it is"
    return f"Ready in about {likely:.0f} weeks ({low:.0f} to {high:.0f})"


_MOST_WEEKS = 150
