"""How much of each source comes nearest to a wish: a linear program below a curved cap.

Notes
-----
The miss of a can is piecewise linear in the amounts, so the nearest can is a linear
program. A cap on conductivity is not linear: feeds slow each other's ions, so that the
conductivity of a mix is concave in the amounts. The program is solved with the slopes at
the cap, scaled back to it where the mix reads more, and solved again with the slopes at
the can it found, which never lets a can over the cap, until nothing is gained.
"""

from __future__ import annotations

import math
from dataclasses import dataclass

import numpy as np
from numpy.typing import ArrayLike, NDArray
from scipy.optimize import linprog

from dace.core.can.ingredient import NEAT, feed_ph
from dace.core.can.miss import WEIGHTS, WITHIN, miss
from dace.core.can.mix_asked import MixAsked, adds_of, barred_pairs, limits_of, most_of
from dace.core.matter.clashes import meeting
from dace.core.matter.conductivity import IONS, ec_25
from dace.core.matter.nutrients import NUTRIENTS

Array = NDArray[np.float64]
_PASSES = 6
_GAINED, _STEP, _TRACE = 1e-4, 1e-4, 1e-9
_ROUNDS = 3
_NEARLY_AS_GOOD = 1.002


@dataclass(frozen=True)
class Found:
    """Amounts of each source a litre [mL or g], in their order, and how far that is off."""

    per_l: tuple[float, ...]
    miss: float
    feed_ec: float


@dataclass(frozen=True)
class _Plane:
    """Slopes of conductivity by source, and the room that their sum may fill [mS/cm]."""

    slopes: Array
    room: float | None


class Problem:
    """The sources of a can as a linear program."""

    def __init__(self, asked: MixAsked) -> None:
        self.asked = asked
        self.sources = asked.sources
        self.most = np.array([most_of(one, asked) for one in self.sources])
        self.adds = np.array([adds_of(one.feed, asked.water) for one in self.sources]).T
        self.plain = np.array([asked.water.of("NO3_N" if n == "N" else n) for n in NUTRIENTS])
        self.ions = np.array([[dict(o.feed.mg).get(k, 0.0) for o in self.sources] for k in IONS])
        self.slopes = self._slopes_at_cap()
        self.limits = limits_of(asked) if asked.in_pot else []
        self.never = barred_pairs([meeting(o.name, o.feed, o.tokens) for o in self.sources])
        self._tangent_at: _Plane | None = None
        self._solved: dict[frozenset[int], Found] = {}

    def solve(self, allowed: frozenset[int]) -> Found:
        """The nearest can with only these sources, no pair of which is barred."""
        if allowed not in self._solved:
            found = self._nearest(allowed)
            used = used_in(found)
            barred = next((pair for pair in self.never if pair <= used), None)
            if barred:
                found = min((self.solve(allowed - {one}) for one in barred), key=lambda f: f.miss)
            self._solved[allowed] = found
        return self._solved[allowed]

    def held(self, per_l: ArrayLike) -> dict[str, float]:
        """mg/L of each nutrient, water included."""
        c = self.plain + self.adds @ np.asarray(per_l)
        return dict(zip(NUTRIENTS, c.tolist(), strict=True))

    def _nearest(self, allowed: frozenset[int]) -> Found:
        usable = [turn for turn in sorted(allowed) if self.most[turn] > 0]
        none = np.zeros(len(self.sources))
        nothing = Found(tuple(none.tolist()), self._miss(none), 0.0)
        if not usable:
            return nothing
        best, tangent = self._from(self._start, usable)
        for _ in range(_PASSES):
            if tangent is None:
                break
            again, tangent = self._from(tangent, usable)
            gained = best.miss - again.miss
            best = min(best, again, key=lambda f: f.miss)
            if gained <= _GAINED * best.miss:
                break
        if self._tangent_at is None:
            self._tangent_at = tangent
        return min(best, nothing, key=lambda f: f.miss)

    @property
    def _start(self) -> _Plane:
        """The plane to begin with: that of the first can found, or the slopes at the cap."""
        return self._tangent_at or _Plane(self.slopes, self.asked.cap)

    def _from(self, plane: _Plane, usable: list[int]) -> tuple[Found, _Plane | None]:
        """The program below a plane of conductivity, scaled back to the true cap where over it.

        Also the plane that touches there; None where no cap bounds the can.
        """
        per_l = np.zeros(len(self.sources))
        per_l[usable] = self._program(plane, usable)
        per_l[per_l < _TRACE] = 0.0
        cap = self.asked.cap
        ec, touching = self._touching(per_l)
        if cap is not None and touching is not None and ec > cap:
            # a mix lies below the plane that touches it: where the plane meets the cap, it fits
            salts = float(touching.slopes @ per_l)
            per_l = per_l * (max(0.0, 1 - (ec - cap) / salts) if salts > 0 else 0.0)
            ec, touching = self._touching(per_l)
        elif plane.room is None or plane.slopes @ per_l < plane.room - _GAINED:
            touching = None  # the cap binds nothing
        return Found(tuple(per_l.tolist()), self._miss(per_l), ec), touching

    def _program(self, plane: _Plane, usable: list[int]) -> Array:
        n = len(usable)
        wished = [i for i, name in enumerate(NUTRIENTS) if self._typ(name) > 0]
        cost, sides = np.zeros(n + 4 * len(wished)), []
        bounds = [(0.0, float(self.most[turn])) for turn in usable]
        equal = np.zeros((len(wished), n + 4 * len(wished)))
        for row, i in enumerate(wished):
            wish, at = self.asked.wish[NUTRIENTS[i]], n + 4 * row
            weight = WEIGHTS[NUTRIENTS[i]] / wish.typ
            equal[row, :n] = self.adds[i, usable]
            equal[row, at : at + 4] = (-1, -1, 1, 1)
            cost[at : at + 4] = weight * np.array([WITHIN, 1, WITHIN, 1])
            bounds += [
                (0, wish.high - wish.typ),
                (0, math.inf),
                (0, wish.typ - wish.low),
                (0, math.inf),
            ]
            sides.append(wish.typ - self.plain[i])
        above, most = self._bounded(plane, usable, len(cost))
        solved = linprog(
            cost,
            A_ub=above if len(most) else None,
            b_ub=most if len(most) else None,
            A_eq=equal if sides else None,
            b_eq=sides or None,
            bounds=bounds,
            method="highs-ds",
        )
        if solved.x is None:
            return np.zeros(n)
        return np.asarray(np.clip(solved.x[:n], 0.0, [b[1] for b in bounds[:n]]))

    def _bounded(self, plane: _Plane, usable: list[int], wide: int) -> tuple[Array, list[float]]:
        """Rows that bound sums of the amounts: conductivity, the can's own volume, limits."""
        rows, most = [], []
        if plane.room is not None:
            rows.append(plane.slopes[usable])
            most.append(plane.room)
        liquid = np.array([float(self.sources[turn].feed.unit == "mL") for turn in usable])
        rows.append(liquid)
        most.append(NEAT)
        for coefficients, limit in self.limits:
            rows.append(coefficients[usable])
            most.append(limit)
        above = np.zeros((len(rows), wide))
        for at, row in enumerate(rows):
            above[at, : len(usable)] = row
        return above, most

    def _slopes_at_cap(self) -> Array:
        """Conductivity that a mL or g in a litre adds, where each feed alone meets the cap."""
        cap, n = self.asked.cap, len(self.sources)
        if not cap or n == 0:
            return np.zeros(n)
        amounts = np.ones(n)
        for _ in range(_ROUNDS):
            slopes = np.maximum(self._ec_many(np.diag(amounts)) / amounts, 1e-9)
            amounts = np.minimum(cap / slopes, NEAT)
        return np.asarray(slopes)

    def _touching(self, per_l: Array) -> tuple[float, _Plane | None]:
        """What a can reads [mS/cm], and the plane that touches its conductivity there."""
        if self.asked.cap is None:
            return float(self._ec_many(per_l[None, :])[0]), None
        n = len(self.sources)
        step = _STEP * np.maximum(per_l, 0.01 / np.maximum(self.slopes, 1e-6))
        cans = np.tile(per_l, (n + 1, 1))
        cans[np.arange(1, n + 1), np.arange(n)] += step
        ec = self._ec_many(cans)
        slopes = (ec[1:] - ec[0]) / step
        return float(ec[0]), _Plane(slopes, self.asked.cap - float(ec[0] - slopes @ per_l))

    def _ec_many(self, cans: Array) -> Array:
        held = self.ions @ cans.T
        return np.asarray(ec_25(dict(zip(IONS, held, strict=True)), feed_ph()))

    def _typ(self, name: str) -> float:
        wish = self.asked.wish.get(name)
        return wish.typ if wish is not None else 0.0

    def _miss(self, per_l: Array) -> float:
        return miss(self.held(per_l), self.asked.wish)


def nearest(asked: MixAsked) -> tuple[Problem, Found]:
    """The can that misses least, with no source that hardly changes that.

    Parameters
    ----------
    asked : MixAsked
        Sources, water, wish and cap.

    Returns
    -------
    tuple of Problem and Found
        The miss is within half of one per cent of the least there is.
    """
    problem = Problem(asked)
    found = problem.solve(frozenset(range(len(asked.sources))))
    bound = found.miss * _NEARLY_AS_GOOD + asked.hardly
    while True:
        used = used_in(found)
        if len(used) < 2:
            return problem, found
        simpler = [problem.solve(used - {one}) for one in sorted(used)]
        best = min(simpler, key=lambda f: f.miss)
        if best.miss > bound:
            return problem, found
        found = best


def used_in(found: Found) -> frozenset[int]:
    """Which sources a can takes."""
    return frozenset(turn for turn, amount in enumerate(found.per_l) if amount > 0)
