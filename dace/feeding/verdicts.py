"""One verdict for each stop: rows as the core is asked, and what it said kept for an asking."""

from __future__ import annotations

import uuid
from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from datetime import date

from dace.core import api as core
from dace.core.api import CanToMix, Grows, NamedWater, Stop, Verdict, Vessel, Yard
from dace.feeding.reads import jars_with_stock
from dace.feeding.rootzones import RootRecord, root_zones
from dace.feeding.ticks import left_out, mixed_today
from dace.garden.clocks import shelter_of
from dace.garden.going import aways
from dace.garden.models import Garden
from dace.garden.observing import leaf_scores
from dace.garden.raising import tonight
from dace.garden.reads import (
    SPRAYER,
    StandRecord,
    StopRecord,
    core_water,
    garden_of,
    owned,
    stops,
    vessels,
    waters,
)
from dace.households.scope import Scope
from dace.households.version import Newest, Version, version_of
from dace.measuring.models import Pen
from dace.shelf.reads import compositions_now, source_of
from dace.shelf.straining import sources_to_come


@dataclass(frozen=True)
class StopVerdict:
    """A fill's verdict beside the stop that it belongs to, and what it was followed by."""

    place: StopRecord
    fill_id: uuid.UUID
    stands: tuple[StandRecord, ...]
    root: RootRecord
    verdict: Verdict


@dataclass(frozen=True)
class Judged:
    """A garden as the core knows it, the verdict of each stop in walking order, today's cans."""

    yard: Yard | None
    stops: tuple[StopVerdict, ...]
    cans: tuple[CanToMix, ...] = ()

    @property
    def today(self) -> date | None:
        """The day that it is; None where nothing grows."""
        return self.yard.days.today if self.yard else None

    @property
    def by_key(self) -> dict[str, StopVerdict]:
        """Its stops by the keys that the core knows them by."""
        return {str(one.fill_id): one for one in self.stops}


def stop_verdicts(scope: Scope) -> tuple[StopVerdict, ...]:
    """Every fill with something growing, in walking order; see :func:`judged`."""
    return judged(scope).stops


def judged(scope: Scope) -> Judged:
    """The garden and its verdicts; worked out once for a state of things.

    Some thirty queries where the household has changed since, one where it has not.
    """
    return _worked_out(version_of(scope))


def verdict_of(scope: Scope, fill_id: uuid.UUID) -> Verdict | None:
    """One fill's verdict; None where nothing grows."""
    return next((v.verdict for v in stop_verdicts(scope) if v.fill_id == fill_id), None)


@Newest
def _worked_out(version: Version) -> Judged:
    scope = version.scope
    garden = garden_of(scope)
    path = stops(scope)
    where = {fill_id: place for place in path for fill_id in place.fill_ids}
    grown = {fill_id: [s for s in p.stands if s.fill_id == fill_id] for fill_id, p in where.items()}
    records = root_zones(scope, garden, [fill_id for fill_id, rows in grown.items() if rows])
    if not records:
        return Judged(None, ())
    today = records[0].known.today
    gone = tuple((one.from_on, one.to_on) for one in aways(scope, today) if one.to_on >= today)
    left, mixed = left_out(scope), mixed_today(scope, today)
    scores = leaf_scores(scope, [row.id for rows in grown.values() for row in rows])
    asked = [
        replace(
            _stop(record, grown[record.fill.pk], where[record.fill.pk], scores),
            evenings=core.evenings_of(garden.evenings),
            away=gone,
            left_out=left.get(record.fill.pk),
            mixed=mixed.get(record.fill.pk),
        )
        for record in records
    ]
    yard = _yard(scope, garden, records[0], tuple(asked))
    verdicts = core.verdicts(yard)
    found = {verdict.stop: verdict for verdict in verdicts}
    stops_found = tuple(
        StopVerdict(
            where[record.fill.pk],
            record.fill.pk,
            tuple(grown[record.fill.pk]),
            record,
            found[str(record.fill.pk)],
        )
        for record in records
    )
    return Judged(yard, stops_found, core.cans_of(verdicts, yard))


def mixing_vessels(scope: Scope) -> tuple[Vessel, ...]:
    """The cans and jugs there are to mix in; one query."""
    there = [vessel for vessel in vessels(scope) if vessel.kind != SPRAYER]
    return tuple(Vessel(str(v.pk), v.name, v.volume_l) for v in there)


def _yard(scope: Scope, garden: Garden, record: RootRecord, asked: tuple[Stop, ...]) -> Yard:
    # a stock solution is a way to measure its jar, no feed of its own
    jars = [row for row in jars_with_stock(scope) if row[0].made_from_id is None]
    feeds = compositions_now([jar for jar, _ in jars])
    return Yard(
        days=record.known.outlook,
        stops=asked,
        sources=(
            *(source_of(jar, feeds[jar.pk], stock) for jar, stock in jars),
            *sources_to_come(scope, record.known.today),
        ),
        waters=tuple(NamedWater(str(w.pk), w.name, core_water(w)) for w in waters(scope)),
        vessels=mixing_vessels(scope),
        owned=core.with_kitchen(owned(scope), garden.measures),
        spoons=True,
        weighs=garden.weighs,
        pen=Pen.objects.in_use(scope).exists(),
        slider=garden.slider,
        tonight=tonight(scope, record.known.today),
    )


def _tested_high(record: RootRecord) -> frozenset[str]:
    """What the newest soil test of a fill found plenty of."""
    tests = [test for test in record.soil if test.tested_on <= record.known.today]
    if not tests:
        return frozenset()
    newest, medium = tests[-1], record.fill.soil
    return core.read_soil_test(newest.values, newest.unit, medium).high


def _stop(
    record: RootRecord,
    stands: Sequence[StandRecord],
    place: StopRecord,
    scores: Mapping[uuid.UUID, float],
) -> Stop:
    return Stop(
        key=str(record.fill.pk),
        name=record.fill.name or place.name,
        followed=record.followed,
        grows=tuple(_grows(row, scores.get(row.id)) for row in stands),
        rhythm=stands[0].rhythm,
        approach=stands[0].approach,
        only=frozenset(stands[0].sources),
        strength=stands[0].strength,
        shelter=shelter_of(place.kind, place.covered),
        area_m2=record.fill.area_m2,
        ph=record.fill.ph,
        tested_high=_tested_high(record),
        salt_said=record.salt_said,
    )


def _grows(row: StandRecord, score: float | None) -> Grows:
    return Grows(
        key=str(row.id),
        crop=row.crop,
        clock=row.clock,
        plants=row.count,
        since=row.since,
        started_on=row.started_on,
        control=not row.fed,
        looked_on=row.looked_on,
        aim=row.aim,
        begun=row.begun,
        score=score,
    )
