"""A number for a person, with its range and the steps that gave it."""

from __future__ import annotations

import math
from dataclasses import dataclass


@dataclass(frozen=True)
class Step:
    """One line of a Working.

    ``expression`` is arithmetic in the gardener's own numbers: numbers, units in
    words, ``× ÷ + − ( )`` and ``%``. Worked out, it gives ``value``; an empty
    expression marks a figure that is given, not computed.
    """

    what: str
    expression: str
    value: float
    unit: str
    source: str = ""
    confidence: str = ""


Working = tuple[Step, ...]


@dataclass(frozen=True)
class Result:
    """A value with its 10 % and 90 % ends, its unit and how it was got."""

    value: float
    low: float
    high: float
    unit: str
    working: Working

    def __post_init__(self) -> None:
        if not self.low <= self.value <= self.high:
            raise AssertionError(f"{self.low} to {self.high} does not hold {self.value}")


def say(value: float, digits: int = 4) -> str:
    """A number for an expression: ``digits`` significant, no trailing zeros.

    >>> say(44.7761), say(9000.0), say(0.05)
    ('44.78', '9000', '0.05')
    """
    if value == 0 or not math.isfinite(value):
        return "0"
    places = max(0, digits - 1 - math.floor(math.log10(abs(value))))
    text = f"{value:.{places}f}"
    return text.rstrip("0").rstrip(".") if "." in text else text
