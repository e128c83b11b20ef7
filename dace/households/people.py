"""Who shares a household: invitations by link, roles, and signing out everywhere."""

from __future__ import annotations

import hashlib
import secrets
import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta

from django.db import transaction

from dace.core.api import DaceError
from dace.households.models import Invitation, Membership, User
from dace.households.scope import Scope, require_owner
from dace.households.services import checked_user

_LASTS = timedelta(days=7)


@dataclass(frozen=True)
class MemberRecord:
    """Somebody in the household."""

    name: str
    role: str


def members(scope: Scope) -> tuple[MemberRecord, ...]:
    """Everybody in the household; one query."""
    rows = Membership.objects.filter(household_id=scope.household_id).select_related("user")
    return tuple(MemberRecord(m.user.username, m.role) for m in rows.order_by("pk"))


def invite(scope: Scope) -> str:
    """A token for a link that lets one helper join within a week.

    Returns
    -------
    str
        To be shown once: only its hash is kept.

    Raises
    ------
    NotAllowedError
        If the member is no owner.
    """
    require_owner(scope)
    token = secrets.token_urlsafe(24)
    Invitation.objects.create(
        id=uuid.uuid4(),
        household_id=scope.household_id,
        token_hash=_hashed(token),
        made_at=scope.now,
        ends_at=scope.now + _LASTS,
    )
    return token


def join(token: str, name: str, password: str, now: datetime) -> User:
    """Join a household as a helper, by the link somebody gave.

    Raises
    ------
    DaceError
        On ``token`` if the link was used, is too old or is none; on ``name`` or ``password``.
    """
    with transaction.atomic():
        found = Invitation.objects.filter(token_hash=_hashed(token), used_at__isnull=True).first()
        if found is None or found.ends_at < now:
            raise DaceError(
                "token", "a link that was used or is too old", "ask the owner for a new one"
            )
        user = checked_user(name, password)
        Membership.objects.create(
            user=user, household_id=found.household_id, role=Membership.Role.HELPER
        )
        found.used_at = now
        found.save(update_fields=["used_at"])
    return user


def end_sessions(user: User) -> None:
    """Sign a user out on every device."""
    user.session_salt = secrets.token_hex(16)
    user.save(update_fields=["session_salt"])


def _hashed(token: str) -> str:
    return hashlib.sha256(token.encode()).hexdigest()
