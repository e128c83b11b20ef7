"""What weather is usual where a garden lies: normals by day, and years drawn from them.

Notes
-----
A normal is one harmonic: the mean of the year and a swing that peaks a number of
days after the longest day, so that one table serves both hemispheres. Days keep
some of yesterday's departure (a first-order chain), years differ by a constant.
"""

from __future__ import annotations

from dataclasses import dataclass
from datetime import date
from functools import cache

import numpy as np
from numpy.typing import NDArray

from dace.core.errors import DaceError
from dace.core.figures import load_table, source_words

Array = NDArray[np.float64]
_YEAR_DAYS, _FOUR_YEARS = 365.25, 1461
_LONGEST_DAY_NORTH = date(2000, 6, 21)


@dataclass(frozen=True)
class Climate:
    """Normals of a climate; temperatures in C, ``wet_mm`` on a wet day [mm].

    ``wind_m_s`` and ``rh_noon_pct`` are a usual day's; ``like`` names places that have it.
    ``by_name`` is one that few gardens of its latitude have: latitude alone never gives it.
    """

    key: str
    name: str
    latitude: float
    mean_c: float
    swing_c: float
    lag_days: float
    span_dim_c: float
    span_bright_c: float
    day_sd_c: float
    persistence: float
    year_sd_c: float
    wet_share: float
    wet_swing: float
    wet_mm: float
    wind_m_s: float
    rh_noon_pct: float
    like: str
    by_name: bool
    source: str


_WORDS = ("key", "name", "like", "by_name", "source")


@dataclass(frozen=True)
class Normals:
    """The usual day, one value a day: low and high [C], share of days with rain."""

    t_min: Array
    t_max: Array
    wet_share: Array

    @property
    def t_mean(self) -> Array:
        """Usual mean [C]."""
        return np.asarray((self.t_min + self.t_max) / 2)


@cache
def climates() -> dict[str, Climate]:
    """All climates by key, in the order of the table.

    Examples
    --------
    >>> len(climates()), climates()["warm"].latitude
    (21, 38.0)
    """
    numbers = [f for f in Climate.__dataclass_fields__ if f not in _WORDS]
    return {
        row.text("key"): Climate(
            key=row.text("key"),
            name=row.text("name"),
            like=row.text("like"),
            by_name=row.text("by_name") == "y",
            source=source_words(row.text("source_family")),
            **{name: row.number(name) for name in numbers},
        )
        for row in load_table("climates")
    }


def climate(key: str) -> Climate:
    """One climate by key; an unknown key is a ``DaceError`` on field ``climate``."""
    try:
        return climates()[key]
    except KeyError:
        would_do = f"one of {', '.join(climates())} would do"
        raise DaceError("climate", f"“{key}”", would_do) from None


_WITHIN_DEG = 8.0


def climates_near(latitude: float) -> tuple[tuple[Climate, float], ...]:
    """The climates that a place known by its latitude alone may have, with their weights.

    Those of its half of the earth within 8 degrees, weighted by nearness; the nearest of
    that half where none lies so near.

    >>> [(c.key, round(w, 2)) for c, w in climates_near(60)]
    [('north_sea', 0.5), ('boreal', 0.5)]
    """
    half = [c for c in climates().values() if c.latitude * latitude >= 0 and not c.by_name]
    half.sort(key=lambda c: abs(c.latitude - latitude))
    near = [c for c in half if abs(c.latitude - latitude) < _WITHIN_DEG] or half[:1]
    weights = [1 - abs(c.latitude - latitude) / _WITHIN_DEG for c in near]
    total = sum(weights)
    if total <= 0:
        return ((near[0], 1.0),)
    return tuple((c, w / total) for c, w in zip(near, weights, strict=True))


def climate_near(latitude: float) -> Climate:
    """The likeliest climate at a latitude.

    >>> climate_near(-45).key, climate_near(51).key
    ('southern_maritime', 'cool_temperate')
    """
    return climates_near(latitude)[0][0]


def bright_angle(first: date, days: int, latitude: float) -> Array:
    """Angle [radian] of each day in the year of light: 0 on the longest day of that hemisphere."""
    whole = (first - _LONGEST_DAY_NORTH).days % _FOUR_YEARS  # the same sun in every such span
    since = whole + np.arange(days, dtype=float)
    if latitude < 0:
        since = since + _YEAR_DAYS / 2
    return np.asarray(2 * np.pi * since / _YEAR_DAYS)


def normals(where: Climate, latitude: float, first: date, days: int) -> Normals:
    """The usual days from a day on.

    Parameters
    ----------
    where : Climate
        Its figures.
    latitude : float
        Degrees, south negative: which half of the year is bright.
    first : date
        First day.
    days : int
        How many.

    Returns
    -------
    Normals
        Arrays of ``days`` values.

    Examples
    --------
    >>> usual = normals(climate("cool_temperate"), 51.0, date(2026, 7, 20), 1)
    >>> bool(16 < usual.t_mean[0] < 18)
    True
    """
    angle = bright_angle(first, days, latitude)
    lag = 2 * np.pi * where.lag_days / _YEAR_DAYS
    mean = where.mean_c + where.swing_c * np.cos(angle - lag)
    middle = (where.span_bright_c + where.span_dim_c) / 2
    span = middle + (where.span_bright_c - where.span_dim_c) / 2 * np.cos(angle - lag)
    wet = np.clip(where.wet_share + where.wet_swing * np.cos(angle), 0.02, 0.95)
    return Normals(mean - span / 2, mean + span / 2, wet)


def drawn_departures(where: Climate, years: int, days: int, rng: np.random.Generator) -> Array:
    """Departures from the usual mean [C], shape (years, days): each its own year."""
    keep = where.persistence
    fresh = rng.normal(0, where.day_sd_c, (years, days))
    departures = np.empty_like(fresh)
    departures[:, 0] = fresh[:, 0]
    for day in range(1, days):
        departures[:, day] = keep * departures[:, day - 1] + (1 - keep**2) ** 0.5 * fresh[:, day]
    return departures + rng.normal(0, where.year_sd_c, (years, 1))
