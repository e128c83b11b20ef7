import csv
import statistics
from pathlib import Path

import numpy as np
from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.errors import DaceError
from dace.core.matter.conductivity import IONS, conducted, ec_25
from dace.core.matter.temperature import ec_at

REFERENCE = Path(__file__).parents[2] / "data" / "ec_open.csv"


def reference_rows():
    with REFERENCE.open(encoding="utf-8") as file:
        for row in csv.DictReader(file):
            ions = {key: float(row[key]) for key in IONS}
            yield row, ions, float(row["ph"]), float(row["temperature_c"]), float(row["ec_ms_cm"])


class AgainstReferenceSolutions(SimpleTestCase):
    def test_median_within_2_and_worst_within_8_percent_at_25_c(self):
        off = [
            abs(ec_25(ions, ph) / ec - 1)
            for _, ions, ph, temperature, ec in reference_rows()
            if temperature == 25 and 0.05 < ec < 10
        ]
        self.assertGreater(len(off), 25)
        self.assertLess(statistics.median(off), 0.02)
        self.assertLess(max(off), 0.08)

    def test_other_temperatures_within_6_percent(self):
        rows = [row for row in reference_rows() if row[3] != 25]
        self.assertGreater(len(rows), 5)
        for row, ions, ph, temperature, ec in rows:
            with self.subTest(row["id"]):
                self.assertAlmostEqual(ec_at(ec_25(ions, ph), temperature) / ec, 1, delta=0.06)

    def test_printed_potassium_chloride_standards(self):
        # 0.01 mol/L reads 1.413 and 0.1 mol/L 12.88 mS/cm at 25 C
        for mol_l, printed in ((0.01, 1.413), (0.1, 12.88)):
            salt = {"K": 39098 * mol_l, "Cl": 35453 * mol_l}
            self.assertAlmostEqual(ec_25(salt, 7.0) / printed, 1, delta=0.01)

    def test_temperature_factors_of_the_table(self):
        for temperature, factor in ((5, 0.616), (10, 0.708), (15, 0.803), (20, 0.900), (35, 1.209)):
            self.assertAlmostEqual(ec_at(1.0, temperature), factor, delta=0.0015)


class Properties(SimpleTestCase):
    def test_each_reads_to_the_last_digit_what_it_does_alone(self):
        rng = np.random.default_rng(1)
        many = {key: rng.uniform(0, 400, 60) * (rng.random(60) < 0.8) for key in IONS}
        alone = [ec_25({key: float(row[at]) for key, row in many.items()}) for at in range(60)]
        for wide in (1, 2, 7, 60):
            found = ec_25({key: row[:wide] for key, row in many.items()})
            self.assertEqual(np.atleast_1d(found).tolist(), alone[:wide])

    @given(st.floats(1, 2000), st.floats(1.05, 3))
    def test_more_salt_conducts_more_but_less_than_in_proportion(self, k, factor):
        def salt(mg):
            return ec_25({"K": mg, "NO3_N": mg * 14.007 / 39.098}, 7)

        weak, strong = salt(k), salt(k * factor)
        self.assertGreater(strong, weak)
        self.assertLess(strong, weak * factor * 1.0001)

    def test_urea_carries_nothing(self):
        self.assertLess(ec_25({"urea_N": 5000}, 7), 0.001)

    def test_carriers_add_up(self):
        ions = {"K": 380, "NO3_N": 92, "Ca": 106, "HCO3": 323, "S_SO4": 60}
        self.assertAlmostEqual(
            sum(c.ec_ms_cm for c in conducted(ions).carriers()), ec_25(ions), places=9
        )

    def test_bad_ions_are_named(self):
        for ions in ({"Fe": 1}, {"K": -1}, {"K": float("nan")}, {"K": 1e308}):
            with self.subTest(ions), self.assertRaises(DaceError) as caught:
                ec_25(ions)
            self.assertEqual(caught.exception.field, "ions")
