"""Conductivity at 25 C from ion concentrations, and at any temperature from that.

Notes
-----
Free ions and fifteen ion pairs are found by damped iteration; each ion then
carries current by its limiting equivalent conductivity, less the
Debye-Hueckel-Onsager drag of the others. Good to about 3 % for salts and 5 %
for organic liquids between 0.05 and 30 mS/cm. Urea and organic matter carry
no charge and do not show.
"""

from __future__ import annotations

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache, reduce

import numpy as np
from numpy.typing import ArrayLike, NDArray

from dace.core.chemistry import atomic_weight, molar_mass
from dace.core.errors import DaceError
from dace.core.figures import load_table

Array = NDArray[np.float64]

IONS = [
    "NO3_N",
    "NH4_N",
    "urea_N",
    "P",
    "K",
    "Ca",
    "Mg",
    "S_SO4",
    "Na",
    "Cl",
    "HCO3",
    "acetate_as_CH3COO",
]
"""Keys of an ion record, all in mg/L; nitrogen and sulfur as the element."""

_DEBYE_HUECKEL_A = 0.509  # at 25 C, water
_ONSAGER_FIXED, _ONSAGER_SHARE = 30.2, 0.229  # at 25 C, per charge
_ION_SIZE = 1.42  # fitted once to measured salts
_PAIR_LAMBDA = {1: 20.0, -1: 35.0}  # charged pairs move slowly
_MAX_PASSES, _TOLERANCE = 25, 1e-5


@dataclass(frozen=True)
class Carrier:
    """One ion's part in a conductivity: meq/L times conductivity per equivalent."""

    ion: str
    meq_l: float
    lambda_eq: float

    @property
    def ec_ms_cm(self) -> float:
        """Contribution [mS/cm]."""
        return self.meq_l * self.lambda_eq / 1000


@dataclass(frozen=True)
class _Tables:
    charge: dict[str, int]
    lambda_0: dict[str, float]
    pairs: tuple[tuple[str, str, float], ...]


@cache
def _tables() -> _Tables:
    ions = load_table("ions")
    pairs = tuple(
        (row.text("cation"), row.text("anion"), row.number("log_k"))
        for row in load_table("ion_pairs")
    )
    return _Tables(
        {row.text("ion"): int(row.number("charge")) for row in ions},
        {row.text("ion"): row.number("lambda_0") for row in ions},
        pairs,
    )


def ec_25(ions: Mapping[str, ArrayLike], ph: ArrayLike = 6.5) -> float | Array:
    """Conductivity of a solution at 25 C.

    Parameters
    ----------
    ions : mapping of str to float or array
        Concentration [mg/L] by key of ``IONS``; missing keys count as none.
        Arrays broadcast together.
    ph : float or array
        Acidity, 0 to 14.

    Returns
    -------
    float or ndarray
        Conductivity [mS/cm] at 25 C, of the shape of the input.

    Raises
    ------
    DaceError
        If a key is unknown, or a concentration is negative or not finite.

    References
    ----------
    .. [1] ``conductance_handbook`` and ``ion_pairing`` in ``figures/sources.toml``.

    Examples
    --------
    The printed standard, 0.01 mol/L potassium chloride, reads 1.413 mS/cm:

    >>> abs(ec_25({"K": 390.98, "Cl": 354.53}, ph=7.0) / 1.413 - 1) < 0.005
    True
    """
    total = np.zeros(np.broadcast(*_checked(ions).values(), np.asarray(ph)).shape)
    for _, meq_l, lam in _carriers(ions, ph):
        total = total + meq_l * lam / 1000
    return float(total) if total.ndim == 0 else total


def carriers(ions: Mapping[str, ArrayLike], ph: float = 6.5) -> list[Carrier]:
    """Who carries the current in one solution, strongest first.

    Parameters
    ----------
    ions : mapping of str to float
        As for :func:`ec_25`, one solution.
    ph : float
        Acidity.

    Returns
    -------
    list of Carrier
        Contributions that add up to ``ec_25(ions, ph)``.
    """
    found = [Carrier(name, float(meq), float(lam)) for name, meq, lam in _carriers(ions, ph)]
    return sorted((c for c in found if c.ec_ms_cm > 0), key=lambda c: -c.ec_ms_cm)


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


def _checked(ions: Mapping[str, ArrayLike]) -> dict[str, Array]:
    known = {}
    for key, value in ions.items():
        if key not in IONS:
            raise DaceError("ions", f"an ion called “{key}”", f"use {', '.join(IONS)}")
        array = np.asarray(value, dtype=float)
        if not np.all(np.isfinite(array)) or np.any(array < 0) or np.any(array > 1e6):
            raise DaceError(
                "ions", f"{array} mg/L of {key}", "a number from 0 to 1,000,000 mg/L would do"
            )
        known[key] = array
    return {key: known.get(key, np.zeros(())) for key in IONS}


def _totals(mg_l: dict[str, Array]) -> dict[str, Array]:
    """Totals [mmol/L] by component, before any split by acidity."""
    hco3, acetate = molar_mass("HCO3"), molar_mass("CH3COO")
    n = atomic_weight("N")
    plain = {key: mg_l[key] / atomic_weight(key) for key in ("K", "Na", "Ca", "Mg", "Cl", "P")}
    return plain | {
        "NO3": mg_l["NO3_N"] / n,
        "NH4": mg_l["NH4_N"] / n,
        "SO4": mg_l["S_SO4"] / atomic_weight("S"),
        "HCO3": mg_l["HCO3"] / hco3,
        "acetate": mg_l["acetate_as_CH3COO"] / acetate,
    }


def _split(total: dict[str, Array], ph: Array, lg: Array) -> dict[str, Array]:
    """Totals [mmol/L] by ion at this acidity and activity (``lg`` = log10 of gamma 1)."""
    hpo4 = 1 / (1 + 10 ** (7.20 + 3 * lg - ph))
    p = total["P"] / (1 + (1 - hpo4) * 10 ** (2.15 + lg - ph))
    carbonate = 10 ** (ph - 10.33 - 3 * lg)
    hco3 = total["HCO3"] / (1 + 2 * carbonate)
    ions = {key: total[key] for key in ("K", "Na", "Ca", "Mg", "Cl", "NO3", "SO4", "acetate")}
    return ions | {
        "NH4": total["NH4"] / (1 + 10 ** (ph - 9.25 + lg)),
        "H2PO4": p * (1 - hpo4),
        "HPO4": p * hpo4,
        "HCO3": hco3,
        "CO3": carbonate * hco3,
        "H": 10 ** (3 - ph - lg),
        "OH": 10 ** (ph - 11 - lg),
    }


def _total(*parts: Array) -> Array:
    return reduce(np.add, parts)


def _log_gamma(ionic: Array) -> Array:
    root: Array = np.sqrt(ionic)
    return -_DEBYE_HUECKEL_A * (root / (1 + root) - 0.3 * np.minimum(ionic, 0.5))


def _carriers(ions: Mapping[str, ArrayLike], ph: ArrayLike) -> list[tuple[str, Array, Array]]:
    """(ion or pair, meq/L, S cm2 per equivalent) of everything that carries current."""
    table = _tables()
    acidity = np.asarray(ph, dtype=float)
    if not np.all((acidity >= 0) & (acidity <= 14)):
        raise DaceError("ph", f"a pH of {acidity}", "a number from 0 to 14 would do")
    total = _totals(_checked(ions))
    lg = np.zeros(np.broadcast(*total.values(), acidity).shape)
    free = _split(total, acidity, lg)
    for _ in range(_MAX_PASSES):
        held = _split(total, acidity, lg)
        bound = dict.fromkeys(held, np.zeros(()))
        pairs = {}
        for cation, anion, log_k in table.pairs:
            zc, za = table.charge[cation], table.charge[anion]
            k = 10 ** (log_k + lg * (zc**2 + za**2 - (zc + za) ** 2)) / 1000
            bound[cation] = bound[cation] + k * free[anion]
            bound[anion] = bound[anion] + k * free[cation]
            pairs[cation, anion] = k
        after = {i: 0.5 * free[i] + 0.5 * held[i] / (1 + bound[i]) for i in held}
        charged = {
            (c, a): k * after[c] * after[a]
            for (c, a), k in pairs.items()
            if table.charge[c] + table.charge[a]
        }
        # pairs that keep a charge keep one
        ionic = (
            0.5
            / 1000
            * _total(*(table.charge[i] ** 2 * c for i, c in after.items()), *charged.values())
        )
        change = max(
            float(np.max(np.abs(after[i] - free[i]) / np.maximum(held[i], 1e-9))) for i in held
        )
        free, lg = after, _log_gamma(ionic)
        if change < _TOLERANCE:
            break
    return _moving(table, free, charged, ionic)


def _moving(
    table: _Tables, free: dict[str, Array], charged: dict[tuple[str, str], Array], ionic: Array
) -> list[tuple[str, Array, Array]]:
    drag: Array = np.sqrt(ionic) / (1 + _ION_SIZE * np.sqrt(ionic))

    def slowed(lambda_0: float, z: int) -> Array:
        lost = z * (_ONSAGER_FIXED + _ONSAGER_SHARE * lambda_0) * drag
        return np.asarray(np.maximum(0.0, lambda_0 - lost))

    moving = []
    for ion, mmol in free.items():
        z = abs(table.charge[ion])
        moving.append((ion, z * mmol, slowed(table.lambda_0[ion], z)))
    for (cation, anion), mmol in charged.items():
        sign = table.charge[cation] + table.charge[anion]
        moving.append((f"{cation}·{anion}", mmol, slowed(_PAIR_LAMBDA[sign], 1)))
    return moving
