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

    def test_what_the_asker_has_already_is_not_sent_again(self):
        client = self.asking.client
        first = client.get("/api/shelf")
        again = client.get("/api/shelf", headers={"If-None-Match": first["ETag"]})
        self.assertEqual((again.status_code, again.content), (304, b""))
        other = client.get("/api/setup", headers={"If-None-Match": first["ETag"]})
        self.assertEqual(other.status_code, 200)
        self.assertEqual(first["Cache-Control"], "no-store")
