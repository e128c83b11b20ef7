"""Trials as they stand, in words: what was asked, what it says, what kept it fair."""

from __future__ import annotations

import uuid
from datetime import date, timedelta

from dace.core import api as core
from dace.core.api import Judged, TrialMeasure, TrialWait, on_day, shown
from dace.desks.shared.figures import steps_out
from dace.desks.shared.stops import growing_words, stop_name
from dace.desks.trials.schemas import (
    BeforeOut,
    PotOut,
    SaidOut,
    TrialJarOut,
    TrialLineOut,
    TrialMeasureOut,
    TrialOut,
    TrialsOut,
    TrialStandOut,
    WaitsOut,
)
from dace.feeding.reads import jars_with_stock
from dace.feeding.verdicts import stop_verdicts
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.scope import Scope
from dace.notebook.models import Trial
from dace.notebook.trying import TrialRecord, hints, poured, trial_record, trials, with_earlier

_HEADLINES = {
    "helped": "It helped",
    "no_worthwhile_effect": "Nothing worth it",
    "harmed": "It did harm",
    "cannot_tell": "Cannot tell",
}


def trials_page(scope: Scope) -> TrialsOut:
    """Every trial, and what another could be made of; two queries beside the verdicts."""
    on = today(scope, garden_of(scope))
    jars = [jar for jar, _ in jars_with_stock(scope) if jar.made_from_id is None]
    return TrialsOut(
        trials=[_line(row, on) for row in trials(scope)],
        stands=[
            TrialStandOut(
                stand_id=stand.id,
                fill_id=stand.fill_id,
                name=stop_name(stop),
                who=growing_words([stand]),
                crop=stand.crop.key,
                pots=stop.root.fill.alike,
                fed=stand.fed,
            )
            for stop in stop_verdicts(scope)
            for stand in stop.stands
        ],
        jars=[TrialJarOut(id=jar.pk, name=jar.name) for jar in jars],
        measures=[measure_out(one) for one in core.trial_measures().values()],
        waits=[
            WaitsOut(key=one.key, name=one.name, text=_wait_words(one))
            for one in core.trial_waits().values()
        ],
    )


def trial_title(row: Trial) -> str:
    """``Does the fruiting liquid help the chillies?``."""
    return f"Does {row.feed} help the {_grown(row)}?"


def _grown(row: Trial) -> str:
    return row.fed.planting.grown.counted(2).split(" ", 1)[1]


def _line(row: Trial, on: date) -> TrialLineOut:
    over = row.ended_on is not None
    due = not over and on >= row.judge_on
    if row.ended_on is not None:
        state = f"ended {on_day(row.ended_on, year=True)}"
    elif due:
        state = "to be judged now"
    else:
        state = f"runs till {on_day(row.judge_on, year=True)}"
    began = f"since {on_day(row.started_on, year=True)}"
    return TrialLineOut(
        id=row.pk,
        title=trial_title(row),
        sub=f"{row.fed.fill}, {began}",
        state=state,
        over=over,
        due=due,
    )


def _wait_words(wait: TrialWait) -> str:
    slow = f"; what is slow, such as fruit, {_days(wait.slow)}" if wait.slow else ""
    first, judge = _days(wait.first), _days(wait.judge)
    return f"first look after {first}, judge after {judge}{slow}; too late after {wait.late} days"


def _days(span: tuple[int, int]) -> str:
    low, high = span
    return f"{low} days" if low == high else f"{low} to {high} days"


def measure_out(one: TrialMeasure) -> TrialMeasureOut:
    """A measure as the forms show it."""
    return TrialMeasureOut(key=one.key, name=one.name, unit=one.unit, scored=one.scored)


def before_page(
    scope: Scope, units: int, paired: bool, worthwhile: float, named: tuple[str, str]
) -> BeforeOut:
    """What so many can tell, and when to judge; ``named`` are the measure and the wait.

    Raises
    ------
    DaceError
        On ``measure`` or ``waits``.
    """
    measure, wait = core.trial_measure(named[0]), core.trial_wait(named[1])
    judge_on = today(scope, garden_of(scope)) + timedelta(days=core.judge_after(wait, measure))
    return BeforeOut(
        text=core.power_words(units, paired, worthwhile),
        judge_on=judge_on,
        judge_text=f"judge it on {on_day(judge_on, year=True)}: {_wait_words(wait)}",
    )


def trial_page(scope: Scope, trial_id: uuid.UUID) -> TrialOut:
    """A trial as it stands; some ten queries, and three for each earlier one of its feed.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    found = trial_record(scope, trial_id)
    row, judged = found.row, found.judged
    low, high = judged.interval if judged else (None, None)
    pairs = sum(unit.fed for unit in found.units)
    many = "" if pairs == 1 else "s"
    what = f"pair{many} of pots" if row.paired else f"pot{many} a side"
    what = f"{core.number_word(pairs)} {what}"
    earlier = with_earlier(scope, found)
    measured = {key for key in found.pots if key != row.measure}
    return TrialOut(
        id=row.pk,
        title=trial_title(row),
        sub=f"{row.fed.fill}, {what} since {on_day(row.started_on, year=True)} · judged by "
        f"{found.measure.name}, as said at the start",
        verdict=judged.verdict if judged else "",
        headline=_headline(found),
        text=_text(judged),
        enough=judged.enough if judged else "",
        earlier=f"With {earlier[0] - 1} earlier of this feed: {earlier[1].text}" if earlier else "",
        before=core.power_words(pairs, row.paired, row.worthwhile),
        gain=_percent(judged.gain if judged else None),
        low=_percent(low),
        high=_percent(high),
        worthwhile=round(100 * row.worthwhile, 2),
        paired=row.paired,
        measure=measure_out(found.measure),
        also=[
            measure_out(one)
            for key, one in core.trial_measures().items()
            if key != row.measure and (one.scored or key in measured or key == "height_cm")
        ],
        pots=[_pot(found, at) for at in range(len(found.units))],
        lay_out=_lay_out(found),
        hints=[SaidOut(name=name, text=text, good=None) for name, text in hints(found)],
        fair=_fair(scope, found),
        exclusions=row.exclusions,
        judge_on=row.judge_on,
        ended_on=row.ended_on,
        working=steps_out(judged.working) if judged else [],
    )


def _headline(found: TrialRecord) -> str:
    if found.judged is None:
        return "Nothing measured yet"
    said = _HEADLINES[found.judged.verdict]
    yet = found.judged.verdict == "cannot_tell" and found.row.ended_on is None
    return f"{said} yet" if yet else said


def _text(judged: Judged | None) -> str:
    if judged is None:
        return "Measure each pot, and every figure stands here as a dot."
    return f"{judged.text} Luck alone shows as much {core.how_often(judged.p)}."


def _percent(share: float | None) -> float | None:
    return None if share is None else round(100 * share, 1)


def _pot(found: TrialRecord, at: int) -> PotOut:
    unit, pot = found.units[at], found.pots[found.row.measure][at]
    figure = core.gathered(found.measure, pot.taken)
    text = "" if figure is None else f"{core.say(figure, 3)} {found.measure.unit}".strip()
    return PotOut(
        number=unit.number,
        pair=unit.pair,
        fed=unit.fed,
        left_out=unit.left_out,
        figure=figure,
        figure_text=text,
    )


def _lay_out(found: TrialRecord) -> str:
    """Which pots stand where, to label them by."""
    fed = [str(unit.number) for unit in found.units if unit.fed]
    unfed = [str(unit.number) for unit in found.units if not unit.fed]
    tossed = "The coins say" if found.row.tossed else "Chosen by hand"
    return f"{tossed}: fed are {core.listed(fed)}, unfed are {core.listed(unfed)}."


def _fair(scope: Scope, found: TrialRecord) -> list[SaidOut]:
    row, given = found.row, poured(scope, found.row)
    blind, days = found.blind
    alike = core.same_water(given.fed, given.unfed)
    fed, unfed = shown.litres(given.fed, 2), shown.litres(given.unfed, 2)
    litres = f"{fed} and {unfed} a plant, fed and unfed"
    said = [
        SaidOut(
            name="coin tosses in each pair" if row.paired else "coin tosses",
            text="yes" if row.tossed else "no: chosen by hand",
            good=row.tossed,
        ),
        SaidOut(
            name="same water to both",
            text="nothing written down" if alike is None else litres,
            good=alike,
        ),
    ]
    if days:
        text = f"{blind} of {days} days"
        said.append(SaidOut(name="measured blind", text=text, good=blind == days or None))
    out = sorted({unit.left_out for unit in found.units if unit.left_out})
    if out:
        said.append(SaidOut(name="left out", text="; ".join(out), good=None))
    return said
