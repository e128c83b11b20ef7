"""Leaf sprays, against figures worked by hand from the tables' typical values."""

import unittest

from dace.core.api import NUTRIENTS, crop
from dace.core.can.leaf import held_each, leaf_of
from dace.core.result import Result
from tests.core.shell.test_calculators import answer, run
from tests.core.working import worked_out

EPSOM = {"grade": [0, 0, 0], "form": "solid", "also": {"Mg": 9.86, "S": 13.0}}
UREA = {"grade": [46, 0, 0], "form": "solid", "nitrogen": {"urea": 46}}
KNO3 = {"grade": [13.7, 0, 46], "form": "solid", "nitrogen": {"nitrate": 13.7}}


def spray(jar=None, strength="10 g/L", grown="chilli", stage="fruit_set", **more):
    given = {
        "jar": jar or EPSOM, "water": {"ec_ms_cm": 0.0}, "vessel": "0.5 L", "strength": strength,
        "crop": grown, "stage": stage, "plants": 6, "air_c": 19,
    }  # fmt: skip
    return answer("spray", given | more)


class Lands(unittest.TestCase):
    def test_epsom_salt_on_six_chillies(self):
        # 3 m2 of leaf a m2, 4.5 plants a m2, water use .38 of .4 L: .633 m2 each; 75 mL each m2
        found, chilli = spray(), crop("chilli")
        use = chilli.stage("fruit_set").water_l_day.typ
        most = max(s.water_l_day.typ for s in chilli.stages)
        each_l = 3 / chilli.plants_per_m2 * use / most * 0.075
        self.assertAlmostEqual(found["litres"], 6 * each_l, places=6)
        self.assertAlmostEqual(found["mix_litres"], 1.5 * 6 * each_l, places=6)
        # 10 g/L hold 986 mg of magnesium; a quarter of it goes in
        self.assertAlmostEqual(found["lands_mg_per_plant"]["Mg"]["likely"], 986 * each_l, delta=0.1)
        enters = found["enters_mg_per_plant"]["Mg"]["likely"]
        self.assertAlmostEqual(enters, 986 * each_l / 4, delta=0.1)
        self.assertEqual(found["enters_mg_per_plant"]["N"]["likely"], 0)
        # 0.36 g of magnesium a season, a share of it in the days of this stage
        stage = chilli.stage("fruit_set")
        week = (
            1000 * chilli.uptake_of("Mg").typ * stage.share_of("Mg") * 7
            / stage.duration_days.typ
        )  # fmt: skip
        self.assertAlmostEqual(found["week_need_mg_per_plant"]["Mg"]["likely"], week, delta=0.2)
        self.assertAlmostEqual(found["share_of_week"]["Mg"]["likely"], enters / week, delta=0.01)

    def test_each_form_of_nitrogen_goes_in_at_its_own_share(self):
        for jar, share in ((UREA, 0.55), (KNO3, 0.25)):
            found = spray(jar, "3 g/L")
            lands = found["lands_mg_per_plant"]["N"]["likely"]
            self.assertAlmostEqual(found["enters_mg_per_plant"]["N"]["likely"], share * lands)

    def test_waxy_leaf_holds_half(self):
        kale, chard = crop("kale"), crop("chard")
        for grown, factor in ((kale, 0.5), (chard, 1.0)):
            stage = grown.stage("vegetative")
            most = max(s.water_l_day.typ for s in grown.stages)
            area = 3 / grown.plants_per_m2 * stage.water_l_day.typ / most
            self.assertAlmostEqual(held_each(grown, stage).value, area * 0.075 * factor)

    def test_every_step_of_the_working_adds_up(self):
        held = held_each(crop("kale"), crop("kale").stage("vegetative"))
        self.assertIsInstance(held, Result)
        for step in held.working:
            self.assertAlmostEqual(worked_out(step.expression), step.value, delta=step.value * 0.01)

    def test_ranges_hold_what_is_likely(self):
        found = spray(KNO3, "3 g/L")
        for table in ("lands_mg_per_plant", "enters_mg_per_plant", "share_of_week"):
            for n in NUTRIENTS:
                low, likely, high = (found[table][n][end] for end in ("low", "likely", "high"))
                self.assertTrue(low <= likely <= high)

    def test_loads_are_full_sprayers(self):
        self.assertEqual(spray(vessel="0.5 L", plants=6)["loads"], 1)
        many = spray(vessel="0.5 L", plants=60)
        self.assertEqual(many["loads"], -(-many["mix_litres"] // 0.5))


class Bears(unittest.TestCase):
    def test_limits_of_grown_and_tender_leaf_warm_and_cool(self):
        for grown, stage, jar, air, limit in (
            ("chilli", "fruit_set", EPSOM, 19, 10), ("chilli", "fruit_set", EPSOM, 23, 5),
            ("chilli", "fruit_set", KNO3, 19, 5), ("chilli", "fruit_set", KNO3, 22.5, 2.5),
            ("cucumber", "vegetative", KNO3, 19, 2), ("chilli", "seedling", EPSOM, 19, 2),
        ):  # fmt: skip
            found = spray(jar, "1 g/L", grown, stage, air_c=air)
            with self.subTest(grown, air=air):
                self.assertEqual(found["limit_of"], "salts")
                self.assertAlmostEqual(found["limit_g_l"], limit)

    def test_at_the_limit_is_not_over_and_beyond_it_is(self):
        self.assertFalse(spray(strength="10 g/L")["over"])
        self.assertTrue(spray(strength="10.1 g/L")["over"])

    def test_urea_is_weighed_apart(self):
        # 46 % of nitrogen is 98.6 % urea
        found = spray(UREA, "5 g/L", "cucumber", "vegetative")
        self.assertAlmostEqual(found["urea_g_l"], 5 * 0.46 * 60.06 / 28.01, delta=0.01)
        self.assertEqual((found["limit_of"], found["limit_g_l"]), ("urea", 2))
        self.assertTrue(found["over"])
        self.assertLess(found["salts_g_l"], 0.1)

    def test_a_liquids_salts_are_the_mass_of_its_ions(self):
        # 100 mg of potassium as nitrate in a mL: 36 mg of nitrate-N are 159 mg of nitrate
        liquid = {"mg_l": {"K": 100_000, "NO3_N": 35_820}}
        found = spray(liquid, "10 mL/L")
        self.assertAlmostEqual(found["salts_g_l"], (100 + 158.6) / 100, delta=0.01)

    def test_salt_and_sour_water(self):
        salty = spray({"mg_l": {"Na": 40_000, "Cl": 61_700}}, "10 mL/L")
        self.assertIn(salty["limit_of"], ("sodium", "chloride"))
        self.assertTrue(salty["over"])
        shell = {"mg_l": {"Ca": 14_000}, "method": "acid_extract", "material": "eggshell_dry"}
        self.assertTrue(spray(shell, "1 + 100")["over"])
        self.assertFalse(spray(shell, "1 + 500")["over"])

    def test_a_brew_on_salad_leaves_is_refused_with_the_way_that_is_safe(self):
        for method, made_of in (
            ("aerated_brew", "garden_compost"), ("anaerobic_ferment", "comfrey_fresh"),
            ("cold_steep", "nettle_fresh"), ("lactic_ferment", "grass_clippings"),
        ):  # fmt: skip
            jar = {"mg_l": {"K": 500}, "method": method, "material": made_of}
            found = spray(jar, "1 + 200", "lettuce", "vegetative")
            with self.subTest(method):
                self.assertTrue(found["over"])
                self.assertIn("soil", found["safe_way"])
        allowed = {"mg_l": {"K": 500}, "method": "cold_steep", "material": "nettle_fresh"}
        self.assertNotIn("safe_way", spray(allowed, "1 + 200"))

    def test_what_does_not_dissolve_would_block_it(self):
        pellets = {"material": "poultry_pellets", "grade": [4, 3, 2], "form": "solid"}
        self.assertIn("dry", spray(pellets, "2 g/L")["safe_way"])

    def test_bad_input_is_named(self):
        base = {
            "jar": EPSOM, "water": {"ec_ms_cm": 0}, "vessel": "5 L", "strength": "10 g/L",
            "crop": "chilli", "stage": "fruit_set",
        }  # fmt: skip
        for wrong, named in (
            ({"plants": 0}, "plants"), ({"plants": 1.5}, "plants"), ({"air_c": 99}, "air_c"),
            ({"crop": "oak"}, "crop"), ({"stage": "x"}, "stage"),
            ({"strength": "lots"}, "strength"),
        ):  # fmt: skip
            code, _, err = run("spray", base | wrong)
            self.assertEqual(code, 2)
            self.assertIn(named, err)

    def test_seedlings_are_tender_whatever_they_become(self):
        self.assertTrue(
            leaf_of(crop("tomato_cordon"), crop("tomato_cordon").stage("seedling")).tender
        )
        self.assertFalse(
            leaf_of(crop("tomato_cordon"), crop("tomato_cordon").stage("harvest")).tender
        )
        self.assertFalse(leaf_of(crop("sweetcorn"), crop("sweetcorn").stage("flowering")).waxy)


class Sour(unittest.TestCase):
    def test_a_lactic_ferment_is_as_sour_as_a_shell_extract(self):
        """The table has both at about pH 4; leaves bear 1 + 200 of either."""
        for method in ("lactic_ferment", "acid_extract", "sugar_ferment"):
            with self.subTest(method):
                jar = {"mg_l": {"K": 400, "Ca": 300}, "method": method}
                found = spray(jar=jar, strength="1 + 50")
                self.assertEqual((found["limit_of"], found["over"]), ("ph", True))
        mild = spray(jar={"mg_l": {"K": 400}, "method": "cold_steep"}, strength="1 + 50")
        self.assertNotEqual(mild["limit_of"], "ph")
