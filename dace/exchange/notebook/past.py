"""Crops that were over before they came here: found in a notebook's rows, begun and ended there."""

from __future__ import annotations

import uuid
from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from datetime import date, timedelta

from dace.core import api as core
from dace.core.api import on_day
from dace.garden.models import Fill, Garden
from dace.garden.planting import Over, over_rows
from dace.households.models import Kept
from dace.households.scope import Scope

_ANOTHER_SEASON = timedelta(days=150)


@dataclass(frozen=True)
class OverRow:
    """A row of a crop that stood in a fill on a day, of which nothing is known here."""

    number: int
    fill: Fill
    crop: str
    on: date


@dataclass(frozen=True)
class PastPlanting:
    """A crop in a fill from its first row to its last."""

    fill: Fill
    crop: str
    from_on: date
    to_on: date

    @property
    def words(self) -> str:
        """In a line.

        Such as ``Leek in Sluice bed, 3 May to 9 October 2025``.
        """
        name = core.crop(self.crop).name
        return f"{name} in {self.fill}, {on_day(self.from_on)} to {on_day(self.to_on, year=True)}"

    def standing(self, scope: Scope, garden: Garden) -> Over:
        """Its rows, not written yet; the same facts have the same ids."""
        said = f"notebook past {self.fill.pk} {self.crop} {self.from_on}"
        key = uuid.uuid5(scope.household_id, said)
        return over_rows(scope, garden, key, self.fill, self.crop, (self.from_on, self.to_on))


def past_plantings(over: Sequence[OverRow]) -> tuple[PastPlanting, ...]:
    """One for each crop, fill and season; a gap of five months parts two seasons."""
    groups: dict[tuple[uuid.UUID, str], list[OverRow]] = {}
    for one in over:
        groups.setdefault((one.fill.pk, one.crop), []).append(one)
    found = [_planting(some) for rows in groups.values() for some in _seasons(rows)]
    return tuple(sorted(found, key=lambda one: (one.from_on, str(one.fill))))


def _seasons(rows: list[OverRow]) -> Iterator[list[OverRow]]:
    season: list[OverRow] = []
    for one in sorted(rows, key=lambda row: row.on):
        if season and one.on - season[-1].on > _ANOTHER_SEASON:
            yield season
            season = []
        season.append(one)
    yield season


def _planting(rows: list[OverRow]) -> PastPlanting:
    first = rows[0]
    return PastPlanting(first.fill, first.crop, first.on, rows[-1].on)


def rows_of(standing: Sequence[Over], used: set[uuid.UUID]) -> list[Kept]:
    """The rows of those that something belongs to, plantings first."""
    kept = [one for one in standing if {one[0].pk, one[1].pk} & used]
    return [row for column in zip(*kept, strict=True) for row in column]
