"""How often the truth lies in the band of a brew that was read."""

import math
import random
import unittest

import numpy as np

from dace.core.brew.ec import brew_ec
from dace.core.brew.liquid import liquid
from dace.core.brew.model import Model
from dace.core.brew.weighed import BrewReading
from dace.core.draws.ensemble import first_draws
from tests.core import counts
from tests.core.brew.brews import bands, chosen, recipe_of
from tests.core.brew.simulated import brew as true_brew


class FromThePrior(unittest.TestCase):
    seconds_each = 20

    def test_truth_from_the_prior_lies_in_the_band_as_often_as_said(self):
        rng = random.Random(11)
        held = count = 0
        for seed in range(counts.of(240, 50)):
            recipe = recipe_of(*chosen(rng))
            model = Model(recipe)
            truth = first_draws(50_000 + seed, model.unknowns, 1)
            days = np.array([9.0, 14.0])
            found = liquid(model, truth, days)
            ec = brew_ec(model, truth, found, exact=True)
            error = 0.0506 * np.random.default_rng(seed).standard_t(4)
            shown = float(ec[0, 0]) * math.exp(np.clip(error, -1, 1))
            after, _ = bands(recipe, (BrewReading(9.0, shown),), seed, 14.0, 800)
            true = {n: float(found.of(n)[1, 0]) for n in ("N", "P", "K", "Ca", "Mg")}
            true["EC"] = float(ec[1, 0])
            held += sum(after[n][0] <= true[n] <= after[n][2] for n in true)
            count += len(true)
        self.assertGreaterEqual(held / count, 0.76)
        self.assertLessEqual(held / count, 0.84)


class FromASimulator(unittest.TestCase):
    seconds_each = 20

    def test_truth_from_a_simulator_that_is_wrong_in_known_ways(self):
        rng = random.Random(12)
        held = count = 0
        for seed in range(counts.of(240, 50)):
            key, grams, method, warmth = chosen(rng)
            found, ec = true_brew(key, grams, 20.0, method, warmth, 14, seed)
            shown = max(0.05, ec[9] * math.exp(0.05 * rng.gauss(0, 1)))
            recipe = recipe_of(key, grams, method, warmth)
            after, _ = bands(recipe, (BrewReading(9.0, shown),), seed, 14.0, 300)
            true = {n: found[n][14] for n in ("N", "P", "K", "Ca", "Mg")} | {"EC": ec[14]}
            held += sum(after[n][0] <= true[n] <= after[n][2] for n in true)
            count += len(true)
        self.assertGreaterEqual(held / count, 0.70)
        self.assertLessEqual(held / count, 0.95)
