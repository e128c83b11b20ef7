"""Home-made liquids: balance, order, stoichiometry, readings and calibration."""

import unittest
from dataclasses import replace

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from dace.core.brew.acid import acid_limits
from dace.core.brew.bottles import bottle_contents, composition_of_bottle
from dace.core.brew.claims import Against, check_claim
from dace.core.brew.estimate import estimate
from dace.core.brew.extraction import methods, modifiers
from dace.core.brew.liquid import liquid
from dace.core.brew.model import Model
from dace.core.brew.purpose import purpose_of
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.brew.told import brew_working
from dace.core.brew.weighed import weigh
from dace.core.can.mixing import fill_can
from dace.core.draws.ensemble import first_draws
from dace.core.errors import DaceError
from dace.core.matter.materials import ELEMENTS, material, materials
from tests.core.brew.brews import RAIN, SOAK, shell, soak
from tests.core.working import worked_out


class BalanceTests(unittest.TestCase):
    @settings(max_examples=60)
    @given(
        key=st.sampled_from(sorted(materials())),
        method=st.sampled_from(sorted(methods())),
        grams=st.floats(1, 5000),
        litres=st.floats(0.1, 100),
        warmth=st.floats(-5, 60),
        particle=st.sampled_from(sorted(modifiers())),
        second=st.none() | st.floats(0, 60),
        seed=st.integers(0, 99),
    )
    def test_no_draw_holds_more_than_went_in(
        self, key, method, grams, litres, warmth, particle, second, seed
    ):
        recipe = Recipe(
            method,
            (RecipeItem(key, grams, particle=particle),),
            litres,
            RAIN,
            warmth,
            acid_percent=5.0 if method == "acid_extract" else 0.0,
            first_run_days=second,
        )
        model = Model(recipe)
        z = first_draws(seed, model.unknowns, 60)
        days = np.array([0.0, 0.5, 3.0, 30.0, 120.0])
        out = model.came_out(z, days)
        self.assertTrue((out >= 0).all() and (out <= 1).all())
        self.assertTrue((np.diff(out, axis=2) >= -1e-9).all())
        found, went = liquid(model, z, days), model.went_in(z).sum(axis=0)
        for e, element in enumerate(ELEMENTS):
            held = found.nitrogen if element == "N" else found.elements[element]
            self.assertTrue((held * model.volume_l <= went[e] * 1.000001 + 1e-6).all(), element)

    def test_potassium_fast_nitrogen_slow_calcium_little(self):
        found = estimate(SOAK, 30)
        early = {n: found.of(n).likely[2] / found.of(n).likely[30] for n in ("K", "N")}
        self.assertGreater(early["K"], early["N"])
        out = found.of("Ca").likely[30] * found.volume_l / (2000 * 10 * 0.3)
        self.assertLess(out, 0.5)
        no_acid = estimate(soak("eggshell_dry", 100.0, method="cold_steep"), 14)
        self.assertLess(no_acid.of("Ca").high[14], 10)

    def test_twice_the_leaf_is_about_twice_as_strong(self):
        once, twice = (estimate(soak(grams=g), 20) for g in (1000.0, 2000.0))
        for n in ("N", "K"):
            ratio = twice.of(n).likely[20] / once.of(n).likely[20]
            self.assertTrue(1.8 < ratio < 2.05, (n, ratio))

    def test_warmer_is_sooner(self):
        cool, warm = (estimate(soak(temperature_c=t), 10) for t in (8.0, 24.0))
        self.assertGreater(warm.of("K").likely[1], cool.of("K").likely[1])
        self.assertLess(warm.ready_day[1], cool.ready_day[1])
        self.assertLess(warm.keeps_days[1], cool.keeps_days[1])

    def test_a_second_run_is_weaker(self):
        first, second = estimate(SOAK, 16), estimate(soak(first_run_days=16.0), 16)
        for n in ("N", "P", "K", "Ca", "Mg"):
            self.assertLess(second.of(n).likely[16], 0.6 * first.of(n).likely[16])

    def test_what_is_added_later_soaks_from_then_on(self):
        later = replace(SOAK.ingredients[0], since_day=6.0)
        whole, half = estimate(SOAK, 16), estimate(replace(SOAK, ingredients=(later,)), 16)
        self.assertEqual(half.of("K").high[6], half.of("K").low[0])
        for day in (1, 5, 10):
            self.assertAlmostEqual(
                half.of("K").likely[6 + day], whole.of("K").likely[day], places=6
            )

    def test_chopped_finer_is_sooner(self):
        def of(particle):
            item = RecipeItem("comfrey_fresh", 2000.0, particle=particle)
            recipe = Recipe("cold_steep", (item,), 20.0, RAIN, 18.0)
            return estimate(recipe, 5).of("K").likely[1]

        self.assertLess(of("whole_leaf"), of("chopped_coarse"))
        self.assertLess(of("chopped_coarse"), of("shredded_blended"))

    def test_a_working_adds_up(self):
        for recipe in (SOAK, soak("poultry_pellets", 500.0), shell(50.0)):
            for nutrient in ("N", "P", "K", "Ca", "Mg"):
                for step in brew_working(Model(recipe), nutrient):
                    if step.expression:
                        self.assertAlmostEqual(
                            worked_out(step.expression),
                            step.value,
                            delta=abs(step.value) * 2e-3 + 1e-6,
                        )


class AcidTests(unittest.TestCase):
    def test_fifty_grams_of_shell_and_the_acid_runs_out(self):
        # 7.5 g of acetic acid, 60.05 g/mol, two for each carbonate of 100.09 g/mol; 22.4 L at 0 C
        found = acid_limits(((material("eggshell_dry"), 50.0),), 5.0, 0.15)
        carbonate = 7.5 / 60.05 / 2
        self.assertTrue(found.acid_runs_out)
        self.assertAlmostEqual(found.solid_used_g / 6.8, 1, delta=0.03)
        self.assertAlmostEqual(found.ca_ceiling_mg_l / (carbonate * 40_080 / 0.15), 1, delta=0.002)
        self.assertAlmostEqual(found.gas_l, carbonate * 22.414 * 293.15 / 273.15, delta=0.01)
        self.assertEqual(found.acid_left_g, 0)

    def test_five_grams_of_shell_and_the_shell_runs_out(self):
        found = acid_limits(((material("eggshell_dry"), 5.0),), 5.0, 0.15)
        self.assertFalse(found.acid_runs_out)
        for value, expected in (
            (found.ca_ceiling_mg_l, 12_300),
            (found.gas_l, 1.11),
            (found.acid_left_g, 2.0),
        ):
            self.assertAlmostEqual(value / expected, 1, delta=0.03)

    def test_bone_takes_seven_acids_for_three_phosphates(self):
        found = acid_limits(((material("bone_meal_steamed"), 100.0),), 5.0, 1.0)
        # 10 g of phosphorus is .323 mol, a third of that bone mineral, seven acids each: .753 mol
        self.assertAlmostEqual(found.share_dissolved, 1.0)
        self.assertAlmostEqual(found.acid_left_g, 50 - 10 / 30.974 / 3 * 7 * 60.05, delta=0.1)
        self.assertEqual(found.gas_l, 0)

    def test_likely_calcium_stays_below_the_ceiling(self):
        for grams in (5.0, 50.0):
            found = estimate(shell(grams), 20)
            self.assertLessEqual(found.of("Ca").likely[20], found.limits.ca_ceiling_mg_l * 1.001)
            self.assertGreater(found.of("Ca").likely[20], 0.5 * found.limits.ca_ceiling_mg_l)

    def test_no_acid_or_nothing_to_dissolve_is_named(self):
        with self.assertRaises(DaceError) as caught:
            acid_limits(((material("comfrey_fresh"), 50.0),), 5.0, 0.15)
        self.assertEqual(caught.exception.field, "ingredients")
        with self.assertRaises(DaceError) as caught:
            Recipe("acid_extract", (RecipeItem("eggshell_dry", 5.0),), 0.15, RAIN, 20.0)
        self.assertEqual(caught.exception.field, "acid_percent")


class PourTests(unittest.TestCase):
    def test_a_bottle_pours_with_whiskers_of_its_own(self):
        contents = bottle_contents(weigh(SOAK, ()), 16.0)
        feed = composition_of_bottle(contents, "comfrey")
        can = fill_can(50.0, 9.0, feed, RAIN)
        found = estimate(SOAK, 16)
        for n in ("N", "K"):
            _low, likely, high = found.of(n).at(16)
            self.assertAlmostEqual(can.nutrient(n).value / (likely / 20), 1, delta=0.02)
            self.assertLess(can.nutrient(n).low, can.nutrient(n).value * 0.9)
            self.assertAlmostEqual(can.nutrient(n).high / (high / 20), 1, delta=0.06)
        self.assertIn("estimated", can.nutrient("K").working[0].source)

    def test_purpose_follows_from_the_numbers(self):
        rich = purpose_of({"N": 20, "P": 5, "K": 1500, "Ca": 20, "Mg": 5}, 5.0)
        self.assertIn("flowers and fruit", rich.good_for[0])
        self.assertIn("next to no nitrogen", rich.does_not[0])
        thin = purpose_of({"N": 3, "P": 1, "K": 8, "Ca": 1, "Mg": 0.5}, 0.05)
        self.assertEqual(thin.parts, 0)
        self.assertIn("little more than water", thin.good_for[0])
        salty = purpose_of({"N": 90, "P": 9, "K": 900, "Ca": 9, "Mg": 9}, 4.0, 900.0)
        self.assertTrue(any("salt" in text for text in salty.does_not))


class ClaimTests(unittest.TestCase):
    def test_more_than_went_in_is_refused_with_the_bound(self):
        told = check_claim("3 % nitrogen in rinse water", Against())
        self.assertEqual(told.verdict, "impossible")
        # .035 % at most is 350 mg/L
        self.assertIn("350 mg/L", told.text)
        brewed = Against(most_mg_l=SOAK.most_mg_l())
        self.assertEqual(check_claim("5 g/l potassium", brewed).verdict, "impossible")
        self.assertEqual(check_claim("500 mg/l potassium", brewed).verdict, "possible")

    def test_parts_that_contradict_each_other_are_told_with_both_numbers(self):
        told = check_claim("1:400, so three tablespoons in the can", Against())
        self.assertEqual(told.verdict, "contradicts")
        # 9000 / 401 mL, or three spoons of 15 mL
        self.assertIn("22.4 mL", told.text)
        self.assertIn("45 mL", told.text)
        agreed = check_claim("1 + 199, that is 45 ml in the can", Against())
        self.assertEqual(agreed.verdict, "agrees")

    def test_what_cannot_be_checked_says_what_would_do(self):
        for text in ("", "it works wonders", "30 % nitrogen in moonshine", "x" * 500):
            with self.subTest(text), self.assertRaises(DaceError) as caught:
                check_claim(text, Against())
            self.assertEqual(caught.exception.field, "claim")
