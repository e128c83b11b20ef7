"""Own materials and recipes, and what is put away."""

import re

from dace.core import api as core
from dace.demo.keys import key
from dace.shelf.recipes import shipped
from tests.api.base import new_id
from tests.api.test_shelf import COMFREY, ShelfCase


class Claims(ShelfCase):
    def test_against_the_table_against_a_brew_and_against_itself(self):
        def verdict(claim, **more):
            return self.asking.post("/api/claims", {"claim": claim} | more).json()["verdict"]

        self.assertEqual(verdict("3 % nitrogen in rinse water"), "impossible")
        self.assertEqual(verdict("3 % nitrogen", brew_id=COMFREY), "impossible")
        self.assertEqual(verdict("0.01 % nitrogen", brew_id=COMFREY), "possible")
        self.assertEqual(verdict("1:400, so three tablespoons in the can"), "contradicts")
        reply = self.asking.post("/api/claims", {"claim": "it is magic"})
        self.assert_refused(reply, 422, "claim")


class Keeping(ShelfCase):
    def test_recipes_cover_every_method_and_can_all_be_brewed(self):
        found = self.asking.get("/api/brew-choices").json()["recipes"]
        self.assertGreaterEqual(len(found), 14)
        self.assertEqual({r.method for r in shipped()}, set(core.methods()))
        for recipe in found:
            body = self.body(
                name=recipe["name"],
                method=recipe["method_key"],
                liquid=f"{recipe['volume_l']} L",
                acid_percent=recipe["acid_percent"],
                ingredients=[
                    {"material": i["material"], "amount": i["amount"], "particle": i["particle"]}
                    for i in recipe["ingredients"]
                ],
            )
            with self.subTest(recipe["key"]):
                reply = self.asking.post("/api/brews/preview", body)
                self.assertEqual(reply.status_code, 200, reply.content)

    def test_a_material_of_her_own_is_known_better(self):
        row = new_id()
        mine = {"name": "Our pellets", "like": "poultry_pellets", "percent": {"N": 6.0}}
        self.assertEqual(self.asking.put(f"/api/materials/{row}", mine).status_code, 200)

        def nitrogen(**more):
            item = {"material": "poultry_pellets", "amount": "500 g"} | more
            body = self.body(method="cold_steep", ingredients=[item])
            held = self.asking.post("/api/brews/preview", body).json()["bands"][0]
            return held["likely"][5]

        # six per cent beside the table's four
        self.assertAlmostEqual(nitrogen(own_id=row) / nitrogen(), 1.5, delta=0.15)
        bad = self.asking.put(f"/api/materials/{new_id()}", mine | {"percent": {"N": 160}})
        self.assert_refused(bad, 422, "percent")

    def test_a_recipe_of_her_own_comes_first(self):
        body = {k: v for k, v in self.body().items() if k not in ("water_id", "temperature_c")}
        self.assertEqual(self.asking.put(f"/api/recipes/{new_id()}", body).status_code, 200)
        first = self.asking.get("/api/brew-choices").json()["recipes"][0]
        self.assertEqual((first["name"], first["own"]), ("Trial", True))

    def test_a_recipe_keeps_her_own_material_and_how_it_is_handled(self):
        own, row = new_id(), new_id()
        mine = {"name": "Weir comfrey", "like": "comfrey_fresh", "percent": {"K": 0.9}}
        self.asking.put(f"/api/materials/{own}", mine)
        (kept,) = self.asking.get("/api/setup").json()["materials"]
        self.assertEqual((kept["name"], kept["percent"]), ("Weir comfrey", {"K": 0.9}))
        leaf = {"material": "comfrey_fresh", "amount": "2 kg", "own_id": own}
        body = {"name": "Ours", "method": "cold_steep", "ingredients": [leaf], "liquid": "18 L"}
        body |= {"handling": ["stirred_daily"]}
        self.assertEqual(self.asking.put(f"/api/recipes/{row}", body).status_code, 200)
        first = self.asking.get("/api/brew-choices").json()["recipes"][0]
        self.assertEqual(first["ingredients"][0]["own_id"], own)
        self.assertEqual(first["handling"], ["stirred_daily"])
        bad = self.asking.put(f"/api/recipes/{new_id()}", body | {"handling": ["sung to"]})
        self.assertEqual(bad.status_code, 422)
        for kind, name in (("recipes", row), ("materials", own)):
            self.assertEqual(self.asking.post(f"/api/{kind}/{name}/put-away").status_code, 200)
        self.assertFalse(self.asking.get("/api/brew-choices").json()["recipes"][0]["own"])
        self.assertEqual(self.asking.get("/api/setup").json()["materials"], [])

    def test_a_bottle_is_read_and_its_strength_has_a_history(self):
        bottle = str(key("June comfrey, bottled"))

        def page():
            return self.asking.get(f"/api/jars/{bottle}/page").json()

        def pours():
            wanted = self.wanted(jar_id=bottle, strength="1 + 9")
            return self.asking.post("/api/bench/preview", wanted).json()["nutrients"][2]["figure"]

        before, first = page(), pours()
        (strained,) = before["strength"]
        self.assertEqual((strained["on"], strained["text"]), ("2026-06-15", "as strained"))
        likely, low, high = (float(v) for v in re.findall(r"[\d.]+", strained["ec_text"]))
        self.assertTrue(low < likely < high)
        # read at 1 + 9 as it would be at the top of its range
        body = {"id": new_id(), "subject_id": before["subject_id"], "value": round(high / 10, 3)}
        read = self.asking.post("/api/readings", body | {"parts_water": 9})
        self.assertEqual(read.status_code, 201, read.content)
        _, second = page()["strength"]
        self.assertEqual(second["on"], "2026-07-14")
        now, least, most = (float(v) for v in re.findall(r"[\d.]+", second["ec_text"]))
        self.assertTrue(likely <= now <= high, (strained, second))
        self.assertLess(most / least, high / low)
        self.assertGreater(pours()["value"], first["value"])
        readable = self.asking.get("/api/readables").json()["subjects"]
        self.assertIn("the bottle: June comfrey, bottled", [one["name"] for one in readable])
        self.asking.post("/api/undo", {"change_id": read.json()["change_id"]})
        self.assertEqual(page()["strength"], [strained])
        self.assertEqual(pours()["value"], first["value"])

    def test_a_jar_s_page_and_a_bottle_s_label(self):
        crystals = str(key("Balanced crystals 16-8-24+Mg"))
        page = self.asking.get(f"/api/jars/{crystals}/page").json()
        self.assertEqual(page["weighs"], "a level teaspoon weighs 5.5 g")
        self.assertIn("likely 160", page["elements"][0]["text"])
        bottle = str(key("June comfrey, bottled"))
        page = self.asking.get(f"/api/jars/{bottle}/page").json()
        self.assertIn("Never in a drink bottle", page["label_cautions"][0])
        self.assertTrue(page["dilute_text"].startswith("At 1 + "))
        self.assertEqual(page["made_on"], "2026-06-15")
