"""Caps, pouring, reading, and the other ways to say how strong."""

import math

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.can.fitting import friendly_parts, strongest_within
from dace.core.can.measures import Owned, round_to_owned, usual_measures, with_kitchen
from dace.core.can.pouring import Ground, suggest_litres_each
from dace.core.can.vessels import read_litres_each, split_into_cans
from dace.core.errors import DaceError
from dace.core.matter.composition import composition
from dace.core.matter.conductivity import ec_25
from dace.core.matter.label import Label
from dace.core.matter.waters import blend, water_from_ec, water_of_kind
from dace.core.pen.methods import as_pour_through
from dace.core.pen.readings import PenReading, compare_with_expected, parts_for_pen, reading_at_25
from dace.core.season.crops import crop, crops, feed_cap
from dace.core.words.sizes import read_size
from tests.core.can.cans import AUBERGINE, FLOWERING, FORMS, advice_on, can


class Caps(SimpleTestCase):
    def test_1_plus_200_passes_the_cap_of_aubergines_in_flower(self):
        found = can("1 + 200", crop=AUBERGINE, stage=FLOWERING)
        self.assertTrue(found.cap.over)
        self.assertAlmostEqual(found.cap.feed_ec, 1.7, delta=0.03)
        self.assertEqual((found.cap.cap, found.cap.strongest), (1.33, "1 + 260"))
        advice = advice_on("1 + 200", crop=AUBERGINE, stage=FLOWERING)
        self.assertIn("1 + 260", advice["over_cap"].text)
        self.assertFalse(can("1 + 260", crop=AUBERGINE, stage=FLOWERING).cap.over)
        self.assertTrue(can("1 + 250", crop=AUBERGINE, stage=FLOWERING).cap.over)

    def test_can_at_the_cap_stands_at_the_mark(self):
        mark = can("1 + 200", crop=AUBERGINE, stage=FLOWERING).cap
        at = can(f"{mark.amount_at_cap!r} ml", crop=AUBERGINE, stage=FLOWERING)
        self.assertAlmostEqual(at.can.ec.value, mark.total_at_cap, places=5)
        self.assertAlmostEqual(at.can.feed_ec, 1.33, places=4)

    def test_seedlings_leave_room_for_the_water(self):
        lettuce = crop("lettuce")
        seedling = lettuce.stage("seedling")  # at most 1.2 in all, feed 0.76
        self.assertAlmostEqual(feed_cap(lettuce, seedling, 0.65).feed_ec_ms_cm, 0.55)
        self.assertAlmostEqual(feed_cap(lettuce, seedling, 0.1).feed_ec_ms_cm, 0.76)
        self.assertEqual(feed_cap(lettuce, seedling, 1.4).feed_ec_ms_cm, 0)

    def test_what_the_stage_likes_never_passes_its_cap(self):
        for grown in list(crops().values())[::4]:
            for stage in grown.stages:
                if stage.wish_of("N").typ > 0 and feed_cap(grown, stage, 0.5).feed_ec_ms_cm > 0:
                    found = can("what the stage likes", crop=grown, stage=stage)
                    self.assertLessEqual(found.cap.feed_ec, found.cap.cap * 1.0001)
        with self.assertRaises(DaceError):
            can("what the stage likes")

    def test_stock_too_small_says_what_would_fit(self):
        advice = advice_on("1 + 200", stock=10.0)
        # 44.8 - 10 = 34.8 mL short; 10 mL x 201 = 2.0 L
        self.assertIn("34.8 mL short", advice["short_of_stock"].title)
        self.assertIn("2 L", advice["short_of_stock"].text)

    def test_friendly_parts_never_stronger(self):
        for exact in (14.2, 52.0, 258.4, 1204.0):
            self.assertGreaterEqual(friendly_parts(1000 / (1 + exact)), exact)

    def test_a_feed_without_charge_is_never_capped(self):
        urea = composition(Label(46, 0, 0, form="solid", nitrogen=(("urea", 46.0),)))
        self.assertIsNone(strongest_within(1.0, urea))


class PouringAndReading(SimpleTestCase):
    def test_two_days_water_for_each_but_no_more_than_the_can(self):
        each = suggest_litres_each(FLOWERING, Ground(4, 20.0), 9.0)
        self.assertEqual(each.value, 1.5)  # 2 x 0.7 L, in half litres
        self.assertLessEqual(suggest_litres_each(FLOWERING, Ground(4, 20.0), 2.0).value, 0.5)
        self.assertLessEqual(suggest_litres_each(FLOWERING, Ground(1, 3.0), 9.0).value, 1.0)

    @given(st.integers(1, 60), st.floats(0.5, 20), st.floats(0.2, 100))
    def test_no_suggestion_empties_more_than_the_can(self, plants, vessel_l, holding):
        for stage in (FLOWERING, crop("lettuce").stage("seedling")):
            each = suggest_litres_each(stage, Ground(plants, holding), vessel_l)
            self.assertLessEqual(each.value * plants, vessel_l * 1.000001)

    def test_readings_at_25(self):
        # 12 C: 1 - .0203 x 13 + 5.5e-5 x 169 = .7454; 1050 ppm / 500
        for pen, want in (
            (PenReading(2.10, temperature_c=12, compensates=False), 2.10 / 0.7454),
            (PenReading(1050, "ppm500"), 2.10),
            (PenReading(1050, "ppm700"), 1.50),
            (PenReading(1413, "uS/cm"), 1.413),
        ):
            read = reading_at_25(pen)
            self.assertAlmostEqual(read.value, want, delta=0.001)
            self.assertTrue(read.low < read.value < read.high)

    def test_bad_readings(self):
        for pen in (
            PenReading(0),
            PenReading(-1),
            PenReading(math.nan),
            PenReading(1e308),
            PenReading(1, "ppm"),
            PenReading(1, method="tongue"),
            PenReading(1, compensates=False),
            PenReading(1, temperature_c=400, compensates=False),
        ):
            with self.subTest(pen), self.assertRaises(DaceError):
                reading_at_25(pen)

    def test_a_reading_is_compared_with_the_expected(self):
        expected = can("1 + 200").can.ec
        for factor, verdict in ((1.0, "as_expected"), (0.8, "weaker"), (1.3, "stronger")):
            read = reading_at_25(PenReading(expected.value * factor))
            self.assertEqual(compare_with_expected(read, expected).verdict, verdict)


class OtherWays(SimpleTestCase):
    def test_a_share_of_the_label(self):
        label = Label(4, 3, 8, density_g_per_ml=1.15, nitrogen=FORMS, rate_per_l=5.0)
        self.assertAlmostEqual(can("half the label", label=label).can.amount, 22.5)
        self.assertAlmostEqual(can("25 % of the label rate", label=label).can.amount, 11.25)
        with self.assertRaises(DaceError):
            can("half the label")

    def test_a_slurry_and_a_paste_stand_for_what_drains(self):
        # tables: 1:2 x 3.6, paste x 1.31, 1:1.5 x 2.2 x 1.31
        for method, factor in (
            ("ext_1_2_vv", 3.6),
            ("saturated_media_extract", 1.31),
            ("ext_1_1.5_vv", 2.2 * 1.31),
            ("pour_through", 1.0),
        ):
            found = as_pour_through(PenReading(1.35, method=method))
            self.assertAlmostEqual(found.value, 1.35 * factor, places=6)
            self.assertTrue(found.low < found.value < found.high)
        self.assertIsNone(as_pour_through(PenReading(1.35)))

    def test_a_strong_liquid_is_read_diluted_and_worked_back(self):
        k = 6000.0
        salt = {"K": k, "NO3_N": k * 14.007 / 39.098}
        strong = ec_25(salt, 7)
        parts = parts_for_pen(strong, 5.0)
        self.assertEqual(parts, 9)  # 18.5 / 10 is below 3
        weak = ec_25({key: value / (1 + parts) for key, value in salt.items()}, 7)
        read = reading_at_25(PenReading(weak, parts_water=parts))
        self.assertAlmostEqual(read.value / strong, 1, delta=0.005)
        self.assertLess(strong, weak * 10)  # in proportion it would be too much
        self.assertEqual(parts_for_pen(1.2, 5.0), 0)

    def test_blends_and_waters_of_a_kind(self):
        half = blend(((water_from_ec(0.06), 1.0), (water_from_ec(0.65), 1.0)))
        mean = (water_from_ec(0.06).of("Ca") + water_from_ec(0.65).of("Ca")) / 2
        self.assertAlmostEqual(half.of("Ca"), mean, places=6)
        kinds = [water_of_kind(kind).ec_ms_cm for kind in ("rain", "soft_tap", "mixed", "hard_tap")]
        self.assertEqual(kinds, sorted(kinds))

    def test_sizes_and_rounds_as_gardeners_say_them(self):
        self.assertAlmostEqual(read_size("12 x 4 ft", None).area_m2, 48 * 0.09290304, places=4)
        self.assertAlmostEqual(read_size("10 gallon", "us").volume_l, 37.854, places=3)
        self.assertAlmostEqual(read_size("12 in pot", None).volume_l, 15.6, delta=0.1)
        self.assertEqual(split_into_cans(12.8, 9).words, "2 cans of 6.4 L")
        self.assertEqual(read_litres_each("4 L/m2", 16, 3.2, None), 0.8)
        for wrong in ("", "big", "4", "0 L", "3 x m", "1e308 L", "-2 m2"):
            with self.subTest(wrong), self.assertRaises(DaceError):
                read_size(wrong, None)

    def test_what_is_owned_adds_to_the_kitchens_spoons(self):
        scoop = Owned("scoop", "scoop", 7.0, 7.0)
        there = with_kitchen((scoop,), "metric")
        self.assertEqual({one.name for one in there}, {"scoop", "tablespoon", "teaspoon"})
        self.assertEqual(round_to_owned(7.0, there).words, "1 scoop")
        self.assertEqual(round_to_owned(15.0, there).words, "1 tablespoon")

    @given(st.floats(0.5, 60), st.sampled_from([1.0, 0.8, 0.5, 1 / 3, 0.25, 0.2]))
    def test_the_words_say_all_that_is_measured(self, ml, part):
        """Read back: whole, half and quarter spoons of 5 mL, whatever its finest mark is."""
        found = round_to_owned(ml, (Owned("spoon", "spoon", 5.0, 5.0 * part),))
        if found is not None:
            parts = {"¼": 0.25, "½": 0.5, "¾": 0.75}
            count = sum(parts.get(word) or float(word) for word in found.words.split()[:-1])
            self.assertAlmostEqual(5 * count, found.ml)

    @given(st.floats(0.6, 150))
    def test_owned_measures_are_within_five_percent_or_silent(self, ml):
        owned = (*usual_measures("metric"), Owned("syringe", "syringe", 10, 0.2))
        found = round_to_owned(ml, owned)
        if found is not None:
            self.assertLessEqual(abs(found.ml / ml - 1), 0.0501)
        elif ml > 2:
            self.assertGreater(ml, 10)  # a syringe serves whatever it holds
