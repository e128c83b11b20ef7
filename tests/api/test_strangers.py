"""Who may see what: nobody without a session, and no household another's."""

from __future__ import annotations

import re

from django.test import Client, TestCase, override_settings

from dace.demo.keys import key
from tests.api.base import Asking, WeirYardCase, new_id

GARDEN = {"name": "Stranger", "password": "nine rusty trowels", "garden": "Elsewhere"}
OPEN = {"session", "sign_in", "sign_up", "look_round", "join", "calendar"}


def operations(document):
    for path, methods in document["paths"].items():
        for method, operation in methods.items():
            yield operation["operationId"], method, path


class Strangers(WeirYardCase):
    def fill(self, path):
        return re.sub(r"\{[^}]+\}", new_id(), path)

    def test_every_endpoint_wants_a_session(self):
        document = Client().get("/api/openapi.json").json()
        found = list(operations(document))
        self.assertGreater(len(found), 10)
        for name, method, path in found:
            if name in OPEN:
                continue
            with self.subTest(name):
                stranger = Asking()
                at = self.fill(path)
                reply = getattr(stranger, method)(*([at] if method == "get" else [at, {}]))
                self.assert_refused(reply, 401, "session")

    def test_a_write_wants_the_token_of_its_page(self):
        self.asking.token = "wrong"
        reply = self.asking.post("/api/undo", {})
        self.assertEqual(reply.status_code, 403)
        for path in ("/api/demo", "/api/sign-in"):
            self.assertEqual(self.bare(path).status_code, 403)

    def bare(self, path):
        return Client(enforce_csrf_checks=True).post(path, {}, "application/json")

    def test_another_household_sees_and_touches_nothing(self):
        pour = self.pour_body()
        change = self.asking.post("/api/pours", pour).json()["change_id"]
        dose = self.asking.get("/api/notebook").json()["doses"][0]
        planting = self.asking.get("/api/path").json()["stops"][2]["stands"][0]["planting_id"]
        stranger = Asking()
        self.assertEqual(stranger.post("/api/sign-up", GARDEN).status_code, 201)
        self.assertEqual(stranger.get("/api/path").json()["stops"], [])
        self.assertEqual(stranger.get("/api/bench").json()["jars"], [])
        self.assertEqual(stranger.get("/api/notebook").json()["doses"], [])
        self.assertEqual(stranger.get(f"/api/notebook?stop={dose['stop_id']}").json()["doses"], [])
        pair = {"id": new_id(), "stand_id": new_id()}
        soil = {"id": new_id(), "unit": "mg/L", "values": {"P": 20}}
        dry = {"stand_id": self.stand, "said": "10 g each", "material": "garden_compost"}
        self.assertEqual(stranger.get("/api/season").json()["strips"], [])
        tub = f"/api/places/{key('Quay tub 2')}/roots"
        self.assert_refused(stranger.get(tub), 404, "place_id")
        logs = f"/api/fills/{key('fill Quay tub 2')}/waterings"
        self.assert_refused(stranger.put(logs, {"logs": True}), 404, "fill_id")
        brew = f"/api/brews/{key('Comfrey ferment')}"
        bottle = {"bottle_id": new_id(), "litres": "9 L", "name": "x"}
        self.assert_refused(stranger.get(brew), 404, "brew_id")
        jar_page = stranger.get(f"/api/jars/{self.jar}/page")
        self.assert_refused(jar_page, 404, "jar_id")
        self.assertEqual(
            stranger.get("/api/shelf").json(), {"jars": [], "brews": [], "past": [], "heaps": []}
        )
        self.assertEqual(stranger.get("/api/roots").json(), {"fills": []})
        self.assertEqual(stranger.get("/api/notebook").json()["others"], [])
        page = stranger.get(f"/api/plantings/{planting}/page")
        self.assert_refused(page, 404, "planting_id")
        mine = {"jar_id": self.jar, "water_id": self.water, "stand_id": self.stand}
        trial = {"id": new_id(), "fed_stand_id": self.stand, "unfed_stand_id": self.stand}
        trial |= {"measure": "height_cm", "worthwhile_percent": 20, "feed": "x"}
        rest = {"id": new_id(), "stand_id": self.stand, "plants": 1, "litres_each": 0.1}
        reading = {"id": new_id(), "subject_id": dose["can_subject_id"], "value": 1.0}
        for path, body, field in (
            ("/api/bench/preview", self.wanted() | mine, "jar_id"),
            ("/api/pours", self.pour_body(), "jar_id"),
            (f"/api/cans/{dose['can_id']}/doses", rest, "can_id"),
            ("/api/readings", reading, "subject_id"),
            ("/api/field-tests", reading | {"kind": "ph", "value": 6}, "subject_id"),
            ("/api/harvests", {"id": new_id(), "planting_id": planting, "grams": 1}, "planting_id"),
            (
                "/api/waterings",
                {
                    "id": new_id(),
                    "fill_id": str(key("fill Quay tub 2")),
                    "water_id": self.water,
                    "litres": "1 L",
                },
                "fill_id",
            ),
            (
                f"/api/plantings/{planting}/stage",
                {"id": new_id(), "stage": "flowering"},
                "planting_id",
            ),
            ("/api/undo", {"change_id": change}, "change"),
            (f"/api/plantings/{planting}/feeding", {"approach": "mixed"}, "planting_id"),
            ("/api/plan/keep", {"plantings": [planting], "rhythm": "weekly"}, "planting_id"),
            ("/api/round/ticks", {"id": new_id(), "fill_id": tub[12:48], "slot": 1}, "fill_id"),
            (f"/api/trials/{key('trial')}/measured", rest | {"values": {"1": 3}}, "trial_id"),
            (f"/api/trials/{key('trial')}/left-out", {"number": 1, "why": "x"}, "trial_id"),
            (f"/api/trials/{key('trial')}/end", {}, "trial_id"),
            ("/api/trials", trial, "fed_stand_id"),
            (f"/api/plantings/{planting}/repeat", {"days": 14}, "planting_id"),
            (f"/api/plantings/{planting}/again", pair, "planting_id"),
            (f"/api/fills/{key('fill Quay tub 2')}/tests", soil, "fill_id"),
            (f"/api/fills/{key('fill Quay tub 2')}/refill", {"id": new_id()}, "fill_id"),
            ("/api/dressings/preview", dry, "stand_id"),
            (f"{brew}/steps", {"id": new_id(), "kind": "vent"}, "brew_id"),
            (f"{brew}/strain", bottle, "brew_id"),
            (
                f"{brew}/add",
                {"id": new_id(), "material": "nettle_fresh", "amount": "1 L"},
                "brew_id",
            ),
            (f"{brew}/second", {"id": new_id(), "liquid": "9 L"}, "brew_id"),
            (f"{brew}/throw", {"id": new_id()}, "brew_id"),
            ("/api/claims", {"claim": "3 % nitrogen", "brew_id": brew[-36:]}, "brew_id"),
            ("/api/dressings", dry | {"id": new_id()}, "stand_id"),
            (
                "/api/cautions/seen",
                {"id": new_id(), "caution": "label_is_law", "about": self.jar},
                "about",
            ),
        ):
            with self.subTest(path):
                self.assert_refused(stranger.post(path, body), 404, field)
        # an id that another household uses is no id to write with, and tells nothing
        self.assert_refused(stranger.post("/api/pours", pour), 422, "id")
        self.assertEqual(self.asking.get("/api/notebook").json()["doses"][0], dose)


class Accounts(TestCase):
    def test_sign_up_in_and_out(self):
        first = Asking()
        self.assertTrue(first.get("/api/session").json()["first_start"])
        self.assertEqual(first.post("/api/sign-up", GARDEN).status_code, 201)
        path = first.get("/api/path").json()
        self.assertEqual((path["garden"], path["stops"]), ("Elsewhere", []))
        self.assertEqual(first.post("/api/sign-out").status_code, 200)
        self.assertEqual(first.get("/api/path").status_code, 401)
        again = Asking()
        self.assertEqual(again.post("/api/sign-in", GARDEN).status_code, 200)
        self.assertEqual(again.get("/api/session").json()["user"], "Stranger")

    def test_bad_accounts(self):
        Asking().post("/api/sign-up", GARDEN)
        for change, field in (
            ({}, "name"),
            ({"name": "STRANGER"}, "name"),
            ({"name": "  "}, "name"),
            ({"name": "x" * 61}, "name"),
            ({"name": "B", "password": "12345678"}, "password"),
            ({"name": "B", "password": "short"}, "password"),
            ({"name": "B", "garden": ""}, "garden"),
            ({"name": "B\x00"}, "name"),
        ):
            with self.subTest(change):
                reply = Asking().post("/api/sign-up", GARDEN | change)
                self.assertEqual((reply.status_code, reply.json()["error"]["field"]), (422, field))
        wrong = Asking().post("/api/sign-in", GARDEN | {"password": "guess"})
        self.assertEqual((wrong.status_code, wrong.json()["error"]["field"]), (422, "password"))

    @override_settings(DACE_DEMO=False)
    def test_no_demo_where_it_is_off(self):
        self.assertEqual(Asking().post("/api/demo").status_code, 404)


class Around(TestCase):
    def test_health_schema_and_unknown_addresses(self):
        client = Client()
        self.assertTrue(client.get("/healthz").json()["ok"])
        self.assertEqual(client.get("/api/openapi.json").json()["info"]["title"], "Dace")
        reply = client.get("/api/nothing/here")
        self.assertEqual((reply.status_code, reply.json()["error"]["field"]), (404, "path"))
        self.assertEqual(client.post("/season").status_code, 405)

    def test_the_page_lets_in_only_its_own_scripts_and_styles(self):
        reply = Client().get("/season")
        policy = reply.headers["Content-Security-Policy"]
        self.assertIn("script-src 'self'", policy)
        self.assertNotIn("unsafe", policy)
        html = reply.content.decode()
        self.assertNotIn("<style", html)
        self.assertFalse(re.search(r"<script(?![^>]*\bsrc=)", html))
