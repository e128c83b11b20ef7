"""Stages, weather, need and dry feeds over HTTP."""

from datetime import date
from unittest.mock import patch

from dace.demo.keys import key
from dace.feeding.models import Dressing
from dace.garden.models import Planting, StageSeen
from tests.api.base import WeirYardCase, new_id

PLANTING = str(key("planting aubergine 2"))


class SeasonCase(WeirYardCase):
    def see(self, stage, planting=PLANTING, **more):
        body = {"id": new_id(), "stage": stage} | more
        return self.asking.post(f"/api/plantings/{planting}/stage", body)

    def page(self, planting=PLANTING):
        return self.asking.get(f"/api/plantings/{planting}/page").json()

    def starts(self, planting=PLANTING):
        return {s["key"]: s["likely"] for s in self.page(planting)["stages"]}


class Stages(SeasonCase):
    def test_a_sighting_moves_every_later_stage_and_is_undone(self):
        before = self.starts()
        change = self.see("fruit_set").json()["change_id"]
        after = self.starts()
        self.assertGreater(after["fruit_set"], "2026-07-06")
        self.assertLessEqual(after["fruit_set"], "2026-07-14")
        self.assertLess(after["fruit_fill"], before["fruit_fill"])
        self.asking.post("/api/undo", {"change_id": change})
        self.assertEqual(self.starts(), before)

    def test_two_out_of_order_are_asked_about_and_then_set_aside(self):
        self.assertEqual(self.see("fruit_set").status_code, 201)
        told = self.assert_refused(self.see("flowering"), 409, "stage")
        self.assertIn("you saw it at first fruit on 14 July", told["read"])
        self.assertEqual(self.page()["stage_key"], "fruit_set")
        change = self.see("flowering", sure=True).json()["change_id"]
        self.assertEqual(self.page()["stage_key"], "flowering")
        self.asking.post("/api/undo", {"change_id": change})
        self.assertEqual(self.page()["stage_key"], "fruit_set")

    def test_what_was_seen_before_a_perennial_woke_is_of_the_year_before(self):
        berries = str(key("planting strawberry"))
        Planting.objects.filter(pk=berries).update(started_on="2025-04-01")
        looks = StageSeen.objects.filter(planting=berries)
        looks.update(stage="wind_down", seen_on="2025-10-20")
        self.assertEqual(self.see("harvest", berries).status_code, 201)
        self.assert_refused(self.see("flowering", berries), 409, "stage")

    def test_far_outside_the_table_is_taken_and_said(self):
        self.assertEqual(self.see("fruit_set", on="2026-07-07", sure=True).status_code, 201)
        early = self.see("harvest", on="2026-07-09")
        self.assertEqual(early.status_code, 201)
        self.assertIn("earlier than the table", self.page()["said"][0])

    def test_a_day_that_cannot_be_is_refused(self):
        for day in ("2027-01-01", "2020-01-01"):
            self.assert_refused(self.see("flowering", on=day), 422, "on")

    def test_a_doubtful_stage_is_asked_about_on_the_path(self):
        stands = [
            s for stop in self.asking.get("/api/path").json()["stops"] for s in stop["stands"]
        ]
        bean = next(s for s in stands if s["crop_key"] == "runner_bean")
        self.assertIn("Look for: finger-nail-long flat pods", bean["question"])
        self.assertEqual(self.see("flowering", bean["planting_id"]).status_code, 201)
        stands = [
            s for stop in self.asking.get("/api/path").json()["stops"] for s in stop["stands"]
        ]
        self.assertEqual(next(s for s in stands if s["crop_key"] == "runner_bean")["question"], "")

    def test_a_tray_gets_a_weak_wish_and_a_leek_bed_a_strong_one(self):
        wishes = {}
        for name in ("lettuce", "leek"):
            stand = str(key(f"stand {name} fed"))
            reply = self.asking.post("/api/bench/preview", self.wanted(stand_id=stand)).json()
            wishes[name] = reply["nutrients"][0]["wish"]["typ"]
        self.assertLess(wishes["lettuce"], wishes["leek"])
        harvest = str(key("planting leek"))
        StageSeen.objects.filter(planting_id=harvest).update(seen_on=date(2026, 6, 1))
        for stage, on in (("bulbing", "2026-07-01"), ("harvest", "2026-07-13")):
            self.assertEqual(self.see(stage, harvest, on=on).status_code, 201)
        stand = str(key("stand leek fed"))
        reply = self.asking.post("/api/bench/preview", self.wanted(stand_id=stand)).json()
        self.assertEqual(reply["nutrients"][0]["wish"]["typ"], 0)
        self.assertIn("late_nitrogen", [a["key"] for a in reply["advice"]])


class Season(SeasonCase):
    def test_thirty_weeks_with_drops_sized_by_nitrogen(self):
        season = self.asking.get("/api/season").json()
        self.assertEqual(len(season["weeks"]), 30)
        self.assertEqual(len(season["strips"]), 13)
        tub = next(s for s in season["strips"] if s["planting_id"] == PLANTING)
        # 1 + 400 of 46 mg N a mL: 9000 / 401 mL in 9 L is 114.7 mg/L, and 1.5 L each
        strong = max(drop["nitrogen_mg"] for drop in tub["drops"])
        self.assertAlmostEqual(strong, 46000 / 281 * 2.0, delta=0.5)
        known = [w["known"] for w in season["weeks"]]
        self.assertEqual(known, sorted(known, reverse=True))

    def test_the_books_lead_with_the_stop_s_verdict(self):
        page = self.page()
        self.assertEqual(page["verdict"]["kind"], "flush")
        strips = self.asking.get("/api/season").json()["strips"]
        mine = next(s for s in strips if s["planting_id"] == PLANTING)
        self.assertEqual(mine["verdict"]["headline"], page["verdict"]["headline"])
        self.assertIn("Fed", strips[3]["text"])
        for balance in page["ledger"]["balances"]:
            self.assertNotIn("hungry", balance["text"])
            for figure in (balance["need"], balance["reached"]):
                self.assertLessEqual(figure["low"], figure["value"])
                self.assertLessEqual(figure["value"], figure["high"])

    def test_the_school_orders_what_is_offered(self):
        chilli = str(key("planting chilli 3"))
        path = f"/api/plantings/{chilli}/feeding"

        def kind(approach):
            self.assertEqual(self.asking.post(path, {"approach": approach}).status_code, 200)
            return self.page(chilli)["verdict"]["kind"]

        self.assertEqual(kind("soluble"), "feed")
        self.assertEqual(kind("soil_first"), "dress")
        self.assert_refused(self.asking.post(path, {"approach": "lore"}), 422, "approach")

    def test_a_succession_is_sown_again_and_its_rhythm_moves_on(self):
        lettuce = str(key("planting lettuce"))
        self.assertEqual(self.page(lettuce)["sow_again_on"], "2026-07-14")
        again = {"id": new_id(), "stand_id": new_id()}
        self.assertEqual(
            self.asking.post(f"/api/plantings/{lettuce}/again", again).status_code, 201
        )
        self.assertIsNone(self.page(lettuce)["sow_again_on"])
        new = self.page(again["id"])
        self.assertEqual((new["sow_again_on"], new["stage_key"]), ("2026-08-01", "germination"))
        self.asking.post("/api/undo", {"change_id": None})
        self.assertEqual(self.page(lettuce)["sow_again_on"], "2026-07-14")

    def test_potting_on_stands_in_the_history(self):
        events = [e["text"] for e in self.page()["events"] if e["kind"] == "stand"]
        self.assertIn("moved: 4 in Quay tub 2, 40 L", events[0])
        self.assertIn("begun: 4 in Loft sill, aubergine pots", events[1])


class Dry(SeasonCase):
    leek = str(key("stand leek fed"))

    def body(self, **more):
        jar = str(key("Pelleted poultry manure 4-3-2"))
        return {"stand_id": self.leek, "said": "70 g/m2", "jar_id": jar} | more

    def test_ground_that_is_shared_is_dressed_by_area_and_a_bare_weight_is_asked_about(self):
        setup = self.asking.get("/api/setup").json()
        bed = next(f for p in setup["places"] for f in p["fills"] if p["name"] == "Wall bed")
        mine, other = new_id(), new_id()
        for row, crop, count in ((mine, "leek", 20), (other, "leek", 60)):
            body = {"id": new_id(), "stand_id": row, "fill_id": bed["id"], "crop": crop}
            body |= {"count": count, "started_on": "2026-06-01", "stage": "vegetative"}
            self.assertEqual(self.asking.post("/api/plantings", body).status_code, 201)
        asked = self.body(stand_id=mine, said="400 g")
        self.assert_refused(self.asking.post("/api/dressings/preview", asked), 422, "whole")
        alone = self.asking.post("/api/dressings/preview", asked | {"whole": False}).json()
        self.assertEqual((alone["grams"], alone["others_text"]), (400.0, ""))
        shared = self.asking.post("/api/dressings/preview", asked | {"whole": True}).json()
        self.assertLess(shared["grams"], 100)
        self.assertIn("60 leeks", shared["others_text"])
        reply = self.asking.post("/api/dressings", asked | {"id": new_id(), "said": "70 g/m2"})
        self.assertEqual(reply.status_code, 201)
        given = Dressing.objects.filter(said="70 g/m2", fill_id=bed["id"])
        # 70 g on each of 3.2 m2, the beans among them
        self.assertAlmostEqual(sum(row.grams for row in given), 224, delta=0.5)
        by_stand = {str(row.stand_id): row.grams for row in given}
        self.assertAlmostEqual(by_stand[other], 3 * by_stand[mine])
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertFalse(given.filter(undone_at=None).exists())

    def test_a_dressing_comes_out_slowly_and_empties_the_jar(self):
        told = self.asking.post("/api/dressings/preview", self.body()).json()
        # 70 g/m2 on 2.1 m2; 4 % nitrogen, 12 % of it at once and 55 % in a season, 30 leeks
        self.assertAlmostEqual(told["grams"], 147)
        self.assertAlmostEqual(told["at_once"]["N"], 147 / 30 * 40 * 0.12, delta=0.1)
        self.assertAlmostEqual(told["season"]["N"], 147 / 30 * 40 * 0.55, delta=0.5)
        out = [day["nitrogen_mg"] for day in told["out_by"]]
        self.assertEqual(out, sorted(out))
        before = self.page(str(key("planting leek")))["ledger"]["balances"][0]
        reply = self.asking.post("/api/dressings", self.body(id=new_id()))
        self.assertEqual(reply.status_code, 201)
        after = self.page(str(key("planting leek")))["ledger"]["balances"][0]
        self.assertGreater(after["reached"]["value"], before["reached"]["value"])
        feeds = self.asking.get("/api/dry-feeds").json()
        pellets = next(f for f in feeds if f["jar_id"] == self.body()["jar_id"])
        # 3600 g, less 210, 147 and 147
        self.assertEqual(pellets["text"], "3.1 kg left")

    def test_what_does_not_agree_or_fit_is_said(self):
        told = self.asking.post("/api/dressings/preview", self.body(also_said="1 cm layer")).json()
        self.assertIn("differ", told["disagreement"])
        big = self.body(id=new_id(), said="5 kg")
        self.assert_refused(self.asking.post("/api/dressings", big), 422, "said")
        for more, field in (
            ({"said": "lots"}, "said"),
            ({"jar_id": str(key("Fruiting liquid 4-3-8"))}, "jar_id"),
            ({"jar_id": None}, "material"),
            ({"jar_id": None, "material": "gold"}, "material"),
            ({"jar_id": new_id()}, "jar_id"),
        ):
            with self.subTest(field):
                reply = self.asking.post("/api/dressings/preview", self.body(**more))
                self.assertIn(reply.status_code, (404, 422))
                self.assertEqual(reply.json()["error"]["field"], field)

    def test_raw_manure_close_to_picking_is_stopped_in_words(self):
        lettuce = self.body(
            stand_id=str(key("stand lettuce fed")), said="5 g", jar_id=None, material="horse_fresh"
        )
        advice = self.asking.post("/api/dressings/preview", lettuce).json()["advice"]
        self.assertEqual(advice[0]["key"], "raw_manure_harvest_interval")
        self.assertEqual(advice[0]["plan_effect"], "block")


class Weather(SeasonCase):
    def test_her_own_days_count_before_the_service_s(self):
        cold = "\n".join(f"2026-07-{day:02},3,5,0" for day in range(6, 14))
        bean = str(key("planting runner bean"))
        before = self.starts(bean)["fruit_set"]
        reply = self.asking.post("/api/weather", {"id": new_id(), "text": cold})
        self.assertEqual(reply.status_code, 201)
        self.assertEqual(self.asking.get("/api/season").json()["own_days"], 8)
        weeks = self.asking.get("/api/season").json()["weeks"]
        cool = next(w for w in weeks if w["first"] == "2026-07-07")
        self.assertLess(cool["t_max"], 10)
        # eight days that brought no warmth
        self.assertGreater(self.starts(bean)["fruit_set"], before)

    def test_bad_lines_and_days_to_come_are_refused(self):
        for text in ("nonsense", "2027-01-01,1,2", "2026-07-01,20,10"):
            reply = self.asking.post("/api/weather", {"id": new_id(), "text": text})
            self.assert_refused(reply, 422, "text")

    def test_a_test_of_soil_takes_the_table_s_place(self):
        fill = str(key("fill Sluice bed, leek end"))
        leek = str(key("planting leek"))
        reached = []
        for day, k in (("2026-07-12", 300.0), ("2026-07-14", 75.0)):
            body = {"id": new_id(), "unit": "mg/L", "values": {"K": k}, "tested_on": day}
            reply = self.asking.post(f"/api/fills/{fill}/tests", body)
            self.assertEqual(reply.status_code, 201)
            reached.append(self.page(leek)["ledger"]["balances"][2]["reached"]["value"])
        self.assertGreater(reached[0], 1.5 * reached[1])
        self.assertIn("K 75 mg/L is usual", self.page(leek)["soil_test"])
        bad = {"id": new_id(), "unit": "mg/L", "values": {"K": -1}}
        self.assert_refused(self.asking.post(f"/api/fills/{fill}/tests", bad), 422, "K")

    def test_the_clock_needs_no_weather_twice(self):
        self.asking.get("/api/season")
        with patch("dace.core.season.clock._Clock.read", side_effect=AssertionError):
            self.assertEqual(self.asking.get("/api/season").status_code, 200)
