"""What a verdict is asked of, and what it is."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Literal

from dace.core.can.ingredient import Source
from dace.core.can.measures import Owned
from dace.core.can.measuring import NOT_MEASURED, AmountSaid, Vessel
from dace.core.can.mixing import Mixture
from dace.core.can.strength import format_strength
from dace.core.matter.settings import Shelter
from dace.core.matter.waters import WaterIons
from dace.core.result import Working
from dace.core.rootzone.flush import Flush
from dace.core.rootzone.follow import Followed
from dace.core.season.crops import Crop
from dace.core.season.looks import Begun, StageReading
from dace.core.season.outlook import Outlook

AS_NEEDED = "as_needed"
"""The rhythm of who set none: as rarely as carries the stage; see :mod:`dace.core.fed.rhythm`."""


@dataclass(frozen=True)
class Rhythm:
    """How often a stop is fed: feeds lie ``apart`` days or more, each carries ``counted`` days."""

    key: str
    apart: int
    counted: int
    words: str

    @property
    def with_water(self) -> bool:
        """Whether every watering feeds, whatever the evening."""
        return self.key == "every_watering"


RHYTHMS = {
    one.key: one
    for one in (
        Rhythm("fortnightly", 14, 14, "every second week"),
        Rhythm("weekly", 7, 7, "once a week"),
        Rhythm("twice_weekly", 3, 4, "twice a week"),
        Rhythm("every_watering", 1, 3, "at every watering"),
    )
}
"""Rhythms that can be kept, the rarest first."""
RHYTHM_WORDS = {AS_NEEDED: "as often as they need it"} | {
    key: one.words for key, one in RHYTHMS.items()
}


@dataclass(frozen=True)
class NamedWater:
    """A water that can be poured; the first of several is the usual one."""

    key: str
    name: str
    ions: WaterIons


@dataclass(frozen=True)
class Grows:
    """Plants of one crop at a stop.

    ``since`` is when they came here, ``started_on`` when they were sown or planted;
    ``control`` is whether they are kept unfed to compare; ``score`` the newest of their
    leaves, 1 to 5, None where nobody scored; ``aim`` the crop hoped for beside a usual one.
    ``begun`` is what its clock goes by, where other weather is to be tried out.
    """

    key: str
    crop: Crop
    clock: StageReading
    plants: int
    since: date
    started_on: date
    control: bool = False
    looked_on: date | None = None
    score: float | None = None
    aim: float = 1.0
    begun: Begun | None = None


@dataclass(frozen=True)
class MixedCan:
    """A can that was mixed: its sources, the water, so many mL or g of each in a litre."""

    parts: tuple[tuple[str, float], ...]
    water: str


SALT_WORDS = {
    "crust": "white crust or burnt edges",
    "clean": "no crust, no burnt edges",
    "too_much": "far too much was poured",
}
"""What is said of salt about the roots without a pen."""


@dataclass(frozen=True)
class SaltSaid:
    """The newest word of ``SALT_WORDS`` that somebody said of a stop, on a day at an hour."""

    on: date
    hour: float
    word: str


@dataclass(frozen=True)
class Stop:
    """A fill with something growing, followed up to today.

    ``left_out`` is the day of a feed that somebody chose not to give; its slot is used up.
    ``only`` are keys of the sources that may be used there, empty where all may;
    ``strength`` is how many times the typical wish somebody wants it fed at. ``mixed`` is a
    can that stands mixed for it today. ``evenings`` are the days of the week, Monday 0, on
    which it is fed; any where there are none. ``away`` are spans in which nobody feeds, from
    a day up to and with another. ``salt_said`` is what was seen of its salt.
    """

    key: str
    name: str
    followed: Followed
    grows: tuple[Grows, ...]
    rhythm: str = AS_NEEDED
    approach: str = "mixed"
    shelter: Shelter = "open"
    area_m2: float | None = None
    ph: float | None = None
    tested_high: frozenset[str] = frozenset()
    left_out: date | None = None
    only: frozenset[str] = frozenset()
    strength: float = 1.0
    mixed: MixedCan | None = None
    evenings: frozenset[int] = frozenset()
    away: tuple[tuple[date, date], ...] = ()
    salt_said: SaltSaid | None = None


@dataclass(frozen=True)
class Tonight:
    """What somebody said of the night to come: its low [C], whether it is clear and still.

    ``covered`` is whether all that it may hurt was covered or brought in.
    """

    low_c: float | None = None
    clear: bool | None = None
    covered: bool = False


@dataclass(frozen=True)
class Yard:
    """All of a garden on a day: its weather, its stops in walking order, and what there is.

    ``pen`` is whether anybody can read conductivity there; ``slider`` goes from -1 (spare
    money) over 0 to 1 (spare effort). ``spoons`` is whether amounts come in what is ``owned``,
    ``weighs`` whether grams are said beside them. ``tonight`` is what was said of the night
    to come.
    """

    days: Outlook
    stops: tuple[Stop, ...]
    sources: tuple[Source, ...]
    waters: tuple[NamedWater, ...]
    vessels: tuple[Vessel, ...]
    owned: tuple[Owned, ...] = ()
    pen: bool = True
    slider: float = 0.0
    spoons: bool = False
    weighs: bool = False
    tonight: Tonight = Tonight()


@dataclass(frozen=True)
class Bottom:
    """A brew that goes into a can first: so much of it [mL], and ``per_l`` of it in a litre."""

    source: str
    name: str
    amount: float
    per_l: float
    said: AmountSaid = NOT_MEASURED

    @property
    def strength(self) -> str:
        """How strong it is, as one says it."""
        return format_strength(self.per_l, "mL")


@dataclass(frozen=True)
class Portion:
    """A can, or a dressing, that suits a stop: so much of a source for so many litres.

    ``amount`` [mL or g] and ``litres`` are of all its plants together, ``per_l`` what a litre
    of can gets of it; ``fill_l`` what goes into each of ``cans``, and ``said`` the amount in one
    of them; ``mixed_l`` is what is mixed of its can for all that share it; ``can`` is a litre of
    it, ``most`` the most of it that a litre may take, ``rank`` how little it suits; ``base`` a
    brew that goes in before. A dressing has no can, no water and no litres: it is ``spread``, so
    much on so much ground.
    """

    source: str
    name: str
    unit: str
    amount: float
    said: AmountSaid = NOT_MEASURED
    per_l: float = 0.0
    spread: str = ""
    litres: float = 0.0
    water: str = ""
    water_name: str = ""
    vessel: str = ""
    vessel_name: str = ""
    fill_l: float = 0.0
    mixed_l: float = 0.0
    cans: int = 1
    can: Mixture | None = None
    cap: float = 0.0
    bound_by: str = ""
    miss: float = 0.0
    rank: float = 0.0
    most: float = 0.0
    base: Bottom | None = None

    @property
    def used(self) -> dict[str, float]:
        """What it takes of the shelf [mL or g], by source."""
        own = {self.source: self.amount}
        return {self.base.source: self.base.amount} | own if self.base else own

    @property
    def recipe(self) -> tuple[tuple[str, ...], str, tuple[float, ...]]:
        """What goes in, in which water, how much of each in a litre."""
        if self.base is None:
            return (self.source,), self.water, (self.per_l,)
        return (self.base.source, self.source), self.water, (self.base.per_l, self.per_l)

    @property
    def words(self) -> str:
        """The amount in one can, as it is measured out."""
        return self.said.words

    @property
    def strength(self) -> str:
        """How strong it is, as one says it."""
        return self.spread or format_strength(self.per_l, self.unit)


@dataclass(frozen=True)
class Each:
    """What one planting of the stop gets [L each], and why in a sentence."""

    planting: str
    litres: float
    reason: str


@dataclass(frozen=True)
class After:
    """What an answer leads to."""

    answer: str
    kind: str


@dataclass(frozen=True)
class Question:
    """Something to look at first: ``what`` asks, ``mark`` is that in three words.

    ``about`` is ``stage`` (of ``planting``), ``drain`` (read it), ``again`` (read it again) or
    ``crust`` (seen or not).
    ``yes`` and ``no`` are the keys of stages that an answer in one press confirms.
    """

    about: Literal["stage", "drain", "again", "crust"]
    what: str
    mark: str
    after: tuple[After, ...]
    planting: str = ""
    yes: str = ""
    no: str = ""


@dataclass(frozen=True)
class Basis:
    """Something that a verdict rests on, with its age in days; None where it has none."""

    what: str
    text: str
    age_days: int | None = None


@dataclass(frozen=True)
class ToGet:
    """What would feed a stop that nothing on the shelf suits: for which nutrients, and what.

    ``grams`` of a powder of that kind bring what is owed now.
    """

    nutrients: tuple[str, ...]
    what: str
    grams: float


@dataclass(frozen=True)
class Verdict:
    """What a stop wants today.

    ``mark`` is that in three words, ``headline`` in one sentence, ``button`` what the green
    button says, empty where nothing is to be done. ``offers`` are up to three portions, the
    verdict's own first; ``share`` is how much of the stage's wish is right now; ``next_on``
    the next day on which something is likely to be due; ``mixed`` whether its can stands there;
    ``to_get`` what to buy or make, where it is hungry and nothing on the shelf suits;
    ``owed_mg`` what it is owed of N, P, K, Ca, Mg where it is fed; ``cause`` the likely reason
    for what it wants, where one is known: its reason says it too.
    """

    stop: str
    kind: str
    mark: str
    headline: str
    reason: str
    button: str
    each: tuple[Each, ...]
    basis: tuple[Basis, ...]
    working: Working
    next_on: date | None = None
    recipe: Portion | None = None
    offers: tuple[Portion, ...] = ()
    flush: Flush | None = None
    water: str = ""
    water_name: str = ""
    litres: float = 0.0
    share: float = 1.0
    question: Question | None = None
    rhythm: str = ""
    mixed: bool = False
    to_get: ToGet | None = None
    owed_mg: tuple[float, ...] = ()
    cause: str = ""
