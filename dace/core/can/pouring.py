"""How much of a can each plant gets."""

from __future__ import annotations

import math
from dataclasses import dataclass

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.result import Result, Step, say
from dace.core.season.crops import Stage
from dace.core.words import shown

_ANY_CAN_L = 100.0
_STEPS = ((5.0, 1.0), (0.75, 0.5), (0.2, 0.1), (0.04, 0.02), (0.0, 0.005))


@dataclass(frozen=True)
class Ground:
    """What a drench is poured on: how many plants share how much medium.

    ``holding_l`` is the water that the medium holds after draining [L]; None
    where the volume is not known, as in open ground.
    """

    plants: int
    holding_l: float | None = None


def suggest_litres_each(stage: Stage, ground: Ground, available_l: float) -> Result:
    """A drench per plant for this stage, rounded to what one can pour.

    Parameters
    ----------
    stage : Stage
        Gives the water use a day.
    ground : Ground
        Plants and the water their medium holds.
    available_l : float
        What the can holds [L].

    Returns
    -------
    Result
        Litres for each plant, never more than the can divided among them.

    Raises
    ------
    DaceError
        If there are no plants to pour on.
    """
    if ground.plants < 1:
        raise DaceError("plants", f"{ground.plants} plants", "at least one plant would do")
    days = judgement("water_use_days")
    use = stage.water_l_day
    likely = days.range.typ * use.typ
    steps = [
        Step(
            "water it uses",
            f"{say(days.range.typ)} days × {say(use.typ)} L",
            likely,
            "L",
            f"{stage.words}: {stage.source}; {days.text}",
            "low",
        )
    ]
    most = available_l / ground.plants
    steps.append(
        Step("what the can has for each", f"{say(available_l)} L ÷ {ground.plants}", most, "L")
    )
    if ground.holding_l is not None:
        share = judgement("medium_share_per_drench")
        room = share.range.typ * ground.holding_l / ground.plants
        expression = f"{say(share.range.typ)} × {say(ground.holding_l)} L ÷ {ground.plants}"
        steps.append(Step("what the pot takes in one go", expression, room, "L", share.text, "low"))
        most = min(most, room)
    value = pourable(min(likely, most), most)
    steps.append(Step("rounded to pour", "", value, "L"))
    low, high = min(value, days.range.low * use.low), max(value, days.range.high * use.high)
    return Result(value, low, high, "L", tuple(steps))


def _steps() -> tuple[tuple[float, float], ...]:
    """From how many litres on one pours in steps of how many; in gallons, pints and ounces too."""
    if not shown.shown_in().gallons:
        return _STEPS
    gallon, pint, ounce = (unit.litres for unit in shown.volume_units())
    return ((gallon, gallon / 2), (0.9 * pint, pint / 2), (ounce, ounce), (0.0, ounce / 4))


def pourable(litres: float, most: float) -> float:
    """To a step that one can pour; a tenth of it where the whole step is too much."""
    step = next(step for above, step in _steps() if litres >= above)
    nearest = round(litres / step) * step
    if not 0 < nearest <= most:
        nearest = math.floor(most / step * 10) * step / 10
    return round(nearest, 4)
