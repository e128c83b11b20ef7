"""How much plain water takes the salts down, in how many goes, and what the drain reads then."""

from __future__ import annotations

import math
from dataclasses import dataclass
from datetime import timedelta

import numpy as np

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.result import Result, Step, say
from dace.core.rootzone.filter import pushed_on
from dace.core.rootzone.follow import Followed
from dace.core.rootzone.meaning import comfort
from dace.core.rootzone.records import PER_MEQ, Nine
from dace.core.rootzone.sampled import drain_ec

_GO = 1 / 3
_MOST_TIMES_FULL = 6.0
_LEAST_L = 0.05


@dataclass(frozen=True)
class Flush:
    """A flush of a whole fill.

    ``litres`` and ``after`` are Results [L; mS/cm in the drain]; ``goes`` of ``each_l``;
    ``read_after`` is the go after which the drain is read, 0 where there is one go.
    """

    litres: Result
    target: float
    goes: int
    each_l: float
    read_after: int
    after: Result


def flush(found: Followed, water_mg_l: Nine, target: float | None = None) -> Flush | None:
    """Plan a flush; None where there is nothing to flush out.

    Parameters
    ----------
    found : Followed
        The root zone as it stands.
    water_mg_l : tuple of float
        The water to flush with, in the order of ``CHARGED``.
    target : float or None
        What the drain should read then [mS/cm]; None takes well inside the comfort band.

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
    kappa, mixing = unknowns.of("kappa", 0), unknowns.of("mixing", 0)
    water_ec = kappa * sum(mg / per for mg, per in zip(water_mg_l, PER_MEQ, strict=True))
    ceiling = float(np.median(water_ec)) * per_drain
    if ceiling >= target:
        raise DaceError(
            "water",
            f"water of {ceiling:.1f} mS/cm",
            f"below {target:.1f}, as rain has",
        )
    if found.now[1] <= target:
        return None
    full_l = bucket.full[0]
    lacking = np.maximum(0.0, full_l - bucket.water[0])
    now = np.maximum(found.drains / per_drain, 1e-6)
    room = np.maximum(target / per_drain - water_ec, 1e-3)
    today = found.first + timedelta(days=found.today)
    if pushed_on(found.root_zone, today, float(np.median(bucket.full))):
        # clean water stands above by now, and what is below goes out before it
        mixing = mixing * judgement("flush_goes_on").range.typ
    passes = np.maximum(0.0, np.log(np.maximum(now - water_ec, room) / room)) / mixing
    drawn = np.minimum(lacking + full_l * passes, _MOST_TIMES_FULL * full_l)
    low, likely, high = (float(v) for v in np.quantile(drawn, [0.1, 0.5, 0.9]))
    likely = max(likely, _LEAST_L)
    full = float(np.median(bucket.full))
    goes = max(1, math.ceil(likely / (full * _GO) - 0.05))
    return Flush(
        litres=Result(likely, min(low, likely), max(high, likely), "L", _steps(found, target)),
        target=target,
        goes=goes,
        each_l=likely / goes,
        read_after=goes - 1,
        after=after_flush(found, likely, water_mg_l),
    )


def after_flush(found: Followed, litres: float, water_mg_l: Nine) -> Result:
    """What the drain should read after so much plain water [mS/cm at 25 C]."""
    bucket = found.bucket.of(0)
    mg_l = np.array(water_mg_l)[:, None]
    bucket.pour(np.full_like(bucket.water, litres), mg_l)
    drains = drain_ec(bucket, mg_l)
    low, likely, high = (float(v) for v in np.quantile(drains, [0.1, 0.5, 0.9]))
    step = Step(f"after {say(litres, 2)} L, by all draws", "", likely, "mS/cm")
    return Result(likely, low, high, "mS/cm", (step,))


def _steps(found: Followed, target: float) -> tuple[Step, ...]:
    """The typical draw, told by hand."""
    full = float(np.median(found.bucket.full))
    lacking = max(0.0, full - float(np.median(found.bucket.water)))
    mixing = float(np.median(found.unknowns.of("mixing", 0)))
    ratio = math.log(found.now[1] / target)
    through = full / mixing * ratio
    return (
        Step("water the medium holds", "", full, "L", found.root_zone.medium.source, "low"),
        Step("to wet it again", "", lacking, "L"),
        Step("share of a watering that mixes", "", mixing, "", "our own judgement", "low"),
        Step("logarithm of drain now over drain wanted", "", ratio, ""),
        Step(
            "to push the salts out",
            f"{say(full, 6)} L ÷ {say(mixing, 6)} × {say(ratio, 6)}",
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
