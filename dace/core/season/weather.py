"""What weather does to plants: warmth that counts, and water that goes up."""

from __future__ import annotations

import math
from datetime import date

import numpy as np
from numpy.typing import ArrayLike, NDArray

Array = NDArray[np.float64]
_WARMEST_THAT_COUNTS_C = 30.0
_SOLAR_CONSTANT = 0.0820  # MJ/m2 and minute
_MM_PER_MJ = 0.408
_ABSOLUTE = 17.8


def degree_days(t_min: ArrayLike, t_max: ArrayLike, base_c: float) -> Array:
    """Warmth of each day above a base.

    Parameters
    ----------
    t_min, t_max : array
        Low and high of each day [C]; heat above 30 C does not count.
    base_c : float
        Below this the plant stands still [C].

    Returns
    -------
    ndarray
        Degree days [C d], none negative.

    References
    ----------
    .. [1] ``gdd_literature`` in ``figures/sources.toml``.

    Examples
    --------
    >>> degree_days([10.0], [20.0], 7.0).tolist()
    [8.0]
    """
    high = np.minimum(np.asarray(t_max, dtype=float), _WARMEST_THAT_COUNTS_C)
    low = np.minimum(np.asarray(t_min, dtype=float), _WARMEST_THAT_COUNTS_C)
    return np.asarray(np.maximum(0.0, (low + high) / 2 - base_c))


def light_above_air(latitude: float, first: date, days: int) -> Array:
    """Sunlight above the air, as the water it could lift.

    Parameters
    ----------
    latitude : float
        Degrees, south negative.
    first : date
        First day.
    days : int
        How many.

    Returns
    -------
    ndarray
        Ra [mm of water a day].

    Examples
    --------
    Printed tables give 16.4 for 50 degrees north in the middle of July:

    >>> round(float(light_above_air(50.0, date(2026, 7, 15), 1)[0]))
    16
    """
    of_year = np.array([(first.toordinal() + n - date(first.year, 1, 1).toordinal()) % 365 + 1
                        for n in range(days)])  # fmt: skip
    turn = 2 * np.pi * of_year / 365
    distance = 1 + 0.033 * np.cos(turn)
    tilt = 0.409 * np.sin(turn - 1.39)
    phi = math.radians(latitude)
    sunset = np.arccos(np.clip(-np.tan(phi) * np.tan(tilt), -1, 1))
    height = sunset * np.sin(phi) * np.sin(tilt) + np.cos(phi) * np.cos(tilt) * np.sin(sunset)
    mj = 24 * 60 / np.pi * _SOLAR_CONSTANT * distance * height
    return np.asarray(np.maximum(0.0, mj) * _MM_PER_MJ)


def day_hours(latitude: float, on: date) -> float:
    """Length of the day [h].

    >>> round(day_hours(0.0, date(2026, 3, 21)))
    12
    """
    turn = 2 * math.pi * (on.timetuple().tm_yday) / 365
    tilt = 0.409 * math.sin(turn - 1.39)
    cosine = max(-1.0, min(1.0, -math.tan(math.radians(latitude)) * math.tan(tilt)))
    return 24 / math.pi * math.acos(cosine)


def reference_et(t_min: ArrayLike, t_max: ArrayLike, light_mm: ArrayLike) -> Array:
    """Water that a short green cover would give off (Hargreaves).

    Parameters
    ----------
    t_min, t_max : array
        Low and high of each day [C].
    light_mm : array
        Ra of each day [mm].

    Returns
    -------
    ndarray
        ET0 [mm a day].

    Examples
    --------
    >>> round(float(reference_et(10.0, 22.0, 16.4)), 1)
    4.4
    """
    low, high = np.asarray(t_min, dtype=float), np.asarray(t_max, dtype=float)
    span = np.sqrt(np.maximum(0.0, high - low))
    warmth = np.maximum(0.0, (low + high) / 2 + _ABSOLUTE)
    return np.asarray(0.0023 * np.asarray(light_mm) * warmth * span)
