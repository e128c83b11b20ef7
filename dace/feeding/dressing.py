"""Dry feeds on a stand: told in any way, kept in grams."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, DryDose, Spread
from dace.feeding.meanwhile import refuse_if_fed_meanwhile
from dace.feeding.models import Dressing
from dace.feeding.reads import jar_with_stock
from dace.garden.models import Stand
from dace.garden.reads import medium_litres
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope
from dace.measuring.services import past_instant
from dace.shelf.models import Jar
from dace.shelf.reads import g_per_ml


@dataclass(frozen=True)
class Dry:
    """A dry feed and how much of it was said: from a jar, or of a material of the garden."""

    stand_id: uuid.UUID
    said: str
    jar_id: uuid.UUID | None = None
    material: str = ""
    also_said: str = ""
    whole: bool | None = None


@dataclass(frozen=True)
class Told:
    """What was said, read: the stand, what it is of, and the dose in every way.

    ``others`` stand on the same ground and get theirs too [g].
    """

    stand: Stand
    others: tuple[tuple[Stand, float], ...]
    jar: Jar | None
    material: str
    stock_g: float | None
    dose: DryDose
    spread: Spread
    disagreement: str


def read_dressing(scope: Scope, asked: Dry, measures: str) -> Told:
    """Read a dressing as said, writing nothing; three queries.

    Raises
    ------
    NotFoundError
        If stand or jar are none of this household's.
    DaceError
        On ``said``, ``jar_id`` or ``material``.
    """
    rows = Stand.objects.select_related("fill__place", "planting__garden")
    stand = rows.filter(to_on__isnull=True).fetch(scope, asked.stand_id, "stand_id")
    jar, stock = None, None
    if asked.jar_id is not None:
        jar, stock = jar_with_stock(scope, asked.jar_id)
        if jar.form != "solid":
            raise DaceError("jar_id", f"{jar.name}, a liquid", "pour it from the Bench instead")
    elif not asked.material:
        raise DaceError("material", "nothing to spread", "choose a jar or a material")
    here = _sharing(scope, stand)
    whole = _whole(asked, here)
    mine = here[stand.pk][1]
    spread = _spread(stand, mine, _density(jar, asked.material))
    dose = core.read_dry(asked.said, spread, measures)
    if whole and core.told_by(asked.said) == "all":
        dose = core.dry_dose(dose.grams * mine, spread)
    others = tuple(
        (other, dose.grams * share / mine)
        for key, (other, share) in here.items()
        if whole and key != stand.pk
    )
    tellings = tuple(t for t in (asked.said, asked.also_said) if t.strip())
    differ = core.disagreement(tellings, spread, measures) if len(tellings) > 1 else ""
    return Told(stand, others, jar, asked.material, stock, dose, spread, differ)


def _density(jar: Jar | None, material: str) -> float:
    """As it lies [g/mL]: weighed by the spoon, of its material, or a guess."""
    weighed = g_per_ml(jar) if jar is not None else None
    if weighed is not None:
        return weighed
    key = jar.material if jar is not None else material
    if key:
        found = core.material(key)
        if found.form != "solid":
            raise DaceError("material", f"{found.name}, a liquid", "pour it instead")
        return found.density_g_per_ml
    return core.usual_dry_density()


def _sharing(scope: Scope, stand: Stand) -> dict[uuid.UUID, tuple[Stand, float]]:
    """All that stand on the same ground now, each with its share of it."""
    rows = Stand.objects.of(scope).filter(fill=stand.fill, to_on__isnull=True)
    here = list(rows.select_related("planting").order_by("created_at"))
    shares = core.shares_of_ground([(one.planting.grown, one.count) for one in here])
    return {one.pk: (one, share) for one, share in zip(here, shares, strict=True)}


def _whole(asked: Dry, here: dict[uuid.UUID, tuple[Stand, float]]) -> bool:
    """Whether a dose goes on all the ground: by how it was told, else it is asked."""
    by = core.told_by(asked.said)
    if len(here) == 1 or by == "each":
        return False
    if by == "area":
        return asked.whole is not False
    if asked.whole is None:
        crops = ", ".join(one.planting.grown.name.lower() for one, _ in here.values())
        raise DaceError(
            "whole",
            f"“{asked.said.strip()[:60]}” on ground that is shared: {crops}",
            "say whether it is for this crop alone, or for all that stands there",
        )
    return asked.whole


def _spread(stand: Stand, share: float, lies: float) -> Spread:
    area, litres = stand.fill.area_m2, medium_litres(stand.fill)
    return Spread(stand.count, lies, area and area * share, litres and litres * share)


@transaction.atomic
def give_dressing(
    scope: Scope, row_id: uuid.UUID, asked: Dry, measures: str, at: datetime | None = None
) -> Dressing:
    """Log a dressing; the jar is emptier by it.

    Raises
    ------
    NotFoundError
        If stand or jar are none of this household's.
    DaceError
        If it cannot be read, or the jar holds too little. Nothing is written then.
    """
    repeat = Dressing.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    told = read_dressing(scope, asked, measures)
    refuse_if_fed_meanwhile(scope, told.stand.fill)
    given = [(row_id, told.stand, told.dose.grams)]
    given += [(uuid.uuid5(row_id, str(stand.pk)), stand, part) for stand, part in told.others]
    grams = sum(part for _, _, part in given)
    if told.stock_g is not None and grams > told.stock_g:
        raise DaceError(
            "said",
            f"{core.amount_words(grams, 'g')} of a jar that holds "
            f"{core.amount_words(told.stock_g, 'g')}",
            f"up to {core.amount_words(told.stock_g, 'g')} would do",
        )
    name = told.jar.name if told.jar else core.material(told.material).name
    with change(
        scope, "dressing", f"{core.amount_words(grams, 'g')} of {name} on {told.stand.fill}"
    ):
        rows = [
            Dressing.objects.create(
                **new_row(scope, key),
                stand=stand,
                fill=told.stand.fill,
                jar=told.jar,
                material="" if told.jar else told.material,
                grams=part,
                plants=stand.count,
                said=asked.said.strip()[:60],
                given_at=past_instant(scope, at, "given_at"),
            )
            for key, stand, part in given
        ]
    return rows[0]
