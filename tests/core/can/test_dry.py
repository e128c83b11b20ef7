"""Dry feeds told in every way, and tests of soil."""

import unittest

from hypothesis import given
from hypothesis import strategies as st

from dace.core.can.dry import Spread, disagreement, dry_dose, read_dry
from dace.core.errors import DaceError
from dace.core.ledger.soil_tests import read_soil_test
from dace.core.matter.media import medium
from dace.core.season.own_weather import read_own_weather

BED = Spread(plants=30, g_per_ml=0.68, area_m2=2.1, volume_l=650.0)


class DressingTests(unittest.TestCase):
    @given(
        grams=st.floats(1, 50_000),
        plants=st.integers(1, 200),
        density=st.floats(0.1, 2),
        area=st.floats(0.1, 50),
        volume=st.floats(5, 5000),
    )
    def test_every_way_comes_back(self, grams, plants, density, area, volume):
        on = Spread(plants, density, area, volume)
        dose = dry_dose(grams, on)
        for said in (
            f"{dose.g_m2!r} g/m2",
            f"{dose.g_each!r} g per plant",
            f"{dose.ml_each!r} ml per hole",
            f"{dose.handfuls!r} handfuls",
            f"{dose.layer_mm!r} mm layer",
            f"{100 * dose.share!r} % of the mix",
            f"{dose.grams!r} g",
        ):
            if "e" in said.split()[0] or 100 * dose.share >= 100:
                continue
            self.assertLess(abs(read_dry(said, on).grams / grams - 1), 1e-3, said)

    def test_by_hand(self):
        # 70 g/m2 on 2.1 m2; a tablespoon is 15 mL; a handful is 80 mL
        for said, grams in (
            ("70 g/m²", 147.0),
            ("a handful per plant", 30 * 80 * 0.68),
            ("2 handfuls", 2 * 80 * 0.68),
            ("1 tbsp per hole", 30 * 15 * 0.68),
            ("1 cm layer", 2.1 * 10 * 1000 * 0.68),
            ("1 in 14 of the mix", 650 / 13 * 1000 * 0.68),
            ("100 g", 100.0),
            ("a 5 mm layer", 2.1 * 5 * 1000 * 0.68),
            ("a handful", 80 * 0.68),
            ("1/2 handful a plant", 15 * 80 * 0.68),
        ):
            with self.subTest(said):
                self.assertAlmostEqual(read_dry(said, BED).grams, grams, places=6)

    def test_a_depth_a_share_and_a_volume_that_disagree_are_called_out(self):
        said = disagreement(("1 cm layer", "5 % of the mix", "21 L"), BED)
        # 10 mm on 2.1 m2 is 21 L; a twentieth of the mix is 650/19 L
        self.assertIn("21 L", said)
        self.assertIn("34.2 L", said)
        self.assertEqual(disagreement(("1 cm layer", "21 L"), BED), "")

    def test_what_cannot_be_told_names_its_field(self):
        pot = Spread(plants=3, g_per_ml=0.7)
        for said, field in (
            ("70 g/m2", "area"),
            ("5 mm layer", "area"),
            ("5 %", "volume"),
            ("lots", "said"),
            ("", "said"),
            ("120 %", "said"),
            ("1e300 g", "said"),
            ("-3 g", "said"),
        ):
            with self.subTest(said), self.assertRaises(DaceError) as caught:
                read_dry(said, pot)
            self.assertEqual(caught.exception.field, field)


class SoilTestTests(unittest.TestCase):
    def test_kilograms_become_litres_by_weight(self):
        found = read_soil_test({"N": 10.0, "P": 60.0}, "mg/kg", medium("clay_soil"))
        # clay weighs 1.20 kg a litre; 20 mg/L of phosphorus is usual
        self.assertEqual(dict(found.mg_l), {"N": 12.0, "P": 72.0})
        self.assertEqual(found.high, frozenset({"P"}))
        self.assertIn("P 72 mg/L is high", found.sentence)

    def test_nonsense_is_named(self):
        for values, unit, field in (
            ({"P": 60.0}, "ppb", "unit"),
            ({}, "mg/L", "values"),
            ({"Fe": 1.0}, "mg/L", "values"),
            ({"K": -1.0}, "mg/L", "K"),
            ({"K": float("inf")}, "mg/L", "K"),
        ):
            with self.subTest(values), self.assertRaises(DaceError) as caught:
                read_soil_test(values, unit, medium("clay_soil"))
            self.assertEqual(caught.exception.field, field)


class OwnWeatherTests(unittest.TestCase):
    def test_columns_are_found_by_name_or_by_place(self):
        named = read_own_weather("rain;max;min;day\n0.4;22;11.5;2026-07-14")
        plain = read_own_weather("2026-07-14,11.5,22,0.4\n2026-07-13,10,20")
        self.assertEqual(named[0], plain[1])
        self.assertIsNone(plain[0].rain_mm)

    def test_a_bad_line_is_named(self):
        for text in (
            "",
            "2026-07-14,22,11",
            "2026-07-14,11,22\n14 July,11,22",
            "2026-07-14,11,900",
        ):
            with self.subTest(text), self.assertRaises(DaceError) as caught:
                read_own_weather(text)
            self.assertEqual(caught.exception.field, "text")
        with self.assertRaises(DaceError) as caught:
            read_own_weather("2026-07-14,11,22\n14 July,11,22")
        self.assertIn("line 2", caught.exception.read)
