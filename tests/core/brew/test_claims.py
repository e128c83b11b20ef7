"""Claims in the wordings of the fence, against mass balance, acid, solubility and each other."""

import unittest

from dace.core.brew.acid import acid_limits
from dace.core.brew.claims import Against, check_claim
from dace.core.brew.estimate import estimate
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.matter.materials import material
from dace.core.matter.waters import water_of_kind

IMPOSSIBLE = (
    "comfrey water with 10 % nitrogen",
    "3 % nitrogen in rinse water",
    "nettle soak has 5 % nitrogen",
    "20 % potash in comfrey tea",
    "eggshell water with 2 g/l calcium",
    "eggshell in 5 % vinegar holds 40 g/l of calcium",
    "4-3-8 from comfrey water",
    "banana peel tea, potassium 9 %",
    "gypsum in water gives 5 g/l calcium",
    "coffee grounds tea with 8 % nitrogen",
)
POSSIBLE = (
    "200 mg/l nitrogen in nettle soak",
    "comfrey water with 800 mg/l of potassium",
    "eggshell in 5 % vinegar holds 12 g/l of calcium",
    "gypsum in water gives 500 mg/l calcium",
    "poultry pellets with 4 % nitrogen",
    "blood meal is 12 % nitrogen",
    "potassium sulfate has 50 % k2o",
    "comfrey has 3 % nitrogen of the dry matter",
)
AGREE = (
    "1 + 199, that is 45 ml in the can",
    "1 + 199, so three tablespoons in a 9 L can",
    "half an ounce per gallon, that is 1 tbsp per gallon",
    "5 ml/L, so 45 ml in the can, or 1 + 199",
)
DISAGREE = (
    "1:400, so three tablespoons in the can",
    "5 ml/L, so 45 ml in the can, that is 1 + 50",
    "1 + 100, that is 2 ml/L",
)


class Claims(unittest.TestCase):
    def verdicts(self, texts, verdict, against=None):
        for text in texts:
            with self.subTest(text):
                found = check_claim(text, against or Against())
                self.assertEqual(found.verdict, verdict, found.text)

    def test_what_cannot_be(self):
        self.verdicts(IMPOSSIBLE, "impossible")

    def test_what_can(self):
        self.verdicts(POSSIBLE, "possible")

    def test_parts_that_agree(self):
        self.verdicts(AGREE[:2] + AGREE[3:], "agrees")
        self.verdicts(AGREE[2:3], "agrees", Against(measures="us"))

    def test_parts_of_which_one_does_not(self):
        self.verdicts(DISAGREE, "contradicts")

    def test_rounding_makes_no_liar(self):
        brewed = Against(most_mg_l=(("N", 98_600.0),))
        self.assertEqual(check_claim("10 % nitrogen", brewed).verdict, "possible")
        self.assertEqual(check_claim("11 % nitrogen", brewed).verdict, "impossible")

    def test_the_second_nutrient_counts_too(self):
        brewed = Against(most_mg_l=(("N", 500.0), ("K", 900.0)))
        said = check_claim("300 mg/l nitrogen and 2 g/l potassium", brewed)
        self.assertEqual(said.verdict, "impossible")
        self.assertIn("of K", said.text)


class AtABrew(unittest.TestCase):
    def brewed(self, key, grams, litres):
        ingredients = (RecipeItem(key, grams, particle="meal_powder"),)
        return Recipe("acid_extract", ingredients, litres, water_of_kind("rain"), acid_percent=5.0)

    def test_no_more_calcium_than_the_acid_frees(self):
        """50 g of shell hold 18 g of calcium; half a litre of 5 % vinegar frees 8.3 g of it."""
        most = self.brewed("eggshell_dry", 50, 0.5).most_mg_l()
        self.assertAlmostEqual(dict(most)["Ca"], 16_690, delta=60)
        verdicts = [check_claim(f"{n} g/L of calcium", Against(most_mg_l=most)).verdict
                    for n in (25, 12)]  # fmt: skip
        self.assertEqual(verdicts, ["impossible", "possible"])

    def test_a_likely_calcium_is_never_above_its_own_ceiling(self):
        for key in ("eggshell_dry", "crab_shrimp_shell_meal", "cooked_poultry_bone"):
            for grams in (10, 60):
                with self.subTest(key, grams=grams):
                    found = estimate(self.brewed(key, grams, 0.5), 21)
                    likely = dict(found.nutrients)["Ca"].likely[-1]
                    ceiling = acid_limits(((material(key), grams),), 5.0, 0.5).ca_ceiling_mg_l
                    self.assertLessEqual(likely, ceiling * 1.001)

    def test_fresh_and_dry_are_both_tried_before_impossible(self):
        """Fresh comfrey is a seventh dry matter: 3 % of nitrogen is true of what is dried."""
        self.assertEqual(check_claim("comfrey is 3 % nitrogen", Against()).verdict, "possible")
        self.assertEqual(check_claim("comfrey is 12 % nitrogen", Against()).verdict, "impossible")
