"""The simulated weather service."""

from datetime import date, timedelta
from itertools import pairwise
from statistics import fmean

from django.test import SimpleTestCase

from dace.standins.weather import SimulatedWeather

TODAY = date(2026, 7, 14)


class WeatherService(SimpleTestCase):
    def test_the_same_seed_gives_the_same_days(self):
        one, same = (SimulatedWeather("cool_temperate", 51.0, "a") for _ in range(2))
        other = SimulatedWeather("cool_temperate", 51.0, "b")
        span = TODAY - timedelta(days=30), TODAY
        self.assertEqual(one.days(*span), same.days(*span))
        self.assertNotEqual(one.days(*span), other.days(*span))
        self.assertEqual(one.forecast(TODAY), same.forecast(TODAY))

    def test_three_climates_have_their_warm_months(self):
        for climate, latitude, month, low, high in (
            ("cool_temperate", 51.0, 7, 15, 20),
            ("warm", 38.0, 7, 22, 28),
            ("southern", -38.0, 1, 17, 23),
            ("southern", -38.0, 7, 7, 13),
        ):
            means = []
            for year in range(2000, 2020):
                service = SimulatedWeather(climate, latitude, "x")
                days = service.days(date(year, month, 1), date(year, month, 28))
                means += [*days.t_min, *days.t_max]
            with self.subTest(climate, month=month):
                self.assertTrue(low < fmean(means) < high, fmean(means))

    def test_days_lean_on_the_day_before_and_some_are_wet(self):
        days = SimulatedWeather("cool_temperate", 51.0, "x").days(date(2020, 1, 1), TODAY)
        mean = [(a + b) / 2 for a, b in zip(days.t_min, days.t_max, strict=True)]
        steps = [abs(a - b) for a, b in pairwise(mean)]
        apart = [abs(a - b) for a, b in zip(mean, mean[14:], strict=False)]
        self.assertLess(fmean(steps), 0.75 * fmean(apart))
        self.assertTrue(0.25 < fmean(rain > 0 for rain in days.rain_mm) < 0.6)

    def test_a_forecast_is_less_sure_further_out(self):
        off = [[], []]
        for n in range(300):
            today = TODAY + timedelta(days=n)
            service = SimulatedWeather("warm", 38.0, "x")
            said, was = service.forecast(today), service.days(today, today + timedelta(days=7))
            for place, lead in enumerate((0, 6)):
                off[place].append(abs(said.t_max[lead] - was.t_max[lead + 1]))
        self.assertLess(fmean(off[0]) * 1.5, fmean(off[1]))
