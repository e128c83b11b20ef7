"""How long what is about the roots lasts: what a stop needs beside what is within reach."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.result import Step, Working, say
from dace.core.rootzone.course import needs
from dace.core.season.crops import Crop, Stage
from dace.core.season.need import room_for, taken_g
from dace.core.verdict.facts import Facts
from dace.core.verdict.records import Grows

Array = NDArray[np.float64]
DECIDES = ("N", "K")
"""Nutrients whose lack makes a feed due."""
_FEW_MG = 1e-3


@dataclass(frozen=True)
class Reach:
    """What a fill's plants need from today on [mg a day], and what is within their reach.

    ``need`` has shape (days, 5) from today on; ``ignored`` are nutrients of which a soil test
    found plenty.
    """

    facts: Facts
    need: Array
    ignored: frozenset[str]

    def needed(self, ahead: int, days: int) -> Array:
        """The need of so many days after one that lies ahead [mg]."""
        return np.asarray(self.need[ahead + 1 : ahead + 1 + days].sum(axis=0))

    def within(self, ahead: int, days: int) -> Array:
        """What is within reach over them [mg]."""
        larder, at = self.facts.stop.followed.larder, self.facts.index + ahead
        return larder.within_reach(at, days, self.facts.in_bed)

    def lacking(self, ahead: int, days: int) -> str:
        """The first nutrient that would fall under the need of those days; empty if none."""
        need, there = self.needed(ahead, days), self.within(ahead, days)
        for nutrient in DECIDES:
            at = NUTRIENTS.index(nutrient)
            if nutrient not in self.ignored and need[at] > _FEW_MG and there[at] < need[at]:
                return nutrient
        return ""

    def was_lacking(self, ago: int) -> bool:
        """Whether the same days' need was out of reach so many days ago already."""
        found, days = self.facts.stop.followed, self.facts.every_days
        at = found.today - ago
        if at < 0:
            return False
        there = found.larder.within_reach(at, days, self.facts.in_bed)
        need = self.needed(0, days)
        columns = [NUTRIENTS.index(n) for n in DECIDES if n not in self.ignored]
        return any(need[one] > _FEW_MG and there[one] < need[one] for one in columns)

    def first_lacking(self, ahead: int, days: int) -> tuple[int, str] | None:
        """The first day from one on, and what lacks then; None within what is worked out."""
        last = len(self.need) - 1 - days
        for day in range(ahead, last + 1):
            found = self.lacking(day, days)
            if found:
                return day, found
        return None

    @property
    def known_days(self) -> int:
        """How far ahead it is worked out."""
        return len(self.need) - 1

    def steps(self, ahead: int, days: int) -> Working:
        """Need beside reach, by nutrient that decides."""
        need, there = self.needed(ahead, days), self.within(ahead, days)
        rows: list[Step] = []
        for nutrient in DECIDES:
            at = NUTRIENTS.index(nutrient)
            rows.append(
                Step(
                    f"{NUTRIENT_NAMES[nutrient]} they take in {days} days",
                    f"{say(need[at] / days, 6)} mg × {days}",
                    need[at],
                    "mg",
                    "season's uptake by its stages",
                    "low",
                )
            )
            rows.append(
                Step(
                    f"{NUTRIENT_NAMES[nutrient]} within their reach", "", there[at], "mg",
                    "what the medium holds and gives, the middle of all draws", "low",
                )
            )  # fmt: skip
        return tuple(rows)


def reach_of(facts: Facts, unfed: frozenset[str]) -> Reach:
    """What a stop's own plants need; ``unfed`` are plantings that get nothing, by key."""
    found = facts.stop.followed
    root, days = found.root_zone, found.ec.shape[1]
    every = needs(root, found.first, days)
    feeding = [one.key for one in facts.stop.grows if one.key not in unfed]
    wanted = [row for row, one in zip(every, root.growing, strict=False) if one.key in feeding]
    need = np.sum(wanted, axis=0) if wanted else np.zeros_like(every[0])
    return Reach(facts, need[found.today :], facts.stop.tested_high)


def need_at(grows: Grows, stage: Stage, litres_each: float, in_ground: bool) -> Array:
    """What one planting would take a day if it were at a stage [mg]."""
    room = 1.0 if in_ground else room_for(grows.crop, stage, litres_each)
    days = max(1.0, stage.duration_days.typ)
    each = [_taken(grows.crop, stage, n, in_ground) / days for n in NUTRIENTS]
    return np.array(each) * grows.plants * grows.aim * room


def _taken(grown: Crop, stage: Stage, nutrient: str, in_ground: bool) -> float:
    return 1000 * taken_g(grown, stage, nutrient, in_ground) * stage.share_of(nutrient)


def day_ahead(facts: Facts, ahead: int) -> date:
    """The day so many days ahead."""
    return facts.today + timedelta(days=ahead)
