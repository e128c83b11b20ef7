"""One source poured into water: what a litre holds, what a pen should read, what fits.

Notes
-----
A can's conductivity comes from its mixed ions, never by adding conductivities.
The range of each figure combines, in quadrature, what the label may be off by,
what a measure may be off by and what is not known of the water; the charge of a
feed is closed once with sulfate (likely) and once with chloride (the other end).
"""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import lru_cache

import numpy as np

from dace.core.errors import DaceError
from dace.core.figures import Range, judgement
from dace.core.matter.carriers import Carrier
from dace.core.matter.composition import Composition, combined, label_step
from dace.core.matter.conductivity import IONS, conducted, ec_25
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons
from dace.core.result import Result, Step, Working, say
from dace.core.words import shown
from dace.core.words.amounts import amount_words

Ions = dict[str, float]
MOST_VESSEL_L = 1000.0


@dataclass(frozen=True)
class Mixture:
    """A filled can.

    ``amount`` is the concentrate in mL (liquids) or g (solids); ``nutrients``
    are mg/L in the order of ``NUTRIENTS``, water included; ``from_water`` is the
    water's own part of each; ``feed_ec`` is the feed's part alone, read in pure water.
    """

    amount: float
    unit: str
    amount_per_l: float
    vessel_l: float
    water_l: float
    concentrate: Result
    nutrients: tuple[tuple[str, Result], ...]
    from_water: tuple[tuple[str, float], ...]
    ec: Result
    feed_ec: float
    water_ec: float

    def nutrient(self, name: str) -> Result:
        """mg/L of one nutrient with its range."""
        return dict(self.nutrients)[name]


def fill_can(
    amount_per_l: float,
    vessel_l: float,
    feed: Composition,
    water: WaterIons,
    measured: Range | None = None,
) -> Mixture:
    """Mix a source into a can of water.

    Parameters
    ----------
    amount_per_l : float
        Concentrate per litre of finished can [mL/L or g/L], up to 1000.
    vessel_l : float
        Finished volume [L], above 0 and up to ``MOST_VESSEL_L``.
    feed : Composition
        What is in the jar.
    water : WaterIons
        What fills the rest.
    measured : Range, optional
        How far off the measuring may be, around 1; a marked measure's where left out.

    Returns
    -------
    Mixture
        Figures with ranges and Workings.

    Raises
    ------
    DaceError
        If the can is no can, or more concentrate than can is asked for.
    """
    if not 0 < vessel_l <= MOST_VESSEL_L:
        raise DaceError(
            "vessel", f"{vessel_l:g} L", f"above 0 and up to {MOST_VESSEL_L:g} L would do"
        )
    if not 0 < amount_per_l <= 1000.0:
        raise DaceError(
            "strength",
            f"{say(amount_per_l * vessel_l, 3)} {feed.unit} in a can of {vessel_l:g} L",
            "the concentrate has to fit in the can",
        )
    amount = amount_per_l * vessel_l
    water_share = _water_share(amount_per_l, feed)
    off = measured or judgement("measuring_tolerance").range
    nutrients = tuple((n, _nutrient(n, amount, vessel_l, feed, water, off)) for n in NUTRIENTS)
    ec, feed_ec = _ec(amount_per_l, feed, water, off)
    return Mixture(
        amount=amount,
        unit=feed.unit,
        amount_per_l=amount_per_l,
        vessel_l=vessel_l,
        water_l=vessel_l * water_share,
        concentrate=_concentrate(amount, vessel_l, feed.unit, off),
        nutrients=nutrients,
        from_water=tuple((n, water.of(n) * water_share) for n in NUTRIENTS),
        ec=ec,
        feed_ec=feed_ec,
        water_ec=water.ec_ms_cm,
    )


def _water_share(amount_per_l: float, feed: Composition) -> float:
    """Water in one litre of can; what dissolves from a solid takes up little room."""
    return 1 - amount_per_l / 1000 if feed.unit == "mL" else 1.0


def _concentrate(amount: float, vessel_l: float, unit: str, off: Range) -> Result:
    parts = vessel_l * 1000 / amount - 1
    step = Step(
        "concentrate",
        f"{say(vessel_l * 1000)} {'mL' if unit == 'mL' else 'g'} ÷ (1 + {say(parts, 6)})",
        amount,
        unit,
        "a can of " + amount_words(vessel_l * 1000, "mL"),
    )
    held = off.scaled(amount)
    return Result(amount, held.low, held.high, unit, (step,))


def _nutrient(
    name: str, amount: float, vessel_l: float, feed: Composition, water: WaterIons, off: Range
) -> Result:
    per_unit = feed.element(name)
    from_feed = amount * per_unit / vessel_l
    share = _water_share(amount / vessel_l, feed)
    known = {"Ca": water.ca, "Mg": water.mg}.get(name)
    from_water = water.of(name) * share
    if name == "N":
        from_water = water.of("NO3_N") * share
    value = from_feed + from_water
    spread = combined(feed.spread_of(name), off)
    below = from_feed * (1 - spread.low)
    above = from_feed * (spread.high - 1)
    if known is not None:
        below = math.hypot(below, from_water - known.low * share)
        above = math.hypot(above, known.high * share - from_water)
    steps = _nutrient_steps(name, amount, vessel_l, feed)
    if from_water > 0:
        water_l = vessel_l * share
        steps += (
            Step(
                f"{name} from the water",
                f"{say(from_water / share)} mg/L × {say(water_l)} L ÷ {say(vessel_l)} L",
                from_water,
                "mg/L",
                water.known_by,
            ),
            Step(f"{name} in the can", f"{say(from_feed)} + {say(from_water)}", value, "mg/L"),
        )
    return Result(value, max(0.0, value - below), value + above, "mg/L", steps)


def _nutrient_steps(name: str, amount: float, vessel_l: float, feed: Composition) -> Working:
    per_unit = feed.element(name)
    if per_unit == 0:
        return (Step(f"{name} in the jar", "", 0.0, f"mg/{feed.unit}", "the label declares none"),)
    if name in ("N", "P", "K") and feed.known_by == "label":
        first = label_step(feed.label, name)
    else:
        first = Step(
            f"{name} in 1 {feed.unit} of the jar", "", per_unit, f"mg/{feed.unit}", feed.known_by
        )
    second = Step(
        f"{name} from the feed",
        f"{say(amount)} {feed.unit} × {say(per_unit)} mg/{feed.unit} ÷ {say(vessel_l)} L",
        amount * per_unit / vessel_l,
        "mg/L",
    )
    return (first, second)


def _mixed(
    amount_per_l: float, mg: tuple[tuple[str, float], ...], share: float, water: WaterIons
) -> Ions:
    """Ions of a can [mg/L]; organic nitrogen carries no charge and is left out."""
    ions = {key: water.of(key) * share for key in IONS}
    for key, per_unit in mg:
        if key in ions:
            ions[key] += per_unit * amount_per_l
    return ions


@lru_cache(maxsize=4096)
def can_ec(amount_per_l: float, feed: Composition, water: WaterIons) -> float:
    """Conductivity [mS/cm at 25 C] of a can with so many mL or g of feed a litre."""
    share = _water_share(amount_per_l, feed)
    return float(ec_25(_mixed(amount_per_l, feed.mg, share, water), _feed_ph()))


def feed_ec_alone(amount_per_l: float, feed: Composition) -> float:
    """Conductivity [mS/cm] of the feed in pure water, which is what a cap speaks of."""
    return float(ec_25(_mixed(amount_per_l, feed.mg, 0.0, _NO_WATER), _feed_ph()))


def _feed_ph() -> float:
    return judgement("mixed_feed_ph").range.typ


_NO_WATER = WaterIons(
    (),
    0.0,
    judgement("water_ec_only_calcium").range.scaled(0.0),
    judgement("water_ec_only_calcium").range.scaled(0.0),
    "pure water",
)


def _ec(
    amount_per_l: float, feed: Composition, water: WaterIons, off: Range
) -> tuple[Result, float]:
    """The can's conductivity with its range, and the feed's part alone."""
    spread = combined(feed.spread, off)
    share = _water_share(amount_per_l, feed)
    scenarios = [
        _mixed(amount_per_l, feed.mg, share, water),
        _mixed(amount_per_l * spread.low, feed.mg, share, water),
        _mixed(amount_per_l * spread.high, feed.mg, share, water),
        _mixed(amount_per_l, feed.mg_chloride, share, water),
        _mixed(amount_per_l, feed.mg_no_charge_n, share, water),
        _mixed(amount_per_l, feed.mg, 0.0, _NO_WATER),
    ]
    stacked = {key: np.array([s[key] for s in scenarios]) for key in IONS}
    found = conducted(stacked, _feed_ph())
    likely, weak, strong, chloride, silent, alone = found.ec_ms_cm.tolist()
    pen = judgement("pen_scale").range
    water_off = water.ec_ms_cm * (1 - pen.low)
    below = math.sqrt((likely - weak) ** 2 + max(0.0, likely - silent) ** 2 + water_off**2)
    above = math.sqrt((strong - likely) ** 2 + max(0.0, chloride - likely) ** 2 + water_off**2)
    steps = _ec_steps(found.carriers(0), feed, water)
    return Result(likely, max(0.0, likely - below), likely + above, "mS/cm", steps), alone


_CATIONS = ("K", "Na", "NH4", "Ca", "Mg", "H")


def _ec_steps(parts: list[Carrier], feed: Composition, water: WaterIons) -> Working:
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
    closing = "sulfate taken for what the label leaves out; chloride is the upper end"
    if feed.known_by != "label":
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
