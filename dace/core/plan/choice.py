"""What a stop can be fed with on a day ahead, worked out once for all days that are alike."""

from __future__ import annotations

from collections.abc import Hashable, Sequence
from dataclasses import dataclass, field, replace

import numpy as np
from numpy.typing import NDArray

from dace.core.can.ingredient import Source
from dace.core.can.mixing import Mixture
from dace.core.fed.options import Meal, Option, allowed, litre_of
from dace.core.fed.recipe import choices_of
from dace.core.fed.records import NamedWater, Yard
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.plan.ahead import Ahead
from dace.core.rootzone.records import Nine, charged_can

_USUAL_MG_L, _WEAK = 200.0, 0.05
Array = NDArray[np.float64]


@dataclass
class Choices:
    """What may be used where; ``gone`` are days from which a source is used up."""

    yard: Yard
    gone: dict[str, int] = field(default_factory=dict)
    _allowed: dict[Hashable, tuple[Source, ...]] = field(default_factory=dict)
    _charged: dict[tuple[str, str], tuple[Array, Array, float]] = field(default_factory=dict)

    def of(self, ahead: Ahead, meal: Meal) -> tuple[Option, ...]:
        """Every can that suits a meal, the best first."""
        day = (meal.facts.today - ahead.facts.today).days
        there = [s for s in self._may(meal) if day < self.gone.get(s.key, day + 1)]
        return choices_of(meal, there, {})

    def _may(self, meal: Meal) -> tuple[Source, ...]:
        stop, facts = meal.facts.stop, meal.facts
        spoiled = frozenset(one.key for one in self.yard.sources if not one.there_on(facts.today))
        key = (
            stop.followed.root_zone.setting, stop.ph, stop.only, stop.tested_high, spoiled,
            tuple(
                (one.grows.crop.key, one.grows.crop.name, one.stage.key,
                 one.grows.clock.picked_in(facts.today))
                for one in meal.fed
            ),
        )  # fmt: skip
        if key not in self._allowed:
            self._allowed[key] = tuple(allowed(meal, self.yard.sources))
        return self._allowed[key]

    def charged(self, one: Option, water: NamedWater) -> Nine:
        """A litre of an option's can as it comes to the roots [mg/L]; nearly straight in it."""
        if one.base is not None:
            return charged_of(one.can, [source.feed for source, _ in one.parts], water)
        key = (one.source.key, water.key)
        if key not in self._charged:
            feed = one.source.feed
            strong = _USUAL_MG_L / max(feed.element(n) for n in NUTRIENTS)
            weak, full = (
                np.array(charged_of(litre_of(((feed, "", per_l),), one.water), [feed], water))
                for per_l in (_WEAK * strong, strong)
            )
            self._charged[key] = weak, (full - weak) / (strong - _WEAK * strong), _WEAK * strong
        weak, more, began = self._charged[key]
        return tuple(np.maximum(0.0, weak + more * (one.per_l - began)).tolist())

    def without(self, gone: dict[str, int]) -> Choices:
        """The same with sources that are used up from a day on."""
        return replace(self, gone=gone)


def charged_of(can: Mixture, feeds: Sequence[Composition], water: NamedWater) -> Nine:
    """A litre of a can of some sources as it comes to the roots [mg/L]."""
    held = {name: result.value for name, result in can.nutrients}
    return charged_can(
        {nutrient: held[nutrient] for nutrient in NUTRIENTS},
        tuple(zip(feeds, (part.per_l for part in can.parts), strict=True)),
        can.ec.value,
        water.ions.of("HCO3"),
    )
