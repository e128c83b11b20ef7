"""Feeds of one day that are poured from one can: stops whose recipes hardly differ share it."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from dace.core.fed.records import Portion, Verdict

MOST_CANS = 3
SHARED = "the can that it shares with"
"""How the strength of a shared can is named as what bound it."""
_ALIKE = 0.06
_MOST_LOST = 0.25
_ROUNDING = 1e-9


@dataclass(frozen=True)
class Shared:
    """Stops, by their place in the row, that get one recipe in one water.

    ``per_l`` is what a litre takes of each source, ``strongest`` the most of the last of them
    that any of the stops would get by itself.
    """

    sources: tuple[str, ...]
    water: str
    per_l: tuple[float, ...]
    stops: tuple[int, ...]
    strongest: float

    def with_(self, other: Shared) -> Shared:
        """Both at the weaker strength, so that neither gets more than it likes."""
        weaker = tuple(min(pair) for pair in zip(self.per_l, other.per_l, strict=True))
        return Shared(
            self.sources,
            self.water,
            weaker,
            tuple(sorted((*self.stops, *other.stops))),
            max(self.strongest, other.strongest),
        )

    @property
    def lost(self) -> float:
        """How much weaker than it might be the strongest of them is."""
        return 1 - self.per_l[-1] / self.strongest


def shared(found: Sequence[Verdict], largest_l: float, filled: int = 0) -> tuple[Shared, ...]:
    """Today's recipes: each stop's own, those put together that lose least.

    Two recipes of one source in one water that differ by a few percent are one. While there
    are more than three cans to fill, the two that lose least by it are one too, where it is
    not much and spares a can; ``largest_l`` is what the largest can holds, ``filled`` how often
    it was filled today already: what is still to mix stays as it was, however far one has walked.
    """
    cans = [
        Shared(*one.recipe, (at,), one.per_l)
        for at, verdict in enumerate(found)
        if (one := _poured(verdict)) is not None
    ]
    while True:
        times = {one.stops: fills(one.stops, found, largest_l) for one in cans}
        many = filled + sum(times.values()) > MOST_CANS
        pairs = []
        for i, a in enumerate(cans):
            for j, b in enumerate(cans[:i]):
                if (a.sources, a.water) != (b.sources, b.water):
                    continue
                both = a.with_(b)
                if both.lost > _MOST_LOST:
                    continue
                fewer = fills(both.stops, found, largest_l) < times[a.stops] + times[b.stops]
                if both.lost <= _ALIKE or (many and fewer):
                    pairs.append((both.lost, j, i))
        if not pairs:
            return tuple(sorted(cans, key=lambda one: one.stops))
        _, j, i = min(pairs)
        rest = [one for turn, one in enumerate(cans) if turn not in (i, j)]
        cans = [*rest, cans[j].with_(cans[i])]


def fills(stops: Sequence[int], found: Sequence[Verdict], largest_l: float) -> int:
    """How often the largest can is filled for some stops together."""
    portions = (found[at].recipe for at in stops)
    litres = sum(portion.litres for portion in portions if portion)
    return max(1, math.ceil(litres / largest_l - _ROUNDING)) if largest_l > 0 else 1


def _poured(verdict: Verdict) -> Portion | None:
    found = None if verdict.mixed else verdict.recipe
    return found if found is not None and found.can is not None and found.litres > 0 else None
