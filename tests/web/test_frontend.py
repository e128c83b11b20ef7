"""The browser's own logic, one case here for each of its tests in ``web/tests``."""

from __future__ import annotations

import json
import re
import subprocess
import tempfile
from pathlib import Path
from typing import Any, ClassVar

from django.test import SimpleTestCase

WEB = Path(__file__).resolve().parents[2] / "web"
NAMED = re.compile(r"""^test\(\s*(?:'([^']+)'|"([^"]+)")""", re.MULTILINE)


def _cases() -> dict[str, tuple[str, str]]:
    """Method name to the file and the name of a test, read from the files themselves."""
    found = {}
    for path in sorted((WEB / "tests").glob("*.test.ts")):
        for match in NAMED.finditer(path.read_text(encoding="utf-8")):
            name = match[1] or match[2]
            words = re.sub(r"\W+", "_", name.lower()).strip("_")
            found[f"test_{path.name.split('.')[0]}_{words}"] = (path.name, name)
    return found


class Frontend(SimpleTestCase):
    """Vitest runs once, before the first of them."""

    told: ClassVar[dict[tuple[str, str], Any]]

    @classmethod
    def setUpClass(cls) -> None:
        super().setUpClass()
        with tempfile.NamedTemporaryFile(suffix=".json") as report:
            run = subprocess.run(
                ["npx", "vitest", "run", "--reporter=json", f"--outputFile={report.name}"],
                cwd=WEB,
                capture_output=True,
                text=True,
                check=False,
            )
            text = report.read()
        if not text:
            raise AssertionError(f"Vitest told nothing:\n{run.stdout}\n{run.stderr}")
        cls.told = {
            (Path(suite["name"]).name, case["fullName"]): case
            for suite in json.loads(text)["testResults"]
            for case in suite["assertionResults"]
        }

    def test_every_case_stands_here(self) -> None:
        self.assertEqual(set(self.told), set(_cases().values()))


def _case(file: str, name: str) -> Any:
    def test(self: Frontend) -> None:
        case = self.told.get((file, name))
        self.assertIsNotNone(case, f"{file} did not come as far as “{name}”")
        self.assertEqual(case["status"], "passed", "\n".join(case["failureMessages"]))

    return test


for method, (file, name) in _cases().items():
    setattr(Frontend, method, _case(file, name))
