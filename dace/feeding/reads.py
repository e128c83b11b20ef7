"""What is left in jars and cans, and which doses were poured."""

from __future__ import annotations

import uuid
from typing import Any

from django.db.models import F, FloatField, OuterRef, QuerySet, Subquery, Sum
from django.db.models.functions import Coalesce

from dace.feeding.models import Can, CanPart, Dose, Dressing
from dace.households.scope import NotFoundError, Scope
from dace.shelf.models import Jar


def jar_with_stock(scope: Scope, jar_id: uuid.UUID) -> tuple[Jar, float]:
    """A jar in use and what it still holds [mL or g]; one query.

    Raises
    ------
    NotFoundError
        If it is none of this household's, or was put away.
    """
    for jar, stock in jars_with_stock(scope):
        if jar.pk == jar_id:
            return jar, stock
    raise NotFoundError("jar_id", "an id of no jar here", "choose a jar from the shelf")


def jars_with_stock(scope: Scope) -> tuple[tuple[Jar, float], ...]:
    """Every jar with what it still holds; one query."""
    mixed = (
        CanPart.objects.of(scope)
        .filter(jar=OuterRef("pk"), can__undone_at__isnull=True)
        .filter(can__mixed_at__gte=OuterRef("stock_at"))
    )
    spread = Dressing.objects.of(scope).filter(
        jar=OuterRef("pk"), given_at__gte=OuterRef("stock_at")
    )
    rows = (
        Jar.objects.in_use(scope)
        .select_related("brew")
        .annotate(drawn=_summed(mixed, "amount") + _summed(spread, "grams"))
    )
    ordered = rows.order_by("-dissolves", "created_at", "id")
    return tuple((jar, max(0.0, jar.stock - jar.drawn)) for jar in ordered)


def _summed(rows: QuerySet[Any], field: str) -> Coalesce:
    """The sum of a field over a jar's own rows, none where there are none."""
    sums = rows.order_by().values("jar").annotate(total=Sum(field)).values("total")
    return Coalesce(Subquery(sums, output_field=FloatField()), 0.0)


def litres_left(scope: Scope, can: Can) -> float:
    """What a can still holds [L]; one query."""
    poured = (
        Dose.objects.of(scope)
        .filter(can=can)
        .aggregate(litres=Coalesce(Sum(F("litres_each") * F("plants")), 0.0))
    )
    return max(0.0, can.vessel_l - float(poured["litres"]))


def doses(scope: Scope) -> tuple[Dose, ...]:
    """Every dose with its can, stand and place, newest first; one query."""
    rows = Dose.objects.of(scope).select_related(
        "can__water", "can__subject", "stand__planting", "fill__place"
    )
    return tuple(rows.order_by("-poured_at", "-created_at"))


def parts_by_can(scope: Scope) -> dict[uuid.UUID, tuple[CanPart, ...]]:
    """The sources of every can; one query."""
    found: dict[uuid.UUID, tuple[CanPart, ...]] = {}
    for part in CanPart.objects.of(scope).select_related("jar").order_by("created_at"):
        found[part.can_id] = (*found.get(part.can_id, ()), part)
    return found
