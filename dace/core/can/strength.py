"""Ways to say how strong a can is, and what each means in mL (or g) a litre.

Ratios are written ``1 + n``: one part and n parts of water. ``1:n`` is read
both ways, likeliest first; ``1 in n`` is one part in n parts of the mixed can.
"""

from __future__ import annotations

import re
from dataclasses import dataclass

from dace.core.errors import DaceError
from dace.core.result import say
from dace.core.words import shown
from dace.core.words.numbers import (
    NUMBER,
    as_decimal,
    completed,
    in_digits,
    plain,
    read_number,
)
from dace.core.words.quantities import UNIT, amount_of, families_knowing, family_words, read_amounts
from dace.core.words.scales import scale_spelt

_WOULD_DO = "write 1 + 200, 2 ml/L, 45 ml, N 90 mg/L or EC 1.2"
_PER = r"\s*(?:per|/|in|into|to|a|for)\s*(?:(?:an?|each|every|one|my|the)\b)?\s*"
_OF_WATER = r"(?: (?:of )?(?:water|can|watering can|bucket|sprayer)s?)*"
_LABEL = (
    r"(?:strength|(?:of |x |times )?(?:the |a )?label(?:'s)?(?: own)?(?: rate| strength)?"
    r"|(?:of )?the (?:rate|dose))"
)
_ELEMENTS = {
    "nitrogen": "n", "phosphorus": "p", "potassium": "k", "calcium": "ca", "magnesium": "mg",
}  # fmt: skip
_NEAT = ("neat", "undiluted", "straight", "pure")
_SHARES = {"quarter": 0.25, "third": 1 / 3, "half": 0.5, "full": 1.0, "double": 2.0}
_MOST_PARTS = 100_000.0
_WHOLE_PARTS = 20.0
_MIXED_UP_TO = 0.1  # of the can: more is rather said of the label's rate
_MOST_PPM_N = 300.0
_LEAST = 1e-3  # of whatever was said; less is nothing that one could measure


@dataclass(frozen=True)
class Strength:
    """One reading of what was said.

    ``kind`` is ``per_litre`` (amount of concentrate per litre of finished can),
    ``can`` (amount in the whole can), ``nutrient`` (mg/L of an element from the
    feed), ``ec`` (conductivity of the whole can, mS/cm at 25 C), ``wish`` (what
    the stage likes, as far as its cap allows; ``amount`` is 1), ``label`` (a
    share of the label's own rate), or ``usual`` and ``usual_leaf`` (a share of what is
    usual of such a jar). ``unit`` is
    the concentrate's, ``mL`` or ``g``; empty where any would do. ``spooned`` says
    that a powder of a usual density was told by the spoon, since nobody weighed it.
    """

    kind: str
    amount: float
    meaning: str
    unit: str = ""
    nutrient: str = ""
    spooned: bool = False


def parse_strength(
    text: str, measures: str | None = None, of: str = "", shown_as: str = ""
) -> list[Strength]:
    """Every reading of a strength as typed, likeliest first.

    Parameters
    ----------
    text : str
        Such as ``1 + 200``, ``1:12``, ``1 in 13``, ``2 ml/L``, ``45 ml``,
        ``2 tsp per gallon``, ``N 90 mg/L`` or ``EC 1.2``.
    measures : str or None
        Family of kitchen measures; None where nobody said.
    of : str
        Unit of the concentrate, ``mL`` or ``g``: an ounce of a liquid is a fluid one.
    shown_as : str
        What its box showed in full, such as :func:`format_strength` says it: a bare number
        is in that unit.

    Returns
    -------
    list of Strength
        One, or several where the text is ambiguous.

    Raises
    ------
    DaceError
        On field ``strength``: what was read and what would do.

    Examples
    --------
    >>> [(round(s.amount, 1), s.meaning) for s in parse_strength("1:12")]
    [(76.9, '1 + 12, thirteen parts in all'), (83.3, '1 in 12, which is 1 + 11')]
    """
    folded = plain(completed(text, shown_as))
    if not folded:
        raise DaceError("strength", "nothing", _WOULD_DO)
    if len(folded) > 60:
        raise DaceError("strength", "a very long text", _WOULD_DO)
    if of == "mL":
        folded = re.sub(r"(?<!fl )(?<!fl\. )(?<!fluid )\b(oz|ounces?)\b", "fl oz", folded)
    found = _read(folded, measures)
    if not found:
        raise DaceError("strength", f"“{text.strip()}”", _WOULD_DO)
    return [_checked(strength, text) for strength in found] + _by_decimals(folded, measures, found)


def _read(folded: str, measures: str | None) -> list[Strength]:
    for reader in (_ratio, _target, _percent, _bare_ppm, _per_volume, _whole_can):
        found = reader(folded, measures)
        if found:
            return found
    return []


def _by_decimals(folded: str, measures: str | None, first: list[Strength]) -> list[Strength]:
    """What ``1,000`` would mean as one: a metric garden writes decimals so."""
    plain_ratio = bool(_ratio(folded, measures))  # parts by the thousand, whoever writes them
    other = None if plain_ratio or measures not in (None, "metric") else as_decimal(folded)
    try:
        found = _read(other, measures) if other else []
        return [_checked(one, folded) for one in found if one not in first]
    except DaceError:
        return []


def format_strength(per_l: float, unit: str, digits: int = 3) -> str:
    """A strength as it is said, and typed: parts of a liquid, so much a litre of what is dry.

    Parameters
    ----------
    per_l : float
        mL or g in a litre of the finished can, above 0.
    unit : str
        ``mL`` or ``g``.
    digits : int
        Of what is dry.

    Returns
    -------
    str
        ``1 + 499``, ``0.6 g/L`` or, where gallons are the measure, ``2.27 g/gal``.

    Examples
    --------
    >>> [format_strength(one, "mL") for one in (2.0, 1000 / 13, 1000.0)]
    ['1 + 499', '1 + 12', '1 + 0']
    """
    if unit != "mL":
        return shown.in_each(per_l, unit, digits)
    parts = 1000 / per_l - 1
    return f"1 + {round(parts) if parts >= _WHOLE_PARTS else say(parts, 2)}"


def _ratio(text: str, _: str | None) -> list[Strength]:
    if text in _NEAT:
        return [Strength("per_litre", 1000.0, "1 + 0, neat, without water")]
    match = re.fullmatch(
        r"(?:diluted )?([\d.,]+)(?: parts?(?: (?:of )?(?!in\b|to\b)[a-z]+)?)?"
        r"\s*(\+|:|/|in|to)\s*([\d.,]+)(?:\s*parts?)?(?:(?: of)? water)?(?: dilution)?",
        _feed_first(in_digits(text)),
    )
    if not match or not re.search(r"\d", match[1]) or not re.search(r"\d", match[3]):
        return []
    one, parts = (read_number(part.strip(","), "strength") for part in (match[1], match[3]))
    if one <= 0 or parts / one > _MOST_PARTS:
        raise DaceError("strength", f"“{text}”", _WOULD_DO)
    n = parts / one
    in_all = _in_all(1 + n) if n else "neat, without water"
    added = Strength("per_litre", 1000 / (1 + n), f"1 + {say(n)}, {in_all}")
    if match[2] == "+":
        return [added]
    if n < 1:
        raise DaceError("strength", f"“{text}”", "the second number is the larger one")
    within = Strength("per_litre", 1000 / n, f"1 in {say(n)}, which is 1 + {say(n - 1)}")
    if match[2] in ("in", "to"):
        return [within if match[2] == "in" else added]
    return [added, within]


def _feed_first(text: str) -> str:
    """``10:1 water to feed`` as one of feed and ten of water."""
    told = re.fullmatch(r"([\d.,]+)\s*(?::|to)\s*([\d.,]+) water (?:to|and) [a-z]+", text)
    return f"{told[2]} + {told[1]}" if told else text


def _in_all(parts: float) -> str:
    words = {3: "three", 4: "four", 5: "five", 6: "six", 7: "seven", 8: "eight", 9: "nine"}
    words |= {10: "ten", 11: "eleven", 12: "twelve", 13: "thirteen"}
    spelt = words.get(round(parts)) if parts == round(parts) else None
    return f"{spelt or say(parts)} parts in all"


def _target(text: str, _: str | None) -> list[Strength]:
    named = "|".join(_SHARES)
    share = re.fullmatch(rf"(?:({NUMBER})(\s*%)?|(?:a )?({named}))[\s-]*{_LABEL}", text)
    share = share or re.fullmatch(rf"()()(?:a )?({named})", text)
    if share or text in ("label", "the label", "label rate", "the label's rate"):
        return [_of_label(share)]
    if text in ("what the stage likes", "what it likes", "stage"):
        return [Strength("wish", 1.0, "what the stage likes")]
    usual = re.fullmatch(r"(?:a (quarter) of )?what is usual( on leaves)?", text)
    if usual:
        part = _SHARES[usual[1]] if usual[1] else 1.0
        return [Strength("usual_leaf" if usual[2] else "usual", part, text)]
    element = r"(n|p|k|ca|mg)"
    for name, symbol in _ELEMENTS.items():
        text = re.sub(rf"\b{name}\b", symbol, text)
    match = re.fullmatch(rf"{element}\s*({NUMBER})\s*(?:mg/l|ppm|mg per l(?:itre)?)?", text)
    other = re.fullmatch(rf"({NUMBER})\s*(?:mg/l|ppm|mg per l(?:itre)?)(?: of)?\s*{element}", text)
    other = other or re.fullmatch(rf"({NUMBER}) ?(n|p|k)", text)
    if match or other:
        name, number = (
            (match[1], match[2]) if match else (other[2], other[1]) if other else ("", "")
        )
        value = read_number(number, "strength")
        symbol = name.capitalize()
        return [
            Strength("nutrient", value, f"{say(value)} mg/L of {symbol} from the feed", "", symbol)
        ]
    scale = r"(ms(?:/cm)?|[uµμ]s(?:/cm)?|ppm ?\(?[57]00\)?|cf)"
    ec = re.fullmatch(rf"ec ?[=:]?\s*({NUMBER})\s*{scale}?", text)
    ec = ec or re.fullmatch(rf"({NUMBER})\s*(?:{scale}|ec)", text)
    if ec:
        told = scale_spelt(ec[2] or "ms")
        assert told is not None  # the pattern takes no other
        value = read_number(ec[1], "strength") / told.per_ms
        return [Strength("ec", value, f"the whole can reads {shown.ec(value)}")]
    return []


def _percent(text: str, _: str | None) -> list[Strength]:
    """``50 %`` is half the label's rate or half concentrate; a few per cent are rather that."""
    match = re.fullmatch(rf"({NUMBER})\s*%(?: solution)?", text)
    if not match:
        return []
    part = read_number(match[1], "strength") / 100
    mixed = Strength("per_litre", 1000 * part, f"{say(100 * part)} parts in a hundred")
    label = Strength("label", part, f"{say(100 * part, 3)} % of the label's own rate")
    if part <= _MIXED_UP_TO:
        return [mixed, label]
    return [label, mixed] if part <= 1 else [label]


def _bare_ppm(text: str, _: str | None) -> list[Strength]:
    """``150 ppm`` is nitrogen, or what a pen shows; more than feeds bring is rather the pen's."""
    match = re.fullmatch(rf"({NUMBER})\s*ppm", text)
    if not match:
        return []
    value = read_number(match[1], "strength")
    fed = Strength("nutrient", value, f"{say(value)} mg/L of N from the feed", "", "N")
    read = [
        Strength("ec", value / per, f"the whole can reads {shown.ec(value / per)}, {per} scale")
        for per in (500, 700)
    ]
    return [fed, *read] if value <= _MOST_PPM_N else [*read, fed]


def _of_label(share: re.Match[str] | None) -> Strength:
    amount = 1.0
    if share and share[3]:
        amount = _SHARES[share[3]]
    elif share:
        amount = read_number(share[1], "strength") / (100 if share[2] else 1)
    return Strength("label", amount, f"{say(100 * amount, 3)} % of the label's own rate")


def _per_volume(text: str, measures: str | None) -> list[Strength]:
    match = re.fullmatch(
        rf"({NUMBER})\s*({UNIT}){_PER}({NUMBER})?[\s-]*({UNIT}|(?:watering )?can){_OF_WATER}",
        re.sub(rf"^an? (?={UNIT}\b)", "1 ", text),
    )
    if not match:
        return []
    count = read_number(match[1], "strength")
    if match[4].endswith("can"):
        return _whole_can(f"{match[1]} {match[2]}", measures)
    of_volume = read_number(match[3], "strength") if match[3] else 1.0
    found: dict[float, Strength] = {}
    for family in families_knowing([match[2], match[4]], measures):
        amount = amount_of(count, match[2], family)
        volume = amount_of(of_volume, match[4], family)
        if volume.unit != "mL" or volume.value <= 0:
            raise DaceError("strength", f"“{text}”", _WOULD_DO)
        per_l = 1000 * amount.value / volume.value
        words = f"{shown.in_each(per_l, amount.unit)}{family_words(family)}"
        found.setdefault(round(per_l, 9), Strength("per_litre", per_l, words, amount.unit))
    return list(found.values())


def _whole_can(text: str, measures: str | None) -> list[Strength]:
    if not re.fullmatch(rf"({NUMBER})\s*({UNIT})", text):
        return []
    return [
        Strength(
            "can",
            a.value,
            f"{say(a.value, 3)} {a.unit} in the can{family_words(a.family)}",
            a.unit,
        )
        for a in read_amounts(text, measures, "strength")
    ]


def _checked(strength: Strength, text: str) -> Strength:
    most = {
        "per_litre": 1000.0,
        "can": 1e6,
        "nutrient": 1e5,
        "ec": 50.0,
        "wish": 1.0,
        "label": 1000.0,
        "usual": 1.0,
        "usual_leaf": 1.0,
    }[strength.kind]
    if not _LEAST <= strength.amount <= most:
        raise DaceError("strength", f"“{text.strip()}”", _WOULD_DO)
    return strength
