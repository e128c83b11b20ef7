"""What a sample of a fill should read, and how far it may be off."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.ensemble import FREEDOM, student_log_like
from dace.core.figures import judgement
from dace.core.pen.methods import pour_through_ratio
from dace.core.pen.readings import METHODS
from dace.core.rootzone.bucket import ALL, Bucket
from dace.core.rootzone.records import FEELS, NITRATE, Felt, Sampled
from dace.core.rootzone.unknowns import Unknowns

Array = NDArray[np.float64]
_NITRATE_PER_N = 4.427
_END = 1.5332  # 90 % of a Student-t of four degrees
CONFLICT = 0.005
_NORMAL_END = 1.2816  # 90 % of a standard normal


def drain_ec(bucket: Bucket, water_mg_l: Array, at: slice = ALL) -> Array:
    """What a pour-through should read [mS/cm at 25 C], shape (fills, draws).

    ``water_mg_l`` has shape (ions, fills); ``at`` are the fills that are meant.
    """
    ratio = judgement("pore_to_pour_through").range.typ
    return np.maximum(1e-4, ratio * bucket.pore_ec(water_mg_l, at))


def expected(
    bucket: Bucket, unknowns: Unknowns, fill: int, sample: Sampled, water_mg_l: Array
) -> Array:
    """What a sample of a fill should read, by draw, with the place's own bias."""
    bias, at = unknowns.bias(sample.method, fill), slice(fill, fill + 1)
    if sample.method == NITRATE:
        ratio = judgement("pore_to_pour_through").range.typ
        return np.asarray(
            np.maximum(1e-3, bias * ratio * _NITRATE_PER_N * bucket.nitrate_mg_l(at)[0])
        )
    found = bias * drain_ec(bucket, water_mg_l[:, at], at)[0]
    return np.asarray(found / pour_through_ratio(sample.method))


def scale_of(sample: Sampled, wide: bool) -> float:
    """Scale of the Student-t of pen and method; twice that where the moment was a bad one.

    The ends of a judgement are 10 and 90 % of the error, here as everywhere.
    """
    key = METHODS.get(sample.method, "nitrate_strip_method")
    method = math.log(judgement(key).range.high) / _END / math.sqrt(sample.pots)
    if sample.method == NITRATE:
        return method
    pen = math.log(judgement("pen_old" if sample.pen_old else "pen_scale").range.high) / _END
    return math.hypot(pen, method) * (2 if wide else 1)


def shown(should: Array, scale: float, rng: np.random.Generator) -> Array:
    """What may be read, by draw: with the error of pen and method."""
    off = rng.standard_t(FREEDOM, size=len(should)) * scale
    return np.asarray(should * np.exp(np.clip(off, -5, 5)))


def likelihood(sample: Sampled, should: Array, scale: float) -> Array:
    """How well each draw agrees with the sample, the best at 1."""
    log_like = student_log_like(sample.value, should, scale)
    return np.asarray(np.exp(log_like - log_like.max()))


def felt_likelihood(felt: Felt, share: Array) -> Array:
    """How well each draw agrees with a finger, the best near 1.

    Parameters
    ----------
    felt : Felt
        What it said.
    share : ndarray
        How full of water the medium is, by draw.

    Notes
    -----
    Drier than dry and wetter than wet agree fully; a finger that misleads keeps every draw.
    """
    at = judgement(f"felt_{felt.word}").range
    off = np.where(share < at.typ, (share - at.typ) / (at.typ - at.low), 0.0)
    off = np.where(share > at.typ, (share - at.typ) / (at.high - at.typ), off) * _NORMAL_END
    if felt.word == FEELS[0]:
        off = np.maximum(off, 0.0)
    if felt.word == FEELS[-1]:
        off = np.minimum(off, 0.0)
    wrong = judgement("felt_wrong").range.typ
    return np.asarray(wrong + (1 - wrong) * np.exp(-(off**2) / 2))
