"""The judge of whole seasons is judged: by its books, and by rules of thumb."""

from __future__ import annotations

import numpy as np
from django.test import SimpleTestCase

from tools.seasons.__main__ import lived
from tools.seasons.pots import K, N, P, Pots, ec_of, liquid


class Judge(SimpleTestCase):
    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        ways = ("nothing", "label once a week", "one who knows all, two evenings")
        cls.found = {way: lived("pots", way, 36, 1) for way in ways}

    def test_unfed_and_labelled_plants_do_as_they_are_known_to(self) -> None:
        self.assertTrue(55 <= self.found["nothing"]["loss"] <= 70)
        self.assertTrue(11 <= self.found["label once a week"]["loss"] <= 18)

    def test_who_knows_all_loses_less_and_washes_out_less(self) -> None:
        label = self.found["label once a week"]
        knows = self.found["one who knows all, two evenings"]
        for what in ("loss", "N drained"):
            self.assertLess(knows[what], label[what])

    def test_a_starved_plant_drinks_less(self) -> None:
        label, nothing = self.found["label once a week"], self.found["nothing"]
        self.assertLess(nothing["litres"], 0.8 * label["litres"])


class Books(SimpleTestCase):
    def test_what_was_there_and_poured_is_taken_drained_or_held(self) -> None:
        rng = np.random.default_rng(3)
        pots = Pots(rng, rng.choice([8.0, 20.0, 40.0], 12))
        came = pots.salt.sum(axis=1)
        for _ in range(60):
            litres = pots.lack() * rng.uniform(0.2, 1.4, 12)
            strong = liquid(*rng.uniform(0, 200, 3), rng.uniform(1, 4))
            pots.pour(litres, strong)
            came += litres[:, None] * strong
            pots.drink(rng.uniform(0.0, 2.0, 12))
            taken = 0.2 * pots.reach()[0]
            pots.take(taken)
            came[:, :3] -= taken
        held = pots.salt.sum(axis=1) + pots.drained
        np.testing.assert_allclose(held, came, rtol=1e-6)
        self.assertTrue((pots.salt >= 0).all() and (pots.water > 0).all())

    def test_a_liquid_reads_what_was_said(self) -> None:
        # KNO3 of 1 mmol/L: 39.1 mg/L of K, 14 of N; a meq of each sign reads 0.1 mS/cm by the rule
        self.assertAlmostEqual(float(ec_of(liquid(14.0, 0, 39.1, 0.1))), 0.1)
        self.assertEqual([N, P, K], [0, 1, 2])
