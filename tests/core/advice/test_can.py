"""Each rule speaks on its trigger, and is silent just outside it."""

from dataclasses import replace

from django.test import SimpleTestCase

from dace.core.advice import can as rules
from dace.core.can.fitting import strongest_within
from dace.core.can.mixing import fill_can
from dace.core.matter.composition import composition
from dace.core.matter.label import Label
from dace.core.matter.waters import water_from_ec
from dace.core.season.crops import crop, feed_cap

TAP = water_from_ec(0.5)
AUBERGINE = crop("aubergine")
FEED = composition(
    Label(
        4,
        3,
        8,
        density_g_per_ml=1.15,
        nitrogen=(("nitrate", 1.6), ("ammonium", 0.8), ("urea", 1.6)),
    )
)


def situation(per_l=2.0, feed=FEED, crop_=AUBERGINE, stage="flowering", water=TAP, stock=1000.0):
    stage_ = crop_.stage(stage)
    cap = feed_cap(crop_, stage_, water.ec_ms_cm).feed_ec_ms_cm
    return rules.CanSituation(
        can=fill_can(per_l, 9.0, feed, water),
        feed=feed,
        crop=crop_,
        stage=stage_,
        cap=cap,
        fits=strongest_within(cap, feed),
        stock=stock,
    )


def at_cap(factor):
    most = situation()
    return situation(per_l=most.fits * factor)


class OverCap(SimpleTestCase):
    def test_speaks_above_the_cap_and_not_below(self):
        self.assertIsNone(rules.over_cap(at_cap(0.999)))
        said = rules.over_cap(at_cap(1.001))
        self.assertEqual(said.severity, "care")
        self.assertIn("aubergine in flower", said.title)

    def test_far_above_it_is_a_stop(self):
        self.assertEqual(rules.over_cap(at_cap(1.3)).severity, "care")
        self.assertEqual(rules.over_cap(at_cap(2.0)).severity, "stop")

    def test_says_by_how_much(self):
        said = rules.over_cap(situation(per_l=1000 / 201))
        self.assertIn("1.70 mS/cm where at most 1.33 fits: 28 % over", said.text)

    def test_no_room_where_the_water_alone_is_too_salty(self):
        lettuce = crop("lettuce")  # seedlings bear 1.2 mS/cm in all
        salty = situation(crop_=lettuce, stage="seedling", water=water_from_ec(1.3))
        self.assertEqual(rules.over_cap(salty).severity, "stop")
        self.assertIn("water alone", rules.over_cap(salty).text)

    def test_without_a_stage_there_is_no_cap(self):
        free = replace(situation(per_l=50), crop=None, stage=None, cap=None, fits=None)
        self.assertIsNone(rules.over_cap(free))


class Stock(SimpleTestCase):
    def test_speaks_when_the_jar_is_short(self):
        # 2 mL/L in 9 L takes 18 mL
        self.assertIsNone(rules.short_of_stock(situation(stock=18.0)))
        said = rules.short_of_stock(situation(stock=17.9))
        self.assertEqual(said.severity, "stop")
        self.assertIn("0.1 mL short", said.title)

    def test_an_empty_jar_and_an_unknown_one(self):
        self.assertIn("empty", rules.short_of_stock(situation(stock=0.0)).text)
        self.assertIsNone(rules.short_of_stock(replace(situation(), stock=None)))


class Stages(SimpleTestCase):
    def test_a_stage_that_wants_no_nitrogen(self):
        onion = crop("onion")
        ripening = situation(crop_=onion, stage="ripening")
        self.assertEqual(rules.no_feed_wished(ripening).severity, "care")
        self.assertIsNone(rules.no_feed_wished(situation(crop_=onion, stage="bulbing")))

    def test_two_schools_on_feeding_in_flower(self):
        self.assertEqual(rules.feeding_in_flower(situation()).severity, "school")
        self.assertIsNone(rules.feeding_in_flower(situation(stage="fruit_set")))


class Unseen(SimpleTestCase):
    def test_speaks_from_a_fifth_of_the_nitrogen_on(self):
        def with_urea(percent):
            forms = (("nitrate", 4.0 - percent), ("urea", percent))
            label = Label(4, 3, 8, density_g_per_ml=1.15, nitrogen=forms)
            return situation(feed=composition(label))

        self.assertIsNone(rules.unseen_nitrogen(with_urea(0.7)))
        self.assertIn("23 %", rules.unseen_nitrogen(with_urea(0.92)).text)

    def test_organic_nitrogen_is_named(self):
        label = Label(4, 3, 2, form="solid", nitrogen=(("organic", 3.4), ("ammonium", 0.6)))
        self.assertIn("organic", rules.unseen_nitrogen(situation(feed=composition(label))).text)

    def test_undeclared_forms_are_said_to_be_unknown(self):
        said = rules.unseen_nitrogen(situation(feed=composition(Label(4, 3, 8))))
        self.assertIn("unknown part", said.text)


class Together(SimpleTestCase):
    def test_gravest_first_and_the_label_always(self):
        said = rules.advise_can(situation(per_l=20, stock=1.0))
        order = ["stop", "care", "info", "school"]
        ranks = [order.index(one.severity) for one in said]
        self.assertEqual(ranks, sorted(ranks))
        self.assertIn("label_first", [one.key for one in said])

    def test_every_caution_is_short_and_plain(self):
        for per_l in (0.5, 3.0, 5.0, 20.0):
            for one in rules.advise_can(situation(per_l=per_l, stock=5.0)):
                sentences = [s for s in one.text.replace("1.", "1,").split(". ") if s]
                self.assertLessEqual(len(sentences), 4, one.text)
                self.assertNotIn("!", one.text)
