"""Trials as they stand: their pots, what they say, whether they were fair, what is due."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, datetime, time, timedelta
from typing import Literal
from zoneinfo import ZoneInfo

from django.db.models import F, Max, Sum

from dace.core import api as core
from dace.core.api import Compared, Judged, Pot, TrialMeasure
from dace.feeding.models import Dose, Watering
from dace.garden.services import today
from dace.households.models import KeptQuerySet
from dace.households.scope import Scope
from dace.notebook.models import Measured, Trial, TrialUnit

_NOTHING_L = 0.001
LISTED = 40


@dataclass(frozen=True)
class TrialRecord:
    """A trial with its pots by each measure that was taken; ``judged`` None from no figures."""

    row: Trial
    measure: TrialMeasure
    units: tuple[TrialUnit, ...]
    pots: dict[str, tuple[Pot, ...]]
    judged: Judged | None
    blind: tuple[int, int]
    """How many days of measuring were blind, and how many there were."""


@dataclass(frozen=True)
class Poured:
    """Litres each plant had on either side since the start, by what was written down."""

    fed: float
    unfed: float


def _whole() -> KeptQuerySet[Trial]:
    return Trial.objects.select_related(
        "fed__planting__garden", "fed__fill__place", "unfed__fill__place", "unfed__planting", "jar"
    )


def trials(scope: Scope) -> list[Trial]:
    """The newest trials, the newest first; one query."""
    return list(_whole().of(scope).order_by("-started_on", "-created_at")[:LISTED])


def trial_record(scope: Scope, trial_id: uuid.UUID) -> TrialRecord:
    """One trial with all that was measured; three queries.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    return _record(scope, _whole().fetch(scope, trial_id, "trial_id"))


def _record(scope: Scope, row: Trial) -> TrialRecord:
    units = tuple(TrialUnit.objects.of(scope).filter(trial=row).order_by("number"))
    taken: dict[str, dict[uuid.UUID, list[tuple[int, float]]]] = {row.measure: {}}
    days: dict[date, bool] = {}
    for one in Measured.objects.of(scope).filter(trial=row).order_by("measured_on", "seq"):
        of = taken.setdefault(one.measure, {})
        of.setdefault(one.unit_id, []).append((one.measured_on.toordinal(), one.value))
        days[one.measured_on] = days.get(one.measured_on, True) and one.blind
    pots = {
        key: tuple(
            Pot(unit.number, unit.pair, unit.fed, not unit.left_out, tuple(of.get(unit.pk, ())))
            for unit in units
        )
        for key, of in taken.items()
    }
    measure = core.trial_measure(row.measure)
    found = core.compared(measure, pots[row.measure], row.paired, row.worthwhile)
    return TrialRecord(
        row,
        measure,
        units,
        pots,
        core.judge_trial(found) if found else None,
        (sum(days.values()), len(days)),
    )


def with_earlier(scope: Scope, record: TrialRecord) -> tuple[int, Judged] | None:
    """Ended trials in pairs of the same jar and measure, and this one, judged as one.

    Returns
    -------
    tuple or None
        How many trials, and the judgement; None where there is no earlier one.
    """
    row = record.row
    if row.jar_id is None or not row.paired or record.judged is None:
        return None
    before = [
        one
        for one in trials(scope)
        if one.ended_on is not None
        and one.paired
        and (one.jar_id, one.measure) == (row.jar_id, row.measure)
        and one.started_on <= row.started_on
        and one.pk != row.pk
    ]
    found: list[Compared] = []
    for one in [*before, row]:
        pots = (_record(scope, one) if one.pk != row.pk else record).pots[row.measure]
        sides = core.compared(record.measure, pots, True, row.worthwhile)
        if sides is not None:
            found.append(sides)
    return (len(found), core.judge_trial(core.pooled(found))) if len(found) > 1 else None


def hints(record: TrialRecord) -> list[tuple[str, str]]:
    """Other measures, which do not count: their names, and which side was ahead how often."""
    found = []
    for key, pots in record.pots.items():
        measure = core.trial_measure(key)
        if key == record.row.measure:
            continue
        if record.row.paired:
            pairs = core.paired_figures(measure, pots)
            fed, unfed = core.sides_won(pairs)
            said = f"fed ahead in {fed}, unfed in {unfed} of {len(pairs)}"
            found.append((measure.name, said if pairs else "not in whole pairs yet"))
        else:
            sides = core.compared(measure, pots, False, record.row.worthwhile)
            said = core.gain_words(core.judge_trial(sides).gain) if sides else "one side only"
            found.append((measure.name, said))
    return found


def poured(scope: Scope, row: Trial) -> Poured:
    """What was written down as given on both sides since the start; four queries."""
    zone = ZoneInfo(row.fed.planting.garden.zone)
    since = datetime.combine(row.started_on, time(), tzinfo=zone)
    until = row.ended_on or today(scope, row.fed.planting.garden)
    end = datetime.combine(until + timedelta(days=1), time(), tzinfo=zone)
    found = []
    for stand in (row.fed, row.unfed):
        doses = Dose.objects.of(scope).filter(stand=stand, poured_at__range=(since, end))
        water = Watering.objects.of(scope).filter(
            fill_id=stand.fill_id, poured_at__range=(since, end)
        )
        litres = doses.aggregate(sum=Sum(F("litres_each") * F("plants")))["sum"] or 0.0
        litres += water.aggregate(sum=Sum("litres"))["sum"] or 0.0
        found.append(litres / stand.count)
    return Poured(*found)


@dataclass(frozen=True)
class Task:
    """Something that a trial wants today: the same water, figures, or its judgement."""

    row: Trial
    kind: Literal["water", "measure", "judge"]
    litres: float = 0.0
    water_id: uuid.UUID | None = None


def tasks(scope: Scope) -> list[Task]:
    """What the running trials want today; two queries, and four for each trial."""
    running = [row for row in trials(scope) if row.ended_on is None]
    return [task for row in running for task in _tasks(scope, row)]


def _tasks(scope: Scope, row: Trial) -> Sequence[Task]:
    garden = row.fed.planting.garden
    day = today(scope, garden)
    begin = datetime.combine(day, time(), tzinfo=ZoneInfo(garden.zone))
    found = []
    doses = Dose.objects.of(scope).filter(stand=row.fed, poured_at__gte=begin)
    given = [(dose.litres_each, dose.can.water_id) for dose in doses.select_related("can")]
    plain = Watering.objects.of(scope).filter(fill=row.unfed.fill_id, poured_at__gte=begin)
    each = sum(litres for litres, _ in given) - sum(one.litres for one in plain) / row.unfed.count
    if given and each > _NOTHING_L:
        found.append(Task(row, "water", each * row.unfed.count, given[-1][1]))
    if day >= row.judge_on:
        found.append(Task(row, "judge"))
        return found
    newest = Measured.objects.of(scope).filter(trial=row).aggregate(at=Max("measured_on"))["at"]
    if core.due_again(row.started_on, newest, day):
        found.append(Task(row, "measure"))
    return found
