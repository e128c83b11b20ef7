"""When the machine fails: plain words, nothing said to be kept that is not."""

from __future__ import annotations

import errno
from contextlib import closing
from pathlib import Path
from unittest import mock

from django.core.management import CommandError, call_command
from django.db import OperationalError, connection
from django.db.migrations.recorder import MigrationRecorder
from django.test import SimpleTestCase

from dace.project import failures, health
from tests.api.base import WeirYardCase, new_id


class Words(SimpleTestCase):
    def test_each_failure_of_the_machine_has_its_own(self):
        for said, words in (
            ("database or disk is full", "full disk"),
            ("attempt to write a readonly database", "read-only database"),
            ("database disk image is malformed", "damaged database"),
            ("database is locked", "others write"),
            ("no such table: garden_garden", "older version"),
            ("something new", "does not work"),
        ):
            self.assertIn(words, failures.known(OperationalError(said))[0])
        self.assertIn("full disk", failures.known(OSError(errno.ENOSPC, "x"))[0])
        self.assertIsNone(failures.known(ValueError("ours")))
        self.assertIsNone(failures.known(OSError(errno.EPIPE, "a client that left")))


class Answers(WeirYardCase):
    def write(self):
        body = {"id": new_id(), "stand_id": self.stand, "scores": {"growth": 3}}
        return self.asking.post("/api/observations", body)

    def test_a_full_or_read_only_database_says_that_nothing_was_kept(self):
        for said, words in (
            ("database or disk is full", "full disk"),
            ("attempt to write a readonly database", "read-only"),
            ("database disk image is malformed", "damaged"),
        ):
            with mock.patch("dace.desks.looks.api.observe", side_effect=OperationalError(said)):
                error = self.assert_refused(self.write(), 503, "server")
            self.assertIn(words, error["read"])
            self.assertIn("not kept", error["message"])

    def test_what_dace_got_wrong_has_a_mark_that_the_log_has_too(self):
        with (
            mock.patch("dace.desks.looks.api.observe", side_effect=ZeroDivisionError("ours")),
            self.assertLogs("dace.failures", "ERROR") as logged,
        ):
            error = self.assert_refused(self.write(), 500, "server")
        mark = logged.records[0].getMessage().split(":")[0]
        self.assertIn(mark, error["message"])
        self.assertNotIn("ours", error["message"])

    def test_what_fails_before_the_api_has_its_say_is_said_as_well(self):
        self.asking.client.raise_request_exception = False
        with mock.patch(
            "dace.households.sessions.SessionStore._get_session_from_db",
            side_effect=OperationalError("database disk image is malformed"),
        ):
            error = self.assert_refused(self.asking.get("/api/path"), 503, "server")
        self.assertIn("damaged database", error["message"])

    def test_a_form_is_not_even_read(self):
        reply = self.asking.client.post("/api/observations", {"a": "b"})
        self.assert_refused(reply, 415, "body")

    def test_the_wrong_way_to_ask_names_the_right_ones(self):
        reply = self.asking.delete("/api/path")
        self.assert_refused(reply, 405, "request")
        self.assertEqual(reply["Allow"], "GET")


class Health(WeirYardCase):
    def asked(self):
        reply = self.asking.client.get("/healthz")
        return reply.status_code, reply.json()

    def setUp(self):
        super().setUp()
        self.enterContext(mock.patch.object(health, "_migrated", set()))

    def test_well_only_with_tables_of_this_version_and_a_database_to_write_to(self):
        status, said = self.asked()
        self.assertEqual((status, said["ok"], said["trouble"]), (200, True, ""))
        self.assertEqual(set(said["versions"]), {"dace", "django", "sqlite"})
        with (
            mock.patch.object(health, "_migrated", set()),
            mock.patch.object(health, "unmigrated", return_value=["garden.0099_new"]),
        ):
            status, said = self.asked()
        self.assertEqual((status, said["ok"]), (503, False))
        self.assertIn("manage.py migrate", said["trouble"])
        with mock.patch("shutil.disk_usage", return_value=mock.Mock(free=1000)):
            self.assertIn("full", self.asked()[1]["trouble"])
        with mock.patch("os.access", return_value=False):
            self.assertIn("read-only", self.asked()[1]["trouble"])

    def test_it_does_not_start_with_older_tables(self):
        with (
            mock.patch.object(health, "unmigrated", return_value=["garden.0099_new"]),
            mock.patch("dace.project.management.commands.serve.check_sound"),
            self.assertRaisesMessage(CommandError, "manage.py migrate"),
        ):
            call_command("serve")

    def test_code_older_than_the_data_does_not_start(self):
        later = {("garden", "0099_of_a_later_dace"): mock.Mock()}
        asked = "django.db.migrations.recorder.MigrationRecorder.applied_migrations"
        known = MigrationRecorder(connection).applied_migrations()
        with (
            mock.patch(asked, return_value=known | later),
            mock.patch("dace.project.management.commands.serve.check_sound"),
            self.assertRaisesMessage(CommandError, "garden.0099_of_a_later_dace"),
        ):
            call_command("serve")

    def test_it_does_not_start_with_a_damaged_file(self):
        broken = Path(str(connection.settings_dict["NAME"]) + ".broken")
        broken.write_bytes(b"x" * 5000)
        with (
            closing(broken.open("rb")),
            mock.patch.dict("django.conf.settings.DATABASES", {"default": {"NAME": broken}}),
            self.assertRaisesMessage(CommandError, "damaged"),
        ):
            call_command("serve")
        broken.unlink()
