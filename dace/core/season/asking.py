"""What to look for: a stage in doubt, one that may begin any day, one nobody confirmed."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.season.crops import Stage

_LONG_DAYS, _SOON_DAYS, _EARLY = 21, 7, 0.1


@dataclass(frozen=True)
class Unseen:
    """Today, and the day of the last look, as days of the outlook; None where nobody looked."""

    today: int
    looked: int | None


def asked(
    stages: Sequence[Stage],
    likely: int,
    starts: NDArray[np.float64],
    unseen: Unseen,
    doubted: Stage | None,
) -> str:
    """A question in words; empty where there is nothing to ask.

    Parameters
    ----------
    stages : sequence of Stage
        All of the crop, in order.
    likely : int
        At which it likely is.
    starts : ndarray
        The day on which each begins, shape (stages, draws).
    unseen : Unseen
        Today and the last look.
    doubted : Stage or None
        The later of two stages that are about as likely.
    """
    stage = stages[likely]
    if doubted is None:
        doubted = _soon(stages, likely, starts, unseen)
    if doubted is not None:
        return f"Is it {doubted.words} yet? Look for: {doubted.visual_cue.lower()}."
    since = float(np.median(starts[likely]))
    if unseen.looked is not None:
        since = max(since, unseen.looked)
    quiet = unseen.today - since
    if quiet <= judgement("asks_after").range.typ * stage.duration_days.typ:
        return ""
    return f"Is it still {stage.words}? Nobody looked for {quiet:.0f} days."


def _soon(
    stages: Sequence[Stage], likely: int, starts: NDArray[np.float64], unseen: Unseen
) -> Stage | None:
    """The next stage, where it may begin within days and nobody looked for weeks."""
    if likely + 1 >= len(stages) or unseen.looked is None:
        return None
    early = float(np.quantile(starts[likely + 1], _EARLY))
    if unseen.today - unseen.looked < _LONG_DAYS or early > unseen.today + _SOON_DAYS:
        return None
    return stages[likely + 1]
