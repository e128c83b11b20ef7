"""Whether the night to come may hurt what stands out, and what is said of it."""

from __future__ import annotations

from collections import Counter
from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.special import ndtri

from dace.core.fed.records import Grows, Stop, Tonight
from dace.core.figures import judgement
from dace.core.season.outlook import Outlook
from dace.core.season.shelter import air_under
from dace.core.verdict.words import number_word
from dace.core.words import shown
from dace.core.words.listing import listed
from dace.core.year.frost import harm_in

_IN_FLOWER = ("flowering", "fruit_set")
_SKY = {None: 1.0, False: 0.0, True: 2.0}  # not known: as after a night clear or still, not both
_NAMED = 3
COVER = "cover tonight"
"""The mark of a stop that the night to come may hurt."""


@dataclass(frozen=True)
class ColdNight:
    """A night that may harm, in words: its likely low, and how likely it harms what."""

    title: str
    line: str


def lows_tonight(days: Outlook, said: Tonight) -> NDArray[np.float64]:
    """Lows of the air that tonight may have [C]: about the one that was told, else as forecast.

    Tonight's low is tomorrow's.
    """
    if said.low_c is None:
        return np.asarray(days.t_min[:, days.index(days.today) + 1])
    middles = (np.arange(days.t_min.shape[0]) + 0.5) / days.t_min.shape[0]
    return np.asarray(said.low_c + judgement("told_low_sd").range.typ * ndtri(middles))


def harm_tonight(stop: Stop, grows: Grows, days: Outlook, said: Tonight) -> float:
    """Chance that the low of tonight marks plants where they stand."""
    stage = grows.clock.stage
    if stop.shelter == "indoors" or stage.germinates:
        return 0.0
    part = "flower" if stage.key in _IN_FLOWER else "seedling" if stage.is_seedling else "grown"
    lows = lows_tonight(days, said) + air_under(stop.shelter, 0.0, 0.0)[0]
    if stop.shelter == "open":
        lows = lows - _SKY[said.clear] * judgement("leaf_below_air").range.typ
    return harm_in(grows.crop.key, part, lows)


def cold_words(stop: Stop, days: Outlook, said: Tonight) -> str:
    """What is said of a night that may hurt something there; empty where none may."""
    found = cold_night([stop], days, said)
    return "" if found is None else f"{found.title}: {found.line}"


def cold_night(stops: Sequence[Stop], days: Outlook, said: Tonight) -> ColdNight | None:
    """The night to come for all that stands out; None where it harms none, or all is covered."""
    if said.covered:
        return None
    least = judgement("frost_warned_from").range.typ
    chances = [(one, harm_tonight(stop, one, days, said)) for stop in stops for one in stop.grows]
    hurt = [(one, chance) for one, chance in chances if chance >= least]
    if not hurt:
        return None
    crops = {one.crop.key: one.crop for one, _ in hurt}
    counts = Counter[str]()
    for one, _ in hurt:
        counts[one.crop.key] += one.plants
    names = [crops[key].counted(count) for key, count in counts.items()]
    whom = listed(names) if len(names) <= _NAMED else f"{number_word(len(names))} crops"
    worst = max(chance for _, chance in hurt)
    line = f"{max(1, round(10 * worst))} in 10: cover or bring in {whom}."
    low = float(np.median(lows_tonight(days, said)))
    return ColdNight(f"{shown.degrees(low)} tonight", line)
