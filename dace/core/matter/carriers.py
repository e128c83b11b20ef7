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
        return np.asarray(np.sum(self.meq_l * self.lambda_eq, axis=0) / 1000)

    def carriers(self, index: int | tuple[int, ...] = ()) -> list[Carrier]:
        """Contributions in one of the solutions, strongest first."""
        at = index if isinstance(index, tuple) else (index,)
        found = [
            Carrier(name, float(meq[at]), float(lam[at]))
            for name, meq, lam in zip(self.names, self.meq_l, self.lambda_eq, strict=True)
        ]
        return sorted((c for c in found if c.ec_ms_cm > 0), key=lambda c: -c.ec_ms_cm)
