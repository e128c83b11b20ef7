"""What a stop is fed with: the source that misses least, its water, its can, its litres."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

from dace.core.can.ingredient import Source
from dace.core.can.measuring import measured, vessel_for
from dace.core.can.pouring import pourable
from dace.core.fed.facts import Facts
from dace.core.fed.options import (
    Fed,
    Meal,
    Option,
    cap_of,
    in_rank,
    litre_of,
    option_of,
    options,
)
from dace.core.fed.records import MixedCan, NamedWater, Portion, Yard
from dace.core.figures import judgement
from dace.core.matter.settings import setting
from dace.core.season.crops import Crop

_OFFERS = 3
_FEW_L = 1e-6
_MUCH_WORSE, _LEAST_ML = 0.8, 0.5
_LEAST_LEFT = 0.5


def litres_each(facts: Facts, litres: float) -> float:
    """What each plant gets of so much for the whole fill [L], as one can pour it."""
    each = litres / facts.plants
    return pourable(each, each)


def best_water(facts: Facts, fed: Sequence[Fed], waters: Sequence[NamedWater]) -> NamedWater | None:
    """The usual water, or the softest where salt, seedlings or a plant that hates lime want it."""
    if not waters:
        return None
    softest = min(waters, key=lambda water: water.ions.ec_ms_cm)
    root = facts.stop.followed.root_zone
    tender = setting(root.setting).seedlings or any(one.stage.is_seedling for one in fed)
    limy = any(_hates_lime(one.grows.crop, facts) for one in fed)
    salty = facts.over > judgement("drain_in_doubt").range.typ or facts.word == "rising"
    return softest if tender or limy or salty else waters[0]


def _hates_lime(grown: Crop, facts: Facts) -> bool:
    if grown.ph[1] <= judgement("acid_loving_ph").range.typ:
        return True
    return facts.stop.ph is not None and not facts.in_bed and facts.stop.ph > grown.ph[1]


def recipes(meal: Meal, stock: dict[str, float]) -> tuple[Portion, ...]:
    """Up to three cans that suit all that is fed there, the one that misses least first.

    Parameters
    ----------
    meal : Meal
        Who is fed, and what is owed.
    stock : dict
        What each source still holds, by key.

    Returns
    -------
    tuple of Portion
        None where nothing on the shelf suits.
    """
    if meal.litres <= _FEW_L:
        return ()
    found = []
    for one in options(meal):
        left = stock.get(one.source.key, one.source.stock) / (meal.litres * one.litres_share)
        if left < _LEAST_LEFT * one.per_l:
            continue
        held: Option | None = one
        if left < one.per_l:
            held = option_of(one.source, meal, left)
        if held is not None:
            found.append(held)
    return tuple(
        portion(one, meal.litres * one.litres_share, meal.water, meal.yard)
        for one in worth_it(found, meal.litres)[:_OFFERS]
    )


def worth_it(found: Sequence[Option], litres: float) -> tuple[Option, ...]:
    """The best first, without those that suit much worse or are too little to measure."""
    ranked = in_rank(found)
    near = [one for one in ranked if one.rank <= ranked[0].rank + _MUCH_WORSE]
    return tuple(one for one in near if measurable(one, litres)) or tuple(near)


def measurable(one: Option, litres: float) -> bool:
    """Whether so little of a liquid can be measured as those litres want."""
    return one.source.feed.unit == "g" or one.per_l * litres * one.litres_share >= _LEAST_ML


def portion(one: Option, litres: float, water: NamedWater, yard: Yard) -> Portion:
    """An option as a can of so many litres, in the vessel and the measures that fit."""
    bare = Portion(
        source=one.source.key,
        name=one.source.name,
        unit=one.source.feed.unit,
        amount=one.per_l * litres,
        per_l=one.per_l,
        water=water.key,
        water_name=water.name,
        can=one.can,
        cap=one.cap,
        bound_by=one.bound_by,
        miss=one.miss,
    )
    return _in_vessel(bare, litres, one.source, yard)


def thinner(own: Portion, per_l: float, why: str, yard: Yard) -> Portion:
    """A can at a weaker strength than its own, and why [mL or g a litre]."""
    return replace(whole_can(own, per_l, own.litres, yard), bound_by=why)


def whole_can(own: Portion, per_l: float, litres: float, yard: Yard) -> Portion:
    """A can of the same source and water at a strength [mL or g a litre], for so many litres."""
    source = next(one for one in yard.sources if one.key == own.source)
    water = next(one for one in yard.waters if one.key == own.water)
    thin = replace(
        own,
        amount=per_l * litres,
        per_l=per_l,
        can=litre_of(per_l, source.feed, water.ions),
    )
    return _in_vessel(thin, litres, source, yard)


def from_mixed(source: Source, can: MixedCan, fed: Sequence[Fed], yard: Yard) -> Portion | None:
    """What a stop gets of a can that stands there mixed; None where its water is gone."""
    water = next((one for one in yard.waters if one.key == can.water), None)
    if water is None or can.per_l <= 0:
        return None
    litres = sum(one.litres for one in fed)
    poured = Portion(
        source=source.key,
        name=source.name,
        unit=source.feed.unit,
        amount=can.per_l * litres,
        per_l=can.per_l,
        water=water.key,
        water_name=water.name,
        can=litre_of(can.per_l, source.feed, water.ions),
        cap=min(cap_of(one, water.ions) for one in fed),
        bound_by="the can that is mixed for today",
    )
    return _in_vessel(poured, litres, source, yard)


def _in_vessel(own: Portion, litres: float, source: Source, yard: Yard) -> Portion:
    vessel, cans = vessel_for(litres, yard.vessels)
    return replace(
        own,
        said=measured(own.amount / cans, own.unit, yard.owned, source.g_per_ml),
        litres=litres,
        vessel=vessel.key if vessel else "",
        vessel_name=vessel.name if vessel else "",
        fill_l=litres / cans,
        cans=cans,
    )
