"""What a plant takes, day by day: its season's uptake spread over its stages."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Step, Working, say
from dace.core.season.crops import Crop, Stage
from dace.core.season.looks import StageReading, Start

Array = NDArray[np.float64]


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


def _end(start: Start, following: Start | None) -> date:
    if following is not None and following.likely is not None:
        return following.likely
    assert start.likely is not None
    return start.likely + timedelta(days=round(start.stage.duration_days.typ))


def taken_g(grown: Crop, nutrient: str) -> float:
    """What one plant takes from the ground in a season [g]: legumes fix a part themselves.

    >>> from dace.core.season.crops import crop
    >>> round(taken_g(crop("runner_bean"), "N"), 2)
    2.92
    """
    whole = grown.uptake_of(nutrient).typ
    return whole * (1 - grown.n_fixed_share) if nutrient == "N" else whole


def daily_need(grown: Crop, stages: tuple[Span, ...], first: date, days: int) -> Array:
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
        for column, nutrient in enumerate(NUTRIENTS):
            share = span.stage.share_of(nutrient)
            need[low:high, column] = 1000 * taken_g(grown, nutrient) * share / span.days
    return need


def daily_use(stages: tuple[Span, ...], first: date, days: int) -> Array:
    """Water that one plant uses on days of usual evaporation [L], nothing outside its stages."""
    use = np.zeros(days)
    for span in stages:
        low, high = max(0, (span.first - first).days), min(days, (span.after - first).days)
        if low < high:
            use[low:high] = span.stage.water_l_day.typ
    return use


def need_steps(grown: Crop, span: Span, nutrient: str) -> Working:
    """How the daily need at a stage follows from the season's uptake."""
    whole = grown.uptake_of(nutrient).typ
    taken = taken_g(grown, nutrient)
    steps = [
        Step(f"{nutrient} one plant takes up in a season", "", whole, "g", grown.source, "medium")
    ]
    if taken != whole:
        expression = f"{say(whole)} g × (1 − {say(grown.n_fixed_share)})"
        steps.append(Step("less what it fixes itself", expression, taken, "g"))
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
