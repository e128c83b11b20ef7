"""Two hundred gardens drawn at random: what may never be, whatever grows where and when."""

import random
import unittest
from datetime import date, timedelta

from dace.core.matter.media import media
from dace.core.season.cold import lives_on
from dace.core.season.crops import crops
from dace.core.shell.yards import yard_in
from dace.core.verdict.judge import verdicts
from tests.core import counts
from tests.core.verdict.yards import SHELF

GARDENS = counts.of(200, 30)
DAYS = [
    ("2026-01-20", 51),
    ("2026-04-20", 51),
    ("2026-07-14", 51),
    ("2026-10-05", 58),
    ("2026-12-15", 51),
    ("2027-01-05", -38),
    ("2026-09-01", 35),
]
ACTS = ("feed", "dress")
MUCH_MORE = 1.3


def drawn(seed):
    """A garden of one or two stops, seeded."""
    chance = random.Random(seed)
    told, latitude = chance.choice(DAYS)
    today = date.fromisoformat(told)
    stops = [_stop(chance, today, f"s{turn}") for turn in range(chance.randint(1, 2))]
    jars = chance.sample(SHELF, chance.randint(0, len(SHELF)))
    return {
        "today": told,
        "latitude": latitude,
        "waters": {"tap": {"ec_ms_cm": chance.choice([0.2, 0.6, 0.9])}, "rain": {"ec_ms_cm": 0.06}},
        "vessels": ["9 L", "2 L"],
        "pen": chance.random() < 0.8,
        "jars": [jar | {"stock": chance.choice([3, 900])} for jar in jars],
        "stops": stops,
        "seed": seed,
    }


def _stop(chance, today, name):
    grown = chance.choice(list(crops().values()))
    started = today - timedelta(days=chance.randint(1, 160))
    planting = {"id": "p", "crop": grown.key, "plants": chance.randint(1, 12)}
    planting["started_on"] = str(started)
    if chance.random() < 0.6:
        seen = max(started, today - timedelta(days=chance.randint(0, 20)))
        planting |= {"stage": chance.choice(grown.stages).key, "seen_on": str(seen)}
    setting = chance.choice(["pot", "pot", "bed", "tray"])
    room = (
        {"area_m2": chance.uniform(0.5, 6)}
        if setting == "bed"
        else {"litres": chance.choice([0.5, 2, 6, 40])}
    )
    holds = room.get("litres", 40)

    def days(most, span):
        found = (today - timedelta(days=chance.randint(0, span)) for _ in range(most))
        return sorted(on for on in found if on >= started)

    return room | {
        "id": name,
        "medium": chance.choice(list(media())),
        "setting": setting,
        "shelter": chance.choice(["open", "open", "cover", "indoors"]),
        "approach": chance.choice(["mixed", "soil_first", "soluble"]),
        "rhythm": chance.choice(["as_needed", "weekly", "fortnightly", "every_watering"]),
        "control": chance.random() < 0.1,
        "plantings": [planting],
        "poured": [
            {
                "on": str(on),
                "litres": chance.uniform(0.05, 0.4) * holds,
                "ec_ms_cm": chance.uniform(0.5, 4),
                "n_mg_l": chance.uniform(20, 300),
                "k_mg_l": chance.uniform(20, 300),
            }
            for on in days(4, 40)
        ],
        "readings": [
            {"on": str(on), "value": chance.choice([0.5, 1.5, 3.0, 5.0])} for on in days(2, 30)
        ],
    }


class RandomGardens(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.found = []
        for seed in range(GARDENS):
            given = drawn(seed)
            asked = yard_in(given)
            for stop, verdict in zip(asked.stops, verdicts(asked), strict=True):
                cls.found.append((stop, verdict, asked))

    def test_every_kind_but_for_chance_is_met(self):
        kinds = {verdict.kind for _, verdict, _ in self.found}
        self.assertGreaterEqual(kinds, {"rest", "flush", "water", "wait", "feed", "enough"})

    def test_nothing_is_offered_where_nothing_is_fed(self):
        for stop, verdict, _ in self.found:
            if verdict.kind not in ACTS:
                self.assertEqual(verdict.offers, (), stop.key)
                self.assertEqual(sum(one.litres for one in verdict.each), 0)
            self.assertEqual(verdict.recipe, verdict.offers[0] if verdict.offers else None)
            self.assertLessEqual(len(verdict.offers), 3)

    def test_no_can_passes_the_cap_nor_much_more_than_the_high_end(self):
        for stop, verdict, _ in self.found:
            stage, grown = stop.grows[0].clock.stage, stop.grows[0].crop
            for offer in (one for one in verdict.offers if one.can is not None):
                self.assertLessEqual(offer.can.feed_ec, offer.cap + 1e-9, grown.key)
                held = dict(offer.can.from_water)
                for nutrient, result in offer.can.nutrients:
                    if nutrient in ("N", "K") and stage.wish_of(nutrient).high > 0:
                        most = MUCH_MORE * stage.wish_of(nutrient).high
                        self.assertLessEqual(result.value - held[nutrient], most + 1e-6)

    def test_no_nitrogen_where_none_is_wished_or_it_makes_its_own(self):
        for stop, verdict, asked in self.found:
            one = stop.grows[0]
            bed = stop.followed.root_zone.is_bed
            own = one.crop.n_fixed_share > 0 and bed and not one.clock.stage.is_seedling
            if not own and one.clock.stage.wish_of("N").typ > 0:
                continue
            feeds = {source.key: source.feed for source in asked.sources}
            for offer in verdict.offers:
                self.assertEqual(feeds[offer.source].element("N"), 0, (one.crop.key, offer.name))

    def test_controls_rest_and_so_does_what_is_over(self):
        for stop, verdict, asked in self.found:
            one = stop.grows[0]
            today = asked.days.today
            if one.control:
                self.assertEqual(verdict.kind, "rest")
            end = one.clock.ends_on
            gone = end is not None and end <= today and not lives_on(one.crop.key)
            if gone and (one.looked_on is None or one.looked_on < end):
                self.assertEqual(verdict.kind, "rest", one.crop.key)

    def test_words_of_path_sentence_and_button_agree(self):
        marks = {
            "flush": "flush",
            "feed": "feed",
            "dress": "dress",
            "wait": "wait",
            "water": "plain",
        }
        for _, verdict, _ in self.found:
            self.assertTrue(verdict.mark and verdict.headline and verdict.reason)
            if verdict.kind in marks and verdict.mark not in ("cover tonight", "get a feed"):
                self.assertTrue(verdict.mark.startswith(marks[verdict.kind]), verdict.mark)
            if verdict.recipe is not None and verdict.recipe.can is not None:
                self.assertIn(verdict.recipe.name, verdict.headline)
                self.assertTrue(verdict.button.startswith("Pour"))
            if verdict.kind in ("rest", "wait", "enough"):
                self.assertEqual(verdict.button, "")
            if verdict.kind in ("flush", "water"):
                self.assertIn("No feed today", verdict.headline)

    def test_what_one_stop_takes_is_gone_for_the_next(self):
        gardens = {id(asked): asked for _, _, asked in self.found}
        drawn_from = {}
        for _, verdict, asked in self.found:
            if verdict.recipe is not None:
                taken = drawn_from.setdefault(id(asked), {})
                source = verdict.recipe.source
                taken[source] = taken.get(source, 0.0) + verdict.recipe.amount
        for garden, taken in drawn_from.items():
            for source in gardens[garden].sources:
                self.assertLessEqual(taken.get(source.key, 0.0), source.stock + 1e-9)
