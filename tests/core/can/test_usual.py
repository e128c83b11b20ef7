"""How strong a feed is by default: one function, beside figures worked by hand."""

import unittest

from dace.core.can.answer import CanAsked, answer
from dace.core.can.miss import miss
from dace.core.can.stock import stock_for
from dace.core.can.usual import (
    For,
    default_amount,
    never_there,
    rounded_strength,
    usual_dilutions,
    usual_of,
    usual_parts,
)
from dace.core.errors import DaceError
from dace.core.matter.composition import composition, composition_of_liquid
from dace.core.matter.label import Label
from dace.core.matter.waters import water_from_ec
from dace.core.season.crops import crop, crops, feed_cap

FRUITING = composition(Label(4, 3, 8, density_g_per_ml=1.15))
COMFREY = composition_of_liquid({"NH4_N": 130, "K": 1600, "P": 40, "Ca": 70, "Mg": 30}, "comfrey")
FERMENT = frozenset({"method:anaerobic_ferment", "key:comfrey_fresh", "family:fresh_plant"})
SHELL = composition_of_liquid({"Ca": 14000.0, "organic_N": 60.0}, "shell")
ACID = frozenset({"method:acid_extract", "key:eggshell_dry"})
TAP = water_from_ec(0.65)


def who(name, stage, setting="pot", share=1.0):
    return For(crop(name), crop(name).stage(stage), setting, share)


class Table(unittest.TestCase):
    def test_the_most_particular_row_speaks(self):
        self.assertEqual(usual_of({"method:cold_steep", "family:manure"}).of, "family:manure")
        both = {"family:manure", "key:worm_bin_leachate"}
        self.assertEqual(usual_of(both).of, "key:worm_bin_leachate")
        self.assertIsNone(usual_of({"family:mineral_salt"}))
        self.assertEqual(len(usual_dilutions()), 15)

    def test_by_place(self):
        self.assertEqual(usual_parts(FERMENT, who("kale", "vegetative", "open_bed")), 10)
        self.assertEqual(usual_parts(FERMENT, who("chilli", "fruit_set")), 20)
        self.assertEqual(usual_parts(ACID, who("chilli", "seedling")), 1000)

    def test_where_it_is_never_poured(self):
        self.assertEqual(never_there(FERMENT, who("lettuce", "seedling")), "seedlings")
        self.assertEqual(never_there({"family:manure"}, who("chard", "harvest")), "leaves eaten")
        lye = {"method:ash_lye"}
        self.assertEqual(never_there(lye, who("chilli", "flowering")), "pots")
        self.assertEqual(never_there(lye, who("leek", "vegetative", "open_bed")), "")


class Default(unittest.TestCase):
    def test_a_bought_feed_gives_what_the_stage_wishes_of_nitrogen(self):
        # 90 mg/L over 46 mg a mL
        found = default_amount(FRUITING, (), who("chilli", "fruit_set"), TAP)
        self.assertAlmostEqual(found.per_l, 90 / 46, places=6)

    def test_half_is_half(self):
        whole = default_amount(FRUITING, (), who("chilli", "fruit_set"), TAP).per_l
        half = default_amount(FRUITING, (), who("chilli", "fruit_set", share=0.5), TAP).per_l
        self.assertAlmostEqual(half, whole / 2, places=6)

    def test_a_ferment_is_no_stronger_than_usual(self):
        found = default_amount(COMFREY, FERMENT, who("tomato_bush", "fruit_fill"), TAP)
        self.assertLessEqual(found.per_l, 1000 / 21 + 1e-9)
        self.assertIsNone(default_amount(COMFREY, FERMENT, who("lettuce", "seedling"), TAP))

    def test_a_shell_extract_aims_at_calcium_never_at_nitrogen(self):
        stage = crop("tomato_bush").stage("fruit_fill")
        found = default_amount(SHELL, ACID, who("tomato_bush", "fruit_fill"), TAP)
        self.assertLessEqual(found.per_l * 14, stage.wish_of("Ca").high + 1e-9)
        self.assertLessEqual(found.per_l, 1000 / 501 + 1e-9)

    def test_nothing_where_the_stage_wishes_nothing(self):
        self.assertIsNone(default_amount(FRUITING, (), who("onion", "ripening", "open_bed"), TAP))
        bean = who("runner_bean", "flowering", "open_bed")
        self.assertIsNone(default_amount(FRUITING, (), bean, TAP))

    def test_never_over_the_cap_nor_the_most_that_a_stage_wishes(self):
        for one in crops().values():
            for stage in one.stages:
                for water in (TAP, water_from_ec(0.1)):
                    found = default_amount(FRUITING, (), For(one, stage), water)
                    if found is None:
                        continue
                    high = stage.wish_of("N").high
                    self.assertLessEqual(found.per_l * FRUITING.element("N"), high + 1e-6)
                    asked = CanAsked(f"1 + {1000 / found.per_l - 1:.6f}", FRUITING, water, 9.0)
                    cap = feed_cap(one, stage, water.ec_ms_cm).feed_ec_ms_cm
                    self.assertLessEqual(answer(asked).can.feed_ec, cap * 1.0001)

    def test_the_bench_says_the_same(self):
        stage = crop("tomato_bush").stage("fruit_fill")
        asked = CanAsked(
            "what the stage likes", COMFREY, TAP, 9.0, crop=crop("tomato_bush"), stage=stage,
            tokens=FERMENT,
        )  # fmt: skip
        per_l = default_amount(COMFREY, FERMENT, who("tomato_bush", "fruit_fill"), TAP).per_l
        self.assertAlmostEqual(
            answer(asked).can.amount_per_l, rounded_strength(per_l, "mL"), places=9
        )
        young = CanAsked(
            "what the stage likes", COMFREY, TAP, 9.0, crop=crop("lettuce"),
            stage=crop("lettuce").stage("seedling"), tokens=FERMENT,
        )  # fmt: skip
        with self.assertRaisesRegex(DaceError, "never poured on seedlings"):
            answer(young)


class Miss(unittest.TestCase):
    def test_a_quarter_within_and_all_of_it_beyond(self):
        stage = crop("chilli").stage("fruit_set")
        wish = {n: stage.wish_of(n) for n in ("N", "P", "K", "Ca", "Mg")}
        typical = {n: r.typ for n, r in wish.items()}
        self.assertEqual(miss(typical, wish), 0)
        # nitrogen 90 (54 to 144): at none, a quarter of 36 and all of 54, over 90
        self.assertAlmostEqual(miss(typical | {"N": 0.0}, wish), (9 + 54) / 90)
        self.assertAlmostEqual(miss(typical | {"P": wish["P"].high}, wish),
                               0.6 * 0.25 * (wish["P"].high / wish["P"].typ - 1))  # fmt: skip


class TooLittleToWeigh(unittest.TestCase):
    def test_a_stock_solution_carries_just_that(self):
        found = stock_for(0.055, 5.5)
        self.assertAlmostEqual(found.ml / 1000 * found.grams, 0.055)
        self.assertIn("10 mL of a stock of 5.5 g in 1 L", found.words)
        self.assertIsNone(stock_for(1.2))

    def test_a_strength_is_said_never_stronger(self):
        for per_l in (1.957, 0.73, 14.2):
            self.assertLessEqual(rounded_strength(per_l, "mL"), per_l + 1e-12)
            self.assertLessEqual(rounded_strength(per_l, "g"), per_l + 1e-12)
