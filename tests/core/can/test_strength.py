"""Every way to say a strength: what is read, how it is told, what is refused."""

import math

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.can.strength import format_strength, parse_strength
from dace.core.errors import DaceError


class Ratios(SimpleTestCase):
    def test_one_part_and_n_parts_of_water(self):
        for text, parts in (
            ("1 + 12", 12),
            ("1+12", 12),
            ("1 to 12", 12),
            ("2 + 25", 12.5),
            ("1 + 1,000", 1000),
            ("1 + 12 parts", 12),
            ("1 + 0,5", 0.5),
        ):
            with self.subTest(text):
                (found,) = parse_strength(text)
                self.assertAlmostEqual(found.amount, 1000 / (1 + parts))

    def test_one_in_n_counts_the_whole_can(self):
        (found,) = parse_strength("1 in 13")
        self.assertAlmostEqual(found.amount, 1000 / 13)
        self.assertIn("1 + 12", found.meaning)

    def test_a_colon_is_read_both_ways_likeliest_first(self):
        for text in ("1:12", "1 : 12", "1/12"):
            with self.subTest(text):
                added, within = parse_strength(text)
                self.assertAlmostEqual(added.amount, 1000 / 13)
                self.assertAlmostEqual(within.amount, 1000 / 12)

    @given(st.integers(1, 5000))
    def test_a_ratio_is_told_as_it_was_said(self, n):
        (found,) = parse_strength(f"1 + {n}")
        told = format_strength(found.amount, "mL")
        if n >= 20:
            self.assertEqual(told, f"1 + {n}")
        else:
            self.assertEqual(float(told.removeprefix("1 + ")), n)

    @given(st.floats(1, 2000), st.floats(1.001, 5))
    def test_more_water_is_weaker(self, n, factor):
        (strong,), (weak,) = parse_strength(f"1 + {n:.4f}"), parse_strength(f"1 + {n * factor:.4f}")
        self.assertGreater(strong.amount, weak.amount)


class Amounts(SimpleTestCase):
    def test_for_each_litre(self):
        for text, per_l, unit in (
            ("2 ml/L", 2, "mL"),
            ("2 ml per litre", 2, "mL"),
            ("2,5 ml/l", 2.5, "mL"),
            ("10 ml per 4 L", 2.5, "mL"),
            ("18 ml in 9 L", 2, "mL"),
            ("0.6 g/L", 0.6, "g"),
            ("1 oz per 10 L", 2.835, "g"),
            ("½ tsp per litre", 2.5, "mL"),
        ):
            with self.subTest(text):
                found = parse_strength(text, "metric")[0]
                self.assertEqual((found.kind, found.unit), ("per_litre", unit))
                self.assertAlmostEqual(found.amount, per_l, places=3)

    def test_for_the_whole_can(self):
        for text, amount in (
            ("45 ml", 45),
            ("45 ml per can", 45),
            ("1 ½ tbsp", 22.5),
            ("3 tsp", 15),
        ):
            with self.subTest(text):
                found = parse_strength(text, "metric")[0]
                self.assertEqual(found.kind, "can")
                self.assertAlmostEqual(found.amount, amount)

    def test_in_the_family_that_was_named(self):
        for family, per_l in (("us", 2.604), ("imperial", 2.200), ("australian", 2.200)):
            (found,) = parse_strength("2 tsp per gallon", family)
            self.assertAlmostEqual(found.amount, per_l, delta=0.001)
            self.assertIn("measures", found.meaning)


class Targets(SimpleTestCase):
    def test_a_nutrient_or_a_conductivity(self):
        for text, kind, amount, nutrient in (
            ("N 90 mg/L", "nutrient", 90, "N"),
            ("n 90", "nutrient", 90, "N"),
            ("90 ppm N", "nutrient", 90, "N"),
            ("120 mg/L of K", "nutrient", 120, "K"),
            ("Ca 60 ppm", "nutrient", 60, "Ca"),
            ("EC 1.2", "ec", 1.2, ""),
            ("1,2 mS/cm", "ec", 1.2, ""),
            ("1.2 mS", "ec", 1.2, ""),
            ("what the stage likes", "wish", 1, ""),
            ("half the label", "label", 0.5, ""),
            ("label", "label", 1, ""),
            ("75 % of the label rate", "label", 0.75, ""),
        ):
            with self.subTest(text):
                (found,) = parse_strength(text)
                self.assertEqual((found.kind, found.nutrient), (kind, nutrient))
                self.assertAlmostEqual(found.amount, amount)

    def test_refusals_say_what_was_read_and_what_would_do(self):
        for text in (
            "",
            "   ",
            "strong",
            "1 +",
            "+ 12",
            "12",
            "1 + 2 + 3",
            "ml/L",
            "EC",
            "N",
            "Q 9",
        ):
            with self.subTest(text), self.assertRaises(DaceError) as caught:
                parse_strength(text)
            error = caught.exception
            self.assertEqual(error.field, "strength")
            self.assertTrue(error.sentence.startswith("Read "))
            self.assertTrue(error.sentence.endswith("."))

    @given(st.text(max_size=30))
    def test_any_text_is_read_or_refused_and_nothing_else(self, text):
        try:
            found = parse_strength(text)
        except DaceError:
            return
        self.assertTrue(all(math.isfinite(s.amount) and s.amount > 0 for s in found))
