"""A fill's root zone as the core follows it: all that came in, grew there and was read."""

from __future__ import annotations

import uuid
from collections.abc import Collection, Iterable, Mapping, Sequence
from dataclasses import dataclass
from datetime import date, datetime, timedelta
from typing import TypeVar
from zoneinfo import ZoneInfo

from django.db.models import Model, Q

from dace.core import api as core
from dace.core.api import DaceError, Followed, Growing, RootZone
from dace.feeding.gifts import content_of_dry, entered_mg
from dace.feeding.models import Can, CanPart, Dose, Dressing, Spray, Watering
from dace.garden.clocks import Clocks, clocks
from dace.garden.models import (
    Fill,
    Garden,
    OwnWeather,
    Place,
    Planting,
    SoilTest,
    StageSeen,
    Stand,
    Water,
)
from dace.garden.reads import (
    core_water,
    garden_of,
    medium_litres,
    setting_of,
    standing_fills,
    waters,
)
from dace.garden.weather import Weather, weather
from dace.households.scope import NotFoundError, Scope
from dace.households.version import remembered
from dace.measuring.models import FieldTest, Pen, Reading
from dace.measuring.reads import pen_reading
from dace.shelf.models import Brew, Jar
from dace.shelf.reads import composition_of

_BACK, _SLOW = timedelta(days=120), timedelta(days=750)
M = TypeVar("M", bound=Model)
_By = Mapping[uuid.UUID, tuple[M, ...]]


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
    """Follow several fills at once, in the order asked for; some twenty queries for any number.

    Two where nothing changed; one more for each blended water.
    """
    rows = standing_fills(scope).filter(pk__in=fill_ids)
    fills = {fill.pk: fill for fill in rows.select_related("place")}
    chosen = [fills[key] for key in fill_ids if key in fills]
    known, zone = weather(scope, garden), ZoneInfo(garden.zone)
    kept = _Rows(scope)
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
        )
        for fill, one, (_, samples) in zip(chosen, followed, told, strict=True)
    )


@remembered(Dose, Can, CanPart, Water, Jar, Brew, Watering, Dressing, Spray, Stand)
def _given(scope: Scope) -> tuple[_By[Dose], _By[Watering], _By[Dressing], _By[Spray]]:
    """What was poured and spread by fill, and sprayed by stand; six queries."""
    since = scope.now - _BACK
    doses = Dose.objects.of(scope).filter(poured_at__gte=since).order_by("poured_at")
    doses = doses.select_related("can__water").prefetch_related("can__parts__jar__brew")
    poured = Watering.objects.of(scope).filter(poured_at__gte=since).order_by("poured_at")
    dry = Dressing.objects.of(scope).filter(given_at__gte=scope.now - _SLOW).order_by("given_at")
    sprayed = Spray.objects.of(scope).filter(sprayed_at__gte=since).order_by("sprayed_at")
    return (
        _by(doses, "fill_id"),
        _by(poured.select_related("water"), "fill_id"),
        _by(dry.select_related("jar"), "fill_id"),
        _by(sprayed.select_related("stand"), "stand_id"),
    )


@remembered(Reading)
def _readings(scope: Scope) -> _By[Reading]:
    rows = Reading.objects.weighing(scope).filter(taken_at__gte=scope.now - _BACK)
    return _by(rows.order_by("taken_at", "created_at"), "subject_id")


@remembered(FieldTest, SoilTest)
def _tests(scope: Scope) -> tuple[_By[FieldTest], _By[SoilTest]]:
    """Tests in the field by subject, of the soil by fill; two queries."""
    tests = FieldTest.objects.of(scope).filter(taken_at__gte=scope.now - _BACK)
    soil = SoilTest.objects.of(scope).order_by("tested_on", "created_at")
    return _by(tests.order_by("taken_at"), "subject_id"), _by(soil, "fill_id")


@remembered(Stand, Planting, StageSeen, Fill, Place, Garden, OwnWeather, Pen)
def _grown(scope: Scope) -> tuple[_By[Stand], Clocks]:
    """What grew where, and how far it is; five queries."""
    since = scope.now - _BACK
    stands = Stand.objects.of(scope).filter(planting__undone_at__isnull=True)
    here = stands.filter(Q(to_on__isnull=True) | Q(to_on__gte=since.date()))
    found = _by(here.select_related("planting").order_by("from_on", "created_at"), "fill_id")
    plantings = {row.planting_id for rows in found.values() for row in rows}
    return found, clocks(scope, garden_of(scope), plantings)


class _Rows:
    """Everything that bears on the household's fills, by fill or by its subject."""

    def __init__(self, scope: Scope) -> None:
        self.doses, self.waterings, self.dressings, self.sprays = _given(scope)
        self.readings = _readings(scope)
        self.tests, self.soil = _tests(scope)
        self.stands, self.clocks = _grown(scope)
        self._ions: dict[uuid.UUID, core.WaterIons] = {}

    def ions(self, water: Water) -> core.WaterIons:
        """A water as the core knows it, worked out once."""
        if water.pk not in self._ions:
            self._ions[water.pk] = core_water(water)
        return self._ions[water.pk]


def _by(rows: Iterable[M], key: str) -> _By[M]:
    found: dict[uuid.UUID, list[M]] = {}
    for row in rows:
        found.setdefault(getattr(row, key), []).append(row)
    return {key: tuple(of) for key, of in found.items()}


Samples = tuple[tuple[Reading, core.Sampled], ...]


def _told(
    kept: _Rows, fill: Fill, zone: ZoneInfo, known: Weather, water: tuple[float, ...]
) -> tuple[RootZone, Samples]:
    """One fill as the core knows it, and its readings beside their samples."""
    samples = tuple(
        (row, sample)
        for row in kept.readings.get(fill.subject_id, ())
        if (sample := _sampled(row, zone)) is not None
    )
    tests = kept.tests.get(fill.subject_id, ())
    strips = [_strip(row, zone) for row in tests if row.kind == FieldTest.Kind.NITRATE]
    open_m2 = core.rain_m2(fill.volume_l, fill.area_m2, fill.alike)
    root = RootZone(
        medium=core.medium(fill.medium),
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
        slow=tuple(_dressing(row, zone) for row in kept.dressings.get(fill.pk, ())),
        samples=(*(sample for _, sample in samples), *strips),
        water_mg_l=water,
        logs_all=fill.logs_waterings,
        felt=tuple(_felt(row, zone) for row in tests if row.kind == FieldTest.Kind.MOISTURE),
        tested=_tested(kept.soil.get(fill.pk, ()), fill, known.today),
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


def _tested(rows: Sequence[SoilTest], fill: Fill, today: date) -> tuple[core.Tested, ...]:
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
