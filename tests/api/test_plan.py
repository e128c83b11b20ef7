"""What is to come: the plan, habits that change it, trying it out, the calendar."""

from __future__ import annotations

from datetime import date
from itertools import pairwise

from icalendar import Calendar

from dace.demo.keys import key
from tests.api.base import Asking, WeirYardCase, new_id


class ToCome(WeirYardCase):
    def plan(self):
        reply = self.asking.get("/api/plan")
        self.assertEqual(reply.status_code, 200, reply.content[:400])
        return reply.json()

    def events(self, name):
        return [event for event in self.plan()["events"] if event["name"] == name]

    def test_every_event_says_why_and_how_much_nitrogen(self):
        for event in self.plan()["events"]:
            self.assertTrue(event["why"] and event["text"], event)
            if event["kind"] == "feed":
                self.assertGreater(event["nitrogen_mg"], 0)
                self.assertIn("mg of nitrogen a plant", event["nitrogen_text"])

    def test_ids_stay_and_no_two_are_of_one_day(self):
        found = self.events("Quay tub 3")
        days = [date.fromisoformat(event["on"]) for event in found]
        gaps = [(b - a).days for a, b in pairwise(days)]
        self.assertTrue(gaps)
        self.assertGreaterEqual(min(gaps), 1)
        self.assertEqual(len({event["id"] for event in found}), len(found))
        self.assertEqual([e["id"] for e in self.events("Quay tub 3")], [e["id"] for e in found])

    def test_flowers_seen_early_move_every_later_stage_and_event(self):
        tub = self.events("Quay tub 1")
        planting = tub[0]["plantings"][0]

        def likely():
            page = self.asking.get(f"/api/plantings/{planting}/page").json()
            return {s["key"]: s["likely"] for s in page["stages"] if not s["seen"]}

        before, stages = likely(), [event["stage"] for event in tub]
        seen = {"id": str(key("an early look")), "stage": "flowering", "seen_on": "2026-07-14"}
        reply = self.asking.post(f"/api/plantings/{planting}/stage", seen)
        self.assertEqual(reply.status_code, 201, reply.content)
        after = likely()
        self.assertTrue(after)
        self.assertTrue(all(after[name] <= before[name] for name in after if name in before))
        self.assertLess(after["fruit_set"], before["fruit_set"])
        self.assertNotEqual([event["stage"] for event in self.events("Quay tub 1")], stages)

    def test_habits_change_the_plan_and_can_be_undone(self):
        planting = self.events("Quay tub 3")[0]["plantings"][0]
        many = len(self.events("Quay tub 3"))
        path = f"/api/plantings/{planting}/feeding"
        reply = self.asking.post(path, {"rhythm": "fortnightly"})
        self.assertEqual(reply.status_code, 200, reply.content)
        self.assertLess(len(self.events("Quay tub 3")), many)
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertEqual(len(self.events("Quay tub 3")), many)
        only = [str(key("Fruiting liquid 4-3-8"))]
        self.assertEqual(self.asking.post(path, {"sources": only}).status_code, 200)
        self.assertTrue(all("ruiting" in event["text"] for event in self.events("Quay tub 3")))
        for said, field in (
            ({"approach": "lore"}, "approach"),
            ({"strength": 9}, "strength"),
            ({"aim": 0}, "aim"),
        ):
            self.assert_refused(self.asking.post(path, said), 422, field)
        self.assert_refused(self.asking.post("/api/garden/feeding", {"slider": 2}), 422, "slider")
        self.assertEqual(self.asking.post("/api/garden/feeding", {"slider": 1}).status_code, 200)
        self.assertEqual(self.plan()["habits"]["slider"], 1)

    def test_trying_it_out_changes_nothing(self):
        before = self.plan()
        tried = {"home_made": True, "strength": 2, "rhythm": "fortnightly", "warmer_c": -3}
        found = self.asking.post("/api/plan/rehearse", tried)
        self.assertEqual(found.status_code, 200, found.content[:400])
        futures = found.json()
        self.assertEqual(
            futures["before"]["feeds"], sum(event["kind"] != "flush" for event in before["events"])
        )
        self.assertLess(futures["after"]["feeds"], futures["before"]["feeds"])
        self.assertTrue(futures["said"])
        self.assertNotIn("crystals", " ".join(e["text"] for e in futures["after"]["events"]))
        self.assertEqual(self.plan()["digest"], before["digest"])
        self.assert_refused(
            self.asking.post("/api/plan/rehearse", {"warmer_c": 60}), 422, "warmer_c"
        )

    def test_what_was_tried_out_is_kept_for_all_in_one_change_or_for_none(self):
        tubs = ("Quay tub 1", "Quay tub 3")
        plantings = [self.events(name)[0]["plantings"][0] for name in tubs]

        def rhythms():
            pages = [self.asking.get(f"/api/plantings/{one}/page").json() for one in plantings]
            return [page["fed"]["rhythm"] for page in pages]

        kept = self.asking.post("/api/plan/keep", {"plantings": plantings, "rhythm": "fortnightly"})
        self.assertEqual(kept.status_code, 200, kept.content)
        self.assertEqual(rhythms(), ["fortnightly"] * 2)
        undone = self.asking.post("/api/undo", {"change_id": kept.json()["change_id"]})
        self.assertEqual(undone.status_code, 200)
        self.assertEqual(rhythms(), ["", ""])
        for said, status, field in (
            ({"plantings": [*plantings, new_id()], "rhythm": "weekly"}, 404, "planting_id"),
            ({"plantings": plantings, "sources": [new_id()]}, 404, "sources"),
            ({"plantings": [], "rhythm": "weekly"}, 422, "plantings"),
        ):
            self.assert_refused(self.asking.post("/api/plan/keep", said), status, field)
        self.assertEqual(rhythms(), ["", ""])

    def test_the_calendar_is_read_by_a_parser_and_survives_a_round_trip(self):
        told = self.asking.get("/api/plan.ics").content
        read = Calendar.from_ical(told)
        entries = read.walk("VEVENT")
        plan = {event["id"]: event for event in self.plan()["events"]}
        besides = [one for one in self.plan()["to_come"] if one["on"]]
        texts = {(one["on"], f"{one['name']}: {one['text']}") for one in besides}
        self.assertEqual(len(entries), len(plan) + len(besides))
        for entry in entries:
            event = plan.get(str(entry["uid"]).removesuffix("@dace"))
            if event is None:  # sowing, hardening off, planting out
                told = (entry.decoded("dtstart").isoformat(), str(entry["summary"]))
                self.assertIn(told, texts)
                continue
            self.assertEqual(entry.decoded("dtstart").isoformat(), event["on"])
            self.assertIn(event["name"], str(entry["summary"]))
        self.assertEqual(Calendar.from_ical(read.to_ical()).to_ical(), read.to_ical())
        ringing = [one.decoded("dtstart") for one in entries if one.walk("VALARM")]
        planned = {event["on"] for event in plan.values()}
        # each evening once, at five; what is only to come rings for nobody
        self.assertEqual(sorted(on.isoformat() for on in ringing), sorted(planned))
        self.assertEqual(read.walk("VALARM")[0]["trigger"].dt.total_seconds(), 17 * 3600)

    def test_its_private_address_works_without_a_session_till_it_is_revoked(self):
        address = self.asking.post("/api/calendar").json()["address"].split("testserver")[1]
        stranger = Asking()
        self.assertEqual(stranger.get(address).status_code, 200)
        self.assertIn(b"BEGIN:VCALENDAR", stranger.get(address).content)
        self.assertEqual(stranger.get("/api/plan").status_code, 401)
        self.assertEqual(stranger.get("/api/calendar/guess.ics").status_code, 404)
        second = self.asking.post("/api/calendar").json()["address"].split("testserver")[1]
        self.assertEqual(stranger.get(address).status_code, 404)
        self.assertEqual(stranger.get(second).status_code, 200)
        self.asking.delete("/api/calendar")
        self.assertEqual(stranger.get(second).status_code, 404)
