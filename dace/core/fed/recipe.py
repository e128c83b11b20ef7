"""What a stop is fed with: the source that misses least, its water, its can, its litres."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import replace

from dace.core.can.dry import usual_dry_density
from dace.core.can.ingredient import Source
from dace.core.can.measuring import by_jug, measured, vessel_for
from dace.core.can.pouring import pourable
from dace.core.fed.based import bases, with_base
from dace.core.fed.facts import Facts
from dace.core.fed.options import (
    Base,
    Fed,
    Meal,
    Option,
    allowed,
    cap_of,
    in_rank,
    litre_of,
    option_of,
    options,
)
from dace.core.fed.records import Bottom, MixedCan, NamedWater, Portion, Yard
from dace.core.figures import judgement
from dace.core.matter.settings import setting
from dace.core.season.crops import Crop

_OFFERS = 3
_FEW_L = 1e-6
_MUCH_WORSE, _LEAST_ML = 0.8, 0.5
_LEAST_LEFT, _MOST_PARTS = 0.5, 2


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
    """Up to three cans that suit all that is fed there, the best first.

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
    return tuple(
        portion(one, meal.litres * one.litres_share, meal.water, meal.yard)
        for one in choices_of(meal, allowed(meal, meal.yard.sources), stock)[:_OFFERS]
    )


def choices_of(
    meal: Meal, sources: Sequence[Source], stock: Mapping[str, float]
) -> tuple[Option, ...]:
    """Every can of some allowed sources that suits, brews at the bottom of cans among them."""
    found = []
    for one in options(meal, sources):
        left = stock.get(one.source.key, one.source.stock) / (meal.litres * one.litres_share)
        if left < _LEAST_LEFT * one.per_l:
            continue
        held: Option | None = one
        if left < one.per_l:
            held = option_of(one.source, meal, left)
        if held is not None:
            found.append(held)
    cans = with_base(meal, bases(sources, meal), found, stock)
    enough = [one for one in cans if _held(one, meal, stock)]
    return worth_it([*found, *enough], meal.litres)


def _held(one: Option, meal: Meal, stock: Mapping[str, float]) -> bool:
    """Whether the shelf holds all that goes in."""
    return all(
        per_l * meal.litres <= stock.get(source.key, source.stock) + _FEW_L
        for source, per_l in one.parts
    )


def worth_it(found: Sequence[Option], litres: float) -> tuple[Option, ...]:
    """The best first, without those that suit much worse or are too little to measure."""
    if not found:
        return ()
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
        rank=one.rank,
        most=one.most,
        base=_bottom(one.base, litres),
        litres=litres,
    )
    return _in_vessel(bare, yard)


def _bottom(base: Base | None, litres: float) -> Bottom | None:
    if base is None:
        return None
    return Bottom(base.source.key, base.source.name, base.per_l * litres, base.per_l)


def poured(one: Option, per_l: Mapping[str, float]) -> Option:
    """An option at the strength of the can that it is poured from [mL or g a litre], by source."""
    base = one.base
    if base is not None:
        there = per_l.get(base.source.key)
        base = replace(base, per_l=there) if there else None
    return replace(one, per_l=per_l[one.source.key], base=base)


def whole_can(
    own: Portion, parts: Sequence[tuple[str, float]], litres: float, yard: Yard
) -> Portion:
    """A can of some sources [mL or g a litre] in the same water, for so many litres."""
    return _mixed(replace(own, litres=litres), parts, yard)


def of_can(own: Portion, whole: Portion) -> Portion:
    """A stop's portion said as the can that it is poured from is measured and filled."""
    base = own.base
    if base is not None and whole.base is not None:
        base = replace(base, said=whole.base.said)
    return replace(
        own,
        said=whole.said,
        base=base,
        vessel=whole.vessel,
        vessel_name=whole.vessel_name,
        fill_l=whole.fill_l,
        cans=whole.cans,
        mixed_l=whole.litres,
    )


def _mixed(own: Portion, parts: Sequence[tuple[str, float]], yard: Yard) -> Portion:
    """A portion of other parts; its last is what it is named by."""
    by_key = {one.key: one for one in yard.sources}
    water = next(one for one in yard.waters if one.key == own.water)
    several = [(by_key[key], per_l) for key, per_l in parts]
    _, per_l = several[-1]
    base = Base(*several[0]) if len(several) > 1 else None
    made = replace(
        own,
        amount=per_l * own.litres,
        per_l=per_l,
        can=litre_of(tuple((one.feed, one.name, each) for one, each in several), water.ions),
        base=_bottom(base, own.litres),
    )
    return _in_vessel(made, yard)


def from_mixed(can: MixedCan, fed: Sequence[Fed], yard: Yard) -> Portion | None:
    """What a stop gets of a can that stands there mixed; None where a jar or its water is gone."""
    water = next((one for one in yard.waters if one.key == can.water), None)
    held = {one.key: one for one in yard.sources}
    parts = can.parts
    if water is None or not 0 < len(parts) <= _MOST_PARTS:
        return None
    if any(key not in held for key, _ in parts):
        return None
    source = held[parts[-1][0]]
    poured = Portion(
        source=source.key,
        name=source.name,
        unit=source.feed.unit,
        amount=0.0,
        water=water.key,
        water_name=water.name,
        litres=sum(one.litres for one in fed),
        cap=min(cap_of(one, water.ions) for one in fed),
        bound_by="the can that is mixed for today",
    )
    return _mixed(poured, parts, yard)


def spoonful(source: str, unit: str, yard: Yard) -> float:
    """How much of a source a mL of spoon holds [mL or g]: weighed, or usual of a dry feed."""
    if unit == "mL":
        return 1.0
    weighed = next((one.g_per_ml for one in yard.sources if one.key == source), None)
    return weighed or usual_dry_density()


def _in_vessel(own: Portion, yard: Yard) -> Portion:
    """The same in the vessel and the measures that fit."""
    litres = own.litres
    vessel, cans = vessel_for(litres, yard.vessels)
    base = own.base
    if base is not None:
        jug = by_jug(base.amount / cans, yard.owned)
        base = replace(base, said=replace(jug, weighed=not yard.spoons))
    dense = spoonful(own.source, own.unit, yard)
    said = measured(own.amount / cans, own.unit, yard.owned, dense)
    return replace(
        own,
        said=replace(said, weighed=not yard.spoons or (yard.weighs and own.unit == "g")),
        vessel=vessel.key if vessel else "",
        vessel_name=vessel.name if vessel else "",
        fill_l=litres / cans,
        cans=cans,
        base=base,
    )
