"""What a liquid is good for and what it does not do: from what it holds, not from lore."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass

from dace.core.brew.recipe import RecipeItem
from dace.core.can.fitting import friendly_parts
from dace.core.can.usual import usual_in_pots
from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.materials import material
from dace.core.matter.nutrients import NUTRIENT_NAMES
from dace.core.result import say

_WISH = {"N": 85.0, "P": 14.0, "K": 110.0, "Ca": 60.0, "Mg": 14.0}
_MUCH, _LITTLE, _MOST = 0.5, 0.15, 1.6
_SALTY_MG_L = 70.0
_MOSTLY_CALCIUM, _MOSTLY_POTASSIUM, _MOSTLY_NITROGEN = 3.0, 1.5, 1.2


@dataclass(frozen=True)
class Purpose:
    """How far to dilute a liquid, and what a litre of that brings.

    ``parts`` of water to one; ``brings`` are mg/L at that strength.
    """

    parts: int
    brings: tuple[tuple[str, float], ...]
    good_for: tuple[str, ...]
    does_not: tuple[str, ...]


def leafy(solids: tuple[RecipeItem, ...]) -> bool:
    """Whether what went in holds as much nitrogen as potassium: it goes on giving it.

    >>> leafy((RecipeItem("nettle_fresh", 1500),)), leafy((RecipeItem("comfrey_fresh", 1500),))
    (True, False)
    """
    held = {n: sum(one.mass_g * _percent(one, n) for one in solids) for n in ("N", "K")}
    return held["N"] > 0 and held["N"] >= held["K"]


def _percent(one: RecipeItem, nutrient: str) -> float:
    return material(one.material).percent_of(nutrient).typ


def purpose_of(
    mg_l: dict[str, float],
    ec_ms_cm: float,
    sodium_mg_l: float = 0.0,
    solids: tuple[RecipeItem, ...] = (),
    tokens: Collection[str] = (),
) -> Purpose:
    """What a liquid does when it is watered on in a pot at a usual strength.

    Parameters
    ----------
    mg_l : dict of str to float
        Likely N, P, K, Ca, Mg of the liquid as it stands.
    ec_ms_cm : float
        Its likely conductivity.
    sodium_mg_l : float
        Its sodium.
    solids : tuple of RecipeItem
        What it was made of, where that is known: nettle, grass and dung are for leaf, though
        their potassium comes out first.
    tokens : collection of str
        What the table of usual dilutions may name it by: never stronger than is usual in a pot.

    Returns
    -------
    Purpose
        In plain words.

    Examples
    --------
    >>> found = purpose_of({"N": 130, "P": 40, "K": 1600, "Ca": 70, "Mg": 30}, 6.0)
    >>> found.parts, found.good_for
    (9, ('flowers and fruit: it is rich in potassium',))
    """
    drink = judgement("brew_drink_ec").range.typ
    richest = max(v / (_MOST * _WISH[n]) for n, v in mg_l.items())
    stronger = max(ec_ms_cm / drink, richest)
    parts = 0 if stronger <= 1 else friendly_parts(1000 / stronger)
    full = {n: v / (1 + parts) for n, v in mg_l.items()}
    rich = {n for n, v in full.items() if v >= _MUCH * _WISH[n]}
    parts = max(parts, usual_in_pots(tokens))
    weaker = 1 / (1 + parts)
    brings = {n: v * weaker for n, v in mg_l.items()}
    poor = [n for n, v in brings.items() if v < _LITTLE * _WISH[n]]
    does_not = (
        [f"It brings next to no {_listed([NUTRIENT_NAMES[n] for n in poor])}"] if poor else []
    )
    if sodium_mg_l * weaker > _SALTY_MG_L:
        does_not.append("It brings salt: not for pots and seedlings")
    return Purpose(
        parts, tuple(brings.items()), tuple(_good_for(rich, brings, leafy(solids))), tuple(does_not)
    )


def _listed(names: list[str]) -> str:
    """Names in a row, the last after an "or"."""
    return "".join(names) if len(names) < 2 else f"{', '.join(names[:-1])} or {names[-1]}"


def _good_for(rich: set[str], brings: dict[str, float], leafy: bool) -> list[str]:
    found = []
    n, k = brings["N"], brings["K"]
    if rich & {"N", "K"} and (leafy or n >= 0.8 * k):
        found.append("leafy growth: it is rich in nitrogen")
    elif "K" in rich and k > _MOSTLY_POTASSIUM * n:
        found.append("flowers and fruit: it is rich in potassium")
    elif rich & {"N", "K"}:
        found.append("steady feeding: nitrogen and potassium together")
    if "Ca" in rich:
        found.append("calcium where the water is soft or the mix is coir")
    if not found:
        found.append(f"little more than water: it brings {say(n, 2)} mg/L of nitrogen")
    return found


def suits(feed: Composition, solids: tuple[RecipeItem, ...] = ()) -> str:
    """What a feed is richest in, in a word or two; empty where it brings neither N, K nor Ca.

    ``solids`` are what a home-made one was made of.

    >>> from dace.core.matter.composition import Label, composition
    >>> suits(composition(Label(4, 3, 8, density_g_per_ml=1.15)))
    'flower and fruit'
    """
    n, k = feed.element("N"), feed.element("K")
    if feed.element("Ca") > _MOSTLY_CALCIUM * max(n, k):
        return "calcium"
    if max(n, k) <= 0:
        return ""
    if leafy(solids):
        return "leaf"
    if k > _MOSTLY_POTASSIUM * n:
        return "flower and fruit"
    return "leaf" if n > _MOSTLY_NITROGEN * k else "steady feeding"
