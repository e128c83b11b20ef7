"""Builds Weir Yard as it stands on a day, through the same services as any garden.

What is done in it stands in ``weir_yard.toml``, what was fed in ``weir_yard_fed.csv``: all of it
dated, and nothing after the day is done. What the pen showed is the can's own expectation, or
what the simulated pots drain, off by a seeded error.
"""

from __future__ import annotations

import random
import tomllib
import uuid
from collections.abc import Callable, Iterable
from dataclasses import replace
from datetime import date, datetime, time, timedelta
from hashlib import sha256
from importlib import resources
from zoneinfo import ZoneInfo

from django.db import transaction

from dace.core.api import Label, PenReading, estimate, usual_measures
from dace.demo.fed import EVENING, FILE, Fed, evening, give, rows_of, text_of
from dace.demo.keys import Table, key
from dace.demo.solids import Solids
from dace.demo.watched import Watched
from dace.desks.notebook.dip import dip
from dace.feeding.dressing import Dry, give_dressing
from dace.garden.growing import Seen, repeat_every, see_stage
from dace.garden.models import Fill, Garden, Place, Stand
from dace.garden.placing import NewFill, NewPlace, empty_fill, save_fill, save_place
from dace.garden.planning import GardenFeeding, feed_garden_so
from dace.garden.planting import Move, NewPlanting, end_planting, move, plant
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
from dace.households import clock
from dace.households.models import Household, Membership, User
from dace.households.scope import Scope
from dace.households.services import forget_household
from dace.measuring.services import NewPen, NewReading, calibrate, log_reading, save_pen
from dace.shelf.as_core import core_recipe
from dace.shelf.brewing import NewBrew, Said, do_step, start_brew
from dace.shelf.models import Brew
from dace.shelf.services import NewJar, save_jar
from dace.shelf.straining import Strained, strain

_SEED = 14072027
_PEN_ERROR, _POT_ERROR = 0.03, 0.08
_BEGAN = date(2026, 2, 1)
_STORY_DAYS = 7

Done = tuple[datetime, Callable[[Scope], object]]
"""Something that was done, and when."""


def build(now: datetime | None = None) -> Household:
    """Weir Yard from nothing as it stands ``now``, in one transaction.

    Returns
    -------
    Household
        The demo's.
    """
    now = now or clock.now()
    yard = tomllib.loads(_text("weir_yard.toml"))
    with transaction.atomic():
        household = Household.objects.create(
            id=key("household"),
            name=yard["garden"]["name"],
            is_demo=True,
            built_as=built_as(now),
        )
        user = User(username="weir-yard")
        user.set_unusable_password()
        user.save()
        Membership.objects.create(user=user, household=household)
        builder = Builder(household, user, yard)
        for moment, do in builder.story(rows_of(_text(FILE))):
            if moment <= now or moment == clock.BEGAN:
                do(builder.at(moment))
    return household


def written_anew(until: date) -> str:
    """The feeding book, lived through anew up to a day: the story's lines, and the verdicts'.

    Leaves the database as it was.
    """
    told = [row for row in rows_of(_text(FILE)) if row.why == "story"]
    with transaction.atomic():
        for standing in Household.objects.filter(pk=key("household")):
            forget_household(standing)
        household = Household.objects.create(name="as it is lived through", is_demo=True)
        user = User.objects.create(username="lives through the yard's year")
        Membership.objects.create(user=user, household=household)
        builder = Builder(household, user, tomllib.loads(_text("weir_yard.toml")))
        rows = _lived(builder, told, until)
        transaction.set_rollback(True)
    return text_of(rows)


def _lived(builder: Builder, told: list[Fed], until: date) -> list[Fed]:
    """Every evening's lines, each written before anything of its evening is poured."""
    story, rows, at = builder.story([]), [], 0
    day = _BEGAN
    while day <= until:
        begins = builder.moment(day)
        while at < len(story) and story[at][0] < begins:
            moment, do = story[at]
            do(builder.at(moment))
            at += 1
        lines = [row for row in told if row.day == day]
        if day.weekday() == EVENING:
            lines += [
                row
                for row in evening(builder.at(begins), day, builder.grown)
                if not any(_in_story(row, one) for one in told)
            ]
        for moment, do in builder.fed(lines):
            do(builder.at(moment))
        rows += lines
        day += timedelta(days=1)
    return rows


def _in_story(row: Fed, told: Fed) -> bool:
    """Whether the story itself says what a planting gets in these days."""
    return row.grows == told.grows and abs((row.day - told.day).days) < _STORY_DAYS


def built_as(now: datetime) -> str:
    """Which yard is built of which day: another one of either is built anew."""
    story = sha256((_text("weir_yard.toml") + _text(FILE)).encode()).hexdigest()[:12]
    return f"{story} {now.date()}"


def _text(name: str) -> str:
    return (resources.files(__package__) / name).read_text(encoding="utf-8")


class Builder:
    """What was done in the yard, one thing after the other, each at its own time."""

    def __init__(self, household: Household, user: User, yard: Table) -> None:
        self.yard = yard
        self.zone = ZoneInfo(yard["garden"]["zone"])
        self._base = Scope(household.pk, user.pk, clock.BEGAN, demo=True)
        self._garden: Garden | None = None

    def story(self, fed: Iterable[Fed]) -> list[Done]:
        """All that was done, in order; the garden itself first, whatever the day."""
        done = [
            (clock.BEGAN, self._set_up),
            *self._places(),
            *self._pots(),
            *self._dressings(),
            *self._reads(),
            *(one for planting in self._plantings() for one in self._grows(planting)),
            *(one for brew in self.yard["brews"] for one in self._brews(brew)),
            *Watched(self.moment, self.yard).story(),
            *Solids(self.moment, self.yard).story(),
            *self.fed(fed),
        ]
        return sorted(done, key=lambda one: one[0])

    def at(self, moment: datetime) -> Scope:
        """The gardener, then."""
        return replace(self._base, now=moment)

    def moment(self, day: date, hour: int = 18, minute: int = 0) -> datetime:
        """A time of day in the yard."""
        return datetime.combine(day, time(hour, minute), tzinfo=self.zone)

    @property
    def grown(self) -> dict[uuid.UUID, str]:
        """What the story calls each planting."""
        names = (spots[0]["grows"] for spots in self._plantings())
        return {key(f"planting {name}"): name for name in names}

    def _set_up(self, scope: Scope) -> None:
        table = self.yard["garden"]
        named = NewGarden(table["name"], table["zone"], table["latitude"])
        self._garden = garden = save_garden(scope, key("garden"), named)
        feed_garden_so(scope, GardenFeeding(evenings=tuple(table["evenings"])))
        for turn, water in enumerate(table["water"]):
            save_water(scope, garden, key(water["name"]), NewWater(usual=turn == 0, **water))
        for kind in ("can", "sprayer"):
            for turn, (name, volume_l) in enumerate(table[f"{kind}s"].items()):
                new_one = NewVessel(name, volume_l, kind, usual=kind == "can" and turn == 0)
                save_vessel(scope, garden, key(name), new_one)
        save_pen(scope, key(table["pen"]["name"]), NewPen(**table["pen"]))
        for measure in usual_measures(garden.measures):
            save_measure(scope, garden, key(measure.name), measure)
        for minute, jar in enumerate(self.yard["jars"]):
            self._jar(replace(scope, now=scope.now + timedelta(minutes=minute)), jar)

    def _jar(self, scope: Scope, jar: Table) -> None:
        label = dict(jar["label"])
        for name in ("nitrogen", "also"):
            if name in label:
                label[name] = tuple(label[name].items())
        more = ("dissolves", "slow", "spoon_g", "material")
        rest = {name: jar[name] for name in more if name in jar}
        new = NewJar(jar["name"], Label(**label), jar["holds"], jar["stock"], **rest)
        save_jar(scope, key(jar["name"]), new)

    def _places(self) -> Iterable[Done]:
        for place in self.yard["places"]:
            yield self.moment(_BEGAN, 9), lambda scope, place=place: self._place(scope, place)
            for spot in place["spots"]:
                when = self.moment(spot["filled"], 10)
                yield when, lambda scope, at=place, spot=spot: self._fill(scope, at, spot)

    def _place(self, scope: Scope, place: Table) -> None:
        assert self._garden is not None
        new = NewPlace(place["name"], place["kind"], place.get("covered", False))
        save_place(scope, self._garden, key(place["name"]), new)

    def _fill(self, scope: Scope, place: Table, spot: Table) -> None:
        sizes = ("volume_l", "area_m2", "alike", "ph", "name")
        sized = {size: spot[size] for size in sizes if size in spot}
        fill = NewFill(spot["medium"], spot["filled"], **sized)
        row = Place.objects.get(pk=key(place["name"]))
        save_fill(scope, row, key(f"fill {spot.get('name', place['name'])}"), fill)

    def _pots(self) -> Iterable[Done]:
        """Pots in which seedlings stood indoors; each kind's are emptied once it has moved on."""
        for pots in self.yard["spring_pots"]:
            filled, emptied = self.moment(pots["filled"], 8), self.moment(pots["emptied"], 20)
            yield filled, lambda scope, pots=pots: self._fill(scope, {"name": pots["place"]}, pots)
            yield emptied, lambda scope, pots=pots: empty_fill(scope, key(f"fill {pots['name']}"))

    def _plantings(self) -> Iterable[list[Table]]:
        """Each planting, as the spots in which it grows."""
        for place in self.yard["places"]:
            named = [spot | {"place": place["name"]} for spot in place["spots"]]
            for grows in dict.fromkeys(spot["grows"] for spot in named):
                yield [spot for spot in named if spot["grows"] == grows]

    def _grows(self, spots: list[Table]) -> Iterable[Done]:
        first = spots[0]
        planting, day = key(f"planting {first['grows']}"), first["started"]
        yield self.moment(day, 12), lambda scope: self._plant(scope, spots)
        if "planted_out" in first:
            when = self.moment(first["planted_out"], 11)
            yield when, lambda scope: self._plant_out(scope, spots)
        for stage, seen in first["seen"]:
            look = Seen(key(f"look {first['grows']} {seen}"), planting, stage, seen)
            yield self.moment(seen, 9), lambda scope, look=look: see_stage(scope, look)
        if "repeat" in first:
            when = self.moment(day, 13)
            yield when, lambda scope: repeat_every(scope, planting, first["repeat"])
        if "moved" in first:
            on, to = first["moved"]
            when = self.moment(on, 14)
            yield when, lambda scope: self._move_on(scope, first, to)
        if "ended" in first:
            yield self.moment(first["ended"], 16), lambda scope: end_planting(scope, planting)

    def _plant(self, scope: Scope, spots: list[Table]) -> None:
        assert self._garden is not None
        first = spots[0]
        if "planted_out" in first:
            pots = Fill.objects.get(pk=key(f"fill {first['pots']}"))
            stands = [(key(f"pots {first['grows']}"), pots, sum(spot["count"] for spot in spots))]
        else:
            stands = [(self._stand(spot), self._filled(spot), spot["count"]) for spot in spots]
        new = NewPlanting(
            id=key(f"planting {first['grows']}"),
            garden=self._garden,
            crop=first["crop"],
            started_on=first["started"],
            stage=first["sown_as"],
            seen_on=first["started"],
            stands=tuple(stands),
        )
        plant(scope, new)

    def _plant_out(self, scope: Scope, spots: list[Table]) -> None:
        """Into one spot after the other; what is left stands in the pots till the next."""
        start = key(f"pots {spots[0]['grows']}")
        for spot in spots:
            to = Move(self._stand(spot), start, self._filled(spot).pk, spot["count"])
            move(scope, to)
            start = uuid.uuid5(to.id, "rest")

    def _move_on(self, scope: Scope, spot: Table, to: str) -> None:
        fill = Fill.objects.get(pk=key(f"fill {to}"))
        moved = key(f"stand {spot['grows']} moved")
        move(scope, Move(moved, self._stand(spot), fill.pk, spot["count"]))

    @staticmethod
    def _stand(spot: Table) -> uuid.UUID:
        return key(f"stand {spot['grows']} {'fed' if spot.get('fed', True) else 'unfed'}")

    @staticmethod
    def _filled(spot: Table) -> Fill:
        return Fill.objects.get(pk=key(f"fill {spot.get('name', spot['place'])}"))

    def _dressings(self) -> Iterable[Done]:
        """Dry feeds of the spring, and the one test of soil."""
        for table in self.yard["dressings"]:
            when = self.moment(table["day"], 12, 30)
            yield when, lambda scope, table=table: self._dress(scope, table)
        test = self.yard["soil_test"]
        new = NewSoilTest(key("soil test"), test["unit"], test["values"], test["day"])
        fill_id = key(f"fill {test['fill']}")
        yield self.moment(test["day"], 15), lambda scope: keep_soil_test(scope, fill_id, new)

    def _dress(self, scope: Scope, table: Table) -> None:
        stand = Stand.objects.get(pk=key(f"stand {table['grows']} fed"))
        jar_id = key(table["jar"]) if "jar" in table else None
        dry = Dry(stand.pk, table["said"], jar_id, table.get("material", ""))
        row_id = key(f"dressing {table['grows']} {table['day']}")
        give_dressing(scope, row_id, dry, "metric")

    def _brews(self, table: Table) -> Iterable[Done]:
        """A brew with what was done with it, read and bottled."""
        name, begun = table["name"], table["begun"]
        yield self.moment(begun, 17), lambda scope: self._start_brew(scope, table)
        for step in table["steps"]:
            for day in step["days"]:
                row_id, kind = key(f"{name} {step['kind']} {day}"), step["kind"]
                yield (
                    self.moment(begun + timedelta(days=day), 17, 30),
                    lambda scope, row=row_id, kind=kind: do_step(scope, row, key(name), kind),
                )
        for reading in table.get("readings", ()):
            when = self.moment(begun + timedelta(days=reading["day"]), 18)
            yield when, lambda scope, reading=reading: self._read_brew(scope, name, reading)
        if "strained" in table:
            told = dict(table["strained"])
            when = self.moment(begun + timedelta(days=told.pop("day")), 18)
            new = Strained(key(told["name"]), told["litres"], told["name"])
            yield when, lambda scope: strain(scope, key(name), new)

    def _start_brew(self, scope: Scope, table: Table) -> None:
        new = NewBrew(
            name=table["name"],
            method=table["method"],
            ingredients=tuple(Said(**item) for item in table["ingredients"]),
            volume_l=table["volume_l"],
            water_id=key(table["water"]),
            temperature_c=table.get("temperature_c", 16.0),
            acid_percent=table.get("acid_percent", 0.0),
        )
        start_brew(scope, key(table["name"]), new, "metric")

    def _read_brew(self, scope: Scope, name: str, reading: Table) -> None:
        """What the pen showed: what was expected, off by as much as a pen is."""
        brew = Brew.objects.get(pk=key(name))
        found = estimate(core_recipe(brew), reading["day"])
        row_id = key(f"reading {name} {scope.now.date()}")
        shown = found.ec.likely[-1] / (1 + reading["parts"]) * 1.08
        shown *= self._off(row_id, _PEN_ERROR)
        pen = PenReading(round(shown, 2), parts_water=reading["parts"])
        log_reading(scope, NewReading(row_id, brew.subject_id, pen))

    def fed(self, fed: Iterable[Fed]) -> Iterable[Done]:
        """Feeds in the order of the book, and the cans that were read."""
        read = self.yard["reading"]["cans"]
        for turn, row in enumerate(fed):
            minute = 2 * (turn % 14)
            yield self.moment(row.day, 18, minute), lambda scope, row=row: give(scope, row)
            if row.what == "feed" and row.day in read.get(row.grows, read["every"]):
                when = self.moment(row.day, 18, minute + 1)
                yield when, lambda scope, row=row: self._read_can(scope, row)

    def _read_can(self, scope: Scope, row: Fed) -> None:
        can = row.can()
        row_id = key(f"reading {can.subject_id} {scope.now}")
        shown = can.ec_likely * self._off(row_id, _PEN_ERROR)
        pen = PenReading(round(shown, 2), method="feed_solution")
        log_reading(scope, NewReading(row_id, can.subject_id, pen))

    def _reads(self) -> Iterable[Done]:
        """What drains, once a feed has settled; the pen calibrated now and then."""
        table, pen_id = self.yard["reading"], key(self.yard["garden"]["pen"]["name"])
        for day in table["calibrated"]:
            yield self.moment(day, 8), lambda scope: calibrate(scope, pen_id)
        for day in table["drains"]:
            for turn, grows in enumerate(table["of"]):
                when = self.moment(day, 19, turn)
                yield when, lambda scope, grows=grows: self._drain(scope, pen_id, grows)

    def _drain(self, scope: Scope, pen_id: uuid.UUID, grows: str) -> None:
        """What the yard's pen shows of what drains."""
        stand = Stand.objects.select_related("fill", "planting").get(pk=key(f"stand {grows} fed"))
        if stand.planting.ended_on is not None:
            return
        subject_id = stand.fill.subject_id
        row_id = key(f"reading {subject_id} {scope.now}")
        shown = dip(scope, pen_id, subject_id, False).value * self._off(row_id, _POT_ERROR)
        pen = PenReading(round(shown, 2), method="pour_through")
        log_reading(scope, NewReading(row_id, subject_id, pen))

    @staticmethod
    def _off(row_id: uuid.UUID, error: float) -> float:
        """One sample beside another; each reading's own, so that no other moves it."""
        return 1 + random.Random(f"{_SEED} {row_id}").gauss(0, error)  # noqa: S311 - repeatable
