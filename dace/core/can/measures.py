"""Rounding an amount to the measures that somebody owns, and what that costs."""

from __future__ import annotations

import itertools
from dataclasses import dataclass
from functools import lru_cache

from dace.core.errors import DaceError
from dace.core.result import say
from dace.core.words import shown
from dace.core.words.quantities import family_ml

KINDS = ("spoon", "syringe", "beaker", "scoop", "cap")
TEASPOON_ML = 5.0
"""The level teaspoon by which a dry feed is weighed [mL]."""

_LEVELLED = ("spoon", "scoop", "cap")
_CLOSE = 0.05
_MOST_SPOONS, _MOST_MOVES, _MOST_TIMES = 8, 6.5, 6
_BY_QUART = ("us", "imperial")
_PARTS = {0.25: "¼", 0.5: "½", 0.75: "¾"}


@dataclass(frozen=True)
class Owned:
    """A measure: its kind, its name, what it holds and its finest mark [mL]."""

    kind: str
    name: str
    holds_ml: float
    step_ml: float

    def __post_init__(self) -> None:
        if self.kind not in KINDS:
            raise DaceError("kind", f"“{self.kind}”", f"use {', '.join(KINDS)}")
        if not 0 < self.step_ml <= self.holds_ml <= 20_000:
            raise DaceError(
                "step_ml",
                f"marks of {self.step_ml:g} mL on {self.holds_ml:g} mL",
                "a mark above 0 and no larger than the measure would do",
            )


@dataclass(frozen=True)
class Piece:
    """So many fills of a measure; of one with marks the share of it that is filled."""

    measure: Owned
    count: float


@dataclass(frozen=True)
class Rounded:
    """What to measure, what that really is [mL], how far off [%], and by which fills."""

    words: str
    ml: float
    off_percent: float
    pieces: tuple[Piece, ...] = ()


@lru_cache(maxsize=8)
def usual_measures(family: str) -> tuple[Owned, ...]:
    """Spoons that every kitchen of a family has; a quarter of a teaspoon is filled by eye."""
    table, tea = family_ml(family, "tablespoon"), family_ml(family, "teaspoon")
    return (
        Owned("spoon", "tablespoon", table, table),
        Owned("spoon", "teaspoon", tea, tea / 4),
    )


def kitchen_jugs(family: str) -> tuple[Owned, ...]:
    """The marked jugs by which a kitchen measures what is more than spoons hold."""
    if family in _BY_QUART:
        cup = family_ml(family, "pint") / 2
        return (
            Owned("beaker", "half-gallon jug", 8 * cup, cup / 2),
            Owned("beaker", "cup", cup, cup / 4),
        )
    return (Owned("beaker", "jug", 2000.0, 100.0), Owned("beaker", "small jug", 300.0, 50.0))


def jugged(ml: float) -> Rounded | None:
    """How a jug measures so much, to its nearest mark; None where it is less than the first.

    >>> jugged(398).words
    '400 mL'
    """
    jugs = sorted(kitchen_jugs(shown.shown_in().measures), key=lambda one: one.holds_ml)
    jug = next((one for one in jugs if ml <= one.holds_ml + 1e-9), jugs[-1])
    made = min(round(ml / jug.step_ml) * jug.step_ml, jug.holds_ml)
    if made <= 0:
        return None
    words = shown.millilitres(made)
    if quart_l() is not None:
        cups = made / jugs[0].holds_ml
        words = f"{_count_words(cups)} cup{'s' if cups > 1 else ''}"
    return Rounded(words, made, 100 * (made / ml - 1), (Piece(jug, made / jug.holds_ml),))


def with_kitchen(owned: tuple[Owned, ...], family: str) -> tuple[Owned, ...]:
    """What there is to measure with: a kitchen's spoons, and what is owned beside them.

    >>> scoop = Owned("scoop", "scoop", 7.0, 7.0)
    >>> [one.name for one in with_kitchen((scoop,), "metric")]
    ['scoop', 'tablespoon', 'teaspoon']
    """
    held = {(one.kind, one.holds_ml) for one in owned}
    return (
        *owned,
        *(one for one in usual_measures(family) if (one.kind, one.holds_ml) not in held),
    )


@lru_cache(maxsize=64)
def measured_amounts(owned: tuple[Owned, ...]) -> tuple[float, ...]:
    """Every amount that up to six fills of one measure give, or one fill to a mark [mL].

    >>> measured_amounts((Owned("spoon", "teaspoon", 5, 2.5),))
    (2.5, 5.0, 7.5, 10.0, 12.5, 15.0, 20.0, 25.0, 30.0)
    """
    found = set()
    for one in owned:
        if one.kind not in _LEVELLED:
            found |= _times(one.step_ml, round(one.holds_ml / one.step_ml))
            continue
        for size in _sizes(one):
            found |= _times(size, _MOST_TIMES)
    return tuple(sorted(found))


def _times(ml: float, most: int) -> set[float]:
    return {round(float(ml) * n, 6) for n in range(1, most + 1)}


def _sizes(spoon: Owned) -> set[float]:
    """A spoon full, half full, a quarter full, as far as it is filled in parts [mL]."""
    return {spoon.holds_ml * part for part in (1.0, 0.5, 0.25) if part >= _finest(spoon) - 1e-9}


def nearest_measured(ml: float, low: float, high: float, owned: tuple[Owned, ...]) -> float | None:
    """The measured amount nearest to one wanted that lies between two ends [mL]; None if none.

    Of one measure where it can be, else of two spoons, six together at most; what no spoon
    gives by way of a stock solution.
    """
    family = shown.shown_in().measures
    for amounts in (measured_amounts(owned), _two_spoons(owned), tuple(_stocks(owned, family))):
        fits = [one for one in amounts if low - 1e-9 <= one <= high + 1e-9]
        if fits:
            return min(fits, key=lambda one: (abs(one - ml), one))
    return None


@dataclass(frozen=True)
class Stocked:
    """So many fills of one spoon from a stock, which is so many of one in a litre or a quart."""

    made: Rounded
    taken: Rounded

    @property
    def stock(self) -> str:
        """What the stock is, as one says it."""
        return f"{self.made.words} in {fill_words(_stock_l())}"


def stocked(ml: float, owned: tuple[Owned, ...]) -> Stocked | None:
    """How so little is measured that no spoon gives it; None where no stock does.

    >>> found = stocked(0.15, usual_measures("metric"))
    >>> found.taken.words, found.stock
    ('2 tablespoons', '1 teaspoon in 1 L')
    """
    found = _stocks(owned, shown.shown_in().measures)
    near = min(found, key=lambda one: abs(one - ml), default=None)
    if near is None or abs(near - ml) > _CLOSE * ml:
        return None
    return found[near]


def quart_l() -> float | None:
    """What a quart holds [L]; None where one thinks in litres."""
    family = shown.shown_in().measures
    return family_ml(family, "quart") / 1000 if family in _BY_QUART else None


def fill_words(litres: float) -> str:
    """How full a can is, as its marks say it: in litres, or in quarts and cups.

    >>> fill_words(6.5)
    '6.5 L'
    >>> with shown.showing(shown.Shown("us")):
    ...     fill_words(6.5 * 0.946353), fill_words(0.8125 * 0.946353)
    ('6 ½ qt', '3 ¼ cups')
    """
    quart = quart_l()
    if quart is None:
        return shown.litres(litres)
    by_cup = litres < 2 * quart - 1e-9 and not _near_quarters(litres / quart)
    unit, said = (quart / 4, " cup") if by_cup or litres < quart - 1e-9 else (quart, " qt")
    count = round(4 * litres / unit) / 4
    if count < _LEAST_PART or abs(count * unit - litres) > _CLOSE * litres:
        return shown.litres(litres)
    plural = "s" if said == " cup" and count > 1 else ""
    return f"{_count_words(count)}{said}{plural}"


_LEAST_PART = 0.25


def _near_quarters(quarts: float) -> bool:
    return abs(round(4 * quarts) / 4 - quarts) <= 1e-6 * quarts


def _stock_l() -> float:
    """What a stock is made in [L]."""
    return quart_l() or 1.0


@lru_cache(maxsize=64)
def _stocks(owned: tuple[Owned, ...], family: str) -> dict[float, Stocked]:
    """What stocks of one or two spoonfuls give [mL], by amount: the weakest stock that does."""
    spoons = sorted((one for one in owned if one.kind == "spoon"), key=lambda one: one.holds_ml)
    if not spoons:
        return {}
    found: dict[float, Stocked] = {}
    for of, n in itertools.product(spoons, (1, 2)):
        for taken, times in itertools.product(reversed(spoons), range(1, _MOST_TIMES + 1)):
            made = _spooned(of.holds_ml, [(of, n)])[1]
            poured = _spooned(taken.holds_ml, [(taken, times)])[1]
            ml = round(made.ml * poured.ml / 1000 / _stock_l(), 6)
            found.setdefault(ml, Stocked(made, poured))
    return found


@lru_cache(maxsize=64)
def _two_spoons(owned: tuple[Owned, ...]) -> tuple[float, ...]:
    """What two different spoons give together, six of them at most [mL]."""
    sizes = {size for one in owned if one.kind in _LEVELLED for size in _sizes(one)}
    found = {
        round(a * large + b * small, 6)
        for large, small in itertools.combinations(sorted(sizes, reverse=True), 2)
        for a in range(1, _MOST_TIMES)
        for b in range(1, _MOST_TIMES + 1 - a)
    }
    return tuple(sorted(found))


@lru_cache(maxsize=4096)
def round_to_owned(ml: float, owned: tuple[Owned, ...]) -> Rounded | None:
    """The handiest way to measure an amount within 5 %; None where nothing owned does.

    Parameters
    ----------
    ml : float
        Wanted amount [mL], above 0.
    owned : tuple of Owned
        What there is to measure with.

    Returns
    -------
    Rounded or None
        Fewest movements first, then nearest.

    Examples
    --------
    >>> round_to_owned(17.6, usual_measures("metric")).words
    '1 tablespoon and ½ teaspoon'
    >>> round_to_owned(3.04, (Owned("syringe", "syringe", 5, 0.2),)).words
    '3 mL in the syringe'
    """
    found = [*_by_marks(ml, owned), *_by_spoons(ml, owned)]
    close = [
        (moves, r) for moves, r in found
        if abs(r.off_percent) <= 100 * _CLOSE and moves <= _MOST_MOVES
    ]  # fmt: skip
    if not close:
        return None
    return min(close, key=lambda pair: (pair[0], abs(pair[1].off_percent)))[1]


def _by_marks(ml: float, owned: tuple[Owned, ...]) -> list[tuple[float, Rounded]]:
    """One fill of a syringe or beaker, to its nearest mark."""
    found = []
    for measure in owned:
        if measure.kind in _LEVELLED:
            continue
        made = round(ml / measure.step_ml) * measure.step_ml
        if 0 < made <= measure.holds_ml:
            words = f"{say(made, 3)} mL in the {measure.name}"
            # a syringe is slower to use than one spoon, quicker than three
            piece = Piece(measure, made / measure.holds_ml)
            found.append((1.5, Rounded(words, made, 100 * (made / ml - 1), (piece,))))
    return found


def _by_spoons(ml: float, owned: tuple[Owned, ...]) -> list[tuple[float, Rounded]]:
    """So many of one spoon or scoop, and so many (or a half) of a smaller."""
    spoons = sorted((m for m in owned if m.kind in _LEVELLED), key=lambda m: -m.holds_ml)
    found = []
    pairs = [*((one, None) for one in spoons), *itertools.combinations(spoons, 2)]
    for large, small in pairs:
        for count in _counts(large):
            rest = ml - count * large.holds_ml
            if small is None:
                found.append(_spooned(ml, [(large, count)]))
                continue
            fine = _finest(small)
            extra = round(rest / small.holds_ml / fine) * fine
            if 0 < extra <= _MOST_SPOONS:
                found.append(_spooned(ml, [(large, count), (small, extra)]))
    return found


def _finest(spoon: Owned) -> float:
    """The least part of a spoon that one fills by eye and can say: a quarter, a half, all."""
    share = spoon.step_ml / spoon.holds_ml
    return next((part for part in (0.25, 0.5) if share <= part + 1e-9), 1.0)


def _counts(spoon: Owned) -> list[float]:
    finest = _finest(spoon)
    return [n * finest for n in range(1, round(_MOST_SPOONS / finest) + 1)]


def _spooned(ml: float, parts: list[tuple[Owned, float]]) -> tuple[float, Rounded]:
    made = sum(spoon.holds_ml * count for spoon, count in parts)
    words = " and ".join(f"{_count_words(n)} {s.name}{'s' if n > 1 else ''}" for s, n in parts)
    moves = sum(count if count == round(count) else count + 0.5 for _, count in parts)
    pieces = tuple(Piece(spoon, count) for spoon, count in parts)
    return moves, Rounded(words, made, 100 * (made / ml - 1), pieces)


def _count_words(count: float) -> str:
    whole, part = int(count), _PARTS.get(round(count % 1, 2), "")
    return f"{whole or ''}{' ' if whole and part else ''}{part}"
