"""What every read promises: so many queries and rows, after ten years as on the first day."""

from __future__ import annotations

import re
from collections.abc import Iterator
from contextlib import contextmanager
from unittest import mock
from urllib.parse import quote

from django.db import connection
from django.db.backends.utils import CursorWrapper
from django.test import TestCase
from django.test.utils import CaptureQueriesContext

from dace.demo.keys import key
from dace.feeding.models import Dose
from dace.garden.models import Planting, StageSeen
from dace.households import clock
from dace.measuring.models import Reading
from dace.shelf.models import Brew
from tests.api.base import Asking, new_id
from tests.api.pictures import PNG
from tests.gardens import nothing, stand_in
from tests.ten_years import BREWS, DOSES, PLANTINGS, READINGS, ten_years

# queries and rows at most, the session's three among them
EVERYTHING = {"/api/export"}  # takes out every row there is
UNDER_WAY = {"/api/notebook-file/{}"}  # 404 but while something is taken in
READS = {
    "/api/practice": (4, 4),
    "/api/solids": (6, 30),
    "/api/heaps/{heap}": (12, 90),
    "/api/recipes-file": (6, 5),
    "/api/session": (5, 5),
    "/api/pulse": (5, 5),
    "/api/doors": (8, 8),
    "/api/self-check": (5, 5),
    "/api/doses/{dose}": (8, 12),
    "/api/looks/{look}": (6, 8),
    "/api/harvests/{harvest}": (6, 8),
    "/api/path": (16, 140),
    "/api/bench": (8, 30),
    "/api/notebook": (41, 640),
    "/api/notebook?stop={stop}": (41, 640),
    "/api/notebook?before={middle}": (41, 640),
    "/api/score-lanes?since=2016-01-01&until=2026-07-14": (10, 3000),
    "/api/photos?place_id={stop}": (6, 60),
    "/api/photos/{photo}": (5, 5),
    "/api/trials": (8, 60),
    "/api/trials/before?units=6&worthwhile_percent=30&measure=harvest_g": (4, 4),
    "/api/trials/{trial}": (14, 60),
    "/api/readables": (19, 140),
    "/api/season": (16, 280),
    "/api/fills/{fill}/follows": (9, 400),
    "/api/year/{year}": (30, 900),
    "/api/learned": (8, 60),
    "/api/year/next": (24, 900),
    "/api/year-table/{year}.csv": (30, 900),
    "/api/round": (30, 300),
    "/api/round/ahead": (12, 300),
    "/api/plan": (12, 90),
    "/api/plan.ics": (12, 90),
    "/api/scoring": (8, 60),
    "/api/signs": (7, 20),
    "/api/calendar": (5, 5),
    "/api/tokens": (5, 25),
    "/api/calendar/{token}.ics": (12, 90),
    "/api/shelf": (13, 110),
    "/api/shelf/goes": (12, 90),
    "/api/brew-choices": (8, 20),
    "/api/setup": (19, 140),
    "/api/choices": (4, 4),
    "/api/weather": (6, 10),
    "/api/dry-feeds": (5, 20),
    "/api/changes/last": (5, 5),
    "/api/crops/aubergine": (4, 4),
    "/api/roots": (25, 260),
    "/api/places/{stop}/roots": (26, 120),
    "/api/plantings/{planting}/page": (18, 60),
    "/api/brews/{brew}": (14, 40),
    "/api/jars/{jar}/page": (10, 40),
    "/api/jars/{bottle}/page": (12, 45),
    "/api/subjects/{subject}/series": (7, 12),
    "/api/series/{series}": (5, 5),
    "/api/series/{series}/left-out.txt": (5, 5),
    "/api/bench/hours?stand_id={stand}": (30, 200),
    "/api/cans/{can}/correction": (14, 30),
}


@contextmanager
def counted_rows() -> Iterator[list[int]]:
    """Counts the rows that come out of the database."""
    counts: list[int] = []

    def many(self: CursorWrapper, *args: int) -> list[tuple[object, ...]]:
        rows = self.cursor.fetchmany(*args)
        counts.append(len(rows))
        return rows

    def one(self: CursorWrapper) -> tuple[object, ...] | None:
        row = self.cursor.fetchone()
        counts.append(0 if row is None else 1)
        return row

    with (
        mock.patch.object(CursorWrapper, "fetchmany", many, create=True),
        mock.patch.object(CursorWrapper, "fetchone", one, create=True),
    ):
        yield counts


class AfterTenYears(TestCase):
    @classmethod
    def setUpClass(cls):
        stand_in(ten_years)
        super().setUpClass()

    @classmethod
    def tearDownClass(cls):
        super().tearDownClass()
        stand_in(nothing)

    def setUp(self):
        # What is kept of a walk lasts a quarter of an hour: none may end between two askings.
        self.enterContext(mock.patch("dace.households.clock.now", return_value=clock.now()))
        self.asking = Asking.signed_in()
        token = self.asking.post("/api/calendar").json()["address"].split("/")[-1][:-4]
        photo = self.photo(str(key("stand chilli 3 fed")))
        stop = self.asking.get("/api/path").json()["stops"][2]
        series = self.series(stop["subject_id"])
        picked = self.harvest(stop["stands"][0]["planting_id"])
        self.asking.get("/api/path")  # worked out once after the last write
        shelf = self.asking.get("/api/shelf").json()
        self.ids = {
            "stop": stop["id"],
            "middle": "2019-07-01T12:00Z",
            "subject": stop["subject_id"],
            "planting": stop["stands"][0]["planting_id"],
            "brew": shelf["brews"][0]["id"],
            "heap": shelf["heaps"][0]["id"],
            "year": "2025",
            "fill": str(key("fill Sluice bed, chard end")),
            "stand": stop["stands"][0]["id"],
            "can": self.asking.get("/api/notebook?limit=40").json()["doses"][0]["can_id"],
            "token": token,
            "trial": str(key("trial")),
            "series": series,
            "photo": photo,
            "jar": shelf["jars"][0]["id"],
            "dose": self.asking.get("/api/notebook?limit=40").json()["doses"][0]["id"],
            "look": str(StageSeen.objects.first().pk),
            "harvest": picked,
            "bottle": next(jar["id"] for jar in shelf["jars"] if jar["bottle"]),
        }

    def harvest(self, planting):
        picked = {"id": new_id(), "planting_id": planting, "weight": "300 g"}
        self.assertEqual(self.asking.post("/api/harvests", picked).status_code, 201)
        return picked["id"]

    def series(self, subject):
        row = new_id()
        path = f"/api/series?id={row}&subject_id={subject}"
        sent = self.asking.send_file(path, "2026-07-01 10:00,1.5", "text/csv")
        self.assertEqual(sent.status_code, 201)
        return row

    def photo(self, stand):
        photo = new_id()
        sent = self.asking.send_file(f"/api/photos?id={photo}&stand_id={stand}", PNG, "image/png")
        self.assertEqual(sent.status_code, 201)
        return photo

    def test_there_is_as_much_as_the_promises_speak_of(self):
        for model, count in ((Dose, DOSES), (Reading, READINGS), (Planting, PLANTINGS)):
            self.assertEqual(model.objects.count(), count)
        self.assertEqual(Brew.objects.count(), BREWS)

    def test_every_read_keeps_its_promise_of_queries_and_rows(self):
        for read, (queries, rows) in READS.items():
            path = read.format(**self.ids)
            with (
                self.subTest(read),
                CaptureQueriesContext(connection) as asked,
                counted_rows() as came,
            ):
                self.assertEqual(self.asking.get(path).status_code, 200)
                self.assertLessEqual(len(asked), queries)
                self.assertLessEqual(sum(came), rows)

    def test_every_address_that_can_be_read_has_a_promise(self):
        described = self.asking.get("/api/openapi.json").json()["paths"]
        read = {path for path, ways in described.items() if "get" in ways}
        shapes = {re.sub(r"\{\w+\}|aubergine", "{}", path.split("?")[0]) for path in READS}
        read = {re.sub(r"\{\w+\}", "{}", path) for path in read}
        self.assertEqual(read - EVERYTHING - UNDER_WAY, shapes)

    def test_pages_go_back_to_the_first_day_without_gap_or_repeat(self):
        seen, before = [], ""
        while True:
            page = self.asking.get(f"/api/notebook?limit=500{before}").json()
            rows = [*page["doses"], *page["readings"], *page["others"]]
            seen += [(row["at"], row["id"]) for row in rows]
            if not page["more"]:
                break
            before = f"&before={quote(page['next'])}"
        self.assertEqual(len(seen), len(set(seen)))
        self.assertGreaterEqual(len(seen), DOSES + READINGS)
        self.assertEqual(min(seen)[0][:10], "2016-04-01")
