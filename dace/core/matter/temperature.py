"""Conductivity at a temperature."""

from __future__ import annotations

from dace.core.errors import DaceError


def ec_at(ec_25_ms_cm: float, temperature_c: float) -> float:
    """What the same solution conducts at another temperature.

    Parameters
    ----------
    ec_25_ms_cm : float
        Conductivity at 25 C [mS/cm].
    temperature_c : float
        Temperature of the liquid [C], 0 to 50 (fitted for 5 to 35).

    Returns
    -------
    float
        Conductivity at that temperature [mS/cm], not compensated.

    Examples
    --------
    >>> round(ec_at(1.413, 15), 3)
    1.134
    """
    return ec_25_ms_cm * temperature_factor(temperature_c)


def temperature_factor(temperature_c: float) -> float:
    """Conductivity at a temperature [C] over that at 25 C; see :func:`ec_at`."""
    if not 0 <= temperature_c <= 50:
        raise DaceError(
            "temperature_c", f"{temperature_c:g} °C", "a liquid between 0 and 50 °C would do"
        )
    d = temperature_c - 25
    return 1 + 0.0203 * d + 5.5e-5 * d * d
