"""The brew and claim calculators: plain JSON in, plain JSON out."""

from __future__ import annotations

from dataclasses import asdict
from typing import Any

from dace.core.api import (
    NUTRIENTS,
    Against,
    BrewEstimate,
    BrewReading,
    DaceError,
    Recipe,
    RecipeItem,
    advise_brew,
    check_claim,
    estimate,
    water_from_ec,
)
from dace.core.figures import judgement
from dace.core.shell.json_in import Json, entries, number, text

_VINEGARS = ("vinegar_5pct", "vinegar")
_WATERS = ("water", "rain_water", "tap_water")
_RAIN_EC, _MOST = 0.06, 200


def brew(given: Json) -> Json:
    """A brew day by day; see ``docs/computation.md`` for the shape."""
    recipe = _recipe(given)
    readings = tuple(_reading(row) for row in entries(given, "readings", _MOST))
    days = int(number(given.get("days", 30), "days"))
    seed = int(number(given.get("seed", 1), "seed"))
    found = estimate(recipe, days, readings, seed)
    gathering, preparing = advise_brew(recipe)
    return {
        **_figures(found),
        "cautions": [asdict(advice) for advice in (*gathering, *preparing)],
        "working": [asdict(step) for step in found.working],
    }


def _figures(found: BrewEstimate) -> Json:
    last = len(found.days) - 1
    return {
        "days": list(found.days),
        "mg_l": {n: _of(found.of(n).at(last)) for n in NUTRIENTS},
        "ec_ms_cm": _of(found.ec.at(last)),
        "by_day": {
            **{n: asdict(found.of(n)) for n in NUTRIENTS},
            "ec_ms_cm": asdict(found.ec),
        },
        "ready_day": _of(found.ready_day),
        "best_before_days": _of(found.keeps_days),
        "recovered_l": _of(found.recovered_l),
        "limits": _limits(found),
        "conflicts": [
            {
                "day": c.reading.day,
                "ec_ms_cm": c.reading.ec_ms_cm,
                "expected": [c.expected_low, c.expected_high],
                "reasons": c.reasons,
            }
            for c in found.conflicts
        ],
        "notes": list(found.notes),
    }


def _of(band: tuple[float, float, float]) -> Json:
    return {"low": band[0], "likely": band[1], "high": band[2]}


def _limits(found: BrewEstimate) -> Json | None:
    if found.limits is None:
        return None
    limits = found.limits
    return {
        "acid_runs_out": limits.acid_runs_out,
        "ca_ceiling_mg_l": limits.ca_ceiling_mg_l,
        "gas_l": limits.gas_l,
        "acid_left_g": limits.acid_left_g,
        "solid_used_g": limits.solid_used_g,
    }


def _recipe(given: Json) -> Recipe:
    method = text(given, "method")
    liquid = given.get("liquid", {})
    if not isinstance(liquid, dict):
        raise DaceError("liquid", repr(liquid)[:80], "a material and a volume would do")
    kind = str(liquid.get("material", "water"))
    if kind not in (*_VINEGARS, *_WATERS):
        would_do = f"one of {', '.join(_WATERS + _VINEGARS)} would do"
        raise DaceError("liquid.material", f"“{kind[:40]}”", would_do)
    acid = judgement("vinegar_acid").range.typ if kind in _VINEGARS else 0.0
    return Recipe(
        method=method,
        ingredients=tuple(_ingredient(row) for row in entries(given, "ingredients", _MOST)),
        volume_l=number(liquid.get("volume_l", 0.0), "liquid.volume_l"),
        water=water_from_ec(number(liquid.get("ec_ms_cm", _RAIN_EC), "liquid.ec_ms_cm")),
        temperature_c=number(given.get("temperature_c", 18.0), "temperature_c"),
        acid_percent=number(liquid.get("acid_percent", acid), "liquid.acid_percent"),
        handling=tuple(str(key) for key in entries(given, "handling", _MOST)),
        first_run_days=_maybe(given.get("first_run_days"), "first_run_days"),
    )


def _ingredient(row: Any) -> RecipeItem:
    if not isinstance(row, dict):
        raise DaceError("ingredients", repr(row)[:80], "materials with their mass would do")
    return RecipeItem(
        material=text(row, "material"),
        mass_g=number(row.get("mass_g"), "ingredients.mass_g"),
        weighed=bool(row.get("weighed", True)),
        particle=str(row.get("particle", "chopped_coarse")),
        dry_matter=_maybe(row.get("dry_matter"), "ingredients.dry_matter"),
    )


def _reading(row: Any) -> BrewReading:
    if not isinstance(row, dict):
        raise DaceError("readings", repr(row)[:80], "a day and ec_ms_cm would do")
    return BrewReading(
        day=number(row.get("day"), "readings.day"),
        ec_ms_cm=number(row.get("ec_ms_cm"), "readings.ec_ms_cm"),
        parts_water=number(row.get("parts_water", 0.0), "readings.parts_water"),
    )


def _maybe(value: Any, field: str) -> float | None:
    return None if value is None else number(value, field)


def claim(given: Json) -> Json:
    """A claim as ``{"claim": "3 % nitrogen in rinse water", "vessel_l": 9}``."""
    most: tuple[tuple[str, float], ...] = ()
    if "brew" in given:
        if not isinstance(given["brew"], dict):
            raise DaceError("brew", repr(given["brew"])[:80], "a recipe as for brew would do")
        most = _recipe(given["brew"]).most_mg_l()
    against = Against(
        vessel_l=number(given.get("vessel_l", 9.0), "vessel_l"),
        measures=given.get("measures", "metric"),
        most_mg_l=most,
    )
    found = check_claim(text(given, "claim"), against)
    return {
        "verdict": found.verdict,
        "text": found.text,
        "working": [asdict(step) for step in found.working],
    }
