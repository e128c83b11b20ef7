"""The clock and rootzone calculators by their JSON."""

import unittest

from dace.core.errors import DaceError
from dace.core.shell.roots import rootzone
from dace.core.shell.seasons import clock

ASKED = {
    "crop": "aubergine",
    "latitude": 51,
    "climate": "cool_temperate",
    "today": "2026-07-14",
    "started_on": "2026-03-10",
    "planted_on": "2026-05-20",
}
POT = {
    "medium": "peat_free_mix",
    "litres": 40,
    "filled_on": "2026-05-20",
    "today": "2026-07-14",
    "plants": 2,
    "crop": "aubergine",
    "started_on": "2026-03-10",
}


def starts(answer, stage):
    return next(row["starts"] for row in answer["stages"] if row["stage"] == stage)


class Clock(unittest.TestCase):
    def test_planting_out_and_a_look_set_starts_and_cold_ends_it(self):
        looks = [{"on": "2026-07-10", "stage": "flowering", "last_look": "2026-07-04"}]
        found = clock(ASKED | {"looks": looks})
        self.assertIn(starts(found, "establishing")["likely"], ("2026-05-19", "2026-05-20"))
        self.assertTrue(starts(found, "flowering")["low"] >= "2026-07-04")
        self.assertTrue(starts(found, "flowering")["high"] <= "2026-07-10")
        self.assertGreater(found["ends_by_cold"]["chance"], 0.5)
        self.assertTrue("2026-09-01" < found["ends_by_cold"]["likely"] < "2026-12-10")
        reached = [row["reached"] for row in found["stages"]]
        self.assertEqual(reached, sorted(reached, reverse=True))

    def test_days_that_are_given_count(self):
        warm = [[f"2026-0{m}-{d:02d}", 16, 28, 0] for m in (5, 6) for d in range(1, 31)]
        cold = [[day, low - 8, high - 8, rain] for day, low, high, rain in warm]
        asked = ASKED | {"today": "2026-06-30"}
        soon, late = (
            starts(clock(asked | {"days": d}), "flowering")["likely"] for d in (warm, cold)
        )
        self.assertLess(soon, late)

    def test_what_cannot_be_is_named(self):
        for field, wrong in (
            ("crop", {"crop": "moss"}),
            ("started_on", {"started_on": "soon"}),
            ("shelter", {"shelter": "moon"}),
            ("climate", {"climate": "mars"}),
            ("days", {"days": [["2026-05-01", 20, 10]]}),
            ("looks", {"looks": "many"}),
            ("stage", {"looks": [{"on": "2026-07-01", "stage": "bulbing"}]}),
        ):
            with self.subTest(field), self.assertRaises(DaceError) as caught:
                clock(ASKED | wrong)
            self.assertEqual(caught.exception.field, field)


class RootZone(unittest.TestCase):
    def test_several_plantings_hours_and_every_way_of_reading(self):
        one = rootzone(POT)
        basil = {"crop": "basil", "plants": 4, "started_on": "2026-05-01"}
        both = rootzone(POT | {"plantings": [{"crop": "aubergine", "plants": 2}, basil]})
        self.assertLess(both["comfort"]["high"], one["comfort"]["high"] + 1e-9)
        ways = one["next_reading"]
        drain, paste = ways["pour_through"], ways["sme"] if "sme" in ways else ways["pour_through"]
        self.assertTrue(drain["low"] < drain["likely"] < drain["high"])
        self.assertLessEqual(paste["likely"], drain["likely"])
        pour = {"on": "2026-07-14", "litres": 20, "ec_ms_cm": 0.1, "feed": False}
        read = {"on": "2026-07-14", "value": 3.9, "hour": 15}
        before, after = (
            rootzone(POT | {"poured": [pour | {"hour": hour}], "readings": [read]})
            for hour in (16, 14)
        )
        self.assertLess(before["drain_ec_ms_cm"]["likely"], after["drain_ec_ms_cm"]["likely"])

    def test_an_open_pot_gets_rain(self):
        rain = [[f"2026-07-{d:02d}", 12, 20, 15] for d in range(1, 15)]
        dry, wet = (
            rootzone(POT | {"days": rain, "open": is_open})["drain_ec_ms_cm"]["likely"]
            for is_open in (False, True)
        )
        self.assertLess(wet, dry)
