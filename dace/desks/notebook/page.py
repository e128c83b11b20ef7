"""The Notebook: all that was done, read and seen, newest first."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime
from zoneinfo import ZoneInfo

from django.contrib.contenttypes.models import ContentType
from reversion.models import Version

from dace.core.api import (
    Result,
    amount_words,
    as_pour_through,
    compare_with_expected,
    say,
    shown,
)
from dace.desks.notebook.entries import KINDS, Cursor, Entry, page_of
from dace.desks.notebook.schemas import DoseOut, NotebookOut, OtherOut, ReadingOut
from dace.desks.shared import said
from dace.feeding.models import CanPart, Dose
from dace.feeding.reads import cans_left
from dace.garden.models import Fill, Water
from dace.garden.reads import garden_of
from dace.garden.weather import day_of, weather
from dace.households.scope import Scope
from dace.measuring.models import Reading
from dace.measuring.reads import pen_reading
from dace.notebook.models import Trial
from dace.shelf.models import Brew

_LAST_KINDS = [kind.model for kind in KINDS]


@dataclass(frozen=True)
class _Written:
    """The change that wrote a row, where it still stands, and who made it."""

    change_id: int | None = None
    who: str = ""


_NOBODY = _Written()


def notebook_page(
    scope: Scope, stop_id: uuid.UUID | None, before: Cursor | None, limit: int
) -> NotebookOut:
    """The newest entries, of one stop or the whole garden; twenty-eight queries at most."""
    zone = ZoneInfo(garden_of(scope).zone)
    entries, following = page_of(scope, zone, stop_id, before, limit)
    doses = [entry.row for entry in entries if entry.kind == "dose"]
    cans = {dose.can_id: dose.can for dose in doses}
    of_can = _readings(scope, [can.subject_id for can in cans.values()])
    ids = [entry.row.pk for entry in entries]
    written = _written([*ids, *(row.pk for rows in of_can.values() for row in rows)])
    parts, left = _parts(scope, list(cans)), cans_left(scope, list(cans.values()))
    where, air = _Where(scope, entries), _Air(scope)
    return NotebookOut(
        doses=[
            _dose(d, parts.get(d.can_id, []), of_can.get(d.can.subject_id, []), left, written)
            for d in doses
        ],
        readings=[
            _reading(entry.row, where.of(entry.row.subject_id), None, written)
            for entry in entries
            if entry.kind == "reading"
        ],
        others=[
            _other(entry, where, written, air)
            for entry in entries
            if entry.kind not in ("dose", "reading")
        ],
        more=following is not None,
        next=str(following) if following else None,
    )


def _readings(scope: Scope, subjects: list[uuid.UUID]) -> dict[uuid.UUID, list[Reading]]:
    """The readings of some cans, newest first; one query."""
    found: dict[uuid.UUID, list[Reading]] = {}
    rows = Reading.objects.of(scope).filter(subject_id__in=subjects).select_related("subject")
    for row in rows.order_by("-taken_at", "-created_at"):
        found.setdefault(row.subject_id, []).append(row)
    return found


def _parts(scope: Scope, cans: list[uuid.UUID]) -> dict[uuid.UUID, list[CanPart]]:
    """The sources of some cans; one query."""
    found: dict[uuid.UUID, list[CanPart]] = {}
    rows = CanPart.objects.of(scope).filter(can_id__in=cans).select_related("jar")
    for part in rows.order_by("created_at"):
        found.setdefault(part.can_id, []).append(part)
    return found


def _written(ids: list[uuid.UUID]) -> dict[str, _Written]:
    """Who wrote each row and by which change, where that stands; one query."""
    kinds = ContentType.objects.get_for_models(*_LAST_KINDS).values()
    rows = Version.objects.filter(
        db="default",
        content_type__in=kinds,
        object_id__in=[str(row_id) for row_id in ids],
        revision__change__undone=False,
        revision__change__undoes__isnull=True,
    )
    found = rows.order_by("-pk").values_list(
        "object_id", "revision__change__id", "revision__user__username"
    )
    return {key: _Written(change_id, who or "") for key, change_id, who in found}


class _Where:
    """Names of the places and waters that entries are about; two queries."""

    def __init__(self, scope: Scope, entries: list[Entry]) -> None:
        subjects = {e.row.subject_id for e in entries if e.kind in ("reading", "test")}
        fills = Fill.objects.of(scope).filter(subject_id__in=subjects).select_related("place")
        waters = Water.objects.of(scope).filter(subject_id__in=subjects)
        brews = Brew.objects.of(scope).filter(subject_id__in=subjects)
        self._places = {fill.subject_id: (fill.place_id, fill.place.name) for fill in fills}
        self._names = dict(waters.values_list("subject_id", "name"))
        self._names |= dict(brews.values_list("subject_id", "name"))

    def of(self, subject_id: uuid.UUID | None) -> tuple[uuid.UUID | None, str]:
        """The stop of a subject and its name; the name alone where it is at none."""
        if subject_id is None:
            return None, ""
        return self._places.get(subject_id, (None, self._names.get(subject_id, "")))


_SAID = {
    "spray": said.spray_words,
    "dressing": said.dressing_words,
    "watering": said.watering_words,
    "test": said.test_words,
    "harvest": said.harvest_words,
    "look": said.look_words,
    "left_out": said.left_out_words,
    "observation": said.observation_words,
    "sign": said.sign_words,
    "photo": said.photo_words,
    "trial": said.trial_words,
    "soil_test": said.soil_test_words,
    "brew": said.brew_words,
    "spread": said.spread_words,
    "green": said.green_words,
    "heap": said.heap_words,
}


class _Air:
    """The weather of the days that scores are from; one query, where there are any."""

    def __init__(self, scope: Scope) -> None:
        self._scope = scope
        self._garden = garden_of(scope)

    def on(self, at: datetime) -> str:
        """A day's weather in words; nothing where nobody reported it."""
        known = weather(self._scope, self._garden)
        day = day_of(known, at.astimezone(ZoneInfo(self._garden.zone)).date())
        return "" if day is None else said.air_words(day, known.source == "simulated")


def _other(entry: Entry, where: _Where, written: dict[str, _Written], air: _Air) -> OtherOut:
    fill = getattr(entry.row, "fill", None)
    if isinstance(entry.row, Trial):
        fill = entry.row.fed.fill
    stop = where.of(getattr(entry.row, "subject_id", None))
    if fill is not None:
        stop = (fill.place_id, fill.place.name)
    by = written.get(str(entry.row.pk), _NOBODY)
    return OtherOut(
        id=entry.row.pk,
        kind=entry.kind,  # type: ignore[arg-type]
        at=entry.at,
        stop_id=stop[0],
        stop=stop[1],
        text=_SAID[entry.kind](entry.row),  # type: ignore[operator]
        air=air.on(entry.at) if entry.kind == "observation" else "",
        change_id=by.change_id,
        who=by.who,
    )


def _dose(
    dose: Dose,
    parts: list[CanPart],
    read: list[Reading],
    left_l: dict[uuid.UUID, float],
    written: dict[str, _Written],
) -> DoseOut:
    can = dose.can
    expected = Result(can.ec_likely, can.ec_low, can.ec_high, "mS/cm", ())
    left, by = left_l[can.id], written.get(str(dose.id), _NOBODY)
    return DoseOut(
        id=dose.id,
        at=dose.poured_at,
        stop_id=dose.fill.place_id,
        stop=dose.fill.place.name,
        crop=dose.stand.planting.grown.name.lower(),
        counted=dose.stand.planting.grown.counted(dose.plants),
        plants=dose.plants,
        litres_each=say(dose.litres_each, 3),
        litres=say(dose.litres, 3),
        ratio=can.ratio,
        vessel=shown.litres(can.vessel_l),
        water=can.water.name,
        sources=[f"{amount_words(p.amount, _unit(p))} {p.jar.name}" for p in parts],
        mg_l={name: say(value, 3) for name, value in can.mg_l.items()},
        expected=f"{can.ec_likely:.2f}",
        expected_range=f"{can.ec_low:.2f} to {can.ec_high:.2f}",
        can_id=can.id,
        can_subject_id=can.subject_id,
        left_l=left,
        left=say(left, 3),
        readings=[_reading(r, (None, ""), expected, written) for r in read],
        change_id=by.change_id,
        who=by.who,
    )


def _unit(part: CanPart) -> str:
    return "mL" if part.jar.form == "liquid" else "g"


def _reading(
    row: Reading,
    stop: tuple[uuid.UUID | None, str],
    expected: Result | None,
    written: dict[str, _Written],
) -> ReadingOut:
    read = Result(row.ec_likely, row.ec_low, row.ec_high, "mS/cm", ())
    verdict = compare_with_expected(read, expected) if expected else None
    parts = f" at 1 + {say(row.parts_water)}" if row.parts_water else ""
    by = written.get(str(row.id), _NOBODY)
    return ReadingOut(
        practice=row.practice,
        id=row.id,
        at=row.taken_at,
        stop_id=stop[0],
        stop=stop[1],
        kind=row.subject.kind,
        shown=f"{say(row.value, 4)} {shown.scale_name(row.scale)}{parts}",
        ec=shown.ec_number(row.ec_likely),
        ec_ms_cm=row.ec_likely,
        range_text=shown.ec_span(row.ec_low, row.ec_high, 2),
        method=row.method,
        verdict=verdict.verdict if verdict else "",
        text=verdict.text if verdict else _as_pour_through(row),
        change_id=by.change_id,
        who=by.who,
    )


def _as_pour_through(row: Reading) -> str:
    """What a sample of the medium stands for, where it is none of what drains."""
    if row.subject.kind != "fill" or row.method == "pour_through":
        return ""
    found = as_pour_through(pen_reading(row))
    if found is None:
        return ""
    span = shown.ec_span(found.low, found.high)
    return f"As much as {shown.ec(found.value, 1)} ({span}) in what drains."
