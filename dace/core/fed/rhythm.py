"""How often a stop is fed where nobody set it: as rarely as carries the stage it is at.

Notes
-----
It is a fact of the stage, not of the day: each rhythm is walked eight weeks by plants far
hungrier than is likely, in usual weather, with the habits of the fill's middle draw, which only
readings move. The rarest whose last four weeks are under a tenth short holds; if none is, the
rarest within two points of the best.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import replace
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dace.core.can.ingredient import Source
from dace.core.can.usual import For
from dace.core.fed.levers import OVER_TO_SHORT, SIZED_BY, Bounds, bounds, sized
from dace.core.fed.records import AS_NEEDED, RHYTHMS, Grows, NamedWater, Rhythm, Stop
from dace.core.fed.wish import FillWish
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.settings import setting
from dace.core.rootzone.bucket import HALF_MG_L
from dace.core.season.crops import Stage

Array = NDArray[np.float64]
_DAYS, _LOOKED_AT = 56, 28
_CARRIES, _AS_GOOD = 0.10, 0.02
_LEAST_WATER = 0.05
_MOST_TAKEN = 0.9
_FEW = 1e-9
_LEADS = [0, 2]  # nitrogen and potassium of N, P, K
_HALF = np.array([HALF_MG_L[NUTRIENTS[at]] for at in SIZED_BY])
_ORDER = tuple(RHYTHMS.values())
_TWICE = (0, 3)  # of the days of a week
IN_BEDS = replace(RHYTHMS["weekly"], counted=8)
"""A bed is drenched where less than eight days' need is within reach."""

_WITH_WATER = np.array([one.with_water for one in _ORDER])

Fill = tuple[float, float, float, float, float, float]
"""Water that it holds [L], and the habits: use, uptake, mixing, when it is watered, over."""


def rhythm_of(
    stop: Stop,
    fed: Sequence[tuple[Grows, Stage]],
    sources: Sequence[Source],
    waters: Sequence[NamedWater],
) -> Rhythm:
    """How often a stop is fed while its plantings are at some stages.

    Parameters
    ----------
    stop : Stop
        Its root zone and the rhythm that somebody set.
    fed : sequence of (Grows, Stage)
        Who is fed there, at which stage.
    sources, waters : sequence
        What there is; stock is not looked at.

    Returns
    -------
    Rhythm
        The one that was set; else every watering for seedlings in trays, weekly in the ground
        and where nothing suits, and by the walk in pots.
    """
    if stop.rhythm != AS_NEEDED:
        return RHYTHMS[stop.rhythm]
    root = stop.followed.root_zone
    if root.is_bed:
        return IN_BEDS
    if not fed:
        return RHYTHMS["weekly"]
    if setting(root.setting).seedlings and any(stage.is_seedling for _, stage in fed):
        return RHYTHMS["every_watering"]
    wish = FillWish.of(fed, root.litres, in_ground=False)
    best = _best(stop, fed, sources, waters, wish)
    if best is None:
        return RHYTHMS["weekly"]
    held = tuple(best[0].feed.element(NUTRIENTS[at]) for at in SIZED_BY)
    rows = (wish.low, wish.typ, wish.need)
    told = tuple(tuple(float(row[at]) for at in SIZED_BY) for row in rows)
    found = _carries(_fill(stop), held, best[1], told, wish.thirst_l)
    if stop.evenings and found.with_water:  # evenings win; what they cannot carry is said
        return _ORDER[_ORDER.index(found) - 1]
    return found


def rhythm_now(stop: Stop, sources: Sequence[Source], waters: Sequence[NamedWater]) -> Rhythm:
    """How often it is fed at the stages that its plantings are likely at today."""
    fed = [(one, one.clock.stage) for one in stop.grows if not one.control]
    return rhythm_of(stop, fed, sources, waters)


def _fill(stop: Stop) -> Fill:
    found = stop.followed
    use, uptake, mixing, when, over = (
        round(float(np.median(found.unknowns.of(key, 0))), 2)
        for key in ("water_use", "uptake_pace", "mixing", "watered_when", "over_pouring")
    )
    return float(f"{np.median(found.bucket.full):.3g}"), use, uptake, mixing, when, over


def _best(
    stop: Stop,
    fed: Sequence[tuple[Grows, Stage]],
    sources: Sequence[Source],
    waters: Sequence[NamedWater],
    wish: FillWish,
) -> tuple[Source, Bounds] | None:
    """The source that meets a week's need best, and its bounds."""
    if not waters:
        return None
    place = stop.followed.root_zone.setting
    whom = [For(one.crop, stage, place) for one, stage in fed]
    litres = stop.followed.root_zone.medium.held_l(stop.followed.root_zone.litres) / 3
    found = []
    for source in sources:
        if not source.dissolves or (stop.only and source.key not in stop.only):
            continue
        within = bounds(source.feed, source.tokens, whom, waters[0].ions)
        owed = 7 * wish.need
        one = within and sized(source.feed, within, owed, litres, wish.low, np.zeros(len(owed)))
        if within and one:
            found.append((round(one.miss, 9), source.feed.mg, source, within))
    if not found:
        return None
    *_, source, within = min(found, key=lambda row: row[:2])
    return source, within


@lru_cache(maxsize=4096)
def _carries(
    fill: Fill,
    held: tuple[float, ...],
    within: Bounds,
    told: tuple[tuple[float, ...], ...],
    thirst_l: float,
) -> Rhythm:
    short = _short(fill, np.array(held), within, np.array(told), thirst_l)
    for one, lost in zip(_ORDER, short, strict=True):
        if lost < _CARRIES:
            return one
    best = min(short)
    return next(o for o, lost in zip(_ORDER, short, strict=True) if lost <= best + _AS_GOOD)


def _short(fill: Fill, held: Array, within: Bounds, told: Array, thirst_l: float) -> list[float]:
    """What share of the worst of N, P, K each rhythm leaves them short of, in their order."""
    full, use, pace, mixing, when, over = fill
    low, typ, need = told
    water, mg = np.full(len(_ORDER), full), np.tile(typ * full, (len(_ORDER), 1))
    to_drip = full * min(1 - when, judgement("medium_share_per_drench").range.typ)
    carried = np.array([one.counted for one in _ORDER])[:, None] * need
    greedy = judgement("rhythm_margin").range.typ
    carried = carried * judgement("need_margin").range.typ + typ * full
    lost = np.zeros((_LOOKED_AT, len(_ORDER), len(held)))
    enough = typ / (typ + _HALF)
    brings = held > 0
    poured_dry = np.zeros(len(_ORDER), dtype=bool)
    for day in range(_DAYS):
        # whoever feeds finds it as last evening's watering left it
        at_slot = np.array([day % 14 == 0, day % 7 == 0, day % 7 in _TWICE, bool(poured_dry[-1])])
        per_l = _strength(np.maximum(0.0, carried - mg), held, within, low, to_drip)
        fed = np.where(at_slot, np.minimum(to_drip, (full - water) * (1 + over)), 0.0)
        _pour(water, mg, fed, per_l[:, None] * held, full, mixing)
        water -= np.minimum(
            use * thirst_l * np.minimum(1.0, 2 * water / full),
            np.maximum(0.0, water - _LEAST_WATER * full),
        )
        strong = mg / water[:, None]
        share = strong / (strong + _HALF)
        mg -= np.minimum(pace * greedy * need * share, _MOST_TAKEN * mg)
        if day >= _DAYS - _LOOKED_AT:
            short = 1 - np.minimum(1.0, share / np.maximum(enough, _FEW))
            lost[day - _DAYS + _LOOKED_AT] = short
        dry = water < when * full
        poured_dry = dry & _WITH_WATER
        plain = np.where(dry & ~_WITH_WATER, (full - water) * (1 + over), 0.0)
        _pour(water, mg, plain, np.zeros_like(mg), full, mixing)
    counted = brings & (need > _FEW)
    if not counted.any():
        return [0.0] * len(_ORDER)
    return [float(one) for one in lost.mean(axis=0)[:, counted].max(axis=1)]


def _pour(
    water: Array, mg: Array, litres: Array, strength: Array, full: float, mixing: float
) -> None:
    """Litres of a strength [mg/L] come in from above; what does not fit drains."""
    mg += litres[:, None] * strength
    water += litres
    excess = np.maximum(0.0, water - full)[:, None]
    gone = excess * (mixing * mg / water[:, None] + (1 - mixing) * strength)
    mg -= np.minimum(gone, mg)
    np.minimum(water, full, out=water)


def _strength(owed: Array, held: Array, within: Bounds, low: Array, litres: float) -> Array:
    """The strength of each rhythm's can [mL or g a litre], as :func:`sized` has it."""
    scale = np.maximum(np.maximum(owed, low * litres), _FEW)
    best, least = np.full(len(owed), within.least), np.full(len(owed), np.inf)
    for at in np.flatnonzero(held[_LEADS] > 0) * 2:
        per_l = np.clip(owed[:, at] / (held[at] * litres), within.least, within.most)
        off = owed - per_l[:, None] * held * litres
        cost = (np.where(off > 0, off, -OVER_TO_SHORT * off) / scale).sum(axis=1)
        best, least = np.where(cost < least, per_l, best), np.minimum(cost, least)
    return best
