"""Readings of a brew, and how often the truth lies in its band."""

import math
import random
import unittest
from dataclasses import replace

import numpy as np

from dace.core.brew.ec import brew_ec
from dace.core.brew.estimate import estimate
from dace.core.brew.liquid import liquid
from dace.core.brew.model import Model
from dace.core.brew.recipe import RecipeItem
from dace.core.brew.weighed import BrewReading
from dace.core.draws.ensemble import first_draws
from tests.core import counts
from tests.core.afresh import elsewhere
from tests.core.brew.brews import SOAK, bands, chosen, recipe_of, shell, soak


def read_bands():
    """A brew of two leaves, read once: every band of its twelve days."""
    nettle = RecipeItem("nettle_fresh", 500.0)
    found = estimate(
        replace(SOAK, ingredients=(*SOAK.ingredients, nettle)), 12, (BrewReading(5.0, 2.1),)
    )
    bands = (found.ec, *(band for _, band in (*found.nutrients, *found.forms)))
    return [[list(band.low), list(band.likely), list(band.high)] for band in bands]


MANY = counts.of(200, 40)


class ReadingTests(unittest.TestCase):
    def test_expected_moves_towards_the_reading_and_the_band_narrows(self):
        rng = random.Random(5)
        towards = narrower = conflicts = tight = 0
        for seed in range(MANY):
            recipe = recipe_of(*chosen(rng))
            model = Model(recipe)
            truth = first_draws(10_000 + seed, model.unknowns, 1)
            found = liquid(model, truth, np.array([9.0]))
            ec = float(brew_ec(model, truth, found, exact=True)[0, 0])
            shown = ec * math.exp(0.05 * rng.gauss(0, 1))
            before, _ = bands(recipe, (), seed, 9.0, 300)
            after, weighed = bands(recipe, (BrewReading(9.0, shown),), seed, 9.0, 300)
            if weighed.conflicts:
                conflicts += 1
                narrower += 1
                continue
            old, new = before["EC"], after["EC"]
            off = abs(math.log(shown / old[1]))
            towards += abs(math.log(shown / new[1])) <= off or off < 0.03
            narrower += math.log(new[2] / new[0]) < math.log(old[2] / old[0])
            tight += new[2] / new[0] < 1.6
        self.assertGreaterEqual(narrower, 0.95 * MANY)
        self.assertGreaterEqual(towards, 0.95 * (MANY - conflicts))
        self.assertGreaterEqual(tight, 0.95 * (MANY - conflicts))
        self.assertLess(conflicts, 0.05 * MANY)

    def test_any_order_gives_the_same_band(self):
        one, two = BrewReading(5.0, 2.1), BrewReading(9.0, 0.16, 19.0)
        self.assertEqual(estimate(SOAK, 12, (one, two)), estimate(SOAK, 12, (two, one)))
        self.assertNotEqual(estimate(SOAK, 12, (one,)).ec, estimate(SOAK, 12).ec)

    def test_the_same_seed_gives_the_same_bands_in_another_process(self):
        self.assertEqual(elsewhere(__name__, "read_bands"), read_bands())

    def test_a_reading_far_off_is_a_conflict_and_narrows_nothing(self):
        prior = estimate(SOAK, 12)
        for value, word in ((0.02, "lower"), (60.0, "higher")):
            found = estimate(SOAK, 12, (BrewReading(9.0, value),))
            self.assertIn(word, found.conflicts[0].reasons)
            self.assertEqual(found.ec, prior.ec)

    def test_a_diluted_reading_says_as_much_as_a_plain_one(self):
        plain = estimate(SOAK, 12, (BrewReading(9.0, 3.2),))
        # fifty parts: what is left conducts a little more than in proportion
        thin = estimate(SOAK, 12, (BrewReading(9.0, 3.2 / 20 * 1.09, 19.0),))
        self.assertAlmostEqual(thin.ec.likely[9] / plain.ec.likely[9], 1, delta=0.06)

    def test_the_quick_way_is_within_one_per_cent_of_the_full(self):
        for recipe in (SOAK, soak("seaweed_meal", 400.0), shell(50.0)):
            quick, full = estimate(recipe, 30), estimate(recipe, 30, exact=True)
            for name in ("low", "likely", "high"):
                pairs = zip(getattr(quick.ec, name), getattr(full.ec, name), strict=True)
                for a, b in list(pairs)[1:]:
                    self.assertAlmostEqual(a / b, 1, delta=0.01)
