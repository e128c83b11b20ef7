"""What may follow on a bed: crops that warmth and light still finish, a green manure, or rest."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date, timedelta
from functools import cache

import numpy as np

from dace.core.figures import judgement, load_table
from dace.core.season.climate import Climate, drawn_departures, normals
from dace.core.season.clock import stage_clock
from dace.core.season.cold import lives_on
from dace.core.season.crops import Crop
from dace.core.season.looks import Begun
from dace.core.season.outlook import Outlook, skies
from dace.core.season.weather import day_hours
from dace.core.solids.green_manure import GreenManure, green_manures
from dace.core.words.days import on_day

_LIKELY = 0.5
_PICKED = ("harvest", "ripening")
_TENDER_C, _SHORT_STAND = -2.0, 0.4
_YEARS = 2000


@dataclass(frozen=True)
class Rotation:
    """A group of crops that share their troubles, and how many years they keep apart."""

    group: str
    years: int


@cache
def rotations() -> dict[str, Rotation]:
    """By family of crops; a family without a row follows itself.

    >>> rotations()["nightshade"].years
    4
    """
    return {
        row.text("family"): Rotation(row.text("group"), int(row.number("years")))
        for row in load_table("rotation")
    }


@dataclass(frozen=True)
class Follower:
    """Something that may follow: its key, what kind it is, why, and what stands against it.

    ``picked_on`` is when a crop is likely first picked.
    """

    key: str
    green_manure: bool
    why: str
    against: str
    picked_on: date | None = None


def against_rotation(family: str, before: Sequence[tuple[int, str]], year: int) -> str:
    """What rotation says against a family; empty where nothing does.

    ``before`` are years with the families that held a third of the ground or more.

    >>> against_rotation("nightshade", [(2024, "nightshade")], 2026)
    'nightshade grew here in 2024: four years apart are better'
    >>> against_rotation("nightshade", [(2021, "nightshade")], 2026)
    ''
    """
    rule = rotations().get(family)
    if rule is None:
        return ""
    same = [then for then, other in before
            if (own := rotations().get(other)) and own.group == rule.group
            and 0 <= year - then < rule.years]  # fmt: skip
    if not same:
        return ""
    apart = {3: "three", 4: "four"}[rule.years]
    return f"{rule.group} grew here in {max(same)}: {apart} years apart are better"


def follows(
    crops: Sequence[Crop], before: Sequence[tuple[int, str]], days: Outlook
) -> tuple[Follower, ...]:
    """What may be sown today, those that rotation speaks against last.

    Parameters
    ----------
    crops : sequence of Crop
        Which are thought of.
    before : sequence of (year, family)
        What grew there.
    days : Outlook
        The warmth to come, from today on.
    """
    found = [one for grown in crops if (one := _finishes(grown, before, days))]
    found += [one for kind in green_manures().values() if (one := _sown(kind, before, days))]
    return tuple(sorted(found, key=lambda one: (one.against != "", one.green_manure)))


def _finishes(grown: Crop, before: Sequence[tuple[int, str]], days: Outlook) -> Follower | None:
    """A crop, if warmth and light are likely to bring it to its picking."""
    if lives_on(grown.key):
        return None  # it stays for years: nothing follows with it
    read = stage_clock(grown, Begun(days.today), days)
    least = judgement("light_hours").range.typ
    for start, reached in zip(read.starts, read.reached, strict=True):
        if start.stage.key not in _PICKED or reached < _LIKELY or start.likely is None:
            continue
        on = start.likely
        if day_hours(days.latitude, on) < least:
            return None
        said = against_rotation(grown.family, before, days.today.year)
        return Follower(grown.key, False, f"picked from about {on_day(on)}", said, on)
    return None


def _sown(kind: GreenManure, before: Sequence[tuple[int, str]], days: Outlook) -> Follower | None:
    """A green manure, if today lies in its window of sowing."""
    last, first = usual_frosts(days)
    if last is None or first is None:
        return None
    frosts = {"last": last, "first": first}
    row = kind.row
    begin = frosts[row.text("sow_from_frost")] + timedelta(weeks=row.number("sow_from_weeks"))
    end = frosts[row.text("sow_until_frost")] + timedelta(weeks=row.number("sow_until_weeks"))
    if not begin <= days.today <= end or not _warm_enough(kind, days, first):
        return None
    said = [against_rotation(one, before, days.today.year) for one in kind.crop_family.split(";")]
    why = f"{kind.nitrogen('flower').typ:.0f} g of nitrogen a square metre at its buds"
    return Follower(kind.key, True, why, next((one for one in said if one), ""))


def _warm_enough(kind: GreenManure, days: Outlook, first_frost: date) -> bool:
    """Whether what frost kills still makes a short stand before it comes."""
    if kind.row.number("hardy_to_c") < _TENDER_C:
        return True
    left = max(1, (first_frost - days.today).days)
    usual = normals(days.where, days.latitude, days.today, left)
    base = kind.row.number("gdd_base_c")
    warmth = float(np.maximum(0.0, (usual.t_min + usual.t_max) / 2 - base).sum())
    return warmth >= _SHORT_STAND * kind.row.number("gdd_to_flower")


def usual_frosts(days: Outlook) -> tuple[date | None, date | None]:
    """Usual last and first frost of the year of today, by half of the years drawn; None if rare."""
    year = days.today.year
    north = days.latitude >= 0
    middle = date(year, 7, 1) if north else date(year, 1, 1)
    spring = _frost(days.where, days.latitude, middle - timedelta(days=182), middle, last=True)
    autumn = _frost(days.where, days.latitude, middle, middle + timedelta(days=182), last=False)
    return spring, autumn


@cache
def _frost(where: Climate, latitude: float, begin: date, end: date, last: bool) -> date | None:
    """The day by which half of the years have had their last or first frost."""
    count = (end - begin).days
    usual = normals(where, latitude, begin, count)
    rng = np.random.default_rng(1)
    middle = (usual.t_min + usual.t_max) / 2 + drawn_departures(where, _YEARS, count, rng)
    half = (usual.t_max - usual.t_min) / 2 * skies(1, middle.shape)
    frosty = middle - half < 0
    if frosty.any(axis=1).mean() < _LIKELY:
        return None
    had = frosty[frosty.any(axis=1)]
    at = count - 1 - had[:, ::-1].argmax(axis=1) if last else had.argmax(axis=1)
    return begin + timedelta(days=int(np.median(at)))
