"""Calculators for the shell: plain JSON in, plain JSON out, by way of the public surface."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import asdict
from typing import Any

from dace.core.api import (
    Answer,
    Asked,
    DaceError,
    Label,
    Result,
    Water,
    answer,
    composition,
    ec_25,
    ec_at,
    read_amounts,
    water_from_ec,
    water_from_report,
)
from dace.core.quantities import FAMILIES

Json = dict[str, Any]


def ec(given: Json) -> Json:
    """Conductivity of ``ions`` [mg/L] at ``ph`` (6.5) and ``temperature_c`` (25).

    >>> ec({"ions": {"urea_N": 900}, "ph": 7})["ec_ms_cm"] < 0.001
    True
    """
    ions = {key: _number(value, f"ions.{key}") for key, value in _object(given, "ions").items()}
    at_25 = ec_25(ions, _number(given.get("ph", 6.5), "ph"))
    at = ec_at(float(at_25), _number(given.get("temperature_c", 25), "temperature_c"))
    return {"ec_ms_cm": at}


def dilute(given: Json) -> Json:
    """A jar into a can: see the architecture notes in ``docs/computation.md`` for the shape."""
    vessel = read_amounts(_text(given, "vessel"), _measures(given), "vessel")[0]
    if vessel.unit != "mL":
        raise DaceError("vessel", f"“{given['vessel']}”", "a volume such as 9 L would do")
    asked = Asked(
        strength=_text(given, "strength"),
        feed=composition(_label(_object(given, "jar"))),
        water=_water(_object(given, "water")),
        vessel_l=vessel.value / 1000,
        measures=_measures(given),
    )
    return _dilution(answer(asked))


def _dilution(found: Answer) -> Json:
    readings = [{"meaning": r.strength.meaning, **_can_figures(r.can)} for r in found.readings]
    can = found.can
    working = [asdict(step) for result in _results(can) for step in result.working]
    return {
        **_can_figures(can),
        "ec_range": {"low": can.ec.low, "likely": can.ec.value, "high": can.ec.high},
        "feed_ec_ms_cm": can.feed_ec,
        "readings": readings,
        "working": working,
    }


def _results(can: Any) -> list[Result]:
    return [can.concentrate, *(result for _, result in can.nutrients), can.ec]


def _can_figures(can: Any) -> Json:
    amount = "concentrate_ml" if can.unit == "mL" else "concentrate_g"
    return {
        amount: can.amount,
        "water_l": can.water_l,
        "mg_l": {name: result.value for name, result in can.nutrients},
        "ec_ms_cm": can.ec.value,
    }


def _label(jar: Json) -> Label:
    grade = jar.get("grade")
    if not isinstance(grade, list) or len(grade) != 3:
        raise DaceError("jar.grade", repr(grade), "three numbers such as [4, 3, 8] would do")
    n, p, k = (_number(value, "jar.grade") for value in grade)
    nitrogen = jar.get("nitrogen")
    also = jar.get("also", {})
    density = jar.get("density_g_per_ml")
    return Label(
        n,
        p,
        k,
        basis=str(jar.get("basis", "oxide")),
        percent=str(jar.get("percent", "mass")),
        form=str(jar.get("form", "liquid")),
        density_g_per_ml=None if density is None else _number(density, "jar.density_g_per_ml"),
        nitrogen=None if nitrogen is None else _pairs(nitrogen, "jar.nitrogen"),
        also=_pairs(also, "jar.also"),
    )


def _water(water: Json) -> Water:
    if "ec_ms_cm" in water:
        return water_from_ec(_number(water["ec_ms_cm"], "water.ec_ms_cm"))
    return water_from_report(_pairs(water, "water"))


def _measures(given: Json) -> str | None:
    family = given.get("measures")
    if family is not None and family not in FAMILIES:
        raise DaceError("measures", f"{family!r}", f"use {', '.join(FAMILIES)}")
    return family


def _pairs(value: Any, field: str) -> tuple[tuple[str, float], ...]:
    if not isinstance(value, Mapping):
        raise DaceError(field, repr(value), "names with numbers would do")
    return tuple((str(key), _number(number, f"{field}.{key}")) for key, number in value.items())


def _object(given: Json, field: str) -> Json:
    value = given.get(field)
    if not isinstance(value, dict):
        raise DaceError(field, repr(value), "an object would do")
    return value


def _text(given: Json, field: str) -> str:
    value = given.get(field)
    if not isinstance(value, str):
        raise DaceError(field, repr(value), "a text would do")
    return value


def _number(value: Any, field: str) -> float:
    if isinstance(value, bool) or not isinstance(value, int | float) or not math.isfinite(value):
        raise DaceError(field, repr(value)[:80], "a number would do")
    return float(value)


CALCULATORS: dict[str, Callable[[Json], Json]] = {"ec": ec, "dilute": dilute}
