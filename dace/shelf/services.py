"""Putting jars on the shelf."""

from __future__ import annotations

import uuid
from dataclasses import dataclass

from dace.core.api import DaceError, Label
from dace.households.changes import change
from dace.households.scope import Scope
from dace.shelf.models import Jar


@dataclass(frozen=True)
class NewJar:
    """A label as printed, and how much there is (mL or g)."""

    id: uuid.UUID
    name: str
    label: Label
    holds: float
    stock: float
    dissolves: bool = True


def add_jar(scope: Scope, new: NewJar) -> Jar:
    """A jar with its label.

    Raises
    ------
    DaceError
        If it holds less than nothing, or more than it can.
    """
    if not 0 <= new.stock <= new.holds:
        raise DaceError(
            "stock", f"{new.stock:g} in a jar of {new.holds:g}", "0 up to a full jar would do"
        )
    label = new.label
    with change(scope, "jar", f"{new.name} on the shelf"):
        return Jar.objects.create(
            id=new.id,
            household_id=scope.household_id,
            created_at=scope.now,
            name=new.name,
            n_percent=label.n,
            p_percent=label.p,
            k_percent=label.k,
            basis=label.basis,
            percent=label.percent,
            form=label.form,
            density_g_per_ml=label.density_g_per_ml,
            nitrogen=dict(label.nitrogen) if label.nitrogen is not None else None,
            also=dict(label.also),
            dissolves=new.dissolves,
            holds=new.holds,
            stock=new.stock,
            stock_at=scope.now,
        )
