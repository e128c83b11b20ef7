"""A plan tried out: other habits, another shelf or other weather, beside what stands."""

from __future__ import annotations

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date

from dace.core.can.ingredient import Source
from dace.core.errors import DaceError
from dace.core.fed.options import minutes_of
from dace.core.fed.records import RHYTHMS, Grows, Yard
from dace.core.ledger.shortfall import APPROACHES
from dace.core.plan.cans import minutes_for
from dace.core.plan.making import make_plan
from dace.core.plan.records import Event, Plan
from dace.core.rootzone.follow import follow_all
from dace.core.season.clock import stage_clock
from dace.core.season.need import spans
from dace.core.season.outlook import Outlook
from dace.core.verdict.judge import verdicts

_MOST_WARMER_C, _MOST_RAIN, _MOST_STRENGTH = 6.0, 4.0, 3.0


@dataclass(frozen=True)
class Trial:
    """What is tried out; None or 0 leaves a thing as it is.

    ``stops`` are keys of the stops that are meant, empty for all. ``home_made`` is whether
    nothing bought is used; ``warmer_c`` and ``rain_times`` are of the weather to come.
    """

    stops: frozenset[str] = frozenset()
    approach: str | None = None
    rhythm: str | None = None
    strength: float | None = None
    slider: float | None = None
    home_made: bool = False
    warmer_c: float = 0.0
    rain_times: float = 1.0

    def __post_init__(self) -> None:
        for field, said, known in (
            ("approach", self.approach, APPROACHES), ("rhythm", self.rhythm, RHYTHMS),
        ):  # fmt: skip
            if said is not None and said not in known:
                raise DaceError(field, f"“{said}”", f"one of {', '.join(known)} would do")
        if self.slider is not None and not -1 <= self.slider <= 1:
            said = f"{self.slider:g}"
            raise DaceError("slider", said, "-1 (spare money) to 1 (spare effort) would do")
        if self.strength is not None and not 0 < self.strength <= _MOST_STRENGTH:
            said = f"{self.strength:g} times"
            raise DaceError("strength", said, f"up to {_MOST_STRENGTH:g} would do")
        if abs(self.warmer_c) > _MOST_WARMER_C:
            said = f"{self.warmer_c:g} degrees"
            raise DaceError("warmer_c", said, f"up to {_MOST_WARMER_C:g} either way would do")
        if not 0 <= self.rain_times <= _MOST_RAIN:
            said = f"{self.rain_times:g} times"
            raise DaceError("rain_times", said, f"0 to {_MOST_RAIN:g} would do")

    @property
    def other_weather(self) -> bool:
        """Whether the days to come are others."""
        return self.warmer_c != 0 or self.rain_times != 1


@dataclass(frozen=True, eq=False)
class Rehearsed:
    """A garden as it would be, and its plan."""

    yard: Yard
    plan: Plan


def rehearse(yard: Yard, trial: Trial, weeks: int) -> Rehearsed:
    """The plan as it would be; nothing is changed.

    Parameters
    ----------
    yard : Yard
        As it stands; its plantings with what their clocks go by.
    trial : Trial
        What is otherwise.
    weeks : int
        1 to 52.
    """
    tried = _habits(yard, trial)
    if trial.other_weather:
        tried = _under(tried, yard.days.otherwise(trial.warmer_c, trial.rain_times))
    return Rehearsed(tried, make_plan(tried, weeks, verdicts(tried)))


def _habits(yard: Yard, trial: Trial) -> Yard:
    home = frozenset(one.key for one in yard.sources if one.home_made or _own(one))
    stops = []
    for stop in yard.stops:
        if not trial.stops or stop.key in trial.stops:
            only = (stop.only & home if stop.only else home) if trial.home_made else stop.only
            none = frozenset({"none"}) if trial.home_made and not only else only
            tried = replace(
                stop,
                approach=trial.approach or stop.approach,
                rhythm=trial.rhythm or stop.rhythm,
                strength=stop.strength if trial.strength is None else trial.strength,
                only=none,
                mixed=None,
            )
            stops.append(tried)
        else:
            stops.append(stop)
    slider = yard.slider if trial.slider is None else trial.slider
    return replace(yard, stops=tuple(stops), slider=slider)


def _own(source: Source) -> bool:
    """Whether a dry thing is of the garden: it was never paid for and has no maker's grade."""
    return not source.dissolves and source.price == 0


def _under(yard: Yard, days: Outlook) -> Yard:
    """The same garden under other days to come: its clocks, its roots."""
    stops = [replace(s, grows=tuple(_reclocked(g, days) for g in s.grows)) for s in yard.stops]
    clocks = {one.key: spans(one.clock) for stop in stops for one in stop.grows}
    roots = [
        replace(
            stop.followed.root_zone,
            growing=tuple(
                replace(one, stages=clocks.get(one.key, one.stages))
                for one in stop.followed.root_zone.growing
            ),
        )
        for stop in stops
    ]
    followed = follow_all(roots, days)
    return replace(
        yard,
        days=days,
        stops=tuple(replace(stop, followed=one) for stop, one in zip(stops, followed, strict=True)),
    )


def _reclocked(one: Grows, days: Outlook) -> Grows:
    if one.begun is None:
        return one
    return replace(one, clock=stage_clock(one.crop, one.begun, days))


@dataclass(frozen=True)
class Tally:
    """What a plan comes to: feeds, what is bought for them, minutes, the first picking.

    ``money`` counts what has a price; ``unpriced`` is whether something bought has none.
    """

    feeds: int
    money: float
    unpriced: bool
    minutes: float
    carried: float | None
    picked_on: date | None


def tally(plan: Plan, yard: Yard, stops: frozenset[str] = frozenset()) -> Tally:
    """What a plan comes to, of some stops or, with none named, of all."""
    sources = {one.key: one for one in yard.sources}
    events = [e for e in plan.events if e.portion is not None and _meant(e.stop, stops)]
    money, minutes, unpriced = 0.0, _minutes(events, sources), False
    for event in events:
        assert event.portion is not None
        for key, amount in event.portion.used.items():
            source = sources[key]
            if source.price is not None:
                money += source.price * amount
            unpriced = unpriced or (source.price is None and not source.home_made)
    shares = [one.share for one in plan.carried if _meant(one.stop, stops)]
    return Tally(
        feeds=len(events),
        money=money,
        unpriced=unpriced,
        minutes=minutes,
        carried=sum(shares) / len(shares) if shares else None,
        picked_on=_picked_on(plan, yard, stops),
    )


def _minutes(events: Sequence[Event], sources: Mapping[str, Source]) -> float:
    """What their evenings take [min]: each day's cans and stops, and what is made for a can."""
    days: dict[date, list[Event]] = {}
    for event in events:
        days.setdefault(event.on, []).append(event)
    found = 0.0
    for there in days.values():
        cans = {one.portion.recipe for one in there if one.portion}
        used = [sources[key] for keys, *_ in cans for key in keys]
        found += minutes_for(len(cans), len(there))
        found += sum(minutes_of(one) for one in used if one.home_made)
    return found


def _meant(stop: str, stops: frozenset[str]) -> bool:
    return not stops or stop in stops


def _picked_on(plan: Plan, yard: Yard, stops: frozenset[str]) -> date | None:
    """The first day after today on which something there comes into harvest."""
    days = [
        start.likely
        for one in yard.stops
        if _meant(one.key, stops)
        for grows in one.grows
        for start in grows.clock.starts
        if start.stage.key == "harvest" and start.likely and start.likely > plan.today
    ]
    return min(days, default=None)
