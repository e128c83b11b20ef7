"""What a new day needs, worked out before anybody asks: after a start, and in the small hours."""

from __future__ import annotations

import logging
import time
import uuid
from collections.abc import Iterator
from datetime import date, timedelta
from threading import Thread
from zoneinfo import ZoneInfo

from django.db import connections
from django.db.models import Max

from dace.desks.round.page import round_page
from dace.feeding.plans import planned
from dace.garden.models import Garden
from dace.households import clock
from dace.households.models import Change, Membership
from dace.households.security import scope_of

_MOST, _LATELY = 16, timedelta(days=30)
_SOON_S, _EVERY_S = 2.0, 300.0
_log = logging.getLogger(__name__)


def work_ahead(done: dict[uuid.UUID, date]) -> None:
    """Rounds and plans of the gardens used lately, once for each day of theirs; ``done`` is kept.

    Each process has answers of its own, so each works ahead for itself.
    """
    for household_id, today in _used_lately():
        if done.get(household_id) == today:
            continue
        member = Membership.objects.filter(household_id=household_id).order_by("pk").first()
        if member is None:
            continue
        scope = scope_of(member)
        try:
            round_page(scope)
            planned(scope)
        except Exception:  # what fails here fails again, and is told, where somebody asks
            _log.exception("working ahead")
        done[household_id] = today


def _used_lately() -> Iterator[tuple[uuid.UUID, date]]:
    """Households with a garden, the last used first, and which day it is there."""
    since = clock.now() - _LATELY
    lately = Change.objects.filter(at__gte=since, household__mask=None)  # no visitor's copies
    rows = lately.values("household_id")
    newest = rows.annotate(last=Max("pk")).order_by("-last")[:_MOST]
    ids = [row["household_id"] for row in newest]
    zones = dict(Garden.objects.filter(household_id__in=ids).values_list("household_id", "zone"))
    for household_id in ids:
        if household_id in zones:
            yield household_id, clock.now().astimezone(ZoneInfo(zones[household_id])).date()


class Ahead(Thread):
    """Works ahead in a thread of its own as long as its process serves."""

    def __init__(self) -> None:
        super().__init__(name="ahead", daemon=True)

    def run(self) -> None:
        """Soon after the start, then whenever a day begins somewhere."""
        done: dict[uuid.UUID, date] = {}
        wait = _SOON_S
        while True:
            time.sleep(wait)
            try:
                work_ahead(done)
            except Exception:
                _log.exception("working ahead")
            finally:
                connections.close_all()
            wait = _EVERY_S
