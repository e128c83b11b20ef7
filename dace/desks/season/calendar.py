"""The plan as a calendar file: an entry a feed, each with an id that stays."""

from __future__ import annotations

from datetime import timedelta

from icalendar import Calendar
from icalendar import Event as Entry

from dace.core.api import Event, kind_of
from dace.desks.shared.events import event_words
from dace.desks.shared.stops import stop_name
from dace.feeding.plans import event_id, planned
from dace.garden.reads import garden_of
from dace.households.scope import Scope

CONTENT_TYPE = "text/calendar; charset=utf-8"
_ONE_DAY = timedelta(days=1)


def calendar_of(scope: Scope) -> bytes:
    """Today's events and those to come, all day long each.

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
    for event in (*found.today(), *found.ahead()):
        whole.add_component(_entry(scope, event, stop_name(found.stops[event.stop])))
    return bytes(whole.to_ical())


def _entry(scope: Scope, event: Event, name: str) -> Entry:
    entry = Entry()
    entry.add("uid", f"{event_id(scope.household_id, event)}@dace")
    entry.add("dtstamp", scope.now)
    entry.add("dtstart", event.on)
    entry.add("dtend", event.on + _ONE_DAY)
    entry.add("summary", f"{kind_of(event.kind).does} {name}: {event_words(event)}")
    entry.add("description", "\n".join(event.why))
    entry.add("transp", "TRANSPARENT")
    return entry
