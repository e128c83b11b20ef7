"""The clock calculator: plain JSON in, when a crop's stages begin and what cold ends."""

from __future__ import annotations

from datetime import date, timedelta

from dace.core.api import SHELTERS, Begun, Crop, DaceError, Look, crop, stage_clock
from dace.core.shell.json_in import Json, rows, text
from dace.core.shell.weather_in import day_of, outlook_of

_SETTLES = "establishing"


def clock(given: Json) -> Json:
    """Stages of one planting; see ``docs/computation.md`` for the shape."""
    grown = crop(text(given, "crop"))
    today = day_of(given.get("today"), "today")
    began = day_of(given.get("started_on"), "started_on")
    if began > today:
        raise DaceError("started_on", f"{began}", "a day that has been would do")
    looks = tuple(look for row in rows(given, "looks") for look in _looks(grown, row))
    shelter = str(given.get("shelter", "open"))
    if shelter not in SHELTERS:
        raise DaceError("shelter", f"“{shelter}”"[:60], f"one of {', '.join(SHELTERS)} would do")
    planted = given.get("planted_on")
    if planted is not None:
        looks = (*_planted(grown, day_of(planted, "planted_on")), *looks)
    begun = Begun(began, looks, indoors=planted is not None, shelter=shelter)
    found = stage_clock(grown, begun, outlook_of(given, today))
    end = found.ends_by_cold
    return {
        "stage": found.stage.key,
        "chance": found.chance,
        "stages": [
            {
                "stage": start.stage.key,
                "starts": _span(start.low, start.likely, start.high),
                "reached": reached,
            }
            for start, reached in zip(found.starts, found.reached, strict=True)
        ],
        "ends_by_cold": {"chance": end.chance, **_span(end.low, end.likely, end.high)},
        "ends_on": str(found.ends_on) if found.ends_on else None,
        "said": list(found.said),
    }


def _planted(grown: Crop, on: date) -> list[Look]:
    """Planted out on a day: it settles in from then on."""
    keys = [stage.key for stage in grown.stages]
    if _SETTLES not in keys[1:]:
        return []
    before = keys[keys.index(_SETTLES) - 1]
    return [Look(before, on - timedelta(days=1)), Look(_SETTLES, on)]


def _span(low: date | None, likely: date | None, high: date | None) -> Json:
    named = {"low": low, "likely": likely, "high": high}
    return {name: None if on is None else str(on) for name, on in named.items()}


def _looks(grown: Crop, row: Json) -> list[Look]:
    """A look, and the one before it, when the stage had not begun yet."""
    stage = grown.stage(text(row, "stage"))
    on = day_of(row.get("on"), "looks.on")
    found = [Look(stage.key, on)]
    if row.get("last_look") and stage.order > grown.stages[0].order:
        before = grown.stages[grown.stages.index(stage) - 1]
        found.insert(0, Look(before.key, day_of(row["last_look"], "looks.last_look")))
    return found
