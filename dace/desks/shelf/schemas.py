"""What the Shelf shows: jars, brews, recipes, a brew's page, a jar's page."""

from __future__ import annotations

import uuid
from datetime import date, datetime

from dace.core import api as core
from dace.desks.shared.advice import AdviceOut
from dace.desks.shared.figures import StepOut
from dace.desks.shared.out import Out
from dace.desks.solids.schemas import ShelfHeapOut
from dace.shelf.brews import BrewState


class ShelfJarOut(Out):
    """A jar or bottle with its level; ``share`` is how full it is, 0 to 1."""

    id: uuid.UUID
    name: str
    grade: str
    form: str
    dissolves: bool
    bottle: bool
    share: float
    stock_text: str
    use_by: date | None
    stale: bool
    suits: str


class DueOut(Out):
    """Something to do with a brew."""

    kind: str
    words: str
    due_at: datetime
    due: bool


class ShelfBrewOut(Out):
    """A brew on its way: strength, what is next; ``ripe`` is 1 once it is likely ready."""

    id: uuid.UUID
    name: str
    method: str
    state: BrewState
    day: int
    ec_text: str
    leafy: bool
    ripe: float
    ready_text: str
    next: list[DueOut]


class PastBrewOut(Out):
    """A brew that is over: strained or thrown out."""

    id: uuid.UUID
    name: str
    method: str
    state: BrewState
    ended_on: date


class ShelfOut(Out):
    """The whole shelf; ``past`` are the newest brews that are over."""

    jars: list[ShelfJarOut]
    brews: list[ShelfBrewOut]
    past: list[PastBrewOut]
    heaps: list[ShelfHeapOut]


class BandOut(Out):
    """10, 50 and 90 % on each day."""

    name: str
    low: list[float]
    likely: list[float]
    high: list[float]


class HeldOut(Out):
    """One nutrient on a day, in words [mg/L]; ``span`` are its ends alone."""

    name: str
    text: str
    span: str
    range_text: str


class LimitsOut(Out):
    """What acid and shell allow at most, and which of them runs out."""

    acid_runs_out: bool
    ca_ceiling_mg_l: float
    gas_l: float
    acid_left_g: float
    acid_share_used: float
    solid_used_g: float
    share_dissolved: float
    sentence: str
    working: list[StepOut]


class BrewFiguresOut(Out):
    """A brew worked out, whether it stands already or is only thought of."""

    days: list[float]
    ec: BandOut
    bands: list[BandOut]
    ready: list[float]
    ready_text: str
    keeps_text: str
    recovered_l: list[float]
    held: list[HeldOut]
    forms: list[HeldOut]
    good_for: list[str]
    does_not: list[str]
    dilute_text: str
    notes: list[str]
    limits: LimitsOut | None
    working: list[StepOut]
    gathering: list[AdviceOut]
    preparing: list[AdviceOut]
    off_signs: str
    method_note: str


class BrewReadingOut(Out):
    """A reading of a brew: the day, what it comes to undiluted, and whether it is doubted."""

    id: uuid.UUID
    day: float
    ec_ms_cm: float
    shown: str
    conflict: str


class BrewEventOut(Out):
    """Something done with a brew."""

    id: uuid.UUID
    at: datetime
    text: str


class BrewOut(Out):
    """One brew's page."""

    id: uuid.UUID
    subject_id: uuid.UUID
    name: str
    method: str
    liquid: str
    went_in: list[str]
    state: BrewState
    leafy: bool
    ripe: float
    day: float
    started_at: datetime
    figures: BrewFiguresOut
    readings: list[BrewReadingOut]
    steps: list[DueOut]
    events: list[BrewEventOut]
    bottles: list[ShelfJarOut]
    after_id: uuid.UUID | None


class PartOut(Out):
    """Something on a bottle label or a jar's page: a name, what is likely, and its words."""

    name: str
    likely: str
    text: str


class StrengthOut(Out):
    """How strong a bottle was taken to be from a day on, and by what."""

    on: date
    text: str
    ec_text: str


class JarCanOut(Out):
    """A stop whose verdict a can of it suits."""

    place_id: uuid.UUID
    spot: str
    text: str
    first: bool


class GoesOut(Out):
    """Where a bottle or a brew goes next, or why nowhere; ``left`` is what the heap gets."""

    id: uuid.UUID
    text: str
    left: str


class JarPouredOut(Out):
    """What was poured or spread of it."""

    on: date
    text: str


class JarPageOut(Out):
    """A jar or bottle: what it holds, what it costs, what bears on it, and its label to print."""

    id: uuid.UUID
    name: str
    bottle: bool
    dissolves: bool
    grade: str
    known_by: str
    elements: list[PartOut]
    weighs: str
    price_per_n: str
    stock_text: str
    use_by: date | None
    good_for: list[str]
    does_not: list[str]
    dilute_text: str
    label_cautions: list[str]
    advice: list[AdviceOut]
    brew_id: uuid.UUID | None
    heap_id: uuid.UUID | None
    made_on: date | None
    subject_id: uuid.UUID | None
    strength: list[StrengthOut]
    share: float
    form: str
    suits: list[JarCanOut]
    not_for: list[str]
    usual: list[str]
    poured: list[JarPouredOut]
    cost_of_can: str


class IngredientOut(Out):
    """Something in a recipe; ``own_id`` where it is a material of her own."""

    material: str
    own_id: uuid.UUID | None
    name: str
    amount: str
    particle: str


class RecipeOut(Out):
    """A recipe to begin from."""

    key: str
    name: str
    method: str
    method_key: str
    volume_l: float
    acid_percent: float
    handling: list[str]
    ingredients: list[IngredientOut]
    note: str
    own: bool


class NamedOut(Out):
    """Something to choose, and what it is."""

    key: str
    name: str
    text: str


class BrewMethodOut(NamedOut):
    """A way to make a liquid; ``liquid`` is water, vinegar, or sugar for its own juice."""

    liquid: str


class BrewChoicesOut(Out):
    """What there is to choose from when a brew begins."""

    methods: list[BrewMethodOut]
    materials: list[NamedOut]
    own_materials: list[NamedOut]
    particles: list[NamedOut]
    recipes: list[RecipeOut]
    waters: list[NamedOut]
    spread_only: list[str]


class ClaimOut(Out):
    """A claim held against mass balance, or against itself."""

    verdict: core.ClaimVerdict
    text: str
    working: list[StepOut]
