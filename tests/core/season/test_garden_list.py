"""A garden told as a list: what a person would read in each line, written before it was read."""

from datetime import date
from unittest import TestCase

from dace.core.api import DaceError, read_list

TODAY = date(2026, 7, 14)
LIST = """Name, size, medium
Bed 1-14, 3 x 1.2 m, clay
10 tubs of 40 L
Frame; 200 L; covered
Tunnel tubs 1 to 6, 30 L, coir, in the tunnel
12 pots of 6 L

12 chard, Bed 3, 12 April
20 x leeks in bed 4
garlic, bed5, 2 Nov 2025
zucchini\ttub2\t3
tomatoes, Tub_1, 4
"""


class Lists(TestCase):
    def read(self, text, places=()):
        return read_list(text, "metric", TODAY, places)

    def test_places_by_number_span_and_kind(self):
        lines = self.read(LIST)
        places = [line.place for line in lines if line.place]
        self.assertEqual([len(one.names) for one in places], [14, 10, 1, 6, 1])
        beds, tubs, frame, tunnel, pots = places
        self.assertEqual((beds.names[0], beds.names[-1]), ("Bed 1", "Bed 14"))
        self.assertEqual((beds.kind, beds.medium), ("bed", "clay_soil"))
        self.assertAlmostEqual(beds.size.area_m2, 3.6)
        self.assertEqual((tubs.kind, tubs.size.volume_l), ("tub", 40.0))
        self.assertEqual((frame.kind, frame.covered), ("frame", True))
        self.assertEqual((tunnel.kind, tunnel.area, tunnel.medium), ("tub", "tunnel", "coir"))
        self.assertEqual((pots.kind, pots.alike, pots.names), ("pot", 12, ("Pots",)))

    def test_plantings_by_any_name_place_count_and_day(self):
        told = [line.planting for line in self.read(LIST) if line.planting]
        self.assertEqual(
            [(one.crop, one.count, one.place, one.started_on) for one in told],
            [
                ("chard", 12, "Bed 3", date(2026, 4, 12)),
                ("leek", 20, "Bed 4", TODAY),
                ("garlic", 1, "Bed 5", date(2025, 11, 2)),
                ("courgette", 3, "Tub 2", TODAY),
                ("tomato_cordon", 4, "Tub 1", TODAY),
            ],
        )

    def test_a_day_without_its_year_is_the_last_one(self):
        (line,) = self.read("garlic, Bed 1, 2 November", ["Bed 1"])
        self.assertEqual(line.planting.started_on, date(2025, 11, 2))

    def test_what_is_not_understood_says_what_would_do_and_nothing_is_guessed(self):
        for text, said in (
            ("banana, Bed 2", "banana"),
            ("4 tomatoes, Tub 99", "no place here"),
            ("12 chard", "say where"),
            ("Bed 2, 3 x 1.2 m", "stands already"),
            ("Tub, lovely", "a size, a medium"),
            ("something odd", "a tub, pots, a bed"),
        ):
            (line,) = self.read(text, ["Bed 2"])
            self.assertIn(said, line.trouble, text)
            self.assertIsNone(line.place or line.planting)
        with self.assertRaises(DaceError):
            self.read("  \n")

    def test_more_tubs_are_numbered_past_those_that_stand(self):
        (line,) = self.read("3 tubs of 20 L", ["Tub 1", "Tub 3"])
        self.assertEqual(line.place.names, ("Tub 2", "Tub 4", "Tub 5"))
