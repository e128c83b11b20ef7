"""What changes the amounts in one fill of a bucket from outside: soil that holds, tests."""

from __future__ import annotations

import math

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.spreads import Z
from dace.core.figures import judgement
from dace.core.rootzone.bucket import Bucket
from dace.core.rootzone.records import CHARGED, Poured, RootZone, Tested

Array = NDArray[np.float64]
_P = CHARGED.index("P")
_NITROGEN = [CHARGED.index("NO3_N"), CHARGED.index("NH4_N")]


def hold_phosphorus(bucket: Bucket, fill: int, poured: Poured) -> None:
    """Soil holds most of the phosphorus that was poured on it."""
    mg = judgement("soil_fixes_p").range.typ * poured.litres * poured.mg_l[_P]
    held = np.minimum(mg, bucket.dissolved[_P, fill])
    bucket.dissolved[_P, fill] -= held
    bucket.held[_P, fill] += held


def as_tested(
    bucket: Bucket, fill: int, root: RootZone, test: Tested, rng: np.random.Generator
) -> None:
    """What is held and dissolved comes to what a test found, but for its error."""
    sd = math.log(judgement("soil_test").range.high) / Z
    for nutrient, mg_l in test.mg_l:
        off = np.exp(sd * rng.standard_normal(bucket.full.shape[1]))
        _amount_to(bucket, fill, nutrient, mg_l * root.litres * off)


def _amount_to(bucket: Bucket, fill: int, nutrient: str, wanted_mg: Array) -> None:
    """So much of a nutrient is there, dissolved and held; what changes is unexplained."""
    rows = _NITROGEN if nutrient == "N" else [CHARGED.index(nutrient)]
    there = (bucket.dissolved[rows, fill] + bucket.held[rows, fill]).sum(axis=0)
    factor = wanted_mg / np.maximum(there, 1e-9)
    for row in rows:
        for part in (bucket.dissolved, bucket.held):
            moved = part[row, fill] * (factor - 1)
            bucket.books["shaken"][row, fill] += moved
            part[row, fill] += moved
