"""The filter against pots of another make, readings that jump, and the word of a saltier one."""

import unittest
from datetime import timedelta

import numpy as np

from dace.core.rootzone.flush import flush
from dace.core.rootzone.follow import follow
from dace.core.rootzone.meaning import WORDS, comfort, next_feed, word_now
from dace.core.season.crops import crops
from tests.core import counts
from tests.core.rootzone.layered import layered_season
from tests.core.rootzone.pots import RAIN, grown, read_at, weather, zone
from tests.core.rootzone.simulated import FIRST

POTS = counts.of(50, 40)
GRAVER = list(WORDS)


class Layers(unittest.TestCase):
    def test_bands_hold_what_is_read_next_and_what_drains(self):
        pots = [layered_season(seed, 30) for seed in range(POTS)]
        found = [
            follow(zone(told, seed + 1), weather(90), 0) for seed, (_, told) in enumerate(pots)
        ]
        for after in (5, 20):
            read, drained = [], []
            for one, (_, told) in zip(found, pots, strict=True):
                looked = one.looked[after]
                read.append(looked.low <= looked.sample.value <= looked.high)
                day = (told.readings[after][0] - FIRST).days
                drained.append(one.ec[0, day] <= told.truths[after] <= one.ec[2, day])
            self.assertTrue(0.70 <= np.mean(read) <= 0.92, (after, np.mean(read)))
            self.assertTrue(0.70 <= np.mean(drained) <= 0.92, (after, np.mean(drained)))

    def test_a_flush_meets_its_target(self):
        misses = []
        for seed in range(POTS):
            pot, told = layered_season(2000 + seed, 6, 60)
            told.readings.append((FIRST + timedelta(days=59), pot.read()))
            found = follow(zone(told, seed + 1), weather(60), 0)
            plan = flush(found, RAIN, 0.6 * found.now[1])
            for _ in range(plan.goes):
                pot.pour(plan.each_l, 0.06)
            pot.day(1.0, 1.0)
            misses.append(abs(pot.drain() / plan.target - 1))
        self.assertLessEqual(np.median(misses), 0.25)


class Jumps(unittest.TestCase):
    low = tuple((day, 2.0) for day in (40, 34, 28, 22))

    def word(self, *readings, **more):
        found = read_at(*readings, **more)
        return word_now(found, comfort(found.root_zone, FIRST + timedelta(days=59)))

    def test_a_single_high_one_is_read_again_and_never_fed(self):
        found = read_at(*self.low, (3, 6.0))
        self.assertTrue(found.looked[-1].doubt)
        said = next_feed(found)
        self.assertEqual(said.say, "plain")
        self.assertIn("again", said.words)
        self.assertIn(self.word(*self.low, (3, 6.0)), ("too_salty", "burning"))

    def test_the_second_is_believed(self):
        found = read_at(*self.low, (9, 6.0), (3, 6.0))
        self.assertTrue(found.looked[-1].again)
        self.assertGreater(found.now[1], 4.5)
        self.assertNotIn(next_feed(found).say, ("same", "stronger", "weaker"))
        more = read_at(*self.low, (16, 6.0), (12, 6.0), (8, 6.0), (4, 6.0), (1, 6.0))
        self.assertGreater(more.now[1], 4.5)

    def test_down_as_well(self):
        high = tuple((day, 5.0) for day in (40, 34, 28, 22))
        found = read_at(*high, (9, 1.2), (3, 1.2))
        self.assertTrue(found.looked[-1].again)
        self.assertLess(found.now[1], 2.0)

    def test_the_saltier_the_reading_the_graver_the_word(self):
        for key, one in list(crops().items())[:: counts.of(1, 4)]:
            for turn in (len(one.stages) // 2,):
                begun = sum(round(s.duration_days.typ) for s in one.stages[:turn]) + 1
                growing = (grown(key, FIRST, FIRST + timedelta(days=59 - begun)),)
                words = [
                    self.word((2, ec), growing=growing)
                    for ec in (0.3, 0.8, 1.6, 2.5, 5.0, 9.0, 15.0)
                ]
                ranks = [GRAVER.index(word) for word in words]
                self.assertEqual(ranks, sorted(ranks), (key, turn, words))
