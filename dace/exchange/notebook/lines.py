"""Rows of a notebook as what they will be written as: worked out, nothing written yet."""

from __future__ import annotations

import re
import uuid
from collections import Counter
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import date
from functools import cached_property
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import DaceError, PenReading, on_day
from dace.exchange.notebook.how import How
from dace.exchange.notebook.pouring import Poured, Pouring
from dace.exchange.notebook.whereabouts import Whereabouts
from dace.garden.harvests import NewHarvest, harvest_row
from dace.garden.models import Garden, Harvest
from dace.garden.observing import NewObservation, observation_row
from dace.households.models import Kept
from dace.households.scope import Scope, require_owner
from dace.measuring.services import NewReading, reading_row
from dace.shelf.services import NewJar, jar_row

Cells = tuple[str, ...]
_METHODS = (
    ("feed_solution", ("can", "feed", "solution", "mix")),
    ("pour_through", ("drain", "leachate", "run", "pour", "pot")),
    ("ext_1_2_vv", ("1:2", "1 + 2", "1+2")),
    ("ext_1_5_vv", ("1:5", "1 + 5", "1+5")),
    ("saturated_media_extract", ("paste", "saturated")),
)


@dataclass(frozen=True)
class Line:
    """A row that can be written: its rows, the one that stands for it, and in words."""

    number: int
    rows: tuple[Kept, ...]
    words: str
    on: date | None = None
    """The day that it was read as; None of what has none."""

    @property
    def belongs_to(self) -> set[uuid.UUID]:
        """The stand or the planting that it is of; nothing of what is of none."""
        found = (getattr(self.chief, name, None) for name in ("stand_id", "planting_id"))
        return {key for key in found if isinstance(key, uuid.UUID)}

    @property
    def chief(self) -> Kept:
        """The row that the others belong to."""
        return self.rows[-1]


@dataclass
class Reader:
    """Reads the rows of one kind of entry of one garden."""

    scope: Scope
    garden: Garden
    where: Whereabouts
    how: How
    again: int = 0
    _seen: Counter[str] = field(default_factory=Counter)

    @property
    def _zone(self) -> ZoneInfo:
        return ZoneInfo(self.garden.zone)

    @cached_property
    def pouring(self) -> Pouring:
        """Works feeds out."""
        return Pouring(self.scope, self.garden, self.how.feeds)

    def line(self, number: int, cells: Cells) -> Line:
        """What a row will be written as.

        Raises
        ------
        DaceError
            Naming the column.
        """
        readers: dict[str, Callable[[Cells], tuple[tuple[Kept, ...], str]]] = {
            "doses": self._dose,
            "readings": self._reading,
            "harvests": self._harvest,
            "observations": self._observation,
            "jars": self._jar,
        }
        rows, words = readers[self.how.kind.key](cells)
        on = None
        if "when" in self.how.columns:
            on = self.how.instant(cells, self._zone).astimezone(self._zone).date()
        return Line(number, rows, words, on)

    def _id(self, *natural: object) -> uuid.UUID:
        """One id for what is the same, however often it is sent; a second one for a twin of it."""
        said = " | ".join(map(str, (self.how.kind.key, *natural)))
        self._seen[said] += 1
        turn = f"{self._seen[said]} {self.again}"
        return uuid.uuid5(self.scope.household_id, f"notebook {said} {turn}")

    def _reading(self, cells: Cells) -> tuple[tuple[Kept, ...], str]:
        at = self.how.instant(cells, self._zone)
        fill = self.where.fill(self.how.cell(cells, "where"), at.astimezone(self._zone).date())
        value, scale = self._shown(self.how.cell(cells, "value"))
        warm = self.how.with_unit(cells, "temperature")
        degrees = f"°{self.garden.degrees}"
        pen = PenReading(
            value,
            scale,
            core.read_measure(warm, "temperature", "temperature", degrees) if warm else None,
            method=_method(self.how.cell(cells, "method")),
        )
        key = self._id(fill.subject_id, at.isoformat(), value, scale, pen.method)
        row = reading_row(self.scope, NewReading(key, fill.subject_id, pen, at))
        return (row,), f"{on_day(at, year=True)}: {fill} read {core.shown.ec(row.ec_likely)}"

    def _shown(self, cell: str) -> tuple[float, str]:
        """The number and its scale: of the cell, where it names one, else of the column."""
        found = _WITH_UNIT.fullmatch(cell)
        named = core.scale_spelt(found[2]) if found else None
        usual = self.how.units.get("value", "")
        if found and named is None and found[2].lower() == "ppm" and usual.startswith("ppm"):
            cell = found[1]
        if named is not None and found is not None:
            return core.read_number(found[1], "value"), named.key
        if not usual:
            raise DaceError("value", "a number without its scale", "say whether mS/cm, µS or ppm")
        return core.read_number(cell, "value"), usual

    def _harvest(self, cells: Cells) -> tuple[tuple[Kept, ...], str]:
        on = self.how.instant(cells, self._zone).astimezone(self._zone).date()
        crop = self.how.cell(cells, "crop")
        stand = self.where.stand(self.where.fill(self.how.cell(cells, "where"), on, crop), on, crop)
        weight = self.how.with_unit(cells, "weight")
        number = self.how.cell(cells, "pieces")
        grams = core.read_pack(weight, "g", self.garden.measures, "weight") if weight else None
        pieces = round(core.read_number(number, "pieces")) if number else None
        key = self._id(stand.planting_id, on, grams, pieces)
        new = NewHarvest(key, stand.planting_id, grams, pieces, on)
        row: Harvest = harvest_row(self.scope, new, stand.planting)
        both = (weight, f"{pieces} of them" if pieces else "")
        told = " and ".join(part for part in both if part)
        return (row,), f"{on_day(on, year=True)}: {told} from {stand.planting}"

    def _observation(self, cells: Cells) -> tuple[tuple[Kept, ...], str]:
        at = self.how.instant(cells, self._zone)
        on = at.astimezone(self._zone).date()
        crop = self.how.cell(cells, "crop")
        fill = self.where.fill(self.how.cell(cells, "where"), on, crop)
        stand = self.where.stand(fill, on, crop)
        note = self.how.cell(cells, "note")
        key = self._id(stand.pk, at.isoformat(), note)
        row = observation_row(self.scope, NewObservation(key, stand.pk, {}, note, at), stand)
        return (row,), f"{on_day(on, year=True)}: {fill}, “{note[:60]}”"

    def _jar(self, cells: Cells) -> tuple[tuple[Kept, ...], str]:
        require_owner(self.scope)
        name, measures = self.how.cell(cells, "name"), self.garden.measures
        if not 0 < len(name) <= _LONGEST:
            raise DaceError("name", f"“{name[:40]}”", f"1 to {_LONGEST} letters would do")
        pack, grade = self.how.with_unit(cells, "pack"), self.how.cell(cells, "grade")
        said = self.how.cell(cells, "form").lower()
        liquid = _is_liquid(said, pack, measures)
        unit = "mL" if liquid else "g"
        stock, price = self.how.with_unit(cells, "stock"), self.how.cell(cells, "price")
        label = core.Label(*core.read_grade(grade), form="liquid" if liquid else "solid")
        new = NewJar(
            name,
            label,
            core.read_pack(pack, unit, measures, "pack"),
            core.read_pack(stock, unit, measures, "stock") if stock else None,
            price=core.read_number(price.strip("£$€ "), "price") if price else None,
        )
        core.composition(label)  # a label that adds up to more than there is names itself
        row = jar_row(self.scope, self._id(name.casefold(), grade, unit), new)
        return (row,), f"{name}, {grade}, {pack}"

    def _dose(self, cells: Cells) -> tuple[tuple[Kept, ...], str]:
        at = self.how.instant(cells, self._zone)
        on = at.astimezone(self._zone).date()
        crop = self.how.cell(cells, "crop")
        fill = self.where.fill(self.how.cell(cells, "where"), on, crop)
        stand = self.where.stand(fill, on, crop)
        said = Poured(
            self.how.cell(cells, "feed"),
            self.how.strength(cells),
            self.how.with_unit(cells, "litres"),
            self.how.with_unit(cells, "can"),
            self.how.cell(cells, "water"),
        )
        key = self._id(stand.pk, at.isoformat(), said)
        rows = self.pouring.rows(key, stand, said, at)
        return (
            rows,
            f"{on_day(on, year=True)}: {said.litres} of {said.feed} at {said.strength} on {fill}",
        )


_LONGEST = 80
_WITH_UNIT = re.compile(r"([\d.,\s]+?)\s*([^\d\s.,].*)")


def _is_liquid(said: str, pack: str, measures: str) -> bool:
    """By what is said of the form; else by what the pack is measured in."""
    if said:
        return "liquid" in said or "solution" in said
    return core.read_amount(pack, measures, "pack").unit == "mL"


def _method(said: str) -> str:
    """How a sample was taken; what drains, where nothing is said."""
    plain = said.lower()
    if not plain:
        return "pour_through"
    for method, words in _METHODS:
        if any(word in plain for word in words):
            return method
    raise DaceError("method", f"“{said[:40]}”", "can, drain, 1:2, 1:5 or paste would do")
