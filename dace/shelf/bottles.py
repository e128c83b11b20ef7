"""How strong a bottle is: as it was strained, and as readings since then tell."""

from __future__ import annotations

from dataclasses import dataclass
from typing import Any

from dace.core import api as core
from dace.core.api import BottleContents, Range
from dace.measuring.models import Reading
from dace.shelf.brews import core_recipe, day_of, reading_of
from dace.shelf.models import Jar


@dataclass(frozen=True)
class BottleStrength:
    """What a bottle was taken to hold from a moment on: as strained, or after a reading."""

    reading: Reading | None
    contents: BottleContents
    doubted: bool = False


def contents_of(kept: dict[str, Any]) -> BottleContents:
    """A bottle's figures as they were stored when it was strained."""
    low, high = kept["ec_spread"]
    ec = kept["ec_ms_cm"]
    return BottleContents(
        mg=tuple(sorted(kept["mg"].items())),
        acetate_mg=kept["acetate_mg"],
        spreads=tuple((n, Range(ends[0], 1.0, ends[1])) for n, ends in kept["spreads"].items()),
        ec_spread=Range(low, 1.0, high),
        ec_ms_cm=(ec[0], ec[1], ec[2]),
    )


def strengths(jar: Jar) -> tuple[BottleStrength, ...]:
    """A bottle's strength as strained and after each reading since; one query, two if read.

    A reading of the bottle speaks of the brew as it was on the day it was strained, so it
    re-weighs the same draws as those before; undone, it leaves nothing behind.
    """
    assert jar.contents is not None
    found = [BottleStrength(None, contents_of(jar.contents))]
    brew = jar.brew
    if brew is None:
        return tuple(found)
    day = day_of(brew, jar.created_at)
    rows = Reading.objects.filter(household_id=jar.household_id, subject_id=brew.subject_id)
    read = list(rows.filter(undone_at__isnull=True).order_by("taken_at", "created_at"))
    for count, row in enumerate(read, start=1):
        if row.taken_at < jar.created_at:
            continue
        told = tuple(reading_of(brew, one, day) for one in read[:count])
        weighed = core.weigh(core_recipe(brew), told)
        doubted = any(conflict.reading == told[-1] for conflict in weighed.conflicts)
        found.append(BottleStrength(row, core.bottle_contents(weighed, day), doubted))
    return tuple(found)
