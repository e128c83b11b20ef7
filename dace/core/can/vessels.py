"""More than one can: how a round is split, and how litres are said."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass

from dace.core.can.strength import parse_strength
from dace.core.errors import DaceError
from dace.core.words import shown
from dace.core.words.numbers import NUMBER, plain, read_number
from dace.core.words.quantities import AREA_UNIT, read_amount, read_measure

_HINT = "1.5 L each, 4 L/m2 or 6 L in all would do"


@dataclass(frozen=True)
class Cans:
    """So many cans, each filled to so many litres."""

    count: int
    litres: float
    words: str


def split_into_cans(total_l: float, vessel_l: float) -> Cans:
    """A round in cans that are all filled alike.

    Parameters
    ----------
    total_l : float
        What the round takes [L], above 0.
    vessel_l : float
        What the can holds [L], above 0.

    Returns
    -------
    Cans
        As few as do, equally full.

    Raises
    ------
    DaceError
        If one of the volumes is not above zero.

    Examples
    --------
    >>> split_into_cans(12, 9)
    Cans(count=2, litres=6.0, words='2 cans of 6 L')
    """
    if not (total_l > 0 and vessel_l > 0):
        raise DaceError(
            "litres", f"{total_l:g} L from a can of {vessel_l:g} L", "more than 0 would do"
        )
    count = max(1, math.ceil(total_l / vessel_l - 1e-9))
    litres = total_l / count
    return Cans(count, litres, f"{count} can{'s' if count > 1 else ''} of {shown.litres(litres)}")


def _bare_litre(text: str, field: str) -> float:
    """What a bare number of litres counts [L]; nobody who says gallons means litres by one."""
    units = shown.volume_units()
    if len(units) > 1:
        named = " or ".join(f"{text.strip()} {one.unit}" for one in units)
        raise DaceError(field, f"“{text.strip()}” without its measure", f"{named} would do")
    return units[0].litres


def read_pack(text: str, unit: str, family: str | None, field: str) -> float:
    """What a pack or a measure holds, in mL or g.

    Parameters
    ----------
    text : str
        ``1 L``, ``500 g``, ``32 fl oz``; a bare number is in ``unit``.
    unit : str
        ``"mL"`` or ``"g"``: what it must come to.
    family : str or None
        Family of kitchen measures.
    field : str
        Named in the error.

    Returns
    -------
    float
        mL or g.

    Raises
    ------
    DaceError
        If it is no amount, or one of the other kind.

    Examples
    --------
    >>> read_pack("1 L", "mL", None, "pack"), read_pack("500", "g", None, "pack")
    (1000.0, 500.0)
    """
    if re.fullmatch(NUMBER, plain(text)):
        if shown.shown_in().measures == "us":
            pounds = "fl oz" if unit == "mL" else "oz"
            told = f"{text.strip()} {pounds} or {text.strip()} {unit} would do"
            raise DaceError(field, f"“{text.strip()}” without its measure", told)
        return read_number(text, field)
    amount = read_amount(text, family, field)
    if amount.unit != unit:
        example = "1 L" if unit == "mL" else "500 g"
        raise DaceError(field, f"“{text.strip()}”", f"an amount such as {example} would do")
    return amount.value


def read_rate(text: str, unit: str, family: str | None, g_per_ml: float = 1.0) -> float:
    """The label's own rate, mL or g in a litre of can; ``g_per_ml`` turns spoons to grams.

    Raises
    ------
    DaceError
        On field ``rate``.

    Examples
    --------
    >>> read_rate("20 ml per 4.5 L", "mL", None), read_rate("1 + 199", "mL", None)
    (4.444444444444445, 5.0)
    """
    if re.fullmatch(NUMBER, plain(text)):
        return read_number(text, "rate")
    try:
        found = parse_strength(text, family, unit)
    except DaceError:
        raise DaceError("rate", f"“{text.strip()}”", "5 ml/L or 1 + 200 would do") from None
    first = found[0]
    if first.kind != "per_litre":
        raise DaceError("rate", f"“{text.strip()}”", "5 ml/L or 1 + 200 would do")
    if len({round(one.amount, 6) for one in found}) > 1 and first.unit:
        told = " or ".join(one.meaning for one in found)
        raise DaceError("rate", f"“{text.strip()}”, which is {told}", "say whose, or in ml/L")
    if first.unit in ("", unit):
        return first.amount
    return first.amount * g_per_ml if unit == "g" else first.amount / g_per_ml


def read_litres_each(text: str, plants: int, area_m2: float | None, family: str | None) -> float:
    """Litres for each plant, however it was said.

    Parameters
    ----------
    text : str
        ``1.5 L``, ``750 ml each``, ``4 L/m2`` or ``6 L in all``.
    plants : int
        Among how many it is shared.
    area_m2 : float or None
        Ground that they stand on; None where it is not known.
    family : str or None
        Family of kitchen measures.

    Returns
    -------
    float
        Litres for each plant.

    Raises
    ------
    DaceError
        On field ``litres_each``.

    Examples
    --------
    >>> read_litres_each("4 L/m2", 10, 2.5, None), read_litres_each("6 L in all", 4, None, None)
    (1.0, 1.5)
    """
    folded = plain(text)
    if re.fullmatch(NUMBER, folded):
        return read_number(folded, "litres_each") * _bare_litre(text, "litres_each")
    ground = re.fullmatch(rf"(.+?) ?(?:per|/|a|on|on each) ?({NUMBER})? ?({AREA_UNIT})", folded)
    if ground and area_m2 is None:
        raise DaceError(
            "litres_each", f"“{text.strip()}” where no area is known", "say it for each plant"
        )
    if ground and area_m2:
        amount = read_amount(ground[1], family, "litres_each")
        each = read_measure(f"{ground[2] or 1} {ground[3]}", "area", "litres_each")
        return amount.value / 1000 / each * area_m2 / plants
    match = re.fullmatch(r"(.+?)\s*(each|a plant|per plant|in all|altogether)?", folded)
    if match is None:
        raise DaceError("litres_each", f"“{text.strip()}”", _HINT)
    amount = read_amount(match[1], family, "litres_each")
    if amount.unit != "mL":
        raise DaceError("litres_each", f"“{text.strip()}”", _HINT)
    litres, share = amount.value / 1000, match[2] or "each"
    if "all" in share:
        return litres / plants
    return litres
