"""What is private stays so: in logs, in caches, in tables that a spreadsheet opens."""

import csv
import io
import zipfile
from importlib import import_module
from unittest.mock import patch

from django.apps import apps
from django.test import SimpleTestCase

from dace.core.api import harmless
from dace.demo.keys import key
from dace.exchange.tables import as_typed
from dace.households import changes
from dace.households.models import Change
from tests.api.base import Asking, WeirYardCase, new_id

OWNER = {"name": "Ottoline", "password": "nine rusty trowels", "garden": "Back step"}
FORMULA = "=HYPERLINK(A1)"


class Private(WeirYardCase):
    def test_the_calendars_secret_is_in_no_line_of_the_log(self):
        address = self.asking.post("/api/calendar").json()["address"].split("testserver")[1]
        secret = address.split("/")[-1].removesuffix(".ics")
        with self.assertLogs("dace.requests", "INFO") as told:
            self.assertEqual(Asking().get(address).status_code, 200)
        self.assertIn("/api/calendar/", told.output[-1])
        self.assertNotIn(secret, "".join(told.output))
        broken = patch("dace.desks.season.api_plan.calendar_of", side_effect=ZeroDivisionError)
        with broken, self.assertLogs("dace.failures", "ERROR") as told:
            Asking().get(address)
        self.assertNotIn(secret, told.records[0].getMessage())

    def test_no_private_answer_is_kept_by_a_cache(self):
        address = self.asking.post("/api/calendar").json()["address"].split("testserver")[1]
        for path in ("/api/path", "/api/session", "/api/export", "/api/jars/none", address):
            with self.subTest(path):
                self.assertEqual(self.asking.get(path)["Cache-Control"], "no-store")
        self.assertEqual(Asking().get("/api/path")["Cache-Control"], "no-store")

    def test_undo_answers_with_its_own_step(self):
        stand = str(key("stand leek fed"))
        seen = {"stand_id": stand, "scores": {"colour": 3}}
        self.asking.post("/api/observations", seen | {"id": new_id()})
        mine = changes._undo

        def and_another(scope, change_id, number):
            """Another hand of the household writes between the undo and its answer."""
            mine(scope, change_id, number)
            step = Change.objects.get(pk=number)
            step.pk, step.revision = number + 1, self.copied(step.revision)
            step.summary = "Somebody else's"
            step.save(force_insert=True)

        with patch("dace.households.changes._undo", and_another):
            said = self.asking.post("/api/undo", {"change_id": None}).json()
        self.assertTrue(said["summary"].startswith("Undone:"), said)

    def copied(self, revision):
        revision.pk = None
        revision.save()
        return revision

    def test_a_cell_that_could_be_a_formula_is_harmless_and_comes_back_as_it_was(self):
        owner = Asking()
        owner.post("/api/sign-up", OWNER)
        names = [FORMULA, "+1", "-2 rows", "@home", "'=odd", "'quoted", "1 + 20"]
        for name in names:
            reply = owner.put(f"/api/waters/{new_id()}", {"name": name, "kind": "rain"})
            self.assertEqual(reply.status_code, 200, reply.content)
        package = owner.get("/api/export").getvalue()
        with zipfile.ZipFile(io.BytesIO(package)) as zipped:
            text = zipped.read("tables/water.csv").decode()
        kept = {row["name"] for row in csv.DictReader(io.StringIO(text))}
        self.assertLessEqual({f"'{FORMULA}", "'+1", "'-2 rows", "'@home", "''=odd"}, kept)
        self.assertLessEqual({"'quoted", "1 + 20"}, kept)
        other = Asking()
        other.post("/api/sign-up", OWNER | {"name": "Rook"})
        taken = other.send_file("/api/import", package, "application/zip")
        self.assertEqual(taken.status_code, 201, taken.content)
        waters = {water["name"] for water in other.get("/api/setup").json()["waters"]}
        self.assertLessEqual(set(names), waters)


class OldDemo(WeirYardCase):
    def test_sessions_of_the_demos_own_account_end_at_the_upgrade(self):
        self.assertEqual(self.asking.get("/api/path").status_code, 200)
        import_module("dace.households.migrations.0007_the_demos_own_account").end_sessions(
            apps, None
        )
        self.assertEqual(self.asking.get("/api/path").status_code, 401)


class Harmless(SimpleTestCase):
    def test_whatever_is_typed_comes_back(self):
        for text in ("", "'", "''", "=", "'=", "''=", "-", "\t", "plain", "'x", "''-x", "\r\n"):
            with self.subTest(text):
                self.assertEqual(as_typed(harmless(text)), text)
                self.assertNotRegex(harmless(text), r"^[=+\-@\t\r]")
