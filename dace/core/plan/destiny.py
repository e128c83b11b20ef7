"""Where what is made goes: to which stops on which days, and what is left of it on the heap."""

from __future__ import annotations

from collections.abc import Collection, Sequence
from datetime import date

from dace.core.can.ingredient import Source
from dace.core.can.usual import For, never_there
from dace.core.fed.levers import SIZED_BY
from dace.core.fed.records import Yard
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.plan.records import Destiny, Event, Goes
from dace.core.season.need import wish_now
from dace.core.words import shown
from dace.core.words.days import day_words, on_day
from dace.core.words.listing import listed

_NAMED, _LEAST_LEFT = 3, 0.05


Lacked = Collection[tuple[date, str]]
"""Days ahead on which a nutrient is what some stop is fed for."""


def destinies(
    events: Sequence[Event], yard: Yard, last: date, lacked: Lacked
) -> tuple[Destiny, ...]:
    """Every brew on the shelf or on its way, and where it goes until ``last``."""
    made = (one for one in yard.sources if one.home_made)
    return tuple(_destiny(one, events, yard, last, lacked) for one in made)


def _destiny(
    source: Source, events: Sequence[Event], yard: Yard, last: date, lacked: Lacked
) -> Destiny:
    goes = tuple(
        Goes(event.on, event.stop, event.portion.used[source.key])
        for event in events
        if event.portion is not None and source.key in event.portion.used
    )
    left = max(0.0, source.stock - sum(one.amount for one in goes))
    heap_on = source.keeps_until if source.keeps_until and source.keeps_until <= last else None
    if left <= _LEAST_LEFT * source.stock:
        heap_on = None
    text = _next(goes, yard) if goes else _why_none(source, yard, lacked)
    return Destiny(source.key, goes, left if heap_on else 0.0, heap_on, text)


def _next(goes: Sequence[Goes], yard: Yard) -> str:
    """The next day on which some of it is poured, and for whom."""
    on = goes[0].on
    there = [one for one in goes if one.on == on]
    names = {stop.key: stop.name for stop in yard.stops}
    whom = listed([names[one.stop] for one in there[:_NAMED]])
    more = len(there) - _NAMED
    whom += f" and {more} more" if more > 0 else ""
    litres = shown.litres(sum(one.amount for one in there) / 1000, 2)
    day = day_words(on, yard.days.today)
    return f"{day[0].upper()}{day[1:]}: {litres} to {whom}."


def _why_none(source: Source, yard: Yard, lacked: Lacked) -> str:
    """The one reason why nobody takes it."""
    until = source.keeps_until
    if until is not None and until < yard.days.today:
        return "It has spoiled: on the heap with it."
    if yard.stops and all(stop.approach == "soluble" for stop in yard.stops):
        return "All are fed from bought jars; another school pours it."
    whom = [
        For(one.crop, one.clock.stage, stop.followed.root_zone.setting)
        for stop in yard.stops for one in stop.grows
    ]  # fmt: skip
    if whom and all(never_there(source.tokens, one) for one in whom):
        return "It suits nothing that grows here now."
    heap = f": the heap on {on_day(until)}" if until else ""
    main = _mainly(source, whom)
    if main is None:
        return f"Nothing that it brings is owed{heap}."
    if NUTRIENTS.index(main) not in SIZED_BY:
        return f"No feed here goes by its {NUTRIENT_NAMES[main]}{heap}."
    if any(nutrient == main for on, nutrient in lacked if until is None or on <= until):
        return f"No can that may take it has room{heap}."
    return f"Nobody is short of its {NUTRIENT_NAMES[main]}{heap}."


def _mainly(source: Source, whom: Sequence[For]) -> str | None:
    """What it brings most of, beside what those that grow here wish; None where nothing."""
    brings = {
        n: source.feed.element(n) / sum(wishes)
        for n in NUTRIENTS
        if sum(wishes := [wish_now(w.crop, w.stage, n, w.in_ground).typ for w in whom]) > 0
    }
    main = max(brings, key=brings.__getitem__, default=None)
    return main if main is not None and brings[main] > 0 else None
