"""Looking round the demo garden: each visitor has a copy of their own, for a day."""

from __future__ import annotations

import secrets
import uuid
from contextlib import suppress
from datetime import datetime, timedelta
from ipaddress import ip_address, ip_network

from django.db import transaction
from django.db.models import Count, F, QuerySet, Sum
from django.utils.crypto import salted_hmac

from dace.households.copying import copy_household
from dace.households.models import Household, Membership, User
from dace.households.scope import LockedOutError, NotFoundError, TooLargeError
from dace.households.services import forget_household

_LASTS = timedelta(days=1)
_MOST, _EACH, _A_FEW = 200, 60, 3
_HEAVY, _ROW_BYTES = 60_000_000, 2_000
_SIX, _HOUSE = 6, 64
MASKED = (((1 << 96) - 1) ^ ((1 << 31) - 1)) & ~(0xF << 76) & ~(0x3 << 62)
"""Bits of an id that a copy changes.

Neither those that say what kind of id it is, nor the upper ones, which order follows, nor the
lower ones, by which chance is drawn.
"""


def pattern() -> Household | None:
    """The garden that copies are made of; one query."""
    return Household.objects.filter(is_demo=True, mask__isnull=True).first()


def visit(now: datetime, met_from: str = "") -> User:
    """A visitor with a copy of the demo garden.

    Parameters
    ----------
    now : datetime
        The real time: copies end by it.
    met_from : str
        What stands for their address: so many copies go to each.

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
    _make_room(source, _copies(), _MOST)
    same = _copies().filter(met_from=met_from)
    if met_from:
        _make_room(source, same, _EACH)
    with transaction.atomic():
        if _copies().count() >= _MOST:
            raise LockedOutError("demo", f"{_MOST} visitors today", "come back tomorrow")
        if met_from and same.count() >= _EACH:
            read = f"{_EACH} visitors from your address today"
            raise LockedOutError("demo", read, "come back tomorrow")
        mask = secrets.randbits(128) & MASKED
        copy = Household.objects.create(
            name=source.name,
            is_demo=True,
            ends_at=now + _LASTS,
            mask=uuid.UUID(int=mask),
            met_from=met_from,
        )
        user = User(username=f"visitor {copy.pk.hex[:8]}")
        user.set_unusable_password()
        user.save()
        Membership.objects.create(user=user, household=copy)
        copy_household(source, copy, user.pk, lambda old: uuid.UUID(int=old.int ^ mask))
    return user


def _copies() -> QuerySet[Household]:
    return Household.objects.filter(ends_at__isnull=False)


def met_from(address: str) -> str:
    """What stands for an address: no address is kept, and a house network counts as one."""
    with suppress(ValueError):
        found = ip_address(address)
        if found.version == _SIX:
            address = str(ip_network((found, _HOUSE), strict=False))
    return salted_hmac("dace.visits", address).hexdigest()[:32]


def weigh(household: Household, sent: int) -> None:
    """Count what is sent to a visitor's copy; so much in a day from one address.

    Raises
    ------
    TooLargeError
        On ``demo``.
    """
    if household.ends_at is None:
        return
    same = _copies().filter(met_from=household.met_from)
    if not household.met_from:
        same = same.filter(pk=household.pk)
    before = same.aggregate(all=Sum("weight"))["all"] or 0
    weight = sent + _ROW_BYTES
    if before + weight > _HEAVY:
        read = f"over {_HEAVY // 10**6} MB from your address today"
        raise TooLargeError("demo", read, "a garden of your own takes it")
    Household.objects.filter(pk=household.pk).update(weight=F("weight") + weight)


def _make_room(source: Household, copies: QuerySet[Household], most: int) -> None:
    """Where all are taken, the oldest copy that nobody wrote in goes: another is just as it was.

    So whoever steps in again and again keeps nobody else out.
    """
    while copies.count() >= most:
        as_copied = source.changes.count()
        untouched = copies.annotate(count=Count("changes")).filter(count__lte=as_copied)
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
