"""What was ticked off a round, and the cans that stand mixed for one."""

from __future__ import annotations

import uuid
from collections import defaultdict
from datetime import date

from django.db.models import Max

from dace.core.api import MixedCan, shown
from dace.feeding.models import Can, CanPart, Serving, Tick
from dace.households.scope import Scope


def left_out(scope: Scope) -> dict[uuid.UUID, date]:
    """The day of the last feed that was left out, by fill; one query."""
    rows = Tick.objects.of(scope).filter(how=Tick.How.NONE).order_by().values("fill_id")
    return {row["fill_id"]: row["last"] for row in rows.annotate(last=Max("on"))}


def mixed_today(scope: Scope, today: date) -> dict[uuid.UUID, MixedCan]:
    """The can that stands mixed for each fill that was not ticked yet; three queries."""
    served = servings(scope, today)
    done = {tick.fill_id for tick in ticks(scope, today)}
    found = {}
    for one in served:
        if one.fill_id in done:
            continue
        parts = tuple(
            (str(part.jar_id), part.amount / one.can.vessel_l) for part in parts_of(one.can)
        )
        found[one.fill_id] = MixedCan(parts, str(one.can.water_id))
    return found


def parts_of(can: Can) -> list[CanPart]:
    """What went into a can, in the order in which it was poured: a brew first."""
    return sorted(can.parts.all(), key=lambda part: part.jar.brew_id is None)


def servings(scope: Scope, today: date) -> list[Serving]:
    """Who today's cans were mixed for, can by can; two queries for an asking."""
    return scope.once("servings", lambda: _servings(scope, today))


def _servings(scope: Scope, today: date) -> list[Serving]:
    rows = Serving.objects.of(scope).filter(on=today, can__undone_at__isnull=True)
    rows = rows.select_related("can__water", "fill__place").prefetch_related("can__parts__jar")
    return list(rows.order_by("can__mixed_at", "can_id", "created_at", "id"))


def ticks(scope: Scope, today: date) -> list[Tick]:
    """What was ticked today; one query."""
    rows = Tick.objects.of(scope).filter(on=today).select_related("fill__place")
    return list(rows.order_by("created_at", "id"))


def done_today(scope: Scope, today: date) -> dict[uuid.UUID, list[Tick]]:
    """What was ticked today, by fill, in its order; one query."""
    by_fill: dict[uuid.UUID, list[Tick]] = defaultdict(list)
    for tick in ticks(scope, today):
        by_fill[tick.fill_id].append(tick)
    return dict(by_fill)


_SAID = {
    "planned": "{} poured",
    "half": "half, {} poured",
    "none": "left out",
    "own": "{} poured",
    "extra": "{} more poured",
}


def tick_words(how: str, litres: float) -> str:
    """``half, 2 L poured``."""
    return _SAID[how].format(shown.litres(litres, 2))
