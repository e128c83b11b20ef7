"""Numbers and measures as people write them, against printed conversions."""

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.can.vessels import read_litres_each, read_pack, read_rate, split_into_cans
from dace.core.errors import DaceError
from dace.core.words.amounts import amount_words, measure_for
from dace.core.words.numbers import read_number
from dace.core.words.quantities import FAMILIES, family_ml, read_amounts, read_measure
from dace.core.words.sizes import read_size


class Numbers(SimpleTestCase):
    def test_as_people_write_them(self):
        for text, value in (
            ("2.5", 2.5),
            ("2,5", 2.5),
            (".5", 0.5),
            ("½", 0.5),
            ("1 ½", 1.5),
            ("1½", 1.5),
            ("3/4", 0.75),
            ("1 1/4", 1.25),
            ("  7 ", 7.0),
            ("1e2", 100.0),
        ):
            with self.subTest(text):
                self.assertEqual(read_number(text), value)

    def test_what_is_no_number_of_a_garden(self):
        for text in ("", "-1", "one", "1/0", "1.2.3", "nan", "inf", "1e308", "1e12", "½ ½", "0x10"):
            with self.subTest(text), self.assertRaises(DaceError) as caught:
                read_number(text, "count")
            self.assertEqual(caught.exception.field, "count")

    @given(st.floats(0.001, 1e6))
    def test_a_printed_number_is_read_back(self, value):
        self.assertAlmostEqual(read_number(f"{value:.6f}"), value, delta=1e-6)
        self.assertEqual(read_number(f"{value:.4f}".replace(".", ",")), round(value, 4))


class Volumes(SimpleTestCase):
    def one(self, text, family=None):
        (amount,) = read_amounts(text, family, "vessel")
        return amount

    def test_metric_needs_no_family(self):
        for text, ml in (
            ("9 L", 9000),
            ("750 ml", 750),
            ("25 cl", 250),
            ("2 litres", 2000),
            ("5 cc", 5),
        ):
            with self.subTest(text):
                self.assertAlmostEqual(self.one(text).value, ml)

    def test_kitchen_measures_by_family(self):
        # printed conversions [mL]
        for text, family, ml in (
            ("1 gallon", "us", 3785.41),
            ("1 gallon", "imperial", 4546.09),
            ("1 pint", "us", 473.18),
            ("1 pint", "imperial", 568.26),
            ("1 quart", "us", 946.35),
            ("8 fl oz", "us", 236.59),
            ("1 cup", "metric", 250),
            ("1 cup", "us", 236.59),
            ("1 tbsp", "metric", 15),
            ("1 tbsp", "us", 14.79),
            ("1 tbsp", "imperial", 15.0),
            ("1 tbsp", "australian", 20),
            ("1 tsp", "us", 4.93),
            ("1 tsp", "imperial", 5),
        ):
            with self.subTest(text=text, family=family):
                self.assertAlmostEqual(self.one(text, family).value, ml, delta=0.01)

    def test_a_measure_no_family_was_named_for_is_read_in_each(self):
        gallons = read_amounts("1 gallon", None, "vessel")
        self.assertEqual([a.family for a in gallons], ["us", "imperial"])
        self.assertEqual(len(read_amounts("1 gallon", "metric", "vessel")), 2)

    def test_masses(self):
        for text, grams in (("500 g", 500), ("2 kg", 2000), ("1 oz", 28.35), ("1 lb", 453.59)):
            with self.subTest(text):
                amount = self.one(text)
                self.assertEqual(amount.unit, "g")
                self.assertAlmostEqual(amount.value, grams, delta=0.01)

    def test_spoons_of_every_family_are_spoons(self):
        for family in FAMILIES:
            table, tea = family_ml(family, "tablespoon"), family_ml(family, "teaspoon")
            self.assertTrue(3 <= table / tea <= 4.01, family)

    def test_no_unit_or_a_strange_one_is_refused(self):
        for text in ("9", "L", "9 bananas", "9 L L", "", "-9 L", "9 m"):
            with self.subTest(text), self.assertRaises(DaceError) as caught:
                read_amounts(text, None, "vessel")
            self.assertEqual(caught.exception.field, "vessel")


class OtherMeasures(SimpleTestCase):
    def test_lengths_areas_and_temperatures(self):
        for text, kind, value in (
            ("1.2 m", "length", 1.2),
            ("120 cm", "length", 1.2),
            ("10 in", "length", 0.254),
            ("4 ft", "length", 1.2192),
            ("2.5 m2", "area", 2.5),
            ("2.5 m²", "area", 2.5),
            ("10 sq ft", "area", 0.92903),
            ("18 °C", "temperature", 18),
            ("64 f", "temperature", 17.778),
            ("-3 c", "temperature", -3),
        ):
            with self.subTest(text):
                self.assertAlmostEqual(read_measure(text, kind, "x"), value, places=3)

    def test_a_bare_number_takes_the_usual_unit_or_is_refused(self):
        self.assertEqual(read_measure("18", "temperature", "t", usual="c"), 18)
        for text, kind in (
            ("18", "temperature"),
            ("-1 m", "length"),
            ("3 kg", "area"),
            ("", "area"),
        ):
            with self.subTest(text), self.assertRaises(DaceError):
                read_measure(text, kind, "x")

    def test_sizes_of_places(self):
        for text, family, volume, area in (
            ("40 L", None, 40, None),
            ("40 l pot", None, 40, None),
            ("5 gallon", "us", 18.93, None),
            ("5 gallon pots", "imperial", 22.73, None),
            ("3 by 2 m", None, None, 6),
            ("10 x 4 ft", None, None, 3.716),
            ("300 cm x 1 m", None, None, 3),
            ("30 sq ft", None, None, 2.787),
        ):
            with self.subTest(text):
                size = read_size(text, family)
                for found, want in ((size.volume_l, volume), (size.area_m2, area)):
                    if want is None:
                        self.assertIsNone(found)
                    else:
                        self.assertAlmostEqual(found, want, delta=0.01)

    def test_packs_and_rates(self):
        self.assertEqual(read_pack("1 L", "mL", None, "pack"), 1000)
        self.assertEqual(read_pack("750", "g", None, "pack"), 750)
        self.assertAlmostEqual(read_pack("32 fl oz", "mL", "us", "pack"), 946.35, delta=0.01)
        self.assertAlmostEqual(read_rate("1 tbsp per gallon", "mL", "us"), 3.906, delta=0.001)
        self.assertAlmostEqual(read_rate("1 + 199", "mL", None), 5.0)
        self.assertEqual(read_rate("1 g/L", "g", None), 1.0)
        for text, unit in (("1 kg", "mL"), ("some", "g")):
            with self.assertRaises(DaceError):
                read_pack(text, unit, None, "pack")
        for text, unit in (("a splash", "mL"), ("45 ml", "mL"), ("EC 1.2", "mL")):
            with self.subTest(text), self.assertRaises(DaceError) as caught:
                read_rate(text, unit, None)
            self.assertEqual(caught.exception.field, "rate")


class Rounds(SimpleTestCase):
    @given(st.floats(0.1, 500), st.floats(0.5, 50))
    def test_cans_hold_the_round_and_no_can_overflows(self, total, vessel):
        cans = split_into_cans(total, vessel)
        self.assertAlmostEqual(cans.count * cans.litres, total, places=6)
        self.assertLessEqual(cans.litres, vessel * (1 + 1e-8))
        self.assertGreater((cans.count - 1) * vessel, total - vessel - 1e-6)

    def test_next_to_nothing_is_still_one_can(self):
        self.assertEqual(split_into_cans(1e-12, 9).count, 1)

    def test_litres_said_for_each_for_the_ground_or_in_all(self):
        for text, each in (
            ("1.5 L", 1.5),
            ("1.5", 1.5),
            ("750 ml each", 0.75),
            ("750 ml a plant", 0.75),
            ("6 L in all", 1.5),
            ("4 L/m2", 2.0),
            ("4 L per m2", 2.0),
        ):
            with self.subTest(text):
                self.assertAlmostEqual(read_litres_each(text, 4, 2.0, None), each)
        for text in ("", "lots", "2 kg each", "-1 L"):
            with self.subTest(text), self.assertRaises(DaceError) as caught:
                read_litres_each(text, 4, 2.0, None)
            self.assertEqual(caught.exception.field, "litres_each")

    def test_the_measure_fits_below_its_brim(self):
        for amount in (0.3, 4, 8, 18, 44.8, 90, 240, 700, 1500, 4000, 30_000):
            self.assertGreater(measure_for(amount).holds, amount)
        self.assertEqual(measure_for(18).kind, "beaker")
        self.assertEqual(measure_for(2).kind, "syringe")

    def test_amounts_in_words(self):
        for amount, unit, words in (
            (17.96, "mL", "18 mL"),
            (1250, "mL", "1.25 L"),
            (0.6, "g", "0.6 g"),
            (3600, "g", "3.6 kg"),
        ):
            self.assertEqual(amount_words(amount, unit), words)
