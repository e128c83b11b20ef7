"""Trying a plan out: what stands beside what would be."""

from __future__ import annotations

import uuid

from dace.core import api as core
from dace.core.api import DaceError, Plan, Tally, Trial, on_day
from dace.desks.season.plan import events_out, lines_out
from dace.desks.season.schemas_plan import FutureOut, RehearsalOut
from dace.desks.shared.stops import stop_name
from dace.feeding.plans import WEEKS, Planned, planned
from dace.households.scope import Scope

_FEW_MINUTES, _MUCH = 10, 0.05


def rehearsal(scope: Scope, trial: Trial) -> RehearsalOut:
    """Two futures of the stops that are meant; writes nothing.

    Raises
    ------
    DaceError
        If nothing grows there, or on what cannot be tried.
    """
    found = planned(scope)
    plan, yard = found.plan, found.judged.yard
    if plan is None or yard is None:
        raise DaceError("fills", "a garden in which nothing grows", "plant something first")
    if not trial.stops <= set(found.stops):
        raise DaceError("fills", "an id of nothing that grows here", "choose a stop of the path")
    tried = core.rehearse(yard, trial, WEEKS)
    was = core.tally(plan, yard, trial.stops)
    will = core.tally(tried.plan, tried.yard, trial.stops)
    meant = trial.stops or frozenset(found.stops)
    before = _future(scope, found, meant, plan, was)
    after = _future(scope, found, meant, tried.plan, will)
    return RehearsalOut(
        before=before,
        after=after,
        said=_said(was, will, before, after),
        home_made=[uuid.UUID(one.key) for one in yard.sources if one.home_made],
    )


def _future(
    scope: Scope, found: Planned, meant: frozenset[str], plan: Plan, told: Tally
) -> FutureOut:
    events = [event for event in plan.events if event.stop in meant]
    cans = [e.portion for e in events if e.portion is not None and e.portion.can is not None]
    strongest = max(cans, key=lambda one: one.can.ec.value if one.can else 0.0, default=None)
    money = f"{told.money:.2f}{' and what has no price' if told.unpriced else ''}"
    return FutureOut(
        feeds=told.feeds,
        money=money if told.money or not told.unpriced else "no prices known",
        minutes=round(told.minutes),
        carried="" if told.carried is None else f"{told.carried:.0%}",
        picked="" if told.picked_on is None else on_day(told.picked_on),
        short=_short(found, plan, meant),
        first_feed=on_day(events[0].on) if events else "",
        strongest=f"{strongest.strength} of {strongest.name}" if strongest else "",
        events=events_out(scope, events, found.stops),
        lines=[
            lines_out(found.stops[key].fill_id, course)
            for key, course in plan.courses
            if key in meant
        ],
    )


def _short(found: Planned, plan: Plan, meant: frozenset[str]) -> dict[str, list[str]]:
    """What the shelf leaves short, by stop."""
    rows: dict[str, list[str]] = {}
    for one in plan.short:
        if one.stop in meant and one.why != "rhythm":
            rows.setdefault(stop_name(found.stops[one.stop]), []).append(
                core.NUTRIENT_NAMES[one.nutrient]
            )
    return rows


def _said(was: Tally, will: Tally, before: FutureOut, after: FutureOut) -> list[str]:
    """The difference, thing by thing; what is the same is not said."""
    said = []
    if was.feeds != will.feeds:
        more = will.feeds - was.feeds
        said.append(f"{abs(more)} {'more' if more > 0 else 'fewer'} feeds in {WEEKS} weeks.")
    if was.carried is not None and will.carried is not None:
        gain = will.carried - was.carried
        if abs(gain) > _MUCH:
            said.append(f"They bring {after.carried} of the nitrogen, not {before.carried}.")
    elif was.carried is not None:
        said.append("No can is poured any more.")
    if abs(will.minutes - was.minutes) >= _FEW_MINUTES:
        more_minutes = will.minutes - was.minutes
        word = "more" if more_minutes > 0 else "less"
        said.append(f"About {abs(more_minutes):.0f} minutes {word} work.")
    if was.picked_on != will.picked_on and was.picked_on and will.picked_on:
        days = (will.picked_on - was.picked_on).days
        word = "later" if days > 0 else "sooner"
        said.append(f"The first picking comes {abs(days)} days {word}.")
    elif was.picked_on and not will.picked_on:
        said.append("Nothing more would come into harvest.")
    fresh = {
        name: [n for n in row if n not in before.short.get(name, [])]
        for name, row in after.short.items()
    }
    said += [f"Then {name} runs short of {core.listed(row)}." for name, row in fresh.items() if row]
    return said or ["It comes to the same."]
