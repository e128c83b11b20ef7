"""A heap as the page draws it."""

from __future__ import annotations

from typing import cast

import numpy as np

from dace.core import api as core
from dace.core.api import NUTRIENTS, DaceError, Drawing, Heap, HeapInput, Result, say, shown
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import steps_out
from dace.desks.solids.schemas import Colour, HeapIn, HeapLayerOut, HeapOut, ShareOut

_COLOURS = {"carbon_rich": "brown", "manure": "dung", "compost": "dung", "rock_mineral": "mineral",
            "mineral_salt": "mineral", "growing_medium": "dung"}  # fmt: skip


def heap_of(asked: HeapIn, measures: str) -> HeapOut:
    """Work out a heap as it is thought of; nothing is read but the garden's measures."""
    return heap_out(_heap(asked, measures), 7 * asked.weeks, core.HomeTest(asked.reading))


def heap_out(built: Heap, days: float, test: core.HomeTest) -> HeapOut:
    """A heap as it is drawn so many days after it was begun."""
    sums = built.sums
    told = HeapOut(
        layers=_layers(built),
        ratio="" if sums.c_to_n is None else f"{sums.c_to_n:.0f}",
        moisture=f"{100 * sums.moisture:.0f} %",
        add=[one.said for one in core.heap_lacks(built)],
        said=advice_out(list(core.heap_says(built))),
        warmth=core.heap_warmth(built),
        progress=float(np.median(core.progress(built, Drawing(1), days))),
        ready=core.ready_words(built, days),
        ready_test=core.heap_words("ready_test", built.runs_as),
        out="It is never taken out: what stays is soil.",
        shares=[],
        first_season="",
        reads="",
        working=[],
    )
    return told if built.method == "trench" else _with_what_comes_out(told, built, test)


def _with_what_comes_out(told: HeapOut, built: Heap, test: core.HomeTest) -> HeapOut:
    out = core.finished(built, Drawing(1))
    percent = core.corrected(built, out, test)
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
