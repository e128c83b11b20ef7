"""Backups: the same garden row by row, nothing half-written, plain words for what is broken."""

from __future__ import annotations

import shutil
import sqlite3
import tarfile
import tempfile
import threading
from contextlib import closing
from datetime import date, timedelta
from pathlib import Path
from unittest import mock

from django.core.management import CommandError, call_command
from django.db import OperationalError, connection
from django.test import SimpleTestCase, TransactionTestCase, override_settings
from django.utils import timezone

from dace.core.api import DaceError
from dace.demo import weir_yard
from dace.exchange import nightcheck
from dace.exchange.backups import back_up, copy_database, held, restore
from dace.exchange.copies import keep_up, nightly, to_keep
from dace.exchange.sound import check_sound
from dace.notebook.models import Photo
from dace.notebook.pictures import where
from tests.gardens import nothing, stand_in


def rows(path):
    """Every row of every table, by table."""
    with closing(sqlite3.connect(path)) as found:
        names = found.execute("SELECT name FROM sqlite_master WHERE type='table' ORDER BY name")
        return {
            name: sorted(map(repr, found.execute(f'SELECT * FROM "{name}"'))) for (name,) in names
        }


class Backups(TransactionTestCase):
    def _fixture_teardown(self):
        """Nothing: each begins with the garden put back."""

    @classmethod
    def tearDownClass(cls):
        super().tearDownClass()
        stand_in(nothing)

    def setUp(self):
        stand_in(weir_yard.build)
        self.folder = Path(tempfile.mkdtemp(prefix="dace-backup-"))
        self.photos = self.folder / "photos"
        (self.photos / "house").mkdir(parents=True)
        (self.photos / "house" / "leaf-large.webp").write_bytes(b"pixels")
        self.enterContext(override_settings(DACE_PHOTOS=self.photos, DATA=self.folder))

    def live(self):
        copy = self.folder / "live.sqlite3"
        copy_database(copy)
        return rows(copy)

    def elsewhere(self):
        """As on another machine: another database and other photos."""
        there = self.folder / "elsewhere" / "dace.sqlite3"
        named = mock.patch.dict(connection.settings_dict, {"NAME": str(there)})
        return there, named, override_settings(DACE_PHOTOS=there.parent / "photos")

    def test_on_another_machine_it_is_the_same_garden_row_by_row(self):
        made = back_up(self.folder / "all.tar")
        self.assertEqual(made.photos, 1)
        self.assertEqual(made.path.stat().st_mode & 0o777, 0o600)
        there, named, photos = self.elsewhere()
        with named, photos:
            restore(made.path)
        self.assertEqual(rows(there), self.live())
        self.assertEqual((there.parent / "photos/house/leaf-large.webp").read_bytes(), b"pixels")
        self.assertEqual(there.stat().st_mode & 0o077, 0)

    def test_what_was_there_before_is_kept_beside(self):
        made = back_up(self.folder / "all.tar")
        there, named, photos = self.elsewhere()
        there.parent.mkdir()
        with closing(sqlite3.connect(there)) as old:
            old.execute("CREATE TABLE mine (x)")
        with named, photos:
            before = restore(made.path)
        self.assertEqual(list(rows(before)), ["mine"])
        self.assertRegex(before.name, r"^dace-before-restore-\d{8}T\d{6}\.sqlite3$")

    def test_nothing_is_restored_while_it_is_served_or_open(self):
        made = back_up(self.folder / "all.tar")
        there, named, photos = self.elsewhere()
        there.parent.mkdir()
        with closing(sqlite3.connect(there)) as old:
            old.execute("PRAGMA journal_mode=WAL")
            old.execute("CREATE TABLE mine (x)")
        with named, photos:
            with held(there), self.assertRaisesMessage(DaceError, "which Dace serves"):
                restore(made.path)
            with closing(sqlite3.connect(there)) as reader:
                reader.execute("SELECT * FROM mine").fetchall()
                with self.assertRaisesMessage(DaceError, "something has open"):
                    restore(made.path)
            self.assertEqual(list(rows(there)), ["mine"])
            restore(made.path)
            self.assertIn("garden_stand", rows(there))

    def test_a_copy_under_writers_is_of_one_moment(self):
        name = connection.settings_dict["NAME"]
        with closing(sqlite3.connect(name)) as found:
            found.execute("CREATE TABLE pairs (one, other)")
            found.execute("CREATE TABLE bulk AS SELECT randomblob(16000000)")
            found.commit()
        ended = threading.Event()

        def write():
            with closing(sqlite3.connect(name, timeout=20)) as mine:
                for count in range(1, 3_000):  # so that a copy that begins anew for each ends too
                    if ended.is_set():
                        return
                    mine.execute("INSERT INTO pairs VALUES (?, ?)", (count, count))
                    mine.execute("UPDATE pairs SET other = ?", (count,))
                    mine.commit()

        writer = threading.Thread(target=write)
        writer.start()
        try:
            for number in range(5):
                copy = self.folder / f"{number}.sqlite3"
                copy_database(copy)
                with closing(sqlite3.connect(copy)) as found:
                    kinds = found.execute(
                        "SELECT COUNT(DISTINCT other), COUNT(*), MAX(other) FROM pairs"
                    )
                    distinct, count, last = kinds.fetchone()
                self.assertLessEqual(distinct, 1)  # never between an insert and its update
                self.assertEqual(count, last or 0)
            self.assertTrue(writer.is_alive())
        finally:
            ended.set()
            writer.join()

    def test_what_cannot_be_written_leaves_nothing_behind(self):
        before = sorted(self.folder.iterdir())
        with self.assertRaises(DaceError) as caught:
            back_up(self.folder / "no such folder" / "all.tar")
        self.assertEqual(caught.exception.field, "file")
        with (
            mock.patch("tarfile.TarFile.add", side_effect=OSError(28, "No space left on device")),
            self.assertRaises(DaceError) as caught,
        ):
            back_up(self.folder / "all.tar")
        self.assertIn("No space left", caught.exception.read)
        self.assertEqual(sorted(self.folder.iterdir()), before)

    def test_what_is_no_backup_is_refused_and_the_garden_stands(self):
        live, broken = self.live(), self.folder / "broken.tar"
        database = self.folder / "dace.sqlite3"
        database.write_bytes(b"no database at all" * 500)
        with tarfile.open(broken, "w") as packed:
            packed.add(database, "dace.sqlite3")
        other = self.folder / "other.tar"
        with tarfile.open(other, "w") as packed:
            packed.add(database, "something")
        plain = self.folder / "plain.tar"
        plain.write_text("hello")
        for path in (broken, other, plain, self.folder / "missing.tar"):
            with self.subTest(path.name), self.assertRaises(CommandError):
                call_command("restore", str(path))
        self.assertEqual(self.live(), live)

    def test_a_damaged_page_is_found(self):
        copy = self.folder / "copy.sqlite3"
        copy_database(copy)
        check_sound(copy)
        data = bytearray(copy.read_bytes())
        half = len(data) // 2 // 4096 * 4096
        data[half : half + 8192] = b"\xff" * 8192
        copy.write_bytes(data)
        with self.assertRaises(DaceError) as caught:
            check_sound(copy)
        self.assertIn("damaged", caught.exception.read)

    def test_what_stands_is_copied_before_its_tables_change(self):
        live = self.live()
        (self.folder / "live.sqlite3").unlink()
        call_command("migrate", "measuring", "0008", verbosity=0)
        try:
            (copy,) = (self.folder / "copies").iterdir()
            self.assertTrue(copy.name.startswith("before-migrating-"))
            self.assertEqual(rows(copy), live)
        finally:
            call_command("migrate", verbosity=0)
        call_command("migrate", verbosity=0)  # nothing to change, nothing to copy
        self.assertLessEqual(len(list((self.folder / "copies").iterdir())), 2)

    def test_what_cannot_be_copied_is_told_and_ends_nothing(self):
        full = OSError("No space left on device"), OperationalError("database or disk is full")
        for error in (*full, DaceError("file", "a damaged page", "go back to a copy")):
            with (
                self.subTest(error=error),
                mock.patch("dace.exchange.copies.nightly", side_effect=error),
                self.assertLogs("dace.copies", "ERROR") as told,
            ):
                keep_up()
            self.assertIn("no copy was made", told.output[0])

    def test_what_is_wrong_is_found_the_same_night(self):
        files = [where(*one, "large") for one in Photo.objects.values_list("household_id", "pk")]
        for file in files:
            file.parent.mkdir(exist_ok=True)
            file.write_bytes(b"pixels")
        copy = nightly(date(2026, 11, 26))
        well = nightcheck.check(timezone.now(), (copy,))
        self.assertEqual(well.wrong, ())
        self.assertEqual(nightcheck.last_night(), well)
        data = bytearray(copy.read_bytes())
        data[8192:16384] = b"\xff" * 8192
        copy.write_bytes(data)
        with mock.patch("shutil.disk_usage", return_value=mock.Mock(free=1_000_000)):
            told = nightcheck.check(timezone.now(), (copy, self.folder / "gone.sqlite3")).wrong
        self.assertEqual(len(told), 3, told)
        self.assertIn("The copy 2026-11-26.sqlite3: a damaged database", told[0])
        self.assertIn("No such file", told[1])
        self.assertEqual(told[2], "The disk has 1 MB left.")
        self.assertEqual(nightcheck.check(timezone.now(), ()).wrong[0][:17], "There is no copy ")

    def test_a_second_place_has_the_copies_too_and_is_missed_where_it_is_gone(self):
        there = self.folder / "stick"
        there.mkdir()
        with override_settings(DACE_COPIES=str(there)):
            keep_up()
            (made,) = there.iterdir()
            self.assertEqual(rows(made), rows(self.folder / "copies" / made.name))
            shutil.rmtree(there)
            (self.folder / "copies" / made.name).unlink()
            with self.assertLogs("dace.copies", "ERROR"):
                keep_up()
            self.assertTrue((self.folder / "copies" / made.name).is_file())
            self.assertIn("No such file", " ".join(nightcheck.last_night().wrong))

    def test_one_copy_a_night_and_the_old_ones_go(self):
        today = date(2026, 11, 26)
        first = nightly(today - timedelta(days=9))
        self.assertTrue(first.exists())
        self.assertIsNone(nightly(today - timedelta(days=9)))
        for days in range(8, -1, -1):
            nightly(today - timedelta(days=days))
        left = sorted(path.stem for path in (self.folder / "copies").iterdir())
        self.assertEqual(left[-7:], [f"2026-11-{day}" for day in range(20, 27)])
        self.assertIn("2026-11-17", left)  # the first of its month, as far as there are any

    def test_a_clock_that_stepped_back_or_far_ahead_deletes_no_copy(self):
        nights = [date(2026, 11, 1) + timedelta(n) for n in range(26)]
        for night in nights:
            (self.folder / "copies").mkdir(exist_ok=True)
            (self.folder / "copies" / f"{night}.sqlite3").write_bytes(b"")
        for wrong in (date(2020, 1, 1), date(2030, 1, 1), date(2026, 11, 20)):
            nightly(wrong)
            left = {path.stem for path in (self.folder / "copies").iterdir()}
            self.assertLessEqual({str(night) for night in nights}, left, wrong)
        self.assertIn("2020-01-01", left)


class Kept(SimpleTestCase):
    def test_no_copy_of_a_day_to_come_goes(self):
        today = date(2026, 11, 26)
        days = {today - timedelta(days=n) for n in range(40)}
        later = {date(2030, 1, 1), date(2026, 11, 27)}
        self.assertEqual(to_keep(days | later, today), days | later)
        self.assertLess(to_keep(days, today), days)

    def test_seven_days_four_weeks_twelve_months(self):
        today = date(2026, 11, 26)
        kept: set[date] = set()
        for back in range(800, -1, -1):  # as the nights go by
            day = today - timedelta(days=back)
            kept = to_keep(kept | {day}, day)
        week = {today - timedelta(days=n) for n in range(7)}
        self.assertLessEqual(week, kept)
        self.assertEqual(len({day.strftime("%Y-%m") for day in kept}), 12)
        self.assertGreaterEqual(len({day.strftime("%G-%V") for day in kept}), 4)
        self.assertLessEqual(len(kept), 7 + 4 + 12)
