"""What a mix is asked for, and what bounds each source of it."""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from itertools import combinations

import numpy as np
from numpy.typing import NDArray

from dace.core.can.ingredient import NEAT, Source
from dace.core.can.measures import Owned
from dace.core.figures import Range, judgement
from dace.core.matter.clashes import Meeting, clashes_between
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import WaterIons

Array = NDArray[np.float64]


@dataclass(frozen=True)
class MixAsked:
    """What a can should be like.

    ``wish`` is mg/L by nutrient; ``cap`` the most that feeds may add [mS/cm], None for none;
    ``in_pot`` brings the limits of ammonium, sodium and chloride that pots have;
    ``hardly`` is how much more a can may miss for one source less;
    ``owned`` are the measures to say the amounts in.
    """

    sources: tuple[Source, ...]
    water: WaterIons
    vessel_l: float
    wish: Mapping[str, Range]
    cap: float | None = None
    in_pot: bool = False
    hardly: float = 0.0
    owned: tuple[Owned, ...] = ()


def barred_pairs(found: list[Meeting]) -> list[frozenset[int]]:
    """Pairs that never go into one can."""
    pairs = combinations(range(len(found)), 2)
    said = ((pair, clashes_between(found[pair[0]], found[pair[1]], "can")) for pair in pairs)
    return [frozenset(pair) for pair, clash in said if clash and clash[0].right == "bar"]


def most_of(one: Source, asked: MixAsked) -> float:
    """The most of a source in a litre: its stock, what is usual, and nothing unwished."""
    unwished = any(
        asked.wish[n].typ <= 0 and one.feed.element(n) > 0 for n in NUTRIENTS if n in asked.wish
    )
    if unwished:
        return 0.0
    return max(0.0, min(one.stock / asked.vessel_l, one.most_per_l, NEAT))


def adds_of(feed: Composition, water: WaterIons) -> list[float]:
    """What a mL or g of it changes in a litre [mg/L]; a liquid stands where water stood."""
    displaced = 1 / 1000 if feed.unit == "mL" else 0.0
    return [feed.element(n) - displaced * water.of("NO3_N" if n == "N" else n) for n in NUTRIENTS]


def limits_of(asked: MixAsked) -> list[tuple[Array, float]]:
    """What else a pot's can is held below: its share of ammonium, its sodium and chloride."""
    share = judgement("ammonium_share_pots").range.typ

    def of(key: str) -> Array:
        return np.array([dict(one.feed.mg).get(key, 0.0) for one in asked.sources])

    nitrogen = np.array([one.feed.element("N") for one in asked.sources])
    found = [(of("NH4_N") - share * nitrogen, share * asked.water.of("NO3_N"))]
    for key, limit in (("Na", "can_sodium"), ("Cl", "can_chloride")):
        room = judgement(limit).range.typ - asked.water.of(key)
        if room > 0:
            found.append((of(key), room))
    return found
