"""The plan as the Season shows it."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core import api as core
from dace.core.api import NUTRIENTS, Course, Event, Plan, on_day, say, shown
from dace.desks.season.schemas import LineOut
from dace.desks.season.schemas_plan import (
    HabitsOut,
    LinesOut,
    PlanEventOut,
    PlanOut,
    RemedyOut,
    ToBuyOut,
    ToComeOut,
)
from dace.desks.shared.events import event_words
from dace.desks.shared.figures import StepOut, steps_out
from dace.desks.shared.stops import stop_name
from dace.desks.shared.to_come import to_come
from dace.feeding.plans import WEEKS, Planned, event_id, planned
from dace.feeding.verdicts import StopVerdict
from dace.garden.models import Garden
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.scope import Scope

_WEEK = 7
_LEAST_STILL_MG = 100.0


def plan_page(scope: Scope) -> PlanOut:
    """The plan; queries as for the verdicts, and one for what is sown again."""
    garden, found = garden_of(scope), planned(scope)
    habits = habits_out(garden)
    if found.plan is None or found.judged.yard is None:
        return PlanOut(
            today=today(scope, garden), weeks=WEEKS, habits=habits, events=[], remedies=[],
            to_buy=[], to_come=[], lines=[], digest="",
        )  # fmt: skip
    plan, stops = found.plan, found.stops
    return PlanOut(
        today=plan.today,
        weeks=WEEKS,
        habits=habits,
        events=events_out(scope, plan.events, stops),
        remedies=[
            RemedyOut(
                kind=one.kind,
                plantings=[p for key in one.stops for p in _plantings(stops[key])],
                place_id=stops[one.stops[0]].place.id,
                text=one.text,
                button=one.button,
            )
            for one in plan.remedies
        ],
        to_buy=_to_buy(found),
        to_come=_to_come(scope, found, plan),
        lines=[lines_out(stops[key].fill_id, course) for key, course in plan.courses],
        digest=plan.digest,
    )


def habits_out(garden: Garden) -> HabitsOut:
    """How the garden is fed."""
    return HabitsOut(
        approach=garden.approach,
        rhythm=garden.rhythm,
        slider=garden.slider,
        weighs=garden.weighs,
        evenings=[day for day in garden.evenings.split(",") if day],
        approaches=core.APPROACHES,
        rhythms=core.RHYTHM_WORDS,
    )


def _plantings(one: StopVerdict) -> list[uuid.UUID]:
    return [stand.planting_id for stand in one.stands]


def events_out(
    scope: Scope, events: Sequence[Event], stops: dict[str, StopVerdict]
) -> list[PlanEventOut]:
    """Events with whom they are for and how much nitrogen each plant gets."""
    return [_event(scope, event, stops[event.stop]) for event in events]


def _event(scope: Scope, event: Event, one: StopVerdict) -> PlanEventOut:
    fed = {planting for planting, _ in event.stages}
    stands = [stand for stand in one.stands if str(stand.id) in fed] or list(one.stands)
    low, likely, high = event.held("N", sum(stand.count for stand in stands))
    return PlanEventOut(
        id=event_id(scope.household_id, event),
        on=event.on,
        kind=event.kind,
        fill_id=one.fill_id,
        plantings=[stand.planting_id for stand in stands],
        name=stop_name(one),
        stage=event.stage,
        text=event_words(event),
        nitrogen_mg=round(likely, 1),
        nitrogen_text=(
            f"{say(likely, 2)} mg of nitrogen a plant ({say(low, 2)} to {say(high, 2)})"
            if likely
            else ""
        ),
        why=list(event.why),
        working=_working(event),
    )


def _working(event: Event) -> list[StepOut]:
    """How the nitrogen of its can was got; nothing of a dressing."""
    can = event.portion.can if event.portion else None
    return steps_out(can.nutrient("N").working) if can else []


def lines_out(fill_id: uuid.UUID, course: Course) -> LinesOut:
    """Need and what is taken, summed week by week."""
    weeks = range(_WEEK, len(course.need) + 1, _WEEK)

    def summed(rows: NDArray[np.float64], column: int, times: float = 1.0) -> list[float]:
        return [round(times * float(rows[:end, column].sum()), 1) for end in weeks]

    low, high = course.spread
    return LinesOut(
        fill_id=fill_id,
        days=[course.first + timedelta(days=end - 1) for end in weeks],
        lines=[
            LineOut(
                nutrient=nutrient,
                need=summed(course.need, column),
                reached=summed(course.taken, column),
                low=summed(course.taken, column, low),
                high=summed(course.taken, column, high),
            )
            for column, nutrient in enumerate(NUTRIENTS)
        ],
    )


def _to_buy(found: Planned) -> list[ToBuyOut]:
    assert found.plan is not None
    assert found.judged.yard is not None
    return [
        ToBuyOut(
            text=one.text,
            amount=shown.grams(one.grams, 2),
            cost=f"about {one.cost:.2f}" if one.cost is not None else "price not known",
            where=", ".join(stop_name(found.stops[key]) for key in one.stops),
        )
        for one in core.to_buy(found.plan, found.judged.yard)
    ]


def _to_come(scope: Scope, found: Planned, plan: Plan) -> list[ToComeOut]:
    """Sowing again, potting on, and what slow feeds still give after the plan, by day."""
    rows = [
        ToComeOut(planting_id=one.planting_id, on=one.on, name=one.name, text=one.text)
        for one in to_come(scope, found.judged, plan.today)
    ]
    return [*rows, *_next_year(found, plan)]


def _next_year(found: Planned, plan: Plan) -> list[ToComeOut]:
    rows = []
    for key, course in plan.courses:
        one, still = found.stops[key], float(course.still[0])
        if one.root.fill.area_m2 is None or still < _LEAST_STILL_MG:
            continue
        until = plan.today + timedelta(days=len(course.need))
        grams = shown.grams(still / 1000, 2)
        text = f"Slow feeds still hold {grams} of nitrogen after {on_day(until)}, for what follows"
        rows.append(ToComeOut(planting_id=None, on=None, name=stop_name(one), text=text))
    return rows
