"""A practice can: sums that old hands get wrong, each with what went wrong in every wrong answer.

Five mistakes: a dilution done twice over or forgotten, an oxide on the label taken for its
element, a spoon taken for a ratio, the C:N of a heap taken for the middle of two, a mulch that
settles.
"""

from __future__ import annotations

import hashlib
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from typing import TypeVar

from dace.core.errors import DaceError
from dace.core.matter.chemistry import element_fraction
from dace.core.words.quantities import family_ml

T = TypeVar("T")
_CLOSE = 0.03
KINDS = ("twice", "oxide", "spoon", "heap", "mulch")
"""The mistakes in the order in which they come round."""


@dataclass(frozen=True)
class Trap:
    """A wrong answer that somebody comes to, and what was done to come to it."""

    value: float
    said: str


@dataclass(frozen=True)
class Exercise:
    """A sum: what is asked, in which unit, what is right and how, and what goes wrong."""

    kind: str
    question: str
    unit: str
    right: float
    working: tuple[str, ...]
    traps: tuple[Trap, ...]


@dataclass(frozen=True)
class Checked:
    """Whether an answer is right, and what there is to say of it."""

    right: bool
    said: str
    working: tuple[str, ...]


def exercise(turn: int, seed: int, family: str = "metric") -> Exercise:
    """The sum of a turn; the same turn and seed ask the same.

    Parameters
    ----------
    turn : int
        From 0 on; the kinds come round.
    seed : int
        Another one asks with other numbers.
    family : str
        Of kitchen measures, for spoons.

    Raises
    ------
    DaceError
        On ``turn``.

    Examples
    --------
    >>> found = exercise(0, 1)
    >>> found.kind, found.unit, len(found.traps) > 1
    ('twice', 'mL', True)
    """
    if not 0 <= turn < _MOST:
        raise DaceError("turn", f"turn {turn}", f"0 to {_MOST - 1} would do")
    rng = _Drawn(seed, turn)
    make: dict[str, Callable[[], Exercise]] = {
        "twice": lambda: _twice(rng),
        "oxide": lambda: _oxide(rng),
        "spoon": lambda: _spoon(rng, family),
        "heap": lambda: _heap(rng),
        "mulch": lambda: _mulch(rng),
    }
    return make[KINDS[turn % len(KINDS)]]()


_MOST = 300


class _Drawn:
    """Numbers of a sum, by turn and seed: the same ones each time."""

    def __init__(self, seed: int, turn: int) -> None:
        self._said = f"practice {seed} {turn}"
        self._count = 0

    def one_of(self, options: Sequence[T]) -> T:
        """One of them, as likely as any other."""
        self._count += 1
        mark = hashlib.sha256(f"{self._said} {self._count}".encode()).digest()
        return options[int.from_bytes(mark[:8], "big") % len(options)]


def check(asked: Exercise, answer: float) -> Checked:
    """Whether an answer is right within 3 %; if not, which mistake leads to it.

    >>> asked = exercise(1, 1)
    >>> check(asked, asked.right).right, check(asked, asked.traps[0].value).right
    (True, False)
    """
    if _near(answer, asked.right):
        return Checked(True, "That is right.", asked.working)
    trap = next((one for one in asked.traps if _near(answer, one.value)), None)
    said = trap.said if trap else "Not quite. Follow it step by step:"
    return Checked(False, said, asked.working)


def _near(answer: float, value: float) -> bool:
    return abs(answer - value) <= _CLOSE * abs(value)


def _twice(rng: _Drawn) -> Exercise:
    """A stock solution that is diluted as if it were the feed, or as if twice over."""
    water = rng.one_of((100, 150, 200, 250, 400))
    stock = rng.one_of((4, 9))
    can_l = rng.one_of((5, 9, 10))
    feed = 1000 * can_l / (water + 1)
    right = feed * (stock + 1)
    return Exercise(
        "twice",
        f"A feed goes on at 1 + {water}. You made a stock of it at 1 + {stock} (one part of feed, "
        f"{stock} of water). How much of the stock goes into a can filled up to {can_l} L?",
        "mL",
        right,
        (
            f"1 + {water} is one part in {water + 1}: {can_l} L / {water + 1} = "
            f"{feed:.1f} mL of feed.",
            f"The stock holds one part of feed in {stock + 1}: {feed:.1f} mL x {stock + 1} = "
            f"{right:.0f} mL of stock.",
        ),
        (
            Trap(
                feed,
                "That much feed would be right; the stock is thinner already, so more goes in.",
            ),
            Trap(
                feed / (stock + 1),
                "That dilutes twice over: the stock was thinned once, and here once more.",
            ),
            Trap(feed * stock, "Nearly: of the stock one part in so many and one more is feed."),
        ),
    )


def _oxide(rng: _Drawn) -> Exercise:
    """A label's K2O or P2O5 taken for potassium or phosphorus."""
    oxide, name = rng.one_of((("K2O", "potassium (K)"), ("P2O5", "phosphorus (P)")))
    percent = rng.one_of((4, 6, 8, 10))
    grams = rng.one_of((0.5, 1, 2))
    share = element_fraction(oxide)
    as_printed = 1000 * grams * percent / 100
    right = as_printed * share
    return Exercise(
        "oxide",
        f"A label says {percent} % {oxide}. {grams:g} g of it go into each litre. How much {name} "
        "is in a litre?",
        "mg/L",
        right,
        (
            f"{grams:g} g x {percent} % = {as_printed:.0f} mg of {oxide} in a litre.",
            f"{oxide} is {100 * share:.1f} % {name}: {as_printed:.0f} x {share:.3f} = "
            f"{right:.0f} mg/L.",
        ),
        (
            Trap(
                as_printed,
                f"That is the {oxide} of the label; the element is only part of it.",
            ),
            Trap(as_printed / share, "That turns the element into its oxide: the other way round."),
        ),
    )


def _spoon(rng: _Drawn, family: str) -> Exercise:
    """A spoon in a litre taken for a part in a thousand."""
    spoons, litres = rng.one_of(((1, 1), (2, 1), (1, 2), (3, 1)))
    spoon_ml = family_ml(family, "teaspoon")
    amount = spoons * spoon_ml
    right = 1000 * litres / amount - 1
    many = f"{spoons} teaspoon{'s' if spoons > 1 else ''}"
    can = "a litre" if litres == 1 else f"{litres} litres"
    return Exercise(
        "spoon",
        f"A bottle says: {many} of the liquid in {can} of can. Written as 1 + so many parts of "
        "water, how many is that?",
        "parts of water",
        right,
        (
            f"{many} are {amount:.1f} mL.",
            f"{1000 * litres} mL / {amount:.1f} mL = {1000 * litres / amount:.0f} parts in all.",
            f"One of them is the feed: 1 + {right:.0f}.",
        ),
        (
            Trap(
                1000 * litres / spoons, "That takes a spoon for a millilitre; it holds some five."
            ),
            Trap(litres / spoons, "That takes a spoon for a part of the litre: spoon for ratio."),
        ),
    )


def _heap(rng: _Drawn) -> Exercise:
    """The C:N of two materials taken for the middle of theirs, or weighed by their mass."""
    straw, grass = rng.one_of((20, 40, 60)), rng.one_of((50, 100, 200))
    n_straw, n_grass = straw * 0.48 / 100, grass * 0.75 / 100
    c_straw, c_grass = n_straw * 83, n_grass * 12
    right = (c_straw + c_grass) / (n_straw + n_grass)
    return Exercise(
        "heap",
        f"{straw} kg of straw (0.48 % nitrogen, C:N 83) go on {grass} kg of grass (0.75 % "
        "nitrogen, C:N 12). What is the C:N of the heap?",
        "C:N",
        right,
        (
            f"Nitrogen: {straw} x 0.48 % = {n_straw:.2f} kg, {grass} x 0.75 % = {n_grass:.2f} kg.",
            f"Carbon: {n_straw:.2f} x 83 = {c_straw:.1f} kg, {n_grass:.2f} x 12 = "
            f"{c_grass:.1f} kg.",
            f"{c_straw + c_grass:.1f} kg / {n_straw + n_grass:.2f} kg = {right:.0f}.",
        ),
        (
            Trap((83 + 12) / 2, "That is the middle of the two; a C:N counts by nitrogen."),
            Trap(
                (straw * 83 + grass * 12) / (straw + grass),
                "That weighs them by their kilos; a C:N counts by nitrogen.",
            ),
        ),
    )


def _mulch(rng: _Drawn) -> Exercise:
    """A mulch brought as deep as it shall lie, though it settles."""
    area, settled = rng.one_of((4, 6, 10)), rng.one_of((50, 75))
    loses = 0.55
    right = area * settled / (1 - loses)
    return Exercise(
        "mulch",
        f"Straw settles by 55 %. {area} m2 shall lie under {settled} mm of it once it has. How "
        "many litres of loose straw is that?",
        "L",
        right,
        (
            f"Loose it has to lie {settled} mm / 0.45 = {settled / (1 - loses):.0f} mm deep.",
            f"{area} m2 x {settled / (1 - loses):.0f} mm = {right:.0f} L.",
        ),
        (
            Trap(area * settled, "That is what is left once it has settled: bring more."),
            Trap(area * settled * (1 + loses), "Nearly: divide by what is left, 45 %."),
        ),
    )
