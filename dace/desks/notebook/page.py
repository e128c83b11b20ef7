"""The Notebook: doses and readings, newest first."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.contrib.contenttypes.models import ContentType
from reversion.models import Version

from dace.core.api import (
    Result,
    amount_words,
    as_pour_through,
    compare_with_expected,
    crop,
    say,
)
from dace.desks.notebook.schemas import DoseOut, NotebookOut, ReadingOut
from dace.feeding.models import CanPart, Dose
from dace.feeding.reads import doses, parts_by_can
from dace.garden.reads import StopRecord, by_subject, stops, waters
from dace.households.scope import Scope
from dace.measuring.models import Reading
from dace.measuring.reads import pen_reading


@dataclass(frozen=True)
class _Page:
    doses: tuple[Dose, ...]
    readings: tuple[Reading, ...]
    more: bool


def notebook_page(
    scope: Scope, stop_id: uuid.UUID | None, before: datetime | None, limit: int
) -> NotebookOut:
    """The newest entries, of one stop or the whole garden; twelve queries at most."""
    path = stops(scope)
    poured, cans = doses(scope), parts_by_can(scope)
    read = tuple(
        Reading.objects.of(scope).select_related("subject").order_by("-taken_at", "-created_at")
    )
    page = _page(poured, read, _subjects_at(path, stop_id), stop_id, before, limit)
    changes = _changes([row.pk for row in (*page.doses, *read)])
    left = _left(poured)
    of_can: dict[uuid.UUID, list[Reading]] = {}
    for row in read:
        of_can.setdefault(row.subject_id, []).append(row)
    where = by_subject(path)
    named = {water.subject_id: water.name for water in waters(scope)}
    return NotebookOut(
        doses=[
            _dose(
                d, cans.get(d.can_id, ()), of_can.get(d.can.subject_id, []), left[d.can_id], changes
            )
            for d in page.doses
        ],
        readings=[
            _reading(r, where.get(r.subject_id), None, changes, named.get(r.subject_id, ""))
            for r in page.readings
        ],
        more=page.more,
    )


def _subjects_at(path: tuple[StopRecord, ...], stop_id: uuid.UUID | None) -> set[uuid.UUID] | None:
    if stop_id is None:
        return None
    return {subject for stop in path if stop.id == stop_id for subject, _ in stop.fills}


def _page(
    poured: tuple[Dose, ...],
    read: tuple[Reading, ...],
    subjects: set[uuid.UUID] | None,
    stop_id: uuid.UUID | None,
    before: datetime | None,
    limit: int,
) -> _Page:
    chosen = [d for d in poured if stop_id is None or d.fill.place_id == stop_id]
    drains = [r for r in read if r.subject.kind != "can"]
    if subjects is not None:
        drains = [r for r in drains if r.subject_id in subjects]
    moments = [(d.poured_at, d) for d in chosen] + [(r.taken_at, r) for r in drains]
    if before is not None:
        moments = [(at, row) for at, row in moments if at < before]
    moments.sort(key=lambda pair: pair[0], reverse=True)
    shown = [row for _, row in moments[:limit]]
    return _Page(
        tuple(row for row in shown if isinstance(row, Dose)),
        tuple(row for row in shown if isinstance(row, Reading)),
        len(moments) > limit,
    )


def _changes(ids: list[uuid.UUID]) -> dict[str, int]:
    """The change that wrote each row, where it still stands; one query."""
    kinds = [ContentType.objects.get_for_model(model) for model in (Dose, Reading)]
    rows = Version.objects.filter(
        content_type__in=kinds,
        object_id__in=[str(row_id) for row_id in ids],
        revision__change__undone=False,
        revision__change__undoes__isnull=True,
    )
    return dict(rows.values_list("object_id", "revision__change__id"))


def _left(poured: tuple[Dose, ...]) -> dict[uuid.UUID, float]:
    left: dict[uuid.UUID, float] = {}
    for dose in poured:
        left[dose.can_id] = left.get(dose.can_id, dose.can.vessel_l) - dose.litres
    return left


def _dose(
    dose: Dose,
    parts: tuple[CanPart, ...],
    read: list[Reading],
    left: float,
    changes: dict[str, int],
) -> DoseOut:
    can = dose.can
    expected = Result(can.ec_likely, can.ec_low, can.ec_high, "mS/cm", ())
    left = max(0.0, left)
    return DoseOut(
        id=dose.id,
        at=dose.poured_at,
        stop_id=dose.fill.place_id,
        stop=dose.fill.place.name,
        crop=crop(dose.stand.planting.crop).name.lower(),
        counted=crop(dose.stand.planting.crop).counted(dose.plants),
        plants=dose.plants,
        litres_each=say(dose.litres_each, 3),
        litres=say(dose.litres, 3),
        ratio=can.ratio,
        vessel=f"{say(can.vessel_l)} L",
        water=can.water.name,
        sources=[f"{amount_words(p.amount, _unit(p))} {p.jar.name}" for p in parts],
        mg_l={name: say(value, 3) for name, value in can.mg_l.items()},
        expected=f"{can.ec_likely:.2f}",
        expected_range=f"{can.ec_low:.2f} to {can.ec_high:.2f}",
        can_id=can.id,
        can_subject_id=can.subject_id,
        left_l=left,
        left=say(left, 3),
        readings=[_reading(r, None, expected, changes) for r in read],
        change_id=changes.get(str(dose.id)),
    )


def _unit(part: CanPart) -> str:
    return "mL" if part.jar.form == "liquid" else "g"


def _reading(
    row: Reading,
    stop: StopRecord | None,
    expected: Result | None,
    changes: dict[str, int],
    water: str = "",
) -> ReadingOut:
    read = Result(row.ec_likely, row.ec_low, row.ec_high, "mS/cm", ())
    verdict = compare_with_expected(read, expected) if expected else None
    parts = f" at 1 + {say(row.parts_water)}" if row.parts_water else ""
    return ReadingOut(
        id=row.id,
        at=row.taken_at,
        stop_id=stop.id if stop else None,
        stop=stop.name if stop else water,
        kind=row.subject.kind,
        shown=f"{say(row.value, 4)} {row.scale}{parts}",
        ec=f"{row.ec_likely:.2f}",
        ec_ms_cm=row.ec_likely,
        range_text=f"{row.ec_low:.2f} to {row.ec_high:.2f}",
        method=row.method,
        verdict=verdict.verdict if verdict else "",
        text=verdict.text if verdict else _as_pour_through(row),
        change_id=changes.get(str(row.id)),
    )


def _as_pour_through(row: Reading) -> str:
    """What a sample of the medium stands for, where it is none of what drains."""
    if row.subject.kind != "fill" or row.method == "pour_through":
        return ""
    found = as_pour_through(pen_reading(row))
    if found is None:
        return ""
    span = f"{found.low:.1f} to {found.high:.1f}"
    return f"As much as {found.value:.1f} mS/cm ({span}) in what drains."
