"""The pages of docs/how-to, followed in a copy: their lines are run, then Dace is asked."""

import json
import re
import shutil
import subprocess
import sys
import tempfile
import unittest
from pathlib import Path

ROOT = Path(__file__).resolve().parents[3]
PAGES = ROOT / "docs" / "how-to"


class Followed(unittest.TestCase):
    def setUp(self):
        self.copy = Path(self.enterContext(tempfile.TemporaryDirectory()))
        (self.copy / "dace").mkdir()
        shutil.copy(ROOT / "dace" / "__init__.py", self.copy / "dace")
        shutil.copytree(ROOT / "dace" / "core", self.copy / "dace" / "core")

    def follow(self, page):
        for lines in re.findall(r"```sh\n(.*?)```", (PAGES / page).read_text(), re.DOTALL):
            subprocess.run(["bash", "-ec", lines], cwd=self.copy, check=True)

    def ask(self, calculator, **given):
        done = subprocess.run(
            [sys.executable, "-m", "dace.core", calculator],
            input=json.dumps(given), cwd=self.copy, capture_output=True, text=True, check=False,
        )  # fmt: skip
        self.assertEqual(done.returncode, 0, done.stderr)
        return json.loads(done.stdout)

    def test_a_crop_grows_by_its_clock_and_stands_the_cold(self):
        self.follow("crop.md")
        asked = {"latitude": 51, "today": "2026-07-14", "started_on": "2026-04-10", "looks": []}
        found = self.ask("clock", crop="shallot", **asked)
        leek = self.ask("clock", crop="leek", **asked)
        self.assertEqual([one["stage"] for one in found["stages"]],
                         [one["stage"] for one in leek["stages"]])  # fmt: skip
        cold = self.ask("frost", crop="shallot", stage="grown", forecast_low_c=-2)
        self.assertEqual(cold["say"], "No harm likely tonight.")

    def test_a_method_brews(self):
        self.follow("brewing-method.md")
        leaf = {"material": "nettle_fresh", "mass_g": 500}
        brew = {"ingredients": [leaf], "liquid": {"material": "water", "volume_l": 5}, "days": 3,
                "temperature_c": 18, "seed": 1}  # fmt: skip
        sun, cold = (self.ask("brew", method=key, **brew) for key in ("sun_steep", "cold_steep"))
        self.assertEqual(sun["mg_l"]["N"], cold["mg_l"]["N"])

    def test_a_measure_is_read(self):
        self.follow("measure.md")
        asked = {"text": "2 gills", "as": "volume", "measures": "imperial"}
        found = self.ask("read", **asked)
        self.assertAlmostEqual(found["readings"][0]["value"], 2 * 0.14207, places=4)  # litres

    def test_a_setting_keeps_what_drains(self):
        self.follow("setting.md")
        script = (
            "from dace.core.matter.settings import place_kind;"
            "print(place_kind('planter').in_open.returns_drain)"
        )
        said = subprocess.run(
            [sys.executable, "-c", script],
            cwd=self.copy,
            capture_output=True,
            text=True,
            check=True,
        )
        self.assertEqual(said.stdout.strip(), "0.9")

    def test_a_scale_has_its_lane(self):
        self.follow("lane.md")
        script = "from dace.core.api import scales; print([*scales()][-1])"
        said = subprocess.run(
            [sys.executable, "-c", script],
            cwd=self.copy,
            capture_output=True,
            text=True,
            check=True,
        )
        self.assertEqual(said.stdout.strip(), "scent")

    def test_every_page_is_named_and_leads_somewhere(self):
        named = set(re.findall(r"\]\(([\w-]+\.md)\)", (PAGES / "README.md").read_text()))
        self.assertEqual(named, {page.name for page in PAGES.glob("*.md")} - {"README.md"})
        for page in PAGES.glob("*.md"):
            for path in re.findall(r"`((?:dace|web|tests)/[\w./-]+)`", page.read_text()):
                self.assertTrue((ROOT / path).exists(), f"{page.name}: {path}")
