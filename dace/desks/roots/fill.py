"""What the roots of a fill say: band, word, next feed, flush, in words and figures."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Literal
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import Followed, Verdict, at_clock, on_day, say, shown
from dace.desks.roots.schemas import (
    DotOut,
    FlushOut,
    NoteOut,
    PouredOut,
    RootChartOut,
    RootLineOut,
    RootsOut,
)
from dace.desks.shared import said
from dace.desks.shared.figures import rough, steps_out
from dace.desks.shared.verdicts import verdict_out
from dace.feeding.rootzones import RootRecord
from dace.garden.models import Garden
from dace.garden.reads import waters
from dace.households.scope import Scope
from dace.measuring.reads import as_drain

_FLUSH_LASTS = timedelta(days=2)
_SHOWN_DAYS, _AHEAD_DAYS = 60, 21


@dataclass(frozen=True)
class Stands:
    """Where the roots of a fill stand today, in the way that such a place is read.

    ``now`` and ``band`` are mS/cm at 25 C of what drains, or of a paste in a bed.
    """

    now: tuple[float, float, float]
    band: tuple[float, float] | None
    word: core.RootWord | Literal[""]
    factor: float
    what: str
    headline: str


def stands(found: Followed) -> Stands:
    """Today's band, its word and its sentence."""
    root = found.root_zone
    band = core.comfort(root, found.first + timedelta(days=found.today))
    factor = core.as_paste(1.0) if root.is_bed else 1.0
    low, likely, high = (v * factor for v in found.now)
    what = "a paste of the soil" if root.is_bed else "the run-off"
    at = f"{what} reads about {shown.ec(likely, 1)} ({shown.ec_span(low, high)})"
    at = f"{at[0].upper()}{at[1:]}"
    if band is None:
        return Stands((low, likely, high), None, "", factor, what, f"{at}.")
    word = core.word_now(found, band)
    ends = (band.low * factor, band.high * factor)
    likes = f"{band.whose.capitalize()} likes {shown.ec_span(*ends)}."
    headline = f"{at}: {core.ROOT_WORDS[word]}. {likes}"
    return Stands((low, likely, high), ends, word, factor, what, headline)


def root_line(record: RootRecord, plants: str, verdict: Verdict | None) -> RootLineOut:
    """One fill in a row of all."""
    at, found, fill = stands(record.followed), record.followed, record.fill
    low, likely, high = at.now
    plan = verdict.flush if verdict else None
    return RootLineOut(
        place_id=fill.place_id,
        fill_id=fill.pk,
        name=fill.name or fill.place.name,
        plants=plants,
        word=at.word,
        headline=at.headline,
        low=low,
        likely=likely,
        high=high,
        comfort_low=at.band[0] if at.band else None,
        comfort_high=at.band[1] if at.band else None,
        read=bool(found.looked),
        kind=verdict.kind if verdict else None,
        says=verdict.headline if verdict else "",
        flush_l=round(plan.litres.value, 2) if plan else 0.0,
        flush_water=verdict.water_name if verdict and plan else "",
    )


def roots_out(
    scope: Scope, garden: Garden, record: RootRecord, verdict: Verdict | None
) -> RootsOut:
    """One fill as its page shows it; one query for the waters of an asking."""
    at, found, fill = stands(record.followed), record.followed, record.fill
    return RootsOut(
        fill_id=fill.pk,
        subject_id=fill.subject_id,
        name=fill.name or fill.place.name,
        is_bed=found.root_zone.is_bed,
        logs_waterings=fill.logs_waterings,
        word=at.word,
        headline=at.headline,
        lines=_lines(scope, found),
        verdict=verdict_out(verdict) if verdict else None,
        flush=flush_out(scope, record, verdict),
        chart=_chart(record, ZoneInfo(garden.zone), at.factor, at.what),
        doubts=[
            f"Doubted: {one.sample.value:.2f} on {on_day(one.sample.on)}, where {one.low:.1f} to "
            f"{one.high:.1f} was expected. It is {one.doubt}."
            for one in found.looked
            if one.doubt
        ]
        + [
            f"Read {one.sample.value:.2f} on {on_day(one.sample.on)}, the second time far from "
            f"what was expected: from then on Dace goes by what was read."
            for one in found.looked
            if one.again
        ],
        records=_records(record, ZoneInfo(garden.zone)),
        working=steps_out(core.followed_steps(found)),
    )


def _lines(scope: Scope, found: Followed) -> list[str]:
    """What else there is to say, a sentence each."""
    lines = []
    since, days = core.climbing_since(found), core.days_to_top(found)
    today = found.first + timedelta(days=found.today)
    if since is not None:
        lines.append(f"Salts have climbed for {_weeks((today - since).days)}.")
    if days:
        lines.append(f"As things stand it passes the top in about {days} days.")
    loss = core.crop_loss(found)
    if loss is not None:
        lines.append(
            "Salt costs this crop nothing yet."
            if loss.high < 1
            else f"At that, salt may cost {rough(loss.low)} to {rough(loss.high)} % of the crop."
        )
    usual = next(iter(waters(scope)), None)
    if not found.root_zone.logs_all:
        with_what = f" with {usual.name}" if usual else ""
        lines.append(
            f"No plain watering is written down here: Dace assumes one{with_what} whenever it is "
            "about half dry."
        )
    if not found.looked:
        lines.append("Nothing was read here yet: one reading tells more than all this.")
    return lines


def _weeks(days: int) -> str:
    weeks = round(days / 7)
    return f"{days} days" if weeks < 2 else f"{['two', 'three', 'four'][min(weeks, 4) - 2]} weeks"


def flush_out(scope: Scope, record: RootRecord, verdict: Verdict | None) -> FlushOut | None:
    """The verdict's flush, with the pours of it that lie behind; None where there is none."""
    if verdict is None or core.kind_of(verdict.kind).block != "flush":
        return None
    since = scope.now - _FLUSH_LASTS
    done = sum(w.flush and w.poured_at >= since for w in record.waterings)
    plan = verdict.flush
    if plan is None:
        return _flushed_out(verdict, done) if done else None
    litres, more = plan.litres, plan.goes - 1
    likely = f": most likely {_NUMBERS.get(more, str(more))} more" if more else ""
    return FlushOut(
        water_id=uuid.UUID(verdict.water),
        water=verdict.water_name,
        litres=round(litres.value, 2),
        text=f"{'Flush' if not done else 'Go on'} with {shown.litres(plan.each_l, 2)} "
        f"from the {verdict.water_name}, then read the drain{likely}."
        if plan.read_after
        else verdict.headline,
        range_text=shown.litres_span(litres.low, litres.high),
        done=done,
        goes=plan.goes if plan.read_after else 1,
        each_l=round(plan.now_l, 2),
        each_text=shown.litres(plan.now_l, 2),
        reads=plan.read_after > 0,
        read_next=done > 0 and plan.read_after > 0,
        after_text=f"It should read {shown.ec_span(plan.after.low, plan.after.high)} then, likely "
        f"{shown.ec_number(plan.after.value, 1)}.",
        working=steps_out(litres.working),
    )


def _flushed_out(verdict: Verdict, done: int) -> FlushOut:
    """A flush that is poured and not read yet."""
    return FlushOut(
        water_id=uuid.UUID(verdict.water),
        water=verdict.water_name,
        litres=0.0,
        text="Flushed: read the run-off before the next feed.",
        range_text="",
        done=done,
        goes=0,
        each_l=0.0,
        each_text="",
        reads=True,
        read_next=True,
        after_text="",
        working=[],
    )


_NUMBERS = {2: "two", 3: "three", 4: "four", 5: "five", 6: "six"}


def _chart(record: RootRecord, zone: ZoneInfo, factor: float, what: str) -> RootChartOut:
    found = record.followed
    start = max(0, found.today - _SHOWN_DAYS)
    first = found.first + timedelta(days=start)
    count = min(found.ec.shape[1], found.today + 1 + _AHEAD_DAYS)
    days = [found.first + timedelta(days=n) for n in range(start, count)]
    bands = [core.comfort(found.root_zone, on) for on in days]
    begin = record.known.outlook.index(first)
    rain = record.known.outlook.rain_mm[begin : begin + len(days)]

    def day(at: datetime) -> float:
        local = at.astimezone(zone)
        return round((local.date() - first).days + local.hour / 24, 2)

    doubted = {one.sample for one in found.looked if one.doubt}
    poured = [
        PouredOut(
            day=day(d.poured_at),
            kind="feed",
            amount=d.can.mg_l["N"] * d.litres,
            title=f"{shown.litres(d.litres)} at {d.can.ratio}",
        )
        for d in record.doses
    ]
    poured += [
        PouredOut(
            day=day(w.poured_at),
            kind="flush" if w.flush else "water",
            amount=w.litres,
            title=f"{shown.litres(w.litres)} from the {w.water.name}",
        )
        for w in record.waterings
    ]
    poured += [
        PouredOut(day=day(d.given_at), kind="dry", amount=d.grams, title=f"{d.said}, dry")
        for d in record.dressings
    ]
    return RootChartOut(
        first=first,
        today=found.today - start,
        low=_row(found, 0, start, factor),
        likely=_row(found, 1, start, factor),
        high=_row(found, 2, start, factor),
        comfort_low=[None if b is None else round(b.low * factor, 3) for b in bands],
        comfort_high=[None if b is None else round(b.high * factor, 3) for b in bands],
        rain_mm=[round(float(mm), 1) for mm in rain],
        dots=[
            DotOut(
                id=row.pk,
                day=day(row.taken_at),
                ec=round(as_drain(row) * factor, 3),
                hollow=sample in doubted,
                title=f"{say(row.value, 4)} {row.scale}, {on_day(row.taken_at.astimezone(zone))}",
            )
            for row, sample in record.readings
            if day(row.taken_at) >= 0
        ],
        poured=[one for one in poured if one.day >= 0],
        axis=f"mS/cm in {what}",
    )


def _row(found: Followed, row: int, start: int, factor: float) -> list[float]:
    end = found.today + 1 + _AHEAD_DAYS
    return [round(float(v) * factor, 3) for v in found.ec[row, start:end]]


def _records(record: RootRecord, zone: ZoneInfo) -> list[NoteOut]:
    """Tests and waterings, newest first."""
    rows: list[tuple[datetime, NoteOut]] = []
    for test in record.tests:
        rows.append((test.taken_at, _note(test.pk, test.taken_at, zone, said.test_words(test))))
    for row in record.waterings:
        text = said.watering_words(row)
        rows.append((row.poured_at, _note(row.pk, row.poured_at, zone, text)))
    return [note for _, note in sorted(rows, key=lambda pair: pair[0], reverse=True)][:12]


def _note(row_id: uuid.UUID, at: datetime, zone: ZoneInfo, text: str) -> NoteOut:
    return NoteOut(
        id=row_id,
        at=f"{on_day(at.astimezone(zone), named=True)}, {at_clock(at.astimezone(zone))}",
        text=text,
    )
