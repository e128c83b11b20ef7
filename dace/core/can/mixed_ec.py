"""What a mixed can should read, with its range, and who carries the current."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dace.core.can.ingredient import IN_PURE_WATER, Ingredient, feed_ph, mixed_ions
from dace.core.figures import Range, judgement
from dace.core.matter.carriers import Carrier
from dace.core.matter.composition import Composition, combined
from dace.core.matter.conductivity import IONS, conducted
from dace.core.matter.waters import WaterIons
from dace.core.result import Result, Step, Working, say
from dace.core.words import shown


@dataclass(frozen=True)
class Sized:
    """A part with how much of it goes into a can, and how far off its measuring may be."""

    part: Ingredient
    amount: float
    off: Range

    @classmethod
    def of(cls, part: Ingredient, vessel_l: float) -> Sized:
        """It in a can of so many litres."""
        off = part.measured or judgement("measuring_tolerance").range
        return cls(part, part.per_l * vessel_l, off)


@dataclass(frozen=True)
class Filled:
    """A can's parts, its water and the share of the can that the water fills."""

    sized: tuple[Sized, ...]
    water: WaterIons
    share: float

    def scenarios(self) -> list[dict[str, float]]:
        """What may be in it [mg/L]: as likely, each part weaker and stronger, other companions.

        The last is of the feeds in pure water.
        """
        parts, water, share = [one.part for one in self.sized], self.water, self.share
        found = [mixed_ions(parts, water, share)]
        for turn, one in enumerate(self.sized):
            spread = combined(one.part.feed.spread, one.off)
            for factor in (spread.low, spread.high):
                off = [p.times(factor) if at == turn else p for at, p in enumerate(parts)]
                found.append(mixed_ions(off, water, share))
        found.append(mixed_ions(parts, water, share, "mg_chloride"))
        found.append(mixed_ions(parts, water, share, "mg_no_charge_n"))
        found.append(mixed_ions(parts, IN_PURE_WATER, 0.0))
        return found


def ec_and_feed(cans: Sequence[Filled]) -> list[tuple[Result, float]]:
    """The conductivity of each can with its range, and its feeds' part alone."""
    scenarios = [one.scenarios() for one in cans]
    stacked = {key: np.array([s[key] for rows in scenarios for s in rows]) for key in IONS}
    found = conducted(stacked, feed_ph())
    ec, at = found.ec_ms_cm.tolist(), 0
    read = []
    for can, rows in zip(cans, scenarios, strict=True):
        read.append(_read(can, ec[at : at + len(rows)], found.carriers(at)))
        at += len(rows)
    return read


def _read(can: Filled, ec: Sequence[float], carriers: list[Carrier]) -> tuple[Result, float]:
    likely, *ends, chloride, silent, alone = ec
    water = can.water
    water_off = water.ec_ms_cm * (1 - judgement("pen_scale").range.low)
    weak = [likely - end for end in ends[::2]]
    strong = [end - likely for end in ends[1::2]]
    below = math.hypot(*weak, max(0.0, likely - silent), water_off)
    above = math.hypot(*strong, max(0.0, chloride - likely), water_off)
    steps = _ec_steps(carriers, [one.part.feed for one in can.sized], water)
    return Result(likely, max(0.0, likely - below), likely + above, "mS/cm", steps), alone


_CATIONS = ("K", "Na", "NH4", "Ca", "Mg", "H")


def _ec_steps(parts: list[Carrier], feeds: Sequence[Composition], water: WaterIons) -> Working:
    """Who carries the current: meq/L times conductivity per equivalent, summed."""
    total = sum(part.ec_ms_cm for part in parts)
    groups = {"cations": [p for p in parts if p.ion in _CATIONS]}
    groups["anions and ion pairs"] = [p for p in parts if p.ion not in _CATIONS]
    steps, sums = [], []
    for name, members in groups.items():
        carrying = [m for m in members if m.ec_ms_cm > total * 1e-3]
        value = sum(m.ec_ms_cm for m in carrying)
        sums.append(value)
        steps.append(
            Step(
                f"carried by {name}: {', '.join(m.ion for m in carrying)}",
                "("
                + " + ".join(f"{say(m.meq_l, 3)} × {say(m.lambda_eq, 3)}" for m in carrying)
                + ") ÷ 1000",
                value,
                "mS/cm",
                "meq/L × conductivity per equivalent, slowed by the other ions",
                "high",
            )
        )
    labelled = any(feed.known_by == "label" for feed in feeds)
    closing = "sulfate taken for what the label leaves out; chloride is the upper end"
    if not labelled:
        closing = "acetate taken for what closes the charge"
    steps.append(
        Step(
            f"the can at {shown.degrees(25)}",
            " + ".join(say(s) for s in sums),
            total,
            "mS/cm",
            closing,
        )
    )
    steps.append(Step("the water alone", "", water.ec_ms_cm, "mS/cm", water.known_by))
    return tuple(steps)
