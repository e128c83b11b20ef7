"""A dry feed before it is spread: every way of telling it, what comes out when, cautions."""

from __future__ import annotations

from dataclasses import replace
from datetime import timedelta

from dace.core import api as core
from dace.core.api import on_day, say, shown
from dace.desks.season.schemas import ByDayOut, DressingOut, DryFeedOut, ToldOut
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import steps_out
from dace.desks.shared.situation import situation
from dace.feeding.dressing import Dry, Told, read_dressing
from dace.feeding.gifts import content_of_dry, gifts, tokens_of_dry
from dace.feeding.reads import jars_with_stock
from dace.garden.models import Garden
from dace.garden.reads import garden_of, stand
from dace.garden.weather import weather
from dace.households.scope import Scope

_BY_DAYS = (7, 28, 84)
_COOLER_C = 5.0


def all_dry_feeds(scope: Scope) -> list[DryFeedOut]:
    """What there is to spread: her own jars first, then materials; one query."""
    own = [
        DryFeedOut(
            jar_id=jar.pk,
            material="",
            name=jar.name,
            text=f"{core.amount_words(stock, 'g')} left",
        )
        for jar, stock in sorted(jars_with_stock(scope), key=lambda pair: pair[0].dissolves)
        if jar.form == "solid"
    ]
    table = [
        DryFeedOut(jar_id=None, material=m.key, name=m.name, text=m.note)
        for m in core.materials().values()
        if m.form == "solid" and m.family in ("manure", "compost", "plant_meal", "animal_meal")
    ]
    return own + table


def dressing_preview(scope: Scope, asked: Dry) -> DressingOut:
    """Work a dry feed out; about seventeen queries."""
    garden = garden_of(scope)
    told = read_dressing(scope, asked, garden.measures)
    content = content_of_dry(told.jar, told.material)
    each = told.dose.g_each
    likely = _coming(scope, garden)
    by_day = core.release_over(content, each, likely)
    cooler = core.release_over(content, each, likely - _COOLER_C)
    stock = told.stock_g
    return DressingOut(
        name=told.jar.name if told.jar else core.material(told.material).name,
        others_text=_others(told),
        grams=told.dose.grams,
        ways=[ToldOut(kind=kind, text=text) for kind, text in told.dose.words()],
        at_once={n: each * v for n, v in zip(core.NUTRIENTS, content.at_once, strict=True)},
        season={n: each * v for n, v in zip(core.NUTRIENTS, content.total, strict=True)},
        out_by=[
            _by_day(scope, garden, days, float(by_day[days - 1]))
            for days in (_BY_DAYS if any(content.later) else _BY_DAYS[:1])
        ],
        cooler=_cooler(content, float(by_day[27]), float(cooler[27])),
        stock_after_text=_after(stock, _in_all(told)),
        enough=stock is None or stock >= _in_all(told),
        disagreement=told.disagreement,
        working=steps_out((*told.dose.working, *_release_steps(content, each))),
        advice=advice_out(_advice(scope, garden, told)),
    )


def _in_all(told: Told) -> float:
    return told.dose.grams + sum(grams for _, grams in told.others)


def _others(told: Told) -> str:
    """What goes on the rest of the ground."""
    parts = [
        f"{core.amount_words(grams, 'g')} for the {one.planting.grown.counted(one.count)}"
        for one, grams in told.others
    ]
    return f"Beside it {', '.join(parts)}." if parts else ""


def _coming(scope: Scope, garden: Garden) -> core.Numbers:
    known = weather(scope, garden)
    at = known.outlook.known
    return known.outlook.mean_c()[at : at + _BY_DAYS[-1]]


def _by_day(scope: Scope, garden: Garden, days: int, mg: float) -> ByDayOut:
    on = weather(scope, garden).today + timedelta(days=days)
    return ByDayOut(on=on, nitrogen_mg=mg, text=f"{say(mg, 3)} mg by {on_day(on)}")


def _cooler(content: core.Content, likely: float, cooler: float) -> str:
    if not any(content.later):
        return "All of it is there at once."
    return (
        f"In four weeks about {say(likely, 3)} mg of nitrogen a plant comes out; "
        f"were it {shown.warmer_by(_COOLER_C)} cooler, about {say(cooler, 3)} mg."
    )


def _after(stock: float | None, grams: float) -> str:
    if stock is None:
        return ""
    if grams > stock:
        return f"the jar holds only {core.amount_words(stock, 'g')}"
    return f"{core.amount_words(stock - grams, 'g')} left after"


def _release_steps(content: core.Content, each: float) -> core.Working:
    at_once, later = content.at_once[0], content.later[0]
    return (
        core.Step(
            "nitrogen at once",
            f"{say(each)} g × {say(at_once)} mg/g",
            each * at_once,
            "mg a plant",
            content.source,
            "medium",
        ),
        core.Step(
            "nitrogen over the season",
            f"{say(each)} g × {say(later)} mg/g",
            each * later,
            "mg a plant",
            f"half of it in {content.half_life_days:.0f} days at {shown.degrees(20)}",
            "medium",
        ),
    )


def _advice(scope: Scope, garden: Garden, told: Told) -> list[core.Advice]:
    target = stand(scope, told.stand.pk)
    content, dose = content_of_dry(told.jar, told.material), told.dose
    key = told.jar.material if told.jar else told.material
    given = gifts(scope, planting_id=target.planting_id)
    season = sum(g.nitrogen_mg for g in given) + dose.g_each * content.total[0]
    total = content.total
    return core.advise_feeding(
        replace(
            situation(scope, garden, target),
            tokens=tokens_of_dry(told.jar, told.material) | {"route:dressing"},
            route="dressing",
            brings=frozenset(n for n, v in zip(core.NUTRIENTS, total, strict=True) if v > 0.1),
            n_g_m2=core.season_nitrogen_g_m2(season, told.spread.plants, target.area_m2),
            g_m2=dose.g_m2,
            layer_mm=dose.layer_mm,
            share=dose.share,
            c_to_n=core.material(key).c_to_n if key else None,
        )
    )
