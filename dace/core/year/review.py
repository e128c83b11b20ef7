"""A year looked back at: what each planting wanted and got, and what to do otherwise."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

import numpy as np

from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.season.crops import Crop
from dace.core.season.need import Span, daily_need, daily_room
from dace.core.year.follows import against_rotation

_LITTLE, _MUCH = 0.5, 2.0
_MOST_LINES, _LEAST_G = 3, 0.5
_SHOWN_FOR = ("N", "K")
"""What a shortage is said of: the rest follows the feed that brings these."""
Five = tuple[float, ...]


def wanted_g(
    grown: Crop,
    stages: tuple[Span, ...],
    plants: int,
    since: date,
    until: date,
    litres_each: float | None,
) -> Five:
    """What so many plants take from a day up to another [g], in the order of ``NUTRIENTS``.

    In a pot it counts for the plant that ``litres_each`` can carry; None is open ground.
    """
    days = max(0, (until - since).days)
    each = daily_need(grown, stages, since, days, litres_each is None)
    if litres_each is not None:
        each *= daily_room(grown, stages, since, np.full(days, litres_each))[:, None]
    summed = each.sum(axis=0)
    return tuple(float(mg) * plants / 1000 for mg in summed)


@dataclass(frozen=True)
class Reviewed:
    """A planting's year: its name, what it wanted and was given [g], whether it stood in soil.

    ``held`` is what fresh mix brought along [g]; ``makes_n`` is whether it gathers
    nitrogen, ``known`` whether the weather it grew in still is: else nothing is wanted or said.
    """

    name: str
    wanted: Five
    given: Five
    in_ground: bool
    held: Five = (0.0,) * len(NUTRIENTS)
    makes_n: bool = False
    known: bool = True


def lines_for_next(year: Sequence[Reviewed], thrown: Sequence[str] = ()) -> tuple[str, ...]:
    """What to do otherwise, in three lines at most, the widest gap first.

    In soil what a feed brings is the least of it, so nothing is said of a bed's shortage.

    Examples
    --------
    >>> wanted, given = (10.0, 2.0, 20.0, 5.0, 2.0), (9.0, 2.0, 6.0, 1.0, 0.5)
    >>> melon = Reviewed("The melons", wanted, given, False)
    >>> lines_for_next([melon])
    ('The melons had a third of the potassium they wanted: feed sooner.',)
    """
    said: list[tuple[float, str]] = []
    for one in year:
        gaps: list[tuple[float, str]] = []
        if not one.known:
            continue
        for nutrient in _SHOWN_FOR:
            at = NUTRIENTS.index(nutrient)
            wanted, given = one.wanted[at], one.given[at] + one.held[at]
            if wanted < _LEAST_G or (nutrient == "N" and one.makes_n):
                continue
            gaps.append((given / wanted, NUTRIENT_NAMES[nutrient]))
        if not gaps:
            continue
        least, short = min(gaps)
        most, over = max(gaps)
        if not one.in_ground and least < _LITTLE:
            part = _part(least)
            said.append((least, f"{one.name} had {part} of the {short} they wanted: feed sooner."))
        elif most > _MUCH:
            times = f"{most:.1f}".removesuffix(".0")
            said.append((1 / most, f"{one.name} got {times} times the {over} they want: spare it."))
    said.sort(key=lambda pair: pair[0])
    lines = [line for _, line in said]
    lines += [f"{name} was thrown out: brew less of it, or use it sooner." for name in thrown]
    return tuple(lines[:_MOST_LINES])


def _part(share: float) -> str:
    for most, words in ((0.05, "hardly any"), (0.29, "a fifth"), (0.42, "a third")):
        if share <= most:
            return words
    return "less than half"


@dataclass(frozen=True)
class Plot:
    """A place to grow in: its key, whether it is soil, and which families held it in which year."""

    key: str
    name: str
    in_ground: bool
    before: tuple[tuple[int, str], ...]


@dataclass(frozen=True)
class Moved:
    """Where a crop goes next year, and what rotation says against it there, if anything."""

    ground: Plot
    against: str


def next_ground(family: str, stood: Plot, grounds: Sequence[Plot], year: int) -> Moved:
    """The next place along the path where rotation says nothing against a family.

    It stays where it is in fresh mix, and where nothing speaks against it; where no soil is free
    of its group it stays too, and that is said.

    Examples
    --------
    >>> one = Plot("1", "Bed 1", True, ((2026, "nightshade"),))
    >>> two = Plot("2", "Bed 2", True, ((2026, "legume"),))
    >>> next_ground("nightshade", one, [one, two], 2027).ground.name
    'Bed 2'
    >>> next_ground("nightshade", one, [one], 2027).against[:10]
    'nightshade'
    """
    if not stood.in_ground:
        return Moved(stood, "")
    soil = [one for one in grounds if one.in_ground]
    at = next((i for i, one in enumerate(soil) if one.key == stood.key), 0)
    for one in (*soil[at:], *soil[:at]):
        if not against_rotation(family, one.before, year):
            return Moved(one, "")
    return Moved(stood, against_rotation(family, stood.before, year))


def a_year_on(day: date) -> date:
    """The same day of the next year; 28 February for the leap day.

    >>> a_year_on(date(2028, 2, 29)), a_year_on(date(2026, 4, 12))
    (datetime.date(2029, 2, 28), datetime.date(2027, 4, 12))
    """
    try:
        return day.replace(year=day.year + 1)
    except ValueError:
        return day.replace(year=day.year + 1, day=28)
