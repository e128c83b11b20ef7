"""Mulch: how much to bring for a depth, and the nitrogen that it takes."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache

from dace.core.errors import DaceError
from dace.core.figures import Range, load_table
from dace.core.matter.materials import Material, material

SOIL_RATIO = 25.0
"""The C:N over which soil life takes nitrogen from the soil."""


@dataclass(frozen=True)
class MulchKind:
    """A material as a mulch: how deep it lies settled [mm], how it settles, rots and touches."""

    material: Material
    settled_mm: Range
    settles: Range
    decays: Range
    contact: Range
    renew_weeks: float
    caution: str
    note: str


@cache
def mulches() -> dict[str, MulchKind]:
    """What beds are mulched with, by its material's key.

    >>> mulches()["wheat_straw"].settled_mm.typ
    75.0
    """
    return {
        row.text("material"): MulchKind(
            material(row.text("material")),
            row.range("depth_settled_mm"),
            row.range("settle_share"),
            row.range("decay_season"),
            row.range("contact_on_top"),
            row.number("renew_weeks"),
            row.text("caution"),
            row.text("note"),
        )
        for row in load_table("mulches")
    }


@dataclass(frozen=True)
class Mulch:
    """What to bring: loose depth [mm], litres, bins, kg; nitrogen taken, or given below 0 [g]."""

    kind: MulchKind
    loose_mm: float
    litres: float
    bins: int
    kg: float
    taken_on_top_g: float
    taken_dug_in_g: float


def taken_g(carbon_g: float, share: float, c_to_n: float) -> float:
    """Nitrogen that soil life takes to rot a share of so much carbon [g]; 0 up to a C:N of 25.

    >>> round(taken_g(19_920, 0.45, 83))
    251
    """
    return max(0.0, carbon_g * share * (1 / SOIL_RATIO - 1 / c_to_n))


def mulch_for(
    key: str, area_m2: float, settled_mm: float | None = None, bin_l: float = 240.0
) -> Mulch:
    """How much of a mulch a bed wants.

    Parameters
    ----------
    key : str
        A material of the table of mulches.
    area_m2, settled_mm, bin_l : float
        The bed, how deep it shall lie once settled (usual where left out), and a bin's litres.

    Raises
    ------
    DaceError
        On the field that cannot be used.
    """
    if key not in mulches():
        raise DaceError("material", f"“{key}”", f"one of {', '.join(mulches())} would do")
    kind = mulches()[key]
    settled = kind.settled_mm.typ if settled_mm is None else settled_mm
    for name, value, most in (
        ("area_m2", area_m2, 10_000.0),
        ("settled_mm", settled, 1_000.0),
        ("bin_l", bin_l, 10_000.0),
    ):
        if not 0 < value <= most:
            raise DaceError(name, f"{value:g}", f"above 0 and at most {most:g} would do")
    loose = settled / (1 - kind.settles.typ)
    litres = area_m2 * loose
    kg = litres * kind.material.density_g_per_ml
    dug_in, on_top = _nitrogen(kind, 1000 * kg)
    bins = math.ceil(litres / bin_l - 1e-9)
    return Mulch(kind, loose, litres, bins, kg, on_top, dug_in)


def taken_of(kind: MulchKind, grams: float) -> float:
    """Nitrogen that so much of a mulch takes lying on top in a season [g]; given, below 0."""
    return _nitrogen(kind, grams)[1]


def _nitrogen(kind: MulchKind, grams: float) -> tuple[float, float]:
    """Taken dug in and on top [g]; what gives nitrogen takes less than none, on top the half."""
    found = kind.material
    n = grams * found.percent_of("N").typ / 100
    ratio = found.c_to_n
    dug_in = taken_g(n * ratio, kind.decays.typ, ratio) if ratio else 0.0
    if dug_in > 0:
        return dug_in, dug_in * kind.contact.typ
    gives = n * found.first_season_n / 100
    return -gives, -gives / 2
