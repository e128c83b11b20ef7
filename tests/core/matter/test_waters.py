"""Waters: by a pen, by a report, by kind, blended."""

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.errors import DaceError
from dace.core.matter.conductivity import ec_25
from dace.core.matter.waters import (
    WATER_KINDS,
    blend,
    water_from_ec,
    water_from_report,
    water_of_kind,
)


def charge(water):
    """Cations less anions [meq/L], by equivalent weights of the handbook."""
    plus = {"Ca": 20.039, "Mg": 12.1525, "Na": 22.99, "K": 39.098}
    minus = {"HCO3": 61.016, "Cl": 35.453, "S_SO4": 16.03, "NO3_N": 14.007}
    up = sum(water.of(key) / weight for key, weight in plus.items())
    return up - sum(water.of(key) / weight for key, weight in minus.items())


class ByPen(SimpleTestCase):
    @given(st.floats(0.01, 3))
    def test_it_reads_what_the_pen_read_and_is_neutral(self, ec):
        water = water_from_ec(round(ec, 3))
        self.assertAlmostEqual(ec_25(dict(water.ions), 7.5), round(ec, 3), delta=1e-3)
        self.assertAlmostEqual(charge(water), 0, delta=0.01)
        self.assertLessEqual(water.ca.low, water.of("Ca"))
        self.assertGreaterEqual(water.ca.high, water.of("Ca"))

    def test_pure_water(self):
        self.assertEqual(water_from_ec(0.0).of("Ca"), 0)


class ByReport(SimpleTestCase):
    def test_missing_anions_are_bicarbonate_and_missing_cations_sodium(self):
        hard = water_from_report((("Ca", 80.0),))
        self.assertAlmostEqual(hard.of("HCO3"), 80 / 20.039 * 61.016, delta=0.5)
        salty = water_from_report((("Cl", 71.0),))
        self.assertAlmostEqual(salty.of("Na"), 71 / 35.453 * 22.99, delta=0.1)

    @given(
        st.fixed_dictionaries(
            {
                key: st.floats(0, 200)
                for key in ("Ca", "Mg", "Na", "Cl", "S_SO4", "alkalinity_caco3", "NO3_N", "K")
            }
        )
    )
    def test_any_report_is_made_neutral(self, report):
        water = water_from_report(tuple(report.items()))
        self.assertAlmostEqual(charge(water), 0, delta=0.02)

    def test_alkalinity_as_lime_becomes_bicarbonate(self):
        # 100 mg/L as CaCO3 is 122 mg/L HCO3
        water = water_from_report((("Ca", 40.08), ("alkalinity_caco3", 100.0)))
        self.assertAlmostEqual(water.of("HCO3"), 122, delta=0.5)

    def test_bad_reports(self):
        for report in ((("Ca", -1.0),), (("Ca", float("nan")),), (("Pb", 1.0),), (("Ca", 1e6),)):
            with self.subTest(report), self.assertRaises(DaceError) as caught:
                water_from_report(report)
            self.assertEqual(caught.exception.field, "water")


class ByKind(SimpleTestCase):
    def test_a_guess_is_wider_than_a_reading(self):
        for kind in WATER_KINDS:
            guess = water_of_kind(kind)
            read = water_from_ec(guess.ec_ms_cm)
            self.assertLess(guess.ca.low, read.ca.low)
            self.assertGreater(guess.ca.high, read.ca.high)
        with self.assertRaises(DaceError):
            water_of_kind("pond")


class Blends(SimpleTestCase):
    @given(st.floats(0.05, 1.5), st.floats(0.05, 1.5), st.floats(0.01, 0.99))
    def test_between_its_parts_and_in_proportion(self, one, other, share):
        a, b = water_from_ec(round(one, 2)), water_from_ec(round(other, 2))
        mixed = blend(((a, share), (b, 1 - share)))
        want = a.of("Ca") * share + b.of("Ca") * (1 - share)
        self.assertAlmostEqual(mixed.of("Ca"), want, places=6)
        low, high = sorted((a.ec_ms_cm, b.ec_ms_cm))
        self.assertTrue(low - 0.01 <= mixed.ec_ms_cm <= high + 0.01)

    def test_shares_need_not_add_up_to_one(self):
        a, b = water_from_ec(0.1), water_from_ec(0.7)
        self.assertAlmostEqual(
            blend(((a, 1.0), (b, 3.0))).ec_ms_cm, blend(((a, 25.0), (b, 75.0))).ec_ms_cm
        )

    def test_no_parts_or_none_of_one_is_refused(self):
        for parts in ((), ((water_from_ec(0.1), 0.0),), ((water_from_ec(0.1), -1.0),)):
            with self.assertRaises(DaceError):
                blend(parts)
