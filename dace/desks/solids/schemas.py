"""What the page of heaps, mixes, green manure and mulch asks and shows."""

from __future__ import annotations

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


class NamedOut(Out):
    """Something to choose, with what it is called."""

    key: str
    name: str


class MixRecipeOut(NamedOut):
    """A mix of our own: its parts by volume, its dry feeds [g/L], what it is for."""

    use: str
    parts: dict[str, float]
    dry: dict[str, float]
    text: str


class GreenManureOut(NamedOut):
    """A green manure, and what to mind with it."""

    caution: str


class SolidsOut(Out):
    """All that there is to choose from."""

    materials: list[NamedOut]
    methods: list[NamedOut]
    ingredients: list[NamedOut]
    dry_feeds: list[NamedOut]
    uses: list[NamedOut]
    recipes: list[MixRecipeOut]
    green_manures: list[GreenManureOut]
    mulches: list[NamedOut]


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
