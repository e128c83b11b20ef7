"""Manure as it ages: hot, raw and salt, each counted apart; and the bean test."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Literal

from dace.core.errors import DaceError
from dace.core.result import Result
from dace.core.solids.heap import result_of
from dace.core.solids.heap_figures import Drawing, heap_figure

ANIMALS = ("poultry", "horse", "cattle", "sheep_goat", "rabbit")
_WARM_C = 20.0
_POTS, _SOWN, _LEAST_UP = 3, 3, 6


def not_hot_weeks(animal: str, temperature_c: float, seed: int | None = 1) -> Result:
    """Weeks until a stack no longer burns roots, by the animal and the air's mean warmth.

    >>> not_hot_weeks("horse", 10.0, None).value
    24.0
    """
    if animal not in ANIMALS:
        raise DaceError("animal", f"“{animal}”", f"one of {', '.join(ANIMALS)} would do")
    figures = Drawing(seed)
    weeks = figures.factor(
        "weeks_until_not_hot", heap_figure("weeks_until_not_hot", "manure_stack", animal)
    )
    q10 = figures.factor("ready_q10", heap_figure("ready_q10", "manure_stack"))
    return result_of(weeks / q10 ** ((temperature_c - _WARM_C) / 10), "weeks")


def salt_left(volumes: int) -> float:
    """Share of potassium, sodium and chloride left after so many volumes of water, 0 to 2.

    >>> salt_left(0), salt_left(1), salt_left(2)
    (1.0, 0.55, 0.35)
    """
    if volumes <= 0:
        return 1.0
    key = "1_volume" if volumes == 1 else "2_volumes"
    return heap_figure("salt_left_flush", key).typ


@dataclass(frozen=True)
class BeanPot:
    """One pot of beans at the third true leaf: how many are curled, and how many came up."""

    curled: int
    up: int

    def __post_init__(self) -> None:
        if not 0 <= self.curled <= self.up <= 20:
            said = f"{self.curled} curled of {self.up}"
            raise DaceError("test", said, "no more curled than came up would do")

    @property
    def ill(self) -> bool:
        """Half of its plants or more are curled."""
        return self.up > 0 and 2 * self.curled >= self.up


@dataclass(frozen=True)
class BeanTest:
    """What a bean test says: ``suspect``, ``clean``, ``repeat`` or ``void``, and why."""

    result: Literal["suspect", "clean", "repeat", "void"]
    why: str


def bean_test(test: Sequence[BeanPot], plain: Sequence[BeanPot]) -> BeanTest:
    """What three pots with the manure and three plain ones say of a weedkiller.

    Examples
    --------
    >>> well, curled = BeanPot(0, 3), BeanPot(3, 3)
    >>> bean_test([curled, curled, well], [well] * 3).result
    'suspect'
    >>> bean_test([well] * 3, [well] * 3).result
    'clean'
    >>> bean_test([curled, well, well], [well] * 3).result
    'repeat'
    >>> bean_test([well] * 3, [curled, well, well]).result
    'void'
    """
    for name, pots in (("test", test), ("plain", plain)):
        if len(pots) != _POTS:
            raise DaceError(name, f"{len(pots)} pots", f"{_POTS} pots would do")
    if any(pot.ill for pot in plain):
        return BeanTest("void", "Plain pots are ill too: sow it all again.")
    if sum(min(pot.up, _SOWN) for pot in plain) < _LEAST_UP:
        return BeanTest("void", "Fewer than six of nine came up in plain mix: sow again.")
    ill = sum(pot.ill for pot in test)
    if ill >= 2:
        return BeanTest(
            "suspect", f"{_NUMBERS[ill]} pots curled: keep it off beds, give none away."
        )
    if ill == 1:
        return BeanTest("repeat", "One pot curled alone: test this load again.")
    if sum(min(pot.up, _SOWN) for pot in test) < _LEAST_UP:
        return BeanTest("repeat", "Only its own pots failed: flush the salt out, then repeat.")
    return BeanTest("clean", "All alike. Test each load: a clear test never proves.")


_NUMBERS = {2: "Two", 3: "All three"}
