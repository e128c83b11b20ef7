"""Root zones as they stood on Mondays, and as they were found: kept to go on from."""

from __future__ import annotations

from collections import OrderedDict
from collections.abc import Callable, Sequence
from dataclasses import dataclass
from threading import Lock
from typing import Any, Generic, TypeVar

import numpy as np
from numpy.typing import NDArray

from dace.core.rootzone.bucket import Bucket
from dace.core.rootzone.unknowns import Unknowns

T = TypeVar("T")


@dataclass(frozen=True, eq=False)
class Kept:
    """One fill after some days: its draws, what was read, and its band so far (3, days).

    ``fed`` is what it held and gave so far, a column a day, as in ``Followed``.
    ``weight`` is how far each draw counts; together they come to 1.
    """

    bucket: Bucket
    unknowns: Unknowns
    weight: NDArray[np.float64]
    looked: tuple[Any, ...]
    ec: NDArray[np.float64]
    fed: NDArray[np.float64]


class Newest(Generic[T]):
    """The things last used, by the digest of what they follow from; the oldest goes first."""

    def __init__(self, most: int) -> None:
        self._most = most
        self._kept: OrderedDict[bytes, T] = OrderedDict()
        self._lock = Lock()

    def newest(self, keys: Sequence[bytes]) -> T | None:
        """The last of some keys that is kept."""
        with self._lock:
            for key in reversed(keys):
                if key in self._kept:
                    self._kept.move_to_end(key)
                    return self._kept[key]
        return None

    def keep(self, key: bytes, make: Callable[[], T]) -> None:
        """Keep something, unless it is kept already."""
        with self._lock:
            if key in self._kept:
                return
        made = make()
        with self._lock:
            self._kept[key] = made
            while len(self._kept) > self._most:
                self._kept.popitem(last=False)
