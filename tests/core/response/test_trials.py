"""Trials against brute force, against luck alone, and against the power that is published."""

import itertools
import unittest

import numpy as np

from dace.core.errors import DaceError
from dace.core.response import exact
from dace.core.response.power import power, power_words
from dace.core.response.trials import Compared, judge_trial, pooled
from dace.core.shell.responses import trial

POWER = {
    5: ((23, 58, 86), (14, 32, 58)),
    6: ((41, 82, 97), (22, 54, 80)),
    8: ((53, 94, 100), (31, 69, 93)),
    10: ((64, 97, 100), (39, 81, 98)),
}


def chance_of_pairs(differences, shift):
    moved = [d - shift for d in differences]
    seen, hits, ways = abs(sum(moved)), 0, 0
    for signs in itertools.product((1, -1), repeat=len(moved)):
        ways += 1
        hits += abs(sum(s * d for s, d in zip(signs, moved, strict=True))) >= seen - 1e-9
    return hits / ways


def chance_of_groups(fed, unfed, shift):
    values = [one - shift for one in fed] + list(unfed)
    count, total = len(fed), sum(values)
    seen = abs(sum(values[:count]) / count - sum(values[count:]) / len(unfed))
    hits = ways = 0
    for chosen in itertools.combinations(range(len(values)), count):
        ways += 1
        mine = sum(values[at] for at in chosen)
        hits += abs(mine / count - (total - mine) / len(unfed)) >= seen - 1e-9
    return hits / ways


class BruteForce(unittest.TestCase):
    def assert_ends(self, ends, chance):
        """Just inside an end a shift is kept, just outside it is refused."""
        low, high = ends
        for end, outwards in ((low, -1), (high, 1)):
            if end is None:
                self.assertGreater(chance(outwards * 1e6), 0.10)
                continue
            self.assertGreater(max(chance(end), chance(end - outwards * 1e-6)), 0.10)
            self.assertLessEqual(chance(end + outwards * 1e-6), 0.10)

    def test_a_hundred_small_trials_in_pairs(self):
        rng = np.random.default_rng(5)
        for _ in range(100):
            n = int(rng.integers(3, 8))
            d = np.round(rng.normal(rng.uniform(-1, 2), 1, n), int(rng.integers(0, 3)))
            self.assertAlmostEqual(exact.p_of_pairs(d), chance_of_pairs(d, 0.0))
            self.assert_ends(exact.ends_of_pairs(d), lambda s, d=d: chance_of_pairs(d, s))

    def test_a_hundred_small_trials_of_two_groups(self):
        rng = np.random.default_rng(6)
        for _ in range(100):
            fed = np.round(rng.normal(1 + rng.uniform(-0.5, 1), 0.4, int(rng.integers(3, 6))), 2)
            unfed = np.round(rng.normal(1, 0.4, int(rng.integers(3, 6))), 2)
            self.assertAlmostEqual(exact.p_of_groups(fed, unfed), chance_of_groups(fed, unfed, 0.0))
            self.assert_ends(
                exact.ends_of_groups(fed, unfed),
                lambda s, f=fed, u=unfed: chance_of_groups(f, u, s),
            )

    def test_eight_pairs_and_more_have_exact_ends_too(self):
        rng = np.random.default_rng(7)
        for n in (8, 9, 11):
            d = rng.normal(1.0, 2.0, n)
            self.assert_ends(exact.ends_of_pairs(d), lambda s, d=d: chance_of_pairs(d, s))

    def test_the_interval_of_eight_pairs_holds_the_truth_nine_times_in_ten(self):
        held = 0
        for seed in range(300):
            d = np.random.default_rng(seed).normal(3.0, 10.0, 8)
            low, high = exact.ends_of_pairs(d)
            held += (low is None or low <= 3.0) and (high is None or high >= 3.0)
        self.assertGreaterEqual(held / 300, 0.88)

    def test_two_hundred_pairs_end_where_they_begin_to_be_refused(self):
        d = np.random.default_rng(8).normal(4.0, 9.0, 200)
        low, high = exact.ends_of_pairs(d)
        half = 1.645 * d.std(ddof=1) / np.sqrt(200)  # by the normal law, for so many
        self.assertAlmostEqual(low, d.mean() - half, delta=0.1)
        self.assertAlmostEqual(high, d.mean() + half, delta=0.1)

    def test_the_least_that_so_few_can_show(self):
        self.assertEqual(exact.smallest_p(6), 2 / 64)
        self.assertAlmostEqual(exact.smallest_p_of_groups(4, 4), 2 / 70)
        self.assertAlmostEqual(exact.smallest_p_of_groups(3, 3), 0.10)


class Verdicts(unittest.TestCase):
    def test_three_a_side_never_tell(self):
        found = judge_trial(Compared("grams", (300, 310, 320), (100, 101, 99), False))
        self.assertEqual(found.verdict, "cannot_tell")
        self.assertIn("pairs would show a gain of 20 %", found.enough)

    def test_clear_gains_losses_and_nothing_worth_it(self):
        unfed = (100, 104, 96, 101, 99, 103, 97, 100)
        for change, verdict in ((1.4, "helped"), (0.6, "harmed"), (1.01, "no_worthwhile_effect")):
            wobble = (1.02, 0.98, 1.01, 0.99, 1.0, 1.02, 0.98, 1.0)
            fed = tuple(u * change * w for u, w in zip(unfed, wobble, strict=True))
            self.assertEqual(judge_trial(Compared("g", fed, unfed, True)).verdict, verdict)
        self.assertAlmostEqual(judge_trial(Compared("g", fed, unfed, True)).gain, 0.01, delta=0.02)

    def test_luck_alone_is_called_an_effect_one_time_in_ten_at_most(self):
        rng, called = np.random.default_rng(8), 0
        for turn in range(1000):
            n, paired = (6, 7, 5)[turn % 3], turn % 2 == 0
            fed, unfed = rng.normal(1, 0.25, (2, n)).clip(0.05)
            found = judge_trial(Compared("g", tuple(fed), tuple(unfed), paired))
            called += found.verdict in ("helped", "harmed")
            low, high = found.interval
            if found.verdict == "helped":
                self.assertGreater(low, 0)
            if low is not None and high is not None and low <= 0 <= high:
                self.assertNotIn(found.verdict, ("helped", "harmed"))
        self.assertLessEqual(called, 120)

    def test_power_is_that_of_the_published_table(self):
        self.assertEqual(power(4, 0.2, 0.5), 0.0)
        for pairs, rows in POWER.items():
            for cv, row in zip((0.2, 0.3), rows, strict=True):
                for gain, wanted in zip((0.15, 0.3, 0.5), row, strict=True):
                    self.assertAlmostEqual(100 * power(pairs, cv, gain), wanted, delta=5)

    def test_before_it_starts_it_says_what_it_can_tell(self):
        said = power_words(3, False, 0.3)
        self.assertIn("not even a large difference", said)
        self.assertIn("six pairs of plants that differ by 30 %", said)
        self.assertIn("about half the time", said)

    def test_earlier_trials_of_a_feed_are_pooled_by_their_own_unfed(self):
        first = Compared("g", (110, 120, 115), (100, 100, 100), True)
        second = Compared("kg", (1.3, 1.2, 1.25), (1.0, 1.1, 0.9), True)
        both = pooled([first, second])
        self.assertEqual(len(both.fed), 6)
        self.assertEqual(judge_trial(both).verdict, "helped")

    def test_the_calculator_and_what_it_refuses(self):
        found = trial({"measure": "grams", "pairs": [[12, 10], [13, 11], [11, 12]]})
        self.assertEqual(found["verdict"], "cannot_tell")
        self.assertEqual(found["interval_percent"], [None, None])
        self.assertEqual(found["smallest_p"], 0.25)
        for given, field in (
            ({"measure": "g", "pairs": [[1, 2, 3]]}, "pairs"),
            ({"measure": "g", "fed": [1], "unfed": []}, "fed"),
            ({"measure": "g", "fed": [1, 2], "unfed": [0, 0]}, "unfed"),
            ({"measure": "g", "pairs": [[1, 2]], "worthwhile_percent": 0}, "worthwhile_percent"),
        ):
            with self.assertRaises(DaceError) as caught:
                trial(given)
            self.assertEqual(caught.exception.field, field)
