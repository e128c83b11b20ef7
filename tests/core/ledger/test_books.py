"""Need and supply off one bucket, beside figures worked by hand and properties."""

import unittest
from dataclasses import replace
from datetime import date, timedelta

import numpy as np

from dace.core.ledger.books import book_steps, ledger
from dace.core.ledger.shortfall import balances, shortage
from dace.core.matter.materials import material
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import ageing, content_of_material, released
from dace.core.rootzone.bucket import BOOKS
from dace.core.rootzone.course import needs
from dace.core.rootzone.follow import follow
from dace.core.rootzone.records import CHARGED, Poured, Sampled, Slow
from dace.core.season.crops import crop, crops
from dace.core.season.need import Span, daily_need, makes_its_own, need_steps, room_for, wish_now
from tests.core.rootzone.pots import feed, grown, weather, zone
from tests.core.rootzone.simulated import FIRST
from tests.core.working import worked_out

BEGAN = date(2026, 6, 1)


def span(name, stage, days=20):
    return (Span(crop(name).stage(stage), BEGAN, BEGAN + timedelta(days=days)),)


class NeedTests(unittest.TestCase):
    def test_aubergine_in_flower_by_hand(self):
        # 7.02 g of nitrogen a season, .16 of it in flower, over 20 days
        need = daily_need(crop("aubergine"), span("aubergine", "flowering"), BEGAN, 25)
        self.assertAlmostEqual(need[0, 0], 1000 * 7.02 * 0.16 / 20, places=6)
        self.assertEqual(need[20:].sum(), 0)

    def test_a_legume_in_fresh_mix_needs_less_what_it_fixes(self):
        # runner bean: 5.85 g, half of it fixed, .17 in flower
        need = daily_need(crop("runner_bean"), span("runner_bean", "flowering"), BEGAN, 20)
        self.assertAlmostEqual(need[:, 0].sum(), 1000 * 5.85 * 0.5 * 0.17, places=6)
        self.assertAlmostEqual(need[:, 2].sum(), 1000 * 4.95 * 0.19, places=6)

    def test_a_legume_in_the_ground_makes_its_own_from_its_third_leaf(self):
        bean = crop("runner_bean")
        young, old = bean.stage("seedling"), bean.stage("flowering")
        self.assertFalse(makes_its_own(bean, young, True))
        self.assertTrue(makes_its_own(bean, old, True))
        self.assertEqual(wish_now(bean, old, "N", True).high, 0)
        self.assertEqual(wish_now(bean, old, "K", True), old.wish_of("K"))
        need = daily_need(bean, span("runner_bean", "flowering"), BEGAN, 20, in_ground=True)
        self.assertEqual(need[:, 0].sum(), 0)
        self.assertGreater(need[:, 2].sum(), 0)
        self.assertFalse(makes_its_own(crop("chard"), crop("chard").stage("harvest"), True))

    def test_four_aubergines_in_40_l_count_at_nine_tenths(self):
        # 12 L is usual at full fruit: (10 / 12) ** .7
        aubergine = crop("aubergine")
        most = max(aubergine.stages, key=lambda s: s.water_l_day.typ)
        self.assertAlmostEqual(room_for(aubergine, most, 10.0), (10 / 12) ** 0.7, places=6)
        self.assertEqual(room_for(aubergine, most, 40.0), 1.0)

    def test_in_a_pot_the_room_scales_the_need_of_all(self):
        old = FIRST - timedelta(days=90)
        told = zone(growing=(replace(grown("aubergine", FIRST, old), plants=8),))
        alone = needs(told, FIRST, 60)[0]
        roomy = needs(replace(told, litres=400.0), FIRST, 60)[0]
        self.assertTrue((alone <= roomy + 1e-9).all())
        self.assertLess(alone[-1, 0], roomy[-1, 0])

    def test_steps_come_to_what_is_taken_each_day(self):
        one = span("runner_bean", "flowering")[0]
        step = need_steps(crop("runner_bean"), one, "N")[-1]
        self.assertAlmostEqual(worked_out(step.expression), step.value, places=6)
        self.assertAlmostEqual(step.value, 1000 * 5.85 * 0.5 * 0.17 / 20, places=6)


class ShortageTests(unittest.TestCase):
    def test_by_hand(self):
        # half of what is taken at 10 mg/L, 54 / 64 at the low wish: 1 - .5 / .84375
        self.assertAlmostEqual(shortage(10.0, 54.0, "N"), 1 - 0.5 / (54 / 64), places=9)
        self.assertEqual(shortage(0.0, 54.0, "N"), 1.0)

    def test_a_pore_at_the_typical_wish_is_never_short(self):
        for one in crops().values():
            for stage in one.stages:
                for nutrient in NUTRIENTS:
                    wish = stage.wish_of(nutrient)
                    self.assertEqual(
                        shortage(wish.typ, wish.low, nutrient), 0, (one.key, stage.key)
                    )


class OneBucketTests(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        planting = replace(grown("aubergine", FIRST, FIRST - timedelta(days=60)), plants=4, key="a")
        cls.root = zone(growing=(planting,))
        fed = tuple(Poured(FIRST + timedelta(days=day), 6.0, feed(1.5)) for day in range(20, 60, 7))
        slow = Slow(FIRST + timedelta(days=5), (50.0,) * 9, (200.0,) * 9, 20.0)
        read = (Sampled(FIRST + timedelta(days=40), 2.0),)
        cls.fed = replace(cls.root, poured=fed, slow=(slow,), samples=read)
        cls.found = follow(cls.fed, weather(60))

    def test_the_books_close_for_each_ion_in_every_draw(self):
        bucket = self.found.bucket
        still = bucket.dissolved + bucket.held + bucket.slow.mg() + bucket.in_saucer
        came, drained, taken, shaken, settled = (bucket.books[name] for name in BOOKS)
        began = still - came + drained + taken + settled - shaken
        fresh = follow(self.fed, weather(1 + (self.fed.poured[0].on - FIRST).days - 1)).bucket
        start = fresh.dissolved + fresh.held + fresh.slow.mg()
        # potassium neither turns into anything nor settles: what began is what any day began with
        row = CHARGED.index("K")
        self.assertTrue((began[row] > 0).all())
        self.assertLess(np.median(began[row]), 3 * np.median(start[row]) + 1000)
        for nutrient in NUTRIENTS:
            steps = {step.what: step for step in book_steps(self.found, nutrient)}
            sum_ = steps["still in the medium"]
            self.assertAlmostEqual(worked_out(sum_.expression), sum_.value, delta=0.01)

    def test_what_is_reached_is_what_was_taken_and_what_is_there(self):
        book = ledger(self.found, "a")
        middle, held = self.found.larder.reached[1].T, self.found.larder.held.T
        day = book.today
        np.testing.assert_allclose(4 * book.reached[day], middle[day], rtol=0.05, atol=30)
        np.testing.assert_allclose(4 * book.held[day], held[day])
        self.assertTrue((book.low <= book.reached + 1e-9).all())
        self.assertTrue((book.high >= book.reached - 1e-9).all())
        self.assertIsNone(ledger(self.found, "nobody"))

    def test_a_feed_raises_what_is_within_reach_by_no_more_than_it_brought(self):
        last = FIRST + timedelta(days=59)
        more = replace(self.fed, poured=(*self.fed.poured, Poured(last, 6.0, feed(1.5), hour=17.0)))
        before, after = self.found, follow(more, weather(60))
        gained = after.larder.held[0, after.today] - before.larder.held[0, before.today]
        self.assertGreater(gained, 0)
        self.assertLessEqual(gained, 6.0 * 75 + 1)

    def test_a_reading_moves_what_is_within_reach(self):
        salty = replace(self.fed, samples=(Sampled(FIRST + timedelta(days=58), 3.5),))
        poor = replace(self.fed, samples=(Sampled(FIRST + timedelta(days=58), 1.0),))
        held = [float(follow(one, weather(60)).larder.held[2, -1 - 42]) for one in (salty, poor)]
        # it moves food by how greedy the roots are; what nobody poured is salt before it is food
        self.assertGreater(held[0], 1.1 * held[1])

    def test_two_plantings_share_by_what_they_need(self):
        one = replace(grown("aubergine", FIRST, FIRST - timedelta(days=60)), plants=2, key="a")
        two = replace(one, plants=4, key="b")
        found = follow(replace(self.fed, growing=(one, two)), weather(60))
        a, b = (ledger(found, key) for key in "ab")
        np.testing.assert_allclose(a.reached, b.reached, rtol=1e-6)

    def test_words_by_what_the_pore_water_holds(self):
        today = FIRST + timedelta(days=59)
        starved = follow(replace(self.fed, poured=(), slow=(), samples=()), weather(60))
        sums = {b.nutrient: b for b in balances(ledger(starved, "a"), today)}
        self.assertEqual(sums["N"].word, "hungry")
        self.assertLessEqual(sums["N"].since, today)
        tested = {b.nutrient: b for b in balances(ledger(starved, "a"), today, ("N",))}
        self.assertEqual(tested["N"].word, "enough")

    def test_a_bean_in_the_ground_is_never_hungry_for_nitrogen(self):
        bean = replace(grown("runner_bean", FIRST, FIRST - timedelta(days=60)), plants=8, key="a")
        bed = replace(self.root, setting="open_bed", litres=600.0, growing=(bean,))
        nitrogen = balances(ledger(follow(bed, weather(60)), "a"), FIRST + timedelta(days=59))[0]
        self.assertTrue(nitrogen.own)
        self.assertIn(nitrogen.word, ("enough", "plenty"))

    def test_soil_keeps_most_of_the_phosphorus_poured_on_it(self):
        bed = replace(self.root, setting="covered_bed", samples=(), growing=())
        mg_l = tuple(100.0 if key == "P" else 0.0 for key in CHARGED)
        poured = Poured(FIRST + timedelta(days=10), 5.0, mg_l)
        plain = follow(bed, weather(11)).bucket
        fed = follow(replace(bed, poured=(poured,)), weather(11)).bucket
        row = CHARGED.index("P")
        gained = fed.dissolved[row] - plain.dissolved[row]
        self.assertTrue((gained <= 0.3 * 500 + 1e-6).all())
        self.assertTrue((fed.held[row] - plain.held[row] >= 0.7 * 500 - 1e-6).all())


class ReleaseTests(unittest.TestCase):
    def test_nothing_comes_out_of_frozen_ground(self):
        self.assertEqual(ageing([1.0, 4.0]).sum(), 0)
        self.assertEqual(float(released(0.0, 20.0)), 0)

    def test_half_the_slow_part_in_a_half_life_at_20_and_half_as_fast_at_10(self):
        self.assertAlmostEqual(float(released(ageing([20.0] * 20).sum(), 20.0)), 0.5)
        self.assertAlmostEqual(float(released(ageing([10.0] * 40).sum(), 20.0)), 0.5)

    def test_pellets_are_the_table_s(self):
        # 4 % nitrogen, 12 % of it at once, 55 % in a season
        content = content_of_material(material("poultry_pellets"))
        self.assertAlmostEqual(content.at_once[0], 4.8)
        self.assertAlmostEqual(content.total[0], 22.0)
