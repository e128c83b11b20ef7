"""Answers compressed on their way, and the same when they are unfolded."""

import gzip
import json

from tests.api.base import WeirYardCase


class Compressing(WeirYardCase):
    def test_a_plan_is_a_fifth_as_long_and_says_the_same(self):
        plain = self.asking.get("/api/plan")
        squeezed = self.asking.client.get("/api/plan", headers={"Accept-Encoding": "gzip"})
        self.assertFalse(plain.has_header("Content-Encoding"))
        self.assertEqual(squeezed["Content-Encoding"], "gzip")
        self.assertLess(len(squeezed.content), len(plain.content) / 5)
        told = json.loads(gzip.decompress(squeezed.content))
        self.assertEqual(told, plain.json())
        self.assertIn("Accept-Encoding", squeezed["Vary"])
        self.assertIn("no-store", squeezed["Cache-Control"])
