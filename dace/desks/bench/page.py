"""The Bench's read model: what stands on it, and the preview of one can."""

from __future__ import annotations

import uuid
from collections import Counter
from dataclasses import dataclass, replace
from typing import Any

from dace.core import api as core
from dace.core.api import DaceError, shown
from dace.desks.bench.laid_out import LaidOut, laid_out
from dace.desks.bench.schemas import (
    CanSaidIn,
    CapOut,
    JarOut,
    MeasureOut,
    NutrientOut,
    PourOut,
    PreviewIn,
    PreviewOut,
    ReadingOfStrength,
    SourceOut,
    SuppliesOut,
    VesselOut,
    WaterOut,
    WayOut,
    WaysOut,
)
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import figure, range_out, steps_out
from dace.desks.shared.recipe import Poured, RecipeLineOut, form_of, source_line, water_line
from dace.desks.shared.situation import advise_pour
from dace.desks.shared.typed import read_litres
from dace.feeding.mixing import NewCan, NewSource, can_asked
from dace.feeding.reads import jars_with_stock
from dace.garden.models import Garden
from dace.garden.reads import StandRecord, garden_of, vessels, waters
from dace.households.scope import Scope
from dace.households.version import version_of
from dace.shelf.reads import label_of

_LEAST_EACH_L = 0.001
_UNWRITTEN = uuid.UUID(int=0)


def supplies_page(scope: Scope) -> SuppliesOut:
    """Jars, waters and vessels; four queries."""
    garden = garden_of(scope)
    jars = [
        JarOut(
            id=jar.id,
            name=jar.name,
            grade=label_of(jar).grade,
            unit="mL" if jar.form == "liquid" else "g",
            stock=stock,
            stock_text=core.amount_words(stock, "mL" if jar.form == "liquid" else "g"),
            holds=jar.holds,
            dissolves=jar.dissolves,
        )
        for jar, stock in jars_with_stock(scope)
    ]
    return SuppliesOut(
        jars=jars,
        waters=[WaterOut(id=w.id, name=w.name, ec=shown.ec(w.ec_ms_cm)) for w in waters(scope)],
        vessels=[
            VesselOut(id=v.id, name=v.name, volume_l=v.volume_l, kind=v.kind)
            for v in vessels(scope)
        ],
        measures=garden.measures,
        weighs=garden.weighs,
    )


def can_preview(scope: Scope, wanted: PreviewIn) -> PreviewOut:
    """Work out one can; a query for the version, and some thirty when that is new."""
    out, asked = laid_and_asked(scope, wanted)
    found = core.answer(asked)
    advice = [*core.advise_answer(asked, found), *_clashes(out)]
    advice += [short for short in _short_beside(out, found) if short]
    if out.facts is not None:
        against = core.advise_against(out.verdict) if out.verdict else []
        advice += [*against, *advise_pour(out.facts, found.can, out.tokens, out.water)]
    keeps = core.keeps_until(scope.now, out.tokens).text
    shelf = _Shelf(out, _told_apart(core.gravest_first(advice)), keeps)
    return _shown(found, wanted, shelf)


def laid_and_asked(scope: Scope, wanted: PreviewIn) -> tuple[LaidOut, core.CanAsked]:
    """What lies on the Bench, and the can as the core is asked for it."""
    jar_ids = (wanted.jar_id, *(one.jar_id for one in wanted.more))
    out = laid_out(version_of(scope), jar_ids, wanted.water_id, wanted.stand_id)
    return out, can_asked(can_said(out.garden, wanted), out.jars, out.water, out.whom)


def can_said(garden: Garden, said: CanSaidIn, row_id: uuid.UUID = _UNWRITTEN) -> NewCan:
    """A can as typed, read in the garden's measures."""
    return NewCan(
        id=row_id,
        jar_id=said.jar_id,
        water_id=said.water_id,
        vessel_l=read_litres(garden, said.vessel),
        strength=said.strength,
        reading=said.reading,
        measures=garden.measures,
        more=tuple(NewSource(**one.dict()) for one in said.more),
    )


def _clashes(out: LaidOut) -> list[core.Advice]:
    """What stands against pouring these together, or asks for an order."""
    met = [core.meeting(jar.name, jar.feed, jar.tokens) for jar in out.jars]
    if out.tap:
        met.append(core.Meeting(out.tap.capitalize(), frozenset({core.CHLORINATED})))
    return [core.advise_clash(clash) for clash in core.clashes_among(met, "can")]


def _told_apart(said: list[core.Advice]) -> list[core.Advice]:
    """The same rule may speak of several sources: each time by a key of its own."""
    times: Counter[str] = Counter()
    found = []
    for one in said:
        times[one.key] += 1
        turn = times[one.key]
        found.append(one if turn == 1 else replace(one, key=f"{one.key}_{turn}"))
    return found


def _short_beside(out: LaidOut, found: core.Answer) -> list[core.Advice | None]:
    pairs = zip(out.jars[1:], found.can.parts[1:], strict=True)
    return [core.short_of(part, jar.stock) for jar, part in pairs]


@dataclass(frozen=True)
class _Shelf:
    """What lies ready, all that is to be said, and how long the rest keeps."""

    out: LaidOut
    advice: list[core.Advice]
    keeps: str


def _shown(found: core.Answer, wanted: PreviewIn, shelf: _Shelf) -> PreviewOut:
    can, target = found.can, shelf.out.target
    after = shelf.out.jars[0].stock - can.amount
    return PreviewOut(
        readings=[
            ReadingOfStrength(
                meaning=r.strength.meaning,
                amount_text=core.amount_words(r.can.amount, r.can.unit),
                ec_text=shown.ec(r.can.ec.value),
            )
            for r in found.readings
        ],
        ways=_ways(found.ways),
        amount=can.amount,
        unit=can.unit,
        vessel_l=can.vessel_l,
        concentrate=figure(can.concentrate),
        nutrients=_nutrients(can, target),
        ec=figure(can.ec),
        water_ec=can.water_ec,
        cap=_cap(found.cap),
        measure=MeasureOut(kind=found.measure.kind, holds=found.measure.holds),
        spoons=found.rounded.words if found.rounded else "",
        rounded=found.rounding,
        spoken=found.spoken,
        stock_after=after,
        stock_after_text=core.amount_words(max(0.0, after), can.unit),
        pour=_pour(can, wanted, target, shelf.out.garden.measures),
        advice=advice_out(shelf.advice),
        more=_more(found, shelf.out),
        keeps=shelf.keeps,
        lines=_lines(can, shelf.out),
        fills=_fills(can, shelf.out).count,
    )


def _fills(can: core.Mixture, out: LaidOut) -> core.Cans:
    """In how many fills of the largest can it is mixed."""
    largest = max((one.litres for one in out.vessels), default=can.vessel_l)
    return core.split_into_cans(can.vessel_l, largest)


def _lines(can: core.Mixture, out: LaidOut) -> list[RecipeLineOut]:
    """What goes into each fill as it is measured: what is made first, the water last."""
    fills = _fills(can, out)
    pairs = sorted(zip(out.jars, can.parts, strict=True), key=lambda pair: not pair[0].home_made)
    lines = []
    for jar, part in pairs:
        each = part.amount / fills.count
        said = (
            core.by_jug(each, out.owned)
            if jar.home_made
            else core.measured(each, part.unit, out.owned, jar.g_per_ml)
        )
        what = Poured(jar.name, form_of(jar.home_made, part.unit), part.per_l)
        lines.append(source_line(said, what, out.garden.weighs))
    return [*lines, water_line(fills.litres, out.water_name, out.vessels)]


def _ways(ways: tuple[core.Way, ...]) -> WaysOut:
    told: dict[str, Any] = dict.fromkeys(WaysOut.model_fields)
    return WaysOut(**told | {w.key: WayOut(shown=w.shown, said=w.said) for w in ways})


def _more(found: core.Answer, out: LaidOut) -> list[SourceOut]:
    """The further sources as they are measured out."""
    rows = zip(out.jars[1:], found.can.parts[1:], found.beside, strict=True)
    return [
        SourceOut(
            jar_id=uuid.UUID(jar.key),
            name=jar.name,
            readings=list(one.readings),
            strength=one.strength,
            amount=part.amount,
            unit=part.unit,
            amount_text=core.amount_words(part.amount, part.unit),
            measure=MeasureOut(kind=one.measure.kind, holds=one.measure.holds),
            spoons=_by_hand(part, one),
            rounded=one.rounding,
            spoken=one.spoken,
            stock_after=jar.stock - part.amount,
            stock_after_text=core.amount_words(max(0.0, jar.stock - part.amount), part.unit),
        )
        for jar, part, one in rows
    ]


def _by_hand(part: core.PouredPart, one: core.Measured) -> str:
    """How it is measured: by what is owned, or by a stock where it is too little to weigh."""
    stock = core.stock_for(part.amount) if part.unit == "g" else None
    if stock is not None:
        return stock.words
    return one.rounded.words if one.rounded else ""


def _nutrients(can: core.Mixture, target: StandRecord | None) -> list[NutrientOut]:
    from_water = dict(can.from_water)
    return [
        NutrientOut(
            name=name,
            figure=figure(result),
            from_water=from_water[name],
            wish=range_out(target.stage.wish_of(name)) if target else None,
        )
        for name, result in can.nutrients
    ]


def _cap(cap: core.CapCheck | None) -> CapOut | None:
    if cap is None:
        return None
    return CapOut(**{**vars(cap), "working": steps_out(cap.working)})


def _pour(
    can: core.Mixture, wanted: PreviewIn, target: StandRecord | None, measures: str
) -> PourOut | None:
    if target is None:
        return None
    plants = wanted.plants or target.count
    if not 1 <= plants <= target.count:
        raise DaceError("plants", f"{plants} plants", f"1 to {target.count} stand there")
    ground = core.Ground(plants, target.holding_l)
    each = core.suggest_litres_each(target.stage, ground, can.vessel_l)
    litres = each.value
    if wanted.litres:
        litres = core.read_litres_each(wanted.litres, plants, target.area_m2, measures)
    if not (litres >= _LEAST_EACH_L and litres * plants <= core.MOST_VESSEL_L):
        raise DaceError("litres_each", f"{litres:g} L each", "a millilitre or more would do")
    cans = core.split_into_cans(litres * plants, can.vessel_l)
    return PourOut(
        each=figure(each),
        plants=plants,
        litres_each=litres,
        left_l=can.vessel_l - plants * litres,
        cans=cans.words if cans.count > 1 else "",
    )
