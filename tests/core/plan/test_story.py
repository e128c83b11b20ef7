"""A tub of chillies through a summer: what moves its feeds, and what runs short."""

import unittest
from datetime import date
from itertools import pairwise

from dace.core.errors import DaceError
from dace.core.plan.rehearse import Trial, rehearse, tally
from dace.core.shell.plans import plan
from dace.core.shell.yards import yard_in
from tests.core.verdict.yards import COMFREY, CRYSTALS, FRUITING, PELLETS, POTASH, pot, yard


def days(found, stop="pot", kind="feed"):
    return [
        date.fromisoformat(event["on"])
        for event in found["events"]
        if event["stop"] == stop and event["kind"] == kind
    ]


def gaps(found):
    on = days(found)
    return {(b - a).days for a, b in pairwise(on)}


class Rhythm(unittest.TestCase):
    def test_who_sets_a_rhythm_is_never_fed_oftener(self):
        for rhythm, least in (("weekly", 7), ("fortnightly", 14), ("twice_weekly", 3)):
            on = days(plan(yard(pot(rhythm=rhythm), weeks=8)))
            self.assertTrue(on)
            self.assertTrue(all((b - a).days >= least for a, b in pairwise(on)), rhythm)

    def test_left_to_itself_a_small_pot_is_fed_oftener_than_a_large_one(self):
        def feeds(litres):
            told = pot(crop="tomato_cordon", stage="fruit_fill", litres=litres, plants=1)
            return len(days(plan(yard(told, weeks=6))))

        self.assertGreater(feeds(15), 1.5 * feeds(80))

    def test_feeds_are_numbered_in_order_after_those_that_were(self):
        found = plan(yard(pot(), weeks=6))
        numbers = [event["slot"] for event in found["events"] if event["kind"] == "feed"]
        # four were poured on it before
        self.assertEqual(numbers, list(range(5, 5 + len(numbers))))

    def test_today_is_the_verdict(self):
        found = plan(yard(pot(), weeks=4))
        today, verdict = found["events"][0], found["verdicts"][0]
        self.assertEqual(verdict["kind"], "feed")
        for key in ("amounts", "feed_ec_ms_cm", "cap_ms_cm", "each"):
            self.assertEqual(today[key], verdict[key])


class Destined(unittest.TestCase):
    def test_a_brew_that_nobody_takes_goes_on_the_heap_for_a_reason_of_this_garden(self):
        rich = [row | {"k_mg_l": 900, "n_mg_l": 20} for row in pot()["poured"]]
        jars = [COMFREY | {"keeps_until": "2026-08-10"}, CRYSTALS]
        (said,) = plan(yard(pot(poured=rich, plants=2), jars=jars, weeks=6))["made"]
        self.assertEqual(said["text"], "Nobody is short of its potassium: the heap on 10 August.")
        self.assertEqual((said["heap_ml"], said["goes"]), (COMFREY["stock"], []))
        shell = {"name": "shell", "jar": {"mg_l": {"Ca": 8000}, "method": "acid_extract"}}
        shell |= {"stock": 400, "keeps_until": "2026-08-10"}
        (said,) = plan(yard(pot(), jars=[shell, CRYSTALS], weeks=6))["made"]
        self.assertEqual(said["text"], "No feed here goes by its calcium: the heap on 10 August.")


class Moved(unittest.TestCase):
    def test_a_feed_today_moves_the_next(self):
        fed = pot(rhythm="weekly")
        fed["poured"].append({"on": "2026-07-14", "litres": 6, "ec_ms_cm": 1.2, "n_mg_l": 90})
        self.assertGreaterEqual(days(plan(yard(fed, weeks=4)))[0], date(2026, 7, 21))

    def test_one_twice_as_strong_is_followed_by_less(self):
        def nitrogen(n_mg_l):
            fed = pot(rhythm="weekly", plants=2)
            strong = {"on": "2026-07-14", "litres": 6, "ec_ms_cm": n_mg_l / 80, "n_mg_l": n_mg_l}
            fed["poured"].append(strong)
            events = plan(yard(fed, weeks=3))["events"]
            return sum(e["litres"] * e["mg_l"]["N"] for e in events if e["kind"] == "feed")

        self.assertLess(nitrogen(200), nitrogen(90))

    def test_flowers_seen_early_move_every_later_stage(self):
        def stages(stage):
            found = plan(yard(pot(crop="aubergine", stage=stage), weeks=12))["events"]
            return [event["stages"]["p"] for event in found]

        late, early = stages("vegetative"), stages("flowering")
        self.assertLess(early.index("fruit_set"), late.index("fruit_set"))

    def test_a_salty_tub_is_flushed_and_then_fed_at_what_it_wishes_at_most(self):
        salty = pot(
            readings=[{"on": "2026-07-13", "value": 5.0}, {"on": "2026-07-14", "value": 5.0}]
        )
        found = plan(yard(salty, weeks=4))
        self.assertEqual(found["events"][0]["kind"], "flush")
        self.assertEqual(days(found, kind="flush"), [date(2026, 7, 14)])
        first = next(event for event in found["events"] if event["kind"] == "feed")
        self.assertGreater(date.fromisoformat(first["on"]), date(2026, 7, 14))
        self.assertLessEqual(first["mg_l"]["N"], 91)  # a chilli at fruit set wishes 90

    def test_a_feed_does_not_outlive_the_cold(self):
        found = plan(yard(pot(), weeks=26))
        self.assertLess(days(found)[-1], date(2026, 11, 1))


class Shelf(unittest.TestCase):
    def test_what_runs_out_is_spread_over_others_and_then_named(self):
        little = [FRUITING | {"stock": 30}, CRYSTALS | {"stock": 9}]
        found = plan(yard(pot(), weeks=12, jars=little))
        used = {}
        for event in found["events"]:
            for one in event["amounts"]:
                used[one["name"]] = used.get(one["name"], 0) + one["amount"]
        self.assertEqual(set(used), {"fruiting", "crystals"})
        self.assertLessEqual(used["fruiting"], 30 + 1e-6)
        self.assertLessEqual(used["crystals"], 9 + 1e-6)
        self.assertIn("stock", {one["why"] for one in found["short"]})

    def test_without_potassium_on_the_shelf_that_is_short(self):
        urea = {"name": "urea", "jar": {"grade": [46, 0, 0], "form": "solid"}, "stock": 5000}
        found = plan(yard(pot(), weeks=8, jars=[urea]))
        why = {one["nutrient"]: one["why"] for one in found["short"]}
        self.assertEqual(why["K"], "shelf")

    def test_effort_or_money_spared_change_the_source(self):
        cheap = {
            "name": "brew",
            "jar": COMFREY["jar"] | {"mg_l": {"NO3_N": 1500, "P": 200, "K": 2300}},
        }
        jars = [cheap | {"stock": 90000, "price": 0}, FRUITING | {"price": 0.5}]

        def today(slider):
            found = plan(yard(pot(), weeks=2, jars=jars, slider=slider))
            return found["events"][0]["amounts"][0]["name"]

        self.assertEqual((today(1), today(-1)), ("fruiting", "brew"))
        with self.assertRaises(DaceError):
            today(7)

    def test_soil_first_beds_are_dressed_every_fourth_week_at_most(self):
        bed = pot(crop="chard", stage="vegetative", approach="soil_first", setting="bed",
                  medium="sandy_soil", area_m2=1.0, plants=9)  # fmt: skip
        del bed["litres"]
        found = plan(yard(bed, weeks=12, jars=[PELLETS, POTASH]))
        on = days(found, kind="dress")
        self.assertTrue(on)
        self.assertTrue(all((b - a).days >= 28 for a, b in pairwise(on)))


class Cans(unittest.TestCase):
    def test_alike_stops_share_a_can_at_the_weaker_strength(self):
        first, second = pot(plants=4), pot(plants=5)
        second["id"] = "other"
        found = plan(yard(first, second, weeks=1, jars=[CRYSTALS]))
        (can,) = found["cans"]
        self.assertEqual([one["stop"] for one in can["served"]], ["pot", "other"])
        strengths = {v["id"]: v["amounts"][0]["amount"] / v["litres"] for v in found["verdicts"]}
        self.assertAlmostEqual(strengths["pot"], strengths["other"])
        self.assertAlmostEqual(can["amounts"][0]["amount"] / can["litres"], strengths["pot"])

    def test_more_than_a_can_holds_is_filled_twice_alike(self):
        found = plan(yard(pot(plants=12, litres=90), weeks=1, jars=[CRYSTALS]))
        (can,) = found["cans"]
        self.assertGreater(can["litres"], 9)
        self.assertEqual(can["cans"], 2)


class TriedOut(unittest.TestCase):
    def yard(self):
        return yard_in(yard(pot(crop="cucumber", stage="flowering", plants=2)))

    def test_a_cool_summer_delays_the_picking_and_changes_nothing_that_stands(self):
        found = self.yard()
        stands = rehearse(found, Trial(), 12)
        cool = rehearse(found, Trial(warmer_c=-1), 12)
        usual, later = (tally(r.plan, r.yard).picked_on for r in (stands, cool))
        self.assertGreater(later, usual)
        self.assertEqual(rehearse(found, Trial(), 12).plan.digest, stands.plan.digest)

    def test_nothing_bought_and_twice_as_strong_every_second_week(self):
        found = self.yard()
        tried = rehearse(found, Trial(home_made=True, strength=2, rhythm="fortnightly"), 12)
        names = {e.portion.name for e in tried.plan.events if e.portion}
        self.assertLessEqual(names, {"comfrey", "pellets"})
        strong = rehearse(found, Trial(strength=2, rhythm="fortnightly"), 8).plan
        usual = rehearse(found, Trial(), 8).plan
        self.assertLess(len(strong.events), len(usual.events))
        most = max(e.portion.can.nutrient("N").value for e in strong.events if e.portion)
        self.assertGreater(most, usual.events[0].portion.can.nutrient("N").value)
