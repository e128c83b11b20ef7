"""A meal: who is fed at a stop, with what is owed, how strongly beside it, in which water."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np

from dace.core.fed.facts import Facts
from dace.core.fed.options import Fed, Meal
from dace.core.fed.owed import Owed
from dace.core.fed.recipe import best_water
from dace.core.fed.records import Grows, Yard

_POOR = 2
_MORE = 1.25
_SALT_FROM, _SALT_OVER, _SALT_LEAST = 1.45, 0.5, 0.25
RECKONED = 1.5
"""Times the top of comfort from which salt that nobody read of late is answered with water."""


def meal_of(facts: Facts, fed: Sequence[Fed], yard: Yard, owed: Owed) -> Meal | None:
    """What a source is chosen for; None where there is no water."""
    water = best_water(facts, fed, yard.waters)
    if water is None:
        return None
    return Meal(facts, tuple(fed), yard, water, owed.of(0), owed.wish.low, mild=facts.after_flush)


def strong_as(facts: Facts, grows: Grows) -> float:
    """How strong beside what is owed: weaker by salt that was read, stronger by a low reading."""
    least = salt_share(facts)
    if least < 1:
        return least * facts.stop.strength
    poor = grows.score is not None and grows.score <= _POOR
    return facts.stop.strength * (_MORE if facts.reads_low or poor else 1.0)


def salt_share(facts: Facts) -> float:
    """What salt leaves of a feed's strength, where it was read of late: 1 well inside the band."""
    if facts.band is None or facts.in_bed or not facts.lately_read:
        return 1.0
    return salt_share_at(float(facts.stop.followed.now[1]), facts.band.high)


def salt_share_at(drain: float, top: float) -> float:
    """The same of what drains beside the top of comfort [mS/cm].

    >>> [round(salt_share_at(drain, 2.0), 2) for drain in (1.7, 2.0, 3.0)]
    [1.0, 0.9, 0.25]
    """
    return float(np.clip((_SALT_FROM - drain / top) / _SALT_OVER, _SALT_LEAST, 1.0))
