"""Looking round the demo garden: each visitor has a copy of their own, for a day."""

from __future__ import annotations

import secrets
import uuid
from datetime import datetime, timedelta

from django.db import transaction
from django.db.models import Count, QuerySet

from dace.households.copying import copy_household
from dace.households.models import Household, Membership, User
from dace.households.scope import LockedOutError, NotFoundError
from dace.households.services import forget_household

_LASTS = timedelta(days=1)
_MOST, _A_FEW = 200, 3
MASKED = (((1 << 96) - 1) ^ ((1 << 31) - 1)) & ~(0xF << 76) & ~(0x3 << 62)
"""Bits of an id that a copy changes.

Neither those that say what kind of id it is, nor the upper ones, which order follows, nor the
lower ones, by which chance is drawn.
"""


def pattern() -> Household | None:
    """The garden that copies are made of; one query."""
    return Household.objects.filter(is_demo=True, mask__isnull=True).first()


def visit(now: datetime) -> User:
    """A visitor with a copy of the demo garden.

    Parameters
    ----------
    now : datetime
        The real time: copies end by it.

    Raises
    ------
    NotFoundError
        If no demo garden is loaded.
    LockedOutError
        If there are as many visitors as there is room for, and each has written something.
    """
    end_visits(now, _A_FEW)
    source = pattern()
    if source is None:
        raise NotFoundError("demo", "no demo garden here", "sign up for a garden of your own")
    _make_room(source)
    with transaction.atomic():
        if _copies().count() >= _MOST:
            raise LockedOutError("demo", f"{_MOST} visitors today", "come back tomorrow")
        mask = secrets.randbits(128) & MASKED
        copy = Household.objects.create(
            name=source.name, is_demo=True, ends_at=now + _LASTS, mask=uuid.UUID(int=mask)
        )
        user = User(username=f"visitor {copy.pk.hex[:8]}")
        user.set_unusable_password()
        user.save()
        Membership.objects.create(user=user, household=copy)
        copy_household(source, copy, user.pk, lambda old: uuid.UUID(int=old.int ^ mask))
    return user


def _copies() -> QuerySet[Household]:
    return Household.objects.filter(ends_at__isnull=False)


def _make_room(source: Household) -> None:
    """Where all are taken, the oldest copy that nobody wrote in goes: another is just as it was.

    So whoever steps in again and again keeps nobody else out.
    """
    while _copies().count() >= _MOST:
        as_copied = source.changes.count()
        untouched = _copies().annotate(count=Count("changes")).filter(count__lte=as_copied)
        oldest = untouched.order_by("ends_at").first()
        if oldest is None:
            return
        forget_household(oldest)


def end_visits(now: datetime, most: int = _MOST) -> int:
    """Forget copies whose day is over; how many there were."""
    over = list(_copies().filter(ends_at__lte=now)[:most])
    for household in over:
        forget_household(household)
    return len(over)
