"""What a root zone's numbers mean for what grows in it."""

import unittest
from datetime import timedelta

from dace.core.matter.media import medium
from dace.core.matter.waters import water_from_ec
from dace.core.rootzone.meaning import (
    Comfort,
    climbing_since,
    comfort,
    crop_loss,
    days_to_top,
    next_feed,
    word_for,
)
from dace.core.rootzone.records import (
    Poured,
    charged_water,
)
from dace.core.rootzone.told import followed_steps
from dace.core.season.crops import crop
from tests.core.rootzone.pots import CA, feed, grown, read_at, zone
from tests.core.rootzone.simulated import FIRST
from tests.core.working import worked_out


class Meaning(unittest.TestCase):
    def test_words_just_inside_and_just_outside(self):
        band = Comfort(1.3, 2.6, "aubergine in flower", "")
        for ec, word in (
            (1.29, "low"),
            (1.31, "comfortable"),
            (2.22, "rising"),
            (2.59, "rising"),
            (2.61, "too_salty"),
            (3.89, "too_salty"),
            (3.91, "burning"),
        ):
            self.assertEqual(word_for(ec, band), word, ec)

    def test_never_to_feed_where_it_is_too_salty(self):
        for high in (3.3, 4.6, 8.0):
            found = read_at((0, high), (3, high), (6, high))
            self.assertGreater(
                found.now[1], comfort(found.root_zone, FIRST + timedelta(days=59)).high
            )
            self.assertIn(next_feed(found).say, ("plain", "look"))
        self.assertEqual(next_feed(read_at((0, 1.7), (3, 1.7), (6, 1.7))).say, "same")

    def test_low_is_hunger_in_a_pot_and_not_in_an_organic_bed(self):
        low = tuple((day, 0.7) for day in range(0, 20, 2))
        self.assertEqual(next_feed(read_at(*low)).say, "stronger")
        bed = {"medium": medium("raised_compost"), "setting": "open_bed", "litres": 300.0}
        said = next_feed(read_at(*low, **bed))
        self.assertEqual(said.say, "same")
        self.assertIn("no hunger by itself", said.why)

    def test_two_doubted_alike_ask_for_a_look_at_the_roots(self):
        found = read_at((12, 1.5), (9, 1.5), (6, 1.5), (1, 24.0), (0, 60.0))
        self.assertTrue(found.looked[-2].doubt)
        self.assertTrue(found.looked[-1].again)
        self.assertEqual(next_feed(found).say, "look")

    def test_unread_it_asks_for_a_reading(self):
        self.assertIn("read first", next_feed(read_at()).words)
        self.assertIsNone(next_feed(read_at(growing=())))

    def test_its_working_adds_up_to_what_drains(self):
        hard = charged_water(water_from_ec(0.65))
        poured = tuple(Poured(FIRST + timedelta(days=7 * n), 6.0, feed(1.8)) for n in range(8))
        for readings in ((), ((2, 2.4), (9, 2.2))):
            found = read_at(*readings, poured=poured, water_mg_l=hard)
            steps = {step.what: step for step in followed_steps(found)}
            for step in steps.values():
                if step.expression:
                    off = worked_out(step.expression) / step.value
                    self.assertAlmostEqual(off, 1, delta=0.005, msg=step.what)
            # what ran in of the feeds alone: 8 x 6 L of 18 meq/L
            self.assertGreater(steps["brought since"].value, 8 * 6 * 18)
            self.assertGreater(found.bucket.books["settled"][CA].mean(), 0)
            self.assertAlmostEqual(steps["in what drains"].value / found.now[1], 1, delta=0.02)

    def test_most_sensitive_crop_sets_the_top(self):
        both = (
            grown("aubergine", FIRST, FIRST - timedelta(days=70)),
            grown("strawberry", FIRST, FIRST - timedelta(days=70)),
        )
        found = comfort(zone(growing=both), FIRST + timedelta(days=10))
        self.assertIn("strawberry", found.whose)

    def test_climbing_and_the_day_it_passes_the_top(self):
        found = read_at((30, 1.4), (20, 1.8), (10, 2.2), (0, 2.5))
        self.assertIsNotNone(climbing_since(found))
        self.assertEqual(days_to_top(read_at((0, 4.0), (2, 4.0))), 0)

    def test_salt_costs_beds_by_threshold_and_slope(self):
        """Strawberry: 1 mS/cm and 33 % for each more, in a paste at half the pore water."""
        bed = {"medium": medium("loam_soil"), "setting": "open_bed", "litres": 300.0}
        plants = (grown("strawberry", FIRST, FIRST - timedelta(days=70)),)
        found = read_at((0, 3.0), (2, 3.0), (4, 3.0), growing=plants, **bed)
        loss, (threshold, slope) = crop_loss(found), crop("strawberry").salt
        self.assertEqual((threshold, slope), (1.0, 33.0))
        paste = found.now[1] / 1.09 / 2
        self.assertAlmostEqual(loss.value, slope * (paste - threshold), places=6)
        self.assertGreater(loss.value, 5)
        self.assertIsNone(crop_loss(read_at((0, 5.0))))
