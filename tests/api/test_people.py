"""Who may: helpers, viewers, scripts; passwords, names, and leaving."""

from __future__ import annotations

from datetime import timedelta
from unittest.mock import patch

from django.contrib.sessions.models import Session
from django.utils import timezone
from reversion.models import Version

from dace.demo.keys import key
from dace.garden.looked import Observation
from dace.households.models import Change, Household, User
from tests.api.base import Asking, WeirYardCase, new_id

OWNER = {"name": "Ottoline", "password": "nine rusty trowels", "garden": "Back step"}
AT = timezone.now()
AGAIN = {"password": OWNER["password"]}


class People(WeirYardCase):
    def setUp(self):
        super().setUp()
        self.owner = Asking()
        self.assertEqual(self.owner.post("/api/sign-up", OWNER).status_code, 201)

    def joined(self, role, name="Hob"):
        path = self.owner.post("/api/invitations", AGAIN | {"role": role}).json()["path"]
        guest = Asking()
        who = {"token": path.split("=")[1], "name": name, "password": "eight mossy pots"}
        self.assertEqual(guest.post("/api/join", who).status_code, 201)
        return guest

    def places(self, asking):
        return asking.put(f"/api/waters/{new_id()}", {"name": "Brackish butt", "kind": "rain"})

    def test_a_viewer_reads_everything_and_writes_nothing(self):
        viewer = self.joined("viewer")
        self.assertEqual(viewer.get("/api/path").status_code, 200)
        self.assertEqual(viewer.get("/api/round").status_code, 200)
        self.assert_refused(viewer.post("/api/undo", {}), 404, "change")
        for path, body in (
            ("/api/weather", {"id": new_id(), "text": "2026-07-01,10,20,1"}),
            ("/api/invitations", {}),
            ("/api/people/remove", {"name": "Ottoline"}),
        ):
            self.assert_refused(viewer.post(path, body), 403, "role")
        token = viewer.post("/api/tokens", {"name": "script", "writes": True})
        self.assert_refused(token, 403, "role")

    def test_who_is_removed_is_out_at_once(self):
        helper = self.joined("helper")
        self.assert_refused(helper.post("/api/people/remove", {"name": "Ottoline"}), 403, "role")
        self.assertEqual(self.owner.post("/api/people/remove", {"name": "HOB"}).status_code, 204)
        self.assert_refused(helper.get("/api/path"), 401, "session")
        who = {"name": "Hob", "password": "eight mossy pots"}
        self.assert_refused(Asking().post("/api/sign-in", who), 422, "password")
        gone = self.owner.post("/api/people/remove", {"name": "Ottoline"})
        self.assert_refused(gone, 404, "name")  # oneself is not removed but leaves

    def test_a_link_that_is_revoked_opens_nothing(self):
        path = self.owner.post("/api/invitations", AGAIN).json()["path"]
        self.assertEqual(self.owner.delete("/api/invitations").status_code, 204)
        who = {"token": path.split("=")[1], "name": "Late", "password": "eight mossy pots"}
        self.assert_refused(Asking().post("/api/join", who), 422, "token")

    def test_another_password_signs_every_other_device_out(self):
        phone = Asking()
        self.assertEqual(phone.post("/api/sign-in", OWNER).status_code, 200)
        body = {"old": "wrong", "password": "ten rusty trowels"}
        self.assert_refused(self.owner.post("/api/password", body), 422, "old")
        body["old"] = OWNER["password"]
        weak = self.owner.post("/api/password", body | {"password": "password"})
        self.assert_refused(weak, 422, "password")
        self.assertEqual(self.owner.post("/api/password", body).status_code, 200)
        self.assertEqual(self.owner.get("/api/path").status_code, 200)
        self.assert_refused(phone.get("/api/path"), 401, "session")
        self.assert_refused(Asking().post("/api/sign-in", OWNER), 422, "password")

    def test_what_opens_a_way_in_asks_for_the_password_again(self):
        for path, body in (
            ("/api/invitations", {"role": "helper"}),
            ("/api/tokens", {"name": "logger"}),
            ("/api/calendar", {}),
        ):
            with self.subTest(path):
                self.assert_refused(self.owner.post(path, body), 422, "password")
                wrong = self.owner.post(path, body | {"password": "nine rusty forks"})
                self.assert_refused(wrong, 422, "password")
                self.assertEqual(self.owner.post(path, body | AGAIN).status_code, 201)

    def test_the_wait_grows_wherever_a_password_is_asked_for(self):
        guesses = (
            ("/api/tokens", {"name": "x", "password": "wrong"}),
            ("/api/invitations", {"password": "wrong"}),
            ("/api/calendar", {"password": "wrong"}),
            ("/api/password", {"old": "wrong", "password": "ten rusty trowels"}),
        )
        for path, body in guesses:
            self.assertEqual(self.owner.post(path, body).status_code, 422, path)
        self.assert_refused(self.owner.post("/api/leave", {"password": "wrong"}), 429, "password")
        self.assert_refused(self.owner.post("/api/tokens", AGAIN | {"name": "x"}), 429, "password")
        right = {"old": OWNER["password"], "password": "ten rusty trowels"}
        self.assert_refused(self.owner.post("/api/password", right), 429, "old")
        self.assert_refused(Asking().post("/api/sign-in", OWNER), 429, "password")

    def open_all(self):
        secret = self.owner.post("/api/tokens", AGAIN | {"name": "logger"}).json()["secret"]
        address = self.owner.post("/api/calendar", AGAIN).json()["address"]
        self.owner.post("/api/invitations", AGAIN)
        script = {"Authorization": f"Bearer {secret}"}
        return lambda: (
            Asking().client.get("/api/path", headers=script).status_code,
            Asking().get(address.split("testserver")[1]).status_code,
        )

    def test_another_password_says_what_stays_open_and_ends_it_where_asked(self):
        open_now = self.open_all()
        said = "1 script token, the calendar's address and 1 open invitation"
        self.assertEqual(self.owner.get("/api/doors").json()["words"], said)
        body = {"old": OWNER["password"], "password": "ten rusty trowels"}
        self.assertEqual(self.owner.post("/api/password", body).status_code, 200)
        self.assertEqual(open_now(), (200, 200))
        self.assertEqual(self.owner.get("/api/doors").json()["words"], said)
        body = {"old": body["password"], "password": OWNER["password"], "end_doors": True}
        self.assertEqual(self.owner.post("/api/password", body).status_code, 200)
        self.assertEqual(open_now(), (401, 404))
        self.assertEqual(self.owner.get("/api/doors").json()["words"], "")

    def test_signing_out_everywhere_ends_them_too_where_asked(self):
        open_now = self.open_all()
        self.assertEqual(self.owner.post("/api/sign-out-everywhere").status_code, 200)
        self.assertEqual(open_now(), (200, 200))
        self.owner.post("/api/sign-in", OWNER)
        ended = self.owner.post("/api/sign-out-everywhere", {"end_doors": True})
        self.assertEqual(ended.status_code, 200)
        self.assertEqual(open_now(), (401, 404))

    def test_a_session_that_is_used_lasts(self):
        self.owner.get("/api/path")
        first = Session.objects.get(session_key=self.owner.client.session.session_key)
        for days in (10, 20, 30):
            with patch("dace.households.sessions.steady", lambda n=days: AT + timedelta(n)):
                self.assertEqual(self.owner.get("/api/path").status_code, 200)
        last = Session.objects.get(pk=first.pk)
        self.assertGreater(last.expire_date, AT + timedelta(40))
        with patch("dace.households.sessions.steady", lambda: AT + timedelta(60)):
            self.assertEqual(self.owner.get("/api/path").status_code, 401)

    def test_a_name_is_one_however_it_is_written(self):
        zoe = OWNER | {"name": "Zo\u00eb"}
        self.assertEqual(Asking().post("/api/sign-up", zoe).status_code, 201)
        for same in ("ZOE\u0308", "zo\u200b\u00eb", "\uff3ao\u00eb"):
            with self.subTest(same):
                taken = Asking().post("/api/sign-up", zoe | {"name": same})
                self.assert_refused(taken, 422, "name")
                back = Asking().post("/api/sign-in", zoe | {"name": same})
                self.assertEqual(back.status_code, 200)
        unseen = Asking().post("/api/sign-up", zoe | {"name": "\u200b\u2060"})
        self.assert_refused(unseen, 422, "name")

    def test_a_password_is_taken_as_it_is_typed(self):
        spaced = OWNER | {"name": "Spacious", "password": "  nine rusty trowels "}
        self.assertEqual(Asking().post("/api/sign-up", spaced).status_code, 201)
        self.assertEqual(Asking().post("/api/sign-in", spaced).status_code, 200)
        bare = spaced | {"password": "nine rusty trowels"}
        self.assert_refused(Asking().post("/api/sign-in", bare), 422, "password")

    def test_an_owner_who_leaves_takes_the_household_along_and_nobody_elses(self):
        helper = self.joined("helper")
        self.assert_refused(self.owner.post("/api/leave", {"password": "wrong"}), 422, "password")
        self.places(self.owner)
        self.assertTrue(Version.objects.filter(serialized_data__contains="Brackish butt").exists())
        demo = Change.objects.filter(household__is_demo=True).count()
        self.assertEqual(self.owner.post("/api/leave", OWNER).status_code, 200)
        self.assertFalse(Version.objects.filter(serialized_data__contains="Brackish butt").exists())
        self.assertEqual(Change.objects.count(), demo)
        self.assert_refused(self.owner.get("/api/path"), 401, "session")
        self.assert_refused(helper.get("/api/path"), 401, "session")
        self.assertFalse(User.objects.filter(username="Ottoline").exists())
        self.assertEqual(list(Household.objects.values_list("is_demo", flat=True)), [True])
        self.assert_refused(self.asking.post("/api/leave", {"password": "x"}), 403, "role")


class Scripts(WeirYardCase):
    def token(self, **more):
        reply = self.asking.post("/api/tokens", {"name": "logger"} | more)
        self.assertEqual(reply.status_code, 201)
        return reply.json()

    def asked(self, secret, method="get", path="/api/path", body=None):
        headers = {"Authorization": f"Bearer {secret}"}
        script = Asking().client
        send = getattr(script, method)
        return (
            send(path, body, "application/json", headers=headers)
            if body
            else send(path, headers=headers)
        )

    def scored(self, secret):
        body = {"id": new_id(), "stand_id": str(key("stand chilli 3 fed")), "scores": {"set": 2}}
        return self.asked(secret, "post", "/api/observations", body)

    def test_it_reads_or_writes_as_it_was_made_for_and_sets_nothing_up(self):
        reads, writes = self.token()["secret"], self.token(writes=True)["secret"]
        self.assertEqual(len(self.asked(reads).json()["stops"]), 9)
        before = Observation.objects.count()
        self.assert_refused(self.scored(reads), 403, "role")
        self.assertEqual(self.scored(writes).status_code, 201)
        self.assertEqual(Observation.objects.count(), before + 1)
        sets_up = self.asked(writes, "put", f"/api/vessels/{new_id()}",
                             {"name": "x", "volume": "9 L", "kind": "can"})  # fmt: skip
        self.assert_refused(sets_up, 403, "role")
        more = self.asked(writes, "post", "/api/tokens", {"name": "another"})
        self.assertIn(more.status_code, (401, 403))

    def test_it_is_told_once_and_ends_when_it_is_revoked(self):
        made = self.token()
        (listed,) = self.asking.get("/api/tokens").json()["tokens"]
        told = listed["name"], listed["secret"], listed["used_on"]
        self.assertEqual(told, ("logger", "", None))
        self.asked(made["secret"])
        self.assertEqual(
            self.asking.get("/api/tokens").json()["tokens"][0]["used_on"], "2026-07-14"
        )
        for wrong in ("dace_nothing", made["secret"] + "x", "x"):
            self.assert_refused(self.asked(wrong), 401, "session")
        self.assertEqual(self.asking.delete(f"/api/tokens/{made['id']}").status_code, 204)
        self.assert_refused(self.asked(made["secret"]), 401, "session")
        self.assert_refused(self.asking.delete(f"/api/tokens/{made['id']}"), 404, "token_id")
