"""Two people never feed one tub twice unsaid, and what waits goes in as who made it."""

import json

from dace.feeding.models import Dose, Tick
from dace.households.models import Membership, User
from dace.measuring.models import Reading
from tests.api.base import Asking, WeirYardCase, new_id


class Meanwhile(WeirYardCase):
    def send(self, path, body, **headers):
        headers = {"X-CSRFToken": self.asking.token} | headers
        return self.asking.client.post(
            path, json.dumps(body), content_type="application/json", headers=headers
        )

    def seen(self, path="/api/round"):
        return {"If-Match": f'"{self.asking.get(path).json()["edition"]}"'}

    def row(self):
        cans = self.asking.get("/api/round").json()["cans"]
        rows = [(can, row) for can in cans for row in can["rows"]]
        return next(pair for pair in rows if pair[1]["name"] == "Quay tub 1")

    def pour_on(self, stand, **headers):
        return self.send("/api/pours", self.pour_body(stand_id=stand), **headers)

    def test_a_tub_poured_on_at_the_bench_is_not_ticked_from_an_older_round(self):
        can, row = self.row()
        old = self.seen()
        stops = self.asking.get("/api/path").json()["stops"]
        stand = next(stop for stop in stops if stop["name"] == "Quay tub 1")["stands"][0]["id"]
        self.assertEqual(self.pour_on(stand).status_code, 201)
        tick = {"id": new_id(), "fill_id": row["fill_id"], "slot": row["slot"], "how": "planned"}
        tick |= {"can_id": can["id"]}
        error = self.assert_refused(self.send("/api/round/ticks", tick, **old), 409, "seen")
        self.assertIn("6 L", error["read"])
        self.assertEqual(Tick.objects.filter(pk=tick["id"]).count(), 0)
        # read again she may, and says so by pressing once more
        self.assertEqual(self.pour_on(stand, **self.seen("/api/path")).status_code, 201)

    def test_a_can_is_not_poured_on_what_was_ticked_since(self):
        old = self.seen("/api/path")
        self.assertEqual(self.pour_on(self.stand).status_code, 201)
        poured = Dose.objects.count()
        self.assert_refused(self.pour_on(self.stand, **old), 409, "seen")
        dry = {"id": new_id(), "stand_id": self.stand, "said": "10 g", "jar_id": None}
        dry |= {"material": "garden_compost"}
        self.assert_refused(self.send("/api/dressings", dry, **old), 409, "seen")
        self.assertEqual(Dose.objects.count(), poured)
        other = self.asking.get("/api/path").json()["stops"][0]["stands"][0]["id"]
        leeks = self.pour_body(stand_id=other, litres_each=0.1, plants=1)
        self.assertEqual(self.send("/api/pours", leeks, **old).status_code, 201)

    def test_the_pulse_tells_that_another_device_wrote(self):
        before = self.asking.get("/api/pulse").json()
        self.assertEqual(before["today"], "2026-07-14")
        self.assertEqual(before["edition"], self.asking.get("/api/path").json()["edition"])
        self.pour_on(self.stand)
        after = self.asking.get("/api/pulse").json()
        self.assertGreater(after["edition"], before["edition"])
        self.assertEqual(self.asking.get("/api/round").json()["edition"], after["edition"])

    def test_what_waits_goes_in_as_who_made_it_into_their_garden(self):
        made_by = self.asking.get("/api/session").json()["made_by"]
        pen = self.asking.get("/api/setup").json()["pens"][0]["id"]
        subject = self.asking.get("/api/path").json()["stops"][0]["subject_id"]
        body = {"id": new_id(), "subject_id": subject, "pen_id": pen, "value": 1.2}
        body |= {"scale": "mS/cm"}
        other = Asking()
        other.post(
            "/api/sign-up", {"name": "Rook", "password": "nine rusty trowels", "garden": "x"}
        )
        headers = {"X-CSRFToken": other.token, "X-Made-By": made_by}
        said = other.client.post(
            "/api/readings", json.dumps(body), content_type="application/json", headers=headers
        )
        self.assert_refused(said, 409, "made_by")
        self.assertFalse(Reading.objects.filter(pk=body["id"]).exists())
        said = self.send("/api/readings", body, **{"X-Made-By": made_by})
        self.assertEqual(said.status_code, 201, said.content)

    def test_another_of_the_household_is_not_taken_for_who_made_it(self):
        made_by = self.asking.get("/api/session").json()["made_by"]
        helper = User.objects.create_user("helper", password="four muddy wellies")
        garden = Membership.objects.get(user__username="weir-yard").household
        Membership.objects.create(user=helper, household=garden, role=Membership.Role.HELPER)
        theirs = Asking()
        theirs.post("/api/sign-in", {"name": "helper", "password": "four muddy wellies"})
        headers = {"X-CSRFToken": theirs.token, "X-Made-By": made_by}
        said = theirs.client.post(
            "/api/undo", "{}", content_type="application/json", headers=headers
        )
        self.assert_refused(said, 409, "made_by")
