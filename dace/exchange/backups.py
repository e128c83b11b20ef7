"""Backups: the database by SQLite's own online copy, photos beside it, checked afterwards.

A backup is one tar file: ``dace.sqlite3`` and, below ``photos``, every photo.
"""

from __future__ import annotations

import fcntl
import os
import shutil
import sqlite3
import tarfile
import tempfile
from collections.abc import Iterator
from contextlib import closing, contextmanager, suppress
from dataclasses import dataclass
from pathlib import Path

from django.conf import settings
from django.db import connection, connections
from django.utils import timezone

from dace.core.api import DaceError
from dace.exchange.sound import check_sound

_DATABASE, _PHOTOS = "dace.sqlite3", "photos"


@dataclass(frozen=True)
class Backup:
    """A backup that was written and checked."""

    path: Path
    size: int
    photos: int


def copy_database(to: Path) -> None:
    """A whole copy of the database while it is written to, for this account's eyes only.

    Raises
    ------
    DaceError
        On ``database``, if what was copied is not sound; on ``file``, if it cannot be written.
    """
    connection.ensure_connection()
    beside = to.with_name(f".{to.name}.part")
    try:
        beside.unlink(missing_ok=True)
        os.close(os.open(beside, os.O_WRONLY | os.O_CREAT | os.O_EXCL, 0o600))
        with closing(sqlite3.connect(beside)) as copy:
            # in one step: what others write between two would have it begin anew, for ever
            connection.connection.backup(copy)
            copy.execute("PRAGMA journal_mode=DELETE")  # one file, with nothing beside it
        check_sound(beside)
        beside.replace(to)
    except OSError as error:
        raise DaceError("file", f"{to}: {error.strerror}", "a folder with room") from error
    finally:
        beside.unlink(missing_ok=True)


def back_up(to: Path) -> Backup:
    """Everything in one file, whole or not at all.

    Raises
    ------
    DaceError
        On ``file`` or ``database``.
    """
    folder = to.parent.resolve()
    if not folder.is_dir():
        raise DaceError("file", f"no folder {folder}", "a folder that is there")
    photos = Path(settings.DACE_PHOTOS)
    with tempfile.TemporaryDirectory(dir=folder, prefix=".dace-") as name:
        database, packed = Path(name) / _DATABASE, Path(name) / "all.tar"
        copy_database(database)
        # photos are never rewritten: those of every row in the copy are there by now
        files = sorted(photos.rglob("*.webp")) if photos.is_dir() else []
        try:
            with tarfile.open(packed, "w") as out:
                out.add(database, _DATABASE)
                for file in files:
                    out.add(file, f"{_PHOTOS}/{file.relative_to(photos)}")
            packed.chmod(0o600)
            packed.replace(to)
        except OSError as error:
            raise DaceError("file", f"{to}: {error.strerror}", "a folder with room") from error
    return Backup(to, to.stat().st_size, len(files))


@contextmanager
def held(path: Path, alone: bool = False) -> Iterator[None]:
    """Hold a database: together with others who serve it, or ``alone`` while it is replaced.

    Raises
    ------
    DaceError
        On ``database``, if somebody holds it otherwise, or has it open.
    """
    beside = path.with_name(f".{path.name}.held")
    beside.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
    with beside.open("a") as file:
        try:
            fcntl.flock(file, (fcntl.LOCK_EX if alone else fcntl.LOCK_SH) | fcntl.LOCK_NB)
        except OSError:
            busy = "which Dace serves" if alone else "which is being restored"
            raise DaceError("database", f"{path}, {busy}", "stop that first") from None
        if alone:
            _refuse_if_open(path)
        yield


def _refuse_if_open(path: Path) -> None:
    """Whoever has it open as a write-ahead log keeps it from being anything else."""
    if not path.is_file():
        return
    with suppress(sqlite3.DatabaseError), closing(sqlite3.connect(path, timeout=0)) as asked:
        try:
            asked.execute("PRAGMA journal_mode=DELETE")
        except sqlite3.OperationalError:
            raise DaceError(
                "database", f"{path}, which something has open", "stop that first"
            ) from None


def restore(source: Path) -> Path:
    """Put a backup in the place of what is there; nothing must be served meanwhile.

    Returns
    -------
    Path
        Where what was there before is kept.

    Raises
    ------
    DaceError
        On ``file`` or ``database``; then what was there stands as before.
    """
    there = Path(connections["default"].settings_dict["NAME"])
    photos = Path(settings.DACE_PHOTOS)
    there.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
    with (
        tempfile.TemporaryDirectory(dir=there.parent, prefix=".dace-") as name,
        _replaced(there),
    ):
        into = Path(name)
        _unpack(source, into)
        check_sound(into / _DATABASE)
        (into / _DATABASE).chmod(0o600)
        before = _set_aside(there)
        (into / _DATABASE).replace(there)
        # photos of other days stay: a row that is not there shows none
        for file in sorted((into / _PHOTOS).rglob("*.webp")):
            to = photos / file.relative_to(into / _PHOTOS)
            to.parent.mkdir(parents=True, exist_ok=True, mode=0o700)
            file.chmod(0o600)
            file.replace(to)
    return before


def _unpack(source: Path, into: Path) -> None:
    try:
        with tarfile.open(source, "r:") as packed:
            packed.extractall(into, filter="data")
    except FileNotFoundError:
        raise DaceError("file", f"no file {source}", "a backup of Dace would do") from None
    except (tarfile.TarError, OSError) as error:
        raise DaceError("file", f"{source}: {error}", "a backup of Dace would do") from error
    if not (into / _DATABASE).is_file():
        raise DaceError("file", f"{source}, without {_DATABASE}", "a backup of Dace would do")


@contextmanager
def _replaced(there: Path) -> Iterator[None]:
    connections.close_all()
    with held(there, alone=True):
        yield


def _set_aside(there: Path) -> Path:
    """Keep the database as it stands, with what is written but not yet folded into it."""
    now = f"{timezone.now().astimezone():%Y%m%dT%H%M%S}"
    before = there.with_name(f"{there.stem}-before-restore-{now}{there.suffix}")
    if there.is_file():
        with suppress(sqlite3.DatabaseError), closing(sqlite3.connect(there)) as old:
            old.execute("PRAGMA wal_checkpoint(TRUNCATE)")
        shutil.move(there, before)
    for end in ("-wal", "-shm"):
        there.with_name(there.name + end).unlink(missing_ok=True)
    return before
