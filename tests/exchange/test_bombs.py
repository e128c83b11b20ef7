"""Spreadsheets made to hold a server up: refused, and ended where they take too long."""

import io
import zipfile
from unittest import mock

from django.test import SimpleTestCase
from openpyxl import Workbook

from dace.core.api import DaceError
from dace.exchange.notebook.sheets import sheets_of
from dace.exchange.notebook.workbook import read_apart


def book():
    made = Workbook()
    made.active.append(["Date", "Place", "EC"])
    made.active.append(["2026-07-01", "Quay tub 1", 1.9])
    out = io.BytesIO()
    made.save(out)
    return out.getvalue()


def with_member(name, content):
    """The same spreadsheet with a part of it exchanged."""
    out = io.BytesIO()
    with zipfile.ZipFile(io.BytesIO(book())) as old, zipfile.ZipFile(out, "w") as new:
        for one in old.namelist():
            if one != name:
                new.writestr(one, old.read(one))
        new.writestr(name, content, zipfile.ZIP_DEFLATED)
    return out.getvalue()


class Bombs(SimpleTestCase):
    def test_a_spreadsheet_is_read_apart(self):
        (sheet,) = sheets_of(book())
        self.assertEqual(sheet.heads, ("Date", "Place", "EC"))
        self.assertEqual(sheet.rows, ((2, ("2026-07-01", "Quay tub 1", "1.9")),))

    def test_sixteen_million_empty_texts_are_refused(self):
        texts = b"<sst>" + b"<si/>" * 16_000_000 + b"</sst>"
        bomb = with_member("xl/sharedStrings.xml", texts)
        self.assertLess(len(bomb), 1_000_000)
        with self.assertRaisesMessage(DaceError, "over 500,000 texts"):
            sheets_of(bomb)

    def test_what_unpacks_to_far_too_much_is_refused(self):
        with self.assertRaisesMessage(DaceError, "far too much"):
            sheets_of(with_member("xl/media/noise.bin", bytes(130_000_000)))

    def test_what_takes_too_long_is_ended(self):
        found = read_apart(book(), most_s=0.01)
        self.assertIn("to read", found.refused[0])
        self.assertEqual(found.sheets, ())

    def test_what_breaks_the_process_is_said(self):
        with mock.patch("subprocess.run", return_value=mock.Mock(stdout=b"")):
            self.assertIn("far too much", read_apart(book()).refused[0])

    def test_a_broken_one_is_said_to_be_broken(self):
        with self.assertRaisesMessage(DaceError, "a broken spreadsheet"):
            sheets_of(b"PK\x03\x04" + b"x" * 500)
