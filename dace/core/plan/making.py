"""The plan of a garden: today's verdicts, and what follows from them week by week."""

from __future__ import annotations

import hashlib
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import timedelta

from dace.core.errors import DaceError
from dace.core.fed.records import Verdict, Yard
from dace.core.plan.ahead import WEEK, Ahead, ahead_of
from dace.core.plan.cans import cans_of
from dace.core.plan.choice import Choices
from dace.core.plan.destiny import destinies
from dace.core.plan.events import events_of
from dace.core.plan.problem import Solved, solve
from dace.core.plan.records import Event, Plan, Wait
from dace.core.plan.remedies import remedies
from dace.core.plan.shelf import PASSES, dearer, runs_out, within_stock
from dace.core.plan.short import carried_of, short_of
from dace.core.plan.walk import Shares, Walk, Walked
from dace.core.plan.weeks import problems
from dace.core.rootzone.mondays import Newest
from dace.core.same import Same
from dace.core.verdict.judge import left_after, verdicts
from dace.core.verdict.kinds import kind_of

MOST_WEEKS = 52


@dataclass(frozen=True)
class _Stop:
    """What came of one stop: kept by all that it follows from."""

    walked: Walked
    solved: Solved


_KNOWN: Newest[_Stop] = Newest(128)
_CHOICES: Same[Choices] = Same(1)


def make_plan(yard: Yard, weeks: int = 12, found: Sequence[Verdict] | None = None) -> Plan:
    """Plan so many weeks from today.

    Parameters
    ----------
    yard : Yard
        The garden as it stands.
    weeks : int
        1 to 52.
    found : sequence of Verdict, optional
        Its verdicts of today, where they are known.

    Returns
    -------
    Plan
        Today's row is the verdicts. Only stops that changed are worked out anew.

    Raises
    ------
    DaceError
        On ``weeks``.
    """
    if not 1 <= weeks <= MOST_WEEKS:
        raise DaceError("weeks", f"{weeks}", f"1 to {MOST_WEEKS} would do")
    judged = tuple(verdicts(yard) if found is None else found)
    by_stop = {one.stop: one for one in judged}
    stops = [stop for stop in yard.stops if stop.key in by_stop]
    count = min(WEEK * weeks, yard.days.days - yard.days.known - 2 * WEEK)
    aheads = [ahead_of(stop, by_stop[stop.key], yard, count) for stop in stops]
    left = left_after({one.key: one.stock for one in yard.sources}, judged)
    worked, gone = _worked(aheads, yard, left)
    walked, solved = [one.walked for one in worked], [one.solved for one in worked]
    events, cans_ahead = events_of(aheads, walked, solved, yard, left)
    short = tuple(
        one
        for ahead, done in zip(aheads, worked, strict=True)
        for one in short_of(ahead, done.walked, yard, gone)
    )
    carried = tuple(
        one
        for ahead, done in zip(aheads, worked, strict=True)
        if (one := carried_of(ahead, done.walked)) is not None
    )
    first = yard.days.today
    return Plan(
        today=first,
        verdicts=judged,
        events=events,
        cans=cans_of(judged, yard),
        cans_ahead=cans_ahead,
        waits=tuple(
            Wait(one.stop, one.kind, one.headline, one.next_on)
            for one in judged
            if kind_of(one.kind).waits
        ),
        short=short,
        carried=carried,
        remedies=remedies(aheads, short, yard),
        destinies=destinies(
            events,
            yard,
            first + timedelta(days=count),
            {(given.facts.today, given.lacks) for done in worked for given in done.walked.given},
        ),
        courses=tuple(
            (ahead.stop.key, done.walked.course) for ahead, done in zip(aheads, worked, strict=True)
        ),
        stock_ends=tuple(
            (key, aheads[0].on(day)) for key, day in sorted(gone.items(), key=lambda kv: kv[0])
        ),
        digest=_digest(judged, events),
    )


def _digest(judged: Sequence[Verdict], events: Sequence[Event]) -> str:
    told = [(one.stop, one.kind, one.headline, one.next_on) for one in judged]
    rows = [
        (e.stop, e.slot, e.kind, e.on, e.each, e.portion.used)
        if e.portion
        else (e.stop, e.slot, e.kind, e.on, e.litres)
        for e in events
    ]
    return hashlib.sha256(repr((told, rows)).encode()).hexdigest()


def _worked(
    aheads: Sequence[Ahead], yard: Yard, left: dict[str, float]
) -> tuple[list[_Stop], dict[str, int]]:
    """Every stop worked out; what would run out grows dearer, then is gone from a day on."""
    endless = replace(
        yard,
        stops=(),
        vessels=(),
        owned=(),
        sources=tuple(replace(source, stock=float("inf")) for source in yard.sources),
    )
    context = hashlib.sha256(repr((endless.sources, yard.waters, yard.slider)).encode())
    marks = [context.digest() + one.mark for one in aheads]
    around = (endless.sources, endless.waters, yard.days.digest, yard.slider)
    choices = _CHOICES.of("a shelf", around, lambda: Choices(endless))
    dear: dict[str, float] = {}
    gone: dict[str, int] = {}
    empty = {key: 0 for key, amount in left.items() if amount <= 0}
    done: list[_Stop] = []
    for _ in range(PASSES):
        done = _pass(aheads, marks, choices.without({**gone, **empty}), dear)
        out = runs_out({at: one.walked for at, one in enumerate(done)}, left)
        if not out:
            break
        dear = dearer(dear, out)
        gone.update({key: min(day, gone.get(key, day)) for key, day in out.items()})
    walked = {at: replace(one.walked) for at, one in enumerate(done)}
    if within_stock(walked, left):
        done = [replace(one, walked=walked[at]) for at, one in enumerate(done)]
    return done, {**gone, **empty}


def _pass(
    aheads: Sequence[Ahead], marks: Sequence[bytes], choices: Choices, dear: Mapping[str, float]
) -> list[_Stop]:
    """Every stop at those prices: those that were worked out before are only looked up."""
    priced = repr((sorted(dear.items()), sorted(choices.gone.items()))).encode()
    keys = [hashlib.sha256(mark + priced).digest() for mark in marks]
    known = [_KNOWN.newest([key]) for key in keys]
    asked = [at for at, one in enumerate(known) if one is None]
    if asked:
        touched = [aheads[at] for at in asked]
        solved = [
            solve(one, dear) if one is not None else Solved((), ())
            for one in problems(touched, choices)
        ]
        walks = Walk(touched, choices, _shares(touched, solved)).run()
        for at, result, walked in zip(asked, solved, walks, strict=True):
            known[at] = _Stop(walked, result)
            _KNOWN.keep(keys[at], lambda one=known[at]: one)
    return [one for one in known if one is not None]


def _shares(aheads: Sequence[Ahead], solved: Sequence[Solved]) -> Shares:
    return {
        (ahead.stop.key, day): dict(rows)
        for ahead, one in zip(aheads, solved, strict=True)
        for day, rows in one.shares
    }
