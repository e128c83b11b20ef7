"""The evenings on which a household feeds, and how slots move onto them."""

from __future__ import annotations

from collections.abc import Collection
from dataclasses import replace
from datetime import date, timedelta

from dace.core.errors import DaceError
from dace.core.fed.records import Rhythm

DAYS = ("mon", "tue", "wed", "thu", "fri", "sat", "sun")
EARLIEST, _WEEK = 3, 7
"""So many days before it opens a slot may be used."""
_SPREAD = {1: (2,), 2: (1, 4), 3: (0, 2, 4), 4: (0, 2, 4, 5), 5: (0, 1, 2, 4, 5)}
"""Evenings that lie well apart, by how many a week."""


def evenings_of(said: object) -> frozenset[int]:
    """Days of the week, Monday 0, of names or of a number a week; none where any will do.

    Raises
    ------
    DaceError
        On ``evenings``.

    Examples
    --------
    >>> sorted(evenings_of(["tue", "fri"])), sorted(evenings_of(2)), evenings_of("")
    ([1, 4], [1, 4], frozenset())
    """
    if said in (None, "", 7):
        return frozenset()
    if isinstance(said, int) and not isinstance(said, bool):
        if said == _WEEK - 1:
            return frozenset(range(_WEEK - 1))
        if said not in _SPREAD:
            raise DaceError("evenings", f"{said} a week", "1 to 7 would do")
        return frozenset(_SPREAD[said])
    names = said.split(",") if isinstance(said, str) else said
    if not isinstance(names, list) or not names:
        raise DaceError("evenings", repr(said)[:60], 'days such as ["tue", "fri"] would do')
    wrong = [one for one in names if one not in DAYS]
    if wrong:
        raise DaceError("evenings", f"“{wrong[0]}”"[:60], f"one of {', '.join(DAYS)} would do")
    found = frozenset(DAYS.index(one) for one in names)
    return frozenset() if len(found) == _WEEK else found


Span = tuple[date, date]
BEFORE_AWAY = timedelta(days=3)
"""No feed falls in the last days before somebody goes."""


def is_due(on: date, opens: date, evenings: Collection[int]) -> bool:
    """Whether a slot that opens on a day is used on another.

    On evenings alone: once it is open, and up to three days before where no evening comes
    in between.
    """
    if not evenings:
        return opens <= on
    if on.weekday() not in evenings:
        return False
    early = (opens - on).days
    if early <= 0:
        return True
    between = any((on + timedelta(days=n)).weekday() in evenings for n in range(1, early + 1))
    return early <= EARLIEST and not between


def barred(on: date, away: Collection[Span]) -> bool:
    """Whether nothing is fed on a day: somebody is away then, or goes within three days.

    >>> gone = [(date(2026, 9, 1), date(2026, 9, 14))]
    >>> [barred(date(2026, 8, day), gone) for day in (28, 29)]
    [False, True]
    >>> [barred(date(2026, 9, day), gone) for day in (14, 15)]
    [True, False]
    """
    return any(since - BEFORE_AWAY <= on <= until for since, until in away)


def used_on(
    opens: date, today: date, evenings: Collection[int], away: Collection[Span] = ()
) -> date:
    """The first day from today on on which a slot is used."""
    gone = sum(((until - since) + BEFORE_AWAY).days + 1 for since, until in away)
    most = max(0, (opens - today).days) + gone + _WEEK + 1
    days = (today + timedelta(days=n) for n in range(most))
    return next(on for on in days if is_due(on, opens, evenings) and not barred(on, away))


def fitted(rhythm: Rhythm, on: date, evenings: Collection[int]) -> Rhythm:
    """The same with as many days carried as lie between a feed and the next evening for one."""
    if not evenings or rhythm.with_water:
        return rhythm
    later = used_on(on + timedelta(days=rhythm.apart), on + timedelta(days=1), evenings)
    return replace(rhythm, counted=max(rhythm.counted, (later - on).days))
