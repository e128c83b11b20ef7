"""Weir Yard after ten years of notes, written straight into the tables: built once, read often."""

from __future__ import annotations

import json
import uuid
from datetime import UTC, date, datetime, timedelta

from django.contrib.contenttypes.models import ContentType
from django.db import models, transaction
from reversion.models import Revision, Version

from dace.demo import weir_yard
from dace.feeding.models import Can, CanPart, Dose
from dace.garden.models import Fill, Garden, Planting, StageSeen, Stand, Water
from dace.households.models import Change, Household, User
from dace.measuring.models import Reading, Subject
from dace.shelf.models import Brew, BrewEvent, Jar
from tests.core import counts

DOSES = READINGS = counts.of(5000, 1500)
PLANTINGS, BREWS = 40, counts.of(60, 20)
FIRST_YEAR, YEARS = 2016, 10
LAST = datetime(2026, 2, 1, 9, tzinfo=UTC)


def ten_years() -> None:
    """Nine seasons more of the same yard, and their changes, before this one."""
    household = weir_yard.build()
    with transaction.atomic():
        _Past(household).write()


class _Past:
    def __init__(self, household: Household) -> None:
        self.kept = {"household": household, "created_at": LAST}
        self.user = User.objects.get()
        self.fills = list(Fill.objects.filter(renewed_on__isnull=True).order_by("created_at"))
        Fill.objects.update(filled_on=date(FIRST_YEAR, 1, 1))
        self.water = Water.objects.filter(usual=True).get()
        self.jar = Jar.objects.filter(form="liquid", brew__isnull=True).first()
        self.stands: list[Stand] = []

    def write(self) -> None:
        self.plantings()
        self.doses()
        self.readings()
        self.brews()

    def plantings(self) -> None:
        garden, crops = Garden.objects.get(), ("chilli", "aubergine", "chard", "leek", "lettuce")
        for number in range(PLANTINGS - Planting.objects.count()):
            begun = date(FIRST_YEAR + number % (YEARS - 1), 4, 1)
            over = begun + timedelta(days=180)
            crop = crops[number % len(crops)]
            grown = Planting.objects.create(
                **self.kept, garden=garden, crop=crop, count=4, started_on=begun, ended_on=over
            )
            fill = self.fills[number % len(self.fills)]
            self.stands.append(
                Stand.objects.create(
                    **self.kept, planting=grown, fill=fill, count=4, from_on=begun, to_on=over
                )
            )
            StageSeen.objects.create(
                **self.kept, planting=grown, stage="seedling", seen_on=begun + timedelta(days=9)
            )

    def moments(self, count: int) -> list[datetime]:
        """Instants spread over the past years, newest last."""
        begin = datetime(FIRST_YEAR, 4, 1, 18, tzinfo=UTC)
        step = (LAST - begin) / count
        return [begin + step * number for number in range(count)]

    def doses(self) -> None:
        wanted = DOSES - Dose.objects.count()
        subjects = self.subjects(wanted, "can")
        cans, parts, doses = [], [], []
        for number, at in enumerate(self.moments(wanted)):
            can = Can(
                **self.kept,
                subject=subjects[number],
                water=self.water,
                vessel_l=9.0,
                said="1 + 400",
                ratio="1 + 400",
                ec_low=1.0,
                ec_likely=1.1,
                ec_high=1.2,
                mg_l={"N": 100.0, "P": 33.0, "K": 165.0, "Ca": 40.0, "Mg": 6.0},
                mixed_at=at,
            )
            stand = self.stands[number % len(self.stands)]
            dose = Dose(
                **self.kept, can=can, stand=stand, fill=stand.fill, plants=4, litres_each=1.5
            )
            dose.poured_at = at
            cans.append(can)
            parts.append(CanPart(**self.kept, can=can, jar=self.jar, amount=0.01))
            doses.append(dose)
        Can.objects.bulk_create(cans)
        CanPart.objects.bulk_create(parts)
        Dose.objects.bulk_create(doses)
        self.changes(
            [[can, part, dose] for can, part, dose in zip(cans, parts, doses, strict=True)]
        )

    def readings(self) -> None:
        wanted = READINGS - Reading.objects.count()
        rows = []
        for number, at in enumerate(self.moments(wanted)):
            row = Reading(
                **self.kept,
                subject_id=self.fills[number % len(self.fills)].subject_id,
                value=1.5,
                scale="mS/cm",
                method="pour_through",
                ec_low=1.3,
                ec_likely=1.5,
                ec_high=1.7,
                taken_at=at,
            )
            rows.append(row)
        Reading.objects.bulk_create(rows)
        self.changes([[row] for row in rows])

    def brews(self) -> None:
        wanted = BREWS - Brew.objects.count()
        for number, at in enumerate(self.moments(wanted)):
            row_id = uuid.uuid4()
            brew = Brew.objects.create(
                **self.kept,
                id=row_id,
                subject=self.subjects(1, "brew")[0],
                name=f"Comfrey {number}",
                method="anaerobic_ferment",
                ingredients=[{"material": "comfrey_fresh", "mass_g": 1500.0}],
                volume_l=15.0,
                water=self.water,
                started_at=at,
                ended_on=(at + timedelta(days=16)).date(),
            )
            BrewEvent.objects.create(
                **self.kept, brew=brew, kind="strain", at=at + timedelta(days=16), litres=12.0
            )

    def subjects(self, count: int, kind: str) -> list[Subject]:
        return Subject.objects.bulk_create(Subject(**self.kept, kind=kind) for _ in range(count))

    def changes(self, written: list[list[models.Model]]) -> None:
        """A change for each, over a revision with a version of every row."""
        revisions = Revision.objects.bulk_create(
            Revision(date_created=LAST, user=self.user) for _ in written
        )
        household = self.kept["household"]
        Change.objects.bulk_create(
            Change(revision=r, household=household, kind="past", summary="in the past", at=LAST)
            for r in revisions
        )
        kinds = ContentType.objects.get_for_models(*{type(row) for row in written[0]})
        Version.objects.bulk_create(
            Version(
                revision=revision,
                object_id=str(row.pk),
                content_type=kinds[type(row)],
                db="default",
                format="json",
                serialized_data=json.dumps([]),
                object_repr=str(row.pk),
            )
            for revision, rows in zip(revisions, written, strict=True)
            for row in rows
        )
