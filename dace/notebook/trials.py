"""Trials: set up with coins, measured pot by pot, ended; each write one transaction."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, on_day
from dace.garden.models import Stand
from dace.garden.planting import feed_or_not
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope, require_owner
from dace.notebook.models import Measured, Trial, TrialUnit
from dace.shelf.models import Jar

_MOST_DAYS = 366
_BEST_GAIN = 10.0


@dataclass(frozen=True)
class NewTrial:
    """What is tried on which pots, what is measured, and what would be worth it (a share).

    A pot counts as one, however many plants share it.
    ``waits`` is how it is fed, by the table of how long each way takes to show; with ``toss``
    coins decide which pots are fed, without it those of the fed stand were chosen before.
    """

    id: uuid.UUID
    fed_stand_id: uuid.UUID
    unfed_stand_id: uuid.UUID
    measure: str
    worthwhile: float
    feed: str = ""
    jar_id: uuid.UUID | None = None
    waits: str = "drench"
    paired: bool = True
    toss: bool = True
    exclusions: str = ""
    judge_on: date | None = None


@transaction.atomic
def start_trial(scope: Scope, new: NewTrial) -> Trial:
    """Name what counts, toss the coins, and keep the unfed unfed from now on.

    The fed get the jar on trial and nothing else while it lasts.

    Raises
    ------
    NotFoundError
        If a stand or jar is none of this household's.
    DaceError
        On ``measure``, ``worthwhile``, ``unfed_stand_id``, ``paired``, ``waits``, ``feed`` or
        ``judge_on``.
    ConflictError
        If one of the stands is in a trial that still runs.
    """
    require_owner(scope)
    repeat = Trial.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    fed, unfed = _sides(scope, new)
    measure = core.trial_measure(new.measure)
    if not 0 < new.worthwhile <= _BEST_GAIN:
        raise DaceError("worthwhile", f"{100 * new.worthwhile:g} %", "above 0 %, such as 20 %")
    jar = Jar.objects.fetch(scope, new.jar_id, "jar_id") if new.jar_id else None
    feed = new.feed.strip() or (jar.name if jar else "")
    if not feed:
        raise DaceError("feed", "nothing", "a jar, or the feed in a few words")
    on = today(scope, fed.planting.garden)
    with change(scope, "trial", f"Trial begun: {feed} on {fed.planting.grown.name.lower()}"):
        trial = Trial.objects.create(
            **new_row(scope, new.id),
            fed=feed_or_not(scope, fed.pk, True, [jar.pk] if jar else []),
            unfed=feed_or_not(scope, unfed.pk, False),
            jar=jar,
            feed=feed[:80],
            measure=measure.key,
            worthwhile=new.worthwhile,
            paired=new.paired,
            tossed=new.toss,
            exclusions=new.exclusions.strip(),
            started_on=on,
            judge_on=_judge_on(new, measure, on),
        )
        for number, (pair, is_fed) in enumerate(
            _laid_out(new, fed.fill.alike, unfed.fill.alike), 1
        ):
            TrialUnit.objects.create(
                **new_row(scope, uuid.uuid5(new.id, f"pot {number}")),
                trial=trial,
                number=number,
                pair=pair,
                fed=is_fed,
            )
    return trial


def _sides(scope: Scope, new: NewTrial) -> tuple[Stand, Stand]:
    rows = Stand.objects.select_related("fill__place", "planting__garden")
    fed, unfed = (
        rows.fetch(scope, row_id, field)
        for row_id, field in (
            (new.fed_stand_id, "fed_stand_id"),
            (new.unfed_stand_id, "unfed_stand_id"),
        )
    )
    if fed.fill_id == unfed.fill_id:
        would_do = "plants in pots of their own: what shares its medium shares its feed"
        raise DaceError("unfed_stand_id", "the same pot twice", would_do)
    if fed.planting.crop != unfed.planting.crop:
        read = f"{fed.planting.grown.name.lower()} and {unfed.planting.grown.name.lower()}"
        raise DaceError("unfed_stand_id", read, "the same crop on both sides")
    # what shares a pot was not tossed for one by one: the pot is what counts
    pots = fed.fill.alike, unfed.fill.alike
    if pots[0] != pots[1] and (new.paired or new.toss):
        read = f"{pots[0]} and {pots[1]} pots"
        raise DaceError("paired", read, "as many on both sides, or chosen by hand and not in pairs")
    running = Trial.objects.of(scope).filter(ended_on__isnull=True)
    for stand, field in ((fed, "fed_stand_id"), (unfed, "unfed_stand_id")):
        if (running.filter(fed=stand) | running.filter(unfed=stand)).exists():
            raise ConflictError(field, f"{stand.fill}, which is in a trial", "end that one first")
    return fed, unfed


def _judge_on(new: NewTrial, measure: core.TrialMeasure, on: date) -> date:
    wait = core.judge_after(core.trial_wait(new.waits), measure)
    judged = new.judge_on or on + timedelta(days=wait)
    if not on < judged <= on + timedelta(days=_MOST_DAYS):
        raise DaceError("judge_on", on_day(judged, year=True), "a day within a year from now")
    return judged


def _laid_out(new: NewTrial, fed: int, unfed: int) -> list[tuple[int | None, bool]]:
    """Each pot's pair and side, in the order of their numbers."""
    if new.toss:
        sides = core.toss(fed + unfed, new.paired, new.id.int & 0xFFFFFFFF)
        return [(at // 2 + 1 if new.paired else None, side) for at, side in enumerate(sides)]
    if new.paired:
        return [(at // 2 + 1, at % 2 == 0) for at in range(fed + unfed)]
    return [(None, at < fed) for at in range(fed + unfed)]


@dataclass(frozen=True)
class NewMeasured:
    """What was measured of some pots on one day: each pot's number to its figure.

    Without ``measure`` it is the one that was named at the start.
    """

    id: uuid.UUID
    trial_id: uuid.UUID
    values: dict[int, float]
    measure: str = ""
    on: date | None = None
    blind: bool = False


@transaction.atomic
def write_measured(scope: Scope, new: NewMeasured) -> Trial:
    """Write figures of pots down; all of them or none.

    Raises
    ------
    NotFoundError
        If the trial is none of this household's.
    DaceError
        On ``values``, ``value``, ``score``, ``measure`` or ``on``.
    """
    trial = _trial(scope, new.trial_id)
    measure = core.trial_measure(new.measure or trial.measure)
    on = new.on or today(scope, trial.fed.planting.garden)
    if not trial.started_on <= on <= today(scope, trial.fed.planting.garden):
        began = on_day(trial.started_on, year=True)
        raise DaceError("on", on_day(on, year=True), f"from {began} to today would do")
    units = {unit.number: unit for unit in TrialUnit.objects.of(scope).filter(trial=trial)}
    if not new.values:
        raise DaceError("values", "no figure", "a figure for one pot at least")
    with change(scope, "measured", f"{measure.name} of {len(new.values)} pots: {trial}"):
        for number, value in sorted(new.values.items()):
            if number not in units:
                raise DaceError("values", f"pot {number}", f"pots 1 to {len(units)} would do")
            row_id = uuid.uuid5(new.id, str(number))
            if Measured.objects.written_before(scope, row_id) is not None:
                continue
            Measured.objects.create(
                **new_row(scope, row_id),
                unit=units[number],
                trial=trial,
                measure=measure.key,
                value=core.check_measured(measure, value),
                measured_on=on,
                blind=new.blind,
            )
    return trial


@transaction.atomic
def leave_out(scope: Scope, trial_id: uuid.UUID, number: int, why: str) -> Trial:
    """A pot does not count, and its pair with it; what was measured of them stays written.

    Raises
    ------
    NotFoundError
        If the trial is none of this household's.
    DaceError
        On ``number`` or ``why``.
    """
    trial = _trial(scope, trial_id)
    said = why.strip()
    if not 0 < len(said) <= 120:
        raise DaceError("why", f"“{said[:40]}”", "what befell it, in a few words")
    rows = TrialUnit.objects.of(scope).filter(trial=trial)
    unit = rows.filter(number=number).first()
    if unit is None:
        raise DaceError("number", f"pot {number}", f"pots 1 to {rows.count()} would do")
    both: Sequence[TrialUnit] = list(rows.filter(pair=unit.pair)) if unit.pair else [unit]
    with change(scope, "trial", f"{unit} left out: {said[:80]}"):
        for one in both:
            if one.left_out != said:
                one.left_out = said
                one.save(update_fields=["left_out"])
    return trial


@transaction.atomic
def end_trial(scope: Scope, trial_id: uuid.UUID, feed_again: bool) -> Trial:
    """It is over from today; with ``feed_again`` the unfed are fed like the others from now on.

    Raises
    ------
    NotFoundError
        If the trial is none of this household's.
    """
    require_owner(scope)
    trial = _trial(scope, trial_id)
    if trial.ended_on is None:
        with change(scope, "trial", f"Trial ended: {trial}"):
            trial.ended_on = today(scope, trial.fed.planting.garden)
            trial.save(update_fields=["ended_on"])
            if trial.fed.to_on is None:
                feed_or_not(scope, trial.fed_id, trial.fed.fed, [])
            if feed_again and trial.unfed.to_on is None:
                feed_or_not(scope, trial.unfed_id, True)
    return trial


def _trial(scope: Scope, trial_id: uuid.UUID) -> Trial:
    rows = Trial.objects.select_related("fed__planting__garden", "fed__fill__place", "unfed__fill")
    return rows.fetch(scope, trial_id, "trial_id")
