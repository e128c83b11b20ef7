"""Need and supply, beside books kept by hand with the printed figures."""

import unittest
from dataclasses import replace
from datetime import date, timedelta

import numpy as np
from hypothesis import given
from hypothesis import strategies as st

from dace.core.ledger.accounts import Account, Given, Rooted
from dace.core.ledger.books import ledger
from dace.core.ledger.remedies import Offer, remedies, rhythm_sentence
from dace.core.ledger.shortfall import balances, sentence
from dace.core.matter.materials import material
from dace.core.matter.media import medium
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import ageing, content_of_material, released
from dace.core.season.climate import climate
from dace.core.season.crops import crop
from dace.core.season.need import Span, daily_need
from dace.core.season.outlook import Days, WeatherAsked, outlook

BEGAN = date(2026, 6, 1)
NOTHING = (0.0,) * 5
NONE = Days(BEGAN, (), (), ())


def steady(mean_c=20.0, rain_mm=0.0, days=60):
    """Weather that is the same every day; evaporation follows from it."""
    past = Days(BEGAN, (mean_c - 5,) * days, (mean_c + 5,) * days, (rain_mm,) * days)
    return outlook(WeatherAsked(climate("cool_temperate"), 51.0, past, NONE))


def account(name="aubergine", stage="flowering", days=20, rooted=None, gifts=(), water=NOTHING):
    grown = crop(name)
    span = Span(grown.stage(stage), BEGAN, BEGAN + timedelta(days=20))
    stands = rooted or Rooted(BEGAN, medium("coir"), "pot", 0.0, 0.1, BEGAN)
    return Account(grown, (span,), (stands,), tuple(gifts), water, BEGAN, days)


def dose(n=1000.0, day=0, **kwargs):
    on = BEGAN + timedelta(days=day)
    return Given(on, "doses", "feed", (n, n / 5, n, n, n / 10), **kwargs)


class NeedTests(unittest.TestCase):
    def test_aubergine_in_flower_by_hand(self):
        # 7.02 g of nitrogen a season, .16 of it in flower, over 20 days
        need = daily_need(crop("aubergine"), account().stages, BEGAN, 25)
        self.assertAlmostEqual(need[0, 0], 1000 * 7.02 * 0.16 / 20, places=6)
        self.assertEqual(need[20:].sum(), 0)

    def test_a_legume_needs_less_what_it_fixes(self):
        # runner bean: 5.85 g, half of it fixed, .17 in flower
        need = daily_need(crop("runner_bean"), account("runner_bean").stages, BEGAN, 20)
        self.assertAlmostEqual(need[:, 0].sum(), 1000 * 5.85 * 0.5 * 0.17, places=6)
        self.assertAlmostEqual(need[:, 2].sum(), 1000 * 4.95 * 0.19, places=6)


class LedgerByHandTests(unittest.TestCase):
    def test_pot(self):
        """A pot of nothing: 1000 mg at .80, a seventh of a tenth drains each day, then need."""
        found = ledger(account(gifts=[dose()]), steady())
        daily, pool, taken = 1000 * 7.02 * 0.16 / 20, 1000 * 0.8, 0.0
        for _ in range(20):
            pool *= 1 - 0.10 / 7
            out = min(pool, daily)
            pool, taken = pool - out, taken + out
        self.assertAlmostEqual(found.reached[-1, 0], taken + pool, places=6)
        self.assertAlmostEqual(found.unmet[:, 0].sum(), 20 * daily - taken, places=6)

    def test_open_bed(self):
        """Clay, 60 L a plant, dry weeks: 15 mg/L and .8 mg/L a week at .65, .02 a week drains."""
        bed = Rooted(BEGAN, medium("clay_soil"), "open_bed", 60.0, 0.2, BEGAN)
        found = ledger(account("leek", "vegetative", rooted=bed), steady())
        daily, pool, taken = 1000 * 0.95 * 0.62 / 20, 15 * 60 * 0.65, 0.0
        for day in range(20):
            pool += 0.8 * 60 / 7 * 0.5 ** (day / 7 / 52) * 0.65
            pool *= 1 - 0.02 / 7
            out = min(pool, daily)
            pool, taken = pool - out, taken + out
        self.assertAlmostEqual(found.reached[-1, 0], taken + pool, delta=0.01)

    def test_legume_in_a_tested_bed(self):
        bed = Rooted(BEGAN, medium("loam_soil"), "covered_bed", 50.0, 0.17, BEGAN, (("K", 200.0),))
        found = ledger(account("runner_bean", rooted=bed), steady())
        daily, pool, taken = 1000 * 4.95 * 0.19 / 20, 200 * 50 * 0.75, 0.0
        for _ in range(20):
            pool *= 1 - 0.02 / 7
            out = min(pool, daily)
            pool, taken = pool - out, taken + out
        self.assertAlmostEqual(found.reached[-1, 2], taken + pool, places=6)
        self.assertEqual(found.unmet[:, 2].sum(), 0)

    def test_twice_the_dose_is_twice_the_supply(self):
        once = ledger(account(gifts=[dose()]), steady())
        twice = ledger(account(gifts=[dose(2000.0)]), steady())
        np.testing.assert_allclose(twice.entered, 2 * once.entered)

    def test_water_brings_calcium_in_proportion(self):
        hard = ledger(account(water=(0, 0, 0, 105.0, 6.0)), steady())
        soft = ledger(account(water=(0, 0, 0, 52.5, 3.0)), steady())
        np.testing.assert_allclose(hard.entered[1], 2 * soft.entered[1])
        self.assertGreater(hard.entered[1, :, 3].sum(), 0)

    def test_rain_on_an_open_bed_washes_nitrogen_out(self):
        bed = Rooted(BEGAN, medium("sandy_soil"), "open_bed", 60.0, 0.2, BEGAN)
        dry = ledger(account("leek", "vegetative", rooted=bed), steady())
        wet = ledger(account("leek", "vegetative", rooted=bed), steady(rain_mm=12.0))
        self.assertLess(wet.reached[-1, 0], dry.reached[-1, 0])

    def test_the_band_holds_the_likely_line(self):
        found = ledger(account(gifts=[dose()]), steady())
        self.assertTrue((found.low <= found.reached).all() and (found.reached <= found.high).all())
        self.assertTrue((found.need_low < found.need_high).all())


class ReleaseTests(unittest.TestCase):
    def test_half_the_slow_part_in_a_half_life_at_20_and_half_as_fast_at_10(self):
        gift = Given(BEGAN, "dressings", "pellets", NOTHING, (1000.0,) * 5, 20.0)
        warm = ledger(account(gifts=[gift], days=40), steady(20.0))
        cool = ledger(account(gifts=[gift], days=40), steady(10.0))
        out = warm.there[3, :, 0].cumsum()
        self.assertAlmostEqual(out[19], 500, places=6)
        self.assertAlmostEqual(cool.there[3, :, 0].cumsum()[39], 500, places=6)

    def test_nothing_comes_out_of_frozen_ground(self):
        self.assertEqual(ageing([1.0, 4.0]).sum(), 0)
        self.assertEqual(float(released(0.0, 20.0)), 0)

    def test_pellets_are_the_table_s(self):
        # 4 % nitrogen, 12 % of it at once, 55 % in a season
        content = content_of_material(material("poultry_pellets"))
        self.assertAlmostEqual(content.at_once[0], 4.8)
        self.assertAlmostEqual(content.total[0], 22.0)


class NothingIsCreatedTests(unittest.TestCase):
    @given(
        n=st.floats(0, 5000),
        slow=st.floats(0, 5000),
        day=st.integers(0, 30),
        litres=st.floats(0.1, 60),
        setting=st.sampled_from(["pot", "saucer", "covered_bed", "open_bed"]),
        key=st.sampled_from(["peat_free_mix", "coir", "clay_soil", "raised_compost"]),
    )
    def test_supply_is_never_more_than_was_there(self, n, slow, day, litres, setting, key):
        gift = Given(BEGAN + timedelta(days=day), "dressings", "x", (n,) * 5, (slow,) * 5, 30.0)
        place = Rooted(BEGAN, medium(key), setting, litres, litres / 300, BEGAN)
        found = ledger(account(days=45, rooted=place, gifts=[gift]), steady())
        there = found.there.cumsum(axis=1)
        self.assertTrue((found.entered.cumsum(axis=1) <= there + 1e-9).all())
        self.assertTrue((found.reached <= found.entered.cumsum(axis=1).sum(axis=0) + 1e-6).all())
        self.assertTrue((there[3, -1] <= n + slow + 1e-6).all())
        self.assertTrue((found.high[-1] >= found.reached[-1]).all())


class BooksTests(unittest.TestCase):
    today = BEGAN + timedelta(days=12)

    def books(self, *gifts):
        kept = account(gifts=gifts, days=60)
        return balances(kept.grown, kept.stages, ledger(kept, steady()), self.today, pot=True)

    def test_hungry_since_the_day_it_ran_out(self):
        nitrogen = self.books(dose(300.0))[0]
        self.assertEqual(nitrogen.word, "hungry")
        # 300 mg at .80 lasts four days of 56 mg, and a little of the fifth
        self.assertEqual(nitrogen.since, BEGAN + timedelta(days=4))
        self.assertIn("Hungry for nitrogen since 5 June", sentence((nitrogen,), self.today))

    def test_a_legume_is_not_sent_for_nitrogen(self):
        salt = Offer("s", "saltpetre", "g", content_of_material(material("potassium_nitrate")),
                     True, 500.0)  # fmt: skip
        lacking = self.books(dose(300.0))
        bean = tuple(
            replace(b, own=b.nutrient == "N", gap=b.gap * (b.nutrient == "N")) for b in lacking
        )
        self.assertIn("feed it none unless the leaves pale", sentence(bean[:1], self.today))
        self.assertEqual(remedies(bean, (salt,), 4, "mixed", True), ())
        self.assertTrue(remedies(lacking, (salt,), 4, "mixed", True))

    def test_enough_says_when_it_runs_out(self):
        nitrogen = self.books(dose(1200.0))[0]
        self.assertEqual(nitrogen.word, "enough")
        self.assertIn("run out about", sentence((nitrogen,), self.today))

    def test_what_would_fill_it_follows_the_approach(self):
        pellets = content_of_material(material("poultry_pellets"))
        salt = content_of_material(material("potassium_nitrate"))
        offers = (
            Offer("p", "pellets", "g", pellets, False, 5000.0),
            Offer("s", "crystals", "g", salt, True, 500.0),
        )
        books = self.books(dose(300.0))
        first = {a: remedies(books, offers, 4, a, True)[0].key for a in ("soil_first", "soluble")}
        self.assertEqual(first, {"soil_first": "p", "soluble": "s"})
        self.assertEqual(remedies(books, (), 4, "mixed", True), ())

    def test_a_rhythm_that_cannot_carry_the_need_says_so(self):
        self.assertIn("about 50 %", rhythm_sentence(400.0, 200.0, "Quay tub 2"))
        self.assertEqual(rhythm_sentence(400.0, 380.0, "Quay tub 2"), "")

    def test_books_are_in_order(self):
        self.assertEqual([b.nutrient for b in self.books()], list(NUTRIENTS))
