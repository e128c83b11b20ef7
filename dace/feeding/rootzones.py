"""A fill's root zone as the core follows it: all that came in, grew there and was read."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime, timedelta
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import DaceError, Followed, Growing, RootZone
from dace.feeding.gifts import content_of_dry
from dace.feeding.models import Dose, Dressing, Watering
from dace.garden.clocks import clocks
from dace.garden.models import Fill, Garden, Stand
from dace.garden.reads import core_water, medium_litres, setting_of, waters
from dace.garden.weather import Weather, weather
from dace.households.scope import NotFoundError, Scope
from dace.measuring.models import FieldTest, Reading
from dace.measuring.reads import pen_reading
from dace.shelf.reads import composition_of

_BACK = timedelta(days=120)


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


def root_zone(scope: Scope, garden: Garden, fill_id: uuid.UUID) -> RootRecord:
    """Follow one fill; fifteen queries, and one for each blended water.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    """
    fill = (
        Fill.objects.of(scope)
        .select_related("place")
        .filter(pk=fill_id, renewed_on__isnull=True)
        .first()
    )
    if fill is None:
        raise NotFoundError("fill_id", "an id of no fill here", "choose a stop along the path")
    since, zone = scope.now - _BACK, ZoneInfo(garden.zone)
    doses = Dose.objects.of(scope).filter(fill=fill, poured_at__gte=since)
    doses = doses.select_related("can__water").prefetch_related("can__parts__jar__brew")
    given = Watering.objects.of(scope).filter(fill=fill, poured_at__gte=since)
    dry = Dressing.objects.of(scope).filter(fill=fill).select_related("jar")
    read = Reading.objects.of(scope).filter(subject_id=fill.subject_id, taken_at__gte=since)
    tests = FieldTest.objects.of(scope).filter(subject_id=fill.subject_id, taken_at__gte=since)
    known = weather(scope, garden)
    rows = (
        tuple(doses.order_by("poured_at")),
        tuple(given.select_related("water").order_by("poured_at")),
        tuple(dry.order_by("given_at")),
        tuple(tests.order_by("taken_at")),
    )
    samples = tuple(
        (row, sample)
        for row in read.order_by("taken_at", "created_at")
        if (sample := _sampled(row, zone)) is not None
    )
    usual = next(iter(waters(scope)), None)
    water = core.charged_water(core_water(usual) if usual else core.water_from_ec(0.0))
    strips = tuple(_strip(row, zone) for row in rows[3] if row.kind == FieldTest.Kind.NITRATE)
    found = RootZone(
        medium=core.medium(fill.medium),
        litres=medium_litres(fill),
        setting=setting_of(fill.place),
        rain_m2=0.0
        if fill.place.covered
        else core.rain_m2(fill.volume_l, fill.area_m2, fill.alike),
        filled_on=min(fill.filled_on, known.today),
        growing=_growing(scope, garden, fill),
        poured=(*(_dose(d, zone) for d in rows[0]), *(_watering(w, zone) for w in rows[1])),
        slow=tuple(_dressing(d, zone) for d in rows[2]),
        samples=(*(sample for _, sample in samples), *strips),
        water_mg_l=water,
        logs_all=fill.logs_waterings,
        felt=tuple(_felt(row, zone) for row in rows[3] if row.kind == FieldTest.Kind.MOISTURE),
        seed=fill.pk.int % 2**31,
    )
    followed = core.follow(found, known.outlook)
    return RootRecord(fill, known, followed, samples, rows[0], rows[1], rows[2], rows[3])


def _growing(scope: Scope, garden: Garden, fill: Fill) -> tuple[Growing, ...]:
    time = clocks(scope, garden)
    rows = Stand.objects.of(scope).filter(fill=fill, planting__undone_at__isnull=True)
    return tuple(
        Growing(
            grown=core.crop(row.planting.crop),
            stages=core.spans(time.read(row.planting)),
            plants=row.count,
            since=row.from_on,
            until=row.to_on or row.planting.ended_on,
        )
        for row in rows.select_related("planting").order_by("from_on", "created_at")
    )


def _hour(at: datetime, zone: ZoneInfo) -> float:
    local = at.astimezone(zone)
    return local.hour + local.minute / 60 + local.second / 3600


def _dose(row: Dose, zone: ZoneInfo) -> core.Poured:
    """A dose with its nitrogen by the forms of its sources, other salts by conductivity."""
    feeds = tuple((composition_of(part.jar), part.amount) for part in row.can.parts.all())
    return core.Poured(
        on=row.poured_at.astimezone(zone).date(),
        litres=row.litres,
        mg_l=core.charged_can(
            row.can.mg_l, feeds, row.can.ec_likely, core_water(row.can.water).of("HCO3")
        ),
        hour=_hour(row.poured_at, zone),
    )


def _watering(row: Watering, zone: ZoneInfo) -> core.Poured:
    return core.Poured(
        on=row.poured_at.astimezone(zone).date(),
        litres=row.litres,
        mg_l=core.charged_water(core_water(row.water)),
        feed=False,
        hour=_hour(row.poured_at, zone),
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
            value=core.reading_at_25(pen_reading(row)).value,
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


def _felt(row: FieldTest, zone: ZoneInfo) -> core.Felt:
    return core.Felt(
        on=row.taken_at.astimezone(zone).date(), word=row.word, hour=_hour(row.taken_at, zone)
    )
