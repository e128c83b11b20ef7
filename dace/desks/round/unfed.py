"""The unfed side of a trial, beside the can that feeds the other: as much plain water."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import datetime, time
from zoneinfo import ZoneInfo

from dace.core.api import shown
from dace.desks.round.schemas import RoundCanOut, RoundPlainOut, RoundRowOut
from dace.desks.shared.stops import stop_name
from dace.feeding.models import Watering
from dace.feeding.verdicts import Judged
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import changes_of
from dace.households.scope import Scope
from dace.notebook.models import Trial
from dace.notebook.trying import trials


def with_unfed(scope: Scope, cans: Sequence[RoundCanOut], found: Judged) -> list[RoundCanOut]:
    """Cans with a row for the unfed pots of each trial that they feed; five queries."""
    running = {row.fed.fill_id: row for row in trials(scope) if row.ended_on is None}
    if not any(row.fill_id in running for can in cans for row in can.rows):
        return list(cans)
    garden = garden_of(scope)
    zone = ZoneInfo(garden.zone)
    begins = datetime.combine(today(scope, garden), time(), tzinfo=zone)
    given = Watering.objects.of(scope).filter(poured_at__gte=begins).order_by("poured_at")
    last = {row.fill_id: row.pk for row in given}
    changes = changes_of(scope, list(last.values()))
    names = {one.fill_id: stop_name(one) for one in found.stops}
    out = []
    for can in cans:
        rows = []
        for row in can.rows:
            trial = running.get(row.fill_id)
            if trial is not None:
                watered = last.get(trial.unfed.fill_id)
                change = changes.get(watered) if watered else None
                name = names.get(trial.unfed.fill_id, str(trial.unfed.fill))
                rows.append(_row(trial, can, row, name, (watered, change)))
        out.append(can.model_copy(update={"plain": rows}))
    return out


def _row(
    trial: Trial,
    can: RoundCanOut,
    fed: RoundRowOut,
    name: str,
    done: tuple[uuid.UUID | None, int | None],
) -> RoundPlainOut:
    unfed, each = trial.unfed, fed.litres_each
    return RoundPlainOut(
        trial_id=trial.pk,
        fill_id=unfed.fill_id,
        place_id=unfed.fill.place_id,
        name=name,
        who="plain water",
        amount=f"{shown.litres(each, 2)}{' each' if unfed.count > 1 else ''}",
        litres=round(each * unfed.count, 3),
        water_id=can.water_id,
        water=can.water,
        done=done[0] is not None,
        change_id=done[1],
    )
