"""Calculators of what is made of solids: plain JSON in, plain JSON out."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

import numpy as np

from dace.core.api import (
    ANIMALS,
    NUTRIENTS,
    BeanPot,
    DaceError,
    Drawing,
    Heap,
    HeapInput,
    HomeTest,
    Result,
    SoilMixAsked,
    corrected,
    dry_to,
    expected_ec,
    finished,
    given_by,
    heap_figure,
    heap_says,
    heap_working,
    material,
    mulch_for,
    not_hot_weeks,
    pace,
    progress,
    result_of,
    soil_mix,
    to_reach,
    water_to,
)
from dace.core.api import bean_test as judge_beans
from dace.core.shell.json_in import Json, entries, json_object, number, rows, text

_BY_SHORT_NAME = {
    "coir": "coir_moist", "peat": "peat_mix", "topsoil": "topsoil_screened",
    "soil": "topsoil_screened", "bark": "bark_fines", "compost": "garden_compost",
    "castings": "worm_castings", "sand": "horticultural_sand",
    "wood_chips": "wood_chips_arborist", "biochar": "biochar_uncharged",
}  # fmt: skip
_USES = {"pots": "hungry_pots", "seedlings": "seed", "bed": "raised_bed"}
_MOST_INPUTS, _MOST_DAYS = 200, 800


def _seed(given: Json) -> int | None:
    if "seed" in given and given["seed"] is None:
        return None
    found = number(given.get("seed", 1), "seed")
    if not 0 <= found < 2**32:
        raise DaceError("seed", f"{found:g}", "a whole number of 0 or more would do, or null")
    return int(found)


def _of(found: Result) -> Json:
    return {"low": found.low, "likely": found.value, "high": found.high}


def heap(given: Json) -> Json:
    """A heap as it is built, and what comes out; see ``docs/computation.md`` for the shape.

    >>> grass = {"material": "grass_clippings", "kg": 200}
    >>> straw = {"material": "wheat_straw", "kg": 96.2}
    >>> found = heap({"method": "hot_turned", "inputs": [grass, straw], "seed": None})
    >>> round(found["c_to_n"], 1)
    28.7
    """
    seed = _seed(given)
    built = _heap(given)
    figures, typical = Drawing(seed), Drawing(None)
    sums = built.sums
    days = 7 * number(given.get("weeks", 0), "weeks")
    a_day = pace(built, figures)
    ready = 1 / (7 * np.maximum(a_day, 1e-9)) if float(np.max(a_day)) > 0 else None
    told = {
        "c_to_n": sums.c_to_n,
        "c_to_n_reachable": sums.reachable / sums.nitrogen if sums.nitrogen > 0 else None,
        "moisture_percent": 100 * sums.moisture,
        "kg": sums.kg,
        "litres": _litres_built(built),
        "runs_as": built.runs_as,
        **_to_add(given, built),
        "progress": float(np.median(progress(built, figures, days))),
        "ready_weeks": None if ready is None else _of(result_of(ready, "weeks")),
        "not_hot_weeks": _not_hot(built, seed),
        "cautions": [asdict(one) for one in heap_says(built)],
    }
    if built.method == "trench":
        return {**told, "out": None, "ec_1_5_expected": None, "working": []}
    if told["add_kg"]:
        told["with_added"] = _with_added(given, told["add_kg"], days)
    out = finished(built, figures)
    tested = corrected(built, out, _test(given))
    percent = {name: result_of(tested[name], "%") for name in NUTRIENTS}
    return {
        **told,
        "out": {
            "kg": result_of(out.kg, "kg").value,
            "litres": result_of(out.litres, "L").value,
            "c_to_n": result_of(out.c_to_n, "").value,
            "percent": {name: one.value for name, one in percent.items()},
            "first_season_n_percent": result_of(out.first_season_percent, "%").value,
            "raw_manure": built.raw_manure,
            "suspect": built.suspect,
            "ranges": {
                "kg": _of(result_of(out.kg, "kg")),
                "litres": _of(result_of(out.litres, "L")),
                "c_to_n": _of(result_of(out.c_to_n, "")),
                "percent": {name: _of(one) for name, one in percent.items()},
                "first_season_n_percent": _of(result_of(out.first_season_percent, "%")),
            },
        },
        "ec_1_5_expected": result_of(expected_ec(built, out), "mS/cm").value,
        "balance_kg": _balance(finished(built, typical).balance),
        "working": [asdict(step) for step in heap_working(built)],
    }


def _with_added(given: Json, kg: float, days: float) -> Json:
    """What the heap comes to once what it lacks is in, typically."""
    more = {"material": json_object(given, "reach")["with"], "kg": kg}
    built, typical = _heap(given | {"inputs": [*rows(given, "inputs"), more]}), Drawing(None)
    out = finished(built, typical)
    return {
        "c_to_n": built.sums.c_to_n,
        "moisture_percent": 100 * built.sums.moisture,
        "kg": built.sums.kg,
        "progress": float(progress(built, typical, days)[0]),
        "out": {
            "kg": float(out.kg[0]),
            "litres": float(out.litres[0]),
            "c_to_n": float(out.c_to_n[0]),
            "percent": {name: float(out.percent[name][0]) for name in NUTRIENTS},
            "first_season_n_percent": float(out.first_season_percent[0]),
        },
    }


def _balance(found: Any) -> Json:
    """Typically, by element: what went in, and where it went."""
    terms = ("put", "out", "gas", "rain", "juice")
    return {
        name: {term: float(getattr(found, term)[name][0]) for term in terms} for name in NUTRIENTS
    }


def _heap(given: Json) -> Heap:
    record = given.get("heat_record", False)
    if not isinstance(record, bool):
        raise DaceError("heat_record", repr(record)[:60], "true or false would do")
    return Heap(
        method=text(given, "method"),
        inputs=tuple(_input(row) for row in rows(given, "inputs")[:_MOST_INPUTS]),
        cover=str(given.get("cover", "open")),
        rain_mm=number(given.get("rain_mm", 0), "rain_mm"),
        temperature_c=number(given.get("temperature_c", 20), "temperature_c"),
        water_l=number(given.get("water_l", 0), "water_l"),
        heat_record=record,
    )


def _input(row: Json) -> HeapInput:
    found = material(text(row, "material"))
    if "kg" in row:
        kg = number(row["kg"], "kg")
    elif "litres" in row:
        kg = number(row["litres"], "litres") * found.density_g_per_ml
    else:
        raise DaceError("kg", f"{found.name} without an amount", "say its kg or its litres")
    return HeapInput(found, kg, number(row.get("on", 0), "on"), row.get("known") is True)


def _litres_built(built: Heap) -> float | None:
    """As it stands a night after it was built; None of a trench."""
    if built.method == "trench":
        return None
    return built.sums.kg / heap_figure("built_density", built.method).typ


def _to_add(given: Json, built: Heap) -> Json:
    """What brings it to the C:N that is wanted, and then to the moisture that suits it."""
    sums, found = built.sums, {"add_kg": 0.0, "add_dry_kg": 0.0}
    carrier = material("wheat_straw")
    if "reach" in given:
        reach = json_object(given, "reach")
        carrier = material(text(reach, "with"))
        kg = to_reach(sums, number(reach.get("c_to_n"), "reach.c_to_n"), carrier)
        found["add_kg"] = kg
        if kg > 0:
            more = (*built.inputs, HeapInput(carrier, kg))
            sums = Heap(built.method, more, water_l=built.water_l).sums
    wanted = heap_figure("start_moisture", built.method)
    found["add_water_l"] = max(0.0, water_to(sums, wanted.typ))
    if sums.moisture > wanted.high:
        found["add_dry_kg"] = dry_to(sums, wanted.high, carrier) or 0.0
    return dict(found)


def _not_hot(built: Heap, seed: int | None) -> Json | None:
    """Weeks until a stack of manure burns no roots; None of any other heap."""
    if built.method != "manure_stack":
        return None
    keys = [one.material.key for one in built.inputs]
    animals = [animal for animal in ANIMALS if any(key.startswith(animal) for key in keys)]
    found = [not_hot_weeks(animal, built.temperature_c, seed) for animal in animals]
    return _of(max(found, key=lambda one: one.value)) if found else None


def _test(given: Json) -> HomeTest:
    told = json_object(given, "test") if "test" in given else {}

    def maybe(name: str) -> float | None:
        return number(told[name], f"test.{name}") if name in told else None

    return HomeTest(maybe("ec_1_5_ms_cm"), maybe("kg_per_l"), maybe("dry_matter_percent"))


def mix_of_soil(given: Json) -> Json:
    """A soil mix; see ``docs/computation.md`` for the shape.

    >>> parts = {"coir": 4, "garden_compost": 3, "bark": 1, "castings": 1, "perlite": 1}
    >>> found = mix_of_soil({"litres": 40, "parts": parts, "use": "pots", "seed": None})
    >>> round(found["litres_of"]["coir"], 1), round(found["at_once_mg_l"]["N"])
    (17.2, 123)
    """
    told = json_object(given, "parts")
    parts = {_BY_SHORT_NAME.get(k, k): (k, number(v, f"parts.{k}")) for k, v in told.items()}
    use = str(given.get("use", "potting_on"))
    dry = json_object(given, "dry_g_per_l") if "dry_g_per_l" in given else {}
    found = soil_mix(
        SoilMixAsked(
            number(given.get("litres"), "litres"),
            tuple((key, amount) for key, (_, amount) in parts.items()),
            tuple((str(k), number(v, f"dry_g_per_l.{k}")) for k, v in dry.items()),
            _USES.get(use, use),
        ),
        _seed(given),
    )
    return {
        "litres_of": {parts[key][0]: litres for key, litres in found.litres_of},
        "shrinkage": found.shrinkage,
        "holding": found.holding.value,
        "pore_ec_ms_cm": found.pore_ec.value,
        "ph": found.ph,
        "at_once_mg_l": dict(found.at_once),
        "slow_mg_l": dict(found.slow),
        "n_taken_mg_l": found.taken,
        "ranges": {"holding": _of(found.holding), "pore_ec_ms_cm": _of(found.pore_ec)},
        "breaks": [
            {"rule": one.rule, "limit": one.limit, "is": one.found, "severity": one.severity,
             "reason": one.reason}
            for one in found.breaks
        ],
    }  # fmt: skip


def green_manure(given: Json) -> Json:
    """What a green manure gives; see ``docs/computation.md`` for the shape.

    >>> found = green_manure({"key": "winter_vetch", "area_m2": 4, "stand": "flower"})
    >>> round(found["n_g"], 1), round(found["from_air_g"], 1), round(found["next_crop_g"], 1)
    (56.4, 42.3, 25.4)
    """
    dug_in = given.get("dug_in", True)
    if not isinstance(dug_in, bool):
        raise DaceError("dug_in", repr(dug_in)[:60], "true or false would do")
    days = [_mean_c(row, at) for at, row in enumerate(entries(given, "days", _MOST_DAYS))]
    found = given_by(
        text(given, "key"),
        number(given.get("area_m2"), "area_m2"),
        str(given.get("stand", "flower")),
        dug_in,
        days or number(given.get("temperature_c", 15), "temperature_c"),
        int(number(given.get("weeks", 12), "weeks")),
    )
    return {
        "n_g": found.nitrogen,
        "from_air_g": found.from_air,
        "from_bed_g": found.from_bed,
        "next_crop_g": found.next_crop,
        "by_week_g": list(found.by_week),
        "taken_g": found.taken,
        "minerals_g": dict(found.minerals),
        "wait_weeks": found.kind.wait_weeks(found.stand, dug_in),
        "caution": found.kind.row.text("caution"),
    }


def _mean_c(row: Any, at: int) -> float:
    """A day's mean: a number, or the middle of a row such as ``2026-05-01, 8, 17``."""
    field = f"days[{at}]"
    if not isinstance(row, list):
        return number(row, field)
    if len(row) < 3:
        raise DaceError(field, repr(row)[:60], "a row such as 2026-05-01, 8, 17 would do")
    return (number(row[1], field) + number(row[2], field)) / 2


def mulch(given: Json) -> Json:
    """A mulch for a bed; see ``docs/computation.md`` for the shape.

    >>> found = mulch({"material": "wheat_straw", "area_m2": 6, "settled_mm": 75, "bin_l": 240})
    >>> round(found["loose_mm"]), round(found["litres"]), found["bins"], round(found["kg"])
    (167, 1000, 5, 50)
    """
    settled = given.get("settled_mm")
    found = mulch_for(
        text(given, "material"),
        number(given.get("area_m2"), "area_m2"),
        None if settled is None else number(settled, "settled_mm"),
        number(given.get("bin_l", 240), "bin_l"),
    )
    return {
        "loose_mm": found.loose_mm,
        "litres": found.litres,
        "bins": found.bins,
        "kg": found.kg,
        "n_taken_g": {"on_top": found.taken_on_top_g, "dug_in": found.taken_dug_in_g},
        "caution": found.kind.caution,
    }


def bean_test(given: Json) -> Json:
    """What a bean test says: pots as ``[curled, up]``, three with manure and three plain.

    >>> bean_test({"test": [[2, 3], [3, 3], [0, 3]], "plain": [[0, 3]] * 3})["result"]
    'suspect'
    """
    found = judge_beans(_pots(given, "test"), _pots(given, "plain"))
    return {"result": found.result, "why": found.why}


def _pots(given: Json, field: str) -> list[BeanPot]:
    found = []
    for pot in entries(given, field, 20):
        if not isinstance(pot, list) or len(pot) != 2:
            raise DaceError(field, repr(pot)[:60], "pots such as [2, 3], curled and up, would do")
        curled, up = (number(one, field) for one in pot)
        if curled != int(curled) or up != int(up):
            raise DaceError(field, repr(pot)[:60], "whole plants would do")
        found.append(BeanPot(int(curled), int(up)))
    return found
