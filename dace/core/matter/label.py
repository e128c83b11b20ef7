"""What stands on a label, and what of it cannot be."""

from __future__ import annotations

import math
import re
from dataclasses import dataclass, replace

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.chemistry import OXIDES, atomic_weight, element_fraction
from dace.core.matter.materials import ELEMENTS, Material

FORMS = ("nitrate", "ammonium", "urea", "organic")
ALSO = ("Ca", "Mg", "S", "Na", "Cl", *OXIDES)


@dataclass(frozen=True)
class Label:
    """A label as printed.

    Parameters
    ----------
    n, p, k : float
        The grade [%].
    basis : str
        ``"oxide"`` (P2O5, K2O) or ``"element"``.
    percent : str
        ``"mass"`` (g in 100 g) or ``"volume"`` (g in 100 mL).
    form : str
        ``"liquid"`` or ``"solid"``.
    density_g_per_ml : float or None
        Of a liquid; None where the label gives none.
    nitrogen : tuple of (form, percent) or None
        Declared forms, keys of ``FORMS``; None where none are declared.
    also : tuple of (name, percent)
        Other declared nutrients, keys of ``ALSO``.
    rate_per_l : float or None
        The label's own rate, mL or g in a litre; None where it gives none.
    """

    n: float
    p: float
    k: float
    basis: str = "oxide"
    percent: str = "mass"
    form: str = "liquid"
    density_g_per_ml: float | None = None
    nitrogen: tuple[tuple[str, float], ...] | None = None
    also: tuple[tuple[str, float], ...] = ()
    rate_per_l: float | None = None

    def __post_init__(self) -> None:
        _check_words(self)
        _check_grade(self)
        _check_nitrogen(self)

    @property
    def grade(self) -> str:
        """``4-3-8``, as gardeners say it."""
        return "-".join(f"{v:g}" for v in (self.n, self.p, self.k))


def _check_words(label: Label) -> None:
    for field, value, allowed in (
        ("basis", label.basis, ("oxide", "element")),
        ("percent", label.percent, ("mass", "volume")),
        ("form", label.form, ("liquid", "solid")),
    ):
        if value not in allowed:
            raise DaceError(field, f"“{value}”", f"“{allowed[0]}” or “{allowed[1]}” would do")
    rate = label.rate_per_l
    if rate is not None and not 0 < rate <= 1000:
        raise DaceError("rate_per_l", f"{rate:g} a litre", "above 0 and up to 1000 would do")
    density = label.density_g_per_ml
    if density is not None and not 0.5 <= density <= 3:
        raise DaceError(
            "density_g_per_ml", f"{density:g} g/mL", "a density from 0.5 to 3 g/mL would do"
        )


def _check_grade(label: Label) -> None:
    given = [("n", label.n), ("p", label.p), ("k", label.k), *label.also]
    for name, value in given:
        if not (math.isfinite(value) and 0 <= value <= 100):
            raise DaceError("grade", f"{value:g} % {name}", "a percentage from 0 to 100 would do")
    for name, _ in label.also:
        if name not in ALSO:
            raise DaceError("also", f"“{name}”", f"use {', '.join(ALSO)}")
    most = 100.0
    if label.percent == "volume":
        most *= label.density_g_per_ml or judgement("liquid_density").range.high
    # potassium is no oxide in the jar: 60 % of K2O are 50 % beside 45 % of chloride
    potassium = label.k * (element_fraction("K2O") if label.basis == "oxide" else 1.0)
    total = sum(value for _, value in given) - label.k + potassium
    if total > most:
        raise DaceError(
            "grade",
            f"{label.grade}, {total:.3g} % in all",
            f"a jar cannot hold more than {most:g} %: check the numbers on the label",
        )


def _check_nitrogen(label: Label) -> None:
    if label.nitrogen is None:
        return
    for name, value in label.nitrogen:
        if name not in FORMS:
            raise DaceError("nitrogen", f"“{name}”", f"use {', '.join(FORMS)}")
        if not (math.isfinite(value) and 0 <= value <= 100):
            raise DaceError("nitrogen", f"{value:g} % {name}", "0 to 100 would do")
    declared = sum(value for _, value in label.nitrogen)
    if declared > label.n * 1.02 + 0.05:
        raise DaceError(
            "nitrogen",
            f"forms that add up to {declared:g} % of a feed with {label.n:g} % nitrogen",
            "the forms together are at most the nitrogen of the grade",
        )


def density(label: Label) -> float:
    """Density of a liquid feed [g/mL]: the label's, or our judgement of one."""
    return label.density_g_per_ml or judgement("liquid_density").range.typ


def potash_chloride(label: Label) -> float:
    """Chloride [%] that goes with the potassium of a label, were it all muriate of potash.

    >>> round(potash_chloride(Label(0, 0, 60, form="solid")), 1)
    45.2
    """
    potassium = label.k * (element_fraction("K2O") if label.basis == "oxide" else 1.0)
    return potassium * atomic_weight("Cl") / atomic_weight("K")


def forms_of(n: float, made_of: Material) -> tuple[tuple[str, float], ...]:
    """Forms of nitrogen [%] in a feed that is made of something: organic but for its mineral part.

    >>> from dace.core.matter.materials import material
    >>> forms_of(5.0, material("fish_meal"))
    (('ammonium', 0.1), ('nitrate', 0.0), ('organic', 4.9), ('urea', 0.0))
    """
    shares = {
        "nitrate": made_of.nitrate_share,
        "ammonium": made_of.ammonium_share,
        "urea": made_of.urea_share,
    }
    forms = {name: round(n * share / 100, 6) for name, share in shares.items()}
    forms["organic"] = round(n - sum(forms.values()), 6)
    return tuple(sorted(forms.items()))


def label_of_material(made_of: Material) -> Label:
    """What a pack of a material would say: its likely elements by mass.

    >>> from dace.core.matter.materials import material
    >>> round(dict(label_of_material(material("magnesium_sulfate_heptahydrate")).also)["Mg"], 2)
    9.76
    """
    solid = made_of.form == "solid"
    bare = Label(
        0,
        0,
        0,
        basis="element",
        form="solid" if solid else "liquid",
        density_g_per_ml=None if solid else made_of.density_g_per_ml,
    )
    return filled_in(bare, made_of)


def filled_in(label: Label, made_of: Material) -> Label:
    """A label whose blank cells come from what the feed is made of.

    A grade of three noughts is blank, a single nought is none of it; other nutrients are
    blank where neither they nor their oxides are named. Nothing is filled in past a whole jar.

    >>> from dace.core.matter.materials import material
    >>> ash = filled_in(Label(0, 0.5, 4, form="solid"), material("wood_ash_hardwood"))
    >>> dict(ash.also)["Ca"], ash.k
    (25.0, 4)
    """
    n, p, k = label.n, label.p, label.k
    if not (n or p or k):
        oxides = label.basis == "oxide"
        n = made_of.percent_of("N").typ
        p = made_of.percent_of("P").typ / (element_fraction("P2O5") if oxides else 1)
        k = made_of.percent_of("K").typ / (element_fraction("K2O") if oxides else 1)
    told = {OXIDES[name][0] if name in OXIDES else name for name, _ in label.also}
    blank = [e for e in ELEMENTS if e not in ("N", "P", "K") and e not in told]
    also = (*label.also, *((e, made_of.percent_of(e).typ) for e in blank))
    nitrogen = label.nitrogen
    if nitrogen is None and n:
        nitrogen = forms_of(n, made_of)
    try:
        return replace(
            label, n=n, p=p, k=k, nitrogen=nitrogen, also=tuple(one for one in also if one[1] > 0)
        )
    except DaceError:
        return label  # a label that says more than the material leaves room for stands alone


def dissolving(label: Label, made_of: Material) -> Label:
    """What of a filled-in label dissolves in water; of a liquid all is there.

    >>> from dace.core.matter.materials import material
    >>> kind = material("wood_ash_hardwood")
    >>> round(dict(dissolving(filled_in(Label(0, 0.5, 4, form="solid"), kind), kind).also)["Ca"], 3)
    0.125
    """
    if label.form == "liquid":
        return label
    n, p, k = (
        value * made_of.soluble_of(e).typ / 100
        for e, value in (("N", label.n), ("P", label.p), ("K", label.k))
    )
    shares = {e: made_of.soluble_of(e).typ / 100 for e in ("Ca", "Mg")}
    also = tuple(
        (name, value * shares.get(OXIDES[name][0] if name in OXIDES else name, 1.0))
        for name, value in label.also
    )
    nitrogen = label.nitrogen
    if nitrogen is not None and label.n:
        nitrogen = _soluble_forms(nitrogen, n)
    return replace(label, n=n, p=p, k=k, nitrogen=nitrogen, also=also)


def _soluble_forms(forms: tuple[tuple[str, float], ...], n: float) -> tuple[tuple[str, float], ...]:
    """Forms [%] of the nitrogen that dissolves: salts first, organic for the rest."""
    left, found = n, {}
    for form in ("nitrate", "ammonium", "urea", "organic"):
        found[form] = min(left, dict(forms).get(form, 0.0))
        left -= found[form]
    return tuple(sorted(found.items()))


def read_grade(text: str) -> tuple[float, float, float]:
    """The three numbers of a label, as typed.

    Parameters
    ----------
    text : str
        Such as ``4-3-8`` or ``NPK 16 8 24``.

    Returns
    -------
    tuple of float
        N, P and K [%].

    Raises
    ------
    DaceError
        On field ``grade``.

    Examples
    --------
    >>> read_grade("NPK 4,5 - 3 - 8")
    (4.5, 3.0, 8.0)
    """
    if re.match(r"\s*[-–−]\s*\d", text):
        would_do = "three numbers such as 4-3-8; none of them can be below zero"
        raise DaceError("grade", f"“{text.strip()}”", would_do)
    numbers = re.findall(r"\d+(?:[.,]\d+)?", text)
    if len(numbers) != 3 or not re.fullmatch(r"[\sNPKnpk\d.,+:/–-]+", text):
        raise DaceError("grade", f"“{text.strip()}”", "three numbers such as 4-3-8 would do")
    n, p, k = (float(number.replace(",", ".")) for number in numbers)
    return n, p, k


def mg_per_percent(label: Label) -> float:
    """Mg in one unit (mL or g) of the feed for each 1 % on the label."""
    liquid_by_mass = label.form == "liquid" and label.percent == "mass"
    return 10.0 * (density(label) if liquid_by_mass else 1.0)
