"""Planting out, hardening off, potting on: beside what gardeners of a place say of their dates."""

import unittest
from dataclasses import replace
from datetime import date, timedelta

from dace.core.season.clock import stage_clock
from dace.core.season.crops import crop
from dace.core.season.looks import Begun, Look
from dace.core.year.moving import Raised, moving, out_on
from tests.core.season.test_clock import usual_outlook


def out(key, today=date(2026, 2, 1), where="cool_temperate"):
    return out_on(crop(key), usual_outlook(today, today - timedelta(days=60), where))


class PlantingOut(unittest.TestCase):
    def test_tender_crops_go_out_from_the_middle_of_may_at_51_north_and_beans_later(self):
        self.assertTrue(date(2026, 5, 5) <= out("chilli") <= date(2026, 5, 25), out("chilli"))
        self.assertTrue(date(2026, 5, 20) <= out("melon") <= date(2026, 6, 10), out("melon"))

    def test_hardy_ones_weeks_earlier_and_none_into_the_dark(self):
        self.assertLess(out("kale") + timedelta(weeks=3), out("chilli"))
        in_november = out("kale", date(2026, 11, 10))
        self.assertTrue(date(2027, 1, 15) <= in_november <= date(2027, 3, 15), in_november)

    def test_a_colder_spring_is_a_later_day_and_the_south_has_its_own(self):
        self.assertLess(out("chilli"), out("chilli", where="continental_cold"))
        south = out("chilli", date(2026, 8, 1), "southern_high")
        self.assertTrue(date(2026, 9, 10) <= south <= date(2026, 12, 1), south)


class Chillies(unittest.TestCase):
    """Sown in February on a sill, in pots of a litre, at three leaves and more by May."""

    def steps(self, today, warmer=0.0, **more):
        days = usual_outlook(today, warmer=warmer)
        looks = (Look("vegetative", today - timedelta(days=1)),)
        begun = Begun(date(2026, 2, 10), looks, indoors=True, shelter="indoors")
        clock = stage_clock(crop("chilli"), begun, days)
        return moving(Raised(crop("chilli"), clock, "indoors", 1.0, False, **more), days), days

    def test_hardened_off_for_ten_to_fourteen_days_before_they_go_out(self):
        steps, _ = self.steps(date(2026, 5, 1))
        kinds = {one.kind: one.on for one in steps}
        self.assertEqual(set(kinds), {"harden", "plant_out"})
        self.assertTrue(10 <= (kinds["plant_out"] - kinds["harden"]).days <= 14)

    def test_weeks_before_that_they_want_pots_two_to_four_times_as_large(self):
        steps, _ = self.steps(date(2026, 4, 1))
        self.assertEqual((steps[0].kind, steps[0].litres), ("pot_on", (2.0, 4.0)))
        self.assertEqual(steps[0].on, date(2026, 4, 1))

    def test_a_cold_night_is_a_pause_and_puts_planting_out_off(self):
        today = date(2026, 5, 20)
        mild, _ = self.steps(today, warmer=4.0, hardening_on=date(2026, 5, 12))
        self.assertEqual({one.kind for one in mild} & {"keep_in"}, set())
        self.assertEqual(mild[-1].on, today + timedelta(days=2))  # eight nights of ten were mild
        _, days = self.steps(today)
        lows = days.t_min.copy()
        lows[:, days.index(today) - 3 : days.index(today) + 2] = 5.0
        cold = replace(days, t_min=lows, worked_out={})
        begun = Begun(date(2026, 2, 10), (Look("vegetative", today),), shelter="indoors")
        raised = Raised(
            crop("chilli"), stage_clock(crop("chilli"), begun, cold), "indoors", 1.0, False,
            hardening_on=date(2026, 5, 12),
        )  # fmt: skip
        found = moving(raised, cold)
        self.assertEqual(found[0].kind, "keep_in")
        self.assertIn("5 °C", found[0].line)
        self.assertGreater(found[-1].on, mild[-1].on)

    def test_not_yet_is_a_week_and_what_stands_out_is_never_hardened_off(self):
        put_off, _ = self.steps(date(2026, 6, 15), later_on=date(2026, 6, 15))
        self.assertEqual(min(one.on for one in put_off), date(2026, 6, 22))
        steps, days = self.steps(date(2026, 6, 15))
        looks = (Look("vegetative", date(2026, 6, 14)),)
        clock = stage_clock(crop("chilli"), Begun(date(2026, 2, 10), looks), days)
        in_tub = Raised(crop("chilli"), clock, "open", 12.0, False)
        self.assertEqual(moving(in_tub, days), ())
        self.assertIn("harden", {one.kind for one in steps})
