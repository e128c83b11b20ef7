"""How far a can lies from what a stage wishes: one number, by which cans are told apart."""

from __future__ import annotations

from collections.abc import Mapping

from dace.core.figures import Range
from dace.core.matter.nutrients import NUTRIENTS

WEIGHTS = {"N": 1.0, "P": 0.6, "K": 1.0, "Ca": 0.6, "Mg": 0.5}
"""How much each nutrient counts."""
WITHIN = 0.25


def miss(mg_l: Mapping[str, float], wish: Mapping[str, Range]) -> float:
    """The sum over nutrients of how far each lies from its typical wish.

    Parameters
    ----------
    mg_l : mapping of str to float
        What a litre holds, water included.
    wish : mapping of str to Range
        What the stage wishes [mg/L].

    Returns
    -------
    float
        0 at the typical wish; a quarter counts within the range, all of it beyond.

    Examples
    --------
    >>> wish = {"N": Range(50.0, 100.0, 150.0)}
    >>> miss({"N": 100.0}, wish), miss({"N": 150.0}, wish), miss({"N": 0.0}, wish)
    (0.0, 0.125, 0.625)
    """
    return sum(
        part_of_miss(nutrient, mg_l.get(nutrient, 0.0), wish[nutrient])
        for nutrient in NUTRIENTS
        if nutrient in wish
    )


def part_of_miss(nutrient: str, mg_l: float, wish: Range) -> float:
    """What one nutrient adds to the miss; any of it where none is wished counts in full."""
    if wish.typ <= 0:
        return WEIGHTS[nutrient] * (mg_l > 0)
    off = abs(mg_l - wish.typ)
    end = wish.high - wish.typ if mg_l > wish.typ else wish.typ - wish.low
    inside = min(off, end)
    return WEIGHTS[nutrient] * (WITHIN * inside + (off - inside)) / wish.typ
