"""The one clock: real time, or time set going from ``DACE_NOW``."""

from __future__ import annotations

import time
from datetime import UTC, datetime, timedelta
from functools import cache
from zoneinfo import ZoneInfo

from django.conf import settings
from django.core.exceptions import ImproperlyConfigured
from django.utils import timezone


def now() -> datetime:
    """The instant, in UTC."""
    return datetime.now(UTC) + _offset()


def set_going() -> None:
    """Let it begin anew at ``DACE_NOW``, as for each test."""
    _offset.cache_clear()


BEGAN = datetime(2026, 1, 1, tzinfo=UTC)
"""Nobody ran Dace before: a clock that says so has lost its time, as a board's without battery."""


def steady() -> datetime:
    """The instant by the time that has gone by since this process first asked, in UTC.

    For what ends by itself: it goes on evenly where the machine's clock is set.
    """
    began, ticks = _began()
    return began + timedelta(seconds=time.monotonic() - ticks)


@cache
def _began() -> tuple[datetime, float]:
    return timezone.now(), time.monotonic()


@cache
def _offset() -> timedelta:
    if not settings.DACE_NOW:
        return timedelta(0)
    try:
        start = datetime.fromisoformat(settings.DACE_NOW)
    except ValueError:
        raise ImproperlyConfigured("DACE_NOW is no time such as 2026-07-14T17:40") from None
    if start.tzinfo is None:
        start = start.replace(tzinfo=ZoneInfo(settings.DACE_NOW_ZONE))
    return start - datetime.now(UTC)
