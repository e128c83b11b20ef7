"""What lies ready on the Bench: the jar, the water, and where it goes, whatever the strength."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, replace
from functools import lru_cache

from dace.core import api as core
from dace.core.api import Composition, DaceError, Feeding, Verdict
from dace.desks.shared.situation import situation
from dace.feeding.reads import jar_with_stock
from dace.feeding.verdicts import verdict_of
from dace.garden.models import Garden, Water
from dace.garden.reads import StandRecord, core_water, garden_of, owned, stand
from dace.households.version import Version
from dace.shelf.reads import composition_now, g_per_ml, tokens_of


@dataclass(frozen=True)
class LaidOut:
    """A jar with what it still holds, its feed, the water, and the stand with its facts."""

    garden: Garden
    feed: Composition
    stock: float
    g_per_ml: float | None
    tokens: frozenset[str]
    water: core.WaterIons
    owned: tuple[core.Owned, ...]
    target: StandRecord | None
    facts: Feeding | None
    verdict: Verdict | None


@lru_cache(maxsize=64)
def laid_out(
    version: Version, jar_id: uuid.UUID, water_id: uuid.UUID, stand_id: uuid.UUID | None
) -> LaidOut:
    """Read it once for each version of the household; some thirty queries the first time.

    A drag of the level asks for thirty cans in a second from the same things.

    Raises
    ------
    DaceError
        On ``jar_id`` if the jar does not dissolve.
    NotFoundError
        Naming the id that is none of this household's.
    """
    scope = version.scope
    garden = garden_of(scope)
    jar, stock = jar_with_stock(scope, jar_id)
    if not jar.dissolves:
        raise DaceError(
            "jar_id", f"{jar.name}, which does not dissolve", "spread it dry, or choose another jar"
        )
    target = stand(scope, stand_id) if stand_id else None
    verdict = verdict_of(scope, target.fill_id) if target else None
    facts = situation(scope, garden, target) if target else None
    if facts:
        # what the roots say is the verdict's to say
        facts = replace(facts, drain_ec=None)
    return LaidOut(
        garden=garden,
        feed=composition_now(jar),
        stock=stock,
        g_per_ml=g_per_ml(jar),
        tokens=tokens_of(jar),
        water=core_water(Water.objects.fetch(scope, water_id, "water_id")),
        owned=owned(scope),
        target=target,
        facts=facts,
        verdict=verdict,
    )
