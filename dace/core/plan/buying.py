"""What would fill what the shelf cannot: a material for each nutrient, how much, what it costs."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from datetime import date

from dace.core.fed.records import Yard
from dace.core.matter.materials import Material, materials
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.plan.records import Plan, Short
from dace.core.verdict.to_get import usually
from dace.core.words.days import on_day
from dace.core.words.listing import listed

_FAMILIES = ("mineral_salt",)
_DISSOLVES_G_PER_L = 50.0
_UP_TO = 1.25  # what is poured and not taken
_SALTY_PERCENT = 2.0


@dataclass(frozen=True)
class ToBuy:
    """So many grams for what is short, by the day when it is; ``cost`` None where unknown."""

    nutrients: tuple[str, ...]
    material: str
    name: str
    grams: float
    cost: float | None
    stops: tuple[str, ...]
    by: date
    text: str


def to_buy(plan: Plan, yard: Yard) -> tuple[ToBuy, ...]:
    """What to get for what the shelf lacks: one feed for nitrogen and potassium, then salts.

    What only the rhythm cannot carry is no reason to buy anything.
    """
    lacking = [one for one in plan.short if one.why in ("shelf", "stock")]
    missing: dict[str, float] = {}
    for one in lacking:
        missing[one.nutrient] = missing.get(one.nutrient, 0.0) + _UP_TO * one.mg
    prices, found = _prices(yard), []
    if {"N", "K"} <= missing.keys():
        both = {n: missing.pop(n) for n in ("N", "K")}
        usual = usually(both)
        grams = usual.grams(both)
        found.append(_row(usual.what, usual.like, grams, tuple(both), lacking, prices))
        missing = {n: mg for n, mg in missing.items() if not _brings(usual.like, n, grams, mg)}
    for nutrient in sorted(missing, key=NUTRIENTS.index):
        best = _richest(nutrient)
        if best is not None:
            grams = missing[nutrient] / (10 * best.percent_of(nutrient).typ)
            found.append(_row(best.name, best, grams, (nutrient,), lacking, prices))
    return tuple(found)


def _brings(of: Material, nutrient: str, grams: float, mg: float) -> bool:
    return 10 * of.percent_of(nutrient).typ * grams >= mg


def _row(
    name: str,
    like: Material,
    grams: float,
    nutrients: tuple[str, ...],
    lacking: Sequence[Short],
    prices: Mapping[str, float],
) -> ToBuy:
    rows = [one for one in lacking if one.nutrient in nutrients]
    by, price = min(one.since for one in rows), prices.get(like.key)
    said = f"{name}, by {on_day(by)}: {listed([NUTRIENT_NAMES[n] for n in nutrients])}"
    return ToBuy(
        nutrients=nutrients,
        material=like.key,
        name=name,
        grams=grams,
        cost=None if price is None else price * grams,
        stops=tuple(dict.fromkeys(one.stop for one in rows)),
        by=by,
        text=said,
    )


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
