"""What Dace shows can be typed back, in every family of measures: no box refuses its own words."""

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.api import shown
from dace.core.can.dry import Spread, read_dry
from dace.core.can.strength import parse_strength
from dace.core.can.vessels import read_pack
from dace.core.words.quantities import FAMILIES, read_amount, read_measure
from dace.core.words.shown import Shown, showing
from dace.core.words.sizes import read_size

families = st.sampled_from(FAMILIES)
THREE_DIGITS = 0.006  # half of the last of three digits, as a share


class TypedBack(SimpleTestCase):
    def near(self, found, value):
        self.assertLessEqual(abs(found / value - 1), THREE_DIGITS, (found, value))

    @given(families, st.floats(0.002, 2000))
    def test_volumes(self, family, value):
        with showing(Shown(family)):
            said = shown.litres(value)
        found = read_amount(said, family, "volume")
        self.assertEqual(found.unit, "mL", said)
        self.near(found.value / 1000, value)

    @given(families, st.floats(0.01, 50_000))
    def test_weights(self, family, value):
        with showing(Shown(family)):
            said = shown.grams(value)
        self.near(read_pack(said, "g", family, "pack"), value)

    @given(families, st.floats(0.01, 50), st.sampled_from(["g", "mL"]))
    def test_strengths(self, family, value, unit):
        with showing(Shown(family)):
            said = shown.in_each(value, unit)
        found = parse_strength(said, family)
        self.assertEqual(len(found), 1, said)
        self.assertEqual((found[0].kind, found[0].unit), ("per_litre", unit), said)
        self.near(found[0].amount, value)

    @given(families, st.floats(5, 500))
    def test_dressings(self, family, value):
        with showing(Shown(family)):
            said = shown.on_an_area(value)
        dose = read_dry(said, Spread(plants=4, g_per_ml=0.7, area_m2=2.5), family)
        self.near(dose.grams / 2.5, value)

    @given(families, st.floats(0.05, 500))
    def test_areas(self, family, value):
        with showing(Shown(family)):
            said = shown.square_metres(value)
        self.near(read_size(said, family).area_m2, value)

    @given(st.sampled_from(["C", "F"]), st.floats(1, 60))
    def test_temperatures(self, degrees, value):
        with showing(Shown(degrees=degrees)):
            said = shown.degrees(value, 3)
        self.assertAlmostEqual(read_measure(said, "temperature", "t"), value, delta=0.3)

    def test_printed_conversions(self):
        """A US gallon is 3.785 L and an imperial one 4.546; an ounce 28.35 g; a foot 0.3048 m."""
        for family, words, value in (
            ("us", shown.litres, 3.785),
            ("imperial", shown.litres, 4.546),
            ("us", shown.grams, 28.35),
            ("us", shown.square_metres, 0.092903),
            ("us", shown.depth, 25.4),
        ):
            with self.subTest(family), showing(Shown(family)):
                self.assertEqual(words(value).split(" ")[0], "1")

    @given(st.floats(0.01, 20))
    def test_every_scale_shows_what_a_pen_of_it_shows(self, value):
        for scale, times, step in (("mS/cm", 1, 0.01), ("ppm500", 500, 10),
                                   ("ppm700", 700, 10), ("CF", 10, 0.1)):  # fmt: skip
            with showing(Shown(scale=scale)):
                said = float(shown.ec_number(value).replace(",", ""))
            self.assertLessEqual(abs(said - value * times), step / 2 + 1e-6)
