"""Conductivity of a brew's draws: from their ions, charge closed by acetate.

Notes
-----
Conductivity divided by the charge of the cations changes slowly as a brew grows, so it
is worked out at a few days and carried between them along the root of that charge; what
that costs stays below 1 %.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from dace.core.brew.liquid import BrewLiquid
from dace.core.brew.model import Model
from dace.core.draws.spreads import split_log_normal
from dace.core.figures import judgement
from dace.core.matter.chemistry import atomic_weight, molar_mass
from dace.core.matter.conductivity import conducted
from dace.core.matter.methods import natures

Array = NDArray[np.float64]
_KNOTS = 6
_NEAR = 1e-6  # roots of charge that are as good as equal
_ENOUGH = 2e-3  # change of an ion's share at which draws are near enough
_CATIONS = {"K": 1, "Na": 1, "Ca": 2, "Mg": 2}


def brew_ec(model: Model, z: Array, found: BrewLiquid, exact: bool = False) -> Array:
    """Conductivity at 25 C [mS/cm] of each draw on each day, shape (day, draw).

    Parameters
    ----------
    model : Model
        Of the recipe.
    z : ndarray
        Its draws.
    found : BrewLiquid
        What they hold.
    exact : bool
        Work every day out, rather than a few of them.

    Returns
    -------
    ndarray
        With what is not known of the closing anion.
    """
    ions, charge = _ions(model, found)
    off = split_log_normal(judgement("brew_ec_model").range, z[:, 5])
    knots = _knots(charge.shape[0])
    if exact or len(knots) == charge.shape[0]:
        return _conducted(model, ions, slice(None)) * off
    ratio = _conducted(model, ions, knots) / np.maximum(charge[knots], 1e-9)
    return _carried(knots, ratio, np.sqrt(charge)) * charge * off


def _knots(days: int) -> NDArray[np.int64]:
    """Days that are worked out: closer together while much comes out."""
    even = np.expm1(np.linspace(0, np.log1p(days - 1), _KNOTS))
    return np.unique(even.round().astype(np.int64))


def _carried(knots: NDArray[np.int64], ratio: Array, root: Array) -> Array:
    """A ratio carried between knots along the root of each draw's charge."""
    whole = np.arange(len(root))
    left = np.clip(np.searchsorted(knots, whole, side="right") - 1, 0, len(knots) - 2)
    low, high = root[knots[left]], root[knots[left + 1]]
    apart = high - low
    by_day = ((whole - knots[left]) / (knots[left + 1] - knots[left]))[:, None]
    near = np.abs(apart) < _NEAR
    part = np.where(near, by_day, (root - low) / np.where(near, 1.0, apart))
    part = np.clip(part, 0.0, 1.0)
    return np.asarray(ratio[left] + (ratio[left + 1] - ratio[left]) * part)


def diluted_ec(
    model: Model, z: Array, found: BrewLiquid, at: NDArray[np.int64], parts_water: Array
) -> Array:
    """What a pen should show of each draw when diluted, shape (reading, draw).

    ``at`` picks the day of each reading in ``found``, ``parts_water`` is how many parts
    of pure water were added to one part.
    """
    ions, _ = _ions(model, found)
    weaker = 1 / (1 + parts_water)[:, None]
    chosen = {key: np.minimum(value[at] * weaker, 9e5) for key, value in ions.items()}
    off = split_log_normal(judgement("brew_ec_model").range, z[:, 5])
    return np.asarray(conducted(chosen, model.method.ph.typ, _ENOUGH).ec_ms_cm * off)


def _conducted(model: Model, ions: dict[str, Array], at: slice | NDArray[np.int64]) -> Array:
    chosen = {key: np.minimum(value[at], 9e5) for key, value in ions.items()}
    return conducted(chosen, model.method.ph.typ, _ENOUGH).ec_ms_cm


def _ions(model: Model, found: BrewLiquid) -> tuple[dict[str, Array], Array]:
    """Ions [mg/L] with the charge closed, and the cations' charge [meq/L]."""
    n = atomic_weight("N")
    elements = found.elements
    plus = found.ammonium / n
    for ion, z in _CATIONS.items():
        plus = plus + z * elements[ion] / atomic_weight(ion)
    minus = found.nitrate / n + elements["P"] / atomic_weight("P")
    minus = minus + 2 * elements["S"] / atomic_weight("S") + elements["Cl"] / atomic_weight("Cl")
    lacking = np.maximum(0.0, plus - minus)
    # ash lye is caustic: carbonate and hydroxide close its charge, organic acids every other's
    caustic = natures()[model.recipe.method].caustic
    sodium = elements["Na"] + np.maximum(0.0, minus - plus) * atomic_weight("Na")
    ions = {
        "NO3_N": found.nitrate,
        "NH4_N": found.ammonium,
        "P": elements["P"],
        "K": elements["K"],
        "Ca": elements["Ca"],
        "Mg": elements["Mg"],
        "S_SO4": elements["S"],
        "Na": sodium,
        "Cl": elements["Cl"],
        "acetate_as_CH3COO": np.zeros_like(lacking) if caustic else lacking * molar_mass("CH3COO"),
        "HCO3": lacking * molar_mass("HCO3") if caustic else np.zeros_like(lacking),
    }
    return ions, np.maximum(plus, minus)
