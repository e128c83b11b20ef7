"""What trials show."""

from __future__ import annotations

import uuid
from datetime import date

from dace.desks.shared.figures import StepOut
from dace.desks.shared.out import Out


class TrialStandOut(Out):
    """A stand that could be a side of a trial. Plants that share a pot count as one."""

    stand_id: uuid.UUID
    fill_id: uuid.UUID
    name: str
    who: str
    crop: str
    pots: int
    fed: bool


class TrialJarOut(Out):
    """A jar that could be tried."""

    id: uuid.UUID
    name: str


class TrialMeasureOut(Out):
    """Something to measure of each pot."""

    key: str
    name: str
    unit: str
    scored: bool


class WaitsOut(Out):
    """A way to feed, and how long it takes to show, in words."""

    key: str
    name: str
    text: str


class TrialLineOut(Out):
    """A trial in the list."""

    id: uuid.UUID
    title: str
    sub: str
    state: str
    over: bool
    due: bool


class TrialsOut(Out):
    """Every trial, and what another could be made of."""

    trials: list[TrialLineOut]
    stands: list[TrialStandOut]
    jars: list[TrialJarOut]
    measures: list[TrialMeasureOut]
    waits: list[WaitsOut]


class BeforeOut(Out):
    """What a trial of a size can tell, and when to judge it."""

    text: str
    judge_on: date
    judge_text: str


class PotOut(Out):
    """A pot of a trial with what was gathered of it; ``figure`` None from nothing."""

    number: int
    pair: int | None
    fed: bool
    left_out: str
    figure: float | None
    figure_text: str


class SaidOut(Out):
    """A line of what speaks for or against: a name and how it stands; ``good`` None is unknown."""

    name: str
    text: str
    good: bool | None


class TrialOut(Out):
    """A trial: its verdict, its pots, and what kept it fair.

    ``verdict`` is empty from no figures; ``gain``, ``low`` and ``high`` are in percent of the
    unfed, an end that is None is not bounded.
    """

    id: uuid.UUID
    title: str
    sub: str
    verdict: str
    headline: str
    text: str
    enough: str
    earlier: str
    before: str
    gain: float | None
    low: float | None
    high: float | None
    worthwhile: float
    paired: bool
    measure: TrialMeasureOut
    also: list[TrialMeasureOut]
    pots: list[PotOut]
    lay_out: str
    hints: list[SaidOut]
    fair: list[SaidOut]
    exclusions: str
    judge_on: date
    ended_on: date | None
    working: list[StepOut]
