"""What the drain of a place says, over HTTP."""

from dace.demo.keys import key
from tests.api.base import WeirYardCase, new_id


class Roots(WeirYardCase):
    def setUp(self):
        super().setUp()
        stops = self.asking.get("/api/path").json()["stops"]
        self.at = {stop["name"]: stop for stop in stops}

    def fill(self, name="Quay tub 2", index=0):
        reply = self.asking.get(f"/api/places/{self.at[name]['id']}/roots")
        self.assertEqual(reply.status_code, 200, reply.content)
        return reply.json()["fills"][index]

    def read(self, value, **more):
        body = {"id": new_id(), "subject_id": self.at["Quay tub 2"]["subject_id"], "value": value}
        return self.asking.post("/api/readings", body | {"method": "pour_through"} | more)

    def plain(self, litres, flush=True):
        body = {
            "id": new_id(),
            "fill_id": self.fill()["fill_id"],
            "water_id": str(key("rain butt")),
        }
        body |= {"litres": litres, "flush": flush, "poured_at": "2026-07-14T06:00Z"}
        return self.asking.post("/api/waterings", body)

    def now(self, found):
        return found["chart"]["likely"][found["chart"]["today"]]

    def test_the_story_from_a_salty_reading_to_a_flush_that_falls(self):
        meaning = {"id": new_id(), "subject_id": self.at["Quay tub 2"]["subject_id"], "value": 3.9}
        told = self.asking.post(
            "/api/readings/meaning", meaning | {"method": "pour_through"}
        ).json()
        self.assertEqual(told["word"], "too_salty")
        self.assertIn("1.3 to 2.6", told["text"])
        self.assertEqual(self.read(4.2, taken_at="2026-07-14T05:00Z").status_code, 201)
        found = self.fill()
        self.assertEqual(found["verdict"]["kind"], "flush")
        self.assertIn("of rain butt", found["verdict"]["button"])
        self.assertTrue(any("have climbed for" in line for line in found["lines"]), found["lines"])
        plan = found["flush"]
        self.assertEqual(plan["water"], "rain butt")
        self.assertTrue(9 < plan["litres"] < 30, plan["litres"])
        self.assertIn("then read the drain", plan["text"])
        before = self.now(found)
        self.assertEqual(self.plain(f"{plan['each_l']} L").status_code, 201)
        self.assertLess(self.now(self.fill()), before)
        self.assertEqual(self.fill()["verdict"]["mark"], "plain water", "not read yet")
        self.read(3.4)  # what it reads decides: one go more
        self.assertEqual(self.fill()["verdict"]["kind"], "flush")
        self.assertEqual(self.plain(f"{plan['each_l']} L").status_code, 201)
        before = self.now(self.fill())
        self.read(1.9)
        self.assertNotIn(self.fill()["verdict"]["kind"], ("flush", "water"))
        self.asking.post("/api/undo")
        self.asking.post("/api/undo")
        self.assertGreater(self.now(self.fill()), before)

    def test_the_bench_heeds_the_roots_and_never_blocks(self):
        self.read(3.9)
        advice = self.asking.post("/api/bench/preview", self.wanted()).json()["advice"]
        self.assertEqual((advice[0]["key"], advice[0]["severity"]), ("verdict_flush", "stop"))
        self.assertEqual(self.asking.post("/api/pours", self.pour_body()).status_code, 201)

    def test_a_bed_speaks_of_soil_and_never_of_flushing(self):
        bed = self.fill("Wall bed")
        self.assertTrue(bed["is_bed"])
        self.assertIn("paste of the soil", bed["headline"])
        self.assertNotIn("drain", bed["headline"])
        self.assertIsNone(bed["flush"])

    def test_the_path_says_the_last_reading_with_its_age_and_the_verdict(self):
        stop = self.asking.get("/api/path").json()["stops"][2]
        self.assertIn("2 days ago", stop["read_text"])
        self.assertEqual(stop["mark"], "flush first")
        self.read(4.0)
        stop = self.asking.get("/api/path").json()["stops"][2]
        self.assertEqual((stop["read_text"], stop["mark_kind"]), ("read 4.0, today", "flush"))

    def test_a_wild_reading_is_kept_hollow_and_doubted_aloud(self):
        self.read(40.0)
        found = self.fill()
        self.assertTrue(found["chart"]["dots"][-1]["hollow"])
        self.assertIn("a feed not written down", found["doubts"][0])
        again = self.fill()["chart"]["dots"][-1]
        self.assertTrue(again["hollow"], "read from what was kept, it is as hollow")

    def test_a_diluted_drain_counts_as_it_was_before(self):
        """2.1 as it drains, or .42 once four parts of rain water are in: one reading."""
        self.read(2.1)
        neat = self.fill()["chart"]["dots"][-1]["ec"]
        self.asking.post("/api/undo")
        self.read(0.45, parts_water=4)
        self.assertAlmostEqual(self.fill()["chart"]["dots"][-1]["ec"] / neat, 1, delta=0.08)

    def test_waterings_are_assumed_until_all_are_logged(self):
        found = self.fill()
        self.assertTrue(any("Dace assumes" in line for line in found["lines"]))
        path = f"/api/fills/{found['fill_id']}/waterings"
        self.assertEqual(self.asking.put(path, {"logs": True}).status_code, 200)
        self.assertFalse(any("Dace assumes" in line for line in self.fill()["lines"]))
        self.plain("2 L", flush=False)
        self.assertIn("2 L from the rain butt", self.fill()["records"][0]["text"])
        self.assert_refused(self.plain("a splash"), 422, "litres")

    def test_far_too_much_poured_leads_to_the_flush_and_undone_to_what_was(self):
        def wanted():
            stops = self.asking.get("/api/path").json()["stops"]
            return next(s for s in stops if s["name"] == "Quay tub 3")["spots"][0]["verdict"]

        before = wanted()
        self.assertNotEqual(before["kind"], "flush")
        subject = self.at["Quay tub 3"]["subject_id"]
        body = {"id": new_id(), "subject_id": subject, "kind": "salt", "word": "too_much"}
        self.assert_refused(
            self.asking.post("/api/field-tests", body | {"word": "brine"}), 422, "word"
        )
        self.assertEqual(self.asking.post("/api/field-tests", body).status_code, 201)
        found = wanted()
        self.assertEqual((found["kind"], found["flush"]["read_after"]), ("flush", 1))
        self.assertIn("You poured far too much", found["reason"])
        self.asking.post("/api/undo")
        self.assertEqual(wanted()["headline"], before["headline"])

    def test_pots_pens_tests_and_harvests_are_kept(self):
        self.assertEqual(self.read(2.1, pots=3, pen_id=str(key("yard pen"))).status_code, 201)
        self.assert_refused(self.read(2.1, pots=0), 422, "pots")
        self.assert_refused(self.read(2.1, pen_id=new_id()), 404, "pen_id")
        subject = self.at["Quay tub 2"]["subject_id"]
        for kind, given, status in (
            ("ph", {"value": 6.1}, 201),
            ("nitrate", {"value": 120}, 201),
            ("moisture", {"word": "moist"}, 201),
            ("ph", {"value": 61}, 422),
            ("moisture", {"word": "soggy"}, 422),
            ("taste", {"value": 1}, 422),
        ):
            body = {"id": new_id(), "subject_id": subject, "kind": kind} | given
            with self.subTest(kind, given=given):
                reply = self.asking.post("/api/field-tests", body)
                self.assertEqual(reply.status_code, status, reply.content)
        texts = [one["text"] for one in self.fill()["records"]]
        self.assertIn("pH 6.1", texts)
        self.assertIn("nitrate strip 120 mg/L", texts)
        planting = self.at["Quay tub 2"]["stands"][0]["planting_id"]
        picked = {"id": new_id(), "planting_id": planting}
        self.assert_refused(self.asking.post("/api/harvests", picked), 422, "grams")
        picked |= {"grams": 640, "pieces": 3}
        self.assertEqual(self.asking.post("/api/harvests", picked).status_code, 201)
        page = self.asking.get(f"/api/places/{self.at['Quay tub 2']['id']}/roots").json()
        self.assertEqual(page["harvests"][0]["text"], "Aubergine: 3 picked, 640 g")
