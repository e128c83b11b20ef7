"""The program of a stop's weeks, against sums by hand and every mixture of a fine grid."""

import unittest

import numpy as np

from dace.core.plan.problem import WEIGHTS, Problem, Slot, solve


def slot(ahead, brings, ranks=(0.0, 0.0), need=100.0, over_n=1.0):
    """Two sources; only nitrogen and potassium are needed."""
    return Slot(
        ahead=ahead,
        keys=("first", "second"),
        ranks=ranks,
        brings=np.array(brings, dtype=float),
        kept=1.0,
        gained=np.zeros(5),
        need=np.array([need, 0.0, need, 0.0, 0.0]),
        over_n=over_n,
    )


def only(nitrogen, potassium):
    return [nitrogen, 0.0, potassium, 0.0, 0.0]


def cost(found, shares):
    """What the program minimises, worked out plainly."""
    season = sum(one.need for one in found.slots)
    pool, total = found.pool.copy(), 0.0
    for one, share in zip(found.slots, shares, strict=True):
        pool = one.kept * (pool + share @ one.brings) + one.gained - one.need
        unmet = np.maximum(0.0, -pool)
        pool += unmet
        over = np.maximum(0.0, pool - found.top)
        for n in (0, 2):
            worse = one.over_n if n == 0 else 1.0
            total += WEIGHTS[n] * (3 * unmet[n] + worse * over[n]) / season[n]
        total += 12.0 / len(found.slots) * float(share @ np.array(one.ranks))
    return total


class Weeks(unittest.TestCase):
    def shares(self, found, dear=None):
        told = dict(solve(found, dear or {}).shares)
        rows = [dict(told.get(one.ahead, ())) for one in found.slots]
        return [np.array([row.get("first", 0.0), row.get("second", 0.0)]) for row in rows]

    def test_a_week_is_fed_from_what_suits_best_and_no_can_is_overfull(self):
        found = Problem(
            (slot(7, [only(50, 50), only(50, 50)], (0.0, 0.1)),), np.zeros(5), np.full(5, 500.0)
        )
        (share,) = self.shares(found)
        np.testing.assert_allclose(share, [1.0, 0.0], atol=1e-9)

    def test_what_is_there_already_is_not_fed_again(self):
        found = Problem(
            (slot(7, [only(50, 50), only(50, 50)], (0.01, 0.1)),),
            np.full(5, 200.0),
            np.full(5, 90.0),
        )
        (share,) = self.shares(found)
        np.testing.assert_allclose(share, [0.0, 0.0], atol=1e-9)

    def test_a_stock_that_would_run_out_gives_way(self):
        found = Problem(
            (slot(7, [only(50, 50), only(45, 45)], (0.0, 0.01)),), np.zeros(5), np.full(5, 500.0)
        )
        (share,) = self.shares(found, {"first": 0.5})
        self.assertGreater(share[1], share[0])

    def test_no_mixture_of_a_grid_costs_less(self):
        grid = [np.array([a, b]) for a in np.linspace(0, 1, 21) for b in np.linspace(0, 1 - a, 21)]
        chance = np.random.default_rng(3)
        for _ in range(6):
            slots = tuple(
                slot(
                    7 * turn,
                    [only(*chance.uniform(10, 120, 2)), only(*chance.uniform(10, 120, 2))],
                    tuple(chance.uniform(0, 0.02, 2)),
                    over_n=float(chance.choice([1.0, 8.0])),
                )
                for turn in (1, 2)
            )
            found = Problem(slots, chance.uniform(0, 60, 5), np.full(5, 40.0))
            best = cost(found, self.shares(found))
            least = min(cost(found, (a, b)) for a in grid[::5] for b in grid[::5])
            self.assertLessEqual(best, least + 1e-6)

    def test_the_same_is_solved_the_same(self):
        found = Problem((slot(7, [only(60, 20), only(20, 60)]),), np.zeros(5), np.full(5, 500.0))
        self.assertEqual(solve(found, {}), solve(found, {}))
