"""How strong a bottle is: as it was strained, and as readings since then tell."""

from __future__ import annotations

import uuid
from collections.abc import Iterable
from dataclasses import dataclass
from typing import Any

from dace.core import api as core
from dace.core.api import BottleContents, Range
from dace.measuring.models import Reading
from dace.shelf.as_core import core_recipe, day_of, reading_of
from dace.shelf.models import Brew, Jar


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


def read_since(jars: Iterable[Jar]) -> dict[uuid.UUID, tuple[Reading, ...]]:
    """Readings that speak of bottles, by the bottle's id, oldest first; one query.

    One of the brew before it was strained and one of the bottle speak of the same liquid.
    """
    bottles = [jar for jar in jars if jar.contents is not None and jar.brew is not None]
    if not bottles:
        return {}
    subjects = {jar.brew.subject_id for jar in bottles if jar.brew}
    household = bottles[0].household_id
    rows = Reading.objects.filter(household_id=household, subject_id__in=subjects, practice=False)
    found: dict[uuid.UUID, list[Reading]] = {}
    for row in rows.filter(undone_at__isnull=True).order_by("taken_at", "created_at"):
        found.setdefault(row.subject_id, []).append(row)
    return {jar.pk: tuple(found.get(jar.brew.subject_id, ())) for jar in bottles if jar.brew}


def contents_now(jar: Jar, read: tuple[Reading, ...]) -> BottleContents:
    """What a bottle holds by all that was read; as it was strained where nothing was since."""
    assert jar.contents is not None
    if jar.brew is None or not read or read[-1].taken_at < jar.created_at:
        return contents_of(jar.contents)
    return _after(jar, jar.brew, read).contents


def strengths(jar: Jar) -> tuple[BottleStrength, ...]:
    """A bottle's strength as strained and after each reading since; one query, two if read.

    A reading of the bottle speaks of the brew as it was on the day it was strained, so it
    re-weighs the same draws as those before; undone, it leaves nothing behind.
    """
    assert jar.contents is not None
    found = [BottleStrength(None, contents_of(jar.contents))]
    if jar.brew is None:
        return tuple(found)
    read = read_since([jar])[jar.pk]
    for count, row in enumerate(read, start=1):
        if row.taken_at >= jar.created_at:
            found.append(_after(jar, jar.brew, read[:count]))
    return tuple(found)


def _after(jar: Jar, brew: Brew, read: tuple[Reading, ...]) -> BottleStrength:
    day = day_of(brew, jar.created_at)
    told = tuple(reading_of(brew, row, day) for row in read)
    weighed = core.weigh(core_recipe(brew), told)
    doubted = any(conflict.reading == told[-1] for conflict in weighed.conflicts)
    return BottleStrength(read[-1], core.bottle_contents(weighed, day), doubted)
