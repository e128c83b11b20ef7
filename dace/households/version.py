"""How far a household's rows have got: what was read at one version need not be read again."""

from __future__ import annotations

import uuid
from collections import OrderedDict
from collections.abc import Callable, Mapping
from dataclasses import dataclass, field
from threading import Lock, RLock
from typing import Any, Generic, TypeVar

import reversion
from django.contrib.contenttypes.models import ContentType
from django.db.models import Model

from dace.households.models import Change
from dace.households.scope import Scope

_MINUTES = 15
_HOUSEHOLDS, _EACH = 32, 2
_SILENT = ("note", "photo")  # to be looked at: no number and no verdict follows from them
_MOST_ROWS = 400

T = TypeVar("T")


@dataclass(frozen=True)
class Version:
    """A household's newest change that tells, and the quarter of an hour; the rest follows.

    Every write is a change and so is an undo, so that equal versions read equal rows, but for
    notes and photos, of which nothing is worked out. The
    scope goes along for reading; it is no part of what is compared.
    """

    household_id: uuid.UUID
    change_id: int
    quarter: int
    scope: Scope = field(compare=False)


@dataclass(frozen=True)
class _Written:
    """The newest change, the newest that tells, and the newest to each table.

    A table that is not in ``tables`` was last written to by ``others`` or before.
    """

    newest: int
    telling: int
    others: int
    tables: Mapping[int, int] = field(default_factory=dict)


_written: OrderedDict[uuid.UUID, _Written] = OrderedDict()
_every: list[Newest[Any]] = []


class Newest(Generic[T]):
    """What was worked out of the newest versions of a household; older ones go at once.

    Two of each, since somebody may still be reading the last one; of so many households, those
    that were asked for last. Several pages ask at once after each write: of one household the
    first works it out and the others wait for it, while other households go on.
    """

    def __init__(self, work_out: Callable[[Version], T]) -> None:
        self._work_out = work_out
        self._kept: OrderedDict[uuid.UUID, tuple[tuple[int, int, T], ...]] = OrderedDict()
        self._lock = Lock()
        self._at_work = tuple(RLock() for _ in range(_HOUSEHOLDS))
        _every.append(self)

    def __call__(self, version: Version) -> T:
        """As it was worked out before, or worked out now."""
        for value in self._known(version):
            return value
        with self._at_work[hash(version.household_id) % _HOUSEHOLDS]:
            for value in self._known(version):
                return value
            value = self._work_out(version)
            self._touched(version, (version.change_id, version.quarter, value))
        return value

    def _known(self, version: Version) -> list[T]:
        """What was worked out of it; nothing where it was not, or is forgotten."""
        asked = (version.change_id, version.quarter)
        return [value for *of, value in self._touched(version) if tuple(of) == asked]

    def _touched(
        self, version: Version, *found: tuple[int, int, T]
    ) -> tuple[tuple[int, int, T], ...]:
        """What is kept of a household, with what was found now; it was asked for last."""
        with self._lock:
            held = (*self._kept.pop(version.household_id, ()), *found)[-_EACH:]
            self._kept[version.household_id] = held
            while len(self._kept) > _HOUSEHOLDS:
                self._kept.popitem(last=False)
        return held

    def held(self) -> dict[uuid.UUID, tuple[tuple[int, int, T], ...]]:
        """All that is kept, by household."""
        with self._lock:
            return dict(self._kept)

    def hold(self, what: Mapping[uuid.UUID, tuple[tuple[int, int, T], ...]]) -> None:
        """Keep this and nothing else."""
        with self._lock:
            self._kept = OrderedDict(what)


@dataclass(frozen=True)
class Memory:
    """All that was worked out when it was asked for, which holds while its rows stand."""

    written: Mapping[uuid.UUID, _Written] = field(default_factory=dict)
    found: Mapping[int, Mapping[uuid.UUID, Any]] = field(default_factory=dict)


def memory() -> Memory:
    """What is remembered now: for whoever puts the rows back to where they stand."""
    return Memory(dict(_written), {at: one.held() for at, one in enumerate(_every)})


def forget(all_but: Memory | None = None) -> None:
    """Forget what was worked out: numbers of changes that were taken back come again."""
    stays = all_but or Memory()
    _written.clear()
    _written.update(stays.written)
    for at, one in enumerate(_every):
        one.hold(stays.found.get(at, {}))


def newest_change(scope: Scope) -> int:
    """The number of the household's newest change, notes and photos too; 0 before the first."""
    return _written_now(scope).newest


def version_of(scope: Scope, *models: type[Model]) -> Version:
    """The version that stands now, of some tables or of all that tells; one query an asking."""
    written = _written_now(scope)
    number = written.telling
    if models:
        keys = (ContentType.objects.get_for_model(model).pk for model in models)
        number = max(written.tables.get(key, written.others) for key in keys)
    quarter = int(scope.now.timestamp()) // (60 * _MINUTES)
    return Version(scope.household_id, number, quarter, scope)


def _written_now(scope: Scope) -> _Written:
    return scope.once("written to", lambda: _written_to(scope.household_id))


def _written_to(household: uuid.UUID) -> _Written:
    """What is known of the household's changes, and of those since."""
    own = Change.objects.filter(household_id=household).order_by("-id")
    newest = own.values_list("id", flat=True).first() or 0
    known = _written.get(household)
    if known is None or known.newest > newest:
        telling = own.exclude(kind__in=_SILENT).exclude(undoes__kind__in=_SILENT)
        first = telling.values_list("id", flat=True).first() or 0
        known = _Written(newest, first, newest)
    elif known.newest < newest:
        known = _since(household, known, newest)
    _written[household] = known
    while len(_written) > _HOUSEHOLDS:
        _written.popitem(last=False)
    return known


def _since(household: uuid.UUID, known: _Written, newest: int) -> _Written:
    rows = Change.objects.filter(household_id=household, id__gt=known.newest, id__lte=newest)
    fields = ("id", "kind", "undoes__kind", "revision__version__content_type_id")
    found = list(rows.values_list(*fields)[: _MOST_ROWS + 1])
    told = [number for number, kind, undone, _ in found if not {kind, undone} & set(_SILENT)]
    if len(found) > _MOST_ROWS or any(table is None for *_, table in found):
        return _Written(newest, newest, newest)  # so much, or so unlike a change: all may be new
    tables = dict(known.tables)
    for number, *_, table in found:
        tables[table] = max(number, tables.get(table, 0))
    return _Written(newest, max([known.telling, *told]), known.others, tables)


class Remembered(Generic[T]):
    """What a read of some tables found, until one of them is written to.

    It is shared between askings: nobody changes the rows in it. Inside a change it is read anew.
    """

    def __init__(self, read: Callable[[Scope], T], models: tuple[type[Model], ...]) -> None:
        self.read, self.models = read, models
        self._kept = Newest(lambda version: read(version.scope))

    def __call__(self, scope: Scope) -> T:
        """As it was read before, or read now."""
        if reversion.is_active():
            return self.read(scope)
        return self._kept(version_of(scope, *self.models))


def remembered(*models: type[Model]) -> Callable[[Callable[[Scope], T]], Remembered[T]]:
    """Decorator: remember what is read of these tables and no others."""
    return lambda read: Remembered(read, models)
