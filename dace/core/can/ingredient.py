"""What goes into a can together: sources by the litre, and the ions that they make with a water."""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date
from functools import lru_cache
from typing import Literal

from dace.core.figures import Range, judgement
from dace.core.matter.composition import Composition
from dace.core.matter.conductivity import IONS, ec_25
from dace.core.matter.release import Content
from dace.core.matter.waters import WaterIons

Ions = dict[str, float]
Closed = Literal["mg", "mg_chloride", "mg_no_charge_n"]


NEAT = 1000.0
"""A litre of it in a litre [mL or g]."""


@dataclass(frozen=True)
class Source:
    """Something on the shelf: what a mL or g of it holds, how much there is, what names it.

    ``most_per_l`` is the most of it that a litre may take [mL or g]; ``content`` is set of what
    is spread dry; ``ready_on`` where it still brews, ``keeps_until`` where it spoils;
    ``g_per_ml`` how heavy a dry feed lies, where somebody weighed it; ``price`` is of a mL or g,
    None where nobody said.
    """

    key: str
    name: str
    feed: Composition
    stock: float = math.inf
    tokens: frozenset[str] = frozenset()
    dissolves: bool = True
    content: Content | None = None
    ready_on: date | None = None
    keeps_until: date | None = None
    g_per_ml: float | None = None
    price: float | None = None
    most_per_l: float = NEAT

    def there_on(self, day: date) -> bool:
        """Whether it is ready and not spoiled."""
        brewing = self.ready_on is not None and self.ready_on > day
        return not brewing and (self.keeps_until is None or self.keeps_until >= day)

    @property
    def home_made(self) -> bool:
        """Whether it was brewed."""
        return any(token.startswith("method:") for token in self.tokens)


@dataclass(frozen=True)
class Ingredient:
    """So much of a source [mL or g] in each litre of can.

    ``measured`` is how far off its measuring may be, around 1; a marked measure's where left out.
    """

    feed: Composition
    per_l: float
    name: str = ""
    measured: Range | None = None

    def times(self, factor: float) -> Ingredient:
        """The same source, so many times as much."""
        return replace(self, per_l=self.per_l * factor)


IN_PURE_WATER = WaterIons((), 0.0, Range(0.0, 0.0, 0.0), Range(0.0, 0.0, 0.0), "pure water")
"""What a feed is dissolved in where a cap speaks of it alone."""


def water_share(parts: Sequence[Ingredient]) -> float:
    """Water in one litre of can; what dissolves from a solid takes up little room."""
    return max(0.0, 1 - sum(part.per_l for part in parts if part.feed.unit == "mL") / 1000)


def mixed_ions(
    parts: Sequence[Ingredient], water: WaterIons, share: float, closed: Closed = "mg"
) -> Ions:
    """Ions of a can [mg/L]; organic nitrogen carries no charge and is left out."""
    ions = {key: water.of(key) * share for key in IONS}
    for part in parts:
        for key, per_unit in getattr(part.feed, closed):
            if key in ions:
                ions[key] += per_unit * part.per_l
    return ions


def feed_ph() -> float:
    """The pH that a mixed can is taken to have."""
    return judgement("mixed_feed_ph").range.typ


def ec_of(parts: Sequence[Ingredient], water: WaterIons) -> float:
    """Conductivity [mS/cm at 25 C] of a can."""
    return float(ec_25(mixed_ions(parts, water, water_share(parts)), feed_ph()))


@lru_cache(maxsize=4096)
def can_ec(amount_per_l: float, feed: Composition, water: WaterIons) -> float:
    """Conductivity [mS/cm at 25 C] of a can with so many mL or g of one feed a litre."""
    return ec_of((Ingredient(feed, amount_per_l),), water)


def feed_ec_alone(amount_per_l: float, feed: Composition) -> float:
    """Conductivity [mS/cm] of the feed in pure water, which is what a cap speaks of."""
    return ec_of((Ingredient(feed, amount_per_l),), IN_PURE_WATER)
