"""What acid can carry at most, and what settles again: bounds for each draw of a brew.

Notes
-----
Calcium and magnesium that acid frees are carried by acetate or by the phosphate freed with
them (as H2PO4-), so ``2 Ca + 2 Mg - P`` never passes the acid [mol]. Calcium and phosphate
in a sour liquid settle as brushite, CaHPO4, one for one, until their product is carried.
"""

from __future__ import annotations

import numpy as np
from numpy.typing import NDArray

from dace.core.draws.spreads import split_log_normal
from dace.core.figures import judgement
from dace.core.matter.chemistry import atomic_weight

Array = NDArray[np.float64]
_LACTIC_CA_MG_L = 1500.0


def within_acid(came: dict[str, Array], acid_mol_l: float) -> Array:
    """The share of what acid freed that the acid can carry, for each day and draw.

    Parameters
    ----------
    came : dict of str to ndarray
        Ca, Mg and P that came out of the solids [mg/L].
    acid_mol_l : float
        Acetic acid [mol/L].

    Returns
    -------
    ndarray
        1 where all is carried.

    Examples
    --------
    5 % vinegar holds .833 mol/L; half as much calcium, 16.7 g/L, is all that it carries:

    >>> held = {"Ca": np.array([16_690.0, 33_380.0]), "Mg": np.zeros(2), "P": np.zeros(2)}
    >>> within_acid(held, 0.8326).round(3).tolist()
    [1.0, 0.5]
    """
    mol = {key: came[key] / 1000 / atomic_weight(key) for key in ("Ca", "Mg", "P")}
    wanted = 2 * mol["Ca"] + 2 * mol["Mg"] - mol["P"]
    return np.asarray(np.minimum(1.0, acid_mol_l / np.maximum(wanted, 1e-12)))


def settled_brushite(calcium: Array, phosphorus: Array, z: Array) -> Array:
    """Calcium and phosphate that settle together [mmol/L], for each day and draw.

    Parameters
    ----------
    calcium, phosphorus : ndarray
        What is dissolved [mg/L], shape (day, draw).
    z : ndarray
        A standard normal for each draw: the product that stays is not known well.

    Returns
    -------
    ndarray
        mmol/L that go out, one for one; nothing where the product is carried.
    """
    ca, p = calcium / atomic_weight("Ca"), phosphorus / atomic_weight("P")
    product = split_log_normal(judgement("brushite_product").range, z)
    half = (ca + p) / 2
    gone = half - np.sqrt(np.maximum(0.0, half**2 - (ca * p - product)))
    return np.asarray(np.where(ca * p > product, gone, 0.0))


def lactic_shell(calcium: Array) -> Array:
    """The share of a shell's calcium that a lactic ferment's own acid carries."""
    return np.asarray(np.minimum(1.0, _LACTIC_CA_MG_L / np.maximum(calcium, 1e-9)))
