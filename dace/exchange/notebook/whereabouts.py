"""Names of places, pots and crops as she writes them, and what stood there on a day."""

from __future__ import annotations

import re
import uuid
from collections import defaultdict
from datetime import date

from dace.core.api import DaceError, likeliest, listed, on_day
from dace.garden.models import Fill, Stand
from dace.households.scope import Scope

_TOLD = 6


class Whereabouts:
    """Every fill and stand that ever was here; three queries."""

    def __init__(self, scope: Scope, said: dict[str, uuid.UUID]) -> None:
        fills = Fill.objects.of(scope).select_related("place", "subject").order_by("created_at")
        self._fills = {fill.pk: fill for fill in fills if fill.place.undone_at is None}
        stands = Stand.objects.of(scope).select_related("planting__garden", "fill__place")
        self._stands: dict[uuid.UUID, list[Stand]] = defaultdict(list)
        for stand in stands.order_by("from_on"):
            if stand.planting.undone_at is None:
                self._stands[stand.fill_id].append(stand)
        self._said = {_plain(name): key for name, key in said.items()}
        self._named: dict[str, set[uuid.UUID]] = defaultdict(set)
        for fill in self._fills.values():
            for name in {str(fill), fill.place.name, f"{fill.place.name} {fill.name}"}:
                self._named[_plain(name)].add(fill.pk)
        for key, grown in self._stands.items():
            for stand in grown:
                for name in (stand.planting.grown.name, stand.planting.called, stand.planting.crop):
                    if name:
                        self._named[_plain(name)].add(key)

    def options(self) -> list[tuple[uuid.UUID, str]]:
        """Every fill by its name, for who says which one a name means."""
        return [(key, str(fill)) for key, fill in self._fills.items()]

    def guess(self, name: str) -> uuid.UUID | None:
        """The fill that a loosely written name most likely means."""
        known = {other: next(iter(keys)) for other, keys in self._named.items() if len(keys) == 1}
        return likeliest(name, known)

    def add(self, stand: Stand) -> None:
        """A stand that is about to be written: a crop that was over before it came here."""
        self._stands[stand.fill_id].append(stand)

    def fill(self, name: str, on: date, crop: str = "") -> Fill:
        """The fill of a name; by the day and the crop, where the name alone leaves several.

        Raises
        ------
        DaceError
            On ``where``.
        """
        plain = _plain(name)
        if plain in self._said:
            found = {self._said[plain]} & self._fills.keys()
        else:
            found = self._named.get(plain, set())
        if len(found) > 1:
            found = {key for key in found if self._grew(key, on)} or found
        if len(found) > 1 and crop:
            grew = {key: set().union(*map(_crop_names, self._grew(key, on))) for key in found}
            found = {key for key in found if _plain(crop) in grew[key]} or found
        if len(found) == 1:
            return self._fills[next(iter(found))]
        if not found:
            raise UnknownPlaceError("where", f"“{name}”", "a place, a pot or a crop of this garden")
        several = listed([str(self._fills[key]) for key in sorted(found)][:_TOLD])
        raise UnknownPlaceError("where", f"“{name}”, which may be {several}", "say which")

    def _grew(self, fill: uuid.UUID, on: date) -> list[Stand]:
        return [
            stand
            for stand in self._stands[fill]
            if stand.from_on <= on
            and (stand.to_on is None or on <= stand.to_on)
            and (stand.planting.ended_on is None or on <= stand.planting.ended_on)
        ]

    def stand(self, fill: Fill, on: date, crop: str = "") -> Stand:
        """What stood in a fill on a day, of a crop where several did.

        Raises
        ------
        DaceError
            On ``crop``.
        """
        grew = self._grew(fill.pk, on)
        if crop:
            names = _plain(crop)
            some = [s for s in grew if names in _crop_names(s)]
            if not some and grew:
                there = listed(sorted({s.planting.grown.name for s in grew}))
                raise DaceError("crop", f"“{crop}” in {fill}", f"{there} stood there")
            grew = some
        if not grew:
            said = f"{fill} on {on_day(on, year=True)}, when nothing grew there here"
            would_do = "a later day, or a planting that began before"
            raise NothingGrewError("where", said, would_do, fill, on)
        if len({s.planting_id for s in grew}) > 1:
            there = listed(sorted({s.planting.grown.name for s in grew}))
            raise DaceError("crop", f"{fill}, where {there} stood", "a column that says which")
        return grew[0]


class UnknownPlaceError(DaceError):
    """A name that leads to no place, or to several."""


class NothingGrewError(DaceError):
    """A day on which nothing grew in a fill: that of a crop that is long over, maybe."""

    def __init__(self, field: str, read: str, would_do: str, fill: Fill, on: date) -> None:
        super().__init__(field, read, would_do)
        self.fill, self.on = fill, on


def _crop_names(stand: Stand) -> set[str]:
    planting = stand.planting
    names = (planting.grown.name, planting.called, planting.crop)
    plural = {f"{_plain(name)}s" for name in names if name}
    return {_plain(name) for name in names if name} | plural


def _plain(name: str) -> str:
    return re.sub(r"[\W_]+", " ", name.casefold()).strip()
