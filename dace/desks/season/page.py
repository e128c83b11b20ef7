"""The Season desk: a strip for each planting, doses as drops, the weather under it."""

from __future__ import annotations

import uuid
from collections.abc import Iterable
from datetime import date, datetime, timedelta
from zoneinfo import ZoneInfo

from django.db.models import F, Prefetch, Q

from dace.core import api as core
from dace.core.api import StageReading, Verdict, on_day, say
from dace.desks.season.schemas import (
    DropOut,
    FrostOut,
    LookOut,
    SeasonOut,
    StageBandOut,
    StripOut,
    WeekOut,
)
from dace.desks.shared.green import green_out
from dace.desks.shared.verdicts import verdict_out
from dace.desks.year.away import to_come
from dace.feeding.gifts import DropRecord, drops
from dace.feeding.verdicts import stop_verdicts
from dace.garden.clocks import Clocks, clocks
from dace.garden.greening import green_stands
from dace.garden.models import Planting, Stand
from dace.garden.reads import garden_of
from dace.garden.weather import Weather, climate_of, weather
from dace.households.scope import Scope

WEEKS = 30
_AHEAD_WEEKS = 12


def season_page(scope: Scope, ahead: int = _AHEAD_WEEKS) -> SeasonOut:
    """The whole desk; ten queries whatever its size.

    Parameters
    ----------
    scope : Scope
        Whose.
    ahead : int
        Weeks shown after today; thirty in all.
    """
    garden = garden_of(scope)
    known = weather(scope, garden)
    last = known.today + timedelta(days=7 * ahead)
    first = last - timedelta(days=7 * WEEKS)
    zone = ZoneInfo(garden.zone)
    plantings = _plantings(scope, first)
    time = clocks(scope, garden, [planting.pk for planting in plantings])
    judged = _judged(scope)
    given = _by_planting(drops(scope, datetime(first.year, first.month, first.day, tzinfo=zone)))
    return SeasonOut(
        first=first,
        last=last,
        today=known.today,
        climate=climate_of(garden).name,
        own_days=known.own_days,
        weeks=_weeks(known, first, last),
        strips=[
            _strip(planting, time, given.get(planting.pk, []), zone, judged.get(planting.pk))
            for planting in plantings
        ],
        aways=to_come(scope, known.today),
        frosts=_frosts(known, first, last),
        green=[green_out(one, known.today) for one in green_stands(scope, known.today)],
    )


def _frosts(known: Weather, first: date, last: date) -> list[FrostOut]:
    """Usual frosts of this year, where they lie on the axis; none where frost is rare."""
    words = ("usual last frost", "usual first frost")
    return [
        FrostOut(on=on, text=text)
        for on, text in zip(core.usual_frosts(known.outlook), words, strict=True)
        if on is not None and first <= on <= last
    ]


def _plantings(scope: Scope, first: date) -> list[Planting]:
    """What grew in those weeks, in walking order; two queries."""
    stands = (
        Stand.objects.of(scope)
        .select_related("fill__place")
        .order_by(F("to_on").desc(nulls_first=True), "-from_on", "created_at")
    )
    rows = (
        Planting.objects.of(scope)
        .filter(Q(ended_on__isnull=True) | Q(ended_on__gte=first))
        .prefetch_related(Prefetch("stands", stands, to_attr="stood"))
        .order_by("created_at", "id")
    )

    def place(planting: Planting) -> int:
        stood: list[Stand] = planting.stood  # type: ignore[attr-defined]
        return stood[0].fill.place.walking_order if stood else 10_000

    return sorted(rows, key=place)


def _by_planting(found: Iterable[DropRecord]) -> dict[uuid.UUID, list[DropRecord]]:
    grouped: dict[uuid.UUID, list[DropRecord]] = {}
    for gift in found:
        grouped.setdefault(gift.planting_id, []).append(gift)
    return grouped


def _judged(scope: Scope) -> dict[uuid.UUID, Verdict]:
    """The verdict of each planting's fill; of several the one that wants somebody first."""
    found: dict[uuid.UUID, Verdict] = {}
    for one in sorted(stop_verdicts(scope), key=lambda v: core.kind_of(v.verdict.kind).urgency):
        for stand in one.stands:
            found.setdefault(stand.planting_id, one.verdict)
    return found


def _strip(
    planting: Planting,
    time: Clocks,
    given: list[DropRecord],
    zone: ZoneInfo,
    verdict: Verdict | None,
) -> StripOut:
    stood: list[Stand] = planting.stood  # type: ignore[attr-defined]
    latest = stood[0] if stood else None
    clock = time.read(planting)
    grown = planting.grown
    present = [s for s in stood if s.to_on is None]
    counted = grown.counted(sum(s.count for s in present) or planting.count)
    place = latest.fill.place.name if latest else ""
    drops = [_drop(gift, zone) for gift in given]
    return StripOut(
        planting_id=planting.pk,
        stand_id=latest.pk if latest and latest.to_on is None else None,
        place_id=latest.fill.place_id if latest else None,
        place=place,
        counted=counted,
        crop=grown.name,
        crop_key=grown.key,
        started_on=planting.started_on,
        ended_on=planting.ended_on,
        stage=clock.stage.words,
        question="" if planting.ended_on else clock.question,
        said=list(clock.said),
        sow_again_on=planting.next_sowing,
        verdict=verdict_out(verdict) if verdict else None,
        stages=bands(clock, planting),
        looks=[
            LookOut(on=look.on, words=grown.stage(look.stage).words)
            for look in time.looks.get(planting.pk, ())
        ],
        drops=drops,
        text=f"{place}, {counted}, {clock.stage.words}. {_fed(drops)}",
    )


def _fed(drops: list[DropOut]) -> str:
    if not drops:
        return "Not fed in these weeks."
    total = sum(drop.nitrogen_mg for drop in drops)
    times = f"{len(drops)} times" if len(drops) > 1 else "once"
    return f"Fed {times}, {say(total, 3)} mg of nitrogen a plant in all."


def bands(clock: StageReading, planting: Planting) -> list[StageBandOut]:
    """The stages of a strip that begin before it ends."""
    end = planting.ended_on or date.max
    return [
        StageBandOut(
            key=start.stage.key,
            words=start.stage.words,
            cue=start.stage.visual_cue,
            low=start.low or start.likely,
            likely=start.likely,
            high=start.high or start.likely,
            seen=start.seen,
        )
        for start in clock.starts
        if start.likely is not None and start.likely <= end
    ]


def _drop(gift: DropRecord, zone: ZoneInfo) -> DropOut:
    on = gift.at.astimezone(zone).date()
    nitrogen = f"{say(gift.nitrogen_mg, 3)} mg of nitrogen a plant"
    text = f"{on_day(on)}: {gift.text}; {nitrogen}"
    return DropOut(on=on, source=gift.source, nitrogen_mg=gift.nitrogen_mg, text=text)


def _weeks(known: Weather, first: date, last: date) -> list[WeekOut]:
    """Mean low and high and the rain of each week, as it was or as is likely."""
    days = known.outlook
    found = []
    for week in range((last - first).days // 7):
        begun = first + timedelta(days=7 * week)
        at = days.index(begun)
        part = slice(at, at + 7)
        found.append(
            WeekOut(
                first=begun,
                t_min=round(float(days.t_min[:, part].mean()), 1),
                t_max=round(float(days.t_max[:, part].mean()), 1),
                rain_mm=round(float(days.rain_mm[part].sum()), 1),
                known=begun + timedelta(days=6) <= known.today,
            )
        )
    return found
