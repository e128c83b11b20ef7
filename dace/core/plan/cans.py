"""Today's cans to mix, in the order of the path."""

from __future__ import annotations

from collections.abc import Sequence

from dace.core.fed.recipe import whole_can
from dace.core.fed.records import Verdict, Yard
from dace.core.fed.slots import next_number
from dace.core.plan.records import CanToMix, Served


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


def _litres(verdict: Verdict) -> float:
    assert verdict.recipe is not None
    return verdict.recipe.litres


def _can(stops: tuple[int, ...], found: Sequence[Verdict], yard: Yard) -> CanToMix:
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
    return CanToMix(whole_can(own, own.recipe[2], litres, yard), served, _why(len(stops)))


def _why(stops: int) -> str:
    return "One strength that suits all of them." if stops > 1 else ""
