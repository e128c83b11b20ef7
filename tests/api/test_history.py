"""What was done, in what order, and what undo makes of it."""

from urllib.parse import quote

from dace.feeding.models import Dose
from dace.households.models import Change
from tests.api.base import Asking, WeirYardCase, new_id


class Notebook(WeirYardCase):
    def book(self, query=""):
        return self.asking.get(f"/api/notebook{query}").json()

    def moments(self, book):
        rows = [one["at"] for kind in ("doses", "readings", "others") for one in book[kind]]
        return sorted(rows, reverse=True)

    def test_pages_follow_one_another_without_gap_or_repeat(self):
        whole = self.moments(self.book("?limit=500"))
        book = self.book("?limit=500")
        self.assertEqual(len(book["doses"]), Dose.objects.count())
        self.assertEqual(len(book["readings"]), 20 + 1)
        kinds = {other["kind"] for other in book["others"]}
        self.assertLessEqual({"look", "soil_test", "dressing", "brew"}, kinds)
        seen, before = [], ""
        for _ in range(40):
            page = self.book(f"?limit=7{before}")
            seen += self.moments(page)
            if not page["more"]:
                break
            before = f"&before={quote(page['next'])}"
        self.assertEqual(seen, whole)

    def test_a_late_entry_stands_at_its_own_time(self):
        body = self.pour_body(poured_at="2026-06-20T07:30:00Z")
        self.asking.post("/api/pours", body)
        book = self.book("?limit=500")
        self.assertEqual(self.moments(book), sorted(self.moments(book), reverse=True))
        found = next(d for d in book["doses"] if d["id"] == body["dose"]["id"])
        self.assertEqual(found["at"], "2026-06-20T07:30:00Z")

    def test_a_water_that_was_read_is_named(self):
        water = self.asking.get("/api/setup").json()["waters"][1]
        body = {"id": new_id(), "subject_id": water["subject_id"], "value": 0.08}
        self.assertEqual(self.asking.post("/api/readings", body).status_code, 201)
        reading = self.book()["readings"][0]
        self.assertEqual(
            (reading["kind"], reading["stop"], reading["ec"]), ("water", "rain butt", "0.08")
        )

    def test_a_diluted_reading_is_worked_back(self):
        self.asking.post("/api/pours", self.pour_body(strength="1 + 20", litres_each=0.1))
        subject = self.book()["doses"][0]["can_subject_id"]
        body = {"id": new_id(), "subject_id": subject, "value": 1.8, "parts_water": 9}
        self.asking.post("/api/readings", body)
        reading = self.book()["doses"][0]["readings"][0]
        self.assertIn("1 + 9", reading["shown"])
        self.assertTrue(13 < float(reading["ec"]) < 18)  # below ten times 1.8

    def test_readables_begin_with_the_newest_can_and_know_the_pen(self):
        self.asking.post("/api/pours", self.pour_body(strength="1 + 20", litres_each=0.1))
        stop = self.asking.get("/api/path").json()["stops"][2]["id"]
        found = self.asking.get(f"/api/readables?stop={stop}").json()
        self.assertEqual([p["name"] for p in found["pens"]], ["yard pen"])
        can = found["subjects"][0]
        self.assertEqual((can["kind"], can["parts_water"]), ("can", 4))
        self.assertIn("1 part in 4", can["advice"])
        drains = [s["name"] for s in found["subjects"] if s["kind"] == "fill"]
        self.assertEqual(drains, ["what drains from Quay tub 2"])
        self.assertEqual(len([s for s in found["subjects"] if s["kind"] == "water"]), 2)


class Changes(WeirYardCase):
    def keep_jar(self, name="Spare", **more):
        body = {"name": name, "grade": "4-3-8", "pack": "1 L"} | more
        reply = self.asking.put(f"/api/jars/{self.spare}", body)
        self.assertEqual(reply.status_code, 200, reply.content)
        return reply.json()["change_id"]

    def setUp(self):
        super().setUp()
        self.spare = new_id()

    def names(self):
        return [j["name"] for j in self.asking.get("/api/setup").json()["jars"]]

    def undo(self, change=None):
        return self.asking.post("/api/undo", {"change_id": change})

    def test_an_earlier_edit_is_not_undone_over_a_later_one(self):
        self.keep_jar("Spare")
        second = self.keep_jar("Spare, renamed")
        third = self.keep_jar("Spare, again")
        self.assert_refused(self.undo(second), 409, "change")
        self.assertIn("Spare, again", self.names())
        self.assertEqual(self.undo(third).status_code, 200)
        self.assertEqual(self.undo(second).status_code, 200)
        self.assertIn("Spare", self.names())

    def test_undo_and_redo_walk_back_and_forth(self):
        first = self.keep_jar("Spare")
        undone = self.undo(first).json()["id"]
        self.assertNotIn("Spare", self.names())
        redone = self.undo(undone).json()["id"]
        self.assertIn("Spare", self.names())
        self.undo(redone)
        self.assertNotIn("Spare", self.names())

    def test_the_same_again_writes_nothing(self):
        self.keep_jar("Spare")
        before = Change.objects.count()
        self.keep_jar("Spare")
        self.assertEqual(Change.objects.count(), before)

    def test_what_was_undone_is_not_edited(self):
        self.undo(self.keep_jar("Spare"))
        body = {"name": "Spare", "grade": "5-3-8", "pack": "1 L"}
        self.assert_refused(self.asking.put(f"/api/jars/{self.spare}", body), 409, "id")

    def test_every_change_is_one_line_in_plain_words(self):
        self.keep_jar("Spare")
        self.asking.post("/api/pours", self.pour_body())
        for change in Change.objects.all():
            self.assertTrue(change.summary)
            self.assertLessEqual(len(change.summary), 200)

    def test_a_failed_write_leaves_no_change_behind(self):
        before = Change.objects.count()
        self.asking.post("/api/pours", self.pour_body(litres_each=9))
        self.asking.put(f"/api/jars/{new_id()}", {"name": "x", "grade": "99-99-99", "pack": "1 L"})
        self.assertEqual(Change.objects.count(), before)


class Stock(WeirYardCase):
    def look(self, text):
        return self.asking.post(f"/api/jars/{self.jar}/stock", {"stock": text})

    def test_a_look_counts_from_now_on(self):
        self.asking.post("/api/pours", self.pour_body())
        self.assertEqual(self.look("400 ml").status_code, 200)
        self.assertEqual(self.stock(), 400)
        self.asking.post("/api/pours", self.pour_body())
        self.assertAlmostEqual(self.stock(), 400 - 9000 / 501, places=6)
        self.asking.post("/api/undo", {})
        self.asking.post("/api/undo", {})
        self.assertNotEqual(self.stock(), 400)

    def test_more_than_full_or_less_than_nothing(self):
        for text in ("1001 ml", "-1 ml", "1 kg", "some"):
            with self.subTest(text):
                self.assert_refused(self.look(text), 422, "stock")


class Mending(WeirYardCase):
    def setUp(self):
        super().setUp()
        stop = self.asking.get("/api/path").json()["stops"][2]
        self.planting, self.stand_now = stop["stands"][0]["planting_id"], stop["stands"][0]["id"]

    def at_tub(self):
        return self.asking.get("/api/path").json()["stops"][2]["stands"][0]

    def test_a_wrong_crop_or_day_is_put_right_and_undone(self):
        path = f"/api/plantings/{self.planting}"
        reply = self.asking.put(path, {"crop": "sweet_pepper", "started_on": "2026-03-01"})
        self.assertEqual(reply.status_code, 200)
        self.assertEqual(self.at_tub()["crop"], "Sweet pepper")
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertEqual(self.at_tub()["crop"], "Aubergine")

    def test_a_crop_that_never_stands_so_is_refused(self):
        for body, field in (
            ({"crop": "carrot", "started_on": "2026-03-01"}, "crop"),
            ({"crop": "triffid", "started_on": "2026-03-01"}, "crop"),
            ({"crop": "chilli", "started_on": "2031-03-01"}, "started_on"),
        ):
            with self.subTest(body):
                reply = self.asking.put(f"/api/plantings/{self.planting}", body)
                self.assert_refused(reply, 422, field)

    def test_a_wrong_count_is_put_right(self):
        path = f"/api/stands/{self.stand_now}"
        self.assertEqual(self.asking.put(path, {"count": 5}).status_code, 200)
        self.assertEqual(self.at_tub()["counted"], "5 aubergines")
        self.assert_refused(self.asking.put(path, {"count": 0}), 422, "count")
        self.assert_refused(
            self.asking.put(f"/api/stands/{new_id()}", {"count": 1}), 404, "stand_id"
        )

    def test_habits_of_the_garden(self):
        good = {"name": "Weir Yard", "zone": "Europe/London", "latitude": 51}
        good |= {"measures": "metric", "degrees": "C"}
        self.assertEqual(self.asking.put("/api/garden", good).status_code, 200)
        for change, field in (
            ({"zone": "Moon/Sea"}, "zone"),
            ({"latitude": 91}, "latitude"),
            ({"measures": "ells"}, "measures"),
            ({"degrees": "K"}, "degrees"),
            ({"name": ""}, "name"),
        ):
            with self.subTest(change):
                self.assert_refused(self.asking.put("/api/garden", good | change), 422, field)

    def test_measures_follow_the_garden(self):
        habits = {"name": "Weir Yard", "zone": "America/Chicago", "latitude": 41}
        self.asking.put("/api/garden", habits | {"measures": "us", "degrees": "F"})
        found = self.asking.post("/api/bench/preview", self.wanted(vessel="2 gallon")).json()
        self.assertAlmostEqual(found["vessel_l"], 7.571, delta=0.001)

    def test_a_second_pot_stands_at_the_same_place(self):
        place = self.asking.get("/api/setup").json()["places"][2]["id"]
        fill = {"id": new_id(), "name": "left pot", "size": "25 cm pot", "medium": "coir"}
        reply = self.asking.put(f"/api/places/{place}/fills", fill)
        self.assertEqual(reply.status_code, 200)
        fills = self.asking.get("/api/setup").json()["places"][2]["fills"]
        self.assertEqual([f["name"] for f in fills], ["", "left pot"])
        self.assertEqual(fills[1]["size"], "8.594 L")  # .55 x .25 m cubed


class Sessions(WeirYardCase):
    def test_the_session_says_who_and_what_time_it_is(self):
        found = self.asking.get("/api/session").json()
        self.assertTrue(found["signed_in"] and found["is_demo"] and found["demo_on"])
        self.assertEqual(found["household"], "Weir Yard")
        self.assertTrue(found["now"].startswith("2026-07-14T"))

    def test_a_stranger_learns_nothing_from_the_session(self):
        found = Asking().get("/api/session").json()
        self.assertEqual((found["signed_in"], found["user"], found["household"]), (False, "", ""))

    def test_choices_hold_every_crop_with_its_stages(self):
        found = self.asking.get("/api/choices").json()
        self.assertEqual((len(found["crops"]), len(found["media"])), (45, 11))
        self.assertEqual(sum(len(crop["stages"]) for crop in found["crops"]), 300)

    def test_the_set_up_holds_all_that_is_kept(self):
        found = self.asking.get("/api/setup").json()
        sizes = {name: len(rows) for name, rows in found.items() if isinstance(rows, list)}
        want = {
            "places": 9,
            "waters": 2,
            "vessels": 5,
            "measures": 2,
            "jars": 8,
            "pens": 1,
            "materials": 0,
            "mixes": 1,
            "people": 1,
        }
        self.assertEqual(sizes, want)
        self.assertEqual(sum(len(place["stands"]) for place in found["places"]), 14)
