"""Frosts of a place, and what they end."""

import unittest
from datetime import date, timedelta

import numpy as np

from dace.core.season.climate import climate
from dace.core.season.clock import stage_clock
from dace.core.season.cold import hardiness
from dace.core.season.crops import crop, crops
from dace.core.season.looks import Begun, Look
from dace.core.season.need import spans
from dace.core.season.outlook import Days, WeatherAsked, outlook, usual_days

TODAY = date(2026, 7, 14)


def days_at(where="cool_temperate", today=TODAY):
    """Usual days up to today, drawn ones after it."""
    found = climate(where)
    first = today - timedelta(days=120)
    past = usual_days(found, found.latitude, first, 121)
    ahead = Days(today + timedelta(days=1), (), (), ())
    return outlook(WeatherAsked(found, found.latitude, past, ahead))


def clock(key, stage, where="cool_temperate", today=TODAY, began=60, **more):
    looks = (Look(stage, today),)
    begun = Begun(today - timedelta(days=began), looks, **more)
    return stage_clock(crop(key), begun, days_at(where, today))


class Frosts(unittest.TestCase):
    def test_the_first_air_frost_at_51_north(self):
        days = days_at()
        frosts = (days.t_min[:, days.known :] < 0).argmax(axis=1)
        median = days.today + timedelta(days=1 + int(np.median(frosts)))
        self.assertTrue(date(2026, 10, 15) <= median <= date(2026, 11, 10), median)

    def test_every_crop_has_its_night(self):
        self.assertEqual(set(hardiness()), set(crops()))


class Ends(unittest.TestCase):
    def test_nothing_tender_lives_past_its_night(self):
        for key, stage in (("aubergine", "flowering"), ("cucumber", "harvest")):
            found = clock(key, stage)
            self.assertLess(found.ends_on, date(2026, 12, 10), key)
            self.assertGreater(found.ends_by_cold.chance, 0.5, key)
            for span in spans(found):
                self.assertLessEqual(span.after, found.ends_on + timedelta(days=1), key)

    def test_no_aubergine_is_picked_next_may(self):
        found = clock("aubergine", "flowering")
        for start in found.starts:
            if start.likely is not None:
                self.assertLess(start.likely, date(2026, 12, 1))

    def test_what_is_too_late_is_not_reached(self):
        late = clock("melon", "seedling", today=date(2026, 8, 20), began=14)
        self.assertLess(late.reached[-1], 0.2)
        self.assertIsNone(late.starts[-1].likely)
        self.assertTrue(any("pick it young" in said for said in late.said), late.said)
        self.assertGreater(clock("melon", "flowering", "warm", date(2026, 6, 1)).reached[-1], 0.8)

    def test_garlic_leeks_and_a_southern_tomato_cross_the_year(self):
        garlic = clock("garlic", crop("garlic").stages[0].key, today=date(2026, 10, 20), began=5)
        self.assertGreater(garlic.reached[-1], 0.9)
        self.assertEqual(garlic.starts[-1].likely.year, 2027)
        leek = clock("leek", "vegetative", today=date(2026, 9, 1), began=120)
        self.assertLess(leek.ends_by_cold.chance, 0.1)
        tomato = clock("tomato_bush", "seedling", "southern", date(2026, 11, 5), began=30)
        picked = next(n for n, s in enumerate(tomato.starts) if s.stage.key == "harvest")
        self.assertGreater(tomato.reached[picked], 0.8)
        self.assertEqual(tomato.starts[picked].likely.year, 2027)

    def test_a_frame_lives_longer_and_a_room_for_good(self):
        open_air, frame, room = (
            clock("chilli", "flowering", shelter=kind) for kind in ("open", "cover", "indoors")
        )
        self.assertLess(open_air.ends_by_cold.likely, frame.ends_by_cold.likely)
        self.assertEqual(room.ends_by_cold.chance, 0.0)

    def test_what_was_seen_alive_outlived_the_nights_before(self):
        found = clock("courgette", "flowering", today=date(2026, 5, 20), began=45)
        self.assertGreater(found.ends_on, date(2026, 5, 20))


class Perennials(unittest.TestCase):
    def test_a_strawberry_rests_and_begins_anew_after_midwinter(self):
        found = climate("cool_temperate")
        today = date(2026, 6, 1)
        first = today - timedelta(days=400)
        past = usual_days(found, found.latitude, first, 401)
        days = outlook(WeatherAsked(found, found.latitude, past, NONE_AHEAD))
        begun = Begun(date(2025, 5, 10), (Look("harvest", date(2025, 7, 1)),))
        read = stage_clock(crop("strawberry"), begun, days)
        self.assertTrue(date(2025, 12, 21) < read.starts[0].likely < date(2026, 5, 1))
        self.assertNotEqual(read.stage.key, "wind_down")
        self.assertEqual(read.ends_by_cold.chance, 0.0)


class ByTheLight(unittest.TestCase):
    def harvested(self, where, latitude, planted):
        found, today = climate(where), planted + timedelta(days=20)
        past = usual_days(found, latitude, planted - timedelta(days=30), 51)
        ahead = Days(today + timedelta(days=1), (), (), ())
        days = outlook(WeatherAsked(found, latitude, past, ahead))
        read = stage_clock(crop("garlic"), Begun(planted, ()), days)
        return next(one.likely for one in read.starts if one.stage.key == "harvest")

    def test_autumn_garlic_is_dug_in_the_summer_of_either_half_of_the_earth(self):
        # handbooks: early to mid July in a mild northern garden, about New Year in Otago
        mild = self.harvested("cool_temperate", 51.0, date(2025, 10, 20))
        self.assertTrue(date(2026, 6, 25) <= mild <= date(2026, 7, 20), mild)
        inland = self.harvested("southern_inland", -45.0, date(2026, 5, 20))
        self.assertTrue(date(2026, 12, 20) <= inland <= date(2027, 1, 20), inland)
        # where winter hardly stops it, short days do
        coast = self.harvested("southern_maritime", -41.0, date(2026, 5, 1))
        self.assertTrue(date(2026, 11, 25) <= coast <= date(2027, 1, 10), coast)


NONE_AHEAD = Days(date(2026, 6, 2), (), (), ())


class WinterAhead(unittest.TestCase):
    def test_the_winter_behind_a_spring_planting_does_not_end_it(self):
        """In Otago's spring the last frosts lie ahead in October; the bed is not nearly over."""
        today = date(2026, 10, 12)
        found = climate("southern")
        past = usual_days(found, -45.0, date(2026, 7, 1), (today - date(2026, 7, 1)).days + 1)
        days = outlook(WeatherAsked(found, -45.0, past, Days(date(2026, 10, 13), (), (), ())))
        for key in ("sweet_potato", "okra", "potato", "winter_squash"):
            with self.subTest(key):
                looks = (Look("vegetative", date(2026, 10, 10)),)
                end = stage_clock(crop(key), Begun(date(2026, 9, 1), looks), days).ends_by_cold
                self.assertGreater(end.low, date(2026, 12, 21))

    def test_what_stands_in_autumn_meets_the_winter_that_comes(self):
        read = clock("courgette", "vegetative", today=date(2026, 9, 20), began=30)
        self.assertLess(read.ends_on, date(2026, 11, 30))
