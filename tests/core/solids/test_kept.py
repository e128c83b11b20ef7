"""A heap that stands: what it wants and when, what it is once emptied; beds that it goes on."""

from datetime import date, timedelta
from unittest import TestCase

from dace.core.api import (
    Done,
    Heap,
    HeapInput,
    HomeTest,
    SoilMixAsked,
    emptied,
    finished,
    given_by,
    green_on_bed,
    heap_steps,
    material,
    medium,
    mixed_medium,
    mulch_for,
    mulch_on_bed,
    mulches,
    topped_up,
)
from dace.core.solids.heap_figures import Drawing

BEGUN = date(2026, 3, 1)
GRASS = HeapInput(material("grass_clippings"), 200, known=True)
STRAW = HeapInput(material("wheat_straw"), 96, known=True)
SCRAPS = HeapInput(material("vegetable_scraps_mixed"), 50)
HOT = Heap("hot_turned", (GRASS, STRAW, SCRAPS), rain_mm=300)


def kinds(heap, days, *done):
    today = BEGUN + timedelta(days=days)
    return [one.kind for one in heap_steps(heap, BEGUN, today, done) if one.on <= today]


class Wants(TestCase):
    def test_a_hot_heap_is_turned_each_week_and_rests_at_the_end(self):
        self.assertEqual(kinds(HOT, 6), [])
        self.assertEqual(kinds(HOT, 7), ["turn"])
        turned = Done("turn", BEGUN + timedelta(days=7))
        self.assertEqual(kinds(HOT, 13, turned), [])
        self.assertEqual(kinds(HOT, 14, turned), ["turn"])
        self.assertEqual(kinds(HOT, 75), [])  # nine twelfths of its weeks: it rests
        self.assertEqual(kinds(HOT, 85), ["empty"])

    def test_a_dry_heap_asks_for_water_and_a_small_one_is_never_turned(self):
        dung = HeapInput(material("poultry_layer_dry"), 40, known=True)
        dry = Heap("cold_unturned", (STRAW, dung))
        self.assertIn("wet", kinds(dry, 10))
        small = Heap("hot_turned", (HeapInput(material("grass_clippings"), 20, known=True),))
        self.assertEqual(kinds(small, 30), [])

    def test_what_nobody_knows_is_tested_with_beans_read_after_three_weeks(self):
        load = Heap("manure_stack", (HeapInput(material("horse_composted"), 300),), water_l=60)
        self.assertEqual(kinds(load, 0), ["beans"])
        sown = Done("beans", BEGUN)
        self.assertEqual(kinds(load, 20, sown), [])
        self.assertIn("read_beans", kinds(load, 21, sown))
        read = Done("read_beans", BEGUN + timedelta(days=21))
        self.assertNotIn("beans", kinds(load, 40, sown, read))


class TakenOut(TestCase):
    def test_ready_it_is_what_a_finished_heap_comes_to(self):
        whole = finished(HOT, Drawing(None))
        out = emptied(HOT, 400, HomeTest(), seed=None)
        self.assertAlmostEqual(out.kg, float(whole.kg[0]))
        self.assertAlmostEqual(dict(out.percent)["N"], float(whole.percent["N"][0]))

    def test_early_it_is_heavier_and_nothing_is_made_or_lost_in_the_books(self):
        for far in (0.0, 0.25, 1.0):
            found = finished(HOT, Drawing(3, draws=400), far)
            for name, put in found.balance.put.items():
                gone = (found.balance.out, found.balance.gas, found.balance.rain,
                        found.balance.juice)  # fmt: skip
                self.assertLess(abs(put - sum(one[name] for one in gone)).max(), 1e-9)
        early, late = (emptied(HOT, days, HomeTest(), seed=None) for days in (10, 400))
        self.assertGreater(early.kg, late.kg)
        nitrogen = [one.kg * dict(one.percent)["N"] for one in (early, late)]
        self.assertGreater(nitrogen[0], nitrogen[1])

    def test_washing_takes_salt_and_potassium_and_no_nitrogen(self):
        plain, washed = (emptied(HOT, 400, HomeTest(), n, seed=None) for n in (0, 2))
        for name, left in (("K", 0.35), ("N", 1.0), ("P", 1.0)):
            was, now = dict(plain.percent)[name], dict(washed.percent)[name]
            self.assertAlmostEqual(now / was, left)


class OnBeds(TestCase):
    def test_vetch_takes_a_quarter_from_the_bed_and_hands_back_less_than_it_held(self):
        given = given_by("winter_vetch", 4.0)
        found = green_on_bed(given, BEGUN, BEGUN + timedelta(days=235), True)
        self.assertAlmostEqual(found.taken[0].mg[0], 14_100)  # a quarter of 56.4 g
        back = sum(found.given[0].at_once[:3]) + sum(found.given[0].later[:3])
        self.assertAlmostEqual(back, 25_380)  # 45 % of it
        self.assertEqual(green_on_bed(given, BEGUN, None, True).given, ())

    def test_old_rye_takes_nitrogen_over_its_wait(self):
        rye = given_by("winter_rye", 1.0)
        found = green_on_bed(rye, BEGUN, BEGUN + timedelta(days=200), True)
        rots = found.taken[1]
        self.assertEqual(rots.since, BEGUN + timedelta(days=200))
        self.assertAlmostEqual(rots.mg[0] / 1000, rye.taken)

    def test_straw_takes_where_it_touches_and_compost_gives(self):
        straw = mulch_for("wheat_straw", 6.0, 75.0)
        found = mulch_on_bed(mulches()["wheat_straw"], straw.kg, BEGUN)
        self.assertAlmostEqual(found.taken[0].mg[0] / 1000, 15.06, places=1)  # 251 g x .06
        self.assertEqual(found.given, ())
        rich = mulch_on_bed(mulches()["garden_compost"], 10.0, BEGUN)
        self.assertEqual(rich.taken, ())
        self.assertGreater(sum(rich.given[0].later), 0)


class UsedAgain(TestCase):
    def test_a_third_of_new_mix_lies_between_the_old_and_the_new(self):
        asked = SoilMixAsked(1.0, (("coir_moist", 4.0), ("garden_compost", 2.0)), (), "hungry_pots")
        new, old = mixed_medium(asked, "mine", "Mine"), medium("old_mix")
        third = topped_up(new, 1 / 3)
        for at, (name, mg) in enumerate(third.available):
            want = new.available[at][1] / 3 + 2 * dict(old.available).get(name, 0.0) / 3
            self.assertAlmostEqual(mg, want)
        self.assertEqual(topped_up(new, 1.0).holding, new.holding)
