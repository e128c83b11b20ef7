"""Did it help? Fed against unfed, one measure named beforehand, and an honest verdict."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

import numpy as np
from numpy.typing import NDArray

from dace.core.errors import DaceError
from dace.core.response import exact
from dace.core.response.power import enough_pairs
from dace.core.result import Step, Working, say
from dace.core.words.shares import gain_words, percent_words

Array = NDArray[np.float64]
TrialVerdict = Literal["helped", "no_worthwhile_effect", "harmed", "cannot_tell"]
FEWEST = 5
_MOST, _LARGEST = 200, 1e9


@dataclass(frozen=True)
class Compared:
    """What was measured of fed and unfed plants or pots: pairs in step, or two groups.

    ``worthwhile`` is the gain that would be worth it, as a share of the unfed.
    """

    measure: str
    fed: tuple[float, ...]
    unfed: tuple[float, ...]
    paired: bool
    worthwhile: float = 0.20

    def __post_init__(self) -> None:
        if not self.fed or not self.unfed:
            raise DaceError("fed", "nothing on one side", "a number for each fed and each unfed")
        if self.paired and len(self.fed) != len(self.unfed):
            said = f"{len(self.fed)} fed and {len(self.unfed)} unfed"
            raise DaceError("pairs", said, "one of each in a pair")
        if max(len(self.fed), len(self.unfed)) > _MOST:
            raise DaceError("fed", f"over {_MOST}", f"up to {_MOST} a side would do")
        wrong = [one for one in (*self.fed, *self.unfed) if not abs(one) < _LARGEST]
        if wrong:
            raise DaceError("fed", f"{wrong[0]:g}", f"numbers below {_LARGEST:,.0f}")
        if float(np.mean(self.unfed)) <= 0:
            said = f"an unfed mean of {np.mean(self.unfed):g}"
            raise DaceError("unfed", said, "a measure above 0, such as grams or a score")
        if not 0 < self.worthwhile <= 10:
            said = f"{100 * self.worthwhile:g} %"
            raise DaceError("worthwhile_percent", said, "above 0, such as 20")

    @property
    def few(self) -> int:
        """How many there are on the smaller side."""
        return min(len(self.fed), len(self.unfed))


@dataclass(frozen=True)
class Judged:
    """What a trial says: ``gain`` and ``interval`` are shares of the unfed; None: no end.

    ``enough`` says what would be enough, where it cannot be told.
    """

    verdict: TrialVerdict
    gain: float
    interval: tuple[float | None, float | None]
    p: float
    smallest_p: float
    text: str
    enough: str
    working: Working


def judge_trial(found: Compared) -> Judged:
    """An exact test, an interval, and one of four verdicts.

    Parameters
    ----------
    found : Compared
        The one measure that was named at the start.

    Returns
    -------
    Judged
        ``cannot_tell`` below five pairs, or five a side, whatever the numbers.

    Examples
    --------
    >>> fed, unfed = (130, 126, 141, 133, 129, 137), (100, 103, 98, 104, 101, 99)
    >>> judge_trial(Compared("grams", fed, unfed, paired=True)).verdict
    'helped'
    """
    fed, unfed = np.array(found.fed, dtype=float), np.array(found.unfed, dtype=float)
    mean = float(unfed.mean())
    if found.paired:
        differences = fed - unfed
        difference, p = float(differences.mean()), exact.p_of_pairs(differences)
        least = exact.smallest_p(found.few)
        ends = exact.ends_of_pairs(differences)
    else:
        difference, p = float(fed.mean() - mean), exact.p_of_groups(fed, unfed)
        least = exact.smallest_p_of_groups(len(fed), len(unfed))
        ends = exact.ends_of_groups(fed, unfed)
    low, high = (None if end is None else end / mean for end in ends)
    gain = difference / mean
    verdict = _verdict(found, p, low, high)
    steps = _steps(found, difference, mean, gain, p)
    enough = (
        "" if verdict != "cannot_tell" else enough_pairs(found.few, found.worthwhile, _cv(found))
    )
    text = _text(found, verdict, gain, (low, high))
    return Judged(verdict, gain, (low, high), p, least, text, enough, steps)


def _verdict(found: Compared, p: float, low: float | None, high: float | None) -> TrialVerdict:
    if found.few < FEWEST:
        return "cannot_tell"
    sure = p <= exact.ALPHA + 1e-12
    if sure and low is not None and low > 0 and (high is None or high >= found.worthwhile):
        return "helped"
    if sure and high is not None and high < 0:
        return "harmed"
    if high is not None and high < found.worthwhile:
        return "no_worthwhile_effect"
    return "cannot_tell"


def _cv(found: Compared) -> float:
    """How much plants that are treated alike differ from each other, as a share."""
    unfed = np.array(found.unfed, dtype=float)
    if len(unfed) < FEWEST:
        return 0.30
    return float(min(0.6, max(0.1, unfed.std(ddof=1) / unfed.mean())))


_SAYS: dict[TrialVerdict, str] = {
    "helped": "Fed ones did better, by more than luck makes likely",
    "no_worthwhile_effect": "Nothing worth it: a gain of {} is not within what fits",
    "harmed": "Fed ones did worse, by more than luck makes likely",
    "cannot_tell": "Cannot tell",
}


def _text(
    found: Compared, verdict: TrialVerdict, gain: float, ends: tuple[float | None, float | None]
) -> str:
    pairs = f"{found.few} pair{'' if found.few == 1 else 's'}"
    what = pairs if found.paired else f"{len(found.fed)} and {len(found.unfed)}"
    said = _SAYS[verdict].format(percent_words(found.worthwhile))
    low, high = ends
    if low is None or high is None:
        span = "no interval: so few cannot bound it"
    else:
        span = f"90 % interval {gain_words(low)} to {gain_words(high)}"
    return f"{said}: {found.measure} {gain_words(gain)} ({span}), {what}."


def _steps(found: Compared, difference: float, mean: float, gain: float, p: float) -> Working:
    fed = float(np.mean(found.fed))
    how = "signs of the pairs flipped" if found.paired else "labels changed round"
    return (
        Step(f"{found.measure}, mean of the fed", "", fed, ""),
        Step(f"{found.measure}, mean of the unfed", "", mean, ""),
        Step("difference", f"{say(fed, 6)} − {say(mean, 6)}", difference, ""),
        Step("gain", f"{say(difference, 6)} ÷ {say(mean, 6)}", gain, "share of the unfed"),
        Step("as often by luck", "", p, "share", f"every way counted, {how}"),
    )


def pooled(trials: Sequence[Compared]) -> Compared:
    """Earlier trials of the same feed as one: every pair a block, told beside its own unfed.

    Raises
    ------
    DaceError
        If there is none, or one is not in pairs.
    """
    if not trials or not all(one.paired for one in trials):
        raise DaceError("trials", "no pairs", "trials in pairs can be pooled")
    fed: list[float] = []
    unfed: list[float] = []
    for one in trials:
        mean = float(np.mean(one.unfed))
        fed += [value / mean for value in one.fed]
        unfed += [value / mean for value in one.unfed]
    last = trials[-1]
    return Compared(last.measure, tuple(fed), tuple(unfed), True, last.worthwhile)


def sides_won(pairs: Sequence[tuple[float, float]]) -> tuple[int, int]:
    """Pairs in which the fed one is ahead, and those in which the unfed one is; ties are neither.

    >>> sides_won([(3, 2), (4, 4), (1, 2), (5, 2)])
    (2, 1)
    """
    return sum(fed > unfed for fed, unfed in pairs), sum(fed < unfed for fed, unfed in pairs)
