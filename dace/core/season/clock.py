"""The stage clock: where a planting stands, by date and warmth, put right by what was seen.

Notes
-----
A stage lasts its degree days (or days, where the table has none) times the plant's
own pace and a little of its own; some wait for days of so many hours besides.
Every draw has its own year of weather. A sighting sets the start of its stage to the
gap since the last look, even outside the table; how long it took re-weighs the pace.
Sightings are never reordered.
"""

from __future__ import annotations

import math
from dataclasses import replace
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import judgement
from dace.core.result import Working
from dace.core.season.asking import Unseen, asked
from dace.core.season.clock_steps import stage_steps
from dace.core.season.cold import ColdEnd, killed_on, lives_on, unlikely, wakes_on
from dace.core.season.crops import Crop, Stage
from dace.core.season.looks import Begun, StageReading, Start
from dace.core.season.outlook import Outlook
from dace.core.season.warmth import day_reached, summed_at

Array = NDArray[np.float64]
DRAWS = 1000
_Z = 1.2816  # of the 10 and 90 % ends
_FAR_OUT = 3.0  # standard deviations beyond which a pace says nothing of the plant
_FEW = 0.1
_BY_DAY = 0.7  # of its day is over when somebody looks
_PLANTED_OUT, _SOON_DAYS = "establishing", 7.0
_HALF_A_YEAR = timedelta(days=183)
_LIT_DAYS = 14.0  # by which plants of a pace part that one length of day sets off
_COVER = ("cover_night_c", "cover_day_c")


def stage_clock(grown: Crop, begun: Begun, days: Outlook, seed: int = 1) -> StageReading:
    """Where a planting stands today, and when its stages begin.

    Parameters
    ----------
    grown : Crop
        What grows.
    begun : Begun
        Since when, and what was seen.
    days : Outlook
        Weather from before that on.
    seed : int
        The same seed gives the same answer.

    Returns
    -------
    StageReading
        Starts as 10/50/90 % days.
    """
    started = max(begun.started_on, wakes_on(grown, days))
    looks = [one for one in begun.looks if started <= one.on <= days.today]
    looks.sort(key=lambda one: one.on)
    kept = replace(begun, started_on=started, looks=tuple(looks))
    key = ("clock", grown.key, kept, seed)
    if key not in days.worked_out:
        days.worked_out[key] = _Clock(grown, kept, seed, days).read()
    found: StageReading = days.worked_out[key]
    return found


class _Clock:
    """Carries the draws through the stages of one planting."""

    def __init__(self, grown: Crop, begun: Begun, seed: int, days: Outlook) -> None:
        self.days, self.looks = days, begun.looks
        self.grown, self.shelter_kind, self.seed = grown, begun.shelter, seed
        self.stages = grown.stages
        self.place = {stage.key: index for index, stage in enumerate(grown.stages)}
        out = self.place.get(_PLANTED_OUT)
        moved = out is not None and any(self.place[look.stage] >= out for look in begun.looks)
        # nobody said when it left its tray, and it has: what is seen tells no pace
        self.never_told_out = begun.in_tray and moved
        self.in_tray = begun.in_tray and not moved
        self.shelter = judgement("indoor_c").range.typ if begun.indoors else None
        self.rng = np.random.default_rng(seed)
        self.row = np.arange(DRAWS) % days.t_min.shape[0]
        self.pace = np.exp(self.rng.normal(0, _sd("pace"), DRAWS))
        self.own = np.exp(self.rng.normal(0, _sd("stage_pace"), (len(self.stages), DRAWS)))
        self.started = float(days.index(begun.started_on))
        self.starts = np.full((len(self.stages), DRAWS), self.started)
        self.anchored = 0
        self.said: list[str] = []

    def read(self) -> StageReading:
        for index, (since, until) in self._sighted():
            self._sight(index, since, until)
        self._run(self.anchored)
        self._not_yet()
        self._end()
        return self._reading()

    def _sighted(self) -> list[tuple[int, tuple[float | None, float]]]:
        """The first look at each stage, with the gap in which it began [days]; None is unknown."""
        found: list[tuple[int, tuple[float | None, float]]] = []
        before: float | None = None
        reached = -1
        for look in self.looks:
            index = self.place[look.stage]
            at = min((look.on - self.days.first).days + _BY_DAY, float(self.days.known))
            if index > reached:
                since = None if before is None else max(self.started, min(before, at))
                found.append((index, (since, max(self.started, at))))
                reached = index
            before = at
        return found

    def _sight(self, index: int, since: float | None, until: float) -> None:
        """A sighting sets a start; how long it took tells of the pace."""
        if since is None and self._as_expected(index, until):
            return
        gap = judgement("look_gap").range.high
        since = max(self.started, until - gap) if since is None else since
        seen = since + self.rng.uniform(0, 1, DRAWS) * (until - since)
        if index == 0:
            self.starts[0] = seen
            return
        told = not (self.never_told_out and self.anchored < self.place[_PLANTED_OUT] <= index)
        begun = self.starts[self.anchored].copy()
        self._run(self.anchored, unit=True)
        expected = self.starts[index] - begun
        taken = seen - begun
        if told:
            self._weigh(index, taken, expected)
        for between in range(self.anchored + 1, index):
            share = (self.starts[between] - begun) / np.maximum(expected, 1e-6)
            self.starts[between] = begun + np.clip(share, 0, 1) * taken
        self.starts[index] = seen
        self.anchored = index

    def _as_expected(self, index: int, until: float) -> bool:
        """Nobody looked before: it began when the clock has it, given that it was by then."""
        if index == 0:
            return True
        self._run(self.anchored)
        fits = self.starts[index] <= until
        if fits.mean() <= _FEW:
            return False
        self._only(fits)
        self.anchored = index
        return True

    def _only(self, fits: NDArray[np.bool_]) -> None:
        """Keep the draws that fit, and as many of them again as did not."""
        chosen = self.rng.choice(np.flatnonzero(fits), DRAWS)
        chosen[fits] = np.flatnonzero(fits)
        self.row, self.pace = self.row[chosen], self.pace[chosen]
        self.own, self.starts = self.own[:, chosen], self.starts[:, chosen]

    def _weigh(self, index: int, taken: Array, expected: Array) -> None:
        off = np.log(np.maximum(taken, 0.5) / np.maximum(expected, 0.5))
        width = math.hypot(_sd("pace"), _sd("pace_seen"), _sd("stage_pace"))
        typical = float(np.median(off))
        if abs(typical) > _FAR_OUT * width:
            late = float(np.median(taken - expected))
            side = "later" if late > 0 else "earlier"
            words = self.stages[index].words
            self.said.append(
                f"Seen {words} about {abs(late):.0f} days {side} than the table has it"
            )
            return
        weight = np.exp(-0.5 * ((off - np.log(self.pace)) / _sd("pace_seen")) ** 2)
        self._keep(weight)

    def _keep(self, weight: Array) -> None:
        """Systematic resampling of everything that is drawn, but for the year of weather."""
        steps = (np.arange(DRAWS) + self.rng.uniform()) / DRAWS
        chosen = np.searchsorted(np.cumsum(weight / weight.sum()), steps)
        chosen = np.minimum(chosen, DRAWS - 1)
        self.pace, self.own = self.pace[chosen], self.own[:, chosen]

    def _run(self, index: int, unit: bool = False) -> None:
        """Stages after one whose start is known; ``unit`` leaves the plant's own pace out."""
        for j in range(index, len(self.stages) - 1):
            factor = self.own[j] * (1.0 if unit else self.pace)
            self.starts[j + 1] = self._after(self.stages[j], self.starts[j], factor)
            if (hours := self.stages[j + 1].light_h) is not None:
                self._lit(j + 1, hours)
            if self.in_tray and self.stages[j + 1].key == _PLANTED_OUT:
                soon = self.days.known + self.rng.uniform(0, _SOON_DAYS, DRAWS)
                self.starts[j + 1] = np.maximum(self.starts[j + 1], soon)

    def _lit(self, index: int, hours: float) -> None:
        """It begins on days of so many hours; where days never grow so long warmth alone tells."""
        long = np.flatnonzero(self.days.light_h() >= hours)
        warm = self.starts[index]
        at = np.searchsorted(long, warm - 1)
        if not len(long) or at.min() == len(long):
            return
        first = long[np.minimum(at, len(long) - 1)]
        lit = first + _LIT_DAYS * np.log(self.own[index])
        self.starts[index] = np.where(first > warm, np.maximum(lit, warm), warm)

    def _after(self, stage: Stage, begun: Array, factor: Array) -> Array:
        most = float(self.days.days)
        if stage.duration_gdd is None:
            return np.minimum(begun + stage.duration_days.typ * factor, most)
        sums = self._sums(stage)
        wanted = summed_at(sums, self.row, begun) + stage.duration_gdd * factor
        return day_reached(sums, self.row, wanted)

    def _sums(self, stage: Stage) -> Array:
        shelter = self.shelter if stage.is_seedling else None
        milder = 0.0
        if self.shelter_kind == "indoors":
            shelter = judgement("indoor_c").range.typ
        elif self.shelter_kind == "cover":
            # the mean of a day: nights a little milder, days more
            milder = sum(judgement(key).range.typ for key in _COVER) / 2
        return self.days.warmth(stage.gdd_base_c or 0.0, shelter, milder)

    def _end(self) -> None:
        """Cold ends each draw's plant, or its last stage does; no stage begins after that."""
        alive = self.started
        if self.looks:
            alive = max(alive, float((self.looks[-1].on - self.days.first).days + 1))
        above = self.starts[1] if len(self.stages) > 1 else self.starts[0]
        if self.shelter is not None or self.in_tray:
            out = self.place.get(_PLANTED_OUT, 1)
            above = self.starts[min(out, len(self.stages) - 1)]
        since = np.maximum(np.maximum(alive, above), float(self.days.index(self._turned())))
        key, kind = self.grown.key, self.shelter_kind
        self.killed = killed_on(key, self.days, self.row, since, kind, self.seed)
        over = self._after(self.stages[-1], self.starts[-1], self.own[-1] * self.pace)
        self.ends = self.killed if lives_on(key) else np.minimum(self.killed, over)
        self.lives = self.starts < self.ends[None, :]
        # what is seen has begun, whatever the nights say
        self.lives[: self.anchored + 1] = True
        self.starts = np.where(self.lives, self.starts, float(self.days.days))

    def _turned(self) -> date:
        """From when on cold ends it: the winter that lies ahead does, not the one behind it.

        What was begun before midsummer meets its last cold nights in spring, where it is covered
        or kept in; what was begun after it stands in the winter that comes.
        """
        month = 6 if self.days.latitude >= 0 else 12
        begun = self.days.first + timedelta(days=int(self.started))
        summers = (date(year, month, 21) for year in (begun.year, begun.year + 1))
        summer = next(day for day in summers if day >= begun)
        if summer - begun > _HALF_A_YEAR:
            return begun
        return min(summer, self.days.first + timedelta(days=self.days.days - 1))

    def _not_yet(self) -> None:
        """The last look at the last stage: the next had not begun by then.

        Seen at the same stage again, it stays there a while: a third of how far apart such
        stages end at least.
        """
        after = self.anchored + 1
        if not self.looks or after >= len(self.stages):
            return
        look = (self.looks[-1].on - self.days.first).days + _BY_DAY
        fits = self.starts[after] > look
        held = look + (self._holds() if self._seen_again() else 0.0)
        if not fits.all() and fits.mean() > _FEW:
            self._only(fits)
            fits = self.starts[after] > look
        if fits.all():
            self.starts[after] = np.maximum(self.starts[after], held)
            self._run(after)
            return
        self.said.append(f"Still {self.stages[self.anchored].words}, later than the table has it")
        room = self.stages[self.anchored].duration_days.typ / 4
        late = held + self.rng.uniform(0, room, DRAWS)
        self.starts[after] = np.where(fits, self.starts[after], late)
        self._run(after)

    def _seen_again(self) -> bool:
        return sum(self.place[one.stage] == self.anchored for one in self.looks) > 1

    def _holds(self) -> float:
        """How long a stage that was seen again lasts at least [days]."""
        spread = self.stages[self.anchored].duration_days
        return (spread.high - spread.low) * judgement("not_yet_holds").range.typ

    def _reading(self) -> StageReading:
        now = float((self.days.today - self.days.first).days + 1)
        # what begins only after today stands at its first stage
        at = np.maximum(0, (self.starts <= now).sum(axis=0) - 1)
        share = np.bincount(at, minlength=len(self.stages)) / DRAWS
        likely = int(np.argmax(share))
        chance = float(share[likely])
        doubtful = chance < judgement("stage_doubt").range.typ
        other = int(np.argsort(share)[-2])
        looked = (self.looks[-1].on - self.days.first).days if self.looks else None
        unseen = Unseen((self.days.today - self.days.first).days, looked)
        doubted = self.stages[max(likely, other)] if doubtful else None
        following = self.stages[likely + 1] if likely + 1 < len(self.stages) else None
        return StageReading(
            stage=self.stages[likely],
            chance=chance,
            doubtful=doubtful,
            question=asked(self.stages, likely, self.starts, unseen, doubted),
            next_stage=following,
            starts=tuple(self._start(j) for j in range(len(self.stages))),
            reached=(reached := tuple(self.lives.mean(axis=1).tolist())),
            ends_on=self._day(float(np.median(self.ends))),
            ends_by_cold=(cold := self._cold_end()),
            said=(*self.said, *unlikely(self.stages, reached, cold)),
            working=self._working(likely),
            other=self.stages[other] if doubtful else None,
        )

    def _cold_end(self) -> ColdEnd:
        dies = (self.killed <= self.ends) & (self.killed < self.days.days)
        chance = float(dies.mean())
        if not dies.any():
            return ColdEnd(0.0, None, None, None)
        ends = np.quantile(self.killed[dies], [0.1, 0.5, 0.9])
        return ColdEnd(chance, *(self._day(float(at)) for at in ends))

    def _start(self, j: int) -> Start:
        seen = any(self.place[look.stage] == j for look in self.looks)
        begins = self.starts[j][self.lives[j]]
        if len(begins) < DRAWS / 2:
            return Start(self.stages[j], seen, None, None, None)  # likelier not at all
        low, likely, high = np.quantile(begins, [0.1, 0.5, 0.9])
        return Start(self.stages[j], seen, self._day(low), self._day(likely), self._day(high))

    def _day(self, at: float) -> date | None:
        if at >= self.days.days:
            return None
        return self.days.first + timedelta(days=math.floor(at))

    def _working(self, likely: int) -> Working:
        stage, pace = self.stages[likely], float(np.median(self.pace))
        after = self.stages[likely + 1] if likely + 1 < len(self.stages) else None
        if stage.duration_gdd is None:
            return stage_steps(stage, pace, None, after)
        begun = float(np.median(self.starts[likely]))
        now = float((self.days.today - self.days.first).days + 1)
        sums, row = self._sums(stage), np.array([0])
        ends = [float(summed_at(sums, row, np.array([at]))[0]) for at in (begun, now)]
        return stage_steps(stage, pace, max(0.0, ends[1] - ends[0]), after)


def _sd(key: str) -> float:
    found = judgement(key).range
    return math.log(found.high / found.low) / (2 * _Z)
