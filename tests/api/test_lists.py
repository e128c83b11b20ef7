"""Setting up by many: a list read and kept, and more like a place."""

from dace.garden.models import Fill, Place, Planting
from tests.api.base import new_id
from tests.api.test_newcomers import OwnGarden

LIST = """Bed 1-14, 3 x 1.2 m, clay
10 tubs of 40 L
Frame, 200 L
Tunnel tubs 1-2, 30 L, in the tunnel
12 chard, Bed 3, 12 April
20 leeks in Bed 4
"""


class ByMany(OwnGarden):
    def test_a_garden_of_28_stops_in_one_paste_undone_in_one_press(self):
        read = self.own.post("/api/setup/list/read", {"text": LIST}).json()
        self.assertEqual((read["places"], read["plantings"]), (27, 2))
        self.assertEqual([line["trouble"] for line in read["lines"]], [""] * 6)
        self.assertIn("Bed 1 to Bed 14", read["lines"][0]["said"])
        body = {"id": new_id(), "text": LIST}
        kept = self.own.post("/api/setup/list", body)
        self.assertEqual(kept.status_code, 201, kept.content)
        self.assertEqual(self.own.post("/api/setup/list", body).status_code, 201)  # once
        path = self.own.get("/api/path").json()["stops"]
        self.assertEqual(len(path), 28)  # the tub by the door stood there
        self.assertEqual(path[-1]["name"], "Tunnel tubs 2")
        self.own.post("/api/undo", {"change_id": kept.json()["change_id"]})
        self.assertEqual(len(self.own.get("/api/path").json()["stops"]), 1)

    def test_a_line_that_is_not_understood_keeps_all_out(self):
        text = LIST + "banana, Bed 2\n"
        read = self.own.post("/api/setup/list/read", {"text": text}).json()
        self.assertIn("banana", read["lines"][-1]["trouble"])
        reply = self.own.post("/api/setup/list", {"id": new_id(), "text": text})
        self.assertIn("line 7", self.assert_refused(reply, 422, "text")["read"])
        self.assertFalse(Place.objects.filter(name="Bed 1", undone_at__isnull=True).exists())
        self.assertFalse(Planting.objects.filter(crop="chard", garden__name="Back step").exists())

    def test_six_more_like_this_with_the_same_fill(self):
        body = {"id": new_id(), "count": 6}
        more = self.own.post(f"/api/places/{self.place}/more", body)
        self.assertEqual(more.status_code, 201, more.content)
        self.own.post(f"/api/places/{self.place}/more", body)
        names = [one["name"] for one in self.own.get("/api/path").json()["stops"]]
        self.assertEqual(names, ["Door tub", *(f"Door tub {n}" for n in range(1, 7))])
        fills = Fill.objects.filter(place__name__startswith="Door tub ")
        self.assertEqual(
            {(fill.volume_l, fill.medium) for fill in fills}, {(40.0, "peat_free_mix")}
        )
        gone = self.own.post(f"/api/places/{new_id()}/more", body | {"id": new_id()})
        self.assert_refused(gone, 404, "place_id")
