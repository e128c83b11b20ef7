"""Strengths and doses as people say them, against figures worked out by hand."""

from django.test import SimpleTestCase

from dace.core.can.answer import CanAsked, answer
from dace.core.can.dry import Spread, read_dry
from dace.core.can.strength import parse_strength
from dace.core.can.vessels import read_rate
from dace.core.errors import DaceError
from dace.core.matter.composition import composition
from dace.core.matter.label import Label, read_grade
from dace.core.matter.waters import water_from_ec
from dace.core.words.quantities import read_amount
from dace.core.words.sizes import read_size

WITHIN = 0.005
US_GAL, UK_GAL, US_TSP, US_OZ, UK_OZ = 3.785411784, 4.54609, 4.92892159, 29.5735296, 28.4130625
LB, OZ, FT2, YD2 = 453.59237, 28.349523, 0.09290304, 0.83612736


class Dilutions(SimpleTestCase):
    def test_by_hand(self):
        """mL or g in a litre of finished can."""
        for said, family, per_l in (
            ("1 tbsp per gallon", "us", 3 * US_TSP / US_GAL),
            ("1 tbsp per gallon", "imperial", 15 / UK_GAL),
            ("1 tbsp per gallon", "australian", 20 / UK_GAL),
            ("1 tsp per gallon", "imperial", 5 / UK_GAL),
            ("2 tablespoons per 2 gallons of water", "us", 3 * US_TSP / US_GAL),
            ("half an ounce per gallon", "us", 0.5 * US_OZ / US_GAL),
            ("2 fl oz per gallon", "imperial", 2 * UK_OZ / UK_GAL),
            ("2 fl. oz to the gallon", "us", 2 * US_OZ / US_GAL),
            ("¼ cup per gallon", "us", 236.5882365 / 4 / US_GAL),
            ("one teaspoon per quart", "us", US_TSP / 0.946352946),
            ("three tablespoons in a 9 L can", "metric", 45 / 9),
            ("a quarter of a cup in a 10 litre bucket", "metric", 62.5 / 10),
            ("1,000 ml per 200 L", "us", 5.0),
            ("20 ml per 4,5 L", "metric", 20 / 4.5),
            ("1.5 tsp/L", "australian", 7.5),
            ("1 tbsp per US gallon", "metric", 3 * US_TSP / US_GAL),
            ("1 tsp per imperial gallon", "us", 5 / UK_GAL),
            ("1 + 1,000", "metric", 1000 / 1001),
            ("1 part in 65", "us", 1000 / 65),
        ):
            with self.subTest(said, family=family):
                found = parse_strength(said, family, "mL")[0]
                self.assertEqual((found.kind, found.unit or "mL"), ("per_litre", "mL"))
                self.assertLess(abs(found.amount / per_l - 1), WITHIN, found)

    def test_a_metric_garden_is_offered_both_gallons(self):
        found = parse_strength("2 tsp per gallon", "metric")
        self.assertEqual([round(one.amount, 2) for one in found], [2.6, 2.2])
        self.assertEqual(len({one.meaning for one in found}), 2)

    def test_a_comma_before_three_digits_is_thousands_and_the_other_reading_stands_beside(self):
        for said, first, second in (("1,000 ml", 1000, 1), ("1,200 ml in 600 L", 2, 0.002)):
            found = parse_strength(said, "metric")
            self.assertEqual([round(one.amount, 4) for one in found], [first, second])
        self.assertEqual(len(parse_strength("1,000 ml", "us")), 1)
        (wish,) = parse_strength("N 1,200 mg/L", "us")
        self.assertEqual(wish.amount, 1200)
        (half,) = parse_strength("2,5 ml/L", "us")
        self.assertEqual(half.amount, 2.5)

    def test_shares_of_the_label(self):
        for said, share in (
            ("quarter strength", 0.25),
            ("half-strength", 0.5),
            ("1/4 of the label", 0.25),
            ("quarter", 0.25),
            ("half the label rate", 0.5),
            ("double strength", 2),
            ("30 % of the label", 0.3),
        ):
            with self.subTest(said):
                (found,) = parse_strength(said)
                self.assertEqual((found.kind, found.amount), ("label", share))

    def test_whose_gallon_is_asked_where_nobody_can_know(self):
        with self.assertRaises(DaceError) as caught:
            read_amount("2 gallon", "metric", "vessel")
        self.assertIn("7.57 L (us) or 9.09 L (imperial)", caught.exception.read)
        self.assertAlmostEqual(read_amount("2 UK gallons", "metric", "v").value, 2000 * UK_GAL)
        with self.assertRaises(DaceError):
            read_size("10 gallon", "metric")
        self.assertAlmostEqual(read_size("10 gallon", "us").volume_l, 10 * US_GAL)

    def test_two_measures_together(self):
        self.assertAlmostEqual(read_amount("1 lb 2 oz", "us", "w").value, LB + 2 * OZ, places=2)
        self.assertAlmostEqual(read_amount("2 tbsp and 1 tsp", "us", "a").value, 7 * US_TSP)


class Powders(SimpleTestCase):
    feed = composition(Label(15, 30, 15, form="solid", rate_per_l=1.0))

    def can(self, said, g_per_ml=None, measures="us"):
        asked = CanAsked(said, self.feed, water_from_ec(0.3), 7.570823568, measures)
        return answer(
            asked if g_per_ml is None else CanAsked(**vars(asked) | {"g_per_ml": g_per_ml})
        )

    def test_by_the_spoon_that_was_weighed(self):
        can = self.can("1 tbsp per gallon", 1.0).can
        self.assertAlmostEqual(can.amount, 6 * US_TSP, delta=0.01)
        self.assertLess(can.concentrate.high / can.amount, 1.06)

    def test_by_a_spoon_that_nobody_weighed_the_range_is_wide(self):
        found = self.can("2 tsp")
        can = found.can
        self.assertAlmostEqual(can.amount, 2 * US_TSP * 0.8, delta=0.01)
        self.assertLess(can.concentrate.low, 2 * US_TSP * 0.62)
        self.assertGreater(can.concentrate.high, 2 * US_TSP * 1.05)
        self.assertLess(can.nutrient("N").low, 0.8 * can.nutrient("N").value)
        self.assertEqual(found.rounded.words, "2 teaspoons")
        self.assertIn("weigh one once", found.rounding)

    def test_a_labels_own_rate_by_the_spoon(self):
        per_l = 3 * US_TSP / US_GAL
        self.assertAlmostEqual(read_rate("1 tbsp per gallon", "g", "us", 0.9), 0.9 * per_l)


class Dry(SimpleTestCase):
    bed = Spread(plants=4, g_per_ml=0.8, area_m2=10.0, volume_l=100.0)

    def test_by_hand(self):
        """Grams in all, on 10 m2 of ground or in 100 L of mix."""
        for said, family, grams in (
            ("2 lb per 100 sq ft", "us", 2 * LB / (100 * FT2) * 10),
            ("3 oz per square yard", "us", 3 * OZ / YD2 * 10),
            ("2 oz/sq yd", "imperial", 2 * OZ / YD2 * 10),
            ("1 kg per 10 m2", "metric", 1000),
            ("1 cup per 10 sq ft", "us", 236.588 * 0.8 / (10 * FT2) * 10),
            ("3 g per litre of mix", "metric", 300),
            ("1 tbsp per gallon of mix", "us", 3 * US_TSP * 0.8 * 100 / US_GAL),
            ("half an inch", "us", 0.0127 * 10 * 1e6 * 0.8),
            ("1/2 inch layer", "us", 0.0127 * 10 * 1e6 * 0.8),
            ("two handfuls per square metre", "metric", 2 * 80 * 0.8 * 10),
            ("1 lb", "us", LB),
        ):
            with self.subTest(said):
                self.assertLess(abs(read_dry(said, self.bed, family).grams / grams - 1), WITHIN)


class Grades(SimpleTestCase):
    def test_nothing_below_zero(self):
        with self.assertRaises(DaceError) as caught:
            read_grade("-1-2-3")
        self.assertIn("below zero", caught.exception.would_do)

    def test_muriate_of_potash_may_be_declared_with_its_chloride(self):
        # KCl: 52.4 % potassium, 47.6 % chloride; 60 % K2O are 49.8 % potassium
        label = Label(0, 0, 60, form="solid", also=(("Cl", 45.2),))
        self.assertAlmostEqual(composition(label).element("K"), 498, delta=1)
