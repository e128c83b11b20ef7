"""The path: every stop with what grows there, what was last read and when it was last fed."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import shown
from dace.desks.path.schemas import (
    BrewDueOut,
    PathOut,
    SpotOut,
    StandOut,
    StopOut,
    VolumeUnitOut,
)
from dace.desks.shared.stops import grown_out, stop_name
from dace.desks.shared.verdicts import verdict_out
from dace.feeding.reads import last_fed
from dace.feeding.verdicts import StopVerdict, stop_verdicts
from dace.garden.reads import StandRecord, StopRecord, garden_of, stops
from dace.households.scope import Scope
from dace.households.version import newest_change
from dace.measuring.models import Reading
from dace.measuring.reads import last_drains
from dace.shelf.brews import brews

_SPEAKS_FOR = 14


def path_page(scope: Scope) -> PathOut:
    """The whole path; some forty queries whatever its length, fifteen where nothing changed."""
    edition = newest_change(scope)  # read first: what is written meanwhile counts as not seen
    garden = garden_of(scope)
    drains, fed = last_drains(scope), last_fed(scope)
    judged, zone = _by_place(scope), ZoneInfo(garden.zone)
    return PathOut(
        edition=edition,
        garden=garden.name,
        zone=garden.zone,
        measures=garden.measures,
        degrees=garden.degrees,
        scale=shown.scale_name(),
        volumes=[VolumeUnitOut(**vars(one)) for one in shown.volume_units()],
        per_ms=core.pen_scale(shown.shown_in().scale).per_ms,
        now=scope.now,
        stops=[
            _stop(stop, _Read(drains, scope.now, zone), fed, judged.get(stop.id, []))
            for stop in stops(scope)
        ],
        brews=[
            BrewDueOut(id=r.brew.pk, name=r.brew.name, text=", ".join(s.words for s in r.due))
            for r in brews(scope)
            if r.due
        ],
    )


def _by_place(scope: Scope) -> dict[uuid.UUID, list[StopVerdict]]:
    found: dict[uuid.UUID, list[StopVerdict]] = {}
    for one in stop_verdicts(scope):
        found.setdefault(one.place.id, []).append(one)
    return found


@dataclass(frozen=True)
class _Read:
    """The newest reading of each fill by its subject, and the moment that it is told at."""

    drains: dict[uuid.UUID, Reading]
    now: datetime
    zone: ZoneInfo

    def of(self, subject_id: uuid.UUID) -> str:
        """``read 3.2, 2 days ago``; silent after a fortnight."""
        latest = self.drains.get(subject_id)
        if latest is None:
            return ""
        taken, today = (at.astimezone(self.zone).date() for at in (latest.taken_at, self.now))
        days = (today - taken).days
        if days > _SPEAKS_FOR:
            return ""
        return f"read {shown.ec_number(latest.ec_likely, 1)}, {core.ago(days)}"

    def of_stop(self, stop: StopRecord) -> str:
        """The newest of a stop; whose it is, where it is not the only one there."""
        read = [pair for pair in stop.subjects if self.of(pair[0])]
        if not read:
            return ""
        subject, name = max(read, key=lambda pair: self.drains[pair[0]].taken_at)
        own = name.removeprefix(f"{stop.name}, ") if len(stop.subjects) > 1 else ""
        return f"{own} {self.of(subject)}".strip()


def _stop(
    stop: StopRecord, read: _Read, fed: dict[uuid.UUID, datetime], judged: list[StopVerdict]
) -> StopOut:
    first = min(judged, key=lambda one: core.kind_of(one.verdict.kind).urgency, default=None)
    return StopOut(
        id=stop.id,
        name=stop.name,
        kind=stop.kind,
        area=stop.area,
        line=_line(stop),
        mark=first.verdict.mark if first else "",
        mark_kind=first.verdict.kind if first else None,
        read_text=read.of_stop(stop),
        subject_id=stop.subjects[0][0] if stop.subjects else None,
        fed_at=fed.get(stop.id),
        stands=[_stand(stand) for stand in stop.stands],
        spots=[
            SpotOut(
                fill_id=one.fill_id,
                subject_id=one.root.fill.subject_id,
                name=stop_name(one),
                stand_ids=[stand.id for stand in one.stands],
                read_text=read.of(one.root.fill.subject_id),
                verdict=verdict_out(one.verdict),
            )
            for one in judged
        ],
    )


def _line(stop: StopRecord) -> str:
    """One short line: what grows there, and its stage."""
    crops = list(dict.fromkeys(stand.crop.name.lower() for stand in stop.stands))
    if not crops:
        return "nothing growing"
    if len(crops) > 1:
        return ", ".join(crops)
    return f"{crops[0]} {stop.stands[0].stage.words}"


def _stand(stand: StandRecord) -> StandOut:
    return StandOut(
        id=stand.id,
        planting_id=stand.planting_id,
        spot=stand.spot,
        crop_key=stand.crop_key,
        crop=stand.crop.name,
        also=", ".join(core.other_names().get(stand.crop_key, ())),
        counted=stand.crop.counted(stand.count),
        stage_key=stand.stage.key,
        stage=stand.stage.words,
        stage_since=stand.stage_since.isoformat(),
        question=stand.clock.question,
        count=stand.count,
        fed=stand.fed,
        grown=grown_out(stand.crop),
    )
