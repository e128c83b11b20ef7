"""The page of one planting: stages, books, what comes next, and all that was done."""

from __future__ import annotations

import uuid
from datetime import date, timedelta

from dace.core import api as core
from dace.core.api import NUTRIENTS, Balance, Verdict, on_day, shown
from dace.desks.season.page import bands
from dace.desks.season.schemas import (
    BalanceOut,
    EventOut,
    HowFedOut,
    JarChoiceOut,
    LedgerOut,
    LineOut,
    LookOut,
    PlantingOut,
)
from dace.desks.shared.advice import AdviceOut
from dace.desks.shared.figures import figure, rough
from dace.desks.shared.verdicts import verdict_out
from dace.desks.year.follows import grown_before
from dace.feeding.books import Books, books
from dace.feeding.reads import jars_with_stock
from dace.garden.models import Fill, Planting, Stand
from dace.households.scope import Scope
from dace.shelf.clearing import OUTLASTS
from dace.shelf.heaps import heaps

_EVERY_DAYS = 3


def planting_page(scope: Scope, planting_id: uuid.UUID) -> PlantingOut:
    """Everything about one planting; fourteen queries and one for a blended water."""
    found = books(scope, planting_id)
    kept = found.history
    planting, clock, known = kept.planting, kept.clock, kept.weather
    present = [s for s in kept.stands if s.to_on is None]
    latest = present[-1] if present else None
    grown = found.history.planting.grown
    return PlantingOut(
        id=planting.pk,
        stand_id=latest.pk if latest else None,
        fill_id=latest.fill_id if latest else None,
        usual_dry=_usual_dry(latest.fill if latest else None),
        place_id=latest.fill.place_id if latest else None,
        place=latest.fill.place.name if latest else "",
        count=planting.count,
        counted=grown.counted(sum(s.count for s in present) or planting.count),
        crop=grown.name,
        crop_key=grown.key,
        started_on=planting.started_on,
        ended_on=planting.ended_on,
        today=known.today,
        stage_key=clock.stage.key,
        stage=clock.stage.words,
        chance=f"{100 * clock.chance:.0f} %",
        question="" if planting.ended_on else clock.question,
        said=list(clock.said),
        stages=bands(clock, planting),
        stage_working=figure(core.Result(clock.chance, 0.0, 1.0, "", clock.working)),
        looks=_looks(found),
        looked_on=_looks(found)[-1].on if _looks(found) else None,
        ledger=_ledger(found),
        verdict=verdict_out(found.verdict) if found.verdict else None,
        fed=_how_fed(scope, planting),
        repeat_days=planting.repeat_days,
        sow_again_on=planting.next_sowing,
        again_against=_against(scope, planting, latest, known.today),
        outlasts=OUTLASTS.get(grown.family, ""),
        heaps=[JarChoiceOut(id=one.row.pk, name=one.row.name) for one in heaps(scope)],
        soil_test=_test(found),
        events=_events(found),
        advice=_school(planting.approach or planting.garden.approach),
    )


def _against(scope: Scope, planting: Planting, latest: Stand | None, today: date) -> str:
    """What rotation says of the same once more, on the same ground; nothing of fresh mix."""
    if latest is None or not latest.fill.area_m2:
        return ""
    before = grown_before(scope, latest.fill.place_id)
    return core.against_rotation(planting.grown.family, before, today.year)


def _how_fed(scope: Scope, planting: Planting) -> HowFedOut:
    garden = planting.garden
    return HowFedOut(
        approach=planting.approach,
        rhythm=planting.rhythm,
        strength=planting.strength,
        aim=planting.aim,
        sources=[uuid.UUID(jar_id) for jar_id in planting.sources],
        garden_approach=garden.approach,
        garden_rhythm=garden.rhythm,
        approaches=core.APPROACHES,
        rhythms=core.RHYTHM_WORDS,
        jars=[
            JarChoiceOut(id=jar.pk, name=jar.name)
            for jar, _ in jars_with_stock(scope)
            if jar.made_from_id is None
        ],
    )


def _looks(found: Books) -> list[LookOut]:
    """Starts that were seen, as she saw them."""
    grown = found.history.planting.grown
    return [
        LookOut(on=look.on, words=grown.stage(look.stage).words) for look in found.history.looks
    ]


def _ledger(found: Books) -> LedgerOut:
    kept, book = found.history, found.ledger
    if book is None:
        return LedgerOut(days=[], lines=[], balances=[], since=None, next_text=_next(found))
    shown = range(0, len(book.need), _EVERY_DAYS)
    return LedgerOut(
        days=[book.first + timedelta(days=day) for day in shown],
        lines=[
            LineOut(
                nutrient=nutrient,
                need=[round(float(book.need[d, n]), 1) for d in shown],
                reached=[round(float(book.reached[d, n]), 1) for d in shown],
                low=[round(float(book.low[d, n]), 1) for d in shown],
                high=[round(float(book.high[d, n]), 1) for d in shown],
            )
            for n, nutrient in enumerate(NUTRIENTS)
        ],
        balances=[_balance(b, found.verdict, kept.weather.today) for b in found.balances],
        since=book.first,
        next_text=_next(found),
    )


def _balance(balance: Balance, verdict: Verdict | None, today: date) -> BalanceOut:
    return BalanceOut(
        nutrient=balance.nutrient,
        name=balance.name,
        word=balance.word,
        text=core.nutrient_words(balance, verdict, today),
        need=figure(balance.need),
        reached=figure(balance.reached),
        needs_text=rough(balance.need.value),
        had_text=(
            f"{rough(balance.reached.value)} "
            f"({rough(balance.reached.low)} to {rough(balance.reached.high)})"
        ),
    )


def _usual_dry(fill: Fill | None) -> str:
    """A dose to begin from, told in a way that fits such a place."""
    if fill is None or fill.area_m2 is None:
        return "1 tbsp per plant"
    return "1.5 lb per 100 sq ft" if shown.shown_in().measures == "us" else "70 g/m2"


def _next(found: Books) -> str:
    """What comes next for it, and about when."""
    clock, today = found.history.clock, found.history.weather.today
    following = clock.next_stage
    if following is None:
        return "This is its last stage."
    start = next(s for s in clock.starts if s.stage == following)
    picked = clock.picked_in(today)
    harvest = ""
    if picked and following.key != "harvest":
        harvest = f" Picking from about {on_day(today + timedelta(days=picked))}."
    if start.low is None or start.likely is None or start.high is None:
        return f"Next it will be {following.words}, later than Dace can tell.{harvest}"
    return (
        f"Next: {following.words}, about {on_day(start.likely)} "
        f"({on_day(start.low)} to {on_day(start.high)}). "
        f"Look for: {following.visual_cue.lower()}.{harvest}"
    )


def _test(found: Books) -> str:
    tests = found.history.tests
    if not tests:
        return ""
    last = tests[-1]
    fill = next(s.fill for s in found.history.stands if s.fill_id == last.fill_id)
    read = core.read_soil_test(last.values, last.unit, fill.soil)
    return f"Tested {on_day(last.tested_on, year=True)}. {read.sentence}"


def _events(found: Books) -> list[EventOut]:
    """All that was done, newest first."""
    kept = found.history
    zone = kept.zone
    events = [
        EventOut(on=g.at.astimezone(zone).date(), kind=g.source, text=f"{g.name}, {g.words}")
        for g in kept.gifts
    ]
    events += [
        EventOut(on=look.on, kind="look", text=f"seen {look.words}") for look in _looks(found)
    ]
    events += [
        EventOut(on=t.tested_on, kind="test", text="soil or medium tested") for t in kept.tests
    ]
    events += [_stood(turn, stand) for turn, stand in enumerate(kept.stands)]
    return sorted(events, key=lambda e: e.on, reverse=True)


def _stood(turn: int, stand: Stand) -> EventOut:
    size = shown.litres(stand.fill.volume_l) if stand.fill.volume_l else "open ground"
    verb = "begun" if turn == 0 else "moved"
    text = f"{verb}: {stand.count} in {stand.fill}, {size} of {_medium(stand)}"
    return EventOut(on=stand.from_on, kind="stand", text=text)


def _medium(stand: Stand) -> str:
    return stand.fill.soil.name.lower()


def _school(approach: str) -> list[AdviceOut]:
    text = f"{core.APPROACHES[approach].capitalize()}. It orders what Dace offers, never the sums."
    return [
        AdviceOut(
            key="approach",
            severity="school",
            title="Gardeners differ",
            text=text,
            source="three schools",
            plan_effect="",
        )
    ]
