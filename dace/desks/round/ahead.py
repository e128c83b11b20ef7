"""What comes in the days after today."""

from __future__ import annotations

from datetime import date, timedelta

from dace.core import api as core
from dace.desks.round.schemas import RoundAheadOut, RoundDayOut
from dace.desks.shared.events import event_words
from dace.desks.shared.stops import stop_name
from dace.desks.shared.to_come import to_come
from dace.feeding.plans import event_id, planned
from dace.households.scope import Scope

_DAYS = 8


def days_ahead(scope: Scope) -> list[RoundDayOut]:
    """The week after today, day by day; days without anything are left out."""
    found = planned(scope)
    plan = found.plan
    if plan is None:
        return []
    last = plan.today + timedelta(days=_DAYS)
    by_day: dict[date, list[RoundAheadOut]] = {}
    for event in found.ahead():
        if event.on <= last:
            item = RoundAheadOut(
                id=event_id(scope.household_id, event),
                place_id=found.stops[event.stop].place.id,
                name=stop_name(found.stops[event.stop]),
                text=event_words(event),
                why=list(event.why),
            )
            by_day.setdefault(event.on, []).append(item)
    for one in to_come(scope, found.judged, plan.today):
        if plan.today < one.on <= last:
            item = RoundAheadOut(
                id=one.id, place_id=one.place_id, name=one.name, text=one.text, why=[]
            )
            by_day.setdefault(one.on, []).append(item)
    return [
        RoundDayOut(on=on, words=core.day_words(on, plan.today), items=items)
        for on, items in sorted(by_day.items())
    ]
