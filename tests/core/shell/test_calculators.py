"""The shell's calculators, run as one runs them."""

import io
import json
import subprocess
import sys
from contextlib import redirect_stderr, redirect_stdout
from unittest import mock

from django.test import SimpleTestCase

from dace.core.__main__ import main
from dace.core.shell import CALCULATORS

JAR = {
    "grade": [4, 3, 8],
    "basis": "oxide",
    "percent": "mass",
    "density_g_per_ml": 1.15,
    "nitrogen": {"nitrate": 1.6, "ammonium": 0.8, "urea": 1.6},
}
GIVEN = {"jar": JAR, "water": {"ec_ms_cm": 0.5}, "vessel": "9 L", "strength": "1 + 200"}


def run(name, given):
    """Exit, standard output and standard error."""
    text = given if isinstance(given, str) else json.dumps(given)
    out, err = io.StringIO(), io.StringIO()
    with mock.patch("sys.stdin", io.StringIO(text)), redirect_stdout(out), redirect_stderr(err):
        code = main([name])
    return code, out.getvalue(), err.getvalue()


def answer(name, given):
    code, out, err = run(name, given)
    if code:
        raise AssertionError(err)
    return json.loads(out)


TUB = {
    "medium": "peat_free_mix",
    "litres": 40,
    "filled_on": "2026-05-23",
    "today": "2026-07-14",
    "crop": "aubergine",
    "stage": "flowering",
    "plants": 4,
    "started_on": "2026-03-10",
    "poured": [{"on": "2026-07-01", "litres": 6, "ec_ms_cm": 1.4, "n_mg_l": 110, "k_mg_l": 190}],
    "readings": [{"on": f"2026-07-{day}", "value": 3.9} for day in ("10", "12", "14")],
}


class Calculators(SimpleTestCase):
    def test_dilute(self):
        found = answer("dilute", GIVEN | {"measures": "metric"})
        self.assertAlmostEqual(found["concentrate_ml"], 44.8, delta=0.05)
        self.assertEqual(
            {k: round(v) for k, v in found["mg_l"].items() if k in "NPK"},
            {"N": 229, "P": 75, "K": 380},
        )
        self.assertAlmostEqual(found["ec_ms_cm"], 2.05, delta=0.03)
        self.assertTrue(found["working"])
        self.assertEqual(len(answer("dilute", GIVEN | {"strength": "1:12"})["readings"]), 2)

    def test_ec_at_a_temperature(self):
        given = {"ions": {"K": 390.98, "Cl": 354.53}, "ph": 7, "temperature_c": 15}
        self.assertAlmostEqual(answer("ec", given)["ec_ms_cm"], 1.413 * 0.803, delta=0.01)

    def test_rootzone_flushes_a_salty_tub(self):
        """The same tub read at 3.9 in flower, where 2.6 is the top: 10.6 to 30 L by hand."""
        found = answer("rootzone", TUB)
        self.assertEqual(found["comfort"]["high"], 2.6)
        self.assertEqual((found["word"], found["next_feed"]["say"]), ("too_salty", "plain"))
        plan = found["flush"]
        self.assertTrue(10.6 < plan["litres"]["likely"] < 30)
        self.assertAlmostEqual(plan["goes"] * plan["each_l"], plan["litres"]["likely"])
        self.assertAlmostEqual(plan["after_ms_cm"]["likely"] / plan["target_ms_cm"], 1, delta=0.1)

    def test_bad_input_is_one_sentence_and_exit_2(self):
        cases = (
            ("dilute", "no json"),
            ("dilute", "[]"),
            ("dilute", {}),
            ("nothing", {}),
            ("dilute", GIVEN | {"vessel": "9 bananas"}),
            ("dilute", GIVEN | {"water": {"ec_ms_cm": -1}}),
            ("dilute", GIVEN | {"jar": JAR | {"grade": [4, 3]}}),
            ("dilute", GIVEN | {"measures": "ell"}),
            ("dilute", GIVEN | {"jar": JAR | {"nitrogen": {"nitrate": 9}}}),
            ("ec", {"ions": {"K": "x"}}),
            ("rootzone", TUB | {"today": "tomorrow"}),
            ("rootzone", TUB | {"medium": "custard"}),
            ("rootzone", TUB | {"stage": "asleep"}),
            ("rootzone", TUB | {"readings": [{"on": "2026-07-14", "value": -3}]}),
            ("rootzone", TUB | {"poured": 7}),
            ("ec", {"ions": {}, "ph": 99}),
            ("ec", {"ions": {}, "temperature_c": 1e308}),
        )
        for name, given in cases:
            with self.subTest(name=name, given=given):
                code, out, err = run(name, given)
                self.assertEqual((code, out), (2, ""))
                self.assertEqual(len(err.strip().splitlines()), 1, err)

    def test_it_runs_as_a_command_and_as_a_function(self):
        done = subprocess.run(
            [sys.executable, "-m", "dace.core", "dilute"],
            input=json.dumps(GIVEN),
            capture_output=True,
            text=True,
            check=True,
        )
        self.assertEqual(json.loads(done.stdout), CALCULATORS["dilute"](GIVEN))
