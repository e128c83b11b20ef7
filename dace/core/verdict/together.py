"""Feeds of one day in few cans: stops that bear one strength of the same sources share it.

Notes
-----
Each stop bears an interval of strength, from eight tenths of what it is owed to its most. The
strength that lies in most intervals is mixed first, then that of those left over; for one set
of sources no fewer points can lie in all intervals. What goes in is then moved inside the
interval of all that share it to what spoons and marks give.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dace.core.can.measures import Owned, nearest_measured
from dace.core.can.measuring import vessel_for
from dace.core.fed.recipe import spoonful
from dace.core.fed.records import Portion, Verdict, Yard

SHARED = "the can that it shares with"
"""How the strength of a shared can is named as what bound it."""
LEFT_OVER = 1.1
"""How many times the litres that are taken may be mixed."""
_OWED, _NEAR = 0.8, 0.3
_ROUNDING = 1e-9
_JUG = (Owned("beaker", "jug", 2000.0, 100.0), Owned("beaker", "small jug", 300.0, 50.0))


@dataclass(frozen=True)
class Shared:
    """Stops, by their place in the row, that get one recipe in one water, from their ``offers``.

    ``per_l`` is what a litre takes of each source; ``spare`` how many times the litres that they
    take are mixed, so that spoons give it: up to a tenth is left over.
    """

    sources: tuple[str, ...]
    water: str
    per_l: tuple[float, ...]
    stops: tuple[int, ...]
    offers: tuple[Portion, ...]
    spare: float = 1.0


@dataclass(frozen=True)
class _Span:
    """What one stop bears of one recipe [mL or g a litre of its last source]."""

    at: int
    low: float
    high: float
    offer: Portion


def shared(found: Sequence[Verdict], yard: Yard) -> tuple[Shared, ...]:
    """Today's cans: the fewest that a greedy choice finds, in the order of their first stops."""
    spans: dict[tuple[tuple[str, ...], str], list[_Span]] = {}
    left = set()
    for at, verdict in enumerate(found):
        for offer in _poured(verdict):
            left.add(at)
            sources, water, per_l = offer.recipe
            high = max(per_l[-1], offer.most)
            span = _Span(at, _OWED * per_l[-1], high, offer)
            spans.setdefault((sources, water), []).append(span)
    cans = []
    while left:
        can = _most(spans, left, yard)
        cans.append(can)
        left -= set(can.stops)
    return tuple(sorted(cans, key=lambda one: one.stops))


def _most(
    spans: dict[tuple[tuple[str, ...], str], list[_Span]], left: set[int], yard: Yard
) -> Shared:
    """Of cans that spoons give that which serves most stops, then what suits best."""
    found = []
    for key, row in spans.items():
        there = [one for one in row if one.at in left]
        for point in {one.high for one in there}:
            group = [
                one for one in there if one.low <= point + _ROUNDING <= one.high + 2 * _ROUNDING
            ]
            can, by_spoons = _can(key, group, yard)
            suits = round(sum(one.offer.rank for one in group), 9)
            made_of = _made_of(group[0].offer)
            found.append((not by_spoons, -len(group), suits, made_of, round(point, 9), can))
    return min(found, key=lambda row: row[:5])[-1]


def _made_of(offer: Portion) -> list[float]:
    """What a litre of the recipe itself holds: tells sources apart whatever they are called."""
    assert offer.can is not None
    return [round(result.value, 9) for _, result in offer.can.nutrients]


def _can(
    key: tuple[tuple[str, ...], str], group: Sequence[_Span], yard: Yard
) -> tuple[Shared, bool]:
    """The can of a group, and whether spoons give it."""
    low, high = max(one.low for one in group), min(one.high for one in group)
    litres = np.array([one.offer.litres for one in group])
    own = np.array([one.offer.per_l for one in group])
    per_l = float(np.clip((own * litres).sum() / litres.sum(), low, high))
    base = [one.offer.base.per_l for one in group if one.offer.base is not None]
    whole = float(litres.sum())
    first = group[0].offer
    by_spoons = _measured(first, per_l, (low, high), whole, yard)
    strong, spare = by_spoons or (per_l, 1.0)
    parts: tuple[float, ...] = (strong,)
    if base:
        parts = (_marked(min(base), spare * whole, yard), *parts)
    stops, offers = tuple(one.at for one in group), tuple(one.offer for one in group)
    return Shared(*key, parts, stops, offers, spare), by_spoons is not None


def _measured(
    offer: Portion, per_l: float, within: tuple[float, float], litres: float, yard: Yard
) -> tuple[float, float] | None:
    """A strength that spoons give, inside what all bear, and how many times the litres it fills.

    None where none does.
    """
    dense = spoonful(offer, yard)
    if not dense or not yard.spoons:
        return None
    fill = litres / vessel_for(litres, yard.vessels)[1]
    low, high = (one * fill / dense for one in within)
    found = nearest_measured(per_l * fill / dense, low, LEFT_OVER * high, yard.owned)
    if found is None:
        return None
    spare = max(1.0, found / high)
    return found * dense / (fill * spare), spare


def _marked(per_l: float, litres: float, yard: Yard) -> float:
    """So much of a brew as a jug's marks give, never more than suits all."""
    if not yard.spoons:
        return per_l
    fill = litres / vessel_for(litres, yard.vessels)[1]
    found = nearest_measured(per_l * fill, per_l * fill / 2, per_l * fill, _JUG)
    return per_l if found is None else found / fill


def _poured(verdict: Verdict) -> list[Portion]:
    """What the stop may get: its own, and what suits it about as well."""
    own = verdict.recipe
    if verdict.mixed or own is None or own.can is None or own.litres <= 0:
        return []
    near = (one for one in verdict.offers if one.can and one.litres == own.litres)
    return [one for one in near if one is own or one.rank <= own.rank + _NEAR]
