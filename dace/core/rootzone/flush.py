"""How much plain water takes the salts down, in how many goes, and what the drain reads then."""

from __future__ import annotations

import math
from dataclasses import dataclass, replace
from datetime import timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.result import Result, Step, say
from dace.core.rootzone.filter import pushed_on
from dace.core.rootzone.follow import Followed
from dace.core.rootzone.meaning import comfort
from dace.core.rootzone.pushing import passes, thinned
from dace.core.rootzone.records import PER_MEQ, Nine

Array = NDArray[np.float64]
_GO = 1 / 3
_MOST_TIMES_FULL = 6.0
_LEAST_L = 0.05
_UNREAD_GOES = 2


@dataclass(frozen=True)
class Flush:
    """A flush of a whole fill.

    ``litres`` and ``after`` are Results [L; mS/cm in the drain]; ``goes`` of ``each_l``;
    ``read_after`` is the go after which the drain is read: what it says decides the rest; 0
    where there is no pen.
    """

    litres: Result
    target: float
    goes: int
    each_l: float
    read_after: int
    after: Result

    @property
    def now_l(self) -> float:
        """What is poured before anything else is asked [L]."""
        return self.each_l * (1 if self.read_after else self.goes)


def flush(
    found: Followed, water_mg_l: Nine, target: float | None = None, anyway: bool = False
) -> Flush | None:
    """Plan a flush; None where there is nothing to flush out.

    Parameters
    ----------
    found : Followed
        The root zone as it stands.
    water_mg_l : tuple of float
        The water to flush with, in the order of ``CHARGED``.
    target : float or None
        What the drain should read then [mS/cm]; None takes well inside the comfort band.
    anyway : bool
        Whether two goes are poured also where the sums know of no salt: somebody saw it.

    Returns
    -------
    Flush or None
        None if the drain is there already.

    Raises
    ------
    DaceError
        On ``water`` if it is itself saltier than the target: it can never get there.
    """
    if target is None:
        band = comfort(found.root_zone, found.first + timedelta(days=found.today))
        if band is None:
            return None
        target = judgement("flush_target").range.typ * band.high
    bucket, unknowns = found.bucket, found.unknowns
    per_drain = judgement("pore_to_pour_through").range.typ
    kappa, mixing = unknowns.of("kappa", 0), _mixing(found)
    water_ec = kappa * sum(mg / per for mg, per in zip(water_mg_l, PER_MEQ, strict=True))
    ceiling = float(np.median(water_ec)) * per_drain
    if ceiling >= target:
        raise DaceError(
            "water",
            f"water of {ceiling:.1f} mS/cm",
            f"below {target:.1f}, as rain has",
        )
    if found.now[1] <= target and not anyway:
        return None
    full_l = bucket.full[0]
    lacking = _lacking(found)
    now = np.maximum(found.drains / per_drain, 1e-6)
    room = np.maximum(target / per_drain - water_ec, 1e-3)
    often = passes(np.maximum(1.0, (now - water_ec) / room)) / mixing
    through = judgement("flush_goes_far").range.typ * full_l * often
    least = _UNREAD_GOES * _GO * full_l if anyway else 0.0
    drawn = np.clip(lacking + through, least, _MOST_TIMES_FULL * full_l)
    low, likely, high = (float(v) for v in np.quantile(drawn, [0.1, 0.5, 0.9]))
    likely = max(likely, _LEAST_L)
    full = float(np.median(bucket.full))
    goes = max(1, math.ceil(likely / (full * _GO) - 0.05))
    return Flush(
        litres=Result(likely, min(low, likely), max(high, likely), "L", _steps(found, target)),
        target=target,
        goes=goes,
        each_l=likely / goes,
        read_after=1,
        after=after_flush(found, likely, water_mg_l),
    )


def unread(plan: Flush, found: Followed, water_mg_l: Nine) -> Flush:
    """The same for who has no pen: two goes at most, poured one after the other."""
    goes = min(_UNREAD_GOES, plan.goes)
    return replace(
        plan, goes=goes, read_after=0, after=after_flush(found, goes * plan.each_l, water_mg_l)
    )


def _lacking(found: Followed) -> Array:
    """What wets it again [L], by draw; this evening's watering, which nobody wrote, is to come."""
    bucket = found.bucket
    return np.asarray(np.maximum(0.0, bucket.full[0] - bucket.water[0]) + bucket.topped[0])


def _mixing(found: Followed) -> Array:
    """The share of a pour that does its work, by draw."""
    mixing = found.unknowns.of("mixing", 0)
    today = found.first + timedelta(days=found.today)
    if pushed_on(found.root_zone, today, float(np.median(found.bucket.full))):
        # clean water stands above by now, and what is below goes out before it
        return np.asarray(mixing * judgement("flush_goes_on").range.typ)
    return mixing


def after_flush(found: Followed, litres: float, water_mg_l: Nine) -> Result:
    """What the drain should read after so much plain water [mS/cm at 25 C]."""
    per_drain = judgement("pore_to_pour_through").range.typ
    kappa, mixing = found.unknowns.of("kappa", 0), _mixing(found)
    water_ec = kappa * sum(mg / per for mg, per in zip(water_mg_l, PER_MEQ, strict=True))
    full_l = found.bucket.full[0]
    through = np.maximum(0.0, litres - _lacking(found)) / full_l
    through = through / judgement("flush_goes_far").range.typ
    times = thinned(through * mixing)
    now = np.maximum(found.drains / per_drain, 1e-6)
    drains = per_drain * (water_ec + np.maximum(0.0, now - water_ec) / times)
    low, likely, high = (float(v) for v in np.quantile(drains, [0.1, 0.5, 0.9]))
    step = Step(f"after {say(litres, 2)} L, by all draws", "", likely, "mS/cm")
    return Result(likely, low, high, "mS/cm", (step,))


def _steps(found: Followed, target: float) -> tuple[Step, ...]:
    """The typical draw, told by hand."""
    full = float(np.median(found.bucket.full))
    lacking = float(np.median(_lacking(found)))
    mixing = float(np.median(found.unknowns.of("mixing", 0)))
    layered = judgement("flush_layered").range.typ
    leaving, ratio = 1 - target / found.now[1], math.log(found.now[1] / target)
    far = judgement("flush_goes_far").range.typ
    through = far * full / mixing * (layered * leaving + (1 - layered) * ratio)
    return (
        Step("water the medium holds", "", full, "L", found.root_zone.medium.source, "low"),
        Step("to wet it again", "", lacking, "L"),
        Step("share of a watering that mixes", "", mixing, "", "our own judgement", "low"),
        Step("share of the salts that is to leave", "", leaving, ""),
        Step("logarithm of drain now over drain wanted", "", ratio, ""),
        Step(
            "to push the salts out",
            f"{say(far)} × {say(full, 6)} L ÷ {say(mixing, 6)} × "
            f"({say(layered)} × {say(leaving, 6)} + {say(1 - layered)} × {say(ratio, 6)})",
            through,
            "L",
        ),
        Step(
            "in all, before the water's own salts",
            f"{say(lacking, 6)} + {say(through, 6)}",
            lacking + through,
            "L",
        ),
    )
