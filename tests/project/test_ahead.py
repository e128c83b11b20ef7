"""The first to ask on a new day waits for nothing: it was worked out before."""

from unittest import mock

from dace.garden.models import Garden
from dace.project.ahead import work_ahead
from tests.api.base import WeirYardCase
from tests.demo.days import evening

JUDGE = "dace.core.verdict.judge._judge"


class WorkedAhead(WeirYardCase):
    def test_the_first_round_of_a_day_judges_nothing_anew(self):
        done = {}
        with mock.patch("dace.households.clock.now", return_value=evening("2026-07-20")):
            work_ahead(done)
            with mock.patch(JUDGE, side_effect=AssertionError("worked out while she waits")):
                told = self.asking.get("/api/round")
        self.assertEqual((told.status_code, told.json()["today"]), (200, "2026-07-20"))
        garden = Garden.objects.get(household__is_demo=True, household__mask=None)
        self.assertEqual(str(done[garden.household_id]), "2026-07-20")

    def test_what_fails_is_not_tried_again_that_day_and_spoils_nothing_else(self):
        done = {}
        at = mock.patch("dace.households.clock.now", return_value=evening("2026-07-21"))
        with at, mock.patch("dace.project.ahead.planned", side_effect=ValueError) as planned:
            with self.assertLogs("dace.project.ahead", "ERROR"):
                work_ahead(done)
            work_ahead(done)
        self.assertEqual(planned.call_count, len(done))
