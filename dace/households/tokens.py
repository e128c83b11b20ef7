"""Tokens for scripts: shown once, kept as a hash, revoked at any time."""

from __future__ import annotations

import hashlib
import secrets
import uuid
from datetime import date

from django.db import transaction

from dace.core.api import DaceError
from dace.households.models import Membership, Token
from dace.households.scope import NotFoundError, Scope, require_hand

_MOST = 20
_MARK = "dace_"


def digest(secret: str) -> str:
    """What is kept of a secret that is shown once."""
    return hashlib.sha256(secret.encode()).hexdigest()


@transaction.atomic
def make(scope: Scope, name: str, writes: bool) -> tuple[Token, str]:
    """A token of this member, and what a script sends: to be shown once.

    Raises
    ------
    DaceError
        On ``name``, if there are too many already.
    NotAllowedError
        If it would write and its member may not.
    """
    if writes:
        require_hand(scope)
    member = Membership.objects.get(user_id=scope.user_id)
    if member.tokens.count() >= _MOST:
        raise DaceError("name", f"{_MOST} tokens already", "revoke one that is not used")
    secret = _MARK + secrets.token_urlsafe(32)
    row = Token.objects.create(
        member=member, name=name, writes=writes, token_hash=digest(secret), made_at=scope.now
    )
    return row, secret


def mine(scope: Scope) -> list[Token]:
    """One's own tokens, the newest first; one query."""
    return list(Token.objects.filter(member__user_id=scope.user_id).order_by("-made_at"))


@transaction.atomic
def revoke(scope: Scope, token_id: uuid.UUID) -> None:
    """End a token.

    Raises
    ------
    NotFoundError
        If it is none of this member's.
    """
    gone, _ = Token.objects.filter(pk=token_id, member__user_id=scope.user_id).delete()
    if not gone:
        raise NotFoundError("token_id", "an id of no token of yours", "choose one from the list")


def revoke_all(scope: Scope) -> None:
    """End every token of this member."""
    Token.objects.filter(member__user_id=scope.user_id).delete()


def found(secret: str, today: date) -> Token | None:
    """The token of a secret; the day that it was used is noted. A query, and one a day."""
    if not secret.startswith(_MARK):
        return None
    rows = Token.objects.select_related("member__household", "member__user")
    row = rows.filter(token_hash=digest(secret), member__user__is_active=True).first()
    if row is not None and row.used_on != today:
        Token.objects.filter(pk=row.pk).update(used_on=today)
    return row
