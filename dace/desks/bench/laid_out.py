"""What lies ready on the Bench: the jars, the water, and where it goes, whatever the strength."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, replace

from dace.core import api as core
from dace.core.api import Feeding, Source, Verdict
from dace.desks.shared.situation import situation
from dace.feeding.mixing import Whom, sources_of
from dace.feeding.verdicts import mixing_vessels, verdict_of
from dace.garden.models import Garden, Water
from dace.garden.reads import StandRecord, core_water, garden_of, owned, stand
from dace.households.scope import Scope
from dace.households.version import Newest, Version

_MAINS = ("soft_tap", "hard_tap", "report")
"""Kinds of water that come from a works, which may have put chlorine in."""


@dataclass(frozen=True)
class LaidOut:
    """Jars in the order in which they are poured, the water, and the stand with its facts.

    ``tap`` names a water that comes from a works; empty for any other.
    """

    garden: Garden
    jars: tuple[Source, ...]
    water: core.WaterIons
    water_name: str
    tap: str
    owned: tuple[core.Owned, ...]
    vessels: tuple[core.Vessel, ...]
    target: StandRecord | None
    facts: Feeding | None
    verdict: Verdict | None

    @property
    def whom(self) -> Whom:
        """Whom it is for, with the share of their wish that they get now."""
        return Whom(self.target, self.verdict.share if self.verdict else 1.0, self.owned)

    @property
    def tokens(self) -> frozenset[str]:
        """What rules may name the can by."""
        return frozenset[str]().union(*(jar.tokens for jar in self.jars))


_MOST = 64


@Newest
def _kept(version: Version) -> dict[tuple[object, ...], LaidOut]:
    return {}


def laid_out(
    version: Version,
    jar_ids: tuple[uuid.UUID, ...],
    water_id: uuid.UUID,
    stand_id: uuid.UUID | None,
) -> LaidOut:
    """Read it once for each version of the household; some thirty queries the first time.

    A drag of the level asks for thirty cans in a second from the same things.

    Raises
    ------
    DaceError
        On ``jar_id`` if a jar does not dissolve, on ``more`` if one is named twice.
    NotFoundError
        Naming the id that is none of this household's.
    """
    kept, asked = _kept(version), (jar_ids, water_id, stand_id)
    if asked not in kept:
        if len(kept) >= _MOST:
            kept.clear()
        kept[asked] = _read(version.scope, jar_ids, water_id, stand_id)
    return kept[asked]


def _read(
    scope: Scope, jar_ids: tuple[uuid.UUID, ...], water_id: uuid.UUID, stand_id: uuid.UUID | None
) -> LaidOut:
    garden = garden_of(scope)
    jars = sources_of(scope, jar_ids)
    water = Water.objects.fetch(scope, water_id, "water_id")
    target = stand(scope, stand_id) if stand_id else None
    verdict = verdict_of(scope, target.fill_id) if target else None
    facts = situation(scope, garden, target) if target else None
    if facts:
        # what the roots say is the verdict's to say
        facts = replace(facts, drain_ec=None)
    return LaidOut(
        garden=garden,
        jars=jars,
        water=core_water(water),
        water_name=water.name,
        tap=water.name if water.kind in _MAINS else "",
        owned=owned(scope),
        vessels=mixing_vessels(scope),
        target=target,
        facts=facts,
        verdict=verdict,
    )
