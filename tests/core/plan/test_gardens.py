"""Gardens drawn at random: what no plan may ever hold, and what it has to say."""

import random
import unittest
from collections import Counter
from datetime import date, timedelta

from dace.core.fed.records import RHYTHMS
from dace.core.season.crops import crops
from dace.core.season.need import makes_its_own
from dace.core.shell.plans import plan
from tests.core import counts
from tests.core.verdict.yards import SHELF

GARDENS, WEEKS = counts.of(200, 40), 6
DAYS = [("2026-04-20", 51), ("2026-06-14", 51), ("2026-07-14", 45), ("2026-12-20", -36)]
LIVELY = [crop.key for crop in crops().values()]


def drawn(seed):
    """A garden of one to three stops that were begun of late: cheap to follow, seldom salty."""
    chance = random.Random(seed)
    told, latitude = chance.choice(DAYS)
    today = date.fromisoformat(told)
    return {
        "today": told,
        "latitude": latitude,
        "weeks": WEEKS,
        "waters": {"tap": {"ec_ms_cm": chance.choice([0.3, 0.7])}, "rain": {"ec_ms_cm": 0.06}},
        "vessels": ["9 L", "2 L"],
        "slider": chance.choice([-1, 0, 0, 1]),
        "jars": [
            jar | {"stock": chance.choice([4, 60, 5000])}
            for jar in chance.sample(SHELF, chance.randint(0, len(SHELF)))
        ],
        "stops": [_stop(chance, today, f"s{turn}") for turn in range(chance.randint(1, 2))],
        "seed": 1,
        "number": seed,
    }


def _stop(chance, today, name):
    grown = crops()[chance.choice(LIVELY)]
    begun = today - timedelta(days=chance.randint(3, 12))
    stage = chance.choice(grown.stages[1:-1] or grown.stages)
    setting = chance.choice(["pot", "pot", "bed", "tray"])
    size = {"area_m2": 2.0} if setting == "bed" else {"litres": chance.choice([3, 12, 40])}
    planting = {"id": "p", "crop": grown.key, "plants": chance.randint(1, 6)}
    planting |= {"stage": stage.key, "seen_on": str(today - timedelta(days=1))}
    planting |= {"started_on": str(begun)}
    media = {"bed": ["loam_soil", "clay_soil"], "pot": ["peat_free_mix", "coir"]}
    return size | {
        "id": name,
        "medium": chance.choice(media.get(setting, ["seed_mix"])),
        "setting": setting,
        "shelter": chance.choice(["open", "cover"]),
        "approach": chance.choice(["mixed", "soil_first", "soluble"]),
        "rhythm": chance.choice(["as_needed", *RHYTHMS]),
        "control": chance.random() < 0.1,
        "filled_on": str(begun),
        "plantings": [planting],
        "poured": [
            {"on": str(begun + timedelta(days=1)), "litres": 0.5, "ec_ms_cm": 1.1, "n_mg_l": 60}
        ],
    }


class RandomGardens(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.found = [(given, plan(given)) for given in map(drawn, range(GARDENS))]

    def events(self):
        for given, found in self.found:
            stops = {stop["id"]: stop for stop in given["stops"]}
            for event in found["events"]:
                yield given, stops[event["stop"]], event

    def test_there_is_something_to_look_at(self):
        kinds = Counter(event["kind"] for *_, event in self.events())
        self.assertGreater(kinds["feed"], 0.75 * GARDENS)
        self.assertGreater(kinds["dress"], GARDENS / 50)

    def test_no_can_passes_the_cap_nor_much_more_than_the_high_end(self):
        for _, stop, event in self.events():
            if event["kind"] != "feed":
                continue
            grown = crops()[stop["plantings"][0]["crop"]]
            self.assertLessEqual(event["feed_ec_ms_cm"], event["cap_ms_cm"] + 1e-9)
            for key in event["stages"].values():
                stage = grown.stage(key)
                self.assertLessEqual(event["cap_ms_cm"], stage.feed_ec.high + 1e-9)
                self.assertLessEqual(event["mg_l"]["N"], 1.3 * stage.wish_of("N").high + 1)

    def test_no_nitrogen_for_who_wants_none(self):
        for _, stop, event in self.events():
            grown, bed = crops()[stop["plantings"][0]["crop"]], stop["setting"] == "bed"
            for key in event["stages"].values():
                stage = grown.stage(key)
                self.assertGreater(stage.wish_of("N").typ, 0, (grown.key, key))
                if event["kind"] == "feed" and makes_its_own(grown, stage, bed):
                    self.assertLess(event["mg_l"]["N"], 0.5, grown.key)
                if key == "ripening":
                    self.assertFalse(grown.harvested_once, grown.key)

    def test_never_inside_the_rhythm_nor_for_controls(self):
        last = {}
        for given, stop, event in self.events():
            self.assertFalse(stop["control"])
            name, on = (given["number"], stop["id"]), date.fromisoformat(event["on"])
            fed = last.get(name, date.fromisoformat(stop["poured"][0]["on"]))
            if event["kind"] == "feed" and stop["rhythm"] in RHYTHMS:
                self.assertGreaterEqual((on - fed).days, RHYTHMS[stop["rhythm"]].apart, event)
                last[name] = on

    def test_a_flushed_look_or_rest_gets_no_feed_on_its_day(self):
        for given, found in self.found:
            kinds = {one["id"]: one["kind"] for one in found["verdicts"]}
            today = [event for event in found["events"] if event["on"] == given["today"]]
            for event in today:
                self.assertEqual(event["kind"], kinds[event["stop"]])
            amounts = {one["id"]: one["amounts"] for one in found["verdicts"]}
            for event in today:
                self.assertEqual(event["amounts"], amounts[event["stop"]])

    def test_the_shelf_never_falls_below_nothing(self):
        for given, found in self.found:
            used = Counter()
            for event in found["events"]:
                for one in event["amounts"]:
                    used[one["name"]] += one["amount"]
            for jar in given["jars"]:
                self.assertLessEqual(used[jar["name"]], jar["stock"] + 1e-6)

    def test_an_empty_shelf_is_named_where_something_is_due(self):
        for given, found in self.found:
            fed = {event["stop"] for event in found["events"]}
            for one in found["verdicts"]:
                if one["kind"] == "feed" and not given["jars"]:
                    reasons = {s["why"] for s in found["short"] if s["stop"] == one["id"]}
                    self.assertIn("shelf", reasons)
                    self.assertNotIn(one["id"], fed)

    def test_the_same_garden_gives_the_same_byte_for_byte(self):
        for given, found in self.found[::20]:
            self.assertEqual(plan(given), found)

    def test_every_event_says_why_and_its_slot_is_its_own(self):
        for _, found in self.found:
            self.assertTrue(all(event["why"] for event in found["events"]))
            ids = [(e["stop"], e["kind"], e["slot"]) for e in found["events"]]
            self.assertEqual(len(ids), len(set(ids)))
