"""Who shares the household."""

from __future__ import annotations

import uuid
from datetime import date, datetime
from typing import Any, Literal

from django.contrib.auth import login, logout
from django.http import HttpRequest
from ninja import Router, Schema

from dace.desks.door.api import PLAIN_LOGIN, SessionOut, SignIn, session
from dace.desks.door.open_doors import end_all, open_doors
from dace.desks.shared.at_home import AtHome
from dace.desks.shared.confirmed import ConfirmedIn
from dace.desks.shared.out import Out
from dace.households import clock, people, tokens
from dace.households.asking_again import confirm
from dace.households.fields import Name, Password
from dace.households.models import Token, User
from dace.households.scope import require_hand, require_owner
from dace.households.security import AnyoneWithToken

router = Router(tags=["people"])


class InvitationOut(Out):
    """A path that lets one helper join within a week; shown once."""

    path: str


class JoinIn(SignIn):
    """A name and a password for the link that somebody gave."""

    token: Name


class InviteIn(ConfirmedIn):
    """Whether they help, or only look."""

    role: Literal["helper", "viewer"] = "helper"


class GoneIn(Schema):
    """Who shares the household no more."""

    name: Name


class EndDoorsIn(Schema):
    """Whether tokens, the calendar's address and open invitations end along with it."""

    end_doors: bool = False


class NewPasswordIn(EndDoorsIn):
    """The password so far, and another."""

    old: Password
    password: Password


class OpenDoorsOut(Out):
    """What lets others in beside a password, by this member's doing; in words, too."""

    tokens: int
    calendar: bool
    invitations: int
    words: str


class LeaveIn(Schema):
    """The password once more, before everything goes."""

    password: Password


class TokenIn(ConfirmedIn):
    """What a token is for, and whether it may write."""

    name: Name
    writes: bool = False


class TokenOut(Out):
    """A token for scripts; ``secret`` is told once, when it is made."""

    id: uuid.UUID
    name: str
    writes: bool
    made_at: datetime
    used_on: date | None
    secret: str = ""


class TokensOut(Out):
    """Tokens of the member who asks."""

    tokens: list[TokenOut]


@router.post("/invitations", response={201: InvitationOut}, operation_id="invite")
def invite(request: Any, payload: InviteIn | None = None) -> Any:
    """A link for a helper, or for somebody who only looks."""
    asked = payload or InviteIn()
    require_owner(request.auth)
    confirm(request, asked.password)
    return 201, InvitationOut(path=f"/join?token={people.invite(request.auth, asked.role)}")


@router.delete("/invitations", response={204: None}, operation_id="revoke_links")
def revoke_links(request: Any) -> Any:
    """Links that nobody used yet open nothing any more."""
    people.revoke_links(request.auth)
    return 204, None


@router.post("/people/remove", response={204: None}, operation_id="remove_member")
def remove(request: Any, payload: GoneIn) -> Any:
    """Somebody shares the household no more."""
    people.remove(request.auth, payload.name)
    return 204, None


@router.post("/password", auth=AtHome(), response=SessionOut, operation_id="change_password")
def change_password(request: Any, payload: NewPasswordIn) -> SessionOut:
    """Another password; every other device is signed out."""
    assert isinstance(request.user, User)
    confirm(request, payload.old, "old")
    people.change_password(request.user, payload.password)
    if payload.end_doors:
        end_all(request.auth)
    login(request, request.user, backend=PLAIN_LOGIN)
    return session(request)


@router.post("/leave", auth=AtHome(), response=SessionOut, operation_id="leave")
def leave(request: Any, payload: LeaveIn) -> SessionOut:
    """End one's account; an owner's with all that the household keeps."""
    assert isinstance(request.user, User)
    people.refuse_in_the_demo(request.auth)
    confirm(request, payload.password)
    people.leave(request.auth, request.user)
    logout(request)
    return session(request)


@router.get("/doors", response=OpenDoorsOut, operation_id="open_doors")
def doors(request: Any) -> OpenDoorsOut:
    """What lets others in beside a password."""
    found = open_doors(request.auth)
    return OpenDoorsOut(**vars(found), words=found.words)


@router.get("/tokens", response=TokensOut, operation_id="tokens")
def all_tokens(request: Any) -> TokensOut:
    """One's own tokens for scripts."""
    return TokensOut(tokens=[_token(row) for row in tokens.mine(request.auth)])


@router.post("/tokens", auth=AtHome(), response={201: TokenOut}, operation_id="make_token")
def make_token(request: Any, payload: TokenIn) -> Any:
    """A token for a script: `Authorization: Bearer ...`."""
    if payload.writes:
        require_hand(request.auth)
    confirm(request, payload.password)
    row, secret = tokens.make(request.auth, payload.name, payload.writes)
    return 201, _token(row, secret)


@router.delete(
    "/tokens/{token_id}", auth=AtHome(), response={204: None}, operation_id="revoke_token"
)
def revoke_token(request: Any, token_id: uuid.UUID) -> Any:
    """A token opens nothing any more."""
    tokens.revoke(request.auth, token_id)
    return 204, None


def _token(row: Token, secret: str = "") -> TokenOut:
    return TokenOut(
        id=row.pk,
        name=row.name,
        writes=row.writes,
        made_at=row.made_at,
        used_on=row.used_on,
        secret=secret,
    )


@router.post("/join", auth=AnyoneWithToken(), response={201: SessionOut}, operation_id="join")
def join(request: HttpRequest, payload: JoinIn) -> Any:
    """Join a household as a helper, and sign in."""
    user = people.join(payload.token, payload.name, payload.password, clock.now())
    login(request, user, backend=PLAIN_LOGIN)
    return 201, session(request)


@router.post(
    "/sign-out-everywhere", auth=AtHome(), response=SessionOut, operation_id="sign_out_everywhere"
)
def sign_out_everywhere(request: Any, payload: EndDoorsIn | None = None) -> SessionOut:
    """End every session of this member, on every device."""
    assert isinstance(request.user, User)
    if payload is not None and payload.end_doors:
        end_all(request.auth)
    people.end_sessions(request.user)
    logout(request)
    return session(request)
