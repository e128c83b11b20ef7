"""What a pen can be dipped in from here, likeliest first, and the pens there are."""

from __future__ import annotations

import uuid

from dace.core import api as core
from dace.core.api import DaceError, shown
from dace.desks.notebook.dip import pen_sends
from dace.desks.notebook.schemas import MethodOut, PenToReadOut, ReadableOut, ReadablesOut
from dace.feeding.reads import jars_with_stock, newest_cans
from dace.garden.reads import garden_of, stops, waters
from dace.households.scope import Scope
from dace.measuring.models import Pen
from dace.measuring.services import pen_days
from dace.shelf.brews import brews

_NEWEST_CANS = 4
_STILL = "Stir it, let it settle, and read it as it is."


_POUR_THROUGH = (
    "Water it until it drains and wait an hour. Then pour a little plain water on, catch the first "
    "half cup that runs out, and read that."
)
_PASTE = (
    "Take soil from a hand deep in three places, stir rain water in until it just shines, wait an "
    "hour, and press the liquid through a cloth."
)


_METHODS = {
    "pour_through": "what drains when I pour water on",
    "ext_1_2_vv": "1 part medium in 2 of water",
    "ext_1_1.5_vv": "1 part medium in 1.5 of water",
    "ext_1_5_vv": "1 part medium in 5 of water",
    "saturated_media_extract": "a paste, pressed out",
}


def readables_page(scope: Scope, stop_id: uuid.UUID | None) -> ReadablesOut:
    """Newest cans, brews, bottles, drains of the chosen stop (or of all), then waters."""
    pens = list(Pen.objects.in_use(scope).order_by("created_at"))
    sends = pen_sends(scope)
    most = pens[0].most_ms_cm if pens else None
    found: dict[uuid.UUID, ReadableOut] = {}
    for can, place in newest_cans(scope, _NEWEST_CANS):
        name = f"the can: {can.ratio} in {shown.litres(can.vessel_l)}, for {place}"
        parts, advice = _parts(can.ec_likely, most)
        found[can.subject_id] = _readable(can.subject_id, name, "can", parts, advice)
    found |= _liquids(scope, most)
    for stop in stops(scope):
        if stop_id is None or stop.id == stop_id:
            for subject_id, name in stop.subjects:
                soil = core.place_kind(stop.kind).in_ground
                found[subject_id] = _of_fill(subject_id, name, soil)
    for water in waters(scope):
        if water.subject_id is not None:
            found[water.subject_id] = _readable(water.subject_id, water.name, "water")
    return ReadablesOut(
        subjects=list(found.values()),
        pens=[
            PenToReadOut(
                id=p.pk,
                name=p.name,
                scale=p.scale,
                compensates=p.compensates,
                sends=sends,
                trust=core.pen_words(pen_days(p, scope.now)),
            )
            for p in pens
        ],
        methods=[MethodOut(key=key, name=name) for key, name in _METHODS.items()],
        degrees=garden_of(scope).degrees,
    )


def _liquids(scope: Scope, most: float | None) -> dict[uuid.UUID, ReadableOut]:
    """Brews on their way, and bottles with something in them."""
    found: dict[uuid.UUID, ReadableOut] = {}
    for record in brews(scope):
        name = f"the brew: {record.brew.name}"
        expected = record.estimate.ec.at(min(len(record.estimate.days) - 1, int(record.day)))
        parts, advice = _parts(expected[2], most)
        subject_id = record.brew.subject_id
        found[subject_id] = _readable(subject_id, name, "brew", parts, advice or _STILL)
    for jar, stock in jars_with_stock(scope):
        if jar.brew is not None and jar.contents is not None and stock > 0:
            parts, advice = _parts(jar.contents["ec_ms_cm"][2], most)
            subject_id = jar.brew.subject_id
            name = f"the bottle: {jar.name}"
            found[subject_id] = _readable(subject_id, name, "brew", parts, advice or _STILL)
    return found


def _readable(
    subject_id: uuid.UUID, name: str, kind: str, parts: int = 0, advice: str = ""
) -> ReadableOut:
    return ReadableOut(id=subject_id, name=name, kind=kind, parts_water=parts, advice=advice)


def _of_fill(subject_id: uuid.UUID, name: str, bed: bool) -> ReadableOut:
    """A fill: what drains from a pot, a paste of a bed's soil, and how each is sampled."""
    what = f"a paste of the soil of {name}" if bed else f"what drains from {name}"
    method = "saturated_media_extract" if bed else "pour_through"
    advice = _PASTE if bed else _POUR_THROUGH
    return ReadableOut(
        id=subject_id, name=what, kind="fill", parts_water=0, advice=advice, method=method
    )


def _parts(expected: float, most: float | None) -> tuple[int, str]:
    """How many parts of water a can wants before this pen can read it, and why."""
    if most is None:
        return 0, ""
    try:
        parts = core.parts_for_pen(expected, most)
    except DaceError as error:
        return 0, error.sentence
    if parts == 0:
        return 0, ""
    return (
        parts,
        f"Too strong for a pen of {shown.ec(most, 1)}: stir 1 part in {parts} of rain water.",
    )
