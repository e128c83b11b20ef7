"""Many places and plantings at once: a list as somebody keeps it, and more of the same."""

from __future__ import annotations

import uuid
from collections.abc import Sequence

from django.db import transaction

from dace.core.api import DaceError, Line, alike
from dace.garden.models import Fill, Garden, Place, Planting
from dace.garden.placing import NewFill, NewPlace, save_place
from dace.garden.planting import NewPlanting, plant_rows
from dace.garden.services import today
from dace.households.changes import change
from dace.households.scope import Scope, require_owner

_MOST_MORE = 100


@transaction.atomic
def keep_list(scope: Scope, garden: Garden, list_id: uuid.UUID, lines: Sequence[Line]) -> None:
    """Every line that was understood, in one change; sent twice, it stands once.

    Raises
    ------
    DaceError
        On ``text`` where a line is not understood: nothing is written then.
    """
    require_owner(scope)
    wrong = next((line for line in lines if line.trouble), None)
    if wrong is not None:
        raise DaceError(
            "text", f"line {wrong.number}, {wrong.trouble}", "put it right or take it out"
        )
    if kept_before(scope, list_id):
        return
    on = today(scope, garden)
    named = {place.name: place for place in Place.objects.in_use(scope)}
    with change(scope, "place", f"a list of {len(lines)} lines kept"):
        for at, line in enumerate(lines):
            if line.place is not None:
                one = line.place
                for turn, name in enumerate(one.names):
                    place_id = uuid.uuid5(list_id, f"{at} {turn}")
                    fill = NewFill(
                        medium=one.medium,
                        filled_on=on,
                        volume_l=one.size.volume_l,
                        area_m2=one.size.area_m2,
                        alike=one.alike,
                    )
                    new = NewPlace(name, one.kind, one.covered, one.area)
                    filled = (uuid.uuid5(place_id, "fill"), fill)
                    named[name] = save_place(scope, garden, place_id, new, filled)
            elif line.planting is not None:
                _plant(scope, garden, uuid.uuid5(list_id, str(at)), line, named)


def kept_before(scope: Scope, list_id: uuid.UUID) -> bool:
    """Whether a list of that id stands already, by its first line."""
    place = Place.objects.written_before(scope, uuid.uuid5(list_id, "0 0"))
    planting = Planting.objects.written_before(scope, uuid.uuid5(list_id, "0"))
    return place is not None or planting is not None


def _plant(
    scope: Scope, garden: Garden, planting_id: uuid.UUID, line: Line, named: dict[str, Place]
) -> None:
    told = line.planting
    assert told is not None
    fill = Fill.objects.of(scope).filter(place=named[told.place], renewed_on__isnull=True).first()
    if fill is None:
        raise DaceError("text", f"line {line.number}, {told.place} is empty", "fill it first")
    new = NewPlanting(
        id=planting_id,
        garden=garden,
        crop=told.crop,
        started_on=told.started_on,
        stage=alike(told.crop, "").stages[0].key,
        seen_on=told.started_on,
        stands=((uuid.uuid5(planting_id, "stand"), fill, told.count),),
    )
    plant_rows(scope, new)


@transaction.atomic
def more_like(
    scope: Scope, garden: Garden, list_id: uuid.UUID, place_id: uuid.UUID, count: int
) -> None:
    """So many more places like one, with the same fill, numbered on; in one change.

    Raises
    ------
    DaceError
        On ``count``.
    NotFoundError
        If the place is none of this household's.
    """
    require_owner(scope)
    if not 1 <= count <= _MOST_MORE:
        raise DaceError("count", f"{count} more", f"1 to {_MOST_MORE} would do")
    place = Place.objects.fetch(scope, place_id, "place_id")
    if Place.objects.written_before(scope, uuid.uuid5(list_id, "1")) is not None:
        return
    fill = Fill.objects.of(scope).filter(place=place, renewed_on__isnull=True).first()
    taken = {one.name for one in Place.objects.in_use(scope)}
    stem = place.name.rstrip("0123456789").strip() or place.name
    with change(scope, "place", f"{count} more like {place}"):
        number = 1
        for turn in range(1, count + 1):
            while f"{stem} {number}" in taken:
                number += 1
            name = f"{stem} {number}"[:60]
            taken.add(name)
            new_id = uuid.uuid5(list_id, str(turn))
            filled = None
            if fill is not None:
                same = NewFill(
                    medium=fill.medium if fill.mix_id is None else f"mix:{fill.mix_id}",
                    filled_on=today(scope, garden),
                    volume_l=fill.volume_l,
                    area_m2=fill.area_m2,
                    alike=fill.alike,
                )
                filled = (uuid.uuid5(new_id, "fill"), same)
            new = NewPlace(name, place.kind, place.covered, place.area)
            save_place(scope, garden, new_id, new, filled)
