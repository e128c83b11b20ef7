"""What the next sample of a fill should read, whichever way it is taken."""

from __future__ import annotations

import numpy as np

from dace.core.pen.methods import pour_through_ratio
from dace.core.rootzone.follow import Followed
from dace.core.rootzone.records import NITRATE, Sampled
from dace.core.rootzone.sampled import scale_of, shown
from dace.core.rootzone.unknowns import BIASED

_NEXT = 4


def next_readings(found: Followed) -> dict[str, tuple[float, float, float]]:
    """10, 50 and 90 % of what a sample of today should read [mS/cm], by way of sampling."""
    bands = {}
    for method in (m for m in BIASED if m != NITRATE):
        scale = scale_of(Sampled(found.first, 1.0, method), False)
        should = found.drains * found.unknowns.bias(method) / pour_through_ratio(method)
        rng = np.random.default_rng((found.root_zone.chance, _NEXT))
        low, likely, high = np.quantile(shown(should, scale, rng), (0.1, 0.5, 0.9))
        bands[method] = (float(low), float(likely), float(high))
    return bands
