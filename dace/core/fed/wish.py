"""What all that is fed in one fill wishes together, at the stages that it is at."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dace.core.fed.records import Grows
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.season.crops import Stage
from dace.core.season.need import room_for, taken_g, wish_now

Array = NDArray[np.float64]
_TINY = 1e-9


@dataclass(frozen=True, eq=False)
class FillWish:
    """Strengths [mg/L] in the order of ``NUTRIENTS``, and what is taken a day [mg].

    Of several plantings ``low`` and ``high`` are the least, ``typ`` is weighed by their need.
    """

    low: Array
    typ: Array
    high: Array
    need: Array
    thirst_l: float

    @staticmethod
    def of(grown: Sequence[tuple[Grows, Stage]], litres: float, in_ground: bool) -> FillWish:
        """Of plantings at stages in so many litres of medium."""
        plants = max(1, sum(one.plants for one, _ in grown))
        rows = [_of_one(one, stage, litres / plants, in_ground) for one, stage in grown]
        if not rows:
            zero = np.zeros(len(NUTRIENTS))
            return FillWish(zero, zero, zero, zero, 0.0)
        low, typ, high, need = (np.array([row[at] for row in rows]) for at in range(4))
        weight = need + _TINY
        return FillWish(
            low.min(axis=0),
            (typ * weight).sum(axis=0) / weight.sum(axis=0),
            high.min(axis=0),
            need.sum(axis=0),
            sum(stage.water_l_day.typ * one.plants for one, stage in grown),
        )


def _of_one(
    one: Grows, stage: Stage, litres_each: float, in_ground: bool
) -> tuple[list[float], list[float], list[float], list[float]]:
    wishes = [wish_now(one.crop, stage, n, in_ground) for n in NUTRIENTS]
    room = 1.0 if in_ground else room_for(one.crop, stage, litres_each)
    a_day = room * one.plants * one.aim * 1000 / max(1.0, stage.duration_days.typ)
    need = [taken_g(one.crop, stage, n, in_ground) * stage.share_of(n) * a_day for n in NUTRIENTS]
    return ([w.low for w in wishes], [w.typ for w in wishes], [w.high for w in wishes], need)
