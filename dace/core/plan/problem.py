"""Which source feeds a stop in which week: a linear program over its slots.

Notes
-----
Variables are the share of each slot's can that is mixed from each source (so that every mixture
is within what each of them may be alone), the pool of each nutrient after each week, what is
unmet and what is over: ``pool = kept x pool before + gained + poured - need + unmet``. It
minimises ``3 unmet + weight x over`` by season need, how little each source suits, and what
it costs. Solved by the dual simplex of HiGHS, which gives the same on every run.
"""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray
from scipy.optimize import linprog
from scipy.sparse import coo_array, csr_array

from dace.core.matter.nutrients import NUTRIENTS

Array = NDArray[np.float64]
WEIGHTS = np.array([1.0, 0.6, 1.0, 0.6, 0.5])
_UNMET, _OVER = 3.0, 1.0
_RANK, _TIE = 12.0, 1e-6
_FEW_MG = 1e-6


@dataclass(frozen=True, eq=False)
class Slot:
    """One slot of a stop: ``ahead`` its day, ``brings`` mg by source of a full can, (sources, 5).

    ``ranks`` are how much less each suits than what the verdict would take on that day: it
    takes much to leave that, so that the plan and the verdicts to come do not disagree.

    ``kept`` is the share of the pool that is still there at the next slot, ``gained`` [mg, 5]
    what comes meanwhile, ``need`` [mg, 5] what is taken. ``over_n`` is how much worse too much
    nitrogen is than too much of anything else.
    """

    ahead: int
    keys: tuple[str, ...]
    ranks: tuple[float, ...]
    brings: Array
    kept: float
    gained: Array
    need: Array
    over_n: float


@dataclass(frozen=True, eq=False)
class Problem:
    """A stop's slots; ``pool`` [mg, 5] is there at the first, ``top`` [mg, 5] is enough."""

    slots: tuple[Slot, ...]
    pool: Array
    top: Array


@dataclass(frozen=True)
class Solved:
    """Shares of each slot's can by source, and what a mg of each nutrient is worth there.

    Both by days ahead; worth in the order of ``NUTRIENTS``, what the last mg would spare.
    """

    shares: tuple[tuple[int, tuple[tuple[str, float], ...]], ...]
    worth: tuple[tuple[int, tuple[float, ...]], ...]


@dataclass(frozen=True, eq=False)
class Rows:
    """The program as the solver takes it: ``most @ x <= tops``, ``equal @ x = right``."""

    cost: Array
    most: csr_array
    tops: Array
    equal: csr_array
    right: Array


def solve(problem: Problem, dear: Mapping[str, float]) -> Solved:
    """The least of what is unmet, over and unsuitable.

    Parameters
    ----------
    problem : Problem
        At least one slot with a source.
    dear : mapping
        What each source costs besides: the price of a stock that would run out.
    """
    slots = problem.slots
    asked = [(turn, at) for turn, slot in enumerate(slots) for at in range(len(slot.keys))]
    if not asked:
        return Solved((), ())
    season = np.maximum(sum(slot.need for slot in slots), 0.0)
    counted = [n for n in range(len(NUTRIENTS)) if season[n] > _FEW_MG]
    rows = _rows(problem, asked, counted, season, dear)
    found = linprog(
        rows.cost, A_ub=rows.most, b_ub=rows.tops, A_eq=rows.equal, b_eq=rows.right,
        bounds=(0, None), method="highs-ds",
    )  # fmt: skip
    shares: dict[int, list[tuple[str, float]]] = {}
    for (turn, at), share in zip(asked, found.x, strict=False):
        if share > _TIE:
            shares.setdefault(slots[turn].ahead, []).append((slots[turn].keys[at], float(share)))
    worth = np.zeros((len(slots), len(NUTRIENTS)))
    worth[:, counted] = np.abs(found.eqlin.marginals.reshape(len(slots), len(counted)))
    return Solved(
        tuple((ahead, tuple(rows)) for ahead, rows in shares.items()),
        tuple((slot.ahead, tuple(row.tolist())) for slot, row in zip(slots, worth, strict=True)),
    )


def _rows(
    problem: Problem,
    asked: Sequence[tuple[int, int]],
    counted: list[int],
    season: Array,
    dear: Mapping[str, float],
) -> Rows:
    """Cost, bounds and balances; after the shares come pool, unmet and over, slot by slot."""
    slots, wide = problem.slots, len(counted)
    first, many = len(asked), len(slots) * wide
    rank = _RANK / len(slots)
    shares = [
        rank * (slots[turn].ranks[at] + dear.get(slots[turn].keys[at], 0.0)) + _TIE * number
        for number, (turn, at) in enumerate(asked)
    ]
    weight = WEIGHTS[counted] / season[counted]
    over = np.array([
        [weight[i] * (slot.over_n if NUTRIENTS[n] == "N" else _OVER)
         for i, n in enumerate(counted)]
        for slot in slots
    ])  # fmt: skip
    cost = np.concatenate(
        [shares, np.zeros(many), np.tile(_UNMET * weight, len(slots)), over.ravel()]
    )
    rows, columns, values = [], [], []

    def put(row: int, column: int, value: float) -> None:
        rows.append(row)
        columns.append(column)
        values.append(value)

    right = np.zeros(many)
    for turn, slot in enumerate(slots):
        for i, n in enumerate(counted):
            row = turn * wide + i
            put(row, first + row, 1.0)
            put(row, first + many + row, -1.0)
            right[row] = slot.gained[n] - slot.need[n]
            if turn == 0:
                right[row] += slot.kept * problem.pool[n]
            else:
                put(row, first + row - wide, -float(slot.kept))
    for column, (turn, at) in enumerate(asked):
        slot = slots[turn]
        for i, n in enumerate(counted):
            if slot.brings[at, n]:
                put(turn * wide + i, column, -float(slot.kept * slot.brings[at, n]))
    equal = coo_array((values, (rows, columns)), shape=(many, len(cost))).tocsr()
    one = np.ones(len(asked))
    sums = coo_array((one, ([turn for turn, _ in asked], range(first))), shape=(len(slots), first))
    pool, over_ = np.arange(first, first + many), np.arange(first + 2 * many, first + 3 * many)
    signs = np.concatenate([np.ones(many), -np.ones(many)])
    lines = np.tile(np.arange(many), 2) + len(slots)
    both = coo_array(
        (
            np.concatenate([sums.data, signs]),
            (
                np.concatenate([sums.coords[0], lines]),
                np.concatenate([sums.coords[1], pool, over_]),
            ),
        ),
        shape=(len(slots) + many, len(cost)),
    )
    tops = np.concatenate([np.ones(len(slots)), np.tile(problem.top[counted], len(slots))])
    return Rows(cost, both.tocsr(), tops, equal, right)
