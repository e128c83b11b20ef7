"""What a brew's liquid holds on each day in each draw, with the bounds of sour liquids."""

from __future__ import annotations

from dataclasses import dataclass

import numpy as np
from numpy.typing import NDArray

from dace.core.brew.acid import ACETIC
from dace.core.brew.model import Model
from dace.core.brew.settling import lactic_shell, settled_brushite, within_acid
from dace.core.draws.spreads import split_logit
from dace.core.matter.chemistry import atomic_weight
from dace.core.matter.materials import ELEMENTS

Array = NDArray[np.float64]
_SHELL = "carbonate_shell"
_NITRATE_KEPT = 0.1  # in airless ferments the rest goes off as gas


@dataclass(frozen=True)
class BrewLiquid:
    """What the liquid holds [mg/L], each of shape (day, draw)."""

    nitrate: Array
    ammonium: Array
    organic: Array
    elements: dict[str, Array]

    @property
    def nitrogen(self) -> Array:
        """All nitrogen."""
        return self.nitrate + self.ammonium + self.organic

    def of(self, nutrient: str) -> Array:
        """One nutrient of ``NUTRIENTS``."""
        return self.nitrogen if nutrient == "N" else self.elements[nutrient]


def liquid(model: Model, z: Array, days: Array) -> BrewLiquid:
    """What each draw makes of a recipe by each day.

    Parameters
    ----------
    model : Model
        Of the recipe.
    z : ndarray
        Standard normals, shape (draws, unknowns).
    days : ndarray
        Days since it began.

    Returns
    -------
    BrewLiquid
        The water's own part counted in.
    """
    out = model.came_out(z, days)
    came = model.went_in(z)[:, :, None, :] * out / model.volume_l
    _carry(model, z, came)
    share = min(1.0, model.recipe.volume_l / model.volume_l)
    water = model.recipe.water
    elements = {
        element: came[:, e].sum(axis=0) + share * water.of("S_SO4" if element == "S" else element)
        for e, element in enumerate(ELEMENTS)
        if element != "N"
    }
    nitrate, ammonium, organic = _forms(model, z, days, came[:, 0], out[:, 0])
    return BrewLiquid(nitrate + share * water.of("NO3_N"), ammonium, organic, elements)


def _carry(model: Model, z: Array, came: Array) -> None:
    """Hard bounds of sour liquids, draw by draw: what acid carries, and what settles again."""
    at = {element: ELEMENTS.index(element) for element in ("Ca", "Mg", "P")}
    recipe = model.recipe
    if model.method.nature.frees_shell:
        shells = [i for i, k in enumerate(model.materials) if k.extraction_class == _SHELL]
        came[shells, at["Ca"]] *= lactic_shell(came[shells, at["Ca"]].sum(axis=0))
    if recipe.acid_percent <= 0:
        return
    acid = 10 * recipe.acid_percent * recipe.volume_l / ACETIC / model.volume_l
    share = within_acid({key: came[:, e].sum(axis=0) for key, e in at.items()}, acid)
    for e in at.values():
        came[:, e] *= share
    calcium, phosphorus = (came[:, at[key]].sum(axis=0) for key in ("Ca", "P"))
    gone = settled_brushite(calcium, phosphorus, z[:, 3])
    for key, whole in (("Ca", calcium), ("P", phosphorus)):
        left = 1 - gone * atomic_weight(key) / np.maximum(whole, 1e-9)
        came[:, at[key]] *= np.clip(left, 0.0, 1.0)


def _forms(
    model: Model, z: Array, days: Array, nitrogen: Array, out: Array
) -> tuple[Array, Array, Array]:
    """Nitrogen as nitrate, ammonium and organic, less what went off as gas [mg/L]."""
    made = split_logit(model.method.n_mineral, z[:, 7])[None]
    total = nitrogen.sum(axis=0)
    mineral, nitrate = np.zeros_like(total), np.zeros_like(total)
    kept = _NITRATE_KEPT if model.method.nature.airless else 1.0
    for i, kind in enumerate(model.materials):
        freed = np.maximum(out[i], 1e-9)
        share = np.minimum(1.0, np.maximum(made, kind.n_mineral_share / 100 / freed))
        mineral += nitrogen[i] * share
        nitrate += nitrogen[i] * np.minimum(share, kind.nitrate_share / 100 / freed) * kept
    stays = 1 - _lost(model, z, days)
    nitrate = np.minimum(nitrate, mineral)
    return (
        nitrate * stays,
        np.maximum(0.0, mineral - nitrate) * stays,
        np.maximum(0.0, total - mineral) * stays,
    )


def _lost(model: Model, z: Array, days: Array) -> Array:
    """Share of nitrogen gone as gas by each day, shape (day, draw)."""
    row = model.method.n_loss
    whole = split_logit(row, z[:, 6]) if row.high > 0 else 0 * z[:, 6]
    grown = np.minimum(1.0, days / max(model.method.ready_days.typ, 1e-6))
    return np.asarray(grown[:, None] * whole)
