"""What to get for a stop that is hungry, where nothing on the shelf feeds it."""

from __future__ import annotations

from dace.core.matter.nutrients import NUTRIENT_NAMES, NUTRIENTS
from dace.core.verdict.facts import Facts
from dace.core.verdict.reach import DECIDES, Reach
from dace.core.verdict.records import ToGet
from dace.core.words.listing import listed

_WHAT = {
    ("N", "K"): "a tomato feed",
    ("N",): "a balanced feed",
    ("K",): "sulfate of potash or a tomato feed",
}


def to_get(facts: Facts, reach: Reach, lacks: str) -> ToGet:
    """The nutrients that run out before the next feed, and what is usually bought for them."""
    lack = reach.within(0, facts.every_days) - reach.needed(0, facts.every_days)
    known = [n for n in DECIDES if n not in reach.ignored]
    short = tuple(n for n in known if n == lacks or lack[NUTRIENTS.index(n)] < 0)
    return ToGet(short, _WHAT.get(short, "a balanced feed"))


def said_to_get(found: ToGet) -> str:
    """That nothing on the shelf suits, and what would."""
    names = listed([NUTRIENT_NAMES[n] for n in found.nutrients])
    return f"Nothing on the shelf suits. Get {found.what}: {names}. Plain water meanwhile."
