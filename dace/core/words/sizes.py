"""How large a place is, however it was said: litres, metres by metres, or a pot's width."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from dace.core.errors import DaceError, WhoseMeasureError
from dace.core.figures import judgement
from dace.core.words.numbers import NUMBER, plain, read_number
from dace.core.words.quantities import read_amount, read_measure

_HINT = "40 L, 3.6 x 1.2 m, 2.5 m2 or a 25 cm pot would do"
_MOST_L, _MOST_M2 = 20_000.0, 10_000.0


@dataclass(frozen=True)
class Size:
    """A volume of medium [L], or an area of ground [m2]; one of the two."""

    volume_l: float | None
    area_m2: float | None


def read_size(text: str, family: str | None) -> Size:
    """A size as gardeners say it.

    Parameters
    ----------
    text : str
        ``40 L``, ``10 gallon``, ``3.6 x 1.2 m``, ``12 x 4 ft``, ``30 sq ft`` or ``25 cm pot``.
    family : str or None
        Family of kitchen measures, for gallons.

    Returns
    -------
    Size
        A volume or an area.

    Raises
    ------
    DaceError
        On field ``size``.

    Examples
    --------
    >>> read_size("3.6 x 1.2 m", None).area_m2, read_size("40 L", None).volume_l
    (4.32, 40.0)
    >>> round(read_size("30 cm pot", None).volume_l, 1)
    14.8
    """
    folded = plain(text)
    sides = re.fullmatch(rf"({NUMBER})\s*(\D*?)\s*(?:x|by)\s*({NUMBER})\s*(\D+)", folded)
    across = re.fullmatch(r"(.+?)\s*(?:pot|across|wide)", folded)
    if sides:
        unit = sides[4]
        one = read_measure(f"{sides[1]} {sides[2] or unit}", "length", "size")
        return _area(one * read_measure(f"{sides[3]} {unit}", "length", "size"), text)
    if across and not re.search(rf"{NUMBER}\s*l", across[1]):
        width = read_measure(across[1], "length", "size")
        return _volume(1000 * judgement("pot_shape").range.typ * width**3, text)
    if re.search(r"(m2|m²|ft2|yd2|sq)", folded):
        return _area(read_measure(folded, "area", "size"), text)
    if re.fullmatch(NUMBER, folded):
        read_number(folded, "size")
        raise DaceError("size", f"“{text.strip()}” without a measure", _HINT)
    try:
        amount = read_amount(re.sub(r"\s*pots?$", "", folded), family, "size")
    except WhoseMeasureError:
        raise
    except DaceError:
        raise DaceError("size", f"“{text.strip()}”", _HINT) from None
    if amount.unit != "mL":
        raise DaceError("size", f"“{text.strip()}”", _HINT)
    return _volume(amount.value / 1000, text)


def _area(area_m2: float, text: str) -> Size:
    if not (math.isfinite(area_m2) and 0 < area_m2 <= _MOST_M2):
        raise DaceError("size", f"“{text.strip()}”", _HINT)
    return Size(None, round(area_m2, 6))


def _volume(volume_l: float, text: str) -> Size:
    if not (math.isfinite(volume_l) and 0.01 <= volume_l <= _MOST_L):
        raise DaceError("size", f"“{text.strip()}”", _HINT)
    return Size(volume_l, None)
