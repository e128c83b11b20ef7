"""Feeds fall on the household's evenings: at most three days earlier, else on the next."""

import unittest
from datetime import date

from dace.core.errors import DaceError
from dace.core.fed.evenings import evenings_of, fitted, is_due, used_on
from dace.core.fed.records import RHYTHMS
from dace.core.shell.plans import plan
from tests.core.verdict.yards import judged, pot, yard

TUE_FRI = frozenset({1, 4})
TUESDAY = date(2026, 7, 14)


def on(day):
    return date(2026, 7, day)


class Slots(unittest.TestCase):
    def test_earlier_by_three_days_at_most_and_never_past_an_evening(self):
        cases = {14: 14, 15: 14, 16: 14, 17: 17, 18: 17, 20: 17, 21: 21}
        for opens, used in cases.items():
            self.assertEqual(used_on(on(opens), TUESDAY, TUE_FRI), on(used), opens)
        self.assertFalse(is_due(on(14), on(18), {1}))  # four days are too many
        self.assertEqual(used_on(on(18), TUESDAY, {1}), on(21))

    def test_what_was_due_before_waits_for_the_next(self):
        self.assertEqual(used_on(on(1), on(15), TUE_FRI), on(17))

    def test_a_feed_carries_until_the_next_evening_for_one(self):
        self.assertEqual(fitted(RHYTHMS["twice_weekly"], TUESDAY, {1}).counted, 7)
        self.assertEqual(fitted(RHYTHMS["weekly"], TUESDAY, TUE_FRI).counted, 7)
        self.assertEqual(fitted(RHYTHMS["every_watering"], TUESDAY, {1}).counted, 3)

    def test_what_cannot_be_is_named(self):
        for said in ("someday", ["tue", "funday"], 0, 9, []):
            with self.assertRaises(DaceError) as caught:
                evenings_of(said)
            self.assertEqual(caught.exception.field, "evenings")


class Garden(unittest.TestCase):
    def test_fed_on_an_evening_and_told_which_on_another_day(self):
        (fed,) = judged(pot(), evenings=["tue", "fri"])
        self.assertEqual(fed["kind"], "feed")
        (waits,) = judged(pot(), evenings=["wed"])
        self.assertEqual((waits["kind"], waits["next_on"]), ("wait", "2026-07-15"))

    def test_a_plan_has_no_other_days_but_for_every_watering(self):
        hows = ((15, "as_needed"), (40, "weekly"), (60, "fortnightly"), (40, "twice_weekly"))
        tubs = [pot(id=how, litres=litres, rhythm=how) for litres, how in hows]
        often = pot(id="often", rhythm="every_watering")
        found = plan(yard(*tubs, often, weeks=6, evenings=["tue", "fri"]))
        days = [
            date.fromisoformat(event["on"]).weekday()
            for event in found["events"] if event["kind"] == "feed" and event["stop"] != "often"
        ]  # fmt: skip
        self.assertGreater(len(days), 12)
        self.assertEqual(set(days), {1, 4})
