"""Places along the path and what fills them."""

from __future__ import annotations

import uuid
from dataclasses import asdict, dataclass
from datetime import date

from django.db import transaction
from django.db.models import Max

from dace.core import api as core
from dace.core.api import DaceError, medium
from dace.garden.models import Fill, Garden, Place, Stand
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import Written, keep, new_row, put_away
from dace.households.scope import ConflictError, Scope, require_owner
from dace.measuring.models import Subject
from dace.measuring.services import subject_of


@dataclass(frozen=True)
class NewPlace:
    """A stop along the path."""

    name: str
    kind: str
    covered: bool = False
    area: str = ""


@dataclass(frozen=True)
class NewFill:
    """What a place is filled with; ``alike`` pots count as one."""

    medium: str
    filled_on: date
    volume_l: float | None = None
    area_m2: float | None = None
    alike: int = 1
    ph: float | None = None
    name: str = ""


@transaction.atomic
def save_place(
    scope: Scope,
    garden: Garden,
    place_id: uuid.UUID,
    new: NewPlace,
    filled: tuple[uuid.UUID, NewFill] | None = None,
) -> Place:
    """A place at the end of the path, or another name or kind for one; its fill goes with it.

    Raises
    ------
    DaceError
        On field ``kind``, or on what is wrong with the fill.
    ConflictError
        If either was changed meanwhile.
    """
    core.place_kind(new.kind)
    values = asdict(new) | {"garden": garden}
    fresh = Place.objects.written_before(scope, place_id) is None
    if fresh:
        last = Place.objects.of(scope).aggregate(last=Max("walking_order"))["last"]
        values["walking_order"] = 0 if last is None else last + 1
    with change(scope, "place") as draft:
        place = keep(scope, Place, Written(place_id, "place"), values)
        if filled is not None:
            save_fill(scope, place, *filled)
        draft.summary = f"{place} {'added' if fresh else 'changed'}"
    return place


@transaction.atomic
def save_fill(scope: Scope, place: Place, fill_id: uuid.UUID, new: NewFill) -> Fill:
    """What a place holds, or what is newly known of it.

    Raises
    ------
    DaceError
        On ``medium``, ``size``, ``ph`` or ``alike``.
    """
    medium(new.medium)
    if new.volume_l is None and new.area_m2 is None:
        raise DaceError("size", "no size", "40 L or 3.6 x 1.2 m would do")
    if new.ph is not None and not 3 <= new.ph <= 10:
        raise DaceError("ph", f"a pH of {new.ph:g}", "3 to 10 would do; leave it out if not known")
    with change(scope, "fill") as draft:
        subject = subject_of(scope, fill_id, Subject.Kind.FILL)
        values = asdict(new) | {"place": place, "subject": subject}
        fill = keep(scope, Fill, Written(fill_id, "fill"), values)
        draft.summary = f"{fill} {'added' if fill.seq == fill.edition else 'changed'}"
        return fill


@transaction.atomic
def empty_fill(scope: Scope, fill_id: uuid.UUID) -> Fill:
    """A pot or tray is emptied: nothing stands in that medium any more.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    ConflictError
        If something still grows in it.
    """
    fill = _bare(scope, fill_id)
    with change(scope, "fill", f"{fill} emptied"):
        _end(scope, fill)
    return fill


@transaction.atomic
def refill(scope: Scope, row_id: uuid.UUID, fill_id: uuid.UUID) -> Fill:
    """Fresh medium of the same kind and size from today; the old one keeps its history.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    ConflictError
        If something still grows in it, or it was emptied before.
    """
    repeat = Fill.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    old = _bare(scope, fill_id)
    if old.renewed_on is not None:
        raise ConflictError("fill_id", f"{old}, which was emptied", "choose one that stands")
    with change(scope, "fill", f"{old} filled anew"):
        _end(scope, old)
        return Fill.objects.create(
            **new_row(scope, row_id),
            subject=subject_of(scope, row_id, Subject.Kind.FILL),
            place=old.place,
            name=old.name,
            medium=old.medium,
            volume_l=old.volume_l,
            area_m2=old.area_m2,
            alike=old.alike,
            logs_waterings=old.logs_waterings,
            filled_on=old.renewed_on,
        )


def _bare(scope: Scope, fill_id: uuid.UUID) -> Fill:
    """A fill in which nothing grows."""
    require_owner(scope)
    fill = Fill.objects.select_related("place__garden").fetch(scope, fill_id, "fill_id")
    standing = Stand.objects.of(scope).filter(
        fill=fill, to_on__isnull=True, planting__ended_on__isnull=True
    )
    if standing.exists():
        raise ConflictError("fill_id", f"{fill}, where something grows", "move or end that first")
    return fill


def _end(scope: Scope, fill: Fill) -> None:
    fill.renewed_on = max(today(scope, fill.place.garden), fill.filled_on)
    fill.save(update_fields=["renewed_on"])


@transaction.atomic
def order_places(scope: Scope, garden: Garden, place_ids: list[uuid.UUID]) -> None:
    """The walking order.

    Raises
    ------
    DaceError
        If a place is missing from the list or named twice.
    """
    require_owner(scope)
    places = {place.pk: place for place in Place.objects.in_use(scope).filter(garden=garden)}
    if sorted(place_ids) != sorted(places):
        raise DaceError(
            "places", f"{len(place_ids)} places of {len(places)}", "every place once would do"
        )
    with change(scope, "order", "the path walked in another order"):
        for order, place_id in enumerate(place_ids):
            if places[place_id].walking_order != order:
                places[place_id].walking_order = order
                places[place_id].save(update_fields=["walking_order"])


@transaction.atomic
def end_place(scope: Scope, place_id: uuid.UUID, day: date) -> Place:
    """A place that is walked past from a day on.

    Raises
    ------
    ConflictError
        If something still grows there.
    """
    standing = Stand.objects.of(scope).filter(
        fill__place_id=place_id, to_on__isnull=True, planting__ended_on__isnull=True
    )
    if standing.exists():
        raise ConflictError("place", "a place where something grows", "move or end that first")
    return put_away(scope, Place, place_id, day)
