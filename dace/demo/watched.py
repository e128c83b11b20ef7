"""What she scored along the path, and her trial at the Step."""

from __future__ import annotations

import uuid
from collections.abc import Callable, Iterable
from dataclasses import dataclass
from datetime import date, datetime

from dace.demo.keys import Table, key
from dace.desks.looks.page import ROW_SCALES
from dace.feeding.watering import NewWatering, log_watering
from dace.garden.models import Stand
from dace.garden.observing import NewObservation, observe
from dace.households.scope import Scope
from dace.notebook.trials import NewMeasured, NewTrial, end_trial, start_trial, write_measured


@dataclass(frozen=True)
class Watched:
    """What was written down of it; ``moment`` makes a time of a day, an hour and a minute."""

    moment: Callable[..., datetime]
    yard: Table

    def story(self) -> Iterable[tuple[datetime, Callable[[Scope], object]]]:
        """The trial, and the scores."""
        yield from self._trial(self.yard["trial"])
        for table in self.yard["scores"]:
            for day, points in table["days"].items():
                row_id = key(f"scores {table['grows']} {day}")
                scores = dict(zip(ROW_SCALES, points, strict=True))
                new = NewObservation(row_id, key(f"stand {table['grows']} fed"), scores)
                when = self.moment(date.fromisoformat(day), 7)
                yield when, lambda scope, new=new: observe(scope, new)

    def _trial(self, table: Table) -> Iterable[tuple[datetime, Callable[[Scope], object]]]:
        unfed = key(f"stand {table['fed']} unfed")
        new = NewTrial(
            id=key("trial"),
            fed_stand_id=key(f"stand {table['fed']} fed"),
            unfed_stand_id=unfed,
            measure=table["measure"],
            worthwhile=table["worthwhile"],
            jar_id=key(table["jar"]),
            exclusions=table["exclusions"],
            judge_on=table["judge"],
        )
        yield self.moment(table["day"], 8), lambda scope: start_trial(scope, new)
        for day in table["watered"]:
            row_id = key(f"trial water {day}")
            yield (
                self.moment(day, 18, 50),
                lambda scope, row=row_id: self._water(scope, unfed, row),
            )
        for row in table["heights"]:
            day, cm = row["day"], {n: float(one) for n, one in enumerate(row["cm"], 1)}
            blind = row.get("blind", False)
            measured = NewMeasured(key(f"measured {day}"), new.id, cm, on=day, blind=blind)
            when = self.moment(day, 19, 40)
            yield when, lambda scope, row=measured: write_measured(scope, row)
        yield self.moment(table["ended"], 20), lambda scope: end_trial(scope, new.id, True)

    def _water(self, scope: Scope, unfed: uuid.UUID, row_id: uuid.UUID) -> None:
        litres = self.yard["trial"]["watered_l"]
        fill_id = Stand.objects.get(pk=unfed).fill_id
        log_watering(scope, NewWatering(row_id, fill_id, key("hard tap"), litres))
