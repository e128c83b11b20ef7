"""Dry feeds on a stand: told in any way, kept in grams."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import datetime

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, DryDose, Spread
from dace.feeding.models import Dressing
from dace.feeding.reads import jar_with_stock
from dace.garden.models import Fill, Stand
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


@dataclass(frozen=True)
class Told:
    """What was said, read: the stand, what it is of, and the dose in every way."""

    stand: Stand
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
    spread = _spread(stand.fill, stand.count, _density(jar, asked.material))
    dose = core.read_dry(asked.said, spread, measures)
    tellings = tuple(t for t in (asked.said, asked.also_said) if t.strip())
    differ = core.disagreement(tellings, spread, measures) if len(tellings) > 1 else ""
    return Told(stand, jar, asked.material, stock, dose, spread, differ)


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


def _spread(fill: Fill, plants: int, lies: float) -> Spread:
    return Spread(plants, lies, fill.area_m2, medium_litres(fill))


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
    grams = told.dose.grams
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
        return Dressing.objects.create(
            **new_row(scope, row_id),
            stand=told.stand,
            fill=told.stand.fill,
            jar=told.jar,
            material="" if told.jar else told.material,
            grams=grams,
            plants=told.stand.count,
            said=asked.said.strip()[:60],
            given_at=past_instant(scope, at, "given_at"),
        )
