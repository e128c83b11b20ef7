"""What each day brings to a fill, and what happened in it: fixed before the draws set out."""

from __future__ import annotations

import hashlib
from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.release import ageing
from dace.core.matter.settings import setting
from dace.core.rootzone.records import (
    CHARGED,
    Felt,
    Growing,
    Poured,
    RootZone,
    Sampled,
    Slow,
    Tested,
)
from dace.core.rootzone.slow import Slowly
from dace.core.same import Same
from dace.core.season.need import cell_carries, daily_need, daily_room, daily_use, in_cell, towards
from dace.core.season.outlook import Outlook

Array = NDArray[np.float64]
MOST_DAYS = 90
WEEK = 7
_REFERENCE_ET_MM = 3.0
_WIDE = len(CHARGED)

Event = Poured | Sampled | Felt | Tested


@dataclass(frozen=True, eq=False)
class Course:
    """A fill's days from ``first`` on.

    ``use`` [L], ``age`` [days at 20 C], ``rain`` [L] and ``watered`` (whether what is
    dry is watered unsaid) have one value a day, ``need`` [mg] is
    (days, 5). ``events`` are those of each day in order; ``keys`` stand for all that came
    before the first day and each Monday that was (``whole`` for all of it): equal keys mean
    equal states.
    """

    root: RootZone
    first: date
    today: int
    use: Array
    need: Array
    age: Array
    rain: Array
    watered: NDArray[np.bool_]
    events: tuple[tuple[Event, ...], ...]
    given: tuple[tuple[int, ...], ...]
    keys: tuple[bytes, ...] = ()
    whole: bytes = b""

    @property
    def count(self) -> int:
        """How many days."""
        return len(self.use)


_LAID_OUT: Same[Course] = Same(128)


def course_of(root: RootZone, days: Outlook, ahead: int) -> Course:
    """Lay out a fill's days; the window begins on a Monday, so that it moves once a week."""
    name = (root.chance, tuple(one.key for one in root.growing), ahead)
    return _LAID_OUT.of(name, (root, days.digest), lambda: _laid_out(_in_order(root), days, ahead))


def _laid_out(root: RootZone, days: Outlook, ahead: int) -> Course:
    window = days.today - timedelta(days=MOST_DAYS)
    window -= timedelta(days=window.weekday())
    first = max(root.filled_on, days.first, window)
    today = (days.today - first).days
    count = today + 1 + ahead
    begin = days.index(first)
    shown = slice(begin, begin + count)
    et = days.likely_et()[shown] / _REFERENCE_ET_MM
    course = Course(
        root=root,
        first=first,
        today=today,
        use=et * _use(root.growing, first, count),
        need=needs(root, first, count).sum(axis=0) + taken_besides(root, first, count),
        age=ageing(days.mean_c()[shown]),
        rain=days.rain_mm[shown] * root.rain_m2,
        watered=somebody_there(root.unwatered, first, count) & (not root.logs_all),
        events=_by_day(_events(root), first, today, count),
        given=_given(root.slow, first, count),
    )
    for array in (course.use, course.need, course.age, course.rain, course.watered):
        array.setflags(write=False)  # it is shared with whoever asks again
    keys = _keys(course)
    return replace(course, keys=tuple(keys[:-1]), whole=keys[-1])


def somebody_there(
    unwatered: Sequence[tuple[date, date]], first: date, count: int
) -> NDArray[np.bool_]:
    """Days on which somebody is there to water what is dry, shape (count,)."""
    found = np.ones(count, dtype=bool)
    for since, until in unwatered:
        found[max(0, (since - first).days) : max(0, (until - first).days + 1)] = False
    return found


def _events(root: RootZone) -> tuple[Event, ...]:
    return (*root.poured, *root.samples, *root.felt, *root.tested)


def _by_day(
    events: tuple[Event, ...], first: date, today: int, count: int
) -> tuple[tuple[Event, ...], ...]:
    """What happened on each day; what is dated ahead of today has not happened."""
    found: list[list[Event]] = [[] for _ in range(count)]
    for event in events:
        at = (event.on - first).days
        if 0 <= at <= today:
            found[at].append(event)
    return tuple(tuple(sorted(row, key=_moment)) for row in found)


def _moment(event: Event) -> tuple[float, bool]:
    """When in its day; what is read at the moment of a pour was read before it drained."""
    return event.hour, isinstance(event, Poured)


def _given(slow: tuple[Slow, ...], first: date, count: int) -> tuple[tuple[int, ...], ...]:
    """The pools that are given on each day; the medium's own is the first of all."""
    found: list[list[int]] = [[] for _ in range(count)]
    for pool, one in enumerate(slow, start=1):
        at = (one.on - first).days
        if 0 <= at < count:
            found[at].append(pool)
    return tuple(map(tuple, found))


def mondays(course: Course) -> list[int]:
    """Indices of the first day and of every Monday up to today."""
    first = WEEK - course.first.weekday()
    return [0, *range(first, course.today + 1, WEEK)]


def _keys(course: Course) -> list[bytes]:
    """A digest of all that came before each of :func:`mondays`, and one of the whole."""
    root = course.root
    still = replace(
        root,
        growing=(),
        poured=(),
        samples=(),
        felt=(),
        slow=(),
        tested=(),
        others=(),
        unwatered=(),
    )
    older = [one for one in root.slow if one.on < course.first]
    tested = [one for one in root.tested if one.on < course.first]
    digest = hashlib.sha256(repr((still, course.first, older, tested)).encode())
    begins = mondays(course)
    keys = [digest.digest()]
    for begin, end in zip(begins, [*begins[1:], course.count], strict=True):
        for rows in (course.use, course.need, course.age, course.rain, course.watered):
            digest.update(rows[begin:end].tobytes())
        pools = [root.slow[pool - 1] for row in course.given[begin:end] for pool in row]
        digest.update(repr((course.events[begin:end], pools)).encode())
        keys.append(digest.digest())
    return keys


def resumed(course: Course, day: int, slow: Slowly) -> Slowly:
    """Pools as they were left on a day, with those that were told of since."""
    now = slowly_of(course, slow.left[0, 0])
    given = 1 + sum((one.on - course.first).days < day for one in course.root.slow)
    now.left[:given] = slow.left[:given]
    return now


def slowly_of(course: Course, stock: Array) -> Slowly:
    """Its pools as they stand on the first day; ``stock`` is how rich the medium is, by draw."""
    root, first = course.root, course.first
    made_of = np.zeros((1 + len(root.slow), _WIDE, 1))
    half_lives = np.ones((1 + len(root.slow), 1))
    left = np.zeros((1 + len(root.slow), 1, len(stock)))
    half_lives[0] = WEEK * max(root.medium.release_half_life_weeks, 0.1)
    if root.medium.release_half_life_weeks:
        a_day = root.medium.release_n_mg_l_week * root.litres / WEEK
        made_of[0, 1] = a_day * half_lives[0] / np.log(2)
        left[0, 0] = stock * 0.5 ** (max(0, (first - root.filled_on).days) / half_lives[0])
    for pool, one in enumerate(root.slow, start=1):
        made_of[pool, :, 0], half_lives[pool] = one.later, one.half_life_days
        if one.on < first:  # given before the days that are followed: what is left of it
            left[pool] = 0.5 ** ((first - one.on).days / one.half_life_days)
    return Slowly(left, made_of, half_lives)


def _use(growing: tuple[Growing, ...], first: date, count: int) -> Array:
    """What all plants use on a day of 3 mm [L]."""
    use = np.zeros(count)
    for one in growing:
        each = daily_use(one.stages, first, count)
        use += one.plants * each * _there(one, first, count)
    return use


def needs(root: RootZone, first: date, count: int) -> Array:
    """What each planting takes on a day [mg], shape (plantings, days, 5).

    In a pot it counts for the plant that the pot can carry.
    """
    here = np.array([one.plants * _there(one, first, count) for one in root.growing])
    found = np.zeros((len(root.growing), count, len(NUTRIENTS)))
    if not len(here):
        return np.zeros((1, count, len(NUTRIENTS)))
    litres_each = root.litres / np.maximum(1.0, here.sum(axis=0))
    for turn, one in enumerate(root.growing):
        each = daily_need(one.grown, one.stages, first, count, root.is_bed)
        if not root.is_bed:
            each *= daily_room(one.grown, one.stages, first, litres_each)[:, None]
            each *= _in_cells(root, one, first, each[:, 0], litres_each)[:, None]
        found[turn] = one.aim * here[turn][:, None] * each
    return found


def taken_besides(root: RootZone, first: date, count: int) -> Array:
    """What green manure and what rots takes on a day [mg], shape (days, 5)."""
    found = np.zeros((count, len(NUTRIENTS)))
    for one in root.others:
        since, until = ((day - first).days for day in (one.since, one.until))
        found[max(0, since) : max(0, until)] += np.array(one.mg) / (until - since)
    return found


def _in_cells(root: RootZone, one: Growing, first: date, n_mg: Array, litres: Array) -> Array:
    """What of its need counts where it has hardly any medium.

    A seedling grows towards what its cell carries, whatever it would take of open ground; in a
    tray nothing counts past it.
    """
    counts = np.ones(len(litres))
    small = np.array([in_cell(one.grown, float(each)) for each in litres])
    if not small.any():
        return counts
    most = np.array([cell_carries(one.grown, float(each)) for each in litres])
    share: Array = most / np.maximum(n_mg, 1e-9)
    counts[small] = np.minimum(1.0, share)[small]
    for span in one.stages:
        low, high = (max(0, (day - first).days) for day in (span.first, span.after))
        days = slice(low, min(high, len(litres)))
        if span.stage.is_seedling:
            age = np.arange(days.start, max(days.start, days.stop), dtype=float)
            grown = share[days] * towards(most[days], age - (span.first - first).days)
            counts[days] = np.where(small[days] & (n_mg[days] > 0), grown, counts[days])
        elif setting(root.setting).seedlings:
            counts[days] = 0.0
    return counts


def _there(one: Growing, first: date, count: int) -> Array:
    """1 on days when the plants stand in the fill."""
    there = np.zeros(count)
    end = count if one.until is None else (one.until - first).days
    there[max(0, (one.since - first).days) : max(0, end)] = 1.0
    return there


def _in_order(root: RootZone) -> RootZone:
    """The same whatever the order in which its events are told."""
    return replace(
        root,
        poured=tuple(sorted(root.poured, key=lambda p: (p.on, p.hour, p.litres, p.mg_l))),
        slow=tuple(sorted(root.slow, key=lambda s: (s.on, s.at_once, s.later))),
        samples=tuple(sorted(root.samples, key=lambda s: (s.on, s.hour, s.method, s.value))),
        tested=tuple(sorted(root.tested, key=lambda t: (t.on, t.hour, t.mg_l))),
        others=tuple(sorted(root.others, key=lambda t: (t.since, t.until, t.mg))),
        felt=tuple(sorted(root.felt, key=lambda f: (f.on, f.hour, f.word))),
    )
