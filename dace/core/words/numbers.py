"""Numbers as people write and say them."""

from __future__ import annotations

import math
import re
import unicodedata

from dace.core.errors import DaceError

_GROUPED = r"[1-9]\d{0,2}(?:[,'’]\d{3})+(?:\.\d+)?(?![\d.,])"
NUMBER = (
    rf"(?:\d+\s+\d+\s*/\s*\d+|\d+\s*/\s*\d+|{_GROUPED}"
    r"|\d+(?:[.,]\d+)?(?:e[+-]?\d+)?|[.,]\d+)"
)
"""Pattern of a number as people write it, after :func:`plain`."""

_BOX = re.compile(rf"((?:1 \+ |[A-Za-z]+ )?)({NUMBER})((?: ?(?!x |by )[^\d\s.,].*)?)")
"""What a box shows: what stands before its number, the number, and what stands behind."""

_FIRST = "one two three four five six seven eight nine ten eleven twelve"
_COUNTED = {word: str(value) for value, word in enumerate(_FIRST.split(), 1)} | {
    "fifteen": "15", "twenty": "20", "thirty": "30", "forty": "40", "fifty": "50",
}  # fmt: skip
_PARTS = {"half": "1/2", "third": "1/3", "quarter": "1/4"}


def plain(text: str) -> str:
    """Lower case, one kind of space, fractions as ``1/2``, small numbers in digits.

    >>> plain("1 ½ Tbsp"), plain("Half an ounce"), plain("three and a half cups")
    ('1 1/2 tbsp', '1/2 ounce', '3 1/2 cups')
    """
    spaced = re.sub(r"(?<=\d)[\u00a0\u2009\u202f](?=\d{3}(?!\d))", ",", text)
    folded = _fractions(spaced).replace("×", "x")
    folded = re.sub(r"\s+", " ", folded).strip().lower()
    folded = re.sub(r"\b(half|third|quarter)(?: of)? an? ", lambda m: f"{_PARTS[m[1]]} ", folded)
    folded = re.sub(r"\ban? (?=1/[234] )", "", folded)
    folded = re.sub(
        rf"\b({'|'.join(_COUNTED)})(?= (?!in\b|to\b|part))", lambda m: _COUNTED[m[1]], folded
    )
    return re.sub(r"(\d) and (?:a half|1/2)\b", r"\1 1/2", folded)


def in_digits(text: str) -> str:
    """Every small number in digits, also where ``one in`` could begin a sentence.

    >>> in_digits("one in ten")
    '1 in 10'
    """
    return re.sub(rf"\b({'|'.join(_COUNTED)})\b", lambda m: _COUNTED[m[1]], text)


def _fractions(text: str) -> str:
    """Fractions of one letter as ``1/2``, and one form of every other."""
    spaced = re.sub(r"(\d)([\u00bc-\u00be\u2150-\u215e])", r"\1 \2", text)
    return unicodedata.normalize("NFKC", spaced).replace("\u2044", "/")


def completed(text: str, shown: str) -> str:
    """What was typed into a box, with the rest of what the box showed where that was left out.

    Parameters
    ----------
    text : str
        As typed: a bare number, or one that says its unit itself.
    shown : str
        What the box showed in full, such as ``1 + 499``, ``2.01 g/gal`` or ``N 112 mg/L``;
        empty where it showed nothing.

    Returns
    -------
    str
        ``text`` in the place of the number that the box showed; as typed where it says more.

    Examples
    --------
    >>> completed("2", "2.01 g/gal"), completed("200", "1 + 499"), completed("90", "N 112 mg/L")
    ('2 g/gal', '1 + 200', 'N 90 mg/L')
    >>> completed("90 mg/L", "N 112 mg/L"), completed("12 fl oz", "2 pt"), completed("3", "")
    ('N 90 mg/L', '12 fl oz', '3')
    >>> completed("8 %", "40 % of the label")
    '8 % of the label'
    """
    told = _BOX.fullmatch(_fractions(shown).strip())
    typed = re.fullmatch(rf"({NUMBER})\s*(.*)", plain(text))
    if told is None or typed is None:
        return text
    before, after = told[1], told[3]
    unit = plain(after)
    same = before != "" or typed[2] == "%"
    bare = typed[2] == "" or (same and unit.startswith(typed[2]))
    return f"{before}{typed[1]}{after}" if bare else text


def as_decimal(text: str) -> str | None:
    """A text whose ``1,000`` may be one rather than a thousand, so told; None where none may.

    >>> as_decimal("1,000 ml"), as_decimal("2,5 L"), as_decimal("1,000,000 mL")
    ('1.000 ml', None, None)
    """
    doubtful = r"(?<![\d.,])([1-9]\d{0,2}),(\d{3})(?![\d.,])"
    changed = re.sub(doubtful, r"\1.\2", text)
    return changed if changed != text else None


def read_number(text: str, field: str = "number") -> float:
    """A number as people write it: ``2.5``, ``2,5``, ``1,000``, ``1/2``, ``1 1/2``.

    A comma before one group of three digits parts thousands; see :func:`as_decimal`.

    Parameters
    ----------
    text : str
        What was typed.
    field : str
        Named in the error.

    Returns
    -------
    float
        The number, finite.

    Raises
    ------
    DaceError
        If it is no number, or too large to be one of a garden.

    Examples
    --------
    >>> read_number("1 ½"), read_number("2,5"), read_number("1,000")
    (1.5, 2.5, 1000.0)
    """
    folded = plain(text)
    if not re.fullmatch(NUMBER, folded):
        raise DaceError(field, f"“{text.strip()}”", "a number such as 2.5 or 1 ½ would do")
    whole, _, fraction = folded.rpartition(" ") if "/" in folded else ("", "", "")
    if "/" in folded:
        above, below = (float(part) for part in fraction.split("/"))
        value = (float(whole) if whole else 0.0) + (above / below if below else math.inf)
    elif re.fullmatch(_GROUPED, folded):
        value = float(re.sub("[,'’]", "", folded))
    else:
        value = float(folded.replace(",", "."))
    if not value < 1e9:
        raise DaceError(field, f"“{text.strip()}”", "a number of ordinary size would do")
    return value
