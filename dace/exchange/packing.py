"""A household as one open file: tables with their description, photos, a calendar.

A zip that is a Data Package: ``datapackage.json`` says what stands in it. ``docs/formats.md``.
"""

from __future__ import annotations

import os
import tempfile
import uuid
import zipfile
from collections.abc import Iterable, Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from datetime import datetime
from io import TextIOWrapper
from pathlib import Path
from typing import Any, cast, get_args

from django.db import connection
from django.db.models.expressions import RawSQL

from dace.core.api import DaceError, shown
from dace.desks.season.calendar import calendar_of
from dace.desks.shared.at_home import measures_of
from dace.exchange.tables import Table, schema_of, tables, write_table
from dace.households.copying import Values, whole_of
from dace.households.models import Change, Household
from dace.households.scope import Scope
from dace.measuring.models import Series, SeriesSpan
from dace.notebook.models import Photo
from dace.notebook.pictures import Size, where

VERSION = 7
DESCRIPTION, CALENDAR = "datapackage.json", "plan.ics"
_README = """This is a garden from Dace, an open package of tables (CSV, UTF-8).

datapackage.json describes every table and column (Data Package, Table Schema).
A text that a spreadsheet would take for a formula has a ' in front.
photos/ holds the photos, plan.ics the plan as a calendar.
To bring it into another Dace: manage.py import FILE, or Set-up of a new garden.
"""


@dataclass(frozen=True)
class Packed:
    """A package that was written."""

    path: Path
    size: int
    rows: int
    photos: int


def pack(scope: Scope, to: Path) -> Packed:
    """Write everything that a household keeps into one file, whole or not at all.

    Raises
    ------
    DaceError
        On ``file``, if it cannot be written.
    """
    household = Household.objects.get(pk=scope.household_id)
    try:
        handle, name = tempfile.mkstemp(dir=to.parent, prefix=".dace-", suffix=".zip")
    except OSError as error:
        raise DaceError("file", f"{to}: {error.strerror}", "a folder with room") from error
    beside = Path(name)
    try:
        with (
            os.fdopen(handle, "wb") as out,
            zipfile.ZipFile(out, "w", zipfile.ZIP_DEFLATED) as zipped,
        ):
            with _at_one_moment():
                counts = {table.name: _put(zipped, table, scope) for table in tables()}
            photos = list(_photos(zipped, scope))
            zipped.writestr(DESCRIPTION, describe(household, scope.now, photos))
            zipped.writestr(CALENDAR, _calendar(scope))
            zipped.writestr("README.txt", _README)
        beside.replace(to)
    except OSError as error:
        raise DaceError("file", f"{to}: {error.strerror}", "a folder with room") from error
    finally:
        beside.unlink(missing_ok=True)
    return Packed(to, to.stat().st_size, sum(counts.values()), len(photos))


@contextmanager
def _at_one_moment() -> Iterator[None]:
    """What others write meanwhile is not there yet, and nobody waits."""
    if connection.in_atomic_block:
        yield
        return
    with connection.cursor() as cursor:
        cursor.execute("BEGIN DEFERRED")
        try:
            yield
        finally:
            cursor.execute("ROLLBACK")


def _put(zipped: zipfile.ZipFile, table: Table, scope: Scope) -> int:
    with (
        zipped.open(table.path, "w", force_zip64=True) as raw,
        TextIOWrapper(raw, encoding="utf-8", newline="") as out,
    ):
        return write_table(table, _rows(table, scope), out)


def _rows(table: Table, scope: Scope) -> Iterable[Values]:
    """Rows in the order of their writing; imports that are under way are not there yet."""
    names = [column.name for column in table.columns]
    if table.model is Change:
        changes = Change.objects.filter(household_id=scope.household_id).order_by("id")
        history: Iterable[Values] = changes.values(*names).iterator()
        return history
    whole = whole_of(table.model)
    prefix = f"{whole.name}__" if whole is not None else ""
    found = table.model._base_manager.filter(**{f"{prefix}household_id": scope.household_id})
    if table.model in (Series, SeriesSpan):
        found = found.filter(**{f"{prefix}whole": True})
    ordered = found.order_by(RawSQL(f"{table.model._meta.db_table}.rowid", ()))  # noqa: S611
    lines: Iterable[Values] = ordered.values(*names).iterator()
    return lines


def _photos(zipped: zipfile.ZipFile, scope: Scope) -> Iterator[str]:
    """Both sizes of every photo whose files are there."""
    for key in Photo.objects.filter(household_id=scope.household_id).values_list("pk", flat=True):
        for size in cast(tuple[Size, ...], get_args(Size)):
            file, name = where(scope.household_id, key, size), photo_name(key, size)
            if file.is_file():
                zipped.write(file, name, zipfile.ZIP_STORED)
                yield name


def photo_name(key: Any, size: Size) -> str:
    """Where a photo stands in a package."""
    return f"photos/{key}-{size}.webp"


def _calendar(scope: Scope) -> bytes:
    with shown.showing(measures_of(scope)):
        return calendar_of(scope)


def describe(household: Household, at: datetime, photos: list[str]) -> str:
    """What stands in a package, as a Data Package says it."""
    from frictionless import Package, Resource, Schema  # noqa: PLC0415 - a second, once it is wanted

    names = {table.model: table.name for table in tables()}
    resources = [
        Resource(
            name=table.name,
            path=table.path,
            schema=Schema.from_descriptor(schema_of(table, names)),
            format="csv",
            encoding="utf-8",
            mediatype="text/csv",
        )
        for table in tables()
    ]
    if photos:
        files = Resource(name="photos", path=photos[0], extrapaths=photos[1:])
        files.mediatype, files.format = "image/webp", "webp"
        resources.append(files)
    package = Package(
        name=f"dace-{str(household.pk)[:8]}",
        title=household.name,
        created=at.isoformat(),
        resources=resources,
    )
    ours: dict[str, Any] = {"version": VERSION, "household": str(household.pk)}
    if household.is_demo:  # its weather and its pen are pretended, wherever it goes
        ours["demo"] = str(household.mask or uuid.UUID(int=0))
    package.custom = {"dace": ours}
    text: str = package.to_json()
    return text
