"""What is worked out anew after a write, and what is not."""

import gc
import re
from unittest import mock

from django.db import connection
from django.test.utils import CaptureQueriesContext

from dace.core import api as core
from dace.feeding import verdicts
from dace.garden.models import Garden
from dace.households.clock import now
from dace.households.scope import Scope
from dace.households.version import Remembered, forget
from tests.api.base import WeirYardCase, new_id

BESIDE = {"households_change", "django_content_type", "reversion_revision", "reversion_version"}
PAGES = ("path", "round", "shelf", "season", "setup", "bench")


class Versions(WeirYardCase):
    def setUp(self):
        super().setUp()
        # What is kept lasts a quarter of an hour: none may end between two askings.
        self.enterContext(mock.patch("dace.households.clock.now", return_value=now()))

    def worked_out(self, act):
        """How often the verdicts are worked out after an act, for a page that shows them."""
        self.asking.get("/api/path")
        with mock.patch.object(verdicts.core, "verdicts", wraps=core.verdicts) as worked:
            done = act()
            self.assertLess(done.status_code, 300, done.content)
            self.asking.get("/api/path")
            self.asking.get("/api/path")
        return worked.call_count

    def test_a_note_changes_no_verdict_and_is_undone_as_cheaply(self):
        note = {"id": new_id(), "stand_id": self.stand, "note": "a robin"}
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/observations", note)), 0)
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/undo", {})), 0)

    def test_scores_readings_and_pours_do_once(self):
        score = {"id": new_id(), "stand_id": self.stand, "scores": {"colour": 2}}
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/observations", score)), 1)
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/undo", {})), 1)
        pour = self.pour_body()
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/pours", pour)), 1)


class RememberedReads(WeirYardCase):
    def test_each_reads_the_tables_that_it_names_and_no_others(self):
        garden = Garden.objects.get()
        scope = Scope(garden.household_id, 1, now(), demo=True)
        reads = [one for one in gc.get_objects() if type(one) is Remembered]
        self.assertGreater(len(reads), 5)
        for one in reads:
            scope.memo.clear()
            with CaptureQueriesContext(connection) as asked:
                one.read(scope)
            found = {
                name for row in asked for name in re.findall(r'(?:FROM|JOIN) "(\w+)"', row["sql"])
            }
            named = {model._meta.db_table for model in one.models}
            with self.subTest(one.read.__qualname__):
                self.assertEqual(found - named - BESIDE, set())

    def test_after_any_write_pages_say_what_they_would_if_nothing_were_remembered(self):
        drain = self.asking.get("/api/path").json()["stops"][0]["subject_id"]
        reading = {"id": new_id(), "subject_id": drain, "value": "3.1", "scale": "mS/cm"}
        place = self.asking.get("/api/setup").json()["places"][0]
        stop = {"name": "By the door", "kind": place["kind"], "covered": True}
        score = {"id": new_id(), "stand_id": self.stand, "scores": {"colour": 2}}
        acts = [
            ("POST", "/api/readings", reading),
            ("POST", "/api/observations", score),
            ("POST", "/api/pours", self.pour_body()),
            ("POST", "/api/undo", {}),
            ("PUT", f"/api/places/{place['id']}", stop),
        ]
        for method, path, body in acts:
            for page in PAGES:
                self.asking.get(f"/api/{page}")
            done = getattr(self.asking, method.lower())(path, body)
            self.assertLess(done.status_code, 300, (path, done.content))
            for page in PAGES:
                with self.subTest(path, page=page):
                    remembered = self.shown(page)
                    forget()
                    self.assertEqual(remembered, self.shown(page))

    def shown(self, page):
        return self.asking.get(f"/api/{page}").json() | {"now": None}
