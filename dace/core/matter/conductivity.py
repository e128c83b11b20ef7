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

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cache

import numpy as np
from numpy.typing import ArrayLike, NDArray

from dace.core.errors import DaceError
from dace.core.figures import load_table
from dace.core.matter.carriers import Conducted, summed
from dace.core.matter.chemistry import atomic_weight, molar_mass

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
_MAX_PASSES, _TOLERANCE = 25, 1e-4
_LN_10 = math.log(10)
_STRIDE = 0.75  # of the way to the next guess: ions that pair halfway settle soonest so


@dataclass(frozen=True)
class _Pairs:
    """Ion pairs by position in the ions; ``power`` is how often gamma 1 enters the constant."""

    cation: NDArray[np.int64]
    anion: NDArray[np.int64]
    k: Array
    power: NDArray[np.int64]


@dataclass(frozen=True)
class _Tables:
    ions: tuple[str, ...]
    charge: NDArray[np.int64]
    lambda_0: Array
    pairs: _Pairs
    charged: NDArray[np.int64]
    pairing: NDArray[np.int64]


@cache
def _tables() -> _Tables:
    ions = load_table("ions")
    names = tuple(row.text("ion") for row in ions)
    charge = np.array([int(row.number("charge")) for row in ions])
    rows = load_table("ion_pairs")
    cation = np.array([names.index(row.text("cation")) for row in rows])
    anion = np.array([names.index(row.text("anion")) for row in rows])
    k = np.array([10 ** row.number("log_k") / 1000 for row in rows])
    pairs = _Pairs(cation, anion, k, -2 * charge[cation] * charge[anion])
    lambda_0 = np.array([row.number("lambda_0") for row in ions])
    charged = np.flatnonzero(charge[cation] + charge[anion])
    pairing = np.unique(np.concatenate([cation, anion]))
    return _Tables(names, charge, lambda_0, pairs, charged, pairing)


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
    total = conducted(ions, ph).ec_ms_cm
    return float(total) if total.ndim == 0 else total


def conducted(
    ions: Mapping[str, ArrayLike], ph: ArrayLike = 6.5, tolerance: float = _TOLERANCE
) -> Conducted:
    """Who carries the current in each solution; arguments and errors as for :func:`ec_25`.

    ``tolerance`` is the largest change of any ion's share at which the iteration ends.
    """
    table = _tables()
    acidity = np.asarray(ph, dtype=float)
    if not np.all((acidity >= 0) & (acidity <= 14)):
        raise DaceError("ph", f"a pH of {acidity}", "a number from 0 to 14 would do")
    total = _totals(_checked(ions))
    shape = np.broadcast(*total.values(), acidity).shape
    held = np.empty((len(table.ions), *shape))
    for row, name in enumerate(table.ions):
        held[row] = total.get(name, 0.0)
    z2 = (table.charge**2).astype(float)
    _split(held, table, total, acidity, np.ones(shape))
    # a first guess as if nothing paired
    gamma = np.exp(_LN_10 * _log_gamma(0.5 / 1000 * summed(held, z2)))
    free = held.copy()
    pairing = table.pairing
    settled = np.zeros(shape, dtype=bool)
    last: tuple[Array, ...] = ()
    for _ in range(_MAX_PASSES):
        _split(held, table, total, acidity, gamma)
        powers = _powers(gamma)
        before, there = free[pairing], held[pairing]
        step = _bound(table, before, powers)
        step += 1
        np.divide(there, step, out=step)
        step -= before
        step *= _STRIDE
        free = held.copy()  # what pairs with nothing is free
        free[pairing] = before + step
        np.abs(step, out=step)
        step /= np.maximum(there, 1e-9, out=there)
        charged = _charged_pairs(table, free, powers)
        # pairs that keep a charge keep one
        ionic = 0.5 / 1000 * (summed(free, z2) + summed(charged))
        gamma = np.exp(_LN_10 * _log_gamma(ionic))
        now = (free, charged, ionic, gamma)
        if settled.any():  # a solution ends when it settles itself, whatever stands beside it
            for new, old in zip(now, last, strict=True):
                np.copyto(new, old, where=settled)
        settled |= step.max(axis=0) < tolerance
        if settled.all():
            break
        last = now
    return _moving(table, free, charged, ionic)


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


def _split(held: Array, table: _Tables, total: dict[str, Array], ph: Array, gamma: Array) -> None:
    """Share out what this acidity and activity (``gamma`` of one charge) move [mmol/L]."""
    h = 10**-ph
    cubed = gamma * gamma * gamma
    hpo4 = 1 / (1 + 10**7.20 * cubed * h)
    p = total["P"] / (1 + (1 - hpo4) * 10**2.15 * gamma * h)
    carbonate = 10**-10.33 / (h * cubed)
    hco3 = total["HCO3"] / (1 + 2 * carbonate)
    parts = {
        "NH4": total["NH4"] / (1 + 10**-9.25 * gamma / h),
        "H2PO4": p * (1 - hpo4),
        "HPO4": p * hpo4,
        "HCO3": hco3,
        "CO3": carbonate * hco3,
        "H": 1000 * h / gamma,
        "OH": 1e-11 / (h * gamma),
    }
    for name, part in parts.items():
        held[table.ions.index(name)] = part


def _powers(gamma: Array) -> dict[int, Array]:
    """What multiplies a pair's constant: gamma to the powers that pairs of ions have."""
    squared = gamma * gamma
    fourth = squared * squared
    return {2: squared, 4: fourth, 8: fourth * fourth}


def _bound(table: _Tables, free: Array, powers: dict[int, Array]) -> Array:
    """For each ion that pairs, its pairs over its free form."""
    pairs, bound = table.pairs, np.zeros_like(free)
    cations, anions = (
        np.searchsorted(table.pairing, ions).tolist() for ions in (pairs.cation, pairs.anion)
    )
    for cation, anion, k, power in zip(
        cations, anions, pairs.k.tolist(), pairs.power.tolist(), strict=True
    ):
        now = k * powers[power]
        bound[cation] += now * free[anion]
        bound[anion] += now * free[cation]
    return bound


def _charged_pairs(table: _Tables, free: Array, powers: dict[int, Array]) -> Array:
    """Pairs that keep a charge [mmol/L]."""
    pairs, at = table.pairs, table.charged
    return np.array(
        [
            pairs.k[i] * powers[int(pairs.power[i])] * free[pairs.cation[i]] * free[pairs.anion[i]]
            for i in at
        ]
    )


def _log_gamma(ionic: Array) -> Array:
    root: Array = np.sqrt(ionic)
    return -_DEBYE_HUECKEL_A * (root / (1 + root) - 0.3 * np.minimum(ionic, 0.5))


def _moving(table: _Tables, free: Array, charged: Array, ionic: Array) -> Conducted:
    root = np.sqrt(ionic)
    drag = root / (1 + _ION_SIZE * root)
    pairs, at = table.pairs, table.charged
    sign = table.charge[pairs.cation[at]] + table.charge[pairs.anion[at]]
    z = np.concatenate([np.abs(table.charge), np.ones(len(at), dtype=np.int64)])
    lambda_0 = np.concatenate([table.lambda_0, [_PAIR_LAMBDA[int(s)] for s in sign]])
    deep = (-1,) + (1,) * ionic.ndim
    lost = (z * (_ONSAGER_FIXED + _ONSAGER_SHARE * lambda_0)).reshape(deep) * drag
    names = table.ions + tuple(
        f"{table.ions[pairs.cation[i]]}·{table.ions[pairs.anion[i]]}" for i in at
    )
    meq_l = np.concatenate([np.abs(table.charge).reshape(deep) * free, charged])
    return Conducted(names, meq_l, np.maximum(0.0, lambda_0.reshape(deep) - lost))
