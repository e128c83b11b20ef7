"""Today's cans to mix, in the order of the path."""

from __future__ import annotations

from collections.abc import Sequence

from dace.core.fed.recipe import whole_can
from dace.core.fed.records import Verdict, Yard
from dace.core.fed.slots import next_number
from dace.core.plan.records import CanToMix, Served
from dace.core.verdict.together import SHARED, Shared, shared


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
    largest = max((vessel.litres for vessel in yard.vessels), default=0.0)
    return tuple(_can(can, found, yard) for can in shared(found, largest, yard.filled))


def _litres(verdict: Verdict) -> float:
    assert verdict.recipe is not None
    return verdict.recipe.litres


def _can(can: Shared, found: Sequence[Verdict], yard: Yard) -> CanToMix:
    stops = can.stops
    own = found[stops[0]].recipe
    assert own is not None
    litres = sum(_litres(found[at]) for at in stops)
    by_key = {stop.key: stop for stop in yard.stops}
    served = tuple(
        Served(
            found[at].stop,
            _litres(found[at]),
            found[at].each,
            next_number(by_key[found[at].stop].followed.root_zone, yard.days.today, "feed"),
        )
        for at in stops
    )
    thinner = any(_bound(found[at]).startswith(SHARED) for at in stops)
    return CanToMix(whole_can(own, can.per_l, litres, yard), served, _why(len(stops), thinner))


def _bound(verdict: Verdict) -> str:
    return verdict.recipe.bound_by if verdict.recipe else ""


def _why(stops: int, thinner: bool) -> str:
    if stops < 2:
        return ""
    if thinner:
        return "They like nearly the same strength: the weaker of it, in one can."
    return "They like the same strength."
