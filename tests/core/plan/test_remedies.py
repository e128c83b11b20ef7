"""What runs short is said once, by what would mend it."""

import unittest

from dace.core.shell.plans import plan
from tests.core.verdict.yards import CRYSTALS, POTASH, pot, yard


def mended(*stops, **more):
    """Kinds, stops and words of what helps."""
    found = plan(yard(*stops, weeks=6, **more))["remedies"]
    return [(one["kind"], one["stops"], one["text"]) for one in found]


class Remedies(unittest.TestCase):
    def test_too_seldom_is_fed_oftener(self):
        tubs = [pot(id=name, rhythm="fortnightly", litres=15, plants=2) for name in ("tub", "urn")]
        ((kind, stops, text),) = mended(*tubs, jars=[CRYSTALS])
        self.assertEqual((kind, sorted(stops)), ("rhythm", ["tub", "urn"]))
        self.assertIn(", not every second week: ", text)
        self.assertLessEqual(len(text.split()), 15)

    def test_what_no_jar_brings_is_to_be_got(self):
        found = mended(pot(rhythm="weekly"), jars=[POTASH])
        self.assertEqual([kind for kind, *_ in found], ["get"])
        self.assertRegex(found[0][2], "^Nitrogen.* from no jar for pot, from ")

    def test_each_stop_once(self):
        tubs = [pot(id=f"t{n}", rhythm=how) for n, how in enumerate(("weekly", "as_needed"))]
        named = [stop for _, stops, _ in mended(*tubs, jars=[]) for stop in stops]
        self.assertEqual(sorted(named), ["t0", "t1"])
