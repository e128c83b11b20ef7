"""Sources poured into water: what a litre holds, what a pen should read, what fits.

Notes
-----
A can's conductivity comes from its mixed ions, never by adding conductivities.
The range of each figure combines, in quadrature, what each label may be off by,
what a measure may be off by and what is not known of the water; the charge of a
feed is closed once with sulfate (likely) and once with chloride (the other end).
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from dace.core.can.ingredient import Ingredient, water_share
from dace.core.can.mixed_ec import Filled, Sized, ec_and_feed
from dace.core.errors import DaceError
from dace.core.figures import Range
from dace.core.matter.composition import Composition, combined, label_step
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons
from dace.core.result import Result, Step, Working, say
from dace.core.words.amounts import amount_words

MOST_VESSEL_L = 1000.0


@dataclass(frozen=True)
class Poured:
    """One source as it went in: its name, and how much of it [mL or g] in all and a litre."""

    name: str
    amount: float
    unit: str
    per_l: float
    concentrate: Result


@dataclass(frozen=True)
class Mixture:
    """A filled can.

    ``parts`` are its sources in the order in which they are poured, at least one;
    ``nutrients`` are mg/L in the order of ``NUTRIENTS``, water included; ``from_water``
    is the water's own part of each; ``feed_ec`` is what the feeds read in pure water.
    """

    parts: tuple[Poured, ...]
    vessel_l: float
    water_l: float
    nutrients: tuple[tuple[str, Result], ...]
    from_water: tuple[tuple[str, float], ...]
    ec: Result
    feed_ec: float
    water_ec: float

    @property
    def amount(self) -> float:
        """Of the first source [mL or g]."""
        return self.parts[0].amount

    @property
    def unit(self) -> str:
        """Of the first source."""
        return self.parts[0].unit

    @property
    def amount_per_l(self) -> float:
        """Of the first source in a litre of can [mL or g]."""
        return self.parts[0].per_l

    @property
    def concentrate(self) -> Result:
        """How much of the first source goes in."""
        return self.parts[0].concentrate

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
    """Mix one source into a can of water.

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
        As :func:`fill_with`.

    Raises
    ------
    DaceError
        If the can is no can, or more concentrate than can is asked for.
    """
    return fill_with((Ingredient(feed, amount_per_l, measured=measured),), vessel_l, water)


def fill_with(parts: Sequence[Ingredient], vessel_l: float, water: WaterIons) -> Mixture:
    """Mix several sources into one can of water.

    Parameters
    ----------
    parts : sequence of Ingredient
        At least one, in the order in which they are poured.
    vessel_l : float
        Finished volume [L], above 0 and up to ``MOST_VESSEL_L``.
    water : WaterIons
        What fills the rest.

    Returns
    -------
    Mixture
        Figures with ranges and Workings.

    Raises
    ------
    DaceError
        If the can is no can, or more concentrate than can is asked for.
    """
    return fill_several([(parts, vessel_l, water)])[0]


def fill_several(
    cans: Sequence[tuple[Sequence[Ingredient], float, WaterIons]],
) -> list[Mixture]:
    """Mix several cans, each as :func:`fill_with`: quicker than one by one."""
    filled = []
    for parts, vessel_l, water in cans:
        _check(parts, vessel_l)
        sized = tuple(Sized.of(part, vessel_l) for part in parts)
        filled.append(Filled(sized, water, water_share(parts)))
    read = ec_and_feed(filled) if filled else []
    return [
        _mixture(one, vessel_l, ec, feed_ec)
        for one, (_, vessel_l, _), (ec, feed_ec) in zip(filled, cans, read, strict=True)
    ]


def _mixture(one: Filled, vessel_l: float, ec: Result, feed_ec: float) -> Mixture:
    sized, water, share = one.sized, one.water, one.share
    return Mixture(
        parts=tuple(_poured(part, vessel_l) for part in sized),
        vessel_l=vessel_l,
        water_l=vessel_l * share,
        nutrients=tuple((n, _nutrient(n, sized, vessel_l, water, share)) for n in NUTRIENTS),
        from_water=tuple((n, water.of(n) * share) for n in NUTRIENTS),
        ec=ec,
        feed_ec=feed_ec,
        water_ec=water.ec_ms_cm,
    )


def _check(parts: Sequence[Ingredient], vessel_l: float) -> None:
    if not 0 < vessel_l <= MOST_VESSEL_L:
        raise DaceError(
            "vessel", f"{vessel_l:g} L", f"above 0 and up to {MOST_VESSEL_L:g} L would do"
        )
    if not parts:
        raise DaceError("parts", "nothing to pour", "at least one source would do")
    for part in parts:
        if not 0 < part.per_l <= 1000.0:
            raise _does_not_fit(part.per_l, part.feed.unit, vessel_l)
    liquid = sum(part.per_l for part in parts if part.feed.unit == "mL")
    if liquid > 1000.0 + 1e-6:
        raise _does_not_fit(liquid, "mL", vessel_l)


def _does_not_fit(per_l: float, unit: str, vessel_l: float) -> DaceError:
    return DaceError(
        "strength",
        f"{say(per_l * vessel_l, 3)} {unit} in a can of {vessel_l:g} L",
        "the concentrate has to fit in the can",
    )


def _poured(one: Sized, vessel_l: float) -> Poured:
    part = one.part
    made = _concentrate(one.amount, vessel_l, part.feed.unit, one.off)
    return Poured(part.name, one.amount, part.feed.unit, part.per_l, made)


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
    name: str, sized: Sequence[Sized], vessel_l: float, water: WaterIons, share: float
) -> Result:
    steps: Working = ()
    brought, below, above = [], 0.0, 0.0
    for one in sized:
        feed = one.part.feed
        mg_l = one.amount * feed.element(name) / vessel_l
        spread = combined(feed.spread_of(name), one.off)
        brought.append(mg_l)
        below = math.hypot(below, mg_l * (1 - spread.low))
        above = math.hypot(above, mg_l * (spread.high - 1))
        steps += _nutrient_steps(name, one, vessel_l)
    from_feed = sum(brought)
    if len(sized) > 1:
        added = " + ".join(say(mg_l) for mg_l in brought)
        steps += (Step(f"{name} from all feeds", added, from_feed, "mg/L"),)
    known = {"Ca": water.ca, "Mg": water.mg}.get(name)
    from_water = (water.of("NO3_N") if name == "N" else water.of(name)) * share
    value = from_feed + from_water
    if known is not None:
        below = math.hypot(below, from_water - known.low * share)
        above = math.hypot(above, known.high * share - from_water)
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


def _nutrient_steps(name: str, one: Sized, vessel_l: float) -> Working:
    feed, called = one.part.feed, one.part.name
    jar, source = (f"in {called}", f"from {called}") if called else ("of the jar", "from the feed")
    per_unit = feed.element(name)
    if per_unit == 0:
        nothing = f"{name} {jar}" if called else f"{name} in the jar"
        return (Step(nothing, "", 0.0, f"mg/{feed.unit}", "the label declares none"),)
    if name in ("N", "P", "K") and feed.known_by == "label":
        first = label_step(feed.label, name)
    else:
        first = Step(
            f"{name} in 1 {feed.unit} of the jar", "", per_unit, f"mg/{feed.unit}", feed.known_by
        )
    second = Step(
        f"{name} {source}",
        f"{say(one.amount)} {feed.unit} × {say(per_unit)} mg/{feed.unit} ÷ {say(vessel_l)} L",
        one.amount * per_unit / vessel_l,
        "mg/L",
    )
    return (first, second)
