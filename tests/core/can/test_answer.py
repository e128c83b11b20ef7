"""Compositions, strengths and cans, against hand calculations."""

import math

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.advice.can import advise_answer
from dace.core.can.answer import CanAsked, answer
from dace.core.can.fitting import friendly_parts, strongest_within
from dace.core.can.measures import Owned, round_to_owned, usual_measures
from dace.core.can.mixing import fill_can
from dace.core.can.pouring import Ground, suggest_litres_each
from dace.core.can.strength import read_strength
from dace.core.can.vessels import read_litres_each, split_into_cans
from dace.core.errors import DaceError, UnknownOxideError
from dace.core.matter.chemistry import element_fraction
from dace.core.matter.composition import Label, charge_meq, composition
from dace.core.matter.conductivity import ec_25
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import blend, water_from_ec, water_from_report, water_of_kind
from dace.core.pen.readings import (
    PenReading,
    as_pour_through,
    compare_with_expected,
    parts_for_pen,
    reading_at_25,
)
from dace.core.season.crops import crop, crops, feed_cap
from dace.core.words.sizes import read_size
from tests.core.working import worked_out

FORMS = (("nitrate", 1.6), ("ammonium", 0.8), ("urea", 1.6))
FRUITING = Label(4, 3, 8, density_g_per_ml=1.15, nitrogen=FORMS)
TAP = water_from_ec(0.5)
AUBERGINE = crop("aubergine")
FLOWERING = AUBERGINE.stage("flowering")


def asked(strength, vessel_l=9.0, label=FRUITING, water=TAP, **more):
    return CanAsked(strength, composition(label), water, vessel_l, **more)


def can(strength, **more):
    return answer(asked(strength, **more))


def advice_on(strength, **more):
    said = asked(strength, **more)
    return {one.key: one for one in advise_answer(said, answer(said))}


class Composition(SimpleTestCase):
    def test_oxides_by_atomic_weight(self):
        for oxide, share in (("P2O5", 0.4364), ("K2O", 0.8301), ("CaO", 0.7147), ("MgO", 0.6030)):
            self.assertAlmostEqual(element_fraction(oxide), share, delta=0.0001)
        with self.assertRaises(UnknownOxideError):
            element_fraction("Fe2O3")

    def test_oxide_element_mass_and_volume_labels_agree(self):
        # 3 % P2O5 is 1.3092 % P, 8 % K2O is 6.6412 % K; 1.15 times each by volume
        p, k = 1.3092, 6.6412
        others = (
            Label(4, p, k, basis="element", density_g_per_ml=1.15, nitrogen=FORMS),
            Label(
                4.6,
                3.45,
                9.2,
                percent="volume",
                density_g_per_ml=1.15,
                nitrogen=tuple((f, v * 1.15) for f, v in FORMS),
            ),
        )
        for other in others:
            for name in NUTRIENTS:
                want = composition(FRUITING).element(name)
                self.assertAlmostEqual(composition(other).element(name), want, delta=want * 0.001)

    def test_charge_is_closed(self):
        for label in (FRUITING, Label(16, 8, 24, form="solid"), Label(0, 0, 50, form="solid")):
            self.assertAlmostEqual(charge_meq(dict(composition(label).mg)), 0, places=9)

    def test_impossible_labels_are_refused(self):
        for wrong, field in (
            ({"n": 60, "p": 30, "k": 20}, "grade"),
            ({"n": -1, "p": 0, "k": 0}, "grade"),
            ({"n": math.inf, "p": 0, "k": 0}, "grade"),
            ({"n": 4, "p": 3, "k": 8, "nitrogen": (("nitrate", 3.0), ("urea", 2.0))}, "nitrogen"),
            ({"n": 4, "p": 3, "k": 8, "density_g_per_ml": 0.0}, "density_g_per_ml"),
            ({"n": 4, "p": 3, "k": 8, "also": (("Fe", 1.0),)}, "also"),
        ):
            with self.subTest(wrong), self.assertRaises(DaceError) as caught:
                Label(**wrong)
            self.assertEqual(caught.exception.field, field)


class Waters(SimpleTestCase):
    def test_half_a_millisiemens_is_107_calcium_and_325_bicarbonate(self):
        self.assertAlmostEqual(TAP.of("Ca"), 107, delta=1)
        self.assertAlmostEqual(TAP.of("HCO3"), 325, delta=3)

    def test_report_of_a_hard_tap_reads_as_hard_taps_do(self):
        report = {"Ca": 105.0, "Mg": 6.0, "alkalinity_caco3": 240.0}
        report |= {"Na": 22.0, "Cl": 38.0, "S_SO4": 13.0}
        self.assertAlmostEqual(water_from_report(tuple(report.items())).ec_ms_cm, 0.65, delta=0.02)

    def test_bad_waters(self):
        for wrong in (-0.1, 9, math.nan):
            with self.assertRaises(DaceError):
                water_from_ec(wrong)
        with self.assertRaises(DaceError):
            water_from_report((("Fe", 1.0),))


class OneCan(SimpleTestCase):
    def test_1_plus_200_in_9_litres(self):
        # 9000 mL / 201 = 44.78 mL; x 1.15 x 4 % / 9 L = 229 mg/L; P x .4364, K x .8301
        found = can("1 + 200").can
        self.assertAlmostEqual(found.amount, 44.78, delta=0.01)
        for name, mg_l in (("N", 228.9), ("P", 74.9), ("K", 380.0)):
            self.assertAlmostEqual(found.nutrient(name).value, mg_l, delta=0.5)
        self.assertAlmostEqual(found.ec.value, 2.05, delta=0.03)
        self.assertLess(found.ec.low, 2.05)
        self.assertGreater(found.ec.high, 2.13)  # where chloride closes the charge

    def test_every_way_to_say_a_can_gives_the_same_can(self):
        first = can("1 + 500").can
        per_l, n = first.amount_per_l, first.nutrient("N").value
        for said in (
            f"{per_l!r} ml/L",
            f"{first.amount!r} ml",
            f"{first.amount!r} ml per can",
            f"N {n!r} mg/L",
            f"EC {first.ec.value!r}",
            "1 in 501",
            f"{per_l * 9!r} mL in 9 L",
        ):
            with self.subTest(said):
                self.assertAlmostEqual(can(said).can.amount / first.amount, 1, delta=0.005)

    def test_one_to_twelve_is_read_both_ways(self):
        readings = can("1:12").readings
        # 9000 / 13 and 9000 / 12 mL
        self.assertEqual([round(r.can.amount, 1) for r in readings], [692.3, 750.0])
        self.assertAlmostEqual(readings[1].can.nutrient("N").value, 46000 / 12, delta=1)
        self.assertEqual(can("1:12", reading=1).can.amount, 750.0)

    def test_spoons_per_gallon_by_family(self):
        values = [s.amount for s in read_strength("2 tsp per gallon")]
        self.assertEqual([round(v, 2) for v in values], [2.60, 2.20])
        self.assertEqual(
            [round(s.amount, 1) for s in read_strength("1 tbsp")], [15.0, 14.8, 17.8, 20.0]
        )
        self.assertEqual(len(read_strength("2 tsp per gallon", "us")), 1)

    def test_what_cannot_be_a_strength_is_refused_by_name(self):
        for said in (
            "",
            "abc",
            "-5 ml",
            "1e308 ml/L",
            "1 + 1e9",
            "500",
            "0 ml",
            "nan",
            "9 kg/L",
            "EC 0.2",
            "20 g",
            "1200 ml/L",
            "1 + -2",
            "2 ml/",
            "K 9999999 mg/L",
            "10 L",
        ):
            with self.subTest(said), self.assertRaises(DaceError) as caught:
                can(said)
            self.assertEqual(caught.exception.field, "strength")

    def test_a_solid_is_weighed(self):
        crystals = Label(16, 8, 24, form="solid", also=(("mgo", 2.0),))
        found = can("0.6 g/L", label=crystals).can
        self.assertEqual((found.unit, round(found.amount, 2)), ("g", 5.4))
        self.assertAlmostEqual(found.nutrient("N").value, 96, delta=0.1)  # 600 mg x 16 %
        self.assertAlmostEqual(found.nutrient("Mg").value, 600 * 0.02 * 0.603, delta=0.1)

    def test_undeclared_nitrogen_widens_the_reading_downwards(self):
        silent = can("1 + 200", label=Label(4, 3, 8, density_g_per_ml=1.15)).can.ec
        declared = can("1 + 200").can.ec
        self.assertGreater(silent.value - silent.low, 2 * (declared.value - declared.low))

    @given(st.floats(0.01, 200), st.floats(0.1, 100), st.floats(0, 2))
    def test_nothing_is_created(self, per_l, vessel_l, water_ec):
        feed, water = composition(FRUITING), water_from_ec(round(water_ec, 2))
        found = fill_can(per_l, vessel_l, feed, water)
        self.assertAlmostEqual(found.amount / 1000 + found.water_l, vessel_l, places=6)
        for name in NUTRIENTS:
            given_mg = found.amount * feed.element(name) + found.water_l * water.of(name)
            poured_mg = found.nutrient(name).value * vessel_l
            self.assertAlmostEqual(poured_mg, given_mg, delta=1e-6 * max(1.0, given_mg))

    def test_every_step_follows_from_its_expression(self):
        found = can("1 + 200", crop=AUBERGINE, stage=FLOWERING)
        whole = found.can
        results = [whole.concentrate, whole.ec, *(r for _, r in whole.nutrients)]
        results.append(suggest_litres_each(FLOWERING, Ground(4, 20.0), 9.0))
        results.append(reading_at_25(PenReading(1050, "ppm500", 12, False)))
        steps = [step for result in results for step in result.working]
        steps += list(found.cap.working)
        worked = [step for step in steps if step.expression]
        self.assertGreater(len(worked), 15)
        for step in worked:
            with self.subTest(step.what):
                self.assertAlmostEqual(worked_out(step.expression) / step.value, 1, delta=0.005)


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
        self.assertIn("2.0 L", advice["short_of_stock"].text)

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

    @given(st.floats(0.6, 150))
    def test_owned_measures_are_within_five_percent_or_silent(self, ml):
        owned = (*usual_measures("metric"), Owned("syringe", "syringe", 10, 0.2))
        found = round_to_owned(ml, owned)
        if found is not None:
            self.assertLessEqual(abs(found.ml / ml - 1), 0.0501)
        elif ml > 2:
            self.assertGreater(ml, 10)  # a syringe serves whatever it holds
