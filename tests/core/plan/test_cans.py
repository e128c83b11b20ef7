"""Cans that hands can measure: the fewest, in spoons, within what each stop bears."""

import itertools
import random
import re
import unittest
from datetime import date

from dace.core.can.measures import measured_amounts
from dace.core.plan.making import make_plan
from dace.core.plan.rehearse import tally
from dace.core.shell.plans import plan
from dace.core.shell.yards import yard_in
from dace.core.verdict.judge import verdicts
from dace.core.words import shown
from tests.core import counts
from tests.core.verdict.yards import COMFREY, FRUITING, SHELF, pot, yard

GARDENS = counts.of(60, 15)
OWNED = ["0.25 tsp", "0.5 tsp", "1 tsp", "1 tbsp", "10 mL syringe marked 1 mL"]
CROPS = [("chilli", "fruit_set"), ("aubergine", "flowering"), ("courgette", "harvest"),
         ("tomato_bush", "fruit_fill"), ("melon", "fruit_set")]  # fmt: skip


def tubs(chance):
    """Up to six tubs that are due today, on one bottle."""
    found = []
    for n in range(chance.randint(2, 6)):
        crop, stage = chance.choice(CROPS)
        litres, plants = chance.choice([15, 25, 40]), chance.randint(1, 3)
        found.append(pot(crop, stage, litres, plants, id=f"t{n}", rhythm="weekly"))
    return found


def stabbed(spans):
    """The fewest points in all intervals, by trying every set of their ends."""
    for size in range(1, len(spans) + 1):
        for points in itertools.combinations([high for _, high in spans], size):
            if all(any(low <= p + 1e-9 <= high + 2e-9 for p in points) for low, high in spans):
                return size
    return len(spans)


def measured_by_hand():
    """Every amount that the measures above give: up to six of one, or of two spoons together."""
    single = measured_amounts(yard_in(yard(owned=OWNED)).owned)
    return {*single} | {
        a * large + b * small
        for large, small in itertools.combinations((1.25, 2.5, 5, 15), 2)
        for a in range(1, 6)
        for b in range(1, 7 - a)
    }


class Cans(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.found = []
        for seed in range(GARDENS):
            told = yard(*tubs(random.Random(seed)), jars=[FRUITING], weeks=1)
            cls.found.append((told, plan(told), plan(told | {"owned": OWNED})))

    def test_no_more_than_the_fewest_points_in_what_each_bears(self):
        for told, _, measured in self.found:
            alone = [verdicts(yard_in(told | {"stops": [row]}))[0] for row in told["stops"]]
            spans = [
                (0.8 * one.recipe.per_l, max(one.recipe.per_l, one.recipe.most))
                for one in alone
                if one.recipe is not None and one.recipe.can is not None
            ]
            self.assertLessEqual(len(measured["cans"]), stabbed(spans))

    def test_every_amount_is_so_many_of_a_measure_that_is_owned(self):
        amounts, seen = measured_by_hand(), 0
        for _, _, measured in self.found:
            for can in measured["cans"]:
                (one,) = can["amounts"]
                each = one["amount"] / can["cans"]
                nearest = min(amounts, key=lambda ml, each=each: abs(ml - each))
                self.assertAlmostEqual(each, nearest, places=4)
                self.assertGreaterEqual(each, min(amounts) - 1e-9)
                seen += 1
        self.assertGreater(seen, GARDENS / 2)

    def test_those_to_come_as_well_and_never_more_than_the_jar_holds(self):
        amounts, seen = measured_by_hand(), 0
        for seed in range(GARDENS // 5):
            stock = random.Random(seed).choice([30, 900])
            jar = FRUITING | {"stock": stock}
            tubs_told = tubs(random.Random(seed))
            found = plan(yard(*tubs_told, jars=[jar], weeks=6, owned=OWNED, evenings=["tue"]))
            fed = [one for one in found["events"] if one["kind"] == "feed"]
            poured = sum(each["amount"] for one in fed for each in one["amounts"])
            self.assertLessEqual(poured, stock + 1e-6)
            for one in fed:
                self.assertLessEqual(one["feed_ec_ms_cm"], one["cap_ms_cm"] + 1e-6)
            for can in found["cans_ahead"]:
                self.assertEqual(date.fromisoformat(can["on"]).strftime("%a"), "Tue")
                each = can["amounts"][0]["amount"] / can["cans"]
                self.assertLess(min(abs(each - ml) for ml in amounts), 1e-4)
                taken = sum(one["litres"] for one in fed
                            if one["on"] == can["on"] and one["stop"] in can["stops"])  # fmt: skip
                self.assertTrue(taken <= can["litres"] + 1e-6 <= 1.1 * taken + 1e-5)
                seen += 1
        self.assertGreater(seen, GARDENS // 3)

    def test_within_cap_and_what_is_owed(self):
        for _, exact, measured in self.found:
            before = {one["id"]: one for one in exact["verdicts"]}
            for one in measured["verdicts"]:
                if one["kind"] == "feed":
                    self.assertLessEqual(one["feed_ec_ms_cm"], one["cap_ms_cm"] + 1e-6)
                    owed = before[one["id"]]["amounts"][0]["amount"]
                    self.assertGreaterEqual(one["amounts"][0]["amount"], 0.6 * owed)


class InAKitchen(unittest.TestCase):
    def test_no_scale_no_litre_mark_and_nothing_asked_for_that_they_give(self):
        """Teaspoon, tablespoon, cup and a gallon can: the words of verdicts, cans and plan."""
        unmeasured = re.compile(r"\d ?(g|kg|mL|L|mg|oz)\b")
        kitchen = {"owned": ["1 tsp", "1 tbsp"], "vessels": ["1 us gal"], "measures": "us"}
        said = []
        for seed in range(counts.of(100, 12)):
            chance = random.Random(seed)
            shelf = [jar | {"stock": jar["stock"] * chance.choice([0.1, 1, 4])}
                     for jar in SHELF if chance.random() < 0.6]  # fmt: skip
            told = yard(*tubs(chance), jars=shelf or [FRUITING], weeks=4, **kitchen)
            with shown.showing(shown.Shown("us", "F")):
                found = plan(told)
            for row in [*found["verdicts"], *found["events"], *found["cans"]]:
                said += [one["words"] for one in row.get("amounts", ())]
            said += [row[part] for row in found["verdicts"] for part in ("headline", "button")]
        self.assertEqual([words for words in said if unmeasured.search(words)], [])
        self.assertGreater(len(said), 100)


class Slider(unittest.TestCase):
    def test_its_ends_differ_by_a_third_in_money_or_minutes(self):
        """Wherever a bottle and a brew both stand on the shelf."""
        jars = [FRUITING | {"price": 0.012}, COMFREY | {"stock": 15000}]
        for seed in range(counts.of(20, 4)):
            ends = []
            for slider in (-1, 1):
                told = yard(*tubs(random.Random(seed)), jars=jars, slider=slider, owned=OWNED)
                garden = yard_in(told | {"evenings": ["tue", "fri"]})
                ends.append(tally(make_plan(garden, 6), garden))
            cheap, easy = ends
            self.assertLessEqual(cheap.money, easy.money + 1e-6)
            self.assertGreater(cheap.minutes, easy.minutes)
            apart = [1 - cheap.money / easy.money, 1 - easy.minutes / cheap.minutes]
            self.assertGreater(max(apart), 1 / 3)
