"""Measuring out a concentrate: the vessel that fits, and kitchen words for it."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.quantities import spoon_ml
from dace.core.result import say

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
class Measure:
    """A vessel to measure in: its kind and what it holds [mL or g]."""

    kind: str
    holds: float


@dataclass(frozen=True)
class Spoons:
    """An amount in spoons, and what it really is [mL]."""

    words: str
    ml: float


def measure_for(amount: float) -> Measure:
    """The smallest vessel that an amount [mL or g] fits in below the brim.

    >>> measure_for(18), measure_for(4)
    (Measure(kind='beaker', holds=50.0), Measure(kind='syringe', holds=5.0))
    """
    for kind, holds in _VESSELS:
        if amount <= holds * _ROOM:
            return Measure(kind, holds)
    return Measure("barrel", float(max(20_000, amount / _ROOM)))


def in_spoons(ml: float, family: str) -> Spoons | None:
    """The nearest level spoons, where some are within 5 %; None where none are.

    >>> in_spoons(18, "metric")
    Spoons(words='1 tablespoon and ½ teaspoon', ml=17.5)
    """
    tablespoon, teaspoon = spoon_ml(family, "tablespoon"), spoon_ml(family, "teaspoon")
    if ml > 8 * tablespoon:
        return None
    tables = int(ml / tablespoon + 1e-9)
    choices = [
        (t, quarters / 4)
        for t in (tables, tables + 1)
        for quarters in range(int(4 * tablespoon / teaspoon) + 1)
    ]
    best = min(choices, key=lambda c: (abs(c[0] * tablespoon + c[1] * teaspoon - ml), c[1]))
    made = best[0] * tablespoon + best[1] * teaspoon
    if made <= 0 or abs(made / ml - 1) > 0.05:
        return None
    return Spoons(_spoon_words(*best), made)


def _spoon_words(tables: int, teas: float) -> str:
    parts = []
    if tables:
        parts.append(f"{tables} tablespoon{'s' if tables > 1 else ''}")
    if teas:
        whole, rest = int(teas), teas - int(teas)
        number = f"{whole or ''}{' ' if whole and rest else ''}"
        number += {0.0: "", 0.25: "¼", 0.5: "½", 0.75: "¾"}[rest]
        parts.append(f"{number} teaspoon{'s' if teas > 1 else ''}")
    return " and ".join(parts)


def amount_words(amount: float, unit: str) -> str:
    """``18 mL``, ``1.25 L``, ``0.6 g``: as one would say it, three digits at most.

    >>> amount_words(17.96, "mL"), amount_words(1250, "mL")
    ('18 mL', '1.25 L')
    """
    if amount >= 1000:
        return f"{say(amount / 1000, 3)} {'L' if unit == 'mL' else 'kg'}"
    return f"{say(amount, 3)} {unit}"
