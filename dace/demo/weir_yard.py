"""Builds Weir Yard, through the same services as any garden.

What grows and what was fed stands in ``weir_yard.toml``. What the pen showed is
the can's own expectation, or what the simulated pots drain, off by a seeded error.
"""

from __future__ import annotations

import random
import tomllib
import uuid
from dataclasses import replace
from datetime import date, datetime, timedelta
from importlib import resources
from zoneinfo import ZoneInfo

from django.db import transaction

from dace.core.api import Label, PenReading, estimate, usual_measures
from dace.demo.keys import Table, key
from dace.demo.watched import Watched
from dace.desks.notebook.dip import dip
from dace.feeding.dressing import Dry, give_dressing
from dace.feeding.mixing import NewCan
from dace.feeding.models import Dose
from dace.feeding.services import NewDose, mix_and_pour
from dace.garden.growing import Seen, repeat_every, see_stage
from dace.garden.models import Fill, Garden, Place, Planting, Stand
from dace.garden.placing import NewFill, NewPlace, empty_fill, save_fill, save_place
from dace.garden.planting import Move, NewPlanting, move, plant
from dace.garden.services import (
    NewGarden,
    NewVessel,
    NewWater,
    save_garden,
    save_measure,
    save_vessel,
    save_water,
)
from dace.garden.soil import NewSoilTest, keep_soil_test
from dace.households.models import Household, Membership, User
from dace.households.scope import Scope
from dace.measuring.services import NewPen, NewReading, calibrate, log_reading, save_pen
from dace.shelf.brewing import NewBrew, Said, do_step, start_brew
from dace.shelf.brews import core_recipe
from dace.shelf.models import Brew
from dace.shelf.services import NewJar, save_jar
from dace.shelf.straining import Strained, strain

_SEED = 14072026
_PEN_ERROR, _POT_ERROR = 0.03, 0.08
_DRAINS_AFTER = timedelta(days=5)
_BEGAN = date(2026, 2, 1)


def build() -> Household:
    """Weir Yard from nothing, in one transaction.

    Returns
    -------
    Household
        The demo's.
    """
    text = (resources.files(__package__) / "weir_yard.toml").read_text(encoding="utf-8")
    yard = tomllib.loads(text)
    with transaction.atomic():
        household = Household.objects.create(
            id=key("household"), name=yard["garden"]["name"], is_demo=True
        )
        user = User(username="weir-yard")
        user.set_unusable_password()
        user.save()
        Membership.objects.create(user=user, household=household)
        _Builder(household, user, yard).build()
    return household


class _Builder:
    """Carries the household and the seeded error along."""

    def __init__(self, household: Household, user: User, yard: Table) -> None:
        self.yard = yard
        self.zone = ZoneInfo(yard["garden"]["zone"])
        self.base = Scope(household.pk, user.pk, datetime(2026, 2, 1, tzinfo=self.zone), demo=True)
        self.error = random.Random(_SEED)  # noqa: S311 - repeatable, not secret
        self.stands: dict[str, Stand] = {}

    def build(self) -> None:
        garden = self._garden()
        for jar in self.yard["jars"]:
            self._jar(jar)
        for place in self.yard["places"]:
            self._place(garden, place)
        self._spring_pots()
        for place in self.yard["places"]:
            for grows in dict.fromkeys(spot["grows"] for spot in place["spots"]):
                spots = [spot for spot in place["spots"] if spot["grows"] == grows]
                self._plant(garden, place["name"], spots)
        empty_fill(self._at(date(2026, 5, 23)), key(self.yard["spring_pots"]["name"]))
        self._slow_feeds()
        for brew in self.yard["brews"]:
            self._brew(brew)
        self._weeks()
        Watched(self._at, self.stands, self.yard).write()
        seedlings = self.yard["seedlings"]
        self._feed(seedlings["day"], 0, seedlings["feed"])

    def _at(self, day: date, hour: int = 18, minute: int = 0) -> Scope:
        moment = datetime(day.year, day.month, day.day, hour, minute, tzinfo=self.zone)
        return replace(self.base, now=moment)

    def _garden(self) -> Garden:
        table, scope = self.yard["garden"], self._at(_BEGAN)
        named = NewGarden(table["name"], table["zone"], table["latitude"])
        garden = save_garden(scope, key("garden"), named)
        for turn, water in enumerate(table["water"]):
            save_water(scope, garden, key(water["name"]), NewWater(usual=turn == 0, **water))
        for kind in ("can", "sprayer"):
            for turn, (name, volume_l) in enumerate(table[f"{kind}s"].items()):
                new_one = NewVessel(name, volume_l, kind, usual=kind == "can" and turn == 0)
                save_vessel(scope, garden, key(name), new_one)
        pen = table["pen"]
        save_pen(self._at(date(2026, 7, 1)), key(pen["name"]), NewPen(**pen))
        calibrate(self._at(date(2026, 7, 1)), key(pen["name"]))
        for measure in usual_measures(garden.measures):
            save_measure(scope, garden, key(measure.name), measure)
        return garden

    def _jar(self, jar: Table) -> None:
        label = dict(jar["label"])
        for name in ("nitrogen", "also"):
            if name in label:
                label[name] = tuple(label[name].items())
        minute = self.yard["jars"].index(jar)
        more = ("dissolves", "slow", "spoon_g", "material")
        rest = {name: jar[name] for name in more if name in jar}
        new = NewJar(jar["name"], Label(**label), jar["holds"], jar["stock"], **rest)
        save_jar(self._at(_BEGAN, 10, minute), key(jar["name"]), new)

    def _place(self, garden: Garden, place: Table) -> None:
        name, spots = place["name"], place["spots"]
        sizes = ("volume_l", "area_m2", "alike", "ph", "name")
        scope = self._at(_BEGAN + timedelta(days=1))
        new = NewPlace(name, place["kind"], place.get("covered", False))
        row = save_place(scope, garden, key(name), new)
        for spot in spots:
            since = min(spot["started"], date(2026, 4, 1))
            sized = {size: spot[size] for size in sizes if size in spot}
            fill = NewFill(spot["medium"], since, **sized)
            save_fill(scope, row, key(f"fill {spot.get('name', name)}"), fill)

    def _spring_pots(self) -> None:
        table = dict(self.yard["spring_pots"])
        place = Place.objects.get(pk=key(table.pop("place")))
        table.pop("emptied")
        new = NewFill(filled_on=_BEGAN, **table)
        save_fill(self._at(_BEGAN + timedelta(days=1)), place, key(new.name), new)

    def _plant(self, garden: Garden, place: str, spots: list[Table]) -> None:
        first = spots[0]
        stands, unfed = [], []
        began: list[tuple[uuid.UUID, Fill, int]] = []
        for spot in spots:
            fed = spot.get("fed", True)
            stand_id = key(f"stand {spot['grows']} {'fed' if fed else 'unfed'}")
            fill = Fill.objects.get(pk=key(f"fill {spot.get('name', place)}"))
            stands.append((stand_id, fill, spot["count"]))
            if "planted_out" in spot:
                pots = Fill.objects.get(pk=key(self.yard["spring_pots"]["name"]))
                began[-1:] = [(key(f"pots {spot['grows']}"), pots, spot["count"])]
            if not fed:
                unfed.append(stand_id)
        new = NewPlanting(
            id=key(f"planting {first['grows']}"),
            garden=garden,
            crop=first["crop"],
            started_on=first["started"],
            stage=first["stage"],
            seen_on=first["since"],
            stands=tuple(began or stands),
            unfed=tuple(unfed),
        )
        row = plant(self._at(first["since"], 9), new)
        self._looked_a_week_before(first, row)
        if "planted_out" in first:
            self._plant_out(first, stands[0])
        if "looked" in first:
            day, look_id = first["looked"], key(f"look {first['grows']}")
            see_stage(self._at(day, 9), Seen(look_id, row.pk, first["stage"], day))
        if "repeat" in first:
            repeat_every(self._at(first["since"], 10), row.pk, first["repeat"])
        found = Stand.objects.select_related("fill").get(pk=stands[0][0])
        self.stands[first["grows"]] = found

    def _looked_a_week_before(self, spot: Table, row: Planting) -> None:
        """She walks the path every week, but for some: what she saw begin had not a week before."""
        keys = [stage.key for stage in row.grown.stages]
        at, day = keys.index(spot["stage"]), spot["since"] - timedelta(days=7)
        if at > 0 and day >= spot["started"] and not spot.get("seldom"):
            look_id = key(f"look before {spot['grows']}")
            see_stage(self._at(spot["since"], 9, 5), Seen(look_id, row.pk, keys[at - 1], day))

    def _plant_out(self, spot: Table, to: tuple[uuid.UUID, Fill, int]) -> None:
        stand_id, fill, count = to
        pots = key(f"pots {spot['grows']}")
        day = spot["planted_out"]
        move(self._at(day, 11), Move(stand_id, pots, fill.pk, count, day))

    def _slow_feeds(self) -> None:
        """Dry feeds, and the one test of soil."""
        for table in self.yard["dressings"]:
            stand = self.stands[table["grows"]]
            jar_id = key(table["jar"]) if "jar" in table else None
            dry = Dry(stand.pk, table["said"], jar_id, table.get("material", ""))
            row_id = key(f"dressing {table['grows']} {table['day']}")
            give_dressing(self._at(table["day"], 12), row_id, dry, "metric")
        test = self.yard["soil_test"]
        new = NewSoilTest(key("soil test"), test["unit"], test["values"], test["day"])
        keep_soil_test(self._at(test["day"], 15), key(f"fill {test['fill']}"), new)

    def _brew(self, table: Table) -> None:
        """A brew with what was done with it, read and bottled."""
        name, begun = table["name"], table["begun"]
        new = NewBrew(
            name=name,
            method=table["method"],
            ingredients=tuple(Said(**item) for item in table["ingredients"]),
            volume_l=table["volume_l"],
            water_id=key(table["water"]),
            temperature_c=table.get("temperature_c", 16.0),
            acid_percent=table.get("acid_percent", 0.0),
        )
        brew = start_brew(self._at(begun, 17), key(name), new, "metric")
        for step in table["steps"]:
            for day in step["days"]:
                scope = self._at(begun + timedelta(days=day), 17, 30)
                do_step(scope, key(f"{name} {step['kind']} {day}"), brew.pk, step["kind"])
        for reading in table.get("readings", ()):
            self._read_brew(brew, begun + timedelta(days=reading["day"]), reading)
        if "strained" in table:
            told = dict(table["strained"])
            scope = self._at(begun + timedelta(days=told.pop("day")), 18)
            strain(scope, brew.pk, Strained(key(told["name"]), told["litres"], told["name"]))

    def _read_brew(self, brew: Brew, day: date, reading: Table) -> None:
        """What the pen showed: what was expected, off by as much as a pen is."""
        found = estimate(core_recipe(brew), reading["day"])
        shown = found.ec.likely[-1] / (1 + reading["parts"]) * 1.08
        shown *= 1 + self.error.gauss(0, _PEN_ERROR)
        pen = PenReading(round(shown, 2), parts_water=reading["parts"])
        row_id = key(f"reading {brew.name} {day}")
        log_reading(self._at(day, 18), NewReading(row_id, brew.subject_id, pen))

    def _weeks(self) -> None:
        """Feed, read some cans, and read what drains once it has settled."""
        feeding = self.yard["feeding"]
        for week, day in enumerate(feeding["days"]):
            for turn, feed in enumerate(feeding["feeds"]):
                dose = self._feed(day, 4 * turn, feed)
                if week < feed.get("read", 1):
                    shown = dose.can.ec_likely * (1 + self.error.gauss(0, _PEN_ERROR))
                    scope = self._at(day, 18, 4 * turn + 1)
                    self._read(scope, dose.can.subject_id, shown, "feed_solution")
                self._drain(day + _DRAINS_AFTER, turn, dose)

    def _feed(self, day: date, minute: int, feed: Table) -> Dose:
        stand = self.stands[feed["grows"]]
        can = NewCan(
            key(f"can {feed['grows']} {day}"),
            key(feed["jar"]),
            key("hard tap"),
            feed["vessel_l"],
            feed["strength"],
        )
        dose = NewDose(
            key(f"dose {feed['grows']} {day}"), stand.pk, stand.count, feed["litres_each"]
        )
        return mix_and_pour(self._at(day, 18, minute), can, dose)

    def _drain(self, day: date, turn: int, dose: Dose) -> None:
        """What the yard's pen shows of what drains once a feed has settled."""
        scope, subject_id = self._at(day, 19, turn), dose.fill.subject_id
        shown = (
            dip(scope, key(self.yard["garden"]["pen"]["name"]), subject_id, False).value
            * self._one_pot()
        )
        self._read(scope, subject_id, shown, "pour_through")

    def _one_pot(self) -> float:
        """One sample beside another of the same pot."""
        return 1 + self.error.gauss(0, _POT_ERROR)

    def _read(self, scope: Scope, subject_id: uuid.UUID, value: float, method: str) -> None:
        pen = PenReading(round(value, 2), method=method)
        log_reading(scope, NewReading(key(f"reading {subject_id} {scope.now}"), subject_id, pen))
