"""What a stop can be fed with on a day ahead, worked out once for all days that are alike."""

from __future__ import annotations

from collections.abc import Hashable
from dataclasses import dataclass, field, replace

from dace.core.can.mixing import Mixture
from dace.core.matter.composition import Composition
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.plan.ahead import Ahead
from dace.core.rootzone.records import Nine, charged_can
from dace.core.verdict.facts import Facts
from dace.core.verdict.options import Fed, Meal, Option, option_of, options
from dace.core.verdict.recipe import best_water, brings, measurable
from dace.core.verdict.records import NamedWater, Yard

NO_BOUND = float("inf")


@dataclass
class Choices:
    """Options by what decides them; ``gone`` are days from which a source is used up."""

    yard: Yard
    gone: dict[str, int] = field(default_factory=dict)
    _known: dict[Hashable, tuple[Option, ...]] = field(default_factory=dict)
    _poured: dict[tuple[str, float, str], Nine] = field(default_factory=dict)

    def of(
        self, ahead: Ahead, facts: Facts, fed: tuple[Fed, ...], room: float = NO_BOUND
    ) -> tuple[NamedWater, tuple[Option, ...]] | None:
        """The water of a day and every source that suits then, the best first."""
        water = best_water(facts, fed, self.yard.waters)
        if water is None or not fed:
            return None
        found = self._options(ahead, facts, fed, water)
        day = (facts.today - ahead.facts.today).days
        left = tuple(one for one in found if day < self.gone.get(one.source.key, day + 1))
        if room < max((one.feed_ec for one in left), default=0.0):
            meal = Meal(facts, fed, self.yard, water, room)
            bound = (option_of(one.source, meal) for one in left)
            left = tuple(one for one in bound if one is not None)
        return water, left

    def fitting(
        self, ahead: Ahead, facts: Facts, fed: tuple[Fed, ...], lacks: str, room: float
    ) -> tuple[NamedWater, tuple[Option, ...]] | None:
        """The same, of those only that bring what lacks and can be measured."""
        found = self.of(ahead, facts, fed, room)
        if found is None:
            return None
        water, several = found
        litres = sum(one.litres for one in fed)
        fine = tuple(
            one for one in several
            if brings(one, lacks, facts, fed) and measurable(one, litres)
        )  # fmt: skip
        return (water, fine) if fine else None

    def _options(
        self, ahead: Ahead, facts: Facts, fed: tuple[Fed, ...], water: NamedWater
    ) -> tuple[Option, ...]:
        stop = ahead.stop
        spoiled = frozenset(
            one.key
            for one in self.yard.sources
            if one.keeps_until is not None and one.keeps_until < facts.today
        )
        key = (
            stop.approach, stop.followed.root_zone.setting, stop.ph, stop.only, stop.tested_high,
            water.key, spoiled,
            tuple(
                (one.grows.crop.key, one.grows.crop.name, one.stage.key, one.share,
                 one.grows.clock.picked_in(facts.today))
                for one in fed
            ),
        )  # fmt: skip
        if key not in self._known:
            self._known[key] = options(Meal(facts, fed, self.yard, water, NO_BOUND))
        return self._known[key]

    def charged(self, one: Option, water: NamedWater) -> Nine:
        """A litre of an option's can as it comes to the roots [mg/L]."""
        key = (one.source.key, one.per_l, water.key)
        if key not in self._poured:
            self._poured[key] = charged_of(one.can, one.source.feed, water)
        return self._poured[key]

    def without(self, gone: dict[str, int]) -> Choices:
        """The same with sources that are used up from a day on."""
        return replace(self, gone=gone)


def charged_of(can: Mixture, feed: Composition, water: NamedWater) -> Nine:
    """A litre of a can of one source as it comes to the roots [mg/L]."""
    held = {name: result.value for name, result in can.nutrients}
    return charged_can(
        {nutrient: held[nutrient] for nutrient in NUTRIENTS},
        ((feed, can.amount_per_l),),
        can.ec.value,
        water.ions.of("HCO3"),
    )
