"""The other way round: how much of a feed gives what is wanted, and how much just fits."""

from __future__ import annotations

import math
from functools import cache, lru_cache

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import brentq

from dace.core.can.ingredient import (
    IN_PURE_WATER,
    Ingredient,
    can_ec,
    ec_of,
    feed_ec_alone,
    feed_ph,
    mixed_ions,
)
from dace.core.can.strength import Strength
from dace.core.errors import DaceError
from dace.core.matter.composition import Composition
from dace.core.matter.conductivity import ec_25
from dace.core.matter.waters import WaterIons

Array = NDArray[np.float64]
_LEAST_PER_L = 1e-4  # mL or g in a litre
_NEAT = 1000.0
_GRID = np.geomspace(1e-3, _NEAT, 120)
_NEAR_ENOUGH = 0.03


def solve_amount(
    strength: Strength,
    feed: Composition,
    water: WaterIons,
    vessel_l: float,
    beside: tuple[Ingredient, ...] = (),
) -> float:
    """Concentrate per litre of finished can [mL/L or g/L] that a strength means.

    Parameters
    ----------
    strength : Strength
        One reading of what was said.
    feed : Composition
        What is in the jar.
    water : WaterIons
        What the can is filled with.
    vessel_l : float
        Finished volume [L].
    beside : tuple of Ingredient
        What else is in the can: it counts where the strength is that of the whole can.

    Returns
    -------
    float
        mL or g of concentrate per litre of finished can.

    Raises
    ------
    DaceError
        If the jar is measured in the other unit, lacks the nutrient, or cannot
        reach the conductivity.
    """
    if strength.unit and strength.unit != feed.unit:
        kind = "a liquid, measured in mL" if feed.unit == "mL" else "dry, weighed in grams"
        raise DaceError(
            "strength", f"{strength.meaning} of a jar that is {kind}", f"say it in {feed.unit}"
        )
    amount = _solved(strength, feed, water, vessel_l, beside)
    if amount < _LEAST_PER_L:
        said = f"{strength.meaning}, next to nothing in {vessel_l:g} L"
        raise DaceError("strength", said, "say more, or pour plain water")
    return amount


def _solved(
    strength: Strength,
    feed: Composition,
    water: WaterIons,
    vessel_l: float,
    beside: tuple[Ingredient, ...],
) -> float:
    if strength.kind == "per_litre":
        return strength.amount
    if strength.kind == "can":
        return strength.amount / vessel_l
    if strength.kind == "label":
        if feed.label.rate_per_l is None:
            raise DaceError(
                "strength", strength.meaning, "write the label's own rate on the jar first"
            )
        return strength.amount * feed.label.rate_per_l
    if strength.kind == "nutrient":
        return _amount_for_nutrient(strength, feed, beside)
    return _amount_for_ec(strength.amount, feed, water, beside)


def _amount_for_nutrient(
    strength: Strength, feed: Composition, beside: tuple[Ingredient, ...]
) -> float:
    per_unit = feed.element(strength.nutrient)
    if per_unit <= 0:
        raise DaceError(
            "strength", strength.meaning, f"there is no {strength.nutrient} in {feed.label.grade}"
        )
    there = sum(part.per_l * part.feed.element(strength.nutrient) for part in beside)
    return (strength.amount - there) / per_unit


def _amount_for_ec(
    target: float, feed: Composition, water: WaterIons, beside: tuple[Ingredient, ...]
) -> float:
    room = _room(feed, beside)

    def reads(amount: float) -> float:
        if not beside:
            return can_ec(amount, feed, water)
        return ec_of((Ingredient(feed, amount), *beside), water)

    floor, most = reads(0.0) if beside else water.ec_ms_cm, reads(room)
    if not floor < target < most:
        without = "without it the can" if beside else "the water alone"
        raise DaceError(
            "strength",
            f"a can of {target:g} mS/cm",
            f"{without} reads {floor:.2g}; say more than that and less than {most:.2g}",
        )
    return float(brentq(lambda a: reads(a) - target, 1e-9, room, rtol=1e-7))


def _room(feed: Composition, beside: tuple[Ingredient, ...]) -> float:
    """How much of a feed still fits into a litre [mL or g]."""
    poured = sum(part.per_l for part in beside if part.feed.unit == "mL")
    return max(1e-6, _NEAT - poured) if feed.unit == "mL" else _NEAT


@cache
def strongest_within(cap_ms_cm: float, feed: Composition) -> float | None:
    """Concentrate [mL/L or g/L] at which the feed's own conductivity reaches a cap.

    Parameters
    ----------
    cap_ms_cm : float
        Most that feed may add [mS/cm].
    feed : Composition
        What is in the jar.

    Returns
    -------
    float or None
        Amount per litre of can; None where even the neat feed stays below the cap,
        and 0 where the cap leaves no room.
    """
    if cap_ms_cm <= 0:
        return 0.0
    if feed_ec_alone(_NEAT, feed) <= cap_ms_cm:
        return None
    conducts = _conducts(feed)
    above = int(np.searchsorted(conducts, cap_ms_cm * (1 + _NEAR_ENOUGH)))
    below = int(np.searchsorted(conducts, cap_ms_cm * (1 - _NEAR_ENOUGH))) - 1
    most = _GRID[above] if above < len(_GRID) else _NEAT
    least = _GRID[below] if below >= 0 else 0.0
    return float(
        brentq(lambda a: feed_ec_alone(a, feed) - cap_ms_cm, least, most, xtol=1e-9, rtol=1e-6)
    )


def clearly_within(amount_per_l: float, cap_ms_cm: float, feed: Composition) -> bool:
    """Whether so much of a feed [mL/L or g/L] conducts well less than a cap, told quickly."""
    return conducts_about(amount_per_l, feed) < cap_ms_cm


def conducts_about(amount_per_l: float, feed: Composition) -> float:
    """What so much of a feed conducts in pure water [mS/cm], told quickly and a little high."""
    return (1 + _NEAR_ENOUGH) * float(np.interp(amount_per_l, _GRID, _conducts(feed)))


def amount_about(ec_ms_cm: float, feed: Composition) -> float:
    """How much of a feed [mL/L or g/L] adds so much to a can [mS/cm]; told quickly, a little low.

    Beside other salts it adds less: a mixture conducts less than its parts alone.
    """
    if ec_ms_cm <= 0:
        return 0.0
    return float(np.interp(ec_ms_cm / (1 + _NEAR_ENOUGH), _conducts(feed), _GRID, left=0.0))


@cache
def _conducts(feed: Composition) -> Array:
    """Conductivity of a feed in pure water at the amounts of ``_GRID`` [mS/cm]."""
    ions = mixed_ions((Ingredient(feed, 1.0),), IN_PURE_WATER, 1.0)
    amounts = {key: np.asarray(mg * _GRID) for key, mg in ions.items()}
    return np.maximum.accumulate(np.asarray(ec_25(amounts, feed_ph())))


@lru_cache(maxsize=512)
def strongest_beside(
    cap_ms_cm: float, feed: Composition, beside: tuple[Ingredient, ...]
) -> float | None:
    """As :func:`strongest_within`, beside other sources that stay as they are."""
    if not beside:
        return strongest_within(cap_ms_cm, feed)

    def over(amount: float) -> float:
        return ec_of((Ingredient(feed, amount), *beside), IN_PURE_WATER) - cap_ms_cm

    room = _room(feed, beside)
    if over(0.0) >= 0:
        return 0.0
    if over(room) <= 0:
        return None
    return float(brentq(over, 0.0, room, xtol=1e-6, rtol=1e-4))


def friendly_parts(amount_per_l: float) -> int:
    """Parts of water, rounded up to a number one would say; never stronger than asked.

    >>> friendly_parts(1000 / 258.4), friendly_parts(1000 / 14.2)
    (260, 14)
    """
    parts = 1000 / amount_per_l - 1
    step = 1 if parts < 50 else 5 if parts < 100 else 10 if parts < 1000 else 100
    return math.ceil(parts / step - 1e-9) * step
