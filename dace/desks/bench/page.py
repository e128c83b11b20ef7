"""The Bench's read model: what stands on it, and the preview of one can."""

from __future__ import annotations

from dataclasses import dataclass

from dace.core import api as core
from dace.core.api import DaceError, shown
from dace.desks.bench.laid_out import laid_out
from dace.desks.bench.schemas import (
    CapOut,
    JarOut,
    MeasureOut,
    NutrientOut,
    PourOut,
    PreviewIn,
    PreviewOut,
    ReadingOfStrength,
    SuppliesOut,
    VesselOut,
    WaterOut,
    WaysOut,
)
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import figure, range_out, steps_out
from dace.desks.shared.situation import advise_pour
from dace.desks.shared.typed import read_litres
from dace.feeding.reads import jars_with_stock
from dace.garden.reads import StandRecord, garden_of, vessels, waters
from dace.households.scope import Scope
from dace.households.version import version_of
from dace.shelf.reads import label_of

_LEAST_EACH_L = 0.001


def supplies_page(scope: Scope) -> SuppliesOut:
    """Jars, waters and vessels; four queries."""
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
        vessels=[VesselOut(id=v.id, name=v.name, volume_l=v.volume_l) for v in vessels(scope)],
        measures=garden_of(scope).measures,
    )


def can_preview(scope: Scope, wanted: PreviewIn) -> PreviewOut:
    """Work out one can; a query for the version, and some thirty when that is new."""
    out = laid_out(version_of(scope), wanted.jar_id, wanted.water_id, wanted.stand_id)
    target, measures = out.target, out.garden.measures
    asked = core.CanAsked(
        strength=wanted.strength,
        feed=out.feed,
        water=out.water,
        vessel_l=read_litres(out.garden, wanted.vessel),
        measures=measures,
        crop=target.crop if target else None,
        stage=target.stage if target else None,
        stock=out.stock,
        reading=wanted.reading,
        owned=out.owned,
        g_per_ml=out.g_per_ml,
        tokens=out.tokens,
        setting=target.setting if target else "pot",
        share=out.verdict.share if out.verdict else 1.0,
    )
    found = core.answer(asked)
    advice = core.advise_answer(asked, found)
    if out.facts is not None:
        against = core.advise_against(out.verdict) if out.verdict else []
        said = [*against, *advise_pour(out.facts, found.can, out.tokens, out.water)]
        advice = core.gravest_first(advice + said)
    return _shown(found, wanted, target, _Shelf(out.stock, measures, advice))


@dataclass(frozen=True)
class _Shelf:
    """What the jar holds, how the garden measures, and all that is to be said."""

    stock: float
    measures: str
    advice: list[core.Advice]


def _shown(
    found: core.Answer, wanted: PreviewIn, target: StandRecord | None, shelf: _Shelf
) -> PreviewOut:
    can = found.can
    after = shelf.stock - can.amount
    return PreviewOut(
        readings=[
            ReadingOfStrength(
                meaning=r.strength.meaning,
                amount_text=core.amount_words(r.can.amount, r.can.unit),
                ec_text=shown.ec(r.can.ec.value),
            )
            for r in found.readings
        ],
        ways=WaysOut(**dict(found.ways)),
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
        pour=_pour(can, wanted, target, shelf.measures),
        advice=advice_out(shelf.advice),
    )


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
