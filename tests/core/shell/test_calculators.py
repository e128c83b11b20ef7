"""The shell's calculators, run as one runs them."""

import json
import subprocess
import sys

from django.test import SimpleTestCase

JAR = {
    "grade": [4, 3, 8],
    "basis": "oxide",
    "percent": "mass",
    "density_g_per_ml": 1.15,
    "nitrogen": {"nitrate": 1.6, "ammonium": 0.8, "urea": 1.6},
}
GIVEN = {"jar": JAR, "water": {"ec_ms_cm": 0.5}, "vessel": "9 L", "strength": "1 + 200"}


def run(name, given):
    text = given if isinstance(given, str) else json.dumps(given)
    return subprocess.run(
        [sys.executable, "-m", "dace.core", name],
        input=text,
        capture_output=True,
        text=True,
        check=False,
    )


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
        found = json.loads(run("dilute", GIVEN | {"measures": "metric"}).stdout)
        self.assertAlmostEqual(found["concentrate_ml"], 44.8, delta=0.05)
        self.assertEqual(
            {k: round(v) for k, v in found["mg_l"].items() if k in "NPK"},
            {"N": 229, "P": 75, "K": 380},
        )
        self.assertAlmostEqual(found["ec_ms_cm"], 2.05, delta=0.03)
        self.assertTrue(found["working"])
        self.assertEqual(
            len(json.loads(run("dilute", GIVEN | {"strength": "1:12"}).stdout)["readings"]), 2
        )

    def test_ec_at_a_temperature(self):
        given = {"ions": {"K": 390.98, "Cl": 354.53}, "ph": 7, "temperature_c": 15}
        self.assertAlmostEqual(
            json.loads(run("ec", given).stdout)["ec_ms_cm"], 1.413 * 0.803, delta=0.01
        )

    def test_rootzone_flushes_a_salty_tub(self):
        """The same tub read at 3.9 in flower, where 2.6 is the top: some 17 L in three goes."""
        found = json.loads(run("rootzone", TUB).stdout)
        self.assertEqual(found["comfort"]["high"], 2.6)
        self.assertEqual((found["word"], found["next_feed"]["say"]), ("too_salty", "plain"))
        plan = found["flush"]
        self.assertTrue(plan["litres"]["low"] < 17 < plan["litres"]["high"])
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
                done = run(name, given)
                self.assertEqual((done.returncode, done.stdout), (2, ""))
                self.assertEqual(len(done.stderr.strip().splitlines()), 1, done.stderr)
