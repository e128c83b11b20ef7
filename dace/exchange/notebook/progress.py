"""How far takings-in are: in a small file while they run, since any process may be asked."""

from __future__ import annotations

import os
import uuid
from collections.abc import Iterator
from contextlib import contextmanager, suppress
from pathlib import Path

from django.conf import settings

from dace.households.scope import NotFoundError, Scope


@contextmanager
def followed(scope: Scope, of: uuid.UUID) -> Iterator[None]:
    """While this lasts it can be asked how far it is."""
    path = _path(scope, of)
    with suppress(OSError):
        path.parent.mkdir(mode=0o700, parents=True, exist_ok=True)
    note(scope, of, 0, 0)
    try:
        yield
    finally:
        with suppress(OSError):
            path.unlink(missing_ok=True)


def note(scope: Scope, of: uuid.UUID, done: int, most: int) -> None:
    """So many rows of so many; a disk that does not take it is no reason to stop."""
    path = _path(scope, of)
    new = path.with_name(f"{path.name}.new")
    with suppress(OSError):
        new.write_text(f"{done} {most}", encoding="ascii")
        os.replace(new, path)


def how_far(scope: Scope, of: uuid.UUID) -> tuple[int, int]:
    """Rows read, and rows there are.

    Raises
    ------
    NotFoundError
        If nothing of that name is under way here.
    """
    try:
        done, most = _path(scope, of).read_text(encoding="ascii").split()
    except FileNotFoundError:
        raise NotFoundError(
            "id", "an id of nothing under way", "ask while it is taken in"
        ) from None
    return int(done), int(most)


def _path(scope: Scope, of: uuid.UUID) -> Path:
    return Path(settings.DATA) / "under-way" / f"{scope.household_id}-{of}"
