"""What a trial measures, how a pot's figures are gathered, how long a feed takes to show."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date
from functools import cache
from typing import Literal

import numpy as np

from dace.core.errors import DaceError
from dace.core.figures import load_table
from dace.core.response.scales import check_score, scales
from dace.core.words.listing import listed

_WEEK_DAYS = 7
_SAME_WATER = 0.8
_MOST = 1_000_000
Gathered = Literal["sum", "last", "weeks"]


@dataclass(frozen=True)
class TrialMeasure:
    """Something to measure of each pot; ``slow`` where a feed shows in it after weeks only.

    Gathered as the sum of all days, as it was last, or as the mean of each week's mean.
    """

    key: str
    name: str
    unit: str
    gathered: Gathered
    slow: bool

    @property
    def scored(self) -> bool:
        """Whether it is scored from 0 to 5."""
        return self.key in scales()


@dataclass(frozen=True)
class TrialWait:
    """Days after a feed: when to look first, when to judge, and when it is too late to."""

    key: str
    name: str
    first: tuple[int, int]
    judge: tuple[int, int]
    late: int
    slow: tuple[int, int] | None


@cache
def trial_measures() -> dict[str, TrialMeasure]:
    """All of them; weights first, since they beat scores."""
    return {
        row.text("key"): TrialMeasure(
            row.text("key"),
            row.text("name"),
            row.text("unit"),
            row.text("gathered"),  # type: ignore[arg-type]
            row.text("slow") == "1",
        )
        for row in load_table("trial_measures")
    }


def trial_measure(key: str) -> TrialMeasure:
    """One of them.

    Raises
    ------
    DaceError
        On ``measure``.
    """
    found = trial_measures().get(key)
    if found is None:
        would_do = f"one of {listed(list(trial_measures()))} would do"
        raise DaceError("measure", f"“{key[:40]}”", would_do)
    return found


def check_measured(measure: TrialMeasure, value: float) -> float:
    """A figure of that measure.

    Raises
    ------
    DaceError
        On ``score`` or ``value``.
    """
    if measure.scored:
        return check_score(value)
    if not 0 <= value <= _MOST:
        raise DaceError("value", f"{value:g}", "a number from 0 on would do")
    return value


def gathered(measure: TrialMeasure, taken: Sequence[tuple[int, float]]) -> float | None:
    """One figure for a pot from what was measured of it, as (day, value); None from nothing.

    >>> colour = trial_measure("colour")
    >>> gathered(colour, [(0, 2), (1, 4), (8, 5)])  # a week of 3, and one of 5
    4.0
    """
    if not taken:
        return None
    days = sorted(taken)
    if measure.gathered == "sum":
        return float(sum(value for _, value in days))
    if measure.gathered == "last":
        return float(days[-1][1])
    first = days[0][0]
    weeks: dict[int, list[float]] = {}
    for day, value in days:
        weeks.setdefault((day - first) // _WEEK_DAYS, []).append(value)
    return float(np.mean([np.mean(values) for values in weeks.values()]))


@cache
def trial_waits() -> dict[str, TrialWait]:
    """How long each way to feed takes to show [days]."""
    found = {}
    for row in load_table("trial_waits"):
        slow = row.maybe("slow_low"), row.maybe("slow_high")
        first, judge = (
            (int(row.number(f"{name}_low")), int(row.number(f"{name}_high")))
            for name in ("first", "judge")
        )
        found[row.text("key")] = TrialWait(
            row.text("key"),
            row.text("name"),
            first,
            judge,
            int(row.number("late")),
            (int(slow[0]), int(slow[1])) if slow[0] and slow[1] else None,
        )
    return found


def trial_wait(key: str) -> TrialWait:
    """One way to feed.

    Raises
    ------
    DaceError
        On ``waits``.
    """
    found = trial_waits().get(key)
    if found is None:
        raise DaceError("waits", f"“{key[:40]}”", f"one of {listed(list(trial_waits()))} would do")
    return found


def judge_after(wait: TrialWait, measure: TrialMeasure) -> int:
    """Days from the first feed to the judgement: the later end, by which what is slow shows.

    >>> judge_after(trial_waits()["drench"], trial_measure("harvest_g"))
    42
    """
    return wait.slow[1] if measure.slow and wait.slow else wait.judge[1]


def due_again(began: date, newest: date | None, today: date) -> bool:
    """Whether pots are to be measured: a week after the last time, or after the beginning.

    >>> due_again(date(2026, 6, 16), None, date(2026, 6, 23))
    True
    """
    return (today - (newest or began)).days >= _WEEK_DAYS


def same_water(fed_l: float, unfed_l: float) -> bool | None:
    """Whether both sides had about the same [L a plant]; None where neither had any.

    >>> same_water(2.0, 1.7), same_water(2.0, 1.0), same_water(0.0, 0.0)
    (True, False, None)
    """
    most = max(fed_l, unfed_l)
    return min(fed_l, unfed_l) >= _SAME_WATER * most if most else None


def toss(units: int, paired: bool, seed: int) -> tuple[bool, ...]:
    """Which of so many pots are fed: a coin within each pair, or half of them drawn.

    Parameters
    ----------
    units : int
        Pots in a row, an even number; two next to each other are a pair.
    paired : bool
        Whether they are tossed within pairs.
    seed : int
        The same seed, the same toss.

    Raises
    ------
    DaceError
        On ``units``.
    """
    if units < 2 or units % 2 or units > 400:
        raise DaceError("units", f"{units} pots", "an even number from 2 to 400 would do")
    rng = np.random.default_rng(seed)
    if paired:
        return tuple(bool(side) for heads in rng.random(units // 2) < 0.5 for side in _pair(heads))
    fed = set(rng.permutation(units)[: units // 2].tolist())
    return tuple(number in fed for number in range(units))


def _pair(heads: bool) -> tuple[bool, bool]:
    return (True, False) if heads else (False, True)
