"""Sprays and the hours open for them, over HTTP."""

from datetime import UTC, datetime

from dace.demo.keys import key
from dace.feeding.gifts import gifts
from dace.households.models import Membership
from dace.households.scope import Scope
from tests.api.base import WeirYardCase, new_id

EPSOM, SPRAYER = str(key("Epsom salt")), "0.5 L"
CHILLI, LETTUCE = str(key("stand chilli 3 fed")), str(key("stand lettuce fed"))


class Leaves(WeirYardCase):
    def spray(self, **more):
        body = {
            "jar_id": EPSOM, "water_id": str(key("rain butt")), "vessel": SPRAYER,
            "strength": "10 g/L", "stand_id": CHILLI,
        }  # fmt: skip
        return self.asking.post("/api/bench/spray", body | more)

    def test_epsom_salt_for_six_chillies_tells_the_honest_part(self):
        found = self.spray().json()
        self.assertEqual((found["plants"], found["loads"]), (6, 1))
        magnesium = found["rows"][4]
        # 0.0475 L on each of them at 986 mg/L; a quarter goes in
        self.assertAlmostEqual(magnesium["lands"]["value"], 46.8, delta=0.3)
        self.assertAlmostEqual(magnesium["enters"]["value"], 11.7, delta=0.1)
        self.assertIn("of magnesium a plant", found["brings"])
        self.assertIn("Nitrogen: none", found["brings"])
        self.assertEqual(found["safe_way"], "")

    def test_a_brew_on_salad_is_refused_with_the_safe_way(self):
        bottle = next(
            jar["id"]
            for jar in self.asking.get("/api/shelf").json()["jars"]
            if jar["bottle"] and "omfrey" in jar["name"]
        )
        found = self.spray(jar_id=bottle, strength="1 + 50", stand_id=LETTUCE).json()
        self.assertTrue(found["over"])
        self.assertIn("soil", found["safe_way"])

    def test_what_went_in_is_in_the_books_and_undone_with_the_can(self):
        can = {
            "id": new_id(), "jar_id": EPSOM, "water_id": str(key("rain butt")),
            "vessel": SPRAYER, "strength": "10 g/L",
        }  # fmt: skip
        spray = {"id": new_id(), "stand_id": CHILLI, "plants": 6}
        wrote = self.asking.post("/api/sprays", {"can": can, "spray": spray})
        self.assertEqual(wrote.status_code, 201, wrote.content)
        again = self.asking.post("/api/sprays", {"can": can, "spray": spray})
        self.assertEqual(again.json()["id"], wrote.json()["id"])
        entry = self.asking.get("/api/notebook?limit=5").json()["others"][0]
        self.assertEqual(entry["kind"], "spray")
        self.assertIn("mg of magnesium went into each plant", entry["text"])
        given = [g for g in self.given() if g.source == "sprays"]
        self.assertAlmostEqual(given[0].at_once[4], 11.7, delta=0.1)
        self.assertEqual(given[0].at_once[0], 0)
        self.assertEqual(self.asking.get("/api/season").status_code, 200)
        self.asking.post("/api/undo", {"change_id": wrote.json()["change_id"]})
        self.assertFalse([g for g in self.given() if g.source == "sprays"])

    def given(self):
        member = Membership.objects.get()
        scope = Scope(member.household_id, member.user_id, datetime.now(UTC), demo=True)
        return gifts(scope)

    def test_bad_input_names_its_field(self):
        for change, status, field in (
            ({"plants": 7}, 422, "plants"), ({"strength": "lots"}, 422, "strength"),
            ({"vessel": "?"}, 422, "vessel"), ({"stand_id": new_id()}, 404, "stand_id"),
            ({"jar_id": new_id()}, 404, "jar_id"),
        ):  # fmt: skip
            with self.subTest(change):
                self.assert_refused(self.spray(**change), status, field)


class Hours(WeirYardCase):
    def test_two_days_of_hours_for_each_way_and_who_tells_them(self):
        found = self.asking.get(f"/api/bench/hours?stand_id={CHILLI}").json()
        self.assertIn("simulated", found["source"])
        self.assertEqual([r["route"] for r in found["routes"]], ["leaves", "roots", "dry"])
        for route in found["routes"]:
            self.assertEqual(len(route["hours"]), 48)
            self.assertTrue(all(h["open"] != bool(h["why"]) for h in route["hours"]))
        leaves = found["routes"][0]["hours"]
        self.assertFalse(leaves[0]["open"])  # at midnight it is dark

    def test_a_stranger_gets_none(self):
        self.assert_refused(
            self.asking.get(f"/api/bench/hours?stand_id={new_id()}"), 404, "stand_id"
        )
