"""What to get for a stop that is hungry, where nothing on the shelf feeds it."""

from __future__ import annotations

from collections.abc import Collection, Mapping
from dataclasses import dataclass

from dace.core.fed.owed import Owed
from dace.core.fed.records import ToGet
from dace.core.figures import judgement
from dace.core.matter.materials import Material, material
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.words.listing import listed

_BALANCED = ("a balanced feed", "soluble_blend_20_20_20")
_WHAT = {
    ("N", "K"): ("a tomato feed", "soluble_blend_12_6_24_mg"),
    ("N",): _BALANCED,
    ("K",): ("sulfate of potash", "potassium_sulfate"),
}


@dataclass(frozen=True)
class Usual:
    """What is usually bought for some nutrients, and the material that it is made like."""

    what: str
    like: Material

    def grams(self, mg: Mapping[str, float]) -> float:
        """How much of it brings so much of each nutrient [mg]: of the scarcest in it."""
        held = {one: self.like.percent_of(one).typ for one in mg}
        return max((mg[one] / (10 * held[one]) for one in mg if held[one] > 0), default=0.0)


def usually(nutrients: Collection[str]) -> Usual:
    """What is bought for those of nitrogen and potassium that are owed; else a balanced feed."""
    what, key = _WHAT.get(tuple(n for n in ("N", "K") if n in nutrients), _BALANCED)
    return Usual(what, material(key))


def to_get(owed: Owed) -> ToGet:
    """The nutrients that are owed, what is usually bought for them, and how much now."""
    found = owed.of(0)
    counts = judgement("owed_counts").range.typ * owed.wish.low * owed.litres
    short = tuple(n for n in ("N", "K") if found[at := NUTRIENTS.index(n)] > counts[at]) or ("N",)
    usual = usually(short)
    grams = usual.grams({n: float(found[NUTRIENTS.index(n)]) for n in short})
    return ToGet(short, usual.what, grams)


def said_to_get(found: ToGet) -> str:
    """That nothing on the shelf suits, and what would."""
    names = listed([NUTRIENT_NAMES[n] for n in found.nutrients])
    return f"Nothing on the shelf suits. Get {found.what}: {names}. Plain water meanwhile."
