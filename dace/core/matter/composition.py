"""What is in a bought feed: from its label to elements and ions.

Notes
-----
A label prints a grade (N, P, K), as oxides or elements, by mass or by volume.
Everything is turned once into mg of element per mL of liquid or per g of solid.
Ions that a label leaves out are found by closing the charge: phosphate is
counted as the singly charged ion, as feeds are made from it.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Range, judgement
from dace.core.matter.chemistry import OXIDES, atomic_weight, element_fraction, molar_mass
from dace.core.matter.label import FORMS, Label, density, mg_per_percent
from dace.core.result import Step, say

FEED_KEYS = ("NO3_N", "NH4_N", "urea_N", "organic_N", "P", "K", "Ca", "Mg", "S_SO4", "Na", "Cl")


@dataclass(frozen=True)
class Composition:
    """Elements in one mL (liquid) or one g (solid) of a feed.

    ``mg`` maps ``FEED_KEYS`` to mg per unit, charge closed with sulfate or sodium;
    ``mg_chloride`` is the same closed with chloride: the other end of what is possible.
    ``spread`` is the relative 10/50/90 % range of any declared nutrient, ``spreads`` those
    of nutrients that have one of their own; ``known_by`` says where it all comes from.
    """

    unit: str
    mg: tuple[tuple[str, float], ...]
    mg_chloride: tuple[tuple[str, float], ...]
    mg_no_charge_n: tuple[tuple[str, float], ...]
    spread: Range
    forms_declared: bool
    label: Label
    spreads: tuple[tuple[str, Range], ...] = ()
    known_by: str = "label"

    def spread_of(self, name: str) -> Range:
        """Relative range of one nutrient: its own where it has one."""
        return dict(self.spreads).get(name, self.spread)

    def price_per_gram(self, nutrient: str, price: float, holds: float) -> float | None:
        """Of a nutrient in a pack of so many mL or g; None where none is in it."""
        grams = holds * self.element(nutrient) / 1000
        return price / grams if grams > 0 else None

    def element(self, name: str) -> float:
        """Mg per unit of ``N``, ``P``, ``K``, ``Ca`` or ``Mg``."""
        amounts = dict(self.mg)
        if name == "N":
            return sum(amounts[key] for key in ("NO3_N", "NH4_N", "urea_N", "organic_N"))
        return amounts[name]


@cache
def composition(label: Label) -> Composition:
    """Elements and ions in one mL or g of a feed.

    Parameters
    ----------
    label : Label
        What the jar says.

    Returns
    -------
    Composition
        mg per mL (liquid) or per g (solid).

    Examples
    --------
    >>> feed = composition(Label(4, 3, 8, density_g_per_ml=1.15))
    >>> round(feed.element("N"), 1), round(feed.element("P"), 1), round(feed.element("K"), 1)
    (46.0, 15.1, 76.4)
    """
    unit = mg_per_percent(label)
    p, k = (
        (label.p * element_fraction("P2O5"), label.k * element_fraction("K2O"))
        if label.basis == "oxide"
        else (label.p, label.k)
    )
    also = dict.fromkeys(("Ca", "Mg", "S", "Na", "Cl"), 0.0)
    for name, value in label.also:
        element = OXIDES[name][0] if name in OXIDES else name
        also[element] += value * (element_fraction(name) if name in OXIDES else 1)
    base = {"P": p * unit, "K": k * unit, "Ca": also["Ca"] * unit, "Mg": also["Mg"] * unit}
    base |= {"S_SO4": also["S"] * unit, "Na": also["Na"] * unit, "Cl": also["Cl"] * unit}
    nitrogen = {f"{key}": value * unit for key, value in _nitrogen_keys(label).items()}
    silent = dict.fromkeys(nitrogen, 0.0) | {"urea_N": label.n * unit}
    charged = nitrogen if label.nitrogen is not None else _all_charged(label.n * unit)
    closed = base | nitrogen
    return Composition(
        unit="mL" if label.form == "liquid" else "g",
        mg=_ordered(_close(closed, "S_SO4")),
        mg_chloride=_ordered(_close(base | charged, "Cl")),
        mg_no_charge_n=_ordered(
            _close(base | (nitrogen if label.nitrogen is not None else silent), "S_SO4")
        ),
        spread=_spread(label),
        forms_declared=label.nitrogen is not None or label.n == 0,
        label=label,
    )


ACETATE = "acetate_as_CH3COO"
"""The ion that closes the charge of what was brewed."""


def composition_of_liquid(
    mg_l: Mapping[str, float], name: str, brewed: bool = False
) -> Composition:
    """A liquid known by what is in it.

    Parameters
    ----------
    mg_l : mapping of str to float
        Keys of ``FEED_KEYS`` [mg/L].
    name : str
        What it is, for the Working.
    brewed : bool
        Whether it is home-made, whose charge acetate closes.

    Raises
    ------
    DaceError
        On ``mg_l`` for a key that is none of them, or an amount below 0.

    Examples
    --------
    >>> composition_of_liquid({"K": 1600.0, "NH4_N": 200.0}, "comfrey").element("N")
    0.2
    """
    for key, value in mg_l.items():
        if key not in FEED_KEYS or value < 0:
            raise DaceError("mg_l", f"{key} {value:g}", f"amounts of {', '.join(FEED_KEYS)}")
    base = {key: mg_l.get(key, 0.0) / 1000 for key in FEED_KEYS}
    label = Label(0, 0, 0)
    likely, other = (ACETATE, ACETATE) if brewed else ("S_SO4", "Cl")
    return Composition(
        unit="mL",
        mg=_ordered(_close(base, likely)),
        mg_chloride=_ordered(_close(base, other)),
        mg_no_charge_n=_ordered(_close(base, likely)),
        spread=judgement("label_tolerance").range,
        forms_declared=True,
        label=label,
        known_by=name,
    )


def _nitrogen_keys(label: Label) -> dict[str, float]:
    """Nitrogen [%] by form; what no declared form covers is counted organic."""
    if label.nitrogen is None:
        nitrate = judgement("undeclared_nitrate").range.typ * label.n
        ammonium = judgement("undeclared_ammonium").range.typ * label.n
        rest = label.n - nitrate - ammonium
        return {"NO3_N": nitrate, "NH4_N": ammonium, "urea_N": rest, "organic_N": 0.0}
    given = dict.fromkeys(FORMS, 0.0) | dict(label.nitrogen)
    declared = sum(given.values())
    shrink = min(1.0, label.n / declared) if declared else 1.0
    nitrate, ammonium, urea, organic = (given[form] * shrink for form in FORMS)
    organic += max(0.0, label.n - declared)
    return {"NO3_N": nitrate, "NH4_N": ammonium, "urea_N": urea, "organic_N": organic}


def _all_charged(n_mg: float) -> dict[str, float]:
    return {"NO3_N": n_mg / 2, "NH4_N": n_mg / 2, "urea_N": 0.0, "organic_N": 0.0}


def charge_meq(mg: Mapping[str, float]) -> float:
    """Cations less anions [meq per the unit of ``mg``], phosphate singly charged."""
    signed = {"NH4_N": ("N", 1), "K": ("K", 1), "Na": ("Na", 1), "Ca": ("Ca", 2), "Mg": ("Mg", 2)}
    signed |= {"NO3_N": ("N", -1), "P": ("P", -1), "S_SO4": ("S", -2), "Cl": ("Cl", -1)}
    return sum(
        mg.get(key, 0.0) / atomic_weight(element) * z for key, (element, z) in signed.items()
    )


def _close(mg: dict[str, float], anion: str) -> dict[str, float]:
    short = charge_meq(mg)
    closed = dict(mg)
    if short < 0:
        closed["Na"] += -short * atomic_weight("Na")
    elif anion == "Cl":
        closed["Cl"] += short * atomic_weight("Cl")
    elif anion == ACETATE:
        closed[ACETATE] = short * molar_mass("CH3COO")
    else:
        closed["S_SO4"] += short / 2 * atomic_weight("S")
    return closed


def _ordered(mg: Mapping[str, float]) -> tuple[tuple[str, float], ...]:
    return tuple((key, mg[key]) for key in (*FEED_KEYS, ACETATE) if key in mg)


def _spread(label: Label) -> Range:
    parts = [judgement("label_tolerance").range]
    if label.form == "liquid" and label.percent == "mass" and label.density_g_per_ml is None:
        guess = judgement("liquid_density").range
        parts.append(guess.scaled(1 / guess.typ))
    return combined(*parts)


def combined(*factors: Range) -> Range:
    """Relative range of a product of independent factors, each around 1.

    >>> combined(Range(0.97, 1, 1.03), Range(0.96, 1, 1.04)).high
    1.05
    """
    low = math.sqrt(sum((1 - f.low) ** 2 for f in factors))
    high = math.sqrt(sum((f.high - 1) ** 2 for f in factors))
    return Range(max(0.0, 1 - low), 1.0, 1 + high)


def label_step(label: Label, element: str) -> Step:
    """How mg per unit of an element follow from the label, for the Working."""
    percent, oxide = {"N": (label.n, ""), "P": (label.p, "P2O5"), "K": (label.k, "K2O")}[element]
    unit = "mL" if label.form == "liquid" else "g"
    value = composition(label).element(element)
    parts = [f"{say(percent)} %"]
    notes = [f"label, {percent:g} % {'by mass' if label.percent == 'mass' else 'by volume'}"]
    if oxide and label.basis == "oxide":
        parts.append(say(element_fraction(oxide)))
        notes.append(f"as {oxide}")
    per_unit = "1000 mg" if mg_per_percent(label) == 10 else f"{say(density(label))} g × 1000 mg"
    if label.form == "liquid" and label.percent == "mass" and label.density_g_per_ml is None:
        notes.append("density not on the label, a usual one taken")
    return Step(
        f"{element} in 1 {unit} of the jar",
        " × ".join([*parts, per_unit]),
        value,
        f"mg/{unit}",
        "; ".join(notes),
        judgement("label_tolerance").confidence,
    )
