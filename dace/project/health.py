"""Whether Dace can do its work: its tables are this version's, and it can be written to."""

from __future__ import annotations

import os
import shutil
import sqlite3
from contextlib import closing
from pathlib import Path
from typing import Any

import django
from django.db import DEFAULT_DB_ALIAS, connections
from django.db.migrations.executor import MigrationExecutor

from dace import __version__
from dace.exchange.nightcheck import last_night

_ROOM_BYTES = 20_000_000
_WAITS_S = 0.3
_migrated: set[str] = set()


def unmigrated() -> list[str]:
    """Migrations that this version has and the database has not."""
    executor = MigrationExecutor(connections[DEFAULT_DB_ALIAS])
    plan = executor.migration_plan(executor.loader.graph.leaf_nodes())
    return [f"{one.app_label}.{one.name}" for one, _ in plan]


def from_later() -> list[str]:
    """Migrations that the database has and this version has not: a later Dace made its tables."""
    loader = MigrationExecutor(connections[DEFAULT_DB_ALIAS]).loader
    own = {app for app, _ in loader.disk_migrations}
    applied = set(loader.applied_migrations)
    replaced = {key for one in loader.replacements.values() for key in one.replaces}
    later = {key for key in applied if key[0] in own} - set(loader.disk_migrations) - replaced
    return sorted(".".join(key) for key in later)


def _of_another_version() -> str:
    later = from_later()
    if later:
        return f"the data are of a later version, which made {later[0]}: run that one"
    left = unmigrated()
    return f"the tables are of an older version: run manage.py migrate ({left[0]})" if left else ""


def trouble() -> str:
    """What keeps it from its work, in words; nothing where nothing does."""
    path = Path(connections[DEFAULT_DB_ALIAS].settings_dict["NAME"])
    if str(path) not in _migrated:  # once they are this version's, they stay so
        wrong = _of_another_version()
        if wrong:
            return wrong
        _migrated.add(str(path))
    if not os.access(path, os.W_OK):
        return "the database cannot be written to: it is read-only"
    if shutil.disk_usage(path.parent).free < _ROOM_BYTES:
        return "the disk is full"
    try:
        with closing(sqlite3.connect(path, timeout=_WAITS_S, isolation_level=None)) as asked:
            asked.execute("BEGIN IMMEDIATE")
            asked.execute("ROLLBACK")
    except sqlite3.OperationalError as error:
        if "locked" not in str(error):  # somebody else writes: it can be written to
            return f"the database cannot be written to: {error}"
    except sqlite3.DatabaseError as error:
        return f"the database is damaged: {error}"
    return ""


def report() -> dict[str, Any]:
    """Whether it is well, what is wrong, and the versions of what it runs on."""
    wrong = trouble()
    versions = {"dace": __version__, "django": django.__version__, "sqlite": sqlite3.sqlite_version}
    night = last_night()
    found = None if night is None else {"at": night.at, "wrong": list(night.wrong)}
    return {"ok": not wrong, "trouble": wrong, "night": found, "versions": versions}
