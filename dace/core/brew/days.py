"""When a brew is ready, how long it keeps, and how much of it straining gives back."""

from __future__ import annotations

from dace.core.brew.model import Model
from dace.core.brew.recipe import Recipe

_Q10_READY = 1.6
_LEAST_DAY = 0.5


def slower(model: Model) -> float:
    """How much longer it takes than at 20 C."""
    if model.method.nature.hot:
        return 1.0
    return float(_Q10_READY ** ((20.0 - min(35.0, max(5.0, model.recipe.temperature_c))) / 10))


def ready_days(recipe: Recipe) -> tuple[float, float, float]:
    """The day from which a recipe may be taken off: low, likely and high."""
    return ready_day(Model(recipe))


def ready_day(model: Model) -> tuple[float, float, float]:
    """The day from which it may be taken off: low, likely and high; warmer is sooner."""
    window, by = model.method.ready_days, slower(model)
    return window.low * by, window.typ * by, window.high * by


def keeps_days(model: Model, temperature_c: float) -> tuple[float, float, float]:
    """How long the liquid keeps once it is taken off: heat shortens it by half each 10 C."""
    keeps = model.method.keeps_days
    factor = 2 ** ((18.0 - min(35.0, max(5.0, temperature_c))) / 10)
    return keeps.low * factor, keeps.typ * factor, keeps.high * factor


def past_use(recipe: Recipe, day: float) -> bool:
    """Whether it has stood so long that it is spoilt: ready, and then kept, at their longest.

    Examples
    --------
    A bubbled brew is ready within two days and sours within one:

    >>> from dace.core.brew.recipe import RecipeItem
    >>> from dace.core.matter.waters import water_of_kind
    >>> tea = Recipe("aerated_brew", (RecipeItem("worm_castings", 900),), 9, water_of_kind("rain"))
    >>> past_use(tea, 1), past_use(tea, 4)
    (False, True)
    """
    model = Model(recipe)
    keeps = keeps_days(model, recipe.temperature_c)
    return day > ready_day(model)[2] + max(keeps[2], _LEAST_DAY)


def recovered(model: Model) -> tuple[float, float, float]:
    """Litres that straining gives: low, likely and high."""
    share, litres = model.method.recovery, model.volume_l
    return share.low * litres, share.typ * litres, share.high * litres
