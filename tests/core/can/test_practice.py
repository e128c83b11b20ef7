"""The practice can's sums, against sums by hand."""

from django.test import SimpleTestCase

from dace.core.api import DaceError, check, exercise


def asked(kind, words):
    """An exercise of a kind whose question holds these words."""
    turn = ("twice", "oxide", "spoon", "heap", "mulch").index(kind)
    for seed in range(400):
        found = exercise(turn, seed)
        if all(word in found.question for word in words):
            return found
    raise AssertionError(words)


class Practice(SimpleTestCase):
    def test_a_stock_of_1_and_9_at_1_and_200(self):
        """10 L / 201 = 49.75 mL of feed, tenfold of the stock."""
        found = asked("twice", ("1 + 200", "1 + 9", "10 L"))
        self.assertAlmostEqual(found.right, 497.5, delta=0.1)
        self.assertIn("thinner already", check(found, 49.75).said)
        self.assertIn("twice over", check(found, 4.975).said)

    def test_an_oxide_is_not_its_element(self):
        """8 % K2O at 1 g/L: 80 mg of oxide, 80 x .8301 = 66.4 mg of potassium."""
        found = asked("oxide", ("8 % K2O", "1 g of it"))
        self.assertAlmostEqual(found.right, 66.4, delta=0.1)
        self.assertTrue(check(found, 66).right)
        self.assertIn("only part of it", check(found, 80).said)

    def test_a_spoon_is_no_ratio(self):
        """A metric teaspoon is 5 mL: 1000 / 5 = 200 parts, 1 + 199."""
        found = asked("spoon", ("1 teaspoon of", "a litre of"))
        self.assertAlmostEqual(found.right, 199, delta=0.1)
        self.assertIn("spoon for a millilitre", check(found, 999).said)

    def test_a_heap_counts_by_nitrogen(self):
        """60 kg of straw: .288 kg N, 23.9 kg C; 200 kg of grass: 1.5 and 18: 41.9 / 1.788."""
        found = asked("heap", ("60 kg of straw", "200 kg of grass"))
        self.assertAlmostEqual(found.right, 23.4, delta=0.1)
        self.assertIn("middle of the two", check(found, 47.5).said)

    def test_a_mulch_settles(self):
        """75 mm / .45 = 167 mm over 6 m2: 1,000 L."""
        found = asked("mulch", ("6 m2", "75 mm"))
        self.assertAlmostEqual(found.right, 1000, delta=0.1)
        self.assertIn("bring more", check(found, 450).said)

    def test_no_wrong_answer_is_taken_for_right_and_the_same_turn_asks_the_same(self):
        for turn in range(120):
            found = exercise(turn, 7)
            self.assertEqual(found, exercise(turn, 7))
            for trap in found.traps:
                self.assertFalse(check(found, trap.value).right, (turn, trap))
            self.assertTrue(found.working)
        with self.assertRaises(DaceError):
            exercise(300, 7)
