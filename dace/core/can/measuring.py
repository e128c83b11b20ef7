"""How an amount is measured out and what it is mixed in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dace.core.can.dry import usual_dry_density
from dace.core.can.measures import TEASPOON_ML, Owned, round_to_owned, stocked, with_kitchen
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


@dataclass(frozen=True)
class AmountSaid:
    """An amount as it is weighed, and ``by`` which spoons or stock solution it is measured."""

    exact: str
    by: str = ""
    from_stock: bool = False

    @property
    def words(self) -> str:
        """Both in one breath.

        >>> AmountSaid("8 g", "1 ½ teaspoons").words
        '8 g (1 ½ teaspoons)'
        """
        if not self.by:
            return self.exact
        return f"{self.exact}: {self.by}" if self.from_stock else f"{self.exact} ({self.by})"


NOT_MEASURED = AmountSaid("")


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
    if found is not None:
        return AmountSaid(said, found.words)
    trace = stocked(amount / dense, spoons)
    if trace is not None:
        return AmountSaid(said, trace.words, from_stock=True)
    weighed = stock_for(amount, dense * TEASPOON_ML) if unit == "g" else None
    if weighed is not None:
        return AmountSaid(said, weighed.words, from_stock=True)
    return AmountSaid(said)
