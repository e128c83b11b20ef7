"""What would fill what the shelf cannot: a material for each nutrient, how much, what it costs."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass

from dace.core.fed.records import Yard
from dace.core.matter.materials import Material, materials
from dace.core.matter.nutrients import NUTRIENT_NAMES
from dace.core.plan.records import Plan

_FAMILIES = ("mineral_salt",)
_DISSOLVES_G_PER_L = 50.0
_UP_TO = 1.25  # what is poured and not taken
_SALTY_PERCENT = 2.0


@dataclass(frozen=True)
class ToBuy:
    """So many grams of a material for a nutrient that is short; ``cost`` None where unknown."""

    nutrient: str
    material: str
    name: str
    grams: float
    cost: float | None
    stops: tuple[str, ...]
    text: str


def to_buy(plan: Plan, yard: Yard) -> tuple[ToBuy, ...]:
    """What to get for what the shelf lacks, the richest that dissolves first.

    What only the rhythm cannot carry is no reason to buy anything.
    """
    missing: dict[str, float] = {}
    stops: dict[str, list[str]] = {}
    for one in plan.short:
        if one.why in ("shelf", "stock"):
            missing[one.nutrient] = missing.get(one.nutrient, 0.0) + one.mg
            stops.setdefault(one.nutrient, []).append(one.stop)
    prices = _prices(yard)
    found = []
    for nutrient, mg in missing.items():
        best = _richest(nutrient)
        if best is None:
            continue
        grams = _UP_TO * mg / (10 * best.percent_of(nutrient).typ)
        price = prices.get(best.key)
        cost = None if price is None else price * grams
        said = f"{NUTRIENT_NAMES[nutrient]}: {best.name} would fill it"
        found.append(
            ToBuy(nutrient, best.key, best.name, grams, cost, tuple(stops[nutrient]), said)
        )
    return tuple(found)


def _richest(nutrient: str) -> Material | None:
    """The salt with the most of a nutrient; none that salts the roots with chloride or sodium."""

    def suits(one: Material) -> bool:
        dissolves = (one.solubility_g_per_l or 0.0) >= _DISSOLVES_G_PER_L
        salty = sum(one.percent_of(ion).typ for ion in ("Cl", "Na"))
        holds = one.percent_of(nutrient).typ > 0 and salty <= _SALTY_PERCENT
        return one.family in _FAMILIES and dissolves and holds

    fitting = [one for one in materials().values() if suits(one)]
    return max(fitting, key=lambda one: (one.percent_of(nutrient).typ, one.key), default=None)


def _prices(yard: Yard) -> Mapping[str, float]:
    """What a gram costs of a material that some jar is of."""
    found = {}
    for source in yard.sources:
        for token in source.tokens:
            if token.startswith("key:") and source.price is not None:
                found[token.removeprefix("key:")] = source.price
    return found
