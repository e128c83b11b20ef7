"""What she scored along the path, and her trial at the Step."""

from __future__ import annotations

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from datetime import date

from dace.demo.keys import Table, key
from dace.desks.looks.page import ROW_SCALES
from dace.feeding.watering import NewWatering, log_watering
from dace.garden.models import Stand
from dace.garden.observing import NewObservation, observe
from dace.households.scope import Scope
from dace.notebook.trials import NewMeasured, NewTrial, start_trial, write_measured


@dataclass(frozen=True)
class Watched:
    """Writes it down, each thing at its own time; ``stands`` by what grows there."""

    at: Callable[..., Scope]
    stands: Mapping[str, Stand]
    yard: Table

    def write(self) -> None:
        """The trial, then the scores."""
        self._trial(self.yard["trial"])
        for table in self.yard["scores"]:
            self._scores(table)

    def _trial(self, table: Table) -> None:
        unfed = Stand.objects.get(pk=key(f"stand {table['fed']} unfed"))
        new = NewTrial(
            id=key("trial"),
            fed_stand_id=self.stands[table["fed"]].pk,
            unfed_stand_id=unfed.pk,
            measure=table["measure"],
            worthwhile=table["worthwhile"],
            jar_id=key(table["jar"]),
            exclusions=table["exclusions"],
            judge_on=table["judge"],
        )
        trial = start_trial(self.at(table["day"], 8), new)
        for day in self.yard["feeding"]["days"]:
            water = NewWatering(
                key(f"trial water {day}"), unfed.fill_id, key("hard tap"), table["watered_l"]
            )
            log_watering(self.at(day, 18, 50), water)
        for row in table["heights"]:
            day, cm = row["day"], {n: float(one) for n, one in enumerate(row["cm"], 1)}
            blind = row.get("blind", False)
            measured = NewMeasured(key(f"measured {day}"), trial.pk, cm, on=day, blind=blind)
            write_measured(self.at(day, 19, 40), measured)

    def _scores(self, table: Table) -> None:
        stand = self.stands[table["grows"]]
        for day, points in table["days"].items():
            row_id = key(f"scores {table['grows']} {day}")
            scores = dict(zip(ROW_SCALES, points, strict=True))
            scope = self.at(date.fromisoformat(day), 7)
            observe(scope, NewObservation(row_id, stand.pk, scores))
