"""What the Season, the page of a planting and a dry feed show."""

from __future__ import annotations

import uuid
from datetime import date

from dace.core import api as core
from dace.desks.shared.advice import AdviceOut
from dace.desks.shared.figures import Figure, StepOut
from dace.desks.shared.green import GreenStandOut
from dace.desks.shared.out import Out
from dace.desks.shared.verdicts import VerdictOut
from dace.desks.year.schemas import AwayOut


class StageBandOut(Out):
    """A stage of a strip: its start as 10/50/90 % days, and whether that was seen."""

    key: str
    words: str
    cue: str
    low: date
    likely: date
    high: date
    seen: bool


class DropOut(Out):
    """Something given: nitrogen for each plant [mg], and what it was."""

    on: date
    source: str
    nitrogen_mg: float
    text: str


class LookOut(Out):
    """A look at a planting."""

    on: date
    words: str


class JarChoiceOut(Out):
    """A jar that a planting may be fed from."""

    id: uuid.UUID
    name: str


class HowFedOut(Out):
    """How a planting is fed: empty words are as the garden is, whose own stand beside them.

    ``sources`` are the jars that may be used, none where all may; ``strength`` is beside the
    stage's wish, ``aim`` beside a usual crop.
    """

    approach: str
    rhythm: str
    strength: float
    aim: float
    sources: list[uuid.UUID]
    garden_approach: str
    garden_rhythm: str
    approaches: dict[str, str]
    rhythms: dict[str, str]
    jars: list[JarChoiceOut]


class StripOut(Out):
    """One planting over the weeks."""

    planting_id: uuid.UUID
    stand_id: uuid.UUID | None
    place_id: uuid.UUID | None
    place: str
    counted: str
    crop: str
    crop_key: str
    started_on: date
    ended_on: date | None
    stage: str
    question: str
    said: list[str]
    sow_again_on: date | None
    stages: list[StageBandOut]
    looks: list[LookOut]
    drops: list[DropOut]
    verdict: VerdictOut | None
    text: str


class WeekOut(Out):
    """A week's weather: mean low and high [C], rain in all [mm]; ``known`` once it has been."""

    first: date
    t_min: float
    t_max: float
    rain_mm: float
    known: bool


class FrostOut(Out):
    """A usual frost of the year: the last of spring or the first of autumn."""

    on: date
    text: str


class SeasonOut(Out):
    """Every strip on one axis."""

    first: date
    last: date
    today: date
    climate: str
    own_days: int
    weeks: list[WeekOut]
    strips: list[StripOut]
    green: list[GreenStandOut]
    aways: list[AwayOut]
    frosts: list[FrostOut]


class LineOut(Out):
    """One nutrient's books over the days of ``LedgerOut.days`` [mg a plant, summed]."""

    nutrient: str
    need: list[float]
    reached: list[float]
    low: list[float]
    high: list[float]


class BalanceOut(Out):
    """One nutrient as it stands today."""

    nutrient: str
    name: str
    word: core.BalanceWord
    text: str
    need: Figure
    reached: Figure
    needs_text: str
    had_text: str


class LedgerOut(Out):
    """Need and supply, past and to come, since the books of its fill begin."""

    days: list[date]
    lines: list[LineOut]
    balances: list[BalanceOut]
    since: date | None
    next_text: str


class EventOut(Out):
    """Something that was done or seen."""

    on: date
    kind: str
    text: str


class PlantingOut(Out):
    """One planting."""

    id: uuid.UUID
    stand_id: uuid.UUID | None
    fill_id: uuid.UUID | None
    usual_dry: str
    place_id: uuid.UUID | None
    place: str
    count: int
    counted: str
    crop: str
    crop_key: str
    started_on: date
    ended_on: date | None
    today: date
    stage_key: str
    stage: str
    chance: str
    question: str
    said: list[str]
    stages: list[StageBandOut]
    stage_working: Figure
    looks: list[LookOut]
    looked_on: date | None
    ledger: LedgerOut
    verdict: VerdictOut | None
    fed: HowFedOut
    repeat_days: int | None
    sow_again_on: date | None
    again_against: str
    outlasts: str
    heaps: list[JarChoiceOut]
    soil_test: str
    events: list[EventOut]
    advice: list[AdviceOut]


class DryFeedOut(Out):
    """Something dry to spread: a jar's or a material of the garden."""

    jar_id: uuid.UUID | None
    material: str
    name: str
    text: str


class ToldOut(Out):
    """The dose in one way."""

    kind: str
    text: str


class ByDayOut(Out):
    """Nitrogen out for each plant by a day [mg], as likely and in a cooler spell."""

    on: date
    nitrogen_mg: float
    text: str


class DressingOut(Out):
    """A dry feed worked out; nothing is written yet. ``others_text`` is what they get of it."""

    name: str
    others_text: str
    grams: float
    ways: list[ToldOut]
    at_once: dict[str, float]
    season: dict[str, float]
    out_by: list[ByDayOut]
    cooler: str
    stock_after_text: str
    enough: bool
    disagreement: str
    working: list[StepOut]
    advice: list[AdviceOut]
