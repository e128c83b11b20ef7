"""Find a mix: the can that comes nearest to a stop's wish, and what simpler ones would cost."""

from __future__ import annotations

import uuid
from dataclasses import replace

from dace.core import api as core
from dace.core.api import DaceError, Feeding, FoundMix, MixAsked, Range, Source, Taken
from dace.desks.bench.schemas_more import MixIn, MixOptionOut, MixOut, MixSourceOut
from dace.desks.shared.situation import situation
from dace.desks.shared.typed import read_litres
from dace.feeding.reads import jars_with_stock
from dace.feeding.verdicts import verdict_of
from dace.garden.models import Water
from dace.garden.reads import StandRecord, core_water, garden_of, owned, stand
from dace.households.scope import Scope
from dace.shelf.reads import compositions_now, source_of

_MOST = 10
_FAR, _HARDLY = 1.6, 0.04


def mix_page(scope: Scope, wanted: MixIn) -> MixOut:
    """The nearest can from what stands on the shelf; some thirty queries.

    Raises
    ------
    DaceError
        On ``stand_id`` where the stage wishes nothing, or nothing on the shelf suits.
    """
    garden = garden_of(scope)
    target = stand(scope, wanted.stand_id)
    verdict = verdict_of(scope, target.fill_id)
    share = verdict.share if verdict else 1.0
    wish = _wish(target, share)
    shelf = _on_shelf(scope, target, share, situation(scope, garden, target))
    if not shelf:
        raise DaceError("stand_id", "a shelf with nothing that suits here", "set up a feed first")
    water = core_water(Water.objects.fetch(scope, wanted.water_id, "water_id"))
    cap = core.feed_cap(target.crop, target.stage, water.ec_ms_cm).feed_ec_ms_cm
    found = core.find_mix(
        MixAsked(
            sources=shelf,
            water=water,
            vessel_l=read_litres(garden, wanted.vessel),
            wish=wish,
            cap=cap,
            in_pot=not core.setting(target.setting).in_ground,
            hardly=_HARDLY,
            owned=owned(scope),
        )
    )
    return _out(found)


def _wish(target: StandRecord, share: float) -> dict[str, Range]:
    """What a litre should hold for them now [mg/L]."""
    in_ground = core.setting(target.setting).in_ground
    wish = {
        n: core.wish_now(target.crop, target.stage, n, in_ground).scaled(share)
        for n in core.NUTRIENTS
    }
    if all(one.typ <= 0 for one in wish.values()):
        named = f"{target.crop.name.lower()} {target.stage.words}"
        raise DaceError("stand_id", f"{named}, which wishes no feed", "pour plain water")
    return wish


def _on_shelf(
    scope: Scope, target: StandRecord, share: float, facts: Feeding
) -> tuple[Source, ...]:
    """All that dissolves, has something in it, and may be poured there."""
    who = core.For(target.crop, target.stage, target.setting, share)
    today = scope.now.date()
    rows = [
        (jar, stock)
        for jar, stock in jars_with_stock(scope)
        if jar.dissolves
        and jar.made_from_id is None
        and not (jar.use_by is not None and jar.use_by < today)
    ]
    feeds = compositions_now([jar for jar, _ in rows])
    kept: list[Source] = []
    for jar, stock in rows:
        source = source_of(jar, feeds[jar.pk], stock)
        one = core.offered_for(source, who)
        poured = replace(facts, tokens=source.tokens | {"route:drench"}, brings=_brings(source))
        if one is not None and not core.barred(poured):
            kept.append(one)
    return tuple(kept[:_MOST])


def _brings(source: Source) -> frozenset[str]:
    return frozenset(n for n in core.NUTRIENTS if source.feed.element(n) > 0)


def _out(found: FoundMix) -> MixOut:
    best = _option("", "", found.taken, found.miss)
    simpler = [
        _option(one.without, one.costs, one.taken, one.miss)
        for one in found.simpler
        if one.taken and one.miss <= found.miss + _FAR
    ]
    poured = {one.source.name for one in found.taken}
    return MixOut(
        best=best,
        simpler=simpler,
        bound_by=list(found.bound_by),
        clashes=[
            clash.text
            for clash in found.clashes
            if clash.where == "can" and {clash.first, clash.second} <= poured
        ],
    )


def _option(without: str, costs: str, taken: tuple[Taken, ...], miss: float) -> MixOptionOut:
    return MixOptionOut(
        without=without,
        miss=miss,
        costs=costs,
        sources=[_source(one) for one in taken],
    )


def _source(one: Taken) -> MixSourceOut:
    unit = one.source.feed.unit
    return MixSourceOut(
        jar_id=uuid.UUID(one.source.key),
        name=one.source.name,
        strength=f"{core.say(one.per_l, 3)} {unit}/L",
        words=one.words,
        text=f"{core.amount_words(one.amount, unit)} of {one.source.name}",
    )
