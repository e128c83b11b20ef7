"""A kind of verdict that is one module: path, Bench, Round, Season and plan say it all the same."""

from datetime import datetime
from unittest import mock
from zoneinfo import ZoneInfo

from dace.core.verdict import kinds
from dace.core.verdict.case import Decided
from dace.core.verdict.kinds import base
from tests.api.base import WeirYardCase

# nobody else asks for this day: what was worked out of it is remembered
A_DAY = datetime(2026, 7, 12, 6, 40, tzinfo=ZoneInfo("Europe/London"))


class Shaded(WeirYardCase):
    def setUp(self):
        super().setUp()
        with mock.patch.dict(base._BY_KEY):

            class Shade(base.VerdictKind):
                key, mark, leads_to, urgency = "shade", "into the shade", "shade", 0
                title, one, many, event, does = "shade", "a move", "moves", "shade", "Shade"

                def when(self, case):
                    if case.facts.stop.name != "Gutter":
                        return None
                    why = "35 C on the wall: move it into the shade"
                    return Decided("shade", why, case.wants, case.tomorrow, "", None, case.owed)

            known = (base.kind_of("shade"), *kinds.KINDS)
        for at, what in (
            ("dace.core.verdict.kinds.base._BY_KEY", {one.key: one for one in known}),
            ("dace.core.verdict.kinds.KINDS", known),
            ("dace.core.verdict.kinds._ORDER", tuple(one.key for one in known)),
        ):
            self.enterContext(mock.patch(at, what))
        self.enterContext(mock.patch("dace.households.clock.now", return_value=A_DAY))

    def test_every_desk_says_it(self):
        path = self.asking.get("/api/path").json()
        gutter = next(stop for stop in path["stops"] if stop["name"] == "Gutter")
        self.assertEqual((gutter["mark_kind"], gutter["mark"]), ("shade", "into the shade"))
        said = gutter["spots"][0]["verdict"]
        self.assertEqual(said["headline"], "35 C on the wall: move it into the shade.")

        found = self.asking.get("/api/round").json()
        self.assertIn("a move", found["title"])
        row = next(one for one in found["due"] if one["place_id"] == gutter["id"])
        self.assertEqual((row["title"], row["headline"]), ("shade", said["headline"]))
        self.assertNotIn("Gutter", str(found["waits"]))

        plan = self.asking.get("/api/plan").json()
        today = [e for e in plan["events"] if e["kind"] == "shade"]
        self.assertEqual([e["on"] for e in today], ["2026-07-12"])
        calendar = self.asking.get("/api/plan.ics").content.decode()
        self.assertIn("SUMMARY:Shade Gutter", calendar)
        roots = self.asking.get("/api/roots").json()["fills"]
        self.assertIn(("shade", said["headline"]), {(one["kind"], one["says"]) for one in roots})
