"""The water that a can is filled with, as ions."""

from __future__ import annotations

import math
from dataclasses import dataclass
from functools import cache

from scipy.optimize import brentq

from dace.core.errors import DaceError
from dace.core.figures import Range, judgement
from dace.core.matter.chemistry import atomic_weight, bicarbonate_from_alkalinity, molar_mass
from dace.core.matter.conductivity import ec_25

_MOST_EC = 5.0  # saltier than this is no water to feed with


@dataclass(frozen=True)
class WaterIons:
    """A water: ions [mg/L], conductivity [mS/cm at 25 C], and how well Ca and Mg are known."""

    ions: tuple[tuple[str, float], ...]
    ec_ms_cm: float
    ca: Range
    mg: Range
    known_by: str

    def of(self, key: str) -> float:
        """mg/L of one ion."""
        return dict(self.ions).get(key, 0.0)


@cache
def water_from_ec(ec_ms_cm: float) -> WaterIons:
    """Water known only by a pen: calcium bicarbonate water of that conductivity.

    Parameters
    ----------
    ec_ms_cm : float
        Reading at 25 C [mS/cm], 0 to 5.

    Returns
    -------
    WaterIons
        With calcium as likely as can be and magnesium unknown but small.

    Raises
    ------
    DaceError
        If the reading is negative, not a number or saltier than any water to feed with.

    Examples
    --------
    >>> tap = water_from_ec(0.5)
    >>> round(tap.of("Ca")), round(tap.of("HCO3"))
    (107, 325)
    """
    if not 0 <= ec_ms_cm <= _MOST_EC:
        raise DaceError("water", f"{ec_ms_cm:g} mS/cm", f"0 to {_MOST_EC:g} mS/cm would do")
    ph = judgement("water_ec_only_ph").range.typ
    per_ca = 2 * molar_mass("HCO3") / atomic_weight("Ca")

    def miss(ca_mg_l: float) -> float:
        return float(ec_25({"Ca": ca_mg_l, "HCO3": ca_mg_l * per_ca}, ph)) - ec_ms_cm

    ca = float(brentq(miss, 0.0, 3000.0, xtol=1e-6)) if miss(0.0) < 0 else 0.0
    mg_share = judgement("water_ec_only_magnesium").range
    as_mg = ca / atomic_weight("Ca") * atomic_weight("Mg")
    return WaterIons(
        (("Ca", ca), ("HCO3", ca * per_ca)),
        ec_ms_cm,
        judgement("water_ec_only_calcium").range.scaled(ca),
        mg_share.scaled(as_mg),
        f"known by its conductivity, {ec_ms_cm:g} mS/cm",
    )


@cache
def water_from_report(report: tuple[tuple[str, float], ...]) -> WaterIons:
    """Water from a supplier's report, charge closed.

    Parameters
    ----------
    report : tuple of (key, mg/L)
        ``Ca``, ``Mg``, ``Na``, ``K``, ``Cl``, ``S_SO4``, ``NO3_N`` and
        ``alkalinity_caco3``.

    Returns
    -------
    WaterIons
        Closed with bicarbonate where anions are short, with sodium where cations are.

    Raises
    ------
    DaceError
        If a key is unknown or a value negative.

    Examples
    --------
    >>> tap = water_from_report((("Ca", 105.0), ("alkalinity_caco3", 240.0)))
    >>> round(tap.of("HCO3")), round(tap.ec_ms_cm, 2)
    (320, 0.49)
    """
    allowed = ("Ca", "Mg", "Na", "K", "Cl", "S_SO4", "NO3_N", "alkalinity_caco3")
    ions: dict[str, float] = {}
    for key, value in report:
        if key not in allowed:
            raise DaceError("water", f"“{key}” in a report", f"use {', '.join(allowed)}")
        if not (math.isfinite(value) and 0 <= value <= 5000):
            raise DaceError("water", f"{value:g} mg/L of {key}", "0 to 5,000 mg/L would do")
        if key == "alkalinity_caco3":
            ions["HCO3"] = bicarbonate_from_alkalinity(value)
        else:
            ions[key] = value
    short = _charge(ions)
    if short > 0:
        ions["HCO3"] = ions.get("HCO3", 0.0) + short * molar_mass("HCO3")
    else:
        ions["Na"] = ions.get("Na", 0.0) - short * atomic_weight("Na")
    ec = float(ec_25(ions, judgement("water_ec_only_ph").range.typ))
    spread = judgement("water_report").range
    return WaterIons(
        tuple(ions.items()),
        ec,
        spread.scaled(ions.get("Ca", 0.0)),
        spread.scaled(ions.get("Mg", 0.0)),
        "from the supplier's report",
    )


WATER_KINDS = {
    "rain": "water_rain_ec",
    "soft_tap": "water_soft_tap_ec",
    "hard_tap": "water_hard_tap_ec",
    "mixed": "water_mixed_ec",
}
"""Waters that can be named before anyone read them, each with its usual conductivity."""


@cache
def water_of_kind(kind: str) -> WaterIons:
    """A water known only by its kind: a usual conductivity, and calcium as wide as that.

    Parameters
    ----------
    kind : str
        A key of ``WATER_KINDS``.

    Returns
    -------
    WaterIons
        To begin with; a reading or a report is better.

    Raises
    ------
    DaceError
        If the kind is unknown.

    Examples
    --------
    >>> water_of_kind("rain").ec_ms_cm
    0.06
    """
    if kind not in WATER_KINDS:
        raise DaceError("kind", f"“{kind}”", f"use {', '.join(WATER_KINDS)}")
    guess = judgement(WATER_KINDS[kind])
    likely = water_from_ec(guess.range.typ)
    low, high = water_from_ec(guess.range.low), water_from_ec(guess.range.high)
    return WaterIons(
        likely.ions,
        likely.ec_ms_cm,
        Range(low.ca.low, likely.ca.typ, high.ca.high),
        Range(0.0, likely.mg.typ, high.mg.high),
        f"{guess.text}, {guess.range.low:g} to {guess.range.high:g} mS/cm",
    )


@cache
def blend(parts: tuple[tuple[WaterIons, float], ...]) -> WaterIons:
    """Waters poured together by share.

    Parameters
    ----------
    parts : tuple of (WaterIons, share)
        Shares above zero; they need not add up to one.

    Returns
    -------
    WaterIons
        Ions by share; its conductivity from the mixed ions.

    Raises
    ------
    DaceError
        If there are no parts, or a share is not above zero.

    Examples
    --------
    >>> half = blend(((water_from_ec(0.06), 1.0), (water_from_ec(0.65), 1.0)))
    >>> 0.34 < half.ec_ms_cm < 0.37
    True
    """
    if not parts or not all(math.isfinite(share) and share > 0 for _, share in parts):
        raise DaceError("parts", "a blend without parts", "two waters with a share each would do")
    whole = sum(share for _, share in parts)
    ions: dict[str, float] = {}
    for water, share in parts:
        for key, value in water.ions:
            ions[key] = ions.get(key, 0.0) + value * share / whole

    def mean(ranges: list[tuple[Range, float]]) -> Range:
        low, typ, high = (
            sum(getattr(r, end) * share for r, share in ranges) / whole
            for end in ("low", "typ", "high")
        )
        return Range(low, typ, high)

    return WaterIons(
        tuple(ions.items()),
        float(ec_25(ions, judgement("water_ec_only_ph").range.typ)),
        mean([(water.ca, share) for water, share in parts]),
        mean([(water.mg, share) for water, share in parts]),
        "mixed: " + " and ".join(f"{100 * s / whole:.0f} % {w.known_by}" for w, s in parts),
    )


def _charge(ions: dict[str, float]) -> float:
    """Cations less anions [meq/L]."""
    mass = {"NO3_N": ("N", -1), "S_SO4": ("S", -2), "Cl": ("Cl", -1)}
    mass |= {"Ca": ("Ca", 2), "Mg": ("Mg", 2), "Na": ("Na", 1), "K": ("K", 1)}
    total = -ions.get("HCO3", 0.0) / molar_mass("HCO3")
    return total + sum(
        ions.get(key, 0.0) / atomic_weight(element) * z for key, (element, z) in mass.items()
    )
