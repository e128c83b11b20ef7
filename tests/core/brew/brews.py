"""Brews to estimate."""

import numpy as np

from dace.core.brew.ec import brew_ec
from dace.core.brew.liquid import liquid
from dace.core.brew.recipe import Recipe, RecipeItem
from dace.core.brew.weighed import weigh
from dace.core.matter.waters import water_from_ec

RAIN = water_from_ec(0.0)


SOAK = Recipe("anaerobic_ferment", (RecipeItem("comfrey_fresh", 2000.0),), 20.0, RAIN, 18.0)


def soak(key="comfrey_fresh", grams=2000.0, **more):
    kept = {"method": "anaerobic_ferment", "volume_l": 20.0, "water": RAIN, "temperature_c": 18.0}
    return Recipe(ingredients=(RecipeItem(key, grams),), **(kept | more))


def shell(grams, **more):
    item = RecipeItem("eggshell_dry", grams, particle="meal_powder")
    return Recipe("acid_extract", (item,), 0.15, RAIN, 20.0, acid_percent=5.0, **more)


def chosen(rng):
    key = rng.choice(["comfrey_fresh", "nettle_fresh", "grass_clippings"])
    method = rng.choice(["anaerobic_ferment", "cold_steep"])
    grams, warmth = rng.uniform(500, 3000), rng.uniform(10, 24)
    return key, grams, method, warmth


def recipe_of(key, grams, method, warmth):
    return Recipe(method, (RecipeItem(key, grams),), 20.0, RAIN, warmth)


def bands(recipe, readings, seed, day, draws=500):
    weighed = weigh(recipe, readings, seed, draws)
    found = liquid(weighed.model, weighed.draws, np.array([day]))
    ec = brew_ec(weighed.model, weighed.draws, found, exact=True)
    values = {n: found.of(n)[0] for n in ("N", "P", "K", "Ca", "Mg")} | {"EC": ec[0]}
    return {n: np.quantile(v, [0.1, 0.5, 0.9]) for n, v in values.items()}, weighed
