"""Calculators for the shell: plain JSON in, plain JSON out, by way of the public surface."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import asdict
from typing import Any

from dace.core.api import (
    Answer,
    CanAsked,
    DaceError,
    Label,
    Result,
    WaterIons,
    answer,
    composition,
    ec_25,
    ec_at,
    read_amount,
    water_from_ec,
    water_from_report,
)
from dace.core.shell.brewing import brew, claim
from dace.core.shell.json_in import Json, json_object, number, text
from dace.core.shell.roots import rootzone
from dace.core.shell.seasons import clock
from dace.core.words.quantities import FAMILIES


def ec(given: Json) -> Json:
    """Conductivity of ``ions`` [mg/L] at ``ph`` (6.5) and ``temperature_c`` (25).

    >>> ec({"ions": {"urea_N": 900}, "ph": 7})["ec_ms_cm"] < 0.001
    True
    """
    ions = {key: number(value, f"ions.{key}") for key, value in json_object(given, "ions").items()}
    at_25 = ec_25(ions, number(given.get("ph", 6.5), "ph"))
    at = ec_at(float(at_25), number(given.get("temperature_c", 25), "temperature_c"))
    return {"ec_ms_cm": at}


def dilute(given: Json) -> Json:
    """A jar into a can: see the architecture notes in ``docs/computation.md`` for the shape."""
    vessel = read_amount(text(given, "vessel"), _measures(given), "vessel")
    if vessel.unit != "mL":
        raise DaceError("vessel", f"“{given['vessel']}”", "a volume such as 9 L would do")
    asked = CanAsked(
        strength=text(given, "strength"),
        feed=composition(_label(json_object(given, "jar"))),
        water=_water(json_object(given, "water")),
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
    n, p, k = (number(value, "jar.grade") for value in grade)
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
        density_g_per_ml=None if density is None else number(density, "jar.density_g_per_ml"),
        nitrogen=None if nitrogen is None else _pairs(nitrogen, "jar.nitrogen"),
        also=_pairs(also, "jar.also"),
    )


def _water(water: Json) -> WaterIons:
    if "ec_ms_cm" in water:
        return water_from_ec(number(water["ec_ms_cm"], "water.ec_ms_cm"))
    return water_from_report(_pairs(water, "water"))


def _measures(given: Json) -> str | None:
    family = given.get("measures")
    if family is not None and family not in FAMILIES:
        raise DaceError("measures", f"{family!r}", f"use {', '.join(FAMILIES)}")
    return family


def _pairs(value: Any, field: str) -> tuple[tuple[str, float], ...]:
    if not isinstance(value, Mapping):
        raise DaceError(field, repr(value), "names with numbers would do")
    return tuple((str(key), number(part, f"{field}.{key}")) for key, part in value.items())


CALCULATORS: dict[str, Callable[[Json], Json]] = {
    "ec": ec,
    "dilute": dilute,
    "brew": brew,
    "claim": claim,
    "rootzone": rootzone,
    "clock": clock,
}
