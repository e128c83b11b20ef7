"""A strained brew in a bottle: what a mL of it holds, with its range, ready to pour like a jar."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np

from dace.core.brew.estimate import liquid_on
from dace.core.brew.weighed import Weighed
from dace.core.figures import Range
from dace.core.matter.chemistry import molar_mass
from dace.core.matter.composition import ACETATE, Composition, charge_meq
from dace.core.matter.label import Label

_NUTRIENT_KEYS = ("N", "P", "K", "Ca", "Mg")


@dataclass(frozen=True)
class BottleContents:
    """What a mL holds [mg] by key, relative ranges by nutrient, and the EC as it stands."""

    mg: tuple[tuple[str, float], ...]
    acetate_mg: float
    spreads: tuple[tuple[str, Range], ...]
    ec_spread: Range
    ec_ms_cm: tuple[float, float, float]


def bottle_contents(weighed: Weighed, day: float) -> BottleContents:
    """What a brew holds on the day it is strained.

    Parameters
    ----------
    weighed : Weighed
        Its draws, after its readings.
    day : float
        Days since it began.

    Returns
    -------
    BottleContents
        Medians, and 10 and 90 % beside them.
    """
    found, ec = liquid_on(weighed, day)
    per_ml = {
        "NO3_N": found.nitrate,
        "NH4_N": found.ammonium,
        "organic_N": found.organic,
        **{key: found.elements[key] for key in ("P", "K", "Ca", "Mg", "Na", "Cl")},
        "S_SO4": found.elements["S"],
    }
    mg = {key: float(np.median(values)) / 1000 for key, values in per_ml.items()}
    _share_nitrogen(mg, float(np.median(found.nitrogen)) / 1000)
    spreads = tuple((n, _relative(found.of(n))) for n in _NUTRIENT_KEYS)
    low, likely, high = (float(q) for q in np.quantile(ec, [0.1, 0.5, 0.9]))
    return BottleContents(
        mg=tuple(mg.items()),
        acetate_mg=_acetate(mg),
        spreads=spreads,
        ec_spread=Range(low / likely, 1.0, high / likely) if likely > 0 else Range(1, 1, 1),
        ec_ms_cm=(low, likely, high),
    )


def _share_nitrogen(mg: dict[str, float], total: float) -> None:
    """The forms add up to the likely whole: medians of parts do not by themselves."""
    forms = ("NO3_N", "NH4_N", "organic_N")
    summed = sum(mg[form] for form in forms)
    for form in forms:
        mg[form] = mg[form] * total / summed if summed > 0 else 0.0


def _relative(draws: np.ndarray[tuple[int, ...], np.dtype[np.float64]]) -> Range:
    low, likely, high = (float(q) for q in np.quantile(draws, [0.1, 0.5, 0.9]))
    if likely <= 0:
        return Range(1.0, 1.0, 1.0)
    return Range(low / likely, 1.0, high / likely)


def _acetate(mg: dict[str, float]) -> float:
    """Acetate that closes the charge [mg a mL]."""
    from_charge = charge_meq(mg)
    return max(0.0, from_charge) * molar_mass("CH3COO")


def composition_of_bottle(found: BottleContents, name: str) -> Composition:
    """A bottle as the Bench pours it: mg a mL, each nutrient with a range of its own.

    Parameters
    ----------
    found : BottleContents
        From :func:`bottle_contents`.
    name : str
        Of the brew, for the Working.

    Returns
    -------
    Composition
        Charge closed with acetate.
    """
    mg = dict(found.mg) | {"urea_N": 0.0, ACETATE: found.acetate_mg}
    ordered = tuple(sorted(mg.items()))
    n, p, k = (sum_of(mg, x) / 10 for x in ("N", "P", "K"))
    label = Label(round(n, 3), round(p, 3), round(k, 3), "element", "volume", "liquid")
    return Composition(
        unit="mL",
        mg=ordered,
        mg_chloride=ordered,
        mg_no_charge_n=ordered,
        spread=found.ec_spread,
        forms_declared=True,
        label=label,
        spreads=found.spreads,
        known_by=f"estimated: {name}",
    )


def sum_of(mg: dict[str, float], nutrient: str) -> float:
    """One nutrient of a bottle [mg a mL]."""
    if nutrient == "N":
        return mg["NO3_N"] + mg["NH4_N"] + mg["organic_N"]
    return mg[nutrient]
