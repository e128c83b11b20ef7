"""A root zone followed day by day: a filter of draws that each reading re-weighs."""

from __future__ import annotations

from dataclasses import dataclass, field, replace
from datetime import date, timedelta
from functools import lru_cache

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.ensemble import systematic
from dace.core.draws.spreads import ends
from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import ageing
from dace.core.rootzone.bucket import WIDE, Bucket, Day
from dace.core.rootzone.records import NITRATE, Felt, Growing, Poured, RootZone, Sampled
from dace.core.rootzone.sampled import (
    CONFLICT,
    drain_ec,
    expected,
    felt_likelihood,
    likelihood,
    scale_of,
    shown,
)
from dace.core.rootzone.unknowns import DRAWS, Unknowns, first_unknowns
from dace.core.season.need import daily_need, daily_use
from dace.core.season.outlook import Outlook

Array = NDArray[np.float64]
MOST_DAYS = 90
_REFERENCE_ET_MM = 3.0
_DRY = 0.4
_BAND = (0.1, 0.5, 0.9)
_PUSHES = 0.2  # of what it holds: a watering that pushes salts down before it
_WORSE = 3.0  # how much wider a doubted reading counts
_WEEK = 7.0
_LOW = (
    "lower than it can well be: too much poured for the sample, a dirty pen, the wrong scale, "
    "or rain and waterings that nobody wrote down"
)
_HIGH = (
    "higher than it can well be: the pot was drier than thought, a feed not written down, salt, "
    "the wrong scale, or a pen long not calibrated"
)


_Event = Poured | Sampled | Felt


@dataclass(frozen=True)
class Looked:
    """A reading beside what was expected just before: 80 % band, and reasons if it is doubted."""

    sample: Sampled
    low: float
    likely: float
    high: float
    doubt: str


@dataclass(frozen=True, eq=False)
class Followed:
    """A root zone from its first day on.

    ``ec`` has shape (3, days): 10, 50 and 90 % of what a pour-through should read [mS/cm at
    25 C]; ``water`` the same of how full of water the medium is [share]. ``today`` is the
    index of the last day that was; the days after it are a forecast. ``bucket`` and
    ``unknowns`` are the draws as they stand today.
    """

    root_zone: RootZone
    first: date
    today: int
    ec: Array
    water: Array
    looked: tuple[Looked, ...]
    bucket: Bucket
    unknowns: Unknowns
    drains: Array

    @property
    def now(self) -> tuple[float, float, float]:
        """Today's band."""
        low, likely, high = self.ec[:, self.today]
        return float(low), float(likely), float(high)


@dataclass
class _Filter:
    """A bucket with its draws, and what they were told so far."""

    root_zone: RootZone
    days: Outlook
    first: date
    count: int
    rng: np.random.Generator
    looked: list[Looked] = field(default_factory=list)

    def __post_init__(self) -> None:
        root = self.root_zone
        self.water_mg_l = np.array(root.water_mg_l)
        start_ec = root.medium.start_ec
        self.unknowns = first_unknowns(self.rng, root.medium.holding, start_ec)
        slow, half_lives = _slow(root, self.first)
        self.bucket = Bucket(self.unknowns, root.litres, np.zeros_like(slow), half_lives)
        self.bucket.has_saucer = root.setting == "saucer"
        self._begin(slow)
        begin = self.days.index(self.first)
        self.age = ageing(self.days.mean_c()[begin : begin + self.count])
        et = self.days.likely_et()[begin : begin + self.count] / _REFERENCE_ET_MM
        self.rain = self.days.rain_mm[begin : begin + self.count] * root.rain_m2
        self.use = et * _use(root.growing, self.first, self.count)
        self.need = _need(root.growing, self.first, self.count)
        self.events: dict[date, list[_Event]] = {}
        every: tuple[_Event, ...] = (*root.poured, *root.samples, *root.felt)
        for event in every:
            self.events.setdefault(event.on, []).append(event)

    def _begin(self, slow: Array) -> None:
        root, fixed = self.root_zone, self.unknowns.fixed
        available = np.zeros(WIDE)
        available[0] = root.medium.available_of("N")
        for column, nutrient in enumerate(NUTRIENTS[1:], start=3):
            available[column] = root.medium.available_of(nutrient)
        self.bucket.fresh(available * root.litres, fixed["start_ec"], fixed["stock"])
        old = max(0, (self.first - root.filled_on).days)
        self.bucket.held = self.bucket.held * 0.5 ** (old / judgement("held_half_life").range.typ)
        self.bucket.slow[:, 0] = slow[0] * fixed["stock"][:, None]
        for number, one in enumerate(root.slow, start=1):
            since = (self.first - one.on).days
            if since > 0:  # given before the days that are followed: what is left of it
                left = 0.5 ** (since / one.half_life_days)
                self.bucket.slow[:, number] += slow[number] * left
        self.later = slow

    def day(self, index: int) -> None:
        """One day goes by."""
        on = self.first + timedelta(days=index)
        for number, one in enumerate(self.root_zone.slow, start=1):
            if one.on == on:
                self.bucket.slow[:, number] += self.later[number]
                self.bucket.dissolved += np.array(one.at_once)
                self.bucket.books["came_in"] += np.array(one.at_once) + self.later[number]
        self.bucket.morning(
            Day(
                float(self.use[index]),
                self.need[index],
                float(self.age[index]),
                float(self.rain[index]),
            )
        )
        for event in sorted(self.events.get(on, ()), key=_moment):
            if isinstance(event, Sampled):
                self._read(event)
            elif isinstance(event, Felt):
                self._keep(felt_likelihood(event, self.bucket.water / self.bucket.full))
            else:
                litres = np.full_like(self.bucket.water, event.litres)
                self.bucket.pour(litres, np.array(event.mg_l))
        noise = self.rng.normal(size=DRAWS)
        self.bucket.evening(self.water_mg_l, not self.root_zone.logs_all, noise)

    def _read(self, sample: Sampled) -> None:
        should = expected(self.bucket, self.unknowns, sample, self.water_mg_l)
        scale = scale_of(sample, self._bad_moment(sample))
        seen = shown(should, scale, self.rng)
        least, low, likely, high, most = ends(seen, (CONFLICT, 0.1, 0.5, 0.9, 1 - CONFLICT))
        doubt = ""
        if not least <= sample.value <= most:
            doubt = _LOW if sample.value < least else _HIGH
            scale *= _WORSE
        self.looked.append(Looked(sample, low, likely, high, doubt))
        self._keep(likelihood(sample, should, scale))

    def _keep(self, weight: Array) -> None:
        """Draws by their weight."""
        index = systematic(weight, self.rng)
        self.unknowns = self.unknowns.chosen(index, self.rng)
        self.bucket.chosen(index, self.unknowns)

    def _bad_moment(self, sample: Sampled) -> bool:
        """Soon after a feed or a flush, which lag in the drain, or from a dry pot."""
        if sample.method == NITRATE:
            return False
        soon = judgement("soon_after_feed").range.typ
        fed = any(p.feed and 0 <= (sample.on - p.on).days < soon for p in self.root_zone.poured)
        pushed = pushed_on(self.root_zone, sample.on, float(np.median(self.bucket.full)))
        dry = float(np.median(self.bucket.water / self.bucket.full)) < _DRY
        return fed or pushed or dry


def _moment(event: _Event) -> tuple[float, bool]:
    """When in its day; what is read at the moment of a pour was read before it drained."""
    return event.hour, isinstance(event, Poured)


def pushed_on(root: RootZone, on: date, full_l: float) -> bool:
    """Whether plain water pushed salts down on a day or the day before."""
    return any(
        not p.feed and 0 <= (on - p.on).days <= 1 and p.litres > _PUSHES * full_l
        for p in root.poured
    )


def _slow(root: RootZone, first: date) -> tuple[Array, Array]:
    """What comes out later [mg] and its half-lives [days at 20 C]: the medium's own first."""
    medium = root.medium
    rows, half_lives = [np.zeros(WIDE)], [_WEEK * max(medium.release_half_life_weeks, 0.1)]
    old = max(0, (first - root.filled_on).days)
    if medium.release_half_life_weeks:
        a_day = medium.release_n_mg_l_week * root.litres / _WEEK
        whole = a_day * half_lives[0] / np.log(2)
        rows[0][1] = whole * 0.5 ** (old / half_lives[0])
    for one in root.slow:
        rows.append(np.array(one.later))
        half_lives.append(one.half_life_days)
    return np.array(rows), np.array(half_lives)


def _use(growing: tuple[Growing, ...], first: date, count: int) -> Array:
    """What all plants use on a day of 3 mm [L]."""
    use = np.zeros(count)
    for one in growing:
        each = daily_use(one.stages, first, count)
        use += one.plants * each * _there(one, first, count)
    return use


def _need(growing: tuple[Growing, ...], first: date, count: int) -> Array:
    """What all plants take on a day [mg], shape (days, 5)."""
    need = np.zeros((count, len(NUTRIENTS)))
    for one in growing:
        each = daily_need(one.grown, one.stages, first, count)
        need += one.plants * each * _there(one, first, count)[:, None]
    return need


def _there(one: Growing, first: date, count: int) -> Array:
    """1 on days when the plants stand in the fill."""
    there = np.zeros(count)
    end = count if one.until is None else (one.until - first).days
    there[max(0, (one.since - first).days) : max(0, end)] = 1.0
    return there


@lru_cache(maxsize=64)
def follow(root: RootZone, days: Outlook, ahead: int = 21) -> Followed:
    """Follow a root zone up to today and some days on.

    Parameters
    ----------
    root : RootZone
        All that happened to it; the order of its events does not matter.
    days : Outlook
        The weather; today is its last known day.
    ahead : int
        Days of forecast, 0 to 120.

    Returns
    -------
    Followed
        A pure function of its arguments: an undone or late event gives the same as if it
        had been so from the start.

    Raises
    ------
    DaceError
        If the fill begins after today, or on ``ahead``.
    """
    if not 0 <= ahead <= 120:
        raise DaceError("ahead", f"{ahead} days", "0 to 120 would do")
    if root.filled_on > days.today:
        raise DaceError("filled_on", f"{root.filled_on}", "a day that has been would do")
    first = max(root.filled_on, days.first, days.today - timedelta(days=MOST_DAYS))
    today = (days.today - first).days
    count = today + 1 + ahead
    found = _Filter(_in_order(root), days, first, count, np.random.default_rng(root.seed))
    ec, water = np.empty((3, count)), np.empty((3, count))
    kept: tuple[Bucket, Unknowns, Array] | None = None
    for index in range(count):
        found.day(index)
        drains = drain_ec(found.bucket, found.water_mg_l)
        ec[:, index] = ends(drains, _BAND)
        share = found.bucket.water / found.bucket.full
        water[:, index] = ends(share, _BAND)
        if index == today:
            kept = (found.bucket.copy(), found.unknowns, drains)
    assert kept is not None
    return Followed(root, first, today, ec, water, tuple(found.looked), *kept)


def _in_order(root: RootZone) -> RootZone:
    """The same whatever the order in which its events are told."""
    return replace(
        root,
        poured=tuple(sorted(root.poured, key=lambda p: (p.on, p.hour, p.litres, p.mg_l))),
        slow=tuple(sorted(root.slow, key=lambda s: (s.on, s.at_once, s.later))),
        samples=tuple(sorted(root.samples, key=lambda s: (s.on, s.hour, s.method, s.value))),
        felt=tuple(sorted(root.felt, key=lambda f: (f.on, f.hour, f.word))),
    )
