"""A heap against a hand-worked one, and in thousands of draws."""

import random
import unittest

import numpy as np

from dace.core.errors import DaceError
from dace.core.matter.materials import ELEMENTS, material, materials
from dace.core.shell import CALCULATORS
from dace.core.solids.heap import Heap, HeapInput, finished, progress, to_reach, water_to
from dace.core.solids.heap_figures import METHODS, Drawing
from dace.core.solids.heap_says import heap_says
from tests.core import counts

GRASS, STRAW, SCRAPS = "grass_clippings", "wheat_straw", "vegetable_scraps_mixed"
BUILT = ((GRASS, 200), (STRAW, 96.212), (SCRAPS, 50))


def heap(*inputs, method="hot_turned", **more):
    """A heap of so many kg of each."""
    return Heap(method, tuple(HeapInput(material(key), kg) for key, kg in inputs), **more)


def within(case, found, wanted, share=0.01):
    case.assertLessEqual(abs(found - wanted), share * abs(wanted), f"{found} is not {wanted}")


class ByHand(unittest.TestCase):
    """Worked out on paper from the tables' typical figures."""

    def test_what_is_missing_from_grass_straw_and_scraps(self):
        sums = heap((GRASS, 200), (STRAW, 60), (SCRAPS, 50)).sums
        for found, wanted in ((sums.dry, 100.8), (sums.nitrogen, 1.928), (sums.carbon, 44.42),
                              (sums.c_to_n, 23.0), (100 * sums.moisture, 67.5)):  # fmt: skip
            within(self, found, wanted)
        within(self, to_reach(sums, 28, material(STRAW)), 36.2)

    def test_what_comes_out_in_the_open(self):
        built = heap(*BUILT, rain_mm=300, temperature_c=10)
        out, figures = finished(built, Drawing(None)), Drawing(None)
        self.assertEqual(built.runs_as, "hot_turned")
        for found, wanted in (
            (out.dry_lost, 66.9), (out.kg, 149.5), (out.litres, 272), (out.c_to_n, 16.8),
            (out.first_season_percent, 7.2), (out.balance.out["N"], 1.592),
            (out.balance.out["K"], 1.482), (out.percent["N"], 1.07), (out.percent["P"], 0.175),
            (out.percent["K"], 0.99), (out.percent["Ca"], 0.38), (out.percent["Mg"], 0.124),
            (progress(built, figures, 56), 0.513),
        ):  # fmt: skip
            within(self, float(found[0]), wanted, 0.012)

    def test_a_cold_heap_of_the_same_is_a_tenth_of_its_way(self):
        cold = heap(*BUILT, method="cold_unturned", temperature_c=10)
        within(self, float(progress(cold, Drawing(None), 56)[0]), 56 * 0.5 / 280)

    def test_a_stack_of_horse_manure_after_a_wet_year(self):
        stack = heap(("horse_fresh", 100), method="manure_stack", rain_mm=600)
        out = finished(stack, Drawing(None))
        for found, wanted in ((out.kg, 47.0), (out.percent["N"], 0.80), (out.percent["K"], 0.478),
                              (out.percent["P"], 0.26)):  # fmt: skip
            within(self, float(found[0]), wanted)
        self.assertTrue(stack.raw_manure and stack.suspect)

    def test_a_reading_of_the_finished_heap_moves_salt_most(self):
        told = {"method": "hot_turned", "rain_mm": 300, "seed": None,
                "inputs": [{"material": key, "kg": kg} for key, kg in BUILT]}  # fmt: skip
        before = CALCULATORS["heap"](told)
        after = CALCULATORS["heap"](told | {"test": {"ec_1_5_ms_cm": 1.3}})
        within(self, before["ec_1_5_expected"], 1.96)
        within(self, after["out"]["percent"]["K"], 0.715)
        shrunk = after["out"]["percent"]["N"] / before["out"]["percent"]["N"]
        within(self, shrunk, 0.822)


class Drawn(unittest.TestCase):
    def test_nothing_is_lost_or_made_in_any_draw(self):
        rng = random.Random(5)
        keys = [m.key for m in materials().values() if m.form == "solid"]
        for method in METHODS:
            if method == "trench":
                continue
            inputs = [(key, rng.uniform(1, 300)) for key in rng.sample(keys, 6)]
            built = heap(*inputs, method=method, cover=rng.choice(["open", "covered"]),
                         rain_mm=rng.uniform(0, 900))  # fmt: skip
            out = finished(built, Drawing(3, counts.of(4000, 400)))
            for name in ELEMENTS:
                went = out.balance
                summed = went.out[name] + went.gas[name] + went.rain[name] + went.juice[name]
                np.testing.assert_allclose(summed, went.put[name], rtol=1e-9, atol=1e-12)
                self.assertGreaterEqual(float(went.out[name].min()), 0.0)
            self.assertTrue((out.dry_lost < built.sums.dry).all())

    def test_ranges_are_in_order_and_order_of_inputs_changes_nothing(self):
        told = {"method": "hot_turned", "rain_mm": 300, "weeks": 8,
                "inputs": [{"material": key, "kg": kg} for key, kg in BUILT]}  # fmt: skip
        found = CALCULATORS["heap"](told)
        turned = CALCULATORS["heap"](told | {"inputs": told["inputs"][::-1]})
        for span in (found["ready_weeks"], *found["out"]["ranges"]["percent"].values()):
            self.assertTrue(span["low"] < span["likely"] < span["high"])
        self.assertAlmostEqual(found["out"]["kg"], turned["out"]["kg"], places=6)

    def test_fed_over_weeks_it_is_ready_when_nine_tenths_are(self):
        old = HeapInput(material(GRASS), 100, on=0)
        late = [HeapInput(material(GRASS), kg, on=100) for kg in (5, 60)]
        at = []
        for one in late:
            built = Heap("tumbler", (old, HeapInput(material(STRAW), 20), one))
            at.append(float(progress(built, Drawing(None), 100)[0]))
        self.assertEqual(at[1], 0.0)  # two fifths of it came today
        self.assertGreater(at[0], 0.9)  # a handful came today

    def test_a_heap_of_all_that_makes_it_hot_or_cold(self):
        still = heap(*BUILT, method="cold_unturned", temperature_c=2)
        warm = heap(*BUILT, method="hot_turned", temperature_c=2)
        self.assertEqual(float(progress(still, Drawing(None), 400)[0]), 0.0)
        self.assertGreater(float(progress(warm, Drawing(None), 56)[0]), 0.3)
        small = heap((GRASS, 20), (STRAW, 9))
        self.assertEqual(small.runs_as, "cold_unturned")

    def test_ash_costs_a_rich_heap_nitrogen(self):
        plain, ashed = (
            finished(heap(*BUILT[:2], *more), Drawing(None)).balance.gas["N"][0]
            for more in ((), (("wood_ash_hardwood", 10),))
        )
        self.assertGreater(ashed, 1.3 * plain)


class Said(unittest.TestCase):
    def keys(self, built):
        return {one.key for one in heap_says(built)}

    def test_what_is_wrong_with_a_heap_is_said(self):
        wet = heap((GRASS, 100), (SCRAPS, 100), rain_mm=400)
        self.assertLessEqual(
            {"heap_too_wet", "heap_too_rich", "heap_too_small", "heap_open_in_rain"},
            self.keys(wet),
        )
        self.assertIn("heap_wood_alone", self.keys(heap(("sawdust", 300))))
        self.assertIn("raw_manure_harvest_interval", self.keys(heap(("horse_fresh", 300))))
        proven = heap(("horse_fresh", 900), (STRAW, 60), heat_record=True)
        self.assertFalse(proven.raw_manure)
        known = Heap("cold_unturned", (HeapInput(material(GRASS), 50, known=True),))
        self.assertFalse(known.suspect)

    def test_water_and_what_cannot_be_reached(self):
        dry = heap((STRAW, 100))
        self.assertAlmostEqual(water_to(dry.sums, 0.6), 0.6 / 0.4 * 88 - 12)
        for bad in (
            {"method": "hot_turned", "inputs": []},
            {"method": "heaped", "inputs": [{"material": STRAW, "kg": 1}]},
            {"method": "tumbler", "inputs": [{"material": STRAW, "kg": -1}]},
            {"method": "tumbler", "inputs": [{"material": STRAW}]},
            {"method": "tumbler", "inputs": [{"material": STRAW, "kg": 9}],
             "reach": {"c_to_n": 28, "with": "sawdust"}},
        ):  # fmt: skip
            with self.assertRaises(DaceError) as refused:
                CALCULATORS["heap"](bad)
            self.assertGreater(len(str(refused.exception)), 20)
