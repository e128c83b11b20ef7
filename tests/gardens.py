"""Gardens built once in a process, and put back by SQLite's own copy wherever one is wanted."""

from __future__ import annotations

import atexit
import shutil
import sqlite3
import tempfile
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

from django.apps import apps
from django.contrib.contenttypes.models import ContentType
from django.db import connection
from django.test import Client

from dace.demo import weir_yard
from dace.households import clock
from dace.households.models import User
from dace.households.version import Memory, forget, memory

_kept: dict[str, Path] = {}
_remembered: dict[str, Memory] = {}
MODEL_BACKEND = "django.contrib.auth.backends.ModelBackend"
_WARM = ("round", "plan", "season", "bench", "notebook", "shelf", "setup", "roots")


def nothing() -> None:
    """A database without a garden."""


def stand_in(build: Callable[[], object]) -> None:
    """Make the database what ``build`` makes of an empty one; outside of any transaction.

    What was worked out of it before counts again, and the clock is back where it began.
    """
    if not _kept:
        _keep(nothing)
    if build.__qualname__ not in _kept:
        _put_back(nothing)
        build()
        _keep(build)
    else:
        _put_back(build)
    ContentType.objects.clear_cache()
    ContentType.objects.get_for_models(*apps.get_models())  # as in a process that has run a while
    as_it_stood(build)


def as_it_stood(build: Callable[[], object]) -> None:
    """After a rollback too: the same numbers of changes are given out again."""
    clock.set_going()
    forget(_remembered.get(build.__qualname__, Memory()))


def visited() -> None:
    """The demo garden with somebody who looks round it, by a session of the browser's own."""
    stand_in(weir_yard.build)
    client = Client(enforce_csrf_checks=True, SERVER_NAME="localhost")
    token = client.get("/api/session").json()["csrf"]
    sent = {"content_type": "application/json", "headers": {"X-CSRFToken": token}}
    reply = client.post("/api/demo", **sent)
    assert reply.status_code == 200, reply.content


def _ask_all(user: User) -> None:
    """What each page asks, so that no test waits for what all of them start from."""
    client = Client()
    client.force_login(user, MODEL_BACKEND)
    for page in _WARM:
        reply = client.get(f"/api/{page}")
        assert reply.status_code == 200, reply.content


def kept_for_all() -> None:
    """The demo garden, built before the tests' processes part, so that each has it."""
    stand_in(visited)
    _ask_all(User.objects.get(membership__household__mask__isnull=False))
    _remembered[visited.__qualname__] = memory()
    stand_in(weir_yard.build)
    _ask_all(User.objects.get(username="weir-yard"))
    _remembered[weir_yard.build.__qualname__] = memory()
    stand_in(nothing)


def kept_file(build: Callable[[], object]) -> Path:
    """The database of a garden that has stood in."""
    return _kept[build.__qualname__]


class InTheYard:
    """Beside a ``TestCase``: the demo garden stands while the tests of a class run."""

    @classmethod
    def setUpClass(cls) -> None:
        stand_in(weir_yard.build)
        super().setUpClass()  # type: ignore[misc]

    @classmethod
    def tearDownClass(cls) -> None:
        super().tearDownClass()  # type: ignore[misc]
        stand_in(nothing)


def _keep(build: Callable[[], object]) -> None:
    if not _kept:
        folder = Path(tempfile.mkdtemp(prefix="dace-gardens-"))
        atexit.register(shutil.rmtree, folder, ignore_errors=True)
    else:
        folder = next(iter(_kept.values())).parent
    path = folder / f"{build.__qualname__}.sqlite3"
    connection.ensure_connection()
    with closing(sqlite3.connect(path)) as kept:
        connection.connection.backup(kept)
    _kept[build.__qualname__] = path


def _put_back(build: Callable[[], object]) -> None:
    connection.ensure_connection()
    with closing(sqlite3.connect(_kept[build.__qualname__])) as kept:
        kept.backup(connection.connection)
