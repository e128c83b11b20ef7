"""Claims heard over the fence: whether they are possible, and whether their parts agree."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Literal

from dace.core.can.strength import Strength, read_strength
from dace.core.errors import DaceError
from dace.core.matter.materials import Material, materials
from dace.core.matter.nutrients import NUTRIENTS
from dace.core.result import Step, Working, say
from dace.core.words import shown
from dace.core.words.numbers import NUMBER, plain, read_number

_SO = r",? (?:so|that is|that's|which is|which makes|i\.e\.|or|=) "
_NUTRIENT_NAMES = {
    "nitrogen": "N",
    "phosphorus": "P",
    "potassium": "K",
    "potash": "K",
    "calcium": "Ca",
    "magnesium": "Mg",
    **{n.lower(): n for n in NUTRIENTS},
}
_WORDS = {"half a": 0.5, "a": 1, "an": 1, "one": 1, "two": 2, "three": 3, "four": 4, "five": 5}
_WORDS |= {"six": 6, "eight": 8, "ten": 10, "twelve": 12}
_OF_THE_CAN = r" (?:in|to|for|per|a) (?:the |a |one |your )?(?:can|watering can)\b"
_AGREE = 0.10
_WOULD_DO = "“3 % nitrogen in rinse water” or “1:400, so three tablespoons in the can” would do"
_PER_PERCENT = 10_000.0  # mg/L


ClaimVerdict = Literal["possible", "impossible", "agrees", "contradicts"]


@dataclass(frozen=True)
class Claim:
    """What was claimed, the verdict, and the numbers behind it."""

    verdict: ClaimVerdict
    text: str
    working: Working


@dataclass(frozen=True)
class Against:
    """What a claim is held against.

    ``most_mg_l`` is the most of each nutrient that what went in could make, where a recipe
    is known; ``vessel_l`` the can that is spoken of.
    """

    vessel_l: float = 9.0
    measures: str | None = "metric"
    most_mg_l: tuple[tuple[str, float], ...] = ()


def check_claim(text: str, against: Against) -> Claim:
    """Hold a claim against mass balance, or its parts against each other.

    Parameters
    ----------
    text : str
        As it was heard.
    against : Against
        The recipe's bounds and the can.

    Returns
    -------
    Claim
        With the bound, or both numbers.

    Raises
    ------
    DaceError
        On field ``claim`` if nothing in it can be checked.

    Examples
    --------
    >>> check_claim("3 % nitrogen in rice rinse water", Against()).verdict
    'impossible'
    >>> check_claim("1:400, so three tablespoons in the can", Against()).verdict
    'contradicts'
    """
    folded = plain(text).rstrip(". ")
    if not folded or len(folded) > 200:
        raise DaceError("claim", "nothing" if not folded else "a very long text", _WOULD_DO)
    content = _content(folded)
    if content is not None:
        return _possible(*content, folded, against)
    tellings = [part.strip(" ,") for part in re.split(_SO, folded) if part.strip(" ,")]
    if len(tellings) < 2:
        tellings = [part.strip() for part in folded.split(",") if part.strip()]
    if len(tellings) < 2:
        raise DaceError("claim", f"“{text.strip()[:80]}”", _WOULD_DO)
    return _agree(tellings, against)


def _content(folded: str) -> tuple[float, str] | None:
    """A claim of content: mg/L and the nutrient."""
    names = "|".join(sorted(_NUTRIENT_NAMES, key=len, reverse=True))
    found = re.search(rf"({NUMBER}) ?(%|per cent|percent|mg/l|g/l|ppm) (?:of )?({names})\b", folded)
    if not found:
        return None
    value = read_number(found[1], "claim")
    per = {"mg/l": 1.0, "ppm": 1.0, "g/l": 1000.0}.get(found[2], _PER_PERCENT)
    return value * per, _NUTRIENT_NAMES[found[3]]


def _possible(claimed: float, nutrient: str, folded: str, against: Against) -> Claim:
    most = dict(against.most_mg_l).get(nutrient)
    source = "all that went in, at its richest"
    if most is None:
        named = _named(folded)
        if named is None:
            raise DaceError(
                "claim",
                f"{say(claimed, 3)} mg/L of {nutrient}, of nothing that Dace knows",
                "name the material, or check it at a brew",
            )
        heavy = named.density_g_per_ml if named.form == "liquid" else 1.0
        most = _PER_PERCENT * named.percent_of(nutrient).high * heavy
        source = f"all that {named.name.lower()} holds, at its richest: {named.source}"
    steps = (
        Step("claimed", "", claimed, f"mg/L of {nutrient}"),
        Step("at most", "", most, f"mg/L of {nutrient}", source, "medium"),
    )
    if claimed <= most:
        text = (
            f"Possible: at most {say(most, 3)} mg/L of {nutrient} can be in it, and "
            f"{say(claimed, 3)} is claimed. That does not make it likely."
        )
        return Claim("possible", text, steps)
    times = claimed / most if most > 0 else float("inf")
    often = f"{say(times, 2)} times as much" if most > 0 else "more than nothing"
    text = (
        f"Not possible: no more than {say(most, 3)} mg/L of {nutrient} went in, and "
        f"{say(claimed, 3)} mg/L is claimed, {often}. Nothing comes out that did not go in."
    )
    return Claim("impossible", text, steps)


def _named(folded: str) -> Material | None:
    """The material that a text names best, by its words."""
    words = set(re.findall(r"[a-z]+", folded))
    best, most = None, 1
    for found in materials().values():
        own = [w for w in re.findall(r"[a-z]+", found.name.lower()) if len(w) > 3]
        shared = sum(w in words or w.rstrip("s") in words for w in own)
        if shared > most or (shared == most and best is None and shared >= 2):
            best, most = found, shared
    return best


def _agree(tellings: list[str], against: Against) -> Claim:
    read = [(text, _strengths(text, against)) for text in tellings]
    if any(not found for _, found in read):
        text = next(text for text, found in read if not found)
        raise DaceError("claim", f"“{text[:60]}”", _WOULD_DO)
    amounts = [[_per_litre(s, against) for s in found] for _, found in read]
    low, high = _closest(amounts)
    steps = tuple(
        Step(text, "", options[0] * against.vessel_l, "mL in the can", found[0].meaning)
        for (text, found), options in zip(read, amounts, strict=True)
    )
    can = f"in a can of {shown.litres(against.vessel_l, 4)}"
    said = [
        f"“{text}” is {say(options[0] * against.vessel_l, 3)} mL"
        for (text, _), options in zip(read, amounts, strict=True)
    ]
    if high <= low * (1 + _AGREE):
        return Claim("agrees", f"The two agree {can}: {' and '.join(said)}.", steps)
    times = say(high / low, 2)
    return Claim(
        "contradicts", f"The two do not agree {can}: {' and '.join(said)}, {times} times.", steps
    )


def _closest(amounts: list[list[float]]) -> tuple[float, float]:
    """The readings of two tellings that lie nearest: a claim is taken at its best."""
    pairs = [(min(a, b), max(a, b)) for a in amounts[0] for b in amounts[1]]
    return min(pairs, key=lambda pair: pair[1] / pair[0])


def _strengths(text: str, against: Against) -> list[Strength]:
    spoken = _numbers_in_words(text)
    try:
        found = read_strength(re.sub(_OF_THE_CAN, "", spoken), against.measures)
    except DaceError:
        return []
    return [strength for strength in found if strength.kind in ("per_litre", "can")]


def _numbers_in_words(text: str) -> str:
    for word, value in _WORDS.items():
        text = re.sub(rf"^(?:it is |it's |use |about )?{word} (?=[a-z])", f"{value} ", text)
    return text


def _per_litre(strength: Strength, against: Against) -> float:
    if strength.kind == "can":
        return strength.amount / against.vessel_l
    return strength.amount
