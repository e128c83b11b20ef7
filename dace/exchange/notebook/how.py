"""How a table is to be read: which columns, which units, which order of dates."""

from __future__ import annotations

import re
import uuid
from dataclasses import dataclass, field, replace
from datetime import date, datetime, time, tzinfo
from typing import Literal

from dace.core.api import DaceError, Doubt, Order, doubts_of, iso_of, order_of
from dace.exchange.notebook.kinds import Kind, best_kind, kind_named, matched, unit_in
from dace.exchange.notebook.sheets import Sheet

_NOON = time(12)
Ratio = Literal["parts", "in_all"]
"""What 1:20 means: one part and twenty of water, or one in twenty of the whole."""
_RATIO = re.compile(r"1\s*[:/]\s*(\d{1,4})")
_SUMS = re.compile(r"(grand )?(total|sum|average|mean|subtotal)s?\b.*", re.IGNORECASE)


@dataclass(frozen=True)
class Said:
    """What she says of a table; whatever she does not say is found in it."""

    kind: str = ""
    sheet: str = ""
    columns: dict[str, int] | None = None
    units: dict[str, str] = field(default_factory=dict)
    dates: Order | None = None
    places: dict[str, uuid.UUID] = field(default_factory=dict)
    feeds: dict[str, uuid.UUID] = field(default_factory=dict)
    ratio: Ratio | None = None
    past: bool = False


@dataclass(frozen=True)
class How:
    """How a sheet is read."""

    kind: Kind
    sheet: Sheet
    columns: dict[str, int]
    units: dict[str, str]
    order: Order
    doubtful: str = ""
    doubts: tuple[Doubt, ...] = ()
    ratio: Ratio | None = None
    feeds: dict[str, uuid.UUID] = field(default_factory=dict)

    @property
    def open_ratio(self) -> str:
        """A strength such as 1:20 of which nobody said what it means; empty where there is none."""
        if self.ratio is not None or "strength" not in self.columns:
            return ""
        told = (self.cell(cells, "strength") for _, cells in self.sheet.rows)
        return next((one for one in told if _RATIO.fullmatch(one)), "")

    def strength(self, cells: tuple[str, ...]) -> str:
        """How strong, with what 1:20 was said to mean."""
        said = self.cell(cells, "strength")
        found = _RATIO.fullmatch(said)
        if found is None or self.ratio is None:
            return said
        return f"1 + {found[1]}" if self.ratio == "parts" else f"1 in {found[1]}"

    def no_entry(self, cells: tuple[str, ...]) -> str:
        """Why a row is no entry: a sum, a heading, heads anew; empty of what may be one."""
        filled = [cell for cell in cells if cell]
        if [cell.casefold() for cell in cells] == [head.casefold() for head in self.sheet.heads]:
            return "the heads again"
        if _SUMS.fullmatch(filled[0]):
            return "a sum"
        needed = sum(one.needed for one in self.kind.columns)
        if len(filled) == 1 and needed > 1 and iso_of(filled[0], self.order) is None:
            return "a heading"
        return ""

    def cell(self, cells: tuple[str, ...], key: str) -> str:
        """What a row says of a column; empty where there is none."""
        index = self.columns.get(key)
        return cells[index] if index is not None else ""

    def with_unit(self, cells: tuple[str, ...], key: str) -> str:
        """The same with the unit of its column, where the cell names none itself."""
        text = self.cell(cells, key)
        bare = text.replace(",", "").replace(".", "").strip().isdigit()
        return f"{text} {self.units[key]}" if bare and self.units.get(key) else text

    def missing(self) -> list[str]:
        """Columns that are needed and not there, by name."""
        return [one.name for one in self.kind.columns if one.needed and one.key not in self.columns]

    def instant(self, cells: tuple[str, ...], zone: tzinfo) -> datetime:
        """When; noon where no time of day is said.

        Raises
        ------
        DaceError
            On ``when``.
        """
        said = self.cell(cells, "when")
        hour = self.cell(cells, "time")
        iso = iso_of(f"{said} {hour}".strip(), self.order) or iso_of(said, self.order)
        if iso is None:
            raise DaceError("when", f"“{said}”", "a day such as 2026-07-14 or 14.7.2026")
        try:
            at = datetime.fromisoformat(iso)
        except ValueError:
            raise DaceError("when", f"“{said}”", "a day that there is") from None
        if "T" not in iso:
            at = datetime.combine(at.date(), _NOON)
        return at if at.tzinfo else at.replace(tzinfo=zone)


def how_to_read(sheets: list[Sheet], said: Said, today: date) -> How:
    """The sheet, its kind, columns, units and dates: as said, or as its heads and cells tell.

    Raises
    ------
    DaceError
        On ``sheet``, ``kind`` or ``columns``.
    """
    sheet = next((one for one in sheets if one.name == said.sheet), None)
    if sheet is None:
        if said.sheet:
            names = ", ".join(one.name for one in sheets)
            raise DaceError("sheet", f"“{said.sheet[:60]}”", f"one of {names}")
        sheet = sheets[0]
    kind = kind_named(said.kind) if said.kind else best_kind(sheet.heads)
    if said.columns is None:
        columns = matched(kind, sheet.heads)
    else:
        keys = {one.key for one in kind.columns}
        columns = {key: at for key, at in said.columns.items() if key in keys}
        if any(not 0 <= at < len(sheet.heads) for at in columns.values()):
            raise DaceError("columns", "a column that is not there", "one of the table's own")
    how = How(
        kind,
        sheet,
        columns,
        _units(kind, sheet, columns, said),
        said.dates or "ymd",
        ratio=said.ratio,
        feeds=said.feeds,
    )
    return how if said.dates else _dated(how, today)


def _units(kind: Kind, sheet: Sheet, columns: dict[str, int], said: Said) -> dict[str, str]:
    found = {}
    for key, at in columns.items():
        wanted = kind.column(key)
        chosen = said.units.get(key, "")
        if chosen and chosen not in wanted.units:
            raise DaceError("units", f"“{chosen[:20]}”", f"one of {', '.join(wanted.units)}")
        unit = chosen or unit_in(sheet.heads[at], wanted)
        if unit:
            found[key] = unit
    return found


def _dated(how: How, today: date) -> How:
    """With the order that its open cells leave; where they leave several, those cells."""
    if "when" not in how.columns:
        return how
    cells = [how.cell(cells, "when") for _, cells in how.sheet.rows]
    try:
        return replace(how, order=order_of(cells, "when", today))
    except DaceError as error:
        return replace(how, order="dmy", doubtful=error.sentence, doubts=doubts_of(cells))
