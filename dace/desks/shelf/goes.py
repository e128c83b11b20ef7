"""Where what is made goes next, in a line each."""

from __future__ import annotations

import uuid

from dace.core.api import Destiny, on_day, shown
from dace.desks.shelf.schemas import GoesOut
from dace.feeding.plans import planned
from dace.households.scope import Scope


def goes(scope: Scope) -> list[GoesOut]:
    """Of every bottle and every brew on its way; queries as for the plan."""
    plan = planned(scope).plan
    return [
        GoesOut(id=uuid.UUID(one.source), text=one.text, left=_left(one))
        for one in (plan.destinies if plan else ())
    ]


def _left(one: Destiny) -> str:
    if one.heap_on is None or not one.goes:
        return ""
    left, day = shown.litres(one.heap_ml / 1000, 2), on_day(one.heap_on)
    return f"Likely left on {day}: {left}, for the heap."
