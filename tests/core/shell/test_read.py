"""What people type, and how it may be meant: figures from kitchen tables and the calendar."""

from django.test import SimpleTestCase

from dace.core.errors import DaceError
from dace.core.shell.reading import read


class Read(SimpleTestCase):
    def values(self, said, kind, **more):
        return [one["value"] for one in read({"text": said, "as": kind, **more})["readings"]]

    def assert_read(self, said, kind, *values, **more):
        found = self.values(said, kind, **more)
        self.assertEqual(len(found), len(values), found)
        for one, value in zip(found, values, strict=True):
            if isinstance(value, float):
                self.assertAlmostEqual(one, value, places=3)
            else:
                self.assertEqual(one, value)

    def test_each_kind(self):
        for said, kind, values in (
            ("2 tbsp and 1 tsp", "amount", (35.0,)),
            ("1 gallon", "volume", (3.785, 4.546)),
            ("1 + 199", "strength", (5.0,)),
            ("64 °F", "temperature", (17.778,)),
            ("1450 uS/cm", "conductivity", (1.45,)),
            ("700 ppm (700)", "conductivity", (1.0,)),
            ("EC 700 ppm (500", "strength", (1.4,)),
            ("4 ft", "length", (1.219,)),
            ("14.7.2026", "date", ("2026-07-14",)),
            ("3/4/26", "date", ("2026-04-03", "2026-03-04")),
            ("twice a week", "interval", (3.5,)),
            ("every 10 days", "interval", (10.0,)),
            ("fortnightly", "interval", (14.0,)),
        ):
            measures = {"measures": "metric"} if said.startswith("2 tbsp") else {}
            with self.subTest(said, kind=kind):
                self.assert_read(said, kind, *values, **measures)

    def test_more_than_one_way_is_doubted_in_a_sentence(self):
        self.assertIsNone(read({"text": "9 L", "as": "volume"})["doubt"])
        doubt = read({"text": "1:12", "as": "strength"})["doubt"]
        self.assertEqual(
            doubt, "“1:12” may be 1 + 12, thirteen parts in all or 1 in 12, which is 1 + 11."
        )

    def test_a_comma_may_be_a_point_where_that_can_be(self):
        self.assert_read("1,500 mL", "amount", 1500.0, 1.5, measures="metric")
        self.assert_read("1,500 mL", "amount", 1500.0, measures="us")
        self.assert_read("1,500 L", "volume", 1500.0, 1.5, measures="metric")
        # no drain of a pot conducts 1500 mS/cm, nor 1.5 µS/cm
        self.assert_read("1,500", "conductivity", 1.5)
        self.assert_read("1,500 uS/cm", "conductivity", 1.5)

    def test_a_measure_that_is_owned_is_read_by_its_name(self):
        self.assert_read("3 scoops", "amount", 21.0, owned=["7 mL scoop", "1 tsp"])
        with self.assertRaises(DaceError):
            read({"text": "3 scoops", "as": "amount"})

    def test_a_bare_number_is_in_the_unit_that_its_box_showed(self):
        self.assert_read("399", "strength", 2.5, shown="1 + 499")
        self.assert_read("68", "temperature", 20.0, measures="us")
        self.assert_read("700", "conductivity", 1.4, scale="ppm500")


class OverTheFence(SimpleTestCase):
    """As one says it: measures that are owned, what something comes in, ranges, days gone by."""

    def value(self, text, kind, **more):
        found = read({"text": text, "as": kind} | more)["readings"]
        return [one["value"] for one in found]

    def test_measures_that_are_owned(self):
        owned = {"owned": ["7 mL cap", "5 mL scoop", "9 L can"]}
        for text, ml in (("a capful", 7), ("3 scoops", 15), ("half can", 4500), ("1 can", 9000),
                         ("two cans", 18_000), ("half a scoop", 2.5)):  # fmt: skip
            self.assertEqual(self.value(text, "amount", **owned), [ml], text)
        self.assertEqual(self.value("half can", "amount", vessel="9 L"), [4500])
        (per_l,) = self.value("1 capful per gallon", "strength", measures="us", **owned)
        self.assertAlmostEqual(per_l, 7 / 3.785, places=2)
        with self.assertRaisesRegex(DaceError, "say what a scoop holds"):
            self.value("3 scoops", "amount")

    def test_what_it_comes_in_and_what_of_is_left_out(self):
        us = {"measures": "us"}
        for text, kind, value in (
            ("5 gal bucket", "volume", 18.927),
            ("a quart", "volume", 0.946),
            ("1.5 lb box", "amount", 680.4),
            ("2 T of crystals", "amount", 29.57),
            ("1 inch of castings", "length", 0.0254),
            ("68F", "temperature", 20.0),
            ("minus 2 C", "temperature", -2.0),
        ):
            (found,) = self.value(text, kind, **us)
            self.assertAlmostEqual(found, value, delta=0.001 * abs(value))

    def test_pens_intervals_and_days(self):
        self.assertEqual(self.value("1200 ppm", "conductivity", scale="ppm500"), [2.4])
        self.assertEqual(self.value("700 ppm (500 scale)", "conductivity"), [1.4])
        self.assertEqual(self.value("EC 1.4", "conductivity"), [1.4])
        self.assertEqual(self.value("every 7-14 days", "interval"), [7, 14])
        self.assertEqual(self.value("every other day", "interval"), [2])
        self.assertEqual(self.value("2-3 tsp", "amount", measures="metric"), [10, 15])
        july = {"today": "2026-07-14"}
        self.assertEqual(self.value("yesterday", "date", **july), ["2026-07-13"])
        self.assertEqual(self.value("20 Dec", "date", **july), ["2025-12-20"])

    def test_what_is_said_loosely(self):
        for text, kind, values in (
            ("about 2 tsp", "amount", [10]),
            ("three quarters of a cup", "amount", [187.5]),
            ("a couple of teaspoons", "amount", [10]),
            ("1 1/2 tsp", "amount", [7.5]),
            ("1 dsp", "amount", [10]),
            ("20 drops", "amount", [1]),
            ("2 x 9 L", "amount", [18_000]),
            ("a 5ml spoon", "amount", [5]),
            ("9-litre can", "volume", [9]),
            ("one 5-litre can", "volume", [5]),
            ("a litre and a half", "volume", [1.5]),
            ("1 cubic foot", "volume", [28.317]),
            ("2'6\"", "length", [0.762]),
            ("20 deg C", "temperature", [20]),
            ("one in ten", "strength", [100]),
            ("1 part feed to 10 parts water", "strength", [1000 / 11]),
            ("10:1 water to feed", "strength", [1000 / 11]),
            ("neat", "strength", [1000]),
            ("0.5 %", "strength", [5, 0.005]),
            ("50%", "strength", [0.5, 500]),
            ("100 ppm nitrogen", "strength", [100]),
            ("700 ppm", "strength", [1.4, 1.0, 700]),
            ("a teaspoon to the litre", "strength", [5]),
        ):
            with self.subTest(text, kind=kind):
                found = self.value(text, kind, measures="metric")
                self.assertEqual(len(found), len(values), found)
                for one, value in zip(found, values, strict=True):
                    self.assertAlmostEqual(one, value, places=3)

    def test_pens_of_every_make(self):
        for text, values in (
            ("14 CF", [1.4]), ("CF 14", [1.4]), ("1400 microsiemens", [1.4]), ("1800", [1.8]),
            ("840 ppm 700 scale", [1.2]), ("TDS 700", [1.4, 1.0]), ("1.8 EC", [1.8]),
        ):  # fmt: skip
            self.assertEqual(self.value(text, "conductivity"), values, text)
        self.assertEqual(self.value("1400 EC", "conductivity", scale="uS/cm"), [1.4])
        self.assertEqual(self.value("EC 14 CF", "strength"), [1.4])

    def test_days_and_rhythms_as_told(self):
        tuesday = {"today": "2026-07-14"}
        for text, days in (
            ("3 days ago", ["2026-07-11"]),
            ("last Tuesday", ["2026-07-07"]),
            ("Sunday", ["2026-07-12"]),
            ("yesterday evening", ["2026-07-13"]),
            ("Mon 13 July", ["2026-07-13"]),
            ("1st of May", ["2026-05-01"]),
            ("3/4", ["2026-04-03", "2026-03-04"]),
            ("20/12", ["2025-12-20"]),
        ):
            self.assertEqual(self.value(text, "date", **tuesday), days, text)
        self.assertEqual(self.value("twice weekly", "interval"), [3.5])
        self.assertEqual(self.value("biweekly", "interval"), [14, 3.5])
        self.assertEqual(self.value("every watering", "interval"), ["every_watering"])

    def test_what_would_be_guessed_is_refused(self):
        for text, kind, would_do in (
            ("a heaped tablespoon", "amount", "level spoons"),
            ("10 to 1", "strength", "second number is the larger"),
            ("a handful", "amount", "a measure such as"),
            ("1 500 ml", "amount", "a measure such as"),
        ):
            with self.assertRaisesRegex(DaceError, would_do):
                self.value(text, kind)
