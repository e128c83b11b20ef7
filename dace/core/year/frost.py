"""The chance that a night marks a crop: its leaf's temperature beside what its leaf stands."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtr

from dace.core.errors import DaceError
from dace.core.figures import judgement, load_table
from dace.core.matter.settings import SHELTERS, Shelter
from dace.core.season.crops import crop
from dace.core.season.shelter import air_under
from dace.core.words import shown

Array = NDArray[np.float64]
STAGES = ("seedling", "grown", "flower")
_INDOORS_C = 8.0


@dataclass(frozen=True)
class Night:
    """What is forecast: the air's low and its sd [C], and whether it stays clear and still."""

    low_c: float
    spread_c: float = 1.5
    clear: bool = False
    still: bool = False

    def __post_init__(self) -> None:
        if not -60 <= self.low_c <= 50:
            raise DaceError("forecast_low_c", f"{self.low_c:g} C", "-60 to 50 would do")
        if not 0 <= self.spread_c <= 20:
            raise DaceError("spread_c", f"{self.spread_c:g} C", "0 to 20 would do")


@cache
def _harm() -> dict[tuple[str, str], float]:
    return {
        (row.text("crop"), stage): row.number(f"{stage}_c")
        for row in load_table("frost_harm")
        for stage in STAGES
    }


def harm_leaf_c(crop_key: str, stage: str) -> float | None:
    """The leaf's temperature that marks half of such plants [C]; None where none is known.

    >>> harm_leaf_c("strawberry", "flower")
    -1.0
    """
    return _harm().get((crop_key, stage))


def leaf_low(night: Night, shelter: Shelter) -> float:
    """How cold a leaf gets where it stands [C]; in the open colder than the air as it radiates.

    >>> leaf_low(Night(2.0), "open"), leaf_low(Night(2.0, clear=True, still=True), "open")
    (2.0, -1.0)
    """
    if shelter not in SHELTERS:
        raise DaceError("shelter", f"“{shelter}”", f"one of {', '.join(SHELTERS)} would do")
    if shelter == "open":
        below = judgement("leaf_below_air").range.typ
        return night.low_c - below * (night.clear + night.still)
    if shelter == "indoors":
        return max(_INDOORS_C, air_under(shelter, night.low_c, night.low_c + 10)[0])
    return air_under(shelter, night.low_c, night.low_c + 10)[0]


def harm_chance(crop_key: str, stage: str, night: Night, shelter: Shelter = "open") -> float:
    """Chance that a night marks a crop, 0 to 1.

    Parameters
    ----------
    crop_key : str
        Which crop.
    stage : str
        ``seedling``, ``grown`` or ``flower``.
    night : Night
        What is forecast.
    shelter : str
        Where it stands.

    Examples
    --------
    >>> harm_chance("kale", "grown", Night(-2.0)) < 0.01
    True
    >>> harm_chance("strawberry", "flower", Night(0.0, clear=True, still=True)) > 0.8
    True
    """
    grown = crop(crop_key)
    if stage not in STAGES:
        raise DaceError("stage", f"“{stage}”", f"one of {', '.join(STAGES)} would do")
    harm = harm_leaf_c(grown.key, stage)
    if harm is None:
        raise DaceError("crop", f"“{crop_key}”", "no cold is known that marks it")
    sd = math.hypot(night.spread_c, judgement("frost_harm_sd").range.typ)
    return float(ndtr((harm - leaf_low(night, shelter)) / sd))


def harm_in(crop_key: str, stage: str, leaf_lows: Array) -> float:
    """Chance that one of so many drawn nights marks a crop; 0 of a crop without figures.

    >>> harm_in("tomato_bush", "grown", np.array([-9.0, 9.0]))
    0.5
    """
    harm = harm_leaf_c(crop_key, stage)
    if harm is None:
        return 0.0
    off = (leaf_lows - harm) / judgement("frost_harm_sd").range.typ
    return float(np.mean(ndtr(-off)))


def frost_words(crop_key: str, chance: float, night: Night, shelter: Shelter) -> str:
    """What is said of a night; a word that it is safe where it is."""
    if chance < judgement("frost_warned_from").range.typ:
        return "No harm likely tonight."
    name = crop(crop_key).name.lower()
    times = f"{max(1, min(10, round(10 * chance)))} in 10"
    act = "bring it in" if shelter == "cover" else "cover it or bring it in"
    return f"{shown.degrees(night.low_c)} tonight, {times} harm the {name}: {act}."
