"""A brew comes to its end: strained, run a second time, or thrown out."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import date, timedelta
from typing import Any

from django.db import transaction

from dace.core import api as core
from dace.core.api import BottleContents, DaceError, shown
from dace.households.changes import change, newest_number
from dace.households.keeping import new_row
from dace.households.scope import ConflictError, Scope
from dace.measuring.models import Subject
from dace.measuring.services import subject_of
from dace.shelf.as_core import core_readings, day_of
from dace.shelf.brewing import MOST_BOTTLED, on_its_way
from dace.shelf.brews import brews
from dace.shelf.models import Brew, BrewEvent, Jar
from dace.shelf.taught import taught


@dataclass(frozen=True)
class Strained:
    """What straining gave, and the bottle that it went into."""

    bottle_id: uuid.UUID
    litres: float
    name: str


@transaction.atomic
def strain(scope: Scope, brew_id: uuid.UUID, new: Strained) -> Jar:
    """Strain a brew into a bottle: from now on it pours like a jar.

    Raises
    ------
    NotFoundError
        If the brew is none of this household's.
    ConflictError
        If it was strained or thrown out already.
    DaceError
        On ``litres``: more than can be in it.
    """
    repeat = Jar.objects.written_before(scope, new.bottle_id)
    if repeat is not None:
        return repeat
    brew = on_its_way(scope, brew_id)
    recipe, day = taught(scope, brew), day_of(brew, scope.now)
    found = core.estimate(recipe, 1)
    most = MOST_BOTTLED * found.volume_l
    if not 0 < new.litres <= most:
        raise DaceError(
            "litres", shown.litres(new.litres), f"up to {shown.litres(most)} can be in it"
        )
    weighed = core.weigh(recipe, core_readings(scope, brew))
    contents = core.bottle_contents(weighed, day)
    keeps = found.keeps_days[1]
    with change(scope, "brew", f"{new.name}: {shown.litres(new.litres)} bottled"):
        BrewEvent.objects.create(
            **new_row(scope, uuid.uuid5(new.bottle_id, "strained")),
            brew=brew,
            kind=BrewEvent.Kind.STRAIN,
            at=scope.now,
            litres=new.litres,
        )
        _end(scope, brew)
        feed = core.composition_of_bottle(contents, brew.name)
        return Jar.objects.create(
            **new_row(scope, new.bottle_id),
            name=new.name,
            n_percent=feed.label.n,
            p_percent=feed.label.p,
            k_percent=feed.label.k,
            basis="element",
            percent="volume",
            form="liquid",
            holds=1000 * new.litres,
            stock=1000 * new.litres,
            stock_at=scope.now,
            stock_seq=newest_number() + 1,
            use_by=(scope.now + timedelta(days=keeps)).date(),
            brew=brew,
            contents=contents_as_kept(contents),
        )


def sources_to_come(scope: Scope, today: date) -> tuple[core.Source, ...]:
    """Brews on their way as they will be once they are strained, tomorrow at the earliest."""
    found = []
    for record in brews(scope):
        if core.past_use(record.recipe, record.day):
            continue
        brew, ready = record.brew, core.ready_days(record.recipe)[1]
        readings = tuple(record.as_read(row) for row in record.readings)
        estimate = core.estimate(record.recipe, 1)
        weighed = core.weigh(record.recipe, readings)
        contents = core.bottle_contents(weighed, round(max(ready, record.day), 1))
        on = max(today + timedelta(days=1), (brew.started_at + timedelta(days=ready)).date())
        materials = [item["material"] for item in brew.ingredients]
        found.append(
            core.Source(
                key=str(brew.pk),
                name=brew.name,
                feed=core.composition_of_bottle(contents, brew.name),
                stock=1000 * estimate.volume_l,
                tokens=core.brew_tokens(brew.method, materials),
                ready_on=on,
                keeps_until=on + timedelta(days=round(estimate.keeps_days[1])),
            )
        )
    return tuple(found)


def contents_as_kept(found: BottleContents) -> dict[str, Any]:
    """A bottle's figures as they are stored."""
    return {
        "mg": dict(found.mg),
        "acetate_mg": found.acetate_mg,
        "spreads": {n: [r.low, r.high] for n, r in found.spreads},
        "ec_spread": [found.ec_spread.low, found.ec_spread.high],
        "ec_ms_cm": list(found.ec_ms_cm),
    }


@transaction.atomic
def second_run(scope: Scope, row_id: uuid.UUID, brew_id: uuid.UUID, volume_l: float) -> Brew:
    """Fresh water on the same solids.

    Raises
    ------
    NotFoundError
        If the brew is none of this household's.
    ConflictError
        If it was not strained yet.
    """
    repeat = Brew.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    first = Brew.objects.select_related("water").fetch(scope, brew_id, "brew_id")
    strained = first.events.filter(kind=BrewEvent.Kind.STRAIN, undone_at__isnull=True).first()
    if strained is None:
        raise ConflictError("brew_id", f"{first.name}, which is not strained", "strain it first")
    if not 0 < volume_l <= 2000:
        raise DaceError("volume_l", f"{volume_l:g} L", "above 0 and up to 2000 L would do")
    with change(scope, "brew", f"{first.name}, second run, begun"):
        return Brew.objects.create(
            **new_row(scope, row_id),
            subject=subject_of(scope, row_id, Subject.Kind.BREW),
            name=f"{first.name}, second run"[:60],
            method=first.method,
            ingredients=first.ingredients,
            volume_l=volume_l,
            water=first.water,
            acid_percent=first.acid_percent,
            temperature_c=first.temperature_c,
            handling=first.handling,
            started_at=scope.now,
            after=first,
            after_days=max(0.1, day_of(first, strained.at)),
        )


@transaction.atomic
def throw_out(scope: Scope, row_id: uuid.UUID, brew_id: uuid.UUID) -> BrewEvent:
    """A brew goes on the heap.

    Raises
    ------
    NotFoundError
        If it is none of this household's.
    ConflictError
        If it was strained or thrown out already.
    """
    repeat = BrewEvent.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    brew = on_its_way(scope, brew_id)
    with change(scope, "brew", f"{brew.name} thrown out"):
        _end(scope, brew)
        return BrewEvent.objects.create(
            **new_row(scope, row_id), brew=brew, kind=BrewEvent.Kind.THROW, at=scope.now
        )


def _end(scope: Scope, brew: Brew) -> None:
    """It is on its way no more; its page and its bottles stay."""
    brew.ended_on = scope.now.date()
    brew.save(update_fields=["ended_on"])
