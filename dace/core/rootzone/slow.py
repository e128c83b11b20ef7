"""What comes out slowly in the medium of several fills: pools that shrink by half-lives."""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]
_LN2 = math.log(2)


@dataclass
class Slowly:
    """Pools of slow food, the medium's own first.

    ``left`` has shape (pools, fills, draws): the share of each pool that is not out yet (0
    before it is given). ``made_of`` [mg] is (pools, ions, fills), ``half_lives`` [days at
    20 C] (pools, fills). Fills with fewer pools than others have empty ones.
    """

    left: Array
    made_of: Array
    half_lives: Array

    def __post_init__(self) -> None:
        self._ions = [np.flatnonzero(pool.any(axis=1)).tolist() for pool in self.made_of]

    def release(self, days: Array, dissolved: Array) -> None:
        """So many days at 20 C go by, (fills, draws); what comes out is dissolved."""
        for ions, left, mg, half_life in zip(
            self._ions, self.left, self.made_of, self.half_lives, strict=True
        ):
            if ions:
                out = left * -np.expm1(days * (-_LN2 / half_life)[:, None])
                np.subtract(left, out, out=left)
                for ion in ions:
                    dissolved[ion] += mg[ion][:, None] * out

    def mg(self) -> Array:
        """All that is not out yet [mg], shape (ions, fills, draws)."""
        return np.asarray(np.einsum("pfd,pif->ifd", self.left, self.made_of))

    def choose(self, fill: int, index: NDArray[np.int64]) -> None:
        """Keep one fill's draws of an index."""
        self.left[:, fill] = self.left[:, fill][:, index]

    def of(self, fill: int) -> Slowly:
        """One fill's own."""
        at = slice(fill, fill + 1)
        own = (self.left[:, at], self.made_of[:, :, at], self.half_lives[:, at])
        return Slowly(*(rows.copy() for rows in own))

    def middle(self) -> Slowly:
        """A single draw in place of many: the median of what is left of each pool."""
        left = np.median(self.left, axis=-1, keepdims=True)
        return Slowly(left, self.made_of.copy(), self.half_lives.copy())

    def given(self, fill: int, later_mg: Array, half_life_days: float) -> Slowly:
        """With one more pool, spread on one fill today; ``later_mg`` has a value an ion."""
        more = Slowly(
            np.zeros((1, *self.left.shape[1:])),
            np.zeros((1, *self.made_of.shape[1:])),
            np.ones((1, self.half_lives.shape[1])),
        )
        more.left[0, fill], more.made_of[0, :, fill] = 1.0, later_mg
        more.half_lives[0, fill] = half_life_days
        return Slowly(
            np.concatenate([self.left, more.left]),
            np.concatenate([self.made_of, more.made_of]),
            np.concatenate([self.half_lives, more.half_lives]),
        )

    @staticmethod
    def joined(several: list[Slowly]) -> Slowly:
        """Of several fills, side by side."""
        pools = max(len(one.left) for one in several)

        def padded(rows: Array, fill: float) -> Array:
            short = pools - len(rows)
            return np.concatenate([rows, np.full((short, *rows.shape[1:]), fill)])

        return Slowly(
            np.concatenate([padded(one.left, 0.0) for one in several], axis=1),
            np.concatenate([padded(one.made_of, 0.0) for one in several], axis=2),
            np.concatenate([padded(one.half_lives, 1.0) for one in several], axis=1),
        )
