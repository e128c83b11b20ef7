"""Dates as notebooks have them: each cell by its own form, doubts asked about, oddities shown."""

import unittest
from datetime import date

from dace.core.api import DaceError, doubts_of, iso_of, order_of, pointed_at

TODAY = date(2026, 1, 30)


class Dates(unittest.TestCase):
    def test_one_iso_date_moves_no_dotted_one(self):
        column = ["20.11.25", "2025-11-26", "14.1.26"]
        order = order_of(column, today=TODAY)
        read = [iso_of(cell, order) for cell in column]
        self.assertEqual(read, ["2025-11-20", "2025-11-26", "2026-01-14"])

    def test_a_cell_of_one_meaning_has_it_whatever_its_column_says(self):
        for order in ("ymd", "dmy", "mdy"):
            self.assertEqual(iso_of("20.11.25", order), "2025-11-20")
            self.assertEqual(iso_of("4/30/2026", order), "2026-04-30")
            self.assertEqual(iso_of("Sept 3, 2025", order), "2025-09-03")
            self.assertEqual(iso_of("3rd Dec 25 17:05", order), "2025-12-03T17:05")
        self.assertIsNone(iso_of("3/4/2026", "ymd"))
        self.assertIsNone(iso_of("31.2.2026", "dmy"))

    def test_what_may_be_two_days_is_asked_about_with_both(self):
        with self.assertRaises(DaceError) as caught:
            order_of(["3/4/2025", "5/6/2025", "7/8/2025", "9/10/2025"])
        self.assertIn("3/4/2025: 3 April 2025 or 4 March 2025", caught.exception.read)
        found = doubts_of(["3/4/2025", "14/4/2025", "5/6/2025", "7/8/2025", "9/9/2025"])
        self.assertEqual([one.cell for one in found], ["3/4/2025", "5/6/2025", "7/8/2025"])

    def test_the_future_and_the_long_ago_decide_where_figures_do_not(self):
        self.assertEqual(order_of(["3/4/2025", "2/1/2026"], today=date(2026, 1, 3)), "dmy")
        self.assertEqual(order_of(["14-01-26", "20-11-25"], today=TODAY), "dmy")
        self.assertEqual(order_of(["4/4/2025"]), "dmy")

    def test_old_days_and_days_out_of_order_are_pointed_at(self):
        days = [date(2025, 11, day) for day in range(1, 11)]
        days[4] = date(2025, 3, 5)
        days.append(date(2019, 1, 1))
        said = dict(pointed_at(list(enumerate(days, 2)), TODAY))
        self.assertEqual(set(said), {6, 12})
        self.assertIn("out of order", said[6])
        self.assertIn("three years", said[12])
