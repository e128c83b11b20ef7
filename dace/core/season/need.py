"""What a plant takes, day by day: its season's uptake spread over its stages."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import Range, judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Step, Working, say
from dace.core.season.crops import Crop, Stage
from dace.core.season.looks import StageReading, Start

Array = NDArray[np.float64]
_HALF, _OVER_PEAK = 0.5, 1.2


@dataclass(frozen=True)
class Span:
    """A stage and its likely days: first day, and the day after its last."""

    stage: Stage
    first: date
    after: date

    @property
    def days(self) -> int:
        """How long it lasts, at least a day."""
        return max(1, (self.after - self.first).days)


def spans(reading: StageReading) -> tuple[Span, ...]:
    """The likely days of every stage that begins within what is worked out."""
    begun = [start for start in reading.starts if start.likely is not None]
    found = []
    for start, following in zip(begun, [*begun[1:], None], strict=True):
        assert start.likely is not None
        after = _end(start, following)
        if reading.ends_on is not None:
            after = max(start.likely + timedelta(days=1), min(after, reading.ends_on))
        found.append(Span(start.stage, start.likely, after))
    return tuple(found)


def stage_days(reading: StageReading) -> int | None:
    """How long the stage that they are at likely lasts for these plants [days]; None unknown."""
    return {span.stage.key: span.days for span in spans(reading)}.get(reading.stage.key)


def _end(start: Start, following: Start | None) -> date:
    if following is not None and following.likely is not None:
        return following.likely
    assert start.likely is not None
    return start.likely + timedelta(days=round(start.stage.duration_days.typ))


def makes_its_own(grown: Crop, stage: Stage, in_ground: bool) -> bool:
    """Whether a legume at a stage has the nitrogen it wants from its own roots.

    From its third leaf in the ground, where what lives with its roots is at home; in a fresh
    mix it finds only a part of it so.

    >>> from dace.core.season.crops import crop
    >>> bean = crop("runner_bean")
    >>> makes_its_own(bean, bean.stage("flowering"), True)
    True
    >>> makes_its_own(bean, bean.stage("flowering"), False)
    False
    """
    return grown.n_fixed_share > 0 and in_ground and not stage.is_seedling


def nitrogen_share(grown: Crop, stage: Stage, in_ground: bool) -> float:
    """The share of its nitrogen that a crop has to find about its roots."""
    return 0.0 if makes_its_own(grown, stage, in_ground) else 1 - grown.n_fixed_share


def wish_now(grown: Crop, stage: Stage, nutrient: str, in_ground: bool) -> Range:
    """What a litre of feed should hold for a crop in its place [mg/L]: legumes wish less."""
    found = stage.wish_of(nutrient)
    return found.scaled(nitrogen_share(grown, stage, in_ground)) if nutrient == "N" else found


def taken_g(grown: Crop, stage: Stage, nutrient: str, in_ground: bool = False) -> float:
    """What one plant takes from about its roots in a season at a stage's habit [g].

    >>> from dace.core.season.crops import crop
    >>> bean = crop("runner_bean")
    >>> round(taken_g(bean, bean.stage("flowering"), "N"), 2)
    2.92
    >>> taken_g(bean, bean.stage("flowering"), "N", in_ground=True)
    0.0
    """
    whole = grown.uptake_of(nutrient).typ
    return whole * nitrogen_share(grown, stage, in_ground) if nutrient == "N" else whole


def room_for(grown: Crop, stage: Stage, litres_each: float) -> float:
    """How far a pot carries the plant: the share of its need that counts there.

    Parameters
    ----------
    grown, stage : Crop, Stage
        What grows, and how far it is.
    litres_each : float
        Medium for each plant [L].

    Returns
    -------
    float
        1 where the pot is as large as is usual for that stage, less in a smaller one.

    Examples
    --------
    >>> from dace.core.season.crops import crop
    >>> aubergine = crop("aubergine")
    >>> round(room_for(aubergine, aubergine.stage("fruit_fill"), 10.0), 2)
    0.88
    >>> room_for(aubergine, aubergine.stages[0], 10.0)
    1.0
    """
    most = max(one.water_l_day.typ for one in grown.stages)
    usual = grown.typical_pot_litres * stage.water_l_day.typ / most if most > 0 else 0.0
    if usual <= 0:
        return 1.0
    return float(min(1.0, (litres_each / usual) ** judgement("room_exponent").range.typ))


def daily_room(grown: Crop, stages: tuple[Span, ...], first: date, litres_each: Array) -> Array:
    """The share of its need that counts on each day; ``litres_each`` has a value a day [L]."""
    room = np.ones(len(litres_each))
    for span in stages:
        low, high = max(0, (span.first - first).days), min(len(room), (span.after - first).days)
        for day in range(low, high):
            room[day] = room_for(grown, span.stage, float(litres_each[day]))
    return room


def daily_need(
    grown: Crop, stages: tuple[Span, ...], first: date, days: int, in_ground: bool = False
) -> Array:
    """What one plant takes each day [mg], shape (days, 5) in the order of ``NUTRIENTS``.

    Parameters
    ----------
    grown : Crop
        Its uptake.
    stages : tuple of Span
        When each stage is.
    first : date
        First day.
    days : int
        How many.
    in_ground : bool
        Whether it grows in a bed, where legumes make their own nitrogen.

    Returns
    -------
    ndarray
        Nothing before the first stage and after the last.
    """
    need = np.zeros((days, len(NUTRIENTS)))
    for span in stages:
        start, end = (span.first - first).days, (span.after - first).days
        low, high = max(0, start), min(days, max(end, start + 1))
        if low >= high:
            continue
        by_day = _shape(span)[low - start : high - start]
        for column, nutrient in enumerate(NUTRIENTS):
            share = span.stage.share_of(nutrient)
            taken = taken_g(grown, span.stage, nutrient, in_ground)
            need[low:high, column] = 1000 * taken * share * by_day
    return need


def _shape(span: Span) -> Array:
    """What part of a stage's need each of its days has: even, but for seedlings, which grow."""
    if not span.stage.is_seedling:
        return np.full(span.days, 1 / span.days)
    grown = np.exp(judgement("seedling_growth").range.typ * np.arange(span.days))
    return np.asarray(grown / grown.sum())


def in_cell(grown: Crop, litres_each: float) -> bool:
    """Whether a plant has so little medium that it is to be potted on.

    >>> from dace.core.season.crops import crop
    >>> in_cell(crop("lettuce"), 0.15), in_cell(crop("lettuce"), 1.0)
    (True, False)
    """
    return litres_each < _HALF * grown.typical_pot_litres


def towards(most: Array, age: Array) -> Array:
    """How far a seedling has grown towards what its cell carries, by its age [d]; 0 to 1.

    Parameters
    ----------
    most : ndarray
        Nitrogen that it takes a day once it fills the cell [mg].
    age : ndarray
        Days since it came up.

    Examples
    --------
    >>> [round(float(one), 2) for one in towards(np.ones(3), np.array([0.0, 18.0, 40.0]))]
    [0.02, 0.52, 0.99]
    """
    begun = judgement("seedling_first").range.typ / np.maximum(most, 1e-9)
    left = np.maximum(0.0, 1 / np.maximum(begun, 1e-9) - 1)
    return np.asarray(1 / (1 + left * np.exp(-judgement("seedling_growth").range.typ * age)))


def cell_carries(grown: Crop, litres_each: float) -> float:
    """The nitrogen that a plant takes a day at most in so little medium [mg]."""
    peak = max(
        1000 * grown.uptake_of("N").typ * s.share_of("N") / max(1.0, s.duration_days.typ)
        for s in grown.stages
    )
    own = _OVER_PEAK * peak / max(grown.typical_pot_litres, 0.1)
    return litres_each * max(judgement("cell_nitrogen").range.typ / 7, own)


def daily_use(stages: tuple[Span, ...], first: date, days: int) -> Array:
    """Water that one plant uses on days of usual evaporation [L], nothing outside its stages."""
    use = np.zeros(days)
    for span in stages:
        low, high = max(0, (span.first - first).days), min(days, (span.after - first).days)
        if low < high:
            use[low:high] = span.stage.water_l_day.typ
    return use


def need_steps(grown: Crop, span: Span, nutrient: str, in_ground: bool = False) -> Working:
    """How the daily need at a stage follows from the season's uptake."""
    whole = grown.uptake_of(nutrient).typ
    taken = taken_g(grown, span.stage, nutrient, in_ground)
    steps = [
        Step(f"{nutrient} one plant takes up in a season", "", whole, "g", grown.source, "medium")
    ]
    if taken != whole:
        fixed = 1 - nitrogen_share(grown, span.stage, in_ground)
        expression = f"{say(whole)} g × (1 − {say(fixed)})"
        steps.append(Step("less what it makes itself", expression, taken, "g"))
    share = span.stage.share_of(nutrient)
    steps.append(
        Step(
            f"each day while {span.stage.words}",
            f"1000 × {say(taken)} × {say(share)} ÷ {span.days}",
            1000 * taken * share / span.days,
            "mg",
            span.stage.source,
            span.stage.confidence,
        )
    )
    return tuple(steps)
