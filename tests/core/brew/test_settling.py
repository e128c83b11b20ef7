"""Sour liquids: every draw within what the acid carries, and what settles again."""

import unittest

import numpy as np

from dace.core.brew.acid import ACETIC
from dace.core.brew.estimate import estimate
from dace.core.brew.liquid import liquid
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.brew.settling import settled_brushite
from dace.core.brew.weighed import weigh
from dace.core.matter.waters import water_of_kind

RAIN = water_of_kind("rain")


def sour(material, grams, method="acid_extract", acid=5.0):
    parts = (RecipeItem(material, grams, particle="meal_powder"),)
    return Recipe(method, parts, 1.0, RAIN, acid_percent=acid)


class EveryDraw(unittest.TestCase):
    def test_acid_carries_what_it_frees(self):
        """5 % vinegar: .833 mol/L of acetate; calcium and magnesium less the phosphate."""
        for material, grams in (
            ("eggshell_dry", 100),
            ("bone_meal_steamed", 200),
            ("rock_phosphate", 200),
            ("crab_shrimp_shell_meal", 300),
            ("dolomite_lime", 100),
        ):
            weighed = weigh(sour(material, grams), (), 1)
            held = liquid(weighed.model, weighed.draws, np.arange(22.0)).elements
            mol = {k: held[k] / 1000 / w for k, w in (("Ca", 40.08), ("Mg", 24.305), ("P", 30.974))}
            carried = 2 * mol["Ca"] + 2 * mol["Mg"] - mol["P"]
            most = 50 / ACETIC * 1.001 + 0.002  # and the water's own
            self.assertLessEqual(carried.max(), most, material)

    def test_vinegar_in_a_cold_soak_is_acid(self):
        soak = estimate(sour("eggshell_dry", 50, "cold_steep"), 5).of("Ca").at(4)[1]
        plain = estimate(sour("eggshell_dry", 50, "cold_steep", 0.0), 5).of("Ca").at(4)[1]
        self.assertGreater(soak, 20 * plain)


class Settling(unittest.TestCase):
    def test_bone_in_vinegar(self):
        """100 g of bone in a litre: not 8 g of phosphorus, but about one."""
        found = estimate(sour("bone_meal_steamed", 100), 21)
        low, likely, high = found.of("P").at(14)
        self.assertTrue(700 < likely < 1300 and low > 250 and high < 2200, (low, likely, high))
        low, likely, high = found.of("Ca").at(14)
        self.assertTrue(5000 < likely < 7000 and low > 3600 and high < 9800, (low, likely, high))

    def test_calcium_and_phosphate_rise_and_fall_against_each_other(self):
        weighed = weigh(sour("bone_meal_steamed", 100), (), 1)
        held = liquid(weighed.model, weighed.draws, np.array([14.0])).elements
        self.assertLess(np.corrcoef(held["Ca"][0], held["P"][0])[0, 1], -0.1)

    def test_by_hand(self):
        """298 and 179 mmol/L with a product of 4,800: 147 go, and 151 times 32 stay."""
        gone = settled_brushite(np.array([[298 * 40.08]]), np.array([[179 * 30.974]]), np.zeros(1))
        self.assertAlmostEqual(float(gone[0, 0]), 147.4, delta=1.0)
        none = settled_brushite(np.array([[400.0]]), np.array([[300.0]]), np.zeros(1))
        self.assertEqual(float(none[0, 0]), 0.0)

    def test_gypsum_and_salts_dissolve_only_so_far_in_vinegar_too(self):
        # 2.4 g of gypsum a litre hold 559 mg of calcium
        self.assertLess(estimate(sour("gypsum", 50), 21).of("Ca").at(20)[2], 640)

    def test_shell_in_a_lactic_ferment_stays_at_its_table(self):
        parts = (RecipeItem("eggshell_dry", 100, particle="meal_powder"),)
        found = estimate(Recipe("lactic_ferment", parts, 1.0, RAIN), 40).of("Ca").at(40)
        self.assertLessEqual(found[2], 1520)  # and the water's own
