"""The heap's figures, as the table has them, as they are typically or as they are drawn."""

from __future__ import annotations

import zlib
from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.spreads import split_log_normal, split_logit
from dace.core.errors import DaceError
from dace.core.figures import Range, Row, load_table
from dace.core.matter.materials import Material

Array = NDArray[np.float64]
METHODS = (
    "hot_turned",
    "cold_unturned",
    "tumbler",
    "trench",
    "worm_bin",
    "leaf_heap",
    "manure_stack",
)
COVERS = ("open", "covered")
HEATED = frozenset({"hot_turned", "manure_stack"})
"""Methods whose heap warms itself: cold air slows it, and does not stop it."""
BOXED = frozenset({"tumbler", "worm_bin"})
"""Closed, and off the ground: no rain falls in and no earth is carried in."""


def method_named(key: str) -> str:
    """A heap's method; another word is a ``DaceError`` on ``method``."""
    if key not in METHODS:
        raise DaceError("method", f"“{key}”", f"one of {', '.join(METHODS)} would do")
    return key


@cache
def _rows() -> dict[str, Row]:
    return {row.text("key"): row for row in load_table("heap")}


def heap_figure(parameter: str, *of: str) -> Range:
    """A figure by its parameter and what it is of, such as ``dry_lost`` of ``hot_turned``.

    >>> heap_figure("dry_lost", "hot_turned").typ
    0.5
    """
    return _rows()[".".join((parameter, *of))].triple()


def heap_words(parameter: str, method: str) -> str:
    """What is said of a method, such as its ready test."""
    return _rows()[f"{parameter}.{method}"].text("text")


@cache
def heap_curve(parameter: str) -> tuple[tuple[float, Range], ...]:
    """A figure that hangs on another, as (at, range) in rising order."""
    rows = (row for row in _rows().values() if row.text("parameter") == parameter)
    return tuple(sorted(((row.number("at"), row.triple()) for row in rows), key=lambda p: p[0]))


@cache
def decay_class(found: Material) -> str:
    """How fast a material rots: ``fast``, ``medium``, ``slow`` or ``inert``; a key outranks.

    Examples
    --------
    >>> from dace.core.matter.materials import material
    >>> [decay_class(material(key)) for key in ("grass_clippings", "wheat_straw", "hair")]
    ['fast', 'medium', 'slow']
    """
    for token in (f"key:{found.key}", f"family:{found.family}"):
        for rate in ("fast", "medium", "slow", "inert"):
            if token in _rows()[f"decay_factor.{rate}"].text("text").split(";"):
                return rate
    return "medium"


def decay_factor(method: str, rate: str) -> Range:
    """By how much a class rots faster than the mixture; a row of the method outranks."""
    own = f"decay_factor.{method}.{rate}"
    return _rows()[own if own in _rows() else f"decay_factor.{rate}"].triple()


@dataclass(frozen=True)
class Drawing:
    """Figures as typical (no ``seed``) or drawn so many times; the same key gives the same draws.

    What is drawn of a key hangs on seed and key alone, never on what was asked before.
    """

    seed: int | None = 1
    draws: int = 2000

    @property
    def count(self) -> int:
        """How many values each figure has."""
        return 1 if self.seed is None else self.draws

    def share(self, key: str, found: Range) -> Array:
        """A share of 0 to 1, shape (count,)."""
        return np.full(1, found.typ) if self.seed is None else split_logit(found, self._z(key))

    def factor(self, key: str, found: Range) -> Array:
        """An amount, a rate or a factor, shape (count,)."""
        return np.full(1, found.typ) if self.seed is None else split_log_normal(found, self._z(key))

    def along(self, parameter: str, at: Array) -> Array:
        """A curve at so many places, shape (count,): straight between, flat beyond."""
        nodes = heap_curve(parameter)
        x = np.array([where for where, _ in nodes])
        y = np.array([self.factor(parameter, found) for _, found in nodes])
        place = np.clip(np.broadcast_to(at, (self.count,)), x[0], x[-1])
        above = np.clip(np.searchsorted(x, place), 1, len(x) - 1)
        part = (place - x[above - 1]) / (x[above] - x[above - 1])
        row = np.arange(self.count)
        return np.asarray(y[above - 1, row] * (1 - part) + y[above, row] * part)

    def _z(self, key: str) -> Array:
        rng = np.random.default_rng((self.seed or 0, zlib.crc32(key.encode())))
        return rng.normal(size=self.draws)
