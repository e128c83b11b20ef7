"""What is not known of a root zone, as standard normals and what they mean."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.spreads import split_log_normal, split_logit
from dace.core.figures import Range, judgement
from dace.core.pen.readings import METHODS
from dace.core.rootzone.records import NITRATE

Array = NDArray[np.float64]
DRAWS = 400
BIASED = (*(key for key in METHODS if key != "feed_solution"), NITRATE)
"""Ways of sampling, each with a bias of its own at one place."""
_LIVING = ("water_use", "uptake_pace", "mixing", "watered_when", "over_pouring", "kappa")
_SHARES = ("mixing", "watered_when", "over_pouring")
_FIXED = ("holding", "stock", "start_ec")
LIVING = len(_LIVING) + len(BIASED)
_SHRINK = 0.98


@dataclass(frozen=True)
class Unknowns:
    """Draws of all that is unknown: habits that readings tell, and what the fill began as.

    ``z`` has shape (draws, LIVING); ``fixed`` maps holding [share], stock [factor] and
    start_ec [mS/cm of pore water] to one value a draw.
    """

    z: Array
    fixed: dict[str, Array]

    def of(self, key: str) -> Array:
        """A habit, one value a draw."""
        found = judgement(key).range
        z = self.z[:, _LIVING.index(key)]
        return split_logit(found, z) if key in _SHARES else split_log_normal(found, z)

    def bias(self, method: str) -> Array:
        """By what factor this place reads off in one way of sampling."""
        z = self.z[:, len(_LIVING) + BIASED.index(method)]
        return split_log_normal(judgement("reading_bias").range, z)

    def chosen(self, index: NDArray[np.int64], rng: np.random.Generator) -> Unknowns:
        """Draws by their index, drawn together a little and shaken as much again.

        Shrinking towards the mean and adding noise keeps mean and spread as they are, so
        that many readings do not leave one habit alone in the race.
        """
        z = self.z[index]
        middle = z.mean(axis=0)
        shaken = rng.normal(size=z.shape) * z.std(axis=0) * (1 - _SHRINK**2) ** 0.5
        return Unknowns(
            _SHRINK * z + (1 - _SHRINK) * middle + shaken,
            {key: values[index] for key, values in self.fixed.items()},
        )


def first_unknowns(
    rng: np.random.Generator, holding: Range, start_ec: Range, draws: int = DRAWS
) -> Unknowns:
    """Draws before any reading."""
    fixed = dict(
        zip(
            _FIXED,
            (
                split_logit(holding, rng.normal(size=draws)),
                split_log_normal(judgement("medium_stock").range, rng.normal(size=draws)),
                split_log_normal(start_ec, rng.normal(size=draws)),
            ),
            strict=True,
        )
    )
    return Unknowns(rng.normal(size=(draws, LIVING)), fixed)
