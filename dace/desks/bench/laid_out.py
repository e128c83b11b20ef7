"""What lies ready on the Bench: the jars, the water, and where it goes, whatever the strength."""

from __future__ import annotations

import uuid
from dataclasses import dataclass, replace
from functools import lru_cache

from dace.core import api as core
from dace.core.api import Composition, DaceError, Feeding, Verdict
from dace.desks.shared.situation import situation
from dace.feeding.mixing import dissolved
from dace.feeding.reads import jars_with_stock
from dace.feeding.verdicts import verdict_of
from dace.garden.models import Garden, Water
from dace.garden.reads import StandRecord, core_water, garden_of, owned, stand
from dace.households.scope import NotFoundError
from dace.households.version import Version
from dace.shelf.reads import compositions_now, g_per_ml, tokens_of

_MAINS = ("soft_tap", "hard_tap", "report")
"""Kinds of water that come from a works, which may have put chlorine in."""


@dataclass(frozen=True)
class LaidJar:
    """A jar that is poured from: what is in it, what it still holds, how it lies in a spoon."""

    id: uuid.UUID
    name: str
    feed: Composition
    stock: float
    g_per_ml: float | None
    tokens: frozenset[str]


@dataclass(frozen=True)
class LaidOut:
    """Jars in the order in which they are poured, the water, and the stand with its facts.

    ``tap`` names a water that comes from a works; empty for any other.
    """

    garden: Garden
    jars: tuple[LaidJar, ...]
    water: core.WaterIons
    tap: str
    owned: tuple[core.Owned, ...]
    target: StandRecord | None
    facts: Feeding | None
    verdict: Verdict | None

    @property
    def tokens(self) -> frozenset[str]:
        """What rules may name the can by."""
        return frozenset[str]().union(*(jar.tokens for jar in self.jars))


@lru_cache(maxsize=64)
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
    scope = version.scope
    garden = garden_of(scope)
    if len(set(jar_ids)) < len(jar_ids):
        raise DaceError("more", "the same jar twice", "say all of it at once")
    there = {jar.pk: (jar, stock) for jar, stock in jars_with_stock(scope)}
    if not all(jar_id in there for jar_id in jar_ids):
        raise NotFoundError("jar_id", "an id of no jar here", "choose a jar from the shelf")
    water = Water.objects.fetch(scope, water_id, "water_id")
    sources = [dissolved(*there[jar_id]) for jar_id in jar_ids]
    feeds = compositions_now([one.jar for one in sources])
    target = stand(scope, stand_id) if stand_id else None
    verdict = verdict_of(scope, target.fill_id) if target else None
    facts = situation(scope, garden, target) if target else None
    if facts:
        # what the roots say is the verdict's to say
        facts = replace(facts, drain_ec=None)
    return LaidOut(
        garden=garden,
        jars=tuple(
            LaidJar(
                one.jar.pk,
                one.jar.name,
                feeds[one.jar.pk],
                one.stock,
                g_per_ml(one.jar),
                tokens_of(one.jar),
            )
            for one in sources
        ),
        water=core_water(water),
        tap=water.name if water.kind in _MAINS else "",
        owned=owned(scope),
        target=target,
        facts=facts,
        verdict=verdict,
    )
