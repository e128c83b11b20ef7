"""Rules of stage: too late, too soon, or nothing wished for."""

from __future__ import annotations

from dataclasses import replace

from dace.core.advice import Advice
from dace.core.advice.cautions import cautions, gates
from dace.core.advice.feeding import Feeding
from dace.core.can.usual import For
from dace.core.can.usual import never_there as stop_for
from dace.core.figures import judgement
from dace.core.words import shown

_SHORT_DAYS_H = 10.0
_SALTS = frozenset({"family:mineral_salt", "key:coated_slow_release"})
_LIQUIDS = {
    "seedlings": "Its salts and ammonia burn young roots",
    "leaves eaten": "What is eaten raw should not be splashed with it",
}
_PICKED_ONCE = {"ripening", "bulbing", "heading", "root_fill"}
_MODEST = {"light": "light", "sensitive": "light", "medium": "moderate", "heavy": "hungry"}


def late_nitrogen(f: Feeding) -> Advice | None:
    """Nitrogen where the stage wishes none, or where a crop harvested once ripens."""
    ripening = f.stage.key == "ripening" and f.crop.harvest_part in ("root", "bulb", "seed")
    if not f.nitrogen or not (f.stage.wish_of("N").typ <= 0 or ripening):
        return None
    if f.stage.germinates:
        return None
    harm = f"Late nitrogen means {f.crop.late_nitrogen}." if f.crop.late_nitrogen else ""
    return cautions()["late_nitrogen"].said(f"Too late for nitrogen: {f.who}", harm)


def leaf_nitrate(f: Feeding) -> Advice | None:
    """Nitrogen shortly before leaves are cut."""
    caution = cautions()["leaf_nitrate"]
    assert caution.limit is not None
    assert caution.other_limit is not None
    if not f.nitrogen or not f.crop.gathers_nitrate or f.harvest_in_days is None:
        return None
    hold = caution.limit if f.day_hours < _SHORT_DAYS_H else caution.other_limit
    if f.harvest_in_days >= hold:
        return None
    when = "Picking is on" if f.harvest_in_days <= 0 else f"Picking in {f.harvest_in_days:.0f} days"
    return caution.said("Nitrate gathers in leaves", f"{when}; leave {hold:.0f} days after a feed.")


def seedling_salt(f: Feeding) -> Advice | None:
    """A can too strong for seedlings."""
    if not f.stage.is_seedling or f.total_ec is None:
        return None
    most = min(cautions()["seedling_salt"].limit or 1.0, f.crop.seedling_ec_max_ms_cm)
    if f.total_ec <= most:
        return None
    read, bears = shown.ec(f.total_ec), shown.ec_number(most, 1)
    facts = f"The can reads {read}; {bears} is the most for these seedlings."
    return cautions()["seedling_salt"].said("Too salty for seedlings", facts)


def legume_nitrogen(f: Feeding) -> Advice | None:
    """Nitrogen for a crop that makes its own."""
    if not f.nitrogen or f.crop.n_fixed_share <= 0 or f.stage.is_seedling:
        return None
    return cautions()["legume_nitrogen"].said(f"{f.crop.name} makes its own nitrogen")


def just_planted(f: Feeding) -> Advice | None:
    """A first feed too soon after planting out."""
    gate = gates()["skip_transplant"]
    if f.route != "drench" or f.days_planted is None or not gate.shut(f.days_planted):
        return None
    return Advice(
        "just_planted",
        "care",
        "Just planted",
        f"Planted {f.days_planted:.0f} days ago: {gate.outside.lower()}. "
        f"Roots take hold in about {gate.range.typ:.0f} days.",
        gate.source,
    )


def season_enough(f: Feeding) -> Advice | None:
    """More nitrogen over the season than such a crop can use."""
    from_table = _MODEST.get(f.crop.feeder_class, "moderate")
    if f.n_g_m2 is None or not f.nitrogen or not f.in_bed:
        return None
    most = judgement(f"season_n_{from_table}").range.typ
    if f.n_g_m2 <= most:
        return None
    facts = (
        f"This makes {shown.on_an_area(f.n_g_m2, 2)} of nitrogen this season; "
        f"it can use about {shown.on_an_area(most, 2)}."
    )
    return cautions()["overfeeding_nitrogen"].said("More nitrogen than it can use", facts)


def last_slow_feed(f: Feeding) -> Advice | None:
    """A slow feed with nitrogen that comes out after the crop is over."""
    gate = gates()["top_last"]
    if f.route != "dressing" or not f.nitrogen or f.harvest_in_days is None:
        return None
    once = f.stage.key in _PICKED_ONCE
    if not once or not gate.shut(f.harvest_in_days):
        return None
    return Advice(
        "last_slow_feed",
        "care",
        "Too late for a slow feed",
        f"Harvest is about {f.harvest_in_days:.0f} days off and most of it comes out later. "
        f"{gate.outside}.",
        gate.source,
        "block",
    )


def never_there(f: Feeding) -> Advice | None:
    """A home-made liquid where it is never poured: seedlings, leaves to be eaten, pots."""
    where = stop_for(f.tokens, For(f.crop, f.stage, f.setting)) if f.route == "drench" else ""
    if not where:
        return None
    return Advice(
        "never_there",
        "stop",
        f"Not on {where}",
        f"{_LIQUIDS.get(where, 'Such a liquid burns or soils them')}. Keep it for grown plants "
        "elsewhere, thin.",
        "usual dilutions of home-made liquids",
        "block",
    )


def comfrey_alkaloids(f: Feeding) -> Advice | None:
    """Comfrey liquid on leaves that are eaten."""
    caution = cautions()["comfrey_alkaloids"]
    if not caution.named(f.tokens) or f.crop.harvest_part != "leaf" or f.route == "dressing":
        return None
    return replace(caution.said("No comfrey on leaf crops"), plan_effect="block", severity="stop")


def dry_feed_on_seedlings(f: Feeding) -> Advice | None:
    """Granules or dry crystals at the roots of seedlings."""
    if f.route != "dressing" or not f.stage.is_seedling or not f.tokens & _SALTS:
        return None
    return Advice(
        "dry_feed_on_seedlings",
        "stop",
        "No dry feed on seedlings",
        "A single grain burns a young root. Feed them from a weak can, once they have true leaves.",
        f.stage.source,
        "block",
    )


RULES = (
    never_there,
    comfrey_alkaloids,
    dry_feed_on_seedlings,
    late_nitrogen,
    leaf_nitrate,
    seedling_salt,
    legume_nitrogen,
    just_planted,
    season_enough,
    last_slow_feed,
)
