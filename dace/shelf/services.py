"""Putting jars on the shelf."""

from __future__ import annotations

import math
import uuid
from dataclasses import dataclass
from datetime import date
from typing import Any

from django.db import transaction

from dace.core.api import DaceError, Label, material
from dace.households.changes import change, newest_number
from dace.households.keeping import Written, keep, new_row
from dace.households.scope import Scope
from dace.shelf.models import Jar


@dataclass(frozen=True)
class NewJar:
    """A label as printed, the pack (mL or g), and what else is known of it.

    ``stock`` is what is in it now; None leaves it as it stands, or full when new. ``rate_said``
    are the words of the label's own rate.
    """

    name: str
    label: Label
    holds: float
    stock: float | None = None
    dissolves: bool = True
    slow: bool = False
    spoon_g: float | None = None
    price: float | None = None
    use_by: date | None = None
    material: str = ""
    rate_said: str = ""


@transaction.atomic
def save_jar(scope: Scope, jar_id: uuid.UUID, new: NewJar) -> Jar:
    """A jar with its label, or its label put right.

    Raises
    ------
    DaceError
        If it holds less than nothing, or more than it can.
    """
    values = _values(new)
    if Jar.objects.written_before(scope, jar_id) is None:
        stock = new.holds if new.stock is None else new.stock
        values |= {"stock": stock, "stock_at": scope.now, "stock_seq": newest_number() + 1}
    return keep(scope, Jar, Written(jar_id, "jar"), values)


def jar_row(scope: Scope, jar_id: uuid.UUID, new: NewJar) -> Jar:
    """A new jar as it will be written.

    Raises
    ------
    DaceError
        As ``save_jar`` does.
    """
    stock = new.holds if new.stock is None else new.stock
    return Jar(**new_row(scope, jar_id), **_values(new), stock=stock, stock_at=scope.now)


def _values(new: NewJar) -> dict[str, Any]:
    _check(new)
    label = new.label
    return {
        "name": new.name,
        "n_percent": label.n,
        "p_percent": label.p,
        "k_percent": label.k,
        "basis": label.basis,
        "percent": label.percent,
        "form": label.form,
        "density_g_per_ml": label.density_g_per_ml,
        "nitrogen": dict(label.nitrogen) if label.nitrogen is not None else None,
        "also": dict(label.also),
        "rate_per_l": label.rate_per_l,
        "rate_said": new.rate_said if label.rate_per_l else "",
        "dissolves": new.dissolves,
        "slow": new.slow,
        "material": new.material,
        "spoon_g": new.spoon_g,
        "price": new.price,
        "use_by": new.use_by,
        "holds": new.holds,
    }


def _check(new: NewJar) -> None:
    if new.material:
        material(new.material)
    if not (math.isfinite(new.holds) and 0 < new.holds <= 1e6):
        raise DaceError("holds", f"a pack of {new.holds:g}", "more than 0 would do")
    if new.stock is not None and not 0 <= new.stock <= new.holds:
        raise DaceError(
            "stock", f"{new.stock:g} in a pack of {new.holds:g}", "0 up to a full pack would do"
        )
    for name, value in (("price", new.price), ("spoon_g", new.spoon_g)):
        if value is not None and not (math.isfinite(value) and 0 < value < 1e5):
            raise DaceError(name, f"{value:g}", "more than 0 would do; leave it out if not known")


@transaction.atomic
def look_at_stock(scope: Scope, jar_id: uuid.UUID, stock: float) -> Jar:
    """What is in a jar by looking: earlier draws no longer count.

    Raises
    ------
    NotFoundError
        If the jar is none of this household's.
    DaceError
        If it holds less than nothing, or more than it can.
    """
    jar = Jar.objects.fetch(scope, jar_id, "jar_id")
    if not 0 <= stock <= jar.holds:
        raise DaceError(
            "stock", f"{stock:g} in a jar of {jar.holds:g}", "0 up to a full jar would do"
        )
    with change(scope, "stock", f"{jar.name} holds {stock:g}"):
        jar.stock, jar.stock_at, jar.stock_seq = stock, scope.now, newest_number() + 1
        jar.save(update_fields=["stock", "stock_at", "stock_seq"])
    return jar
