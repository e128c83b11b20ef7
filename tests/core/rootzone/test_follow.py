"""Root zones against a simulator of the tests' own, and against what must be so."""

import unittest
from dataclasses import replace
from datetime import date, timedelta

import numpy as np

from dace.core.errors import DaceError
from dace.core.matter.composition import composition
from dace.core.matter.label import Label
from dace.core.matter.waters import water_from_ec
from dace.core.rootzone.bucket import WIDE
from dace.core.rootzone.follow import follow
from dace.core.rootzone.records import (
    Felt,
    Poured,
    Sampled,
    Slow,
    charged_can,
    charged_water,
    with_charge,
)
from dace.core.rootzone.sampled import felt_likelihood
from tests.core import counts
from tests.core.afresh import elsewhere
from tests.core.rootzone.pots import (
    RAIN,
    read_at,
    water_share,
    weather,
    zone,
)
from tests.core.rootzone.simulated import FIRST, season

POTS = counts.of(200, 40)


class Calibration(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.found = [
            (follow(zone(told, seed + 1), weather(90), 0), told)
            for seed in range(POTS)
            for _, told in [season(seed, 61)]
        ]

    def test_the_next_reading_lies_in_its_band(self):
        for after in (5, 20, 60):
            looked = [found.looked[after] for found, _ in self.found]
            held = np.mean([one.low <= one.sample.value <= one.high for one in looked])
            self.assertTrue(0.70 <= held <= 0.90, (after, held))

    def test_readings_narrow_it(self):
        for found, told in self.found[:20]:
            without = follow(replace(found.root_zone, samples=()), weather(90), 0)
            for after in (5, 20, 60):
                day = (told.readings[after][0] - FIRST).days
                with_them = np.log(found.ec[2, day] / found.ec[0, day])
                self.assertLess(with_them, np.log(without.ec[2, day] / without.ec[0, day]))


def followed():
    """A season's conductivity in every draw, followed from nothing."""
    return follow(zone(season(7, 9)[1]), weather(90), 0).ec.tolist()


class Following(unittest.TestCase):
    def test_late_and_undone_events_are_as_if_from_the_start(self):
        """Written in the order of a diary, with a slip taken back, and all at once elsewhere."""
        told = season(7, 9)[1]
        whole = zone(told)
        slip = replace(whole, samples=(*whole.samples[:-1], Sampled(FIRST, 9.0)))
        late = replace(whole, poured=whole.poured[::-1], samples=whole.samples[::-1])
        for one in (replace(whole, samples=()), slip, late):
            found = follow(one, weather(90), 0).ec  # what stands on Mondays is kept from each
        np.testing.assert_array_equal(found, elsewhere(__name__, "followed"))

    def test_two_fills_alike_keep_their_own_plantings(self):
        one = zone()
        other = replace(one, growing=tuple(replace(g, key="mine") for g in one.growing))
        follow(one, weather(30))
        self.assertEqual(follow(other, weather(30)).root_zone.growing[0].key, "mine")

    def test_what_is_dated_ahead_has_not_happened(self):
        ahead = Poured(FIRST + timedelta(days=35), 6.0, with_charge((0.0,) * WIDE, 5.0))
        plain, told = follow(zone(), weather(30)), follow(zone(poured=(ahead,)), weather(30))
        np.testing.assert_array_equal(plain.ec, told.ec)

    def test_read_at_the_moment_of_a_flush_is_read_before_it(self):
        on = FIRST + timedelta(days=59)
        pushed = (Poured(on, 20.0, RAIN, feed=False, hour=15.0),)
        before, same, after = (
            follow(zone(poured=pushed, samples=(Sampled(on, 3.9, hour=hour),)), weather(60), 0)
            for hour in (14.0, 15.0, 16.0)
        )
        np.testing.assert_array_equal(same.ec, before.ec)
        self.assertGreater(after.now[1], before.now[1])

    def test_a_reading_pulls_and_one_far_off_is_doubted_aloud(self):
        bare, high = read_at(), read_at((0, 3.9), (3, 3.8), (6, 3.9))
        self.assertGreater(high.now[1], bare.now[1])
        self.assertEqual([one.doubt for one in high.looked if one.doubt], [])
        wild = read_at((6, 2.0), (3, 2.1), (0, 30.0))
        self.assertIn("higher than it can well be", wild.looked[-1].doubt)
        faint = read_at((6, 2.0), (3, 2.1), (0, 0.1))
        self.assertIn("a dirty pen", faint.looked[-1].doubt)
        self.assertLess(wild.now[1], 8.0)

    def test_other_samples_and_strips_speak_too(self):
        last = FIRST + timedelta(days=59)
        drain = read_at((0, 3.6), (3, 3.6)).now[1]
        half = tuple(Sampled(last - timedelta(days=d), 1.0, "ext_1_2_vv") for d in (0, 3))
        slurry = follow(zone(samples=half), weather(60), 0).now[1]
        self.assertAlmostEqual(slurry / drain, 1, delta=0.2)
        strips = [
            follow(zone(samples=(Sampled(last, mg, "nitrate_strip"),)), weather(60), 0).now[1]
            for mg in (30.0, 900.0)
        ]
        self.assertLess(*strips)

    def test_salt_stays_rain_thins_and_a_flush_falls(self):
        dry = read_at((0, 3.5), rain_m2=0.0)
        last = FIRST + timedelta(days=59)
        flushed = follow(
            replace(dry.root_zone, poured=(Poured(last, 20.0, RAIN, False, 20.0),)), weather(60), 30
        )
        self.assertLess(flushed.now[1], 0.65 * dry.now[1])
        self.assertLess(flushed.ec[1, flushed.today + 10], dry.ec[1, dry.today + 10])

    def test_a_dry_feed_comes_in_slowly(self):
        pellets = Slow(FIRST, (0,) * WIDE, (0, 0, 0, 0, 20_000.0, 0, 0, 0, 0), 20.0)
        given = follow(zone(slow=(pellets,)), weather(60), 0)
        bare = follow(zone(), weather(60), 0)
        rises = given.ec[1] - bare.ec[1]
        self.assertGreater(rises[40], rises[5] + 0.5)

    def test_a_dry_feed_from_before_the_window_still_comes(self):
        old = Slow(
            FIRST - timedelta(days=60), (0,) * WIDE, (0, 0, 0, 0, 40_000.0, 0, 0, 0, 0), 60.0
        )
        given = follow(zone(slow=(old,)), weather(60), 0)
        self.assertGreater(given.ec[1, 40], follow(zone(), weather(60), 0).ec[1, 40] + 0.5)

    def test_a_can_by_its_sources_and_its_conductivity(self):
        """A third of the nitrogen is nitrate, the rest urea or organic; salt is told by EC."""
        half = composition(Label(6, 0, 0, nitrogen=(("nitrate", 2.0), ("urea", 4.0))))
        mg_l = {"N": 90.0, "P": 10.0, "K": 78.2, "Ca": 40.08, "Mg": 0.0}
        nitrate, ammonium, urea, *food, salt, lime = charged_can(mg_l, ((half, 5.0),), 0.6, 122.0)
        self.assertAlmostEqual(nitrate / urea, 0.5, places=3)
        self.assertAlmostEqual(nitrate + ammonium + urea, 90.0)
        self.assertEqual(food, [10.0, 78.2, 40.08, 0.0])
        # 6 meq at .1 mS/cm each: 2 of potassium, 2 of calcium, so 2 of sodium
        self.assertAlmostEqual(salt, 2 * 22.99, delta=0.1)
        self.assertEqual(lime, 122.0)

    def test_an_unfed_pot_on_hard_water_does_not_burn(self):
        """Bicarbonate of calcium settles; as much of other salt stays and climbs."""
        hard, salty = (
            follow(zone(water_mg_l=water, filled_on=FIRST), weather(90), 0).now[1]
            for water in (charged_water(water_from_ec(0.65)), with_charge((0.0,) * WIDE, 0.65))
        )
        self.assertLess(hard, 2.6)
        self.assertGreater(salty, hard + 0.5)

    def test_a_finger_says_how_wet_it_is(self):
        on = FIRST + timedelta(days=59)
        watered = {"logs_all": True, "poured": (Poured(on - timedelta(days=4), 18.0, RAIN, False),)}
        bare, dry, moist, wet = (
            water_share(follow(zone(felt=felt, **watered), weather(60), 0))
            for felt in ((), *((Felt(on, word),) for word in ("dry", "moist", "wet")))
        )
        self.assertTrue(dry[1] < moist[1] < wet[1], (dry, moist, wet))
        self.assertLess(dry[1], bare[1] + 0.01)
        self.assertLess(moist[2] - moist[0], bare[2] - bare[0])
        # who is found dry again and again waters later than one found wet
        habits = [
            follow(
                zone(felt=tuple(Felt(on - timedelta(days=ago), word) for ago in range(9))),
                weather(60),
                0,
            )
            for word in ("dry", "wet")
        ]
        late, soon = (found.unknowns.of("watered_when", 0).mean() for found in habits)
        self.assertLess(late, soon)

    def test_a_finger_s_likelihood_by_hand(self):
        """Moist is .65: at .85, its 90 %, the density is exp(-1.28 ** 2 / 2) = .44 of the best."""
        share = np.array([0.65, 0.85, 0.05])
        moist = felt_likelihood(Felt(FIRST, "moist"), share)
        np.testing.assert_allclose(moist, [1.0, 0.1 + 0.9 * 0.44, 0.1], atol=0.01)
        np.testing.assert_allclose(felt_likelihood(Felt(FIRST, "dry"), share)[2], 1.0)
        np.testing.assert_allclose(felt_likelihood(Felt(FIRST, "wet"), np.array([1.0])), 1.0)
        with self.assertRaises(DaceError) as caught:
            Felt(FIRST, "soggy")
        self.assertEqual(caught.exception.field, "word")

    def test_logging_every_watering_turns_the_assumed_ones_off(self):
        logged = follow(zone(logs_all=True), weather(60), 0)
        self.assertLess(water_share(logged)[1], 0.4)
        self.assertGreater(water_share(follow(zone(), weather(60), 0))[1], 0.5)

    def test_bad_input_is_named(self):
        for field, build in (
            ("setting", lambda: zone(setting="moon")),
            ("litres", lambda: zone(litres=0.0)),
            ("value", lambda: Sampled(FIRST, -1.0)),
            ("method", lambda: Sampled(FIRST, 1.0, "taste")),
            ("pots", lambda: Sampled(FIRST, 1.0, pots=0)),
            ("ahead", lambda: follow(zone(), weather(60), 999)),
            ("filled_on", lambda: follow(zone(filled_on=date(2030, 1, 1)), weather(60))),
        ):
            with self.subTest(field), self.assertRaises(DaceError) as caught:
                build()
            self.assertEqual(caught.exception.field, field)
