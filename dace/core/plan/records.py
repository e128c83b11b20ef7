"""What a plan is: events, cans, waits, what runs short, what a rhythm carries."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from dace.core.fed.records import Each, Portion, Verdict

Array = NDArray[np.float64]
ShortWhy = Literal["shelf", "stock", "rhythm"]
RemedyKind = Literal["rhythm", "get", "slow", "room", "tray"]


@dataclass(frozen=True)
class Event:
    """Something to be done at a stop on a day: ``kind`` is a verdict's ``event``.

    ``slot`` numbers it within its stop: a changed event keeps it. ``stage`` is that of what
    is fed, in words and by planting in ``stages``. ``litres`` are of all plants together.
    ``why`` are sentences: the day, the feed, what bound its strength, what moved it.
    """

    stop: str
    slot: int
    on: date
    kind: str
    stage: str
    stages: tuple[tuple[str, str], ...]
    each: tuple[Each, ...]
    portion: Portion | None
    water: str
    water_name: str
    litres: float
    why: tuple[str, ...]

    def held(self, nutrient: str, plants: int) -> tuple[float, float, float]:
        """Low, likely and high of a nutrient that its can brings each of so many plants [mg].

        Nothing where nothing is poured.
        """
        can = self.portion.can if self.portion else None
        if can is None or plants <= 0:
            return 0.0, 0.0, 0.0
        found, litres = can.nutrient(nutrient), self.litres / plants
        return found.low * litres, found.value * litres, found.high * litres


@dataclass(frozen=True)
class Served:
    """A stop that a can is poured at: litres in all, what each planting gets, its slot."""

    stop: str
    litres: float
    each: tuple[Each, ...]
    slot: int


@dataclass(frozen=True)
class CanToMix:
    """A can of today, filled once or several times alike: what goes in, where it is poured.

    ``portion`` is of all its stops together, with what is left over [L], so that it fills to a
    mark, and the bed that gets it, where there is one. ``why`` says what its stops have in common.
    """

    portion: Portion
    served: tuple[Served, ...]
    left_l: float
    left_at: str
    why: str


@dataclass(frozen=True)
class CanAhead:
    """A can of a day to come: ``amounts`` [mL or g] of each source in all its ``fills``.

    ``litres`` are what is mixed; ``vessel`` is filled so often.
    """

    on: date
    amounts: tuple[tuple[str, float], ...]
    litres: float
    fills: int
    vessel: str
    stops: tuple[str, ...]


@dataclass(frozen=True)
class Wait:
    """A stop that gets nothing today, why in a few words, and till when; None: for weeks."""

    stop: str
    kind: str
    why: str
    until: date | None


@dataclass(frozen=True)
class Short:
    """A nutrient of which a stop will get too little in the weeks ahead.

    ``share`` is how much less its plants take than at the low end of the wish; ``mg`` what
    would make it up; ``since`` the first week of it. ``why``: nothing on the shelf brings it,
    the stock runs out, or the rhythm and the caps cannot carry it.
    """

    stop: str
    nutrient: str
    share: float
    mg: float
    since: date
    why: ShortWhy
    text: str


@dataclass(frozen=True)
class Remedy:
    """One thing that helps some stops, what it says and what its button does.

    ``kind``: ``rhythm`` leaves how often to Dace; ``get`` is a jar that nothing on the shelf
    stands in for, ``slow`` a slow feed, ``room`` a larger pot, ``tray`` potting on.
    """

    kind: RemedyKind
    stops: tuple[str, ...]
    nutrients: tuple[str, ...]
    since: date
    text: str
    button: str


@dataclass(frozen=True)
class Carried:
    """What share of the nitrogen that its fed plants take the feeds to come bring to a stop."""

    stop: str
    share: float


@dataclass(frozen=True)
class Goes:
    """So much of it [mL] to a stop on a day."""

    on: date
    stop: str
    amount: float


@dataclass(frozen=True)
class Destiny:
    """Where a brew goes, in a line; ``heap_ml`` is left when it spoils, on ``heap_on``.

    ``heap_on`` is None where it keeps longer than is planned, or is used up.
    """

    source: str
    goes: tuple[Goes, ...]
    heap_ml: float
    heap_on: date | None
    text: str


@dataclass(frozen=True, eq=False)
class Course:
    """A stop's weeks ahead, day by day: shapes (days, 5) in the order of ``NUTRIENTS`` [mg].

    ``need`` is of what is fed there, ``taken`` what all plants took, ``within`` what is within
    reach of an evening, ``strength`` [mg/L] that in a litre; ``drain`` [mS/cm] what drains.
    ``still`` [mg, 5] is what slow feeds hold at the end, to come out after it. ``spread`` are
    the factors that bound what is taken: nobody knows how greedy the roots are.
    """

    first: date
    need: Array
    taken: Array
    within: Array
    strength: Array
    drain: Array
    still: Array
    spread: tuple[float, float]


@dataclass(frozen=True, eq=False)
class Plan:
    """Today's verdicts and what follows from them.

    ``digest`` stands for all of it: the same garden gives the same, byte for byte.
    """

    today: date
    verdicts: tuple[Verdict, ...]
    events: tuple[Event, ...]
    cans: tuple[CanToMix, ...]
    cans_ahead: tuple[CanAhead, ...]
    waits: tuple[Wait, ...]
    short: tuple[Short, ...]
    carried: tuple[Carried, ...]
    remedies: tuple[Remedy, ...]
    destinies: tuple[Destiny, ...]
    courses: tuple[tuple[str, Course], ...]
    stock_ends: tuple[tuple[str, date], ...]
    digest: str
