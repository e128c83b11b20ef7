"""The simulated pen and the tank it reads."""

import statistics
from datetime import UTC, datetime, timedelta

from django.test import SimpleTestCase

from dace.core.errors import DaceError
from dace.standins.pen import PenMake, SimulatedPen
from dace.standins.ports import Liquid
from dace.standins.tank import Pour, drain_ec, off

MAKE = PenMake("mS/cm", 10.0, 0.01, True)
NOW = datetime(2026, 7, 14, 17, 0, tzinfo=UTC)


def shown(make=MAKE, days=0.0, ec=1.2, warm=25.0, pen="pen", dip="dip"):
    return SimulatedPen(make, days, pen, dip).read(Liquid(ec, warm))


class Pen(SimpleTestCase):
    def test_the_same_dip_shows_the_same_number(self):
        self.assertEqual(shown(), shown())
        many = {shown(dip=str(n)).value for n in range(20)}
        self.assertGreater(len(many), 1)

    def test_a_fresh_pen_is_right_within_three_percent(self):
        read = [shown(dip=str(n)).value for n in range(200)]
        self.assertAlmostEqual(statistics.mean(read) / 1.2, 1, delta=0.005)
        self.assertLess(max(abs(v / 1.2 - 1) for v in read), 0.04)

    def test_it_drifts_until_it_is_calibrated(self):
        """About 10 % either way after sixty days, as uncalibrated pens go."""
        off_by = [abs(shown(days=60, pen=str(n)).value / 1.2 - 1) for n in range(200)]
        fresh = [abs(shown(days=0, pen=str(n)).value / 1.2 - 1) for n in range(200)]
        self.assertGreater(statistics.median(off_by), 3 * statistics.median(fresh))
        self.assertTrue(0.03 < statistics.median(off_by) < 0.12)

    def test_its_steps_and_scales(self):
        coarse = PenMake("mS/cm", 10.0, 0.1, True)
        tenths = shown(coarse).value * 10
        self.assertAlmostEqual(tenths, round(tenths), places=6)
        for scale, factor in (("uS/cm", 1000), ("ppm500", 500), ("ppm700", 700)):
            make = PenMake(scale, 10.0, 0.01, True)
            self.assertAlmostEqual(shown(make).value, shown().value * factor, places=3)

    def test_without_compensation_cold_liquid_reads_low(self):
        make = PenMake("mS/cm", 10.0, 0.001, False)
        self.assertAlmostEqual(shown(make, warm=10).value / shown(make).value, 0.708, delta=0.005)
        self.assertEqual(shown(warm=10).value, shown(warm=25).value)

    def test_beyond_its_range_it_shows_nothing(self):
        with self.assertRaises(DaceError) as caught:
            shown(ec=12.0)
        self.assertIn("dilute", caught.exception.would_do)
        self.assertEqual(shown(ec=0.0001).value, 0.01)


class Tank(SimpleTestCase):
    def pours(self, *ecs, litres=5.0):
        days = range(len(ecs), 0, -1)
        return [Pour(NOW - timedelta(days=d), litres, ec) for d, ec in zip(days, ecs, strict=True)]

    def test_a_strong_can_yesterday_reads_higher_today(self):
        weak = drain_ec("tub", 20, self.pours(0.8), NOW)
        strong = drain_ec("tub", 20, self.pours(4.0), NOW)
        self.assertGreater(strong, weak)

    def test_it_nears_what_is_poured(self):
        """Twenty times the same can leaves the pot near that can, a little concentrated."""
        settled = drain_ec("tub", 20, self.pours(*[1.5] * 20, litres=10), NOW)
        self.assertTrue(1.45 < settled < 1.6)

    def test_it_dries_and_salts_stay(self):
        pour = [Pour(NOW - timedelta(days=6), 5, 1.5)]
        later = drain_ec("tub", 20, pour, NOW)
        at_once = drain_ec("tub", 20, pour, NOW - timedelta(days=6))
        self.assertGreater(later, at_once)
        months = drain_ec("tub", 20, pour, NOW + timedelta(days=200))
        self.assertLess(months, 1.5 * at_once)

    def test_what_is_still_to_come_does_not_show(self):
        future = [Pour(NOW + timedelta(days=1), 20, 9.0)]
        self.assertEqual(drain_ec("tub", 20, future, NOW), drain_ec("tub", 20, [], NOW))

    def test_order_of_telling_does_not_matter(self):
        pours = self.pours(0.8, 2.0, 1.2)
        self.assertEqual(drain_ec("t", 20, pours, NOW), drain_ec("t", 20, pours[::-1], NOW))

    def test_a_flush_washes_out(self):
        salty = self.pours(*[4.0] * 6)
        before = drain_ec("tub", 20, salty, NOW)
        flushed = drain_ec("tub", 20, [*salty, Pour(NOW, 20, 0.06)], NOW)
        self.assertLess(flushed, 0.4 * before)

    def test_what_is_off_is_off_the_same_way(self):
        self.assertEqual(off("can", 0.04), off("can", 0.04))
        spread = statistics.stdev(off(str(n), 0.04) for n in range(500))
        self.assertAlmostEqual(spread, 0.04, delta=0.006)
