"""What the books come to: short of what, since when, and how long it lasts."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from dace.core.ledger.books import Ledger, book_steps
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.result import Result, Step
from dace.core.rootzone.bucket import HALF_MG_L
from dace.core.rootzone.course import needs
from dace.core.season.need import Span, makes_its_own, need_steps, wish_now

Array = NDArray[np.float64]
_SHORT, _HUNGRY = 0.10, 0.25
_POT_WEEKS_AHEAD, _BED_WEEKS_AHEAD = 3, 6
_DAYS, _WEEK = 14, 7
FEW_MG = 1e-6
APPROACHES = {
    "mixed": "soluble feeds where they help soonest, slow ones as the base",
    "soil_first": "slow, digested feeds first; soluble salts only in need",
    "soluble": "dissolved feeds at each stage's strength",
}
"""Schools that a planting may follow; they order what is offered, never the arithmetic."""


BalanceWord = Literal["enough", "short", "hungry", "plenty"]


@dataclass(frozen=True)
class Balance:
    """One nutrient of one planting up to today [mg for each plant].

    ``word`` is ``enough``, ``short``, ``hungry`` or ``plenty``; ``missing`` the share of its
    need that it went without of late; ``since`` the day from which it was short; ``until`` the
    day on which what is there would no longer last a week, None where it lasts as long as is
    worked out. ``own`` is whether the crop makes it itself.
    """

    nutrient: str
    name: str
    need: Result
    reached: Result
    word: BalanceWord
    missing: float
    since: date | None
    until: date | None
    own: bool = False


def shortage(strength: float, low_mg_l: float, nutrient: str) -> float:
    """The share of its need that roots go without in pore water of a strength.

    Parameters
    ----------
    strength : float
        What the pore water holds [mg/L].
    low_mg_l : float
        The low end of what the stage wishes [mg/L].
    nutrient : str
        One of ``NUTRIENTS``.

    Returns
    -------
    float
        0 from the low end of the wish on, up to 1 where there is none.

    Examples
    --------
    >>> shortage(90.0, 54.0, "N"), round(shortage(10.0, 54.0, "N"), 3)
    (0.0, 0.407)
    """
    return float(shortages(np.array(strength), np.array(low_mg_l), nutrient))


def shortages(strength: Array, low_mg_l: Array, nutrient: str) -> Array:
    """:func:`shortage` of many days at once."""
    half = HALF_MG_L[nutrient]
    there, wanted = strength / (strength + half), low_mg_l / (low_mg_l + half)
    share = there / np.where(wanted > 0, wanted, 1.0)
    return np.asarray(np.where(low_mg_l > 0, 1 - np.minimum(1.0, share), 0.0))


def balances(found: Ledger, today: date, high: Collection[str] = ()) -> tuple[Balance, ...]:
    """The books of each nutrient as they stand.

    Parameters
    ----------
    found : Ledger
        The books.
    today : date
        Up to and with this day.
    high : collection of str
        Nutrients of which a soil test found plenty: that outranks the sums.

    Returns
    -------
    tuple of Balance
        In the order of ``NUTRIENTS``.
    """
    at = min(found.today, max(0, (today - found.first).days))
    return tuple(_balance(found, at, column, NUTRIENTS[column] in high) for column in range(5))


def _span_at(stages: tuple[Span, ...], on: date) -> Span:
    begun = [span for span in stages if span.first <= on]
    return begun[-1] if begun else stages[0]


def _balance(found: Ledger, at: int, column: int, tested: bool) -> Balance:
    nutrient, one = NUTRIENTS[column], found.growing
    in_ground = found.found.root_zone.is_bed
    span = _span_at(one.stages, found.first + timedelta(days=at))
    own = nutrient == "N" and makes_its_own(one.grown, span.stage, in_ground)
    daily, missing = _missing(found, span, at, column)
    word: BalanceWord = "enough"
    if not own and not tested:
        word = "hungry" if missing > _HUNGRY else "short" if missing > _SHORT else "enough"
    weeks = _BED_WEEKS_AHEAD if in_ground else _POT_WEEKS_AHEAD
    ahead = float(found.each_day[at + 1 : at + 1 + 7 * weeks, column].sum())
    if word == "enough" and found.held[at, column] > ahead > FEW_MG and nutrient in ("N", "K"):
        word = "plenty"
    return Balance(
        nutrient=nutrient,
        name=NUTRIENT_NAMES[nutrient],
        need=_need(found, span, at, column),
        reached=_reached(found, at, column),
        word=word,
        missing=missing,
        since=_since(found, daily, at) if word in ("short", "hungry") else None,
        until=_until(found, at, column),
        own=own,
    )


def _missing(found: Ledger, span: Span, at: int, column: int) -> tuple[list[float], float]:
    """The shortage of each of the last days of this stage, and their mean by need.

    What leaves took in over those days makes up for as much of it.
    """
    nutrient, one = NUTRIENTS[column], found.growing
    begun = max(0, (max(span.first, one.since) - found.first).days, at - _DAYS + 1)
    low = wish_now(one.grown, span.stage, nutrient, found.found.root_zone.is_bed).low
    days = range(min(begun, at), at + 1)
    daily = [shortage(float(found.strength[day, column]), low, nutrient) for day in days]
    need = found.each_day[days.start : days.stop, column]
    if need.sum() <= FEW_MG:
        return daily, 0.0
    entered = float(found.leaf[days.start : days.stop, column].sum())
    missing = float(np.average(daily, weights=need)) - entered / float(need.sum())
    return daily, max(0.0, missing)


def _need(found: Ledger, span: Span, at: int, column: int) -> Result:
    one, nutrient = found.growing, NUTRIENTS[column]
    value = float(found.need[at, column])
    uptake = one.grown.uptake_of(nutrient)
    low, high = value * uptake.low / uptake.typ, value * uptake.high / uptake.typ
    steps = need_steps(one.grown, span, nutrient, found.found.root_zone.is_bed)
    total = Step("wanted since the books begin", "", value, "mg", "each day's need, summed")
    return Result(value, min(low, value), max(high, value), "mg", (*steps, total))


def _reached(found: Ledger, at: int, column: int) -> Result:
    value = float(found.reached[at, column])
    low, high = float(found.low[at, column]), float(found.high[at, column])
    mine = found.growing.plants
    steps = book_steps(found.found, NUTRIENTS[column])
    each = Step(
        "each of them took and could take", "", value, "mg", f"{mine} of them, the middle of all"
    )
    return Result(value, min(low, value), max(high, value), "mg", (*steps, each))


def _since(found: Ledger, daily: list[float], at: int) -> date:
    """The first day of the run of short days that ends last."""
    day = len(daily) - 1
    while day > 0 and daily[day - 1] > _SHORT:
        day -= 1
    return found.first + timedelta(days=at - (len(daily) - 1 - day))


def _until(found: Ledger, at: int, column: int) -> date | None:
    """The first day from which what is within reach does not last a week."""
    followed = found.found
    need = needs(followed.root_zone, followed.first, followed.ec.shape[1]).sum(axis=0)[:, column]
    for day in range(at, len(need) - _WEEK):
        within = followed.larder.within_reach(day, _WEEK, followed.root_zone.is_bed)
        wanted = float(need[day + 1 : day + 1 + _WEEK].sum())
        if wanted > FEW_MG and within[column] < wanted:
            return found.first + timedelta(days=day)
    return None
