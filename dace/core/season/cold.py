"""The end by cold: the night that kills an annual, and whether a crop outlives winters.

Notes
-----
The figures are air temperatures of one night: low, typical and high are those at which few,
half and most plants live. Crops that chilling spoils end too at the third night in ten that
comes within some degrees of that; one cold night in spring they outlive.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from functools import cache

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import Range, judgement, load_table
from dace.core.season.crops import Crop, Stage
from dace.core.season.outlook import Outlook
from dace.core.words.days import on_day

Array = NDArray[np.float64]
_PICKED, _LIKELY, _FEW, _COVER_DAYS = ("ripening", "harvest"), 0.5, 0.2, 7
_WEEK, _WAKES_ABOVE_C = 7, 2.0
_Z = 1.2816  # of the 10 and 90 % ends
_TENDER_C, _CHILLED_BELOW_C, _CHILLED_NIGHTS, _WITHIN_DAYS = 0.0, 4.0, 3, 10


@dataclass(frozen=True)
class Hardiness:
    """The night that ends a crop [C], whether it is perennial, and whether it is picked once."""

    kill_c: Range
    perennial: bool
    picked_once: bool

    @property
    def chilled(self) -> bool:
        """Whether nights above freezing spoil it too."""
        return self.kill_c.typ >= _TENDER_C


@dataclass(frozen=True)
class ColdEnd:
    """How likely cold ends a planting within what is worked out, and when; None if it does not."""

    chance: float
    low: date | None
    likely: date | None
    high: date | None


def unlikely(
    stages: tuple[Stage, ...], reached: tuple[float, ...], end: ColdEnd
) -> tuple[str, ...]:
    """What is said as soon as cold is likely to come before there is anything to pick."""
    for stage, chance in zip(stages, reached, strict=True):
        if stage.key not in _PICKED or chance >= _LIKELY or end.low is None or end.chance < _FEW:
            continue
        by = end.low - timedelta(days=_COVER_DAYS)
        return (
            f"Unlikely to be {stage.words} outdoors here, {10 * chance:.0f} in 10: pick it young, "
            f"or cover it by {on_day(by)}",
        )
    return ()


@cache
def hardiness() -> dict[str, Hardiness]:
    """Of every crop of the table.

    >>> hardiness()["garlic"].kill_c.typ, hardiness()["strawberry"].perennial
    (-18.0, True)
    """
    return {
        row.text("crop"): Hardiness(
            row.range("kill_c"), row.text("life") == "perennial", row.text("picked") == "once"
        )
        for row in load_table("hardiness")
    }


def lives_on(crop_key: str) -> bool:
    """Whether a crop outlives its season: no winter ends it.

    >>> lives_on("strawberry"), lives_on("courgette")
    (True, False)
    """
    found = hardiness().get(crop_key)
    return found is not None and found.perennial


def wakes_on(grown: Crop, days: Outlook) -> date:
    """The last day up to today on which a perennial woke from its rest; the first day of others.

    It begins anew in the first week after midwinter whose mean passes two degrees above its base.
    """
    if not lives_on(grown.key):
        return days.first
    mean = days.mean_c()
    midwinter = (12, 21) if days.latitude >= 0 else (6, 21)
    for year in (days.today.year, days.today.year - 1):
        begin = date(year - 1 if days.latitude >= 0 else year, *midwinter)
        if not days.first <= begin <= days.today:
            continue
        for at in range(days.index(begin), days.index(days.today) - _WEEK + 2):
            if mean[at : at + _WEEK].mean() > grown.base_temp_c + _WAKES_ABOVE_C:
                return days.first + timedelta(days=at)
    return days.first


def killed_on(
    crop_key: str, days: Outlook, row: NDArray[np.int64], since: Array, shelter: str, seed: int
) -> Array:
    """The day on which cold ends each draw's plant, as a day of the outlook.

    Parameters
    ----------
    crop_key : str
        Which crop.
    days : Outlook
        The nights, a row for each year drawn.
    row : ndarray of int
        Which year a draw has.
    since : ndarray
        The first day from which cold counts: it was seen alive on the day before.
    shelter : str
        ``open``, ``cover`` or ``indoors``.
    seed : int
        The same seed gives the same plants.

    Returns
    -------
    ndarray
        Days; the end of the outlook where nothing kills it.
    """
    never = float(days.days)
    found = hardiness().get(crop_key)
    if found is None or found.perennial or shelter == "indoors":
        return np.full(row.shape, never)
    rng = np.random.default_rng((seed, 5))
    z = rng.standard_normal(row.shape)
    below = (found.kill_c.typ - found.kill_c.low) / _Z
    above = (found.kill_c.high - found.kill_c.typ) / _Z
    kills = found.kill_c.typ + np.where(z < 0, below, above) * z
    warmer = judgement("cover_night_c").range.typ if shelter == "cover" else 0.0
    nights = days.t_min[row] + warmer
    counts = np.arange(days.days)[None, :] >= since[:, None]
    dead = (nights < kills[:, None]) & counts
    if found.chilled:
        cold = (nights < kills[:, None] + _CHILLED_BELOW_C) & counts
        dead |= cold & (_lately(cold) >= _CHILLED_NIGHTS)
    return np.where(dead.any(axis=1), dead.argmax(axis=1), never).astype(float)


def _lately(cold: NDArray[np.bool_]) -> NDArray[np.int64]:
    """How many such nights there were in the last ten, that night among them."""
    summed = np.cumsum(cold, axis=1)
    before = np.zeros_like(summed)
    before[:, _WITHIN_DAYS:] = summed[:, :-_WITHIN_DAYS]
    return np.asarray(summed - before)
