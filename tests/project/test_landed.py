"""Data of landed states, frozen as they were written: brought up to date, nothing is missing."""

import gzip
import json
import os
import sqlite3
import subprocess
import sys
import tempfile
from contextlib import closing
from pathlib import Path

from django.test import SimpleTestCase

from tests.core import counts

LANDED = Path(__file__).parent.parent / "data" / "landed"
BESIDE = {"django_migrations", "django_content_type", "django_session", "auth_permission"}
MENDED = {"last_login", "calibrated_at", "session_salt"}
"""What may change: a pen counted as calibrated on the day it came says now that it never was, and
the demo garden's own account is signed out.
"""

READ = """
import json, django
django.setup()
from django.core.management import call_command
call_command("migrate", verbosity=0)
from django.test import Client
from dace.households.models import User
out = {}
for user in User.objects.filter(username__in=("weir-yard", "mill-hand")):
    asking, name = Client(SERVER_NAME="localhost"), user.username
    asking.force_login(user)
    page = asking.get("/api/notebook?limit=500").json()
    doses = [[d[k] for k in ("at", "stop", "counted", "plants", "sources")] for d in page["doses"]]
    readings = [[r[k] for k in ("at", "ec_ms_cm")] for r in page["readings"]]
    out[name] = {"doses": doses, "readings": readings}
print(json.dumps(out))
"""


def rows(path):
    """Every row that a garden keeps, by table and key: its columns by name."""
    with closing(sqlite3.connect(path)) as found:
        found.row_factory = sqlite3.Row
        names = found.execute("SELECT name FROM sqlite_master WHERE type='table'").fetchall()
        kept = [n for (n,) in names if n not in BESIDE and not n.startswith("sqlite_")]
        return {
            name: {str(row[0]): dict(row) for row in found.execute(f'SELECT * FROM "{name}"')}
            for name in kept
        }


class Landed(SimpleTestCase):
    seconds_each = 8

    def upgraded(self, folder):
        """What is read after the upgrade, in a process of its own."""
        env = os.environ | {
            "DACE_DATA": str(folder),
            "DACE_NOW": "2026-07-14T17:40",
            "DACE_DEMO": "1",
            "DJANGO_SETTINGS_MODULE": "dace.project.settings.development",
        }
        done = subprocess.run(
            [sys.executable, "-c", READ], env=env, check=False, capture_output=True, text=True
        )
        self.assertEqual(done.returncode, 0, done.stderr)
        return done.stdout

    def test_every_row_and_every_word_of_a_landed_database_is_there_after_the_upgrade(self):
        for frozen in sorted(LANDED.glob("*.sqlite3.gz"))[counts.of(0, -1) :]:
            with self.subTest(frozen.name), tempfile.TemporaryDirectory() as folder:
                path = Path(folder) / "dace.sqlite3"
                path.write_bytes(gzip.decompress(frozen.read_bytes()))
                before = rows(path)
                told = json.loads(self.upgraded(folder))
                self.assert_kept(before, rows(path))
                words = frozen.name.replace(".sqlite3.gz", ".json")
                self.assertEqual(told, json.loads((LANDED / words).read_text()))

    def assert_kept(self, before, after):
        """Each old row under its key; a column that still is holds what it held, if anything."""
        self.assertGreater(len(before["feeding_dose"]), 10)
        for table, kept in before.items():
            for key, row in kept.items():
                now = after[table][key]
                held = {c for c in row.keys() & now.keys() if row[c] is not None} - MENDED
                self.assertEqual(
                    {c: row[c] for c in held}, {c: now[c] for c in held}, f"{table} {key}"
                )
