"""A clock set to 2020 and to 2030 under a running server: nothing goes, and nothing breaks."""

from datetime import UTC, datetime, timedelta
from pathlib import Path
from tempfile import mkdtemp
from unittest import mock

from django.conf import settings
from django.contrib.sessions.models import Session
from django.test import override_settings

from dace.exchange import copies
from dace.feeding.models import CalendarLink, Dose
from dace.garden.models import Stand
from dace.households.models import Change, Household
from tests.api.base import Asking, WeirYardCase

NOW = datetime(2026, 7, 14, 16, 40, tzinfo=UTC)
WRONG = (datetime(2020, 1, 1, 0, 5, tzinfo=UTC), datetime(2030, 5, 1, 12, tzinfo=UTC))
READ = ("path", "round", "round/ahead", "season", "plan", "shelf", "notebook", "bench", "trials")
KEPT = (Stand, Dose, Change, CalendarLink, Household, Session)


class Clock(WeirYardCase):
    def setUp(self):
        super().setUp()
        self.folder = Path(mkdtemp(prefix="dace-clock-"))
        self.enterContext(override_settings(DATA=self.folder))
        self.visitor = Asking()
        self.assertEqual(self.visitor.post("/api/demo").status_code, 200)
        self.address = self.asking.post("/api/calendar").json()["address"].split("testserver")[1]

    def at(self, moment):
        """The machine's clock, and so Dace's, says another time; the process goes on."""
        stack = mock.patch("django.utils.timezone.now", return_value=moment)
        return stack, mock.patch("dace.households.clock.now", return_value=moment)

    def nights(self, moment, count=3):
        with (
            mock.patch("dace.exchange.copies.copy_database", lambda to: to.write_bytes(b"x")),
            mock.patch("dace.exchange.copies.connection"),  # a test's is not closed
        ):
            for night in range(count):
                patched, _ = self.at(moment + timedelta(days=night))
                with patched:
                    copies.keep_up()

    def kept(self):
        return {model.__name__: model.objects.count() for model in KEPT}

    def test_copies_sessions_plan_and_calendar_survive(self):
        self.nights(NOW - timedelta(days=20), 20)
        copied = {path.name for path in copies.folder().iterdir()}
        before, plan = self.kept(), self.asking.get("/api/plan").json()
        for wrong in WRONG:
            with self.subTest(wrong.year):
                self.nights(wrong, 1)
                self.assertLessEqual(copied, {path.name for path in copies.folder().iterdir()})
                machine, ours = self.at(wrong)
                with machine, ours:
                    for asking in (self.asking, self.visitor):
                        for read in READ:
                            reply = asking.get(f"/api/{read}")
                            self.assertEqual(reply.status_code, 200, (read, reply.content[:200]))
                    calendar = Asking().get(self.address)
                    self.assertEqual(calendar.status_code, 200)
                    self.assertIn(b"BEGIN:VCALENDAR", calendar.getvalue())
                self.assertEqual(self.kept(), before)
        self.assertEqual(self.asking.get("/api/plan").json(), plan)
        self.assertEqual(Asking().get(self.address).status_code, 200)
        key = self.asking.client.cookies[settings.SESSION_COOKIE_NAME].value
        self.assertTrue(Session.objects.filter(session_key=key).exists())
