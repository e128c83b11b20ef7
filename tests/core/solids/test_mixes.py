"""Soil mixes, green manure, mulch and the bean test against hand-worked ones."""

import itertools
import random
import unittest

from dace.core.errors import DaceError
from dace.core.figures import load_table
from dace.core.matter.materials import materials
from dace.core.season.crops import crops
from dace.core.shell import CALCULATORS
from dace.core.solids.green_manure import green_manures
from dace.core.solids.mulch import mulches
from dace.core.solids.soil_mix import (
    USES,
    SoilMixAsked,
    medium_of,
    mix_ingredients,
    mix_recipes,
    soil_mix,
)

SUPPER = {"coir": 4, "garden_compost": 3, "bark_fines": 1, "worm_castings": 1, "perlite": 1}


def mixed(parts, **more):
    told = {"litres": 40, "parts": parts, "use": "pots", "seed": None}
    return CALCULATORS["soil_mix"](told | more)


class SoilMixes(unittest.TestCase):
    def test_forty_litres_for_hungry_pots(self):
        found = mixed(SUPPER)
        for got, wanted, places in (
            (found["shrinkage"], 0.072, 3), (found["litres_of"]["coir"], 17.2, 1),
            (found["litres_of"]["perlite"], 4.3, 1), (found["pore_ec_ms_cm"], 2.16, 2),
            (found["holding"], 0.50, 2), (found["ph"], 7.0, 1),
        ):  # fmt: skip
            self.assertEqual(round(got, places), wanted)
        self.assertEqual({n: round(found["at_once_mg_l"][n]) for n in "NPK"},
                         {"N": 123, "P": 65, "K": 895})  # fmt: skip
        self.assertEqual(round(found["slow_mg_l"]["N"]), 130)
        self.assertEqual(round(found["n_taken_mg_l"]), 18)

    def test_granules_add_their_own(self):
        plain, fed = mixed(SUPPER), mixed(SUPPER, dry_g_per_l={"granular_organic_4_3_4": 4})
        self.assertEqual(round(fed["at_once_mg_l"]["N"] - plain["at_once_mg_l"]["N"]), 13)
        self.assertEqual(round(fed["slow_mg_l"]["N"] - plain["slow_mg_l"]["N"]), 75)
        self.assertGreater(fed["pore_ec_ms_cm"], plain["pore_ec_ms_cm"])

    def test_too_salty_for_seedlings_is_said_with_what_it_is(self):
        breaks = {one["rule"]: one for one in mixed(SUPPER, use="seed")["breaks"]}
        salty = breaks["seed.mix_pore_ec.max_pore_ec"]
        self.assertEqual((salty["limit"], round(salty["is"], 2)), (1.5, 2.16))
        self.assertIn("seed.garden_compost.max_share", breaks)

    def test_our_own_recipes_suit_their_use_but_for_one_that_is_told(self):
        for recipe in mix_recipes().values():
            found = soil_mix(SoilMixAsked(40, recipe.parts, recipe.dry, recipe.use))
            said = {one.rule for one in found.breaks if one.severity != "info"}
            ericaceous = {"ericaceous.mix_pore_ec.max_pore_ec"}
            self.assertEqual(said, ericaceous if recipe.key == "heath_corner" else set())

    def test_any_mix_keeps_its_litres_and_its_order(self):
        rng, keys = random.Random(2), list(mix_ingredients())
        for _ in range(60):
            parts = {key: rng.choice([0.5, 1, 2, 3]) for key in rng.sample(keys, rng.randint(1, 6))}
            found = mixed(parts, litres=30, use=rng.choice(USES), seed=1)
            summed = sum(found["litres_of"].values()) * (1 - found["shrinkage"])
            self.assertAlmostEqual(summed, 30)
            self.assertLessEqual(found["holding"], 0.65)
            turned = mixed(dict(reversed(parts.items())), litres=30, seed=1)
            self.assertAlmostEqual(found["pore_ec_ms_cm"], turned["pore_ec_ms_cm"], places=9)
            for span in found["ranges"].values():
                self.assertLessEqual(span["low"], span["high"])

    def test_a_mix_is_a_medium_that_a_pot_starts_from(self):
        supper = mix_recipes()["big_supper"]
        found = medium_of(soil_mix(SoilMixAsked(40, supper.parts), None), "mine", "Mine")
        slow = found.release_n_mg_l_week * found.release_half_life_weeks / 0.6931
        self.assertAlmostEqual(slow, 130 - 18, delta=1)
        self.assertEqual(round(found.available_of("K")), 895)

    def test_what_is_no_mix_is_refused_in_a_sentence(self):
        for bad in ({"perlite": 0}, {}, {"cement": 1}, {"coir": -1}):
            with self.assertRaises(DaceError):
                mixed(bad)


class GreenManures(unittest.TestCase):
    def test_vetch_before_the_cabbages(self):
        told = {"key": "winter_vetch", "area_m2": 4, "temperature_c": 12, "weeks": 3}
        found = CALCULATORS["green_manure"](told)
        for got, wanted in ((found["n_g"], 56.4), (found["from_air_g"], 42.3),
                            (found["from_bed_g"], 14.1), (found["next_crop_g"], 25.4),
                            (found["by_week_g"][2], 12.5)):  # fmt: skip
            self.assertAlmostEqual(got, wanted, delta=0.006 * wanted)
        on_top = CALCULATORS["green_manure"](told | {"dug_in": False})
        self.assertAlmostEqual(on_top["next_crop_g"], 0.7 * found["next_crop_g"])

    def test_rye_that_stood_takes_nitrogen(self):
        found = CALCULATORS["green_manure"]({"key": "winter_rye", "area_m2": 4})
        self.assertAlmostEqual(found["taken_g"], 9.6, delta=0.1)

    def test_it_comes_week_by_week_and_never_more_than_is_promised(self):
        for key, stand, on_top in itertools.product(
            green_manures(), ("short", "flower"), (True, False)
        ):
            told = {"key": key, "area_m2": 2, "stand": stand, "dug_in": not on_top, "weeks": 60}
            found = CALCULATORS["green_manure"](told)
            weeks = found["by_week_g"]
            self.assertEqual(weeks, sorted(weeks))
            self.assertLessEqual(weeks[-1], found["next_crop_g"] + 1e-9)
            self.assertLessEqual(found["from_air_g"], found["n_g"])


class Mulches(unittest.TestCase):
    def test_six_square_metres_of_straw(self):
        told = {"material": "wheat_straw", "area_m2": 6, "settled_mm": 75, "bin_l": 240}
        found = CALCULATORS["mulch"](told)
        self.assertEqual([round(found[key]) for key in ("loose_mm", "litres", "bins", "kg")],
                         [167, 1000, 5, 50])  # fmt: skip
        self.assertEqual(round(found["n_taken_g"]["dug_in"]), 251)
        self.assertEqual(round(found["n_taken_g"]["on_top"]), 15)

    def test_what_is_rich_gives_and_wood_takes(self):
        for key in mulches():
            taken = CALCULATORS["mulch"]({"material": key, "area_m2": 1})["n_taken_g"]
            gives = key in ("grass_clippings", "comfrey_fresh", "garden_compost", "leaf_mould",
                            "horse_composted")  # fmt: skip
            self.assertEqual(taken["on_top"] < 0, gives, key)


class BeanTests(unittest.TestCase):
    def test_every_outcome_by_the_table(self):
        well, curled, bare = [0, 3], [2, 3], [0, 0]
        for test, plain, wanted in (
            ([curled, curled, well], [well] * 3, "suspect"),
            ([well] * 3, [well] * 3, "clean"),
            ([curled, well, well], [well] * 3, "repeat"),
            ([bare, bare, well], [well] * 3, "repeat"),
            ([well] * 3, [curled, well, well], "void"),
            ([curled] * 3, [[0, 2], [0, 2], [0, 1]], "void"),
        ):
            found = CALCULATORS["bean_test"]({"test": test, "plain": plain})
            self.assertEqual(found["result"], wanted)
        with self.assertRaises(DaceError):
            CALCULATORS["bean_test"]({"test": [[4, 3]] * 3, "plain": [well] * 3})


class Tables(unittest.TestCase):
    def test_every_name_in_the_tables_is_a_material_or_a_family(self):
        """What a heap's classes, a mix's rules and the year's tables name is there."""
        keys, families = set(materials()), {one.family for one in materials().values()}
        named = []
        for row in load_table("heap"):
            if row.text("parameter") == "decay_factor":
                named += [token for token in row.text("text").split(";") if token]
        for row in load_table("mixing_rules"):
            named += row.text("applies_to").split(";")
        for token in named:
            kind, _, name = token.partition(":")
            known = {"key": keys, "family": families}.get(kind)
            self.assertTrue(kind == "quantity" or name in (known or ()), token)
        grown = set(crops())
        self.assertEqual({row.text("crop") for row in load_table("frost_harm")}, grown)
        kept = {row.text("family") for row in load_table("rotation")}
        self.assertLessEqual(kept, {one.family for one in crops().values()})
