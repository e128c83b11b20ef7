"""Every kind of thing that the Notebook lists, and a page of them by a cursor in SQL.

Notes
-----
Each kind has an index by household and time; a page asks each for its own newest beyond
the cursor, so that a page costs as much after ten years as on the first day.
"""

from __future__ import annotations

import uuid
from collections.abc import Callable
from dataclasses import dataclass
from datetime import UTC, date, datetime, time
from typing import Any
from zoneinfo import ZoneInfo

from django.db.models import Model, Q, QuerySet

from dace.core.api import DaceError
from dace.feeding.models import Dose, Dressing, Spray, Spread, Tick, Watering
from dace.garden.looked import Observation, SignCheck
from dace.garden.models import GreenStand, Harvest, SoilTest, StageSeen, Stand
from dace.households.scope import Scope
from dace.measuring.models import FieldTest, Reading
from dace.notebook.models import Photo, Trial
from dace.shelf.models import BrewEvent, HeapEvent

_NOON = time(12)


@dataclass(frozen=True)
class Cursor:
    """Where a page ended: the moment and id of its last entry; an empty id is the moment alone."""

    at: datetime
    hex: str = ""

    def __str__(self) -> str:
        return f"{self.at.astimezone(UTC).isoformat()} {self.hex}".strip()


def read_cursor(text: str) -> Cursor:
    """A cursor as it was given out, or an instant with its zone.

    Raises
    ------
    DaceError
        On ``before``.
    """
    moment, _, row = text.strip().replace("Z", "+00:00").partition(" ")
    try:
        at = datetime.fromisoformat(moment)
        key = uuid.UUID(row).hex if row else ""
        if at.tzinfo is None or not 1900 <= at.year <= 2200:
            raise ValueError
        return Cursor(at.astimezone(UTC), key)
    except (ValueError, OverflowError):
        would_do = "what the last page gave as next, or 2026-07-14T17:40Z"
        raise DaceError("before", f"“{text.strip()[:60]}”", would_do) from None


Chosen = Callable[[Scope, uuid.UUID], Q]


def _at_its_fill(_: Scope, stop_id: uuid.UUID) -> Q:
    return Q(fill__place_id=stop_id)


def _of_its_subject(_: Scope, stop_id: uuid.UUID) -> Q:
    return Q(subject__fill__place_id=stop_id)


def _of_what_stood_there(scope: Scope, stop_id: uuid.UUID) -> Q:
    stands = Stand.objects.of(scope).filter(fill__place_id=stop_id)
    return Q(planting__in=stands.values("planting_id"))


def _of_its_fed(_: Scope, stop_id: uuid.UUID) -> Q:
    return Q(fed__fill__place_id=stop_id) | Q(unfed__fill__place_id=stop_id)


def _nowhere(_: Scope, __: uuid.UUID) -> Q:
    return Q(pk__in=[])


@dataclass(frozen=True)
class Kind:
    """A kind of entry: its rows, when each was, and which belong to a stop.

    ``day`` is whether it is kept by the day alone: then it stands at noon.
    """

    name: str
    model: type[Model]
    at: str
    here: Chosen
    related: tuple[str, ...] = ()
    but: Q | None = None
    day: bool = False


KINDS = (
    Kind(
        "dose",
        Dose,
        "poured_at",
        _at_its_fill,
        ("can__water", "can__subject", "stand__planting", "fill__place"),
    ),
    Kind(
        "reading",
        Reading,
        "taken_at",
        _of_its_subject,
        ("subject",),
        # a can's readings stand with its doses
        ~Q(subject__kind="can"),
    ),
    Kind("spray", Spray, "sprayed_at", _at_its_fill, ("can__water", "fill__place")),
    Kind("dressing", Dressing, "given_at", _at_its_fill, ("jar", "fill__place")),
    Kind("watering", Watering, "poured_at", _at_its_fill, ("water", "fill__place")),
    Kind("test", FieldTest, "taken_at", _of_its_subject, ("subject",)),
    Kind("harvest", Harvest, "picked_on", _of_what_stood_there, ("planting",), day=True),
    Kind("look", StageSeen, "seen_on", _of_what_stood_there, ("planting",), day=True),
    Kind("left_out", Tick, "created_at", _at_its_fill, ("fill__place",), Q(how=Tick.How.NONE)),
    Kind("observation", Observation, "seen_at", _at_its_fill, ("fill__place",)),
    Kind("sign", SignCheck, "checked_at", _at_its_fill, ("fill__place",)),
    Kind("photo", Photo, "taken_at", _at_its_fill, ("fill__place",)),
    Kind(
        "trial", Trial, "started_on", _of_its_fed, ("fed__fill__place", "fed__planting"), day=True
    ),
    Kind("soil_test", SoilTest, "tested_on", _at_its_fill, ("fill__place",), day=True),
    Kind("brew", BrewEvent, "at", _nowhere, ("brew",)),
    Kind("spread", Spread, "laid_on", _at_its_fill, ("jar", "fill__place"), day=True),
    Kind("green", GreenStand, "sown_on", _at_its_fill, ("fill__place",), day=True),
    Kind("heap", HeapEvent, "on", _nowhere, ("heap",), day=True),
)


@dataclass(frozen=True)
class Entry:
    """One row of the Notebook."""

    kind: str
    at: datetime
    row: Any


def page_of(
    scope: Scope, zone: ZoneInfo, stop_id: uuid.UUID | None, before: Cursor | None, limit: int
) -> tuple[list[Entry], Cursor | None]:
    """The newest entries beyond a cursor, and the cursor of the next page where there is one.

    A query for each kind, and one more for each kind that is on the page.
    """
    found: list[tuple[datetime, str, Kind]] = []
    for kind in KINDS:
        rows = kind.model._default_manager.of(scope)  # type: ignore[attr-defined]
        if kind.but is not None:
            rows = rows.filter(kind.but)
        if stop_id is not None:
            rows = rows.filter(kind.here(scope, stop_id))
        if before is not None:
            rows = rows.filter(_beyond(kind, zone, before))
        newest = rows.order_by(f"-{kind.at}", "-pk").values_list(kind.at, "pk")[: limit + 1]
        found += [(_moment(at, zone), pk.hex, kind) for at, pk in newest]
    found.sort(key=lambda one: one[:2], reverse=True)
    shown = found[:limit]
    rows_by = {kind.name: _rows(kind, shown) for kind in KINDS}
    # what was undone since the first of these queries is not there any more
    there = ((kind.name, at, rows_by[kind.name].get(pk)) for at, pk, kind in shown)
    entries = [Entry(name, at, row) for name, at, row in there if row is not None]
    more = len(found) > limit
    return entries, Cursor(*shown[-1][:2]) if more else None


def _rows(kind: Kind, shown: list[tuple[datetime, str, Kind]]) -> dict[str, Model]:
    keys = [pk for _, pk, other in shown if other is kind]
    if not keys:
        return {}
    rows: QuerySet[Any] = kind.model._default_manager.filter(pk__in=keys)
    return {row.pk.hex: row for row in rows.select_related(*kind.related)}


def _moment(at: datetime | date, zone: ZoneInfo) -> datetime:
    if isinstance(at, datetime):
        return at
    return datetime.combine(at, _NOON, tzinfo=zone).astimezone(UTC)


def _beyond(kind: Kind, zone: ZoneInfo, before: Cursor) -> Q:
    """What lies before a cursor in the order of moment, then id."""
    edge: datetime | date = before.at
    if kind.day:
        edge = before.at.astimezone(zone).date()
        noon = _moment(edge, zone)
        if noon != before.at:
            return Q(**{f"{kind.at}__{'lte' if noon < before.at else 'lt'}": edge})
    earlier = Q(**{f"{kind.at}__lt": edge})
    if not before.hex:
        return earlier
    return earlier | Q(**{kind.at: edge, "pk__lt": uuid.UUID(before.hex)})
