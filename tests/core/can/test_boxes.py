"""What a box shows, typed back, changes nothing: in every family, for every kind of jar."""

from dataclasses import replace

from django.test import SimpleTestCase
from hypothesis import given, settings
from hypothesis import strategies as st

from dace.core.api import (
    CanAsked,
    DaceError,
    Label,
    answer,
    completed,
    composition,
    composition_of_liquid,
    crop,
    pen_scales,
    read_litres_each,
    read_pack,
    shown,
    water_from_ec,
)

FAMILIES = {
    "metric": shown.Shown(),
    "us": shown.Shown("us", "F", "ppm500"),
    "imperial": shown.Shown("imperial", "C", "ppm700"),
    "australian": shown.Shown("australian", "C", "uS/cm"),
}
JARS = {
    "liquid": composition(Label(4, 3, 8, density_g_per_ml=1.15, rate_per_l=4.0)),
    "powder": composition(Label(16, 8, 24, form="solid", rate_per_l=1.0)),
    "home-made": composition_of_liquid({"NH4_N": 150.0, "K": 1600.0}, "comfrey", brewed=True),
    "without nitrogen": composition(Label(0, 0, 50, form="solid")),
}
WATER = water_from_ec(0.65)


def asked(strength, jar, family):
    return CanAsked(strength, JARS[jar], WATER, 9.0, family, tokens=frozenset())


class Boxes(SimpleTestCase):
    @settings(max_examples=60, deadline=None)
    @given(
        st.sampled_from(list(FAMILIES)),
        st.sampled_from(list(pen_scales())),
        st.sampled_from(list(JARS)),
        st.floats(0.3, 60),
    )
    def test_what_a_box_shows_typed_back_bare_or_in_full_is_the_same_can(
        self, family, scale, jar, per_l
    ):
        unit = JARS[jar].unit
        with shown.showing(replace(FAMILIES[family], scale=scale)):
            first = answer(asked(f"{per_l:.6f} {unit}/L", jar, family))
            for way in first.ways:
                for typed in (way.shown, way.said):
                    again = answer(asked(completed(typed, way.said), jar, family))
                    back = {one.key: one.shown for one in again.ways}
                    self.assertEqual(back[way.key], way.shown, (family, jar, way))
                    off = abs(again.can.amount / first.can.amount - 1)
                    self.assertLess(off, 0.12 if way.key == "ec" else 0.05, (way, typed))

    def test_a_bare_two_over_grams_a_gallon_is_two_grams_a_gallon(self):
        with shown.showing(FAMILIES["us"]):
            found = answer(asked(completed("2", "2.01 g/gal"), "powder", "us"))
            self.assertAlmostEqual(found.can.amount_per_l, 2 / 3.785411784, places=6)

    def test_no_box_for_what_is_not_in_it(self):
        found = answer(asked("1 g/L", "without nitrogen", "metric"))
        self.assertNotIn("nitrogen", {way.key for way in found.ways})
        self.assertNotIn("label", {way.key for way in found.ways})

    def test_a_changed_jar_starts_from_its_own_label_or_weak(self):
        """100 % of the label's rate of 1 g/L, not the 2 mL/L of the liquid before it."""
        for jar, per_l in (("powder", 1.0), ("liquid", 4.0), ("without nitrogen", 0.5)):
            with self.subTest(jar):
                can = answer(asked("what is usual", jar, "metric")).can
                self.assertAlmostEqual(can.amount_per_l, per_l, delta=0.02)
                little = answer(asked("a quarter of what is usual", jar, "metric")).can
                self.assertAlmostEqual(little.amount_per_l, per_l / 4, delta=0.02)

    def test_an_amount_for_each_plant_is_read_in_the_unit_of_its_box(self):
        """A US pint is 473.2 mL, a fluid ounce 29.57 mL."""
        with shown.showing(FAMILIES["us"]):
            for typed, litres in (
                ("2", 0.9464),
                ("500 ml", 0.5),
                ("12 fl oz", 0.3549),
                ("1 ½", 0.7098),
            ):
                with self.subTest(typed):
                    each = read_litres_each(completed(typed, "2 pt"), 4, None, "us")
                    self.assertAlmostEqual(each, litres, places=3)
            for bare in ("2", "0.5"):
                with self.subTest(bare), self.assertRaisesMessage(DaceError, "gal"):
                    read_litres_each(bare, 4, None, "us")

    def test_a_bare_pack_is_refused_where_two_units_are_in_use(self):
        with shown.showing(FAMILIES["us"]), self.assertRaisesMessage(DaceError, "fl oz"):
            read_pack("32", "mL", "us", "pack")
        self.assertEqual(read_pack("500", "g", "metric", "pack"), 500)

    def test_the_label_speaks_where_no_crop_is_named(self):
        chilli = crop("chilli")
        liked = CanAsked("what the stage likes", JARS["liquid"], WATER, 9.0, crop=chilli,
                         stage=chilli.stage("fruit_set"))  # fmt: skip
        self.assertLess(answer(liked).can.amount_per_l, 4.0)
