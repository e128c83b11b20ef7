"""The yard's feeding book: what its gardener poured, flushed and strewed, a line each.

She goes round on Tuesday evenings and gives what the verdicts of the day say, but for the
lines that say ``story``: a trial's own feed, and tub 2's four feeds that were too strong.
"""

from __future__ import annotations

import csv
import io
import uuid
from collections.abc import Iterable
from dataclasses import astuple, dataclass, fields
from datetime import date
from typing import Literal, cast

from dace.core.api import Verdict
from dace.demo.keys import key
from dace.feeding.dressing import Dry, give_dressing
from dace.feeding.mixing import NewCan
from dace.feeding.models import Can
from dace.feeding.services import NewDose, mix_and_pour
from dace.feeding.verdicts import stop_verdicts
from dace.feeding.watering import NewWatering, log_watering
from dace.garden.models import Stand, Water
from dace.households.scope import Scope
from dace.shelf.models import Jar

FILE = "weir_yard_fed.csv"
EVENING = 1
"""Tuesday."""

What = Literal["feed", "flush", "dress"]


@dataclass(frozen=True)
class Fed:
    """A line of the book; ``of`` is a jar, or the water of a flush, ``said`` how strong or much.

    ``grows`` names the planting of the yard's own story whose stand got it.
    """

    day: date
    why: str
    what: What
    grows: str
    of: str
    said: str
    water: str
    litres_each: float

    def can(self) -> Can:
        """The can that was mixed for it."""
        return Can.objects.get(pk=key(f"can {self.grows} {self.day}"))


def rows_of(text: str) -> tuple[Fed, ...]:
    """The lines of a book."""
    return tuple(
        Fed(
            date.fromisoformat(row["day"]),
            row["why"],
            cast("What", row["what"]),
            row["grows"],
            row["of"],
            row["said"],
            row["water"],
            float(row["litres_each"]),
        )
        for row in csv.DictReader(io.StringIO(text))
    )


def text_of(rows: Iterable[Fed]) -> str:
    """A book of these lines."""
    found = io.StringIO()
    table = csv.writer(found, lineterminator="\n")
    table.writerow([field.name for field in fields(Fed)])
    for row in rows:
        table.writerow([f"{cell:g}" if isinstance(cell, float) else cell for cell in astuple(row)])
    return found.getvalue()


def give(scope: Scope, row: Fed) -> None:
    """Do what a line says, wherever the planting is fed."""
    stands = Stand.objects.select_related("fill").order_by("created_at", "fill__name")
    for turn, stand in enumerate(
        stands.filter(planting_id=key(f"planting {row.grows}"), to_on=None, fed=True)
    ):
        _give(scope, row, stand, f"{row.grows} {row.day}{f' {turn}' if turn else ''}")


def _give(scope: Scope, row: Fed, stand: Stand, name: str) -> None:
    if row.what == "flush":
        litres = row.litres_each * stand.fill.alike
        new = NewWatering(key(f"flush {name}"), stand.fill_id, key(row.of), litres, flush=True)
        log_watering(scope, new)
    elif row.what == "dress":
        dry = Dry(stand.pk, row.said, key(row.of), whole=True)
        give_dressing(scope, key(f"dressing {name}"), dry, "metric")
    else:
        litres = row.litres_each * stand.count
        can = NewCan(key(f"can {name}"), key(row.of), key(row.water), litres, row.said)
        dose = NewDose(key(f"dose {name}"), stand.pk, stand.count, row.litres_each)
        mix_and_pour(scope, can, dose)


def evening(scope: Scope, day: date, grown: dict[uuid.UUID, str]) -> list[Fed]:
    """What the verdicts say on an evening, as lines; ``grown`` names the story's plantings."""
    names = {str(row.pk): row.name for row in Jar.objects.of(scope)}
    names |= {str(row.pk): row.name for row in Water.objects.of(scope)}
    lines: list[Fed] = []
    for one in stop_verdicts(scope):
        stands = [row for row in one.stands if row.planting_id in grown and row.fed]
        if one.verdict.kind != "feed":
            stands = stands[:1]
        told = {line.grows for line in lines}
        for row in stands:
            if grown[row.planting_id] not in told:
                lines += _lines(day, grown[row.planting_id], row.id, one.verdict, names)
    return lines


def _lines(
    day: date, grows: str, stand_id: uuid.UUID, said: Verdict, names: dict[str, str]
) -> list[Fed]:
    stand = Stand.objects.select_related("fill").get(pk=stand_id)
    if said.kind in ("flush", "water") and said.flush is not None:
        litres = round(said.flush.goes * said.flush.each_l / stand.fill.alike, 2)
        return [Fed(day, "verdict", "flush", grows, names[said.water], "", "", litres)]
    recipe = said.recipe
    if said.kind not in ("feed", "dress") or recipe is None:
        return []
    if said.kind == "dress":
        words = f"{recipe.amount:.3g} {recipe.unit}"
        return [Fed(day, "verdict", "dress", grows, names[recipe.source], words, "", 0.0)]
    litres = next((e.litres for e in said.each if e.planting == str(stand_id)), 0.0)
    if litres <= 0:
        return []
    of, water = names[recipe.source], names[recipe.water]
    return [Fed(day, "verdict", "feed", grows, of, recipe.strength, water, round(litres, 3))]
