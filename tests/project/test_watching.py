"""A line for every request, without a word that was typed."""

from __future__ import annotations

from unittest import mock

from dace.demo.keys import key
from dace.project import watching
from tests.api.base import WeirYardCase, new_id


class Lines(WeirYardCase):
    def logged(self, ask):
        with self.assertLogs("dace.requests", "INFO") as found:
            ask()
        return found.records[-1].getMessage()

    def test_it_says_how_a_request_went_and_whose_it_was(self):
        line = self.logged(lambda: self.asking.get("/api/path?secret=1"))
        self.assertRegex(line, r"^GET /api/path 200 \d+ ms \d+ queries [0-9a-f-]{36}$")
        self.assertIn(str(key("household")), line)

    def test_nothing_that_was_typed_is_in_it(self):
        body = {"id": new_id(), "stand_id": str(key("stand chilli 3 fed")), "note": "my own words"}
        line = self.logged(lambda: self.asking.post("/api/observations", body))
        self.assertIn("POST /api/observations 201", line)
        self.assertNotIn("own words", line)
        refused = self.logged(lambda: self.asking.get("/api/nothing"))
        self.assertTrue(refused.startswith("GET /api/nothing 404") and refused.endswith(" -"))

    def test_a_slow_query_has_a_line_of_its_own_without_its_values(self):
        body = {"name": "nobody of this name", "password": "x"}
        with (
            mock.patch.object(watching, "_SLOW_S", 0),
            self.assertLogs("dace.slow", "WARNING") as found,
            self.assertLogs("dace.requests", "INFO"),
        ):
            self.asking.post("/api/sign-in", body)
        self.assertTrue(any("SELECT" in one for one in found.output))
        self.assertFalse(any("nobody of this name" in one for one in found.output))
