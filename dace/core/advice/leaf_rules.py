"""Rules of leaf sprays: what never goes on leaves, and what goes there with care."""

from __future__ import annotations

from dace.core.advice import Advice
from dace.core.advice.cautions import cautions, gates
from dace.core.advice.feeding import Feeding
from dace.core.can.spray_words import limit_words
from dace.core.can.spraying import Spray
from dace.core.can.usual import usual_of

SAFE_WAY = "Pour it on the soil between the plants, thin, and keep splash off the leaves."
"""What does instead of a spray that must not be."""
_SPLASHED = ("leaf", "root", "bulb")
_ABOVE_GROUND = ("leaf", "fruit", "seed", "flower")


def _foliar(f: Feeding) -> frozenset[str] | None:
    return f.tokens | {"route:foliar"} if f.route == "foliar" else None


def tea_on_what_is_eaten_raw(f: Feeding) -> Advice | None:
    """A liquid of manure, compost or rotted plants on what is eaten raw."""
    tokens = _foliar(f)
    caution = cautions()["foliar_tea_raw_leaves"]
    raw = f.crop.eaten_raw and f.crop.harvest_part in _ABOVE_GROUND
    if tokens is None or not raw or not caution.named(tokens):
        return None
    return caution.said(f"Never on leaves or fruit eaten raw: {f.crop.name.lower()}")


def brew_on_salad_leaves(f: Feeding) -> Advice | None:
    """A home-made organic liquid on leaves that are eaten, or low on what is eaten raw."""
    tokens = _foliar(f)
    caution = cautions()["brew_on_salad_crops"]
    low = f.crop.harvest_part in _SPLASHED or f.crop.fruit_on_ground
    if tokens is None or not low or not caution.named(tokens):
        return None
    return Advice(
        "brew_on_salad_leaves",
        "stop",
        f"No brew on the leaves of {f.crop.name.lower()}",
        f"A home-made liquid lives on what is eaten. {SAFE_WAY} Not in the last two weeks.",
        caution.source,
        "block",
    )


def never_on_leaves(f: Feeding) -> Advice | None:
    """A home-made liquid that is not used on leaves at all."""
    tokens = _foliar(f)
    row = usual_of(f.tokens) if tokens is not None else None
    if row is None or row.leaf is not None:
        return None
    return Advice(
        "never_on_leaves",
        "stop",
        "Not on leaves",
        f"Such a liquid smells, sticks and carries germs or burns. {SAFE_WAY}",
        row.source,
        "block",
    )


def mist(f: Feeding) -> Advice | None:
    """Fine drops of something living or rotted."""
    tokens = _foliar(f)
    caution = cautions()["spray_mist_inhale"]
    if tokens is None or not caution.named(tokens):
        return None
    return caution.said("Breathe none of the mist")


def strain_it(f: Feeding) -> Advice | None:
    """What would block a nozzle."""
    tokens = _foliar(f)
    caution = cautions()["strain_for_drippers"]
    brewed = any(token.startswith("method:") for token in f.tokens)
    if tokens is None or not (brewed or caution.named(tokens)):
        return None
    return caution.said("Strain it through fine cloth", "A nozzle wants 0.1 to 0.2 mm.")


def eaten_soon(f: Feeding) -> Advice | None:
    """Leaves picked within days of a spray."""
    gate = gates()["fol_eat"]
    soon = f.harvest_in_days is not None and gate.shut(f.harvest_in_days)
    if f.route != "foliar" or f.crop.harvest_part != "leaf" or not soon:
        return None
    return Advice(
        gate.key,
        "care",
        f"Pick none for {gate.range.typ:.0f} days after",
        f"These leaves are eaten. {gate.outside}.",
        gate.source,
    )


def advise_too_strong(found: Spray) -> list[Advice]:
    """A spray stronger than such leaf stands; nothing where it is not."""
    if not found.over:
        return []
    caution = cautions()["foliar_strength"]
    return [caution.said("Too strong for this leaf", limit_words(found))]


RULES = (
    tea_on_what_is_eaten_raw,
    brew_on_salad_leaves,
    never_on_leaves,
    mist,
    strain_it,
    eaten_soon,
)
