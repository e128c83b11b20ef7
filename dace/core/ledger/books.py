"""Need and supply of one planting, read off the bucket of the fill in which it stands.

Notes
-----
There is one model: what the planting took is the bucket's uptake, what is within its reach is
what the bucket holds, from the same draws. A reading of the drain re-weighs both. Plants that
share a fill share what is in it by what they need.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date

import numpy as np
from numpy.typing import NDArray

from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Step, Working, say
from dace.core.rootzone.bucket import BOOKS
from dace.core.rootzone.course import needs, taken_besides
from dace.core.rootzone.follow import Followed
from dace.core.rootzone.records import CHARGED, Growing

Array = NDArray[np.float64]
_IONS = {
    nutrient: [
        CHARGED.index(key) for key in CHARGED if key == nutrient or key[-2:] == f"_{nutrient}"
    ]
    for nutrient in NUTRIENTS
}
_NOTABLE = 0.1


@dataclass(frozen=True, eq=False)
class Ledger:
    """Day by day and nutrient, mg for each plant.

    Arrays have shape (days, 5) from ``first`` on, nutrients in their order; ``today`` is the
    index of the last day that was. ``need`` and ``reached`` are summed from the first day:
    ``reached`` is what it took and what it still could, ``low`` and ``high`` its 80 % band.
    ``strength`` is what the pore water likely holds of an evening [mg/L], ``each_day`` the need
    of each day, ``held`` what is there of an evening, ``leaf`` what leaves took in of sprays.
    """

    first: date
    today: int
    need: Array
    reached: Array
    low: Array
    high: Array
    strength: Array
    each_day: Array
    held: Array
    found: Followed
    growing: Growing
    leaf: Array


def ledger(found: Followed, key: str) -> Ledger | None:
    """The books of a planting in a fill that was followed; None where it never stood there.

    Parameters
    ----------
    found : Followed
        The fill.
    key : str
        Of the planting, as in ``Growing``.
    """
    root = found.root_zone
    turn = next((i for i, one in enumerate(root.growing) if one.key == key), None)
    if turn is None:
        return None
    count = found.ec.shape[1]
    every = needs(root, found.first, count)
    one = root.growing[turn]
    plants = np.array([g.plants for g in root.growing])
    total = every.sum(axis=0) + taken_besides(root, found.first, count)
    even = one.plants / max(1, plants.sum())
    share = np.where(total > 0, every[turn] / np.maximum(total, 1e-12), even) / one.plants
    low, middle, high = (row.T for row in found.larder.reached)
    held = found.larder.held.T
    taken = np.diff(middle - held, axis=0, prepend=np.zeros((1, len(NUTRIENTS))))
    reached = np.cumsum(share * np.maximum(0.0, taken), axis=0) + share * held
    off = reached / np.maximum(middle, 1e-12)
    leaf = _through_leaves(found, one, count)
    entered = np.cumsum(leaf, axis=0)
    return Ledger(
        first=found.first,
        today=found.today,
        need=np.cumsum(every[turn] / one.plants, axis=0),
        reached=reached + entered,
        low=np.minimum(reached, low * off) + entered,
        high=np.maximum(reached, high * off) + entered,
        strength=found.larder.strength.T,
        each_day=every[turn] / one.plants,
        held=share * held,
        found=found,
        growing=one,
        leaf=leaf,
    )


def _through_leaves(found: Followed, one: Growing, count: int) -> Array:
    """What went into each plant through its leaves, by day [mg]."""
    entered = np.zeros((count, len(NUTRIENTS)))
    for on, amounts in one.sprayed:
        at = (on - found.first).days
        if 0 <= at < count:
            entered[at] += amounts
    return entered


def book_steps(found: Followed, nutrient: str) -> Working:
    """How the books of one nutrient close in the whole fill, for the draw in the middle of all.

    Notes
    -----
    Began + came in + unexplained = taken + drained + settled + still there, in every draw.
    """
    rows = _IONS[nutrient]
    bucket, middle = found.bucket, _middle(found)

    def mg(values: Array) -> float:
        return float(values[rows, 0, middle].sum())

    came, drained, taken, chance, settled = (mg(bucket.books[name]) for name in BOOKS)
    still = mg(bucket.dissolved)
    kept = mg(bucket.held + bucket.slow.mg() + bucket.in_saucer)
    began = still + kept - came + drained + taken + settled - chance
    sum_ = f"{say(began, 7)} + {say(came, 7)} − {say(taken, 7)} − {say(drained, 7)}"
    steps = [
        Step("in the medium to begin with", "", began, "mg", "the held and slow ones too", "low"),
        Step("poured and spread since", "", came, "mg"),
        Step("taken by roots", "", taken, "mg"),
        Step("drained away", "", drained, "mg"),
    ]
    if abs(settled) > 0:
        steps.append(Step("settled as lime", "", settled, "mg"))
        sum_ += f" − {say(settled, 7)}"
    what = "unexplained, by chance and readings"
    loud = abs(chance) > _NOTABLE * max(began + came, 1e-9)
    steps.append(Step(what, "", chance, "mg", "more than a tenth of all" if loud else "", "low"))
    sum_ += f" {'−' if chance < 0 else '+'} {say(abs(chance), 7)}"
    steps.append(Step("still in the medium", sum_, still + kept, "mg"))
    steps.append(Step("of that dissolved, within reach", "", still, "mg"))
    return tuple(steps)


def _middle(found: Followed) -> int:
    """The draw in the middle of all, by what it lets drain."""
    return int(np.argsort(found.drains, kind="stable")[len(found.drains) // 2])
