"""Feeds of one day in few cans: stops that bear one strength of the same sources share it.

Notes
-----
Each stop bears an interval of strength, from eight tenths of what it is owed to its most. The
strength that lies in most intervals is mixed first, then that of those left over; for one set
of sources no fewer points can lie in all intervals. What goes in is then moved inside the
interval of all that share it to what spoons and marks give.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass
from math import fsum

from dace.core.can.measures import kitchen_jugs, nearest_measured
from dace.core.can.measuring import fills_for, vessel_for
from dace.core.fed.recipe import spoonful
from dace.core.fed.records import Portion, Yard
from dace.core.words import shown

SHARED = "the can that it shares with"
"""How the strength of a shared can is named as what bound it."""
_OWED, _NEAR = 0.8, 0.3
_ROUNDING = 1e-9
_WEAKER = 0.5
"""Down to this part of the least that suits a can may be mixed where no spoon gives more."""


@dataclass(frozen=True)
class Bid:
    """A can that a stop may get: ``offer`` is its place among the stop's.

    ``per_l`` [mL or g] is what a litre takes of each of ``sources``, ``most`` of the last where
    nothing makes it weaker; ``holds`` [mg/L] tells sources apart whatever they are called.
    """

    offer: int
    sources: tuple[str, ...]
    water: str
    per_l: tuple[float, ...]
    most: float
    unit: str
    litres: float
    rank: float
    holds: tuple[float, ...]

    @property
    def source(self) -> str:
        """The source that it is named by: its last."""
        return self.sources[-1]

    @property
    def strong(self) -> float:
        """How much of its last source a litre takes [mL or g]."""
        return self.per_l[-1]


def bids_of(offers: Sequence[Portion]) -> list[Bid]:
    """Portions as bids; what is no can is none."""
    found = []
    for at, one in enumerate(offers):
        if one.can is not None:
            holds = tuple(round(result.value, 9) for _, result in one.can.nutrients)
            of, rank = (one.most, one.unit, one.litres), one.rank
            found.append(Bid(at, *one.recipe, *of, rank, holds))
    return found


@dataclass(frozen=True)
class Shared:
    """Stops, by their place in the row, that get one recipe in one water, from their ``bids``.

    ``per_l`` is what a litre takes of each source, ``litres`` what is mixed, to a mark: up to
    about a tenth is left over.
    """

    sources: tuple[str, ...]
    water: str
    per_l: tuple[float, ...]
    stops: tuple[int, ...]
    bids: tuple[Bid, ...]
    litres: float

    @property
    def parts(self) -> tuple[tuple[str, float], ...]:
        """What a litre takes of each source, in the order of pouring; a brew may be used up."""
        found = zip(self.sources, self.per_l, strict=True)
        return tuple((key, per_l) for key, per_l in found if per_l > _ROUNDING)

    def poured(self, bid: Bid) -> float:
        """What one of them gets of it [L]: what is left over, with whoever has it alone."""
        return self.litres if len(self.stops) == 1 else bid.litres


@dataclass(frozen=True)
class _Span:
    """What one stop bears of one recipe [mL or g a litre of its last source]."""

    at: int
    low: float
    high: float
    bid: Bid


def shared(
    rows: Sequence[Sequence[Bid]], yard: Yard, stock: Mapping[str, float]
) -> tuple[Shared, ...]:
    """The cans of a day: the fewest that a greedy choice finds, in the order of their first stops.

    Parameters
    ----------
    rows : sequence of sequences of Bid
        What each stop may get, its own first; nothing where it gets none. Only what suits it
        about as well, in as many litres, counts.
    yard : Yard
        Its measures and vessels.
    stock : mapping
        What each source holds that day [mL or g], by key; no can takes more.
    """
    spans: dict[tuple[tuple[str, ...], str], list[_Span]] = {}
    for at, bids in enumerate(rows):
        for bid in _near(bids):
            span = _Span(at, _OWED * bid.strong, max(bid.strong, bid.most), bid)
            spans.setdefault((bid.sources, bid.water), []).append(span)
    left, held = {at for at, bids in enumerate(rows) if bids}, dict(stock)
    cans = []
    while left:
        can = _most(spans, left, yard, held)
        cans.append(can)
        left -= set(can.stops)
        for one, each in can.parts:
            held[one] -= each * can.litres
    return tuple(sorted(cans, key=lambda one: one.stops))


def _most(
    spans: dict[tuple[tuple[str, ...], str], list[_Span]],
    left: set[int],
    yard: Yard,
    held: Mapping[str, float],
) -> Shared:
    """Of cans that spoons give that which serves most stops, then what suits best."""
    found = []
    for key, row in spans.items():
        there = [one for one in row if one.at in left]
        for point in {one.high for one in there}:
            group = [
                one for one in there if one.low <= point + _ROUNDING <= one.high + 2 * _ROUNDING
            ]
            suits = round(sum(one.bid.rank for one in group), 9)
            found.append((-len(group), suits, key, round(point, 9), group))
    found.sort(key=lambda row: (*row[:2], row[-1][0].bid.holds, row[3]))
    first = None
    for _, _, key, _, group in found:
        can, by_spoons = _can(key, group, yard, held)
        if by_spoons or not yard.spoons:
            return can
        first = first or can
    assert first is not None
    return first


def _can(
    key: tuple[tuple[str, ...], str],
    group: Sequence[_Span],
    yard: Yard,
    held: Mapping[str, float],
) -> tuple[Shared, bool]:
    """The can of a group, and whether spoons give it."""
    whole = fsum(one.bid.litres for one in group)
    most = held[key[0][-1]] / whole
    high = min(most, *(one.high for one in group))
    low = min(high, max(one.low for one in group))
    own = fsum(one.bid.strong * one.bid.litres for one in group) / whole
    per_l = min(high, max(low, own))
    base = [one.bid.per_l[0] for one in group if len(one.bid.per_l) > 1]
    first = group[0].bid
    by_spoons = _measured(first, per_l, (low, high), whole, held, yard)
    strong, mixed = by_spoons or (per_l, whole)
    parts: tuple[float, ...] = (strong,)
    if base:
        parts = (_marked(min(held[key[0][0]] / mixed, *base), mixed, yard), *parts)
    stops, bids = tuple(one.at for one in group), tuple(one.bid for one in group)
    return Shared(*key, parts, stops, bids, mixed), by_spoons is not None


def _measured(
    bid: Bid,
    per_l: float,
    within: tuple[float, float],
    litres: float,
    held: Mapping[str, float],
    yard: Yard,
) -> tuple[float, float] | None:
    """A strength that spoons give, inside what all bear, and the litres that are mixed for it.

    None where none does.
    """
    if not yard.spoons:
        return None
    dense = spoonful(bid.source, bid.unit, yard)
    fills, count = fills_for(litres, yard.vessels)
    jugs = kitchen_jugs(shown.shown_in().measures) if bid.unit == "mL" else ()
    for fill in fills:
        low, high = (one * fill / dense for one in within)
        top, wanted = min(high, held[bid.source] / count / dense), per_l * fill / dense
        found = nearest_measured(wanted, low, top, yard.owned)
        if found is None and jugs:
            found = nearest_measured(wanted, low, top, jugs)
        if found is not None:
            return found * dense / fill, fill * count
    # nothing in a kitchen gives it: rather somewhat less than weighed on scales that she lacks
    fill = fills[0]
    low, top = within[0] * fill / dense, min(within[1] * fill, held[bid.source] / count) / dense
    found = nearest_measured(low, _WEAKER * min(low, top), min(low, top), yard.owned)
    return None if found is None else (found * dense / fill, fill * count)


def _marked(per_l: float, litres: float, yard: Yard) -> float:
    """So much of a brew as a jug's marks or spoons give, never more than suits all."""
    if not yard.spoons:
        return per_l
    fill = litres / vessel_for(litres, yard.vessels)[1]
    jugs = kitchen_jugs(shown.shown_in().measures)
    most = per_l * fill
    found = nearest_measured(most, most / 2, most, jugs)
    if found is None:
        found = nearest_measured(most, most / 2, most, yard.owned)
    return per_l if found is None else found / fill


def _near(bids: Sequence[Bid]) -> list[Bid]:
    """The first, and what suits about as well in as many litres."""
    return [
        one
        for one in bids
        if one is bids[0] or (one.litres == bids[0].litres and one.rank <= bids[0].rank + _NEAR)
    ]
