"""Atomic weights and what follows from them: oxides, ions, alkalinity."""

from __future__ import annotations

import re
from functools import cache

from dace.core.errors import UnknownOxideError
from dace.core.figures import load_table

OXIDES = {"p2o5": ("P", 2), "k2o": ("K", 2), "cao": ("Ca", 1), "mgo": ("Mg", 1), "so3": ("S", 1)}
"""Oxides that labels print, with the element and its count in one formula."""

_FORMULAS = {"p2o5": "P2O5", "k2o": "K2O", "cao": "CaO", "mgo": "MgO", "so3": "SO3"}


@cache
def _weights() -> dict[str, float]:
    return {row.text("element"): row.number("weight") for row in load_table("atomic_weights")}


def atomic_weight(element: str) -> float:
    """Standard atomic weight [g/mol] of an element such as ``"K"``."""
    return _weights()[element]


@cache
def molar_mass(formula: str) -> float:
    """Molar mass [g/mol] of a plain formula.

    >>> round(molar_mass("CaCO3"), 2)
    100.09
    """
    parts = re.findall(r"([A-Z][a-z]?)(\d*)", formula)
    return sum(atomic_weight(element) * int(count or 1) for element, count in parts)


def element_fraction(oxide: str) -> float:
    """Mass of the element in one unit mass of its oxide.

    Parameters
    ----------
    oxide : str
        Formula as the label prints it, such as ``"P2O5"``, in any case.

    Returns
    -------
    float
        Element per oxide [g/g], above 0 and below 1.

    Raises
    ------
    UnknownOxideError
        If ``oxide`` is not a key of ``OXIDES``.

    References
    ----------
    .. [1] ``chemistry_constants`` in ``figures/sources.toml``.

    Examples
    --------
    >>> round(element_fraction("P2O5"), 4), round(element_fraction("MgO"), 4)
    (0.4364, 0.603)
    """
    key = oxide.lower()
    if key not in OXIDES:
        raise UnknownOxideError("oxide", f"“{oxide}”", f"use {', '.join(_FORMULAS.values())}")
    element, count = OXIDES[key]
    return count * atomic_weight(element) / molar_mass(_FORMULAS[key])


def alkalinity_from_bicarbonate(hco3_mg_l: float) -> float:
    """The alkalinity as CaCO3 [mg/L] that a bicarbonate [mg/L] stands for.

    >>> round(alkalinity_from_bicarbonate(122))
    100
    """
    return hco3_mg_l * molar_mass("CaCO3") / (2 * molar_mass("HCO3"))


def bicarbonate_from_alkalinity(alkalinity_caco3_mg_l: float) -> float:
    """Bicarbonate [mg/L] that stands for an alkalinity as CaCO3 [mg/L].

    >>> round(bicarbonate_from_alkalinity(100), 1)
    121.9
    """
    return alkalinity_caco3_mg_l * 2 * molar_mass("HCO3") / molar_mass("CaCO3")
