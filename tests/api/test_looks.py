"""Scores of plants and what they change; signs, and what the garden's own log says of them."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta

from dace.core.api import crops
from dace.demo.keys import key
from dace.desks.shared.stops import grown_out
from dace.garden.looked import Observation, SignCheck
from tests.api.base import Asking, WeirYardCase, new_id

CHILLI = str(key("stand chilli 3 fed"))


class Scores(WeirYardCase):
    def score(self, **scores):
        body = {"id": new_id(), "stand_id": CHILLI, "scores": scores}
        return self.asking.post("/api/observations", body)

    def verdict(self):
        stops = self.asking.get("/api/path").json()["stops"]
        tub = next(stop for stop in stops if stop["name"] == "Quay tub 3")
        return tub["spots"][0]["verdict"]

    def test_five_scores_and_a_note_stand_in_the_notebook(self):
        body = {"id": new_id(), "stand_id": CHILLI, "note": "pale below"}
        body["scores"] = {"colour": 3, "growth": 2.5, "damage": 5, "set": 4, "turgor": 5}
        for _ in range(2):
            self.assertEqual(self.asking.post("/api/observations", body).status_code, 201)
        self.assertEqual(Observation.objects.filter(pk=body["id"]).count(), 1)
        entry = self.asking.get("/api/notebook").json()["others"][0]
        self.assertEqual(entry["kind"], "observation")
        self.assertIn("leaf colour 3 of 5", entry["text"])
        self.assertIn("between", entry["text"])
        self.assertIn("pale below", entry["text"])
        stands = self.asking.get("/api/scoring").json()["stands"]
        mine = next(one for one in stands if one["stand_id"] == CHILLI)
        self.assertEqual(mine["last"]["colour"], 3)

    def test_good_leaves_say_short_on_paper_and_the_path_goes_by_it(self):
        self.assertEqual(self.verdict()["kind"], "feed")
        change = self.score(colour=5).json()["change_id"]
        found = self.verdict()
        self.assertEqual(found["kind"], "enough")
        self.assertIn("leaves", found["headline"] + found["reason"])
        self.asking.post("/api/undo", {"change_id": change})
        self.assertEqual(self.verdict()["kind"], "feed")

    def test_what_cannot_be_is_refused_by_name(self):
        before = Observation.objects.count()
        for scores, status, field in (
            ({"colour": 6}, 422, "score"),
            ({"colour": 2.3}, 422, "score"),
            ({"charm": 3}, 422, "scores"),
            ({}, 422, "scores"),
        ):
            self.assert_refused(self.score(**scores), status, field)
        body = {"id": new_id(), "stand_id": new_id(), "scores": {"colour": 3}}
        self.assert_refused(self.asking.post("/api/observations", body), 404, "stand_id")
        self.assertEqual(Observation.objects.count(), before)


class Signs(WeirYardCase):
    def read(self, stand, sign, **facts):
        body = {"stand_id": stand, "sign": sign, "facts": facts}
        reply = self.asking.post("/api/signs/read", body)
        self.assertEqual(reply.status_code, 200, reply.content[:300])
        return reply.json()

    def test_salt_comes_before_calcium_because_of_her_own_log(self):
        aubergine = str(key("stand aubergine 2 fed"))
        found = self.read(aubergine, "fruit_end_black")
        self.assertEqual(found["causes"][0]["kind"], "salt")
        self.assertTrue(any("drain reads" in why for why in found["causes"][0]["why"]))
        self.assertEqual(found["feeding_helps"], "")
        self.assertTrue(found["check"] and found["feeding_does_not"])
        known = {fact["name"] for fact in found["facts"]}
        self.assertGreaterEqual(
            known, {"drain_ec_ms_cm", "night_min_c", "days_since_feed", "pot_l"}
        )
        self.assertAlmostEqual(sum(c["share"] for c in found["causes"]), 1.0, delta=0.02)

    def test_what_she_says_outranks_what_is_worked_out(self):
        aubergine = str(key("stand aubergine 2 fed"))
        found = self.read(aubergine, "fruit_end_black", drain_ec_ms_cm=1.2, dry_spells_14d=4)
        self.assertEqual(found["causes"][0]["kind"], "water")

    def test_what_felt_dry_and_the_water_of_the_last_can_are_known(self):
        tub = key("stand aubergine 2 fed")
        subject = self.asking.get("/api/path").json()["stops"][2]["subject_id"]

        def known():
            found = self.read(str(tub), "fruit_end_black")
            return {fact["name"]: fact for fact in found["facts"]}

        self.assertNotIn("dry_spells_14d", known())  # nobody felt it: not known, and not none
        for days_ago, word in ((1, "dry"), (3, "dry"), (5, "moist"), (40, "dry")):
            at = (datetime(2026, 7, 14, 12, tzinfo=UTC) - timedelta(days=days_ago)).isoformat()
            body = {"id": new_id(), "subject_id": subject, "kind": "moisture", "word": word}
            sent = self.asking.post("/api/field-tests", body | {"taken_at": at})
            self.assertEqual(sent.status_code, 201, sent.content)
        self.assertEqual(known()["dry_spells_14d"]["value"], 2)
        self.assertIn("felt dry on 2 days", known()["dry_spells_14d"]["text"])
        water = known()["water_alkalinity_mg_l"]
        self.assertGreater(water["value"], 100)  # fed with hard tap
        leek = self.read(str(key("stand leek fed")), "old_even_pale")
        manure = next(fact for fact in leek["facts"] if fact["name"] == "manure_months_ago")
        self.assertAlmostEqual(manure["value"], 24 / 30.4, delta=0.05)  # pellets on 20 June

    def test_it_is_kept_and_asked_about_later(self):
        asked = {"id": new_id(), "stand_id": CHILLI, "sign": "fruit_end_black"}
        for _ in range(2):
            self.assertEqual(self.asking.post("/api/signs", asked).status_code, 201)
        (check,) = self.asking.get("/api/signs").json()["open"]
        self.assertGreater(check["again_on"], "2026-07-14")
        path = f"/api/signs/{check['id']}/outcome"
        self.assert_refused(self.asking.post(path, {"outcome": "  "}), 422, "outcome")
        self.assertEqual(self.asking.post(path, {"outcome": check["causes"][0]}).status_code, 200)
        self.assertEqual(self.asking.get("/api/signs").json()["open"], [])
        self.assertIn("It was", self.asking.get("/api/notebook").json()["others"][0]["text"])
        stranger = Asking()
        stranger.post("/api/sign-up", {"name": "X", "password": "long enough words", "garden": "Y"})
        self.assert_refused(stranger.post(path, {"outcome": "mine"}), 404, "check_id")
        self.assertEqual(SignCheck.objects.count(), 1)

    def test_every_crop_can_be_drawn(self):
        drawn = [grown_out(one) for one in crops().values()]
        self.assertGreater(len({(one.leaf, one.habit, one.bears) for one in drawn}), 20)

    def test_signs_and_facts_that_are_none_are_named(self):
        for body, field in (
            ({"sign": "pox"}, "sign"),
            ({"sign": "holes", "facts": {"moon": 1}}, "facts.moon"),
        ):
            reply = self.asking.post("/api/signs/read", {"stand_id": CHILLI} | body)
            self.assert_refused(reply, 422, field)
