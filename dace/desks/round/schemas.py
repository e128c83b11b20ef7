"""What the Round shows."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Literal

from dace.desks.shared.figures import StepOut
from dace.desks.shared.out import Out
from dace.desks.shared.recipe import RecipeLineOut
from dace.desks.shared.verdicts import GoOut, PortionOut, QuestionOut
from dace.desks.year.schemas import MeantOut


class RoundDoneOut(Out):
    """What was ticked: in words, and the change that takes it back."""

    tick_id: uuid.UUID
    how: str
    words: str
    change_id: int | None


class AmountOut(Out):
    """An amount that was typed: on each plant [L], and in all in words."""

    litres_each: float
    words: str


class RoundRowOut(Out):
    """A stop that a can serves: ``amount`` such as ``4 × 1 L``; ``done`` once it is ticked.

    ``half`` is half of it; ``now`` is False where its verdict asks for something else by now;
    ``mark`` says what.
    """

    fill_id: uuid.UUID
    place_id: uuid.UUID
    slot: int
    name: str
    area: str
    who: str
    amount: str
    half: str
    litres: float
    litres_each: float
    plants: int
    now: bool
    mark: str
    done: list[RoundDoneOut]


class RoundPlainOut(Out):
    """The unfed side of a trial that a can feeds: the same litres of plain water, to be ticked."""

    trial_id: uuid.UUID
    fill_id: uuid.UUID
    place_id: uuid.UUID
    name: str
    who: str
    amount: str
    litres: float
    water_id: uuid.UUID
    water: str
    done: bool
    change_id: int | None


class RoundCanOut(Out):
    """A can to mix, or one that stands mixed: its recipe and the stops it serves.

    ``at`` is where along the path its first stop is, here and in what follows; ``pen`` is the
    figure that it should show; ``fill_l`` is what one of its ``fills`` gives [L]; ``left`` says
    what is left over, and who gets it.
    """

    id: uuid.UUID
    at: int
    letter: str
    lines: list[RecipeLineOut]
    pen: str
    reads: str
    reads_range: str
    mixed: bool
    fill_l: float
    fills: int
    left: str
    subject_id: uuid.UUID | None
    why: str
    working: list[StepOut]
    rows: list[RoundRowOut]
    plain: list[RoundPlainOut]
    water_id: uuid.UUID
    water: str


class RoundFlushOut(Out):
    """A pot to flush: its pours, those that are done, and when it is read.

    ``line`` is the shortest of the reason: what made it salty, where that is known.
    """

    at: int
    fill_id: uuid.UUID
    place_id: uuid.UUID
    subject_id: uuid.UUID
    name: str
    headline: str
    reason: str
    line: str
    button: str
    water_id: uuid.UUID | None
    water: str
    title: str
    plan: GoOut | None
    litres: float
    flushes: bool
    working: list[StepOut]


class RoundDueOut(Out):
    """Anything else that a verdict asks for: what, and why."""

    at: int
    fill_id: uuid.UUID
    place_id: uuid.UUID
    name: str
    kind: str
    title: str
    headline: str
    reason: str


class RoundDressOut(Out):
    """A stop to dress: so much of something dry."""

    at: int
    fill_id: uuid.UUID
    place_id: uuid.UUID
    stand_id: uuid.UUID
    name: str
    portion: PortionOut
    grams: float
    reason: str


class RoundLookOut(Out):
    """A stop that is looked at; ``first`` where nothing is fed there before it is answered."""

    fill_id: uuid.UUID
    place_id: uuid.UUID
    subject_id: uuid.UUID
    planting_id: uuid.UUID | None
    name: str
    question: QuestionOut
    first: bool


class RoundAskOut(Out):
    """One question of a kind, and all the stops that it is put to."""

    at: int
    what: str
    about: str
    looks: list[RoundLookOut]


class RoundTrialOut(Out):
    """What a trial wants today: the same water for the unfed, figures, or its judgement."""

    trial_id: uuid.UUID
    place_id: uuid.UUID
    kind: Literal["water", "measure", "judge"]
    title: str
    text: str
    fill_id: uuid.UUID
    water_id: uuid.UUID | None
    litres: float


class RoundShedOut(Out):
    """A step that a brew, a heap or a green manure wants today.

    ``kind`` is empty where its own page asks for more: ``of`` says which.
    """

    id: uuid.UUID
    of: Literal["brew", "heap", "green"]
    name: str
    kind: str
    words: str


class RoundOverOut(Out):
    """A planting that is over by its days: asked once."""

    planting_id: uuid.UUID
    place_id: uuid.UUID
    name: str
    line: str
    stage: str


class RoundNightOut(Out):
    """A night that may harm what stands out: its low, whom, and what is known of it.

    ``told`` is whether somebody said the low; ``forecast`` whether a forecast did, else it is
    the climate's usual night.
    """

    title: str
    line: str
    place_ids: list[uuid.UUID]
    told: bool
    forecast: bool
    clear: bool | None


class RoundGroundOut(Out):
    """Where plants may go."""

    fill_id: uuid.UUID
    name: str


class RoundMediumOut(Out):
    """What pots may be filled with."""

    key: str
    name: str


class RoundRaisingOut(Out):
    """A step of young plants: a larger pot, hardening off, taking in for a night, planting out.

    ``litres`` is usual for each pot where it is one; ``jar_id`` and ``hole`` what goes into each
    hole, in words and as it is said when written.
    """

    kind: Literal["pot_on", "harden", "keep_in", "plant_out"]
    planting_ids: list[uuid.UUID]
    place_ids: list[uuid.UUID]
    stand_id: uuid.UUID
    title: str
    line: str
    count: int
    litres: float
    jar_id: uuid.UUID | None
    hole: str
    said: str


class RoundWaitOut(Out):
    """A stop that gets nothing today."""

    place_id: uuid.UUID
    name: str


class RoundWaitsOut(Out):
    """Stops that get nothing for one reason; ``to_get`` where nothing on the shelf suits them."""

    kind: str
    title: str
    why: str
    to_get: bool
    stops: list[RoundWaitOut]


class RoundAheadOut(Out):
    """Something to come: what, where, and why then."""

    id: uuid.UUID
    place_id: uuid.UUID | None
    name: str
    text: str
    why: list[str]


class RoundDayOut(Out):
    """A day of the week ahead."""

    on: date
    words: str
    items: list[RoundAheadOut]


class RoundOut(Out):
    """Today's round.

    ``title`` says what there is to do, in about so many ``minutes``; ``leaves`` when leaves may
    be sprayed, empty where no sprayer is owned; ``left`` and ``done`` count stops; ``edition`` is
    the newest change that it shows, to send back as ``If-Match``; ``rhythm_new`` whether an
    upgrade changed how often the garden is fed and nobody said yet that it is well.
    """

    edition: int
    today: date
    title: str
    minutes: int
    left: int
    done: int
    cans: list[RoundCanOut]
    flushes: list[RoundFlushOut]
    dressings: list[RoundDressOut]
    due: list[RoundDueOut]
    asks: list[RoundAskOut]
    trials: list[RoundTrialOut]
    over: list[RoundOverOut]
    night: RoundNightOut | None
    raising: list[RoundRaisingOut]
    grounds: list[RoundGroundOut]
    media: list[RoundMediumOut]
    sow: list[MeantOut]
    away: str
    shed: list[RoundShedOut]
    waits: list[RoundWaitsOut]
    leaves: str
    rhythm_new: bool


class RoundComingOut(Out):
    """What comes in the days after today."""

    days: list[RoundDayOut]
