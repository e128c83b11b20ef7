"""Each kind of verdict where it holds, and not where another comes first."""

import unittest

from dace.core.errors import DaceError
from dace.core.season.crops import crop
from dace.core.shell.verdicts import verdict
from dace.core.verdict.kinds import KINDS
from tests.core.verdict.yards import (
    COMFREY,
    CRYSTALS,
    FRUITING,
    PELLETS,
    POTASH,
    judged,
    one,
    pot,
    yard,
)
from tests.core.working import worked_out


def with_planting(stop, **more):
    return stop | {"plantings": [stop["plantings"][0] | more]}


BEAN_BED = {
    "id": "bean",
    "medium": "clay_soil",
    "area_m2": 3.2,
    "setting": "bed",
    "plantings": [
        {
            "id": "b",
            "crop": "runner_bean",
            "stage": "flowering",
            "seen_on": "2026-07-10",
            "plants": 16,
            "started_on": "2026-05-10",
        }
    ],
    "filled_on": "2026-04-01",
}


class Feed(unittest.TestCase):
    def test_fed_a_week_ago_and_little_left(self):
        found = one(pot())
        self.assertEqual((found["kind"], found["next_on"]), ("feed", "2026-07-14"))
        # a third of the 18 L that 40 L of old mix hold, within a tenth for the middle draw
        self.assertAlmostEqual(found["litres"], 6, delta=0.6)
        self.assertAlmostEqual(found["each"][0]["litres"], found["litres"] / 6)
        # as strong as is owed, at most 1.3 times the high end of 144 mg/L of N and 216 of K
        self.assertLessEqual(found["mg_l"]["N"], 1.3 * 144)
        self.assertGreater(found["mg_l"]["N"], 90)
        self.assertRegex(found["reason"], "^(Nitrogen|Potassium) (is nearly gone|runs out )")
        self.assertLess(found["feed_ec_ms_cm"], found["cap_ms_cm"])

    def test_what_is_owed_is_what_is_poured(self):
        """Owed by the Working, less what the water brings, over the litres: the strength."""
        rich = {"on": "2026-07-10", "litres": 6, "ec_ms_cm": 2, "n_mg_l": 150, "k_mg_l": 225}
        calm = pot(plants=2, rhythm="twice_weekly")
        found = one(calm | {"poured": [*calm["poured"], rich]}, jars=[CRYSTALS])
        owed = {row["what"]: row["value"] for row in found["working"] if "owed" in row["what"]}
        self.assertEqual(found["bound_by"].split()[:3], ["what", "is", "owed"])
        nutrient = found["bound_by"].split()[-1]
        key = {"nitrogen": "N", "potassium": "K"}[nutrient]
        brought = found["mg_l"][key] * found["litres"]
        # a strength is said to two figures, and never stronger
        self.assertLessEqual(brought, owed[f"{nutrient} owed"] * 1.001)
        self.assertGreater(brought, 0.85 * owed[f"{nutrient} owed"])

    def test_a_label_s_own_rate_is_never_passed(self):
        labelled = {"jar": CRYSTALS["jar"] | {"rate_per_l": 0.4}, "name": "crystals"}
        found = one(pot(), jars=[labelled])
        self.assertLessEqual(found["amounts"][0]["amount"], 0.4 * found["litres"] + 1e-9)

    def test_more_is_owed_to_who_was_fed_less(self):
        weak = [row | {"n_mg_l": 30, "k_mg_l": 50} for row in pot()["poured"]]
        calm = pot(plants=2)
        usual, less = one(calm, jars=[FRUITING]), one(calm | {"poured": weak}, jars=[FRUITING])
        self.assertGreaterEqual(less["mg_l"]["N"], usual["mg_l"]["N"])

    def test_stock_draws_down_from_stop_to_stop(self):
        little = FRUITING | {"stock": 12}
        first, second = judged(pot(id="a"), pot(id="b"), jars=[little])
        self.assertTrue(first["amounts"], (first["headline"], first["reason"]))
        self.assertEqual(second["amounts"], [])
        self.assertIn("Nothing on the shelf suits. Get a tomato feed", second["headline"])
        self.assertEqual((second["kind"], second["button"]), ("wait", ""))
        self.assertEqual(second["to_get"][0]["nutrients"], ["N", "K"])

    def test_weaker_where_what_drains_was_read_near_the_top(self):
        usual = one(pot(), jars=[FRUITING])["mg_l"]["N"]
        rising = one(pot(readings=[{"on": "2026-07-13", "value": 2.65}] * 2), jars=[FRUITING])
        self.assertEqual(rising["kind"], "feed")
        # strength x (1.45 - drain/top)/.5, a quarter at least; the top of a chilli is 2.8
        self.assertLess(rising["mg_l"]["N"], 0.95 * usual)
        self.assertEqual(rising["bound_by"], "the salt that was read there")

    def test_a_leaf_score_of_four_needs_nothing_and_of_two_more(self):
        self.assertEqual(one(with_planting(pot(), leaf_score=4))["kind"], "enough")
        rich = {"on": "2026-07-10", "litres": 6, "ec_ms_cm": 2, "n_mg_l": 150, "k_mg_l": 225}
        calm = pot(plants=2, rhythm="twice_weekly")
        calm["poured"].append(rich)
        poor = one(with_planting(calm, leaf_score=2), jars=[FRUITING])
        self.assertGreater(poor["mg_l"]["N"], one(calm, jars=[FRUITING])["mg_l"]["N"])

    def test_soil_first_takes_what_is_brewed_or_slow(self):
        found = one(pot(approach="soil_first"))
        self.assertEqual((found["kind"], found["amounts"][0]["name"]), ("dress", "pellets"))
        brewed = one(pot(approach="soil_first"), jars=[COMFREY, CRYSTALS])
        self.assertEqual(brewed["kind"], "feed")

    def test_what_was_dressed_waits_four_weeks(self):
        strewn = {"on": "2026-07-04", "grams": 1, "jar": PELLETS["jar"]}
        found = one(pot(approach="soil_first", poured=[], slow=[strewn]))
        # 4 July and 28 days
        self.assertEqual((found["kind"], found["next_on"]), ("wait", "2026-08-01"))
        self.assertIn("Dressed 10 days ago", found["reason"])

    def test_a_trace_comes_from_a_stock_solution(self):
        tray = with_planting(
            pot(crop="lettuce", stage="seedling", litres=5, plants=24, setting="tray"),
            started_on="2026-06-26",
            seen_on="2026-07-12",
        )
        tray |= {"medium": "seed_mix", "shelter": "indoors", "filled_on": "2026-06-26"}
        tray |= {"poured": [], "readings": []}
        found = one(tray, jars=[CRYSTALS])
        self.assertEqual(found["kind"], "feed")
        self.assertEqual(found["water"], "rain")
        self.assertIn("of a stock (", found["amounts"][0]["words"])

    def test_the_working_can_be_done_by_hand(self):
        for step in one(pot())["working"]:
            if step["expression"]:
                self.assertAlmostEqual(worked_out(step["expression"]), step["value"], delta=0.1)


class Salt(unittest.TestCase):
    SALTY = pot(readings=[{"on": "2026-07-12", "value": 3.6}])

    def test_flushed_first_with_the_softest_water_and_why(self):
        strong = [row | {"n_mg_l": 170, "said": "1 + 280"} for row in self.SALTY["poured"]]
        found = one(self.SALTY | {"poured": strong})
        self.assertEqual((found["kind"], found["water"]), ("flush", "rain"))
        self.assertEqual(found["amounts"], [])
        self.assertIn("Four feeds at 1 + 280 were nearly double what suits", found["reason"])
        self.assertIn("one go of", found["headline"])
        self.assertIn("then read", found["headline"])

    def test_one_go_then_it_is_read_and_what_it_reads_decides(self):
        plan = one(self.SALTY)["flush"]
        self.assertEqual(plan["read_after"], 1)
        go = {"on": "2026-07-14", "litres": plan["each_l"], "ec_ms_cm": 0.06, "feed": False}
        once = self.SALTY | {"poured": [*self.SALTY["poured"], go]}
        self.assertEqual(one(once)["kind"], "water")
        still = [*self.SALTY["readings"], {"on": "2026-07-14", "value": 3.2, "hour": 16}]
        self.assertEqual(one(once | {"readings": still})["kind"], "flush")
        gone = [*self.SALTY["readings"], {"on": "2026-07-14", "value": 1.7, "hour": 16}]
        fed = one(once | {"readings": gone}, jars=[FRUITING])
        self.assertEqual(fed["kind"], "feed")
        self.assertLessEqual(fed["mg_l"]["N"], 90)  # the first after it at most the typical wish

    def test_without_a_pen_salt_is_seen_or_too_much_was_poured(self):
        """Asked beside a feed; a yes is two goes, and it holds till it is washed out."""
        near = [row | {"ec_ms_cm": 2.2} for row in pot()["poured"]]
        bare = pot(poured=near, readings=[])
        asked = one(bare, pen=False)
        self.assertEqual((asked["kind"], asked["look"]["about"]), ("feed", "crust"))
        for word in ("crust", "too_much"):
            salty = bare | {"salt_said": {"on": "2026-07-14", "word": word}}
            found = one(salty, pen=False)
            self.assertEqual((found["kind"], found["flush"]["read_after"]), ("flush", 0))
            # of the 18 L or so that it holds two goes are up to two thirds
            self.assertTrue(6 < found["litres"] <= 2 / 3 * 20, found["litres"])
            go = {"on": "2026-07-14", "hour": 19, "litres": found["litres"], "ec_ms_cm": 0.06}
            washed = [*near, go | {"feed": False, "flush": True}]
            self.assertNotEqual(one(salty | {"poured": washed}, pen=False)["kind"], "flush")
        clean = one(bare | {"salt_said": {"on": "2026-07-02", "word": "clean"}}, pen=False)
        self.assertEqual((clean["kind"], clean["look"]), ("feed", None))
        long_ago = {"salt_said": {"on": "2026-06-30", "word": "clean"}}
        self.assertEqual(one(bare | long_ago, pen=False)["look"]["about"], "crust")
        with self.assertRaises(DaceError):
            one(bare | {"salt_said": {"on": "2026-07-14", "word": "snow"}})

    def test_nobody_waits_long_for_a_reading(self):
        go = {"on": "2026-07-09", "litres": 6, "ec_ms_cm": 0.06, "feed": False}
        read = [{"on": "2026-07-08", "value": 3.6}]
        long_ago = pot(readings=read) | {"poured": [*pot()["poured"], go]}
        self.assertNotEqual(one(long_ago)["kind"], "water")

    def test_a_bed_is_watered_never_flushed(self):
        bed = BEAN_BED | {
            "readings": [{"on": "2026-07-13", "value": 2.5, "method": "saturated_media_extract"}]
            * 2
        }
        found = one(bed)
        self.assertEqual((found["kind"], found["flush"]), ("water", None))

    def test_a_single_high_surprise_is_read_again(self):
        calm = [{"on": f"2026-07-{day}", "value": 1.7} for day in ("04", "08", "12")]
        found = one(pot(readings=[*calm, {"on": "2026-07-14", "value": 8.0}]))
        self.assertNotIn(found["kind"], ("feed", "dress", "enough"))
        self.assertEqual(found["amounts"], [])


class Look(unittest.TestCase):
    def test_never_read_and_maybe_too_salty(self):
        bare = pot(crop="strawberry", stage="wind_down", plants=10, litres=30)
        fed = {"on": "2026-07-06", "litres": 1, "ec_ms_cm": 1.2, "n_mg_l": 20, "k_mg_l": 30}
        bare |= {"medium": "coir", "readings": [], "poured": [fed]}
        salts = {"Ca": 105, "Mg": 6, "alkalinity_caco3": 240, "Na": 22, "Cl": 38, "S_SO4": 13}
        waters = {"tap": salts, "rain": {"ec_ms_cm": 0.06}}
        stop = with_planting(bare, started_on="2026-03-28", seen_on="2026-07-03")
        found = one(stop, waters=waters)
        self.assertEqual(found["kind"], "look")
        self.assertEqual([after["kind"] for after in found["look"]["after"]], ["flush", "feed"])
        read = stop | {"readings": [{"on": "2026-07-14", "value": 1.0}]}
        after = one(read, waters=waters)
        self.assertEqual(after["kind"], "feed")
        # due for a week and nobody read it: no question starves it
        long_due = stop | {"poured": [fed | {"on": "2026-06-20"}]}
        self.assertEqual(one(long_due, waters=waters)["kind"], "feed")

    def test_where_every_answer_feeds_the_question_stands_beside_it(self):
        doubtful = with_planting(pot(crop="melon", stage="fruit_set", plants=2, litres=60),
                                 seen_on="2026-07-01")  # fmt: skip
        found = one(doubtful)
        self.assertEqual(found["kind"], "feed")
        self.assertEqual(found["look"]["about"], "stage")

    def test_a_stage_that_nobody_confirmed_for_long_is_looked_at_first(self):
        old = with_planting(pot(crop="parsley", stage="harvest", plants=3, litres=6),
                            seen_on="2026-03-01", started_on="2025-06-01")  # fmt: skip
        self.assertIn(one(old)["kind"], ("look", "rest"))


class NoFeed(unittest.TestCase):
    def test_controls_are_kept_unfed(self):
        found = one(pot(control=True))
        self.assertEqual((found["kind"], found["mark"]), ("rest", "same water, no feed"))

    def test_beans_in_the_ground_make_their_own(self):
        found = one(BEAN_BED, jars=[FRUITING, CRYSTALS])
        self.assertEqual(found["kind"], "enough")
        self.assertEqual(found["headline"], "Makes its own nitrogen; water if dry.")

    def test_beans_are_never_offered_nitrogen(self):
        poor = BEAN_BED | {"medium": "sandy_soil", "area_m2": 0.6}
        for jars in ([FRUITING, CRYSTALS, PELLETS], [POTASH, FRUITING]):
            for amount in one(poor, jars=jars)["amounts"]:
                self.assertEqual(amount["name"], "potash")

    def test_between_two_feeds_it_waits(self):
        fed = pot()
        fed["poured"] = [*fed["poured"], fed["poured"][-1] | {"on": "2026-07-12"}]
        found = one(fed | {"rhythm": "weekly"})
        self.assertEqual((found["kind"], found["next_on"]), ("wait", "2026-07-19"))

    def test_heat_and_heavy_rain_shut_the_gate(self):
        days = [[f"2026-07-{day:02}", 14, 24, 0] for day in range(1, 15)]
        hot = [*days[:-1], ["2026-07-14", 20, 36, 0], ["2026-07-15", 12, 22, 0]]
        found = one(pot(), days=hot)
        self.assertEqual(found["kind"], "wait")
        self.assertIn("36", found["reason"])
        wet = [*days, ["2026-07-15", 12, 20, 40], ["2026-07-16", 12, 20, 0]]
        self.assertIn("40 mm of rain", one(pot(), days=wet)["reason"])
        self.assertEqual(one(pot(shelter="cover"), days=wet)["kind"], "feed")

    def test_onions_ripening_and_seeds_germinating_rest(self):
        onion = pot(crop="onion", stage="ripening", plants=8)
        self.assertEqual(one(with_planting(onion, started_on="2026-03-01"))["kind"], "rest")
        sown = with_planting(pot(stage="germination"), started_on="2026-07-08")
        self.assertIn("Germinating", one(sown | {"filled_on": "2026-07-08"})["headline"])

    def test_nothing_outlives_its_killing_night(self):
        for key, stage in (("aubergine", "harvest"), ("courgette", "harvest")):
            old = with_planting(pot(crop=key, stage=stage, plants=1), seen_on="2026-09-20")
            found = one(old | {"poured": [], "readings": []}, today="2026-12-15")
            self.assertEqual(found["kind"], "rest", key)
            self.assertRegex(found["headline"], "Ended by cold|Its season is over")

    def test_southern_summer_and_autumn_garlic(self):
        tomato = with_planting(pot(crop="tomato_cordon", stage="fruit_set", plants=1, litres=20),
                               seen_on="2026-12-28", started_on="2026-10-01")  # fmt: skip
        tomato |= {"filled_on": "2026-10-20", "poured": [], "readings": []}
        found = one(tomato, today="2027-01-05", latitude=-38, climate=None)
        self.assertIn(found["kind"], ("feed", "look"))
        garlic = with_planting(pot(crop="garlic", stage="establishing", plants=12),
                               seen_on="2026-10-20", started_on="2026-10-10")  # fmt: skip
        bed = garlic | {"setting": "bed", "area_m2": 1.0, "medium": "loam_soil", "poured": []}
        bed |= {"readings": [], "filled_on": "2026-10-10"}
        self.assertEqual(one(bed, today="2026-11-05")["kind"], "rest")


class WithoutAPen(unittest.TestCase):
    def test_a_pot_never_read_is_fed_by_the_books(self):
        unread = pot(readings=[], poured=pot()["poured"][-2:])
        pen = one(unread, jars=[FRUITING])
        none = one(unread, jars=[FRUITING], pen=False)
        self.assertEqual(none["kind"], "feed")
        self.assertEqual(none["mg_l"], pen["mg_l"])
        self.assertEqual(pen["look"]["about"], "drain")

    def test_reckoned_far_too_salty_and_long_not_read_is_plain_water(self):
        strong = pot(readings=[])
        strong["poured"] = [row | {"n_mg_l": 500, "ec_ms_cm": 6.0} for row in strong["poured"]]
        self.assertEqual(one(strong, pen=False)["kind"], "water")


class Several(unittest.TestCase):
    def test_all_must_rest_and_each_has_its_own_sentence(self):
        shared = pot(litres=60)
        bulb = {"id": "q", "crop": "onion", "stage": "ripening", "seen_on": "2026-07-08"}
        shared["plantings"] = [
            *shared["plantings"],
            bulb | {"plants": 4, "started_on": "2026-03-01"},
        ]
        found = one(shared)
        self.assertEqual(found["kind"], "feed")
        litres = {row["planting"]: row["litres"] for row in found["each"]}
        self.assertEqual(litres["q"], 0)
        self.assertGreater(litres["p"], 0)

    def test_the_same_garden_twice_is_the_same_verdict(self):
        self.assertEqual(judged(pot()), judged(pot()))

    def test_what_cannot_be_read_is_named(self):
        bad = [
            ({"stops": [pot(medium="moondust")]}, "medium"),
            ({"stops": [pot(rhythm="hourly")]}, "rhythm"),
            ({"stops": [pot(shelter="cave")]}, "shelter"),
            ({"today": "soon"}, "today"),
            ({"jars": [{"name": "x", "jar": {"grade": [1]}}]}, "jar.grade"),
            ({"stops": [pot(), pot()]}, "stops.id"),
        ]
        for more, field in bad:
            with self.subTest(field), self.assertRaises(DaceError) as raised:
                verdict(yard(pot()) | more)
            self.assertEqual(raised.exception.field, field)

    def test_kinds_stand_in_their_order(self):
        order = ("rest", "flush", "water", "look", "wait", "feed", "dress", "enough")
        self.assertEqual(tuple(kind.key for kind in KINDS), order)


class Locked(unittest.TestCase):
    def test_half_a_unit_above_its_range_no_phosphorus_is_promised(self):
        """Limed water ties phosphorus and iron to lime; a can brings neither to the roots."""
        top = crop("chilli").ph[1]
        said = "phosphorus and iron stay locked for chilli pepper"
        self.assertIn(said, one(pot(ph=top + 0.5))["reason"])
        self.assertNotIn("locked", one(pot(ph=top + 0.4))["reason"])
        self.assertNotIn("locked", one(pot())["reason"])
