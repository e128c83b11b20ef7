"""Stands that move, pens, and people."""

import uuid
from datetime import timedelta
from unittest.mock import patch

from django.utils import timezone

from tests.api.base import Asking, WeirYardCase, new_id
from tests.api.test_setup import LABEL, OwnGarden


class Moving(OwnGarden):
    def test_half_a_tray_potted_on_keeps_both_histories_and_undo_brings_them_back(self):
        _, tray = self.place("Tray", "5 L")
        _, pots = self.place("Pots", "1 L", alike=12)
        body = self.planting(tray)
        move = {"id": new_id(), "fill_id": pots, "count": 12}
        path = f"/api/stands/{body['stand_id']}/move"
        change = self.own.post(path, move).json()["change_id"]
        both = self.stands()
        self.assertEqual([s["count"] for s in both], [12, 12])
        self.assertEqual({s["planting_id"] for s in both}, {body["id"]})
        self.assert_refused(self.own.post(path, move | {"id": new_id()}), 404, "stand_id")
        self.own.post("/api/undo", {"change_id": change})
        together = self.stands()
        self.assertEqual([(s["id"], s["count"]) for s in together], [(body["stand_id"], 24)])

    def test_moving_all_thinning_and_ending(self):
        place_id, tray = self.place("Tray", "5 L")
        _, bed = self.place("Bed", "3.6 x 1.2 m")
        stand = self.planting(tray)["stand_id"]
        thinned = new_id()
        self.own.post(f"/api/stands/{stand}/thin", {"id": thinned, "count": 18})
        self.assertEqual([s["count"] for s in self.stands()], [18])
        move = {"id": new_id(), "fill_id": bed, "count": 18}
        self.assertEqual(self.own.post(f"/api/stands/{thinned}/move", move).status_code, 201)
        self.assertEqual(self.own.post(f"/api/places/{place_id}/end").status_code, 200)
        planting = self.stands()[0]["planting_id"]
        bed_place = self.own.get("/api/path").json()["stops"][0]["id"]
        self.assert_refused(self.own.post(f"/api/places/{bed_place}/end"), 409, "place")
        self.own.post(f"/api/plantings/{planting}/end")
        self.assertEqual(self.stands(), [])
        nowhere = f"/api/stands/{new_id()}/move"
        self.assert_refused(self.own.post(nowhere, move | {"id": new_id()}), 404, "stand_id")

    def test_fresh_medium_begins_anew_once_nothing_grows_in_the_old(self):
        place_id, tray = self.place("Tray", "5 L", alike=3)
        body = self.planting(tray)
        path, row = f"/api/fills/{tray}/refill", {"id": new_id()}
        self.assert_refused(self.own.post(path, row), 409, "fill_id")
        self.own.post(f"/api/plantings/{body['id']}/end")
        change = self.own.post(path, row).json()["change_id"]
        self.assertEqual(self.own.post(path, row).status_code, 201)  # a repeat writes once
        (fill,) = self.own.get("/api/setup").json()["places"][0]["fills"]
        self.assertEqual((fill["id"], fill["alike"], fill["size"]), (row["id"], 3, "5 L"))
        self.assertEqual(fill["filled_on"], "2026-07-14")
        self.assert_refused(self.own.post(path, {"id": new_id()}), 409, "fill_id")
        self.own.post("/api/undo", {"change_id": change})
        (fill,) = self.own.get("/api/setup").json()["places"][0]["fills"]
        self.assertEqual(fill["id"], tray)
        self.assertEqual(self.own.get(f"/api/places/{place_id}/roots").status_code, 200)


class ThePen(WeirYardCase):
    def setUp(self):
        super().setUp()
        self.pen = new_id()
        self.asking.put(f"/api/pens/{self.pen}", {"name": "pen", "most_ms_cm": 5})
        setup = self.asking.get("/api/setup").json()
        self.tap = next(w for w in setup["waters"] if w["name"] == "hard tap")

    def dip(self, subject):
        return self.asking.post(f"/api/pens/{self.pen}/dip", {"subject_id": subject})

    def test_the_can_reads_near_its_expectation(self):
        self.asking.post("/api/pours", self.pour_body())
        dose = self.asking.get("/api/notebook").json()["doses"][0]
        shown = self.dip(dose["can_subject_id"]).json()
        self.assertAlmostEqual(shown["value"] / float(dose["expected"]), 1, delta=0.15)
        self.assertEqual(self.dip(dose["can_subject_id"]).json(), shown)
        self.assertAlmostEqual(self.dip(self.tap["subject_id"]).json()["value"], 0.65, delta=0.1)

    def test_a_strong_can_yesterday_reads_higher_in_the_drain_today(self):
        stop = self.asking.get("/api/path").json()["stops"][2]
        before = self.dip(stop["subject_id"]).json()["value"]
        self.asking.post("/api/pours", self.pour_body(strength="1 + 40", litres_each=2))
        self.assertGreater(self.dip(stop["subject_id"]).json()["value"], before)

    def test_beyond_its_range_it_says_so(self):
        self.asking.put(f"/api/pens/{self.pen}", {"name": "pen", "most_ms_cm": 0.3})
        self.assert_refused(self.dip(self.tap["subject_id"]), 422, "pen")
        self.assert_refused(self.dip(new_id()), 404, "subject_id")


class People(OwnGarden):
    def helper(self):
        again = {"password": "nine rusty trowels"}
        path = self.own.post("/api/invitations", again).json()["path"]
        token = path.partition("token=")[2]
        helper = Asking()
        body = {"token": token, "name": "Robin", "password": "seven bent forks"}
        self.assertEqual(helper.post("/api/join", body).status_code, 201)
        self.assertEqual(Asking().post("/api/join", body | {"name": "Crow"}).status_code, 422)
        return helper

    def test_a_helper_pours_and_reads_but_does_not_set_up(self):
        _, fill_id = self.place()
        stand = self.planting(fill_id, 2, "chilli", "flowering")["stand_id"]
        jar, water = new_id(), new_id()
        self.put(f"/api/jars/{jar}", LABEL)
        self.put(f"/api/waters/{water}", {"name": "tap", "kind": "hard_tap"})
        helper = self.helper()
        body = self.pour_body(jar_id=jar, water_id=water, stand_id=stand, plants=2, litres_each=1)
        mine = helper.post("/api/pours", body)
        self.assertEqual(mine.status_code, 201, mine.content)
        owners = self.own.put(f"/api/jars/{jar}", LABEL | {"grade": "5-3-8"}).json()["change_id"]
        for method, path, given in (
            ("put", f"/api/jars/{new_id()}", LABEL),
            ("put", f"/api/waters/{new_id()}", {"name": "x", "kind": "rain"}),
            ("post", f"/api/jars/{jar}/put-away", None),
            ("post", "/api/invitations", None),
            ("post", f"/api/stands/{stand}/thin", {"id": new_id(), "count": 1}),
        ):
            with self.subTest(path):
                self.assert_refused(getattr(helper, method)(path, given), 403, "role")
        self.assert_refused(helper.post("/api/undo", {"change_id": owners}), 403, "change")
        self.assertEqual(helper.post("/api/undo", {}).status_code, 200)  # her own pour
        people = self.own.get("/api/setup").json()["people"]
        self.assertEqual([p["role"] for p in people], ["owner", "helper"])

    def test_signed_out_everywhere(self):
        phone = Asking()
        phone.post("/api/sign-in", {"name": "Wren", "password": "nine rusty trowels"})
        self.assertEqual(phone.get("/api/path").status_code, 200)
        self.own.post("/api/sign-out-everywhere")
        self.assertEqual(phone.get("/api/path").status_code, 401)
        self.assertEqual(self.own.get("/api/path").status_code, 401)

    def knock(self, password, name="Wren", address="10.0.0.7"):
        asking = Asking()
        asking.client.defaults["REMOTE_ADDR"] = address
        return asking.post("/api/sign-in", {"name": name, "password": password})

    def test_waits_grow_with_wrong_passwords_at_one_address(self):
        right, told = "nine rusty trowels", []
        began = timezone.now()
        with (
            patch("django.utils.timezone.now") as now,
            patch("axes.attempts.now", now),
            patch("axes.handlers.proxy.now", now),
        ):
            now.return_value = began
            for _ in range(4):
                self.assertEqual(self.knock(str(uuid.uuid4())).status_code, 422)
            for minutes in (1, 2, 4):
                locked = self.knock(str(uuid.uuid4()))
                self.assertEqual(locked.status_code, 429, locked.content)
                told.append(locked.json()["error"]["would_do"])
                now.return_value += timedelta(minutes=minutes, seconds=-5)
                self.assertEqual(self.knock(right).status_code, 429)
                self.assertEqual(self.knock(right, address="10.0.0.8").status_code, 200)
                self.assertEqual(self.knock("x", name="Owl").status_code, 422)
                now.return_value += timedelta(seconds=10)
            self.assertEqual([text.split()[1] for text in told], ["1", "2", "4"])
            self.assertEqual(self.knock(right).status_code, 200)
            for _ in range(4):
                self.assertEqual(self.knock(str(uuid.uuid4())).status_code, 422)
