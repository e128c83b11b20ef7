"""What a trial measures, how a pot's figures are gathered, and the coins."""

import unittest

from dace.core.errors import DaceError
from dace.core.response.measures import (
    check_measured,
    gathered,
    judge_after,
    toss,
    trial_measure,
    trial_measures,
    trial_wait,
    trial_waits,
)
from dace.core.response.pots import Pot, compared, paired_figures, side_figures
from dace.core.response.scales import scales


class Gathering(unittest.TestCase):
    def test_weights_are_summed_heights_as_last_scores_by_the_week(self):
        taken = [(8, 5.0), (0, 2.0), (1, 4.0)]
        for key, expected in (("harvest_g", 11), ("height_cm", 5), ("growth", 4)):
            self.assertEqual(gathered(trial_measure(key), taken), expected)
        self.assertIsNone(gathered(trial_measure("harvest_g"), []))

    def test_every_scale_can_be_measured(self):
        self.assertLessEqual(set(scales()), set(trial_measures()))
        self.assertRaises(DaceError, trial_measure, "charm")
        self.assertRaises(DaceError, check_measured, trial_measure("colour"), 5.5)
        self.assertRaises(DaceError, check_measured, trial_measure("height_cm"), float("nan"))
        self.assertEqual(check_measured(trial_measure("harvest_g"), 0), 0)


class Waiting(unittest.TestCase):
    def test_first_look_judgement_and_too_late_come_in_this_order(self):
        for wait in trial_waits().values():
            with self.subTest(wait.key):
                self.assertLessEqual(wait.first[0], wait.first[1])
                self.assertLessEqual(wait.first[1], wait.judge[0])
                self.assertLessEqual(wait.judge[1], wait.late)

    def test_a_drench_shows_in_leaves_after_ten_days_and_in_fruit_after_six_weeks(self):
        drench = trial_wait("drench")
        self.assertEqual(judge_after(drench, trial_measure("colour")), 10)
        self.assertEqual(judge_after(drench, trial_measure("fruits")), 42)
        self.assertEqual(judge_after(trial_wait("spray"), trial_measure("colour")), 10)


class Coins(unittest.TestCase):
    def test_half_are_fed_and_one_of_each_pair(self):
        for seed in range(40):
            sides = toss(12, True, seed)
            self.assertEqual([sides[n] + sides[n + 1] for n in range(0, 12, 2)], [1] * 6)
            self.assertEqual(sum(toss(8, False, seed)), 4)

    def test_they_are_fair_and_repeatable(self):
        first = sum(toss(2, True, seed)[0] for seed in range(2000))
        self.assertLess(abs(first - 1000), 4 * 22.4)  # four standard deviations of 2000 coins
        self.assertEqual(toss(20, True, 7), toss(20, True, 7))
        for odd in (0, 1, 7, 402):
            self.assertRaises(DaceError, toss, odd, True, 1)


class Sides(unittest.TestCase):
    def pots(self, *figures):
        return [
            Pot(n + 1, n // 2 + 1, n % 2 == 0, counts, ((0, figure),) if figure is not None else ())
            for n, (figure, counts) in enumerate(figures)
        ]

    def test_a_pair_counts_whole_or_not_at_all(self):
        weight = trial_measure("harvest_g")
        pots = self.pots((5, 1), (4, 1), (6, 1), (None, 1), (9, 0), (8, 1), (3, 1), (0, 1))
        self.assertEqual(paired_figures(weight, pots), [(5, 4), (3, 0)])
        self.assertEqual(side_figures(weight, pots, True), (5, 6, 3))

    def test_there_is_nothing_to_compare_with_nothing(self):
        weight = trial_measure("harvest_g")
        self.assertIsNone(compared(weight, self.pots((5, 1), (0, 1)), True, 0.2))
        self.assertIsNone(compared(weight, self.pots((5, 1), (None, 1)), False, 0.2))
        found = compared(weight, self.pots((5, 1), (4, 1)), True, 0.2)
        self.assertEqual((found.fed, found.unfed), ((5,), (4,)))
