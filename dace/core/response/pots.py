"""A trial's pots, and what their figures come to as two sides."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

from dace.core.response.measures import TrialMeasure, gathered
from dace.core.response.trials import Compared


@dataclass(frozen=True)
class Pot:
    """One pot: its pair, its side, whether it counts, and what was measured, as (day, value)."""

    number: int
    pair: int | None
    fed: bool
    counts: bool
    taken: tuple[tuple[int, float], ...] = ()


def paired_figures(measure: TrialMeasure, pots: Sequence[Pot]) -> list[tuple[float, float]]:
    """(fed, unfed) of every pair of which both count and were measured, by pair."""
    found: dict[int, dict[bool, float]] = {}
    for pot in pots:
        figure = gathered(measure, pot.taken)
        if pot.counts and pot.pair is not None and figure is not None:
            found.setdefault(pot.pair, {})[pot.fed] = figure
    return [(both[True], both[False]) for _, both in sorted(found.items()) if len(both) == 2]


def side_figures(measure: TrialMeasure, pots: Sequence[Pot], fed: bool) -> tuple[float, ...]:
    """Figures of a side's pots that count and were measured, by number."""
    figures = (
        gathered(measure, pot.taken)
        for pot in sorted(pots, key=lambda one: one.number)
        if pot.counts and pot.fed == fed
    )
    return tuple(figure for figure in figures if figure is not None)


def compared(
    measure: TrialMeasure, pots: Sequence[Pot], paired: bool, worthwhile: float
) -> Compared | None:
    """Both sides as a trial is judged by them.

    Parameters
    ----------
    measure : TrialMeasure
        The one that was named at the start.
    pots : sequence of Pot
        A pot without a figure is not known and leaves its pair out; it is no zero.
    paired : bool
        Whether coins were tossed within pairs.
    worthwhile : float
        As a share of the unfed.

    Returns
    -------
    Compared or None
        None as long as a side has no figure, or the unfed come to nothing to compare with.
    """
    if paired:
        both = paired_figures(measure, pots)
        fed, unfed = (tuple(pair[at] for pair in both) for at in (0, 1))
    else:
        fed, unfed = (side_figures(measure, pots, side) for side in (True, False))
    if not fed or not unfed or sum(unfed) <= 0:
        return None
    return Compared(measure.name, fed, unfed, paired, worthwhile)
