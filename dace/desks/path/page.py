"""The path: every stop with what grows there, what was last read and when it was last fed."""

from __future__ import annotations

import uuid
from datetime import datetime

from dace.core import api as core
from dace.core.api import shown
from dace.desks.path.schemas import BrewDueOut, PathOut, StandOut, StopOut, VolumeUnitOut
from dace.feeding.reads import last_fed
from dace.garden.reads import StandRecord, StopRecord, garden_of, stops
from dace.households.scope import Scope
from dace.measuring.models import Reading
from dace.measuring.reads import as_drain, last_drains
from dace.shelf.brews import brews

_DRAWINGS = {
    "germination": "sprout",
    "seedling": "sprout",
    "establishing": "leaf",
    "vegetative": "leaf",
    "heading": "leaf",
    "flowering": "flower",
    "fruit_set": "fruit",
    "fruit_fill": "fruit",
    "ripening": "fruit",
    "harvest": "basket",
    "bulbing": "root",
    "root_fill": "root",
    "wind_down": "rest",
}


def path_page(scope: Scope) -> PathOut:
    """The whole path; fourteen queries whatever its length and history."""
    garden = garden_of(scope)
    drains, fed = last_drains(scope), last_fed(scope)
    return PathOut(
        garden=garden.name,
        zone=garden.zone,
        measures=garden.measures,
        degrees=garden.degrees,
        scale=shown.scale_name(),
        volumes=[VolumeUnitOut(**vars(one)) for one in shown.volume_units()],
        per_ms=shown.PER_MS[shown.shown_in().scale],
        now=scope.now,
        stops=[_stop(stop, drains, fed) for stop in stops(scope)],
        brews=[
            BrewDueOut(id=r.brew.pk, name=r.brew.name, text=", ".join(s.words for s in r.due))
            for r in brews(scope)
            if r.due
        ],
    )


def _stop(
    stop: StopRecord, drains: dict[uuid.UUID, Reading], fed: dict[uuid.UUID, datetime]
) -> StopOut:
    read = [drains[subject] for subject, _ in stop.fills if subject in drains]
    latest = max(read, key=lambda r: r.taken_at, default=None)
    drain = shown.ec_number(latest.ec_likely, 1) if latest else ""
    word = _word(stop, latest) if latest else ""
    return StopOut(
        id=stop.id,
        name=stop.name,
        kind=stop.kind,
        line=_line(stop, f"{drain}, {word}" if word else drain),
        drawing=_DRAWINGS[stop.stands[0].stage.key] if stop.stands else "rest",
        subject_id=stop.fills[0][0] if stop.fills else None,
        drain_ec=drain,
        drain_word=word,
        drain_at=latest.taken_at if latest else None,
        fed_at=fed.get(stop.id),
        stands=[_stand(stand) for stand in stop.stands],
    )


def _word(stop: StopRecord, reading: Reading) -> str:
    """What the last reading means for what grows there."""
    here = tuple((s.crop, s.stage) for s in stop.stands if s.subject_id == reading.subject_id)
    band = core.comfort_of(here)
    return core.ROOT_SHORT[core.word_for(as_drain(reading), band)] if band else ""


def _line(stop: StopRecord, drain: str) -> str:
    """One short line under the name: what was read or what grows, and its stage."""
    crops = list(dict.fromkeys(stand.crop.name.lower() for stand in stop.stands))
    if not crops:
        return "nothing growing"
    if len(crops) > 1:
        return ", ".join(crops)
    stage = stop.stands[0].stage.words
    if stop.stands[0].clock.doubtful:
        stage = f"{stage}?"
    return f"drain {drain}" if drain else f"{crops[0]} · {stage}"


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
    )
