"""The page of one brew, and of one that is only thought of yet."""

from __future__ import annotations

import math
import uuid
from dataclasses import replace
from datetime import date
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import BrewEstimate, Limits, Recipe, say, shown
from dace.desks.shared.advice import advice_out
from dace.desks.shared.figures import rough, steps_out
from dace.desks.shelf.page import due_out, ready_text, shelf_jar
from dace.desks.shelf.schemas import (
    BandOut,
    BrewEventOut,
    BrewFiguresOut,
    BrewOut,
    BrewReadingOut,
    HeldOut,
    LimitsOut,
)
from dace.feeding.reads import jars_with_stock
from dace.garden.reads import garden_of
from dace.households.scope import Scope
from dace.measuring.models import Reading
from dace.shelf.brewing import NewBrew, recipe_as_said
from dace.shelf.brews import BrewRecord, brew_now
from dace.shelf.seen import seen_to
from dace.shelf.taught import past_of

Settled = tuple[uuid.UUID | None, dict[str, date]]
NOTHING_SETTLED: Settled = (None, {})

_PREVIEW_DAYS = 30


def figures(
    recipe: Recipe, found: BrewEstimate, day: float, settled: Settled = NOTHING_SETTLED
) -> BrewFiguresOut:
    """A brew's bands, what it holds on a day, what it is good for, and cautions."""
    at = min(len(found.days) - 1, max(0, int(day)))
    likely = {n: found.of(n).at(at)[1] for n in core.NUTRIENTS}
    tokens = core.brew_tokens(recipe.method, [one.material for one in recipe.ingredients])
    purpose = core.purpose_of(likely, found.ec.at(at)[1], solids=recipe.ingredients, tokens=tokens)
    method = core.method(recipe.method)
    gathering, preparing = core.advise_brew(recipe)
    return BrewFiguresOut(
        days=list(found.days),
        ec=BandOut(name="EC", **vars(found.ec)),
        bands=[BandOut(name=n, **vars(band)) for n, band in found.nutrients],
        ready=list(found.ready_day),
        ready_text=ready_text(found.ready_day),
        keeps_text=_keeps(found.keeps_days),
        recovered_l=list(found.recovered_l),
        held=[_held(n, found.of(n).at(at)) for n in core.NUTRIENTS],
        forms=[_held(name, band.at(at)) for name, band in found.forms],
        good_for=list(purpose.good_for),
        does_not=list(purpose.does_not),
        dilute_text=dilute_words(purpose),
        notes=list(found.notes),
        limits=_limits(found.limits),
        working=steps_out(found.working),
        gathering=advice_out(gathering, *settled),
        preparing=advice_out(preparing, *settled),
        off_signs=method.nature.off_signs,
        method_note=method.note,
    )


def _held(name: str, band: tuple[float, float, float]) -> HeldOut:
    if band[2] <= 0:
        return HeldOut(name=name, text="–", span="not known", range_text="not known")
    low, likely, high = (rough(v) for v in band)
    span = f"{low} to {high} mg/L"
    return HeldOut(name=name, text=likely, span=span, range_text=f"{span}, likely {likely}")


def _keeps(keeps: tuple[float, float, float]) -> str:
    if keeps[2] < 2:
        return "use it the same day"
    return f"keeps about {keeps[1]:.0f} days ({keeps[0]:.0f} to {keeps[2]:.0f}) in a cool place"


def dilute_words(purpose: core.Purpose) -> str:
    """How thin it is poured, and what a litre brings then."""
    brings = ", ".join(f"{n} {rough(v)}" for n, v in purpose.brings)
    if purpose.parts == 0:
        return f"As it is, it brings {brings} mg/L."
    return f"At 1 + {purpose.parts} it brings {brings} mg/L."


def _limits(limits: Limits | None) -> LimitsOut | None:
    if limits is None:
        return None
    runs = "the acid runs out" if limits.acid_runs_out else "the shell or bone runs out"
    sentence = (
        f"Here {runs}: about {say(limits.solid_used_g, 2)} g of solids can go, at most "
        f"{limits.ca_ceiling_mg_l:,.0f} mg/L of calcium, and "
        f"up to {shown.litres(limits.gas_l)} of gas. "
        f"{say(limits.acid_left_g, 2)} g of acid is left over. "
        "Never close the lid."
    )
    return LimitsOut(
        acid_runs_out=limits.acid_runs_out,
        ca_ceiling_mg_l=limits.ca_ceiling_mg_l,
        gas_l=limits.gas_l,
        acid_left_g=limits.acid_left_g,
        acid_share_used=limits.acid_share_used,
        solid_used_g=limits.solid_used_g,
        share_dissolved=limits.share_dissolved,
        sentence=sentence,
        working=steps_out(limits.working),
    )


def preview_brew(scope: Scope, new: NewBrew) -> BrewFiguresOut:
    """A brew that is only thought of; three queries."""
    recipe, _, items = recipe_as_said(scope, new, garden_of(scope).measures)
    recipe = replace(recipe, past=past_of(scope, new.method, items))
    found = core.estimate(recipe, _PREVIEW_DAYS)
    return figures(recipe, found, found.ready_day[1])


def brew_page(scope: Scope, brew_id: uuid.UUID) -> BrewOut:
    """One brew; eight queries, and one for a blended water."""
    record = brew_now(scope, brew_id)
    garden = garden_of(scope)
    brew, zone = record.brew, ZoneInfo(garden.zone)
    return BrewOut(
        id=brew.pk,
        subject_id=brew.subject_id,
        name=brew.name,
        method=core.method(brew.method).name,
        liquid=core.method(brew.method).nature.liquid,
        went_in=_went_in(record),
        state=record.state,
        leafy=record.leafy,
        ripe=round(record.ripe, 3),
        day=math.floor(record.day * 10) / 10,
        started_at=brew.started_at,
        figures=figures(
            record.recipe,
            record.estimate,
            record.day,
            (brew.pk, seen_to(scope, garden)),
        ),
        readings=[_reading(record, row) for row in record.readings],
        steps=due_out(record.steps),
        events=[
            BrewEventOut(
                id=event.pk,
                at=event.at,
                text=event.get_kind_display()
                + (f", {shown.litres(event.litres)}" if event.litres else ""),
            )
            for event in reversed(record.events)
        ],
        bottles=[
            shelf_jar(jar, stock, scope.now, zone)
            for jar, stock in jars_with_stock(scope)
            if jar.brew_id == brew.pk
        ],
        after_id=brew.after_id,
    )


def _went_in(record: BrewRecord) -> list[str]:
    brew = record.brew
    found = [
        f"{item.get('said') or core.amount_words(item['mass_g'], 'g')} of "
        f"{core.material(item['material']).name.lower()}, "
        f"{core.modifier(item['particle']).name.lower()}"
        + (f", from day {item['since_day']:.0f}" if item.get("since_day") else "")
        for item in brew.ingredients
    ]
    if brew.volume_l > 0:
        acid = brew.acid_percent
        liquid = f"of vinegar of {say(acid)} %" if acid else f"from the {brew.water.name}"
        found.append(f"{shown.litres(brew.volume_l)} {liquid}")
    found.append(f"at about {shown.degrees(brew.temperature_c)}")
    if brew.after_days:
        found.append("on solids that were soaked once before")
    return found


def _reading(record: BrewRecord, row: Reading) -> BrewReadingOut:
    as_read = record.as_read(row)
    conflict = next((c for c in record.estimate.conflicts if c.reading == as_read), None)
    text = ""
    if conflict is not None:
        text = (
            f"Expected {say(conflict.expected_low, 2)} to {say(conflict.expected_high, 2)}: "
            f"{conflict.reasons}."
        )
    return BrewReadingOut(
        id=row.pk,
        day=as_read.day,
        ec_ms_cm=row.ec_likely,
        shown=reading_words(row),
        conflict=text,
    )


def reading_words(row: Reading) -> str:
    """What the pen showed: ``0.15 mS/cm at 1 + 19``."""
    parts = f" at 1 + {say(row.parts_water)}" if row.parts_water else ""
    return f"{say(row.value, 3)} {row.scale}{parts}"
