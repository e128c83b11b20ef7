"""The bucket of each stop as a single middle draw, gone on with through the days ahead."""

from __future__ import annotations

from collections.abc import Sequence

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.plan.ahead import Ahead
from dace.core.rootzone.bucket import Bucket
from dace.core.rootzone.day import Day
from dace.core.rootzone.records import CHARGED, Nine
from dace.core.rootzone.sampled import drain_ec

Array = NDArray[np.float64]
_NITROGEN = [CHARGED.index("NO3_N"), CHARGED.index("NH4_N")]
_FOODS = [CHARGED.index(nutrient) for nutrient in NUTRIENTS[1:]]
_P = CHARGED.index("P")
_LN2 = float(np.log(2))


class Middle:
    """Several stops side by side, one draw each; days count from 1, the morrow of today."""

    def __init__(self, aheads: Sequence[Ahead]) -> None:
        self.bucket = Bucket.joined([one.stop.followed.bucket.middle() for one in aheads])
        roots = [one.stop.followed.root_zone for one in aheads]
        self.water = np.array([root.water_mg_l for root in roots]).T
        self.beds = np.array([root.is_bed for root in roots])
        self.full = self.bucket.full[:, 0].copy()
        self._use = np.stack([one.use for one in aheads])
        self._need = np.stack([one.need for one in aheads])
        self._age = np.stack([one.age for one in aheads])
        self._rain = np.stack([one.rain for one in aheads])
        self._aged = np.concatenate(
            [np.zeros((len(aheads), 1)), np.cumsum(self._age, axis=1)], axis=1
        )
        self._still = np.zeros_like(self.bucket.water)
        self._watered = np.stack([one.watered for one in aheads])
        self._at = 0

    def morning(self, day: int) -> None:
        """A day goes by, up to where somebody comes."""
        at = self._at = day - 1
        self.bucket.morning(
            Day(self._use[:, at], self._need[:, at].T, self._age[:, at], self._rain[:, at])
        )

    def evening(self) -> None:
        """Whoever is there and finds it dry has watered it."""
        self.bucket.evening(self.water, self._watered[:, self._at], self._still)

    def dry(self, stop: int) -> bool:
        """Whether it is as dry as it is watered at."""
        return bool(self.bucket.dry()[stop, 0])

    def pour(self, stop: int, litres: float, mg_l: Nine, flush: bool = False) -> None:
        """A feed, or plain water to take salts out."""
        at = slice(stop, stop + 1)
        pour = self.bucket.push if flush else self.bucket.pour
        pour(np.full((1, 1), litres), np.array(mg_l)[:, None], at)
        if self.beds[stop]:  # soil holds most of the phosphorus
            mg = judgement("soil_fixes_p").range.typ * litres * mg_l[_P]
            held = min(mg, float(self.bucket.dissolved[_P, stop, 0]))
            self.bucket.dissolved[_P, stop] -= held
            self.bucket.held[_P, stop] += held

    def spread(self, stop: int, at_once: Nine, later: Nine, half_life_days: float) -> None:
        """A dressing [mg]."""
        self.bucket.dissolved[:, stop, 0] += at_once
        self.bucket.slow = self.bucket.slow.given(stop, np.array(later), half_life_days)

    def drains(self) -> Array:
        """What each would let drain [mS/cm]."""
        return np.asarray(drain_ec(self.bucket, self.water)[:, 0])

    def food(self) -> Array:
        """What is dissolved of N, P, K, Ca, Mg [mg], shape (stops, 5)."""
        return np.asarray(self.bucket.food()[:, :, 0].T)

    def taken(self) -> Array:
        """What all plants took since today [mg], shape (stops, 5)."""
        taken = self.bucket.books["taken"][:, :, 0]
        return np.column_stack([taken[_NITROGEN].sum(axis=0), taken[_FOODS].T])

    def still(self) -> Array:
        """What slow feeds and the medium's own pool have not given yet [mg], (stops, 5)."""
        left = self.bucket.slow.mg()[:, :, 0]
        return np.column_stack([left[_NITROGEN].sum(axis=0), left[_FOODS].T])

    def coming(self, day: int, days: Array) -> Array:
        """What comes within reach in so many days [mg], shape (stops, 5).

        Slow pools by their half-lives; what soil holds as fast as roots draw on it, what a
        mix holds as far as the water about it has grown thin.
        """
        slow, bucket = self.bucket.slow, self.bucket
        each = np.arange(len(self.full))
        last = np.minimum(day + days, self._aged.shape[1] - 1)
        aged = self._aged[each, last] - self._aged[:, min(day, self._aged.shape[1] - 1)]
        moist = np.minimum(1.0, 2 * bucket.water[:, 0] / self.full)
        out = -np.expm1(-_LN2 * aged * moist / slow.half_lives) * slow.left[:, :, 0]
        released = np.einsum("pf,pif->if", out, slow.made_of)
        thin = 1 - bucket.dissolved[:, :, 0] / np.maximum(
            bucket.water[:, 0] * bucket.began[:, :, 0], 1e-9
        )
        lets_go = 1 - 0.5 ** (days / judgement("held_half_life").range.typ)
        held = bucket.held[:, :, 0] * lets_go
        freed = np.where(self.beds, held, held * np.clip(thin, 0.0, 1.0))
        gained = np.where(self.beds, np.maximum(released, freed), released + freed)
        return np.column_stack([gained[_NITROGEN].sum(axis=0), gained[_FOODS].T])
