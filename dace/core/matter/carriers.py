"""Who carries the current in a solution."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]


@dataclass(frozen=True)
class Carrier:
    """One ion's part in a conductivity: meq/L times conductivity per equivalent."""

    ion: str
    meq_l: float
    lambda_eq: float

    @property
    def ec_ms_cm(self) -> float:
        """Contribution [mS/cm]."""
        return self.meq_l * self.lambda_eq / 1000


def summed(rows: Array, weights: Array | None = None) -> Array:
    """Rows of shape (n, *columns) added one by one, each times its weight of shape (n,).

    So no column's sum hangs on how many stand beside it.

    >>> float(summed(np.array([1.0, 2.0, 4.0]), np.array([1.0, 0.0, 0.5])))
    3.0
    """
    if weights is not None:
        rows = rows * weights.reshape((-1,) + (1,) * (rows.ndim - 1))
    if rows[0].size > 1:
        return np.asarray(rows.sum(axis=0))
    return np.asarray(np.add.accumulate(rows, axis=0)[-1])  # a lone column is summed in pairs


@dataclass(frozen=True)
class Conducted:
    """Who carries the current in solutions of one shape.

    ``meq_l`` and ``lambda_eq`` are arrays of (ion or pair, *shape of the solutions*).
    """

    names: tuple[str, ...]
    meq_l: Array
    lambda_eq: Array

    @property
    def ec_ms_cm(self) -> Array:
        """Conductivity at 25 C [mS/cm], of the shape of the solutions."""
        return summed(self.meq_l * self.lambda_eq) / 1000

    def carriers(self, index: int | tuple[int, ...] = ()) -> list[Carrier]:
        """Contributions in one of the solutions, strongest first."""
        at = index if isinstance(index, tuple) else (index,)
        found = [
            Carrier(name, float(meq[at]), float(lam[at]))
            for name, meq, lam in zip(self.names, self.meq_l, self.lambda_eq, strict=True)
        ]
        return sorted((c for c in found if c.ec_ms_cm > 0), key=lambda c: -c.ec_ms_cm)
