"""Raising on: when young plants want a larger pot, hardening off, and planting out."""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date, timedelta
from functools import cache
from typing import Literal

import numpy as np
from numpy.lib.stride_tricks import sliding_window_view
from numpy.typing import NDArray

from dace.core.figures import Range, judgement, load_table
from dace.core.matter.settings import Shelter
from dace.core.season.crops import Crop
from dace.core.season.looks import StageReading
from dace.core.season.outlook import Outlook
from dace.core.season.weather import day_hours
from dace.core.words import shown
from dace.core.words.days import on_day
from dace.core.year.frost import harm_leaf_c

MoveKind = Literal["pot_on", "harden", "keep_in", "plant_out"]
_RISK_NIGHTS, _WARM_WEEK, _NEAR_WARMEST_C = 21, 7, 2.0
_SOON_D, _LISTED_D = 7, 120
_ROOTS_UP_TO = ("germination", "seedling", "establishing", "vegetative")
_SMALL = 1 / 3


@dataclass(frozen=True)
class Raised:
    """Young plants that are not where they will stay.

    ``litres_each`` is medium for each [L]; ``hardening_on`` when hardening off was begun,
    ``later_on`` when somebody said that they wait.
    """

    crop: Crop
    clock: StageReading
    shelter: Shelter
    litres_each: float
    in_tray: bool
    hardening_on: date | None = None
    later_on: date | None = None


@dataclass(frozen=True)
class Moving:
    """A step that is due from a day on; ``litres`` of medium for each where it is a larger pot."""

    kind: MoveKind
    on: date
    title: str
    line: str
    litres: tuple[float, float] | None = None


@cache
def _nights() -> dict[str, float]:
    """The night from which a crop goes out [C], of those that wait for warm nights."""
    rows = load_table("frost_harm")
    return {row.text("crop"): row.number("out_night_c") for row in rows if row.text("out_night_c")}


def is_tender(crop_key: str) -> bool:
    """Whether a crop waits for warm nights before it goes out.

    >>> is_tender("melon"), is_tender("kale")
    (True, False)
    """
    return crop_key in _nights()


def out_on(grown: Crop, days: Outlook) -> date | None:
    """The first day from today on which a crop may stand in the open; None within the outlook.

    In four years of five no night of the three weeks from then on is too cold for it: a frost for
    what is tender. What waits for warm nights waits for them, or for the warmest there are but
    two degrees; nothing goes out that finds no light to root by. Usual nights where none are
    forecast.
    """
    key = ("out on", grown.key)
    if key not in days.worked_out:
        fits = np.flatnonzero(_fits(grown, days))
        days.worked_out[key] = days.today + timedelta(days=int(fits[0])) if len(fits) else None
    found: date | None = days.worked_out[key]
    return found


def _fits(grown: Crop, days: Outlook) -> NDArray[np.bool_]:
    """Of each day from today on, whether it is mild, warm and light enough."""
    nights = days.t_min[:, days.index(days.today) + 1 :]
    harm = harm_leaf_c(grown.key, "grown")
    coldest = sliding_window_view(nights, _RISK_NIGHTS, axis=1).min(axis=2)
    radiates = judgement("leaf_below_air").range.typ
    least = -np.inf if harm is None else min(0.0, harm + radiates)
    fits = (coldest < least).mean(axis=0) < judgement("out_frost_risk").range.typ
    if is_tender(grown.key):
        weeks = sliding_window_view(np.median(nights, axis=0), _WARM_WEEK).mean(axis=1)
        wanted = min(_nights()[grown.key], float(weeks.max()) - _NEAR_WARMEST_C)
        fits = fits & (weeks >= wanted)[: len(fits)]
    rooted = days.today + timedelta(days=_RISK_NIGHTS)
    lit = [_grows_on(days, rooted + timedelta(days=ahead)) for ahead in range(len(fits))]
    return np.asarray(fits & np.array(lit))


def _grows_on(days: Outlook, on: date) -> bool:
    """Whether a day is long enough that anything grows."""
    return day_hours(days.latitude, on) >= judgement("light_hours").range.typ


def moving(raised: Raised, days: Outlook) -> tuple[Moving, ...]:
    """What young plants want next, in the order of days; nothing of what stays where it is.

    Parameters
    ----------
    raised : Raised
        The plants, and what was done for them.
    days : Outlook
        The nights to come.

    Returns
    -------
    tuple of Moving
        Potting on, hardening off, planting out; those of a day to come too.
    """
    ready = _ready_on(raised, days.today)
    if ready is None:
        return ()
    today = days.today
    first = today if raised.later_on is None else raised.later_on + timedelta(days=_SOON_D)
    stands_out = raised.shelter == "open"
    out = _out(raised, ready, days)
    on = max(ready, first)
    while not _grows_on(days, on):
        on += timedelta(days=1)
    wait = None if out is None else (out - on).days
    steps = []
    if _outgrown(raised) and (stands_out or wait is None or wait > _hardening(raised.crop).high):
        steps.append(_pot_on(raised, on))
    if out is None or (stands_out and not raised.in_tray) or (out - today).days > _LISTED_D:
        return tuple(steps)
    steps += [_plant_out(max(out, first))] if stands_out else _hardened(raised, out, first, days)
    return tuple(sorted(steps, key=lambda one: one.on))


def _out(raised: Raised, ready: date, days: Outlook) -> date | None:
    """When they are large enough and it is warm enough; None where they are over by then."""
    out = out_on(raised.crop, days)
    ends = raised.clock.ends_on
    if out is None or (ends is not None and out > max(ends, days.today)):
        return None
    return max(out, ready)


def _hardening(grown: Crop) -> Range:
    """How many days a crop is hardened off."""
    return judgement("harden_days" if is_tender(grown.key) else "harden_hardy_days").range


def _hardened(raised: Raised, out: date, first: date, days: Outlook) -> list[Moving]:
    """Hardening off, then planting out: begun some days before, or so many days are left of it."""
    span, today = _hardening(raised.crop), days.today
    if raised.hardening_on is None:
        begin = max(first, out - timedelta(days=round(span.typ)))
        out = max(out, begin + timedelta(days=round(span.low)))
        return [_harden(begin, out), _plant_out(out)]
    left = max(0, round(span.low) - _mild_nights(days, raised.hardening_on))
    return [*_kept_in(days), _plant_out(max(out, first, today + timedelta(days=left)))]


def _ready_on(raised: Raised, today: date) -> date | None:
    """When they are large enough to be moved; None of what stays where it is."""
    stage = raised.clock.stage.key
    if stage not in _ROOTS_UP_TO or not (raised.in_tray or _outgrown(raised)):
        return None
    grown_on = raised.clock.outgrown_on(today)
    if grown_on is not None:
        soon = today + timedelta(days=_SOON_D)
        return today if grown_on[1] <= soon and stage == "seedling" else grown_on[1]
    return today if not raised.clock.stage.is_seedling else None


def _outgrown(raised: Raised) -> bool:
    """Whether a pot is less than a third of what such plants have in the end."""
    return raised.litres_each < _SMALL * raised.crop.typical_pot_litres


def _mild_nights(days: Outlook, since: date) -> int:
    """Nights since a day on which it did not have to be taken in."""
    low = judgement("harden_above_c").range.typ
    begun = days.index(max(since, days.first))
    nights = np.median(days.t_min, axis=0)[begun : days.index(days.today) + 1]
    return int((nights >= low).sum()) - 1


def _kept_in(days: Outlook) -> list[Moving]:
    """A night that pauses hardening off."""
    low = float(np.median(days.t_min[:, days.index(days.today) + 1]))
    if low >= judgement("harden_above_c").range.typ:
        return []
    line = f"{shown.degrees(low)} tonight: a pause in hardening off."
    return [Moving("keep_in", days.today, "Take in tonight", line)]


def _pot_on(raised: Raised, on: date) -> Moving:
    times = judgement("pot_on_times").range
    most = raised.crop.typical_pot_litres
    low, high = (min(most, n * raised.litres_each) for n in (times.low, times.high))
    return Moving("pot_on", on, "Pot on", f"{shown.litres_span(low, high, 1)} each.", (low, high))


def _harden(on: date, out: date) -> Moving:
    line = f"{(out - on).days} days, then out about {on_day(out)}."
    return Moving("harden", on, "Harden off", line)


def _plant_out(on: date) -> Moving:
    return Moving("plant_out", on, "Plant out", "")
