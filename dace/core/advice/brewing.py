"""Cautions of gathering, preparing and keeping a home-made liquid."""

from __future__ import annotations

from dace.core.advice import Advice, gravest_first
from dace.core.advice.cautions import Caution, cautions
from dace.core.brew.recipe import Recipe
from dace.core.matter.materials import material
from dace.core.matter.methods import natures

GATHERING = frozenset(
    {
        "shoreline_gathering",
        "nettle_butterflies",
        "wild_plant_identity",
        "bracken_toxin",
        "weeds_that_return",
        "persistent_herbicide_bioassay",
        "treated_lawn_clippings",
        "no_pet_or_human_faeces",
        "ash_source",
        "salted_cooking_water",
        "aquarium_treated",
        "rats_and_food_waste",
    }
)
"""Keys of cautions of where things come from: may they be taken, what may hide in them."""


def tokens_of_recipe(recipe: Recipe) -> frozenset[str]:
    """What rules may name a recipe, or the liquid made by it, by."""
    return brew_tokens(recipe.method, [item.material for item in recipe.ingredients])


def brew_tokens(method: str, materials: list[str]) -> frozenset[str]:
    """The same from a method and keys of materials alone."""
    found = {f"method:{method}"}
    for key in materials:
        found |= material(key).tokens
    if method in natures() and natures()[method].liquid == "vinegar":
        found |= {"family:acid"}
    return frozenset(found)


def advise_brew(recipe: Recipe) -> tuple[list[Advice], list[Advice]]:
    """What bears on gathering, and on preparing and keeping, gravest first.

    Parameters
    ----------
    recipe : Recipe
        What goes in, and how.

    Returns
    -------
    tuple of two lists of Advice
        Gathering; the rest.
    """
    tokens = tokens_of_recipe(recipe)
    said = [c for c in cautions().values() if _bears(c, recipe, tokens)]
    gathering = [c.plainly() for c in said if c.key in GATHERING]
    preparing = [c.plainly() for c in said if c.key not in GATHERING]
    if natures()[recipe.method].liquid == "vinegar" and recipe.acid_percent <= _TABLE_VINEGAR:
        preparing = [advice for advice in preparing if advice.key != "strong_vinegar"]
    return gravest_first(gathering), gravest_first(preparing)


_TABLE_VINEGAR = 6.0


_WHILE_IT_BREWS = frozenset(
    {"open_bucket_children_pets", "ferment_gas_outdoors", "acid_plus_shell", "eggshell_hygiene"}
)
_OF_LIQUIDS = frozenset({"never_mix_bleach", "no_drink_bottles"})
_A_JUG_L = 2.0


def advise_jar(tokens: frozenset[str], dry: bool = False) -> list[Advice]:
    """What bears on keeping and handling something on the shelf, gravest first.

    Parameters
    ----------
    tokens : frozenset of str
        What rules may name it by.
    dry : bool
        Whether it is dry: what speaks of liquids is left out.
    """
    said = [
        c.plainly()
        for c in cautions().values()
        if not c.applies_to.startswith("all")
        and "route:" not in c.applies_to
        and not c.pairs_with
        and c.named(tokens)
        and c.key not in GATHERING | _WHILE_IT_BREWS
        and not (dry and c.key in _OF_LIQUIDS)
    ]
    return gravest_first(said)


def _bears(caution: Caution, recipe: Recipe, tokens: frozenset[str]) -> bool:
    if caution.applies_to.startswith("all") or "route:" in caution.applies_to:
        return False
    if not caution.named(tokens):
        return False
    if caution.key == "open_bucket_children_pets" and recipe.volume_l <= _A_JUG_L:
        return False
    return not caution.pairs_with or caution.paired(tokens - {f"method:{recipe.method}"})
