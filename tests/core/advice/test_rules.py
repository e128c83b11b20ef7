"""Each caution fires on its trigger and is silent just outside it."""

import unittest
from dataclasses import replace

from dace.core.advice.brewing import brew_tokens
from dace.core.advice.cautions import cautions, gates
from dace.core.advice.feeding import Feeding
from dace.core.advice.judge import RULES, advise_feeding
from dace.core.matter.materials import material
from dace.core.matter.tokens import matches
from dace.core.season.crops import crop


def feeding(grown="leek", stage="vegetative", feed="", **facts):
    tokens = material(feed).tokens if feed else frozenset()
    found = crop(grown)
    return Feeding(tokens, found, found.stage(stage), **facts)


N, P = frozenset("N"), frozenset("P")


def leafing(made_of, method, crop_key, stage):
    """A spray of something home-made."""
    brewed = brew_tokens(method, [made_of])
    return replace(feeding(crop_key, stage, route="foliar"), tokens=brewed)


CHECKS = {
    # key: (fires, just outside)
    "raw_manure_harvest_interval": (
        feeding("lettuce", feed="horse_fresh", harvest_in_days=119),
        feeding("lettuce", feed="horse_fresh", harvest_in_days=120),
    ),
    "urine_hygiene": (
        feeding(feed="urine_human_diluted_1_10", harvest_in_days=29),
        feeding(feed="urine_human_diluted_1_10", harvest_in_days=30),
    ),
    "brew_on_salad_crops": (
        feeding("lettuce", feed="aquarium_water_fresh", harvest_in_days=13),
        feeding("lettuce", feed="aquarium_water_fresh", harvest_in_days=14),
    ),
    "slow_release_cold": (
        feeding(feed="blood_meal", soil_c=9.9),
        feeding(feed="blood_meal", soil_c=10),
    ),
    "coated_release_heat": (
        feeding(feed="coated_slow_release", warmest_c=30.5),
        feeding(feed="coated_slow_release", warmest_c=30),
    ),
    "skip_heat": (feeding(warmest_c=33.5), feeding(warmest_c=33)),
    "frost_coming": (feeding(coldest_c=1.0, brings=N), feeding(coldest_c=1.5, brings=N)),
    # a leek likes pH 6.0 to 7.5 or so: half a unit beyond its own range
    "ph_out_of_range": (
        feeding(ph=crop("leek").ph[1] + 0.5),
        feeding(ph=crop("leek").ph[1] + 0.4),
    ),
    "lime_for_acid_lovers": (
        feeding("blueberry_pot", "vegetative", hco3_mg_l=151),
        feeding("blueberry_pot", "vegetative", hco3_mg_l=150),
    ),
    "never_there": (
        replace(feeding("kale", "seedling"), tokens=frozenset({"method:anaerobic_ferment"})),
        replace(feeding("kale", "vegetative"), tokens=frozenset({"method:anaerobic_ferment"})),
    ),
    "comfrey_alkaloids": (
        feeding("chard", "harvest", "comfrey_fresh"),
        feeding("aubergine", "harvest", "comfrey_fresh"),
    ),
    "dry_feed_on_seedlings": (
        feeding("lettuce", "seedling", "coated_slow_release", route="dressing"),
        feeding("lettuce", "vegetative", "coated_slow_release", route="dressing"),
    ),
    "drench_root_warm": (
        feeding("aubergine", "flowering", soil_c=13.9),
        feeding("aubergine", "flowering", soil_c=14),
    ),
    "drench_root_cool": (feeding(soil_c=6.9), feeding(soil_c=7)),
    "hot_foliar_scorch": (
        feeding(route="foliar", warmest_c=27.5),
        feeding(route="foliar", warmest_c=27),
    ),
    "drench_rain24": (feeding(rain_mm=15.5), feeding(rain_mm=15)),
    "drench_rain24_bed": (
        feeding(rain_mm=20.5, setting="open_bed"),
        feeding(rain_mm=20, setting="open_bed"),
    ),
    "top_rain": (
        feeding(route="dressing", rain_mm=25.5),
        feeding(route="dressing", rain_mm=25.5, setting="covered_bed"),
    ),
    "top_frozen": (feeding(route="dressing", soil_c=1.9), feeding(route="dressing", soil_c=2)),
    "ash_with_ammonium": (
        feeding(feed="wood_ash_hardwood", recent=((material("urea").tokens, 27),)),
        feeding(feed="wood_ash_hardwood", recent=((material("urea").tokens, 28),)),
    ),
    "antifungal_vs_inoculants": (
        feeding(feed="neem_cake", recent=((material("mycorrhizal_inoculant").tokens, 13),)),
        feeding(feed="neem_cake", recent=((material("mycorrhizal_inoculant").tokens, 14),)),
    ),
    "late_nitrogen": (feeding("leek", "harvest", brings=N), feeding("leek", "bulbing", brings=N)),
    "leaf_nitrate": (
        feeding("lettuce", brings=N, harvest_in_days=9.5),
        feeding("lettuce", brings=N, harvest_in_days=10),
    ),
    "seedling_salt": (
        feeding("lettuce", "seedling", total_ec=1.01),
        feeding("lettuce", "seedling", total_ec=1.0),
    ),
    "legume_nitrogen": (feeding("pea", brings=N), feeding("pea", brings=frozenset("K"))),
    "just_planted": (feeding(days_planted=6), feeding(days_planted=7)),
    "overfeeding_nitrogen": (
        feeding("cabbage", brings=N, n_g_m2=20.5, setting="open_bed"),
        feeding("cabbage", brings=N, n_g_m2=20, setting="open_bed"),
    ),
    "last_slow_feed": (
        feeding("onion", "bulbing", route="dressing", brings=N, harvest_in_days=44),
        feeding("onion", "bulbing", route="dressing", brings=N, harvest_in_days=45),
    ),
    "bone_meal_alkaline": (
        feeding(feed="bone_meal_steamed", ph=7.1),
        feeding(feed="bone_meal_steamed", ph=7.0),
    ),
    "ash_rate_and_ph": (
        feeding(feed="wood_ash_hardwood", ph=6.9),
        feeding(feed="wood_ash_hardwood", ph=6.8, g_m2=70),
    ),
    "urea_surface_loss": (
        feeding(feed="urea", route="dressing", ph=7.1),
        feeding(feed="urea", route="dressing", ph=7.0),
    ),
    "phosphorus_vs_mycorrhiza": (
        feeding(feed_p_mg_l=20.5, recent=((material("mycorrhizal_inoculant").tokens, 30),)),
        feeding(feed_p_mg_l=20, recent=((material("mycorrhizal_inoculant").tokens, 30),)),
    ),
    "phosphorus_enough": (feeding(brings=P, tested_high=P), feeding(brings=P, tested_high=N)),
    "pot_salt_build_up": (
        feeding("aubergine", "flowering", drain_ec=2.61),
        feeding("aubergine", "flowering", drain_ec=2.6),
    ),
    "seaweed_sodium": (
        feeding(feed="seaweed_meal"),
        feeding(feed="seaweed_meal", setting="open_bed"),
    ),
    "coffee_grounds_limit": (
        feeding(feed="coffee_grounds_spent", layer_mm=10.5),
        feeding(feed="coffee_grounds_spent", layer_mm=10, share=0.2),
    ),
    "cake_seed_gap": (
        feeding(stage="seedling", feed="neem_cake", days_planted=20),
        feeding(stage="seedling", feed="neem_cake", days_planted=21),
    ),
    "nitrogen_drawdown": (
        feeding(route="dressing", c_to_n=29),
        feeding(route="dressing", c_to_n=28),
    ),
    "foliar_tea_raw_leaves": (
        leafing("garden_compost", "aerated_brew", "lettuce", "vegetative"),
        leafing("garden_compost", "aerated_brew", "aubergine", "flowering"),
    ),
    "brew_on_salad_leaves": (
        leafing("nettle_fresh", "cold_steep", "lettuce", "vegetative"),
        leafing("nettle_fresh", "cold_steep", "chilli", "fruit_set"),
    ),
    "never_on_leaves": (
        leafing("comfrey_fresh", "anaerobic_ferment", "chilli", "fruit_set"),
        leafing("comfrey_fresh", "cold_steep", "chilli", "fruit_set"),
    ),
    "spray_mist_inhale": (
        leafing("garden_compost", "aerated_brew", "chilli", "fruit_set"),
        leafing("nettle_fresh", "cold_steep", "chilli", "fruit_set"),
    ),
    "strain_for_drippers": (
        leafing("garden_compost", "aerated_brew", "chilli", "fruit_set"),
        feeding(feed="magnesium_sulfate_heptahydrate", route="foliar"),
    ),
    "fol_eat": (
        feeding("chard", "vegetative", route="foliar", harvest_in_days=2.9),
        feeding("chard", "vegetative", route="foliar", harvest_in_days=3),
    ),
    "hot_manure_wait": (feeding(feed="horse_fresh"), feeding(feed="horse_composted")),
}


class RuleTests(unittest.TestCase):
    def test_each_fires_on_its_trigger_and_is_silent_just_outside(self):
        for key, (inside, outside) in CHECKS.items():
            with self.subTest(key):
                self.assertIn(key, [a.key for a in advise_feeding(inside)])
                self.assertNotIn(key, [a.key for a in advise_feeding(outside)])

    def test_every_rule_is_tried(self):
        fired = {check.__name__ for check in RULES for f, _ in CHECKS.values() if check(f)}
        self.assertEqual(fired, {check.__name__ for check in RULES})

    def test_an_ordinary_feed_is_left_in_peace(self):
        calm = feeding(
            "aubergine", "flowering", brings=frozenset("NPK"), total_ec=1.5, soil_c=18,
            warmest_c=22, rain_mm=1, drain_ec=2.0, days_planted=40, harvest_in_days=40,
        )  # fmt: skip
        self.assertEqual(advise_feeding(calm), [])
        self.assertTrue(advise_feeding(replace(calm, warmest_c=36)))

    def test_gravest_first_and_what_a_plan_may_not_propose(self):
        said = advise_feeding(
            feeding("lettuce", feed="horse_fresh", harvest_in_days=5, brings=N, soil_c=5)
        )
        self.assertEqual(said[0].severity, "stop")
        self.assertEqual(said[0].plan_effect, "block")

    def test_tokens(self):
        self.assertTrue(matches("route:foliar+family:manure", {"route:foliar", "family:manure"}))
        self.assertFalse(matches("key:a;key:b", {"key:c"}))

    def test_tables(self):
        self.assertEqual(len(cautions()), 74)
        blocked = {
            k for k, c in cautions().items() if c.severity == "stop" and c.plan_effect == "block"
        }
        self.assertEqual(len(blocked), 6)
        self.assertEqual(len(gates()), 63)
