"""What runs short in the weeks ahead, and what share of the need the feeds to come bring."""

from __future__ import annotations

from datetime import timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.fed.records import Yard
from dace.core.ledger.shortfall import shortages
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.plan.ahead import WEEK, Ahead
from dace.core.plan.records import Carried, Short, ShortWhy
from dace.core.plan.walk import Walked
from dace.core.season.need import wish_now

Array = NDArray[np.float64]
_SHORT, _FEW_MG = 0.10, 1.0
_A_WEEK_SHORT = 0.25
_BRINGS_MG = 2.0  # in a mL or g of a feed; with less it is no source of a nutrient


def short_of(ahead: Ahead, walked: Walked, yard: Yard, gone: dict[str, int]) -> list[Short]:
    """Each nutrient of which its fed plants take over a tenth less than they would.

    Measured as the books do, against pore water at the low end of what the stage wishes;
    only where a feed is ever due.
    """
    if not walked.given and not walked.empty:
        return []  # what the ground holds and gives lasts all along
    found = []
    low = _low_wish(ahead)
    for column, nutrient in enumerate(NUTRIENTS):
        if nutrient in ahead.stop.tested_high:
            continue
        need = walked.course.need[:, column]
        if need.sum() <= _FEW_MG:
            continue
        strength = walked.course.strength[:, column]
        lost = shortages(strength, low[:, column], nutrient)
        share = float(np.average(lost, weights=need))
        if share <= _SHORT:
            continue
        missing = float((lost * need).sum())
        since = ahead.on(1) + timedelta(days=_since(lost, need))
        why = _why(nutrient, ahead, yard, gone)
        text = _TEXTS[why].format(NUTRIENT_NAMES[nutrient], share)
        found.append(
            Short(ahead.stop.key, nutrient, share, missing, since, why, text[0].upper() + text[1:])
        )
    return found


_TEXTS: dict[ShortWhy, str] = {
    "shelf": "{0}: nothing on the shelf that may be used there brings it; {1:.0%} of it is wanting",
    "stock": "{0}: what is on the shelf runs out; {1:.0%} of it is wanting",
    "rhythm": "{0}: this rhythm, at the strength that suits, cannot carry it all; "
    "{1:.0%} of it is wanting",
}


def _why(nutrient: str, ahead: Ahead, yard: Yard, gone: dict[str, int]) -> ShortWhy:
    here = [s for s in yard.sources if not ahead.stop.only or s.key in ahead.stop.only]
    bring = [s for s in here if s.feed.element(nutrient) > _BRINGS_MG]
    if not bring:
        return "shelf"
    return "stock" if all(s.key in gone for s in bring) else "rhythm"


def _since(lost: Array, need: Array) -> int:
    """The first day of the first week that goes short by a quarter; else the worst day."""
    for begin in range(0, len(lost), WEEK):
        part = slice(begin, begin + WEEK)
        if need[part].sum() > 0 and np.average(lost[part], weights=need[part]) > _A_WEEK_SHORT:
            return begin
    return int(np.argmax(lost * need))


def _low_wish(ahead: Ahead) -> Array:
    """The low end of the wish on each day [mg/L], the least demanding of what is fed."""
    found = np.full((ahead.count, len(NUTRIENTS)), np.inf)
    for one in ahead.stop.grows:
        for span in ahead.spans[one.key]:
            begin = max(0, (span.first - ahead.facts.today).days - 1)
            end = min(ahead.count, (span.after - ahead.facts.today).days - 1)
            if begin < end and not one.control:
                wish = [
                    wish_now(one.crop, span.stage, n, ahead.facts.in_bed).low for n in NUTRIENTS
                ]
                found[begin:end] = np.minimum(found[begin:end], wish)
    return np.where(np.isinf(found), 0.0, found)


def carried_of(ahead: Ahead, walked: Walked) -> Carried | None:
    """What share of the nitrogen that is taken the cans to come bring; None without cans."""
    cans = [given for given in walked.given if given.option is not None]
    column = NUTRIENTS.index("N")
    need = float(walked.course.need[:, column].sum())
    if not cans or need <= _FEW_MG:
        return None
    brought = sum(given.litres * given.option.held["N"] for given in cans if given.option)
    return Carried(ahead.stop.key, brought / need)
