"""Need and supply: what a plant takes, what it could reach, and what was left over or short.

Notes
-----
A day: what comes in is weakened by how well the place holds it, then some of what is
there drains, then the plant takes its need or what there is. The likely line is worked
with typical figures, the band with draws of everything that is not known.
"""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.spreads import partly_together, split_log_normal
from dace.core.figures import Range, judgement
from dace.core.ledger.accounts import Account, Given, Ledger, Rooted
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import ageing, released
from dace.core.season.need import daily_need, daily_use
from dace.core.season.outlook import Outlook

Array = NDArray[np.float64]
DRAWS = 200
_WIDE = len(NUTRIENTS)
_WEEK = 7.0
_MOST_LEACHED = 0.3
_REFERENCE_ET_MM = 3.0
SOURCES = ("medium", "water", "doses", "dressings")


def ledger(account: Account, days: Outlook) -> Ledger:
    """Work a planting's books through.

    Parameters
    ----------
    account : Account
        What grows where, and what it got.
    days : Outlook
        The weather of those days.

    Returns
    -------
    Ledger
        Likely lines and bands.
    """
    likely = _run(account, days, _typical())
    drawn = _run(account, days, _drawn(account))
    low, high = np.quantile(drawn.reached, [0.1, 0.9], axis=1)
    need_low, need_high = np.quantile(drawn.need, [0.1, 0.9], axis=1)
    reached, need = likely.reached[:, 0], likely.need[:, 0]
    return Ledger(
        first=account.first,
        need=need,
        need_low=np.minimum(need_low, need),
        need_high=np.maximum(need_high, need),
        reached=reached,
        low=np.minimum(low, reached),
        high=np.maximum(high, reached),
        unmet=likely.unmet[:, 0],
        pool=likely.pool[:, 0],
        entered=likely.entered,
        there=likely.there,
    )


@dataclass(frozen=True)
class _Unknown:
    """One set of draws: (draws, 5) or (draws, 1)."""

    need: Array
    hold: dict[str, Array]
    stock: Array
    tested: Array
    water: Array
    pace: Array
    leach: Array


@dataclass(frozen=True)
class _Run:
    need: Array
    reached: Array
    unmet: Array
    pool: Array
    entered: Array
    there: Array


def _typical() -> _Unknown:
    one = np.ones((1, 1))
    hold = {k: np.array([[r.typ for r in _hold(k)]]) for k in ("pot", "bed")}
    return _Unknown(np.ones((1, _WIDE)), hold, one, one, one, one, one)


def _drawn(account: Account) -> _Unknown:
    rng = np.random.default_rng(account.seed)

    def one(key: str) -> Array:
        return split_log_normal(judgement(key).range, rng.normal(size=(DRAWS, 1)))

    uptake = [account.grown.uptake_of(n) for n in NUTRIENTS]
    z = partly_together(rng, DRAWS, _WIDE)
    need = np.array([split_log_normal(r, z[i]) / r.typ for i, r in enumerate(uptake)]).T
    hold = {}
    for kind in ("pot", "bed"):
        z = rng.normal(size=(_WIDE, DRAWS))
        held = np.array([split_log_normal(r, z[i]) for i, r in enumerate(_hold(kind))]).T
        hold[kind] = np.minimum(held, 1.0)
    leach = split_log_normal(Range(0.5, 1.0, 2.0), rng.normal(size=(DRAWS, 1)))
    return _Unknown(
        need,
        hold,
        one("medium_stock"),
        one("tested_stock"),
        one("water_use"),
        one("release_pace"),
        leach,
    )


def _hold(kind: str) -> list[Range]:
    """Share of what is given that plants can reach, by nutrient."""
    return [judgement(f"{kind}_efficiency_{n.lower()}").range for n in NUTRIENTS]


def _run(account: Account, days: Outlook, unknown: _Unknown) -> _Run:
    count, draws = account.days, unknown.need.shape[0]
    begin = days.index(account.first)
    need = daily_need(account.grown, account.stages, account.first, count)[:, None, :]
    wanted = need * unknown.need[None]
    there, entered = _supplies(account, days, unknown, begin)
    drained = _drained(account, days, begin)[:, None, None] * unknown.leach[None]
    pool = np.zeros((draws, _WIDE))
    pools, unmet, lost = np.empty_like(wanted), np.empty_like(wanted), np.zeros_like(pool)
    incoming = entered.sum(axis=0)
    reached = np.empty_like(wanted)
    taken_so_far = np.zeros_like(pool)
    for day in range(count):
        pool = pool + incoming[day]
        out = np.minimum(drained[day], _MOST_LEACHED / _WEEK) * pool
        pool, lost = pool - out, lost + out
        taken = np.minimum(wanted[day], pool)
        pool, taken_so_far = pool - taken, taken_so_far + taken
        unmet[day], pools[day] = wanted[day] - taken, pool
        reached[day] = taken_so_far + pool
    return _Run(np.cumsum(wanted, axis=0), reached, unmet, pools, entered[:, :, 0], there[:, :, 0])


def _supplies(
    account: Account, days: Outlook, unknown: _Unknown, begin: int
) -> tuple[Array, Array]:
    """What there was and what could be reached of it, shape (source, day, draw, nutrient)."""
    draws = unknown.need.shape[0]
    there = np.zeros((len(SOURCES), account.days, draws, _WIDE))
    age = ageing(days.mean_c()[begin : begin + account.days])
    at = {name: index for index, name in enumerate(SOURCES)}
    held = _held(account, unknown)
    for place in account.rooted:
        start = max(0, (place.since - account.first).days)
        if start < account.days:
            there[at["medium"], start] += _stock(place, unknown)
    there[at["medium"], :, :, 0] += _medium_release(account, unknown, age)
    litres = _watered(account, days, begin)[:, None, None] * unknown.water[None]
    there[at["water"]] += litres * np.array(account.water_mg_l)
    for given in account.given:
        day = (given.on - account.first).days
        if not 0 <= day < account.days:
            continue
        there[at[given.source], day] += np.array(given.at_once)
        if any(given.later):
            out = _slowly(given, age[day:], unknown)
            there[at[given.source], day:] += out[:, :, None] * np.array(given.later)
    return there, there * held[None]


def _slowly(given: Given, age: Array, unknown: _Unknown) -> Array:
    """Share of the later part that comes out on each day, shape (days, draws)."""
    summed = np.concatenate([[0.0], np.cumsum(age)])[:, None] * unknown.pace[:, 0]
    return np.diff(released(summed, given.half_life_days), axis=0)


def _held(account: Account, unknown: _Unknown) -> Array:
    """Share of what comes in that plants can reach, shape (day, draw, nutrient)."""
    held = np.empty((account.days, unknown.need.shape[0], _WIDE))
    for place in account.rooted:
        start = max(0, (place.since - account.first).days)
        held[start:] = unknown.hold["bed" if place.setting.endswith("bed") else "pot"]
    return held


def _stock(place: Rooted, unknown: _Unknown) -> Array:
    """What the medium holds for a plant as it is put in [mg], shape (draw, nutrient)."""
    table = np.array([place.medium.available_of(n) for n in NUTRIENTS])
    weeks = max(0, (place.since - place.filled_on).days) / _WEEK
    if place.setting in ("pot", "saucer"):
        table = table * (1 - judgement(f"leach_{place.setting}").range.typ) ** weeks
    stock = np.asarray(table * unknown.stock)
    tested = dict(place.tested)
    for column, nutrient in enumerate(NUTRIENTS):
        if nutrient in tested:
            stock[:, column] = tested[nutrient] * unknown.tested[:, 0]
    return np.asarray(stock * place.litres_each)


def _medium_release(account: Account, unknown: _Unknown, age: Array) -> Array:
    """Nitrogen that a medium gives up each day [mg], shape (day, draw)."""
    out = np.zeros((account.days, unknown.need.shape[0]))
    for place in account.rooted:
        start = max(0, (place.since - account.first).days)
        weeks = np.maximum(
            0, (place.since - place.filled_on).days + np.arange(account.days - start)
        )
        half_life = place.medium.release_half_life_weeks
        fading = 0.5 ** (weeks / _WEEK / half_life) if half_life else 0 * weeks
        a_day = place.medium.release_n_mg_l_week * place.litres_each / _WEEK
        out[start:] = (a_day * fading * age[start:])[:, None] * unknown.stock[:, 0]
    return out


def _drained(account: Account, days: Outlook, begin: int) -> Array:
    """Share of what is there that drains each day."""
    rain, et = days.rain_mm, days.likely_et()
    out = np.zeros(account.days)
    for place in account.rooted:
        start = max(0, (place.since - account.first).days)
        weekly = np.full(account.days - start, judgement(f"leach_{place.setting}").range.typ)
        if place.setting == "open_bed":
            surplus = (rain - et)[begin + start : begin + account.days]
            a_week = np.convolve(surplus, np.ones(7), mode="same")
            weekly = weekly + judgement("leach_per_mm").range.typ * np.maximum(0, a_week)
        out[start:] = np.minimum(weekly, _MOST_LEACHED) / _WEEK
    return out


def _watered(account: Account, days: Outlook, begin: int) -> Array:
    """Water given to a plant each day [L]: what it uses, less the rain on an open bed."""
    use = daily_use(account.stages, account.first, account.days)
    whole = slice(begin, begin + account.days)
    use = use * days.likely_et()[whole] / _REFERENCE_ET_MM
    for place in account.rooted:
        start = max(0, (place.since - account.first).days)
        if place.setting == "open_bed":
            fell = days.rain_mm[whole][start:] * place.area_each
            a_week = np.convolve(use[start:] - fell, np.ones(7) / _WEEK, mode="same")
            use[start:] = np.maximum(0, a_week)
    return use
