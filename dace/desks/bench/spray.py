"""The preview of a leaf spray, and the hours that are open for it."""

from __future__ import annotations

import uuid
from dataclasses import replace
from typing import Literal

from dace.core import api as core
from dace.core.api import Advice, shown
from dace.desks.bench.page import can_said
from dace.desks.bench.schemas_more import (
    HourOut,
    HoursOut,
    OnLeafOut,
    RouteHoursOut,
    SprayOut,
    SprayPreviewIn,
    SpraySourceOut,
)
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import figure, steps_out
from dace.desks.shared.situation import situation, soil_warmth
from dace.feeding.spraying import Sprayed, work_out
from dace.feeding.verdicts import verdict_of
from dace.garden.clocks import shelter_at
from dace.garden.hours import hours_now
from dace.garden.models import Garden
from dace.garden.reads import StandRecord, garden_of, stand
from dace.garden.weather import weather
from dace.households.scope import Scope

_UNFORESEEN = {
    "leaves": "No forecast here: spray early or late, when it is dry and still, out of the sun.",
    "roots": "No forecast here: not in the heat of the day, not before heavy rain.",
    "dry": "No forecast here: on moist soil, when the leaves are dry.",
}
_TOLD_BY = {
    "simulated": "simulated for the demo garden",
    "service": "as the weather service foresees it",
    "usual": "no forecast here",
}
_AS = {
    "simulated": "as it is now",
    "service": "as it is now",
    "usual": "as such an hour usually is here",
}
_NIGHTS = 2
_LEAST_MG_L = 1.0


def spray_preview(scope: Scope, wanted: SprayPreviewIn) -> SprayOut:
    """Work out a spray; some forty queries, writes nothing."""
    garden = garden_of(scope)
    target = stand(scope, wanted.stand_id)
    plants = wanted.plants or target.count
    out = work_out(scope, garden, can_said(garden, wanted), wanted.stand_id, plants)
    said = advise_spray(scope, garden, out)
    refused = next((a for a in said if a.plan_effect == "block" and a.severity == "stop"), None)
    return _shown(scope, garden, out, said, refused)


def advise_spray(scope: Scope, garden: Garden, out: Sprayed) -> list[Advice]:
    """What the rules say of spraying it there."""
    found, facts = out.found, situation(scope, garden, out.target)
    plain = dict(found.can.from_water)
    brings = frozenset(n for n, r in found.can.nutrients if r.value - plain[n] > _LEAST_MG_L)
    here = replace(
        facts,
        tokens=out.tokens | {"route:foliar"},
        route="foliar",
        brings=brings,
        warmest_c=None,
        drain_ec=None,
    )
    return core.gravest_first([*core.advise_feeding(here), *core.advise_too_strong(found)])


def _shown(
    scope: Scope, garden: Garden, out: Sprayed, said: list[Advice], refused: Advice | None
) -> SprayOut:
    found, hours = out.found, hours_now(scope, garden)
    air = hours.air_c
    parts = list(zip(out.sources, found.can.parts, strict=True))
    plants = found.plants
    return SprayOut(
        litres=figure(found.litres, 2),
        mix=figure(found.mix, 2),
        loads=found.loads,
        load_l=found.load_l,
        load_text=_loads(found),
        sprayer_l=out.new.vessel_l,
        sources=[
            SpraySourceOut(
                jar_id=uuid.UUID(source.key),
                name=source.name,
                amount_text=core.amount_words(part.amount, part.unit),
                stock_after_text=core.amount_words(max(0.0, source.stock - part.amount), part.unit),
                strength=core.format_strength(part.per_l, part.unit),
                per_l=part.per_l,
                unit=part.unit,
            )
            for source, part in parts
        ],
        ec=figure(found.can.ec),
        limit_text=core.limit_words(found),
        over=found.over or refused is not None,
        refused=refused.title if refused else "",
        safe_way=core.SAFE_WAY if refused else "",
        brings=core.brings_words(found),
        fit=core.fit_words(found),
        rows=[
            OnLeafOut(
                name=one.nutrient,
                lands=figure(one.lands, 2),
                enters=figure(one.enters, 2),
                need=figure(one.week_need, 2),
                share=figure(one.share, 2),
                share_text=core.share_words(one.share.value),
            )
            for one in found.on_leaf
        ],
        plants=plants,
        counted=out.target.crop.counted(plants),
        air_text=f"Reckoned at {shown.degrees(air)}, {_AS[hours.source]}.",
        keeps=core.keeps_until(scope.now, out.tokens).text,
        short=any(part.amount > source.stock for source, part in parts),
        advice=advice_out(said),
        working=steps_out(found.working),
    )


def _loads(found: core.Spray) -> str:
    if found.loads == 1:
        return f"{shown.litres(found.load_l, 2)}, one load"
    return f"{found.loads} loads of {shown.litres(found.load_l, 2)}"


def hours_page(scope: Scope, stand_id: uuid.UUID) -> HoursOut:
    """The open hours of each way of feeding a stand; some thirty queries."""
    garden = garden_of(scope)
    target = stand(scope, stand_id)
    known, now = weather(scope, garden), hours_now(scope, garden)
    ahead = known.outlook.likely(_NIGHTS)
    asked = core.HoursAsked(
        route="leaves",
        hours=now.hours,
        latitude=garden.latitude,
        noon=now.noon,
        warm_crop=target.crop.warm,
        under=shelter_at(scope, target.place_id),
        in_bed=core.setting(target.setting).in_ground,
        soil_c=soil_warmth(known),
        coldest_c=min(ahead.t_min) if ahead.t_min else None,
        shut_today=_waits(scope, target),
    )
    routes: tuple[tuple[Literal["leaves", "roots", "dry"], str], ...] = (
        ("leaves", "leaves"),
        ("roots", "roots"),
        ("dry", "dry feeds"),
    )
    if now.source == "usual":
        return HoursOut(
            source=_TOLD_BY[now.source],
            now=now.now,
            routes=[RouteHoursOut(route=r, text=_UNFORESEEN[r], hours=[]) for r, _ in routes],
        )
    rows = []
    for route, called in routes:
        found = core.open_hours(replace(asked, route=route))
        rows.append(
            RouteHoursOut(
                route=route,
                text=core.said_now(found, now.now, called),
                hours=[
                    HourOut(at=h.at, open=h.open, why=h.shut[0] if h.shut else "") for h in found
                ],
            )
        )
    return HoursOut(source=_TOLD_BY[now.source], now=now.now, routes=rows)


def _waits(scope: Scope, target: StandRecord) -> str:
    """What shuts a feed on roots today, as the verdict has it; empty where nothing does."""
    found = verdict_of(scope, target.fill_id)
    if found is None or not core.kind_of(found.kind).held:
        return ""
    return found.reason.rstrip(".")
