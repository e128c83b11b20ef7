"""Finding a mix from eight sources, beside one linear program of that size."""

from __future__ import annotations

import itertools

import numpy as np
from scipy.optimize import linprog

from dace.core.can.finding import find_mix
from dace.core.can.ingredient import Source
from dace.core.can.mix_asked import MixAsked
from dace.core.figures import Range
from dace.core.matter.composition import Composition, composition, composition_of_liquid
from dace.core.matter.label import Label, label_of_material
from dace.core.matter.materials import material
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.matter.waters import water_from_ec
from dace.core.season.crops import crops
from tools.bench.table import Row, median_of

_SALTS = (
    "potassium_nitrate",
    "calcium_nitrate",
    "monopotassium_phosphate",
    "potassium_sulfate",
    "magnesium_sulfate_heptahydrate",
)
_RUNS = 41


def rows() -> list[Row]:
    """Another stage each time, so that nothing is remembered."""
    feeds: list[tuple[str, Composition]] = [
        (key, composition(label_of_material(material(key)))) for key in _SALTS
    ]
    feeds.append(("liquid", composition(Label(4, 3, 8, density_g_per_ml=1.15))))
    feeds.append(("crystals", composition(Label(16, 8, 24, form="solid"))))
    held = {"NH4_N": 130.0, "K": 1600.0, "P": 40.0, "Ca": 70.0, "Mg": 30.0}
    feeds.append(("comfrey", composition_of_liquid(held, "comfrey", brewed=True)))
    sources = tuple(Source(name, name, feed) for name, feed in feeds)
    stages = itertools.cycle(
        stage for grown in crops().values() for stage in grown.stages if _wishes(dict(stage.wish))
    )
    water = water_from_ec(0.3)

    def once() -> None:
        stage = next(stages)
        find_mix(MixAsked(sources, water, 9.0, dict(stage.wish), stage.feed_ec.high))

    matrix = np.random.default_rng(1).random((len(NUTRIENTS), len(sources)))

    def plain() -> None:
        linprog(np.ones(len(sources)), A_ub=-matrix, b_ub=-np.ones(len(NUTRIENTS)))

    what = f"a mix from {len(sources)} sources, with its simpler cans"
    return [Row(what, median_of(once, _RUNS), "one linear program of as many", median_of(plain))]


def _wishes(wish: dict[str, Range]) -> bool:
    return all(one.typ > 0 for one in wish.values())
