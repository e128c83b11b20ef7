"""Signing up, in and out, and the demo by one press."""

from __future__ import annotations

from datetime import datetime
from typing import Any

from django.conf import settings
from django.contrib.auth import login, logout
from django.http import HttpRequest
from django.middleware.csrf import get_token
from django.utils import timezone
from ninja import Router, Schema

from dace.core.api import DaceError
from dace.desks.door.starting import start
from dace.desks.shared.out import Out
from dace.households import clock, visits
from dace.households.asking_again import tried
from dace.households.fields import Name, Password
from dace.households.models import Membership, User
from dace.households.scope import NotFoundError
from dace.households.security import AnyoneWithToken, made_by
from dace.households.services import named

router = Router(tags=["session"])
PLAIN_LOGIN = "django.contrib.auth.backends.ModelBackend"


class SessionOut(Out):
    """Who is signed in, what time it is, and what a stranger may do.

    ``writes`` is whether they may pour, read and look: a viewer may not. ``made_by`` is what a
    write that waits is sent with, so that it goes in as theirs alone.
    """

    signed_in: bool
    user: str
    household: str
    made_by: str
    has_password: bool
    owner: bool
    writes: bool
    is_demo: bool
    demo_on: bool
    first_start: bool
    now: datetime
    csrf: str


class SignIn(Schema):
    """Name and password."""

    name: Name
    password: Password


class SignUp(SignIn):
    """Name, password, and what the garden is called."""

    garden: Name


@router.get("/session", auth=None, response=SessionOut, operation_id="session")
def session(request: HttpRequest) -> SessionOut:
    """Who is signed in; gives the page its CSRF token."""
    user_id = getattr(request.user, "pk", None)
    member = Membership.objects.select_related("household", "user").filter(user_id=user_id).first()
    return SessionOut(
        signed_in=member is not None,
        user=member.user.username if member else "",
        household=member.household.name if member else "",
        has_password=member is not None and member.user.has_usable_password(),
        made_by=made_by(member) if member else "",
        owner=member is not None and member.role == Membership.Role.OWNER,
        writes=member is not None and member.role != Membership.Role.VIEWER,
        is_demo=member.household.is_demo if member else False,
        demo_on=settings.DACE_DEMO and visits.pattern() is not None,
        first_start=not Membership.objects.filter(household__is_demo=False).exists(),
        now=clock.now(),
        csrf=get_token(request),
    )


@router.post("/sign-up", auth=AnyoneWithToken(), response={201: SessionOut}, operation_id="sign_up")
def sign_up(request: HttpRequest, payload: SignUp) -> Any:
    """Make an account with an empty garden, and sign in."""
    login(request, start(payload.name, payload.password, payload.garden), backend=PLAIN_LOGIN)
    return 201, session(request)


@router.post("/sign-in", auth=AnyoneWithToken(), response=SessionOut, operation_id="sign_in")
def sign_in(request: HttpRequest, payload: SignIn) -> SessionOut:
    """Sign in by name and password."""
    name = named(payload.name)
    user = tried(request, name, payload.password)
    if user is None:
        raise DaceError("password", "a name and password that do not go together", "try again")
    login(request, user)
    return session(request)


@router.post("/demo", auth=AnyoneWithToken(), response=SessionOut, operation_id="look_round")
def look_round(request: HttpRequest) -> SessionOut:
    """Step into a copy of the demo garden, where there is one; back into one's own."""
    if not settings.DACE_DEMO:
        raise NotFoundError("demo", "no demo garden here", "sign up for a garden of your own")
    member = Membership.objects.filter(user_id=request.user.pk, household__is_demo=True).first()
    if member is None:
        login(request, _visitor(request), backend=PLAIN_LOGIN)
    return session(request)


def _visitor(request: HttpRequest) -> User:
    return visits.visit(timezone.now(), visits.met_from(request.META.get("REMOTE_ADDR", "")))


@router.post("/sign-out", response=SessionOut, operation_id="sign_out")
def sign_out(request: HttpRequest) -> SessionOut:
    """Sign out on this device."""
    logout(request)
    return session(request)
