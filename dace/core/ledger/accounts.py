"""What a ledger is asked, and what it answers."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

import numpy as np
from numpy.typing import NDArray

from dace.core.matter.media import Medium
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.season.crops import Crop
from dace.core.season.need import Span

Array = NDArray[np.float64]


@dataclass(frozen=True)
class Rooted:
    """Where a plant stands from a day on.

    ``litres_each`` is the medium that one plant has [L], ``area_each`` its ground [m2];
    ``filled_on`` is when the medium was new; ``tested`` maps nutrients to a test's mg/L.
    """

    since: date
    medium: Medium
    setting: str
    litres_each: float
    area_each: float
    filled_on: date
    tested: tuple[tuple[str, float], ...] = ()


@dataclass(frozen=True)
class Given:
    """Something given to each plant on a day: mg at once, and mg that come later."""

    on: date
    source: str
    name: str
    at_once: tuple[float, ...]
    later: tuple[float, ...] = (0.0,) * len(NUTRIENTS)
    half_life_days: float = 30.0


@dataclass(frozen=True)
class Account:
    """One planting's books.

    ``water_mg_l`` is what the usual water holds, ``rooted`` every place it stood in, in
    order of days; ``given`` all that it got.
    """

    grown: Crop
    stages: tuple[Span, ...]
    rooted: tuple[Rooted, ...]
    given: tuple[Given, ...]
    water_mg_l: tuple[float, ...]
    first: date
    days: int
    seed: int = 1


@dataclass(frozen=True)
class Ledger:
    """Day by day and nutrient, mg for each plant.

    Arrays have shape (days, 5); ``need`` and ``reached`` are summed from the first day.
    ``reached`` is what the plant took and what it still could; ``low`` and ``high`` its
    80 % band, ``need_low`` and ``need_high`` that of the need. ``unmet`` is what was wanted
    and not there on each day; ``pool`` what is there at the end of it. ``entered`` is what
    each source brought (source, days, 5), ``there`` the most it could have brought.
    """

    first: date
    need: Array
    need_low: Array
    need_high: Array
    reached: Array
    low: Array
    high: Array
    unmet: Array
    pool: Array
    entered: Array
    there: Array
