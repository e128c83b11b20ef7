"""The one clock: real time, or time set going from ``DACE_NOW``."""

from __future__ import annotations

from datetime import UTC, datetime, timedelta
from functools import cache
from zoneinfo import ZoneInfo

from django.conf import settings
from django.core.exceptions import ImproperlyConfigured


def now() -> datetime:
    """The instant, in UTC."""
    return datetime.now(UTC) + _offset()


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
