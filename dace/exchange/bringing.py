"""Bringing a package into a household: whole, or not at all."""

from __future__ import annotations

import secrets
import uuid
from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import islice
from typing import cast, get_args

from django.db import IntegrityError, models, transaction
from reversion.models import Revision

from dace.core.api import DaceError
from dace.exchange.read_back import forget_what_was_read, read_back
from dace.exchange.tables import Table, is_kept, tables
from dace.exchange.unpacking import Package
from dace.garden.models import Garden
from dace.households.copying import (
    Values,
    begin_change,
    kinds,
    remember,
    renamed,
    renumbered,
    whole_of,
)
from dace.households.models import Change, Household, Kept
from dace.households.scope import ConflictError, Scope, require_owner
from dace.households.visits import MASKED
from dace.notebook.pictures import Size, forget, keep_as_it_is

_AT_ONCE = 500


@dataclass(frozen=True)
class Brought:
    """What came in."""

    rows: int
    photos: int


def bring_in(scope: Scope, package: Package) -> Brought:
    """Fill a household that holds nothing yet with what a package holds.

    Raises
    ------
    NotAllowedError
        If the member is no owner.
    ConflictError
        If something was kept here already.
    DaceError
        On ``file``, if its rows make no garden. Nothing is written then.
    """
    require_owner(scope)
    photos: list[uuid.UUID] = []
    try:
        with transaction.atomic():
            brought = _write(scope, package, photos)
    except IntegrityError as error:
        _forget(scope, photos)
        raise DaceError("file", f"rows that do not fit: {error}", "a package as exported") from None
    except BaseException:
        _forget(scope, photos)
        raise
    scope.memo.clear()
    return brought


def _forget(scope: Scope, photos: list[uuid.UUID]) -> None:
    """Nothing of what was tried stays, nor what was worked out from it."""
    for key in photos:
        forget(scope.household_id, key)
    forget_what_was_read()


def _write(scope: Scope, package: Package, photos: list[uuid.UUID]) -> Brought:
    household = Household.objects.get(pk=scope.household_id)
    _clear_what_is_fresh(household)
    mask = _mask(package)

    def rename(old: uuid.UUID) -> uuid.UUID:
        return uuid.UUID(int=old.int ^ mask)

    household.name = package.title
    if package.demo is not None:
        household.is_demo, household.mask = True, rename(package.demo)
    household.save()
    history, *rest = tables()
    numbers = _write_history(scope, package.rows(history))

    def here(table: Table, row: Values) -> models.Model:
        row = renumbered(table.model, renamed(row, rename, package.ids), numbers)
        theirs = {"household_id": scope.household_id} if is_kept(table) else {}
        return table.model(**row, **theirs)

    count, brought = 0, begin_change(scope, "import", f"{package.title} brought in")
    for table in rest:
        for rows in _batches(package.rows(table)):
            made = [here(table, row) for row in rows]
            table.model._base_manager.bulk_create(made)
            count += len(made)
            if is_kept(table):  # what is changed later has something to be compared with
                remember(brought, made)
    for key in package.photos:
        new = rename(key)
        photos.append(new)
        for size in cast(tuple[Size, ...], get_args(Size)):
            keep_as_it_is(household.pk, new, size, package.photo(key, size))
    read_back(replace(scope, demo=household.is_demo, mask=household.mask))
    return Brought(count, len(package.photos))


def _batches(rows: Iterator[Values]) -> Iterator[list[Values]]:
    while some := list(islice(rows, _AT_ONCE)):
        yield some


def _clear_what_is_fresh(household: Household) -> None:
    """A garden that was only named gives way to the one that comes.

    Raises
    ------
    ConflictError
        On ``file``, where anything else was kept.
    """
    for model in kinds():
        if whole_of(model) is not None or model is Garden:
            continue
        if model._base_manager.filter(household_id=household.pk).exists():
            raise ConflictError(
                "file",
                "a garden with things in it already",
                "sign up for a garden of its own, and bring it in there",
            )
    Revision.objects.filter(change__household=household).delete()
    Garden._base_manager.filter(household_id=household.pk).delete()


def _mask(package: Package) -> int:
    """What turns ids into those here: nothing, or, where one is in use here, other ones of all.

    As in a visitor's copy: order, and what chance is drawn by, stay.
    """
    ids = list(package.ids)
    taken = any(
        model._base_manager.filter(pk__in=ids[first : first + _AT_ONCE]).exists()
        for model in kinds()
        if issubclass(model, Kept)
        for first in range(0, len(ids), _AT_ONCE)
    )
    return secrets.randbits(128) & MASKED if taken else 0


def _write_history(scope: Scope, rows: Iterator[Values]) -> dict[int, int]:
    """Changes as they were, each with a revision that holds nothing to take back."""
    numbers: dict[int, int] = {}
    for row in rows:
        revision = Revision.objects.create(
            date_created=row["at"], comment=row["summary"], user_id=scope.user_id
        )
        undoes = row.pop("undoes_id")
        old = row.pop("id")
        made = Change.objects.create(
            **row,
            revision=revision,
            household_id=scope.household_id,
            closed=True,
            undoes_id=numbers.get(undoes) if undoes is not None else None,
        )
        numbers[old] = made.pk
    return numbers
