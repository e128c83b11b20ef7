"""Scores in lanes along the Notebook's days."""

from __future__ import annotations

import uuid
from datetime import date
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import DaceError
from dace.desks.notebook.schemas import LaneOut, LanesOut
from dace.garden.observing import scored_days
from dace.garden.reads import garden_of
from dace.households.scope import Scope

_MOST_DAYS = 40 * 366


def lanes_page(scope: Scope, place_id: uuid.UUID | None, since: date, until: date) -> LanesOut:
    """Every scale that was scored in these days; a query for each scale, and one.

    Raises
    ------
    DaceError
        On ``until``.
    """
    if not 0 <= (until - since).days <= _MOST_DAYS or not 1900 <= since.year <= 2200:
        raise DaceError("until", f"{since} to {until}", "a span of up to 40 years would do")
    zone = ZoneInfo(garden_of(scope).zone)
    found, weekly = scored_days(scope, zone, place_id, since, until)
    return LanesOut(
        lanes=[
            LaneOut(
                key=key,
                name=core.scales()[key].name,
                on=list(one.on),
                mean=list(one.mean),
                low=list(one.low),
                high=list(one.high),
            )
            for key, one in found.items()
        ],
        weekly=weekly,
    )
