"""A place's page: what its drain says, what it means for what grows there, what was picked."""

from __future__ import annotations

import uuid
from dataclasses import dataclass

from dace.core import api as core
from dace.core.api import PenReading, on_day, shown
from dace.desks.roots.fill import root_line, roots_out
from dace.desks.roots.schemas import AllRootsOut, MeaningOut, NoteOut, PickableOut, PlaceRootsOut
from dace.desks.shared.said import harvest_words
from dace.desks.shared.stops import growing_words
from dace.feeding.rootzones import root_zones
from dace.feeding.verdicts import stop_verdicts
from dace.garden.reads import StopRecord, garden_of, harvests, stops
from dace.households.scope import NotFoundError, Scope

_MOST_HARVESTS = 8


def all_roots(scope: Scope) -> AllRootsOut:
    """Every fill along the path, followed at once; twenty-one queries for any number."""
    path = stops(scope)
    where = {fill_id: stop for stop in path for fill_id in stop.fill_ids}
    records = root_zones(scope, garden_of(scope), list(where))
    judged = {one.fill_id: one.verdict for one in stop_verdicts(scope)}
    return AllRootsOut(
        fills=[
            root_line(
                record, _plants(where[record.fill.pk], record.fill.pk), judged.get(record.fill.pk)
            )
            for record in records
        ]
    )


def _plants(stop: StopRecord, fill_id: uuid.UUID) -> str:
    return growing_words(one for one in stop.stands if one.fill_id == fill_id)


def place_page(scope: Scope, place_id: uuid.UUID) -> PlaceRootsOut:
    """One place; twenty-two queries for any number of fills.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    garden = garden_of(scope)
    stop = next((s for s in stops(scope) if s.id == place_id), None)
    if stop is None:
        raise NotFoundError("place_id", "an id of no place here", "choose a stop along the path")
    plantings = {s.planting_id: s for s in stop.stands}
    judged = {one.fill_id: one.verdict for one in stop_verdicts(scope)}
    picked = harvests(scope, plantings, _MOST_HARVESTS)
    return PlaceRootsOut(
        id=stop.id,
        name=stop.name,
        plants=[growing_words([one]) for one in stop.stands],
        plantings=[PickableOut(planting_id=key, name=s.crop.name) for key, s in plantings.items()],
        fills=[
            roots_out(scope, garden, record, judged.get(record.fill.pk))
            for record in root_zones(scope, garden, stop.fill_ids)
        ],
        harvests=[NoteOut(id=h.pk, at=on_day(h.picked_on), text=harvest_words(h)) for h in picked],
    )


@dataclass(frozen=True)
class ShownReading:
    """What a pen shows of a subject, not written down yet."""

    subject_id: uuid.UUID
    pen: PenReading


def meaning(scope: Scope, read: ShownReading) -> MeaningOut:
    """What a reading means for what grows there; writes nothing."""
    at_25 = core.reading_at_25(read.pen)
    for stop in stops(scope):
        if any(subject == read.subject_id for subject, _ in stop.subjects):
            return _meaning(stop, read)
    return MeaningOut(word="", text=f"{shown.ec(at_25.value)} at {shown.degrees(25)}.")


def _meaning(stop: StopRecord, read: ShownReading) -> MeaningOut:
    drain = core.as_pour_through(read.pen) or core.reading_at_25(read.pen)
    here = tuple((s.crop, s.stage) for s in stop.stands if s.subject_id == read.subject_id)
    band = core.comfort_of(here)
    reads = f"{shown.ec(drain.value, 1)} ({shown.ec_span(drain.low, drain.high)}) in what drains"
    if band is None:
        return MeaningOut(word="", text=f"As much as {reads}.")
    word = core.word_for(drain.value, band)
    return MeaningOut(
        word=word,
        text=f"{core.ROOT_WORDS[word].capitalize()}: as much as {reads}, where {band.whose} likes "
        f"{shown.ec_span(band.low, band.high)}.",
    )
