"""A brew as a model: what each draw of the unknowns makes of what went in, day by day.

Notes
-----
Two pools for each element of each ingredient: A leaches soon, B is freed by decay, acid
or heat. Mass balance is a hard bound in every draw: no more comes out than went in.
"""

from __future__ import annotations

from functools import cached_property

import numpy as np
from numpy.typing import NDArray

from dace.core.brew.acid import ACETIC, Mineral, mineral_of
from dace.core.brew.extraction import Method, Modifier, Rate, method, modifier, rate
from dace.core.brew.recipe import Recipe
from dace.core.draws.spreads import split_log_normal, split_logit
from dace.core.figures import Range, judgement
from dace.core.matter.materials import ELEMENTS, Material, material
from dace.core.matter.methods import acid_method, natures

Array = NDArray[np.float64]
_BREW_UNKNOWNS = 8
_EACH_UNKNOWNS = 2 + 2 * len(ELEMENTS) + 1
_TOGETHER = 0.6
_MOST_OUT = 0.98
_COOLEST_C, _WARMEST_C = 5.0, 35.0
_HOT_FEED_N = 50.0
_SHELL = "carbonate_shell"


class Model:
    """What standard normals, shape (draws, unknowns), mean for one recipe."""

    def __init__(self, recipe: Recipe) -> None:
        self.recipe = recipe
        self.method: Method = method(recipe.method)
        self.materials: tuple[Material, ...] = tuple(
            material(i.material) for i in recipe.ingredients
        )

    @property
    def unknowns(self) -> int:
        """How many normals one draw has."""
        return _BREW_UNKNOWNS + _EACH_UNKNOWNS * len(self.materials)

    @cached_property
    def volume_l(self) -> float:
        """Liquid in the vessel [L]."""
        return self.recipe.filled_l()

    def went_in(self, z: Array) -> Array:
        """Of each element [mg], shape (ingredient, element, draw)."""
        found = np.empty((len(self.materials), len(ELEMENTS), len(z)))
        for i, item in enumerate(self.recipe.ingredients):
            own = self._own(z, i)
            off = judgement("weighed_off" if item.weighed else "by_volume_off").range
            grams = item.mass_g * split_log_normal(off, own[:, 0])
            for e, element in enumerate(ELEMENTS):
                lean = np.sqrt(_TOGETHER) * own[:, 1] + np.sqrt(1 - _TOGETHER) * own[:, 2 + e]
                percent = split_log_normal(item.percent_of(element), lean)
                found[i, e] = 1000 * grams * np.minimum(percent, 100.0) / 100
        return found

    def came_out(self, z: Array, days: Array) -> Array:
        """Share of each element that is out, shape (ingredient, element, day, draw)."""
        shape = (len(self.materials), len(ELEMENTS), len(days), len(z))
        found = np.zeros(shape)
        courses = _Courses(self, z, days)
        for i, kind in enumerate(self.materials):
            item = self.recipe.ingredients[i]
            for e, element in enumerate(ELEMENTS):
                row = rate(kind, self.recipe.method, element)
                if row is not None and item.percent_of(element).high > 0:
                    found[i, e] = self._share(z, i, e, row, courses)
            if self._capped(kind):
                most = self._solubility(kind, i)
                found[i] = np.minimum(found[i], most)
        if self.recipe.acid_percent > 0:
            self._dissolve(z, days, found)
        return np.asarray(found)

    def _own(self, z: Array, i: int) -> Array:
        begin = _BREW_UNKNOWNS + _EACH_UNKNOWNS * i
        return z[:, begin : begin + _EACH_UNKNOWNS]

    def _share(self, z: Array, i: int, e: int, row: Rate, courses: _Courses) -> Array:
        """f(t) of one element of one ingredient, shape (day, draw)."""
        kind, own = self.materials[i], self._own(z, i)
        soon = split_logit(row.fmax, z[:, 1]) * self._pace(i, own[:, -1])[1]
        if not row.absolute:
            element = ELEMENTS[e]
            if element not in dict(kind.soluble):
                return np.zeros((len(courses.days), len(z)))
            lean = own[:, 2 + len(ELEMENTS) + e]
            soon = soon * split_logit(kind.soluble_of(element).scaled(0.01), lean)
        soon = np.minimum(soon, 1.0)
        out = soon * courses.of(i, row.k, row.q10, later=False)
        if row.unlock.high > 0:
            later = (1 - soon) * split_logit(row.unlock, z[:, 2])
            if ELEMENTS[e] == "N":
                later = later * min(1.2, kind.first_season_n / _HOT_FEED_N)
            out += later * courses.of(i, row.k_unlock, row.q10, later=True)
        return np.minimum(_MOST_OUT, out, out=out)

    def _soaked(self, i: int, days: Array) -> Array:
        """Days that an ingredient has been in, in this run."""
        if self.recipe.first_run_days is not None:
            return days
        return np.maximum(0.0, days - self.recipe.ingredients[i].since_day)

    def _soaked_before(self, i: int) -> float | None:
        """Days that it was in the first run; None where this is the first."""
        first = self.recipe.first_run_days
        return None if first is None else max(0.0, first - self.recipe.ingredients[i].since_day)

    def _warmth(self, z: Array, q10: float | None) -> Array:
        if q10 is None or self.method.nature.hot:
            return np.ones(len(z))
        off = judgement("brew_temperature").range.high / 1.2816 * z[:, 4]
        now = np.clip(self.recipe.temperature_c + off, _COOLEST_C, _WARMEST_C)
        return np.asarray(q10 ** ((now - 20.0) / 10))

    def _pace(self, i: int, z: Array) -> tuple[Array, float]:
        """Factors on the pace and on the share, from the grain and the handling."""
        keys = (self.recipe.ingredients[i].particle, *self.recipe.handling, *self._crowded())
        pace, share = np.ones(len(z)), 1.0
        for found in (_for_class(modifier(key), self.materials[i]) for key in keys):
            if found is not None:
                pace, share = pace * split_log_normal(found.k, z), share * found.fmax
        return pace, share

    def _crowded(self) -> tuple[str, ...]:
        solids = sum(
            item.mass_g
            for kind, item in zip(self.materials, self.recipe.ingredients, strict=True)
            if kind.form == "solid"
        )
        crowded = solids > 200 * max(self.recipe.volume_l, 1e-9)
        return ("crowded_1_to_5",) if crowded and self.method.nature.liquid != "sugar" else ()

    def _capped(self, kind: Material) -> bool:
        """Whether it dissolves only so far; what sour liquids dissolve as they react does not."""
        reacts = kind.extraction_class == _SHELL
        sour = natures()[self.recipe.method].sour or self.recipe.acid_percent > 0
        return kind.solubility_g_per_l is not None and not (reacts and sour)

    def _solubility(self, kind: Material, i: int) -> float:
        assert kind.solubility_g_per_l is not None
        return min(1.0, kind.solubility_g_per_l * self.volume_l / self.recipe.ingredients[i].mass_g)

    def _dissolve(self, z: Array, days: Array, found: Array) -> None:
        """In acid: calcium, magnesium and phosphorus follow the mineral that goes."""
        minerals = [
            mineral_of(kind, item.mass_g)
            for kind, item in zip(self.materials, self.recipe.ingredients, strict=True)
        ]
        wanted = sum(m.acid_wanted for m in minerals)
        if wanted <= 0:
            return
        acid = 10 * self.recipe.acid_percent * self.recipe.volume_l / ACETIC
        shell, bone = (
            np.minimum(1.0, split_logit(judgement(key).range, z[:, 5]) * acid / wanted)
            for key in ("acid_used", "acid_used_bone")
        )
        at = {element: e for e, element in enumerate(ELEMENTS)}
        for i, (kind, mineral) in enumerate(zip(self.materials, minerals, strict=True)):
            row = rate(kind, acid_method(), "Ca")
            if mineral.acid_wanted <= 0 or row is None:
                continue
            modified, _ = self._pace(i, self._own(z, i)[:, -1])
            k = split_log_normal(row.k, z[:, 0]) * modified * self._warmth(z, row.q10)
            progress = 1 - np.exp(-np.outer(self._soaked(i, days), k))
            for element in ("Ca", "Mg", "P"):
                found[i, at[element]] = (bone if mineral.apatite > 0 else shell) * progress

    def acid_minerals(self) -> Mineral:
        """All that acid dissolves in it [mol]."""
        parts = [
            mineral_of(kind, item.mass_g)
            for kind, item in zip(self.materials, self.recipe.ingredients, strict=True)
        ]
        return Mineral(sum(p.carbonate for p in parts), sum(p.apatite for p in parts))


class _Courses:
    """How far pools of one pace are out by each day; elements of one pace share one course."""

    def __init__(self, model: Model, z: Array, days: Array) -> None:
        self.days = days
        self._model, self._z = model, z
        self._known: dict[tuple[int, Range, float | None, bool], Array] = {}

    def of(self, i: int, pace: Range, q10: float | None, later: bool) -> Array:
        """Shape (day, draw), for one ingredient; what comes later is not paced by the grain."""
        key = (i, pace, q10, later)
        if key not in self._known:
            self._known[key] = self._worked_out(i, pace, q10, later)
        return self._known[key]

    def _worked_out(self, i: int, pace: Range, q10: float | None, later: bool) -> Array:
        """A second run begins with what the first left, and what clung to the solids."""
        model, z = self._model, self._z
        k = split_log_normal(pace, z[:, 3 if later else 0]) * model._warmth(z, q10)
        if not later:
            k = k * model._pace(i, model._own(z, i)[:, -1])[0]
        grown = -np.expm1(-np.outer(model._soaked(i, self.days), k))
        before = model._soaked_before(i)
        if before is None:
            return np.asarray(grown)
        gone = -np.expm1(-k * before)
        clung = 1 - split_logit(model.method.recovery, z[:, 6])
        return np.asarray((1 - gone) * grown + gone * clung)


def _for_class(found: Modifier, kind: Material) -> Modifier | None:
    """Shell's own grains bear on shell alone, powder of shell in acid on its own row."""
    if found.key.startswith("shell_") and kind.extraction_class not in ("carbonate_shell", "bone"):
        return None
    return found
