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


class Pouring:
    """Works cans out; the same can twice only once."""

    def __init__(self, scope: Scope, garden: Garden) -> None:
        self._scope, self._garden = scope, garden
        self._jars = {jar.name.casefold(): jar.pk for jar, _ in jars_with_stock(scope)}
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
        litres = self._litres(said.litres, "litres")
        vessel_l = self._litres(said.can, "can") if said.can else max(self._vessel_l or 0.0, litres)
        if litres > vessel_l:
            raise DaceError("litres", f"{said.litres} of a can that holds {said.can}", "no more")
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

    def _jar(self, name: str) -> uuid.UUID:
        plain = name.casefold()
        found = [key for known, key in self._jars.items() if known == plain]
        found = found or [key for known, key in self._jars.items() if plain and plain in known]
        if len(found) != 1:
            names = core.listed(sorted(self._jars)[:6]) if self._jars else "nothing yet"
            raise DaceError("feed", f"“{name}”", f"one jar of the shelf, which holds {names}")
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
