"""What a stop is fed with: the source that misses least, its water, its can, its litres."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache

import numpy as np

from dace.core.advice.feeding import Feeding
from dace.core.advice.judge import barred
from dace.core.can.measuring import measured, strength_text, vessel_for
from dace.core.can.miss import miss
from dace.core.can.mixing import Mixture, fill_can
from dace.core.can.pouring import Ground, suggest_litres_each
from dace.core.can.usual import Default, For, default_amount, strength_said
from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons
from dace.core.season.crops import Crop, Stage, feed_cap
from dace.core.season.need import makes_its_own, wish_now
from dace.core.verdict.facts import Facts
from dace.core.verdict.records import Grows, NamedWater, Portion, Source, Yard

_ANY_CAN_L = 100.0
_OFFERS = 3
_LEAST_SHARE, _FEW_L = 0.05, 1e-6
_AGAINST_SCHOOL = 0.6
_TRACE = 0.02
_MUCH_WORSE, _LEAST_ML, _LEAST_OF_WISH = 0.8, 0.5, 0.35


@dataclass(frozen=True)
class Fed:
    """A planting that is fed: at which stage, at what share of its wish, how much each."""

    grows: Grows
    stage: Stage
    share: float
    litres_each: float

    @property
    def litres(self) -> float:
        """All its plants together [L]."""
        return self.litres_each * self.grows.plants


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
    tender = root.setting == "saucer" or any(one.stage.is_seedling for one in fed)
    limy = any(_hates_lime(one.grows.crop, facts) for one in fed)
    salty = facts.over > judgement("drain_in_doubt").range.typ or facts.word == "rising"
    return softest if tender or limy or salty else waters[0]


def _hates_lime(grown: Crop, facts: Facts) -> bool:
    if grown.ph[1] <= judgement("acid_loving_ph").range.typ:
        return True
    return facts.stop.ph is not None and not facts.in_bed and facts.stop.ph > grown.ph[1]


def recipes(
    facts: Facts, fed: Sequence[Fed], yard: Yard, stock: dict[str, float], lacks: str
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

    Returns
    -------
    tuple of Portion
        None where nothing on the shelf suits.
    """
    water = best_water(facts, fed, yard.waters)
    if water is None or not fed:
        return ()
    found = []
    for source in yard.sources:
        if not source.dissolves or _barred(source, facts, fed, yard):
            continue
        one = _can_of(source, facts, fed, yard, water, stock.get(source.key, source.stock))
        if one is not None and _brings(one[1], lacks, facts, fed):
            found.append(one)
    ranked = sorted(found, key=lambda pair: (pair[0], pair[1].name))
    near = [pair for pair in ranked if pair[0] <= ranked[0][0] + _MUCH_WORSE]
    fine = [pair for pair in near if pair[1].unit == "g" or pair[1].amount >= _LEAST_ML]
    return tuple(recipe for _, recipe in (fine or near)[:_OFFERS])


def _brings(portion: Portion, lacks: str, facts: Facts, fed: Sequence[Fed]) -> bool:
    """Whether a can holds a good part of what is wished of what lacks."""
    if portion.can is None or not lacks:
        return True
    wish = min(
        one.share * wish_now(one.grows.crop, one.stage, lacks, facts.in_bed).typ for one in fed
    )
    return portion.can.nutrient(lacks).value >= _LEAST_OF_WISH * wish


def _barred(source: Source, facts: Facts, fed: Sequence[Fed], yard: Yard) -> bool:
    """Whether it is past its use, or a caution keeps it from what is picked there soon."""
    if source.keeps_until is not None and source.keeps_until < facts.today:
        return True
    brings = frozenset(n for n in NUTRIENTS if source.feed.element(n) > 0)
    for one in fed:
        asked = Feeding(
            tokens=source.tokens | {"route:drench"},
            crop=one.grows.crop,
            stage=one.stage,
            brings=brings,
            setting=facts.stop.followed.root_zone.setting,
            ph=facts.stop.ph,
            harvest_in_days=picked_in(one.grows, facts),
            tested_high=facts.stop.tested_high,
        )
        if barred(asked):
            return True
    return False


_PICKED = ("harvest", "ripening")


def picked_in(grows: Grows, facts: Facts) -> float | None:
    """Days to the first picking, 0 once it has begun; None where that is not known."""
    for key in _PICKED:
        for start in grows.clock.starts:
            if start.stage.key == key and start.likely is not None:
                return max(0.0, float((start.likely - facts.today).days))
    return None


def _can_of(
    source: Source,
    facts: Facts,
    fed: Sequence[Fed],
    yard: Yard,
    water: NamedWater,
    stock: float,
) -> tuple[float, Portion] | None:
    amounts = [_default(source.feed, source.tokens, facts, one, water.ions) for one in fed]
    if any(amount is None for amount in amounts):
        return None
    chosen = min((a for a in amounts if a is not None), key=lambda a: a.per_l)
    most = _bucket_takes(facts, fed, source.feed, water.ions)
    if chosen.per_l > most:
        chosen = Default(most, "what the medium can take before it is too salty")
    litres = sum(one.litres for one in fed)
    if chosen.per_l < _LEAST_SHARE * 1e-2 or litres <= _FEW_L:
        return None
    short = chosen.per_l * litres > stock
    if short and stock < 0.5 * chosen.per_l * litres:
        return None
    if short:
        chosen = Default(stock / litres, "what is left of it")
    can = _filled(strength_said(chosen.per_l, source.feed.unit), litres, source.feed, water.ions)
    off = _miss_of(can, facts, fed)
    if off is None:
        return None
    school = facts.stop.approach
    against = (school == "soil_first" and not source.home_made) or (
        school == "soluble" and source.home_made
    )
    recipe = _recipe(source, can, chosen, water, yard, min(_cap(one, water.ions) for one in fed))
    return off + _AGAINST_SCHOOL * against, replace(recipe, miss=off)


_filled = lru_cache(maxsize=2048)(fill_can)


@lru_cache(maxsize=4096)
def _bounded(
    feed: Composition, tokens: frozenset[str], who: For, water: WaterIons
) -> Default | None:
    return default_amount(feed, tokens, who, water)


def _default(
    feed: Composition, tokens: frozenset[str], facts: Facts, one: Fed, water: WaterIons
) -> Default | None:
    setting = facts.stop.followed.root_zone.setting
    who = For(one.grows.crop, one.stage, setting, one.share)
    found = _bounded(feed, tokens, who, water)
    if found is None:
        return None
    own = makes_its_own(one.grows.crop, one.stage, who.in_ground)
    return None if own and feed.element("N") > 0 else found


def _cap(one: Fed, water: WaterIons) -> float:
    return feed_cap(one.grows.crop, one.stage, water.ec_ms_cm).feed_ec_ms_cm


def room_ec(facts: Facts, fed: Sequence[Fed]) -> float:
    """What a can may add [mS/cm] before the medium is at the top of its comfort band."""
    found, band = facts.stop.followed, facts.band
    if band is None or facts.in_bed:
        return float("inf")
    litres = sum(one.litres for one in fed)
    per_drain = judgement("pore_to_pour_through").range.typ
    now = float(np.median(found.drains)) / per_drain
    full = float(np.median(found.bucket.full))
    return max(0.0, (band.high / per_drain - now) * full / max(litres, _FEW_L))


def _bucket_takes(facts: Facts, fed: Sequence[Fed], feed: Composition, water: WaterIons) -> float:
    """The most of a feed in a litre [mL or g] that leaves the medium within its comfort band."""
    one = _filled(1.0, 1.0, feed, water).feed_ec
    return room_ec(facts, fed) / max(one, 1e-9)


def _miss_of(can: Mixture, facts: Facts, fed: Sequence[Fed]) -> float | None:
    """How far it lies from what is wished; None where it hardly brings what is wanted."""
    held = {name: result.value for name, result in can.nutrients}
    worst = 0.0
    for one in fed:
        wish = {
            n: wish_now(one.grows.crop, one.stage, n, facts.in_bed).scaled(one.share)
            for n in NUTRIENTS
        }
        plain = {n: dict(can.from_water)[n] for n in NUTRIENTS}
        off = miss(held, wish)
        if off >= miss(plain, wish) - _TRACE:
            return None
        worst = max(worst, off)
    return worst


def _recipe(
    source: Source, can: Mixture, chosen: Default, water: NamedWater, yard: Yard, cap: float
) -> Portion:
    vessel, cans = vessel_for(can.vessel_l, yard.vessels)
    return Portion(
        source=source.key,
        name=source.name,
        unit=can.unit,
        amount=can.amount,
        words=measured(can.amount / cans, can.unit, yard.owned, source.g_per_ml),
        strength=strength_text(can.amount_per_l, can.unit),
        litres=can.vessel_l,
        water=water.key,
        water_name=water.name,
        vessel=vessel.key if vessel else "",
        vessel_name=vessel.name if vessel else "",
        fill_l=can.vessel_l / cans,
        cans=cans,
        can=can,
        cap=cap,
        bound_by=chosen.bound_by,
    )
