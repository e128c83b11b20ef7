"""What a brew is for, and from when on it is for the heap."""

from django.test import SimpleTestCase

from dace.core.brew.days import past_use
from dace.core.brew.estimate import estimate
from dace.core.brew.purpose import purpose_of
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import water_of_kind


def brew(method, material, grams=1500.0, litres=15.0):
    return Recipe(method, (RecipeItem(material, grams),), litres, water_of_kind("rain"))


class PastUse(SimpleTestCase):
    def test_what_sours_within_a_day_is_not_ready_on_the_fourth(self):
        self.assertTrue(past_use(brew("aerated_brew", "worm_castings"), 4))
        self.assertFalse(past_use(brew("aerated_brew", "worm_castings"), 1.5))

    def test_a_ferment_stands_for_months_and_not_for_ever(self):
        ferment = brew("anaerobic_ferment", "comfrey_fresh")
        self.assertFalse(past_use(ferment, 60))
        self.assertTrue(past_use(ferment, 400))

    def test_a_cold_soak_of_150_days_is_spoilt(self):
        self.assertTrue(past_use(brew("cold_steep", "nettle_fresh"), 150))


class Purposes(SimpleTestCase):
    def good_for(self, method, material, grams=1500.0):
        made = brew(method, material, grams)
        found = estimate(made, 30)
        mg_l = {n: found.of(n).at(16)[1] for n in NUTRIENTS}
        return " ".join(purpose_of(mg_l, found.ec.at(16)[1], solids=made.ingredients).good_for)

    def test_nettle_grass_and_dung_are_for_leaf_and_comfrey_for_fruit(self):
        for method in ("anaerobic_ferment", "cold_steep"):
            for material, grams in (
                ("nettle_fresh", 1500),
                ("grass_clippings", 1500),
                ("poultry_pellets", 500),
            ):
                with self.subTest(material, method=method):
                    self.assertIn("leafy growth", self.good_for(method, material, grams))
            self.assertIn("flowers and fruit", self.good_for(method, "comfrey_fresh"))
