"""Reads over much data: every one on the demo and after ten years, and long series."""

from __future__ import annotations

import os
import statistics
import tempfile
import time
import uuid
from collections.abc import Callable, Iterator
from contextlib import contextmanager
from datetime import UTC, date, datetime, timedelta
from importlib import import_module
from pathlib import Path
from typing import Any

from tools.bench.table import RUNS, Row

_PLANTINGS, _WEEKS = 40, 104
_NOW = datetime(2026, 7, 14, 16, 40, tzinfo=UTC)
_TABLE = b"time,ec\n2026-07-01 10:00,1.5"


def rows() -> list[Row]:
    """Every address that can be read, warm; the demo's own time is what is plain."""
    young = _in_garden(demo, "2026-06-20T12:00Z")
    old = _in_garden(_after_ten_years, "2019-07-01T12:00Z")
    return [Row(f"`{path}`", old[path], "on the demo", young[path]) for path in young]


def large() -> list[Row]:
    """Forty plantings fed weekly for two years; a subject with half a million readings."""
    with served(_grown) as client:
        found = [
            _beside_bare(client, "Season, 40 plantings with two years of doses", "/api/season")
        ]
        subject = _logged()
        for days in (0, 365, 30):
            what = f"a series of 500,000 readings, {days or 'all its'} days"
            found.append(_beside_bare(client, what, f"/api/subjects/{subject}/series?days={days}"))
        return found


@contextmanager
def served(build: Callable[[], object]) -> Iterator[Any]:
    """A client signed in to a garden in a fresh folder; one at a time in a process."""
    with tempfile.TemporaryDirectory() as folder:
        os.environ |= {
            "DACE_DATA": folder,
            "DACE_DEMO": "1",
            "DACE_NOW": "2026-07-14T17:40",
            "DACE_SECRET_KEY": "only-for-timings",
            "DJANGO_SETTINGS_MODULE": "dace.project.settings.production",
        }
        (Path(folder) / "static").mkdir()
        import django

        django.setup()
        from django.core.management import call_command
        from django.db import connection
        from django.test import Client

        from dace.households.models import User

        connection.close()
        connection.settings_dict["NAME"] = Path(folder) / "dace.sqlite3"
        call_command("migrate", verbosity=0)
        build()
        client = Client(headers={"host": "localhost"})
        user = User.objects.first()
        assert user is not None
        client.force_login(user)
        yield client
        connection.close()


def demo() -> None:
    from dace.demo import weir_yard

    weir_yard.build()


def _after_ten_years() -> None:
    import_module("tests.ten_years").ten_years()


def _grown() -> None:
    demo()
    _grow()


def _in_garden(build: Callable[[], object], middle: str) -> dict[str, float]:
    """Median [ms] of each read, by its shape; ``middle`` is a time amid its notes."""
    from dace.demo.keys import key

    png = import_module("tests.api.pictures").PNG
    with served(build) as client:
        stop = client.get("/api/path").json()["stops"][2]
        shelf = client.get("/api/shelf").json()
        dose = client.get("/api/notebook?limit=40").json()["doses"][0]
        ids = {
            "stop": stop["id"],
            "middle": middle,
            "subject": stop["subject_id"],
            "planting": stop["stands"][0]["planting_id"],
            "brew": shelf["brews"][0]["id"],
            "stand": stop["stands"][0]["id"],
            "can": dose["can_id"],
            "dose": dose["id"],
            "look": _first_look(),
            "harvest": _picked(client, stop["stands"][0]["planting_id"]),
            "token": _token(client),
            "trial": str(key("trial")),
            "photo": _sent(client, f"/api/photos?stand_id={stop['stands'][0]['id']}", png),
            "series": _sent(client, f"/api/series?subject_id={stop['subject_id']}", _TABLE),
            "jar": shelf["jars"][0]["id"],
            "bottle": next(jar["id"] for jar in shelf["jars"] if jar["bottle"]),
        }
        found = {}
        for read in import_module("tests.api.test_promises").READS:
            path = read.format(**ids)
            _timed(client, path)
            found[read] = statistics.median(_timed(client, path)[0] for _ in range(RUNS))
        return found


def _sent(client: Any, path: str, data: bytes) -> str:
    """The id of a file that is taken in."""
    row = str(uuid.uuid4())
    client.generic("POST", f"{path}&id={row}", data, "application/octet-stream")
    return row


def _first_look() -> str:
    from dace.garden.models import StageSeen

    seen = StageSeen.objects.first()
    assert seen is not None
    return str(seen.pk)


def _picked(client: Any, planting: str) -> str:
    """The id of a harvest that is written down."""
    row = str(uuid.uuid4())
    told = {"id": row, "planting_id": planting, "weight": "300 g"}
    client.post("/api/harvests", told, "application/json")
    return row


def _token(client: Any) -> str:
    """Of a fresh address of the calendar."""
    made = client.post("/api/calendar", {}, "application/json", headers={"host": "localhost"})
    address = made.json()["address"]
    return str(address).rsplit("/", 1)[-1].removesuffix(".ics")


def _grow() -> None:
    """Forty plantings, each fed every week for two years."""
    from dace.demo.keys import key
    from dace.feeding.models import Can, Dose
    from dace.garden.models import Planting, StageSeen, Stand

    demo = Planting.objects.all()
    crops = [p.crop for p in demo]
    base, garden = Stand.objects.first(), demo[0].garden
    can = Can.objects.first()
    assert base is not None
    assert can is not None
    row = {"household_id": garden.household_id, "created_at": _NOW}
    for number in range(_PLANTINGS - len(crops)):
        begun = date(2026, 3, 1) + timedelta(days=2 * number)
        planting = Planting.objects.create(
            id=key(f"bench planting {number}"),
            garden=garden,
            crop=crops[number % len(crops)],
            count=4,
            started_on=begun,
            **row,
        )
        Stand.objects.create(planting=planting, fill=base.fill, count=4, from_on=begun, **row)
        stage = "vegetative" if planting.crop != "strawberry" else "flowering"
        StageSeen.objects.create(planting=planting, stage=stage, seen_on=date(2026, 7, 1), **row)
    Dose.objects.bulk_create(
        Dose(
            can=can,
            stand=stand,
            fill=stand.fill,
            plants=stand.count,
            litres_each=0.5,
            poured_at=_NOW - timedelta(days=7 * week),
            **row,
        )
        for stand in Stand.objects.select_related("fill")
        for week in range(_WEEKS)
    )


def _logged() -> str:
    """Half a million readings of a logger in one fill; its subject."""
    from dace.core.api import Dated
    from dace.garden.models import Fill
    from dace.households.models import Membership
    from dace.households.scope import Scope
    from dace.measuring.series import import_series

    member, fill = Membership.objects.first(), Fill.objects.first()
    assert member is not None
    assert fill is not None
    scope = Scope(member.household_id, member.user_id, _NOW, demo=True)
    rows = (
        f"{_NOW - timedelta(minutes=10 * n):%Y-%m-%dT%H:%MZ},{1 + n % 7 / 10}"
        for n in range(500_000)
    )
    began = time.perf_counter()
    import_series(scope, uuid.uuid4(), fill.subject_id, "\n".join(rows), Dated(UTC))
    print(f"taking 500,000 readings in: {time.perf_counter() - began:.1f} s")
    return str(fill.subject_id)


def _beside_bare(client: Any, what: str, path: str) -> Row:
    from django.http import HttpResponse
    from django.urls import path as route

    from dace.project import urls

    cold, payload = _timed(client, path)
    urls.urlpatterns.insert(
        0, route("bare", lambda _: HttpResponse(payload, content_type="application/json"))
    )
    warm = statistics.median(_timed(client, path)[0] for _ in range(RUNS))
    bare = statistics.median(_timed(client, "/bare")[0] for _ in range(RUNS))
    urls.urlpatterns.pop(0)
    plain = f"a bare answer of the same {len(payload)} bytes"
    return Row(f"{what} ({cold:.0f} ms the first time of a day)", warm, plain, bare)


def _timed(client: Any, path: str) -> tuple[float, bytes]:
    began = time.perf_counter()
    reply = client.get(path)
    took = 1000 * (time.perf_counter() - began)
    if reply.status_code != 200:
        raise SystemExit(f"{path} answered {reply.status_code}: {reply.content[:300]!r}")
    return took, reply.getvalue()  # whether it comes at once or in parts
