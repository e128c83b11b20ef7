"""What was seen of a crop, and where its stages start."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

from dace.core.matter.settings import Shelter
from dace.core.result import Working
from dace.core.season.cold import ColdEnd
from dace.core.season.crops import Crop, Stage

_PICKED, _FRUIT = ("harvest", "ripening", "flowering"), ("fruit_set", "fruit_fill")


@dataclass(frozen=True)
class Look:
    """The stage that a planting was seen at on a day."""

    stage: str
    on: date


@dataclass(frozen=True)
class Start:
    """When a stage begins or began; days None where that lies beyond what is worked out."""

    stage: Stage
    seen: bool
    low: date | None
    likely: date | None
    high: date | None


@dataclass(frozen=True)
class StageReading:
    """Where a planting stands today.

    ``chance`` is that of the stage named; where it is low, ``doubtful`` is True and
    ``question`` is what to look for. ``said`` are plain sentences about sightings
    far from the table. ``other`` is the stage that it may well be at instead, None where there
    is little doubt. ``reached`` is the chance of each stage to begin before the end;
    ``ends_on`` the likely day after its last, by cold or because it is over.
    """

    stage: Stage
    chance: float
    doubtful: bool
    question: str
    next_stage: Stage | None
    starts: tuple[Start, ...]
    reached: tuple[float, ...]
    ends_on: date | None
    ends_by_cold: ColdEnd
    said: tuple[str, ...]
    working: Working
    other: Stage | None = None

    def picked_in(self, today: date) -> float | None:
        """Days to the first picking, 0 once it has begun; None where that is not known.

        By the stage that the crop is picked in, never an earlier one: harvest, ripening where
        it has none, flowering of what is grown for its flowers. No fruit is picked before it sets.
        """
        begins = {start.stage.key: start.likely for start in self.starts}
        picked = next((key for key in _PICKED if key in begins), None)
        if picked is None or begins[picked] is None:
            return None
        days = [day for key in (picked, *_FRUIT) if (day := begins.get(key)) is not None]
        return max(0.0, float((max(days) - today).days))

    def outgrown_on(self, today: date) -> tuple[date, date, date] | None:
        """When a seedling wants more room: earliest, likely and latest start of what follows.

        None of what is no seedling any more, and where that lies beyond what is worked out.
        """
        if not self.stage.is_seedling:
            return None
        for start in self.starts:
            likely = start.likely
            if not start.stage.is_seedling and start.stage.order > 1 and likely and likely > today:
                return start.low or likely, likely, start.high or likely
        return None


@dataclass(frozen=True)
class Begun:
    """How a planting began, and what was seen of it.

    ``started_on`` is the day it was sown or planted; ``indoors`` whether it was raised in
    a warm room until it was planted out, ``in_tray`` whether it stands in a tray still:
    what has not been planted out cannot settle in. ``shelter`` is ``open``, ``cover`` (a
    frame, tunnel or fleece) or ``indoors``.
    """

    started_on: date
    looks: tuple[Look, ...] = ()
    indoors: bool = False
    in_tray: bool = False
    shelter: Shelter = "open"


def out_of_order(grown: Crop, looks: tuple[Look, ...], new: Look) -> Look | None:
    """The look that a new one contradicts: a later stage seen before, or an earlier one after.

    >>> from dace.core.season.crops import crop
    >>> seen = (Look("fruit_set", date(2026, 7, 8)),)
    >>> out_of_order(crop("aubergine"), seen, Look("flowering", date(2026, 7, 14))).stage
    'fruit_set'
    """
    order = grown.stage(new.stage).order
    for look in looks:
        other = grown.stage(look.stage).order
        if (look.on <= new.on and other > order) or (look.on > new.on and other < order):
            return look
    return None
