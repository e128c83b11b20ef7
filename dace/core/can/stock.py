"""Too little to weigh: a stock solution, of which a measured part goes into the can."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.composition import Composition
from dace.core.matter.label import Label
from dace.core.matter.materials import material
from dace.core.words import shown

LEAST_G = 1.0
"""Below this no kitchen scale weighs [g]."""
TEASPOON_G = 5.0
_STOCK_L, _KEEPS_DAYS, _MOST_G_L = 1.0, 14, 400.0


@dataclass(frozen=True)
class StockSolution:
    """``grams`` in a litre; of that ``ml`` into the can. It keeps for so many days."""

    grams: float
    ml: float
    keeps_days: int

    @property
    def parted(self) -> tuple[str, str]:
        """How much is taken, and of which stock, as one says it."""
        made = f"{shown.grams(self.grams, 2)} in {shown.litres(_STOCK_L)}"
        return shown.millilitres(self.ml, 2), made

    @property
    def words(self) -> str:
        """What to do, as one says it."""
        return " of a stock of ".join(self.parted)


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


@dataclass(frozen=True)
class Solution:
    """A stock solution as a jar of its own: its label by volume, and for how long it keeps."""

    label: Label
    keeps_days: int


def stock_solution(feed: Composition, per_l: float, made_of: str = "") -> Solution:
    """What a label of a stock solution says.

    Parameters
    ----------
    feed : Composition
        What is dissolved.
    per_l : float
        How much of it in a litre [mL or g].
    made_of : str
        Key of the material it is, where that is known: no more of it than dissolves.

    Raises
    ------
    DaceError
        On ``amount``, for more than dissolves in cool water, or none of it.

    Examples
    --------
    >>> from dace.core.matter.composition import composition
    >>> potash = composition(Label(0, 0, 50, form="solid"))
    >>> round(stock_solution(potash, 100.0).label.k, 2)
    4.15
    """
    most = material(made_of).solubility_g_per_l if made_of else None
    most = _MOST_G_L if most is None else min(most, _MOST_G_L)
    if not 0 < per_l <= most:
        would_do = f"up to {most:g} in each litre stays dissolved"
        raise DaceError("amount", f"{per_l:.3g} in each litre", would_do)
    amounts = {key: per_l * mg / 10_000 for key, mg in feed.mg}
    forms = {"nitrate": "NO3_N", "ammonium": "NH4_N", "urea": "urea_N", "organic": "organic_N"}
    nitrogen = tuple((name, round(amounts[key], 5)) for name, key in forms.items())
    also = (("Ca", "Ca"), ("Mg", "Mg"), ("S", "S_SO4"), ("Na", "Na"), ("Cl", "Cl"))
    label = Label(
        round(sum(value for _, value in nitrogen), 5),
        round(amounts["P"], 5),
        round(amounts["K"], 5),
        basis="element",
        percent="volume",
        nitrogen=nitrogen,
        also=tuple((name, round(amounts[key], 5)) for name, key in also if amounts[key] > 0),
    )
    return Solution(label, round(judgement("stock_kept").range.typ))
