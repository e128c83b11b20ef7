"""Today's cans to mix, in the order of the path, each filled for whole stops."""

from __future__ import annotations

from collections.abc import Sequence

from dace.core.plan.records import CanToMix, Served
from dace.core.verdict.recipe import whole_can
from dace.core.verdict.records import Verdict, Yard
from dace.core.verdict.together import Shared, fills, shared

_ROUNDING_L = 1e-9


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
        Stops with one recipe share cans as long as all of them fit in; no stop is served
        from two recipes, and one that wants more than a can has several, equally full.
    """
    largest = max((vessel.litres for vessel in yard.vessels), default=0.0)
    made = [
        (fill[0], _can(can, fill, found, yard))
        for can in shared(found, largest)
        for fill in fills(can.stops, found, largest)
    ]
    return tuple(can for _, can in sorted(made, key=lambda pair: pair[0]))


def _litres(verdict: Verdict) -> float:
    assert verdict.recipe is not None
    return verdict.recipe.litres


def _can(can: Shared, stops: Sequence[int], found: Sequence[Verdict], yard: Yard) -> CanToMix:
    own = found[stops[0]].recipe
    assert own is not None
    litres = sum(_litres(found[at]) for at in stops)
    served = tuple(Served(found[at].stop, _litres(found[at]), found[at].each) for at in stops)
    return CanToMix(whole_can(own, can.per_l, litres, yard), served, _why(can, stops))


def _why(can: Shared, stops: Sequence[int]) -> str:
    if len(stops) < 2:
        return ""
    if can.lost <= _ROUNDING_L:
        return "They like the same strength."
    return f"What they like lies within {can.lost:.0%}: the weaker of it, in one can."
