"""How much goes on a heap, as one says it: kilos, litres, buckets, barrows, bales."""

from __future__ import annotations

import re

from dace.core.errors import DaceError
from dace.core.matter.materials import Material
from dace.core.words.numbers import NUMBER, plain, read_number
from dace.core.words.quantities import read_amounts

_LITRES = {"bucket": 10.0, "barrow": 80.0, "barrowful": 80.0, "sack": 60.0, "bag": 40.0}
BALE_KG = 15.0
"""A small bale of straw or hay, as two strings hold it."""


def amount_kg(told: str, found: Material, family: str | None) -> float:
    """So much of a material [kg].

    Examples
    --------
    >>> from dace.core.matter.materials import material
    >>> round(amount_kg("2 barrows", material("grass_clippings"), "metric"), 1)
    28.8
    >>> amount_kg("2.5 bales", material("wheat_straw"), "metric")
    37.5

    Raises
    ------
    DaceError
        On ``amount`` if it cannot be read.
    """
    match = re.fullmatch(rf"({NUMBER}|an?|half an?) ?([a-z]+?)s?", plain(told))
    if match and (match[2] in _LITRES or match[2] == "bale"):
        count = {"a": 1.0, "an": 1.0, "half a": 0.5, "half an": 0.5}.get(match[1])
        count = read_number(match[1], "amount") if count is None else count
        if match[2] == "bale":
            return count * BALE_KG
        return count * _LITRES[match[2]] * found.density_g_per_ml
    one = read_amounts(told, family, "amount")[0]
    if one.unit == "g":
        return one.value / 1000
    if one.unit == "mL":
        return one.value / 1000 * found.density_g_per_ml
    raise DaceError("amount", f"“{told}”", "20 kg, 2 barrows or 3 buckets would do")
