"""What is not known of a root zone, as standard normals and what they mean."""

from __future__ import annotations

import math
from collections.abc import Iterable, Sequence
from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.spreads import Z, split_log_normal, split_logit
from dace.core.figures import Range, judgement
from dace.core.pen.readings import METHODS
from dace.core.rootzone.records import NITRATE

Array = NDArray[np.float64]
DRAWS = 400
BIASED = (*(key for key in METHODS if key != "feed_solution"), NITRATE)
"""Ways of sampling, each with a bias of its own at one place; the usual one first."""
HABITS = (
    "water_use", "uptake_pace", "kappa", "lime_stays", "mixing", "watered_when", "over_pouring",
)  # fmt: skip
"""What a place and its gardener do every day, and what lime stays; the last three are shares."""
_SHARES = slice(4, 7)
_FIXED = ("holding", "stock", "start_ec")
LIVING = len(HABITS) + len(BIASED)
_SHRINK = 0.98
ALL = slice(None)


@dataclass
class Unknowns:
    """Draws of all that is unknown: habits that readings tell, and what each fill began as.

    ``z`` has shape (LIVING, fills, draws); ``fixed`` maps holding [share], stock [factor] and
    start_ec [mS/cm of pore water] to one value a draw, (fills, draws).
    """

    z: Array
    fixed: dict[str, Array]

    def habits(self, fill: int | slice = ALL) -> Array:
        """Every habit by draw, shape (habits, fills, draws); of one fill (habits, draws)."""
        z = self.z[: len(HABITS), fill]
        shape = (len(HABITS), *(1,) * (z.ndim - 1))
        typical, below, above = (row.reshape(shape) for row in _habits())
        found = np.exp(typical + np.where(z < 0, below, above) * z)
        found[_SHARES] /= 1 + found[_SHARES]
        return np.asarray(found)

    def of(self, key: str, fill: int) -> Array:
        """One habit of one fill, one value a draw."""
        return np.asarray(self.habits(fill)[HABITS.index(key)])

    def bias(self, method: str, fill: int = 0) -> Array:
        """By what factor a place reads off in one way of sampling, one value a draw."""
        found = judgement("reading_bias").range
        z = self.z[len(HABITS) + BIASED.index(method), fill]
        return np.asarray(np.exp(math.log(found.high / found.typ) / Z * z))

    def choose(
        self,
        fill: int,
        index: NDArray[np.int64],
        rng: np.random.Generator | None = None,
        told: int = LIVING,
    ) -> None:
        """Draws of a fill by their index; with chance, drawn together a little and shaken again.

        Shrinking towards the mean and adding noise keeps mean and spread as they are, so
        that many readings do not leave one habit alone in the race. Only the first ``told``
        rows are shaken: no reading speaks of the others.
        """
        for values in self.fixed.values():
            values[fill] = values[fill][index]
        if rng is None:
            self.z[:, fill] = self.z[:, fill][:, index]
            return
        z = self.z[:told, fill][:, index]
        middle = z.mean(axis=1, keepdims=True)
        z -= middle
        spread = np.sqrt((z * z).mean(axis=1, keepdims=True) * (1 - _SHRINK**2))
        z *= _SHRINK
        z += middle
        z += spread * rng.standard_normal(z.shape)
        self.z[:told, fill] = z
        self.z[told:, fill] = self.z[told:, fill][:, index]

    def doubt_bias(self, method: str, fill: int, rng: np.random.Generator) -> None:
        """Draw how far a place reads off in one way of sampling anew, as before any reading."""
        row = len(HABITS) + BIASED.index(method)
        self.z[row, fill] = rng.standard_normal(self.z.shape[2])

    def of_fill(self, fill: int) -> Unknowns:
        """One fill's own; shapes keep one fill."""
        at = slice(fill, fill + 1)
        return Unknowns(self.z[:, at].copy(), {key: v[at].copy() for key, v in self.fixed.items()})

    @staticmethod
    def joined(several: Sequence[Unknowns]) -> Unknowns:
        """Of several fills, side by side."""
        fixed = {key: np.concatenate([one.fixed[key] for one in several]) for key in _FIXED}
        return Unknowns(np.concatenate([one.z for one in several], axis=1), fixed)


def told_by(methods: Iterable[str]) -> int:
    """How many rows of unknowns samples of these methods speak of."""
    return len(HABITS) + max((1 + BIASED.index(method) for method in methods), default=0)


@cache
def _habits() -> tuple[Array, Array, Array]:
    """The middle of each habit in its own unconstrained space, and its spread to both sides."""
    rows = []
    for turn, key in enumerate(HABITS):
        found, share = judgement(key).range, turn >= _SHARES.start
        low, typ, high = (
            math.log(v / (1 - v) if share else v) for v in (found.low, found.typ, found.high)
        )
        rows.append((typ, (typ - low) / Z, (high - typ) / Z))
    typical, below, above = np.array(rows).T
    return typical, below, above


def first_unknowns(
    rng: np.random.Generator, holding: Range, start_ec: Range, draws: int = DRAWS
) -> Unknowns:
    """One fill's draws before any reading."""
    fixed = dict(
        zip(
            _FIXED,
            (
                split_logit(holding, rng.normal(size=(1, draws))),
                split_log_normal(judgement("medium_stock").range, rng.normal(size=(1, draws))),
                split_log_normal(start_ec, rng.normal(size=(1, draws))),
            ),
            strict=True,
        )
    )
    return Unknowns(rng.normal(size=(LIVING, 1, draws)), fixed)
