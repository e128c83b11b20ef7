"""A cold night, and young plants that move on, as the Round shows them."""

from __future__ import annotations

import uuid
from collections import Counter
from collections.abc import Sequence
from datetime import date

from dace.core import api as core
from dace.desks.round.schemas import (
    RoundGroundOut,
    RoundMediumOut,
    RoundNightOut,
    RoundRaisingOut,
)
from dace.feeding.raising import Due, steps_ahead
from dace.feeding.verdicts import Judged
from dace.garden.models import Garden, SoilMix
from dace.garden.placing import MIX
from dace.garden.reads import stops
from dace.garden.weather import weather
from dace.households.scope import Scope

_MOST = 3
_TOGETHER = ("harden", "keep_in")


def night_out(scope: Scope, garden: Garden, found: Judged) -> RoundNightOut | None:
    """The night to come, where it may harm something that stands out."""
    yard = found.yard
    if yard is None:
        return None
    hurt = [one for one in found.stops if one.verdict.mark == core.COVER]
    keys = {str(one.fill_id) for one in hurt}
    cold = core.cold_night(
        [stop for stop in yard.stops if stop.key in keys], yard.days, yard.tonight
    )
    if cold is None:
        return None
    return RoundNightOut(
        title=cold.title,
        line=cold.line,
        place_ids=list(dict.fromkeys(one.place.id for one in hurt)),
        told=yard.tonight.low_c is not None,
        forecast=bool(weather(scope, garden).forecast.t_min),
        clear=yard.tonight.clear,
    )


def raising_out(scope: Scope, found: Judged, on: date) -> list[RoundRaisingOut]:
    """What young plants want today, the longest due first; what takes a press in one for all."""
    first: dict[uuid.UUID, Due] = {}
    for one in steps_ahead(scope, found):
        if one.step.on <= on:
            first.setdefault(one.stand.id, one)
    groups: dict[tuple[str, str], list[Due]] = {}
    for due in first.values():
        alone = "" if due.step.kind in _TOGETHER else str(due.stand.id)
        groups.setdefault((due.step.kind, alone), []).append(due)
    return [_raising(several) for several in list(groups.values())[:_MOST]]


def _raising(several: Sequence[Due]) -> RoundRaisingOut:
    step, stand, hole = several[0].step, several[0].stand, several[0].hole
    words = f"{hole.said.words} of {hole.name} in each hole." if hole else ""
    return RoundRaisingOut(
        kind=step.kind,
        planting_ids=list(dict.fromkeys(one.stand.planting_id for one in several)),
        place_ids=list(dict.fromkeys(one.stop.place.id for one in several)),
        stand_id=stand.id,
        title=f"{step.title}: {_whom(several)}",
        line=step.line or words,
        count=stand.count,
        litres=float(f"{step.litres[0]:.1g}") if step.litres else 0.0,
        jar_id=uuid.UUID(hole.source) if hole else None,
        hole=words,
        said=f"{hole.amount:.3g} g each" if hole else "",
    )


def _whom(several: Sequence[Due]) -> str:
    crops = {one.stand.crop.key: one.stand.crop for one in several}
    if len(crops) > _MOST:
        return f"{core.number_word(len(crops))} crops"
    counts = Counter[str]()
    for one in several:
        counts[one.stand.crop.key] += one.stand.count
    return core.listed([crops[key].counted(count) for key, count in counts.items()])


def grounds_out(scope: Scope, raising: Sequence[RoundRaisingOut]) -> list[RoundGroundOut]:
    """Where they may be planted out: everything but trays; none where nothing is planted out."""
    if not any(one.kind == "plant_out" for one in raising):
        return []
    return [
        RoundGroundOut(fill_id=fill_id, name=name or place.name)
        for place in stops(scope)
        for fill_id, (_, name) in zip(place.fill_ids, place.subjects, strict=True)
        if core.place_kind(place.kind).raises != "seedlings"
    ]


def media_out(raising: Sequence[RoundRaisingOut], own: Sequence[SoilMix]) -> list[RoundMediumOut]:
    """What pots may be filled with, mixes of one's own first; none where none is filled."""
    if not any(one.kind == "pot_on" for one in raising):
        return []
    found = [RoundMediumOut(key=f"{MIX}{mix.pk}", name=mix.name) for mix in own]
    usual = core.place_kind("pot").usual_medium
    media = sorted(core.media().values(), key=lambda one: one.key != usual)
    return [*found, *(RoundMediumOut(key=one.key, name=one.name) for one in media)]
