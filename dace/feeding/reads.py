"""What is left in jars and cans, and which doses were poured."""

from __future__ import annotations

import uuid
from collections.abc import Sequence
from datetime import datetime
from typing import Any

from django.db.models import F, FloatField, Max, OuterRef, Q, QuerySet, Subquery, Sum
from django.db.models.functions import Coalesce

from dace.core.api import amount_words, material
from dace.feeding.models import Can, CanPart, Dose, Dressing, Serving, Spray, Spread, Thinning
from dace.garden.models import Fill
from dace.households.scope import NotFoundError, Scope
from dace.households.version import remembered
from dace.shelf.models import Brew, Jar

_MANURE = "manure"


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
    """Every jar with what it still holds; one query where one of them changed."""
    return _jars_with_stock(scope)


@remembered(Jar, Brew, Can, CanPart, Dressing, Spread)
def _jars_with_stock(scope: Scope) -> tuple[tuple[Jar, float], ...]:
    mixed = (
        CanPart.objects.of(scope)
        .filter(jar=OuterRef("pk"), can__undone_at__isnull=True)
        .filter(_since_looked("can__mixed_at"))
    )
    spread = Dressing.objects.of(scope).filter(jar=OuterRef("pk")).filter(_since_looked("given_at"))
    laid = Spread.objects.of(scope).filter(jar=OuterRef("pk"), seq__gt=OuterRef("stock_seq"))
    stocks = Jar.objects.of(scope).filter(made_from=OuterRef("pk"))
    dissolved = stocks.filter(_since_looked("created_at"))
    rows = (
        Jar.objects.in_use(scope)
        .select_related("brew", "made_from")
        .annotate(
            taken=_summed(mixed, "amount")
            + _summed(spread, "grams")
            + _summed(dissolved, "drawn", "made_from")
            + 1000.0 * _summed(laid, "kg")
        )
    )
    ordered = rows.order_by("-dissolves", "created_at", "id")
    return tuple((jar, max(0.0, jar.stock - jar.taken)) for jar in ordered)


def _since_looked(at: str) -> Q:
    """Drawn after the jar was last looked at.

    What was written as it was done goes by the order of writing, whatever the clock says; what
    was written later, by the time that was said.
    """
    at_once = Q(**{f"{at}__gte": F("created_at")})
    return (at_once & Q(seq__gt=OuterRef("stock_seq"))) | (
        ~at_once & Q(**{f"{at}__gte": OuterRef("stock_at")})
    )


def _summed(rows: QuerySet[Any], field: str, of: str = "jar") -> Coalesce:
    """The sum of a field over a jar's own rows, none where there are none."""
    sums = rows.order_by().values(of).annotate(total=Sum(field)).values("total")
    return Coalesce(Subquery(sums, output_field=FloatField()), 0.0)


def drawn_from(scope: Scope, jar: Jar, most: int) -> list[tuple[datetime, str]]:
    """The newest cans, dressings and stock solutions from a jar, in words; four queries."""
    unit = "mL" if jar.form == "liquid" else "g"
    parts = CanPart.objects.of(scope).filter(jar=jar, can__undone_at__isnull=True)
    cans = parts.select_related("can").order_by("-can__mixed_at")[:most]
    spread = Dressing.objects.of(scope).filter(jar=jar).select_related("stand__fill__place")
    rows = [(p.can.mixed_at, f"{amount_words(p.amount, unit)} at {p.can.ratio}") for p in cans]
    rows += [
        (d.given_at, f"{amount_words(d.grams, 'g')} on {d.stand.fill}")
        for d in spread.order_by("-given_at")[:most]
    ]
    laid = Spread.objects.of(scope).filter(jar=jar).select_related("fill__place")
    rows += [
        (d.created_at, f"{amount_words(1000 * d.kg, 'g')} on {d.fill}")
        for d in laid.order_by("-created_at")[:most]
    ]
    stocks = Jar.objects.of(scope).filter(made_from=jar).order_by("-created_at")[:most]
    rows += [(s.created_at, f"{amount_words(s.drawn, unit)} in {s.name}") for s in stocks]
    return sorted(rows, reverse=True)[:most]


def litres_left(scope: Scope, can: Can) -> float:
    """What a can still holds [L]; three queries."""
    return cans_left(scope, [can])[can.pk]


def cans_left(scope: Scope, cans: Sequence[Can]) -> dict[uuid.UUID, float]:
    """What some cans still hold [L], nothing once they were sprayed; three queries."""
    ids = [can.pk for can in cans]
    left = {can.pk: can.vessel_l for can in cans}
    doses = Dose.objects.of(scope).filter(can_id__in=ids).order_by().values("can_id")
    poured = doses.annotate(sum=Sum(F("litres_each") * F("plants")))
    for can_id, litres in poured.values_list("can_id", "sum"):
        left[can_id] -= litres
    thinned = Thinning.objects.of(scope).filter(can_id__in=ids).order_by().values("can_id")
    stirred = thinned.annotate(sum=Sum(F("water_l") - F("pour_off_l")))
    for can_id, litres in stirred.values_list("can_id", "sum"):
        left[can_id] += litres
    sprayed = Spray.objects.of(scope).filter(can_id__in=ids).values_list("can_id", flat=True)
    left |= dict.fromkeys(sprayed, 0.0)
    return {key: max(0.0, litres) for key, litres in left.items()}


def last_fed(scope: Scope) -> dict[uuid.UUID, datetime]:
    """When each place was last fed, of the fills that stand there now; one query."""
    return _last_fed(scope)


@remembered(Dose, Fill)
def _last_fed(scope: Scope) -> dict[uuid.UUID, datetime]:
    newest = Dose.objects.of(scope).filter(fill=OuterRef("pk")).order_by("-poured_at")
    fills = Fill.objects.of(scope).filter(renewed_on__isnull=True)
    rows = fills.annotate(fed=Subquery(newest.values("poured_at")[:1]))
    found: dict[uuid.UUID, datetime] = {}
    for place_id, fed in rows.values_list("place_id", "fed"):
        if fed is not None:
            found[place_id] = max(fed, found.get(place_id, fed))
    return found


def last_dose(scope: Scope, stand_id: uuid.UUID) -> Dose | None:
    """The newest dose on a stand, with its can and water; one query."""
    rows = Dose.objects.of(scope).filter(stand_id=stand_id).select_related("can__water")
    return rows.order_by("-poured_at", "-created_at").first()


def last_manure(scope: Scope, fill_id: uuid.UUID) -> datetime | None:
    """When manure of any kind was last spread on a fill; one query."""
    rows = Dressing.objects.of(scope).filter(fill_id=fill_id).select_related("jar")
    for row in rows.order_by("-given_at"):
        key = row.material or (row.jar.material if row.jar else "")
        if key and material(key).family == _MANURE:
            return row.given_at
    return None


def last_sprayed(scope: Scope, stand_id: uuid.UUID) -> datetime | None:
    """When a stand's leaves were last sprayed; one query."""
    found = Spray.objects.of(scope).filter(stand_id=stand_id).aggregate(last=Max("sprayed_at"))
    last: datetime | None = found["last"]
    return last


def newest_cans(scope: Scope, most: int) -> tuple[tuple[Can, str], ...]:
    """The newest cans, newest first, each with the place it was first poured on.

    Where it stands mixed and was not poured yet, the place that it is for first; three queries.
    """
    cans = list(Can.objects.of(scope).order_by("-mixed_at", "-pk")[:most])
    rows = Dose.objects.of(scope).filter(can__in=cans).select_related("fill__place")
    first = {dose.can_id: dose.fill.place for dose in rows.order_by("-poured_at", "-created_at")}
    meant = Serving.objects.of(scope).filter(can__in=cans).select_related("fill__place")
    for serving in meant.order_by("created_at", "id"):
        first.setdefault(serving.can_id, serving.fill.place)
    return tuple((can, str(first[can.pk])) for can in cans if can.pk in first)


def doses_on(scope: Scope, fill_id: uuid.UUID) -> tuple[Dose, ...]:
    """Every dose on one fill with its can, newest first; one query."""
    rows = Dose.objects.of(scope).filter(fill_id=fill_id).select_related("can__water")
    return tuple(rows.order_by("-poured_at", "-created_at"))
