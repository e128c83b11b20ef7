"""Today's cans to mix, in the order of the path."""

from __future__ import annotations

from collections.abc import Sequence

from dace.core.can.measures import nearest_measured
from dace.core.fed.recipe import spoonful, whole_can
from dace.core.fed.records import Portion, Verdict, Yard
from dace.core.fed.slots import next_number
from dace.core.figures import judgement
from dace.core.plan.records import CanToMix, Served
from dace.core.verdict.together import LEFT_OVER


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


def _by_recipe(found: Sequence[Verdict]) -> list[tuple[int, ...]]:
    """Stops whose verdicts pour the same, by their places in the row."""
    groups: dict[object, tuple[int, ...]] = {}
    for at, one in enumerate(found):
        own = one.recipe
        if not one.mixed and own is not None and own.can is not None and own.litres > 0:
            groups[own.recipe] = (*groups.get(own.recipe, ()), at)
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
    whole = whole_can(own, own.recipe[2], litres, yard)
    more = _to_spoons(whole, yard) * litres
    if more > litres:
        whole = whole_can(own, own.recipe[2], more, yard)
    return CanToMix(whole, served, _why(len(stops)))


def _to_spoons(whole: Portion, yard: Yard) -> float:
    """How many times as much is mixed so that spoons give it; 1 where they do or cannot."""
    dense = spoonful(whole, yard)
    if not dense or not yard.spoons or whole.amount <= 0:
        return 1.0
    each = whole.amount / whole.cans / dense
    found = nearest_measured(each, each, LEFT_OVER * each, yard.owned)
    return 1.0 if found is None else found / each


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
