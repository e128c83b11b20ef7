"""What is made goes into the can first, and what is bought fills up what is still owed."""

import random
import unittest

from dace.core.shell.yards import yard_in
from dace.core.verdict.judge import verdicts
from tests.core import counts
from tests.core.verdict.yards import COMFREY, CRYSTALS, FRUITING, one, pot, yard

GARDENS = counts.of(200, 40)
NETTLE = {
    "name": "nettle",
    "jar": {
        "mg_l": {"NO3_N": 20, "NH4_N": 400, "K": 500, "P": 30, "Ca": 150, "Mg": 40},
        "method": "anaerobic_ferment",
        "material": "nettle_fresh",
    },
    "stock": 8000,
    "keeps_until": "2026-07-20",
}


def names(found):
    return [each["name"] for each in found["amounts"]]


def brews_of(chance):
    """Three brews of any keeping, and a bottle."""
    kept = [f"2026-07-{chance.randint(15, 30)}" for _ in range(3)]
    brews = [
        brew | {"name": f"brew {n}", "keeps_until": until, "stock": chance.choice([300, 9000])}
        for n, (brew, until) in enumerate(zip([COMFREY, NETTLE, COMFREY], kept, strict=True))
    ]
    return [*brews, FRUITING]


class MadeFirst(unittest.TestCase):
    def test_a_brew_at_the_bottom_and_a_pinch_on_top(self):
        found = one(pot(), jars=[COMFREY, CRYSTALS])
        self.assertEqual(names(found), ["comfrey", "crystals"])
        alone = one(pot(approach="soluble"), jars=[COMFREY, CRYSTALS])
        self.assertEqual(names(alone), ["crystals"])
        self.assertLess(found["amounts"][1]["amount"], alone["amounts"][0]["amount"])
        # what the can holds is what both bring, by hand: comfrey 130 of N and 1600 of K a litre
        comfrey, crystals = (each["amount"] / found["litres"] for each in found["amounts"])
        brought = {"N": 0.130 * comfrey + 160 * crystals, "K": 1.6 * comfrey + 199.2 * crystals}
        for nutrient, mg_l in brought.items():
            self.assertAlmostEqual(found["mg_l"][nutrient], mg_l, delta=0.02 * mg_l + 1)
        self.assertTrue(found["headline"].startswith("Feed "))
        self.assertIn("comfrey, then", found["headline"])

    def test_the_soonest_to_spoil_goes_first(self):
        late = COMFREY | {"keeps_until": "2026-09-01"}
        self.assertEqual(names(one(pot(), jars=[late, NETTLE, CRYSTALS]))[0], "nettle")
        spoiled = NETTLE | {"keeps_until": "2026-07-13"}
        self.assertEqual(names(one(pot(), jars=[late, spoiled, CRYSTALS]))[0], "comfrey")
        brewing = NETTLE | {"ready_on": "2026-07-15"}
        self.assertEqual(names(one(pot(), jars=[late, brewing, CRYSTALS]))[0], "comfrey")

    def test_never_on_trays_and_twice_as_strong_only_where_no_leaf_is_eaten(self):
        tray = pot("lettuce", "seedling", litres=4, plants=24, setting="tray", medium="seed_mix")
        self.assertNotIn("comfrey", names(one(tray | {"poured": []}, jars=[COMFREY, CRYSTALS])))
        usual = 1000 / 11  # 1 + 10

        def strongest(crop, stage):
            found = one(pot(crop, stage), jars=[COMFREY, CRYSTALS])
            return found["amounts"][0]["amount"] / found["litres"]

        self.assertLessEqual(strongest("chard", "vegetative"), 1.01 * usual)
        self.assertLessEqual(strongest("chilli", "fruit_set"), 2.01 * usual)

    def test_soil_first_pours_a_thin_can_rather_than_water(self):
        found = one(pot(approach="soil_first"), jars=[COMFREY])
        self.assertEqual((found["kind"], names(found)), ("feed", ["comfrey"]))


CROPS = {
    "chilli": "fruit_set", "tomato_bush": "fruit_fill", "aubergine": "flowering",
    "courgette": "harvest", "chard": "vegetative", "basil": "vegetative", "melon": "fruit_set",
}  # fmt: skip


def hungry(chance):
    """A pot or tub of some crop, fed weekly until a week ago."""
    crop, stage = chance.choice(list(CROPS.items()))
    return pot(crop, stage, litres=chance.choice([10, 20, 40]), plants=chance.randint(1, 3))


class RandomPots(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.found = []
        for seed in range(GARDENS):
            chance = random.Random(seed)
            cls.found.append((hungry(chance), brews_of(chance)))

    def test_within_cap_and_stock_and_what_the_stage_bears(self):
        based = 0
        for told, jars in self.found:
            asked = yard_in(yard(told, jars=jars))
            (said,), stocks = verdicts(asked), {one.key: one.stock for one in asked.sources}
            stage = asked.stops[0].grows[0].clock.stage
            for offer in (each for each in said.offers if each.can is not None):
                based += offer.base is not None
                self.assertLessEqual(offer.can.feed_ec, offer.cap + 1e-6)
                held = dict(offer.can.from_water)
                for nutrient in ("N", "K"):
                    brought = offer.can.nutrient(nutrient).value - held[nutrient]
                    self.assertLessEqual(brought, 1.3 * stage.wish_of(nutrient).high + 1e-6)
                for key, amount in offer.used.items():
                    self.assertLessEqual(amount, stocks[key] + 1e-6)
        self.assertGreater(based, GARDENS / 3)

    def test_both_buys_less_nitrogen_by_most_of_what_brews_bring(self):
        brought, less = 0.0, 0.0
        for told, jars in self.found:
            both, soluble = (
                one(told | {"approach": school}, jars=jars) for school in ("mixed", "soluble")
            )
            if len(both["amounts"]) == 2 and names(soluble) == ["fruiting"]:
                feeds = {each.name: each.feed for each in yard_in(yard(told, jars=jars)).sources}
                base, top = both["amounts"]
                brought += base["amount"] * feeds[base["name"]].element("N")
                saved = soluble["amounts"][0]["amount"] - top["amount"]
                less += saved * feeds["fruiting"].element("N")
        self.assertGreater(brought, 0)
        self.assertGreaterEqual(less, 0.8 * brought)
