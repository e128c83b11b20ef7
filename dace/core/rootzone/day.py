"""What one day brings to some fills before anybody comes."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

Array = NDArray[np.float64]


@dataclass(frozen=True)
class Day:
    """What one day brings before anybody comes, a row for each fill.

    ``use_l`` is what all plants would use [L], ``need_mg`` what they would take of N, P, K,
    Ca, Mg (nutrients first); ``age`` how many days at 20 C it counts for.
    """

    use_l: Array
    need_mg: Array
    age: Array
    rain_l: Array
