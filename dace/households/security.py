"""Who asks: session sign-in with CSRF, and the scope that bounds what they see."""

from __future__ import annotations

from dataclasses import replace
from datetime import datetime, timedelta
from typing import Any

from django.conf import settings
from django.http import HttpRequest
from ninja.security import APIKeyCookie, HttpBearer

from dace.core.api import DaceError, on_day
from dace.households import clock, tokens, visits
from dace.households.models import Change, Membership
from dace.households.scope import ConflictError, Scope

_LONGEST = 18
_AWAY = timedelta(days=14)


class HouseholdSession(APIKeyCookie):
    """A signed-in member; the endpoint finds the scope in ``request.auth``."""

    param_name = settings.SESSION_COOKIE_NAME

    def authenticate(self, request: HttpRequest, key: str | None) -> Scope | None:
        """The scope of the member, or None for a stranger."""
        if not request.user.is_authenticated:
            return None
        member = (
            Membership.objects.select_related("household").filter(user_id=request.user.pk).first()
        )
        if member is None:
            return None
        _made_here(request, member)
        if request.method not in ("GET", "HEAD"):
            visits.weigh(member.household, int(request.META.get("CONTENT_LENGTH") or 0))
        return _as_done(request, scope_of(member, _seen(request)))


def _made_here(request: HttpRequest, member: Membership) -> None:
    """What was made by somebody goes in as theirs, into the garden that it was made for.

    Raises
    ------
    ConflictError
        On ``made_by``, where another is signed in by now, or another garden is open.
    """
    said = request.headers.get("X-Made-By", "")
    if not said or request.method in ("GET", "HEAD"):
        return
    if said != made_by(member):
        raise ConflictError(
            "made_by",
            "what somebody else made, or made for another garden",
            "sign in as who made it, and it goes in",
        )


def made_by(member: Membership) -> str:
    """Who makes something, for which garden; both stay when they are renamed."""
    return f"{member.user_id}.{member.household_id}"


def scope_of(member: Membership, seen: int | None = None) -> Scope:
    """A member asking now, or, by a clock that has lost its time, when the garden last changed."""
    now = clock.now()
    if now < clock.BEGAN:
        last = Change.objects.filter(household_id=member.household_id).order_by("-id").first()
        now = last.at if last is not None else clock.BEGAN
    return Scope(
        member.household_id,
        member.user_id,
        now,
        member.role == Membership.Role.OWNER,
        member.role != Membership.Role.VIEWER,
        seen,
        member.household.is_demo,
        member.household.mask,
    )


def _as_done(request: HttpRequest, scope: Scope) -> Scope:
    """What was done without a connection counts at the time when it was done.

    Raises
    ------
    DaceError
        On ``done_at``, if it is no time, or too long ago.
    """
    said = request.headers.get("X-Done-At", "")
    if not said or request.method in ("GET", "HEAD"):
        return scope
    try:
        at = datetime.fromisoformat(said)
    except ValueError:
        at = None
    if at is None or at.tzinfo is None:
        raise DaceError("done_at", f"“{said[:40]}”", "a time such as 2026-07-14T16:40:00Z")
    if at < scope.now - _AWAY:
        days = _AWAY.days
        raise DaceError(
            "done_at", on_day(at, year=True), f"the last {days} days; write it down anew"
        )
    return replace(scope, now=min(at, scope.now))


def _seen(request: HttpRequest) -> int | None:
    """The newest change that the page had read, where it says so."""
    said = request.headers.get("If-Match", "").strip('"')
    return int(said) if said.isascii() and said.isdigit() and len(said) < _LONGEST else None


class ScriptToken(HttpBearer):
    """A script with a token of a member: no cookie, and so nothing that another page could send."""

    def authenticate(self, request: HttpRequest, token: str) -> Scope | None:
        """The member's scope; what sets up or shares the household stays with people."""
        found = tokens.found(token, clock.now().date())
        if found is None:
            return None
        return replace(scope_of(found.member), owner=False, writes=found.writes)


class AnyoneWithToken(APIKeyCookie):
    """Anyone whose page holds a CSRF token: for signing in and up."""

    param_name = settings.CSRF_COOKIE_NAME

    def authenticate(self, request: HttpRequest, key: str | None) -> Any:
        """Always; the token itself is checked before this."""
        return True
