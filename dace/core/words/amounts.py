"""Measuring out a concentrate: the vessel that fits, and the amount in words."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.words import shown

_VESSELS = (
    ("syringe", 5.0),
    ("syringe", 10.0),
    ("beaker", 50.0),
    ("beaker", 100.0),
    ("jug", 250.0),
    ("jug", 500.0),
    ("jug", 1000.0),
    ("jug", 2000.0),
    ("bucket", 5000.0),
    ("bucket", 10000.0),
)
_ROOM = 0.85  # the level stays below the brim


@dataclass(frozen=True)
class Glass:
    """A vessel to measure in: its kind and what it holds [mL or g]."""

    kind: str
    holds: float


def measure_for(amount: float) -> Glass:
    """The smallest vessel that an amount [mL or g] fits in below the brim.

    >>> measure_for(18), measure_for(4)
    (Glass(kind='beaker', holds=50.0), Glass(kind='syringe', holds=5.0))
    """
    for kind, holds in _VESSELS:
        if amount <= holds * _ROOM:
            return Glass(kind, holds)
    return Glass("barrel", float(max(20_000, amount / _ROOM)))


def amount_words(amount: float, unit: str, digits: int = 3) -> str:
    """``18 mL``, ``1.25 L``, ``0.6 g``: as one would say it, three digits at most if left out.

    >>> amount_words(17.96, "mL"), amount_words(1250, "mL")
    ('18 mL', '1.25 L')
    """
    return shown.millilitres(amount, digits) if unit == "mL" else shown.grams(amount, digits)
