"""Looking a notebook over, and taking it in: in one change, each entry once."""

from __future__ import annotations

import uuid
from collections import Counter
from collections.abc import Callable, Sequence
from dataclasses import dataclass

from dace.core import api as core
from dace.core.api import DaceError
from dace.exchange.notebook import progress
from dace.exchange.notebook.how import How, Said, how_to_read
from dace.exchange.notebook.lines import Cells, Line, Reader
from dace.exchange.notebook.past import OverRow, PastPlanting, past_plantings, rows_of
from dace.exchange.notebook.sheets import sheets_of
from dace.exchange.notebook.whereabouts import NothingGrewError, UnknownPlaceError, Whereabouts
from dace.garden.planting import Over
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.copying import write_together
from dace.households.models import Change
from dace.households.scope import ConflictError, Scope, require_hand

_AT_ONCE, _MOST_TIMES, _TOLD_EVERY = 500, 20, 200


@dataclass(frozen=True)
class Broken:
    """A row that cannot be read, and why."""

    number: int
    read: str
    would_do: str


@dataclass(frozen=True)
class Unknown:
    """A name that leads nowhere, how many rows have it, and what it most likely means."""

    name: str
    rows: int
    guess: uuid.UUID | None


@dataclass(frozen=True)
class Looked:
    """A table looked over: how it is read, what it would bring, what it cannot."""

    sheets: tuple[str, ...]
    how: How
    good: tuple[Line, ...]
    here: int
    broken: tuple[Broken, ...]
    unknown: tuple[Unknown, ...]
    options: tuple[tuple[uuid.UUID, str], ...]
    odd: tuple[tuple[int, str], ...] = ()
    """Rows whose day is worth a second look, and why."""
    skipped: tuple[tuple[int, str], ...] = ()
    """Rows that are no entries: sums, headings; and why."""
    past: tuple[PastPlanting, ...] = ()
    """Crops that were over before they came here, to be confirmed."""
    begun: tuple[Over, ...] = ()
    """Their rows, once they are confirmed."""
    feeds: tuple[Unknown, ...] = ()
    """Names of feeds that lead to no jar."""
    jars: tuple[tuple[uuid.UUID, str], ...] = ()


def look_over(scope: Scope, data: bytes, said: Said, of: uuid.UUID | None = None) -> Looked:
    """Read every row; write nothing.

    Raises
    ------
    DaceError
        On ``file``, ``sheet``, ``kind`` or ``columns``.
    """
    sheets = sheets_of(data)
    garden = garden_of(scope)
    on = today(scope, garden)
    how = how_to_read(sheets, said, on)
    where = Whereabouts(scope, said.places)
    reader = Reader(scope, garden, where, how)
    rows = how.sheet.rows if not how.missing() else ()
    skipped = tuple((number, why) for number, cells in rows if (why := how.no_entry(cells)))
    none = {number for number, _ in skipped}
    read = _Read()
    for turn, (number, cells) in enumerate(rows):
        if of is not None and turn % _TOLD_EVERY == 0:
            progress.note(scope, of, turn, len(rows))
        if number not in none:
            read.row(reader, number, cells)
    over = [one for one in read.over if one.on <= on]
    past = past_plantings(over)
    begun = tuple(one.standing(scope, garden) for one in past) if said.past else ()
    if begun:
        for _, stand, _ in begun:
            where.add(stand)
        again = {one.number for one in over}
        read.broken = [one for one in read.broken if one.number not in again]
        reader = Reader(scope, garden, where, how)
        for number, cells in rows:
            if number in again:
                read.row(reader, number, cells)
        past = ()
    good, here = _new_ones(scope, where, how, read.lines)
    jars = reader.pouring.options() if read.feeds else []
    return Looked(
        tuple(sheet.name for sheet in sheets),
        how,
        tuple(good),
        here,
        tuple(sorted(read.broken, key=lambda one: one.number)),
        _unknown(read.unknown, where.guess),
        tuple(where.options()),
        core.pointed_at([(line.number, line.on) for line in read.lines if line.on], on),
        skipped,
        past,
        begun,
        _unknown(read.feeds, reader.pouring.guess),
        tuple(jars),
    )


def _unknown(names: Counter[str], guess: Callable[[str], uuid.UUID | None]) -> tuple[Unknown, ...]:
    return tuple(Unknown(name, rows, guess(name)) for name, rows in names.most_common())


class _Read:
    """What the rows of a table came to."""

    def __init__(self) -> None:
        self.lines: list[Line] = []
        self.broken: list[Broken] = []
        self.unknown: Counter[str] = Counter()
        self.feeds: Counter[str] = Counter()
        self.over: list[OverRow] = []

    def row(self, reader: Reader, number: int, cells: Cells) -> None:
        """Read one, or keep what is wrong with it."""
        how = reader.how
        try:
            self.lines.append(reader.line(number, cells))
        except DaceError as error:
            if isinstance(error, UnknownPlaceError):
                self.unknown[how.cell(cells, "where")] += 1
            feed = how.cell(cells, "feed")
            if feed and not reader.pouring.knows(feed):
                self.feeds[feed] += 1
            if isinstance(error, NothingGrewError):
                crop = core.crop_spelt(how.cell(cells, "crop"))
                if crop is not None:
                    self.over.append(OverRow(number, error.fill, crop, error.on))
            read = "nothing" if error.read == "“”" else error.read
            self.broken.append(Broken(number, read, error.would_do))


def _new_ones(
    scope: Scope, where: Whereabouts, how: How, lines: Sequence[Line]
) -> tuple[list[Line], int]:
    """Those that do not stand here yet, and how many do.

    What was taken in before and undone comes anew, under ids of its own.
    """
    good: list[Line] = []
    here, again, left = 0, 0, list(lines)
    while left and again < _MOST_TIMES:
        standing = _standing(left)
        good += [line for line in left if line.chief.pk not in standing]
        here += sum(standing.get(line.chief.pk, False) for line in left)
        undone = {line.number for line in left if standing.get(line.chief.pk) is False}
        again += 1
        reader = Reader(scope, garden_of(scope), where, how, again)
        rows = how.sheet.rows if undone else ()
        known = {line.number for line in lines}
        tried = [reader.line(number, cells) for number, cells in rows if number in known]
        left = [line for line in tried if line.number in undone]
    return sorted(good, key=lambda line: line.number), here


def _standing(lines: Sequence[Line]) -> dict[uuid.UUID, bool]:
    """Of the ids that are written here: whether they stand, or were undone."""
    if not lines:
        return {}
    model = type(lines[0].chief)
    ids = [line.chief.pk for line in lines]
    return {
        key: undone is None
        for first in range(0, len(ids), _AT_ONCE)
        for key, undone in model._base_manager.filter(
            pk__in=ids[first : first + _AT_ONCE]
        ).values_list("pk", "undone_at")
    }


@dataclass(frozen=True)
class Taken:
    """What came in, in one change; None where all of it was here."""

    change: Change | None
    count: int
    here: int
    left_out: int


def take(scope: Scope, data: bytes, said: Said, rest: bool, of: uuid.UUID) -> Taken:
    """Write every row that can be read, in one change, or nothing.

    ``rest`` leaves out rows that cannot be read; else one of them keeps all out. ``of`` is what
    the asking is called, for who asks how far it is.

    Raises
    ------
    DaceError
        On ``rows``, with the first that cannot be read; on ``columns``, where one is missing.
    """
    require_hand(scope)
    with progress.followed(scope, of):
        found = look_over(scope, data, said, of)
        missing = found.how.missing()
        if missing:
            raise DaceError("columns", f"no column for {missing[0]}", "say which one it is")
        if found.how.open_ratio:
            would_do = "say what it means: one part and twenty, or one in twenty"
            raise DaceError("ratio", f"“{found.how.open_ratio}”", would_do)
        if found.how.doubtful:
            raise DaceError("dates", "dates that may be read two ways", "say which comes first")
        if found.broken and not rest:
            first = found.broken[0]
            raise DaceError("rows", f"row {first.number}: {first.read}", first.would_do)
        change = None
        if found.good:
            kind = found.how.kind
            count = f"{len(found.good):,} {kind.name} from a notebook"
            used = {key for line in found.good for key in line.belongs_to}
            rows = rows_of(found.begun, used)
            rows += [row for line in found.good for row in line.rows]
            if len({row.pk for row in rows}) != len(rows):
                raise ConflictError("rows", "one entry twice", "take the table in again")
            change = write_together(scope, "notebook", count, rows)
    return Taken(change, len(found.good), found.here, len(found.broken))
