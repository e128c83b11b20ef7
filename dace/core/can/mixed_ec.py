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


def ec_and_feed(sized: Sequence[Sized], water: WaterIons, share: float) -> tuple[Result, float]:
    """The can's conductivity with its range, and the feeds' part alone."""
    parts = [one.part for one in sized]
    scenarios = [mixed_ions(parts, water, share)]
    for turn, one in enumerate(sized):
        spread = combined(one.part.feed.spread, one.off)
        for factor in (spread.low, spread.high):
            off = [p.times(factor) if at == turn else p for at, p in enumerate(parts)]
            scenarios.append(mixed_ions(off, water, share))
    scenarios.append(mixed_ions(parts, water, share, "mg_chloride"))
    scenarios.append(mixed_ions(parts, water, share, "mg_no_charge_n"))
    scenarios.append(mixed_ions(parts, IN_PURE_WATER, 0.0))
    stacked = {key: np.array([s[key] for s in scenarios]) for key in IONS}
    found = conducted(stacked, feed_ph())
    likely, *ends, chloride, silent, alone = found.ec_ms_cm.tolist()
    water_off = water.ec_ms_cm * (1 - judgement("pen_scale").range.low)
    weak = [likely - end for end in ends[::2]]
    strong = [end - likely for end in ends[1::2]]
    below = math.hypot(*weak, max(0.0, likely - silent), water_off)
    above = math.hypot(*strong, max(0.0, chloride - likely), water_off)
    steps = _ec_steps(found.carriers(0), [p.feed for p in parts], water)
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
