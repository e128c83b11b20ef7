"""A fill's root zone as the core follows it: all that came in, grew there and was read."""

from __future__ import annotations

import uuid
from collections import defaultdict
from collections.abc import Collection, Iterable
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from typing import TypeVar
from zoneinfo import ZoneInfo

from django.db.models import Model, Q

from dace.core import api as core
from dace.core.api import DaceError, Followed, Growing, RootZone
from dace.feeding.gifts import content_of_dry, entered_mg
from dace.feeding.models import Dose, Dressing, Spray, Watering
from dace.garden.clocks import clocks
from dace.garden.models import Fill, Garden, SoilTest, Stand, Water
from dace.garden.reads import core_water, medium_litres, setting_of, standing_fills, waters
from dace.garden.weather import Weather, weather
from dace.households.scope import NotFoundError, Scope
from dace.measuring.models import FieldTest, Reading
from dace.measuring.reads import pen_reading
from dace.shelf.reads import composition_of

_BACK, _SLOW = timedelta(days=120), timedelta(days=750)
M = TypeVar("M", bound=Model)


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
    """Follow several fills at once, in the order asked for; thirteen queries for any number.

    One more for each blended water.
    """
    rows = standing_fills(scope).filter(pk__in=fill_ids)
    fills = {fill.pk: fill for fill in rows.select_related("place")}
    chosen = [fills[key] for key in fill_ids if key in fills]
    known, zone = weather(scope, garden), ZoneInfo(garden.zone)
    kept = _Rows(scope, garden, chosen)
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
            tuple(kept.doses[fill.pk]),
            tuple(kept.waterings[fill.pk]),
            tuple(kept.dressings[fill.pk]),
            tuple(kept.tests[fill.subject_id]),
            tuple(kept.soil[fill.pk]),
        )
        for fill, one, (_, samples) in zip(chosen, followed, told, strict=True)
    )


class _Rows:
    """Everything that bears on some fills, by fill or by its subject; eleven queries."""

    def __init__(self, scope: Scope, garden: Garden, fills: list[Fill]) -> None:
        since, ids = scope.now - _BACK, [fill.pk for fill in fills]
        subjects = [fill.subject_id for fill in fills]
        doses = Dose.objects.of(scope).filter(fill__in=ids, poured_at__gte=since)
        doses = doses.select_related("can__water").prefetch_related("can__parts__jar__brew")
        poured = Watering.objects.of(scope).filter(fill__in=ids, poured_at__gte=since)
        dry = Dressing.objects.of(scope).filter(fill__in=ids, given_at__gte=scope.now - _SLOW)
        read = Reading.objects.weighing(scope).filter(subject__in=subjects, taken_at__gte=since)
        tests = FieldTest.objects.of(scope).filter(subject__in=subjects, taken_at__gte=since)
        stands = Stand.objects.of(scope).filter(fill__in=ids, planting__undone_at__isnull=True)
        here = stands.filter(Q(to_on__isnull=True) | Q(to_on__gte=since.date()))
        self.doses = _by(doses.order_by("poured_at"), "fill_id")
        self.waterings = _by(poured.select_related("water").order_by("poured_at"), "fill_id")
        self.dressings = _by(dry.select_related("jar").order_by("given_at"), "fill_id")
        self.readings = _by(read.order_by("taken_at", "created_at"), "subject_id")
        self.tests = _by(tests.order_by("taken_at"), "subject_id")
        soil = SoilTest.objects.of(scope).filter(fill__in=ids).order_by("tested_on", "created_at")
        self.soil = _by(soil, "fill_id")
        grown = here.select_related("planting").order_by("from_on", "created_at")
        self.stands = _by(grown, "fill_id")
        plantings = {row.planting_id for rows in self.stands.values() for row in rows}
        self.clocks = clocks(scope, garden, plantings)
        sprayed = Spray.objects.of(scope).filter(fill__in=ids, sprayed_at__gte=since)
        self.sprays = _by(sprayed.select_related("stand").order_by("sprayed_at"), "stand_id")
        self._ions: dict[uuid.UUID, core.WaterIons] = {}

    def ions(self, water: Water) -> core.WaterIons:
        """A water as the core knows it, worked out once."""
        if water.pk not in self._ions:
            self._ions[water.pk] = core_water(water)
        return self._ions[water.pk]


def _by(rows: Iterable[M], key: str) -> defaultdict[uuid.UUID, list[M]]:
    found: defaultdict[uuid.UUID, list[M]] = defaultdict(list)
    for row in rows:
        found[getattr(row, key)].append(row)
    return found


Samples = tuple[tuple[Reading, core.Sampled], ...]


def _told(
    kept: _Rows, fill: Fill, zone: ZoneInfo, known: Weather, water: tuple[float, ...]
) -> tuple[RootZone, Samples]:
    """One fill as the core knows it, and its readings beside their samples."""
    samples = tuple(
        (row, sample)
        for row in kept.readings[fill.subject_id]
        if (sample := _sampled(row, zone)) is not None
    )
    tests = kept.tests[fill.subject_id]
    strips = [_strip(row, zone) for row in tests if row.kind == FieldTest.Kind.NITRATE]
    open_m2 = core.rain_m2(fill.volume_l, fill.area_m2, fill.alike)
    root = RootZone(
        medium=core.medium(fill.medium),
        litres=medium_litres(fill),
        setting=setting_of(fill.place),
        rain_m2=0.0 if fill.place.covered else open_m2,
        filled_on=min(fill.filled_on, known.today),
        growing=tuple(_growing(row, kept, zone) for row in kept.stands[fill.pk]),
        poured=(
            *(_dose(row, zone, kept.ions(row.can.water)) for row in kept.doses[fill.pk]),
            *(_watering(row, zone, kept.ions(row.water)) for row in kept.waterings[fill.pk]),
        ),
        slow=tuple(_dressing(row, zone) for row in kept.dressings[fill.pk]),
        samples=(*(sample for _, sample in samples), *strips),
        water_mg_l=water,
        logs_all=fill.logs_waterings,
        felt=tuple(_felt(row, zone) for row in tests if row.kind == FieldTest.Kind.MOISTURE),
        tested=_tested(kept.soil[fill.pk], fill, known.today),
        seed=fill.pk.int % 2**31,
    )
    return root, samples


def _growing(row: Stand, kept: _Rows, zone: ZoneInfo) -> Growing:
    return Growing(
        grown=row.planting.grown,
        stages=core.spans(kept.clocks.read(row.planting)),
        plants=row.count,
        since=row.from_on,
        until=row.to_on or row.planting.ended_on,
        key=str(row.pk),
        sprayed=tuple(
            (one.sprayed_at.astimezone(zone).date(), entered_mg(one)) for one in kept.sprays[row.pk]
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


def _tested(rows: list[SoilTest], fill: Fill, today: date) -> tuple[core.Tested, ...]:
    """Tests by day; what was written later of one day counts."""
    days: dict[date, dict[str, float]] = {}
    for row in rows:
        if row.tested_on <= today:
            read = core.read_soil_test(row.values, row.unit, core.medium(fill.medium))
            days.setdefault(max(row.tested_on, fill.filled_on), {}).update(read.mg_l)
    return tuple(core.Tested(on, tuple(found.items())) for on, found in days.items())


def _felt(row: FieldTest, zone: ZoneInfo) -> core.Felt:
    return core.Felt(
        on=row.taken_at.astimezone(zone).date(), word=row.word, hour=_hour(row.taken_at, zone)
    )
