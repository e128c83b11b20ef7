"""A can that reads wrong, made right and read again by the stand-in pen."""

import random
import unittest
from dataclasses import replace

from dace.core.api import (
    DaceError,
    Ingredient,
    Misread,
    Range,
    correct_can,
    fill_with,
    water_from_ec,
)
from dace.core.can.ingredient import ec_of
from dace.core.matter.composition import composition, composition_of_liquid
from dace.core.matter.label import Label
from dace.standins.pen import PenMake, SimulatedPen
from dace.standins.ports import Dipped

SALT = composition(Label(16, 8, 24, form="solid"))
FEED = composition(Label(4, 3, 8, density_g_per_ml=1.15))
BREW = composition_of_liquid({"NH4_N": 130, "K": 1600, "P": 40}, "comfrey", brewed=True)
PEN = PenMake("mS/cm", 20.0, 0.01, True)


def pen_reads(parts, water, dip):
    pen = SimulatedPen(PEN, 0, "pen", str(dip))
    return pen.read(Dipped(ec_of(parts, water), 25.0)).value


class Corrected(unittest.TestCase):
    def test_fifty_random_cans_read_what_was_promised(self):
        rng = random.Random(50)
        for case in range(50):
            water = water_from_ec(rng.choice((0.06, 0.3, 0.65)))
            meant = [Ingredient(rng.choice((SALT, FEED)), rng.uniform(0.4, 2.0), "salt")]
            if rng.random() < 0.5:
                meant.append(Ingredient(BREW, rng.uniform(10, 60), "comfrey"))
            can = fill_with(meant, 5.0, water)
            # it was really so many times as strong, each source by its own slip
            really = [p.times(rng.uniform(1.3, 3.0)) for p in meant]
            read = pen_reads(really, water, f"{case} before")
            mended = correct_can(Misread(tuple(meant), water, 5.0, 9.0, read, can.ec))
            if mended.kind == "right":
                continue
            with self.subTest(case):
                kept = 5.0 - mended.pour_off_l
                share = kept / (kept + mended.water_l)
                self.assertLessEqual(kept + mended.water_l, 9.0 + 1e-6)
                after = pen_reads([p.times(share) for p in really], water, f"{case} after")
                self.assertLess(abs(after / mended.reads.value - 1), 0.03)

    def test_twice_as_strong_wants_as_much_water_again(self):
        rain, part = water_from_ec(0.0), Ingredient(SALT, 1.0, "crystals")
        can = fill_with([part], 4.0, rain)
        twice = ec_of([part.times(2)], rain)
        mended = correct_can(Misread((part,), rain, 4.0, 9.0, twice, can.ec))
        self.assertAlmostEqual(mended.water_l, 4.0, places=3)
        self.assertAlmostEqual(mended.times, 2.0, places=3)
        self.assertIn("measured twice", mended.says)

    def test_without_room_some_is_poured_off_first(self):
        rain, part = water_from_ec(0.0), Ingredient(SALT, 1.0, "crystals")
        can = fill_with([part], 8.0, rain)
        twice = ec_of([part.times(2)], rain)
        mended = correct_can(Misread((part,), rain, 8.0, 9.0, twice, can.ec))
        # half of nine litres stays, filled up with as much water
        self.assertEqual(mended.kind, "pour_off")
        self.assertAlmostEqual(mended.pour_off_l, 3.5, places=3)
        self.assertAlmostEqual(mended.water_l, 4.5, places=3)

    def test_half_as_strong_wants_as_much_feed_again(self):
        rain, part = water_from_ec(0.0), Ingredient(SALT, 2.0, "crystals")
        can = fill_with([part], 5.0, rain)
        weak = ec_of([part.times(0.5)], rain)
        mended = correct_can(Misread((part,), rain, 5.0, 9.0, weak, can.ec))
        # half of the 10 g that were meant got into it
        self.assertEqual(mended.kind, "feed")
        self.assertAlmostEqual(mended.more[0].amount, 5.0, places=2)

    def test_a_thin_liquid_wants_as_much_again_of_itself(self):
        rain, part = water_from_ec(0.0), Ingredient(BREW, 40.0, "comfrey")
        can = fill_with([part], 5.0, rain)
        weak = ec_of([part.times(0.5)], rain)
        mended = correct_can(Misread((part,), rain, 5.0, 9.0, weak, can.ec))
        # 200 mL of it are in; as it is half as strong, 200 mL more make up for it
        self.assertAlmostEqual(mended.more[0].amount, 200.0, delta=0.5)

    def test_the_liquid_nobody_knows_is_named(self):
        rain = water_from_ec(0.0)
        brew = Ingredient(_unsure(BREW), 40.0, "comfrey")
        parts = (Ingredient(SALT, 0.5, "crystals"), brew)
        can = fill_with(parts, 5.0, rain)
        strong = ec_of([parts[0], brew.times(3)], rain)
        mended = correct_can(Misread(parts, rain, 5.0, 9.0, strong, can.ec))
        self.assertEqual(mended.source, "comfrey")
        self.assertAlmostEqual(mended.times, 3.0, places=3)
        self.assertIn("thin it", mended.says)

    def test_what_reads_as_it_should_is_left_alone(self):
        rain, part = water_from_ec(0.3), Ingredient(SALT, 1.0)
        can = fill_with([part], 5.0, rain)
        self.assertEqual(
            correct_can(Misread((part,), rain, 5.0, 9.0, can.ec.value, can.ec)).kind, "right"
        )
        plain = correct_can(Misread((part,), rain, 5.0, 9.0, 0.31, can.ec))
        self.assertEqual(plain.kind, "plain")

    def test_more_in_the_can_than_it_holds_is_refused(self):
        part = Ingredient(SALT, 1.0)
        can = fill_with([part], 5.0, water_from_ec(0.0))
        with self.assertRaisesRegex(DaceError, "filled_l"):
            correct_can(Misread((part,), water_from_ec(0.0), 10.0, 9.0, 5.0, can.ec))


def _unsure(feed):
    return replace(feed, spread=Range(0.5, 1.0, 1.8))
