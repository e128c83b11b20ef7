"""Young plants and cold nights: what was said of the night, what was done to raise plants on."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import dataclass
from datetime import date

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, Tonight
from dace.garden.models import Fill, NightSaid, Planting, Raising, Stand
from dace.garden.placing import NewFill, empty_fill, save_fill
from dace.garden.planting import Move, move
from dace.garden.reads import garden_of
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope, require_owner
from dace.households.version import remembered


@transaction.atomic
def say_night(scope: Scope, row_id: uuid.UUID, new: Tonight) -> NightSaid:
    """What somebody knows of tonight; what is left out stands as it was said before.

    Raises
    ------
    DaceError
        On ``low``.
    """
    repeat = NightSaid.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    garden = garden_of(scope)
    on = today(scope, garden)
    if new.low_c is not None and not -60 <= new.low_c <= 40:
        raise DaceError("low", f"{new.low_c:g} °C tonight", "-60 to 40 °C would do")
    before = tonight(scope, on)
    low = before.low_c if new.low_c is None else new.low_c
    clear = before.clear if new.clear is None else new.clear
    said = "Covered for the night" if new.covered else "Told about tonight"
    with change(scope, "night", said):
        return NightSaid.objects.create(
            **new_row(scope, row_id),
            garden=garden,
            on=on,
            low_c=low,
            clear=clear,
            covered=new.covered,
        )


@remembered(NightSaid)
def _nights(scope: Scope) -> tuple[NightSaid, ...]:
    newest = NightSaid.objects.of(scope).order_by("-on", "-seq")
    return tuple(newest[:1])


def tonight(scope: Scope, on: date) -> Tonight:
    """What was said of the night that follows a day; one query."""
    for row in _nights(scope):
        if row.on == on:
            return Tonight(row.low_c, row.clear, row.covered)
    return Tonight()


@transaction.atomic
def raise_on(
    scope: Scope, row_id: uuid.UUID, planting_ids: Sequence[uuid.UUID], step: str
) -> Raising:
    """Hardening off is begun, a step is put off for a week, or they stay where they are.

    Raises
    ------
    NotFoundError
        If one is none of this household's.
    DaceError
        On ``step`` or ``planting_ids``.
    """
    if not planting_ids:
        raise DaceError("planting_ids", "no planting", "one at least would do")
    ids = {planting_id: uuid.uuid5(row_id, str(planting_id)) for planting_id in planting_ids}
    repeat = Raising.objects.written_before(scope, ids[planting_ids[0]])
    if repeat is not None:
        return repeat
    if step not in Raising.Step.values:
        raise DaceError("step", f"“{step}”", f"one of {', '.join(Raising.Step.values)} would do")
    found = [Planting.objects.fetch(scope, key, "planting_ids") for key in ids]
    on = today(scope, garden_of(scope))
    names = core.listed(list(dict.fromkeys(one.grown.name.lower() for one in found)))
    with change(scope, "raising", f"{names}: {Raising.Step(step).label}"):
        rows = [
            Raising.objects.create(**new_row(scope, ids[one.pk]), planting=one, step=step, on=on)
            for one in found
        ]
    return rows[0]


@dataclass(frozen=True)
class Raisings:
    """How far the raising of a planting has come."""

    hardening_on: date | None = None
    later_on: date | None = None
    stays: bool = False


NOT_RAISED = Raisings()
"""Of a planting of which nothing was said."""


@remembered(Raising)
def _raisings(scope: Scope) -> dict[uuid.UUID, Raisings]:
    rows: dict[uuid.UUID, dict[str, date]] = {}
    for row in Raising.objects.of(scope).order_by("on", "seq"):
        rows.setdefault(row.planting_id, {})[row.step] = row.on
    return {
        key: Raisings(steps.get("harden"), steps.get("later"), "stays" in steps)
        for key, steps in rows.items()
    }


def raisings(scope: Scope) -> dict[uuid.UUID, Raisings]:
    """By planting; one query, none where nothing changed."""
    return _raisings(scope)


@dataclass(frozen=True)
class PottedOn:
    """So many plants of a stand into pots of so many litres each, of a medium or mix."""

    id: uuid.UUID
    stand_id: uuid.UUID
    count: int
    litres_each: float
    medium: str


@transaction.atomic
def pot_on(scope: Scope, new: PottedOn) -> Stand:
    """Larger pots at the same place, in one change; what they stood in is emptied once bare.

    Raises
    ------
    NotFoundError
        If the stand is none of this household's.
    DaceError
        On ``litres``, ``count`` or ``medium``.
    """
    require_owner(scope)
    repeat = Stand.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    rows = Stand.objects.select_related("fill__place__garden", "planting").filter(to_on=None)
    stand = rows.fetch(scope, new.stand_id, "stand_id")
    if not 0.01 <= new.litres_each <= 1000:
        raise DaceError("litres", f"{new.litres_each:g} L a pot", "10 mL to 1000 L would do")
    if not 1 <= new.count <= stand.count:
        raise DaceError("count", f"{new.count} plants", f"1 to {stand.count} stand there")
    place = stand.fill.place
    counted = stand.planting.grown.counted(new.count)
    with change(scope, "move", f"{counted} potted on at {place}"):
        filled = NewFill(
            new.medium,
            today(scope, place.garden),
            volume_l=new.litres_each,
            alike=new.count,
            name=_name(scope, place.pk, stand.planting.grown),
        )
        fill = save_fill(scope, place, uuid.uuid5(new.id, "pots"), filled)
        moved = move(scope, Move(new.id, stand.pk, fill.pk, new.count))
        if not Stand.objects.of(scope).filter(fill=stand.fill, to_on=None).exists():
            empty_fill(scope, stand.fill_id)
        return moved


def _name(scope: Scope, place_id: uuid.UUID, grown: core.Crop) -> str:
    """What the pots are called: by what is in them, numbered from the second on."""
    name = f"{grown.name} pots"
    taken = set(Fill.objects.of(scope).filter(place_id=place_id).values_list("name", flat=True))
    if name not in taken:
        return name
    return next(free for at in range(2, 1000) if (free := f"{name} {at}") not in taken)
