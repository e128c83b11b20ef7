"""Who shares a household: invitations by link, roles, and signing out everywhere."""

from __future__ import annotations

import secrets
import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta

from django.db import transaction
from django.db.models import QuerySet

from dace.core.api import DaceError
from dace.households.models import Household, Invitation, Membership, User, name_key
from dace.households.scope import NotAllowedError, NotFoundError, Scope, require_owner
from dace.households.services import check_password_of, checked_user, forget_household
from dace.households.tokens import digest

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


def invite(scope: Scope, role: str = Membership.Role.HELPER) -> str:
    """A token for a link that lets one helper, or one who only looks, join within a week.

    Returns
    -------
    str
        To be shown once: only its hash is kept.

    Raises
    ------
    NotAllowedError
        If the member is no owner.
    DaceError
        On ``role``.
    """
    require_owner(scope)
    if role not in (Membership.Role.HELPER, Membership.Role.VIEWER):
        raise DaceError("role", f"“{role[:40]}”", "helper or viewer would do")
    return _link(scope, role)


def owners_link(scope: Scope) -> str:
    """A path that lets one owner join a household which somebody brought in."""
    return f"/join?token={_link(scope, Membership.Role.OWNER)}"


def _link(scope: Scope, role: str) -> str:
    token = secrets.token_urlsafe(24)
    Invitation.objects.create(
        id=uuid.uuid4(),
        household_id=scope.household_id,
        role=role,
        token_hash=digest(token),
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
        found = Invitation.objects.filter(token_hash=digest(token), used_at__isnull=True).first()
        if found is None or found.ends_at < now:
            raise DaceError(
                "token", "a link that was used or is too old", "ask the owner for a new one"
            )
        user = checked_user(name, password)
        Membership.objects.create(user=user, household_id=found.household_id, role=found.role)
        found.used_at = now
        found.save(update_fields=["used_at"])
    return user


def end_sessions(user: User) -> None:
    """Sign a user out on every device."""
    user.session_salt = secrets.token_hex(16)
    user.save()


@transaction.atomic
def revoke_links(scope: Scope) -> int:
    """End every link that nobody used yet; how many there were.

    Raises
    ------
    NotAllowedError
        If the member is no owner.
    """
    require_owner(scope)
    return open_links(scope).update(ends_at=scope.now)


def open_links(scope: Scope) -> QuerySet[Invitation]:
    """Links that nobody used yet and that still open the door."""
    waiting = Invitation.objects.filter(household_id=scope.household_id, used_at__isnull=True)
    return waiting.filter(ends_at__gt=scope.now)


@transaction.atomic
def remove(scope: Scope, name: str) -> None:
    """Somebody shares the household no more: signed out everywhere; what they wrote stays.

    Raises
    ------
    NotAllowedError
        If the member is no owner.
    NotFoundError
        If nobody of that name is here, or it is the owner.
    """
    require_owner(scope)
    rows = Membership.objects.filter(household_id=scope.household_id).select_related("user")
    found = rows.filter(user__name_key=name_key(name)).exclude(user_id=scope.user_id).first()
    if found is None:
        raise NotFoundError("name", f"“{name[:40]}”, who is not here", "choose one from the list")
    user = found.user
    found.delete()
    # the name stays with what they wrote, but opens no door
    user.is_active = False
    user.set_unusable_password()
    end_sessions(user)


@transaction.atomic
def change_password(user: User, new: str) -> None:
    """Another password, once the old one was told; every other device is signed out.

    Raises
    ------
    DaceError
        On ``password``.
    """
    check_password_of(user, new)
    user.set_password(new)
    end_sessions(user)


def refuse_in_the_demo(scope: Scope) -> Household:
    """The household that may be left for good.

    Raises
    ------
    NotAllowedError
        In the demo garden, which is everybody's.
    """
    household = Household.objects.get(pk=scope.household_id)
    if household.is_demo and (household.ends_at or household.mask is None):
        raise NotAllowedError("role", "the demo garden", "leave it by its own button")
    return household


@transaction.atomic
def leave(scope: Scope, user: User) -> None:
    """End one's own account: an owner's with the whole household and all that it keeps.

    Raises
    ------
    NotAllowedError
        In the demo garden.
    """
    household = refuse_in_the_demo(scope)
    if scope.owner:
        forget_household(household)
    else:
        user.delete()
