"""Plain water that pushes salts out: how much of it thins them how often."""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement

Array = NDArray[np.float64]
_MOST_TIMES = 1000.0
_GRID = np.geomspace(1.0, _MOST_TIMES, 200)


def passes(times: Array) -> Array:
    """How often the water held must be replaced to thin salts so many times.

    A stirred pot wants the logarithm; one whose layers push each other out wants what is to
    leave, no more. Pots lie between the two, nearer the second.

    >>> passes(np.array([1.0, 2.0])).round(2).tolist()
    [0.0, 0.52]
    """
    layered = judgement("flush_layered").range.typ
    return np.asarray(layered * (1 - 1 / times) + (1 - layered) * np.log(times))


def thinned(replaced: Array) -> Array:
    """How many times thinner salts are once the water held was replaced so often.

    >>> float(thinned(passes(np.array([2.0])))[0].round(2))
    2.0
    """
    return np.asarray(np.interp(replaced, passes(_GRID), _GRID))
