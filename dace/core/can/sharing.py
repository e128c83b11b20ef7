"""A dry feed on ground that several crops share: who gets how much of it."""

from __future__ import annotations

import re
from collections.abc import Sequence
from typing import Literal

from dace.core.season.crops import Crop
from dace.core.words.numbers import plain

ToldBy = Literal["area", "each", "all"]
_EACH = r"\b(?:each|(?:per|a|for each|in each) (?:plant|hole|pot|tub))\b"
_AREA = r"(?:m2|m²|\bsq|\bsquare|ft2|yd2|\blayer|\bdeep|\bthick|%|\bin \d+|mix|medium|compost|soil)"


def told_by(said: str) -> ToldBy:
    """Whether a dose was told for each plant, by the ground it covers, or as so much in all.

    >>> told_by("a handful per plant"), told_by("70 g/m2"), told_by("280 g")
    ('each', 'area', 'all')
    """
    folded = plain(said)
    if re.search(_EACH, folded):
        return "each"
    deep = re.search(r"(?:mm|cm|\bin|inch(?:es)?)$", folded)
    return "area" if deep or re.search(_AREA, folded) else "all"


def shares_of_ground(standing: Sequence[tuple[Crop, int]]) -> tuple[float, ...]:
    """The share of a bed's area that each of its stands takes, by its plants and their room.

    >>> from dace.core.season.crops import crop
    >>> halves = shares_of_ground([(crop("leek"), 20), (crop("leek"), 60)])
    >>> halves
    (0.25, 0.75)
    """
    rooms = [plants / grown.plants_per_m2 for grown, plants in standing]
    return tuple(room / sum(rooms) for room in rooms)
