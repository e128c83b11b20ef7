"""What a test of soil or medium says: how much food is there, and what there is plenty of."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.errors import DaceError
from dace.core.matter.media import Medium
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import say

UNITS = ("mg/L", "mg/kg")
_LOW, _HIGH = 0.5, 1.7
_MOST = {"N": 2000.0, "P": 2000.0, "K": 5000.0, "Ca": 20_000.0, "Mg": 5000.0}


@dataclass(frozen=True)
class TestedSoil:
    """A test as Dace uses it: mg in a litre of medium, and each nutrient's word.

    ``words`` maps nutrients to ``low``, ``usual`` or ``high`` beside what such a medium
    usually holds.
    """

    mg_l: tuple[tuple[str, float], ...]
    words: tuple[tuple[str, str], ...]
    sentence: str

    @property
    def high(self) -> frozenset[str]:
        """What there is plenty of."""
        return frozenset(n for n, word in self.words if word == "high")


def read_soil_test(values: dict[str, float], unit: str, medium: Medium) -> TestedSoil:
    """A laboratory's or a kit's numbers.

    Parameters
    ----------
    values : dict of str to float
        Available N, P, K, Ca, Mg; what was not tested is left out.
    unit : str
        ``mg/L`` of medium, or ``mg/kg`` of dry soil.
    medium : Medium
        What was tested: gives the weight of a litre, and what is usual.

    Returns
    -------
    TestedSoil
        In mg/L.

    Raises
    ------
    DaceError
        Naming the nutrient, or ``unit``.

    Examples
    --------
    >>> from dace.core.matter.media import medium
    >>> read_soil_test({"P": 60.0}, "mg/kg", medium("clay_soil")).mg_l
    (('P', 72.0),)
    """
    if unit not in UNITS:
        raise DaceError("unit", f"“{unit}”", "mg/L or mg/kg would do")
    if not values:
        raise DaceError("values", "a test without a number", "one nutrient at least would do")
    for nutrient, value in values.items():
        if nutrient not in NUTRIENTS:
            raise DaceError("values", f"“{nutrient}”", f"use {', '.join(NUTRIENTS)}")
        if not 0 <= value <= _MOST[nutrient]:
            would_do = f"0 to {_MOST[nutrient]:g} {unit} would do"
            raise DaceError(nutrient, f"{value:g} {unit} of {nutrient}", would_do)
    factor = medium.kg_per_l if unit == "mg/kg" else 1.0
    mg_l = tuple((n, round(values[n] * factor, 6)) for n in NUTRIENTS if n in values)
    words = tuple((n, _word(value, medium.available_of(n))) for n, value in mg_l)
    return TestedSoil(mg_l, words, _sentence(mg_l, words, medium))


def _word(value: float, usual: float) -> str:
    if value < _LOW * usual:
        return "low"
    return "high" if value > _HIGH * usual else "usual"


def _sentence(
    mg_l: tuple[tuple[str, float], ...], words: tuple[tuple[str, str], ...], medium: Medium
) -> str:
    parts = [
        f"{n} {say(value, 3)} mg/L is {word}"
        for (n, value), (_, word) in zip(mg_l, words, strict=True)
    ]
    return f"For {medium.name.lower()}: {', '.join(parts)}."
