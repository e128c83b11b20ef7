"""How strong a spray leaves stand: its salts, urea, sodium, chloride and sourness."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from dace.core.can.ingredient import Ingredient, mixed_ions, water_share
from dace.core.can.leaf import Leaf, leaf_figure
from dace.core.matter.chemistry import atomic_weight, molar_mass
from dace.core.matter.composition import ACETATE, Composition
from dace.core.matter.waters import WaterIons
from dace.core.result import Step, Working, say

LimitOf = Literal["salts", "urea", "sodium", "chloride", "ph"]
WARM_C = 22.0
"""Above this leaves stand half [C]."""
_SOUR_PARTS = 200.0
_ION_OF = {
    "NO3_N": ("NO3", "N"),
    "NH4_N": ("NH4", "N"),
    "P": ("H2PO4", "P"),
    "S_SO4": ("SO4", "S"),
}
_BARE = ("K", "Ca", "Mg", "Na", "Cl", ACETATE)


@dataclass(frozen=True)
class Limit:
    """One thing that leaves stand only so much of [g/L], and how much of it there is.

    ``cool`` is what they stand in cool air, where they stand less now.
    """

    of: LimitOf
    used: float
    most: float
    step: Step
    cool: float

    @property
    def over(self) -> bool:
        """Whether it is more than leaves stand."""
        return self.used > self.most * (1 + 1e-9)


def urea_g_l(parts: Sequence[Ingredient]) -> float:
    """Urea in a litre of spray [g]."""
    nitrogen = sum(part.per_l * dict(part.feed.mg)["urea_N"] for part in parts)
    return nitrogen / 1000 * molar_mass("CH4N2O") / (2 * atomic_weight("N"))


def salts_g_l(parts: Sequence[Ingredient]) -> tuple[float, Working]:
    """Salts in a litre of spray [g], urea apart.

    A dry feed counts as weighed, a liquid by the mass of its ions with the charge closed.
    """
    found, steps = 0.0, []
    for part in parts:
        if part.feed.unit == "g":
            grams, said = part.per_l, f"{say(part.per_l)} g/L"
        else:
            each = ion_mass_mg(part.feed)
            grams = part.per_l * each / 1000
            said = f"{say(part.per_l)} mL/L × {say(each)} mg/mL ÷ 1000"
        urea = urea_g_l([part])
        if part.feed.unit == "g" and urea > 0:
            grams, said = grams - urea, f"{said} − {say(urea)} g/L"
        found += grams
        steps.append(Step(f"salts of {part.name or 'the feed'}", said, grams, "g/L"))
    return max(0.0, found), tuple(steps)


def ion_mass_mg(feed: Composition) -> float:
    """Mass of the ions in a mL or g of a feed [mg], urea and what carries no charge left out."""
    amounts = dict(feed.mg)
    bound = sum(
        amounts.get(key, 0.0) * molar_mass(ion) / atomic_weight(element)
        for key, (ion, element) in _ION_OF.items()
    )
    return bound + sum(amounts.get(key, 0.0) for key in _BARE)


def limits_for(
    parts: Sequence[Ingredient], water: WaterIons, leaf: Leaf, air_c: float, sour: bool
) -> tuple[Limit, ...]:
    """Everything that bounds a spray, the nearest to its limit first.

    Parameters
    ----------
    parts : sequence of Ingredient
        What is in it.
    water : WaterIons
        What it is mixed with.
    leaf : Leaf
        Whose leaf.
    air_c : float
        Warmth of the air while spraying [C]; above 22 C leaves stand half.
    sour : bool
        Whether acid is in it, put there or fermented; see ``matter/methods``.
    """
    warm = 0.5 if air_c > WARM_C else 1.0
    held = mixed_ions(parts, water, water_share(parts))
    salts, _ = salts_g_l(parts)
    known = leaf_figure(_salts_row(parts, leaf))
    found = [_limit("salts", salts, known.range.typ, warm, known.source)]
    urea = urea_g_l(parts)
    if urea > 0:
        row = leaf_figure("urea_tender_g_l" if leaf.tender else "urea_grown_g_l")
        found.append(_limit("urea", urea, row.range.typ, warm, row.source))
    bare: tuple[tuple[LimitOf, str, str], ...] = (
        ("sodium", "Na", "na_mg_l"),
        ("chloride", "Cl", "cl_mg_l"),
    )
    for of, ion, key in bare:
        row = leaf_figure(key)
        found.append(_limit(of, held[ion] / 1000, row.range.typ / 1000, warm, row.source))
    if sour:
        found.append(_sour(parts))
    return tuple(sorted(found, key=lambda one: -one.used / one.most))


def _salts_row(parts: Sequence[Ingredient], leaf: Leaf) -> str:
    if leaf.tender:
        return "salts_tender_g_l"
    return "salts_mgso4_g_l" if all(_is_epsom(part.feed) for part in parts) else "salts_grown_g_l"


def _is_epsom(feed: Composition) -> bool:
    """Whether it is magnesium sulfate and nothing else to speak of."""
    magnesium = feed.element("Mg")
    others = sum(feed.element(n) for n in ("N", "P", "K", "Ca")) + dict(feed.mg)["Na"]
    return magnesium > 0 and others < 0.05 * magnesium


def _limit(of: LimitOf, used: float, most: float, warm: float, source: str) -> Limit:
    said = f"{say(most)} g/L" + (f" × {say(warm)}" if warm < 1 else "")
    step = Step(f"most {of} that such leaf stands", said, most * warm, "g/L", source, "medium")
    return Limit(of, used, most * warm, step, most)


def _sour(parts: Sequence[Ingredient]) -> Limit:
    """Something sour by how thin it is: about 1 + 200 is as sour as leaves stand."""
    row = leaf_figure("acid_ph_min")
    used = sum(part.per_l for part in parts if part.feed.unit == "mL")  # a mL is about a gram
    most = 1000 / (1 + _SOUR_PARTS)
    said = f"1000 g/L ÷ (1 + {say(_SOUR_PARTS)})"
    step = Step("a sour liquid thinner than", said, most, "g/L", row.source, row.confidence)
    return Limit("ph", used, most, step, most)
