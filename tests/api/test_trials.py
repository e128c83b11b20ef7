"""Trials: set up with coins, measured pot by pot, judged without a kind word too many."""

from __future__ import annotations

from dace.demo.keys import key
from dace.notebook.models import Measured, Trial
from tests.api.base import WeirYardCase, new_id

FED, UNFED = str(key("stand step chilli fed")), str(key("stand step chilli unfed"))
TUB = str(key("stand chilli 3 fed"))
DEMO = str(key("trial"))


class Trials(WeirYardCase):
    def start(self, **more):
        body = {"id": new_id(), "fed_stand_id": FED, "unfed_stand_id": UNFED, "feed": "nettle soak"}
        body |= {"measure": "harvest_g", "worthwhile_percent": 30} | more
        return self.asking.post("/api/trials", body)

    def free(self):
        """The demo's own trial is over."""
        self.asking.post(f"/api/trials/{DEMO}/end", {})

    def begun(self, **more):
        self.free()
        reply = self.start(**more)
        self.assertEqual(reply.status_code, 201, reply.content)
        return reply.json()["id"]

    def page(self, trial):
        return self.asking.get(f"/api/trials/{trial}").json()

    def measure(self, trial, values, **more):
        body = {"id": new_id(), "values": values} | more
        return self.asking.post(f"/api/trials/{trial}/measured", body)

    def spot(self, name):
        stops = self.asking.get("/api/path").json()["stops"]
        step = next(stop for stop in stops if stop["name"] == "Step")
        return next(spot for spot in step["spots"] if name in spot["name"])

    def test_before_it_starts_three_a_side_are_told_to_be_too_few(self):
        asked = "units=3&paired=false&worthwhile_percent=30&measure=harvest_g"
        found = self.asking.get(f"/api/trials/before?{asked}").json()
        self.assertIn("With three a side not even a large difference can be told", found["text"])
        self.assertIn("six pairs", found["text"])
        self.assertIn("about half the time", found["text"])
        self.assertEqual(found["judge_on"], "2026-08-25")  # fruit shows a drench after six weeks

    def test_coins_are_tossed_within_pairs_and_stay_as_they_fell(self):
        trial = self.begun()
        pots = self.page(trial)["pots"]
        self.assertEqual([pot["pair"] for pot in pots], [1, 1, 2, 2, 3, 3])
        for pair in (1, 2, 3):
            self.assertEqual(sum(p["fed"] for p in pots if p["pair"] == pair), 1)
        self.assertEqual(self.page(trial)["pots"], pots)

    def test_the_unfed_stay_unfed_until_it_is_over(self):
        self.free()
        tub = str(key("stand aubergine 1 fed"))
        self.assert_refused(self.start(unfed_stand_id=tub), 422, "unfed_stand_id")
        trial = self.begun(fed_stand_id=TUB, paired=False, toss=False)
        self.assertEqual(self.spot("unfed")["verdict"]["kind"], "rest")
        self.asking.post(f"/api/trials/{trial}/end", {"feed_again": True})
        self.assertNotIn("compare", self.spot("unfed")["verdict"]["reason"])

    def test_six_pots_cannot_tell_whatever_they_weigh(self):
        trial = self.begun()
        fed = {pot["number"]: pot["fed"] for pot in self.page(trial)["pots"]}
        self.assertEqual(self.page(trial)["headline"], "Nothing measured yet")
        for grams in (100, 40):
            values = {number: 3.0 * grams if is_fed else grams for number, is_fed in fed.items()}
            self.assertEqual(self.measure(trial, values, blind=True).status_code, 201)
        found = self.page(trial)
        self.assertEqual((found["verdict"], found["headline"]), ("cannot_tell", "Cannot tell yet"))
        self.assertEqual((found["gain"], found["low"], found["high"]), (200.0, None, None))
        self.assertEqual({p["figure"] for p in found["pots"]}, {420.0, 140.0})  # days are summed
        self.assertIn("pairs would show a gain of 30 %", found["enough"])
        self.assertNotIn("worked", str(found).replace("worked out", ""))
        blind = next(line for line in found["fair"] if line["name"] == "measured blind")
        self.assertTrue(blind["good"])

    def test_a_pot_that_is_left_out_takes_its_pair_along(self):
        trial = self.begun()
        self.measure(trial, {number: 10.0 * number for number in range(1, 7)})
        self.assert_refused(self.leave_out(trial, 9), 422, "number")
        self.assert_refused(self.leave_out(trial, 3, ""), 422, "why")
        self.assertEqual(self.leave_out(trial, 3).status_code, 200)
        out = [pot["number"] for pot in self.page(trial)["pots"] if pot["left_out"]]
        self.assertEqual(out, [3, 4])
        self.assertIn("2 pairs", self.page(trial)["text"])

    def leave_out(self, trial, number, why="slugs"):
        body = {"number": number, "why": why}
        return self.asking.post(f"/api/trials/{trial}/left-out", body)

    def test_what_cannot_be_is_refused_by_name_and_writes_nothing(self):
        count = Measured.objects.count()
        self.assert_refused(self.start(), 409, "fed_stand_id")  # the demo's own still runs
        trial = self.begun()
        for values, more, field in (
            ({}, {}, "values"),
            ({"9": 1}, {}, "values"),
            ({"1": 1, "2": -4}, {}, "value"),
            ({"1": 7}, {"measure": "colour"}, "score"),
            ({"1": 1}, {"measure": "charm"}, "measure"),
            ({"1": 1}, {"on": "2026-07-20"}, "on"),
        ):
            with self.subTest(field):
                self.assert_refused(self.measure(trial, values, **more), 422, field)
        for more, field in (
            ({"measure": "charm"}, "measure"),
            ({"worthwhile_percent": 0}, "worthwhile"),
            ({"feed": ""}, "feed"),
            ({"waits": "prayer"}, "waits"),
            ({"unfed_stand_id": FED}, "unfed_stand_id"),
            ({"fed_stand_id": TUB}, "paired"),  # six plants, but one pot
            ({"judge_on": "2026-07-01"}, "judge_on"),
        ):
            self.asking.post(f"/api/trials/{trial}/end", {})
            with self.subTest(field):
                self.assert_refused(self.start(**more), 422, field)
        self.assertEqual((Measured.objects.count(), Trial.objects.count()), (count, 2))

    def test_the_round_asks_for_the_same_water_and_for_figures(self):
        def asked():
            found = self.asking.get("/api/round").json()["trials"]
            return {task["kind"]: task for task in found}

        self.assertEqual(set(asked()), {"measure"})  # last measured a week ago
        can = {"id": new_id(), "jar_id": self.jar, "water_id": self.water, "vessel": "2 L"}
        dose = {"id": new_id(), "stand_id": FED, "plants": 3, "litres_each": 0.4}
        pour = {"can": can | {"strength": "1 + 500"}, "dose": dose}
        self.assertEqual(self.asking.post("/api/pours", pour).status_code, 201)
        water = asked()["water"]
        self.assertEqual(water["litres"], 1.2)
        body = {"id": new_id(), "fill_id": water["fill_id"], "water_id": water["water_id"]}
        poured = self.asking.post("/api/waterings", body | {"litres": "1.2 L"})
        self.assertEqual(poured.status_code, 201)
        self.measure(DEMO, {"1": 44})
        self.assertEqual(asked(), {})
        same = next(one for one in self.page(DEMO)["fair"] if one["name"] == "same water to both")
        self.assertTrue(same["good"])

    def test_earlier_trials_of_a_feed_count_with_it(self):
        self.free()
        trial = self.begun(jar_id=self.jar, feed="", measure="height_cm")
        self.assertEqual(self.page(trial)["earlier"], "")
        values = {number: 30.0 + number for number in range(1, 7)}
        self.measure(trial, values)
        self.assertIn("With 1 earlier of this feed", self.page(trial)["earlier"])
        self.assertIn("6 pairs", self.page(trial)["earlier"])


class Lanes(WeirYardCase):
    def test_scores_run_in_lanes_by_day_or_by_week(self):
        span = "since=2026-06-01&until=2026-07-14"
        tub = f"&stop={key('Quay tub 3')}"
        lanes = self.asking.get(f"/api/score-lanes?{span}{tub}").json()
        growth = next(lane for lane in lanes["lanes"] if lane["key"] == "set")
        self.assertEqual(growth["mean"], [1, 2, 2, 3])
        self.assertEqual(growth["on"][0], "2026-06-19")
        both = self.asking.get(f"/api/score-lanes?{span}").json()["lanes"]
        of_set = next(lane for lane in both if lane["key"] == "set")
        self.assertEqual((of_set["low"][0], of_set["mean"][0], of_set["high"][0]), (1, 1.5, 2))
        years = self.asking.get("/api/score-lanes?since=2016-01-01&until=2026-07-14").json()
        self.assertTrue(years["weekly"])
        backwards = self.asking.get("/api/score-lanes?since=2026-07-01&until=2026-06-01")
        self.assert_refused(backwards, 422, "until")

    def test_a_score_has_the_weather_of_its_day_beside_it_and_says_who_made_it_up(self):
        others = self.asking.get("/api/notebook?limit=200").json()["others"]
        scored = [one for one in others if one["kind"] == "observation"]
        self.assertEqual(len(scored), 8)
        for one in scored:
            self.assertRegex(one["air"], r"^\d+ °C to \d+ °C, .*simulated$")
