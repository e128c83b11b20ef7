"""How one nutrient of a brew follows from what went in."""

from __future__ import annotations

import numpy as np

from dace.core.brew.days import ready_day
from dace.core.brew.model import Model
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Step, Working, say


def brew_working(model: Model, nutrient: str = "K") -> Working:
    """How one nutrient follows from what went in, at typical figures.

    Parameters
    ----------
    model : Model
        Of the recipe.
    nutrient : str
        One of ``NUTRIENTS``.

    Returns
    -------
    Working
        What went in, what is out when it is ready, and in how much liquid.
    """
    day = ready_day(model)[1]
    z = np.zeros((1, model.unknowns))
    out = model.came_out(z, np.array([day]))[:, NUTRIENTS.index(nutrient), 0, 0]
    steps, parts = [], []
    for kind, item, share in zip(model.materials, model.recipe.ingredients, out, strict=True):
        percent = item.percent_of(nutrient).typ
        held = 10 * item.mass_g * percent
        name = kind.name.lower()
        steps += [
            Step(
                f"{nutrient} in {say(item.mass_g)} g of {name}",
                f"10 × {say(item.mass_g, 6)} g × {say(percent, 6)}",
                held,
                "mg",
                f"{say(percent, 3)} %: {kind.source}",
                kind.confidence,
            ),
            Step(
                f"out of it by day {day:.0f}",
                f"{say(held, 7)} mg × {say(float(share), 5)}",
                held * float(share),
                "mg",
                f"{model.method.name.lower()}: {model.method.source}",
                model.method.confidence,
            ),
        ]
        parts.append(held * float(share))
    total = " + ".join(say(part, 7) for part in parts)
    steps.append(
        Step(
            f"{nutrient} from the solids in {say(model.volume_l, 4)} L",
            f"({total}) ÷ {say(model.volume_l, 7)} L",
            sum(parts) / model.volume_l,
            "mg/L",
            "before nitrogen that goes off as gas" if nutrient == "N" else "",
        )
    )
    return tuple(steps)
