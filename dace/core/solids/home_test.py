"""What somebody finds out about a compost at home, and what that says of it.

Notes
-----
Conductivity of one part of compost in five of water by volume:
``E = .10 (K/39.1 + Ca/20.04 + Mg/12.15) / (5 + water per L)``, soluble mg per litre of compost.
A reading moves what makes salt (K, Na, Cl) by ``(read/E)^v`` with ``v = s^2/(s^2 + .20^2)``,
s being how unsure E was, and N, P, Ca and Mg by the power ``.6 v`` of it only.
"""

from __future__ import annotations

import math
from collections.abc import Mapping
from dataclasses import dataclass

import numpy as np

from dace.core.errors import DaceError
from dace.core.figures import judgement
from dace.core.matter.materials import Material, material, materials
from dace.core.solids.heap import Finished, Heap
from dace.core.solids.heap_figures import Array

_CHARGES = {"K": 39.1, "Ca": 20.04, "Mg": 12.15}
_PARTS_WATER, _PER_MEQ = 5.0, 0.10
_SALTS, _OTHERS = ("K", "Na", "Cl"), ("N", "P", "Ca", "Mg")


@dataclass(frozen=True)
class HomeTest:
    """What was found: the 1:5 reading [mS/cm at 25 °C], kg a litre, dry matter [%]."""

    ec_1_5: float | None = None
    kg_per_l: float | None = None
    dry_percent: float | None = None

    def __post_init__(self) -> None:
        for name, value, most in (
            ("ec_1_5_ms_cm", self.ec_1_5, 30.0),
            ("kg_per_l", self.kg_per_l, 3.0),
            ("dry_matter_percent", self.dry_percent, 100.0),
        ):
            if value is not None and not 0 < value <= most:
                raise DaceError(name, f"{value:g}", f"above 0 and at most {most:g} would do")


def like_of(heap: Heap) -> Material:
    """The finished compost whose soluble shares a heap's are taken for."""
    if heap.method == "worm_bin":
        return material("worm_castings")
    if heap.method == "leaf_heap":
        return material("leaf_mould")
    if heap.method == "manure_stack":
        animals = [one.material.key.rsplit("_", 1)[0] for one in heap.inputs]
        for animal in animals:
            found = materials().get(f"{animal.removesuffix('_layer')}_composted")
            if found is not None:
                return found
    return material("garden_compost")


def expected_ec(heap: Heap, found: Finished) -> Array:
    """What one part in five of water should read [mS/cm at 25 °C], shape (draws,)."""
    like = like_of(heap)
    kg_per_l = found.kg / found.litres
    meq = sum(
        10_000 * kg_per_l * found.percent[name] * like.soluble_of(name).typ / 100 / weight
        for name, weight in _CHARGES.items()
    )
    water = kg_per_l * (1 - found.dry / found.kg)
    return np.asarray(_PER_MEQ * meq / (_PARTS_WATER + water))


def corrected(heap: Heap, found: Finished, test: HomeTest) -> Mapping[str, Array]:
    """Percentages after a home test, shape (draws,) each.

    Parameters
    ----------
    heap : Heap
        As it was built.
    found : Finished
        What it was taken to come to.
    test : HomeTest
        What was weighed, dried and read.
    """
    percent = dict(found.percent)
    if test.dry_percent is not None:
        factor = test.dry_percent / 100 / (found.dry / found.kg)
        percent = {name: one * factor for name, one in percent.items()}
    if test.ec_1_5 is None:
        return percent
    expected = expected_ec(heap, found)
    unsure = float(np.std(np.log(expected))) if len(expected) > 1 else _usual_doubt()
    counts = unsure**2 / (unsure**2 + judgement("compost_ec_method").range.typ ** 2)
    off = math.log(test.ec_1_5) - float(np.median(np.log(expected)))
    for name in percent:
        power = counts if name in _SALTS else 0.6 * counts if name in _OTHERS else 0.0
        percent[name] = percent[name] * math.exp(power * off)
    return percent


def _usual_doubt() -> float:
    """How unsure the expected reading is where nothing is drawn: its log sd."""
    return judgement("compost_ec_doubt").range.typ


def cress_says(up: float, root_mm: float, plain_up: float, plain_root_mm: float) -> str:
    """What cress beside plain seed mix says: ``ready``, ``not for seed`` or ``not for pots``.

    Twenty seeds each, after five days. It finds salt and acids, no weedkiller.

    Examples
    --------
    >>> cress_says(18, 20, 19, 22), cress_says(15, 16, 19, 22), cress_says(8, 10, 19, 22)
    ('ready', 'not for seed', 'not for pots')

    Raises
    ------
    DaceError
        On ``plain`` where the plain mix did not come up either: the test is void.
    """
    plain = plain_up * plain_root_mm
    if plain <= 0:
        raise DaceError("plain", "none up in the plain mix", "sow both again: this says nothing")
    ratio = up * root_mm / plain
    if ratio < 0.5:
        return "not for pots"
    return "not for seed" if ratio < 0.8 else "ready"
