"""How far takings-in are: kept in this process while they run."""

from __future__ import annotations

import uuid
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from threading import Lock

from dace.households.scope import NotFoundError, Scope


@dataclass
class _Far:
    household: uuid.UUID
    done: int = 0
    most: int = 0


_lock = Lock()
_under_way: dict[uuid.UUID, _Far] = {}


@contextmanager
def followed(scope: Scope, of: uuid.UUID) -> Iterator[None]:
    """While this lasts it can be asked how far it is."""
    with _lock:
        _under_way[of] = _Far(scope.household_id)
    try:
        yield
    finally:
        with _lock:
            _under_way.pop(of, None)


def note(of: uuid.UUID | None, done: int, most: int) -> None:
    """So many rows of so many."""
    far = _under_way.get(of) if of is not None else None
    if far is not None:
        far.done, far.most = done, most


def how_far(scope: Scope, of: uuid.UUID) -> tuple[int, int]:
    """Rows read, and rows there are.

    Raises
    ------
    NotFoundError
        If nothing of that name is under way here.
    """
    far = _under_way.get(of)
    if far is None or far.household != scope.household_id:
        raise NotFoundError("id", "an id of nothing under way", "ask while it is taken in")
    return far.done, far.most
