"""What lets others in beside a password: tokens, the calendar's address, open invitations."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core.api import listed
from dace.feeding import calendars
from dace.households import people, tokens
from dace.households.scope import Scope


@dataclass(frozen=True)
class OpenDoors:
    """Own tokens, and an owner's calendar address and invitations that nobody used yet."""

    tokens: int
    calendar: bool
    invitations: int

    @property
    def words(self) -> str:
        """``2 script tokens and the calendar's address``; empty where nothing is open."""
        said = [_counted(self.tokens, "script token")] if self.tokens else []
        said += ["the calendar's address"] if self.calendar else []
        said += [_counted(self.invitations, "open invitation")] if self.invitations else []
        return listed(said) if said else ""


def _counted(number: int, what: str) -> str:
    return f"{number} {what}{'s' if number > 1 else ''}"


def open_doors(scope: Scope) -> OpenDoors:
    """What is open by this member's doing; three queries."""
    own = len(tokens.mine(scope))
    if not scope.owner:
        return OpenDoors(own, calendar=False, invitations=0)
    return OpenDoors(own, calendars.has_link(scope), people.open_links(scope).count())


def end_all(scope: Scope) -> None:
    """None of them opens anything any more."""
    tokens.revoke_all(scope)
    if scope.owner:
        calendars.revoke_links(scope)
        people.revoke_links(scope)
