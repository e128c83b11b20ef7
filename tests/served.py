"""Weir Yard served by a process of its own, which can be killed and begun again."""

from __future__ import annotations

import shutil
import socket
import sqlite3
import subprocess
import tempfile
import time
from collections.abc import Callable
from contextlib import closing
from pathlib import Path

from django.conf import settings
from django.db import connection

from dace.demo import weir_yard
from tests.gardens import nothing, stand_in
from tools.served import begun, free_port, gather

_ENDS_S = 20.0


class Served:
    """At one address, from one folder, as often as it is begun; ``more`` is done to the garden."""

    def __init__(self, now: str, more: Callable[[], object]) -> None:
        self.folder = Path(tempfile.mkdtemp(prefix="dace-served-"))
        stand_in(weir_yard.build)
        more()
        with closing(sqlite3.connect(self.folder / "dace.sqlite3")) as there:
            connection.connection.backup(there)
        stand_in(nothing)
        self.root = self.folder / "root"
        shutil.copytree(settings.WHITENOISE_ROOT, self.root)
        gather(self.folder)
        self.port = free_port()
        self.url = f"http://127.0.0.1:{self.port}"
        self._more = {"DACE_NOW": now, "DACE_ROOT": str(self.root)}
        self.begin()

    def begin(self) -> None:
        """Serve it, until it is killed."""
        more = self._more | {"DJANGO_SETTINGS_MODULE": "tests.served_settings"}
        self._process: subprocess.Popen[bytes] = begun(self.folder, self.port, **more)

    def kill(self) -> None:
        """At once, whatever it is at, until nobody answers any more."""
        self._process.kill()
        self._process.wait()
        until = time.monotonic() + _ENDS_S
        while time.monotonic() < until:
            try:
                socket.create_connection(("127.0.0.1", self.port), timeout=1).close()
            except OSError:
                return
        raise AssertionError("somebody is still there")

    def end(self) -> None:
        """Kill it, and leave nothing behind."""
        self.kill()
        shutil.rmtree(self.folder)

    def rows(self, sql: str) -> list[tuple[object, ...]]:
        """What stands in its database."""
        with closing(sqlite3.connect(self.folder / "dace.sqlite3")) as there:
            return there.execute(sql).fetchall()
