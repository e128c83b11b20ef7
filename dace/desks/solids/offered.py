"""What there is to choose from on the page of heaps and mixes."""

from __future__ import annotations

from dace.core import api as core
from dace.desks.solids.schemas import (
    GreenManureOut,
    KeptMixOut,
    MixRecipeOut,
    SolidOut,
    SolidsOut,
)
from dace.garden.reads import mixes, setting_of, standing_fills
from dace.households.scope import Scope

METHODS = {
    "hot_turned": "Hot, turned",
    "cold_unturned": "Cold, added to",
    "tumbler": "Tumbler",
    "trench": "Trench",
    "worm_bin": "Worm bin",
    "leaf_heap": "Leaf heap",
    "manure_stack": "Manure stack",
}
USES = {
    "seed": "Seeds",
    "potting_on": "Potting on",
    "hungry_pots": "Hungry pots",
    "raised_bed": "Raised bed",
    "house_plant": "House plants",
    "ericaceous": "Heathers and blueberries",
    "cactus": "Cacti",
}
_HEAPED = (
    "fresh_plant", "kitchen_scrap", "carbon_rich", "manure", "seaweed", "fish", "plant_meal",
    "animal_meal", "compost", "growing_medium", "rock_mineral",
)  # fmt: skip
_DRY = ("granular_organic_4_3_4", "hoof_and_horn", "coated_slow_release", "poultry_pellets",
        "ground_limestone", "bone_meal_steamed")  # fmt: skip


def offered(scope: Scope) -> SolidsOut:
    """By the tables, each in its order; a heap's materials green first. Four queries."""
    heaped = [m for m in core.materials().values() if m.family in _HEAPED and m.form == "solid"]
    heaped.sort(key=lambda one: _HEAPED.index(one.family))
    return SolidsOut(
        materials=[SolidOut(key=one.key, name=one.name) for one in heaped],
        methods=[SolidOut(key=key, name=name) for key, name in METHODS.items()],
        ingredients=[
            SolidOut(key=key, name=one.material.name) for key, one in core.mix_ingredients().items()
        ],
        dry_feeds=[SolidOut(key=key, name=core.material(key).name) for key in _DRY],
        uses=[SolidOut(key=key, name=name) for key, name in USES.items()],
        recipes=[
            MixRecipeOut(
                key=one.key,
                name=one.name,
                use=one.use,
                parts=dict(one.parts),
                dry=dict(one.dry),
                text=one.text,
            )
            for one in core.mix_recipes().values()
        ],
        green_manures=[
            GreenManureOut(key=one.key, name=one.name, caution=one.row.text("caution"))
            for one in core.green_manures().values()
        ],
        mulches=[SolidOut(key=key, name=one.material.name) for key, one in core.mulches().items()],
        beds=[
            SolidOut(key=str(fill.pk), name=str(fill))
            for fill in standing_fills(scope).select_related("place").order_by("created_at")
            if core.setting(setting_of(fill.place)).in_ground
        ],
        mixes=[
            KeptMixOut(key=str(m.pk), name=m.name, use=m.use, parts=m.parts, dry=m.dry)
            for m in mixes(scope)
        ],
    )
