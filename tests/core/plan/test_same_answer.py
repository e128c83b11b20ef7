"""The same garden told in another way gets the same answer."""

import json
import re
import unittest

from dace.core.shell.plans import plan
from tests.core import counts
from tests.core.plan.test_gardens import drawn

GARDENS = counts.of(60, 5)


def told_together(seed):
    """Gardens of several draws on one shelf, so that stops share and outbid one another."""
    whole = drawn(seed)
    others = (drawn(1000 * (seed + 1) + turn) for turn in range(16))
    for more, other in enumerate(one for one in others if one["today"] == whole["today"]):
        whole["stops"] += [stop | {"id": f"{stop['id']}-{more}"} for stop in other["stops"]]
    whole["jars"] = [jar | {"stock": min(jar["stock"], 60)} for jar in whole["jars"]]
    return whole


def moved(told, years):
    """The same with all days so many years later."""
    # a year, never four digits of a number that happen to read so
    later = re.sub(
        r"(?<![\d.])202[67](?!\d)", lambda year: str(int(year[0]) + years), json.dumps(told)
    )
    return json.loads(later)


def renamed(told):
    """Stops and jars in the other order, under other names."""
    stops = [stop | {"id": f"z{stop['id']}"} for stop in reversed(told["stops"])]
    jars = [jar | {"name": f"another {jar['name']}"} for jar in reversed(told["jars"])]
    return told | {"stops": stops, "jars": jars}


def told_of(found, names=False):
    """What is said of each stop and day, whatever the order."""
    rows = [json.dumps(one, sort_keys=True) for one in (*found["verdicts"], *found["events"])]
    text = "\n".join(sorted(rows))
    return text.replace("another ", "").replace('"zs', '"s') if names else text


class OneAnswer(unittest.TestCase):
    @classmethod
    def setUpClass(cls):
        cls.found = [(told, plan(told)) for told in map(told_together, range(GARDENS))]

    def test_whatever_the_order_and_the_names(self):
        for told, found in self.found:
            again = told_of(plan(renamed(told)), names=True)
            self.assertEqual(sorted(told_of(found).split("\n")), sorted(again.split("\n")))

    def test_twenty_eight_years_later_but_for_the_dates(self):
        for told, found in self.found:
            self.assertEqual(told_of(moved(found, 28)), told_of(plan(moved(told, 28))))
