"""Who asks, for which household, and when: passed to every service and read."""

from __future__ import annotations

import uuid
from collections.abc import Callable
from dataclasses import dataclass, field
from datetime import datetime
from typing import Any, TypeVar

from dace.core.api import DaceError

T = TypeVar("T")


@dataclass(frozen=True)
class Scope:
    """The asking user, the household that bounds every query, and the instant (UTC).

    ``owner`` may set up; ``writes`` is False for who may only look.
    ``demo`` marks the demo garden, the only one where the stand-ins speak; ``mask`` a visitor's
    copy of it.
    ``seen`` is the number of the newest change that was on the screen when something was typed.
    ``memo`` holds what was read for this asking already; a write empties it.
    """

    household_id: uuid.UUID
    user_id: int
    now: datetime
    owner: bool = True
    writes: bool = True
    seen: int | None = None
    demo: bool = False
    mask: uuid.UUID | None = None
    memo: dict[str, Any] = field(default_factory=dict, compare=False, repr=False)

    def luck(self, row_id: uuid.UUID) -> str:
        """What chance is drawn by: in every copy of the demo garden as in the first."""
        return str(uuid.UUID(int=row_id.int ^ self.mask.int) if self.mask else row_id)

    def once(self, key: str, read: Callable[[], T]) -> T:
        """What was read under this key before, or what ``read`` gives now."""
        if key not in self.memo:
            self.memo[key] = read()
        found: T = self.memo[key]
        return found


class NotFoundError(DaceError):
    """No such thing in this household, whether or not another one has it."""


class WrongHouseholdError(DaceError):
    """An id that cannot be used here."""


class ConflictError(DaceError):
    """What was asked no longer fits what stands."""


class TooLargeError(DaceError):
    """More was sent than is taken in."""


class LockedOutError(DaceError):
    """Too many wrong passwords in a row."""


class NotAllowedError(DaceError):
    """A member asked for what is not theirs to do."""


def require_hand(scope: Scope) -> None:
    """Writing is not a viewer's, nor that of a token which only reads."""
    if not scope.writes:
        raise NotAllowedError("role", "a viewer's wish to write", "ask the owner for more")


def require_owner(scope: Scope) -> None:
    """Setting up is the owner's; a helper pours, reads and looks."""
    if not scope.owner:
        raise NotAllowedError("role", "a helper's wish to change the set-up", "ask the owner to")
