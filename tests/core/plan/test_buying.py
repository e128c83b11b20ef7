"""What would fill what the shelf cannot, by hand."""

import unittest
from dataclasses import replace
from datetime import date

from dace.core.plan.buying import to_buy
from dace.core.plan.records import Plan, Short
from dace.core.shell.yards import yard_in
from tests.core.verdict.yards import CRYSTALS, pot, yard

TODAY = date(2026, 7, 14)


def short(nutrient, mg, stop="pot", why="shelf"):
    return Short(stop, nutrient, 0.4, mg, TODAY, why, "short")


def bought(*shorts, sources=()):
    plan = Plan(TODAY, (), (), (), (), (), shorts, (), (), (), (), (), "")
    garden = yard_in(yard(pot(), jars=[CRYSTALS]))
    return to_buy(plan, replace(garden, sources=(*garden.sources, *sources)))


class ToBuy(unittest.TestCase):
    def test_grams_fill_the_gap_and_what_is_poured_and_not_taken(self):
        """18 g of magnesium from Epsom salt at 9.76 %: a quarter more is poured than taken."""
        (found,) = bought(short("Mg", 6000), short("Mg", 12_000, "tub"))
        self.assertEqual(found.material, "magnesium_sulfate_heptahydrate")
        self.assertAlmostEqual(found.grams, 1.25 * 18 / 0.0976, delta=0.5)
        self.assertEqual(found.stops, ("pot", "tub"))
        self.assertIn("magnesium", found.text.lower())

    def test_potash_comes_without_chloride(self):
        """Muriate is richer than the sulfate, and half of it is chloride."""
        (found,) = bought(short("K", 4353))
        self.assertEqual(found.material, "potassium_sulfate")
        self.assertAlmostEqual(found.grams, 12.5, delta=0.01)

    def test_what_only_the_rhythm_cannot_carry_is_no_reason_to_buy(self):
        self.assertEqual(bought(short("N", 900, why="rhythm")), ())
        (found,) = bought(short("N", 900, why="rhythm"), short("N", 100, why="stock"))
        self.assertAlmostEqual(found.grams * 0.4618, 0.125, delta=0.001)

    def test_it_costs_what_a_jar_of_the_same_says_and_else_nobody_knows(self):
        (crystals,) = yard_in(yard(pot(), jars=[CRYSTALS])).sources
        epsom = replace(
            crystals, key="epsom", tokens=frozenset({"key:magnesium_sulfate_heptahydrate"}),
            price=0.004,
        )  # fmt: skip
        (found,) = bought(short("Mg", 9760), sources=(epsom,))
        self.assertAlmostEqual(found.cost, 0.5)  # 125 g at 4 a kilogram
        (unknown,) = bought(short("Mg", 9760))
        self.assertIsNone(unknown.cost)

    def test_one_feed_for_nitrogen_and_potassium_by_the_day_it_is_wanted(self):
        """12 % of nitrogen and 19.9 % of potassium: 3 g and 2 g want 1.25 x 3 / 0.12."""
        later = replace(short("N", 3000), since=date(2026, 8, 3))
        (found,) = bought(later, replace(short("K", 2000), since=date(2026, 8, 10)))
        self.assertEqual((found.nutrients, found.by), (("N", "K"), date(2026, 8, 3)))
        self.assertAlmostEqual(found.grams, 31.25, delta=0.01)
        self.assertEqual(found.text, "a tomato feed, by 3 August: nitrogen and potassium")
        (_, lime) = bought(later, short("K", 2000), short("Ca", 900))
        self.assertEqual(lime.nutrients, ("Ca",))

    def test_each_nutrient_is_filled_by_something_that_holds_it_and_dissolves(self):
        found = [bought(short(nutrient, 1000))[0] for nutrient in ("N", "P", "K", "Ca", "Mg")]
        self.assertEqual([one.nutrients[0] for one in found], ["N", "P", "K", "Ca", "Mg"])
        for one in found:
            # 1 g of a nutrient takes more than 1.25 g of anything, and less than 20 g
            self.assertTrue(1.25 < one.grams < 20, one)
