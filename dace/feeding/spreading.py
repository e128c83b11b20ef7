"""Something solid on a whole bed or pot, grown or bare: compost of one's own, or a mulch."""

from __future__ import annotations

import uuid
from dataclasses import replace

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, OnBed, shown
from dace.feeding.models import Spread
from dace.feeding.reads import jar_with_stock
from dace.garden.greening import area_of
from dace.garden.models import Fill
from dace.garden.services import today
from dace.households.changes import change
from dace.households.keeping import new_row
from dace.households.scope import Scope
from dace.shelf.models import Jar
from dace.shelf.reads import content_of, g_per_ml


@transaction.atomic
def spread_jar(
    scope: Scope, row_id: uuid.UUID, fill_id: uuid.UUID, jar_id: uuid.UUID, amount: str = ""
) -> Spread:
    """So much of a dry jar goes on a whole fill; all that is left of it where nothing is said.

    Raises
    ------
    NotFoundError
        If fill or jar are none of this household's.
    DaceError
        On ``amount``, or ``jar_id`` of a liquid.
    """
    repeat = Spread.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    fill, jar, kg = read_spread(scope, fill_id, jar_id, amount)
    said = f"{shown.grams(1000 * kg, 2)} of {jar.name} spread on {fill}"
    with change(scope, "spread", said):
        return Spread.objects.create(
            **new_row(scope, row_id), fill=fill, jar=jar, kg=kg, said=amount.strip()[:60],
            laid_on=today(scope, fill.place.garden),
        )  # fmt: skip


def read_spread(
    scope: Scope, fill_id: uuid.UUID, jar_id: uuid.UUID, amount: str
) -> tuple[Fill, Jar, float]:
    """What was said, read: onto what, of which jar, how many kg. Writes nothing.

    Raises
    ------
    NotFoundError
        If fill or jar are none of this household's.
    DaceError
        On ``amount``, or ``jar_id`` of a liquid.
    """
    fill = _fill(scope, fill_id)
    jar, stock = jar_with_stock(scope, jar_id)
    if jar.form != "solid":
        raise DaceError("jar_id", f"{jar.name}, a liquid", "pour it from the Bench instead")
    kg = stock / 1000 if not amount else _kg(jar, amount, fill.place.garden.measures)
    if not 0 < kg <= stock / 1000 + 1e-9:
        read, most = (core.amount_words(grams, "g") for grams in (1000 * kg, stock))
        raise DaceError("amount", read, f"up to {most} is left")
    return fill, jar, kg


def _kg(jar: Jar, amount: str, measures: str) -> float:
    like = core.material(jar.material) if jar.material else core.material("garden_compost")
    lies = g_per_ml(jar) or core.usual_dry_density()
    return core.amount_kg(amount, replace(like, density_g_per_ml=lies), measures)


@transaction.atomic
def lay_mulch(
    scope: Scope,
    row_id: uuid.UUID,
    fill_id: uuid.UUID,
    material: str,
    settled_mm: float | None,
    said: str,
) -> Spread:
    """A mulch is laid on a bed.

    Raises
    ------
    DaceError
        On ``material`` or ``settled_mm``.
    """
    repeat = Spread.objects.written_before(scope, row_id)
    if repeat is not None:
        return repeat
    fill = _fill(scope, fill_id)
    found = core.mulch_for(material, area_of(fill), settled_mm)
    with change(scope, "mulch", f"{found.kind.material.name} laid on {fill}"):
        return Spread.objects.create(
            **new_row(scope, row_id), fill=fill, material=material, kg=found.kg,
            said=said.strip()[:60], laid_on=today(scope, fill.place.garden),
        )  # fmt: skip


def on_bed(row: Spread) -> OnBed:
    """What was spread, in the books of its fill."""
    if row.jar is None:
        return core.mulch_on_bed(core.mulches()[row.material], row.kg, row.laid_on)
    return core.spread_on_bed(content_of(row.jar), row.kg, row.laid_on)


def _fill(scope: Scope, fill_id: uuid.UUID) -> Fill:
    rows = Fill.objects.select_related("place__garden").filter(renewed_on__isnull=True)
    return rows.fetch(scope, fill_id, "fill_id")
