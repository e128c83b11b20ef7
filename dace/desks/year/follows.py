"""What may follow where a crop was cleared."""

from __future__ import annotations

import uuid

from dace.core import api as core
from dace.desks.year.schemas import FollowerOut, FollowsOut
from dace.garden.models import Fill, Stand
from dace.garden.reads import garden_of
from dace.garden.weather import outlook
from dace.households.scope import Scope

_THIRD = 1 / 3
_MOST_CROPS, _MOST_GREEN = 12, 4
Before = tuple[tuple[int, str], ...]


def follows_page(scope: Scope, fill_id: uuid.UUID) -> FollowsOut:
    """Crops that warmth and light still finish, green manures, or rest; five queries."""
    fill = Fill.objects.select_related("place").fetch(scope, fill_id, "fill_id")
    before = grown_before(scope, fill.place_id)
    mine = _grown_here(scope)
    found = core.follows(
        list(core.crops().values()),
        before,
        outlook(scope, garden_of(scope)),
    )
    crops = [one for one in found if not one.green_manure]
    crops.sort(key=lambda one: (one.against != "", one.key not in mine, one.picked_on))
    green = [one for one in found if one.green_manure] if fill.area_m2 else []
    return FollowsOut(
        fill_id=fill.pk,
        place=str(fill),
        crops=[_out(one) for one in crops[:_MOST_CROPS]],
        green=[_out(one) for one in green[:_MOST_GREEN]],
        rest="Or rest: winter rain takes what lies open, so cover it.",
    )


def grown_before(scope: Scope, place_id: uuid.UUID) -> Before:
    """Years with the families that held a third of a place's ground or more; one query."""
    rows = Stand.objects.of(scope).filter(fill__place_id=place_id, planting__undone_at__isnull=True)
    stood: dict[tuple[uuid.UUID, int], list[tuple[core.Crop, int]]] = {}
    for row in rows.select_related("planting"):
        last = row.to_on or row.planting.ended_on or row.from_on
        for year in range(row.from_on.year, last.year + 1):
            grown = (row.planting.grown, row.count)
            stood.setdefault((row.fill_id, year), []).append(grown)
    found = set()
    for (_, year), several in stood.items():
        shares = core.shares_of_ground(several)
        found |= {
            (year, grown.family)
            for (grown, _), share in zip(several, shares, strict=True)
            if share >= _THIRD
        }
    return tuple(sorted(found))


def _grown_here(scope: Scope) -> set[str]:
    rows = Stand.objects.of(scope).filter(planting__undone_at__isnull=True)
    return set(rows.values_list("planting__crop", flat=True))


def _out(one: core.Follower) -> FollowerOut:
    if one.green_manure:
        name, stage = core.green_manures()[one.key].name, ""
    else:
        grown = core.crop(one.key)
        name, stage = grown.name, grown.stages[0].key
    return FollowerOut(
        key=one.key,
        name=name,
        why=one.why,
        against=one.against,
        green=one.green_manure,
        stage=stage,
    )
