"""Cold nights and young plants over HTTP: told, covered, hardened off, potted on, planted out."""

from unittest import mock

from dace.core.season.crops import crop
from dace.demo.keys import key
from dace.feeding.models import Dressing
from dace.garden.models import Fill, Stand
from dace.households.models import Membership
from dace.shelf.models import Jar
from tests.api.base import WeirYardCase, new_id
from tests.demo.days import evening


class Nights(WeirYardCase):
    def told(self, **body):
        return self.asking.post("/api/night", {"id": new_id()} | body)

    def test_a_low_that_is_told_outranks_the_forecast_until_all_is_covered(self):
        self.assertIsNone(self.asking.get("/api/round").json()["night"])
        reply = self.told(low="4", clear=True)
        self.assertEqual(reply.status_code, 201, reply.content)
        night = self.asking.get("/api/round").json()["night"]
        # a clear still night: leaves stand 3 degrees under the air, half of aubergines mark at 1
        self.assertEqual((night["title"], night["told"]), ("4 °C tonight", True))
        self.assertRegex(night["line"], r"^5 in 10: cover or bring in ")
        spots = [spot for stop in self.asking.get("/api/path").json()["stops"]
                 for spot in stop["spots"]]  # fmt: skip
        marked = {spot["name"] for spot in spots if spot["verdict"]["mark"] == "cover tonight"}
        self.assertIn("Quay tub 1", marked)
        self.assertNotIn("Loft sill, basil", marked)  # stands in
        covered = self.told(covered=True).json()["change_id"]
        self.assertIsNone(self.asking.get("/api/round").json()["night"])
        self.asking.post("/api/undo", {"change_id": covered})
        self.assertEqual(self.asking.get("/api/round").json()["night"]["title"], "4 °C tonight")

    def test_a_low_that_is_none_is_refused(self):
        self.assert_refused(self.told(low="warm"), 422, "low")
        self.assert_refused(self.told(low="400 °C"), 422, "low")


class MovingOn(WeirYardCase):
    def raising(self, kind):
        found = self.asking.get("/api/round").json()
        return next((one for one in found["raising"] if one["kind"] == kind), None), found

    def say(self, one, step):
        body = {"id": new_id(), "planting_ids": one["planting_ids"], "step": step}
        return self.asking.post("/api/raising", body)

    def test_hardening_is_begun_for_all_in_a_press_and_the_plan_says_when_they_go_out(self):
        due, _ = self.raising("harden")
        self.assertIn("8 basil plants", due["title"])
        ahead = self.asking.get("/api/plan").json()["to_come"]
        self.assertTrue([one for one in ahead if one["text"] == "Plant out"], ahead)
        reply = self.say(due, "harden")
        self.assertEqual(reply.status_code, 201, reply.content)
        self.assertIsNone(self.raising("harden")[0])
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertEqual(self.raising("harden")[0]["title"], due["title"])
        self.say(due, "stays")
        self.assertIsNone(self.raising("harden")[0])
        self.assert_refused(self.say({"planting_ids": []}, "harden"), 422, "planting_ids")

    def test_planted_out_with_pellets_in_each_hole_in_one_change(self):
        stand = Stand.objects.get(planting_id=key("planting kale"), to_on=None)
        bed = str(key("fill Sluice bed, leek end"))
        jar = str(
            Jar.objects.get(name="Pelleted poultry manure 4-3-2", household=stand.household).pk
        )
        body = {"id": new_id(), "fill_id": bed, "count": 12, "jar_id": jar, "said": "9 g each"}
        reply = self.asking.post(f"/api/stands/{stand.pk}/out", body)
        self.assertEqual(reply.status_code, 201, reply.content)
        moved = Stand.objects.get(pk=reply.json()["id"])
        self.assertEqual((str(moved.fill_id), moved.count), (bed, 12))
        self.assertAlmostEqual(Dressing.objects.get(stand=moved).grams, 108)
        self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertIsNone(Stand.objects.get(pk=stand.pk).to_on)
        too_many = body | {"id": new_id(), "count": 13}
        self.assert_refused(self.asking.post(f"/api/stands/{stand.pk}/out", too_many), 422, "count")

    def test_a_hole_gets_what_kale_takes_in_its_first_four_weeks(self):
        """4.16 g of nitrogen a season, of it 4 % in 12 days and 16 days of 49.4 % in 55: .764 g."""
        kale = str(key("planting kale"))
        with mock.patch("dace.households.clock.now", return_value=evening("2026-07-25")):
            self.say({"planting_ids": [kale]}, "harden")
        with mock.patch("dace.households.clock.now", return_value=evening("2026-08-05")):
            due, found = self.raising("plant_out")
            grounds = {one["name"]: one["fill_id"] for one in found["grounds"]}
            body = {"fill_id": grounds["Wall bed"], "count": due["count"], "said": due["said"]}
            body |= {"id": new_id(), "jar_id": due["jar_id"]}
            reply = self.asking.post(f"/api/stands/{due['stand_id']}/out", body)
        self.assertIn("12 kale plants", due["title"])
        self.assertRegex(due["line"], r"^\d.* teaspoons? of .* in each hole\.$")  # she weighs not
        self.assertNotIn("Loft sill, kale tray", grounds)
        self.assertEqual(reply.status_code, 201, reply.content)
        name = Jar.objects.get(pk=due["jar_id"]).name
        percent = float(name.split()[-1].split("-")[0])
        given = Dressing.objects.get(stand=reply.json()["id"])
        nitrogen = given.grams / given.plants * percent / 100
        most = 7 / crop("kale").plants_per_m2  # 7 g a square metre, of what a season gets out
        self.assertTrue(0.76 <= nitrogen <= 1.2 * most, due["said"])

    def test_a_helper_covers_and_hardens_off_but_moves_nothing_a_viewer_neither(self):
        stand = Stand.objects.get(planting_id=key("planting kale"), to_on=None)
        member = Membership.objects.get(user__username="weir-yard")
        kale = {"planting_ids": [str(key("planting kale"))]}
        for role, may in (("helper", 201), ("viewer", 403)):
            member.role = role
            member.save(update_fields=["role"])
            night = {"id": new_id(), "covered": True}
            self.assertEqual(self.asking.post("/api/night", night).status_code, may)
            self.assertEqual(self.say(kale, "harden").status_code, may)
            body = {"id": new_id(), "count": 12, "litres": "1 L", "medium": "peat_free_mix"}
            self.assert_refused(self.asking.post(f"/api/stands/{stand.pk}/pots", body), 403, "role")

    def test_potted_on_where_they_stand(self):
        stand = Stand.objects.get(planting_id=key("planting basil"), to_on=None)
        body = {"id": new_id(), "count": 8, "litres": "500 ml", "medium": "peat_free_mix"}
        reply = self.asking.post(f"/api/stands/{stand.pk}/pots", body)
        self.assertEqual(reply.status_code, 201, reply.content)
        fill = Fill.objects.get(pk=Stand.objects.get(pk=reply.json()["id"]).fill_id)
        self.assertEqual((fill.volume_l, fill.alike, fill.name), (0.5, 8, "Basil pots"))
        self.assertEqual(str(Fill.objects.get(pk=stand.fill_id).renewed_on), "2026-07-14")
        again = self.asking.post(f"/api/stands/{stand.pk}/pots", body)
        self.assertEqual(again.json()["id"], reply.json()["id"])
        wrong = body | {"id": new_id(), "litres": "9000 L"}
        self.assert_refused(
            self.asking.post(f"/api/stands/{reply.json()['id']}/pots", wrong), 422, "litres"
        )
