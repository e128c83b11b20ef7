"""Claims heard over the fence: whether they are possible, and whether their parts agree."""

from __future__ import annotations

import re
from dataclasses import dataclass
from typing import Literal

from dace.core.brew.contents import Content, contents_of, most_mg_l, named_in
from dace.core.can.strength import Strength, parse_strength
from dace.core.errors import DaceError
from dace.core.result import Step, Working, say
from dace.core.words import shown
from dace.core.words.numbers import plain

_SO = r",? (?:so|that is|that's|which is|which makes|i\.e\.|or|=) "
_OF_THE_CAN = r" (?:in|to|for|per|a) (?:the |a |one |your )?(?:can|watering can)\b"
_AGREE = 0.10
_WOULD_DO = "“3 % nitrogen in rinse water” or “1:400, so three tablespoons in the can” would do"
_ROUNDED = 1.02


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
    contents = contents_of(folded)
    if contents:
        return _possible(contents, folded, against)
    tellings = [part.strip(" ,") for part in re.split(_SO, folded) if part.strip(" ,")]
    if len(tellings) < 2:
        tellings = [part.strip() for part in folded.split(",") if part.strip()]
    if len(tellings) < 2:
        raise DaceError("claim", f"“{text.strip()[:80]}”", _WOULD_DO)
    return _agree(tellings, against)


def _possible(contents: tuple[Content, ...], folded: str, against: Against) -> Claim:
    """Every content that is claimed, each against the most that can be; one too much is enough."""
    held = [_held(one, folded, against) for one in contents]
    steps = tuple(
        step
        for one, (most, source) in zip(contents, held, strict=True)
        for step in (
            Step("claimed", "", one.mg_l, f"mg/L of {one.nutrient}"),
            Step("at most", "", most, f"mg/L of {one.nutrient}", source, "medium"),
        )
    )
    over = [
        (one, most, source)
        for one, (most, source) in zip(contents, held, strict=True)
        if one.mg_l - one.half_step > most * _ROUNDED
    ]
    if over:
        one, most, source = max(over, key=lambda row: row[0].mg_l / max(row[1], 1e-9))
        often = f"{say(one.mg_l / most, 2)} times as much" if most > 0 else "more than nothing"
        text = (
            f"Not possible: no more than {say(most, 3)} mg/L of {one.nutrient} can be in it "
            f"({source}), and {say(one.mg_l, 3)} mg/L is claimed, {often}. Nothing comes out "
            "that did not go in."
        )
        return Claim("impossible", text, steps)
    bounds = ", ".join(
        f"{say(most, 3)} mg/L of {one.nutrient}"
        for one, (most, _) in zip(contents, held, strict=True)
    )
    claimed = ", ".join(say(c.mg_l, 3) for c in contents)
    text = (
        f"Possible: at most {bounds} can be in it, and {claimed} is claimed. "
        "That does not make it likely."
    )
    return Claim("possible", text, steps)


def _held(one: Content, folded: str, against: Against) -> tuple[float, str]:
    known = dict(against.most_mg_l).get(one.nutrient)
    if known is not None:
        return known, "all that went in, as far as water or acid dissolves it"
    named = named_in(folded)
    if named is None:
        raise DaceError(
            "claim",
            f"{say(one.mg_l, 3)} mg/L of {one.nutrient}, of nothing that Dace knows",
            "name the material, or check it at a brew",
        )
    return most_mg_l(named, one.nutrient, folded)


def _agree(tellings: list[str], against: Against) -> Claim:
    read = [(text, _strengths(text, against)) for text in tellings]
    if any(not found for _, found in read):
        text = next(text for text, found in read if not found)
        raise DaceError("claim", f"“{text[:60]}”", _WOULD_DO)
    amounts = [[_per_litre(s, against) for s in found] for _, found in read]
    low, high = _furthest(amounts)
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


def _furthest(amounts: list[list[float]]) -> tuple[float, float]:
    """Of all tellings the two that lie furthest apart, each pair of them taken at its best."""
    apart = [
        min(((min(a, b), max(a, b)) for a in one for b in other), key=lambda p: p[1] / p[0])
        for turn, one in enumerate(amounts)
        for other in amounts[turn + 1 :]
    ]
    return max(apart, key=lambda pair: pair[1] / pair[0])


def _strengths(text: str, against: Against) -> list[Strength]:
    spoken = re.sub(r"^(?:it is|it's|use|about|around|roughly|just)\s+", "", text)
    spoken = re.sub(r"^(?:a|an) (?=[a-z])", "1 ", spoken)
    for said in (spoken, re.sub(_OF_THE_CAN, "", spoken)):
        try:
            found = parse_strength(said, against.measures, "mL")
        except DaceError:
            continue
        strengths = [strength for strength in found if strength.kind in ("per_litre", "can")]
        if strengths:
            return strengths
    return []


def _per_litre(strength: Strength, against: Against) -> float:
    if strength.kind == "can":
        return strength.amount / against.vessel_l
    return strength.amount
