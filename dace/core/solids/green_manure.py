"""Green manure: what a stand holds when it is cut, and when the next crop gets it."""

from __future__ import annotations

from collections.abc import Sequence
from dataclasses import dataclass
from functools import cache

import numpy as np

from dace.core.errors import DaceError
from dace.core.figures import Range, Row, load_table
from dace.core.matter.materials import Material, material
from dace.core.matter.release import ageing, released
from dace.core.solids.mulch import taken_g

STANDS = ("short", "flower")
_ROTS = 0.5
_MOST_M2 = 10_000.0


@dataclass(frozen=True)
class GreenManure:
    """A plant that is grown to be cut; ``row`` holds its figures as the table has them."""

    key: str
    name: str
    family: str
    crop_family: str
    tops: Material
    row: Row

    def nitrogen(self, stand: str) -> Range:
        """Nitrogen in a stand [g/m2]."""
        return self.row.range(f"n_{stand}_g_m2")

    def dry_matter(self, stand: str) -> Range:
        """Dry matter of a stand [g/m2]."""
        return self.row.range(f"dm_{stand}_g_m2")

    def c_to_n(self, stand: str) -> float:
        """Carbon to nitrogen of a stand."""
        return self.row.number(f"c_to_n_{stand}")

    def wait_weeks(self, stand: str, dug_in: bool) -> float:
        """How long a bed rests after the cut."""
        column = f"wait_dug_in_weeks_{stand}" if dug_in else "wait_on_top_weeks"
        return self.row.number(column)


@cache
def green_manures() -> dict[str, GreenManure]:
    """All of them by key, in the order of the table.

    >>> len(green_manures()), green_manures()["winter_vetch"].nitrogen("flower").typ
    (20, 14.1)
    """
    return {
        row.text("key"): GreenManure(
            row.text("key"),
            row.text("name"),
            row.text("family"),
            row.text("crop_family"),
            material(row.text("tops_material")),
            row,
        )
        for row in load_table("green_manures")
    }


@dataclass(frozen=True)
class Given:
    """What a cut stand comes to [g]: all, from the air, for the next crop, taken while it rots.

    ``by_week`` is what the next crop has of it by the end of each week, ``at_once`` of its first
    day.
    """

    kind: GreenManure
    stand: str
    nitrogen: float
    from_air: float
    next_crop: float
    taken: float
    by_week: tuple[float, ...]
    at_once: float
    minerals: tuple[tuple[str, float], ...]

    @property
    def from_bed(self) -> float:
        """What it took from the bed as it grew [g]: winter rain cannot have it."""
        return self.nitrogen - self.from_air


def given_by(
    key: str,
    area_m2: float,
    stand: str = "flower",
    dug_in: bool = True,
    temperature_c: float | Sequence[float] = 15.0,
    weeks: int = 12,
) -> Given:
    """What a green manure gives the crop after it.

    Parameters
    ----------
    key, stand : str
        Which, and whether it is cut ``short`` or at its buds, ``flower``.
    area_m2 : float
        The bed.
    temperature_c : float or sequence of float
        How warm its soil is while the stand rots: all the time, or day by day.
    dug_in : bool
        Else it lies on top.
    weeks : int
        How far ahead.

    Raises
    ------
    DaceError
        On the field that cannot be used.

    Examples
    --------
    >>> found = given_by("winter_vetch", 4.0, temperature_c=12.0)
    >>> [round(n, 1) for n in (found.nitrogen, found.from_air, found.next_crop, found.by_week[2])]
    [56.4, 42.3, 25.4, 12.5]
    """
    if key not in green_manures():
        raise DaceError("key", f"“{key}”", f"one of {', '.join(green_manures())} would do")
    if stand not in STANDS:
        raise DaceError("stand", f"“{stand}”", f"{' or '.join(STANDS)} would do")
    if not 0 < area_m2 <= _MOST_M2:
        raise DaceError("area_m2", f"{area_m2:g} m2", "above 0 and at most 10000 would do")
    if not 0 <= weeks <= 104:
        raise DaceError("weeks", f"{weeks:g}", "0 to 104 would do")
    kind = green_manures()[key]
    nitrogen = kind.nitrogen(stand).typ * area_m2
    place = 1.0 if dug_in else kind.row.number("on_top_factor")
    share = kind.row.number(f"next_n_pct_{stand}") / 100 * place
    tops = kind.tops
    first = min(share, min(tops.n_mineral_share, tops.soluble_of("N").typ) / 100 * place)
    half = tops.half_life_days or 30.0
    ages = _ages(temperature_c, weeks)
    by_week = tuple(
        nitrogen * (first + (share - first) * float(released(age, half))) for age in ages
    )
    ratio = kind.c_to_n(stand)
    grams = kind.dry_matter(stand).typ * area_m2
    return Given(
        kind=kind,
        stand=stand,
        nitrogen=nitrogen,
        from_air=nitrogen * kind.row.range("n_fixed_share").typ,
        next_crop=nitrogen * share,
        taken=taken_g(nitrogen * ratio, _ROTS, ratio),
        by_week=by_week,
        at_once=nitrogen * first,
        minerals=_minerals(kind, stand, grams, area_m2),
    )


def _ages(temperature_c: float | Sequence[float], weeks: int) -> list[float]:
    """Days at 20 C by the end of each week; after the last day that is given it stays as warm."""
    told = [temperature_c] if isinstance(temperature_c, int | float) else list(temperature_c)
    for one in told:
        if not -20 <= one <= 45:
            raise DaceError("temperature_c", f"{one:g} C", "-20 to 45 would do")
    days = [told[min(at, len(told) - 1)] for at in range(7 * weeks)]
    summed = np.cumsum(ageing(days))
    return [float(summed[7 * week - 1]) for week in range(1, weeks + 1)]


def _minerals(
    kind: GreenManure, stand: str, grams: float, area_m2: float
) -> tuple[tuple[str, float], ...]:
    """P, K, Ca and Mg in the tops [g]; those of a short stand by its dry matter."""
    part = grams / (kind.dry_matter("flower").typ * area_m2) if stand == "short" else 1.0
    return tuple(
        (name, part * area_m2 * kind.row.number(f"{name.lower()}_flower_g_m2"))
        for name in ("P", "K", "Ca", "Mg")
    )
