"""What to get for a stop that is hungry, where nothing on the shelf feeds it."""

from __future__ import annotations

from dace.core.fed.owed import Owed
from dace.core.fed.records import ToGet
from dace.core.figures import judgement
from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.words.listing import listed

_WHAT = {
    ("N", "K"): "a tomato feed",
    ("N",): "a balanced feed",
    ("K",): "sulfate of potash or a tomato feed",
}


def to_get(owed: Owed) -> ToGet:
    """The nutrients that are owed, and what is usually bought for them."""
    found = owed.of(0)
    counts = judgement("owed_counts").range.typ * owed.wish.low * owed.litres
    short = tuple(n for n in ("N", "K") if found[at := NUTRIENTS.index(n)] > counts[at])
    return ToGet(short or ("N",), _WHAT.get(short, "a balanced feed"))


def said_to_get(found: ToGet) -> str:
    """That nothing on the shelf suits, and what would."""
    names = listed([NUTRIENT_NAMES[n] for n in found.nutrients])
    return f"Nothing on the shelf suits. Get {found.what}: {names}. Plain water meanwhile."
