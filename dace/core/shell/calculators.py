"""Calculators for the shell: plain JSON in, plain JSON out, by way of the public surface."""

from __future__ import annotations

from collections.abc import Callable
from dataclasses import asdict
from typing import Any

from dace.core.api import (
    Answer,
    CanAsked,
    Result,
    answer,
    composition,
    ec_25,
    ec_at,
)
from dace.core.shell.brewing import brew, claim
from dace.core.shell.jars_in import label_in, measures_in, vessel_in, water_in
from dace.core.shell.json_in import Json, json_object, number, text
from dace.core.shell.mixing import mix
from dace.core.shell.plans import plan
from dace.core.shell.reading import read
from dace.core.shell.responses import signs_of, trial
from dace.core.shell.roots import rootzone
from dace.core.shell.seasons import clock
from dace.core.shell.solids import bean_test, green_manure, heap, mix_of_soil, mulch
from dace.core.shell.spraying import spray_on_leaves
from dace.core.shell.verdicts import verdict
from dace.core.shell.years import follows_of, frost, learned_of


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
    asked = CanAsked(
        strength=text(given, "strength"),
        feed=composition(label_in(json_object(given, "jar"))),
        water=water_in(json_object(given, "water")),
        vessel_l=vessel_in(given),
        measures=measures_in(given),
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


CALCULATORS: dict[str, Callable[[Json], Json]] = {
    "ec": ec,
    "dilute": dilute,
    "brew": brew,
    "claim": claim,
    "rootzone": rootzone,
    "clock": clock,
    "verdict": verdict,
    "plan": plan,
    "trial": trial,
    "signs": signs_of,
    "mix": mix,
    "spray": spray_on_leaves,
    "read": read,
    "heap": heap,
    "soil_mix": mix_of_soil,
    "green_manure": green_manure,
    "mulch": mulch,
    "bean_test": bean_test,
    "learned": learned_of,
    "frost": frost,
    "follows": follows_of,
}
