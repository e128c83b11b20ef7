"""A logger's table: taken in, kept by hours and days, drawn over any span."""

from datetime import UTC, datetime, timedelta
from unittest import mock
from zoneinfo import ZoneInfo

from django.test import SimpleTestCase

from dace.core.api import DaceError, read_log
from dace.demo.keys import key
from dace.measuring import series
from dace.measuring.models import Series as SeriesRow
from dace.measuring.models import SeriesSpan
from tests.api.base import Asking, WeirYardCase, new_id

BEGAN = datetime(2024, 1, 1, tzinfo=UTC)


def table(lines, every_minutes=10, spike_at=None):
    """So many readings of 1.0 to 1.4, one of them a spike."""
    rows = ["time,ec"]
    for n in range(lines):
        at = BEGAN + timedelta(minutes=every_minutes * n)
        value = 9.9 if n == spike_at else 1 + (n % 5) / 10
        rows.append(f"{at:%Y-%m-%dT%H:%M}Z,{value}")
    return "\n".join(rows)


class Reading(SimpleTestCase):
    def test_times_are_the_gardens_unless_they_say_otherwise(self):
        summer = "2026-07-14 12:30"
        here = read_log(f"{summer},1", ZoneInfo("Europe/London"))[0].hour
        said = read_log(f"{summer}Z,1", ZoneInfo("Europe/London"))[0].hour
        east = read_log(f"{summer}+02:00,1", UTC)[0].hour
        west = read_log(f"{summer}-02:00,1\n{summer}+02:00,1", UTC)
        self.assertEqual(said - here, 1)
        self.assertEqual(said - east, 2)
        self.assertEqual([one.hour - said for one in west], [-2, 2])

    def test_a_line_that_cannot_be_read_is_named(self):
        good = "2026-07-14 12:30;1,5"
        self.assertEqual(read_log(good, UTC)[0].high, 1.5)
        for bad, number in (
            (f"{good}\nyesterday;1", 2),
            (f"{good}\n2026-13-45 12:30;1", 2),
            (f"{good}\n2026-07-14 12:40;much", 2),
            (f"{good}\n\n2026-07-14 12:40;-3", 3),
            (f"{good}\n2026-07-14 12:40;inf", 2),
        ):
            with self.subTest(bad), self.assertRaises(DaceError) as caught:
                read_log(bad, UTC)
            self.assertIn(f"line {number}", caught.exception.read)
        with self.assertRaises(DaceError):
            read_log("time,ec", UTC)


class Series(WeirYardCase):
    def setUp(self):
        super().setUp()
        stop = self.asking.get("/api/path").json()["stops"][2]
        self.subject = stop["subject_id"]

    def take(self, text, subject=None, asking=None):
        asking = asking or self.asking
        return asking.send_file(
            f"/api/series?id={new_id()}&subject_id={subject or self.subject}", text, "text/csv"
        )

    def drawn(self, query=""):
        return self.asking.get(f"/api/subjects/{self.subject}/series{query}").json()

    def test_every_spike_is_kept_whatever_the_span(self):
        lines = 2 * 365 * 24 * 6
        self.assertEqual(self.take(table(lines, spike_at=lines // 2)).status_code, 201)
        whole = self.drawn()
        self.assertEqual(whole["total"], lines)
        self.assertEqual(sum(whole["count"]), lines)
        self.assertLessEqual(len(whole["at"]), 600)
        self.assertEqual((max(whole["high"]), min(whole["low"])), (9.9, 1.0))
        near = self.drawn("?days=30&back=350")
        self.assertEqual(max(near["high"]), 9.9)
        self.assertEqual(self.drawn("?days=30")["high"][-1], 1.4)

    def test_how_far_it_is_can_be_asked_and_it_can_be_called_off(self):
        row, told = new_id(), []

        def called_off(*_):
            told.append(self.asking.get(f"/api/series/{row}").json())
            return self.asking.delete(f"/api/series/{row}").status_code

        with (
            mock.patch.object(series, "_BATCH", 100),
            mock.patch.object(series.time, "sleep", side_effect=called_off),
        ):
            path = f"/api/series?id={row}&subject_id={self.subject}"
            reply = self.asking.send_file(path, table(1000, every_minutes=60), "text/csv")
        self.assert_refused(reply, 409, "id")
        self.assertEqual(told, [{"written": 100, "most": 1000, "whole": False}])
        self.assertEqual((SeriesRow.objects.count(), SeriesSpan.objects.count()), (0, 0))
        self.assert_refused(self.asking.get(f"/api/series/{row}"), 404, "id")
        self.assertEqual(self.take(table(30)).status_code, 201)
        whole = SeriesRow.objects.get()
        self.assert_refused(self.asking.delete(f"/api/series/{whole.pk}"), 404, "id")

    def test_asked_for_again_while_it_is_under_way_it_stands_once(self):
        row, again = new_id(), []
        path = f"/api/series?id={row}&subject_id={self.subject}"

        def asked_again(*_):
            if not again:
                again.append(None)
                text = table(1000, every_minutes=60)
                again[0] = self.asking.send_file(path, text, "text/csv").status_code

        with (
            mock.patch.object(series, "_BATCH", 300),
            mock.patch.object(series.time, "sleep", side_effect=asked_again),
        ):
            first = self.asking.send_file(path, table(1000, every_minutes=60), "text/csv")
        self.assert_refused(first, 409, "id")
        self.assertEqual(again, [201])
        self.assertEqual(self.drawn()["total"], 1000)
        self.assertEqual(SeriesSpan.objects.filter(level="hour").count(), 1000)

    def test_what_a_stopped_process_left_is_taken_up_by_the_same_asking(self):
        row = new_id()
        path = f"/api/series?id={row}&subject_id={self.subject}"
        stopped = mock.patch.object(series, "_clear")  # as where there was no time to
        with (
            stopped,
            mock.patch.object(series.time, "sleep", side_effect=KeyboardInterrupt),
            self.assertRaises(KeyboardInterrupt),
        ):
            self.asking.send_file(path, table(1000, every_minutes=60), "text/csv")
        self.assertEqual(self.drawn()["total"], 0)  # half of it is not shown
        self.assertTrue(SeriesSpan.objects.exists())
        again = self.asking.send_file(path, table(1000, every_minutes=60), "text/csv")
        self.assertEqual(again.status_code, 201)
        self.assertEqual(SeriesSpan.objects.filter(level="hour").count(), 1000)

    def test_another_household_neither_reads_nor_writes_it(self):
        self.take(table(50))
        stranger = Asking()
        garden = {"name": "Stranger", "password": "nine rusty trowels", "garden": "Elsewhere"}
        self.assertEqual(stranger.post("/api/sign-up", garden).status_code, 201)
        seen = stranger.get(f"/api/subjects/{self.subject}/series")
        self.assert_refused(seen, 404, "subject_id")
        self.assert_refused(self.take(table(5), asking=stranger), 404, "subject_id")
        self.assertEqual(self.drawn()["total"], 50)

    def test_twenty_thousand_lines_with_forty_bad_ones_come_in_without_those(self):
        lines = table(20_000).splitlines()
        heads = len(lines) - 20_000
        for at in range(heads, len(lines), 500):
            lines[at] = lines[at].split(",")[0] + ",---"
        self.take("\n".join(lines))
        found = self.drawn()
        self.assertEqual((found["total"], len(found["left_out"])), (19_960, 40))
        self.assertIn("40 lines hold no reading", found["told"])
        self.assertEqual(found["left_out"][0]["number"], heads + 1)
        file = self.asking.get(f"/api/series/{found['id']}/left-out.txt")
        self.assertEqual(len(file.content.decode().splitlines()), 40)

    def test_it_is_undone_whole_and_refused_whole(self):
        self.take(table(100))
        self.asking.post("/api/undo")
        self.assertEqual(self.drawn()["total"], 0)
        rows = SeriesSpan.objects.count()
        self.assert_refused(self.take("2026-07-14 12:00,1.5\nnonsense,1\nmore,2"), 422, "text")
        self.assert_refused(self.take(b"\xff\xfe\x00"), 422, "file")
        self.assertEqual(SeriesSpan.objects.count(), rows)
        self.assert_refused(self.take(table(5), subject=new_id()), 404, "subject_id")
        unknown = self.asking.get(f"/api/subjects/{key('nobody')}/series")
        self.assert_refused(unknown, 404, "subject_id")
