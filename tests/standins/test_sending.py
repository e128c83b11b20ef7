"""A pen that sends: its small call, a file that is followed, what the reading sheet has of it."""

import json
import tempfile
from datetime import timedelta
from pathlib import Path
from unittest import mock

from django.test import Client, SimpleTestCase

from dace.households import clock
from dace.standins.sending import lines_added, read_line, request_for
from tests.api.base import new_id
from tests.api.test_setup import OwnGarden


class Following(SimpleTestCase):
    def test_whole_lines_are_read_once_and_a_file_begun_anew_from_its_start(self):
        file = Path(tempfile.mkdtemp()) / "pen.log"
        self.assertEqual(lines_added(file, 0), ([], 0))
        file.write_text("1.85, 19.5\n2.0", encoding="utf-8")
        lines, at = lines_added(file, 0)
        self.assertEqual(lines, ["1.85, 19.5"])
        file.write_text("1.85, 19.5\n2.05\n", encoding="utf-8")
        lines, at = lines_added(file, at)
        self.assertEqual((lines, lines_added(file, at)[0]), (["2.05"], []))
        file.write_text("0.9\n", encoding="utf-8")
        self.assertEqual(lines_added(file, at)[0], ["0.9"])

    def test_lines_of_a_file(self):
        for line, found in (
            ("1.85, 19.5", (1.85, 19.5)),
            ("1,85; 19,5", (1.85, 19.5)),
            (" 2 ", (2.0, None)),
            ("EC", None),
            ("", None),
        ):
            self.assertEqual(read_line(line), found, line)


class Sent(OwnGarden):
    def setUp(self):
        super().setUp()
        self.pen = new_id()
        self.own.put(f"/api/pens/{self.pen}", {"name": "Blue pen", "compensates": False})
        made = self.own.post(
            "/api/tokens", {"name": "pen", "writes": True, "password": "nine rusty trowels"}
        ).json()
        self.token = made["secret"]
        self.place("Tub", "40 L")
        stop = self.own.get("/api/path").json()["stops"][0]
        self.dip = {"subject_id": stop["subject_id"], "practice": False}

    def send(self, value, celsius, token=""):
        """As the program makes the call."""
        made = request_for("http://x", token or self.token, self.pen, value, celsius)
        headers = {"Authorization": made.get_header("Authorization")}
        path = made.full_url.removeprefix("http://x")
        return Client().post(path, made.data, "application/json", headers=headers)

    def test_the_sheet_has_what_the_pen_showed_a_moment_ago_and_not_longer(self):
        path = f"/api/pens/{self.pen}/dip"
        self.assert_refused(self.own.post(path, self.dip), 409, "pen_id")
        self.assertEqual(self.send(1.85, 12.0).status_code, 204)
        shown = self.own.post(path, self.dip).json()
        self.assertEqual((shown["value"], shown["temperature_c"]), (1.85, 12.0))
        self.assertFalse(shown["practice"])
        later = clock.now() + timedelta(minutes=3)
        with mock.patch("dace.households.clock.now", return_value=later):
            self.assert_refused(self.own.post(path, self.dip), 409, "pen_id")

    def test_what_cannot_be_and_who_may_not(self):
        self.assertEqual(self.send(-1, 20.0).status_code, 422)
        self.assertEqual(self.send(1.2, None).status_code, 422)  # it does not compensate
        self.assertEqual(self.send(1.2, 20.0, "dace_wrong").status_code, 401)
        reads = self.own.post(
            "/api/tokens", {"name": "r", "password": "nine rusty trowels"}
        ).json()["secret"]
        self.assertEqual(self.send(1.2, 20.0, reads).status_code, 403)
        self.assertEqual(json.loads(self.send(400, 20.0).content)["error"]["field"], "value")
