"""A planting's books: where it stood, what it got, and what that comes to."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from zoneinfo import ZoneInfo

from dace.core import api as core
from dace.core.api import Balance, Ledger, Look, StageReading, Verdict
from dace.feeding.gifts import GiftRecord, gifts
from dace.feeding.rootzones import RootRecord, root_zones
from dace.feeding.verdicts import stop_verdicts
from dace.garden.clocks import clocks
from dace.garden.models import Planting, SoilTest, Stand
from dace.garden.weather import Weather, weather
from dace.households.scope import Scope


@dataclass(frozen=True)
class History:
    """What is kept of a planting: where it stood, what was seen, tested and given."""

    planting: Planting
    clock: StageReading
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
    """One planting's history, its verdict, and what its books come to.

    ``ledger`` is None and ``balances`` are empty where its fill is no longer followed.
    """

    history: History
    stand: Stand | None
    verdict: Verdict | None
    ledger: Ledger | None
    balances: tuple[Balance, ...]


def history(scope: Scope, planting_id: uuid.UUID) -> History:
    """What is kept of a planting; nine queries."""
    planting = Planting.objects.select_related("garden").fetch(scope, planting_id, "planting_id")
    garden = planting.garden
    rows = (
        Stand.objects.of(scope).filter(planting=planting).select_related("fill__place", "fill__mix")
    )
    stands = tuple(rows.order_by("from_on", "created_at"))
    time = clocks(scope, garden, [planting.pk])
    tested = SoilTest.objects.of(scope).filter(fill__in=[s.fill_id for s in stands])
    return History(
        planting=planting,
        clock=time.read(planting),
        stands=stands,
        tests=tuple(tested.order_by("tested_on")),
        gifts=gifts(scope, planting_id=planting.pk),
        weather=weather(scope, garden),
        looks=time.looks.get(planting.pk, ()),
    )


def books(scope: Scope, planting_id: uuid.UUID) -> Books:
    """A planting's books, of the place where most of its plants stand.

    Twelve queries where the verdicts stand already.
    """
    kept = history(scope, planting_id)
    stand = _main_stand(kept)
    if stand is None:
        return Books(kept, None, None, None, ())
    found = next((v for v in stop_verdicts(scope) if v.fill_id == stand.fill_id), None)
    record = found.root if found else _followed(scope, kept, stand)
    if record is None:
        return Books(kept, stand, None, None, ())
    book = core.ledger(record.followed, str(stand.pk))
    until = kept.planting.ended_on or kept.weather.today
    high = _tested_high(kept, stand)
    sums = core.balances(book, until, high) if book else ()
    return Books(kept, stand, found.verdict if found else None, book, sums)


def _followed(scope: Scope, kept: History, stand: Stand) -> RootRecord | None:
    records = root_zones(scope, kept.planting.garden, [stand.fill_id])
    return records[0] if records else None


def _main_stand(kept: History) -> Stand | None:
    """Where most of them stand, or stood last."""
    if not kept.stands:
        return None
    latest = max(stand.from_on for stand in kept.stands)
    return max((s for s in kept.stands if s.from_on == latest), key=lambda s: s.count)


def _tested_high(kept: History, stand: Stand) -> frozenset[str]:
    tests = [test for test in kept.tests if test.fill_id == stand.fill_id]
    if not tests:
        return frozenset()
    return core.read_soil_test(tests[-1].values, tests[-1].unit, stand.fill.soil).high
