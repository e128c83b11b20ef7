"""What follows from the country that a garden lies in: its measures, and the climates it has."""

from __future__ import annotations

from dataclasses import dataclass
from functools import cache

from dace.core.figures import load_table
from dace.core.season.climate import Climate, climate


@dataclass(frozen=True)
class Country:
    """A country: the latitude of its middle, a time zone, how it measures, its climates.

    The climates are in the order of how many gardens they likely hold.
    """

    name: str
    latitude: float
    zone: str
    measures: str
    degrees: str
    climates: tuple[Climate, ...]


@cache
def countries() -> tuple[Country, ...]:
    """All countries of the table, by name.

    >>> [c.key for c in countries()[0].climates]
    ['southern_subtropical', 'southern_high', 'southern']
    """
    return tuple(
        Country(
            row.text("name"),
            row.number("latitude"),
            row.text("zone"),
            row.text("measures"),
            row.text("degrees"),
            tuple(climate(key) for key in row.text("climates").split(";")),
        )
        for row in load_table("countries")
    )
