"""A flush: how much, in goes, and what is left after it."""

import math
import unittest
from dataclasses import replace
from datetime import timedelta

import numpy as np

from dace.core.errors import DaceError
from dace.core.rootzone.bucket import WIDE
from dace.core.rootzone.flush import after_flush, flush
from dace.core.rootzone.follow import follow
from dace.core.rootzone.records import (
    Poured,
    Sampled,
    with_charge,
)
from tests.core import counts
from tests.core.rootzone.pots import (
    RAIN,
    read_at,
    weather,
    zone,
)
from tests.core.rootzone.simulated import FIRST, season

POTS = counts.of(200, 32)
# litres that 40 L of fresh mix hold, and the share of a pour that mixes: both at their ends
HELD_AND_MIXED = ((16.0, 0.95), (20.0, 0.75), (24.0, 0.5))


class Flushing(unittest.TestCase):
    seconds_each = 1

    def test_it_meets_its_target_and_better_with_a_reading_between(self):
        straight, between, held = [], [], []
        last = FIRST + timedelta(days=59)
        for seed in range(POTS):
            pot, told = season(1000 + seed, 6, days=60)
            told.readings.append((last, pot.read(3, 1.5)))
            found = follow(zone(told, seed + 1), weather(60), 0)
            target = 0.6 * found.now[1]
            plan = flush(found, RAIN, target)
            other = season(1000 + seed, 6, days=60)[0]
            other.rng.setstate(pot.rng.getstate())
            for _ in range(plan.goes):
                other.pour(plan.each_l, 0.6)
            other.day(1.0, 1.0)
            straight.append(abs(other.drain() / target - 1))
            held.append(plan.after.low <= other.drain() <= plan.after.high)
            for _ in range(plan.read_after):
                pot.pour(plan.each_l, 0.6)
            pot.day(1.0, 1.0)
            goes = [Poured(last, plan.each_l, RAIN, False, 20.0)] * plan.read_after
            known = zone(told, seed + 1)
            known = replace(
                known,
                poured=(*known.poured, *goes),
                samples=(*known.samples, Sampled(last + timedelta(days=1), pot.read(9, 1))),
            )
            rest = flush(follow(known, weather(61), 0), RAIN, target)
            if rest is not None:
                for _ in range(rest.goes):
                    pot.pour(rest.each_l, 0.6)
            pot.day(1.0, 1.0)
            between.append(abs(pot.drain() / target - 1))
        self.assertLessEqual(np.median(straight), 0.20)
        self.assertLess(np.median(between), np.median(straight))
        self.assertTrue(0.70 <= np.mean(held) <= 0.97, np.mean(held))

    def test_a_tub_and_a_pot_get_different_litres(self):
        tub, pot = (flush(read_at((1, 3.9), (4, 3.8), litres=v), RAIN) for v in (40.0, 12.0))
        self.assertAlmostEqual(tub.litres.value / pot.litres.value, 40 / 12, delta=0.7)
        self.assertLess(tub.each_l * tub.goes - tub.litres.value, 1e-9)

    def test_by_hand(self):
        """40 L hold 16 to 24 L, of a pour .5 to .95 mixes, and 1 - 2.08 / 3.9 is to leave."""
        plan = flush(read_at((0, 3.9), (1, 3.9), (2, 3.9), (3, 3.9)), RAIN)
        self.assertAlmostEqual(plan.target, 0.8 * 2.6)
        falls = 0.9 * (1 - 2.08 / 3.9) + 0.1 * math.log(3.9 / 2.08)
        # and to wet it again, between nothing and half of what it holds
        least, usual, most = (held / mixes * falls for held, mixes in HELD_AND_MIXED)
        self.assertTrue(least < plan.litres.value < most + 12, plan.litres)
        self.assertAlmostEqual(plan.litres.value / (usual + 5), 1, delta=0.35)
        self.assertIn(plan.goes, (1, 2, 3))

    def test_water_saltier_than_the_target_is_refused_and_none_is_needed_below_it(self):
        with self.assertRaises(DaceError):
            flush(read_at((0, 3.9)), with_charge((0.0,) * WIDE, 3.0))
        self.assertIsNone(flush(read_at((0, 1.2), (2, 1.2)), RAIN))

    def test_more_water_takes_it_lower(self):
        found = read_at((0, 3.9))
        after = [after_flush(found, litres, RAIN).value for litres in (5.0, 15.0, 30.0)]
        self.assertEqual(after, sorted(after, reverse=True))
