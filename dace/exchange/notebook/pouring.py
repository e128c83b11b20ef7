"""Feeds that were poured before Dace: cans worked out from what was written down."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from dace.core import api as core
from dace.core.api import DaceError, Source
from dace.feeding.mixing import (
    Mixed,
    NewCan,
    Whom,
    can_asked,
    can_row,
    part_rows,
    sources_of,
)
from dace.feeding.models import Dose
from dace.feeding.reads import jars_with_stock
from dace.garden.models import Garden, Stand, Water
from dace.garden.reads import core_water, vessels, waters
from dace.households.keeping import new_row
from dace.households.models import Kept
from dace.households.scope import Scope
from dace.measuring.models import Subject
from dace.measuring.services import past_instant


@dataclass(frozen=True)
class Poured:
    """What a row says of a feed."""

    feed: str
    strength: str
    litres: str
    can: str
    water: str


class UnknownFeedError(DaceError):
    """A name that leads to no jar, or to several."""


class Pouring:
    """Works cans out; the same can twice only once."""

    def __init__(self, scope: Scope, garden: Garden, said: dict[str, uuid.UUID]) -> None:
        self._scope, self._garden = scope, garden
        self._said = {name.casefold(): key for name, key in said.items()}
        self._named = {jar.name: jar.pk for jar, _ in jars_with_stock(scope)}
        self._jars = {name.casefold(): key for name, key in self._named.items()}
        self._waters = {water.name.casefold(): water for water in waters(scope)}
        self._vessel_l = next((v.volume_l for v in vessels(scope) if v.kind == "can"), None)
        self._sources: dict[uuid.UUID, tuple[Source, ...]] = {}
        self._worked: dict[tuple[object, ...], core.Mixture] = {}

    def rows(self, key: uuid.UUID, stand: Stand, said: Poured, at: datetime) -> tuple[Kept, ...]:
        """Subject, can, parts and dose of a feed; the dose has the id.

        Raises
        ------
        DaceError
            Naming the column.
        """
        jar, water = self._jar(said.feed), self._water(said.water)
        can_l = self._litres(said.can, "can") if said.can else self._vessel_l
        litres, fills = self._poured(said.litres, can_l)
        if said.can and can_l is not None and litres > can_l and fills <= 1:
            raise DaceError("litres", f"{said.litres} of a can that holds {said.can}", "no more")
        vessel_l = max(can_l or 0.0, litres)
        new = NewCan(
            uuid.uuid5(key, "can"), jar, water.pk, vessel_l, said.strength,
            measures=self._garden.measures,
        )  # fmt: skip
        sources = self._of(jar)
        mixed = self._mixture(new, sources, water)
        at = past_instant(self._scope, at, "when")
        subject = Subject(
            **new_row(self._scope, uuid.uuid5(new.id, "subject")), kind=Subject.Kind.CAN
        )
        found = Mixed(new, sources, water, mixed)
        can = can_row(self._scope, found, subject, at)
        dose = Dose(
            **new_row(self._scope, key),
            can=can,
            stand=stand,
            fill=stand.fill,
            plants=stand.count,
            litres_each=litres / stand.count,
            poured_at=at,
        )
        return (subject, can, *part_rows(self._scope, found, can), dose)

    def _mixture(self, new: NewCan, sources: tuple[Source, ...], water: Water) -> core.Mixture:
        same = (new.jar_id, new.water_id, new.vessel_l, new.strength)
        if same not in self._worked:
            asked = can_asked(new, sources, core_water(water), Whom(None))
            found = core.answer(asked)
            if len(found.readings) > 1:
                both = core.listed([one.strength.meaning for one in found.readings])
                raise DaceError(
                    "strength", f"“{new.strength}”, which may be {both}", "write 1 + 12"
                )
            self._worked[same] = found.can
        return self._worked[same]

    def _of(self, jar: uuid.UUID) -> tuple[Source, ...]:
        if jar not in self._sources:
            self._sources[jar] = sources_of(self._scope, [jar])
        return self._sources[jar]

    def options(self) -> list[tuple[uuid.UUID, str]]:
        """Every jar by its name, for who says which one a name means."""
        return [(key, name) for name, key in self._named.items()]

    def knows(self, name: str) -> bool:
        """Whether a name leads to one jar."""
        try:
            self._jar(name)
        except UnknownFeedError:
            return False
        return True

    def guess(self, name: str) -> uuid.UUID | None:
        """The jar that a loosely written name most likely means."""
        return core.likeliest(name, self._named)

    def _poured(self, text: str, can_l: float | None) -> tuple[float, float]:
        """Litres in all, of "half a can" and "2 x 9 L" too, and how many fills were told."""
        cans = core.cans_told(text)
        if cans is None:
            times, amount = core.times_told(text)
            return times * self._litres(amount, "litres"), times
        if can_l is None:
            raise DaceError("litres", f"“{text}”", "a volume, or a column with the size of the can")
        return cans * can_l, cans

    def _jar(self, name: str) -> uuid.UUID:
        plain = name.casefold()
        if self._said.get(plain) in self._jars.values():
            return self._said[plain]
        found = [key for known, key in self._jars.items() if known == plain]
        found = found or [key for known, key in self._jars.items() if plain and plain in known]
        if len(found) != 1:
            names = core.listed(sorted(self._jars)[:6]) if self._jars else "nothing yet"
            would_do = f"one jar of the shelf, which holds {names}"
            raise UnknownFeedError("feed", f"“{name}”", would_do)
        return found[0]

    def _water(self, name: str) -> Water:
        if not self._waters:
            raise DaceError("water", "no water here yet", "set the garden's water up first")
        if not name:
            return next(iter(self._waters.values()))
        plain = name.casefold()
        found = [water for known, water in self._waters.items() if plain in known]
        if len(found) != 1:
            raise DaceError("water", f"“{name}”", f"one of {', '.join(self._waters)}")
        return found[0]

    def _litres(self, text: str, field: str) -> float:
        found = core.read_amount(text, self._garden.measures, field)
        if found.unit != "mL" or not 0 < found.value <= 1000 * core.MOST_VESSEL_L:
            raise DaceError(field, f"“{text}”", "a volume such as 9 L would do")
        return found.value / 1000
