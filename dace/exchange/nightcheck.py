"""What Dace looks at once a night of itself, and what it found: kept beside the database."""

from __future__ import annotations

import json
import shutil
import sqlite3
import tempfile
from collections.abc import Callable, Iterator
from contextlib import closing
from dataclasses import asdict, dataclass
from datetime import datetime
from pathlib import Path

from django.conf import settings
from django.db import DatabaseError, connections

from dace.core.api import DaceError
from dace.exchange.sound import check_sound
from dace.notebook.models import Photo
from dace.notebook.pictures import where

_SAID = "checked.json"
_ROOM_TIMES, _ROOM_BYTES = 5, 200_000_000


@dataclass(frozen=True)
class Night:
    """A night's check: when, and what was wrong in a sentence each; nothing where all was well."""

    at: str
    wrong: tuple[str, ...]


def check(now: datetime, copies: tuple[Path, ...]) -> Night:
    """Look at everything, and keep what was found.

    Parameters
    ----------
    now : datetime
        The moment that it is kept under.
    copies : tuple of Path
        The newest copy, in each folder that has some.
    """
    found = Night(now.isoformat(), tuple(_wrong(copies)))
    to = _where()
    beside = to.with_name(f".{to.name}.part")
    beside.write_text(json.dumps(asdict(found)), encoding="utf-8")
    beside.replace(to)
    return found


def last_night() -> Night | None:
    """What was found last; None where nobody looked yet, or it cannot be read."""
    try:
        told = json.loads(_where().read_text(encoding="utf-8"))
        return Night(str(told["at"]), tuple(str(one) for one in told["wrong"]))
    except (OSError, ValueError, KeyError, TypeError):
        return None


def _where() -> Path:
    return Path(settings.DATA) / _SAID


def _wrong(copies: tuple[Path, ...]) -> Iterator[str]:
    live = Path(connections["default"].settings_dict["NAME"])
    looks: list[Callable[[], str]] = [
        lambda: _database(live, "The database"),
        *(lambda path=path: _restores(path) for path in copies),
        _photos,
        lambda: _room(live),
    ]
    if not copies:
        yield "There is no copy of the database."
    for look in looks:
        try:
            said = look()
        except (OSError, sqlite3.DatabaseError, DatabaseError) as error:
            said = f"Dace could not look: {getattr(error, 'strerror', None) or error}."
        if said:
            yield said


def _database(path: Path, name: str) -> str:
    """Every page and index, and every row that another one points at."""
    try:
        check_sound(path)
    except DaceError as error:
        return f"{name}: {error.read}."
    with closing(sqlite3.connect(f"file:{path}?mode=ro", uri=True)) as asked:
        lost = asked.execute("PRAGMA foreign_key_check").fetchone()
    return f"{name}: a row of {lost[0]} points at one that is gone." if lost else ""


def _restores(copy: Path) -> str:
    """A copy is proved by opening one of it, as a restored one would be."""
    with tempfile.TemporaryDirectory(dir=copy.parent, prefix=".proof-") as folder:
        proof = Path(folder) / copy.name
        shutil.copyfile(copy, proof)
        return _database(proof, f"The copy {copy.name}")


def _photos() -> str:
    kept = Photo.objects.filter(undone_at__isnull=True, household__mask=None)  # no visitor's copies
    rows = kept.values_list("household_id", "pk")
    lost = sum(not where(household, photo, "large").is_file() for household, photo in rows)
    return f"{lost} photo files are missing." if lost else ""


def _room(live: Path) -> str:
    free = shutil.disk_usage(live.parent).free
    least = max(_ROOM_BYTES, _ROOM_TIMES * live.stat().st_size)
    return f"The disk has {free / 1e6:.0f} MB left." if free < least else ""
