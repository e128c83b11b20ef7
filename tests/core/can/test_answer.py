"""Compositions, strengths and cans, against hand calculations."""

import math

from django.test import SimpleTestCase
from hypothesis import given
from hypothesis import strategies as st

from dace.core.can.mixing import fill_can
from dace.core.can.pouring import Ground, suggest_litres_each
from dace.core.can.strength import parse_strength
from dace.core.errors import DaceError, UnknownOxideError
from dace.core.matter.chemistry import element_fraction
from dace.core.matter.composition import charge_meq, composition
from dace.core.matter.label import Label
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import water_from_ec, water_from_report
from dace.core.pen.readings import PenReading, reading_at_25
from tests.core.can.cans import AUBERGINE, FLOWERING, FORMS, FRUITING, TAP, can
from tests.core.working import worked_out


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
        values = [s.amount for s in parse_strength("2 tsp per gallon")]
        self.assertEqual([round(v, 2) for v in values], [2.60, 2.20])
        self.assertEqual([round(s.amount, 1) for s in parse_strength("1 tbsp")], [15.0, 14.8, 20.0])
        self.assertEqual(len(parse_strength("2 tsp per gallon", "us")), 1)

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
