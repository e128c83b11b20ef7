"""Too little to weigh: a stock solution, of which a measured part goes into the can."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.words import shown

LEAST_G = 1.0
"""Below this no kitchen scale weighs [g]."""
TEASPOON_G = 5.0
_STOCK_L, _KEEPS_DAYS = 1.0, 14


@dataclass(frozen=True)
class StockSolution:
    """``grams`` in a litre; of that ``ml`` into the can. It keeps for so many days."""

    grams: float
    ml: float
    keeps_days: int

    @property
    def words(self) -> str:
        """What to do, as one says it."""
        made, taken = shown.grams(self.grams, 2), shown.millilitres(self.ml, 2)
        return f"{taken} of a stock of {made} in {shown.litres(_STOCK_L)}"


def stock_for(grams: float, spoon_g: float = TEASPOON_G) -> StockSolution | None:
    """How so little is measured; None where a scale does.

    Parameters
    ----------
    grams : float
        What the can wants [g].
    spoon_g : float
        What a level teaspoon of it weighs [g].

    Examples
    --------
    >>> stock_for(0.1).ml, stock_for(6.0)
    (20.0, None)
    """
    if grams >= LEAST_G or grams <= 0:
        return None
    return StockSolution(spoon_g, 1000 * _STOCK_L * grams / spoon_g, _KEEPS_DAYS)
