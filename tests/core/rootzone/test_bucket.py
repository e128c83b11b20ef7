"""The bucket's books: nothing comes from nowhere."""

import unittest

import numpy as np

from dace.core.figures import Range
from dace.core.matter.media import medium
from dace.core.rootzone.bucket import BOOKS, WIDE
from dace.core.rootzone.unknowns import DRAWS, first_unknowns
from tests.core.rootzone.pots import (
    CA,
    LIME,
    TAP,
    one_bucket,
    one_day,
)


class Balance(unittest.TestCase):
    def test_water_and_every_ion_balance_over_a_season(self):
        rng = np.random.default_rng(3)
        mix = medium("peat_free_mix")
        for saucer in (False, True):
            for seed in range(5):
                unknowns = first_unknowns(np.random.default_rng(seed), mix.holding, mix.start_ec)
                bucket = one_bucket(unknowns, 40.0, (30.0, 60.0), saucer)
                stock = np.ones((1, DRAWS))
                bucket.fresh(
                    np.full((WIDE, 1), 4000.0), unknowns.fixed["start_ec"], stock, soil=False
                )
                first = self.holds(bucket)
                for _ in range(150):
                    use, need, rain = rng.uniform(0, 3), rng.uniform(0, 200, 5), rng.uniform(0, 2)
                    bucket.morning(one_day(use, need, rain))
                    if rng.uniform() < 0.3:
                        litres = np.full((1, DRAWS), rng.uniform(0, 15))
                        bucket.pour(litres, rng.uniform(0, 150, (WIDE, 1)))
                    noise = np.expm1(0.02 * rng.normal(size=(1, DRAWS)))
                    bucket.evening(np.array(TAP)[:, None], np.array([True]), noise)
                    self.assertTrue((bucket.water <= bucket.full * (1 + 1e-9)).all())
                    self.assertTrue((bucket.water > 0).all() and (bucket.dissolved >= 0).all())
                came, drained, taken, shaken, settled = (bucket.books[name] for name in BOOKS)
                ions = first[1] + came + shaken - drained - taken - settled
                # urea turns to ammonium and that to nitrate: one nitrogen
                for columns in ([0, 1, 2], [3], [4], [5], [6], [7], [8]):
                    want, got = (a[columns].sum(axis=0) for a in (ions, self.holds(bucket)[1]))
                    np.testing.assert_allclose(got, want, rtol=1e-3)
                water = first[0] + bucket.water_in - bucket.water_out - bucket.water_used
                np.testing.assert_allclose(self.holds(bucket)[0], water, rtol=1e-3)

    def test_hard_water_leaves_lime_by_hand(self):
        """Of 60 meq in 10 L, what each draw holds stays; Ca and HCO3 go meq for meq."""
        unknowns = first_unknowns(np.random.default_rng(1), medium("coir").holding, Range(1, 1, 1))
        bucket = one_bucket(unknowns, 20.0, (), False)
        bucket.water = np.full((1, DRAWS), 10.0)
        bucket.dissolved[CA], bucket.dissolved[LIME] = 60 * 20.04, 60 * 61.017
        bucket.morning(one_day(0.0, np.zeros(5), 0.0))
        stays = np.minimum(60.0, 10 * unknowns.of("lime_stays", 0))
        self.assertTrue(0.4 < np.mean(stays < 60) < 0.7)  # half settle where 5 meq/L stay
        np.testing.assert_allclose(bucket.dissolved[CA, 0], stays * 20.04)
        np.testing.assert_allclose(bucket.books["settled"][CA, 0], (60 - stays) * 20.04)
        np.testing.assert_allclose(bucket.books["settled"][LIME, 0], (60 - stays) * 61.017)

    def test_a_river_washes_all_out_that_dissolves_and_the_books_balance(self):
        unknowns = first_unknowns(np.random.default_rng(1), medium("coir").holding, Range(1, 1, 1))
        bucket = one_bucket(unknowns, 20.0, (), False)
        bucket.fresh(
            np.full((WIDE, 1), 4000.0), unknowns.fixed["start_ec"], np.ones((1, DRAWS)), False
        )
        salts, water = bucket.dissolved.sum(axis=0), bucket.water.copy()
        bucket.pour(np.full((1, DRAWS), 1e6), np.zeros((WIDE, 1)))
        self.assertLess((bucket.dissolved.sum(axis=0) / salts).max(), 1e-6)
        self.assertTrue((bucket.water <= bucket.full * (1 + 1e-9)).all())
        np.testing.assert_allclose(
            bucket.water, water + bucket.water_in - bucket.water_out, rtol=1e-3
        )

    def holds(self, bucket):
        salts = bucket.dissolved + bucket.held + bucket.slow.mg() + bucket.in_saucer
        return bucket.water + bucket.saucer, salts
