"""Previews, pours, readings and undo, over HTTP."""

from tests.api.base import WeirYardCase, new_id


class Preview(WeirYardCase):
    def test_preview_is_the_can_that_was_said(self):
        found = self.asking.post("/api/bench/preview", self.wanted()).json()
        self.assertAlmostEqual(found["amount"], 9000 / 501, places=6)
        self.assertEqual(found["ways"]["parts"]["said"], "1 + 500")
        self.assertEqual([n["name"] for n in found["nutrients"]], ["N", "P", "K", "Ca", "Mg"])
        self.assertAlmostEqual(found["nutrients"][3]["from_water"], 105 * 500 / 501, places=3)
        self.assertEqual(found["pour"]["each"]["value"], 1.5)
        self.assertEqual(found["pour"]["left_l"], 3.0)
        self.assertFalse(found["cap"]["over"])

    def test_over_the_cap_says_by_how_much_and_what_fits(self):
        found = self.asking.post("/api/bench/preview", self.wanted(strength="1 + 200")).json()
        self.assertTrue(found["cap"]["over"])
        text = next(a["text"] for a in found["advice"] if a["key"] == "over_cap")
        self.assertIn("1.70", text)
        self.assertIn("1.33", text)
        self.assertIn("1 + 260", text)

    def test_without_a_stop_there_is_no_wish_and_no_cap(self):
        found = self.asking.post("/api/bench/preview", self.wanted(stand_id=None)).json()
        self.assertIsNone(found["cap"])
        self.assertIsNone(found["pour"])
        self.assertIsNone(found["nutrients"][0]["wish"])

    def test_bad_input_names_its_field_and_writes_nothing(self):
        for change, status, field in (
            ({"strength": "lots"}, 422, "strength"),
            ({"strength": ""}, 422, "strength"),
            ({"strength": "-3 ml"}, 422, "strength"),
            ({"strength": "1e308 ml/L"}, 422, "strength"),
            ({"strength": "5 cubits/L"}, 422, "strength"),
            ({"strength": "\ud800"}, 422, "strength"),
            ({"strength": "x" * 5000}, 422, "strength"),
            ({"strength": None}, 422, "strength"),
            ({"vessel": "9"}, 422, "vessel"),
            ({"vessel": "1e308 L"}, 422, "vessel"),
            ({"vessel": "0 L"}, 422, "vessel"),
            ({"vessel": "3 kg"}, 422, "vessel"),
            ({"plants": 0}, 422, "plants"),
            ({"plants": 5}, 422, "plants"),
            ({"plants": 10**30}, 422, "plants"),
            ({"litres": "many"}, 422, "litres_each"),
            ({"litres": "4 L/m2"}, 422, "litres_each"),
            ({"litres": "1e-320 ml"}, 422, "litres_each"),
            ({"jar_id": "me"}, 422, "jar_id"),
            ({"jar_id": new_id()}, 404, "jar_id"),
            ({"water_id": new_id()}, 404, "water_id"),
            ({"stand_id": new_id()}, 404, "stand_id"),
            ({"jar_id": str(self.key_of_dry_jar())}, 422, "jar_id"),
        ):
            with self.subTest(change):
                reply = self.asking.post("/api/bench/preview", self.wanted(**change))
                self.assert_refused(reply, status, field)

    def key_of_dry_jar(self):
        jars = self.asking.get("/api/bench").json()["jars"]
        return next(jar["id"] for jar in jars if not jar["dissolves"])

    def test_not_even_json_is_a_4xx(self):
        for body in ("{", "[]", '{"litres_each": NaN}', b"\xff\xfe", "null", "1"):
            reply = self.asking.post("/api/bench/preview", body)
            self.assertIn(reply.status_code, (400, 422), body)
            self.assertIn("message", reply.json()["error"])


class Pour(WeirYardCase):
    def test_a_pour_stands_in_the_notebook_and_empties_the_jar(self):
        before = self.stock()
        body = self.pour_body()
        reply = self.asking.post("/api/pours", body)
        self.assertEqual(reply.status_code, 201, reply.content)
        self.assertAlmostEqual(before - self.stock(), 9000 / 501, places=6)
        dose = self.asking.get("/api/notebook").json()["doses"][0]
        self.assertEqual(dose["id"], body["dose"]["id"])
        self.assertEqual(
            (dose["stop"], dose["litres"], dose["counted"]), ("Quay tub 2", "6", "4 aubergines")
        )
        self.assertEqual((dose["ratio"], dose["left"]), ("1 + 500", "3"))

    def test_a_repeat_writes_once(self):
        body, before = self.pour_body(), self.stock()
        first = self.asking.post("/api/pours", body)
        second = self.asking.post("/api/pours", body)
        self.assertEqual((first.status_code, second.status_code), (201, 201))
        self.assertEqual(second.json()["id"], first.json()["id"])
        self.assertAlmostEqual(before - self.stock(), 9000 / 501, places=6)

    def test_what_the_stage_likes_is_poured_as_it_was_shown(self):
        wanted = self.wanted(strength="what the stage likes")
        shown = self.asking.post("/api/bench/preview", wanted).json()["amount"]
        before = self.stock()
        reply = self.asking.post("/api/pours", self.pour_body(strength="what the stage likes"))
        self.assertEqual(reply.status_code, 201, reply.content)
        self.assertAlmostEqual(before - self.stock(), shown, places=9)
        # 90 mg/L of nitrogen from a feed of 46 mg/mL is 1 + 510.1: said as 1 + 520, never stronger
        self.assertAlmostEqual(shown, 9000 / 521, places=6)

    def test_a_can_is_mixed_once(self):
        body = self.pour_body()
        self.asking.post("/api/pours", body)
        again = self.pour_body()
        again["can"]["id"] = body["can"]["id"]
        self.assert_refused(self.asking.post("/api/pours", again), 409, "id")

    def test_an_undo_is_offered_for_what_was_written_not_for_what_came_after(self):
        first = self.pour_body()
        change = self.asking.post("/api/pours", first).json()["change_id"]
        self.asking.post("/api/pours", self.pour_body())
        self.assertEqual(self.asking.post("/api/pours", first).json()["change_id"], change)

    def test_pour_that_would_overflow_changes_nothing(self):
        before, book = self.stock(), self.asking.get("/api/notebook").json()
        for change, field in (
            ({"litres_each": 3.0}, "litres_each"),
            ({"litres_each": 0}, "litres_each"),
            ({"litres_each": -1}, "litres_each"),
            ({"plants": 5}, "plants"),
            ({"strength": "900 ml"}, "strength"),
            ({"poured_at": "2030-01-01T00:00Z"}, "poured_at"),
            ({"poured_at": "2026-07-14T10:00"}, "poured_at"),
        ):
            with self.subTest(change):
                self.assert_refused(
                    self.asking.post("/api/pours", self.pour_body(**change)), 422, field
                )
        error = self.asking.post("/api/pours", self.pour_body(litres_each=3.0)).json()["error"]
        self.assertIn("12 L asked of a can that holds 9 L", error["message"])
        self.assertEqual(self.stock(), before)
        self.assertEqual(self.asking.get("/api/notebook").json(), book)

    def test_more_than_the_jar_holds_says_what_fits(self):
        for _ in range(4):
            self.asking.post("/api/pours", self.pour_body(strength="200 ml"))
        left = self.stock()
        error = self.assert_refused(
            self.asking.post("/api/pours", self.pour_body(strength="200 ml")), 422, "strength"
        )
        self.assertIn(f"{left * 9 / 200:.2g} L", error["would_do"])

    def test_the_rest_of_a_can_is_poured_without_a_new_one(self):
        body = self.pour_body()
        self.asking.post("/api/pours", body)
        stock = self.stock()
        stand = self.asking.get("/api/path").json()["stops"][1]["stands"][0]
        rest = {"id": new_id(), "stand_id": stand["id"], "plants": 4, "litres_each": 0.75}
        path = f"/api/cans/{body['can']['id']}/doses"
        self.assertEqual(self.asking.post(path, rest).status_code, 201)
        self.assertEqual(self.stock(), stock)
        self.assert_refused(self.asking.post(path, rest | {"id": new_id()}), 422, "litres_each")
        self.assert_refused(
            self.asking.post(f"/api/cans/{new_id()}/doses", rest | {"id": new_id()}), 404, "can_id"
        )


class Undo(WeirYardCase):
    def test_undo_takes_back_all_of_a_pour_and_redo_puts_it_back(self):
        before, book = self.stock(), self.asking.get("/api/notebook?limit=500").json()
        change = self.asking.post("/api/pours", self.pour_body()).json()["change_id"]
        undone = self.asking.post("/api/undo", {"change_id": change}).json()
        self.assertEqual(self.stock(), before)
        self.assertEqual(self.asking.get("/api/notebook?limit=500").json(), book)
        self.asking.post("/api/undo", {"change_id": undone["id"]})
        self.assertAlmostEqual(before - self.stock(), 9000 / 501, places=6)
        self.assertEqual(
            len(self.asking.get("/api/notebook?limit=500").json()["doses"]), len(book["doses"]) + 1
        )

    def test_undo_without_a_name_goes_back_step_by_step(self):
        for strength in ("1 + 400", "1 + 300"):
            self.asking.post("/api/pours", self.pour_body(strength=strength))
        self.assertIn("1 + 300", self.asking.get("/api/changes/last").json()["change"]["summary"])
        self.assertIn("1 + 300", self.asking.post("/api/undo", {}).json()["summary"])
        self.assertIn("1 + 400", self.asking.post("/api/undo", {}).json()["summary"])

    def test_what_cannot_be_undone(self):
        change = self.asking.post("/api/pours", self.pour_body()).json()["change_id"]
        self.asking.post("/api/undo", {"change_id": change})
        self.assert_refused(self.asking.post("/api/undo", {"change_id": change}), 409, "change")
        self.assert_refused(self.asking.post("/api/undo", {"change_id": 10**9}), 404, "change")
        self.assert_refused(self.asking.post("/api/undo", {"change_id": 10**40}), 422, "change_id")

    def test_a_stage_seen_moves_the_wish_and_can_be_taken_back(self):
        stop = self.asking.get("/api/path").json()["stops"][2]
        path = f"/api/plantings/{stop['stands'][0]['planting_id']}/stage"
        seen = self.asking.post(path, {"id": new_id(), "stage": "fruit_fill"})
        self.assertEqual(seen.status_code, 201)
        wish = self.asking.post("/api/bench/preview", self.wanted()).json()["nutrients"][2]["wish"]
        self.assertEqual((wish["low"], wish["high"]), (81, 216))  # potassium, fruit swelling
        self.asking.post("/api/undo", {"change_id": seen.json()["change_id"]})
        stand = self.asking.get("/api/path").json()["stops"][2]["stands"][0]
        self.assertEqual(stand["stage_key"], "flowering")
        self.assert_refused(
            self.asking.post(path, {"id": new_id(), "stage": "bulbing"}), 422, "stage"
        )


class Readings(WeirYardCase):
    def pour(self):
        self.asking.post("/api/pours", self.pour_body())
        return self.asking.get("/api/notebook").json()["doses"][0]

    def test_a_can_is_read_beside_its_dose(self):
        dose = self.pour()
        body = {
            "id": new_id(),
            "subject_id": dose["can_subject_id"],
            "value": float(dose["expected"]),
        }
        self.assertEqual(self.asking.post("/api/readings", body).status_code, 201)
        reading = self.asking.get("/api/notebook").json()["doses"][0]["readings"][0]
        self.assertEqual((reading["ec"], reading["verdict"]), (dose["expected"], "as_expected"))

    def test_a_strong_reading_is_kept_and_explained(self):
        dose = self.pour()
        body = {"id": new_id(), "subject_id": dose["can_subject_id"], "value": 2.4}
        self.asking.post("/api/readings", body)
        reading = self.asking.get("/api/notebook").json()["doses"][0]["readings"][0]
        self.assertEqual(reading["verdict"], "stronger")
        self.assertIn(dose["expected_range"], reading["text"])

    def test_bad_readings_name_their_field(self):
        subject = self.pour()["can_subject_id"]
        good = {"id": new_id(), "subject_id": subject, "value": 1.2}
        for change, status, field in (
            ({"value": -1}, 422, "value"),
            ({"value": 0}, 422, "value"),
            ({"value": 1e308}, 422, "value"),
            ({"value": "wet"}, 422, "value"),
            ({"scale": "TDS"}, 422, "scale"),
            ({"method": "sip"}, 422, "method"),
            ({"compensates": False}, 422, "temperature_c"),
            ({"compensates": False, "temperature_c": 900}, 422, "temperature_c"),
            ({"subject_id": new_id()}, 404, "subject_id"),
            ({"taken_at": "tomorrow"}, 422, "taken_at"),
            ({"taken_at": "9999-12-31T23:59:59Z"}, 422, "taken_at"),
        ):
            with self.subTest(change):
                self.assert_refused(self.asking.post("/api/readings", good | change), status, field)

    def test_the_notebook_of_one_stop_holds_that_stop_alone(self):
        stop = self.asking.get("/api/path").json()["stops"][2]
        book = self.asking.get(f"/api/notebook?stop={stop['id']}").json()
        self.assertEqual({d["stop"] for d in book["doses"]}, {"Quay tub 2"})
        self.assertEqual({r["stop"] for r in book["readings"]}, {"Quay tub 2"})
        short = self.asking.get("/api/notebook?limit=3").json()
        self.assertTrue(short["more"])
        self.assertEqual(sum(len(short[k]) for k in ("doses", "readings", "others")), 3)
        self.assert_refused(self.asking.get("/api/notebook?limit=0"), 422, "limit")


class Promises(WeirYardCase):
    def test_a_second_can_from_the_same_things_reads_no_more_than_the_version(self):
        self.asking.post("/api/bench/preview", self.wanted())
        with self.assertNumQueries(5):
            self.asking.post("/api/bench/preview", self.wanted(strength="1 + 400"))

    def test_what_was_kept_gives_way_to_what_was_written_and_undone(self):
        def after():
            reply = self.asking.post("/api/bench/preview", self.wanted(strength="45 mL"))
            return reply.json()["stock_after"]

        full = after()
        self.asking.post("/api/pours", self.pour_body(strength="45 mL"))
        self.assertAlmostEqual(full - after(), 45, places=6)
        self.asking.post("/api/undo")
        self.assertAlmostEqual(after(), full, places=6)
