"""Stock solutions: so much of a jar in so much water, kept as a bottle with a label."""

from __future__ import annotations

import uuid
from dataclasses import dataclass
from datetime import timedelta
from zoneinfo import ZoneInfo

from django.db import transaction

from dace.core import api as core
from dace.core.api import DaceError, amount_words, shown
from dace.feeding.mixing import sources_of
from dace.garden.reads import garden_of
from dace.households.changes import change, newest_number
from dace.households.keeping import new_row
from dace.households.scope import Scope
from dace.shelf.models import Jar

_MOST_L = 20.0


@dataclass(frozen=True)
class NewStock:
    """So many mL or g of a jar in so many litres of water."""

    id: uuid.UUID
    jar_id: uuid.UUID
    amount: float
    litres: float


@transaction.atomic
def make_stock(scope: Scope, new: NewStock) -> Jar:
    """Dissolve some of a jar into a bottle of its own, which pours like any other.

    Raises
    ------
    NotFoundError
        If the jar is none of this household's.
    DaceError
        On ``amount`` or ``litres``: more than the jar holds, more than dissolves, or nothing.
    """
    repeat = Jar.objects.written_before(scope, new.id)
    if repeat is not None:
        return repeat
    source = sources_of(scope, [new.jar_id])[0]
    jar, unit = Jar.objects.fetch(scope, new.jar_id, "jar_id"), source.feed.unit
    if not 0 < new.litres <= _MOST_L:
        raise DaceError("litres", f"{new.litres:g} L", f"above 0 and up to {_MOST_L:g} L would do")
    if not 0 < new.amount <= source.stock:
        raise DaceError(
            "amount",
            f"{amount_words(new.amount, unit)} of a jar that holds "
            f"{amount_words(source.stock, unit)}",
            "more than nothing and no more than is there would do",
        )
    solution = core.stock_solution(source.feed, new.amount / new.litres, jar.material)
    garden = garden_of(scope)
    made_on = scope.now.astimezone(ZoneInfo(garden.zone)).date()
    name = f"{jar.name} stock, {amount_words(new.amount, unit)} in {shown.litres(new.litres)}"
    with change(scope, "stock", name):
        return Jar.objects.create(
            **new_row(scope, new.id),
            name=name[:80],
            n_percent=solution.label.n,
            p_percent=solution.label.p,
            k_percent=solution.label.k,
            basis="element",
            percent="volume",
            form="liquid",
            nitrogen=dict(solution.label.nitrogen or ()),
            also=dict(solution.label.also),
            material=jar.material,
            use_by=made_on + timedelta(days=solution.keeps_days),
            holds=1000 * new.litres,
            stock=1000 * new.litres,
            stock_at=scope.now,
            stock_seq=newest_number() + 1,
            made_from=jar,
            drawn=new.amount,
        )
