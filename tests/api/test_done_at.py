"""What was done without a connection counts when it was done: within reason."""

import json
from datetime import UTC, datetime, timedelta

from dace.demo.keys import key
from dace.garden.looked import Observation
from tests.api.base import WeirYardCase, new_id

NOW = datetime(2026, 7, 14, 16, 40, tzinfo=UTC)  # 17:40 at the yard


class DoneAt(WeirYardCase):
    def note(self, done_at):
        row = {"id": new_id(), "stand_id": str(key("stand chilli 3 fed")), "note": "Out there"}
        client, token = self.asking.client, self.asking.token
        headers = {"X-CSRFToken": token} | ({"X-Done-At": done_at} if done_at else {})
        reply = client.generic(
            "POST", "/api/observations", json.dumps(row), "application/json", headers=headers
        )
        return reply, Observation.objects.filter(pk=row["id"]).first()

    def test_it_stands_at_the_time_when_it_was_done(self):
        for said, at in (
            ("2026-07-14T09:15:00Z", datetime(2026, 7, 14, 9, 15, tzinfo=UTC)),
            ("2026-07-13T22:15:00+02:00", datetime(2026, 7, 13, 20, 15, tzinfo=UTC)),
        ):
            with self.subTest(said):
                reply, row = self.note(said)
                self.assertEqual(reply.status_code, 201, reply.content)
                self.assertEqual(row.seen_at, at)

    def test_a_phone_that_is_ahead_writes_nothing_of_tomorrow(self):
        reply, row = self.note("2026-07-16T09:00:00Z")
        self.assertEqual(reply.status_code, 201, reply.content)
        self.assertTrue(NOW <= row.seen_at < NOW + timedelta(hours=1))  # the garden's now

    def test_no_time_and_one_long_ago_are_refused_and_write_nothing(self):
        long_ago = (NOW - timedelta(days=14, minutes=1)).isoformat()
        for said in ("yesterday", "2026-07-14", "2026-07-14T09:15:00", long_ago):
            with self.subTest(said):
                reply, row = self.note(said)
                self.assert_refused(reply, 422, "done_at")
                self.assertIsNone(row)
        within = (NOW - timedelta(days=13, hours=23)).isoformat()
        self.assertEqual(self.note(within)[0].status_code, 201)

    def test_reading_minds_no_such_time(self):
        reply = self.asking.client.get("/api/path", headers={"X-Done-At": "yesterday"})
        self.assertEqual(reply.status_code, 200)
