"""What the stand-ins may say, and where: in the demo garden alone."""

from datetime import date, timedelta
from unittest.mock import patch

from django.test import override_settings

from dace.core.api import Days, outlook
from dace.garden.weather import _weather
from tests.api.base import Asking, WeirYardCase, new_id


class StationOnTheRoof:
    """A service that a household brings: 20 to 30 °C, and rain of 5 mm, every day."""

    def __init__(self, climate_key, latitude, seed):
        pass

    def days(self, first, last):
        count = (last - first).days + 1
        return Days(first, (20.0,) * count, (30.0,) * count, (5.0,) * count)

    def forecast(self, today):
        return Days(today + timedelta(days=1), (20.0,) * 3, (30.0,) * 3, (5.0,) * 3)


class NothingMadeUp(WeirYardCase):
    def setUp(self):
        super().setUp()
        _weather.cache_clear()
        self.own = Asking()
        who = {"name": "Rook", "password": "nine rusty trowels", "garden": "Back step"}
        self.assertEqual(self.own.post("/api/sign-up", who).status_code, 201)
        garden = {"name": "Back step", "zone": "America/New_York", "latitude": 40}
        garden |= {"measures": "us", "degrees": "F", "climate": "continental_warm"}
        self.own.put("/api/garden", garden)

    def pen_in_water(self):
        pen, water = new_id(), new_id()
        self.own.put(f"/api/pens/{pen}", {"name": "pen"})
        self.own.put(f"/api/waters/{water}", {"name": "butt", "kind": "rain"})
        return pen, self.own.get("/api/setup").json()["waters"][0]["subject_id"]

    def test_the_demo_says_that_its_weather_is_simulated(self):
        told = self.asking.get("/api/weather").json()
        self.assertEqual(told["source"], "simulated")
        self.assertIn("simulated", told["words"])

    def test_a_garden_of_ones_own_gets_what_is_usual_and_no_forecast(self):
        told = self.own.get("/api/weather").json()
        self.assertEqual(told["source"], "usual")
        # inland at 40° north the middle of July has highs of about 29 °C, 84 °F
        self.assertRegex(told["words"], r"^usually about 8[2-7] °F now$")
        self.assertEqual(len(told["ahead"]), 7)

    def test_own_days_count_there(self):
        body = {"id": new_id(), "text": "2026-07-14, 10, 16, 3"}
        self.assertEqual(self.own.post("/api/weather", body).status_code, 201)
        told = self.own.get("/api/weather").json()
        self.assertEqual((told["today"]["t_max"], told["own_days"]), (16.0, 1))

    @override_settings(DACE_WEATHER="tests.api.test_nothing_made_up.StationOnTheRoof")
    def test_a_service_of_ones_own_is_believed(self):
        told = self.own.get("/api/weather").json()
        self.assertEqual((told["source"], told["today"]["rain_mm"]), ("service", 5.0))
        self.assertEqual([day["t_max"] for day in told["ahead"]], [30.0] * 3)
        self.assertEqual(self.asking.get("/api/weather").json()["source"], "simulated")

    def test_no_pen_speaks_in_a_garden_of_ones_own(self):
        pen, water = self.pen_in_water()
        self.assertFalse(self.own.get("/api/readables").json()["pens"][0]["sends"])
        reply = self.own.post(f"/api/pens/{pen}/dip", {"subject_id": water})
        self.assert_refused(reply, 409, "pen_id")
        self.assertTrue(self.asking.get("/api/readables").json()["pens"][0]["sends"])

    def test_practice_is_marked_and_weighs_nothing(self):
        place, fill = new_id(), new_id()
        pot = {"id": fill, "size": "10 gallon", "medium": "peat_free_mix"}
        self.own.put(f"/api/places/{place}", {"name": "Tub", "kind": "tub", "fill": pot})
        pen, _ = self.pen_in_water()
        drain = self.own.get("/api/path").json()["stops"][0]["subject_id"]
        asked = {"subject_id": drain, "practice": True}
        shown = self.own.post(f"/api/pens/{pen}/dip", asked).json()
        self.assertTrue(shown["practice"])
        body = {"id": new_id(), "subject_id": drain, "value": shown["value"]}
        body |= {"method": "pour_through", "practice": True}
        self.assertEqual(self.own.post("/api/readings", body).status_code, 201)
        (kept,) = self.own.get("/api/notebook").json()["readings"]
        self.assertTrue(kept["practice"])
        self.assertEqual(self.own.get("/api/path").json()["stops"][0]["read_text"], "")
        self.own.post("/api/readings", body | {"id": new_id(), "value": 2.5, "practice": False})
        self.assertEqual(
            self.own.get("/api/path").json()["stops"][0]["read_text"], "read 2.5, today"
        )


class WhatIsUsual(WeirYardCase):
    def test_days_that_nobody_reported_are_drawn_and_own_days_are_not(self):
        _weather.cache_clear()
        own = Asking()
        own.post("/api/sign-up", {"name": "Wren", "password": "nine rusty trowels", "garden": "G"})
        own.post("/api/weather", {"id": new_id(), "text": "2026-07-13, 10, 16, 3"})
        with patch("dace.garden.weather.core.outlook", wraps=outlook) as asked:
            own.get("/api/weather")
        known = outlook(asked.call_args.args[0])
        spread = known.t_max[:, : known.known].std(axis=0)
        self.assertEqual(spread[-2], 0)  # the day that she wrote down
        self.assertTrue((spread[:-2] > 1).all())
        self.assertEqual(known.today, date(2026, 7, 14))
