"""Loggers' tables as they come: encodings, quotes, decimal commas, dates, what comes twice."""

from datetime import UTC, datetime
from zoneinfo import ZoneInfo

from django.test import SimpleTestCase

from dace.core.api import DaceError, order_of, read_log, text_of

NOON = int(datetime(2026, 7, 14, 12, tzinfo=UTC).timestamp()) // 3600
ONE = [(NOON, 1.5, 1.5, 1.5, 1)]


def rows(text, zone=UTC, order=None):
    found = read_log(text, zone, order)
    return found.rows(0, len(found))


class AsTheyCome(SimpleTestCase):
    def test_the_same_table_in_every_encoding(self):
        table = "Zeit;Leitfähigkeit µS/cm\n14.07.2026 12:10;1500\n"
        marked = "\ufeff" + table
        for data in (
            table.encode(),
            marked.encode(),
            table.encode("utf-16"),
            marked.encode("utf-16-be"),
            table.encode("utf-16-le"),
            table.encode("latin-1"),
            table.encode("cp1252"),
        ):
            with self.subTest(data[:12]):
                self.assertEqual(rows(text_of(data)), ONE)

    def test_what_is_no_text_is_refused(self):
        for data in (b"\x89PNG\r\n\x1a\n\x00\x00\x00\rIHDR", bytes(range(256))):
            with self.assertRaises(DaceError):
                read_log(text_of(data), UTC)

    def test_separators_quotes_and_decimal_commas(self):
        for table in (
            "2026-07-14 12:10,1.5",
            '"2026-07-14 12:10","1.5"',
            '"2026-07-14 12:10","1,5"',
            "2026-07-14 12:10;1,5",
            "2026-07-14 12:10\t1,5\r\n",
            "Serial 4711, made by nobody\nInterval;10 min\n\nTime;EC\n2026-07-14T12:10;1,5",
            "No.;Time;Temp C;EC mS/cm\n1;2026-07-14 12:10;21,5;1,5",
            "Date,Time,EC\n14/07/2026,12:10:30,1.5",
            "7/14/26 12:10 PM,1.5",
            "2026-07-14T14:10+02:00,1.5",
        ):
            with self.subTest(table):
                self.assertEqual(rows(table), ONE)

    def test_instants_of_utc_stay_so_wherever_the_garden_is(self):
        alike = "time,EC\n2026-07-14T12:10Z,1.5\n2026-07-14T12:10Z,1.5"
        for table in (
            alike,
            f"{alike}\n2026-07-14T14:10+02:00,1.5",
            f"{alike}\n2026-07-14 14:10,1.5",
        ):
            with self.subTest(table):
                self.assertEqual(rows(table, ZoneInfo("Europe/Berlin")), ONE)

    def test_a_comma_that_may_be_either_is_asked_about(self):
        with self.assertRaises(DaceError) as caught:
            read_log("2026-07-14 12:10,1,85\n2026-07-14 12:20,1,86", UTC)
        self.assertIn("decimal", caught.exception.read)

    def test_dates_are_read_by_the_whole_column_or_asked_about(self):
        table = "3/4/2026 12:00,1.0\n14/4/2026 12:00,2.0"
        april = int(datetime(2026, 4, 3, 12, tzinfo=UTC).timestamp()) // 3600
        self.assertEqual(rows(table)[0][0], april)
        doubtful = "3/4/2026 12:00,1.0"
        with self.assertRaises(DaceError) as caught:
            read_log(doubtful, UTC)
        self.assertIn("3/4/2026", caught.exception.read)
        march = rows(doubtful, order="mdy")[0][0]
        self.assertEqual(rows(doubtful, order="dmy")[0][0] - march, 30 * 24)
        with self.assertRaises(DaceError):
            order_of(["14/4/2026", "4/14/2026"])

    def test_what_comes_twice_is_told_and_an_exact_repeat_counts_once(self):
        at = "2026-07-14 12:1"
        found = read_log(f"{at}0,1.5\n{at}0,1.5\n{at}1,2\n{at}1,4\n{at}0,1.5", UTC)
        self.assertEqual(found.rows(0, 1), [(NOON, 1.5, 4.0, 7.5, 3)])
        self.assertEqual((found.again, found.twice), (2, 1))

    def test_the_clocks_change_within_a_day(self):
        """In London 2026-03-29 01:00 becomes 02:00, and 2026-10-25 02:00 becomes 01:00."""
        london = ZoneInfo("Europe/London")
        for day, before, after in (
            ("2026-03-29", "00:30", "02:30"),
            ("2026-10-25", "00:30", "03:30"),
        ):
            plain = rows(f"{day} {before},1\n{day} {after},1", london)
            said = [
                int(datetime.fromisoformat(f"{day}T{at}").replace(tzinfo=london).timestamp())
                for at in (before, after)
            ]
            self.assertEqual([row[0] for row in plain], [at // 3600 for at in said])

    def test_the_hour_that_comes_twice_is_told_apart_by_the_order_of_the_lines(self):
        """London, 25 October 2026: 01:30 is 00:30 of UTC, and an hour later 01:30 again."""
        london = ZoneInfo("Europe/London")
        at = [f"2026-10-25 {clock},1" for clock in ("00:30", "01:30", "01:30", "02:30")]
        first = int(datetime(2026, 10, 24, 23, tzinfo=UTC).timestamp()) // 3600
        for lines in ([*at[:2], "2026-10-25 01:40,1", "2026-10-25 01:20,1", *at[3:]], at[::-1]):
            with self.subTest(lines):
                hours = [row[0] - first for row in rows("\n".join(lines), london)]
                self.assertEqual(hours, [0, 1, 2, 3] if lines[0] == at[0] else [0, 1, 3])

    def test_bad_lines_are_left_out_with_their_numbers_and_the_rest_is_taken(self):
        good = [
            f"2026-07-{1 + n // 48:02d} {n % 48 // 2:02d}:{n % 2 * 30:02d},1.5" for n in range(960)
        ]
        bad = {7: "2026-07-01 03:00,---", 100: "sensor reset", 500: "2026-13-40 99:99,1.5"}
        lines = ["time,EC"]
        for n, line in enumerate(good):
            lines += [bad[n], line] if n in bad else [line]
        found = read_log("\n".join(lines), UTC)
        self.assertEqual(int(found.count.sum()), 960)
        told = [(lines[one.number - 1], one.text) for one in found.left_out]
        said = [one.replace(",", ", ") for one in bad.values()]
        self.assertEqual([text for _, text in told], said)
        self.assertEqual([line for line, _ in told], list(bad.values()))

    def test_columns_that_change_places_are_followed(self):
        table = "Time,Temp C,EC mS/cm\n2026-07-14 12:00,21,1.5\nTime,EC µS/cm,Temp C\n"
        self.assertEqual(rows(table + "2026-07-14 12:10,1500,21"), [(NOON, 1.5, 1.5, 3.0, 2)])

    def test_where_half_is_no_reading_it_is_no_such_table(self):
        with self.assertRaises(DaceError) as caught:
            read_log("2026-07-14 12:00,1.5\n2026-07-14 12:10,wet", UTC)
        self.assertIn("line 2", caught.exception.read)

    def test_a_line_that_speaks_of_the_pen_is_no_head(self):
        table = "Time,EC\n2026-07-14 12:00,1.5\nEC probe cleaned\n2026-07-14 12:10,1.5"
        found = read_log(table, UTC)
        self.assertEqual(found.rows(0, 1), [(NOON, 1.5, 1.5, 3.0, 2)])
        self.assertEqual([one.number for one in found.left_out], [3])
