"""Rules of place: acidity, soil, water near by, what the medium holds already."""

from __future__ import annotations

from dace.core.advice import Advice
from dace.core.advice.cautions import cautions
from dace.core.advice.feeding import Feeding
from dace.core.figures import judgement
from dace.core.words import shown

_FAR_PH = 0.5
_NO_FUNGI = "not one of the plants that such fungi live with"


def bone_meal_alkaline(f: Feeding) -> Advice | None:
    """Bone or rock phosphate where the soil is too limy for it."""
    caution = cautions()["bone_meal_alkaline"]
    limit = caution.other_limit if "key:rock_phosphate" in f.tokens else caution.limit
    assert limit is not None
    if not caution.named(f.tokens) or f.ph is None or f.ph <= limit:
        return None
    return caution.said("Does little in limy soil", f"This soil is at pH {f.ph:.1f}.")


def ash_on_limy_soil(f: Feeding) -> Advice | None:
    """Ash or lime on soil that is limy already, or too much of it."""
    caution = cautions()["ash_rate_and_ph"]
    assert caution.limit is not None
    assert caution.other_limit is not None
    if not caution.named(f.tokens):
        return None
    if f.ph is not None and f.ph > caution.limit:
        return caution.said("Too limy for ash or lime", f"This soil is at pH {f.ph:.1f}.")
    if f.g_m2 is not None and f.g_m2 > caution.other_limit:
        return caution.said("More ash than a year bears", f"{shown.on_an_area(f.g_m2)} is a lot.")
    return None


def urea_on_limy_soil(f: Feeding) -> Advice | None:
    """Urea left on a limy surface."""
    caution = cautions()["urea_surface_loss"]
    assert caution.other_limit is not None
    if f.route != "dressing" or not caution.named(f.tokens):
        return None
    if f.ph is None or f.ph <= caution.other_limit:
        return None
    return caution.said("Work it in the same day", f"This soil is at pH {f.ph:.1f}.")


def phosphorus_vs_mycorrhiza(f: Feeding) -> Advice | None:
    """An inoculant together with phosphorus, or on plants that do not host it."""
    caution = cautions()["phosphorus_vs_mycorrhiza"]
    assert caution.limit is not None
    if caution.named(f.tokens) and not f.crop.mycorrhizal:
        return caution.said("It will not live here", f"{f.crop.name} is {_NO_FUNGI}.")
    inoculated = any(caution.named(tokens) for tokens, _ in f.recent)
    if not inoculated or f.feed_p_mg_l is None or f.feed_p_mg_l <= caution.limit:
        return None
    facts = f"The feed holds {f.feed_p_mg_l:.0f} mg/L of phosphorus."
    return caution.said("Phosphorus and root fungi", facts)


def phosphorus_enough(f: Feeding) -> Advice | None:
    """Phosphorus where a test found plenty."""
    if "P" not in f.brings or "P" not in f.tested_high:
        return None
    return cautions()["phosphorus_enough"].said("Phosphorus is high here already")


def pot_salt_build_up(f: Feeding) -> Advice | None:
    """A drain that reads above what the stage bears."""
    if f.in_bed or f.drain_ec is None or f.drain_ec <= f.stage.drain_ec_high:
        return None
    facts = f"The drain read {f.drain_ec:.1f}; {f.stage.drain_ec_high:.1f} is the top for {f.who}."
    return cautions()["pot_salt_build_up"].said("Salt is gathering", facts)


def seaweed_sodium(f: Feeding) -> Advice | None:
    """Salty things in pots, on clay or for crops that salt hurts."""
    caution = cautions()["seaweed_sodium"]
    tender = f.crop.ec_group == "sensitive"
    if not caution.named(f.tokens) or not (tender or not f.in_bed or f.clay):
        return None
    where = "in a pot that rain does not wash" if not f.in_bed else "here"
    return caution.said(f"Salt {where}")


def coffee_grounds_limit(f: Feeding) -> Advice | None:
    """Grounds laid thick, or near seedlings."""
    caution = cautions()["coffee_grounds_limit"]
    assert caution.limit is not None
    assert caution.other_limit is not None
    if not caution.named(f.tokens):
        return None
    thick = f.layer_mm is not None and f.layer_mm > caution.limit
    rich = f.share is not None and 100 * f.share > caution.other_limit
    return caution.said("Too thick a layer") if thick or rich or f.stage.is_seedling else None


def cake_seed_gap(f: Feeding) -> Advice | None:
    """Fresh meal in the row with seed or new roots."""
    caution = cautions()["cake_seed_gap"]
    assert caution.limit is not None
    if not caution.named(f.tokens) or f.stage.key not in ("germination", "seedling"):
        return None
    if f.days_planted is not None and f.days_planted >= caution.limit:
        return None
    return caution.said("Keep it from seed and new roots")


def nitrogen_drawdown(f: Feeding) -> Advice | None:
    """Something rich in carbon, dug in."""
    caution = cautions()["nitrogen_drawdown"]
    assert caution.limit is not None
    if f.route != "dressing" or f.c_to_n is None or f.c_to_n <= caution.limit:
        return None
    facts = f"It holds {f.c_to_n:.0f} parts of carbon to one of nitrogen."
    return caution.said("It borrows nitrogen first", facts)


def hot_manure(f: Feeding) -> Advice | None:
    """Fresh manure at living roots."""
    caution = cautions()["hot_manure_wait"]
    return caution.said("Too hot for roots") if caution.named(f.tokens) else None


def ph_out_of_range(f: Feeding) -> Advice | None:
    """Soil or medium too sour or too limy for the crop: phosphorus and iron stay locked."""
    if f.ph is None:
        return None
    low, high = f.crop.ph
    off = f.ph - high if f.ph > high else low - f.ph
    if off < _FAR_PH:
        return None
    return Advice(
        "ph_out_of_range",
        "care",
        "Feed cures no lack at this pH",
        f"It is at pH {f.ph:.1f}; {f.crop.name.lower()} likes {low:.1f} to {high:.1f}. "
        "Phosphorus and iron stay locked there, however much is poured.",
        f.crop.source,
    )


def lime_for_acid_lovers(f: Feeding) -> Advice | None:
    """Hard water on a plant that hates lime."""
    limit = judgement("hard_water_hco3").range.typ
    hates = f.crop.ph[1] <= judgement("acid_loving_ph").range.typ
    if not hates or f.hco3_mg_l is None or f.hco3_mg_l <= limit:
        return None
    return Advice(
        "lime_for_acid_lovers",
        "care",
        "Use rain water here",
        f"This water holds {f.hco3_mg_l:.0f} mg/L of bicarbonate; above {limit:.0f} it sweetens "
        f"the medium of {f.crop.name.lower()}, which hates lime.",
        f.crop.source,
    )


RULES = (
    ph_out_of_range,
    lime_for_acid_lovers,
    bone_meal_alkaline,
    ash_on_limy_soil,
    urea_on_limy_soil,
    phosphorus_vs_mycorrhiza,
    phosphorus_enough,
    pot_salt_build_up,
    seaweed_sodium,
    coffee_grounds_limit,
    cake_seed_gap,
    nitrogen_drawdown,
    hot_manure,
)
