"""Cans of several sources, mixes, stock solutions and corrections, over HTTP."""

from dataclasses import replace
from unittest import mock

from dace.demo.keys import key
from dace.feeding.verdicts import verdict_of
from tests.api.base import WeirYardCase, new_id

CRYSTALS, POTASH, ASH = (
    str(key(name))
    for name in ("Balanced crystals 16-8-24+Mg", "Potassium sulfate", "Wood ash, sifted")
)


class Together(WeirYardCase):
    def beside(self, jar, strength):
        return [{"jar_id": jar, "strength": strength}]

    def drawn(self, jar):
        jars = self.asking.get("/api/bench").json()["jars"]
        return next(one["stock"] for one in jars if one["id"] == jar)

    def test_the_bars_and_the_reading_move_for_both(self):
        alone = self.asking.post("/api/bench/preview", self.wanted()).json()
        more = self.beside(POTASH, "0.5 g/L")
        both = self.asking.post("/api/bench/preview", self.wanted(more=more)).json()
        potassium = [can["nutrients"][2]["figure"]["value"] for can in (alone, both)]
        # half a gram of 50 % K2O brings 0.5 x 0.5 x 0.8301 g of potassium
        self.assertAlmostEqual(potassium[1] - potassium[0], 207.5, delta=0.2)
        self.assertGreater(both["ec"]["value"], alone["ec"]["value"] + 0.4)
        self.assertEqual(both["more"][0]["amount_text"], "4.5 g")
        self.assertEqual(both["ways"]["parts"]["said"], "1 + 500")

    def test_what_must_not_meet_is_said_before_it_is_mixed(self):
        said = self.asking.post(
            "/api/bench/preview", self.wanted(jar_id=CRYSTALS, strength="1 g/L",
                                              more=self.beside(ASH, "1 g/L"))
        ).json()["advice"]  # fmt: skip
        clash = next(one for one in said if one["key"] == "clash_ash_with_ammonium")
        self.assertEqual((clash["severity"], clash["open"]), ("stop", True))
        self.assertIn("ammonia gas", clash["text"])

    def test_each_is_drawn_from_its_jar_and_all_undone_as_one(self):
        body = self.pour_body()
        body["can"]["more"] = self.beside(POTASH, "2 g")
        before = self.stock(), self.drawn(POTASH)
        wrote = self.asking.post("/api/pours", body)
        self.assertEqual(wrote.status_code, 201, wrote.content)
        self.assertAlmostEqual(self.stock(), before[0] - 9000 / 501, places=3)
        self.assertAlmostEqual(self.drawn(POTASH), before[1] - 2.0, places=6)
        dose = self.asking.get("/api/notebook?limit=5").json()["doses"][0]
        self.assertEqual(len(dose["sources"]), 2)
        self.asking.post("/api/undo", {"change_id": wrote.json()["change_id"]})
        self.assertEqual((self.stock(), self.drawn(POTASH)), before)

    def test_what_cannot_be_poured_together_is_refused(self):
        for more, status, field in (
            (self.beside(self.jar, "2 ml"), 422, "more"),
            (self.beside(new_id(), "2 ml"), 404, "jar_id"),
            (self.beside(POTASH, "900 g"), 422, "strength"),
            (self.beside(POTASH, "lots"), 422, "strength"),
        ):
            body = self.pour_body()
            body["can"]["more"] = more
            with self.subTest(more):
                self.assert_refused(self.asking.post("/api/pours", body), status, field)
        self.assertEqual(self.stock(), self.stock())

    def test_find_a_mix_for_the_melon_and_pour_it_as_it_says(self):
        melon = str(key("stand melon fed"))
        rain = str(key("rain butt"))
        wanted = {"stand_id": melon, "water_id": rain, "vessel": "5 L"}
        mix = self.asking.post("/api/bench/mix", wanted).json()
        best = mix["best"]
        self.assertTrue(best["sources"])
        for one in mix["simpler"]:
            self.assertGreaterEqual(one["miss"], best["miss"] - 1e-9)
        first, *others = best["sources"]
        body = self.wanted(
            jar_id=first["jar_id"], strength=first["strength"], stand_id=melon, water_id=rain,
            vessel="5 L",
            more=[{"jar_id": o["jar_id"], "strength": o["strength"]} for o in others],
        )  # fmt: skip
        can = self.asking.post("/api/bench/preview", body).json()
        self.assertFalse(can["cap"]["over"])

    def test_a_stage_that_wishes_nothing_gets_no_mix(self):
        self.assert_refused(
            self.asking.post(
                "/api/bench/mix",
                {"stand_id": self.stand, "water_id": self.water, "vessel": "x"},
            ),
            422,
            "vessel",
        )


class Stock(WeirYardCase):
    def test_a_stock_solution_is_a_bottle_that_pours(self):
        before = next(
            j["stock"] for j in self.asking.get("/api/bench").json()["jars"] if j["id"] == CRYSTALS
        )
        made = {"id": new_id(), "amount": "5 g", "litres": "1 L"}
        wrote = self.asking.post(f"/api/jars/{CRYSTALS}/solution", made)
        self.assertEqual(wrote.status_code, 201, wrote.content)
        self.assertEqual(self.asking.post(f"/api/jars/{CRYSTALS}/solution", made).status_code, 201)
        jars = {j["id"]: j for j in self.asking.get("/api/bench").json()["jars"]}
        self.assertAlmostEqual(jars[CRYSTALS]["stock"], before - 5)
        self.assertEqual(jars[made["id"]]["stock"], 1000)
        # 20 mL of it in a litre are as 0.1 g of the crystals
        weighed = self.wanted(jar_id=CRYSTALS, strength="0.1 g/L", stand_id=None)
        poured = self.wanted(jar_id=made["id"], strength="20 ml/L", stand_id=None)
        for n in range(5):
            values = [
                self.asking.post("/api/bench/preview", body).json()["nutrients"][n]["figure"]
                for body in (weighed, poured)
            ]
            self.assertAlmostEqual(values[0]["value"], values[1]["value"], delta=2.2)
        page = self.asking.get(f"/api/jars/{made['id']}/page").json()
        self.assertEqual(page["stock_text"], "1 L")
        self.assertEqual(page["use_by"], "2026-07-28")

    def test_more_than_there_is_or_than_dissolves_is_refused(self):
        for amount, litres, field in (
            ("500 g", "1 L", "amount"), ("0 g", "1 L", "amount"), ("5 g", "90 L", "litres"),
            ("5 ml", "1 L", "amount"), ("200 g", "0.3 L", "amount"),
        ):  # fmt: skip
            with self.subTest(amount):
                made = {"id": new_id(), "amount": amount, "litres": litres}
                self.assert_refused(
                    self.asking.post(f"/api/jars/{CRYSTALS}/solution", made), 422, field
                )


class ReadWrong(WeirYardCase):
    def test_a_can_that_reads_high_is_thinned_and_holds_more(self):
        wrote = self.asking.post("/api/pours", self.pour_body(vessel="5 L", litres_each=0.5))
        self.assertEqual(wrote.status_code, 201, wrote.content)
        dose = self.asking.get("/api/notebook?limit=3").json()["doses"][0]
        path = f"/api/cans/{dose['can_id']}"
        self.assertIsNone(self.asking.get(f"{path}/correction").json()["correction"])
        reading = {"id": new_id(), "subject_id": dose["can_subject_id"], "value": 1.6}
        self.assertEqual(self.asking.post("/api/readings", reading).status_code, 201)
        found = self.asking.get(f"{path}/correction").json()["correction"]
        self.assertEqual(found["kind"], "water")
        self.assertIn("Add", found["text"])
        # three litres are left of five; the nine-litre can is no matter, hers holds five
        self.assertLessEqual(3 - found["pour_off_l"] + found["water_l"], 5 + 1e-6)
        water = {"id": new_id(), "water_l": 1.0}
        self.assertEqual(self.asking.post(f"{path}/water", water).status_code, 201)
        self.assertEqual(self.asking.post(f"{path}/water", water).status_code, 201)
        left = self.asking.get("/api/notebook?limit=3").json()["doses"][0]["left_l"]
        self.assertAlmostEqual(left, 4.0)
        # it is not asked for twice: the next reading says what it is now
        self.assertIsNone(self.asking.get(f"{path}/correction").json()["correction"])

    def test_only_what_is_there_is_poured_off(self):
        self.asking.post("/api/pours", self.pour_body(vessel="5 L", litres_each=0.5))
        can = self.asking.get("/api/notebook?limit=3").json()["doses"][0]["can_id"]
        for body, field in (
            ({"water_l": 0}, "water_l"), ({"water_l": 1, "pour_off_l": 3.1}, "pour_off_l"),
        ):  # fmt: skip
            reply = self.asking.post(f"/api/cans/{can}/water", {"id": new_id()} | body)
            self.assert_refused(reply, 422, field)


class AsPreviewed(WeirYardCase):
    def test_what_the_stage_likes_is_poured_as_it_was_shown(self):
        """After a flush a stop gets half of what its stage likes: on paper and in the can."""

        def halved(scope, fill_id):
            return replace(verdict_of(scope, fill_id), share=0.5)

        liked = {"strength": "what the stage likes"}
        with (
            mock.patch("dace.desks.bench.laid_out.verdict_of", halved),
            mock.patch("dace.feeding.mixing.verdict_of", halved),
        ):
            shown = self.asking.post("/api/bench/preview", self.wanted(**liked)).json()
            before = self.stock()
            wrote = self.asking.post("/api/pours", self.pour_body(**liked))
        self.assertEqual(wrote.status_code, 201, wrote.content)
        self.assertAlmostEqual(before - self.stock(), shown["amount"], places=6)
