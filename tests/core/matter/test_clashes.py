"""Pairs of feeds, each with what is right in a stock, in a can and mixed dry."""

import unittest

from dace.core.advice.brewing import brew_tokens
from dace.core.matter.clashes import (
    CHLORINATED,
    WHERE,
    Meeting,
    clashes_among,
    clashes_between,
    meeting,
)
from dace.core.matter.composition import composition
from dace.core.matter.label import Label, label_of_material
from dace.core.matter.materials import material


def of(key):
    return meeting(key, composition(label_of_material(material(key))), material(key).tokens)


def brewed(method, made_of):
    liquid = composition(Label(0, 0, 0))
    return meeting(method, liquid, brew_tokens(method, [made_of]))


TAP = Meeting("tap water", frozenset({CHLORINATED}))
TEA, LACTIC = brewed("aerated_brew", "garden_compost"), brewed("lactic_ferment", "grass_clippings")
SHELL, ROT = brewed("acid_extract", "eggshell_dry"), brewed("anaerobic_ferment", "comfrey_fresh")
ASH, LIME = of("wood_ash_hardwood"), of("ground_limestone")
CN, MKP = of("calcium_nitrate"), of("monopotassium_phosphate")
EPSOM, SOP, KNO3 = (
    of("magnesium_sulfate_heptahydrate"),
    of("potassium_sulfate"),
    of("potassium_nitrate"),
)
LACTIC_CULTURE, ROOT_FUNGI = of("microbial_inoculant_lactic"), of("mycorrhizal_inoculant")

BAR, STOCK = ("bar", "bar", "bar"), ("bar", "order", "fine")
WET, FIRST = ("bar", "bar", "fine"), ("order", "order", "fine")
FINE, DRY = ("fine", "fine", "fine"), ("fine", "fine", "bar")
PAIRS = [
    (ASH, of("ammonium_sulfate"), BAR), (ASH, of("diammonium_phosphate"), BAR),
    (ASH, of("urea"), BAR), (ASH, of("poultry_pellets"), BAR), (LIME, of("ammonium_nitrate"), BAR),
    (ASH, of("urine_human_undiluted"), BAR), (ASH, ROT, BAR), (ASH, KNO3, FINE),
    (ASH, SOP, FINE), (ASH, CN, FINE), (ASH, of("soluble_blend_20_20_20"), BAR),
    (SHELL, ASH, BAR), (of("vinegar_5pct"), LIME, BAR), (SHELL, of("dolomite_lime"), BAR),
    (of("vinegar_5pct"), of("eggshell_dry"), ("order", "fine", "fine")),
    (SHELL, LACTIC, WET), (of("vinegar_5pct"), LACTIC_CULTURE, WET),
    (CN, EPSOM, STOCK), (CN, MKP, STOCK), (CN, of("ammonium_sulfate"), STOCK), (CN, SOP, STOCK),
    (CN, of("monoammonium_phosphate"), STOCK), (CN, of("soluble_blend_12_6_24_mg"), STOCK),
    (CN, KNO3, FINE), (CN, of("urea"), FINE), (EPSOM, MKP, FINE), (EPSOM, SOP, FINE),
    (KNO3, MKP, FINE), (KNO3, EPSOM, FINE), (of("urea"), SOP, FINE),
    (TAP, TEA, FIRST), (TAP, LACTIC, FIRST), (TAP, LACTIC_CULTURE, FIRST), (TAP, EPSOM, FINE),
    (LACTIC_CULTURE, of("elemental_sulfur"), BAR), (ROOT_FUNGI, of("neem_cake"), BAR),
    (ROOT_FUNGI, MKP, BAR), (ROOT_FUNGI, SOP, FINE), (TEA, of("brown_sugar"), WET),
    (KNO3, of("brown_sugar"), DRY), (CN, of("elemental_sulfur"), DRY),
    (of("ammonium_nitrate"), of("alfalfa_meal"), DRY), (ROT, SOP, FINE), (TEA, LACTIC, FINE),
]  # fmt: skip


class Pairs(unittest.TestCase):
    def test_each_pair_either_way_round(self):
        for one, other, rights in PAIRS:
            for where, right in zip(WHERE, rights, strict=True):
                for a, b in ((one, other), (other, one)):
                    with self.subTest(f"{a.name} and {b.name}, {where}"):
                        said = clashes_between(a, b, where)
                        self.assertEqual(said[0].right if said else "fine", right)

    def test_calcium_goes_into_the_full_can_first(self):
        clash = clashes_between(EPSOM, CN, "can")[0]
        self.assertEqual((clash.first, clash.second), ("calcium_nitrate", EPSOM.name))
        self.assertIn("calcium_nitrate first", clash.text)

    def test_chlorine_is_let_out_before_a_living_brew_goes_in(self):
        text = clashes_between(TAP, TEA, "can")[0].text
        self.assertTrue(text.startswith("Let tap water stand open for a day before aerated_brew"))

    def test_a_weak_stock_is_as_a_can(self):
        self.assertEqual(clashes_between(CN, MKP, "stock", 1.9)[0].right, "order")
        self.assertEqual(clashes_between(CN, MKP, "stock", 2.1)[0].right, "bar")

    def test_what_it_holds_tells_where_no_material_is_named(self):
        lime = composition(
            Label(15, 0, 0, form="solid", nitrogen=(("nitrate", 15.0),), also=(("Ca", 19.0),))
        )
        bloom = composition(Label(10, 30, 20, form="solid"))
        clash = clashes_between(meeting("a", lime, ()), meeting("b", bloom, ()), "can")[0]
        self.assertEqual((clash.key, clash.right), ("calcium_with_sulfate_or_phosphate", "order"))

    def test_of_three_each_two_are_looked_at(self):
        self.assertEqual(len(clashes_among([ASH, CN, of("ammonium_sulfate")], "can")), 2)
