"""What is worked out anew after a write, and what is not."""

from unittest import mock

from dace.core import api as core
from dace.feeding import verdicts
from tests.api.base import WeirYardCase, new_id


class Versions(WeirYardCase):
    def worked_out(self, act):
        """How often the verdicts are worked out after an act, for a page that shows them."""
        self.asking.get("/api/path")
        with mock.patch.object(verdicts.core, "verdicts", wraps=core.verdicts) as worked:
            done = act()
            self.assertLess(done.status_code, 300, done.content)
            self.asking.get("/api/path")
            self.asking.get("/api/path")
        return worked.call_count

    def test_a_note_changes_no_verdict_and_is_undone_as_cheaply(self):
        note = {"id": new_id(), "stand_id": self.stand, "note": "a robin"}
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/observations", note)), 0)
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/undo", {})), 0)

    def test_scores_readings_and_pours_do_once(self):
        score = {"id": new_id(), "stand_id": self.stand, "scores": {"colour": 2}}
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/observations", score)), 1)
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/undo", {})), 1)
        pour = self.pour_body()
        self.assertEqual(self.worked_out(lambda: self.asking.post("/api/pours", pour)), 1)
