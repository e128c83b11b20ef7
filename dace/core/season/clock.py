"""The stage clock: where a planting stands, by date and warmth, put right by what was seen.

Notes
-----
A stage lasts its degree days (or days, where the table has none) times the plant's
own pace and a little of its own. Every draw has its own year of weather. A sighting
sets the start of its stage to the gap since the last look, even outside the table;
how long it took re-weighs the pace. Sightings are never reordered.
"""

from __future__ import annotations

import math
from dataclasses import replace
from datetime import date, timedelta

import numpy as np
from numpy.typing import NDArray

from dace.core.figures import Range, judgement
from dace.core.result import Step, Working, say
from dace.core.season.crops import Crop, Stage
from dace.core.season.looks import Begun, StageReading, Start
from dace.core.season.outlook import Outlook
from dace.core.season.warmth import day_reached, summed_at

Array = NDArray[np.float64]
DRAWS = 1000
_Z = 1.2816  # of the 10 and 90 % ends
_FAR_OUT = 3.0  # standard deviations beyond which a pace says nothing of the plant
_FEW = 0.1
_PLANTED_OUT, _SOON_DAYS = "establishing", 7.0


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
    looks = tuple(sorted(begun.looks, key=lambda look: look.on))
    started = max(begun.started_on, days.first)
    kept = replace(begun, started_on=started, looks=looks)
    key = ("clock", grown.key, kept, seed)
    if key not in days.worked_out:
        days.worked_out[key] = _Clock(grown, kept, seed, days).read()
    found: StageReading = days.worked_out[key]
    return found


class _Clock:
    """Carries the draws through the stages of one planting."""

    def __init__(self, grown: Crop, begun: Begun, seed: int, days: Outlook) -> None:
        self.days, self.looks = days, begun.looks
        self.stages = grown.stages
        self.place = {stage.key: index for index, stage in enumerate(grown.stages)}
        self.in_tray = begun.in_tray
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
        return self._reading()

    def _sighted(self) -> list[tuple[int, tuple[float, float]]]:
        """The first look at each stage, with the gap in which it began [days]."""
        found: list[tuple[int, tuple[float, float]]] = []
        before: float | None = None
        reached = -1
        for look in self.looks:
            index = self.place[look.stage]
            at = min(float((look.on - self.days.first).days), float(self.days.known))
            if index > reached:
                gap = judgement("look_gap").range.high
                since = at - gap if before is None else before
                found.append((index, (max(self.started, min(since, at)), max(self.started, at))))
                reached = index
            before = at
        return found

    def _sight(self, index: int, since: float, until: float) -> None:
        """A sighting sets a start; how long it took tells of the pace."""
        seen = since + self.rng.uniform(0, 1, DRAWS) * (until - since)
        if index == 0:
            self.starts[0] = seen
            return
        begun = self.starts[self.anchored].copy()
        self._run(self.anchored, unit=True)
        expected = self.starts[index] - begun
        taken = seen - begun
        self._weigh(index, taken, expected)
        for between in range(self.anchored + 1, index):
            share = (self.starts[between] - begun) / np.maximum(expected, 1e-6)
            self.starts[between] = begun + np.clip(share, 0, 1) * taken
        self.starts[index] = seen
        self.anchored = index

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
            if self.in_tray and self.stages[j + 1].key == _PLANTED_OUT:
                soon = self.days.known + self.rng.uniform(0, _SOON_DAYS, DRAWS)
                self.starts[j + 1] = np.maximum(self.starts[j + 1], soon)

    def _after(self, stage: Stage, begun: Array, factor: Array) -> Array:
        most = float(self.days.days)
        if stage.duration_gdd is None:
            return np.minimum(begun + stage.duration_days.typ * factor, most)
        sums = self._sums(stage)
        wanted = summed_at(sums, self.row, begun) + stage.duration_gdd * factor
        return day_reached(sums, self.row, wanted)

    def _sums(self, stage: Stage) -> Array:
        shelter = self.shelter if stage.is_seedling else None
        return self.days.warmth(stage.gdd_base_c or 0.0, shelter)

    def _not_yet(self) -> None:
        """The last look at the last stage: the next had not begun by then."""
        after = self.anchored + 1
        if not self.looks or after >= len(self.stages):
            return
        look = float((self.looks[-1].on - self.days.first).days)
        fits = self.starts[after] > look
        if fits.all():
            return
        if fits.mean() > _FEW:
            chosen = self.rng.choice(np.flatnonzero(fits), DRAWS)
            chosen[fits] = np.flatnonzero(fits)
            self.row, self.pace = self.row[chosen], self.pace[chosen]
            self.own, self.starts = self.own[:, chosen], self.starts[:, chosen]
            return
        self.said.append(f"Still {self.stages[self.anchored].words}, later than the table has it")
        room = self.stages[self.anchored].duration_days.typ / 4
        late = look + self.rng.uniform(0, room, DRAWS)
        self.starts[after] = np.where(fits, self.starts[after], late)
        self._run(after)

    def _reading(self) -> StageReading:
        now = float((self.days.today - self.days.first).days + 1)
        # what begins only after today stands at its first stage
        at = np.maximum(0, (self.starts <= now).sum(axis=0) - 1)
        share = np.bincount(at, minlength=len(self.stages)) / DRAWS
        likely = int(np.argmax(share))
        chance = float(share[likely])
        doubtful = chance < judgement("stage_doubt").range.typ
        other = int(np.argsort(share)[-2])
        later = self.stages[max(likely, other)]
        question = f"Is it {later.words} yet? Look for: {later.visual_cue.lower()}."
        following = self.stages[likely + 1] if likely + 1 < len(self.stages) else None
        return StageReading(
            stage=self.stages[likely],
            chance=chance,
            doubtful=doubtful,
            question=question if doubtful else "",
            next_stage=following,
            starts=tuple(self._start(j) for j in range(len(self.stages))),
            said=tuple(self.said),
            working=self._working(likely),
        )

    def _start(self, j: int) -> Start:
        low, likely, high = np.quantile(self.starts[j], [0.1, 0.5, 0.9])
        seen = any(self.place[look.stage] == j for look in self.looks)
        return Start(self.stages[j], seen, self._day(low), self._day(likely), self._day(high))

    def _day(self, at: float) -> date | None:
        if at >= self.days.days:
            return None
        return self.days.first + timedelta(days=math.floor(at))

    def _working(self, likely: int) -> Working:
        """How the next stage's start follows, in degree days or days."""
        stage = self.stages[likely]
        pace = float(np.median(self.pace))
        steps = [Step("its pace beside the table", "", pace, "", "from what was seen", "low")]
        if stage.duration_gdd is not None:
            row, begun = 0, float(np.median(self.starts[likely]))
            sums = self._sums(stage)
            now = float((self.days.today - self.days.first).days + 1)
            ends = [float(summed_at(sums, np.array([row]), np.array([x]))[0]) for x in (begun, now)]
            source = f"{stage.words}: {stage.source}"
            steps += [
                Step(
                    "warmth this stage takes",
                    f"{say(stage.duration_gdd)} × {say(pace)}",
                    stage.duration_gdd * pace,
                    "degree days",
                    source,
                    stage.confidence,
                ),
                Step(
                    "warmth it has had",
                    "",
                    max(0.0, ends[1] - ends[0]),
                    "degree days",
                    f"above {say(stage.gdd_base_c or 0.0)} °C, since about its start",
                ),
            ]
        else:
            steps.append(
                Step(
                    "days this stage takes",
                    f"{say(stage.duration_days.typ)} × {say(pace)}",
                    stage.duration_days.typ * pace,
                    "days",
                    f"{stage.words}: {stage.source}",
                    stage.confidence,
                )
            )
        return tuple(steps)


def _sd(key: str) -> float:
    found: Range = judgement(key).range
    return math.log(found.high / found.low) / (2 * _Z)
