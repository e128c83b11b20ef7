"""An entry put right: a feed dated and edited, a harvest, a look."""

from datetime import UTC, datetime

from dace.demo.keys import key
from dace.feeding.models import Can, Dose, Tick
from dace.garden.models import Harvest, StageSeen
from tests.api.base import WeirYardCase, new_id


class Mending(WeirYardCase):
    def poured(self, **more):
        reply = self.asking.post("/api/pours", self.pour_body(**more))
        self.assertEqual(reply.status_code, 201, reply.content)
        return Dose.objects.order_by("-created_at").first()

    def undo(self, reply):
        undone = self.asking.post("/api/undo", {"change_id": reply.json()["change_id"]})
        self.assertEqual(undone.status_code, 200, undone.content)

    def test_a_feed_is_dated_and_edited_with_its_water_amount_and_stop(self):
        dose = self.poured()
        entry = self.asking.get(f"/api/doses/{dose.pk}").json()
        self.assertEqual((entry["each"], entry["plants"]), ("1.5 L", 4))
        other = next(one for one in entry["stands"] if one["key"] == str(key("stand leek fed")))
        water = next(one for one in entry["waters"] if one["key"] != entry["water_id"])
        new = {"poured_at": "2026-07-13T19:00:00Z", "each": "0.2 L"}
        new |= {"stand_id": other["key"], "water_id": water["key"]}
        before = Can.objects.get(pk=dose.can_id)
        reply = self.asking.put(f"/api/doses/{dose.pk}", new)
        self.assertEqual(reply.status_code, 200, reply.content)
        dose.refresh_from_db()
        self.assertEqual(dose.poured_at, datetime(2026, 7, 13, 19, tzinfo=UTC))
        self.assertEqual((dose.litres_each, str(dose.stand_id)), (0.2, other["key"]))
        self.assertEqual(str(dose.fill_id), str(dose.stand.fill_id))
        self.assertEqual(dose.plants, dose.stand.count)
        can = Can.objects.get(pk=dose.can_id)
        self.assertEqual(str(can.water_id), water["key"])
        self.assertNotEqual(can.ec_likely, before.ec_likely)
        self.assertLessEqual(can.mixed_at, dose.poured_at)
        self.undo(reply)
        dose.refresh_from_db()
        self.assertEqual(dose.litres_each, 1.5)
        self.assertEqual(Can.objects.get(pk=dose.can_id).ec_likely, before.ec_likely)

    def test_a_bare_number_keeps_the_unit_that_the_box_showed(self):
        dose = self.poured()
        box = {"text": "1", "shown": "1.5 L"}
        self.asking.put(f"/api/doses/{dose.pk}", {"each": box})
        dose.refresh_from_db()
        self.assertAlmostEqual(dose.litres_each, 1.0)

    def test_no_feed_is_put_in_the_future_or_past_what_the_can_held(self):
        dose = self.poured()
        path = f"/api/doses/{dose.pk}"
        self.assert_refused(
            self.asking.put(path, {"poured_at": "2031-01-01T00:00:00Z"}), 422, "poured_at"
        )
        self.assert_refused(self.asking.put(path, {"each": "3 L"}), 422, "litres_each")
        dose.refresh_from_db()
        self.assertEqual(dose.litres_each, 1.5)

    def test_the_tick_that_poured_it_says_as_much(self):
        can = self.asking.get("/api/round").json()["cans"][0]
        row = can["rows"][0]
        tick = {"id": new_id(), "fill_id": row["fill_id"], "slot": row["slot"], "how": "planned"}
        tick |= {"can_id": can["id"]}
        self.assertEqual(self.asking.post("/api/round/ticks", tick).status_code, 201)
        dose = Dose.objects.order_by("-created_at").first()
        reply = self.asking.put(f"/api/doses/{dose.pk}", {"each": "100 ml"})
        self.assertEqual(reply.status_code, 200, reply.content)
        poured = sum(d.litres for d in Dose.objects.filter(can_id=dose.can_id))
        self.assertAlmostEqual(Tick.objects.get(pk=tick["id"]).litres, poured, places=6)

    def test_a_can_poured_earlier_is_dated_at_once(self):
        dose = self.poured(poured_at="2026-07-13T19:00:00Z")
        self.assertEqual(dose.poured_at, datetime(2026, 7, 13, 19, tzinfo=UTC))

    def test_a_harvest_is_put_right(self):
        crop = str(key("planting chard"))
        picked = {"id": new_id(), "planting_id": crop, "weight": "300 g"}
        self.assertEqual(self.asking.post("/api/harvests", picked).status_code, 201)
        row = Harvest.objects.get(pk=picked["id"])
        path = f"/api/harvests/{row.pk}"
        entry = self.asking.get(path).json()
        same = self.asking.put(path, entry)
        self.assertEqual(same.status_code, 200, same.content)
        before = row.grams
        row.refresh_from_db()
        self.assertEqual(row.grams, before)
        self.asking.put(path, entry | {"weight": "1 lb"})
        row.refresh_from_db()
        self.assertAlmostEqual(row.grams, 453.592, places=1)
        self.assert_refused(
            self.asking.put(path, entry | {"picked_on": "2031-01-01"}), 422, "picked_on"
        )

    def test_a_look_is_put_right(self):
        row = StageSeen.objects.filter(seen_on__lt="2026-07-10").order_by("-seen_on").first()
        path = f"/api/looks/{row.pk}"
        entry = self.asking.get(path).json()
        self.assertIn(row.stage, [stage["key"] for stage in entry["stages"]])
        reply = self.asking.put(path, {"seen_on": "2026-07-10", "stage": row.stage})
        self.assertEqual(reply.status_code, 200, reply.content)
        row.refresh_from_db()
        self.assertEqual(str(row.seen_on), "2026-07-10")
        self.undo(reply)
        self.assert_refused(
            self.asking.put(path, {"seen_on": "2026-07-10", "stage": "x"}), 422, "stage"
        )
