"""A spray in words: what it brings beside the week's need, and what bounds it."""

from __future__ import annotations

from dace.core.can.leaf_limits import WARM_C
from dace.core.can.spraying import OnLeaf, Spray
from dace.core.matter.nutrients import NUTRIENT_NAMES
from dace.core.result import say
from dace.core.words import shown
from dace.core.words.shares import share_words

_WHAT = {
    "salts": "salts",
    "urea": "urea",
    "sodium": "sodium",
    "chloride": "chloride",
    "ph": "of an acid extract",
}
_MEAL = 60.0


def brings_words(found: Spray) -> str:
    """The honest part: what lands, what goes in, and how much of a week that is.

    Nitrogen is always told, since that is what a spray is mostly hoped to bring.
    """
    told = [one for one in found.on_leaf if one.share.value >= 1] or [found.on_leaf[0]]
    best = max(told, key=lambda one: one.share.value)
    said = (
        f"Lands {say(best.lands.value, 2)} mg of {NUTRIENT_NAMES[best.nutrient]} a plant; about "
        f"{say(best.enters.value, 2)} go in: {share_words(best.share.value)} of this week's."
    )
    nitrogen = found.on_leaf[0]
    if best is not nitrogen:
        said += f" Nitrogen: {_of_nitrogen(nitrogen)}."
    return said


def _of_nitrogen(one: OnLeaf) -> str:
    return "none" if one.enters.value <= 0 else f"{share_words(one.share.value)} of this week's"


def fit_words(found: Spray) -> str:
    """What it is fit for: a supplement of what it brings much of, hardly ever a meal."""
    much = [one for one in found.on_leaf if one.share.value >= 10]
    if not much:
        return "It feeds next to nothing through the leaf."
    names = " and ".join(NUTRIENT_NAMES[one.nutrient] for one in much)
    nitrogen = found.on_leaf[0].share.value
    return f"Fit for {names}{'' if nitrogen >= _MEAL else ', no meal'}."


def limit_words(found: Spray) -> str:
    """How strong it is beside what such leaf stands."""
    limit = found.limit
    what, used, most = _WHAT[limit.of], say(limit.used, 2), say(limit.most, 2)
    cool = ""
    if limit.cool > limit.most:
        cool = f" ({say(limit.cool, 2)} below {shown.degrees(WARM_C)})"
    if not limit.over:
        return f"{used} g/L {what}; such leaf stands {most} now{cool}."
    later = limit.used <= limit.cool
    do = "wait for cooler air or thin it" if later else "thin it or it scorches"
    return f"{used} g/L {what}, where such leaf stands {most} now{cool}: {do}."
