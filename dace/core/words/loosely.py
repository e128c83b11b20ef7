"""Names and amounts as notebooks have them: Tub5 for Quay tub 5, half a can, 2 x 9 L."""

from __future__ import annotations

import re
from collections.abc import Hashable, Mapping
from difflib import SequenceMatcher
from typing import TypeVar

from dace.core.words.numbers import NUMBER, read_number

K = TypeVar("K", bound=Hashable)
_LIKE, _CLEARER = 0.72, 0.08
_COUNTS = {"half": 0.5, "½": 0.5, "quarter": 0.25, "¼": 0.25, "a": 1.0, "one": 1.0, "two": 2.0,
           "three": 3.0, "four": 4.0, "1/2": 0.5, "1/4": 0.25}  # fmt: skip
_CANS = re.compile(
    rf"(?P<count>{'|'.join(map(re.escape, _COUNTS))}|{NUMBER})?\s*(?:of\s+)?(?:an?\s+)?"
    r"(?:watering\s*)?cans?(?:ful)?",
    re.IGNORECASE,
)
_TIMES = re.compile(r"(\d{1,2})\s*[x×*]\s*(.+)", re.IGNORECASE)


def cans_told(text: str) -> float | None:
    """How many cans a cell tells; None where it tells something else.

    >>> cans_told("1 can"), cans_told("half a can"), cans_told("2 cans"), cans_told("9 L")
    (1.0, 0.5, 2.0, None)
    """
    found = _CANS.fullmatch(text.strip())
    if found is None:
        return None
    count = found["count"]
    if count is None:
        return 1.0
    return _COUNTS.get(count.lower()) or read_number(count, "litres")


def times_told(text: str) -> tuple[int, str]:
    """How many times an amount, and the amount.

    >>> times_told("2 x 9 L"), times_told("4.5 L")
    ((2, '9 L'), (1, '4.5 L'))
    """
    found = _TIMES.fullmatch(text.strip())
    return (int(found[1]), found[2].strip()) if found else (1, text.strip())


def likeliest(name: str, known: Mapping[str, K]) -> K | None:
    """The thing that a loosely written name most likely means; None where none stands out.

    Parameters
    ----------
    name : str
        As somebody wrote it.
    known : mapping
        Each thing by a name that it has; several names may be one thing's.

    Examples
    --------
    >>> known = {"Quay tub 1": 1, "Quay tub 2": 2, "Comfrey ferment": 3}
    >>> likeliest("Tub2", known), likeliest("T1", known), likeliest("Comfry brew", known)
    (2, 1, 3)
    >>> likeliest("Potting shed", known)
    """
    scores: dict[K, float] = {}
    for other, thing in known.items():
        scores[thing] = max(scores.get(thing, 0.0), _alike(name, other))
    if not scores:
        return None
    first, second = sorted([*scores.values(), 0.0], reverse=True)[:2]
    if first < _LIKE or first - second < _CLEARER:
        return None
    return max(scores, key=lambda thing: scores[thing])


def _alike(name: str, other: str) -> float:
    """How alike two names are, 0 to 1; those whose numbers differ are not."""
    words, others = _parts(name), _parts(other)
    numbers, their = ([one for one in some if one.isdigit()] for some in (words, others))
    if numbers and numbers != their:
        return 0.0
    words = [one for one in words if not one.isdigit()]
    others = [one for one in others if not one.isdigit()]
    if not words or not others:
        return 0.0
    if numbers and any(one.startswith("".join(words)) for one in others):
        return 1.0  # Tub5, T5
    best = [max(_ratio(one, two) for two in others) for one in words]
    return max(best[0], sum(best) / len(best))


def _ratio(one: str, two: str) -> float:
    return SequenceMatcher(None, one, two).ratio()


def _parts(name: str) -> list[str]:
    """Words and numbers, parted where one runs into the other."""
    return re.findall(r"[^\W\d_]+|\d+", name.casefold())
