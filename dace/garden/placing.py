"""Places along the path and what fills them."""

from __future__ import annotations

import uuid
from dataclasses import asdict, dataclass, field
from datetime import date
from typing import Any

from django.db import transaction
from django.db.models import Max

from dace.core import api as core
from dace.core.api import DaceError, SoilMixAsked
from dace.garden.models import Fill, Garden, Place, SoilMix, Stand
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
    """What a place is filled with; ``alike`` pots count as one.

    ``medium`` is a key of the table, or ``mix:`` and the id of a mix of one's own.
    """

    medium: str
    filled_on: date
    volume_l: float | None = None
    area_m2: float | None = None
    alike: int = 1
    ph: float | None = None
    name: str = ""


@dataclass(frozen=True)
class NewMix:
    """A mix: parts by volume, dry feeds [g/L], what it is for."""

    name: str
    use: str
    parts: dict[str, float]
    dry: dict[str, float] = field(default_factory=dict)


MIX = "mix:"
"""How a medium is told that is a mix of one's own: followed by its id."""


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
    filled = medium_told(scope, new.medium)
    if new.volume_l is None and new.area_m2 is None:
        raise DaceError("size", "no size", "40 L or 3.6 x 1.2 m would do")
    if new.ph is not None and not 3 <= new.ph <= 10:
        raise DaceError("ph", f"a pH of {new.ph:g}", "3 to 10 would do; leave it out if not known")
    with change(scope, "fill") as draft:
        subject = subject_of(scope, fill_id, Subject.Kind.FILL)
        values = asdict(new) | filled | {"place": place, "subject": subject}
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
def refill(
    scope: Scope, row_id: uuid.UUID, fill_id: uuid.UUID, told: str = "", fresh: float = 1.0
) -> Fill:
    """Fresh medium from today in the same size; the old one keeps its history.

    Parameters
    ----------
    scope : Scope
        An owner's.
    row_id, fill_id : UUID
        Of the new fill, and of the one that it follows.
    told : str
        Another medium or mix; the same as before where empty.
    fresh : float
        The share that is new, above 0: the rest stays as it stood.

    Raises
    ------
    DaceError
        On ``medium`` or ``fresh``.
    NotFoundError
        If it is none of this household's.
    ConflictError
        If something still grows in it, or it was emptied before.
    """
    repeat = Fill.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    old = _bare(scope, fill_id)
    if not 0 < fresh <= 1:
        raise DaceError("fresh", f"{fresh:g}", "a share above 0 and up to 1 would do")
    filled = {"medium": old.medium, "mix": old.mix} if not told else medium_told(scope, told)
    if old.renewed_on is not None:
        raise ConflictError("fill_id", f"{old}, which was emptied", "choose one that stands")
    verb = "filled anew" if fresh >= 1 else "topped up"
    with change(scope, "fill", f"{old} {verb}"):
        _end(scope, old)
        return Fill.objects.create(
            **new_row(scope, row_id),
            subject=subject_of(scope, row_id, Subject.Kind.FILL),
            place=old.place,
            name=old.name,
            **filled,
            fresh=fresh,
            volume_l=old.volume_l,
            area_m2=old.area_m2,
            alike=old.alike,
            logs_waterings=old.logs_waterings,
            filled_on=old.renewed_on,
        )


def medium_told(scope: Scope, told: str) -> dict[str, Any]:
    """What a fill is of, as its fields: a medium of the table, or a mix of one's own.

    Raises
    ------
    DaceError
        On ``medium``.
    NotFoundError
        If the mix is none of this household's.
    """
    if not told.startswith(MIX):
        return {"medium": core.medium(told).key, "mix": None}
    try:
        mix_id = uuid.UUID(told.removeprefix(MIX))
    except ValueError:
        raise DaceError("medium", f"“{told}”", "a mix from the list would do") from None
    mix = SoilMix.objects.fetch(scope, mix_id, "medium")
    return {"medium": core.most_like(mix.asked), "mix": mix}


@transaction.atomic
def save_mix(scope: Scope, garden: Garden, mix_id: uuid.UUID, new: NewMix) -> SoilMix:
    """A mix of one's own, to fill pots with.

    Raises
    ------
    DaceError
        On ``parts``, ``dry`` or ``use``; on ``name`` where another has it.
    ConflictError
        If pots were filled with it and its parts would change.
    """
    core.soil_mix(SoilMixAsked(1.0, tuple(new.parts.items()), tuple(new.dry.items()), new.use))
    kept = SoilMix.objects.written_before(scope, mix_id)
    same = SoilMix.objects.in_use(scope).filter(name=new.name).exclude(pk=mix_id)
    if same.exists():
        raise DaceError("name", f"“{new.name}”, which another mix has", "another name would do")
    values = asdict(new) | {"garden": garden}
    if kept is not None and kept.fills.filter(undone_at__isnull=True).exists():
        told = {"parts": kept.parts, "dry": kept.dry}
        if {name: values[name] for name in told} != told:
            raise ConflictError("parts", f"{kept}, which pots were filled with", "make another mix")
    return keep(scope, SoilMix, Written(mix_id, "mix"), values)


def _bare(scope: Scope, fill_id: uuid.UUID) -> Fill:
    """A fill in which nothing grows."""
    require_owner(scope)
    fill = Fill.objects.select_related("place__garden", "mix").fetch(scope, fill_id, "fill_id")
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
