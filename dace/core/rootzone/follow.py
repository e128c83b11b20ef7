"""Root zones followed up to today and some days on, each from the Monday that is still known.

Notes
-----
One day loop runs over all fills at once: a garden costs little more than its longest fill.
"""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.settings import setting
from dace.core.rootzone.bucket import WIDE, Bucket
from dace.core.rootzone.course import Course, course_of, mondays, resumed, slowly_of
from dace.core.rootzone.filter import Filter, Looked
from dace.core.rootzone.larder import ROWS, Larder
from dace.core.rootzone.mondays import Kept, Newest
from dace.core.rootzone.records import RootZone
from dace.core.rootzone.unknowns import DRAWS, Unknowns, first_unknowns
from dace.core.season.outlook import Outlook

Array = NDArray[np.float64]
AHEAD, _MOST_AHEAD = 42, 120
_BEGINNING = 0


@dataclass(frozen=True, eq=False)
class Followed:
    """A root zone from its first day on.

    ``ec`` has shape (3, days): 10, 50 and 90 % of what a pour-through should read [mS/cm at
    25 C]. ``today`` is the index of the last day that was; the days after it are a forecast.
    ``larder`` is what food it holds and gave on each of those days, with nothing fed ahead.
    ``bucket`` and ``unknowns`` are the draws as they stand today (one fill), ``drains`` what
    each lets drain then. ``whole`` stands for all that it follows from: equal digests, equal
    root zones.
    """

    root_zone: RootZone
    first: date
    today: int
    ec: Array
    larder: Larder
    looked: tuple[Looked, ...]
    bucket: Bucket
    unknowns: Unknowns
    drains: Array
    whole: bytes = b""

    @property
    def now(self) -> tuple[float, float, float]:
        """Today's band."""
        low, likely, high = self.ec[:, self.today]
        return float(low), float(likely), float(high)


def _beginning(course: Course) -> Kept:
    """A fill on its first day, before anything is known but what it is filled with."""
    root = course.root
    rng = np.random.default_rng((root.chance, _BEGINNING))
    unknowns = first_unknowns(rng, root.medium.holding, root.medium.start_ec)
    stock = unknowns.fixed["stock"]
    bucket = Bucket(
        unknowns,
        np.array([root.litres]),
        slowly_of(course, stock[0]),
        np.array([setting(root.setting).returns_drain]),
    )
    available = np.zeros((WIDE, 1))
    available[0] = root.medium.available_of("N")
    for column, nutrient in enumerate(NUTRIENTS[1:], start=3):
        available[column] = root.medium.available_of(nutrient)
    for test in (one for one in root.tested if one.on < course.first):
        for nutrient, mg_l in test.mg_l:
            available[0 if nutrient == "N" else 2 + NUTRIENTS.index(nutrient)] = mg_l
    bucket.fresh(available * root.litres, unknowns.fixed["start_ec"], stock, root.is_bed)
    old = max(0, (course.first - root.filled_on).days)
    bucket.held *= 0.5 ** (old / judgement("held_half_life").range.typ)
    even = np.full(DRAWS, 1 / DRAWS)
    return Kept(bucket, unknowns, even, (), np.empty((3, 0)), np.empty((ROWS, 0)))


_MONDAYS: Newest[Kept] = Newest(160)
_FOUND: Newest[Followed] = Newest(96)


def follow(root: RootZone, days: Outlook, ahead: int = AHEAD) -> Followed:
    """Follow one root zone; see :func:`follow_all`."""
    return follow_all((root,), days, ahead)[0]


def follow_all(
    roots: Sequence[RootZone], days: Outlook, ahead: int = AHEAD
) -> tuple[Followed, ...]:
    """Follow root zones up to today and some days on.

    Parameters
    ----------
    roots : sequence of RootZone
        All that happened to each; the order of its events does not matter.
    days : Outlook
        The weather; today is its last known day.
    ahead : int
        Days of forecast, 0 to 120.

    Returns
    -------
    tuple of Followed
        Each a pure function of its own root zone and the weather: an undone or late event
        gives the same as if it had been so from the start.

    Raises
    ------
    DaceError
        If a fill begins after today, or on ``ahead``.
    """
    if not 0 <= ahead <= _MOST_AHEAD:
        raise DaceError("ahead", f"{ahead} days", "0 to 120 would do")
    for root in roots:
        if root.filled_on > days.today:
            raise DaceError("filled_on", f"{root.filled_on}", "a day that has been would do")
    courses = [course_of(root, days, ahead) for root in roots]
    found = {number: _known(course) for number, course in enumerate(courses)}
    setting_out: dict[date, list[tuple[int, Kept]]] = {}
    for number, course in enumerate(courses):
        if found[number] is None:
            begun = _begun(course)
            on = course.first + timedelta(days=begun.ec.shape[1])
            setting_out.setdefault(on, []).append((number, begun))
    for rows in setting_out.values():
        numbers, begun_there = zip(*rows, strict=True)
        several = _run([courses[number] for number in numbers], begun_there)
        for number, one in zip(numbers, several, strict=True):
            found[number] = one
            _FOUND.keep(courses[number].whole, lambda one=one: one)
    return tuple(one for one in found.values() if one is not None)


def _known(course: Course) -> Followed | None:
    """What was found of just such a fill, of this one's own plantings by their keys."""
    kept = _FOUND.newest([course.whole])
    return None if kept is None else replace(kept, root_zone=course.root)


def _begun(course: Course) -> Kept:
    """A fill on the newest Monday from which it may go on, or on its first day."""
    kept = _MONDAYS.newest(course.keys)
    if kept is None:
        return _beginning(course)
    bucket = kept.bucket.of(0)
    bucket.slow = resumed(course, kept.ec.shape[1], bucket.slow)
    return replace(kept, bucket=bucket)


def _run(courses: Sequence[Course], begun: Sequence[Kept]) -> list[Followed]:
    """Fills that set out on one day, and so end on one."""
    filters = Filter(courses, begun)
    keys = [dict(zip(mondays(c), c.keys, strict=True)) for c in courses]
    offsets = [one.ec.shape[1] for one in begun]
    today = courses[0].today - offsets[0]
    stood: list[tuple[Kept, Array]] = []
    for turn in range(courses[0].count - offsets[0]):
        for fill, offset in enumerate(offsets):
            key = keys[fill].get(offset + turn)
            if key is not None and turn > 0:
                _MONDAYS.keep(key, lambda f=fill, t=turn: filters.kept(f, t))
        filters.day(turn)
        if turn == today:
            for fill in range(len(courses)):
                filters.settle(fill, turn)
                stood.append((filters.kept(fill, turn + 1), filters.drained(fill, turn)))
    return [
        Followed(
            course.root,
            course.first,
            course.today,
            filters.band(fill),
            Larder.of(filters.fed(fill, courses[0].count - offsets[0])),
            kept.looked,
            kept.bucket,
            kept.unknowns,
            drains,
            course.whole,
        )
        for fill, (course, (kept, drains)) in enumerate(zip(courses, stood, strict=True))
    ]
