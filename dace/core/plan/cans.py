"""The cans to mix: today's in the order of the path, and what each stop gets of later ones."""

from __future__ import annotations

from collections.abc import Mapping, Sequence

from dace.core.can.measuring import vessel_for
from dace.core.fed.options import Option, litres_of
from dace.core.fed.recipe import of_can, portion, poured, whole_can
from dace.core.fed.records import Portion, Verdict, Yard
from dace.core.fed.slots import next_number
from dace.core.figures import judgement
from dace.core.plan.records import CanAhead, CanToMix, Served
from dace.core.plan.walk import Given
from dace.core.verdict.together import Bid, Shared, shared

_FEW_L = 0.01
_LEAST = 0.5
"""So much of its strength a can must have, or the jar's last drops are not poured."""


def cans_of(found: Sequence[Verdict], yard: Yard) -> tuple[CanToMix, ...]:
    """What is mixed today.

    Parameters
    ----------
    found : sequence of Verdict
        Today's, in walking order.
    yard : Yard
        Its vessels and waters.

    Returns
    -------
    tuple of CanToMix
        Stops with one recipe share a can, filled as often as it takes, each time alike.
    """
    return tuple(_can(stops, found, yard) for stops in _by_recipe(found))


def poured_of(
    given: Sequence[Given], yard: Yard, left: Mapping[str, float]
) -> tuple[dict[int, Portion], tuple[CanAhead, ...]]:
    """What each of the feeds to come pours, by ``id`` of it, and its cans: few on each day.

    Parameters
    ----------
    given : sequence of Given
        Of all stops; what is dressed is passed over.
    yard : Yard
        Its measures, vessels and waters.
    left : mapping
        What each source holds once today is done [mL or g].
    """
    days: dict[int, list[Given]] = {}
    held, free = dict(left), dict(left)
    for one in given:
        for key, amount in one.used.items():
            free[key] -= amount
        if one.option is not None:
            days.setdefault(one.ahead, []).append(one)
    cans: list[tuple[Shared, list[Given]]] = []
    for _, several in sorted(days.items()):
        rows = [_bids(one, free) for one in several]
        for can in shared(rows, yard, held):
            there = [several[at] for at in can.stops]
            cans.append((can, there))
            for bid, one in zip(can.bids, there, strict=True):
                for source, per_l in _options(one)[bid.offer].parts if bid.offer else ():
                    free[source.key] -= per_l * one.litres
            for key, per_l in can.parts:
                held[key] -= per_l * can.litres
    return _as_portions(cans, yard), tuple(_ahead(*one, yard) for one in cans)


def _ahead(can: Shared, given: Sequence[Given], yard: Yard) -> CanAhead:
    amounts = tuple((key, per_l * can.litres) for key, per_l in can.parts)
    vessel, fills = vessel_for(can.litres, yard.vessels)
    name = vessel.name if vessel else ""
    stops = tuple(one.facts.stop.key for one in given)
    return CanAhead(given[0].facts.today, amounts, can.litres, fills, name, stops)


def _as_portions(cans: Sequence[tuple[Shared, Sequence[Given]]], yard: Yard) -> dict[int, Portion]:
    """What each stop gets, said as the can is measured that it is poured from."""
    rows = [
        (can, bid, given, poured(_options(given)[bid.offer], dict(can.parts)))
        for can, there in cans
        for bid, given in zip(can.bids, there, strict=True)
        if can.per_l[-1] >= _LEAST * bid.strong
    ]
    litres_of([(one.mixed, one.water) for *_, one in rows])  # all at once: one by one is slow
    found = {}
    for can, bid, given, one in rows:
        assert given.water is not None
        own = portion(one, can.poured(bid), given.water, yard)
        whole = own if len(can.stops) == 1 else portion(one, can.litres, given.water, yard)
        found[id(given)] = of_can(own, whole)
    return found


def _options(given: Given) -> list[Option]:
    """What the walk chose, and what it could have chosen as well."""
    own = given.option
    assert own is not None
    alike = (one for one in given.others if one.litres_share == own.litres_share)
    return [own, *(one for one in alike if one is not own)]


def _bids(given: Given, free: Mapping[str, float]) -> list[Bid]:
    """The same as bids; what others want of the shelf is left to them."""
    found, litres = [], given.litres
    assert given.water is not None
    for at, one in enumerate(_options(given)):
        if at and any(per_l * litres > free[source.key] for source, per_l in one.parts):
            continue
        sources, per_l = (tuple(row) for row in zip(*one.parts, strict=True))
        keys, holds = tuple(one.key for one in sources), tuple(one.held.values())
        unit = one.source.feed.unit
        found.append(Bid(at, keys, given.water.key, per_l, one.most, unit, litres, one.rank, holds))
    return found


def _by_recipe(found: Sequence[Verdict]) -> list[tuple[int, ...]]:
    """Stops whose verdicts pour the same, by their places in the row."""
    groups: dict[object, tuple[int, ...]] = {}
    for at, one in enumerate(found):
        own = one.recipe
        if not one.mixed and own is not None and own.can is not None and own.litres > 0:
            groups[own.recipe, own.mixed_l] = (*groups.get((own.recipe, own.mixed_l), ()), at)
    return list(groups.values())


def _can(stops: tuple[int, ...], found: Sequence[Verdict], yard: Yard) -> CanToMix:
    own = found[stops[0]].recipe
    assert own is not None
    litres = sum(found[at].litres for at in stops)
    by_key = {stop.key: stop for stop in yard.stops}
    served = tuple(
        Served(
            found[at].stop,
            found[at].litres,
            found[at].each,
            next_number(by_key[found[at].stop].followed.root_zone, yard.days.today, "feed"),
        )
        for at in stops
    )
    whole = whole_can(own, _parts(own), max(litres, own.mixed_l), yard)
    left = max(0.0, whole.litres - litres)
    return CanToMix(whole, served, left, _ground(yard) if left > _FEW_L else "", _why(len(stops)))


def _ground(yard: Yard) -> str:
    """The first bed along the path that may have what is left over; empty where there is none."""
    beds = (one for one in yard.stops if one.followed.root_zone.is_bed)
    free = (one.key for one in beds if not any(grown.control for grown in one.grows))
    return next(free, "")


def _parts(own: Portion) -> list[tuple[str, float]]:
    sources, _, per_l = own.recipe
    return list(zip(sources, per_l, strict=True))


def _why(stops: int) -> str:
    return "One strength that suits all of them." if stops > 1 else ""


def minutes_for(cans: int, stops: int) -> float:
    """What so many cans for so many stops take in an evening [min]; 0 for nothing.

    >>> minutes_for(2, 9), minutes_for(0, 0)
    (19.0, 0.0)
    """
    if not cans and not stops:
        return 0.0
    each = (judgement(f"minutes_{what}").range.typ for what in ("to_go", "can", "stop"))
    go, can, stop = each
    return go + can * cans + stop * stops
