"""Weir Yard through the year: path, Bench, Season and roots say one thing of each stop."""

from unittest import mock

from dace.demo.keys import key
from tests.api.base import WeirYardCase
from tests.demo.days import DAYS, evening

QUIET = ("rest", "flush", "water", "look", "wait", "enough")


class OneVoice(WeirYardCase):
    def on(self, day):
        """Every screen of a day."""
        with mock.patch("dace.households.clock.now", return_value=evening(day)):
            path = self.asking.get("/api/path").json()
            season = self.asking.get("/api/season").json()
            roots = self.asking.get("/api/roots").json()["fills"]
            the_round = self.asking.get("/api/round").json()
            places = {
                stop["id"]: self.asking.get(f"/api/places/{stop['id']}/roots").json()
                for stop in path["stops"]
            }
        self.assert_once(path, the_round)
        return path, season, roots, places

    def assert_once(self, path, found):
        """Every spot stands once in the round of its day, by what its verdict asks for."""
        rows = [row for can in found["cans"] for row in can["rows"]]
        told = [(row["fill_id"], "feed") for row in rows]
        told += [(one["fill_id"], "flush") for one in found["flushes"]]
        told += [(one["fill_id"], "dress") for one in found["dressings"]]
        looks = [one for asked in found["asks"] for one in asked["looks"]]
        told += [(one["fill_id"], "look") for one in looks if one["first"]]
        spots = [spot for stop in path["stops"] for spot in stop["spots"]]
        fed = {spot["fill_id"]: spot["verdict"] for spot in spots}
        self.assertEqual(len({fill_id for fill_id, _ in told}), len(told))
        waits = [stop for one in found["waits"] for stop in one["stops"]]
        self.assertEqual(len(told) + len(waits), len(fed))
        for fill_id, kind in told:
            said = fed[fill_id]["kind"]
            self.assertEqual("flush" if said == "water" else said, kind)
        for row in rows:
            self.assertAlmostEqual(row["litres"], fed[row["fill_id"]]["litres"], places=3)

    def test_every_screen_says_the_same_through_the_year(self):
        for day in DAYS:
            path, season, roots, places = self.on(day)
            strips = {strip["planting_id"]: strip["verdict"] for strip in season["strips"]}
            rows = {row["fill_id"]: row for row in roots}
            for stop in path["stops"]:
                fills = {fill["fill_id"]: fill for fill in places[stop["id"]]["fills"]}
                for spot in stop["spots"]:
                    verdict = spot["verdict"]
                    with self.subTest(day, spot=spot["name"]):
                        self.assertEqual(rows[spot["fill_id"]]["says"], verdict["headline"])
                        self.assertEqual(fills[spot["fill_id"]]["verdict"], verdict)
                        flush = fills[spot["fill_id"]]["flush"]
                        self.assertEqual(flush is not None, verdict["kind"] == "flush")
                        self.assertEqual(bool(verdict["offers"]), verdict["portion"] is not None)
                        if verdict["kind"] in QUIET:
                            self.assertEqual(verdict["offers"], [])
                        for stand in (s for s in stop["stands"] if s["id"] in spot["stand_ids"]):
                            kinds = {s["verdict"]["kind"] for s in stop["spots"]}
                            self.assertIn(strips[stand["planting_id"]]["kind"], kinds)

    def test_the_day_that_an_old_hand_wrote_down(self):
        path = self.on("2026-07-14")[0]
        kinds = {s["name"]: s["verdict"] for stop in path["stops"] for s in stop["spots"]}
        wanted = {
            "Sluice bed, chard end": "enough",
            "Sluice bed, leek end": "enough",
            "Quay tub 1": "feed",
            "Quay tub 2": "flush",
            "Quay tub 3": "feed",
            "Step, fed pots": "feed",
            "Step, unfed pots": "rest",
            "Gutter": "look",
            "Wall bed": "enough",
            "Cold frame, cucumber": "feed",
            "Cold frame, melon": "feed",
            "Loft sill, lettuce tray": "feed",
            "Loft sill, basil": "feed",
        }
        self.assertEqual({name: kinds[name]["kind"] for name in wanted}, wanted)
        self.assertEqual(kinds["Wall bed"]["headline"], "Makes its own nitrogen; water if dry.")
        self.assertEqual(kinds["Step, unfed pots"]["mark"], "same water, no feed")
        self.assertIn("Four feeds at 1 + 280 were nearly double", kinds["Quay tub 2"]["reason"])
        for asked in ("Quay tub 1", "Cold frame, melon"):
            self.assertIsNotNone(kinds[asked]["question"], asked)
        self.assertTrue(all(verdict["reason"] for verdict in kinds.values()))

    def test_winter_finds_nothing_alive_that_cold_kills(self):
        path = self.on("2026-12-15")[0]
        for stop in path["stops"]:
            for spot in stop["spots"]:
                if spot["name"].startswith(("Quay", "Step", "Wall", "Cold frame")):
                    self.assertEqual(spot["verdict"]["kind"], "rest", spot["name"])

    def test_an_offer_lands_on_the_bench_just_so(self):
        path = self.on("2026-07-14")[0]
        tub = next(s for s in path["stops"] if s["name"] == "Quay tub 3")
        portion = tub["spots"][0]["verdict"]["portion"]
        body = self.wanted(
            jar_id=portion["jar_id"],
            water_id=portion["water_id"],
            vessel=f"{portion['vessel_l']} L",
            strength=portion["strength"],
            stand_id=str(key("stand chilli 3 fed")),
            litres="1 L",
        )
        shown = self.asking.post("/api/bench/preview", body).json()
        self.assertFalse(shown["cap"]["over"])
        said = portion["strength"].removeprefix("1 + ").removesuffix(" g/L")
        liquid = portion["strength"].startswith("1 + ")
        fill = portion["vessel_l"]
        amount = 1000 * fill / (1 + float(said)) if liquid else fill * float(said)
        self.assertAlmostEqual(shown["amount"], amount, places=2)
        self.assertAlmostEqual(shown["pour"]["left_l"], fill - 6, places=6)
        self.assertNotIn("stop", [one["severity"] for one in shown["advice"]])
        self.assertLessEqual(sum(one["open"] for one in shown["advice"]), 2)
