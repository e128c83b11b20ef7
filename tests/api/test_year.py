"""The year round over HTTP: cleared and what follows, away and back."""

from dace.demo.keys import key
from dace.garden.models import Away, Fill, Harvest, Planting
from dace.shelf.models import Heap
from tests.api.base import WeirYardCase, new_id
from tests.api.test_newcomers import OwnGarden

CHARD = str(key("planting chard"))
BED = str(key("fill Sluice bed, chard end"))


class Over(WeirYardCase):
    def clear(self, planting=CHARD, **more):
        body = {"id": new_id()} | more
        return self.asking.post(f"/api/plantings/{planting}/cleared", body)

    def test_one_press_ends_it_takes_the_picking_and_puts_stalks_on_the_heap(self):
        layers = len(Heap.objects.get(pk=key("Mill heap")).inputs)
        said = {"on": "2026-07-10", "grams": 900, "heap_id": str(key("Mill heap"))}
        reply = self.clear(**said, amount="2 buckets")
        self.assertEqual(reply.status_code, 200, reply.content)
        planting = Planting.objects.get(pk=CHARD)
        self.assertEqual(str(planting.ended_on), "2026-07-10")
        picked = Harvest.objects.filter(planting=planting).latest("picked_on")
        self.assertEqual((picked.grams, str(picked.picked_on)), (900, "2026-07-10"))
        laid = Heap.objects.get(pk=key("Mill heap")).inputs
        self.assertEqual(len(laid), layers + 1)
        self.assertEqual(laid[-1]["material"], "vegetable_scraps_mixed")
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertIsNone(Planting.objects.get(pk=CHARD).ended_on)
        self.assertEqual(len(Heap.objects.get(pk=key("Mill heap")).inputs), layers)

    def test_cleared_before_sown_is_refused_and_sick_stalks_go_on_no_heap(self):
        self.assert_refused(self.clear(on="2026-01-01"), 422, "on")
        self.assert_refused(self.clear(on="2026-08-01"), 422, "on")
        kale = str(key("planting kale"))
        reply = self.clear(kale, heap_id=str(key("Mill heap")), sick=True)
        self.assertIn("clubroot", self.assert_refused(reply, 422, "heap_id")["read"])
        self.assertIsNone(Planting.objects.get(pk=kale).ended_on)

    def test_what_follows_puts_the_same_group_last_and_says_why(self):
        found = self.asking.get(f"/api/fills/{BED}/follows").json()
        self.assertTrue(found["crops"])
        again = [one["key"] for one in found["crops"] if one["against"]]
        clear = [one["key"] for one in found["crops"] if not one["against"]]
        self.assertNotIn("beetroot", clear)  # chard, a beet, stands there
        self.assertEqual([one["key"] for one in found["crops"]], clear + again)
        self.assertTrue(all(one["green"] for one in found["green"]))
        page = self.asking.get(f"/api/plantings/{CHARD}/page").json()
        self.assertIn("three years apart", page["again_against"])
        pots = self.asking.get(f"/api/plantings/{key('planting aubergine 1')}/page").json()
        self.assertEqual(pots["again_against"], "")  # fresh mix knows no rotation


class AwayCase(WeirYardCase):
    def go(self, since, until, waters="helper"):
        body = {"id": new_id(), "from_on": since, "to_on": until, "waters": waters}
        return self.asking.post("/api/away", body)

    def feeds(self):
        events = self.asking.get("/api/plan").json()["events"]
        return sorted({one["on"] for one in events if one["kind"] == "feed"})

    def test_nothing_is_planned_while_away_nor_in_the_three_days_before(self):
        self.assertTrue([on for on in self.feeds() if "2026-07-29" <= on <= "2026-08-14"])
        reply = self.go("2026-08-01", "2026-08-14")
        self.assertEqual(reply.status_code, 201, reply.content)
        planned = self.feeds()
        self.assertFalse([on for on in planned if "2026-07-29" <= on <= "2026-08-14"], planned)
        self.assertTrue([on for on in planned if on > "2026-08-14"])
        self.assertIn("Away 1 August", self.asking.get("/api/season").json()["aways"][0]["line"])
        back = self.asking.post(f"/api/away/{reply.json()['id']}/back", {})
        self.assertEqual(back.status_code, 200, back.content)
        self.assertTrue([on for on in self.feeds() if "2026-07-29" <= on <= "2026-08-14"])

    def test_gone_today_nothing_is_fed_and_the_round_says_who_waters(self):
        self.go("2026-07-14", "2026-07-20", "drip")
        told = self.asking.get("/api/round").json()
        self.assertFalse([can for can in told["cans"] if not can["mixed"]])
        self.assertEqual(told["away"], "Away 14 July to 20 July: it waters itself.")

    def test_days_that_cannot_be_are_a_sentence_each(self):
        self.assert_refused(self.go("2026-08-14", "2026-08-01"), 422, "to_on")
        self.assert_refused(self.go("2026-06-01", "2026-06-10"), 422, "to_on")
        self.assert_refused(self.go("2026-08-01", "2028-08-01"), 422, "to_on")
        self.go("2026-08-01", "2026-08-14")
        self.assert_refused(self.go("2026-08-10", "2026-08-20"), 409, "from_on")
        self.assertEqual(self.go("2026-08-01", "2026-08-02", "a cat").status_code, 422)
        self.assertEqual(Away.objects.count(), 1)


class LookedBackAt(WeirYardCase):
    def test_the_year_says_what_each_got_beside_what_it_wanted(self):
        page = self.asking.get("/api/year/2026").json()
        self.assertEqual(page["years"], [2026])
        tub = next(one for one in page["grew"] if one["place"] == "Gutter")
        shares = {one["name"]: one for one in tub["shares"]}
        doses = [
            one
            for one in self.asking.get("/api/notebook?limit=200").json()["doses"]
            if one["stop"] == "Gutter"
        ]
        litres = sum(float(one["litres"].replace(",", "")) for one in doses)
        self.assertAlmostEqual(tub["litres"], litres, delta=0.1)
        mg = sum(float(one["mg_l"]["K"].replace(",", "")) * float(one["litres"]) for one in doses)
        self.assertAlmostEqual(float(shares["K"]["given"].split()[0]), mg / 1000, delta=0.15)
        self.assertLessEqual(len(page["lines"]), 3)
        self.assertIn("Does Fruiting liquid", page["tried"][0]["title"])
        self.assertIn("June comfrey", [one["name"] for one in page["brewed"]])
        table = self.asking.get("/api/year-table/2026.csv")
        self.assertEqual(table["Content-Type"].split(";")[0], "text/csv")
        self.assertEqual(len(table.content.decode().splitlines()), len(page["grew"]) + 1)
        self.assertEqual(self.asking.get("/api/year/20260").status_code, 422)

    def test_a_place_that_could_be_a_formula_is_none_in_the_table(self):
        Fill.objects.filter(pk=BED).update(name="=1+1")
        table = self.asking.get("/api/year-table/2026.csv").content.decode()
        self.assertIn("'=1+1", table)
        self.assertNotRegex(table, r"(?m)(^|,)=")

    def test_what_grew_before_the_weather_is_known_wanted_nobody_knows_what(self):
        Planting.objects.filter(pk=CHARD).update(started_on="2021-04-12")
        grew = self.asking.get("/api/year/2022").json()["grew"]
        self.assertEqual({share["wanted"] for share in grew[0]["shares"]}, {""})

    def test_next_year_is_proposed_rotated_accepted_and_sown_on_its_day(self):
        told = self.asking.get("/api/year/next").json()
        self.assertEqual(told["year"], 2027)
        names = {one["name"]: one for one in told["proposed"]}
        chard = names["12 chard plants"]
        self.assertEqual(chard["sow_on"], "2027-04-12")
        self.assertNotEqual(chard["place"], "Sluice bed, chard end")  # a beet stood there
        self.assertNotIn("strawberry", {one["crop"] for one in told["proposed"]})
        tub = next(one for one in told["proposed"] if one["crop"] == "aubergine")
        self.assertIn("tub", tub["place"])  # fresh mix knows no rotation
        body = {name: chard[name] for name in ("fill_id", "crop", "called", "count", "sow_on")}
        late = body | {"id": new_id(), "sow_on": "2026-01-01"}
        self.assert_refused(self.asking.post("/api/intended", late), 422, "sow_on")
        meant = self.asking.post("/api/intended", body | {"id": new_id()})
        self.assertEqual(meant.status_code, 201, meant.content)
        after = self.asking.get("/api/year/next").json()
        self.assertNotIn("12 chard plants", {one["name"] for one in after["proposed"]})
        self.assertEqual([one["name"] for one in after["meant"]], ["12 chard plants"])
        self.assertEqual(self.asking.get("/api/round").json()["sow"], [])
        now = self.asking.post(
            "/api/intended", body | {"id": new_id(), "sow_on": "2026-07-14", "crop": "turnip"}
        )
        due = self.asking.get("/api/round").json()["sow"]
        self.assertEqual([one["name"] for one in due], ["12 turnips"])
        sown = {"id": new_id(), "stand_id": new_id()}
        path = f"/api/intended/{now.json()['id']}"
        self.assertEqual(self.asking.post(f"{path}/sown", sown).status_code, 201)
        self.assertEqual(self.asking.post(f"{path}/sown", sown).status_code, 201)  # once
        self.assertEqual(str(Planting.objects.get(pk=sown["id"]).started_on), "2026-07-14")
        again = {"id": new_id(), "stand_id": new_id()}
        self.assert_refused(self.asking.post(f"{path}/sown", again), 409, "intended_id")
        gone = self.asking.post(f"/api/intended/{meant.json()['id']}/drop", {})
        self.assertEqual(gone.status_code, 200)
        self.assertEqual(self.asking.get("/api/year/next").json()["meant"], [])


class Learned(OwnGarden):
    def batch(self, at, value):
        water = self.own.get("/api/setup").json()["waters"]
        if not water:
            self.water = new_id()
            rain = {"name": "butt", "kind": "rain"}
            self.assertEqual(self.own.put(f"/api/waters/{self.water}", rain).status_code, 200)
        brew = new_id()
        body = {"id": brew, "name": f"Nettle {at}", "method": "cold_steep", "liquid": "9 L"}
        body |= {"ingredients": [{"material": "nettle_fresh", "amount": "900 g"}]}
        body |= {"water_id": self.water, "started_at": f"{at}T17:00:00Z"}
        begun = self.own.post("/api/brews", body)
        self.assertEqual(begun.status_code, 201, begun.content)
        page = self.own.get(f"/api/brews/{brew}").json()
        if value:
            told = {"id": new_id(), "subject_id": page["subject_id"], "value": value}
            read = self.own.post("/api/readings", told)
            self.assertEqual(read.status_code, 201, read.content)
            return read.json()["change_id"]
        return page["figures"]["ec"]

    def test_own_batches_teach_the_next_undo_and_forgetting_unteach(self):
        at = "2026-07-10"
        before = self.batch(at, None)
        day = len(before["likely"]) - 1
        changes = [self.batch("2026-07-09", before["likely"][4] * 0.6) for _ in range(3)]
        (one,) = self.own.get("/api/learned").json()["learned"]
        self.assertIn("three batches read", one["evidence"])
        self.assertIn("weaker", one["starts"])
        after = self.batch("2026-07-11", None)
        day = min(day, len(after["likely"]) - 1)
        self.assertLess(after["likely"][day], 0.9 * before["likely"][day])
        wide = [found["high"][day] / found["low"][day] for found in (before, after)]
        self.assertLess(wide[1], wide[0])
        self.own.post("/api/undo", {"change_id": changes[0]})
        (one,) = self.own.get("/api/learned").json()["learned"]
        self.assertIn("two batches read", one["evidence"])
        gone = self.own.post("/api/learned/forget", {"id": new_id(), "what": one["what"]})
        self.assertEqual(gone.status_code, 201)
        self.assertEqual(self.own.get("/api/learned").json()["learned"], [])
        again = self.own.post("/api/learned/forget", {"id": new_id(), "what": one["what"]})
        self.assert_refused(again, 422, "what")

    def test_what_is_simulated_teaches_nothing(self):
        told = self.asking.get("/api/learned").json()
        self.assertEqual((told["learned"], told["simulated"]), ([], True))
