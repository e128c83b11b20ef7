"""Whether a database is whole: SQLite's own check, and what can be said of a failure."""

from __future__ import annotations

import sqlite3
from contextlib import closing
from pathlib import Path

from dace.core.api import DaceError


def check_sound(path: Path, begun: bool = True) -> None:
    """Read every page and index of a database file; ``begun``: Dace has been in it.

    Raises
    ------
    DaceError
        On ``database``, with the first thing that SQLite finds wrong.
    """
    if not path.is_file():
        raise DaceError("database", f"no file at {path}", "a database of Dace would do")
    try:
        with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as found:
            rows = [str(row[0]) for row in found.execute("PRAGMA integrity_check(1)")]
            tables = found.execute("SELECT name FROM sqlite_master WHERE name='django_migrations'")
            ours = tables.fetchone() is not None
    except sqlite3.DatabaseError as error:
        raise _broken(str(error)) from error
    if rows != ["ok"]:
        raise _broken(rows[0] if rows else "nothing")
    if begun and not ours:
        raise DaceError("database", "a database that is not Dace's", "a backup of Dace would do")


def _broken(said: str) -> DaceError:
    return DaceError("database", f"a damaged database: {said}", "restore a backup of it")
