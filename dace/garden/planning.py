"""How plantings are fed: school, rhythm, sources, strength, the crop hoped for."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from dataclasses import asdict, dataclass
from typing import Any, TypeVar

from django.db import transaction

from dace.core.api import APPROACHES, EVENINGS, RHYTHM_WORDS, DaceError, evenings_of
from dace.garden.models import Garden, Planting
from dace.garden.reads import garden_of
from dace.households.changes import change
from dace.households.keeping import refuse_if_changed_meanwhile
from dace.households.models import Kept
from dace.households.scope import Scope, require_owner

K = TypeVar("K", bound=Kept)

MOST_STRENGTH, LEAST_AIM, MOST_AIM = 3.0, 0.25, 3.0
_MOST_SOURCES = 60


@dataclass(frozen=True)
class Feeding:
    """How a planting is fed; what is left None stays as it is, empty is as the garden."""

    approach: str | None = None
    rhythm: str | None = None
    sources: tuple[uuid.UUID, ...] | None = None
    strength: float | None = None
    aim: float | None = None


@dataclass(frozen=True)
class GardenFeeding:
    """How a garden is fed where a planting says nothing; ``slider`` spares money or effort.

    ``evenings`` are names of days; none for any evening.
    """

    approach: str | None = None
    rhythm: str | None = None
    slider: float | None = None
    evenings: tuple[str, ...] | None = None
    weighs: bool | None = None


@transaction.atomic
def feed_so(scope: Scope, planting_id: uuid.UUID, new: Feeding) -> Planting:
    """Feed a planting so from now on.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    DaceError
        On what cannot be, by name.
    """
    require_owner(scope)
    planting = Planting.objects.fetch(scope, planting_id, "planting_id")
    _check_words(new.approach, new.rhythm)
    if new.strength is not None and not 0 < new.strength <= MOST_STRENGTH:
        raise DaceError("strength", f"{new.strength:g} times", f"up to {MOST_STRENGTH:g} would do")
    if new.aim is not None and not LEAST_AIM <= new.aim <= MOST_AIM:
        raise DaceError(
            "aim", f"{new.aim:g} times", f"{LEAST_AIM:g} to {MOST_AIM:g} times a usual crop"
        )
    if new.sources is not None and len(new.sources) > _MOST_SOURCES:
        raise DaceError("sources", f"{len(new.sources)} jars", f"up to {_MOST_SOURCES} would do")
    values = {name: value for name, value in asdict(new).items() if value is not None}
    if new.sources is not None:
        values["sources"] = sorted(str(jar_id) for jar_id in new.sources)
    return _kept(scope, planting, values, f"{planting.grown.name}: fed otherwise")


@transaction.atomic
def feed_all_so(scope: Scope, planting_ids: Sequence[uuid.UUID], new: Feeding) -> list[Planting]:
    """Feed several plantings so from now on: all of them in one change, or none.

    Raises
    ------
    NotFoundError, DaceError
        As :func:`feed_so`.
    """
    ids = list(dict.fromkeys(planting_ids))
    with change(scope, "feeding", f"{len(ids)} plantings fed otherwise"):
        return [feed_so(scope, planting_id, new) for planting_id in ids]


@transaction.atomic
def feed_garden_so(scope: Scope, new: GardenFeeding) -> Garden:
    """Feed the whole garden so where a planting says nothing else.

    Raises
    ------
    DaceError
        On what cannot be, by name.
    """
    require_owner(scope)
    garden = Garden.objects.fetch(scope, garden_of(scope).pk, "garden")
    _check_words(new.approach or None, new.rhythm or None)
    if new.slider is not None and not -1 <= new.slider <= 1:
        raise DaceError("slider", f"{new.slider:g}", "-1 (spare money) to 1 (spare effort)")
    values = {name: value for name, value in asdict(new).items() if value not in (None, "")}
    if new.evenings is not None:
        held = evenings_of(list(new.evenings)) if new.evenings else frozenset()
        values["evenings"] = ",".join(EVENINGS[day] for day in sorted(held))
    if new.rhythm:
        values["rhythm_new"] = False  # whoever chooses has seen it
    return _kept(scope, garden, values, f"{garden.name}: fed otherwise")


def _kept(scope: Scope, row: K, values: dict[str, Any], summary: str) -> K:
    changed = [name for name, value in values.items() if getattr(row, name) != value]
    if not changed:
        return row
    refuse_if_changed_meanwhile(scope, row, {name: values[name] for name in changed})
    with change(scope, "feeding", summary):
        for name in changed:
            setattr(row, name, values[name])
        row.save(update_fields=changed)
    return row


def _check_words(approach: str | None, rhythm: str | None) -> None:
    for field, said, words in (
        ("approach", approach, APPROACHES),
        ("rhythm", rhythm, RHYTHM_WORDS),
    ):
        if said and said not in words:
            raise DaceError(field, f"“{said}”", f"one of {', '.join(words)} would do")
