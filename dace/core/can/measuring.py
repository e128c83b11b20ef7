"""How an amount is measured out and what it is mixed in."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass

import numpy as np

from dace.core.can.measures import Owned, round_to_owned, with_kitchen
from dace.core.can.stock import TEASPOON_G, stock_for
from dace.core.result import say
from dace.core.words import shown
from dace.core.words.amounts import amount_words


@dataclass(frozen=True)
class Vessel:
    """A can or jug and what it holds [L]."""

    key: str
    name: str
    litres: float


def strength_text(per_l: float, unit: str) -> str:
    """A strength as it is typed: parts of a liquid, grams a litre of what is dry."""
    if unit == "mL":
        parts = round(1000 / per_l - 1)
        return f"1 + {parts}" if parts > 0 else "1 + 0"
    return f"{say(per_l, 3)} g/L"


def vessel_for(litres: float, vessels: Sequence[Vessel]) -> tuple[Vessel | None, int]:
    """The smallest vessel that holds it all, else as many fills of the largest as it takes."""
    fitting = sorted((v for v in vessels if v.litres >= litres - 1e-9), key=lambda v: v.litres)
    if fitting:
        return fitting[0], 1
    largest = max(vessels, key=lambda v: v.litres, default=None)
    if largest is None:
        return None, 1
    return largest, int(np.ceil(litres / largest.litres - 1e-9))


def measured(amount: float, unit: str, owned: tuple[Owned, ...], g_per_ml: float | None) -> str:
    """An amount with the spoons it comes to; a trace by way of a stock solution."""
    if unit == "g":
        stock = stock_for(amount, g_per_ml * 5.0 if g_per_ml else TEASPOON_G)
        if stock is not None:
            return f"{amount_words(amount, unit)}: {stock.words}"
    found = None
    if unit == "mL":
        found = round_to_owned(amount, with_kitchen(owned, shown.shown_in().measures))
    elif g_per_ml:
        found = round_to_owned(amount / g_per_ml, with_kitchen(owned, shown.shown_in().measures))
    said = amount_words(amount, unit)
    return f"{said} ({found.words})" if found else said
