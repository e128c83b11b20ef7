"""A place's page: what its drain says, what it means for what grows there, what was picked."""

from __future__ import annotations

import uuid
from dataclasses import dataclass

from dace.core import api as core
from dace.core.api import PenReading
from dace.desks.roots.fill import roots_out
from dace.desks.roots.schemas import MeaningOut, NoteOut, PickableOut, PlaceRootsOut
from dace.feeding.rootzones import root_zone
from dace.garden.models import Harvest
from dace.garden.reads import StopRecord, fills_at, garden_of, harvests, stops
from dace.households.scope import NotFoundError, Scope

_MOST_HARVESTS = 8


def place_page(scope: Scope, place_id: uuid.UUID) -> PlaceRootsOut:
    """One place; twelve queries and fifteen for each fill.

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
    picked = harvests(scope, plantings, _MOST_HARVESTS)
    return PlaceRootsOut(
        id=stop.id,
        name=stop.name,
        plants=[f"{s.crop.counted(s.count)}, {s.stage.words}" for s in stop.stands],
        plantings=[PickableOut(planting_id=key, name=s.crop.name) for key, s in plantings.items()],
        fills=[
            roots_out(scope, garden, root_zone(scope, garden, fill_id))
            for fill_id in fills_at(scope, place_id)
        ],
        harvests=[_harvest(h, plantings[h.planting_id].crop) for h in picked],
    )


def _harvest(row: Harvest, grown: core.Crop) -> NoteOut:
    parts = []
    if row.pieces:
        parts.append(f"{row.pieces} picked")
    if row.grams:
        parts.append(core.amount_words(row.grams, "g"))
    text = f"{grown.name}: {', '.join(parts)}"
    return NoteOut(id=row.pk, at=f"{row.picked_on:%-d %B}", text=text)


@dataclass(frozen=True)
class ShownReading:
    """What a pen shows of a subject, not written down yet."""

    subject_id: uuid.UUID
    pen: PenReading


def meaning(scope: Scope, shown: ShownReading) -> MeaningOut:
    """What a reading means for what grows there; writes nothing."""
    at_25 = core.reading_at_25(shown.pen)
    for stop in stops(scope):
        if any(subject == shown.subject_id for subject, _ in stop.fills):
            return _meaning(stop, shown)
    return MeaningOut(word="", text=f"{at_25.value:.2f} mS/cm at 25 °C.")


def _meaning(stop: StopRecord, shown: ShownReading) -> MeaningOut:
    drain = core.as_pour_through(shown.pen) or core.reading_at_25(shown.pen)
    here = tuple((s.crop, s.stage) for s in stop.stands if s.subject_id == shown.subject_id)
    band = core.comfort_of(here)
    read = f"{drain.value:.1f} mS/cm ({drain.low:.1f} to {drain.high:.1f}) in what drains"
    if band is None:
        return MeaningOut(word="", text=f"As much as {read}.")
    word = core.word_for(drain.value, band)
    return MeaningOut(
        word=word,
        text=f"{core.ROOT_WORDS[word].capitalize()}: as much as {read}, where {band.whose} likes "
        f"{band.low:.1f} to {band.high:.1f}.",
    )
