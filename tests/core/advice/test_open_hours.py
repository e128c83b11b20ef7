"""Hours that are open for a spray, a drench and a dressing, at the edge of each limit."""

import unittest
from dataclasses import replace
from datetime import date

from dace.core.advice.open_hours import Asked, open_hours, runs, said_now
from dace.core.season.climate import climate
from dace.core.season.hours import (
    DAY_H,
    DayTold,
    Hours,
    usual_hours,
    vapour_kpa,
    wet_bulb_depression,
)

JULY = date(2026, 7, 14)


def calm(**one):
    """Two mild, dull, still days; ``one`` sets a row to a value all through."""
    rows = {"temp_c": 18.0, "humidity": 70.0, "wind_m_s": 1.0, "sun_w_m2": 150.0, "rain_mm": 0.0}
    return Hours(JULY, **{name: (value,) * 2 * DAY_H for name, value in (rows | one).items()})


def at(hours, hour, value, row="rain_mm"):
    told = list(getattr(hours, row))
    told[hour] = value
    return replace(hours, **{row: tuple(told)})


def shut(route, hours, hour=10, **more):
    return open_hours(Asked(route, hours, 51.0, **more))[hour].shut


class Leaves(unittest.TestCase):
    def test_a_mild_dull_still_morning_is_open(self):
        self.assertEqual(shut("leaves", calm()), ())

    def test_each_limit_shuts_just_beyond_it(self):
        for row, inside, outside, why in (
            ("temp_c", 27.0, 27.1, "too hot"), ("temp_c", 13.0, 12.9, "too cool"),
            ("sun_w_m2", 300.0, 301.0, "sun"), ("wind_m_s", 4.0, 4.1, "windy"),
            ("humidity", 55.0, 54.9, "dry"), ("humidity", 95.0, 96.0, "wet"),
        ):  # fmt: skip
            with self.subTest(row, outside=outside):
                self.assertEqual(shut("leaves", calm(**{row: inside})), ())
                self.assertIn(why, " ".join(shut("leaves", calm(**{row: outside}))))

    def test_a_cool_crop_is_sprayed_at_ten_degrees(self):
        self.assertEqual(shut("leaves", calm(temp_c=10.0), warm_crop=False), ())

    def test_rain_within_four_hours_washes_magnesium_off_and_within_twelve_calcium(self):
        wet = at(calm(), 13, 2.0)
        self.assertIn("rain at 13:00", shut("leaves", wet, brings=frozenset({"Mg"}))[0])
        later = at(calm(), 18, 2.0)
        self.assertEqual(shut("leaves", later, brings=frozenset({"Mg"})), ())
        self.assertIn("18:00", shut("leaves", later, brings=frozenset({"Ca"}))[0])
        self.assertEqual(shut("leaves", at(calm(), 13, 1.9), brings=frozenset({"Mg"})), ())

    def test_two_hours_are_left_to_dry_before_dark(self):
        # at 51 north the middle of July has 16 hours of light: dark at 21:00 by summer time
        asked = Asked("leaves", calm(), 51.0, noon=13.0)
        hours = open_hours(asked)
        self.assertTrue(hours[17].open)
        self.assertIn("too late to dry", hours[19].shut[0])

    def test_frost_ahead_and_wet_leaves_after_rain(self):
        self.assertIn("coming", shut("leaves", calm(), coldest_c=2.9)[0])
        self.assertEqual(shut("leaves", calm(), coldest_c=3.0), ())
        self.assertIn("leaves are wet", shut("leaves", at(calm(), 9, 0.5), 10))

    def test_below_glass_no_wind_blows(self):
        self.assertEqual(shut("leaves", calm(wind_m_s=9.0), under="cover"), ())

    def test_below_glass_it_is_as_much_warmer_as_the_verdict_has_it(self):
        # a frame is at least 2 °C warmer by day and 2 °C milder at night
        self.assertIn("too hot to feed", shut("roots", calm(temp_c=30.1), under="cover"))
        self.assertEqual(shut("roots", calm(temp_c=30.0), under="cover"), ())
        self.assertEqual(shut("roots", calm(), soil_c=12.0, under="cover"), ())
        self.assertIn("too cold", shut("roots", calm(), soil_c=11.9, under="cover")[0])
        self.assertEqual(shut("roots", calm(temp_c=2.0), soil_c=2.0, under="indoors"), ())


class RootsAndDry(unittest.TestCase):
    def test_heat_cold_roots_and_heavy_rain_shut_a_drench(self):
        self.assertEqual(shut("roots", calm()), ())
        self.assertIn("too hot to feed", shut("roots", calm(temp_c=32.1)))
        self.assertIn("too cold", shut("roots", calm(), soil_c=13.9)[0])
        self.assertEqual(shut("roots", calm(), soil_c=13.9, warm_crop=False), ())
        heavy = at(calm(), 20, 16.0)
        self.assertEqual(shut("roots", heavy), ("rain would wash it out",))
        self.assertEqual(shut("roots", heavy, in_bed=True), ())
        self.assertEqual(shut("roots", heavy, under="cover"), ())

    def test_what_the_verdict_waits_for_shuts_all_of_today(self):
        hours = open_hours(Asked("roots", calm(), 51.0, shut_today="new roots"))
        self.assertTrue(all(h.shut == ("new roots",) for h in hours[:DAY_H]))
        self.assertTrue(all(h.open for h in hours[DAY_H:]))

    def test_frozen_ground_and_wet_leaves_shut_a_dressing(self):
        self.assertEqual(shut("dry", calm(), soil_c=10.0), ())
        self.assertIn("frozen", shut("dry", calm(), soil_c=1.9)[0])
        self.assertIn("too cold", shut("dry", calm(), soil_c=7.9, organic=True)[0])
        self.assertIn("granules stick", shut("dry", at(calm(), 10, 0.5))[0])


class Told(unittest.TestCase):
    def test_until_when_and_from_when(self):
        hot = at(at(calm(), 10, 28.0, "temp_c"), 11, 28.0, "temp_c")
        hours = open_hours(Asked("leaves", hot, 51.0))
        self.assertEqual(said_now(hours, 10, "leaves"), "Leaves: too hot for leaves until 12:00.")
        self.assertEqual(runs(hours, 8)[:2], ((8, 10), (12, 18)))
        never = open_hours(Asked("leaves", calm(wind_m_s=9.0), 51.0))
        self.assertIn("no open hour", said_now(never, 0, "leaves"))

    def test_usual_hours_keep_the_days_low_high_and_rain(self):
        days = (DayTold(JULY, 11.0, 23.0, 4.8),)
        found = usual_hours(climate("cool_temperate"), 51.0, days, 13.0)
        self.assertEqual(len(found), DAY_H)
        self.assertAlmostEqual(min(found.temp_c), 11.0, delta=0.3)
        self.assertAlmostEqual(max(found.temp_c), 23.0, delta=0.3)
        self.assertAlmostEqual(sum(found.rain_mm), 4.8, delta=0.01)
        self.assertEqual(found.sun_w_m2[2], 0)
        # a clear July day at 51 north brings about 6 to 7 kWh on a square metre
        self.assertTrue(4500 < sum(found.sun_w_m2) < 7500)

    def test_moist_air_by_printed_tables(self):
        self.assertAlmostEqual(vapour_kpa(10.0), 1.228, delta=0.005)
        self.assertAlmostEqual(vapour_kpa(30.0), 4.243, delta=0.02)
        # 25 C at 50 %: a wet bulb shows 17.9
        self.assertAlmostEqual(25 - wet_bulb_depression(25.0, 50.0), 17.9, delta=0.3)
