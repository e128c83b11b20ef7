"""Readings turned to 25 C, and what a sample of the medium stands for."""

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.errors import DaceError
from dace.core.matter.conductivity import ec_25
from dace.core.matter.temperature import ec_at
from dace.core.pen.methods import as_pour_through
from dace.core.pen.readings import METHODS, PenReading, parts_for_pen, reading_at_25
from tests.core.working import worked_out


class Temperature(SimpleTestCase):
    @given(st.floats(0.05, 20), st.floats(5, 35))
    def test_what_a_plain_pen_shows_is_turned_back(self, ec, warm):
        shown = ec_at(ec, warm)
        found = reading_at_25(PenReading(shown, temperature_c=warm, compensates=False))
        self.assertAlmostEqual(found.value, ec, delta=1e-9 * ec + 1e-9)

    def test_warmer_liquid_conducts_more(self):
        values = [ec_at(1.0, warm) for warm in range(0, 51, 5)]
        self.assertEqual(values, sorted(values))

    def test_a_pen_that_compensates_ignores_the_temperature(self):
        self.assertEqual(reading_at_25(PenReading(1.2, temperature_c=8)).value, 1.2)

    def test_ice_and_boiling_are_refused(self):
        for warm in (-5, 51, 100, float("nan")):
            with self.subTest(warm), self.assertRaises(DaceError) as caught:
                reading_at_25(PenReading(1.2, temperature_c=warm, compensates=False))
            self.assertEqual(caught.exception.field, "temperature_c")


class Scales(SimpleTestCase):
    @given(st.floats(0.01, 19))
    def test_one_liquid_on_four_scales(self, ec):
        for scale, factor in (("mS/cm", 1), ("uS/cm", 1000), ("ppm500", 500), ("ppm700", 700)):
            found = reading_at_25(PenReading(ec * factor, scale))
            self.assertAlmostEqual(found.value, ec, places=9)

    def test_a_700_scale_pen_shows_40_percent_more(self):
        half = reading_at_25(PenReading(1000, "ppm500")).value
        self.assertAlmostEqual(half / reading_at_25(PenReading(1000, "ppm700")).value, 1.4)

    def test_unknown_words_are_named(self):
        for pen, field in (
            (PenReading(1, "TDS"), "scale"),
            (PenReading(1, "ppm"), "scale"),
            (PenReading(1, method="lick"), "method"),
            (PenReading(-1), "value"),
            (PenReading(201), "value"),
        ):
            with self.subTest(pen), self.assertRaises(DaceError) as caught:
                reading_at_25(pen)
            self.assertEqual(caught.exception.field, field)


class Ranges(SimpleTestCase):
    def test_a_can_is_surer_than_a_pot_and_a_pot_than_a_dilute_extract(self):
        def width(method):
            found = reading_at_25(PenReading(2.0, method=method))
            return found.high / found.low

        self.assertLess(width("feed_solution"), width("saturated_media_extract"))
        self.assertLess(width("saturated_media_extract"), width("pour_through"))
        self.assertLess(width("pour_through"), width("ext_1_5_vv"))

    @given(st.floats(0.05, 15), st.sampled_from(sorted(METHODS)))
    def test_the_reading_lies_in_its_own_range(self, ec, method):
        found = reading_at_25(PenReading(ec, method=method))
        self.assertTrue(found.low < found.value < found.high)
        stands_for = as_pour_through(PenReading(ec, method=method))
        if stands_for is not None:
            self.assertTrue(stands_for.low < stands_for.value < stands_for.high)
            self.assertGreaterEqual(stands_for.high / stands_for.low, found.high / found.low - 1e-9)

    def test_every_conversion_follows_from_its_steps(self):
        for method in METHODS:
            found = as_pour_through(PenReading(850, "uS/cm", 15, False, method))
            for step in found.working if found else ():
                if step.expression:
                    self.assertAlmostEqual(worked_out(step.expression) / step.value, 1, delta=0.002)


class Diluting(SimpleTestCase):
    @given(st.floats(0.5, 60), st.floats(2, 20))
    def test_what_is_advised_brings_the_liquid_into_range(self, expected, most):
        try:
            parts = parts_for_pen(expected, most)
        except DaceError:
            self.assertGreater(expected / 200, most * 0.6)
            return
        self.assertLessEqual(expected / (1 + parts), most * 0.8 + 1e-9)

    @given(st.floats(300, 20_000), st.sampled_from([4, 9, 19, 49]))
    def test_worked_back_is_what_it_was(self, k, parts):
        def salt(mg):
            return ec_25({"K": mg, "NO3_N": mg * 14.007 / 39.098}, 7)

        found = reading_at_25(PenReading(salt(k / (1 + parts)), parts_water=parts))
        self.assertAlmostEqual(found.value / salt(k), 1, delta=0.003)

    def test_a_diluted_reading_is_less_sure(self):
        plain = reading_at_25(PenReading(1.5))
        diluted = reading_at_25(PenReading(1.5, parts_water=9))
        self.assertGreater(diluted.high / diluted.low, plain.high / plain.low)

    def test_strange_dilutions_are_refused(self):
        for parts in (-1, 201, float("inf"), float("nan")):
            with self.subTest(parts), self.assertRaises(DaceError):
                reading_at_25(PenReading(1.5, parts_water=parts))
