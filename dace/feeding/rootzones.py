"""A fill's root zone as the core follows it: all that came in, grew there and was read."""

from __future__ import annotations

import uuid
from collections.abc import Collection, Sequence
from dataclasses import dataclass
from datetime import date, datetime
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import DaceError, Followed, Growing, RootZone
from dace.feeding.gifts import content_of_dry, entered_mg
from dace.feeding.models import Dose, Dressing, Watering
from dace.feeding.rootrows import Rows
from dace.feeding.spreading import on_bed
from dace.garden.greening import area_of
from dace.garden.models import Away, Fill, Garden, GreenStand, SoilTest, Stand
from dace.garden.reads import core_water, medium_litres, setting_of, standing_fills, waters
from dace.garden.weather import Weather, weather
from dace.households.scope import NotFoundError, Scope
from dace.measuring.models import FieldTest, Reading
from dace.shelf.reads import composition_of


@dataclass(frozen=True)
class RootRecord:
    """A fill followed up to today, with the rows that it was followed by."""

    fill: Fill
    known: Weather
    followed: Followed
    readings: tuple[tuple[Reading, core.Sampled], ...]
    doses: tuple[Dose, ...]
    waterings: tuple[Watering, ...]
    dressings: tuple[Dressing, ...]
    tests: tuple[FieldTest, ...]
    soil: tuple[SoilTest, ...]
    salt_said: core.SaltSaid | None


def root_zone(scope: Scope, garden: Garden, fill_id: uuid.UUID) -> RootRecord:
    """Follow one fill; as many queries as for several.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    found = root_zones(scope, garden, [fill_id])
    if not found:
        raise NotFoundError("fill_id", "an id of no fill here", "choose a stop along the path")
    return found[0]


def root_zones(
    scope: Scope, garden: Garden, fill_ids: Collection[uuid.UUID]
) -> tuple[RootRecord, ...]:
    """Follow several fills at once, in the order asked for; some twenty queries for any number.

    Two where nothing changed; one more for each blended water.
    """
    rows = standing_fills(scope).filter(pk__in=fill_ids)
    fills = {fill.pk: fill for fill in rows.select_related("place", "mix")}
    chosen = [fills[key] for key in fill_ids if key in fills]
    known, zone = weather(scope, garden), ZoneInfo(garden.zone)
    kept = Rows(scope)
    usual = next(iter(waters(scope)), None)
    water = core.charged_water(core_water(usual) if usual else core.water_from_ec(0.0))
    told = [_told(kept, fill, zone, known, water) for fill in chosen]
    followed = core.follow_all([root for root, _ in told], known.outlook)
    return tuple(
        RootRecord(
            fill,
            known,
            one,
            samples,
            kept.doses.get(fill.pk, ()),
            kept.waterings.get(fill.pk, ()),
            kept.dressings.get(fill.pk, ()),
            kept.tests.get(fill.subject_id, ()),
            kept.soil.get(fill.pk, ()),
            _salt_said(kept.tests.get(fill.subject_id, ()), zone),
        )
        for fill, one, (_, samples) in zip(chosen, followed, told, strict=True)
    )


Samples = tuple[tuple[Reading, core.Sampled], ...]


def _told(
    kept: Rows, fill: Fill, zone: ZoneInfo, known: Weather, water: tuple[float, ...]
) -> tuple[RootZone, Samples]:
    """One fill as the core knows it, and its readings beside their samples."""
    samples = tuple(
        (row, sample)
        for row in kept.readings.get(fill.subject_id, ())
        if (sample := _sampled(row, zone)) is not None
    )
    tests = kept.tests.get(fill.subject_id, ())
    strips = [_strip(row, zone) for row in tests if row.kind == FieldTest.Kind.NITRATE]
    open_m2 = area_of(fill)
    besides = _besides(kept, fill)
    root = RootZone(
        medium=fill.soil,
        litres=medium_litres(fill),
        setting=setting_of(fill.place),
        rain_m2=0.0 if fill.place.covered else open_m2,
        filled_on=min(fill.filled_on, known.today),
        growing=tuple(_growing(row, kept, zone) for row in kept.stands.get(fill.pk, ())),
        poured=(
            *(_dose(row, zone, kept.ions(row.can.water)) for row in kept.doses.get(fill.pk, ())),
            *(
                _watering(row, zone, kept.ions(row.water))
                for row in kept.waterings.get(fill.pk, ())
            ),
        ),
        slow=(
            *(_dressing(row, zone) for row in kept.dressings.get(fill.pk, ())),
            *(slow for one in besides for slow in one.given),
        ),
        others=tuple(taken for one in besides for taken in one.taken),
        samples=(*(sample for _, sample in samples), *strips),
        water_mg_l=water,
        logs_all=fill.logs_waterings,
        unwatered=tuple(
            (one.from_on, one.to_on)
            for one in kept.aways
            if one.waters == Away.Waters.NOBODY and one.from_on <= known.outlook.last
        ),
        felt=tuple(_felt(row, zone) for row in tests if row.kind == FieldTest.Kind.MOISTURE),
        tested=_tested(kept.soil.get(fill.pk, ()), fill, known.today),
    )
    return root, samples


def _besides(kept: Rows, fill: Fill) -> tuple[core.OnBed, ...]:
    """Green manure, mulch and compost on a fill's ground."""
    return (
        *(_green(row, fill) for row in kept.green.get(fill.pk, ())),
        *(on_bed(row) for row in kept.spreads.get(fill.pk, ())),
    )


def _green(row: GreenStand, fill: Fill) -> core.OnBed:
    given = core.given_by(row.kind, area_of(fill), row.stand, row.dug_in)
    return core.green_on_bed(given, row.sown_on, row.cut_on, row.dug_in)


def _growing(row: Stand, kept: Rows, zone: ZoneInfo) -> Growing:
    return Growing(
        grown=row.planting.grown,
        stages=core.spans(kept.clocks.read(row.planting)),
        plants=row.count,
        since=row.from_on,
        until=row.to_on or row.planting.ended_on,
        key=str(row.pk),
        sprayed=tuple(
            (one.sprayed_at.astimezone(zone).date(), entered_mg(one))
            for one in kept.sprays.get(row.pk, ())
        ),
        aim=row.planting.aim,
    )


def _hour(at: datetime, zone: ZoneInfo) -> float:
    local = at.astimezone(zone)
    return local.hour + local.minute / 60 + local.second / 3600


def _dose(row: Dose, zone: ZoneInfo, water: core.WaterIons) -> core.Poured:
    """A dose with its nitrogen by the forms of its sources, other salts by conductivity."""
    feeds = tuple((composition_of(part.jar), part.amount) for part in row.can.parts.all())
    return core.Poured(
        on=row.poured_at.astimezone(zone).date(),
        litres=row.litres,
        mg_l=core.charged_can(row.can.mg_l, feeds, row.can.ec_likely, water.of("HCO3")),
        said=row.can.ratio,
        hour=_hour(row.poured_at, zone),
    )


def _watering(row: Watering, zone: ZoneInfo, water: core.WaterIons) -> core.Poured:
    return core.Poured(
        on=row.poured_at.astimezone(zone).date(),
        litres=row.litres,
        mg_l=core.charged_water(water),
        feed=False,
        hour=_hour(row.poured_at, zone),
        flush=row.flush,
    )


def _dressing(row: Dressing, zone: ZoneInfo) -> core.Slow:
    content = content_of_dry(row.jar, row.material)
    return core.Slow(
        on=row.given_at.astimezone(zone).date(),
        at_once=core.charged_dry(content.at_once, row.grams),
        later=core.charged_dry(content.later, row.grams),
        half_life_days=content.half_life_days,
    )


def _sampled(row: Reading, zone: ZoneInfo) -> core.Sampled | None:
    try:
        return core.Sampled(
            on=row.taken_at.astimezone(zone).date(),
            value=row.ec_likely,
            method=row.method,
            pen_old=(row.pen_days or 0.0) > core.PEN_OLD_DAYS,
            pots=row.pots,
            hour=_hour(row.taken_at, zone),
        )
    except DaceError:
        return None  # a fill read as a can would be: it tells nothing of the roots


def _strip(row: FieldTest, zone: ZoneInfo) -> core.Sampled:
    return core.Sampled(
        on=row.taken_at.astimezone(zone).date(),
        value=row.value or 0.0,
        method=core.NITRATE,
        hour=_hour(row.taken_at, zone),
    )


def _tested(rows: Sequence[SoilTest], fill: Fill, today: date) -> tuple[core.Tested, ...]:
    """Tests by day; what was written later of one day counts."""
    days: dict[date, dict[str, float]] = {}
    for row in rows:
        if row.tested_on <= today:
            read = core.read_soil_test(row.values, row.unit, fill.soil)
            days.setdefault(max(row.tested_on, fill.filled_on), {}).update(read.mg_l)
    return tuple(core.Tested(on, tuple(found.items())) for on, found in days.items())


def _salt_said(rows: Sequence[FieldTest], zone: ZoneInfo) -> core.SaltSaid | None:
    """The newest word of salt that was seen."""
    said = [row for row in rows if row.kind == FieldTest.Kind.SALT]
    if not said:
        return None
    newest = said[-1]
    on = newest.taken_at.astimezone(zone).date()
    return core.SaltSaid(on, _hour(newest.taken_at, zone), newest.word)


def _felt(row: FieldTest, zone: ZoneInfo) -> core.Felt:
    return core.Felt(
        on=row.taken_at.astimezone(zone).date(), word=row.word, hour=_hour(row.taken_at, zone)
    )
