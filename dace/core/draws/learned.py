"""What a household's own records say of where the next estimate starts.

Notes
-----
A quantity has a log factor. ``s_w`` is its sd within a household, at most .7 of the table's;
``s_b^2`` is the rest of the table's variance. The next prior is the precision-weighted mean of
the table's (0, ``s_b^2``) and of the values (each ``s_w^2 + e^2``); its variance is that of the
mean plus ``s_w^2``. Values come from a reading's likelihood alone, never from a posterior.
"""

from __future__ import annotations

import math
from collections.abc import Sequence
from dataclasses import dataclass

from dace.core.draws.spreads import Z
from dace.core.errors import DaceError
from dace.core.figures import Range

WITHIN = {"recipe": 0.20, "pace": 0.06, "water": 0.20, "uptake": 0.20, "heap": 0.20, "pen": 0.03}
"""How far what is taught differs from time to time in one household [log sd]."""
_MOST_OF_TABLE, _LEAST_BETWEEN = 0.7, 0.3
_USUAL_COUNTS = 1.5


@dataclass(frozen=True)
class Told:
    """What one sound reading said: ``ln(value / typ)``, and how sure it was of that [log sd]."""

    log: float
    sd: float

    def __post_init__(self) -> None:
        if not (math.isfinite(self.log) and abs(self.log) <= 10):
            raise DaceError("values.log", f"{self.log:g}", "ln(value / typ) would do, such as -0.3")
        if not (math.isfinite(self.sd) and 0 < self.sd <= 10):
            raise DaceError("values.sd", f"{self.sd:g}", "a log sd above 0 would do, such as 0.1")


def scatter(kind: str, values: Sequence[Told]) -> float:
    """How far this household's own values lie apart [log sd], drawn towards what is usual.

    The usual ``s_w`` counts as much as one or two values more would.

    Examples
    --------
    >>> even, wild = [Told(0.1, 0.05)] * 5, [Told(x, 0.05) for x in (-0.6, -0.3, 0.0, 0.3, 0.6)]
    >>> scatter("recipe", even) < WITHIN["recipe"] < scatter("recipe", wild)
    True
    """
    usual = WITHIN[kind] ** 2
    if len(values) < 2:
        return math.sqrt(usual)
    middle = sum(one.log for one in values) / len(values)
    apart = sum((one.log - middle) ** 2 for one in values) / (len(values) - 1)
    read = sum(one.sd**2 for one in values) / len(values)
    own, more = max(0.0, apart - read), len(values) - 1
    return math.sqrt((_USUAL_COUNTS * usual + more * own) / (_USUAL_COUNTS + more))


def learned(kind: str, table: Range, values: Sequence[Told], within: float | None = None) -> Range:
    """Where the next estimate of a kind starts.

    Parameters
    ----------
    kind : str
        One of ``WITHIN``.
    table : Range
        Where a stranger's starts, 10, 50 and 90 %, above 0.
    values : sequence of Told
        What this household's readings said, in any order.
    within : float or None
        How far they differ from time to time [log sd], where that is known better than
        ``WITHIN``; see :func:`scatter`.

    Returns
    -------
    Range
        The table's own where nothing was told.

    Examples
    --------
    >>> comfrey = Range(1.7, 3.4, 6.8)
    >>> found = learned("recipe", comfrey, [Told(-0.24, 0.1)] * 3)
    >>> round(found.typ, 1), found.high - found.low < comfrey.high - comfrey.low
    (2.7, True)
    """
    if kind not in WITHIN:
        raise DaceError("kind", f"“{kind}”", f"one of {', '.join(WITHIN)} would do")
    if not 0 < table.low < table.typ < table.high:
        said = f"{table.low:g}, {table.typ:g}, {table.high:g}"
        raise DaceError("table", said, "a low, a typical and a high above 0, in order, would do")
    if not values:
        return table
    below, above = math.log(table.typ / table.low) / Z, math.log(table.high / table.typ) / Z
    whole = (below + above) / 2
    if within is None:
        within = min(WITHIN[kind], _MOST_OF_TABLE * whole)
    between = max(whole**2 - within**2, (_LEAST_BETWEEN * whole) ** 2)
    weights = [1 / (within**2 + one.sd**2) for one in values]
    precision = 1 / between + sum(weights)
    mean = sum(w * one.log for w, one in zip(weights, values, strict=True)) / precision
    narrower = math.sqrt(1 / precision + within**2) / whole
    likely = table.typ * math.exp(mean)
    return Range(
        likely * math.exp(-Z * below * narrower),
        likely,
        likely * math.exp(Z * above * narrower),
    )
