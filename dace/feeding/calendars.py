"""Private addresses of the plan's calendar: made, found by their token, revoked."""

from __future__ import annotations

import secrets
import uuid

from django.db import transaction

from dace.feeding.models import CalendarLink
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.models import Membership
from dace.households.scope import Scope, require_owner
from dace.households.security import scope_of
from dace.households.tokens import digest

_BYTES = 32


@transaction.atomic
def new_link(scope: Scope) -> str:
    """A new address in place of any older one; its token is told this once."""
    require_owner(scope)
    token = secrets.token_urlsafe(_BYTES)
    with change(scope, "calendar", "The calendar has a new address"):
        _end_all(scope)
        CalendarLink.objects.create(
            **new_row(scope, uuid.uuid4()), digest=digest(token), member_id=scope.user_id
        )
    return token


@transaction.atomic
def revoke_links(scope: Scope) -> None:
    """No address leads to the calendar any more."""
    require_owner(scope)
    if has_link(scope):
        with change(scope, "calendar", "The calendar's address leads nowhere now"):
            _end_all(scope)


def _end_all(scope: Scope) -> None:
    for row in CalendarLink.objects.in_use(scope):
        row.ended_on = today(scope, garden_of(scope))
        row.save(update_fields=["ended_on"])


def has_link(scope: Scope) -> bool:
    """Whether an address leads to the calendar; one query."""
    return CalendarLink.objects.in_use(scope).exists()


def whose(token: str) -> Scope | None:
    """The household that a token leads to, asked now; None where it leads nowhere; two queries."""
    links = CalendarLink.objects.filter(ended_on__isnull=True, undone_at__isnull=True)
    row = links.filter(digest=digest(token)).first()
    if row is None:
        return None
    members = Membership.objects.filter(household_id=row.household_id, user_id=row.member_id)
    member = members.select_related("household").first()
    return None if member is None else scope_of(member)
