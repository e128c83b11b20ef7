"""A planting's books: where it stood, what it got, and what that comes to."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date, timedelta
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import NUTRIENTS, Account, Balance, Ledger, Look, Rooted, Span, StageReading
from dace.feeding.gifts import GiftRecord, gifts
from dace.garden.clocks import clocks
from dace.garden.models import Fill, Planting, SoilTest, Stand
from dace.garden.reads import core_water, medium_litres, setting_of, waters
from dace.garden.weather import Weather, weather
from dace.households.scope import Scope

_AHEAD_DAYS = 84


@dataclass(frozen=True)
class History:
    """What is kept of a planting: where it stood, what was seen, tested and given."""

    planting: Planting
    clock: StageReading
    stages: tuple[Span, ...]
    stands: tuple[Stand, ...]
    tests: tuple[SoilTest, ...]
    gifts: tuple[GiftRecord, ...]
    weather: Weather
    looks: tuple[Look, ...]

    @property
    def zone(self) -> ZoneInfo:
        """The garden's zone."""
        return ZoneInfo(self.planting.garden.zone)


@dataclass(frozen=True)
class Books:
    """One planting's history and what its books come to."""

    history: History
    account: Account
    ledger: Ledger
    balances: tuple[Balance, ...]
    pot: bool


def history(scope: Scope, planting_id: uuid.UUID) -> History:
    """What is kept of a planting; nine queries."""
    planting = Planting.objects.select_related("garden").fetch(scope, planting_id, "planting_id")
    garden = planting.garden
    rows = Stand.objects.of(scope).filter(planting=planting).select_related("fill__place")
    stands = tuple(rows.order_by("from_on", "created_at"))
    time = clocks(scope, garden, [planting.pk])
    clock = time.read(planting)
    tested = SoilTest.objects.of(scope).filter(fill__in=[s.fill_id for s in stands])
    return History(
        planting=planting,
        clock=clock,
        stages=core.spans(clock),
        stands=stands,
        tests=tuple(tested.order_by("tested_on")),
        gifts=gifts(scope, planting_id=planting.pk),
        weather=weather(scope, garden),
        looks=time.looks.get(planting.pk, ()),
    )


def books(scope: Scope, planting_id: uuid.UUID) -> Books:
    """A planting's books; twelve queries, and one for a blended water."""
    kept = history(scope, planting_id)
    account = _account(scope, kept)
    found = core.ledger(account, kept.weather.outlook)
    pot = not account.rooted[-1].setting.endswith("bed") if account.rooted else True
    until = kept.planting.ended_on or kept.weather.today
    sums = core.balances(account.grown, kept.stages, found, until, pot)
    return Books(kept, account, found, sums, pot)


def _account(scope: Scope, kept: History) -> Account:
    planting, stands, known = kept.planting, kept.stands, kept.weather
    usual = next(iter(waters(scope)), None)
    water = core_water(usual) if usual else core.water_from_ec(0.0)
    mg_l = (water.of("NO3_N"), *(water.of(n) for n in NUTRIENTS[1:]))
    first = max(planting.started_on, known.outlook.first)
    last = min(known.today + timedelta(days=_AHEAD_DAYS), known.outlook.last)
    shared = _plants_by_fill(scope, stands)
    grown = planting.grown
    latest = {test.fill_id: test for test in kept.tests}
    return Account(
        grown=grown,
        stages=kept.stages,
        rooted=tuple(
            rooted(s.fill, max(s.from_on, first), shared[s.fill_id], latest.get(s.fill_id))
            for s in _one_a_day(stands)
        ),
        given=tuple(gift.given(kept.zone) for gift in kept.gifts),
        water_mg_l=mg_l,
        first=first,
        days=(last - first).days + 1,
    )


def _one_a_day(stands: tuple[Stand, ...]) -> list[Stand]:
    """Where most of its plants stood from each day on: a planting has one set of books."""
    by_day: dict[date, Stand] = {}
    for stand in stands:
        other = by_day.get(stand.from_on)
        if other is None or stand.count > other.count:
            by_day[stand.from_on] = stand
    return [by_day[day] for day in sorted(by_day)]


def _plants_by_fill(scope: Scope, stands: tuple[Stand, ...]) -> dict[uuid.UUID, int]:
    """How many plants share each fill, whatever they are; one query."""
    ids = {stand.fill_id for stand in stands}
    found = dict.fromkeys(ids, 0)
    present = Stand.objects.of(scope).filter(
        fill__in=ids, to_on__isnull=True, planting__ended_on__isnull=True
    )
    for fill_id, count in present.values_list("fill_id", "count"):
        found[fill_id] += count
    for stand in stands:
        found[stand.fill_id] = max(found[stand.fill_id], stand.count)
    return found


def rooted(fill: Fill, since: date, plants: int, test: SoilTest | None) -> Rooted:
    """What one of so many plants has of a fill."""
    litres = medium_litres(fill)
    area = fill.area_m2 or litres / core.litres_of_medium(None, 1.0)
    medium = core.medium(fill.medium)
    tested: tuple[tuple[str, float], ...] = ()
    if test is not None:
        tested = core.read_soil_test(test.values, test.unit, medium).mg_l
    return Rooted(
        since=since,
        medium=medium,
        setting=setting_of(fill.place),
        litres_each=litres / plants,
        area_each=area / plants,
        filled_on=fill.filled_on,
        tested=tested,
    )
