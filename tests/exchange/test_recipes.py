"""Recipes handed from one household to another."""

import json

from tests.api.base import Asking, WeirYardCase, new_id

WHO = {"name": "Rook", "password": "nine rusty trowels", "garden": "Back step"}
COMFREY = {"material": "comfrey_fresh", "mass_g": 1500, "particle": "chopped_coarse"}


class Recipes(WeirYardCase):
    def setUp(self):
        super().setUp()
        bag = {"name": "Our comfrey", "like": "comfrey_fresh", "percent": {"K": 0.7}}
        self.assertEqual(self.asking.put(f"/api/materials/{new_id()}", bag).status_code, 200)
        self.file = self.asking.get("/api/recipes-file").content.decode()
        self.other = Asking()
        self.other.post("/api/sign-up", WHO)

    def send(self, file):
        return self.other.send_file("/api/recipes-file", file, "application/json")

    def with_recipe(self, **changed):
        recipe = {"name": "Bucket", "method": "anaerobic_ferment", "volume_l": 10}
        found = json.loads(self.file)
        found["recipes"] = [recipe | {"ingredients": [COMFREY]} | changed]
        return json.dumps(found)

    def test_what_one_hands_out_another_takes_in_once(self):
        reply = self.send(self.with_recipe()).json()
        self.assertEqual((reply["recipes"], reply["materials"], reply["here"]), (1, 1, 0))
        again = self.send(self.with_recipe()).json()
        self.assertEqual((again["recipes"], again["materials"], again["here"]), (0, 0, 2))
        out = json.loads(self.other.get("/api/recipes-file").content)
        self.assertEqual(out["materials"], json.loads(self.file)["materials"])
        self.assertEqual(out["recipes"][0]["ingredients"][0]["mass_g"], 1500)

    def test_what_cannot_be_is_named_and_nothing_comes(self):
        for changed in (
            {"method": "alchemy"},
            {"ingredients": []},
            {"ingredients": [COMFREY | {"material": "moonlight"}]},
            {"ingredients": [COMFREY | {"mass_g": -1}]},
            {"volume_l": "much"},
        ):
            with self.subTest(changed):
                self.assert_refused(self.send(self.with_recipe(**changed)), 422, "file")
        for text in ("", "[]", "{", '{"format": "dace-recipes", "version": 9}', "[" * 50_000):
            self.assert_refused(self.send(text), 422, "file")
        self.assertEqual(json.loads(self.other.get("/api/recipes-file").content)["materials"], [])
