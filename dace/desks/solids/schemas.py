"""What the page of heaps, mixes, green manure and mulch asks and shows."""

from __future__ import annotations

import uuid
from datetime import date
from typing import Annotated, Literal

from ninja import Schema
from pydantic import Field

from dace.desks.shared.advice import AdviceOut
from dace.desks.shared.figures import StepOut
from dace.desks.shared.out import Out
from dace.households.fields import Name, Typed

Method = Literal[
    "hot_turned", "cold_unturned", "tumbler", "trench", "worm_bin", "leaf_heap", "manure_stack"
]
Use = Literal[
    "seed", "potting_on", "hungry_pots", "raised_bed", "house_plant", "ericaceous", "cactus"
]
Colour = Literal["green", "brown", "dung", "mineral"]
Finite = Annotated[float, Field(allow_inf_nan=False)]


class SolidOut(Out):
    """Something to choose, with what it is called."""

    key: str
    name: str


class MixRecipeOut(SolidOut):
    """A mix of our own: its parts by volume, its dry feeds [g/L], what it is for."""

    use: str
    parts: dict[str, float]
    dry: dict[str, float]
    text: str


class GreenManureOut(SolidOut):
    """A green manure, and what to mind with it."""

    caution: str


class KeptMixOut(SolidOut):
    """A mix that is kept: its parts by volume, its dry feeds [g/L], what it is for."""

    use: str
    parts: dict[str, float]
    dry: dict[str, float]


class SolidsOut(Out):
    """All that there is to choose from; ``beds`` are the garden's own, by their fill."""

    materials: list[SolidOut]
    methods: list[SolidOut]
    ingredients: list[SolidOut]
    dry_feeds: list[SolidOut]
    uses: list[SolidOut]
    recipes: list[MixRecipeOut]
    green_manures: list[GreenManureOut]
    mulches: list[SolidOut]
    beds: list[SolidOut]
    mixes: list[KeptMixOut]


class HeapInputIn(Schema):
    """So much of a material, such as ``2 barrows``; ``known`` where nobody ever sprayed."""

    material: Name
    amount: Typed
    known: bool = False


class HeapIn(Schema):
    """A heap as it is thought of: rain [mm] while it lies, air [°C], weeks since it was built.

    ``reading`` is one part of the finished compost in five of water [mS/cm at 25 °C].
    """

    method: Method
    covered: bool = False
    rain_mm: Finite = 0.0
    temperature_c: Finite = 12.0
    weeks: Annotated[float, Field(ge=0, le=520, allow_inf_nan=False)] = 0.0
    inputs: Annotated[list[HeapInputIn], Field(min_length=1, max_length=30)]
    reading: Annotated[float, Field(gt=0, le=30, allow_inf_nan=False)] | None = None


class HeapLayerOut(Out):
    """A layer as drawn: its share of the height, and what it is."""

    material: str
    name: str
    amount: str
    share: float
    colour: Colour


class ShareOut(Out):
    """What a finished heap or a mix has of a nutrient, with its range."""

    name: str
    text: str
    range_text: str


class HeapOut(Out):
    """A heap: what is wrong with it, what it lacks, how far it is, and what comes out.

    ``warmth`` is 0 to 1 of what a heap can reach.
    """

    layers: list[HeapLayerOut]
    ratio: str
    moisture: str
    add: list[str]
    said: list[AdviceOut]
    warmth: float
    progress: float
    ready: str
    ready_test: str
    out: str
    shares: list[ShareOut]
    first_season: str
    reads: str
    working: list[StepOut]


class SoilMixIn(Schema):
    """So much of a mix, its parts by volume, its dry feeds [g/L], what it is for."""

    litres: Typed
    parts: Annotated[dict[Name, Finite], Field(max_length=17)]
    dry: Annotated[dict[Name, Finite], Field(max_length=8)] = {}
    use: Use


class MixPartOut(Out):
    """A part of a mix as drawn: its share of the pot, and how much to take."""

    key: str
    name: str
    share: float
    take: str
    grain: str


class SoilMixOut(Out):
    """What a mix comes to, and what stands against it for its use."""

    layers: list[MixPartOut]
    dry: list[str]
    salt: str
    salt_range: str
    holds: str
    ph: str
    food: list[ShareOut]
    slow: str
    breaks: list[AdviceOut]


class GreenManureIn(Schema):
    """A stand that is cut: how large, how old, where it goes, how warm the soil is [°C]."""

    key: Name
    area: Typed
    stand: Literal["short", "flower"] = "flower"
    dug_in: bool = True
    temperature_c: Finite = 12.0


class GivesOut(Out):
    """What it gives the next crop: in words, and grams by the end of each week."""

    said: list[str]
    wait: str
    by_week_g: list[float]
    whole_g: float
    caution: str


class MulchIn(Schema):
    """A bed to be mulched; an empty depth is the usual one."""

    material: Name
    area: Typed
    depth: Typed = ""


class MulchOut(Out):
    """How much to bring, and the nitrogen that it takes or gives."""

    bring: str
    lies: str
    nitrogen: str
    caution: str


class BeanPotIn(Schema):
    """A pot of beans at the third true leaf."""

    curled: Annotated[int, Field(ge=0, le=20)]
    up: Annotated[int, Field(ge=0, le=20)]


class BeanTestIn(Schema):
    """Three pots with the manure, and three plain."""

    test: Annotated[list[BeanPotIn], Field(min_length=3, max_length=3)]
    plain: Annotated[list[BeanPotIn], Field(min_length=3, max_length=3)]


class BeanTestOut(Out):
    """What it says, and why."""

    result: Literal["suspect", "clean", "repeat", "void"]
    why: str


class KeptHeapIn(Schema):
    """A heap to begin: what it is called, how it is kept, and its first layers."""

    id: uuid.UUID
    name: Name
    method: Method
    covered: bool = False
    begun_on: date | None = None
    inputs: Annotated[list[HeapInputIn], Field(min_length=1, max_length=30)]


class LayerIn(HeapInputIn):
    """Something more that goes on a heap."""

    id: uuid.UUID


class SpentIn(Schema):
    """The solids of a brew that is over."""

    id: uuid.UUID
    brew_id: uuid.UUID


class HeapStepIn(Schema):
    """What was done with a heap; the water in litres where it was watered with so much."""

    id: uuid.UUID
    kind: Literal["turn", "wet", "cover", "uncover", "beans"]
    litres: Typed = ""


class HeapTestIn(Schema):
    """What was found at home: one part in five of water [mS/cm], weight, dry weight."""

    id: uuid.UUID
    ec_1_5: Annotated[float, Field(gt=0, le=30, allow_inf_nan=False)] | None = None
    kg_per_l: Annotated[float, Field(gt=0, le=3, allow_inf_nan=False)] | None = None
    dry_percent: Annotated[float, Field(gt=0, le=100, allow_inf_nan=False)] | None = None


class HeapBeansIn(BeanTestIn):
    """A bean test of a heap, read."""

    id: uuid.UUID


class DrainIn(Schema):
    """What ran out of a worm bin, as typed."""

    id: uuid.UUID
    litres: Typed


class HeatIn(Schema):
    """Whether its heat was written down for long enough."""

    hot: bool


class EmptyIn(Schema):
    """What an emptied heap gave, as typed (empty: as expected), and what it is kept as."""

    id: uuid.UUID
    name: Name
    amount: Typed = ""
    washed: Annotated[int, Field(ge=0, le=2)] = 0


class SowIn(Schema):
    """A green manure sown on a bed, today where no day is given."""

    id: uuid.UUID
    fill_id: uuid.UUID
    key: Name
    sown_on: date | None = None


class CutIn(Schema):
    """How it was cut, and where it went."""

    stand: Literal["short", "flower"] = "flower"
    dug_in: bool = True
    cut_on: date | None = None


class LayMulchIn(Schema):
    """A mulch laid on a bed; an empty depth is the usual one."""

    id: uuid.UUID
    fill_id: uuid.UUID
    material: Name
    depth: Typed = ""


class SpreadIn(Schema):
    """So much of a dry jar on a whole fill; all that is left of it where the amount is empty."""

    id: uuid.UUID
    fill_id: uuid.UUID
    jar_id: uuid.UUID
    amount: Typed = ""


class SpreadOut(Out):
    """What a spread brings, and what to mind with it."""

    amount: str
    shares: list[ShareOut]
    said: list[AdviceOut]


class HeapStepOut(Out):
    """Something that a heap wants, and from when on."""

    kind: str
    words: str
    on: date
    due: bool


class LaidOut(Out):
    """A layer of a heap: when, and so much of what."""

    on: date
    text: str


class HeapEventOut(Out):
    """Something that was done with a heap."""

    on: date
    text: str


class KeptHeapOut(Out):
    """A heap's page: how it stands, what it wants, what was done with it.

    ``hot`` and ``beans`` are words, empty where there is nothing to say; ``out_kg`` is what it
    would give today; ``jar_id`` is what it became.
    """

    id: uuid.UUID
    name: str
    method: str
    begun_on: date
    days: int
    drains: bool
    covered: bool
    heat_record: bool
    raw: bool
    hot: str
    beans: str
    emptied_on: date | None
    jar_id: uuid.UUID | None
    out_kg: float
    heap: HeapOut
    steps: list[HeapStepOut]
    laid: list[LaidOut]
    events: list[HeapEventOut]
    brews: list[SolidOut]


class ShelfHeapOut(Out):
    """A heap as it stands on the shelf."""

    id: uuid.UUID
    name: str
    method: str
    days: int
    ready: str
    progress: float
    layers: list[HeapLayerOut]
    warmth: float
    due: list[str]
