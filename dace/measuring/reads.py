"""Readings as the core knows them."""

from __future__ import annotations

from dace.core.api import PenReading, as_pour_through
from dace.measuring.models import Reading


def pen_reading(row: Reading) -> PenReading:
    """A stored reading as the pen showed it."""
    return PenReading(
        value=row.value,
        scale=row.scale,
        temperature_c=row.temperature_c,
        compensates=row.compensates,
        method=row.method,
        parts_water=row.parts_water,
    )


def as_drain(row: Reading) -> float:
    """A reading of a fill as the pour-through that it stands for [mS/cm at 25 C]."""
    found = as_pour_through(pen_reading(row))
    return found.value if found else row.ec_likely
