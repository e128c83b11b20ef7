"""Dry feeds, however they are told: by area, handful, spoon, hole, pot, depth or share.

One dose is so many grams in all. Given the plants, the area, the volume of medium and
the density of the feed, each way of telling it follows from any other.
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.result import Step, Working, say
from dace.core.words import shown
from dace.core.words.numbers import NUMBER, plain, read_number
from dace.core.words.quantities import AREA_UNIT, UNIT, read_amount, read_measure

_WOULD_DO = "70 g/m2, 2 handfuls a plant, 1 tbsp per hole, a 5 mm layer or 1 in 20 of the mix"
_TOTAL = r"(?:in all|altogether|total)?"
_EACH = r"(?:each|(?:per|a|for each|in each) (?:plant|hole|pot|tub))"
_PER = r"(?:per|/|a|an|on|to|for|on each|for each|on every|every)"
_PER_AREA = rf"{_PER} ?(?P<on_much>{NUMBER})? ?(?P<on_unit>{AREA_UNIT})"
_PER_MIX = (
    rf"(?:{_PER}|in|in each) ?(?P<in_much>{NUMBER})? ?(?P<in_unit>{UNIT})"
    r" ?(?:of )?(?:the )?(?:mix|medium|compost|soil|substrate)?"
)
_MOST_G = 1e6
_AGREE = 0.05


@dataclass(frozen=True)
class Spread:
    """What a dry feed is spread on, and how heavy it lies.

    ``area_m2`` and ``volume_l`` are of the ground and medium that the plants share, None
    where nobody knows; ``g_per_ml`` is the density of the feed as it lies.
    """

    plants: int
    g_per_ml: float
    area_m2: float | None = None
    volume_l: float | None = None


@dataclass(frozen=True)
class DryDose:
    """So many grams in all, and each way of telling it; None where it cannot be told."""

    grams: float
    g_each: float
    g_m2: float | None
    ml: float
    ml_each: float
    handfuls: float
    layer_mm: float | None
    share: float | None
    working: Working

    def words(self) -> tuple[tuple[str, str], ...]:
        """Every way in words: (kind, text)."""
        told = [
            ("grams", f"{shown.grams(self.grams)} in all"),
            ("each", f"{shown.grams(self.g_each)} each"),
        ]
        if self.g_m2 is not None:
            told.append(("area", shown.on_an_area(self.g_m2)))
        many = "" if abs(self.handfuls - 1) < 0.05 else "s"
        told.append(("handfuls", f"{say(self.handfuls, 2)} handful{many} in all"))
        told.append(("volume", f"{shown.millilitres(self.ml_each)} each"))
        if self.layer_mm is not None:
            told.append(("layer", f"a layer of {shown.depth(self.layer_mm)}"))
        if self.share is not None:
            told.append(("share", f"{say(100 * self.share, 2)} % of the mix"))
        return tuple(told)


def litres_of_medium(volume_l: float | None, area_m2: float | None) -> float:
    """The medium that roots feed from [L]: what was measured, or the top of the ground.

    >>> litres_of_medium(40.0, None), litres_of_medium(None, 2.0)
    (40.0, 600.0)
    """
    if volume_l is not None:
        return volume_l
    return 1000 * (area_m2 or 0.0) * judgement("bed_depth").range.typ


def usual_dry_density() -> float:
    """A dry feed that nobody weighed [g/mL]."""
    return judgement("dry_density").range.typ


def dry_dose(grams: float, on: Spread) -> DryDose:
    """Every way of telling a dose of so many grams.

    Parameters
    ----------
    grams : float
        In all [g].
    on : Spread
        Plants, area, volume and density.

    Returns
    -------
    DryDose
        With its Working.

    Raises
    ------
    DaceError
        If it is no dose that one could spread.
    """
    if on.plants < 1:
        raise DaceError("plants", f"{on.plants} plants", "at least one would do")
    if not 0 < on.g_per_ml < 5:
        raise DaceError("g_per_ml", f"{on.g_per_ml:g} g/mL", "a density above 0 and below 5")
    if not 1e-3 <= grams <= _MOST_G:
        raise DaceError("said", f"{grams:.3g} g in all", _WOULD_DO)
    ml = grams / on.g_per_ml
    area, volume = on.area_m2, on.volume_l
    return DryDose(
        grams=grams,
        g_each=grams / on.plants,
        g_m2=grams / area if area else None,
        ml=ml,
        ml_each=ml / on.plants,
        handfuls=ml / judgement("handful_ml").range.typ,
        layer_mm=ml / 1000 / area if area else None,
        share=ml / 1000 / (volume + ml / 1000) if volume else None,
        working=_working(grams, ml, on),
    )


def _working(grams: float, ml: float, on: Spread) -> Working:
    steps = [
        Step("for each plant", f"{say(grams)} g ÷ {on.plants}", grams / on.plants, "g"),
        Step(
            "as it lies",
            f"{say(grams)} g ÷ {say(on.g_per_ml)} g/mL",
            ml,
            "mL",
            "density of the feed",
            "medium",
        ),
    ]
    if on.area_m2:
        expression = f"{say(grams)} g ÷ {say(on.area_m2)} m2"
        steps.append(Step("on each square metre", expression, grams / on.area_m2, "g/m2"))
    return tuple(steps)


def read_dry(text: str, on: Spread, family: str | None = "metric") -> DryDose:
    """A dry dose as gardeners say it.

    Parameters
    ----------
    text : str
        Such as ``70 g/m2``, ``280 g``, ``35 g per plant``, ``2 handfuls``, ``a handful a
        plant``, ``1 tbsp per hole``, ``5 mm layer``, ``1 in 20 of the mix`` or ``5 %``.
    on : Spread
        What it is spread on.
    family : str or None
        Family of kitchen measures.

    Returns
    -------
    DryDose
        The same dose in every way.

    Raises
    ------
    DaceError
        On field ``said``: what was read and what would do; on ``area`` or ``volume``
        where that way of telling needs one that is not known.

    Examples
    --------
    >>> bed = Spread(plants=30, g_per_ml=0.68, area_m2=2.1)
    >>> round(read_dry("70 g/m2", bed).grams), round(read_dry("1 tbsp per hole", bed).grams)
    (147, 306)
    """
    folded = re.sub(r"^(?:about|some|a dressing of) ", "", plain(text))
    folded = re.sub(r"^an? (?=\d)", "", folded)
    folded = re.sub(r"^(?:a|an|one) (?=handful|layer|spoon|t)", "1 ", folded)
    if not folded:
        raise DaceError("said", "nothing", _WOULD_DO)
    for reader in (_layer, _share, _mass_or_volume):
        grams = reader(folded, on, family)
        if grams is not None:
            return dry_dose(grams, on)
    raise DaceError("said", f"“{text.strip()[:60]}”", _WOULD_DO)


def _layer(text: str, on: Spread, _: str | None) -> float | None:
    deep = rf"({NUMBER} ?(?:mm|cm|in|inch|inches))(?: deep| thick)?"
    found = re.fullmatch(rf"(?:1 )?(?:layer (?:of )?)?{deep}(?: layer)?", text)
    if not found:
        return None
    area = _needed("area", on.area_m2, "a layer")
    return read_measure(found[1], "length", "said") * area * 1e6 * on.g_per_ml


def _share(text: str, on: Spread, _: str | None) -> float | None:
    tail = r"(?: ?(?:of|in) the mix| by volume)?"
    part = re.fullmatch(rf"({NUMBER}) (?:part )?in ({NUMBER}){tail}", text)
    percent = re.fullmatch(rf"({NUMBER}) ?%{tail}", text)
    if part:
        share = read_number(part[1], "said") / max(read_number(part[2], "said"), 1e-9)
    elif percent:
        share = read_number(percent[1], "said") / 100
    else:
        return None
    if not 0 < share < 1:
        raise DaceError("said", f"{100 * share:g} % of the mix", "less than the whole would do")
    volume = _needed("volume", on.volume_l, "a share of the mix")
    return volume * share / (1 - share) * 1000 * on.g_per_ml


def _mass_or_volume(text: str, on: Spread, family: str | None) -> float | None:
    found = re.fullmatch(
        rf"(?P<much>{NUMBER}) ?(?P<unit>{UNIT}|handfuls?|hands?) ?"
        rf"(?:(?P<area>{_PER_AREA})|(?P<each>{_EACH})|(?P<mix>{_PER_MIX})|{_TOTAL})",
        text,
    )
    if not found:
        return None
    if found["unit"].startswith("hand"):
        ml = read_number(found["much"], "said") * judgement("handful_ml").range.typ
        grams = ml * on.g_per_ml
    else:
        amount = read_amount(f"{found['much']} {found['unit']}", family, "said")
        grams = amount.value if amount.unit == "g" else amount.value * on.g_per_ml
    if found["area"]:
        each = read_measure(f"{found['on_much'] or 1} {found['on_unit']}", "area", "said")
        return grams / each * _needed("area", on.area_m2, "so much on an area")
    if found["mix"]:
        mix = read_amount(f"{found['in_much'] or 1} {found['in_unit']}", family, "said")
        if mix.unit != "mL":
            return None
        return grams / mix.value * 1000 * _needed("volume", on.volume_l, "so much in the mix")
    return grams * on.plants if found["each"] else grams


def _needed(field: str, value: float | None, what: str) -> float:
    if not value:
        raise DaceError(field, f"{what}, of a place whose {field} is not known", "say it in grams")
    return value


def season_nitrogen_g_m2(mg_a_plant: float, plants: int, area_m2: float | None) -> float | None:
    """Nitrogen on a square metre over a season [g]; None where the area is not known.

    >>> season_nitrogen_g_m2(1500.0, 8, 2.0)
    6.0
    """
    return mg_a_plant * plants / area_m2 / 1000 if area_m2 else None


def disagreement(tellings: tuple[str, ...], on: Spread, family: str | None = "metric") -> str:
    """What is said where two ways of telling one dose do not agree; empty where they do.

    Parameters
    ----------
    tellings : tuple of str
        Ways of telling, each as for :func:`read_dry`.
    on : Spread
        What it is spread on.
    family : str or None
        Family of kitchen measures.

    Returns
    -------
    str
        The numbers, or nothing.

    Examples
    --------
    >>> bed = Spread(plants=4, g_per_ml=0.5, area_m2=2.0, volume_l=400.0)
    >>> disagreement(("5 mm layer", "10 L"), bed)
    ''
    >>> disagreement(("5 cm layer", "10 L"), bed)
    '“5 cm layer” comes to 100 L and “10 L” to 10 L: they differ 10 times.'
    """
    doses = [read_dry(text, on, family) for text in tellings]
    least, most = min(doses, key=lambda d: d.ml), max(doses, key=lambda d: d.ml)
    if most.ml <= least.ml * (1 + _AGREE):
        return ""
    parts = [
        f"“{text.strip()}” {'comes ' if turn == 0 else ''}to {shown.litres(dose.ml / 1000)}"
        for turn, (text, dose) in enumerate(zip(tellings, doses, strict=True))
    ]
    return f"{' and '.join(parts)}: they differ {say(most.ml / least.ml, 2)} times."
