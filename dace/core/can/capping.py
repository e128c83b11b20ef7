"""A can beside the cap of its stage: how far over, and the strongest that fits."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.can.fitting import friendly_parts, strongest_beside
from dace.core.can.ingredient import Ingredient, ec_of
from dace.core.can.mixing import Mixture
from dace.core.matter.composition import Composition
from dace.core.matter.waters import WaterIons
from dace.core.result import Step, Working, say
from dace.core.season.crops import Crop, Stage, feed_cap
from dace.core.words import shown


@dataclass(frozen=True)
class Bounded:
    """What a can's first source is, its water and vessel, and the stage that bounds it."""

    feed: Composition
    water: WaterIons
    vessel_l: float
    crop: Crop
    stage: Stage


@dataclass(frozen=True)
class CapCheck:
    """A can beside what its stage bears.

    All conductivities are mS/cm at 25 C. ``total_at_cap`` is what the whole can
    reads when its feed just reaches the cap, from the mixed ions, so that it
    stands on the same scale as the can. ``amount_at_cap`` is None where the neat
    feed stays below the cap.
    """

    cap: float
    feed_ec: float
    over: bool
    over_percent: float
    total_at_cap: float | None
    amount_at_cap: float | None
    strongest: str
    working: Working


def cap_check(can: Mixture, who: Bounded, beside: tuple[Ingredient, ...] = ()) -> CapCheck:
    """A can beside the most that its stage bears; ``beside`` are its further sources."""
    cap = feed_cap(who.crop, who.stage, who.water.ec_ms_cm)
    fits = strongest_beside(cap.feed_ec_ms_cm, who.feed, beside)
    total_at_cap = ec_of((Ingredient(who.feed, fits), *beside), who.water) if fits else None
    amount_at_cap = fits * who.vessel_l if fits else None
    over = 100 * (can.feed_ec / cap.feed_ec_ms_cm - 1) if cap.feed_ec_ms_cm > 0 else 100.0
    steps = [cap.step, Step("the feed in pure water", "", can.feed_ec, "mS/cm", "from its ions")]
    strongest = ""
    if fits and total_at_cap is not None and amount_at_cap is not None:
        strongest = (
            f"1 + {friendly_parts(fits)}" if can.unit == "mL" else shown.in_each(fits, "g", 2)
        )
        steps.append(
            Step(
                "the strongest that fits",
                f"{say(fits, 5)} {can.unit} × {say(who.vessel_l)}",
                amount_at_cap,
                can.unit,
                f"about {strongest}",
            )
        )
        steps.append(Step("the can then reads", "", total_at_cap, "mS/cm", "water and feed mixed"))
    return CapCheck(
        cap=cap.feed_ec_ms_cm,
        feed_ec=can.feed_ec,
        over=can.feed_ec > cap.feed_ec_ms_cm,
        over_percent=over,
        total_at_cap=who.water.ec_ms_cm if fits == 0 else total_at_cap,
        amount_at_cap=0.0 if fits == 0 else amount_at_cap,
        strongest=strongest,
        working=tuple(steps),
    )
