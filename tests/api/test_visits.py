"""Visitors of the demo garden: a copy each, for a day, in nobody's way."""

import json
import re
from datetime import timedelta
from unittest import mock

from django.utils import timezone

from dace.demo.keys import key
from dace.garden.models import Stand
from dace.households import visits
from dace.households.models import Change, Household, User
from dace.households.visits import end_visits
from tests.api.base import Asking, WeirYardCase, new_id

ID = re.compile(r"[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}")
READ = ("path", "round", "season", "shelf", "notebook?limit=100", "bench", "trials")


def told(asking, read):
    """What a page says but for ids, and numbers of changes."""
    text = json.dumps(asking.get(f"/api/{read}").json())
    text = re.sub(r'"(edition|change_id|now|hash|next|who)": [^,}]*', "", ID.sub("", text))
    return re.sub(r'("\w+": )"[0-9a-f]{40,}"', r"\1", text)


class Visitors(WeirYardCase):
    def visitor(self):
        asking = Asking()
        self.assertEqual(asking.post("/api/demo").status_code, 200)
        return asking

    def test_a_copy_says_the_same_as_the_yard_on_every_page(self):
        visitor = self.visitor()
        for read in READ:
            with self.subTest(read):
                self.assertEqual(told(visitor, read), told(self.asking, read))

    def test_each_has_a_copy_of_their_own_and_finds_it_again(self):
        one, other = self.visitor(), self.visitor()
        before = told(other, "notebook")
        stop = one.get("/api/path").json()["stops"][2]
        note = {"id": new_id(), "stand_id": stop["stands"][0]["id"], "note": "Only mine"}
        self.assertEqual(one.post("/api/observations", note).status_code, 201)
        one.post("/api/demo")
        self.assertIn("Only mine", told(one, "notebook"))
        self.assertEqual(told(other, "notebook"), before)
        self.assertNotIn("Only mine", told(self.asking, "notebook"))
        theirs = other.post("/api/observations", note | {"id": new_id()})
        self.assert_refused(theirs, 404, "stand_id")
        of_the_yard = {"id": new_id(), "stand_id": str(key("stand chilli 3 fed")), "note": "x"}
        self.assert_refused(one.post("/api/observations", of_the_yard), 404, "stand_id")

    def test_what_was_done_before_can_be_undone_in_the_copy_alone(self):
        visitor = self.visitor()
        mine = Change.objects.exclude(household_id=key("household")).filter(undoes=None)
        for change in mine.order_by("-id"):
            reply = visitor.post("/api/undo", {"change_id": change.pk})
            if reply.status_code != 200:
                read = reply.json()["error"]["read"]
                self.assertEqual(read, "the beginning of the garden", change.summary)
        self.assertEqual(visitor.get("/api/path").json()["stops"], [])
        self.assertEqual(len(self.asking.get("/api/path").json()["stops"]), 9)

    def test_who_steps_in_again_and_again_keeps_nobody_out(self):
        def writes(visitor):
            stand = visitor.get("/api/path").json()["stops"][2]["stands"][0]["id"]
            note = {"id": new_id(), "stand_id": stand, "note": "Mine"}
            self.assertEqual(visitor.post("/api/observations", note).status_code, 201)

        with mock.patch.object(visits, "_MOST", 2):
            busy, idle = self.visitor(), self.visitor()
            writes(busy)
            third = self.visitor()
            self.assertIn("Mine", told(busy, "notebook"))
            self.assert_refused(idle.get("/api/path"), 401, "session")
            writes(third)
            self.assert_refused(Asking().post("/api/demo"), 429, "demo")
            again = busy.post("/api/undo")
            self.assertEqual(again.status_code, 200)
            self.assert_refused(idle.post("/api/demo"), 429, "demo")

    def test_it_is_gone_after_a_day_with_all_that_was_in_it(self):
        visitor = self.visitor()
        stands = Stand.objects.filter(household_id=key("household")).count()
        self.assertEqual(Stand.objects.count(), 2 * stands)
        self.assertEqual(end_visits(timezone.now() + timedelta(hours=23)), 0)
        self.assertEqual(end_visits(timezone.now() + timedelta(hours=25)), 1)
        self.assertEqual(Stand.objects.count(), stands)
        self.assertEqual((Household.objects.count(), User.objects.count()), (1, 1))
        self.assert_refused(visitor.get("/api/path"), 401, "session")


class ByAddress(WeirYardCase):
    def visitor(self, address):
        asking = Asking()
        asking.client.defaults["REMOTE_ADDR"] = address
        return asking, asking.post("/api/demo")

    def note(self, asking, text="x"):
        stand = asking.get("/api/path").json()["stops"][2]["stands"][0]["id"]
        return asking.post("/api/observations", {"id": new_id(), "stand_id": stand, "note": text})

    def test_so_many_copies_go_to_one_address_and_others_still_get_in(self):
        with mock.patch.object(visits, "_EACH", 2):
            for _ in range(2):
                asking, reply = self.visitor("10.0.0.7")
                self.assertEqual(self.note(asking).status_code, 201)
            _, reply = self.visitor("10.0.0.7")
            self.assert_refused(reply, 429, "demo")
            self.assertEqual(self.visitor("10.0.0.8")[1].status_code, 200)

    def test_a_house_network_is_one_address_and_none_is_kept(self):
        one, other = visits.met_from("2001:db8:1:2::3"), visits.met_from("2001:db8:1:2:a::b")
        self.assertEqual(one, other)
        self.assertNotEqual(one, visits.met_from("2001:db8:1:3::3"))
        self.visitor("10.0.0.7")
        self.assertFalse(Household.objects.filter(met_from__contains="10.0").exists())

    def test_what_is_sent_to_a_copy_is_bounded_by_address(self):
        (one, _), (other, _) = self.visitor("10.0.0.7"), self.visitor("10.0.0.7")
        with mock.patch.object(visits, "_HEAVY", 5_500):
            self.assertEqual(self.note(one, "x" * 400).status_code, 201)
            self.assertEqual(self.note(other, "x" * 400).status_code, 201)
            self.assert_refused(self.note(one, "x" * 400), 413, "demo")
            self.assertEqual(one.get("/api/path").status_code, 200)
            self.assertEqual(self.note(self.asking).status_code, 201)
            self.assertEqual(self.note(self.visitor("10.0.0.8")[0]).status_code, 201)
