"""Weir Yard: a walled yard behind an old water mill, made up for Dace.

Written through the same services as any garden, with a few weeks of doses and
readings. What the pen showed is the core's own expectation, off by a seeded
error of the size a pen makes. No person, brand or place in it is real.
"""

from __future__ import annotations

import random
import uuid
from dataclasses import dataclass, replace
from datetime import date, datetime, timedelta
from zoneinfo import ZoneInfo

from django.db import transaction

from dace.core.api import Label, PenReading
from dace.feeding.models import Dose
from dace.feeding.services import NewCan, NewDose, mix_and_pour
from dace.garden.models import Fill, Garden, Stand
from dace.garden.services import (
    NewFill,
    NewGarden,
    NewPlace,
    NewPlanting,
    NewWater,
    add_garden,
    add_place,
    add_vessel,
    add_water,
    plant,
)
from dace.households.models import Household, Membership, User
from dace.households.scope import Scope
from dace.measuring.services import NewReading, log_reading
from dace.shelf.services import NewJar, add_jar

TODAY = date(2026, 7, 14)
ZONE = "Europe/London"
_SEED = 14072026
_PEN_ERROR = 0.03
_POT_ERROR = 0.08
_ROOT = uuid.UUID("da0ce000-0000-4000-8000-000000000000")


def key(name: str) -> uuid.UUID:
    """The id of a demo thing, the same each time it is built."""
    return uuid.uuid5(_ROOT, name)


@dataclass(frozen=True)
class _Spot:
    """A fill and what grows in it: crop, count, stage, since."""

    name: str
    medium: str
    grows: str
    crop: str
    count: int
    stage: str
    since: date
    started: date
    volume_l: float | None = None
    area_m2: float | None = None
    alike: int = 1
    ph: float | None = None
    fed: bool = True


def _day(month: int, day: int) -> date:
    return date(2026, month, day)


_PLACES: tuple[tuple[str, str, bool, tuple[_Spot, ...]], ...] = (
    (
        "Sluice bed",
        "raised",
        False,
        (
            _Spot(
                "Sluice bed, chard end",
                "raised_compost",
                "chard",
                "chard",
                12,
                "harvest",
                _day(7, 1),
                _day(4, 12),
                650,
                2.2,
                ph=6.6,
            ),
            _Spot(
                "Sluice bed, leek end",
                "raised_compost",
                "leek",
                "leek",
                30,
                "vegetative",
                _day(7, 4),
                _day(3, 20),
                650,
                2.1,
                ph=6.6,
            ),
        ),
    ),
    (
        "Quay tub 1",
        "tub",
        False,
        (
            _Spot(
                "",
                "peat_free_mix",
                "aubergine 1",
                "aubergine",
                4,
                "vegetative",
                _day(6, 20),
                _day(3, 2),
                40,
            ),
        ),
    ),
    (
        "Quay tub 2",
        "tub",
        False,
        (
            _Spot(
                "",
                "peat_free_mix",
                "aubergine 2",
                "aubergine",
                4,
                "flowering",
                _day(7, 6),
                _day(2, 24),
                40,
            ),
        ),
    ),
    (
        "Quay tub 3",
        "tub",
        False,
        (
            _Spot(
                "",
                "peat_free_mix",
                "chilli 3",
                "chilli",
                6,
                "fruit_set",
                _day(7, 8),
                _day(2, 16),
                40,
            ),
        ),
    ),
    (
        "Step",
        "pot",
        False,
        (
            _Spot(
                "Step, fed pots",
                "peat_free_mix",
                "step chilli",
                "chilli",
                3,
                "flowering",
                _day(7, 2),
                _day(2, 20),
                6,
                alike=3,
            ),
            _Spot(
                "Step, unfed pots",
                "peat_free_mix",
                "step chilli",
                "chilli",
                3,
                "flowering",
                _day(7, 2),
                _day(2, 20),
                6,
                alike=3,
                fed=False,
            ),
        ),
    ),
    (
        "Gutter",
        "basket",
        False,
        (
            _Spot(
                "", "coir", "strawberry", "strawberry", 10, "wind_down", _day(7, 3), _day(3, 28), 30
            ),
        ),
    ),
    (
        "Wall bed",
        "bed",
        False,
        (
            _Spot(
                "",
                "clay_soil",
                "runner bean",
                "runner_bean",
                16,
                "flowering",
                _day(7, 5),
                _day(5, 10),
                area_m2=3.2,
                ph=7.7,
            ),
        ),
    ),
    (
        "Cold frame",
        "frame",
        True,
        (
            _Spot(
                "Cold frame, cucumber",
                "old_mix",
                "cucumber",
                "cucumber",
                2,
                "harvest",
                _day(7, 1),
                _day(4, 20),
                60,
            ),
            _Spot(
                "Cold frame, melon",
                "old_mix",
                "melon",
                "melon",
                2,
                "fruit_set",
                _day(7, 9),
                _day(4, 25),
                60,
            ),
        ),
    ),
    (
        "Loft sill",
        "tray",
        True,
        (
            _Spot(
                "Loft sill, lettuce tray",
                "seed_mix",
                "lettuce",
                "lettuce",
                24,
                "seedling",
                _day(7, 3),
                _day(6, 26),
                5,
            ),
            _Spot(
                "Loft sill, kale tray",
                "seed_mix",
                "kale",
                "kale",
                12,
                "seedling",
                _day(7, 6),
                _day(6, 28),
                4,
            ),
            _Spot(
                "Loft sill, basil",
                "peat_free_mix",
                "basil",
                "basil",
                8,
                "vegetative",
                _day(6, 30),
                _day(5, 18),
                8,
            ),
        ),
    ),
)

_LIQUID = "Fruiting liquid 4-3-8"
_CRYSTALS = "Balanced crystals 16-8-24+Mg"
_JARS: tuple[tuple[str, Label, float, float, bool], ...] = (
    (
        _LIQUID,
        Label(
            4,
            3,
            8,
            density_g_per_ml=1.15,
            nitrogen=(("nitrate", 1.6), ("ammonium", 0.8), ("urea", 1.6)),
        ),
        1000,
        950,
        True,
    ),
    (
        _CRYSTALS,
        Label(
            16,
            8,
            24,
            form="solid",
            nitrogen=(("nitrate", 7.0), ("ammonium", 3.0), ("urea", 6.0)),
            also=(("mgo", 2.0),),
        ),
        500,
        410,
        True,
    ),
    ("Potassium sulfate", Label(0, 0, 50, form="solid", also=(("S", 18.0),)), 500, 480, True),
    (
        "Pelleted poultry manure 4-3-2",
        Label(4, 3, 2, form="solid", nitrogen=(("organic", 3.4), ("ammonium", 0.6))),
        5000,
        3600,
        False,
    ),
    (
        "Seaweed meal",
        Label(1, 0.2, 2, form="solid", nitrogen=(("organic", 1.0),)),
        2000,
        1500,
        False,
    ),
    (
        "Coated granules 15-9-12",
        Label(15, 9, 12, form="solid", nitrogen=(("nitrate", 7.0), ("ammonium", 8.0))),
        750,
        700,
        False,
    ),
)

_WEEKS = (_day(6, 16), _day(6, 23), _day(6, 30), _day(7, 7))
# what is fed each week: stand, jar, strength, vessel [L], litres for each plant
_FEEDS: tuple[tuple[str, str, str, float, float], ...] = (
    ("aubergine 1", _LIQUID, "1 + 500", 5, 1.0),
    ("aubergine 2", _LIQUID, "1 + 400", 9, 1.5),
    ("chilli 3", _LIQUID, "1 + 400", 5, 0.7),
    ("step chilli", _LIQUID, "1 + 450", 2, 0.5),
    ("cucumber", _CRYSTALS, "0.6 g/L", 5, 2.0),
)
_SEEDLING_FEED = ("lettuce", _CRYSTALS, "0.2 g/L", 2.0, 0.03)
_DRAINS = ("aubergine 1", "aubergine 2", "chilli 3", "step chilli", "cucumber")


class _Builder:
    """Carries the household and the seeded error along."""

    def __init__(self, household: Household, user: User) -> None:
        self.base = Scope(household.pk, user.pk, datetime(2026, 2, 1, tzinfo=ZoneInfo(ZONE)))
        self.error = random.Random(_SEED)  # noqa: S311 - repeatable, not secret
        self.stands: dict[str, Stand] = {}

    def at(self, day: date, hour: int = 18, minute: int = 0) -> Scope:
        moment = datetime(day.year, day.month, day.day, hour, minute, tzinfo=ZoneInfo(ZONE))
        return replace(self.base, now=moment)

    def garden(self) -> Garden:
        scope = self.at(_day(2, 1))
        garden = add_garden(scope, NewGarden(key("garden"), "Weir Yard", ZONE, 51.0))
        report = {
            "Ca": 105.0,
            "Mg": 6.0,
            "alkalinity_caco3": 240.0,
            "Na": 22.0,
            "Cl": 38.0,
            "S_SO4": 13.0,
        }
        add_water(scope, NewWater(key("tap"), garden, "hard tap", report=report, usual=True))
        add_water(scope, NewWater(key("butt"), garden, "rain butt", ec_ms_cm=0.06))
        add_vessel(scope, key("can 9"), garden, "9-litre can", 9.0, usual=True)
        add_vessel(scope, key("can 5"), garden, "5-litre can", 5.0)
        add_vessel(scope, key("jug 2"), garden, "2-litre jug", 2.0)
        for minute, (name, label, holds, stock, dissolves) in enumerate(_JARS):
            add_jar(
                self.at(_day(2, 1), 10, minute),
                NewJar(key(name), name, label, holds, stock, dissolves),
            )
        return garden

    def place(
        self, garden: Garden, name: str, kind: str, covered: bool, spots: tuple[_Spot, ...]
    ) -> None:
        fills = tuple(
            NewFill(
                key(f"fill {s.name or name}"),
                s.medium,
                min(s.started, _day(4, 1)),
                s.volume_l,
                s.area_m2,
                s.alike,
                s.ph,
                s.name,
            )
            for s in spots
        )
        place = NewPlace(key(name), garden, name, kind, covered)
        add_place(self.at(_day(2, 2)), place, fills)
        grown: dict[str, list[_Spot]] = {}
        for spot in spots:
            grown.setdefault(spot.grows, []).append(spot)
        for grows, members in grown.items():
            self._plant(garden, name, grows, members)

    def _plant(self, garden: Garden, place: str, grows: str, spots: list[_Spot]) -> None:
        first = spots[0]
        stands = tuple(
            (
                key(f"stand {s.grows} {'fed' if s.fed else 'unfed'}"),
                Fill.objects.get(pk=key(f"fill {s.name or place}")),
                s.count,
            )
            for s in spots
        )
        unfed = tuple(stand[0] for stand, s in zip(stands, spots, strict=True) if not s.fed)
        new = NewPlanting(
            key(f"planting {grows}"),
            garden,
            first.crop,
            first.started,
            first.stage,
            first.since,
            stands,
            unfed,
        )
        plant(self.at(first.since, 9), new)
        self.stands[grows] = Stand.objects.select_related("fill").get(pk=stands[0][0])

    def feed(self, day: date, minute: int, feed: tuple[str, str, str, float, float]) -> Dose:
        grows, jar, strength, vessel_l, each = feed
        stand = self.stands[grows]
        can = NewCan(key(f"can {grows} {day}"), key(jar), key("tap"), vessel_l, strength)
        dose = NewDose(key(f"dose {grows} {day}"), stand.pk, stand.count, each)
        return mix_and_pour(self.at(day, 18, minute), can, dose)

    def read(self, scope: Scope, subject_id: uuid.UUID, value: float, method: str) -> None:
        pen = PenReading(round(value, 2), method=method)
        log_reading(scope, NewReading(key(f"reading {subject_id} {scope.now}"), subject_id, pen))

    def weeks(self) -> None:
        """Feed, read one can a week, and read what drains two days later."""
        for week, day in enumerate(_WEEKS):
            for turn, feed in enumerate(_FEEDS):
                dose = self.feed(day, 4 * turn, feed)
                if turn == week or feed[0] == "aubergine 2":
                    shown = dose.can.ec_likely * (1 + self.error.gauss(0, _PEN_ERROR))
                    self.read(
                        self.at(day, 18, 4 * turn + 1), dose.can.subject_id, shown, "feed_solution"
                    )
                if feed[0] in _DRAINS:
                    self._drain(day + timedelta(days=2), turn, dose, week)
        self.feed(_day(7, 10), 0, _SEEDLING_FEED)

    def _drain(self, day: date, turn: int, dose: Dose, week: int) -> None:
        """At home strength the drain settles near one and a half times the feed, slowly."""
        factor = 1.2 + 0.1 * week
        shown = factor * dose.can.ec_likely * (1 + self.error.gauss(0, _POT_ERROR))
        self.read(self.at(day, 19, turn), dose.fill.subject_id, shown, "pour_through")


def build() -> Household:
    """Weir Yard from nothing, in one transaction.

    Returns
    -------
    Household
        The demo's.
    """
    with transaction.atomic():
        household = Household.objects.create(id=key("household"), name="Weir Yard", is_demo=True)
        user = User(username="weir-yard")
        user.set_unusable_password()
        user.save()
        Membership.objects.create(user=user, household=household)
        builder = _Builder(household, user)
        garden = builder.garden()
        for name, kind, covered, spots in _PLACES:
            builder.place(garden, name, kind, covered, spots)
        builder.weeks()
    return household
