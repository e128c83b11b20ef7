"""How long a name waits at an address after wrong passwords: each time longer, an hour at most.

The counting and refusing is django-axes'; what it asks here is when. A name is held up only
where the wrong passwords came from: its owner gets in from any other address.
"""

from __future__ import annotations

from datetime import timedelta
from typing import Any

from axes.models import AccessFailureLog
from axes.utils import reset
from django.contrib.sessions.models import Session
from django.db.models import QuerySet
from django.http import HttpRequest
from django.utils import timezone

FREE = 5
"""Wrong passwords in a day before the first wait."""
_FIRST, _LONGEST, _DAY = timedelta(minutes=1), timedelta(hours=1), timedelta(days=1)


def wait_after(wrong: int) -> timedelta:
    """How long after so many wrong passwords within a day; before ``FREE``, how long they count.

    >>> [wait_after(wrong).seconds // 60 for wrong in (4, 5, 6, 7, 10, 11, 500)]
    [60, 1, 2, 4, 32, 60, 60]
    """
    if wrong < FREE:
        return _LONGEST
    doublings = min(wrong - FREE, 10)
    return min(_FIRST * (1 << doublings), _LONGEST)


def trying(request: HttpRequest, name: str) -> None:
    """Note on the request whose name is tried; axes asks later without naming it."""
    request.tried_name = name  # type: ignore[attr-defined]


def _wrong(request: HttpRequest) -> QuerySet[Any]:
    name, address = getattr(request, "tried_name", ""), getattr(request, "axes_ip_address", None)
    rows: QuerySet[Any] = AccessFailureLog.objects.filter(
        attempt_time__gt=timezone.now() - _DAY, username=name, ip_address=address
    )
    return rows


def cool_off(request: HttpRequest | None) -> timedelta:
    """For ``AXES_COOLOFF_TIME``."""
    return wait_after(_wrong(request).count()) if request is not None else _LONGEST


def most_wrong(request: HttpRequest, _: Any) -> int:
    """For ``AXES_FAILURE_LIMIT``: once a name has waited here, the next wrong one waits again."""
    return FREE if _wrong(request).count() < FREE else 1


def minutes_left(request: HttpRequest) -> int:
    """How many minutes the tried name still waits here, at least one."""
    wrong = _wrong(request)
    last = wrong.order_by("-attempt_time").values_list("attempt_time", flat=True).first()
    left = last + wait_after(wrong.count()) - timezone.now() if last else timedelta(0)
    return max(1, -int(-left.total_seconds() // 60))


def got_in(request: HttpRequest) -> None:
    """The right password: what was wrong here before counts no more."""
    _wrong(request).delete()
    name, address = getattr(request, "tried_name", ""), getattr(request, "axes_ip_address", None)
    reset(username=name, ip=address)  # it forgets by itself only where somebody signs in


def tidy() -> None:
    """Forget what no longer counts, and sessions that have ended."""
    AccessFailureLog.objects.filter(attempt_time__lte=timezone.now() - _DAY).delete()
    Session.objects.filter(expire_date__lt=timezone.now()).delete()
