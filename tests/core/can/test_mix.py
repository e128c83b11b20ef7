"""Find a mix, against every can of a fine grid and against cans worked by hand."""

import itertools
import math
import random
import unittest

import numpy as np

from dace.core.api import (
    NUTRIENTS,
    DaceError,
    Ingredient,
    MixAsked,
    Source,
    crops,
    fill_with,
    find_mix,
)
from dace.core.figures import Range
from dace.core.matter.composition import composition, composition_of_liquid
from dace.core.matter.conductivity import ec_25
from dace.core.matter.label import Label
from dace.core.matter.waters import water_from_ec
from tests.core.shell.test_calculators import answer, run

SALT = {"form": "solid"}
JARS = {
    "fruiting": composition(Label(4, 3, 8, density_g_per_ml=1.15)),
    "crystals": composition(Label(16, 8, 24, **SALT, also=(("mgo", 2.0),))),
    "potash": composition(Label(0, 0, 50, **SALT, also=(("S", 18.0),))),
    "epsom": composition(Label(0, 0, 0, **SALT, also=(("Mg", 9.9), ("S", 13.0)))),
    "nitrate of lime": composition(
        Label(15.5, 0, 0, **SALT, nitrogen=(("nitrate", 14.4), ("ammonium", 1.1)),
              also=(("Ca", 19.0),))
    ),
    "comfrey": composition_of_liquid(
        {"NH4_N": 130, "K": 1600, "P": 40, "Ca": 70, "Mg": 30}, "comfrey", brewed=True
    ),
}  # fmt: skip
WEIGHTS = {"N": 1, "K": 1, "P": 0.6, "Ca": 0.6, "Mg": 0.5}


def off(held, wish):
    """The miss as the design words it: a quarter of the slope inside the band, all outside."""
    total = 0.0
    for n, w in wish.items():
        away = abs(held[n] - w.typ)
        inside = min(away, w.high - w.typ if held[n] > w.typ else w.typ - w.low)
        total += WEIGHTS[n] * (inside / 4 + away - inside) / w.typ
    return total


def nearest_on_a_grid(names, wish, cap, water, steps=41):
    """The least miss of two feeds over a grid below the cap, by feeds' conductivity alone."""
    feeds = [JARS[name] for name in names]
    best, most = math.inf, []
    for feed in feeds:
        top = 1.0
        while reads([(feed, top)]) < cap:
            top *= 1.3
        most.append(top)
    for amounts in itertools.product(*(np.linspace(0, m, steps) for m in most)):
        pairs = list(zip(feeds, amounts, strict=True))
        share = 1 - sum(amount for feed, amount in pairs if feed.unit == "mL") / 1000
        held = {
            n: share * water.of(n) + sum(feed.element(n) * amount for feed, amount in pairs)
            for n in NUTRIENTS
        }
        found = off(held, wish)
        if found < best and reads(pairs) <= cap:
            best = found
    return best


def reads(pairs):
    ions = {}
    for feed, amount in pairs:
        for key, mg in feed.mg:
            ions[key] = ions.get(key, 0.0) + mg * amount
    ions.pop("organic_N", None)
    return ec_25(ions)


def wishes(rng):
    crop = rng.choice(list(crops().values()))
    stage = rng.choice([s for s in crop.stages if all(w.typ > 0 for _, w in s.wish)])
    return dict(stage.wish), stage.feed_ec.high * rng.choice((0.6, 0.8, 1.0))


def jar(name, **more):
    return Source(name, name, JARS[name], **more)


class Nearest(unittest.TestCase):
    def test_no_can_of_a_grid_comes_nearer_below_the_cap(self):
        rng = random.Random(14)
        for _ in range(6):
            names = rng.sample(sorted(JARS), 2)
            wish, cap = wishes(rng)
            water = water_from_ec(rng.choice((0.05, 0.4)))
            offered = tuple(jar(name) for name in names)
            mix = find_mix(MixAsked(offered, water, 9.0, wish, cap))
            with self.subTest(names, cap=cap):
                grid = nearest_on_a_grid(names, wish, cap, water)
                self.assertLessEqual(mix.miss, 1.01 * grid)
                self.assertAlmostEqual(mix.miss, off(dict(mix.mg_l), wish), places=6)
                if mix.can:
                    self.assertLessEqual(mix.can.feed_ec, cap * 1.001)

    def test_one_salt_and_one_wish_by_hand(self):
        # 50 % K2O is 41.5 % K: 83 mg/L in 10 L want 0.83 g of K, 2 g of salt
        wish = {"K": Range(60.0, 83.0, 120.0)}
        asked = MixAsked((jar("potash"),), water_from_ec(0.0), 10.0, wish)
        self.assertAlmostEqual(find_mix(asked).taken[0].amount, 2.0, delta=0.01)

    def test_stock_bounds_it_and_is_named(self):
        wish = {"K": Range(60.0, 83.0, 120.0)}
        offered = (jar("potash", stock=0.5),)
        mix = find_mix(MixAsked(offered, water_from_ec(0.0), 10.0, wish))
        self.assertAlmostEqual(mix.taken[0].amount, 0.5)
        self.assertIn("all there is of potash", mix.bound_by)

    def test_what_nothing_brings_is_named(self):
        wish = {"K": Range(60.0, 83.0, 120.0), "Mg": Range(10.0, 20.0, 30.0)}
        mix = find_mix(MixAsked((jar("potash"),), water_from_ec(0.0), 10.0, wish))
        self.assertIn("magnesium: none of these brings it", mix.bound_by)

    def test_a_simpler_can_never_misses_less(self):
        rng = random.Random(3)
        for _ in range(8):
            wish, cap = wishes(rng)
            offered = tuple(Source(name, name, feed) for name, feed in JARS.items())
            mix = find_mix(MixAsked(offered, water_from_ec(0.3), 9.0, wish, cap))
            self.assertEqual(len(mix.simpler), len(mix.taken))
            for one in mix.simpler:
                self.assertGreaterEqual(one.miss, mix.miss / 1.003)
                self.assertNotIn(one.without, [t.source.name for t in one.taken])

    def test_no_nitrogen_where_none_is_wished(self):
        wish = {"N": Range(0.0, 0.0, 0.0), "K": Range(60.0, 100.0, 150.0)}
        offered = (
            jar("crystals"),
            jar("potash"),
        )
        mix = find_mix(MixAsked(offered, water_from_ec(0.0), 9.0, wish))
        self.assertEqual([t.source.name for t in mix.taken], ["potash"])

    def test_a_pots_can_is_no_more_than_two_fifths_ammonium(self):
        wish = {"N": Range(50.0, 100.0, 160.0), "K": Range(1.0, 2.0, 300.0)}
        offered = (
            jar("comfrey"),
            jar("crystals"),
        )
        pot = find_mix(MixAsked(offered, water_from_ec(0.0), 9.0, wish, in_pot=True))
        ammonium = sum(t.per_l * dict(t.source.feed.mg)["NH4_N"] for t in pot.taken)
        self.assertLessEqual(ammonium, 0.4 * dict(pot.mg_l)["N"] + 1e-6)

    def test_ash_and_ammonium_never_meet(self):
        ash = {"name": "ash", "jar": {"material": "wood_ash_hardwood"}}
        salt = {"name": "salt", "jar": {"material": "ammonium_sulfate"}}
        given = {
            "sources": [ash, salt], "water": {"ec_ms_cm": 0.1}, "vessel": "9 L",
            "wish": {"N": [50, 90, 140], "K": [80, 130, 200]},
        }  # fmt: skip
        mix = answer("mix", given)
        self.assertEqual(len(mix["amounts"]), 1)
        self.assertIn("ash and salt never go into one can", mix["bound_by"])
        self.assertEqual({c["right"] for c in mix["clashes"]}, {"bar"})

    def test_the_calculator_names_the_field_it_cannot_use(self):
        good = {"sources": [], "water": {"ec_ms_cm": 0.1}, "vessel": "9 L", "wish": {}}
        for wrong, named in (
            ({}, "sources"), ({"wish": {"N": [3, 2, 1]}}, "wish.N"), ({"vessel": 9}, "vessel"),
            ({"wish": {"Zn": [1, 2, 3]}}, "wish"), ({"cap_ec_ms_cm": -1}, "cap_ec_ms_cm"),
        ):  # fmt: skip
            code, _, err = run("mix", good | wrong)
            self.assertEqual(code, 2)
            self.assertIn(named, err)


class OneCan(unittest.TestCase):
    def test_a_source_in_two_parts_is_the_same_can(self):
        water = water_from_ec(0.5)
        feed = JARS["fruiting"]
        whole = fill_with([Ingredient(feed, 2.0)], 9.0, water)
        halves = fill_with([Ingredient(feed, 1.0), Ingredient(feed, 1.0)], 9.0, water)
        self.assertAlmostEqual(whole.ec.value, halves.ec.value, places=9)
        for name in NUTRIENTS:
            self.assertAlmostEqual(whole.nutrient(name).value, halves.nutrient(name).value)

    def test_what_is_known_of_each_is_known_better_of_both(self):
        parts = [Ingredient(JARS["potash"], 1.0), Ingredient(JARS["crystals"], 1.0)]
        both = fill_with(parts, 9.0, water_from_ec(0.0)).nutrient("K")
        alone = [fill_with([p], 9.0, water_from_ec(0.0)).nutrient("K") for p in parts]
        self.assertAlmostEqual(both.value, sum(a.value for a in alone))
        self.assertAlmostEqual(
            both.high - both.value, math.hypot(*(a.high - a.value for a in alone)), places=6
        )

    def test_more_liquid_than_can_is_refused(self):
        parts = [Ingredient(JARS["fruiting"], 600.0), Ingredient(JARS["comfrey"], 600.0)]
        with self.assertRaisesRegex(DaceError, "has to fit"):
            fill_with(parts, 9.0, water_from_ec(0.0))
