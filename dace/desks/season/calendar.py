"""The plan as a calendar file: an entry for whatever is due, each with an id that stays."""

from __future__ import annotations

import uuid
from datetime import date, timedelta

from icalendar import Alarm, Calendar
from icalendar import Event as Entry

from dace.core.api import Event, kind_of
from dace.desks.shared.events import event_words
from dace.desks.shared.stops import stop_name
from dace.desks.shared.to_come import Coming, to_come
from dace.feeding.plans import event_id, planned
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.scope import Scope

CONTENT_TYPE = "text/calendar; charset=utf-8"
_ONE_DAY, _EVENING = timedelta(days=1), timedelta(hours=17)


def calendar_of(scope: Scope) -> bytes:
    """Today's events and those to come, all day long each; an evening's first rings at five.

    References
    ----------
    .. [1] RFC 5545, iCalendar.
    """
    found, garden = planned(scope), garden_of(scope)
    whole = Calendar()
    whole.add("prodid", "-//Dace//Feeding plan//EN")
    whole.add("version", "2.0")
    whole.add("method", "PUBLISH")
    whole.add("x-wr-calname", f"Feeding {garden.name}")
    ringing: set[date] = set()
    for event in (*found.today(), *found.ahead()):
        entry = _entry(scope, event, stop_name(found.stops[event.stop]))
        if event.on not in ringing:
            entry.add_component(_rings())
            ringing.add(event.on)
        whole.add_component(entry)
    for row in to_come(scope, found.judged, today(scope, garden)):
        whole.add_component(_besides(scope, row))
    return bytes(whole.to_ical())


def _rings() -> Alarm:
    alarm = Alarm()
    alarm.add("action", "DISPLAY")
    alarm.add("description", "Tonight's round")
    alarm.add("trigger", _EVENING)
    return alarm


def _entry(scope: Scope, event: Event, name: str) -> Entry:
    summary = f"{kind_of(event.kind).does} {name}: {event_words(event)}"
    entry = _all_day(scope, event_id(scope.household_id, event), event.on, summary)
    entry.add("description", "\n".join(event.why))
    return entry


def _besides(scope: Scope, row: Coming) -> Entry:
    return _all_day(scope, row.id, row.on, f"{row.name}: {row.text}")


def _all_day(scope: Scope, key: uuid.UUID, on: date, summary: str) -> Entry:
    entry = Entry()
    entry.add("uid", f"{key}@dace")
    entry.add("dtstamp", scope.now)
    entry.add("dtstart", on)
    entry.add("dtend", on + _ONE_DAY)
    entry.add("summary", summary)
    entry.add("transp", "TRANSPARENT")
    return entry
