"""The filter: draws of several root zones that go through their days, re-weighed by readings.

Notes
-----
Every chance is seeded by the fill and the day, so that no fill's figures depend on which
others go along. Draws are chosen anew once so few of them agree with the readings that half
of them no longer count; then they are drawn together a little and shaken as much again.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.ensemble import systematic
from dace.core.draws.spreads import middle, weighted_ends
from dace.core.figures import judgement
from dace.core.rootzone.amounts import as_tested, hold_phosphorus
from dace.core.rootzone.bucket import Bucket
from dace.core.rootzone.course import Course
from dace.core.rootzone.day import Day
from dace.core.rootzone.larder import EVERY, SEEN, evening, rows_of
from dace.core.rootzone.mondays import Kept
from dace.core.rootzone.records import (
    CHARGED,
    NITRATE,
    PER_MEQ,
    Felt,
    RootZone,
    Sampled,
    Tested,
)
from dace.core.rootzone.sampled import (
    CONFLICT,
    drain_ec,
    expected,
    felt_likelihood,
    likelihood,
    scale_of,
    shown,
)
from dace.core.rootzone.unknowns import DRAWS, LIVING, Unknowns, told_by

Array = NDArray[np.float64]
_DRY, _FEW_MEQ = 0.4, 1e-9
_NA = CHARGED.index("Na")
_MEQ_PER_MG = 1 / np.array(PER_MEQ)
_BAND = (0.1, 0.5, 0.9)
_PUSHES = 0.2  # of what it holds: a watering that pushes salts down before it
_WEEK = 7
_WORSE = 3.0  # how much wider a doubted reading counts
_LEAST_SHARE = 0.5
_NOISE, _READING, _SETTLING = 1, 2, 10_000
_LOW = (
    "lower than it can well be: too much poured for the sample, a dirty pen, the wrong scale, "
    "or rain and waterings that nobody wrote down"
)
_HIGH = (
    "higher than it can well be: the pot was drier than thought, a feed not written down, salt, "
    "the wrong scale, or a pen long not calibrated"
)


@dataclass(frozen=True)
class Looked:
    """A reading beside what was expected just before: 80 % band, and reasons if it is doubted.

    ``again`` marks a second surprise to the same side, from which the fill was begun anew.
    """

    sample: Sampled
    low: float
    likely: float
    high: float
    doubt: str
    again: bool = False


@dataclass
class Filter:
    """Fills side by side from one day on, and what they were told so far."""

    courses: Sequence[Course]
    begun: Sequence[Kept]

    def __post_init__(self) -> None:
        self.unknowns = Unknowns.joined([one.unknowns for one in self.begun])
        self.bucket = Bucket.joined([one.bucket for one in self.begun])
        self.looked: list[tuple[Looked, ...]] = [one.looked for one in self.begun]
        self.water_mg_l = np.array([course.root.water_mg_l for course in self.courses]).T
        self.watered = self._rows("watered") > 0
        self.use, self.need = self._rows("use"), self._rows("need")
        self.age, self.rain = self._rows("age"), self._rows("rain")
        self.weight = np.stack([one.weight for one in self.begun])
        self.bands: list[Array] = [one.ec for one in self.begun]
        self.before: list[Array] = [one.fed for one in self.begun]
        shape = (len(self.courses), self.use.shape[1], DRAWS)
        self.drains, self.weights = np.empty(shape), np.empty(shape)
        draws = len(range(0, DRAWS, EVERY))
        self.seen = np.empty((self.use.shape[1], SEEN, len(self.courses), draws))
        self.noise: Array = np.zeros(0)

    def _offset(self, fill: int) -> int:
        """The day of its course on which a fill sets out."""
        return int(self.begun[fill].ec.shape[1])

    def _rows(self, name: str) -> Array:
        """A quantity of all fills from the day on which they set out."""
        rows = [getattr(course, name) for course in self.courses]
        return np.stack([row[self._offset(fill) :] for fill, row in enumerate(rows)])

    def day(self, turn: int) -> None:
        """One day goes by."""
        for fill, course in enumerate(self.courses):
            for pool in course.given[self._offset(fill) + turn]:
                self._spread(fill, pool)
        self.bucket.morning(
            Day(self.use[:, turn], self.need[:, turn].T, self.age[:, turn], self.rain[:, turn])
        )
        for fill, course in enumerate(self.courses):
            for number, event in enumerate(course.events[self._offset(fill) + turn]):
                if isinstance(event, Sampled):
                    self._read(fill, turn, number, event)
                elif isinstance(event, Tested):
                    as_tested(self.bucket, fill, course.root, event, self._rng(fill, turn, number))
                elif isinstance(event, Felt):
                    share = self.bucket.water[fill] / self.bucket.full[fill]
                    self._weigh(fill, felt_likelihood(event, share), self._rng(fill, turn, number))
                else:
                    litres = np.full((1, DRAWS), event.litres)
                    at = slice(fill, fill + 1)
                    full = middle(self.bucket.full[fill])
                    pushes = not event.feed and event.litres > _PUSHES * full
                    pour = self.bucket.push if pushes else self.bucket.pour
                    pour(litres, np.array(event.mg_l)[:, None], at)
                    if course.root.is_bed:
                        hold_phosphorus(self.bucket, fill, event)
        self.bucket.evening(self.water_mg_l, self.watered[:, turn], self._noise(turn))
        self.drains[:, turn] = drain_ec(self.bucket, self.water_mg_l)
        self.weights[:, turn] = self.weight
        self.seen[turn] = evening(self.bucket)

    def _spread(self, fill: int, pool: int) -> None:
        """A dry feed comes in: what is there at once, and a pool of what comes later."""
        dry = self.courses[fill].root.slow[pool - 1]
        at_once, later = np.array(dry.at_once)[:, None], np.array(dry.later)[:, None]
        self.bucket.slow.left[pool, fill] = 1.0
        self.bucket.dissolved[:, fill] += at_once
        self.bucket.books["came_in"][:, fill] += at_once + later

    def _noise(self, turn: int) -> Array:
        """What nobody knows of a day, drawn a week at a time."""
        course = self.courses[0]
        on = course.first + timedelta(days=self._offset(0) + turn)
        if turn == 0 or on.weekday() == 0:
            monday = on + timedelta(days=_WEEK - on.weekday())
            ages = [(monday - c.root.filled_on).days for c in self.courses]
            drawn = [
                np.random.default_rng((c.root.chance, age, _NOISE))
                for c, age in zip(self.courses, ages, strict=True)
            ]
            normal = np.stack([rng.standard_normal((7, DRAWS)) for rng in drawn])
            self.noise = np.expm1(judgement("root_noise").range.typ * normal)
        return np.asarray(self.noise[:, on.weekday()])

    def _rng(self, fill: int, turn: int, number: int) -> np.random.Generator:
        course = self.courses[fill]
        age = (course.first - course.root.filled_on).days + self._offset(fill) + turn
        return np.random.default_rng((course.root.chance, age, _READING, number))

    def _read(self, fill: int, turn: int, number: int, sample: Sampled) -> None:
        rng = self._rng(fill, turn, number)
        should = expected(self.bucket, self.unknowns, fill, sample, self.water_mg_l)
        scale = scale_of(sample, self._bad_moment(fill, sample))
        seen = shown(should, scale, rng)
        shares = (CONFLICT, 0.1, 0.5, 0.9, 1 - CONFLICT)
        least, low, likely, high, most = weighted_ends(seen, self.weight[fill], shares)
        doubt = ""
        if not least <= sample.value <= most:
            doubt = _LOW if sample.value < least else _HIGH
        again = self._again(fill, sample, low, high)
        if again:
            doubt = ""
        looked = Looked(sample, low, likely, high, doubt, again)
        self.looked[fill] = (*self.looked[fill], looked)
        if again:
            self._begin_anew(fill, sample, scale, rng)
            return
        if doubt:
            scale *= _WORSE
        self._weigh(fill, likelihood(sample, should, scale), rng)

    def _again(self, fill: int, sample: Sampled, low: float, high: float) -> bool:
        """A second surprise to the same side: it is the state that was wrong, not the reading."""
        if not self.looked[fill]:
            return False
        last = self.looked[fill][-1]
        if not last.doubt or last.sample.method != sample.method:
            return False
        above = last.sample.value > last.high
        return sample.value > high if above else sample.value < low

    def _begin_anew(
        self, fill: int, sample: Sampled, scale: float, rng: np.random.Generator
    ) -> None:
        """Habits as before any reading, and salts about what was read twice."""
        self.unknowns.z[:, fill] = rng.standard_normal((LIVING, DRAWS))
        self.bucket.retune(self.unknowns, fill)
        should = expected(self.bucket, self.unknowns, fill, sample, self.water_mg_l)
        wanted = shown(np.full(DRAWS, sample.value), scale, rng)
        self._scale_salts(fill, wanted / should)
        self.weight[fill] = 1 / DRAWS

    def _weigh(self, fill: int, like: Array, rng: np.random.Generator) -> None:
        """Draws count by how well they agree; where few are left that do, those are chosen."""
        weight = self.weight[fill] * like
        weight /= weight.sum()
        self.weight[fill] = weight
        if (weight @ weight) * DRAWS * _LEAST_SHARE > 1:
            told = told_by({one.sample.method for one in self.looked[fill]})
            index = systematic(weight, rng)
            self.unknowns.choose(fill, index, rng, told)
            self.bucket.choose(fill, index)
            self.bucket.retune(self.unknowns, fill)
            self._doubt_bias(fill, rng)
            self.weight[fill] = 1 / DRAWS

    def _doubt_bias(self, fill: int, rng: np.random.Generator) -> None:
        """How far a place reads off is told by no reading alone: let each draw doubt it again.

        The salts move against it, so that what the draw expects of a reading stays.
        """
        for method in {one.sample.method for one in self.looked[fill]} - {NITRATE}:
            before = self.unknowns.bias(method, fill)
            self.unknowns.doubt_bias(method, fill, rng)
            self._scale_salts(fill, before / self.unknowns.bias(method, fill))

    def _scale_salts(self, fill: int, factor: Array) -> None:
        """More or less salt, booked as what nobody knows: sodium first, food only then.

        A reading speaks of all ions, and what nobody poured is rarely food.
        """
        there = self.bucket.dissolved[:, fill]
        meq = _MEQ_PER_MG @ there
        other = np.maximum((factor - 1) * meq / _MEQ_PER_MG[_NA], -there[_NA])
        left = np.maximum(_FEW_MEQ, meq + other * _MEQ_PER_MG[_NA])
        moved = there * np.minimum(0.0, factor * meq / left - 1)
        moved[_NA] = other
        self.bucket.books["shaken"][:, fill] += moved
        self.bucket.dissolved[:, fill] += moved

    def settle(self, fill: int, turn: int) -> None:
        """Let every draw count alike from here on, as they are wanted by those who ask."""
        weight = self.weight[fill]
        if weight.max() > weight.min():
            index = systematic(weight, self._rng(fill, turn, _SETTLING))
            self.unknowns.choose(fill, index)
            self.bucket.choose(fill, index)
            self.bucket.retune(self.unknowns, fill)
            self.weight[fill] = self.weights[fill, turn] = 1 / DRAWS
            self.drains[fill, turn] = self.drains[fill, turn][index]

    def _bad_moment(self, fill: int, sample: Sampled) -> bool:
        """Soon after a feed or a flush, which lag in the drain, or from a dry pot."""
        if sample.method == NITRATE:
            return False
        root, bucket = self.courses[fill].root, self.bucket
        soon = judgement("soon_after_feed").range.typ
        fed = any(p.feed and 0 <= (sample.on - p.on).days < soon for p in root.poured)
        if fed or pushed_on(root, sample.on, middle(bucket.full[fill])):
            return True
        return middle(bucket.water[fill] / bucket.full[fill]) < _DRY

    def _band(self, fill: int, turn: int) -> Array:
        """10, 50 and 90 % of what drained on each day so far, shape (3, days)."""
        known = self.bands[fill]
        done = known.shape[1] - self._offset(fill)
        if turn > done:
            rows = zip(self.drains[fill, done:turn], self.weights[fill, done:turn], strict=True)
            fresh = [weighted_ends(drains, weight, _BAND) for drains, weight in rows]
            known = self.bands[fill] = np.concatenate([known, np.array(fresh).T], axis=1)
        return known

    def kept(self, fill: int, turn: int) -> Kept:
        """A fill as it stands before a day."""
        return Kept(
            self.bucket.of(fill),
            self.unknowns.of_fill(fill),
            self.weight[fill].copy(),
            self.looked[fill],
            self._band(fill, turn),
            self.fed(fill, turn),
        )

    def drained(self, fill: int, turn: int) -> Array:
        """What each draw let drain on a day; a copy, which does not keep the days of all fills."""
        return np.array(self.drains[fill, turn])

    def fed(self, fill: int, turn: int) -> Array:
        """Rows of :mod:`larder` of each day so far, shape (ROWS, days)."""
        known = self.before[fill]
        done = known.shape[1] - self._offset(fill)
        if turn > done:
            seen = self.seen[done:turn, :, fill]
            fresh = rows_of(seen, self.weights[fill, done:turn, ::EVERY])
            known = self.before[fill] = np.concatenate([known, fresh], axis=1)
        return known

    def band(self, fill: int) -> Array:
        """The same over all days, as 10, 50 and 90 %."""
        return self._band(fill, self.drains.shape[1])


def pushed_on(root: RootZone, on: date, full_l: float) -> bool:
    """Whether plain water pushed salts down on a day or the day before."""
    return any(
        not p.feed and 0 <= (on - p.on).days <= 1 and p.litres > _PUSHES * full_l
        for p in root.poured
    )
