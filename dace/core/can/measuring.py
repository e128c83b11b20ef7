"""How an amount is measured out and what it is mixed in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dace.core.can.dry import usual_dry_density
from dace.core.can.measures import (
    TEASPOON_ML,
    Owned,
    Piece,
    jugged,
    kitchen_jugs,
    quart_l,
    round_to_owned,
    stocked,
    with_kitchen,
)
from dace.core.can.stock import stock_for
from dace.core.words import shown
from dace.core.words.amounts import amount_words


@dataclass(frozen=True)
class Vessel:
    """A can or jug and what it holds [L]."""

    key: str
    name: str
    litres: float


def vessel_for(litres: float, vessels: Sequence[Vessel]) -> tuple[Vessel | None, int]:
    """The smallest vessel that holds it all, else as many fills of the largest as it takes."""
    fitting = sorted((v for v in vessels if v.litres >= litres - 1e-9), key=lambda v: v.litres)
    if fitting:
        return fitting[0], 1
    largest = max(vessels, key=lambda v: v.litres, default=None)
    if largest is None:
        return None, 1
    return largest, int(np.ceil(litres / largest.litres - 1e-9))


LEFT_OVER = 1.1
"""How many times the litres that are taken may be mixed."""
_STEPS = ((1.0, 0.05), (2.0, 0.1), (5.0, 0.2), (10.0, 0.5), (float("inf"), 1.0))
"""Up to so many litres a can is filled by steps of so many: with a jug, by eye, to a ring."""
_CUP_STEPS = ((1.0, 1 / 16), (2.0, 1 / 8), (10.0, 1 / 4), (float("inf"), 1.0))
"""The same in quarts: a quarter of a cup, half a cup, a cup."""


def fills_for(litres: float, vessels: Sequence[Vessel]) -> tuple[tuple[float, ...], int]:
    """To which marks a vessel may be filled for so many litres [L], and how often.

    Full, three quarters, half and whole litres or quarts come first, then finer steps; none is
    less than it takes, nor over a tenth more where a mark lies within that.

    >>> fills_for(2.8, [Vessel("", "", 9.0)])
    ((3.0, 2.8), 1)
    >>> fills_for(12.6, [Vessel("", "", 9.0)])
    ((6.75, 6.5), 2)
    """
    vessel, count = vessel_for(litres, vessels)
    each = litres / count
    if vessel is None:
        return (each,), count
    unit = quart_l() or 1.0
    steps = _STEPS if quart_l() is None else _CUP_STEPS
    step = unit * next(step for up_to, step in steps if each <= up_to * unit + 1e-9)
    usual = [vessel.litres * part for part in (1.0, 0.75, 0.5)] + [_up_to(each, unit)]
    most = min(vessel.litres, LEFT_OVER * each) + 1e-9
    near = [one for one in usual if each - 1e-9 <= one <= most]
    found = dict.fromkeys(sorted(near))
    first = min(_up_to(each, step), vessel.litres)
    found |= dict.fromkeys([first, *(one for one in (first + step,) if one <= most)])
    return tuple(found), count


def _up_to(litres: float, step: float) -> float:
    return round(float(np.ceil(litres / step - 1e-9)) * step, 6)


@dataclass(frozen=True)
class AmountSaid:
    """An amount as it is weighed, and ``by`` which spoons it is measured, of which ``stock``.

    ``weighed`` is whether grams are said at all where spoons give it.

    ``pieces`` are the fills of measures that come to it; of a stock what is taken of it.
    """

    exact: str
    by: str = ""
    stock: str = ""
    pieces: tuple[Piece, ...] = ()
    weighed: bool = True

    @property
    def words(self) -> str:
        """Both in one breath.

        >>> AmountSaid("8 g", "1 ½ teaspoons").words
        '8 g (1 ½ teaspoons)'
        """
        if not self.by or self.by == self.exact:
            return self.exact
        taken = f"{self.by} of a stock ({self.stock})" if self.stock else self.by
        if not self.weighed:
            return taken
        return f"{self.exact}: {taken}" if self.stock else f"{self.exact} ({self.by})"


NOT_MEASURED = AmountSaid("")


_NEAR_MARK = 0.05
JUG_ML = 50.0
"""From here on a liquid that no spoon gives goes in by the jug [mL]."""


def by_jug(ml: float, owned: tuple[Owned, ...]) -> AmountSaid:
    """A liquid as a jug gives it, such as a brew; by spoons where it is less than a jug's mark.

    >>> by_jug(398, ()).by, by_jug(20, ()).by
    ('400 mL', '1 tablespoon and 1 teaspoon')
    """
    family = shown.shown_in().measures
    found = None
    if ml < min(one.step_ml for one in kitchen_jugs(family)) * (1 - _NEAR_MARK):
        found = round_to_owned(ml, with_kitchen(owned, family))
    found = found or jugged(ml)
    said = amount_words(ml, "mL")
    return AmountSaid(said) if found is None else AmountSaid(said, found.words, pieces=found.pieces)


def measured(
    amount: float, unit: str, owned: tuple[Owned, ...], g_per_ml: float | None
) -> AmountSaid:
    """An amount with the spoons it comes to; a trace by way of a stock solution."""
    said = amount_words(amount, unit)
    if amount <= 0:
        return AmountSaid(said)
    dense = 1.0 if unit == "mL" else g_per_ml or usual_dry_density()
    spoons = with_kitchen(owned, shown.shown_in().measures)
    found = round_to_owned(amount / dense, spoons)
    if found is None and unit == "mL" and amount >= JUG_ML:
        return by_jug(amount, owned)
    if found is not None:
        return AmountSaid(said, found.words, pieces=found.pieces)
    trace = stocked(amount / dense, spoons)
    if trace is not None:
        return AmountSaid(said, trace.taken.words, trace.stock, trace.taken.pieces)
    weighed = stock_for(amount, dense * TEASPOON_ML) if unit == "g" else None
    if weighed is not None:
        return AmountSaid(said, *weighed.parted)
    return AmountSaid(said)
