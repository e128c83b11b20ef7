"""Who shares the household."""

from __future__ import annotations

from typing import Any

from django.contrib.auth import login, logout
from django.http import HttpRequest
from ninja import Router

from dace.desks.door.api import PLAIN_LOGIN, SessionOut, SignIn, session
from dace.desks.shared.out import Out
from dace.households import clock, people
from dace.households.fields import Name
from dace.households.models import User
from dace.households.security import AnyoneWithToken

router = Router(tags=["people"])


class InvitationOut(Out):
    """A path that lets one helper join within a week; shown once."""

    path: str


class JoinIn(SignIn):
    """A name and a password for the link that somebody gave."""

    token: Name


@router.post("/invitations", response={201: InvitationOut}, operation_id="invite")
def invite(request: Any) -> Any:
    """A link for a helper."""
    return 201, InvitationOut(path=f"/join?token={people.invite(request.auth)}")


@router.post("/join", auth=AnyoneWithToken(), response={201: SessionOut}, operation_id="join")
def join(request: HttpRequest, payload: JoinIn) -> Any:
    """Join a household as a helper, and sign in."""
    user = people.join(payload.token, payload.name, payload.password, clock.now())
    login(request, user, backend=PLAIN_LOGIN)
    return 201, session(request)


@router.post("/sign-out-everywhere", response=SessionOut, operation_id="sign_out_everywhere")
def sign_out_everywhere(request: Any) -> SessionOut:
    """End every session of this member, on every device."""
    assert isinstance(request.user, User)
    people.end_sessions(request.user)
    logout(request)
    return session(request)
