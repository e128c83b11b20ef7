"""What was decided, told as events: today's from the verdicts, those to come from the walk."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from datetime import date

from dace.core.fed.records import Each, Portion, Verdict, Yard
from dace.core.fed.slots import next_number
from dace.core.plan.ahead import Ahead
from dace.core.plan.cans import poured_of
from dace.core.plan.problem import Solved
from dace.core.plan.records import CanAhead, Event
from dace.core.plan.walk import Given, Walked
from dace.core.plan.why import why_given, why_today
from dace.core.verdict.kinds import kind_of


def events_of(
    aheads: Sequence[Ahead],
    walked: Sequence[Walked],
    solved: Sequence[Solved],
    yard: Yard,
    left: Mapping[str, float],
) -> tuple[tuple[Event, ...], tuple[CanAhead, ...]]:
    """All events by day and then along the path, and the cans of those to come.

    ``left`` is what is in each source after today [mL or g].
    """
    poured, cans = poured_of([one for done in walked for one in done.given], yard, left)
    found: list[tuple[date, int, Event]] = []
    for at, (ahead, done, told) in enumerate(zip(aheads, walked, solved, strict=True)):
        root, today = ahead.stop.followed.root_zone, ahead.facts.today
        kind = kind_of(ahead.verdict.kind)
        numbered = {kind.event, "feed", "dress"}
        number = {one: next_number(root, today, one) for one in numbered}
        if kind.event and (ahead.verdict.recipe is not None or not kind.feeds):
            found.append((today, at, _today(ahead, ahead.verdict, number[kind.event])))
            number[kind.event] += 1
        worth = dict(told.worth)
        for given in done.given:
            if given.option is not None and id(given) not in poured:
                continue
            one = _event(ahead, given, worth, poured.get(id(given)), number)
            number[one.kind] += 1
            found.append((one.on, at, one))
    return tuple(event for _, _, event in sorted(found, key=lambda row: row[:2])), cans


def _today(ahead: Ahead, found: Verdict, number: int) -> Event:
    kind = kind_of(found.kind).event
    fed = [one.planting for one in found.each if one.litres > 0] or [
        one.key for one in ahead.stop.grows
    ]
    stages = [(g.key, g.clock.stage.key) for g in ahead.stop.grows if g.key in fed]
    litres = found.litres
    if found.flush is not None:
        litres = found.flush.each_l * found.flush.goes
    return Event(
        stop=found.stop,
        slot=number,
        on=ahead.facts.today,
        kind=kind,
        stage=_words(ahead, stages),
        stages=tuple(stages),
        each=found.each,
        portion=found.recipe,
        water=found.water if kind != "dress" else "",
        water_name=found.water_name if kind != "dress" else "",
        litres=litres if kind != "dress" else 0.0,
        why=why_today(found),
    )


def _words(ahead: Ahead, stages: Sequence[tuple[str, str]]) -> str:
    named = {g.key: g.crop for g in ahead.stop.grows}
    return ", ".join(dict.fromkeys(named[key].stage(stage).words for key, stage in stages))


def _event(
    ahead: Ahead,
    given: Given,
    worth: dict[int, tuple[float, ...]],
    poured: Portion | None,
    number: Mapping[str, int],
) -> Event:
    slots = [day for day in worth if day <= given.ahead]
    spoke = worth[max(slots)] if slots else ()
    stages = [(one.grows.key, one.stage.key) for one in given.fed]
    kind = "feed" if given.option is not None else "dress"
    reason = "To be fed then." if kind == "feed" else "To be dressed then."
    return Event(
        stop=ahead.stop.key,
        slot=number[kind],
        on=ahead.on(given.ahead),
        kind=kind,
        stage=_words(ahead, stages),
        stages=tuple(stages),
        each=tuple(
            Each(one.grows.key, one.litres_each if kind == "feed" else 0.0, reason)
            for one in given.fed
        ),
        portion=poured or given.dressing,
        water=given.water.key if given.water else "",
        water_name=given.water.name if given.water else "",
        litres=given.litres if kind == "feed" else 0.0,
        why=why_given(ahead, given, spoke),
    )
