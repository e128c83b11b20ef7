"""What a household's own batches teach, tried on batches that are drawn here."""

import math
from dataclasses import replace
from unittest import TestCase

import numpy as np

from dace.core.brew.ec import brew_ec
from dace.core.brew.liquid import liquid
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.brew.weighed import BrewReading, batch_told, weigh
from dace.core.draws.learned import Told
from dace.core.matter.waters import water_from_ec

NETTLE = Recipe("cold_steep", (RecipeItem("nettle_fresh", 900),), 9.0, water_from_ec(0.1))
DAY = 4.0


def strength(recipe):
    """Log conductivity on the day, of every draw before its own reading."""
    found = weigh(recipe, ())
    ec = brew_ec(found.model, found.draws, liquid(found.model, found.draws, np.array([DAY])))
    return np.log(ec[-1])


def band(recipe):
    low, middle, high = np.quantile(strength(recipe), [0.1, 0.5, 0.9])
    return low, middle, high


class Taught(TestCase):
    def household(self, seed, within):
        """Six batches of one household: whether each band held, and how wide it was."""
        rng = np.random.default_rng(seed)
        draws = strength(NETTLE)
        own = rng.normal(0, math.sqrt(max(0.0, draws.std() ** 2 - within**2)))
        past, held, wide = [], [], []
        for _ in range(6):
            truth = np.median(draws) + own + rng.normal(0, within)
            low, _, high = band(replace(NETTLE, past=tuple(past)))
            held.append(low <= truth <= high)
            wide.append(high - low)
            told = batch_told(NETTLE, (BrewReading(DAY, math.exp(truth + rng.normal(0, 0.1))),))
            if told is not None:
                past.append(told)
        return held, wide

    def test_from_the_fourth_batch_bands_are_a_quarter_narrower_and_still_hold(self):
        several = [self.household(seed, 0.2) for seed in range(14)]
        wide = np.mean([wide for _, wide in several], axis=0)
        self.assertLess(max(wide[3:]), 0.75 * wide[0])
        held = np.mean([held[3:] for held, _ in several])
        self.assertTrue(0.65 <= held <= 0.95, held)

    def test_readings_move_the_next_batch_towards_them_and_none_leaves_the_table(self):
        _, table, _ = band(NETTLE)
        for log in (-0.4, 0.4):
            _, now, _ = band(replace(NETTLE, past=(Told(log, 0.1),) * 3))
            self.assertGreater((now - table) / log, 0.4)
            self.assertLess((now - table) / log, 1.1)

    def test_a_reading_in_doubt_teaches_nothing(self):
        _, table, _ = band(NETTLE)
        far = BrewReading(DAY, math.exp(table) * 60)
        self.assertIsNone(batch_told(NETTLE, (far,)))
        sound = batch_told(NETTLE, (far, BrewReading(DAY, math.exp(table))))
        self.assertIsNotNone(sound)
        self.assertLess(abs(sound.log), 0.1)
