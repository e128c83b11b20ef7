"""Reading a package: everything is read and checked before anything is written."""

from __future__ import annotations

import json
import uuid
import zipfile
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from io import TextIOWrapper
from pathlib import Path
from typing import IO, Any, cast, get_args

from django.db import models

from dace.core.api import DaceError
from dace.exchange.packing import DESCRIPTION, VERSION, photo_name
from dace.exchange.tables import Table, is_kept, read_table, tables
from dace.households.copying import Values
from dace.notebook.models import Photo
from dace.notebook.pictures import Size, check_kept

_WOULD_DO = "a package that Dace exported would do"
_MOST_BYTES, _MOST_FILES, _MOST_PHOTO = 2_000_000_000, 100_000, 20_000_000
_DESCRIBED = 5_000_000


@dataclass(frozen=True)
class Package:
    """An open package, checked: who it was of, and what is in it.

    ``demo`` is the mask of a copy of the demo garden, where it is one.
    """

    version: int
    household_id: uuid.UUID
    title: str
    demo: uuid.UUID | None
    zipped: zipfile.ZipFile
    ids: frozenset[uuid.UUID]
    photos: tuple[uuid.UUID, ...]

    def rows(self, table: Table) -> Iterator[Values]:
        """Rows of a table."""
        for _, row in _lines(self.zipped, table, self.version):
            yield row

    def photo(self, key: uuid.UUID, size: Size) -> bytes:
        """A photo's file."""
        return self.zipped.read(photo_name(key, size))


@contextmanager
def opened(source: Path | IO[bytes]) -> Iterator[Package]:
    """A package whose every row was read, and whose every id leads somewhere.

    Raises
    ------
    DaceError
        On ``file``, with table, line and column.
    """
    try:
        with zipfile.ZipFile(source) as zipped:
            yield _checked(zipped)
    except FileNotFoundError:
        raise DaceError("file", f"no file {source}", _WOULD_DO) from None
    except (zipfile.BadZipFile, NotImplementedError, EOFError, RuntimeError) as error:
        raise DaceError("file", f"a broken file: {error}", _WOULD_DO) from None
    except OSError as error:
        raise DaceError("file", f"{error.strerror or error}", _WOULD_DO) from None


def _checked(zipped: zipfile.ZipFile) -> Package:
    members = zipped.infolist()
    if len(members) > _MOST_FILES or sum(one.file_size for one in members) > _MOST_BYTES:
        raise DaceError("file", "far too much", f"up to {_MOST_BYTES // 10**9} GB would do")
    version, household, title, demo = _described(zipped)
    ids, photos = _check_rows(zipped, version)
    for key in photos:
        for size in cast(tuple[Size, ...], get_args(Size)):
            _check_photo(zipped, key, size)
    return Package(version, household, title, demo, zipped, ids, photos)


def _described(zipped: zipfile.ZipFile) -> tuple[int, uuid.UUID, str, uuid.UUID | None]:
    """Its version, whose, its name, of which demo garden; that it is ours, of no later version."""
    try:
        info = zipped.getinfo(DESCRIPTION)
        found: Any = json.loads(zipped.read(info)) if info.file_size < _DESCRIBED else None
        ours = found["dace"]
        version, household = ours["version"], uuid.UUID(ours["household"])
        title = str(found["title"])
        demo = uuid.UUID(ours["demo"]) if "demo" in ours else None
    except (KeyError, TypeError, ValueError, AttributeError, RecursionError):
        raise DaceError("file", f"a zip without {DESCRIPTION} of Dace", _WOULD_DO) from None
    if not isinstance(version, int) or not 1 <= version <= VERSION:
        read = f"a package of version {str(version)[:20]}"
        raise DaceError("file", read, f"version {VERSION}, or a newer Dace") from None
    if not 0 < len(title) <= _LONGEST_NAME:
        raise DaceError("file", "a name too long", f"up to {_LONGEST_NAME} letters would do")
    return version, household, title, demo


_LONGEST_NAME = 80


def _lines(zipped: zipfile.ZipFile, table: Table, version: int) -> Iterator[tuple[int, Values]]:
    try:
        raw = zipped.open(table.path)
    except KeyError:
        return  # a kind of row that came later
    with TextIOWrapper(raw, encoding="utf-8-sig", newline="") as source:
        yield from read_table(table, source, version)


class _Pointed:
    """Ids that rows have, and where others point at them."""

    def __init__(self) -> None:
        self.ids: dict[type[models.Model], set[Any]] = {}
        self.wanted: dict[tuple[type[models.Model], Any], tuple[str, int, str]] = {}

    def take(self, table: Table, line: int, row: Values) -> None:
        """Note a row."""
        have = self.ids.setdefault(table.model, set())
        if table.key:
            if row["id"] in have:
                read = f"{table.path}, line {line}: id {row['id']} a second time"
                raise DaceError("file", read, "each id once would do")
            have.add(row["id"])
        for column in table.columns:
            kind = column.points_at
            if kind is not None and row[column.name] is not None:
                self.wanted.setdefault((kind, row[column.name]), (table.path, line, column.name))

    def check(self) -> None:
        """That each id that is pointed at is there."""
        for (kind, key), (path, line, name) in self.wanted.items():
            if key not in self.ids.get(kind, ()):
                read = f"{path}, line {line}, {name}: {key}, which is not in the package"
                raise DaceError("file", read, f"an id of tables/{kind._meta.model_name}.csv")


def _check_rows(
    zipped: zipfile.ZipFile, version: int
) -> tuple[frozenset[uuid.UUID], tuple[uuid.UUID, ...]]:
    pointed = _Pointed()
    for table in tables():
        for line, row in _lines(zipped, table, version):
            pointed.take(table, line, row)
    pointed.check()
    kept = {table.model for table in tables() if is_kept(table)}
    ids = [key for model, keys in pointed.ids.items() if model in kept for key in keys]
    if len(ids) != len(set(ids)):
        raise DaceError("file", "one id in two tables", "each id once would do")
    present = set(zipped.namelist())
    photos = pointed.ids.get(Photo, set())
    return frozenset(ids), tuple(
        sorted(key for key in photos if photo_name(key, "large") in present)
    )


def _check_photo(zipped: zipfile.ZipFile, key: uuid.UUID, size: Size) -> None:
    name = photo_name(key, size)
    try:
        info = zipped.getinfo(name)
    except KeyError:
        raise DaceError("file", f"{name}, which is not there", "both sizes of each") from None
    if info.file_size > _MOST_PHOTO:
        raise DaceError("file", f"{name} of {info.file_size / 1e6:.0f} MB", "a smaller photo")
    try:
        check_kept(zipped.read(info), size)
    except DaceError as error:
        raise DaceError("file", f"{name}: {error.read}", error.would_do) from None
