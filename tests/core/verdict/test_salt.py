"""Salt: a reading decides; without a pen the books do, once a fortnight."""

import unittest

from tests.core.verdict.yards import one, pot

SALTED = [
    {"on": f"2026-{day}", "litres": 6, "ec_ms_cm": 2.6, "n_mg_l": 250, "k_mg_l": 400}
    for day in ("06-16", "06-20", "06-24", "06-28", "07-02", "07-06", "07-10")
]


def salted(**more):
    return pot(poured=[*SALTED, *more.pop("also", [])], readings=[], **more)


class WithoutAPen(unittest.TestCase):
    def test_two_goes_by_the_books(self):
        found = one(salted(), pen=False)
        self.assertEqual(found["kind"], "flush")
        self.assertEqual(found["flush"]["read_after"], 0)
        goes, each = found["flush"]["goes"], found["flush"]["each_l"]
        self.assertLessEqual(goes, 2)
        self.assertAlmostEqual(found["litres"], goes * each)
        self.assertNotIn("read", found["headline"])

    def test_not_again_within_a_fortnight(self):
        done = {"on": "2026-07-12", "litres": 6, "feed": False, "flush": True}
        self.assertNotEqual(one(salted(also=[done]), pen=False)["kind"], "flush")

    def test_a_usual_watering_is_no_flush(self):
        done = {"on": "2026-07-12", "litres": 6, "feed": False, "flush": False}
        self.assertEqual(one(salted(also=[done]), pen=False)["kind"], "flush")
