"""The Shelf over HTTP: brews from the first day to the bottle, claims, recipes, jars."""

from dace.demo.keys import key
from tests.api.base import WeirYardCase, new_id

COMFREY = str(key("Comfrey ferment"))


class ShelfCase(WeirYardCase):
    def brew(self, brew=COMFREY):
        return self.asking.get(f"/api/brews/{brew}").json()

    def body(self, **more):
        said = {"name": "Trial", "method": "anaerobic_ferment", "liquid": "18 L"}
        said |= {"ingredients": [{"material": "comfrey_fresh", "amount": "2 kg"}]}
        return said | {"water_id": str(key("rain butt")), "temperature_c": 16} | more

    def read(self, value, parts=19, brew=COMFREY):
        body = {"id": new_id(), "subject_id": self.brew(brew)["subject_id"], "value": value}
        return self.asking.post("/api/readings", body | {"parts_water": parts})

    def band(self):
        found = self.brew()
        day = round(found["day"])
        return found["figures"]["ec"]["low"][day], found["figures"]["ec"]["high"][day]


class Brewing(ShelfCase):
    def test_before_she_begins_she_hears_of_gathering_and_strength(self):
        told = self.asking.post("/api/brews/preview", self.body()).json()
        self.assertIn("wild_plant_identity", [a["key"] for a in told["gathering"]])
        self.assertIn("gas_pressure_sealed", [a["key"] for a in told["preparing"]])
        self.assertEqual(len(told["days"]), 31)
        self.assertEqual([h["name"] for h in told["held"]], ["N", "P", "K", "Ca", "Mg"])
        # loosely by volume: 10 L of leaf at .18 g/mL is 1.8 kg, and less sure
        loose = self.body(ingredients=[{"material": "comfrey_fresh", "amount": "10 L"}])
        wide = self.asking.post("/api/brews/preview", loose).json()["ec"]
        sure = self.body(ingredients=[{"material": "comfrey_fresh", "amount": "1.8 kg"}])
        tight = self.asking.post("/api/brews/preview", sure).json()["ec"]
        self.assertGreater(wide["high"][20] / wide["low"][20], tight["high"][20] / tight["low"][20])

    def test_a_reading_tightens_the_band_and_its_undoing_widens_it_again(self):
        before = self.band()
        change = self.read(0.15).json()["change_id"]
        low, high = self.band()
        self.assertLess(high / low, before[1] / before[0])
        self.assertLess(high / low, 1.6)
        self.assertIn("Conductivity speaks of all ions", self.brew()["figures"]["notes"][0])
        self.asking.post("/api/undo", {"change_id": change})
        self.assertEqual(self.band(), before)

    def test_a_reading_far_off_is_kept_doubted_and_changes_nothing(self):
        before = self.band()
        self.assertEqual(self.read(1.1).status_code, 201)
        kept = self.brew()["readings"][0]
        self.assertIn("less diluted than said", kept["conflict"])
        self.assertEqual(self.band(), before)

    def test_from_begin_to_bottle_to_the_bench_and_back(self):
        brew, bottle = new_id(), new_id()
        self.assertEqual(self.asking.post("/api/brews", self.body(id=brew)).status_code, 201)
        vent = {"id": new_id(), "kind": "vent"}
        self.assertEqual(self.asking.post(f"/api/brews/{brew}/steps", vent).status_code, 201)
        more = {"id": new_id(), "material": "nettle_fresh", "amount": "500 g"}
        self.assertEqual(self.asking.post(f"/api/brews/{brew}/add", more).status_code, 201)
        went_in = self.asking.get(f"/api/brews/{brew}").json()["went_in"]
        self.assertTrue(any("500 g of" in line for line in went_in), went_in)
        told = {"bottle_id": bottle, "litres": "14 L", "name": "Trial, bottled"}
        self.assertEqual(self.asking.post(f"/api/brews/{brew}/strain", told).status_code, 201)
        self.assert_refused(
            self.asking.post(f"/api/brews/{brew}/strain", told | {"bottle_id": new_id()}),
            409,
            "brew_id",
        )
        jars = self.asking.get("/api/bench").json()["jars"]
        self.assertEqual(next(j["stock"] for j in jars if j["id"] == bottle), 14000)
        pour = self.pour_body(jar_id=bottle, strength="1 + 20")
        self.assertEqual(self.asking.post("/api/pours", pour).status_code, 201)
        jars = self.asking.get("/api/bench").json()["jars"]
        # 9000 mL in twenty-one parts
        left = next(j["stock"] for j in jars if j["id"] == bottle)
        self.assertAlmostEqual(left, 14000 - 9000 / 21, delta=0.1)
        second = {"id": new_id(), "liquid": "9 L"}
        self.assertEqual(self.asking.post(f"/api/brews/{brew}/second", second).status_code, 201)
        self.assertIn("soaked once before", " ".join(self.brew(second["id"])["went_in"]))

    def test_steps_come_up_on_their_days_and_stand_on_the_path(self):
        due = {b["name"]: b["text"] for b in self.asking.get("/api/path").json()["brews"]}
        self.assertEqual(due["Comfrey ferment"], "let the gas out")
        self.assertEqual(due["Nettle soak"], "stir it")
        step = {"id": new_id(), "kind": "vent"}
        self.asking.post(f"/api/brews/{COMFREY}/steps", step)
        due = {b["name"] for b in self.asking.get("/api/path").json()["brews"]}
        self.assertNotIn("Comfrey ferment", due)
        self.assert_refused(
            self.asking.post(
                f"/api/brews/{COMFREY}/steps", step | {"id": new_id(), "kind": "sing"}
            ),
            422,
            "kind",
        )

    def test_a_brew_thrown_out_leaves_the_shelf_and_comes_back(self):
        change = self.asking.post(f"/api/brews/{COMFREY}/throw", {"id": new_id()}).json()
        names = [b["name"] for b in self.asking.get("/api/shelf").json()["brews"]]
        self.assertNotIn("Comfrey ferment", names)
        self.asking.post("/api/undo", {"change_id": change["change_id"]})
        names = [b["name"] for b in self.asking.get("/api/shelf").json()["brews"]]
        self.assertIn("Comfrey ferment", names)

    def test_what_cannot_be_is_named(self):
        for more, field in (
            ({"method": "wishing"}, "method"),
            ({"liquid": "lots"}, "liquid"),
            ({"ingredients": [{"material": "gold", "amount": "1 kg"}]}, "material"),
            ({"ingredients": [{"material": "comfrey_fresh", "amount": "some"}]}, "amount"),
            ({"temperature_c": 900}, "temperature_c"),
            ({"method": "acid_extract"}, "acid_percent"),
            ({"water_id": new_id()}, "water_id"),
        ):
            with self.subTest(field):
                reply = self.asking.post("/api/brews/preview", self.body(**more))
                self.assertIn(reply.status_code, (404, 422))
                self.assertEqual(reply.json()["error"]["field"], field)
        told = {"bottle_id": new_id(), "litres": "500 L", "name": "x"}
        reply = self.asking.post(f"/api/brews/{COMFREY}/strain", told)
        self.assert_refused(reply, 422, "litres")


class Settled(ShelfCase):
    """What only she can settle is asked once for each brew or jar, and dated."""

    def asks(self, page):
        return {one["key"]: one["seen_on"] for one in page if one["about"]}

    def test_ticked_before_it_begins_or_seen_to_later(self):
        begun = self.body(id=new_id(), seen_to=["wild_plant_identity"])
        self.assertEqual(self.asking.post("/api/brews", begun).status_code, 201)
        found = self.asking.get(f"/api/brews/{begun['id']}").json()["figures"]
        self.assertEqual(self.asks(found["gathering"]), {"wild_plant_identity": "2026-07-14"})
        self.assertIn("never_mix_bleach", self.asks(found["preparing"]))
        self.assertIsNone(self.asks(found["preparing"])["never_mix_bleach"])
        seen = {"id": new_id(), "caution": "never_mix_bleach", "about": begun["id"]}
        for _ in range(2):  # a repeat writes once
            self.assertEqual(self.asking.post("/api/cautions/seen", seen).status_code, 201)
        after = self.asking.get(f"/api/brews/{begun['id']}").json()["figures"]["preparing"]
        self.assertEqual(self.asks(after)["never_mix_bleach"], "2026-07-14")
        # another brew of the same does not ask again: once a kind and household
        other = self.asks(self.asking.get(f"/api/brews/{COMFREY}").json()["figures"]["preparing"])
        self.assertEqual(other["never_mix_bleach"], "2026-07-14")
        self.assertIn(None, other.values())
        self.asking.post("/api/undo")
        back = self.asking.get(f"/api/brews/{begun['id']}").json()["figures"]["preparing"]
        self.assertIsNone(self.asks(back)["never_mix_bleach"])

    def test_for_a_jar_it_is_seen_to_once(self):
        salt = str(key("Potassium sulfate"))
        jar = f"/api/jars/{salt}/page"
        before = self.asks(self.asking.get(jar).json()["advice"])
        self.assertIn("label_is_law", before)
        seen = {"id": new_id(), "caution": "label_is_law", "about": salt}
        self.assertEqual(self.asking.post("/api/cautions/seen", seen).status_code, 201)
        found = self.asks(self.asking.get(jar).json()["advice"])
        self.assertEqual(found["label_is_law"], "2026-07-14")

    def test_what_is_no_such_question_is_refused(self):
        for caution in ("late_nitrogen", "nonsense", ""):
            seen = {"id": new_id(), "caution": caution, "about": self.jar}
            self.assert_refused(self.asking.post("/api/cautions/seen", seen), 422, "caution")
            begun = self.body(id=new_id(), seen_to=[caution])
            self.assertEqual(self.asking.post("/api/brews", begun).status_code, 422)
        seen = {"id": new_id(), "caution": "label_is_law", "about": new_id()}
        self.assert_refused(self.asking.post("/api/cautions/seen", seen), 404, "about")


class Acid(ShelfCase):
    def test_shell_in_vinegar_says_which_side_runs_out(self):
        shell = [{"material": "eggshell_dry", "amount": "50 g", "particle": "meal_powder"}]
        body = self.body(method="acid_extract", ingredients=shell, liquid="150 ml", acid_percent=5)
        limits = self.asking.post("/api/brews/preview", body).json()["limits"]
        self.assertTrue(limits["acid_runs_out"])
        self.assertAlmostEqual(limits["ca_ceiling_mg_l"] / 16700, 1, delta=0.03)
        self.assertIn("Never close the lid", limits["sentence"])
