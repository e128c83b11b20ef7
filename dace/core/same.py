"""What was worked out last of the very same things is not worked out again."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable, Hashable
from threading import Lock
from typing import Any, Generic, TypeVar

T = TypeVar("T")
_EACH = 2


class Same(Generic[T]):
    """The last results by name, each with all that it follows from; what is equal is the same.

    Two for each name, and so many names; what was asked for longest ago goes first.

    Examples
    --------
    >>> squares = Same[int](most=9)
    >>> squares.of("side", (4,), lambda: 16), squares.of("side", (4,), lambda: 0)
    (16, 16)
    >>> squares.of("side", (5,), lambda: 25)
    25
    """

    def __init__(self, most: int) -> None:
        self._most = most
        self._kept: OrderedDict[Hashable, tuple[tuple[tuple[Any, ...], T], ...]] = OrderedDict()
        self._lock = Lock()

    def of(self, name: Hashable, follows_from: tuple[Any, ...], work_out: Callable[[], T]) -> T:
        """As it was found from equal things, or worked out now."""
        with self._lock:
            held = self._kept.pop(name, ())
            if held:
                self._kept[name] = held  # asked for last
        for known, value in held:
            if known == follows_from:
                return value
        value = work_out()
        with self._lock:
            self._kept[name] = (*self._kept.pop(name, ())[1 - _EACH :], (follows_from, value))
            while len(self._kept) > self._most:
                self._kept.popitem(last=False)
        return value
