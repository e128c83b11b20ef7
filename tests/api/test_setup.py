"""A garden of one's own over HTTP: set up, moved, mended, shared."""

from tests.api.base import Asking, WeirYardCase, new_id

LABEL = {"name": "Tomato feed", "grade": "4-3-8", "pack": "1 L", "density_g_per_ml": 1.15}


class OwnGarden(WeirYardCase):
    def setUp(self):
        super().setUp()
        self.own = Asking()
        self.own.post(
            "/api/sign-up",
            {"name": "Wren", "password": "nine rusty trowels", "garden": "Back step"},
        )

    def put(self, path, body, status=200):
        reply = self.own.put(path, body)
        self.assertEqual(reply.status_code, status, reply.content)
        return reply.json()

    def place(self, name="Pot", size="12 L", **more):
        place_id, fill_id = new_id(), new_id()
        fill = {"id": fill_id, "size": size, "medium": "peat_free_mix"} | more
        self.put(f"/api/places/{place_id}", {"name": name, "kind": "pot", "fill": fill})
        return place_id, fill_id

    def planting(self, fill_id, count=24, crop="lettuce", stage="seedling"):
        body = {"id": new_id(), "stand_id": new_id(), "fill_id": fill_id, "crop": crop}
        body |= {"count": count, "started_on": "2026-06-20", "stage": stage}
        reply = self.own.post("/api/plantings", body)
        self.assertEqual(reply.status_code, 201, reply.content)
        return body

    def stands(self):
        return [s for stop in self.own.get("/api/path").json()["stops"] for s in stop["stands"]]


class SettingUp(OwnGarden):
    def test_from_nothing_to_an_own_can(self):
        _, fill_id = self.place()
        stand = self.planting(fill_id, 2, "chilli", "flowering")
        jar, water, vessel = new_id(), new_id(), new_id()
        self.put(f"/api/jars/{jar}", LABEL)
        self.put(f"/api/waters/{water}", {"name": "tap", "kind": "hard_tap", "usual": True})
        garden = {"name": "Back step", "zone": "America/Chicago", "latitude": 41.9, "degrees": "F"}
        self.put("/api/garden", garden | {"measures": "us"})
        self.put(f"/api/vessels/{vessel}", {"name": "2-gallon can", "volume": "2 gallon"})
        measure = {"kind": "spoon", "name": "teaspoon", "holds": "1 tsp"}
        self.put(f"/api/measures/{new_id()}", measure)
        body = {"jar_id": jar, "water_id": water, "stand_id": stand["stand_id"]}
        body |= {"vessel": "2 gallon", "strength": "2 tsp per gallon"}
        found = self.own.post("/api/bench/preview", body).json()
        # 4 US teaspoons: 4 x 4.929 = 19.7 mL in 7.57 L
        self.assertAlmostEqual(found["amount"], 19.72, delta=0.01)
        self.assertAlmostEqual(found["vessel_l"], 7.571, delta=0.001)
        self.assertEqual(found["spoons"], "1 tablespoon and 1 teaspoon")

    def test_a_label_said_in_oxides_or_elements_is_the_same_jar(self):
        for body in (
            LABEL,
            LABEL | {"grade": "4-1.3092-6.6412", "basis": "element"},
            LABEL | {"grade": "4.6 / 3.45 / 9.2", "percent": "volume"},
        ):
            self.put(f"/api/jars/{new_id()}", body)
        jars = self.own.get("/api/setup").json()["jars"]
        self.assertEqual({j["elements"] for j in jars}, {"N 46, P 15.1, K 76.4 mg in 1 mL"})

    def test_editing_keeps_the_id_and_can_be_undone(self):
        jar = new_id()
        self.put(f"/api/jars/{jar}", LABEL)
        change = self.put(f"/api/jars/{jar}", LABEL | {"grade": "5-3-8"})["change_id"]
        self.assertEqual(self.own.get("/api/setup").json()["jars"][0]["grade"], "5-3-8")
        self.own.post("/api/undo", {"change_id": change})
        self.assertEqual(self.own.get("/api/setup").json()["jars"][0]["grade"], "4-3-8")

    def test_what_is_put_away_leaves_the_bench_and_comes_back(self):
        for kind, body in (
            ("waters", {"name": "butt", "kind": "rain"}),
            ("vessels", {"name": "jug", "volume": "2 L"}),
            ("measures", {"kind": "syringe", "name": "syringe", "holds": "5 ml", "mark": "0.2 ml"}),
            ("jars", LABEL),
            ("pens", {"name": "pen"}),
        ):
            with self.subTest(kind):
                row = new_id()
                self.put(f"/api/{kind}/{row}", body)
                self.assertEqual(len(self.own.get("/api/setup").json()[kind]), 1)
                self.assertEqual(self.own.post(f"/api/{kind}/{row}/put-away").status_code, 200)
                self.assertEqual(self.own.get("/api/setup").json()[kind], [])
                self.own.post("/api/undo", {})
                self.assertEqual(len(self.own.get("/api/setup").json()[kind]), 1)

    def test_a_blend_lies_between_its_waters(self):
        soft, hard, mixed = new_id(), new_id(), new_id()
        self.put(f"/api/waters/{soft}", {"name": "butt", "kind": "read", "ec_ms_cm": 0.06})
        self.put(f"/api/waters/{hard}", {"name": "tap", "kind": "read", "ec_ms_cm": 0.65})
        parts = {soft: 1, hard: 1}
        self.put(f"/api/waters/{mixed}", {"name": "half", "kind": "blend", "parts": parts})
        waters = {w["name"]: w for w in self.own.get("/api/setup").json()["waters"]}
        self.assertAlmostEqual(waters["half"]["ec_ms_cm"], 0.36, delta=0.01)

    def test_a_place_belongs_to_an_area(self):
        place_id, _ = self.place()
        kept = self.own.get("/api/setup").json()["places"][0]
        body = {key: kept[key] for key in ("name", "kind", "covered")}
        self.put(f"/api/places/{place_id}", body | {"area": " Tunnel "})
        self.assertEqual([s["area"] for s in self.own.get("/api/path").json()["stops"]], ["Tunnel"])

    def test_the_path_is_walked_in_the_order_given(self):
        ids = [self.place(name)[0] for name in ("A", "B", "C")]
        reply = self.own.post("/api/path/order", {"places": ids[::-1]})
        self.assertEqual(reply.status_code, 200)
        names = [s["name"] for s in self.own.get("/api/path").json()["stops"]]
        self.assertEqual(names, ["C", "B", "A"])
        self.assert_refused(self.own.post("/api/path/order", {"places": ids[:2]}), 422, "places")

    def test_what_cannot_be_is_refused_by_name(self):
        place_id, fill_id = self.place()
        fill = {"id": new_id(), "size": "12 L", "medium": "coir"}
        planting = {"id": new_id(), "stand_id": new_id(), "fill_id": fill_id, "crop": "chilli"}
        planting |= {"count": 1, "started_on": "2026-06-20", "stage": "flowering"}
        for method, path, body, field in (
            ("put", f"/api/jars/{new_id()}", LABEL | {"grade": "60-30-20"}, "grade"),
            ("put", f"/api/jars/{new_id()}", LABEL | {"grade": "four"}, "grade"),
            ("put", f"/api/jars/{new_id()}", LABEL | {"nitrogen": {"nitrate": 5}}, "nitrogen"),
            ("put", f"/api/jars/{new_id()}", LABEL | {"stock": "1001 ml"}, "stock"),
            ("put", f"/api/jars/{new_id()}", LABEL | {"pack": "0 L"}, "holds"),
            ("put", f"/api/jars/{new_id()}", LABEL | {"pack": "2 kg"}, "pack"),
            ("put", f"/api/jars/{new_id()}", LABEL | {"rate": "some"}, "rate"),
            ("put", f"/api/waters/{new_id()}", {"name": "x", "kind": "wine"}, "kind"),
            ("put", f"/api/waters/{new_id()}", {"name": "x", "kind": "read"}, "ec_ms_cm"),
            ("put", f"/api/waters/{new_id()}", {"name": "x", "kind": "blend"}, "parts"),
            ("put", f"/api/vessels/{new_id()}", {"name": "x", "volume": "lots"}, "volume"),
            ("put", f"/api/pens/{new_id()}", {"name": "x", "scale": "TDS"}, "scale"),
            ("put", f"/api/pens/{new_id()}", {"name": "x", "step_ms_cm": 0}, "most_ms_cm"),
            ("put", f"/api/places/{place_id}/fills", fill | {"size": "big"}, "size"),
            ("put", f"/api/places/{place_id}/fills", fill | {"medium": "sand"}, "medium"),
            ("put", f"/api/places/{place_id}/fills", fill | {"ph": 14}, "ph"),
            ("put", f"/api/places/{new_id()}", {"name": "x", "kind": "moon"}, "kind"),
            ("post", "/api/plantings", planting | {"crop": "triffid"}, "crop"),
            ("post", "/api/plantings", planting | {"stage": "bulbing"}, "stage"),
            ("post", "/api/plantings", planting | {"started_on": "2030-01-01"}, "started_on"),
            ("post", "/api/plantings", planting | {"count": 0}, "count"),
        ):
            with self.subTest(path=path, body=body):
                self.assert_refused(getattr(self.own, method)(path, body), 422, field)


class Beginning(OwnGarden):
    def test_a_garden_cannot_be_undone_from_under_its_household(self):
        self.assert_refused(self.own.post("/api/undo", {}), 409, "change")
        self.assertEqual(self.own.get("/api/path").json()["garden"], "Back step")

    def test_other_habits_of_it_can(self):
        habits = {"name": "Back step", "zone": "Europe/Paris", "latitude": 47}
        self.put("/api/garden", habits | {"measures": "metric", "degrees": "C"})
        self.assertEqual(self.own.post("/api/undo", {}).status_code, 200)
        self.assertEqual(self.own.get("/api/path").json()["zone"], "Europe/London")


class Clashes(OwnGarden):
    def test_an_id_that_comes_twice_is_a_conflict_and_never_a_fault(self):
        _, fill_id = self.place()
        body = self.planting(fill_id)
        again = body | {"id": new_id()}
        self.assert_refused(self.own.post("/api/plantings", again), 409, "stand_id")
        self.assertEqual(len(self.stands()), 1)

    def test_an_id_of_another_household_tells_nothing(self):
        jar = new_id()
        self.put(f"/api/jars/{jar}", LABEL)
        for method, path, given in (
            ("put", f"/api/jars/{jar}", LABEL),
            ("put", f"/api/places/{self.own.get('/api/setup').json()['garden']['id']}", None),
        ):
            reply = getattr(self.asking, method)(path, given or {"name": "x", "kind": "pot"})
            self.assertLess(reply.status_code, 500)
        self.assert_refused(self.asking.put(f"/api/jars/{jar}", LABEL), 422, "id")
        names = [j["name"] for j in self.own.get("/api/setup").json()["jars"]]
        self.assertEqual(names, ["Tomato feed"])
