"""What a garden knows that bears on a sign: facts told, what they come to, what each speaks for."""

from __future__ import annotations

import math
from collections.abc import Callable, Mapping
from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import load_table
from dace.core.season.crops import Crop, Stage

TOLD: dict[str, tuple[float, float]] = {
    "drain_ec_ms_cm": (0, 50),
    "ph": (2, 12),
    "water_alkalinity_mg_l": (0, 2000),
    "medium_c": (-10, 60),
    "night_min_c": (-50, 50),
    "day_max_c": (-50, 60),
    "dry_spells_14d": (0, 14),
    "wet_days_14d": (0, 14),
    "rain_mm_week": (0, 1000),
    "days_since_feed": (0, 5000),
    "feed_share_of_cap": (0, 50),
    "nitrogen_share_of_need": (0, 50),
    "potassium_share_of_need": (0, 50),
    "potassium_to_magnesium": (0, 1000),
    "manure_months_ago": (0, 1000),
    "spray_days_ago": (0, 5000),
    "moved_out_days_ago": (0, 5000),
    "woody_mulch_days_ago": (0, 5000),
    "pot_l": (0, 10000),
    "leaf_score": (0, 5),
}
"""Facts that may be told, and between what they can lie."""
_Beside = tuple[str, str, Callable[[float], float], dict[str, float]]
_ROOTS_C, _NIGHT_C = {True: 14.0, False: 9.0}, {True: 12.0, False: 5.0}
_USUAL_DRAIN = 3.0


@dataclass(frozen=True)
class Known:
    """Facts as told and as they lie beside what the crop bears; ``words`` fill their sentences."""

    values: Mapping[str, float]
    words: Mapping[str, Mapping[str, float]]


@dataclass(frozen=True)
class Fact:
    """From one value up to another, what it speaks for (above 1) or against."""

    name: str
    low: float
    high: float
    tags: frozenset[str]
    factor: float
    words: str

    def holds(self, known: Known) -> bool:
        """Whether it is known and lies there."""
        value = known.values.get(self.name)
        return value is not None and self.low <= value < self.high

    def said(self, known: Known) -> str:
        """In words."""
        words = self.words.format(**known.words[self.name])
        return words[0].upper() + words[1:]


@cache
def fact_rows() -> tuple[Fact, ...]:
    """All of them, as the table has them."""
    return tuple(
        Fact(
            row.text("fact"),
            row.number("from"),
            math.inf if (top := row.maybe("to")) is None else top,
            frozenset(row.text("tags").split(";")),
            row.number("factor"),
            row.text("words"),
        )
        for row in load_table("sign_facts")
    )


def derived(crop: Crop, stage: Stage | None, told: Mapping[str, float]) -> Known:
    """What facts come to beside what a crop bears at a stage.

    Raises
    ------
    DaceError
        On a fact that is none, or a number that cannot be.
    """
    for name, value in told.items():
        if name not in TOLD:
            raise DaceError(f"facts.{name}", f"“{name}”", f"one of {', '.join(TOLD)} would do")
        low, high = TOLD[name]
        if not (math.isfinite(value) and low <= value <= high):
            raise DaceError(f"facts.{name}", f"{value:g}", f"{low:g} to {high:g} would do")
    values: dict[str, float] = dict(told)
    words: dict[str, dict[str, float]] = {name: {"value": value} for name, value in told.items()}
    low, high = crop.ph
    top = stage.drain_ec_high if stage else _drain_top(crop)
    usual = crop.typical_pot_litres or 1.0
    beside: tuple[_Beside, ...] = (
        ("drain_times", "drain_ec_ms_cm", lambda v: v / top, {"high": top}),
        ("ph_over", "ph", lambda v: v - high, {"low": low, "high": high}),
        ("ph_under", "ph", lambda v: low - v, {"low": low, "high": high}),
        ("cold_by", "medium_c", lambda v: _ROOTS_C[crop.warm] - v, {}),
        ("night_cold_by", "night_min_c", lambda v: _NIGHT_C[crop.warm] - v, {}),
        ("pot_times", "pot_l", lambda v: v / usual, {"high": usual}),
    )
    for name, fact, compared, more in beside:
        if fact in told:
            values[name] = compared(told[fact])
            words[name] = {"value": told[fact], **more}
    return Known(values, words)


def _drain_top(crop: Crop) -> float:
    """What its drain may read at most, whatever the stage."""
    grown = [stage.drain_ec_high for stage in crop.stages if not stage.is_seedling]
    return min(grown, default=_USUAL_DRAIN)
