"""Something dry on a whole bed, before it is spread: what it brings, and what to mind."""

from __future__ import annotations

import uuid
from dataclasses import replace

from dace.core import api as core
from dace.core.api import NUTRIENTS, Advice, say, shown
from dace.desks.shared.advice import advice_out
from dace.desks.shared.situation import situation
from dace.desks.solids.schemas import ShareOut, SpreadOut
from dace.feeding.spreading import read_spread
from dace.garden.greening import area_of
from dace.garden.reads import StandRecord, garden_of, stops
from dace.households.scope import Scope
from dace.shelf.reads import content_of, tokens_of

_ANYWHERE = ("persistent_herbicide_bioassay",)
_BARE = ("raw_manure_harvest_interval", *_ANYWHERE, "hot_manure_wait")
_LEAST_G_M2 = 0.05


def spread_preview(scope: Scope, fill_id: uuid.UUID, jar_id: uuid.UUID, amount: str) -> SpreadOut:
    """Work it out; nothing is written."""
    fill, jar, kg = read_spread(scope, fill_id, jar_id, amount)
    content, area = content_of(jar), area_of(fill)
    here = [one for stop in stops(scope) for one in stop.stands if one.fill_id == fill.pk]
    return SpreadOut(
        amount=f"{shown.grams(1000 * kg, 2)}, {shown.on_an_area(1000 * kg / area, 2)}",
        shares=[
            ShareOut(
                name=name,
                text=f"{say(mg * kg / area, 2)} g/m2 this season",
                range_text=f"{say(content.at_once[at] * kg / area, 2)} at once",
            )
            for at, (name, mg) in enumerate(zip(NUTRIENTS, content.total, strict=True))
            if mg * kg / area > _LEAST_G_M2
        ],
        said=advice_out(_said(scope, here, tokens_of(jar))),
    )


def _said(scope: Scope, here: list[StandRecord], tokens: frozenset[str]) -> list[Advice]:
    """What bears on the crops that stand there; on bare ground what holds for any crop."""
    keys = _ANYWHERE if here else _BARE
    found = {
        rule.key: rule.said(rule.title)
        for rule in (core.cautions()[key] for key in keys)
        if rule.named(tokens)
    }
    garden = garden_of(scope)
    for one in here:
        asked = replace(
            situation(scope, garden, one), tokens=tokens | {"route:dressing"}, route="dressing"
        )
        found |= {said.key: said for said in core.advise_feeding(asked)}
    return list(found.values())
