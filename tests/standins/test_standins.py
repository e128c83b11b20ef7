"""The simulated pen and the tank it reads."""

import statistics
from datetime import UTC, datetime, timedelta

from django.test import SimpleTestCase

from dace.core.errors import DaceError
from dace.standins.pen import PenMake, SimulatedPen
from dace.standins.ports import Dipped
from dace.standins.tank import Pot, Pour, drain_ec, off

MAKE = PenMake("mS/cm", 10.0, 0.01, True)
NOW = datetime(2026, 7, 14, 17, 0, tzinfo=UTC)


def shown(make=MAKE, days=0.0, ec=1.2, warm=25.0, pen="pen", dip="dip"):
    return SimulatedPen(make, days, pen, dip).read(Dipped(ec, warm))


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
    SINCE = NOW - timedelta(days=60)

    def pours(self, *ecs, litres=5.0):
        days = range(len(ecs), 0, -1)
        return [Pour(NOW - timedelta(days=d), litres, ec) for d, ec in zip(days, ecs, strict=True)]

    def drain(self, pours, now=NOW, **more):
        return drain_ec(
            Pot(**{"seed": "tub", "since": self.SINCE, "holds_l": 20} | more), pours, now
        )

    def test_a_strong_can_yesterday_reads_higher_today(self):
        self.assertGreater(self.drain(self.pours(4.0)), self.drain(self.pours(0.8)))

    def test_it_nears_what_is_poured(self):
        """Thirty days of twice its water leave the pot near that can, a little concentrated."""
        settled = self.drain(self.pours(*[1.5] * 30, litres=40))
        self.assertTrue(1.35 < settled < 1.65, settled)

    def test_salts_of_the_tap_stay_and_rain_water_leaves_none(self):
        tap, rain = (self.drain([], uses_l_day=((0, 3.0),), tap_ec=ec) for ec in (0.65, 0.02))
        self.assertGreater(tap, 1.5 * rain)

    def test_what_is_still_to_come_does_not_show(self):
        future = [Pour(NOW + timedelta(days=1), 20, 9.0)]
        self.assertEqual(self.drain(future), self.drain([]))

    def test_order_of_telling_does_not_matter(self):
        pours = self.pours(0.8, 2.0, 1.2)
        self.assertEqual(self.drain(pours), self.drain(pours[::-1]))

    def test_a_flush_washes_out(self):
        salty = self.pours(*[4.0] * 6)
        flushed = self.drain([*salty, *[Pour(NOW, 7, 0.06)] * 3])
        self.assertLess(flushed, 0.7 * self.drain(salty))

    def test_pots_differ_and_each_stays_as_it_is(self):
        found = {self.drain([], seed=str(n)) for n in range(20)}
        self.assertEqual(len(found), 20)
        self.assertEqual(self.drain([], seed="3"), self.drain([], seed="3"))

    def test_what_is_off_is_off_the_same_way(self):
        self.assertEqual(off("can", 0.04), off("can", 0.04))
        spread = statistics.stdev(off(str(n), 0.04) for n in range(500))
        self.assertAlmostEqual(spread, 0.04, delta=0.006)
