"""Today's round as it stands: cans mixed and to mix, flushes, dressings, looks, waits."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from dace.core import api as core
from dace.core.api import on_day, shown
from dace.desks.round.cans import CansNow, cans_shown
from dace.desks.round.raising import grounds_out, media_out, night_out, raising_out
from dace.desks.round.schemas import (
    RoundAskOut,
    RoundCanOut,
    RoundDressOut,
    RoundDueOut,
    RoundFlushOut,
    RoundLookOut,
    RoundOut,
    RoundOverOut,
    RoundShedOut,
    RoundTrialOut,
    RoundWaitOut,
    RoundWaitsOut,
)
from dace.desks.round.unfed import with_unfed
from dace.desks.shared.leaves import leaves_now
from dace.desks.shared.stops import stop_name
from dace.desks.shared.verdicts import QuestionOut, VerdictOut, verdict_out
from dace.desks.year.away import back_line, to_come
from dace.desks.year.page import meant_out
from dace.feeding.ticks import done_today, servings
from dace.feeding.verdicts import StopVerdict, judged
from dace.garden.greening import green_stands
from dace.garden.intending import intended
from dace.garden.reads import garden_of, mixes
from dace.garden.services import today
from dace.households.changes import changes_of
from dace.households.scope import Scope
from dace.households.version import newest_change, version_of
from dace.notebook.trying import Task, tasks
from dace.shelf.brews import ONE_PRESS, BrewRecord, brews
from dace.shelf.heaps import HeapRecord, heaps

_TRIES = 3
_ROUND_TO = 5  # minutes
_MOST_ASKS = 3
_FEW = 2


def round_page(scope: Scope) -> RoundOut:
    """The whole round; some fifty queries where something changed, twenty where not.

    Read again where somebody ticked meanwhile: its verdicts and its ticks are of one moment.
    """
    for _ in range(_TRIES):
        before = version_of(scope).change_id
        found = _round(scope)
        scope.memo.clear()  # what was known of changes is asked anew
        if version_of(scope).change_id == before:
            break
    return found


def _round(scope: Scope) -> RoundOut:
    edition = newest_change(scope)  # read first: what is written meanwhile counts as not seen
    garden = garden_of(scope)
    on, found = today(scope, garden), judged(scope)
    served, done = servings(scope, on), done_today(scope, on)
    ids = [tick.pk for ticks in done.values() for tick in ticks]
    changes = changes_of(scope, ids)
    cans = with_unfed(
        scope, cans_shown(scope, CansNow(found, served, done, changes, garden.weighs)), found
    )
    out = [_Shown(at, one, verdict_out(one.verdict)) for at, one in enumerate(found.stops)]
    shed = _shed(scope, on)
    flushes = [_flush(row) for row in out if row.kind.block == "flush"]
    due = [_due(row) for row in out if row.kind.block == "due"]
    dressings = [dress for row in out if (dress := _dress(row)) is not None]
    rows = [row for can in cans for row in can.rows]
    ticked = {row.fill_id for row in rows if row.done}
    asks = _asks(out)
    raising = raising_out(scope, found, on)
    to_pour = sum(any(row.now and not row.done for row in can.rows) for can in cans)
    beside = [row.kind for row in out if row.kind.block == "flush"]
    beside += [core.kind_of("dress")] * len(dressings)
    beside += [row.kind for row in out if row.kind.block in ("look", "due")]
    left = sum(not row.done and row.now for row in rows) + len(beside)
    return RoundOut(
        edition=edition,
        today=on,
        title=_title(to_pour, beside, grows=found.yard is not None),
        minutes=_ROUND_TO * max(1, round(core.minutes_for(to_pour, left) / _ROUND_TO)),
        left=left,
        done=len(done),
        cans=cans,
        flushes=flushes,
        dressings=dressings,
        due=due,
        asks=asks,
        trials=[_trial(task) for task in tasks(scope) if not _in_a_block(task, cans)],
        over=_over(scope, found.stops, on),
        night=night_out(scope, garden, found),
        raising=raising,
        grounds=grounds_out(scope, raising),
        media=media_out(raising, mixes(scope)),
        sow=[meant_out(one, on) for one in intended(scope) if one.sow_on <= on][:_FEW_SOWN],
        away=_away(scope, on),
        shed=shed,
        waits=_waits([r for r in out if not r.kind.block and r.one.fill_id not in ticked]),
        leaves=leaves_now(scope, garden),
        rhythm_new=garden.rhythm_new,
    )


_ASKED_D = 21
_FEW_OVER = 2
_FEW_SOWN = 3


def _over(scope: Scope, stops: Sequence[StopVerdict], on: date) -> list[RoundOverOut]:
    """Plantings that are over by cold or by their days; asked for three weeks, then left alone."""
    found = []
    for stop in stops:
        for one in stop.stands:
            ends = one.clock.ends_on
            if ends is None or not 0 <= (on - ends).days <= _ASKED_D:
                continue
            if one.looked_on is not None and one.looked_on >= ends:
                continue
            found.append(
                RoundOverOut(
                    planting_id=one.planting_id,
                    place_id=stop.place.id,
                    name=f"{one.crop.name}, {stop_name(stop)}",
                    line=f"over by its days, about {on_day(ends)}",
                    stage=one.stage.key,
                )
            )
    return found[:_FEW_OVER]


def _away(scope: Scope, on: date) -> str:
    """What is said of an absence: that it is on, that it nears, or that it is over."""
    for one in to_come(scope, on):
        if one.begun or (one.from_on - on).days <= _NEAR_D:
            return f"{one.line}."
    return back_line(scope, on)


_NEAR_D = 10


def _shed(scope: Scope, on: date) -> list[RoundShedOut]:
    """What brews, heaps and green manures want today."""
    found = [_step(record) for record in brews(scope) if record.due]
    found += [_heap_step(record) for record in heaps(scope) if record.due]
    for one in green_stands(scope, on):
        if one.plant_on is None and one.cut_from <= on:
            name = f"{one.given.kind.name}, {one.row.fill}"
            words = "at its buds: cut it and dig it in"
            found.append(
                RoundShedOut(id=one.row.pk, of="green", name=name, kind="cut", words=words)
            )
    return found


def _heap_step(record: HeapRecord) -> RoundShedOut:
    """What a heap wants first; its own page asks for what takes more than a press."""
    step = record.due[0]
    return RoundShedOut(
        id=record.row.pk,
        of="heap",
        name=record.row.name,
        kind=step.kind if step.kind in ("turn", "wet", "beans") else "",
        words=step.words,
    )


def _step(record: BrewRecord) -> RoundShedOut:
    """What a brew wants most: what takes more than a press goes before what takes one."""
    step = next((one for one in record.due if one.kind not in ONE_PRESS), record.due[0])
    return RoundShedOut(
        id=record.brew.pk,
        of="brew",
        name=record.brew.name,
        kind=step.kind if step.kind in ONE_PRESS else "",
        words=step.words,
    )


@dataclass(frozen=True)
class _Shown:
    at: int
    one: StopVerdict
    said: VerdictOut

    @property
    def kind(self) -> core.VerdictKind:
        """What its verdict is."""
        return core.kind_of(self.said.kind)


def _title(cans: int, beside: Sequence[core.VerdictKind], grows: bool) -> str:
    """What there is to do, in one line."""
    feed = core.kind_of("feed")
    counts = Counter({(feed.one, feed.many): cans})
    counts.update((kind.one, kind.many) for kind in beside)
    parts = [
        one if count == 1 else f"{core.number_word(count)} {many}"
        for (one, many), count in counts.items()
        if count
    ]
    if not parts:
        return "Nothing to feed today" if grows else "Nothing grows here yet"
    said = core.listed(parts)
    return f"{said[0].upper()}{said[1:]}"


def _flush(row: _Shown) -> RoundFlushOut:
    one, said = row.one, row.said
    return RoundFlushOut(
        at=row.at,
        fill_id=one.fill_id,
        place_id=one.place.id,
        subject_id=one.root.fill.subject_id,
        name=stop_name(one),
        headline=said.headline,
        reason=said.reason,
        line=one.verdict.cause or said.reason,
        button=said.button,
        water_id=said.water_id,
        water=said.water,
        title=row.kind.title,
        plan=said.flush,
        litres=said.litres,
        flushes=said.kind == "flush",
        working=said.working,
    )


def _due(row: _Shown) -> RoundDueOut:
    one, said = row.one, row.said
    return RoundDueOut(
        at=row.at,
        fill_id=one.fill_id,
        place_id=one.place.id,
        name=stop_name(one),
        kind=said.kind,
        title=row.kind.title,
        headline=said.headline,
        reason=said.reason,
    )


def _dress(row: _Shown) -> RoundDressOut | None:
    one, said = row.one, row.said
    if row.kind.block != "dress" or said.portion is None or one.verdict.recipe is None:
        return None
    return RoundDressOut(
        at=row.at,
        fill_id=one.fill_id,
        place_id=one.place.id,
        stand_id=one.stands[0].id,
        name=stop_name(one),
        portion=said.portion,
        grams=round(one.verdict.recipe.amount, 2),
        reason=said.reason,
    )


def _asks(rows: Sequence[_Shown]) -> list[RoundAskOut]:
    """Questions at most three, one for all stops that it is put to; what holds a feed up first."""
    groups: dict[tuple[str, str], list[_Shown]] = {}
    for row in rows:
        if row.said.question is not None:
            asked = row.said.question
            groups.setdefault((asked.about, asked.mark), []).append(row)
    found = [
        RoundAskOut(
            at=several[0].at,
            what=core.of_several(about, mark) if len(several) > 1 else _asked(several[0]).what,
            about=about,
            looks=[_look(row) for row in several],
        )
        for (about, mark), several in groups.items()
    ]
    found.sort(key=lambda ask: (not any(one.first for one in ask.looks), ask.at))
    return found[:_MOST_ASKS]


def _asked(row: _Shown) -> QuestionOut:
    assert row.said.question is not None
    return row.said.question


def _look(row: _Shown) -> RoundLookOut:
    one, question = row.one, _asked(row)
    planting = next((s.planting_id for s in one.stands if s.id == question.stand_id), None)
    return RoundLookOut(
        fill_id=one.fill_id,
        place_id=one.place.id,
        subject_id=one.root.fill.subject_id,
        planting_id=planting,
        name=stop_name(one),
        question=question,
        first=row.kind.block == "look",
    )


def _in_a_block(task: Task, cans: Sequence[RoundCanOut]) -> bool:
    """Whether the same water stands as a row of a can already."""
    there = {row.trial_id for can in cans for row in can.plain}
    return task.kind == "water" and task.row.pk in there


_TRIAL_TEXTS = {
    "measure": "measure each pot: {}",
    "judge": "",
}


def _trial(task: Task) -> RoundTrialOut:
    row = task.row
    if task.kind == "water":
        each = task.litres / row.unfed.count
        text = f"the same water for the unfed: {row.unfed.count} × {shown.litres(each)}"
    else:
        text = _TRIAL_TEXTS[task.kind].format(core.trial_measure(row.measure).name)
    return RoundTrialOut(
        trial_id=row.pk,
        place_id=row.unfed.fill.place_id,
        kind=task.kind,
        title=f"Trial: {row}",
        text=text,
        fill_id=row.unfed.fill_id,
        water_id=task.water_id,
        litres=round(task.litres, 3),
    )


def _waits(rows: Sequence[_Shown]) -> list[RoundWaitsOut]:
    """Who gets nothing, by reason: what to get first, then the most stops."""
    groups: dict[tuple[str, str, bool], list[RoundWaitOut]] = {}
    for row in rows:
        one = row.one
        key = (row.said.kind, _why(row), one.verdict.to_get is not None)
        wait = RoundWaitOut(place_id=one.place.id, name=stop_name(one))
        groups.setdefault(key, []).append(wait)
    found = [
        RoundWaitsOut(
            kind=kind,
            title=_named(several),
            why=why,
            to_get=to_get,
            stops=several,
        )
        for (kind, why, to_get), several in groups.items()
    ]
    return sorted(found, key=lambda one: (not one.to_get, -len(one.stops)))


def _named(stops: Sequence[RoundWaitOut]) -> str:
    """Two by their names, more by how many they are."""
    if len(stops) <= _FEW:
        return core.listed([one.name for one in stops])
    said = core.number_word(len(stops))
    return f"{said[0].upper()}{said[1:]} stops"


def _why(row: _Shown) -> str:
    if row.one.verdict.to_get is not None:
        return row.said.headline
    if row.kind.held and row.one.verdict.each:
        return row.one.verdict.each[0].reason
    return row.said.reason
