"""The rows that bear on root zones, remembered until one of their tables is written to."""

from __future__ import annotations

import uuid
from collections.abc import Iterable, Mapping
from datetime import timedelta
from typing import TypeVar

from django.db.models import Model, Q

from dace.core import api as core
from dace.feeding.models import Can, CanPart, Dose, Dressing, Spray, Spread, Watering
from dace.garden.clocks import Clocks, clocks
from dace.garden.going import aways
from dace.garden.models import (
    Fill,
    Garden,
    GreenStand,
    OwnWeather,
    Place,
    Planting,
    SoilTest,
    StageSeen,
    Stand,
    Water,
)
from dace.garden.reads import core_water, garden_of
from dace.households.scope import Scope
from dace.households.version import remembered
from dace.measuring.models import FieldTest, Pen, Reading
from dace.shelf.models import Brew, Jar

_BACK, _SLOW = timedelta(days=120), timedelta(days=750)
M = TypeVar("M", bound=Model)
By = Mapping[uuid.UUID, tuple[M, ...]]


@remembered(Dose, Can, CanPart, Water, Jar, Brew, Watering, Dressing, Spray, Stand)
def _given(scope: Scope) -> tuple[By[Dose], By[Watering], By[Dressing], By[Spray]]:
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
def _readings(scope: Scope) -> By[Reading]:
    rows = Reading.objects.weighing(scope).filter(taken_at__gte=scope.now - _BACK)
    return _by(rows.order_by("taken_at", "created_at"), "subject_id")


@remembered(GreenStand, Spread, Jar)
def _on_beds(scope: Scope) -> tuple[By[GreenStand], By[Spread]]:
    """Green manure, and what was spread, by fill; two queries."""
    since = (scope.now - _SLOW).date()
    green = GreenStand.objects.of(scope).filter(Q(cut_on__isnull=True) | Q(cut_on__gte=since))
    laid = Spread.objects.of(scope).filter(laid_on__gte=since).select_related("jar")
    return (
        _by(green.order_by("sown_on", "created_at"), "fill_id"),
        _by(laid.order_by("laid_on", "created_at"), "fill_id"),
    )


@remembered(FieldTest, SoilTest)
def _tests(scope: Scope) -> tuple[By[FieldTest], By[SoilTest]]:
    """Tests in the field by subject, of the soil by fill; two queries."""
    tests = FieldTest.objects.of(scope).filter(taken_at__gte=scope.now - _BACK)
    soil = SoilTest.objects.of(scope).order_by("tested_on", "created_at")
    return _by(tests.order_by("taken_at"), "subject_id"), _by(soil, "fill_id")


@remembered(Stand, Planting, StageSeen, Fill, Place, Garden, OwnWeather, Pen)
def _grown(scope: Scope) -> tuple[By[Stand], Clocks]:
    """What grew where, and how far it is; five queries."""
    since = scope.now - _BACK
    stands = Stand.objects.of(scope).filter(planting__undone_at__isnull=True)
    here = stands.filter(Q(to_on__isnull=True) | Q(to_on__gte=since.date()))
    found = _by(here.select_related("planting").order_by("from_on", "created_at"), "fill_id")
    plantings = {row.planting_id for rows in found.values() for row in rows}
    return found, clocks(scope, garden_of(scope), plantings)


class Rows:
    """Everything that bears on the household's fills, by fill or by its subject."""

    def __init__(self, scope: Scope) -> None:
        self.doses, self.waterings, self.dressings, self.sprays = _given(scope)
        self.aways = aways(scope, scope.now.date())
        self.green, self.spreads = _on_beds(scope)
        self.readings = _readings(scope)
        self.tests, self.soil = _tests(scope)
        self.stands, self.clocks = _grown(scope)
        self._ions: dict[uuid.UUID, core.WaterIons] = {}

    def ions(self, water: Water) -> core.WaterIons:
        """A water as the core knows it, worked out once."""
        if water.pk not in self._ions:
            self._ions[water.pk] = core_water(water)
        return self._ions[water.pk]


def _by(rows: Iterable[M], key: str) -> By[M]:
    found: dict[uuid.UUID, list[M]] = {}
    for row in rows:
        found.setdefault(getattr(row, key), []).append(row)
    return {key: tuple(of) for key, of in found.items()}
