"""What a stop is fed with: the source that misses least, its water, its can, its litres."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace

import numpy as np

from dace.core.can.ingredient import Source
from dace.core.can.measuring import measured, vessel_for
from dace.core.can.pouring import Ground, suggest_litres_each
from dace.core.figures import judgement
from dace.core.matter.settings import setting
from dace.core.season.crops import Crop, Stage
from dace.core.season.need import wish_now
from dace.core.verdict.facts import Facts
from dace.core.verdict.options import Fed, Meal, Option, cap_of, litre_of, option_of, options
from dace.core.verdict.records import Grows, MixedCan, NamedWater, Portion, Yard

_ANY_CAN_L = 100.0
_OFFERS = 3
_FEW_L = 1e-6
LEAST_ROOM = 0.1
"""What a can has to be able to add [mS/cm] to be worth pouring."""
_MUCH_WORSE, _LEAST_ML, _LEAST_OF_WISH = 0.8, 0.5, 0.35
_LEAST_LEFT = 0.5


def litres_each(facts: Facts, grows: Grows, stage: Stage) -> float:
    """A drench for each plant [L]: two days' water, but no more than the medium takes at once."""
    root = facts.stop.followed.root_zone
    plants = sum(one.plants for one in facts.stop.grows)
    holding = None if root.is_bed else root.medium.held_l(root.litres) * grows.plants / plants
    return suggest_litres_each(stage, Ground(grows.plants, holding), _ANY_CAN_L).value


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


def recipes(
    facts: Facts,
    fed: Sequence[Fed],
    yard: Yard,
    stock: dict[str, float],
    lacks: str,
    room: float,
) -> tuple[Portion, ...]:
    """Up to three cans that suit all that is fed there, the one that misses least first.

    Parameters
    ----------
    facts : Facts
        The stop's state.
    fed : sequence of Fed
        Who is fed, at least one.
    yard : Yard
        Sources, waters and vessels.
    stock : dict
        What each source still holds, by key.
    lacks : str
        The nutrient that makes the feed due: each can brings a good part of its wish.
    room : float
        What the feed part may add [mS/cm] before the medium is too salty.

    Returns
    -------
    tuple of Portion
        None where nothing on the shelf suits.
    """
    water = best_water(facts, fed, yard.waters)
    litres = sum(one.litres for one in fed)
    if water is None or litres <= _FEW_L:
        return ()
    meal = Meal(facts, tuple(fed), yard, water, room)
    found = []
    for one in options(meal):
        left = stock.get(one.source.key, one.source.stock) / litres
        if left < _LEAST_LEFT * one.per_l:
            continue
        held: Option | None = one
        if left < one.per_l:
            held = option_of(one.source, meal, left)
        if held is not None and brings(held, lacks, facts, fed):
            found.append(held)
    ranked = sorted(found, key=lambda one: (one.rank, one.source.name))
    near = [one for one in ranked if one.rank <= ranked[0].rank + _MUCH_WORSE]
    fine = [one for one in near if measurable(one, litres)]
    return tuple(portion(one, litres, water, yard) for one in (fine or near)[:_OFFERS])


def measurable(one: Option, litres: float) -> bool:
    """Whether so little of a liquid can be measured as those litres want."""
    return one.source.feed.unit == "g" or one.per_l * litres >= _LEAST_ML


def brings(one: Option, lacks: str, facts: Facts, fed: Sequence[Fed]) -> bool:
    """Whether a can holds a good part of what is wished of what lacks."""
    if not lacks:
        return True
    wish = min(
        each.share * wish_now(each.grows.crop, each.stage, lacks, facts.in_bed).typ for each in fed
    )
    return one.held[lacks] >= _LEAST_OF_WISH * wish


def room_ec(facts: Facts, fed: Sequence[Fed]) -> float:
    """What a can may add [mS/cm] before the medium is at the top of its comfort band."""
    found, band = facts.stop.followed, facts.band
    if band is None or facts.in_bed:
        return float("inf")
    per_drain = judgement("pore_to_pour_through").range.typ
    now = float(np.median(found.drains)) / per_drain
    return room_of(now, band.high / per_drain, float(np.median(found.bucket.full)), fed)


def room_of(pore_ec: float, most: float, full_l: float, fed: Sequence[Fed]) -> float:
    """What a can may add [mS/cm] before pore water comes from one conductivity to another."""
    litres = sum(one.litres for one in fed)
    return max(0.0, (most - pore_ec) * full_l / max(litres, _FEW_L))


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
        bound_by=one.chosen.bound_by,
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
