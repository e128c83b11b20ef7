"""What a garden teaches, cold nights, what follows: by hand and in drawn households."""

import math
import random
import unittest

from dace.core.draws.learned import Told, learned
from dace.core.errors import DaceError
from dace.core.figures import Range
from dace.core.shell import CALCULATORS
from dace.core.year.follows import against_rotation
from dace.core.year.frost import STAGES, Night, harm_chance, leaf_low
from tests.core import counts

TABLE = Range(1.7, 3.4, 6.8)  # ends twice and half the middle: a log sd of ln 2 / 1.2816
SD = math.log(2) / 1.2816


class Learned(unittest.TestCase):
    def test_three_batches_by_hand(self):
        """s_b^2 = .2925 - .04, three of 1/.05: mean -.2251, sd (1/63.96 + .04)^.5 = .2359."""
        found = learned("recipe", TABLE, [Told(-0.24, 0.1)] * 3)
        for got, wanted in ((found.typ, 2.715), (found.low, 2.007), (found.high, 3.673)):
            self.assertAlmostEqual(got, wanted, delta=0.005)

    def test_nothing_told_is_the_table_and_order_is_nothing(self):
        self.assertEqual(learned("recipe", TABLE, []), TABLE)
        told = [Told(-0.3, 0.1), Told(0.2, 0.4), Told(0.0, 0.05)]
        there, back = learned("recipe", TABLE, told), learned("recipe", TABLE, told[::-1])
        self.assertAlmostEqual(there.typ, back.typ)

    def test_from_batch_four_on_it_is_narrower_and_still_holds(self):
        """Households drawn by the rule's own assumption: s_w .2, readings good to a tenth."""
        rng, inside, narrower = random.Random(4), 0, 0
        households = counts.of(4000, 1500)
        for _ in range(households):
            own = rng.gauss(0, math.sqrt(SD**2 - 0.04))
            told = [Told(own + rng.gauss(0, 0.2) + rng.gauss(0, 0.1), 0.1) for _ in range(3)]
            band = learned("recipe", TABLE, told)
            truth = 3.4 * math.exp(own + rng.gauss(0, 0.2))
            inside += band.low <= truth <= band.high
            narrower += math.log(band.high / band.low) < 0.75 * math.log(4)
        self.assertTrue(0.75 <= inside / households <= 0.85, inside / households)
        self.assertEqual(narrower, households)

    def test_what_cannot_be_a_reading_is_refused(self):
        table = {"low": 1, "typ": 2, "high": 4}
        for bad in ({"kind": "luck"}, {"values": [{"log": 0, "sd": 0}]},
                    {"table": {"low": 0, "typ": 2, "high": 4}}):  # fmt: skip
            with self.assertRaises(DaceError):
                CALCULATORS["learned"]({"kind": "recipe", "table": table, "values": []} | bad)


class ColdNights(unittest.TestCase):
    def test_a_leaf_at_what_marks_half_is_marked_in_half_of_the_nights(self):
        self.assertAlmostEqual(harm_chance("tomato_bush", "grown", Night(0.0)), 0.5)
        # two degrees of air, a clear still night: the blossom stands at its -1
        blossom = Night(2.0, clear=True, still=True)
        self.assertEqual(leaf_low(blossom, "open"), -1.0)
        self.assertAlmostEqual(harm_chance("strawberry", "flower", blossom), 0.5)

    def test_colder_clearer_and_barer_is_never_safer(self):
        for crop, stage in (("chilli", "grown"), ("pea", "flower"), ("lettuce", "seedling")):
            chances = [harm_chance(crop, stage, Night(low)) for low in range(10, -15, -1)]
            self.assertEqual(chances, sorted(chances))
            still = harm_chance(crop, stage, Night(1.0, clear=True, still=True))
            self.assertGreaterEqual(still, harm_chance(crop, stage, Night(1.0)))
            under = harm_chance(crop, stage, Night(1.0, clear=True, still=True), "cover")
            self.assertLess(under, still)
            self.assertLess(harm_chance(crop, stage, Night(-8.0), "indoors"), 0.01)

    def test_every_crop_has_its_figures_and_kale_stands_more_than_basil(self):
        basil, kale = (harm_chance(key, "grown", Night(0.0)) for key in ("basil", "kale"))
        self.assertGreater(basil, 0.9)
        self.assertLess(kale, 0.001)
        for stage in STAGES:
            self.assertLessEqual(harm_chance("garlic", stage, Night(5.0)), 0.001)

    def test_it_says_what_to_do_or_that_nothing_is_likely(self):
        cold = {"crop": "chilli", "stage": "grown", "forecast_low_c": 1, "clear": True}
        self.assertIn("cover it", CALCULATORS["frost"](cold)["say"])
        mild = CALCULATORS["frost"](cold | {"forecast_low_c": 9})
        self.assertEqual(mild["say"], "No harm likely tonight.")


class Follows(unittest.TestCase):
    def found(self, on, before=(), crops=(), latitude=51, climate="cool_temperate"):
        told = {"on": on, "families_before": [list(one) for one in before], "crops": list(crops),
                "latitude": latitude, "climate": climate}  # fmt: skip
        return CALCULATORS["follows"](told)["follows"]

    def test_potatoes_never_after_potatoes_without_a_word(self):
        said = against_rotation("nightshade", [(2025, "nightshade"), (2020, "legume")], 2026)
        self.assertIn("2025", said)
        self.assertEqual(against_rotation("daisy", [(2026, "daisy")], 2026), "")
        found = self.found("2026-04-10", [(2025, "nightshade")], ["potato", "lettuce"])
        against = {one.get("crop"): one["against"] for one in found}
        self.assertIsNone(against["lettuce"])
        self.assertIn("four years", against["potato"])

    def test_late_in_august_it_is_spinach_and_vetch_and_no_tomato(self):
        keys = {one.get("crop") or one.get("green_manure") for one in self.found("2026-08-20")}
        self.assertLessEqual({"spinach", "winter_vetch", "phacelia"}, keys)
        self.assertFalse({"tomato_bush", "aubergine", "sorghum_sudan", "fig_pot"} & keys)

    def test_the_south_has_its_own_august(self):
        south = self.found("2026-02-20", crops=["spinach"], latitude=-45)
        self.assertEqual([one["crop"] for one in south if "crop" in one], ["spinach"])
