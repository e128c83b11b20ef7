"""A year looked back at, and the next one proposed."""

from __future__ import annotations

import csv
import io
import math
import uuid
from collections import Counter, defaultdict
from collections.abc import Iterable
from dataclasses import dataclass
from datetime import date, datetime
from zoneinfo import ZoneInfo

from django.db.models import Q

from dace.core import api as core
from dace.core.api import NUTRIENTS, Plot, Reviewed, on_day, say, shown
from dace.desks.trials.page import trial_title
from dace.desks.year.follows import grown_before
from dace.desks.year.schemas import (
    BrewedOut,
    GotOut,
    GrewOut,
    MeantOut,
    NextYearOut,
    ProposedOut,
    TriedOut,
    YearOut,
)
from dace.feeding.gifts import GiftRecord, gifts
from dace.feeding.models import Can, Dose
from dace.garden.clocks import clocks
from dace.garden.intending import intended
from dace.garden.models import Fill, Garden, Harvest, Intended, Planting, Stand
from dace.garden.reads import garden_of, medium_litres, setting_of, standing_fills
from dace.garden.services import today
from dace.households.scope import Scope
from dace.notebook.trying import trials
from dace.shelf.models import BrewEvent

_FIVE = len(NUTRIENTS)
_SHOWN = ("N", "P", "K")


@dataclass
class _Sums:
    """What one planting was given in a year [g], and how many litres."""

    given: list[float]
    litres: float = 0.0


def year_page(scope: Scope, year: int) -> YearOut:
    """One year: plantings, brews, trials, and three lines for the next; some twenty queries."""
    garden = garden_of(scope)
    zone, on = ZoneInfo(garden.zone), today(scope, garden)
    begin, end = date(year, 1, 1), min(date(year + 1, 1, 1), on)
    grew = _grew(scope, garden, begin, end)
    thrown = _brewed(scope, year, zone)
    minutes, cans = _minutes(scope, year, zone)
    return YearOut(
        year=year,
        years=_years(scope, on),
        grew=[out for _, out in grew],
        brewed=thrown,
        tried=_tried(scope, year),
        cans=cans,
        litres=shown.litres(sum(out.litres for _, out in grew), 2),
        hours=f"about {say(minutes / 60, 2)} hours" if cans else "no time",
        lines=list(
            core.lines_for_next(
                [one for one, _ in grew], [one.name for one in thrown if one.thrown]
            )
        ),
    )


def _minutes(scope: Scope, year: int, zone: ZoneInfo) -> tuple[float, int]:
    """What its evenings took, each with its own cans and stops [min]; and all its cans."""
    mixed = Can.objects.of(scope).filter(mixed_at__year=year).values_list("mixed_at", flat=True)
    poured = Dose.objects.of(scope).filter(poured_at__year=year)
    cans = Counter(at.astimezone(zone).date() for at in mixed)
    fed = {
        (at.astimezone(zone).date(), fill)
        for at, fill in poured.values_list("poured_at", "fill_id")
    }
    stops = Counter(day for day, _ in fed)
    minutes = sum(core.minutes_for(cans[day], stops[day]) for day in {*cans, *stops})
    return minutes, sum(cans.values())


def _years(scope: Scope, on: date) -> list[int]:
    """From the first planting to today, newest first."""
    first = Planting.objects.of(scope).order_by("started_on").values_list("started_on", flat=True)
    since = min((one.year for one in first[:1]), default=on.year)
    return list(range(on.year, max(since, on.year - 40) - 1, -1))


def _grew(scope: Scope, garden: Garden, begin: date, end: date) -> list[tuple[Reviewed, GrewOut]]:
    zone = ZoneInfo(garden.zone)
    there = Planting.objects.of(scope).filter(started_on__lt=end)
    rows = there.filter(Q(ended_on__isnull=True) | Q(ended_on__gte=begin)).order_by("started_on")
    plantings = list(rows)
    ids = [row.pk for row in plantings]
    time = clocks(scope, garden, ids)
    since = datetime(begin.year, 1, 1, tzinfo=zone)
    sums = _given(gifts(scope, since), {row.pk: row.count for row in plantings}, begin.year, zone)
    for key, litres in _poured(scope, begin.year, ids).items():
        sums[key].litres = litres
    picked = _picked(scope, begin, end, ids)
    where = _stood(scope, ids)
    found = []
    for row in plantings:
        if row.pk not in where:
            continue
        fill, in_ground = where[row.pk]
        until = min(end, row.ended_on or end)
        first = max(begin, row.started_on)
        mix_l = None if in_ground else medium_litres(fill)
        each = None if mix_l is None else mix_l / row.count
        spans = core.spans(time.read(row))
        wanted = core.wanted_g(row.grown, spans, row.count, first, until, each)
        got = sums[row.pk]
        counted = row.grown.counted(row.count)
        reviewed = Reviewed(
            name=f"{counted[0].upper()}{counted[1:]}",
            wanted=wanted,
            given=tuple(got.given),
            in_ground=in_ground,
            held=_held(fill, mix_l),
            makes_n=row.grown.n_fixed_share > 0,
            known=first >= time.days.first,
        )
        found.append((reviewed, _grew_out(row, fill, until, reviewed, got, picked.get(row.pk, ""))))
    return found


def _held(fill: Fill, litres: float | None) -> tuple[float, ...]:
    """What fresh mix brings along [g]; nothing is said of soil."""
    if litres is None:
        return (0.0,) * _FIVE
    soil = fill.soil
    later = soil.release_n_mg_l_week * soil.release_half_life_weeks / math.log(2)
    return tuple(
        litres * (soil.available_of(name) + (later if name == "N" else 0.0)) / 1000
        for name in NUTRIENTS
    )


def _grew_out(
    row: Planting, fill: Fill, until: date, one: Reviewed, got: _Sums, picked: str
) -> GrewOut:
    over = row.ended_on is not None and row.ended_on <= until
    return GrewOut(
        planting_id=row.pk,
        name=one.name,
        place=str(fill),
        span=f"{on_day(row.started_on, short=True)} to {on_day(until, short=True)}"
        if over
        else f"since {on_day(row.started_on, short=True)}",
        shares=[
            GotOut(
                name=name,
                given=_grams(got.given[NUTRIENTS.index(name)]),
                wanted=f"{_grams(one.wanted[NUTRIENTS.index(name)])} g" if one.known else "",
            )
            for name in _SHOWN
        ],
        litres=round(got.litres, 1),
        picked=picked,
    )


def _grams(amount: float) -> str:
    """Two figures, and none below a hundredth of a gram."""
    return say(amount, 2) if amount >= _LEAST_G else "0"


_LEAST_G = 0.01


def _given(
    given: Iterable[GiftRecord], counts: dict[uuid.UUID, int], year: int, zone: ZoneInfo
) -> dict[uuid.UUID, _Sums]:
    found: dict[uuid.UUID, _Sums] = defaultdict(lambda: _Sums([0.0] * _FIVE))
    for gift in given:
        if gift.at.astimezone(zone).year != year or gift.planting_id not in counts:
            continue
        mine = found[gift.planting_id]
        plants = counts[gift.planting_id]
        for at in range(_FIVE):
            mine.given[at] += (gift.at_once[at] + gift.later[at]) * plants / 1000
    return found


def _poured(scope: Scope, year: int, ids: list[uuid.UUID]) -> dict[uuid.UUID, float]:
    found: dict[uuid.UUID, float] = defaultdict(float)
    rows = Dose.objects.of(scope).filter(poured_at__year=year, stand__planting_id__in=ids)
    for planting, each, plants in rows.values_list("stand__planting_id", "litres_each", "plants"):
        found[planting] += each * plants
    return found


def _picked(scope: Scope, begin: date, end: date, ids: list[uuid.UUID]) -> dict[uuid.UUID, str]:
    grams: dict[uuid.UUID, float] = defaultdict(float)
    pieces: dict[uuid.UUID, int] = defaultdict(int)
    rows = Harvest.objects.of(scope).filter(planting_id__in=ids)
    for row in rows.filter(picked_on__gte=begin, picked_on__lte=end):
        grams[row.planting_id] += row.grams or 0.0
        pieces[row.planting_id] += row.pieces or 0
    said = {}
    for key in {*grams, *pieces}:
        parts = [shown.grams(grams[key], 2)] if grams[key] else []
        parts += [f"{pieces[key]} pieces"] if pieces[key] else []
        said[key] = ", ".join(parts)
    return said


def _stood(scope: Scope, ids: list[uuid.UUID]) -> dict[uuid.UUID, tuple[Fill, bool]]:
    """Where each planting stood last, and whether that is soil; one query."""
    rows = (
        Stand.objects.of(scope)
        .filter(planting_id__in=ids)
        .select_related("fill__place", "fill__mix")
    )
    return {
        row.planting_id: (row.fill, core.setting(setting_of(row.fill.place)).in_ground)
        for row in rows.order_by("from_on", "count")
    }


def _brewed(scope: Scope, year: int, zone: ZoneInfo) -> list[BrewedOut]:
    kinds = (BrewEvent.Kind.STRAIN, BrewEvent.Kind.THROW)
    rows = BrewEvent.objects.of(scope).filter(kind__in=kinds, at__year=year)
    return [
        BrewedOut(
            name=row.brew.name,
            text=f"strained {on_day(row.at.astimezone(zone))}, {shown.litres(row.litres or 0, 2)}"
            if row.kind == BrewEvent.Kind.STRAIN
            else f"thrown out {on_day(row.at.astimezone(zone))}",
            thrown=row.kind == BrewEvent.Kind.THROW,
        )
        for row in rows.select_related("brew").order_by("at")
    ]


def _tried(scope: Scope, year: int) -> list[TriedOut]:
    return [
        TriedOut(trial_id=row.pk, title=trial_title(row))
        for row in trials(scope)
        if row.started_on.year == year
    ]


def year_csv(scope: Scope, year: int) -> str:
    """The year's plantings as a table."""
    page = year_page(scope, year)
    out = io.StringIO()
    writer = csv.writer(out, lineterminator="\r\n")
    heads = [f"{name} {side} g" for name in _SHOWN for side in ("given", "wanted")]
    writer.writerow(["what", "place", "when", *heads, "litres", "picked"])
    for one in page.grew:
        sums = [text.removesuffix(" g") for s in one.shares for text in (s.given, s.wanted)]
        writer.writerow(
            [core.harmless(one.name), core.harmless(one.place), one.span, *sums, one.litres,
             one.picked]
        )  # fmt: skip
    return out.getvalue()


def next_year(scope: Scope) -> NextYearOut:
    """Crops of this year once more, moved by the clock and rotated; some queries a place."""
    garden = garden_of(scope)
    on = today(scope, garden)
    fills = list(standing_fills(scope).select_related("place").order_by("created_at"))
    grounds = {fill.pk: _ground(scope, fill) for fill in fills}
    meant = intended(scope)
    taken = {(one.crop, one.count, one.fill_id) for one in meant}
    rows = (
        Planting.objects.of(scope)
        .filter(started_on__year=on.year, repeat_days__isnull=True)
        .order_by("started_on")
    )
    stood = _stood(scope, [row.pk for row in rows])
    proposed: list[ProposedOut] = []
    held: dict[uuid.UUID, list[tuple[int, str]]] = defaultdict(list)
    for row in rows:
        if row.pk not in stood or core.lives_on(row.crop):
            continue
        fill, _ = stood[row.pk]
        if fill.pk not in grounds:
            continue
        sow_on = core.a_year_on(row.started_on)
        among = [
            Plot(one.key, one.name, one.in_ground, (*one.before, *held[key]))
            for key, one in grounds.items()
        ]
        mine = next(one for one in among if one.key == str(fill.pk))
        moved = core.next_ground(row.grown.family, mine, among, sow_on.year)
        to = uuid.UUID(moved.ground.key)
        held[to].append((sow_on.year, row.grown.family))
        if (row.crop, row.count, to) in taken:
            continue
        where = "stays" if to == fill.pk else f"moves from {fill}"
        proposed.append(
            ProposedOut(
                planting_id=row.pk,
                crop=row.crop,
                called=row.called,
                count=row.count,
                fill_id=to,
                name=row.grown.counted(row.count),
                place=moved.ground.name,
                why=where,
                against=moved.against,
                sow_on=sow_on,
            )
        )
    return NextYearOut(
        year=on.year + 1, proposed=proposed, meant=[meant_out(one, on) for one in meant]
    )


def _ground(scope: Scope, fill: Fill) -> Plot:
    in_ground = core.setting(setting_of(fill.place)).in_ground
    before = grown_before(scope, fill.place_id) if in_ground else ()
    return Plot(str(fill.pk), str(fill), in_ground, before)


def meant_out(row: Intended, on: date) -> MeantOut:
    """A sowing that is meant."""
    return MeantOut(
        id=row.pk,
        name=row.grown.counted(row.count),
        place=str(row.fill),
        place_id=row.fill.place_id,
        sow_on=row.sow_on,
        due=row.sow_on <= on,
    )
