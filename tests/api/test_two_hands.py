"""Several hands at once, two tabs, and what is tried again."""

import json
import subprocess
import sys
from datetime import UTC, datetime
from unittest.mock import patch

from dace.demo import weir_yard
from dace.households.models import Change
from dace.shelf.models import Jar
from tests.api.base import WeirYardCase, new_id
from tests.api.hands import HANDS
from tests.gardens import kept_file


class SeveralHands(WeirYardCase):
    """In a process of its own: a test's transaction would hold every other hand up."""

    def test_no_hand_works_from_old_rows(self):
        done = subprocess.run(
            [sys.executable, "-m", "tests.api.hands", str(kept_file(weir_yard.build))],
            capture_output=True,
            text=True,
            check=True,
        )
        came = json.loads(done.stdout)
        refused = [409] * (HANDS - 1)
        self.assertEqual(came["edits"], [200] * HANDS)
        self.assertEqual(came["label and stock"], [7.25, 70.0])
        self.assertEqual(came["moves"][0], 201)
        self.assertTrue(all(400 <= status < 500 for status in came["moves"][1:]), came)
        self.assertEqual(came["plants after"], came["plants before"])
        self.assertEqual((came["strained"], came["bottles"]), ([201, *refused], 1))
        self.assertEqual(came["dressings"][0], 201)
        self.assertEqual(came["spread"], 1)
        self.assertEqual(came["retries"], [201] * HANDS)
        self.assertEqual(came["retries wrote"], 1)


class TwoTabs(WeirYardCase):
    def label(self, **more):
        return {"name": "Fruiting liquid 4-3-8", "grade": "4-3-8", "pack": "1 L"} | more

    def save(self, seen, **more):
        path = f"/api/jars/{self.jar}"
        headers = {"X-CSRFToken": self.asking.token, "If-Match": f'"{seen}"'}
        body = json.dumps(self.label(**more))
        return self.asking.client.put(path, body, "application/json", headers=headers)

    def test_the_second_is_told_both_and_may_write_all_the_same(self):
        seen = self.asking.get("/api/setup").json()["edition"]
        self.assertEqual(self.save(seen, price=5.0).status_code, 200)
        error = self.assert_refused(self.save(seen, price=9.5), 409, "edition")
        self.assertIn("price 5 where you say 9.5", error["read"])
        self.assertEqual(Jar.objects.get(pk=self.jar).price, 5.0)
        self.save(self.asking.get("/api/setup").json()["edition"], price=5.0, grade="5-3-8")
        told = self.save(seen, price=5.0, grade="6-3-8", nitrogen={"urea": 2.0}).json()["error"]
        self.assertIn("nitrogen 5 where you say 6", told["read"])
        self.assertNotRegex(told["read"], r"percent|[{}_]")
        newer = self.asking.get("/api/setup").json()["edition"]
        self.assertEqual(self.save(newer, price=9.5).status_code, 200)
        self.assertEqual(Jar.objects.get(pk=self.jar).price, 9.5)

    def test_what_another_tab_left_alone_is_no_conflict(self):
        seen = self.asking.get("/api/setup").json()["edition"]
        self.asking.post(f"/api/jars/{self.jar}/stock", {"stock": "80 ml"})
        self.assertEqual(self.save(seen, price=5.0).status_code, 200)
        row = Jar.objects.get(pk=self.jar)
        self.assertEqual((row.price, row.stock), (5.0, 80.0))


class TakenBack(WeirYardCase):
    def test_every_change_of_the_yard_can_be_undone_from_the_newest_on(self):
        """But the beginning, before which nothing lies."""
        changes = list(Change.objects.filter(undoes=None).order_by("-id"))
        refused = []
        for change in changes:
            reply = self.asking.post("/api/undo", {"change_id": change.pk})
            if reply.status_code != 200:
                refused.append((change.summary, reply.json()["error"]["read"]))
        self.assertEqual({read for _, read in refused}, {"the beginning of the garden"}, refused)
        self.assertGreater(len(changes), 100)

    def test_a_place_goes_with_its_fill(self):
        place, fill = new_id(), new_id()
        body = {"name": "Tub 9", "kind": "pot", "covered": False}
        body["fill"] = {"id": fill, "size": "30 L", "medium": "peat_free_mix", "alike": 1}
        reply = self.asking.put(f"/api/places/{place}", body)
        self.assertEqual(reply.status_code, 200, reply.content)
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        setup = self.asking.get("/api/setup").json()
        self.assertNotIn(place, [one["id"] for one in setup["places"]])
        again = self.asking.put(f"/api/places/{place}/fills", body["fill"])
        self.assertIn(again.status_code, (404, 409))

    def test_a_repeat_names_its_own_change_and_none_after_an_undo(self):
        body = self.pour_body()
        first = self.asking.post("/api/pours", body).json()
        stock = {"stock": "80 ml"}
        other = self.asking.post(f"/api/jars/{self.jar}/stock", stock).json()
        self.assertEqual(self.asking.post("/api/pours", body).json(), first)
        self.asking.post("/api/undo", {"change_id": other["change_id"]})
        self.asking.post("/api/undo", {"change_id": first["change_id"]})
        self.assert_refused(self.asking.post("/api/pours", body), 409, "id")

    def test_a_clock_that_steps_back_still_empties_the_jar(self):
        self.asking.post(f"/api/jars/{self.jar}/stock", {"stock": "90 ml"})
        earlier = datetime(2026, 7, 14, 9, tzinfo=UTC)
        with patch("dace.households.clock.now", return_value=earlier):
            self.assertEqual(self.asking.post("/api/pours", self.pour_body()).status_code, 201)
            self.assertLess(self.stock(), 75)
